"""What may happen next: each refusal names what is missing and what to do."""

from __future__ import annotations

from datetime import timedelta

from kindwhisk.bench.learned.showed import egg_part
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.course import follow
from kindwhisk.bench.log.progress import BakeStatus, StepStatus
from kindwhisk.bench.log.projection import value_of
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.now.readiness import startable
from kindwhisk.bench.undoing import Words, resting
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.faults import UNLISTED
from kindwhisk.core.diagnosis.signs import SIGNS
from kindwhisk.core.folding.cup import density_by_ribbon, told_by_ribbon
from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.values.bands import Quantity, check_plausible
from kindwhisk.core.values.errors import NotNowError


class BenchRefusal(NotNowError):
    """The event does not fit what has happened so far; nothing was kept."""


NAMED = 3
SKIN, SORT = "skin", "sort"
MOST_MORE = 2
"""A hand may pipe smaller ones than planned, but not half as large. Chosen."""
LONGEST_BEFORE = timedelta(days=14)
AFTER_THE_END = (
    ev.OutcomeRecorded,
    ev.NoteAdded,
    ev.ReadingAdded,
    ev.PhotoAdded,
    ev.SignAnswered,
    ev.CauseConfirmed,
    ev.Answered,
    ev.Undone,
)


# One case an event.
def check(event: ev.BenchEvent, at: Moment) -> None:  # noqa: PLR0912
    """Let the event pass at a moment, or refuse it.

    Raises:
        BenchRefusal: it does not fit; nothing changes.
        CraftError: its reading cannot be.
    """
    progress, forecast = at.progress, at.walked.forecast
    if progress.status is not BakeStatus.RUNNING and not isinstance(event, AFTER_THE_END):
        raise BenchRefusal(
            "This bake is over.",
            field="kind",
            remedy="Add a note, a reading or the outcome, or start a new bake.",
        )
    match event:
        case ev.StepStarted():
            _check_start(_step(event.step, forecast), at)
        case ev.StepDone():
            _check_done(_step(event.step, forecast), at)
        case ev.StepSkipped() if progress.is_over(_step(event.step, forecast).id):
            raise BenchRefusal("This step is over already.", field="step", remedy="Undo it first.")
        case ev.SyrupPoured():
            _check_pour(event, at)
        case ev.DoneBefore():
            _check_done_before(event, at)
        case ev.BegunAgain() | ev.Changed():
            follow(progress.text, event.asked, progress.standing(at.now))
        case ev.DayMoved():
            for planned in event.planned:
                _step(planned.step, forecast)
        case ev.NotYet():
            step = _step(event.step, forecast)
            if progress.status_of(step.id) is not StepStatus.RUNNING:
                raise BenchRefusal(f"“{step.title}” is not running.", field="step", remedy="Start it first.")
        case ev.Touched():
            _check_touch(_step(event.step, forecast), at)
        case ev.PiecesCounted():
            _check_count(event, _step(event.step, forecast), at)
        case ev.ReadingAdded():
            _check_reading(event, forecast)
        case ev.CueDone() | ev.ProbePlaced():
            _step(event.step, forecast)
        case ev.Undone():
            _check_undo(event, at)
        case ev.Answered() if all(q.sequence != event.sequence for q in progress.questions):
            raise BenchRefusal(
                "Nothing is asked about that, or it was answered.", field="sequence", remedy="Undo the answer first."
            )
        case ev.SignAnswered() if not getattr(SIGNS.get(event.sign), "is_question", False):
            raise BenchRefusal(f"Nobody asks about “{event.sign}”.", field="sign", remedy="Answer one that is asked.")
        case ev.CauseConfirmed() if event.cause and event.cause not in {*CAUSES, UNLISTED}:
            raise BenchRefusal(f"There is no cause “{event.cause}”.", field="cause", remedy="Take one of the list.")
        case ev.BakeFinished():
            left = [s.title for s in forecast.steps if not progress.is_over(s.id)]
            if left:
                raise BenchRefusal(
                    f"Not over yet: {', '.join(left[:3])}{' and more' if len(left) > 3 else ''}.",
                    field="kind",
                    remedy="Finish these steps, or skip them with a reason.",
                )
        case _:
            pass


def _step(step_id: str, forecast: Forecast) -> StepForecast:
    try:
        return forecast.step(step_id)
    except KeyError:
        raise BenchRefusal(
            f"This bake has no step '{step_id}'.",
            field="step",
            remedy="Use one of: " + ", ".join(s.id for s in forecast.steps) + ".",
        ) from None


def _check_start(step: StepForecast, at: Moment) -> None:
    if at.progress.status_of(step.id) is not StepStatus.WAITING:
        raise BenchRefusal(f"“{step.title}” was started already.", field="step", remedy="Go on with it.")
    _check_needs(step, at)
    missing = [i.name for i in at.gate_items(step.id) if not i.there]
    if missing:
        raise BenchRefusal(
            f"Before “{step.title}”, these are still missing: {', '.join(missing)}.",
            field="step",
            remedy="Once this begins, nothing can wait for them: get them ready and tick them, then start.",
        )


def _check_needs(step: StepForecast, at: Moment) -> None:
    if not startable(step, at.progress) and at.progress.status_of(step.id) is StepStatus.WAITING:
        waits = [at.walked.forecast.step(n).title for n in step.needs if not at.progress.is_over(n)]
        raise BenchRefusal(
            f"“{step.title}” needs something first: {', '.join(waits)}.",
            field="step",
            remedy="Finish that, or skip it with a reason.",
        )


def _check_done(step: StepForecast, at: Moment) -> None:
    status = at.progress.status_of(step.id)
    if status is StepStatus.RUNNING:
        return
    if status is not StepStatus.WAITING:
        raise BenchRefusal("This step is over already.", field="step", remedy="Go on with the next one.")
    if step.attention is not Attention.THROUGHOUT:
        raise BenchRefusal(f"“{step.title}” was not started.", field="step", remedy="Start it first.")
    _check_needs(step, at)


def _check_touch(step: StepForecast, at: Moment) -> None:
    if step.kind != SKIN:
        raise BenchRefusal(f"No skin forms at “{step.title}”.", field="step", remedy="Name the rest of its tray.")
    if at.progress.status_of(step.id) is not StepStatus.RUNNING:
        raise BenchRefusal(f"“{step.title}” is not running.", field="step", remedy="Start it first.")


def _check_count(event: ev.PiecesCounted, step: StepForecast, at: Moment) -> None:
    if step.kind != SORT:
        raise BenchRefusal(f"Nothing is counted at “{step.title}”.", field="step", remedy="Name the step that sorts.")
    _check_needs(step, at)
    there = at.walked.places[step.id].tins.count
    if event.counted.pieces > MOST_MORE * there:
        raise BenchRefusal(
            f"{event.counted.pieces} pieces are far more than the {there} that were piped.",
            field="counted",
            remedy="Count again: how many of them are good, broken, cracked and hollow?",
        )


def _check_pour(event: ev.SyrupPoured, at: Moment) -> None:
    met = at.meetings.get(event.boil)
    if met is None or (met.whisk, met.stream) != (event.whisk, event.step):
        raise BenchRefusal(
            "No syrup is on the flame for that.", field="boil", remedy="Start the syrup first, or name its own whites."
        )
    if at.progress.status_of(event.whisk) is StepStatus.WAITING:
        title = at.walked.forecast.step(event.whisk).title
        raise BenchRefusal(f"“{title}” was not started.", field="whisk", remedy="Start the whites first.")
    stream = _step(event.step, at.walked.forecast)
    others = [n for n in stream.needs if n not in {event.boil, event.whisk} and not at.progress.is_over(n)]
    if others or at.progress.status_of(stream.id) is not StepStatus.WAITING:
        waits = ", ".join(at.walked.forecast.step(n).title for n in others) or f"“{stream.title}” was started already"
        raise BenchRefusal(f"Not yet: {waits}.", field="step", remedy="Finish that, or skip it with a reason.")


def _check_reading(event: ev.ReadingAdded, forecast: Forecast) -> None:
    _step(event.step, forecast)
    as_it_is = event.value if event.ribbon_s is None else None
    ways = [w for w in (as_it_is, event.cup, event.per_100_ml, event.ribbon_s) if w is not None]
    if len(ways) != 1:
        raise BenchRefusal(
            "A reading has one value: as it is, from a cup, in 100 ml, or by a ribbon.",
            field="value",
            remedy="Enter one of them.",
        )
    if event.quantity is not Quantity.DENSITY and as_it_is is None:
        raise BenchRefusal("Only a density can be read that way.", field="quantity", remedy="Enter a value instead.")
    if event.eggs is not None and (event.quantity is not Quantity.MASS or egg_part(forecast.step(event.step)) is None):
        raise BenchRefusal(
            "Eggs are only counted where nothing but white, yolk or whole egg is weighed.",
            field="eggs",
            remedy="Weigh them at the step that weighs them alone, or leave the number out.",
        )
    check_plausible(value_of(event), event.quantity, "full_g" if event.cup else "value")


def ribbon_density(event: ev.ReadingAdded, forecast: Forecast) -> float:
    """The density (g/ml) that a ribbon's seconds stand for at the reading's step.

    Raises:
        BenchRefusal: what is in the bowl there makes no ribbon.
    """
    foam, seconds = _step(event.step, forecast).foam, event.ribbon_s or 0.0
    if foam is None or not told_by_ribbon(foam):
        raise BenchRefusal("A ribbon tells nothing about this.", field="ribbon_s", remedy="Weigh a cup of it instead.")
    return density_by_ribbon(foam, seconds).likely


def _check_undo(event: ev.Undone, at: Moment) -> None:
    happened = at.log.happened
    target = next((h for h in happened if h.sequence == event.sequence), None)
    undone = {h.event.sequence for h in happened if isinstance(h.event, ev.Undone)}
    if target is None or isinstance(target.event, ev.Undone) or event.sequence in undone:
        raise BenchRefusal("There is nothing to undo here.", field="sequence", remedy="Reload the bake.")
    rests = resting(at.log, event.sequence)
    if rests:
        words = Words(at.log)
        named = ", ".join(words.said(r) for r in rests[:NAMED])
        raise BenchRefusal(
            f"Something that happened later rests on it: {named}{' and more' if len(rests) > NAMED else ''}.",
            field="sequence",
            remedy="Undo that first.",
        )


def _check_done_before(event: ev.DoneBefore, at: Moment) -> None:
    step = _step(event.step, at.walked.forecast)
    if at.progress.status_of(step.id) is not StepStatus.WAITING:
        raise BenchRefusal(f"“{step.title}” was begun already.", field="step", remedy="Undo that first.")
    if event.when > at.now:
        raise BenchRefusal("That is still to come.", field="when", remedy="Say when it was done.")
    if event.when < at.now - LONGEST_BEFORE:
        raise BenchRefusal(
            "That is more than two weeks ago.", field="when", remedy="What is so old belongs in another bake."
        )
