"""The outlook of a running step: when to look, when it should be over, how its temperature moves."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.following import StepWatch
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.forecast import StepForecast
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.watching import Watch
from kindwhisk.core.sugar.meeting import Meeting
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.temperature import Point

LOOK_AGAIN_SHARE = 0.1
LOOK_AGAIN_S = (20.0, 300.0)
TEMPERATURES = {Quantity.OVEN_TEMPERATURE, Quantity.CORE_TEMPERATURE, Quantity.CONTENT_TEMPERATURE}


class ColumnMark(Value):
    """What a temperature passes on its way."""

    at_c: float
    name: str


class Mark(Value):
    """Something to be done when a temperature is there, ``in_s`` seconds from now."""

    at_c: float
    in_s: float
    name: str


class Column(Value):
    """A temperature on its way, for one upright scale (C). ``measured`` tells a reading from a model's figure.

    ``needed_at`` is when ``needed_for``, the step that waits for it, could start without it. ``trail`` and ``ahead``
    are where it was, and where it is heading; ``marks`` are moments at which something has to be done. ``probe`` is the
    thermometer that reads it; ``beside_c`` and ``beside_trail`` tell of what is around it, such as the oven.
    """

    quantity: Quantity
    now_c: float
    measured: bool
    target_c: float
    band_low_c: float
    band_high_c: float
    scale_low_c: float
    scale_high_c: float
    stages: tuple[ColumnMark, ...]
    arrives_at: datetime | None
    needed_at: datetime | None
    needed_for: str
    rising: bool
    trail: tuple[Point, ...] = ()
    ahead: tuple[Point, ...] = ()
    marks: tuple[Mark, ...] = ()
    probe: str | None = None
    beside_c: float | None = None
    beside_trail: tuple[Point, ...] = ()


class Outlook(Value):
    """When a running step wants to be looked at and when it should be over.

    ``pace`` is its time as measured over its forecast: cues move with it.
    """

    started_at: datetime
    look_at: datetime | None
    low_at: datetime
    likely_at: datetime
    high_at: datetime
    basis: str
    share: float
    pace: float = 1.0

    def share_at(self, moment: datetime) -> float:
        """How much of the likely time was over at a moment, 0 to 1."""
        return _share(self.started_at, self.likely_at, moment)


def _share(start: datetime, end: datetime, moment: datetime) -> float:
    total = (end - start).total_seconds()
    return min(1.0, max(0.0, (moment - start).total_seconds() / total)) if total > 0 else 1.0


def _look_again(forecast: StepForecast) -> timedelta:
    low, high = LOOK_AGAIN_S
    return timedelta(seconds=min(high, max(low, LOOK_AGAIN_SHARE * forecast.duration_s.likely)))


def outlook(
    forecast: StepForecast,
    progress: Progress,
    now: datetime,
    seen: StepWatch | None = None,
) -> Outlook | None:
    """The outlook, or None for a step that is not running; ``seen`` is what its thermometers tell."""
    own = progress.steps.get(forecast.id)
    if own is None or own.status is not StepStatus.RUNNING or own.started_at is None:
        return None
    start, duration = own.started_at, forecast.duration_s
    low, likely, high = (start + timedelta(seconds=s) for s in (duration.low, duration.likely, duration.high))
    basis = duration.basis.value
    measured = seen.watch.left_s if seen is not None else None
    if measured is not None:
        low, likely, high = (now + timedelta(seconds=s) for s in (measured.low, measured.likely, measured.high))
        basis = measured.basis.value
    look: datetime | None = start + timedelta(
        seconds=duration.low if forecast.first_look_s is None else forecast.first_look_s
    )
    if measured is not None:
        look = low
        if forecast.first_look_s is not None:
            # The probe knows better than the forecast's wide range: no door is opened before its own low end.
            look = max(low, start + (likely - start) * (forecast.first_look_s / duration.likely))
    if own.looked_at:
        look = own.looked_at[-1] + _look_again(forecast)
        if own.touches:
            # A finger has told how far it is: it is laid on again when it may hold.
            look = max(look, low)
        likely, high = max(likely, look), max(high, look)
    return Outlook(
        started_at=start,
        look_at=look,
        low_at=min(low, likely),
        likely_at=likely,
        high_at=high,
        basis=basis,
        share=_share(start, likely, now),
        pace=(likely - start).total_seconds() / duration.likely
        if measured is not None and (forecast.bake or forecast.gates)
        else 1.0,
    )


# A column shows what the step, its watch and the plan know of one temperature.
def column(  # noqa: PLR0913, PLR0917
    forecast: StepForecast,
    step: Step,
    progress: Progress,
    setting: Setting,
    view: Outlook | None,
    waiting: tuple[datetime, str] | None,
    now: datetime,
    *,
    before: Material,
    seen: StepWatch | None = None,
    called: tuple[Mark, ...] = (),
) -> Column | None:
    """The temperature to follow at this step; None where there is none.

    ``waiting`` is the next step that needs it: when it could start without, and its title; ``called`` are moments on
    its way at which something else is to be begun.
    """
    band = next((c.band for c in forecast.checkpoints if c.band and c.band.quantity in TEMPERATURES), None)
    heading = step.expected_reading(
        (now - view.started_at).total_seconds() if view else 0.0,
        (view.likely_at - view.started_at).total_seconds() if view else forecast.duration_s.likely,
        before,
        setting,
    )
    if band is None or heading is None:
        return None
    readings = [r for r in progress.readings if r.step == forecast.id and r.quantity is heading.quantity]
    watch = seen.watch if seen is not None and seen.watch.readings else None
    shown = readings[-1].value if readings else heading.now_c
    if watch is not None and watch.now_c is not None:
        shown = watch.now_c
    rising = heading.target_c > heading.start_c
    ends = (heading.start_c, heading.target_c, band.range.low, band.range.high, shown)
    return Column(
        quantity=heading.quantity,
        now_c=shown,
        measured=bool(readings) or (watch is not None and watch.now_c is not None),
        target_c=heading.target_c,
        band_low_c=band.range.low,
        band_high_c=band.range.high,
        scale_low_c=min(ends) - 5,
        scale_high_c=max(ends) + 15,
        stages=tuple(ColumnMark(at_c=c, name=name) for c, name in heading.stages),
        arrives_at=view.likely_at if view else None,
        needed_at=waiting[0] if waiting else None,
        needed_for=waiting[1] if waiting else "",
        rising=rising,
        trail=watch.trail if watch else (),
        ahead=watch.ahead if watch else (),
        marks=(*called, *_marks(watch)),
        probe=seen.probe if seen else None,
        beside_c=seen.watch.beside_c if seen else None,
        beside_trail=seen.watch.beside_trail if seen else (),
    )


def called_by(meets: Meeting) -> tuple[Mark, ...]:
    """Where a syrup calls for its whites."""
    if meets.start_at_c is None or not meets.start_in_s:
        return ()
    return (Mark(at_c=meets.start_at_c, in_s=meets.start_in_s, name="start the whites"),)


def _marks(watch: Watch | None) -> tuple[Mark, ...]:
    """The temperature at which a pot comes off the heat."""
    pot = watch.pot if watch is not None else None
    if pot is None or pot.take_off_c is None or pot.seconds_to_take_off is None:
        return ()
    return (Mark(at_c=pot.take_off_c, in_s=pot.seconds_to_take_off, name="off the heat"),)
