"""Quantities as a baker writes them: ``1/2 cup``, ``325 F``, ``3 eggs``, ``2 h 10``, to the units inside.

Only for the edges of the product: the core itself knows grams, millilitres, Celsius, millimetres, seconds.
"""

from __future__ import annotations

import re
from enum import StrEnum
from functools import cache
from typing import TYPE_CHECKING

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

if TYPE_CHECKING:
    from pint import UnitRegistry


class Wanted(StrEnum):
    """What a field asks for, with the unit that it is kept in."""

    MASS = "mass"
    TEMPERATURE = "temperature"
    LENGTH = "length"
    VOLUME = "volume"
    TIME = "time"
    NUMBER = "number"


INSIDE: dict[Wanted, str] = {
    Wanted.MASS: "g",
    Wanted.TEMPERATURE: "C",
    Wanted.LENGTH: "mm",
    Wanted.VOLUME: "ml",
    Wanted.TIME: "s",
    Wanted.NUMBER: "",
}

EXAMPLES: dict[Wanted, str] = {
    Wanted.MASS: "120 g, 4 oz, 1/2 cup or 3 eggs",
    Wanted.TEMPERATURE: "170, 170 C or 340 F",
    Wanted.LENGTH: "17 cm, 170 mm or 7 in",
    Wanted.VOLUME: "250 ml, 1/2 cup or 2 tbsp",
    Wanted.TIME: "35 min, 90 s or 1 h 10 min",
    Wanted.NUMBER: "2 or 1 1/2",
}

PINT_NAMES: dict[str, str] = {
    "g": "gram", "gram": "gram", "grams": "gram", "kg": "kilogram", "mg": "milligram",
    "oz": "ounce", "ounce": "ounce", "ounces": "ounce", "lb": "pound", "lbs": "pound", "pound": "pound",
    "ml": "milliliter", "cl": "centiliter", "dl": "deciliter", "l": "liter", "litre": "liter", "liter": "liter",
    "cup": "cup", "cups": "cup", "tbsp": "tablespoon", "tablespoon": "tablespoon", "tablespoons": "tablespoon",
    "tsp": "teaspoon", "teaspoon": "teaspoon", "teaspoons": "teaspoon",
    "c": "degree_Celsius", "°c": "degree_Celsius", "celsius": "degree_Celsius",
    "f": "degree_Fahrenheit", "°f": "degree_Fahrenheit", "fahrenheit": "degree_Fahrenheit",
    "mm": "millimeter", "cm": "centimeter", "m": "meter", "in": "inch", "inch": "inch", "inches": "inch", '"': "inch",
    "s": "second", "sec": "second", "seconds": "second", "min": "minute", "minute": "minute", "minutes": "minute",
    "h": "hour", "hour": "hour", "hours": "hour",
}  # fmt: skip
"""Units as written, to pint's names. Cups and spoons are the US customary ones (236.6 ml a cup)."""

PINT_INSIDE: dict[Wanted, str] = {
    Wanted.MASS: "gram",
    Wanted.TEMPERATURE: "degree_Celsius",
    Wanted.LENGTH: "millimeter",
    Wanted.VOLUME: "milliliter",
    Wanted.TIME: "second",
}

FRACTIONS = {"½": " 1/2", "¼": " 1/4", "¾": " 3/4", "⅓": " 1/3", "⅔": " 2/3", "⅛": " 1/8"}
AMOUNT = re.compile(r"\s*(\d+\s+\d+/\d+|\d+/\d+|\d+(?:[.,]\d+)?|[.,]\d+)\s*([^\d\s.,/][^\d\s]*)?", re.ASCII)
MAX_TEXT = 60


class Understood(Value):
    """What a text was understood as, in the unit inside; ``said`` is for showing beside the field."""

    value: float
    unit: str
    said: str


def _number(text: str) -> float:
    total = 0.0
    for part in text.replace(",", ".").split():
        top, _, bottom = part.partition("/")
        if bottom and float(bottom) == 0:
            raise ZeroDivisionError
        total += float(top) / float(bottom) if bottom else float(part)
    return total


@cache
def _registry() -> UnitRegistry[float]:
    from pint import UnitRegistry

    return UnitRegistry(autoconvert_offset_to_baseunit=False)


def to_inside(number: float, measure: str) -> float:
    """``number`` of a unit by pint's name, in grams or millilitres."""
    quantity = _registry().Quantity(number, measure)
    return float(quantity.m_as("gram" if quantity.check("[mass]") else "milliliter"))


class TemperatureUnit(StrEnum):
    """The unit of an outside reading."""

    CELSIUS = "C"
    FAHRENHEIT = "F"
    KELVIN = "K"


PINT_DEGREES = {TemperatureUnit.FAHRENHEIT: "degF", TemperatureUnit.KELVIN: "kelvin"}


def celsius_of(value: float, unit: TemperatureUnit) -> float:
    """A temperature in C."""
    if unit is TemperatureUnit.CELSIUS:
        return value
    return float(_registry().Quantity(value, PINT_DEGREES[unit]).m_as("degC"))


def _refuse(text: str, wanted: Wanted) -> CraftError:
    return CraftError(
        f"“{text[:MAX_TEXT]}” is not understood as a {wanted.value}.",
        field="text",
        remedy=f"Write {EXAMPLES[wanted]}.",
    )


def _one(number: float, unit: str, wanted: Wanted, bulk_g_per_ml: float | None, eggs: EggSize) -> float | None:
    if wanted is Wanted.NUMBER:
        return number if not unit else None
    if wanted is Wanted.MASS and unit in {"egg", "eggs"}:
        return egg_parts(eggs, number).whole_g.likely
    name = PINT_NAMES.get(unit or INSIDE[wanted].lower())
    if name is None:
        return None
    quantity = _registry().Quantity(number, name)
    if wanted is Wanted.MASS and quantity.check("[volume]"):
        return None if bulk_g_per_ml is None else float(quantity.m_as("milliliter")) * bulk_g_per_ml
    target = _registry().Quantity(1, PINT_INSIDE[wanted])
    if quantity.dimensionality != target.dimensionality:
        return None
    return float(quantity.m_as(PINT_INSIDE[wanted]))


def read_quantity(
    text: str, wanted: Wanted, *, ingredient_id: str | None = None, eggs: EggSize = EggSize.EU_M
) -> Understood:
    """Read what a baker wrote into the unit inside.

    Args:
        text: such as ``1 1/2 cups`` or ``1 h 10 min``; without a unit the unit inside is meant.
        wanted: what the field asks for.
        ingredient_id: makes a volume into a mass by the ingredient's levelled cup.
        eggs: size class for ``3 eggs``.

    Raises:
        CraftError: it is not understood, with examples.
    """
    plain = text.strip().lower()
    for sign, spelled in FRACTIONS.items():
        plain = plain.replace(sign, spelled)
    bulk = ingredient(ingredient_id).bulk_g_per_ml if ingredient_id else None
    total, position, pieces = 0.0, 0, 0
    while position < len(plain) <= MAX_TEXT:
        match = AMOUNT.match(plain, position)
        if match is None:
            raise _refuse(text, wanted)
        try:
            value = _one(_number(match[1]), (match[2] or "").rstrip("."), wanted, bulk, eggs)
        except ZeroDivisionError:
            raise _refuse(text, wanted) from None
        if value is None or (pieces and wanted is Wanted.TEMPERATURE):
            raise _refuse(text, wanted)
        total, position, pieces = total + value, match.end(), pieces + 1
        position += len(plain[position:]) - len(plain[position:].lstrip())
    if not pieces:
        raise _refuse(text, wanted)
    unit = INSIDE[wanted]
    total = round(total, 9)  # 86 F is 30 C, not a hair more
    return Understood(value=total, unit=unit, said=f"{total:.4g} {unit}".strip())
