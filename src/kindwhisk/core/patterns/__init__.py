"""Patterns: a batter parted by weight, coloured, and poured or piped into a picture."""
