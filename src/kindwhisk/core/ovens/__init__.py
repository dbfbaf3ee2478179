"""Ovens: their air, their degrees, their pace, and what is learned of them."""
