"""Readings on their bands: what each means, what can still be done, and what it does to the rise in the tin."""

from __future__ import annotations

from kindwhisk.bench.log.progress import Progress, Reading
from kindwhisk.bench.now.walked import WalkedBake, walked_without
from kindwhisk.bench.told.views import ReadingView
from kindwhisk.core.values.bands import UNITS, Quantity, judge

LEAST_MM = 1.0


def reading_views(made: WalkedBake, progress: Progress) -> tuple[ReadingView, ...]:
    """Readings in order, each on the band of its step where there is one."""
    return tuple(_view(made, reading) for reading in progress.readings)


def _view(made: WalkedBake, reading: Reading) -> ReadingView:
    step = made.forecast.step(reading.step)
    band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is reading.quantity), None)
    tells = ""
    if reading.quantity is Quantity.DENSITY and reading.counts:
        told = made.formula.step(reading.step).reading_tells(
            reading.value, made.intakes[reading.step], made.places[reading.step]
        )
        tells = " ".join(t for t in (told, _rise(made, reading)) if t)
    return ReadingView(
        sequence=reading.sequence,
        at=reading.at,
        step=reading.step,
        step_title=step.title,
        quantity=reading.quantity,
        unit=UNITS[reading.quantity],
        value=reading.value,
        verdict=None if band is None else judge(reading.value, band),
        tells=tells,
        by_ribbon_s=reading.ribbon_s,
        counts=reading.counts,
    )


def _rise(made: WalkedBake, reading: Reading) -> str:
    """What the reading that counts does to the tin, against the forecast without it; empty where it does little."""
    counts = made.observed.densities.get(reading.step)
    if counts is None or counts.density != reading.value:
        return ""
    expected = walked_without(made, reading.step).forecast
    for step in made.forecast.steps:
        now, then = step.section, expected.step(step.id).section
        if step.kind != "fill" or now is None or then is None or now.rise_mm is None or then.rise_mm is None:
            continue
        change = now.rise_mm.likely - then.rise_mm.likely
        if abs(change) < LEAST_MM:
            return ""
        way = "more" if change > 0 else "less"
        return (
            f"In the {now.name} it stands at {now.level_mm:.0f} mm and is expected to rise to "
            f"{now.rise_mm.likely:.0f}, {abs(change):.0f} mm {way} than without this reading."
        )
    return ""
