"""What a piece of something weighs where it is no solid piece itself, and what is in an unlabelled packet."""

COUNTS: dict[str, tuple[float, float, float]] = {
    "lemon-juice": (30, 42, 55), "lime-juice": (20, 28, 36), "orange-juice": (60, 80, 110), "lemon-zest": (4, 6, 8),
    "lime-zest": (2, 3, 4), "orange-zest": (6, 9, 12), "vanilla-paste": (2, 3, 4), "banana": (90, 110, 130),
    "gelatine": (1.7, 2.0, 2.5), "tea-black": (1.8, 2.0, 2.5), "passion-fruit": (15, 20, 28),
    "mango-puree": (180, 220, 280), "butter": (110, 113.4, 125), "quail-egg": (8, 9, 10.5), "duck-egg": (60, 70, 80),
    "avocado": (110, 136, 170), "mint": (0.3, 0.5, 0.8), "basil": (0.4, 0.6, 1.0), "pandan": (3, 5, 8), "star-anise": (1.2, 1.6, 2.2),
    "cinnamon": (2, 3, 5), "cloves": (0.05, 0.08, 0.1), "cardamom": (0.15, 0.2, 0.3),
}  # fmt: skip
"""Low, likely and high grams of one piece (juice of one, zest of one, one leaf, one bag). Trade habit."""
EGG_SHAPED = {"egg-white", "egg-yolk", "whole-egg"}
