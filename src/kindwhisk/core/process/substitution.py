"""Substitutions: one ingredient for another, with what that changes, written into the formula's ledger."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, NamedTuple

from pydantic import Field

from kindwhisk.core.ingredients import Ingredient, counts_as, ingredient, ingredient_table, tell
from kindwhisk.core.ingredients.acids import STRENGTH
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.comparison import About, Difference, compare, grams
from kindwhisk.core.process.formula import Exchange, Formula
from kindwhisk.core.process.portions import IngredientPortion, Portion
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

WORTH_ADDING_G = 0.5
TOLD = {About.DENSITY, About.HOLD, About.MASS, About.BALANCE, About.ALLERGEN, About.COLOUR}
MOST_TOLD = 14


class Family(NamedTuple):
    """Ingredients that can stand for each other: by which part they are matched, and what to know."""

    id: str
    members: tuple[str, ...]
    match: str
    advice: str


def _kind(*kinds: str) -> tuple[str, ...]:
    return tuple(i for i, item in ingredient_table().items() if item.kind in kinds and item.piece is None)


def families() -> tuple[Family, ...]:
    """All of them. Matched by ``mass``, by a part of the composition, or by ``strength`` of acid."""
    flours = _kind("flour")
    nuts = tuple(i for i in _kind("nut") if ingredient(i).composition.water < 0.1)
    return (
        Family(
            "flour or starch", flours, "mass", "More protein is stronger and drinks more; starch is short and tender."
        ),
        Family("nut", nuts, "mass", "A fatter nut is heavier on the foam; roast and cool it first."),
        Family(
            "fat", _kind("fat"), "fat", "Butter brings water and milk; a hard fat has to be fluid when it is folded in."
        ),
        Family("acid", tuple(STRENGTH), "strength", "Acid steadies the foam; a liquid one tastes."),
        Family(
            "white",
            ("egg-white", "white-pasteurised", "white-dried"),
            "protein",
            "Pasteurised white takes longer and likes acid; dried white soaks in its water for twenty minutes.",
        ),
        Family("yolk", ("egg-yolk", "yolk-pasteurised"), "mass", "Pasteurised yolk is a little thinner."),
        Family(
            "whole egg",
            ("whole-egg", "egg-pasteurised", "egg-dried"),
            "protein",
            "Pasteurised egg foams less; dried egg soaks first.",
        ),
        Family("sugar", _kind("sugar"), "sugars", "A syrup keeps moist and browns; icing sugar brings starch."),
        Family(
            "milk",
            ("milk", "milk-skimmed", "milk-powder", "oat-drink", "soya-drink", "coconut-milk", "buttermilk"),
            "mass",
            "Milk powder goes in with its water.",
        ),
    )


class Offer(Value):
    """Something that can take an ingredient's place: grams for a gram, and the water that goes with it."""

    ingredient: str
    name: str
    per_gram: float
    water_per_gram: float
    family: str
    advice: str


class Swap(Value):
    """``share`` (0 to 1] of an ingredient abandoned for ``into``, in some steps or, by default, in all."""

    ingredient: Annotated[str, Field(max_length=60)]
    into: Annotated[str, Field(max_length=60)]
    share: Annotated[float, Field(gt=0, le=1, allow_inf_nan=False)] = 1.0
    steps: tuple[Annotated[str, Field(max_length=40)], ...] = Field(default=(), max_length=120)


POWDERED_MILK = 0.092
"""Grams of skimmed milk powder that make a gram of milk with water. By protein."""


def _amount(item: Ingredient, match: str) -> float:
    if match == "mass":
        return POWDERED_MILK**-1 if item.counts_as == "milk-powder" else 1.0
    if match == "strength":
        return STRENGTH[item.counts_as]
    return float(getattr(item.composition, match))


def _belongs(ingredient_id: str, family: Family) -> bool:
    return ingredient_id in family.members or counts_as(ingredient_id) in family.members


def offers(ingredient_id: str, goods: Sequence[Good] = ()) -> tuple[Offer, ...]:
    """What can take its place; empty where nothing can. ``goods`` are the kitchen's own, which may too."""
    old = ingredient(ingredient_id)
    own = tuple(g.id for g in goods)
    tell(g.ingredient() for g in goods)
    found = []
    for family in families():
        if not _belongs(ingredient_id, family):
            continue
        for other in (*(i for i in own if _belongs(i, family)), *family.members):
            new = ingredient(other)
            if other == ingredient_id or _amount(new, family.match) <= 0:
                continue
            per_gram = _amount(old, family.match) / _amount(new, family.match)
            water = old.composition.water - per_gram * new.composition.water
            kept = family.match not in {"strength"} and family.id not in {"flour or starch", "nut"}
            found.append(
                Offer(
                    ingredient=other,
                    name=new.name,
                    per_gram=per_gram,
                    water_per_gram=max(0.0, water) if kept else 0.0,
                    family=family.id,
                    advice=family.advice,
                )
            )
    return tuple(found)


def _swapped(portion: Portion, swap: Swap, offer: Offer) -> tuple[Portion, ...]:
    if not isinstance(portion, IngredientPortion) or portion.ingredient != swap.ingredient:
        return (portion,)
    given = portion.grams * swap.share
    new: list[Portion] = []
    if swap.share < 1:
        new.append(portion.model_copy(update={"grams": portion.grams - given}))
    new.append(portion.model_copy(update={"ingredient": swap.into, "grams": given * offer.per_gram, "written": ""}))
    water = given * offer.water_per_gram
    if water > WORTH_ADDING_G:
        new.append(IngredientPortion(ingredient="water", grams=water, role=f"for the {offer.name}"[:40]))
    return tuple(new)


def _merged(portions: tuple[Portion, ...]) -> tuple[Portion, ...]:
    """Two portions of one ingredient, role and temperature become one."""
    merged: dict[tuple[object, ...], Portion] = {}
    for n, p in enumerate(portions):
        key: tuple[object, ...] = (n,)
        if isinstance(p, IngredientPortion):
            key = (p.ingredient, p.role, p.temperature_c)
        known = merged.get(key)
        if isinstance(p, IngredientPortion) and isinstance(known, IngredientPortion):
            merged[key] = known.model_copy(update={"grams": known.grams + p.grams})
        else:
            merged[key] = p
    return tuple(merged.values())


def _told(difference: Difference) -> str:
    parts = f"{difference.before or 'none'} → {difference.after or 'none'}"
    return f"{difference.where}, {difference.about.value}: {parts}"


def substitute(formula: Formula, swap: Swap, kitchen: Kitchen, goods: Sequence[Good] = ()) -> Formula:
    """The formula with the swap made and an entry in its ledger that says what it changes in this kitchen.

    Raises:
        CraftError: the ingredient is not there, or nothing so unlike can take its place.
    """
    offer = next((o for o in offers(swap.ingredient, goods) if o.ingredient == swap.into), None)
    if offer is None:
        known = ", ".join(o.ingredient for o in offers(swap.ingredient, goods)) or "nothing in the table"
        raise CraftError(
            f"{ingredient(swap.into).name} can't take the place of {ingredient(swap.ingredient).name}.",
            field="into",
            remedy=f"What can: {known}.",
        )
    given = 0.0
    steps = []
    for step in formula.steps:
        wanted = not swap.steps or step.id in swap.steps
        own = [p for p in step.inputs if isinstance(p, IngredientPortion) and p.ingredient == swap.ingredient]
        if wanted and own:
            given += sum(p.grams for p in own) * swap.share
            inputs = _merged(tuple(n for p in step.inputs for n in _swapped(p, swap, offer)))
            steps.append(step.model_copy(update={"inputs": inputs}))
        else:
            steps.append(step)
    if given <= 0:
        raise CraftError(
            f"There is no {ingredient(swap.ingredient).name} to be replaced there.",
            field="ingredient",
            remedy="Choose one of: " + ", ".join(sorted({p.ingredient for p in formula.portions()})) + ".",
        )
    changed = Formula.model_validate({**dict(formula), "steps": tuple(steps)}).carrying(goods)
    differences = compare(
        scale(formula, kitchen, Wish()).forecast,
        scale(changed, kitchen, Wish()).forecast,
    )
    water = given * offer.water_per_gram
    said = f"{grams(given)} {ingredient(swap.ingredient).name} → {grams(given * offer.per_gram)} {offer.name}"
    if water > WORTH_ADDING_G:
        said += f" and {grams(water)} water"
    told = (offer.advice, *_strength(formula, changed), *(_told(d) for d in differences if d.about in TOLD))
    entry = Exchange(said=said, changes=told[:MOST_TOLD])
    return changed.model_copy(update={"ledger": (*formula.ledger, entry)})


def _strength(before: Formula, after: Formula) -> tuple[str, ...]:
    """Protein of the flour, where that moved."""

    def protein(formula: Formula) -> float:
        parts = [(p.grams, ingredient(p.ingredient)) for p in formula.portions()]
        flour = [(g, item) for g, item in parts if item.kind == "flour"]
        total = sum(g for g, _ in flour)
        return sum(g * item.composition.protein for g, item in flour) / total * 100 if total else 0.0

    a, b = protein(before), protein(after)
    if abs(a - b) < 0.2:
        return ()
    word = "stronger: stop mixing sooner" if b > a else "weaker: more tender, holds less"
    return (f"Protein of the flour: {a:.1f} → {b:.1f} %, {word}",)
