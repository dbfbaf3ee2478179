"""Units outside to the units inside, by pint."""

from __future__ import annotations

from enum import StrEnum
from functools import cache
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from pint import UnitRegistry

INSIDE = {
    "[mass]": "gram",
    "[length] ** 3": "milliliter",
    "[length]": "millimeter",
    "[time]": "second",
    "[temperature]": "degree_Celsius",
}
"""The unit inside of each dimension."""


@cache
def _registry() -> UnitRegistry[float]:
    from pint import UnitRegistry

    return UnitRegistry(autoconvert_offset_to_baseunit=False)


def to_inside(number: float, measure: str) -> float:
    """``number`` of a unit by pint's name, in grams, millilitres, millimetres, seconds or C."""
    quantity = _registry().Quantity(number, measure)
    return float(quantity.m_as(INSIDE[str(quantity.dimensionality)]))


class TemperatureUnit(StrEnum):
    """The unit of an outside reading; percent are a hygrometer's."""

    CELSIUS = "C"
    FAHRENHEIT = "F"
    KELVIN = "K"
    PERCENT = "%"


PINT_DEGREES = {TemperatureUnit.FAHRENHEIT: "degree_Fahrenheit", TemperatureUnit.KELVIN: "kelvin"}


def celsius_of(value: float, unit: TemperatureUnit) -> float:
    """A temperature in C; percent stay what they are."""
    return value if unit not in PINT_DEGREES else to_inside(value, PINT_DEGREES[unit])
