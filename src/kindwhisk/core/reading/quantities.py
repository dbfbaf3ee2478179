"""Quantities as a baker writes them: ``1/2 cup``, ``325 F``, ``3 eggs``, ``2 h 10``, to the units inside.

Only for the edges of the product: the core itself knows grams, millilitres, Celsius, millimetres, seconds.
"""

from __future__ import annotations

import re
from enum import StrEnum
from functools import cache

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.reading.amounts import NUMBER, number
from kindwhisk.core.reading.conversion import to_inside
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import Unit, UnitKind, units_of
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value


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

KINDS: dict[Wanted, tuple[UnitKind, ...]] = {
    Wanted.MASS: (UnitKind.MASS, UnitKind.VOLUME),
    Wanted.TEMPERATURE: (UnitKind.TEMPERATURE,),
    Wanted.LENGTH: (UnitKind.LENGTH,),
    Wanted.VOLUME: (UnitKind.VOLUME,),
    Wanted.TIME: (UnitKind.TIME,),
    Wanted.NUMBER: (),
}
"""The units that may stand in a field."""
EGGS = ("egg", "eggs")
MAX_TEXT = 60
BELOW_ZERO = re.compile(r"\s*[-‐‑‒–—−]")
"""Nothing at the bench is less than nothing; in a recipe such a sign is a bullet."""


class Understood(Value):
    """What a text was understood as, in the unit inside; ``said`` is for showing beside the field."""

    value: float
    unit: str
    said: str


@cache
def _amount(wanted: Wanted) -> re.Pattern[str]:
    names = [*units_of(*KINDS[wanted]), *(EGGS if wanted is Wanted.MASS else ())]
    spelled = "|".join(re.escape(n) for n in sorted(names, key=len, reverse=True))
    return re.compile(rf"\s*(?P<number>{NUMBER})\s*(?P<unit>{spelled or '(?!)'})?\.?(?=$|[\s\d])")


def _refuse(text: str, wanted: Wanted) -> CraftError:
    return CraftError(
        f"“{text[:MAX_TEXT]}” is not understood as a {wanted.value}.",
        field="text",
        remedy=f"Write {EXAMPLES[wanted]}.",
    )


def _one(count: float, unit: Unit | None, wanted: Wanted, bulk_g_per_ml: float | None) -> float | None:
    """So many of a unit in the unit inside; None for a volume where only a mass will do."""
    if unit is None or unit.measure is None:
        return count
    value = to_inside(count * unit.times, unit.measure)
    if wanted is Wanted.MASS and unit.kind is UnitKind.VOLUME:
        return None if bulk_g_per_ml is None else value * bulk_g_per_ml
    return value


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
    if BELOW_ZERO.match(text):
        raise _refuse(text, wanted)
    line, units = plain(text), units_of(*KINDS[wanted])
    bulk = ingredient(ingredient_id).bulk_g_per_ml if ingredient_id else None
    total, position, pieces = 0.0, 0, 0
    while position < len(line) <= MAX_TEXT:
        match = _amount(wanted).match(line, position)
        if match is None:
            raise _refuse(text, wanted)
        try:
            count = number(match["number"])
        except ValueError:
            raise _refuse(text, wanted) from None
        value = (
            egg_parts(eggs, count).whole_g.likely
            if match["unit"] in EGGS
            else _one(count, units.get(match["unit"] or ""), wanted, bulk)
        )
        if value is None or (pieces and wanted is Wanted.TEMPERATURE):
            raise _refuse(text, wanted)
        total, position, pieces = total + value, match.end(), pieces + 1
    if not pieces:
        raise _refuse(text, wanted)
    unit = INSIDE[wanted]
    total = round(total, 9)  # 86 F is 30 C, not a hair more
    shown = "°C" if wanted is Wanted.TEMPERATURE else unit
    return Understood(value=total, unit=unit, said=f"{total:.4g} {shown}".strip())
