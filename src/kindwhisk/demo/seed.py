"""Filling an empty data file with the demo kitchen: its tins, its formulas and the bakes of the last weeks."""

from __future__ import annotations

import random
from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from typing import Any

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.clock import now
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.ovens.evidence import DegreesNote, MapNote
from kindwhisk.core.baking.course import Sets, course
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.ovens.browning_map import BrowningMap
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.process.gate import GateItemKind
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.trying.question import OpenQuestion, Trial
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.goods import demo_goods
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.devices.oven import LOADING_DOOR_S, OvenPlan, StandInOven
from kindwhisk.devices.pot import StandInPot
from kindwhisk.devices.stand_in import stand_in_for
from kindwhisk.store.database import Store
from kindwhisk.store.probes import StoredReading, milliseconds


@dataclass(frozen=True)
class SeededBake:
    """A bake of the past, as it went: time factors by step, cups, and how it came out."""

    formula: str
    days_ago: int
    hour: int
    paces: dict[str, float]
    densities: dict[str, float]
    stars: int
    height_mm: float
    faults: tuple[str, ...] = ()
    crumb: str = ""
    note: str = ""


Told = tuple[datetime, dict[str, Any]]
"""A moment and the fields of an event."""

CHIFFON, SPONGE, SYRUP = "tea-chiffon", "butter-sponge", "syrup-peaks"

PAST = (
    SeededBake(CHIFFON, 27, 6, {"bake": 1.10, "whip": 0.92}, {"whip": 0.176, "fold": 0.455}, 4, 61,
             crumb="even, a little tight", note="Whites a touch soft."),
    SeededBake(CHIFFON, 22, 6, {"bake": 1.13, "whip": 0.97}, {"whip": 0.168, "fold": 0.437}, 4, 64, crumb="even"),
    SeededBake(CHIFFON, 17, 7, {"bake": 0.99, "whip": 1.22}, {"whip": 0.142, "fold": 0.502}, 2, 55,
             faults=("dense layer below",), crumb="tight below",
             note="Whites clotted; took many strokes to get the lumps out."),
    SeededBake(CHIFFON, 12, 6, {"bake": 1.12, "whip": 0.95}, {"whip": 0.171, "fold": 0.432}, 5, 66,
             crumb="fine and even"),
    SeededBake(CHIFFON, 8, 5, {"bake": 1.09, "whip": 0.90}, {"whip": 0.165, "fold": 0.428}, 5, 66,
             crumb="fine and even"),
    SeededBake(CHIFFON, 3, 6, {"bake": 1.11, "whip": 0.94}, {"whip": 0.170, "fold": 0.440}, 4, 64, crumb="even"),
    SeededBake(SPONGE, 19, 10, {"bake": 1.08, "whip": 1.05}, {"whip": 0.262, "fold-butter": 0.447}, 4, 41,
             crumb="even"),
    SeededBake(SYRUP, 5, 13, {}, {"whip": 0.33}, 5, 40, crumb="glossy, stood till evening"),
    SeededBake(SPONGE, 6, 10, {"bake": 1.12, "whip": 1.02}, {"whip": 0.255, "fold-butter": 0.466}, 3, 38,
             faults=("fat streak or rubber line below",), crumb="a streak below", note="Butter had cooled too far."),
)  # fmt: skip


OVEN_NOTES: tuple[DegreesNote | MapNote, ...] = (
    DegreesNote(set_c=170, measured_c=161),
    DegreesNote(set_c=180, measured_c=173),
    DegreesNote(set_c=170, measured_c=167, rack=Rack.TOP),
    DegreesNote(set_c=170, measured_c=204),
    DegreesNote(set_c=160, measured_c=152),
    MapNote(
        map=BrowningMap.model_validate(
            {"rows": ((2, 2, 2, 3, 3, 4), (2, 2, 2, 2, 3, 3), (1, 2, 2, 2, 2, 3), (1, 1, 2, 2, 2, 2))}
        )
    ),
)
"""Oven thermometer and a tray of shells; one reading was taken while the oven still overshot."""


def is_empty(store: Store) -> bool:
    """Whether the data file holds no formula yet."""
    return not store.formulas.entries()


def seed(bench: Bench, today: datetime | None = None) -> None:
    """Fill an empty data file, whole or not at all; one that holds anything is left alone."""
    store = bench.store
    if not is_empty(store):
        return
    moment = today or now()
    with store.writing():
        store.kitchens.save(demo_kitchen())
        for good in demo_goods():
            store.goods.add(good)
        for formula in demo_formulas():
            store.formulas.save(formula)
        for number, note in enumerate(OVEN_NOTES):
            key = f"demo-oven-{number:02d}"
            store.oven_notes.keep("deck", kind=note.kind, payload=note.model_dump_json(), client_key=key)
        for past in sorted(PAST, key=lambda p: -p.days_ago):
            began = (moment - timedelta(days=past.days_ago)).replace(hour=past.hour, minute=5, second=0)
            _replay(bench, past, began)
        store.questions.ask(_question(moment), "demo-question")


def _question(now: datetime) -> OpenQuestion:
    """What has stayed open on the chiffon, and what is tried since."""
    trial = Trial(
        id="peak",
        change="Whites off at the bent peak, looked at from the sixth minute on",
        suspect="over-whipped",
        begun_at=now - timedelta(days=14),
    )
    return OpenQuestion(
        id="new",
        formula=CHIFFON,
        text="Now and then a dense layer below",
        faults=("dense layer below",),
        suspects=("over-whipped", "air-lost"),
        opened_at=now - timedelta(days=16),
        trials=(trial,),
    )


def _replay(bench: Bench, past: SeededBake, began: datetime) -> None:
    """Bake it again on paper: every step as planned, those with a pace by the model's time and that pace."""
    key = f"demo-{past.formula}-{past.days_ago}"
    bake_id = bench.start(past.formula, Wish(tin_count=1), began + timedelta(hours=4, minutes=10), key, began)
    state = bench.state(bake_id, now=began)
    _, formula = bench.store.formulas.get(past.formula)
    modelled = {s.id: s.modelled_s for s in scale(formula, demo_kitchen(), Wish(tin_count=1)).forecast.steps}
    told: list[Told] = []
    shift = timedelta()
    for line in sorted(state.steps, key=lambda s: (s.planned_start_at, s.planned_end_at)):
        start = line.planned_start_at + shift
        length = line.planned_end_at - line.planned_start_at
        pace = past.paces.get(line.id)
        end = start + (length if pace is None else timedelta(seconds=modelled[line.id] * pace))
        gained = end - start - length
        # Out of the oven one thing follows the other; before it, a step that is early waits for the others.
        shift += gained if line.id == "bake" else max(timedelta(), gained)
        if state.gate is not None and line.id == state.gate.step:
            things = [i.id for i in state.gate.items if i.kind is GateItemKind.THING]
            told += [(start, {"kind": "gate_ticked", "item": item}) for item in things]
        if line.attention is not Attention.THROUGHOUT:
            told.append((start, {"kind": "step_started", "step": line.id}))
        if line.id in past.densities:
            value = past.densities[line.id]
            told.append((end, {"kind": "reading_added", "step": line.id, "quantity": "density", "value": value}))
        told.append((end, {"kind": "step_done", "step": line.id}))
    bench.store.probes.keep([*_probed(bench, bake_id, told), *_oven_probed(bench, bake_id, told)])
    last = max(at for at, _ in told)
    if past.note:
        told.append((last, {"kind": "note_added", "text": past.note}))
    outcome = {
        "kind": "outcome_recorded",
        "stars": past.stars,
        "height_mm": past.height_mm,
        "crumb": past.crumb,
        "faults": past.faults,
        "note": past.note,
    }
    told += [(last, outcome), (last, {"kind": "bake_finished"})]
    for number, (at, fields) in enumerate(sorted(told, key=lambda t: t[0])):
        bench.post(
            bake_id,
            event_adapter.validate_python({**fields, "client_key": f"{key}-{number:04d}", "at": at}),
        )


def _probed(bench: Bench, bake_id: str, told: list[Told]) -> Iterator[StoredReading]:
    """What the probes said while that bake's syrup boiled and its bowl cooled."""
    spans = {f["step"]: at for at, f in told if f["kind"] == "step_done"}
    pot_c = None
    for work in bench.steps_of(bake_id):
        began = next((at for at, f in told if f["kind"] == "step_started" and f["step"] == work.step.id), None)
        body = stand_in_for(work.step, work.intake, work.setting, seed=5, pot_c=pot_c)
        if began is None or body is None:
            continue
        lasted = (spans[work.step.id] - began).total_seconds()
        if isinstance(body, StandInPot) and isinstance(work.step, BoilStep):
            pot = work.step.pot(combine(work.intake), work.setting)
            heat = pot.heat_left_kj(body.syrup_c, work.step.target_here_c(work.setting))
            body.plan = replace(body.plan, power_w=1.11 * heat * 1000 / lasted / body.plan.efficiency)
        place = "pot-probe" if isinstance(body, StandInPot) else "bowl-probe"
        while body.t_s < lasted:
            body.advance(2)
            value = body.read()
            if value is not None:
                at_ms = milliseconds(began + timedelta(seconds=body.t_s))
                shown = work.setting.kitchen.shows_c(place, value)
                yield StoredReading(place, f"{bake_id}-{work.step.id}-{body.t_s:.0f}", at_ms, shown, value)
        pot_c = body.syrup_c if isinstance(body, StandInPot) else pot_c


def _oven_probed(bench: Bench, bake_id: str, told: list[Told]) -> Iterator[StoredReading]:
    """What the probes in the oven and in the crumb said while it heated and baked."""
    began = {f["step"]: at for at, f in told if f["kind"] == "step_started"}
    ended = {f["step"]: at for at, f in told if f["kind"] == "step_done"}
    rng = random.Random(bake_id.rsplit("-", 1)[0])
    plan = OvenPlan(offset_k=rng.uniform(-10, -7), seed=rng.randrange(1000))

    def kept(probe: str, at: datetime, celsius: float) -> StoredReading:
        return StoredReading(probe, f"{bake_id}-{at.timestamp():.0f}", milliseconds(at), celsius, celsius)

    for work in bench.steps_of(bake_id):
        step = work.step
        if not isinstance(step, PreheatStep | BakeStep) or step.id not in began:
            continue
        oven = StandInOven(plan, float(round(step.oven_c - work.setting.oven_offset_k(step.rack))))
        if isinstance(step, BakeStep):
            oven.air_c = oven.wall_c = oven.probe_c = step.oven_c
            oven.open_door(LOADING_DOOR_S)
        start, lasted = began[step.id], (ended[step.id] - began[step.id]).total_seconds()
        while oven.t_s < lasted:
            oven.advance(15)
            yield kept("oven-probe", start + timedelta(seconds=oven.t_s), oven.read())
        if not isinstance(step, BakeStep) or step.sets is not Sets.CRUMB:
            continue
        way = course(step.in_oven(combine(work.intake), work.setting))
        for t_s in range(20, int(lasted), 20):
            core = way.at(t_s / lasted * (way.done_s or lasted)).core_c
            yield kept("crumb-probe", start + timedelta(seconds=t_s), round(core + rng.gauss(0, 0.3), 1))
