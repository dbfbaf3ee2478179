"""Bands: every measured value is set on the range that it should lie in, with what each side means."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value


class Quantity(StrEnum):
    """What can be measured at the bench."""

    DENSITY = "density"
    CONTENT_TEMPERATURE = "temperature in the vessel"
    OVEN_TEMPERATURE = "oven temperature"
    CORE_TEMPERATURE = "core temperature"
    MASS = "mass"
    HEIGHT = "height"
    HUMIDITY = "humidity of the room"
    TEN_PIECES = "mass of ten pieces"


UNITS: dict[Quantity, str] = {
    Quantity.DENSITY: "g/ml",
    Quantity.CONTENT_TEMPERATURE: "C",
    Quantity.OVEN_TEMPERATURE: "C",
    Quantity.CORE_TEMPERATURE: "C",
    Quantity.MASS: "g",
    Quantity.HEIGHT: "mm",
    Quantity.HUMIDITY: "%",
    Quantity.TEN_PIECES: "g",
}


class Limits(Value):
    """Outside ``low`` to ``high`` a reading is a slip of the finger or the wrong unit; the words say why."""

    low: float
    high: float
    below: str
    above: str


CUP_SPREAD = 0.03
"""A density read with a cup by a careful hand is good to about this share. Trade habit."""

LIMITS: dict[Quantity, Limits] = {
    Quantity.DENSITY: Limits(low=0.09, high=1.6, below="lighter than any foam", above="heavier than any syrup"),
    Quantity.CONTENT_TEMPERATURE: Limits(low=-5, high=200, below="frozen", above="hotter than anything warmed here"),
    Quantity.OVEN_TEMPERATURE: Limits(low=0, high=320, below="frozen", above="hotter than a baking oven"),
    Quantity.CORE_TEMPERATURE: Limits(low=-5, high=130, below="frozen", above="hotter than a crumb can be"),
    Quantity.MASS: Limits(low=0, high=50_000, below="less than nothing", above="more than a bench scale takes"),
    Quantity.HEIGHT: Limits(low=0, high=1000, below="less than nothing", above="taller than any tin"),
    Quantity.HUMIDITY: Limits(low=5, high=100, below="drier than any kitchen", above="more than air can hold"),
    Quantity.TEN_PIECES: Limits(low=2, high=5000, below="lighter than ten drops", above="heavier than ten buns"),
}


def check_plausible(value: float, quantity: Quantity, field: str) -> None:
    """Let a reading (in the quantity's unit) pass if it can be.

    Raises:
        CraftError: it is a slip of the finger or the wrong unit; names ``field``.
    """
    limits, unit = LIMITS[quantity], UNITS[quantity].replace("C", "°C")
    if not limits.low <= value <= limits.high:
        raise CraftError(
            f"{value:.3g} {unit} can't be a {quantity.value}: "
            f"that is {limits.below if value < limits.low else limits.above}.",
            field=field,
            remedy=f"It lies between {limits.low:g} and {limits.high:g} {unit}: check the unit and the figures.",
        )


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
