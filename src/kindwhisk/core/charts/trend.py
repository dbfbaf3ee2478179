"""A measure of many bakes on its chart: points, limits, changes, and the band that it is held against."""

from __future__ import annotations

import statistics
from collections.abc import Sequence
from datetime import datetime

from kindwhisk.core.charts.control import chart
from kindwhisk.core.charts.differences import MAD_TO_SD
from kindwhisk.core.measures import GOOD_STARS, BakeMeasure
from kindwhisk.core.process.steps.base import ENOUGH_FOR_BAND
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

MOST_BEHIND = 40


class TrendPoint(Value):
    """A bake on the chart. ``value`` is in the measure's unit, or percent of what was forecast; ``beyond``: it lies
    beyond the limits of its stretch."""

    bake: str
    at: datetime
    title: str
    value: float
    raw: float
    stars: int | None
    faults: tuple[str, ...]
    beyond: bool
    step: str = ""


class TrendStretch(Value):
    """Limits from one bake on, as long as the next stretch has not begun; None where there are too few bakes."""

    first: int
    centre: float | None
    low: float | None
    high: float | None


class Shift(Value):
    """A change told from noise: at which bake it began, when it could be known, and from what to what."""

    begins: int
    noticed: int
    bake: str
    at: datetime
    before: float
    after: float
    says: str


class Trend(Value):
    """A measure over many bakes. ``band`` is where it should lie; its basis tells whose band that is."""

    measure: str
    words: str
    unit: str
    points: tuple[TrendPoint, ...]
    stretches: tuple[TrendStretch, ...]
    changes: tuple[Shift, ...]
    band: Estimate | None
    says: str


class Told(Value):
    """A bake with one measure: what a trend is made of."""

    bake: str
    at: datetime
    title: str
    stars: int | None
    faults: tuple[str, ...]
    measure: BakeMeasure


def own_band(told: Sequence[Told], published: Estimate | None) -> Estimate | None:
    """Where a measure should lie: as published, until enough bakes of this kitchen came out well; from then on by
    those, drawn towards the published one as long as they are few."""
    if published is not None and published.bakes >= ENOUGH_FOR_BAND:
        # What the forecast was made of had learned it already.
        return published
    good = [_value(t) for t in told if t.stars is not None and t.stars >= GOOD_STARS][-MOST_BEHIND:]
    if len(good) < ENOUGH_FOR_BAND:
        return published
    middle = statistics.median(good)
    sd = MAD_TO_SD * statistics.median(abs(v - middle) for v in good)
    if published is not None:
        of_it = (published.high - published.low) / (2 * RANGE_SD)
        sd = ((ENOUGH_FOR_BAND * of_it**2 + len(good) * sd**2) / (ENOUGH_FOR_BAND + len(good))) ** 0.5
        middle = (ENOUGH_FOR_BAND * published.likely + len(good) * middle) / (ENOUGH_FOR_BAND + len(good))
    half = RANGE_SD * sd
    return Estimate(low=middle - half, likely=middle, high=middle + half, basis=Basis.KITCHEN, bakes=len(good))


def _value(told: Told) -> float:
    return 100 * told.measure.compared if told.measure.of else told.measure.value


def _band(measure: BakeMeasure) -> Estimate | None:
    """The range that the last bake's forecast held it against, in the chart's unit."""
    if measure.low is None or measure.likely is None or measure.high is None:
        return None
    scale = 100 / measure.of if measure.of else 1.0
    low, likely, high = (scale * v for v in (measure.low, measure.likely, measure.high))
    return Estimate(low=low, likely=likely, high=high, basis=measure.basis or Basis.HABIT, bakes=measure.bakes)


def trend(told: Sequence[Told], measure: str) -> Trend:
    """The trend of a measure; ``told`` are the bakes that have it, the oldest first (at least one)."""
    last = told[-1].measure
    values = [_value(t) for t in told]
    found = chart(values)
    beyond = set(found.beyond)
    points = tuple(
        TrendPoint(
            bake=t.bake, at=t.at, title=t.title, value=v, raw=t.measure.value, stars=t.stars, faults=t.faults,
            beyond=i in beyond, step=t.measure.step,
        )
        for i, (t, v) in enumerate(zip(told, values, strict=True))
    )  # fmt: skip
    unit = "% of what was forecast" if last.of else last.unit
    changes = tuple(
        Shift(
            begins=c.begins, noticed=c.noticed, bake=told[c.begins].bake, at=told[c.begins].at, before=c.before,
            after=c.after, says=_shift_said(c.before, c.after, unit),
        )
        for c in found.changes
    )  # fmt: skip
    return Trend(
        measure=measure,
        words=last.words,
        unit=unit,
        points=points,
        stretches=tuple(
            TrendStretch(first=first, centre=lim and lim.centre, low=lim and lim.low, high=lim and lim.high)
            for first, lim in found.stretches
        ),
        changes=changes,
        band=own_band(told, _band(last)),
        says=_says(len(told), changes, len(beyond)),
    )


def _figure(value: float) -> str:
    size = abs(value)
    return f"{value:.0f}" if size >= 20 else f"{value:.1f}" if size >= 2 else f"{value:.3f}"


def _shift_said(before: float, after: float, unit: str) -> str:
    return f"from about {_figure(before)} to {_figure(after)} {unit}".strip()


def _says(count: int, changes: Sequence[Shift], beyond: int) -> str:
    if count < 6:
        return f"{count} {'bake' if count == 1 else 'bakes'}: too few to tell a change from noise."
    if changes:
        last = changes[-1]
        return f"It changed {last.says}, from the bake of {last.at:%-d %B %Y} on."
    if beyond:
        return f"No lasting change; {beyond} of {count} bakes lie beyond the limits."
    return f"Steady over {count} bakes: what differs is noise."
