"""All that was measured of a bake, and what it was made with."""

from __future__ import annotations

from collections.abc import Iterator

from kindwhisk.bench.learned.showed import egg_part, expected_height, observed_of
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.measures.weighed import weighed
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.ovens.record import OvenHeld
from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.measures import BakeMeasure, Fact, measure
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.values.bands import UNITS, Quantity
from kindwhisk.core.values.estimate import Basis, Estimate

NAMES: dict[Figure, tuple[str, str, float]] = {
    Figure.WHIP: ("time on the whisk", "min", 1 / 60),
    Figure.ALONE: ("time", "min", 1 / 60),
    Figure.AIR: ("air kept", "%", 100),
    Figure.FOAM: ("foam", "g/ml", 1),
    Figure.BATTER: ("batter", "g/ml", 1),
    Figure.SKIN: ("until the skin held", "min", 1 / 60),
    Figure.PIPE: ("piping", "min", 1 / 60),
    Figure.PIECE: ("a piece", "g", 1),
}
"""What each learned figure is called at its step, its unit here, and how it comes to it."""
TIMED = {Figure.WHIP, Figure.ALONE, Figure.SKIN, Figure.PIPE}
TEMPERATURES = {Quantity.CONTENT_TEMPERATURE, Quantity.CORE_TEMPERATURE, Quantity.OVEN_TEMPERATURE}
ROOM_C = Estimate(low=18, likely=21, high=24, basis=Basis.HABIT)
ROOM_HUMIDITY = Estimate(low=40, likely=50, high=60, basis=Basis.HABIT)
OVEN_HOLDS = Estimate(low=-7, likely=0, high=7, basis=Basis.HABIT)
WHITES_K = 4.0
"""Whites are so near what their formula says in eight bakes of ten. Trade habit."""
FILLS = Estimate(low=60, likely=88, high=103, basis=Basis.HABIT)


def measures_of(at: Moment, held: tuple[OvenHeld, ...] = ()) -> tuple[BakeMeasure, ...]:
    """Everything that was measured, in the order of the work; ``held`` is what thermometers told of its ovens."""
    found = [*_by_step(at), *_ovens(at, held), *_waits(at), *weighed(at), *_formula(at), *_whole(at)]
    return tuple({m.key: m for m in found}.values())


def _by_step(at: Moment) -> Iterator[BakeMeasure]:
    made, progress = at.walked, at.progress
    for step in made.forecast.steps:
        own, shown = progress.steps.get(step.id), set[Figure]()
        for told in made.expects.get(step.id, ()):
            if told.figure not in NAMES:
                continue
            value, above = observed_of(told, step.id, made, progress, good=True)
            if value is None or above:
                continue
            shown.add(told.figure)
            words, unit, scale = NAMES[told.figure]
            of = told.modelled.likely if told.figure in TIMED else None
            yield measure(
                f"{step.id}/{told.figure.name.lower()}", f"{step.title}: {words}", value, unit,
                expected=told.made, of=of, step=step.id, scale=scale,
            )  # fmt: skip
        done = own is not None and own.status is StepStatus.DONE and own.time_counts
        if done and own is not None and own.started_at and own.ended_at and not shown & TIMED:
            yield measure(
                f"{step.id}/time", f"{step.title}: time", (own.ended_at - own.started_at).total_seconds(), "min",
                expected=step.duration_s, of=step.duration_s.likely, step=step.id, scale=1 / 60,
                trend=step.attention is not Attention.THROUGHOUT or step.kind in {"fold", "macaronage"},
            )  # fmt: skip
        yield from _read(at, step.id, step.title)
        if step.additions and (strokes := sum(a.strokes.likely for a in step.additions)):
            yield measure(f"{step.id}/strokes", f"{step.title}: strokes planned", strokes, trend=False, step=step.id)


def _read(at: Moment, step_id: str, title: str) -> Iterator[BakeMeasure]:
    """What was typed, and what the probe last told of a step that is over."""
    made, progress = at.walked, at.progress
    step = made.forecast.step(step_id)
    for quantity in Quantity:
        values = [r.value for r in progress.readings if r.step == step_id and r.quantity is quantity and r.counts]
        if not values or quantity in {Quantity.DENSITY, Quantity.TEN_PIECES, Quantity.HUMIDITY}:
            continue
        band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is quantity), None)
        unit = UNITS[quantity].replace("C", "°C")
        if quantity is Quantity.CONTENT_TEMPERATURE and egg_part(step) == "egg-white":
            # Whites tell of the foam that they become.
            usual = made.materials[step_id].temperature_c
            near = Estimate(low=usual - WHITES_K, likely=usual, high=usual + WHITES_K, basis=Basis.HABIT)
            yield measure(f"{step_id}/whites_c", f"{title}: whites", values[-1], unit, expected=near, step=step_id)
            continue
        yield measure(
            f"{step_id}/{quantity.name.lower()}", f"{title}: {quantity.value}", values[-1], unit,
            expected=band.range if band else None, step=step_id,
        )  # fmt: skip
    reads = made.formula.step(step_id).reads
    own = progress.steps.get(step_id)
    if (
        own is None
        or own.status is not StepStatus.DONE
        or any(r.step == step_id and r.quantity is reads and r.counts for r in progress.readings)
    ):
        return
    seen = at.watch(step_id)
    if seen is not None and seen.watch.now_c is not None and seen.watch.readings:
        band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is reads), None)
        yield measure(
            f"{step_id}/{reads.name.lower()}", f"{title}: {reads.value}", seen.watch.now_c, "°C",
            expected=band.range if band else None, step=step_id,
        )  # fmt: skip


def _ovens(at: Moment, held: tuple[OvenHeld, ...]) -> Iterator[BakeMeasure]:
    bakes = {s.id: s.title for s in at.walked.formula.steps if isinstance(s, BakeStep)}
    for told in held:
        if told.step in bakes and told.seen.mean_c is not None:
            set_c = at.walked.formula.step(told.step).heats_oven_c or 0.0
            yield measure(
                f"{told.step}/oven_held", f"{bakes[told.step]}: oven against what it was to hold",
                told.seen.mean_c - set_c, "K",
                expected=OVEN_HOLDS, step=told.step,
            )  # fmt: skip


def _waits(at: Moment) -> Iterator[BakeMeasure]:
    for step_id, seconds in at.progress.waited_s(at.now, at.document.takers).items():
        try:
            step = at.walked.forecast.step(step_id)
        except KeyError:
            continue
        if step.hold_s is not None and step.hold_s.likely > 0:
            # Any wait within what it holds is as it should be.
            fits = Estimate(low=0, likely=step.hold_s.low / 2, high=step.hold_s.likely, basis=step.hold_s.basis)
            yield measure(
                f"{step_id}/waited", f"{step.title}: wait", seconds, "min", expected=fits, step=step_id, scale=1 / 60
            )


def _formula(at: Moment) -> Iterator[BakeMeasure]:
    made = at.walked
    for ratio in made.forecast.balance:
        scale = 1.0 if ratio.percent else 100.0
        yield measure(
            f"{ratio.component}/{ratio.step}/{ratio.id}", ratio.name, ratio.value, "%", expected=ratio.band,
            scale=scale, trend=False,
        )  # fmt: skip
    for name, grams in sorted(_grams(at).items()):
        yield measure(f"grams/{name}", ingredient(name).name, grams, "g", trend=False)
    for step in made.formula.steps:
        if isinstance(step, FillStep) and step.rises and (section := made.forecast.step(step.id).section) is not None:
            tin, place = made.places[step.id].tins.tin, made.places[step.id]
            rim = tin.volume_ml()
            risen = place.risen_ml(made.materials[step.id]).likely * place.tins.share
            if rim > 0 and section.rise_mm is not None:
                yield measure(
                    f"{step.id}/fill", f"{step.title}: of the tin, risen", risen / rim, "%",
                    expected=FILLS.scaled(0.01), step=step.id, scale=100,
                )  # fmt: skip


def _grams(at: Moment) -> dict[str, float]:
    found: dict[str, float] = {}
    for portion in at.document.formula.portions():
        found[portion.ingredient] = found.get(portion.ingredient, 0.0) + portion.grams
    return found


def _whole(at: Moment) -> Iterator[BakeMeasure]:
    made, progress, kitchen = at.walked, at.progress, at.document.kitchen
    yield measure("kitchen/air_c", "The kitchen's air", kitchen.air_c, "°C", expected=ROOM_C)
    damp = progress.humidity(at.began_at, at.now)
    if damp is not None:
        yield measure("kitchen/humidity", "The kitchen's humidity", damp, "%", expected=ROOM_HUMIDITY)
    for material in made.materials.values():
        if isinstance(material, Built) and isinstance(material.frame, Rolled):
            strain, stands = material.frame.made(material.build).strain, made.document.record.rolls
            yield measure("roll/strain", "Strain of the roll's outer face", strain, "%", expected=stands, scale=100)
            break
    outcome = progress.outcome
    if outcome is not None:
        yield measure("stars", "Stars", outcome.stars)
        height = expected_height(made)
        if outcome.height_mm is not None and progress.height_counts:
            yield measure("height", "Height", outcome.height_mm, "mm", expected=height.made if height else None)
    ended = progress.ended_at
    if ended is not None:
        yield measure("late", "Late", (ended - at.document.ready_at).total_seconds(), "min", scale=1 / 60, trend=False)


def facts_of(at: Moment) -> tuple[Fact, ...]:
    """What it was made with, in words."""
    document, kitchen = at.document, at.document.kitchen
    who = next((p.name for p in kitchen.people if p.id == document.hands), document.hands)
    facts = [
        Fact(key="version", words="Formula", said=f"version {document.formula_version}"),
        Fact(key="oven", words="Oven", said=kitchen.oven(document.oven).name),
        Fact(key="tin", words="Tin", said=f"{document.tin_count} × {document.tin_name}"),
        Fact(key="hands", words="Hands", said=who or "the kitchen’s"),
        Fact(key="eggs", words="Eggs", said=kitchen.eggs.value.upper()),
    ]
    if kitchen.mixers:
        facts.append(Fact(key="mixer", words="Mixer", said=kitchen.mixers[0].name))
    facts += [Fact(key=f"turn-{n}", words="Otherwise", said=t.said) for n, t in enumerate(at.progress.turns)]
    return tuple(facts)
