"""How warm fat should be when it meets a foam: fluid enough to vanish, not so hot that it breaks bubbles."""

from __future__ import annotations

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.model import Value

SETS_C: dict[str, float] = {
    "butter": 28.0,
    "butter-clarified": 28.0,
    "margarine": 26.0,
    "shortening": 30.0,
    "coconut-oil": 24.0,
    "cocoa-butter": 30.0,
}
"""Below these a melted fat begins to set (C). Recalled."""
FOLD_C = (40.0, 55.0)
"""C at which melted fat goes into a foam. Trade habit."""
BREAKS_C = 65.0
"""A fat hotter than this (C) breaks bubbles where it falls. Trade habit."""
MUCH_FAT = 0.4
"""A content with less of such fat is a base, not a fat."""


class Warmth(Value):
    """A warning about how warm something is, and what to do."""

    text: str
    remedy: str


def set_fat_g(material: Material) -> float:
    """Grams of fats in it that are firm when cold."""
    return material.grams_of(*SETS_C)


def _is_fat(content: Material) -> bool:
    return set_fat_g(content) > MUCH_FAT * content.mass_g


def fluid_in_words(fat: Material) -> str:
    """How warm a melted fat should be and how it comes; empty for what is not mostly such fat."""
    if not _is_fat(fat):
        return ""
    low, high = FOLD_C
    return f"The fat should run like oil, {low:.0f} to {high:.0f} °C; it comes at {fat.temperature_c:.0f}."


def fat_warmth(fat: Material) -> Warmth | None:
    """What is wrong with the warmth of a melted fat that meets a foam; None if nothing, or if it is not mostly fat.

    A fat about to set makes streaks; one that is hot breaks bubbles.
    """
    if not _is_fat(fat):
        return None
    sets = max(SETS_C[i] for i in fat.counted if i in SETS_C)
    if fat.temperature_c < sets:
        return Warmth(
            text=f"The fat comes in at {fat.temperature_c:.0f} °C, and sets below {sets:.0f} °C: it streaks and sinks.",
            remedy=f"Keep it at {FOLD_C[0]:.0f} to {FOLD_C[1]:.0f} °C beside the bowl until the foam is there.",
        )
    if fat.temperature_c > BREAKS_C:
        return Warmth(
            text=f"The fat comes in at {fat.temperature_c:.0f} °C and breaks bubbles where it falls.",
            remedy=f"Let it cool to {FOLD_C[0]:.0f} to {FOLD_C[1]:.0f} °C.",
        )
    return None
