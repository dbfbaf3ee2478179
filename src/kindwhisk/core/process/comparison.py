"""Two forecasts side by side: what is added, what is gone, and what has changed."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from enum import StrEnum

from kindwhisk.core.foams.balance import Ratio
from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

SAME_COLOUR = 5
SAME = 0.005
SAME_DENSITY, SAME_TIME = 0.02, 0.05
"""Relative differences below which two figures count as the same."""


class About(StrEnum):
    """What a difference is about, in the order in which it is told."""

    INGREDIENT = "to weigh"
    STEP = "step"
    GOAL = "end point"
    TIME = "time"
    DENSITY = "density"
    HOLD = "may wait"
    MASS = "weight"
    BALANCE = "balance"
    HAZARD = "caution"
    ALLERGEN = "allergen"
    COLOUR = "colour"


class Difference(Value):
    """``before`` is empty for what is added, ``after`` for what is gone."""

    about: About
    where: str
    before: str
    after: str


def grams(value: float) -> str:
    """A weight in words."""
    return f"{value:.1f} g" if value < 10 else f"{value:.0f} g"


def _minutes(value: Estimate) -> str:
    low, likely, high = (v / 60 for v in (value.low, value.likely, value.high))
    if likely >= 180:
        return f"{likely / 60:.1f} h"
    return f"{likely:.0f} min ({low:.0f} to {high:.0f})" if likely >= 2 else f"{value.likely:.0f} s"


def _ratio(ratio: Ratio) -> str:
    value = f"{ratio.value:.1f} %" if ratio.percent else f"{ratio.value:.2f}"
    side = {Place.LOW: ratio.low, Place.HIGH: ratio.high}.get(ratio.place) if ratio.place else None
    return f"{value} ({side})" if side else value


def _far(a: float, b: float, tolerance: float) -> bool:
    return abs(a - b) > tolerance * max(abs(a), abs(b), 1e-9)


def _sets(about: About, before: Mapping[str, str], after: Mapping[str, str], where: str = "") -> Iterable[Difference]:
    for key in [*before, *(k for k in after if k not in before)]:
        a, b = before.get(key, ""), after.get(key, "")
        if a != b:
            yield Difference(about=about, where=where or key, before=a, after=b)


def _step(a: StepForecast, b: StepForecast) -> Iterable[Difference]:
    title = b.title
    if (a.kind, a.title) != (b.kind, b.title):
        yield Difference(about=About.STEP, where=title, before=f"{a.title} ({a.kind})", after=f"{b.title} ({b.kind})")
    if a.goal != b.goal:
        yield Difference(about=About.GOAL, where=title, before=a.goal, after=b.goal)
    if _far(a.duration_s.likely, b.duration_s.likely, SAME_TIME):
        yield Difference(about=About.TIME, where=title, before=_minutes(a.duration_s), after=_minutes(b.duration_s))
    foamy = a.material.air_fraction > 0.1 or b.material.air_fraction > 0.1
    densities = a.material.density_g_per_ml, b.material.density_g_per_ml
    if foamy and _far(densities[0].likely, densities[1].likely, SAME_DENSITY):
        before, after = (f"{d.likely:.2f} g/ml ({d.low:.2f} to {d.high:.2f})" for d in densities)
        yield Difference(about=About.DENSITY, where=title, before=before, after=after)
    holds = tuple("" if s.hold_s is None else _minutes(s.hold_s) for s in (a, b))
    if holds[0] != holds[1]:
        yield Difference(about=About.HOLD, where=title, before=holds[0] or "for hours", after=holds[1] or "for hours")
    if a.kind in {"split", "fill", "pipe"} and _far(a.material.mass_g, b.material.mass_g, SAME):
        yield Difference(about=About.MASS, where=title, before=grams(a.material.mass_g), after=grams(b.material.mass_g))


def _seen(a: str, b: str) -> bool:
    """Whether the eye tells two ``#rrggbb`` apart side by side."""
    return max(abs(int(a[i : i + 2], 16) - int(b[i : i + 2], 16)) for i in (1, 3, 5)) > SAME_COLOUR


def _balance(forecast: Forecast) -> dict[str, str]:
    return {f"{r.name}, {r.where}" if r.where else r.name: _ratio(r) for r in forecast.balance}


def _cautions(forecast: Forecast) -> dict[str, str]:
    return {c.id: c.text for s in forecast.steps for c in s.cautions if not c.id.startswith("allergens")}


def compare(before: Forecast, after: Forecast) -> tuple[Difference, ...]:
    """Every difference that a baker would want to know of, in the order of :class:`About`."""
    old, new = {s.id: s for s in before.steps}, {s.id: s for s in after.steps}
    found = list(
        _sets(
            About.INGREDIENT,
            {i.name: grams(i.grams) for i in before.ingredients},
            {i.name: grams(i.grams) for i in after.ingredients},
        )
    )
    found += _sets(
        About.STEP,
        {i: s.title for i, s in old.items() if i not in new},
        {i: s.title for i, s in new.items() if i not in old},
        where="process",
    )
    for step_id, step in new.items():
        if step_id in old:
            found += _step(old[step_id], step)
    found += _sets(About.BALANCE, _balance(before), _balance(after))
    found += _sets(About.HAZARD, _cautions(before), _cautions(after), where="cautions")
    found += _sets(About.ALLERGEN, {a: a for a in before.allergens}, {a: a for a in after.allergens}, where="allergens")
    found += _sets(
        About.ALLERGEN,
        {a: a for a in before.allergens_unknown},
        {a: a for a in after.allergens_unknown},
        where="goods not known",
    )
    ends = before.steps[-1].material, after.steps[-1].material
    if _seen(ends[0].colour, ends[1].colour):
        found.append(Difference(about=About.COLOUR, where="finished", before=ends[0].colour, after=ends[1].colour))
    if _far(ends[0].mass_g, ends[1].mass_g, SAME):
        found.append(
            Difference(about=About.MASS, where="finished", before=grams(ends[0].mass_g), after=grams(ends[1].mass_g))
        )
    order = list(About)
    return tuple(sorted(found, key=lambda d: order.index(d.about)))
