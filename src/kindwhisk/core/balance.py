"""Balance: the ratios that decide what a batter becomes, from the composition of what goes in."""

from __future__ import annotations

from collections.abc import Iterable

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.material import Material, combine
from kindwhisk.core.model import Value

STARCHY = 0.5
"""An ingredient with more starch than this counts as flour."""


class Ratio(Value):
    """Grams of one thing to a gram of another, with what more of it does."""

    id: str
    name: str
    value: float
    more: str


def _ratio(ratio_id: str, name: str, part: float, whole: float, more: str) -> list[Ratio]:
    return [Ratio(id=ratio_id, name=name, value=part / whole, more=more)] if part > 0 and whole > 0 else []


def flour_g(material: Material) -> float:
    """Grams of flour and starch."""
    return sum(g for i, g in material.parts.items() if ingredient(i).composition.starch > STARCHY)


def egg_g(material: Material) -> float:
    """Grams of egg, white and yolk."""
    return sum(g for i, g in material.parts.items() if ingredient(i).kind == "egg")


def added_sugar_g(material: Material) -> float:
    """Grams of sugars beside those of the eggs themselves."""
    parts = [(g, ingredient(i)) for i, g in material.parts.items()]
    return sum(g * item.composition.sugars for g, item in parts if item.kind != "egg")


def balance(foams: Iterable[Material], everything: Iterable[Material]) -> tuple[Ratio, ...]:
    """The ratios of a formula; one that has no meaning for it is left out.

    Args:
        foams: what goes into each whipping step.
        everything: all that is weighed.
    """
    found: list[Ratio] = []
    for foam in foams:
        egg = egg_g(foam)
        sugar = added_sugar_g(foam)
        whites_only = foam.grams_of("egg-yolk", "whole-egg") == 0
        found += _ratio(
            "sugar-to-white" if whites_only else "sugar-to-egg",
            "Sugar to white" if whites_only else "Sugar to egg",
            sugar,
            egg,
            "steadier and finer, slower to whip, denser" if whites_only else "finer and moister, slower to whip",
        )
    whole = combine(everything)
    flour = flour_g(whole)
    water, fat = (whole.mass_g * share for share in (whole.composition.water, whole.composition.fat))
    found += _ratio("flour-to-egg", "Flour to egg", flour, egg_g(whole), "firmer, drier, rises less")
    found += _ratio("water-to-flour", "Water to flour", water, flour, "moister, softer, sinks sooner")
    found += _ratio("fat-to-flour", "Fat to flour", fat, flour, "more tender, costs the foam air")
    return tuple(found)
