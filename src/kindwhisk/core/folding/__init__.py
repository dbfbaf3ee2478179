"""Folding: what it costs to bring a foam and a denser base together, and how to pay less."""
