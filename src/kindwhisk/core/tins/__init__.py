"""Tins: their shape, how a batter stands and rises in them, how many it takes, and the paper that lines them."""
