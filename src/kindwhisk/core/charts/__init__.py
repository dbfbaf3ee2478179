"""A measure over many bakes: what is usual of it, and when it changed."""
