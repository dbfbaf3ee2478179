"""One weighing for the day: each ingredient once, with the bowls that it goes into; eggs to crack, what to take out of
the cold, and what is left over for another bake."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggNeed, EggParts, EggSize, EggsOfTheDay, egg_need, eggs_of_the_day
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.values.model import Value

WARM_C = 16.0
"""What is wanted warmer than this and is kept cold has to come out in time. Chosen."""
OUT_S: Mapping[str, float] = {"butter": 7200.0, "egg": 3600.0, "dairy": 3600.0}
"""How long before it is weighed it comes out of the cold, by kind. Trade habit."""
LEFT_G = 5.0


class IntoBowl(Value):
    """Grams of an ingredient for a bowl of a bake, and when that is wanted."""

    bake: str
    title: str
    step: str
    step_title: str
    vessel: str
    grams: float
    at: datetime | None


class WeighedOnce(Value):
    """An ingredient with all its bowls, the soonest first."""

    ingredient: str
    name: str
    kind: str
    grams: float
    bowls: tuple[IntoBowl, ...]


class OutOfTheCold(Value):
    """What comes out of the refrigerator or the freezer, how much, when, and for what."""

    name: str
    grams: float
    at: datetime
    for_titles: tuple[str, ...]


class Batch(NamedTuple):
    """A bake of the day: its formula in its amounts, when each step begins, what is weighed already or elsewhere, and
    which of its parts come out of the freezer when."""

    id: str
    title: str
    formula: Formula
    starts: Mapping[str, datetime]
    begun: frozenset[str] = frozenset()
    frozen: tuple[OutOfTheCold, ...] = ()


class EggOffer(Value):
    """Whites or yolks that a bake leaves, and the bake that takes them."""

    part: str
    grams: float
    from_title: str
    to_title: str


class WeighUp(Value):
    """Of a day. ``eggs`` are those to crack, with whites and yolks balanced over all bakes."""

    ingredients: tuple[WeighedOnce, ...]
    eggs: EggsOfTheDay | None
    out: tuple[OutOfTheCold, ...]
    offers: tuple[EggOffer, ...]


def weigh_up(batches: Sequence[Batch], size: EggSize, one: EggParts | None = None) -> WeighUp:
    """Everything that is not in a bowl yet."""
    found: dict[str, list[IntoBowl]] = {}
    for batch in batches:
        vessels = {v.id: v.name for v in batch.formula.vessels}
        for step in batch.formula.steps:
            if step.id in batch.begun:
                continue
            for portion in step.weighed:
                found.setdefault(portion.ingredient, []).append(
                    IntoBowl(
                        bake=batch.id,
                        title=batch.title,
                        step=step.id,
                        step_title=step.title,
                        vessel=vessels.get(step.vessel, step.vessel),
                        grams=portion.grams,
                        at=batch.starts.get(step.id),
                    )
                )
    rows = tuple(
        WeighedOnce(
            ingredient=i,
            name=ingredient(i).name,
            kind=ingredient(i).kind,
            grams=sum(b.grams for b in bowls),
            bowls=tuple(sorted(bowls, key=lambda b: (b.at is None, b.at, b.title))),
        )
        for i, bowls in found.items()
    )
    needs = {b.id: n for b in batches if (n := _eggs(b, size, one)) is not None}
    return WeighUp(
        ingredients=tuple(sorted(rows, key=lambda r: (r.kind, -r.grams))),
        eggs=eggs_of_the_day(list(needs.values()), size, one),
        out=_out(batches),
        offers=tuple(_offers(batches, needs)),
    )


def _eggs(batch: Batch, size: EggSize, one: EggParts | None) -> EggNeed | None:
    portions = [p for s in batch.formula.steps if s.id not in batch.begun for p in s.weighed]
    white, yolk, whole = (
        sum(p.grams for p in portions if p.ingredient == i) for i in ("egg-white", "egg-yolk", "whole-egg")
    )
    return egg_need(white, yolk, whole, size, one)


def _cold(portion: IngredientPortion) -> str:
    """The kind of an ingredient that is kept cold and wanted warm; empty for others."""
    item = ingredient(portion.ingredient)
    kind = "butter" if "butter" in item.id else item.kind
    wanted = portion.temperature_c
    return kind if kind in OUT_S and wanted is not None and wanted >= WARM_C else ""


def _out(batches: Sequence[Batch]) -> tuple[OutOfTheCold, ...]:
    rows: dict[tuple[str, datetime], list[tuple[float, str]]] = {}
    for batch in batches:
        for step in batch.formula.steps:
            start = batch.starts.get(step.id)
            if step.id in batch.begun or start is None:
                continue
            for portion in step.weighed:
                kind = _cold(portion)
                if kind:
                    at = start - timedelta(seconds=OUT_S[kind])
                    rows.setdefault((portion.ingredient, at), []).append((portion.grams, batch.title))
    found = [
        OutOfTheCold(
            name=ingredient(i).name,
            grams=sum(g for g, _ in own),
            at=at,
            for_titles=tuple(dict.fromkeys(t for _, t in own)),
        )
        for (i, at), own in rows.items()
    ]
    frozen = [out for batch in batches for out in batch.frozen]
    return tuple(sorted((*found, *frozen), key=lambda o: (o.at, o.name)))


def _offers(batches: Sequence[Batch], needs: Mapping[str, EggNeed]) -> Iterable[EggOffer]:
    """What one bake leaves of its eggs goes to another that needs more of that than of the other part."""
    titles = {b.id: b.title for b in batches}
    for part in ("white", "yolk"):
        left = {i: getattr(n, f"left_{part}_g") for i, n in needs.items()}
        other = "yolk" if part == "white" else "white"
        wants = {
            i: getattr(n, f"{part}_g")
            for i, n in needs.items()
            # What has some of it over needs none of another's.
            if getattr(n, f"left_{other}_g") > LEFT_G >= left[i]
        }
        for giver in sorted(left, key=lambda i: -left[i]):
            for taker in sorted(wants, key=lambda i: -wants[i]):
                given = min(left[giver], wants[taker])
                if taker != giver and given > LEFT_G:
                    yield EggOffer(part=part, grams=given, from_title=titles[giver], to_title=titles[taker])
                    left[giver] -= given
                    wants[taker] -= given
