"""A question that stays open over several bakes, and what was tried to answer it."""
