"""What a bake that is over showed of the figures that its steps were expected to have: its dots."""

from __future__ import annotations

from collections.abc import Iterator

from kindwhisk.bench.log.progress import Progress, StepProgress, StepStatus
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.folding.air_kept import kept_share
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.ingredients.eggs import egg_parts
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import DENSITIES, PIPING, TIMES, Figure
from kindwhisk.core.measures import GOOD_STARS
from kindwhisk.core.piping.skin import NOT_YET, Feel, Touch, took_s
from kindwhisk.core.process.forecast import StepForecast
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.record import EGG_PARTS, egg_effects
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.tins.rise import risen_volume_ml, settled_volume_ml
from kindwhisk.core.tins.standing import levels_mm
from kindwhisk.core.values.bands import CUP_SPREAD, Quantity
from kindwhisk.core.values.estimate import Estimate


def dot_name(step: str, figure: Figure) -> str:
    """Its name within its bake."""
    return f"{step}/{figure.name.lower()}"


def expected_height(made: WalkedBake) -> Expected | None:
    """How high the finished, cold bake should stand in its tin (mm), from the batter as it was; None where none
    rises."""
    first = made.formula.fill
    # Of a batter that was lost and made once more, the one that came to the end.
    filled = [s for s in made.formula.steps if first is not None and s.origin == first.id]
    lead = next((s for s in reversed(filled) if made.formula.lost_share(s.id) < 1), first)
    if not isinstance(lead, FillStep) or not lead.rises:
        return None
    place, batter = made.places[lead.id], made.materials[lead.id]
    risen = settled_volume_ml(risen_volume_ml(batter, place.kitchen.altitude_m))
    modelled = levels_mm(place.tins.tin, risen, place.tins.share)
    if modelled.low <= 0:
        return None
    return place.record.expected(Figure.HEIGHT, place.height_effects(batter), modelled)


def _seconds(own: StepProgress | None) -> tuple[float | None, bool]:
    """How long a step ran; and whether that is only what it took at least."""
    if own is None or own.started_at is None:
        return None, False
    if own.status is StepStatus.DONE and own.ended_at is not None:
        return (own.ended_at - own.started_at).total_seconds(), False
    if own.looked_at:
        return (own.looked_at[-1] - own.started_at).total_seconds(), True
    return None, False


def observed_of(
    told: Expected, step_id: str, made: WalkedBake, progress: Progress, *, good: bool
) -> tuple[float | None, bool]:
    """What was observed of an expected figure, and whether it was only more than that.

    Hands are slow for many reasons: only steps that run on their own teach times; what an oven takes is kept with the
    oven. A fold is not judged by a foam that was guessed.
    """
    if told.figure in PIPING:
        return _of_pieces(told, step_id, made, progress)
    step, cup = made.formula.step(step_id), made.observed.densities.get(step_id)
    weighed = cup is not None and cup.spread <= CUP_SPREAD
    if told.figure in TIMES - {Figure.BAKE} and step.attention is not Attention.THROUGHOUT:
        own = progress.steps.get(step_id)
        return (None, False) if own is not None and not own.time_counts else _seconds(own)
    if told.figure in DENSITIES and cup is not None and weighed and good:
        return cup.density, False
    if told.figure is Figure.AIR and cup is not None and weighed:
        cups = {i for i, m in made.observed.densities.items() if m.spread <= CUP_SPREAD}
        if cups & {p.step for p in step.inputs if isinstance(p, StepPortion)}:
            parts = tuple(Airy.of(m) for m in made.intakes[step_id])
            return kept_share(parts, cup.density), False
    return None, False


def _of_pieces(told: Expected, step_id: str, made: WalkedBake, progress: Progress) -> tuple[float | None, bool]:
    """What a tray showed of skin and hand: when its touches say that it held, how long its piping took, and what ten of
    its pieces weighed.

    A hand's time counts although hands are slow for many reasons: a tray is piped without a pause, or was asked about.
    """
    own = progress.steps.get(step_id)
    if told.figure is Figure.PIECE:
        tens = [
            r.value for r in progress.readings if r.step == step_id and r.quantity is Quantity.TEN_PIECES and r.counts
        ]
        return (tens[-1] / 10, False) if tens else (None, False)
    if own is None or own.started_at is None or not own.time_counts:
        return None, False
    if told.figure is Figure.PIPE:
        return _seconds(own) if own.status is StepStatus.DONE else (None, False)
    touches = list(made.observed.touches.get(step_id, ()))
    if own.status is StepStatus.DONE and own.ended_at is not None and all(t.feel in NOT_YET for t in touches):
        touches.append(Touch(t_s=(own.ended_at - own.started_at).total_seconds(), feel=Feel.DRY))
    return took_s(tuple(touches)) or (None, False)


def egg_part(step: StepForecast) -> str | None:
    """What of eggs is weighed at a step, by its ingredient; None where anything else is in it too."""
    weighed = {t.ingredient for t in step.inputs}
    only = weighed.pop() if len(weighed) == 1 else None
    return only if only in EGG_PARTS else None


def _eggs(made: WalkedBake, progress: Progress) -> Iterator[Dot]:
    """What eggs gave that were counted and weighed."""
    kitchen = made.document.kitchen
    for reading in progress.readings:
        part = egg_part(made.forecast.step(reading.step)) if reading.eggs and reading.counts else None
        if part is None or not reading.eggs:
            continue
        modelled: Estimate = getattr(egg_parts(kitchen.eggs), EGG_PARTS[part])
        yield Dot(
            id=f"{dot_name(reading.step, Figure.EGG)}-{reading.sequence}",
            title=made.forecast.step(reading.step).title,
            figure=Figure.EGG,
            effects=egg_effects(kitchen.eggs, part),
            observed=reading.value / reading.eggs,
            modelled=modelled.likely,
        )


def _dot(name: str, told: Expected, observed: float | None, *, title: str = "", above: bool = False) -> Iterator[Dot]:
    if observed is None or observed <= 0 or told.modelled.likely <= 0:
        return
    yield Dot(
        id=name,
        title=title,
        figure=told.figure,
        effects=told.effects,
        observed=observed,
        modelled=told.modelled.likely,
        doubt=told.doubt,
        above=above,
    )


def showed(made: WalkedBake, progress: Progress) -> Iterator[Dot]:
    """The dots of a bake that is over, named within it."""
    outcome = progress.outcome
    good = outcome is not None and outcome.stars >= GOOD_STARS
    for step_id, expects in made.expects.items():
        for told in expects:
            observed, above = observed_of(told, step_id, made, progress, good=good)
            title = made.formula.step(step_id).title
            yield from _dot(dot_name(step_id, told.figure), told, observed, title=title, above=above)
    yield from _eggs(made, progress)
    height = expected_height(made)
    if height is not None and outcome is not None and progress.height_counts:
        yield from _dot(dot_name("bake", Figure.HEIGHT), height, outcome.height_mm)
