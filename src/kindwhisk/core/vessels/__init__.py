"""Bowls, pots, jugs and bags, and what stands in them cut in half."""
