"""The colour of a mixture, by what its pigments absorb and its particles and bubbles scatter.

Single-constant theory of Kubelka and Munk (1931), with Duncan's rule (1940) that absorption and scattering add up by
amount: a deep layer reflects R = 1 + k − √(k² + 2k) with k = K/S. It is what makes three grams of cocoa in a hundred
of batter plainly brown, where an average of colours would leave it cream. Each ingredient's own colour gives its k in
three bands; its ``tint`` how much a gram of it counts: pigments much, clear liquids and sugars little. Tints chosen by
eye against batters of known shares; no spectrum was measured.
"""

from __future__ import annotations

import math
from collections.abc import Mapping

from kindwhisk.core.ingredients import ingredient

Rgb = tuple[float, float, float]

WHITE: Rgb = (1.0, 1.0, 1.0)
CRUST: Rgb = (0.42, 0.17, 0.035)
"""Linear colour of a well browned sponge crust. Chosen by eye."""
AIR_SCATTERS = 0.5
"""How much a volume of bubbles scatters beside as much of what they are in. Chosen by eye."""
DARKEST, LIGHTEST = 0.004, 0.985


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


def absorbs(reflectance: float) -> float:
    """K/S of a deep layer that reflects this share of the light, (0, 1]."""
    r = min(LIGHTEST, max(DARKEST, reflectance))
    return (1 - r) ** 2 / (2 * r)


def reflects(absorption: float) -> float:
    """Share of the light that a deep layer of this K/S reflects; the inverse of :func:`absorbs`."""
    return 1 + absorption - math.sqrt(absorption * absorption + 2 * absorption)


def mixed(parts: Mapping[str, float], *, air_fraction: float = 0.0, browning: float = 0.0) -> str:
    """The ``#rrggbb`` of a mixture. Pieces keep their own colour and count only where there is nothing else.

    Args:
        parts: grams by ingredient id.
        air_fraction: share of the volume that is gas, 0 to 1.
        browning: 0 raw to 1 deep brown.
    """
    items = [(ingredient(i), g) for i, g in parts.items()]
    smooth = [(item, g) for item, g in items if item.piece is None] or items
    scatters = sum(g * item.tint for item, g in smooth)
    if scatters <= 0:
        return to_hex(WHITE)
    takes = [0.0, 0.0, 0.0]
    for item, grams in smooth:
        for i, channel in enumerate(from_hex(item.colour)):
            takes[i] += grams * item.tint * absorbs(channel)
    air = min(0.95, max(0.0, air_fraction))
    scatters *= 1 + AIR_SCATTERS * air / (1 - air)
    r, g, b = (reflects(k / scatters) for k in takes)
    return to_hex(blend((r, g, b), CRUST, browning))
