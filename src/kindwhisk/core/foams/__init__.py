"""Foams: how dense, how long to whip, how they age, what balances them, what hot syrup does to them."""
