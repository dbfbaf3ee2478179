"""Bands: every measured value is set on the range that it should lie in, with what each side means."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.estimate import Estimate
from kindwhisk.core.model import Value


class Quantity(StrEnum):
    """What can be measured at the bench."""

    DENSITY = "density"
    FOAM_TEMPERATURE = "foam temperature"
    OVEN_TEMPERATURE = "oven temperature"
    CORE_TEMPERATURE = "core temperature"
    MASS = "mass"
    HEIGHT = "height"


UNITS: dict[Quantity, str] = {
    Quantity.DENSITY: "g/ml",
    Quantity.FOAM_TEMPERATURE: "C",
    Quantity.OVEN_TEMPERATURE: "C",
    Quantity.CORE_TEMPERATURE: "C",
    Quantity.MASS: "g",
    Quantity.HEIGHT: "mm",
}

PLAUSIBLE: dict[Quantity, tuple[float, float]] = {
    Quantity.DENSITY: (0.05, 1.6),
    Quantity.FOAM_TEMPERATURE: (-5.0, 130.0),
    Quantity.OVEN_TEMPERATURE: (0.0, 320.0),
    Quantity.CORE_TEMPERATURE: (-5.0, 130.0),
    Quantity.MASS: (0.0, 50_000.0),
    Quantity.HEIGHT: (0.0, 1000.0),
}
"""Outside these a reading is a slip of the finger or the wrong unit."""


class Side(Value):
    """What it means to lie on one side of a band, and what can still be done."""

    word: str
    means: str
    can_do: str


class Band(Value):
    """Where a value should lie: the low and high of ``range`` are the band's ends."""

    quantity: Quantity
    unit: str
    range: Estimate
    below: Side
    above: Side


class Place(StrEnum):
    """Where a value lies on its band."""

    LOW = "low"
    WITHIN = "within"
    HIGH = "high"


class Verdict(Value):
    """A value on its band: where it lies, what that means and what can still be done."""

    value: float
    band: Band
    place: Place
    word: str
    means: str
    can_do: str


def judge(value: float, band: Band) -> Verdict:
    """Set ``value`` (in the band's unit) on its band."""
    if band.range.contains(value):
        return Verdict(
            value=value,
            band=band,
            place=Place.WITHIN,
            word="within",
            means="Where it should be.",
            can_do="Go on.",
        )
    low = value < band.range.low
    side = band.below if low else band.above
    return Verdict(
        value=value,
        band=band,
        place=Place.LOW if low else Place.HIGH,
        word=side.word,
        means=side.means,
        can_do=side.can_do,
    )
