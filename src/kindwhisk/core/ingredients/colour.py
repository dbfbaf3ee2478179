"""The colour of a mixture: what the ingredients bring, by mass, lightened by air and browned by heat."""

from collections.abc import Mapping

from kindwhisk.core.ingredients import ingredient

Rgb = tuple[float, float, float]

WHITE: Rgb = (1.0, 1.0, 1.0)
CRUST: Rgb = (0.42, 0.17, 0.035)
"""Linear colour of a well browned sponge crust. Chosen by eye."""
AIR_WHITENS = 0.45
"""Share of white that a content of nearly all air shows: bubbles scatter light. Chosen by eye."""


def _linear(channel: int) -> float:
    c = channel / 255
    return c / 12.92 if c <= 0.04045 else float(((c + 0.055) / 1.055) ** 2.4)


def _srgb(value: float) -> int:
    c = 12.92 * value if value <= 0.0031308 else 1.055 * value ** (1 / 2.4) - 0.055
    return round(255 * min(1.0, max(0.0, c)))


def from_hex(colour: str) -> Rgb:
    """Linear light of a ``#rrggbb`` colour (sRGB, IEC 61966-2-1)."""
    return (_linear(int(colour[1:3], 16)), _linear(int(colour[3:5], 16)), _linear(int(colour[5:7], 16)))


def to_hex(colour: Rgb) -> str:
    """``#rrggbb`` of a linear colour."""
    return "#" + "".join(f"{_srgb(c):02x}" for c in colour)


def blend(first: Rgb, second: Rgb, share: float) -> Rgb:
    """``first`` with ``share`` (0 to 1) of ``second`` in it."""
    r, g, b = (x + (y - x) * share for x, y in zip(first, second, strict=True))
    return (r, g, b)


def mixed(parts: Mapping[str, float], *, air_fraction: float = 0.0, browning: float = 0.0) -> str:
    """The ``#rrggbb`` of a mixture.

    Args:
        parts: grams by ingredient id.
        air_fraction: share of the volume that is gas, 0 to 1.
        browning: 0 raw to 1 deep brown.
    """
    weight = 0.0
    total = [0.0, 0.0, 0.0]
    for ingredient_id, grams in parts.items():
        item = ingredient(ingredient_id)
        share = grams * item.tint
        weight += share
        for i, channel in enumerate(from_hex(item.colour)):
            total[i] += share * channel
    if weight <= 0:
        return to_hex(WHITE)
    base: Rgb = (total[0] / weight, total[1] / weight, total[2] / weight)
    return to_hex(blend(blend(base, WHITE, AIR_WHITENS * air_fraction), CRUST, browning))
