"""What a content holds for whom, as forecasts, weigh lists and bakes carry it."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import Any

from kindwhisk.core.ingredients import Ingredient, ingredient
from kindwhisk.core.ingredients.allergens import NAMES, Holds, Law, contains, holds, labels
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.safety.cautions import Caution, allergen_caution, allergens_come_in
from kindwhisk.core.values.model import Value


class Held(Value):
    """What something holds for whom.

    Attributes:
        allergens: by name; complete only while ``allergens_unknown`` is empty.
        allergens_often: what some makers add, or traces: labels say.
        allergens_unknown: goods that are not known here, in their own words.
        check_labels: goods whose label must be read.
        contains, labels: both in a sentence, by the list of this kitchen's law.
    """

    allergens: tuple[str, ...]
    allergens_often: tuple[str, ...]
    allergens_unknown: tuple[str, ...]
    check_labels: tuple[str, ...]
    contains: str
    labels: str

    @property
    def held(self) -> dict[str, Any]:
        """These fields alone: for something that carries them with more."""
        return {name: getattr(self, name) for name in Held.model_fields}

    @property
    def holds(self) -> Holds:
        """It as what goods hold."""
        return Holds(
            allergens=self.allergens,
            often=self.allergens_often,
            unknown=self.allergens_unknown,
            labels=self.check_labels,
        )


def told(held: Holds, law: Law) -> dict[str, Any]:
    """The fields of :class:`Held`."""
    return {
        "allergens": held.allergens,
        "allergens_often": held.often,
        "allergens_unknown": held.unknown,
        "check_labels": held.labels,
        "contains": contains(held, law),
        "labels": labels(held, law),
    }


def goods_of(step: Step) -> list[Ingredient]:
    """The ingredients that are taken for a step."""
    return [ingredient(p.ingredient) for p in step.inputs if isinstance(p, IngredientPortion)]


def coming_in(steps: Sequence[Step]) -> dict[str, Caution]:
    """The caution of each step at which an allergen, or a good that is not known, comes in for the first time."""
    seen: set[str] = set()
    found: dict[str, Caution] = {}
    for step in steps:
        held = holds(goods_of(step))
        new = [a for a in held.allergens if a not in seen]
        strange = [u for u in held.unknown if u not in seen]
        if new or strange:
            found[step.id] = allergens_come_in(tuple(NAMES[a] for a in new), tuple(strange))
        seen.update(held.allergens, held.unknown)
    return found


def at_serving(goods: Iterable[Ingredient], law: Law) -> Caution | None:
    """The caution of the last step: all that it holds; None where nothing is in it."""
    items = list(goods)
    held = holds(items)
    return allergen_caution(contains(held, law), labels(held, law)) if items else None
