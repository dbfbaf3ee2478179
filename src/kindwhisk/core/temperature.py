"""Temperatures in the units that thermometers speak."""

from enum import StrEnum

from kindwhisk.core.model import Value


class Point(Value):
    """A temperature (C) at a number of seconds from now; less than none lies behind."""

    s: float
    c: float


class TemperatureUnit(StrEnum):
    """The unit of an outside reading."""

    CELSIUS = "C"
    FAHRENHEIT = "F"
    KELVIN = "K"


def celsius_of(value: float, unit: TemperatureUnit) -> float:
    """A temperature in C."""
    if unit is TemperatureUnit.FAHRENHEIT:
        return (value - 32) / 1.8
    return value - 273.15 if unit is TemperatureUnit.KELVIN else value
