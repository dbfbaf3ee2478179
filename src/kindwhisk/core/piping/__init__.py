"""Piped pieces: the deposit and the bag, the skin, the loads of an oven, colour, the sieve, sorting and filling."""
