"""A day at work: orders and bakes under way, planned together, and what follows from the plan."""
