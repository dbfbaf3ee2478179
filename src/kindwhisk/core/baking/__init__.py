"""Baking: how heat, water and colour go through a foam batter, and when it is done."""
