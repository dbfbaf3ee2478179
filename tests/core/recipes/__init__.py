"""Recipes as they are written, each with what it should become, and how what it became is compared with that."""
