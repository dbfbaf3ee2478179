"""What a finished product is and how it keeps: what was cut off, what it counts as, how long it was out of the cold."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.builds.built import Built
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.formula import Draft
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.pair import PairStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.readiness.recognise import content_of
from kindwhisk.core.readiness.window import Content
from kindwhisk.core.shelf_life.limits import KeptAs, Traits, kept_as
from kindwhisk.core.shelf_life.out_of_cold import COLD_C, OutOfCold, Stretch, out_of_cold
from kindwhisk.core.values.model import Value

PERISHABLE = frozenset({"dairy", "egg"})
LEAST_G = 0.01
YOLKS = ("egg-yolk", "yolk-pasteurised", "whole-egg")


class Offcut(Value):
    """What is cut off in a step: grams, how much of them a later step takes, and what is left to eat or throw away."""

    step: str
    name: str
    grams: float
    used_g: float
    left_g: float


def offcuts(formula: Draft, walked: Sequence[WalkedStep]) -> tuple[Offcut, ...]:
    """Everything that is cut off, counted; what came to grief with its step is not there any more."""
    used: dict[str, float] = {}
    for one in walked:
        for portion, material in zip(one.step.inputs, one.intake, strict=True):
            if isinstance(portion, StepPortion) and portion.offcut:
                used[portion.step] = used.get(portion.step, 0.0) + material.mass_g
    found = []
    for one in walked:
        material = one.outcome.material
        left = 1.0 - formula.lost_share(one.step.id)
        grams = left * material.offcut.mass_g if isinstance(material, Built) else 0.0
        if grams >= LEAST_G:
            taken = used.get(one.step.id, 0.0)
            found.append(
                Offcut(
                    step=one.step.id,
                    name=one.step.title,
                    grams=grams,
                    used_g=taken,
                    left_g=max(0.0, grams - taken),
                )
            )
    return tuple(found)


def unbaked(material: Material) -> Material:
    """What of it no oven has baked."""
    if isinstance(material, Built):
        return combine(p.content for p in material.kept.build if not p.content.baked)
    return Material() if material.baked else material


def perishable(material: Material) -> bool:
    """Whether egg or dairy is in it that no oven has baked."""
    return any(ingredient(i).kind in PERISHABLE for i in unbaked(material).parts)


def keeps(walked: Sequence[WalkedStep], *, raw_egg: bool) -> KeptAs:
    """What the result of a process counts as; ``raw_egg``: egg is in it that nothing has cooked."""
    last = walked[-1].outcome.material
    kinds = [w.step for w in walked]
    # A crumb that was soaked is one content with its milk.
    soaks = [w for w in walked if isinstance(w.step, SoakStep)]
    milk = combine(m for w in soaks for m in w.intake if not m.baked)
    yolky = any(isinstance(w.step, StreamStep) and combine(w.intake).grams_of(*YOLKS) > 0 for w in walked)
    traits = Traits(
        raw_egg=raw_egg,
        cooked_yolk=yolky,
        shells=any(isinstance(s, PairStep) for s in kinds),
        soaked_in_milk=any(ingredient(i).kind == "dairy" for i in milk.parts),
        boiled_starch=any(content_of(w.outcome.material) is Content.CUSTARD for w in walked),
    )
    wet = combine((unbaked(last), milk)) if traits.soaked_in_milk else unbaked(last)
    return kept_as(wet, traits, any_baked=last.baked)


def out_of_the_cold(
    walked: Sequence[WalkedStep],
    times: Mapping[str, tuple[float, float]],
    until_s: float,
    limit_h: float | None = None,
    measured: Mapping[str, float] | None = None,
) -> OutOfCold | None:
    """How long what stands has been above 5 C, by the longest way that any part of it took.

    Args:
        walked: the process.
        times: start and end of each step, in seconds of one clock; steps that are not there have not begun.
        until_s: the moment on that clock up to which is counted.
        limit_h: the kitchen's own limit.
        measured: temperatures (C) that a thermometer told of results, by step.

    Returns:
        None where nothing perishable is in it.
    """
    told = measured or {}
    warmth = {w.step.id: (told.get(w.step.id, w.outcome.material.temperature_c), w.step.id in told) for w in walked}
    ways: dict[str, tuple[Stretch, ...]] = {}
    ends: dict[str, float] = {}
    standing: set[str] = set()
    for one in walked:
        step, material = one.step, one.outcome.material
        if step.id not in times:
            continue
        start, end = (min(t, until_s) for t in times[step.id])
        came = [_and_waited(ways[i], ends[i], start, *warmth[i]) for i in step.taken_from if i in ways]
        standing -= set(step.taken_from)
        if not perishable(material):
            continue
        before = max(came, key=_seconds, default=())
        celsius, by_probe = warmth[step.id]
        own = Stretch(start, end, celsius, measured=by_probe)
        ways[step.id], ends[step.id] = (*before, own), end
        standing.add(step.id)
    if not standing:
        return None
    total = max((_and_waited(ways[i], ends[i], until_s, *warmth[i]) for i in standing), key=_seconds)
    return out_of_cold(total, limit_h)


def _seconds(way: tuple[Stretch, ...]) -> float:
    return sum(s.to_s - s.from_s for s in way if s.temperature_c > COLD_C)


def _and_waited(
    way: tuple[Stretch, ...], end_s: float, until_s: float, celsius: float, by_probe: bool
) -> tuple[Stretch, ...]:
    """A way, and what its content has stood since."""
    if until_s <= end_s:
        return way
    return (*way, Stretch(end_s, until_s, celsius, measured=by_probe))
