"""Grams by ingredient, as a page tells them."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggNeed, egg_need
from kindwhisk.core.process.course import Course
from kindwhisk.core.values.model import Value


class Amount(Value):
    """Grams of an ingredient."""

    ingredient: str
    name: str
    grams: float


def amounts(grams: Mapping[str, float]) -> tuple[Amount, ...]:
    """Grams by ingredient, the most of it first."""
    return tuple(
        Amount(ingredient=i, name=ingredient(i).name, grams=g) for i, g in sorted(grams.items(), key=lambda a: -a[1])
    )


def eggs_in(grams: Mapping[str, float], course: Course) -> EggNeed | None:
    """The eggs that stand behind these grams; None without any."""
    white, yolk, whole = (grams.get(part, 0.0) for part in ("egg-white", "egg-yolk", "whole-egg"))
    size = course.kitchen.eggs
    return egg_need(white, yolk, whole, size, course.record.one_egg(size))
