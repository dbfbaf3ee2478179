"""What lies further off than three deviations is asked about at entry, in words, once.

The words are kept with what was entered. Until they are answered a reading counts for nothing that is forecast.
"""

from __future__ import annotations

from kindwhisk.bench.learned.showed import egg_part, expected_height
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.log.projection import value_of
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.foams.whipping import whipped_share
from kindwhisk.core.ingredients.eggs import egg_parts
from kindwhisk.core.learning.expected import ASKED_SD, Expected, expected, off_by
from kindwhisk.core.learning.figures import DENSITIES, TIMES, Figure
from kindwhisk.core.planning.because import duration_in_words
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.record import EGG_PARTS, egg_effects
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.estimate import RANGE_SD, Estimate

IN_TIMES_FROM = 2.5
"""From so many times on, a ratio is said as one, below it in percent."""


def _times_as_much(value: float, figure: Estimate) -> str:
    ratio = value / figure.likely
    return f"{ratio:.0f} times" if ratio >= IN_TIMES_FROM else f"{ratio:.0%} of"


def _expected(at: Moment, step_id: str, figures: frozenset[Figure]) -> Expected | None:
    return next((e for e in at.walked.expects.get(step_id, ()) if e.figure in figures), None)


def on_the_way(at: Moment, step_id: str, cup: Estimate) -> Estimate:
    """The density (g/ml) that a foam may have while it is still on the whisk: from what went in to what it becomes."""
    own, step = at.progress.steps.get(step_id), at.walked.formula.step(step_id)
    whipping = isinstance(step, WhipStep) and own is not None and own.status is StepStatus.RUNNING
    if not whipping or own is None or own.started_at is None:
        return cup
    time = _expected(at, step_id, frozenset({Figure.WHIP}))
    start = at.walked.before[step_id].gas_free_density
    elapsed = (at.now - own.started_at).total_seconds()
    # As slow as three deviations, so that nothing on a slow way up is asked about.
    slowest = time.made.likely * (time.made.high / time.made.likely) ** (ASKED_SD / RANGE_SD) if time else elapsed
    overrun = (start / cup.high - 1) * whipped_share(min(1.0, elapsed / max(slowest, 1.0)))
    return cup.model_copy(update={"high": max(cup.high, start / (1 + max(overrun, 0.0)))})


def _of_reading(event: ev.ReadingAdded, at: Moment) -> str:
    """Of a cup, or of eggs that were counted."""
    if event.eggs is not None:
        return _of_eggs(event, event.eggs, at)
    told = _expected(at, event.step, DENSITIES)
    if event.quantity is not Quantity.DENSITY or event.ribbon_s is not None or told is None:
        return ""
    value, usual = value_of(event), on_the_way(at, event.step, told.made)
    # Only good bakes teach a density: one that went wrong differs as kitchens do. A heavy foam makes a heavy
    # batter: what this very bake leads one to expect is not asked about either.
    anywhere = on_the_way(at, event.step, expected((), told.figure, told.effects, told.modelled).made)
    forecast = at.walked.materials[event.step].density_g_per_ml
    if value <= 0 or min(abs(off_by(value, known)) for known in (usual, anywhere, forecast)) <= ASKED_SD:
        return ""
    span = f"{usual.low:.2f} to {usual.high:.2f}"
    return (
        f"{value:.2f} g/ml is {_times_as_much(value, usual)} what is usual by now ({span}). "
        "Is the cup’s own weight taken off, once, and was it full to the brim?"
    )


def _of_eggs(event: ev.ReadingAdded, eggs: int, at: Moment) -> str:
    """Of what so many eggs gave."""
    part, size = egg_part(at.walked.forecast.step(event.step)), at.document.kitchen.eggs
    if part is None or not event.value or event.value <= 0:
        return ""
    each = event.value / eggs
    modelled: Estimate = getattr(egg_parts(size), EGG_PARTS[part])
    usual = at.document.record.expected(Figure.EGG, egg_effects(size, part), modelled).made
    if abs(off_by(each, usual)) <= ASKED_SD:
        return ""
    return (
        f"{each:.0f} g an egg is {_times_as_much(each, usual)} what one of yours gives "
        f"({usual.low:.0f} to {usual.high:.0f} g). Are the mass and the number of eggs right, and the bowl taken off?"
    )


def _of_time(event: ev.StepDone, at: Moment) -> str:
    """Of a step that ran by itself, or of a bake."""
    own, step = at.progress.steps.get(event.step), at.walked.forecast.step(event.step)
    told = _expected(at, event.step, TIMES)
    if told is None or own is None or own.started_at is None or step.attention is Attention.THROUGHOUT:
        return ""
    seconds = (at.now - own.started_at).total_seconds()
    if seconds <= 0 or told.made.likely <= 0 or abs(off_by(seconds, told.made)) <= ASKED_SD:
        return ""
    usual = f"{duration_in_words(told.made.low)} to {duration_in_words(told.made.high)}"
    return (
        f"“{step.title}” took {duration_in_words(seconds)}, where {usual} are usual here. "
        f"Did it take that, or was it told {'late' if seconds > told.made.likely else 'early'}?"
    )


def _of_height(event: ev.OutcomeRecorded, at: Moment) -> str:
    """Of a finished height."""
    told = expected_height(at.walked)
    if event.height_mm is None or told is None or abs(off_by(event.height_mm, told.made)) <= ASKED_SD:
        return ""
    usual = told.made
    return (
        f"{event.height_mm:.0f} mm is {_times_as_much(event.height_mm, usual)} what this should stand at "
        f"({usual.low:.0f} to {usual.high:.0f} mm). Are the figures and the unit right?"
    )


def asks(event: ev.BenchEvent, at: Moment) -> str:
    """What is to be asked about an event at its moment; empty where nothing is."""
    match event:
        case ev.ReadingAdded():
            return _of_reading(event, at)
        case ev.StepDone():
            return _of_time(event, at)
        case ev.OutcomeRecorded():
            return _of_height(event, at)
        case _:
            return ""
