"""What the whole product tells for fixed questions, in figures and short words, to be set beside what was recorded."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from datetime import timedelta
from functools import partial
from pathlib import Path
from typing import Any

from pydantic_core import to_jsonable_python

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.core.baking.answers import answers
from kindwhisk.core.baking.course import InOven, Sets
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import predict
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.baking.risks import risks
from kindwhisk.core.braid import braid
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.folding.plan import FoldSchool
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.ovens.air import Opening, OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.planning.solver import plan
from kindwhisk.core.planning.tasks import job
from kindwhisk.core.process.comparison import compare
from kindwhisk.core.process.fold_schools import folds, with_school
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.meringue import meringues, with_method
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.substitution import Swap, offers, substitute
from kindwhisk.core.process.walk import aged, walk
from kindwhisk.core.process.weigh_list import weigh_list
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.proposal import read
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.watch import PotWatch
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin, TubeDimensions, TubeTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.devices.pot import PotPlan, Span, StandInPot
from kindwhisk.store.database import open_store
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker
from tests.core.strategies import setting_of
from tests.recorded.texts import LINES, RECIPES

LONGEST_WORD = 60
DIGITS = 6
MOST = 12
"""Of a long list every so-manyth is kept."""
SHOWN_ELSEWHERE = {
    "do",
    "why",
    "title",
    "section",
    "before",
    "rescues",
    "ageing",
    "cautions",
    "vessel_name",
    "hold_why",
}
Record = Any


def plain(value: object) -> Record:
    """As JSON holds it: figures to six digits, and no long text, which other tests read."""
    return _pruned(to_jsonable_python(value, serialize_unknown=True))


def _pruned(value: Any) -> Record:
    if isinstance(value, float):
        return float(f"{value:.{DIGITS}g}")
    if isinstance(value, str):
        return value if len(value) <= LONGEST_WORD else f"{value[:20]} … {len(value)}"
    if isinstance(value, dict):
        return {k: _pruned(v) for k, v in value.items() if v not in (None, "", [], {})}
    if isinstance(value, list):
        return [_pruned(v) for v in value[:: max(1, len(value) // MOST)]]
    return value


def forecasts() -> Iterator[tuple[str, Record]]:
    """Every formula of the demo as it stands, its plan, and its braid."""
    for formula in demo_formulas():
        made = scale(formula, demo_kitchen(), Wish())
        dumped = {s.id: s.model_dump(mode="json") for s in made.forecast.steps}
        steps = {i: {k: v for k, v in s.items() if k not in SHOWN_ELSEWHERE} for i, s in dumped.items()}
        yield f"{formula.id} steps", plain(steps)
        rest = {"total": made.forecast.total_g, "fills": made.fills, "eggs": made.eggs, "factor": made.factor}
        yield f"{formula.id} batch", plain({**rest, "washing": made.forecast.washing})
        yield f"{formula.id} weighing", plain(weigh_list(made.forecast))
        laid = plan(job(made.forecast), 8 * 3600)
        yield f"{formula.id} plan", plain(laid)
        times = {p.id: (p.start_s, p.end_s) for p in laid.placed}
        drawn = braid(made.forecast, times)
        yield (
            f"{formula.id} braid",
            plain({"joins": drawn.joins, "pieces": [list(dict(p).values()) for p in drawn.pieces]}),
        )


def running() -> Iterator[tuple[str, Record]]:
    """What stands in each vessel while its step runs, and what a thermometer should show by then."""
    for formula in demo_formulas():
        found: dict[str, Record] = {}
        for step, intake, outcome, place, *_ in walk(formula, setting_of(formula)):
            before, takes = combine(intake), outcome.duration_s.likely
            for share in (0.3, 0.8):
                now = step.while_running(before, outcome.material, share, None, place)
                heading = step.expected_reading(share * takes, takes, before, place)
                shows = (heading.start_c, heading.now_c, heading.target_c) if heading else None
                found[f"{step.id} {share}"] = [
                    now.gas_ml.likely,
                    now.temperature_c,
                    now.browning,
                    now.evaporated_g,
                    shows,
                ]
            found[f"{step.id} waits"] = aged(outcome, 400).gas_ml
        yield formula.id, plain(found)


def batches() -> Iterator[tuple[str, Record]]:
    """Every formula in other amounts."""
    for formula in demo_formulas():
        for wish in (Wish(eggs=5), Wish(total_g=1000), Wish(tin_count=2), Wish(pieces=20), Wish(servings=3)):
            asked = f"{formula.id} {wish.model_dump(exclude_defaults=True)}"
            try:
                made = scale(formula, demo_kitchen(), wish)
            except CraftError as refused:
                yield asked, refused.field
            else:
                yield asked, plain({"factor": made.factor, "fills": made.fills, "eggs": made.eggs, "depth": made.depth})


def _differs(formula: Formula, change: Callable[[], Formula]) -> Record:
    """What a baker would notice of a change; the field, where it is refused."""
    try:
        changed = change()
    except CraftError as refused:
        return refused.field
    before, after = (scale(f, demo_kitchen(), Wish()).forecast for f in (formula, changed))
    return plain(compare(before, after))


def methods() -> Iterator[tuple[str, Record]]:
    """Every meringue by every method, and every fold by every school."""
    for formula in demo_formulas():
        for step in meringues(formula):
            for method in Method:
                yield (
                    f"{formula.id} {step} {method.value}",
                    _differs(formula, partial(with_method, formula, step, method)),
                )
        for step in folds(formula):
            for school in FoldSchool:
                yield (
                    f"{formula.id} {step} {school.value}",
                    _differs(formula, partial(with_school, formula, step, school)),
                )


def substitutes() -> Iterator[tuple[str, Record]]:
    """Formulas of other goods, and what their ledger says of it."""
    for formula in demo_formulas()[::2]:
        for name in sorted({p.ingredient for p in formula.portions()})[:3]:
            for offer in offers(name)[:2]:
                swapped = substitute(formula, Swap(ingredient=name, into=offer.ingredient), demo_kitchen())
                yield f"{formula.id} {name} into {offer.ingredient}", plain(swapped.ledger[-1])


def readings() -> Iterator[tuple[str, Record]]:
    """Lines and whole recipes as they are understood."""
    for line in LINES:
        yield line, plain(read_line(line, EggSize.EU_M))
    for text in RECIPES:
        got = read(recipe.from_text(text), EggSize.EU_M)
        steps = [s.model_dump(mode="json", exclude_defaults=True) for s in got.formula.steps] if got.formula else None
        lint = [(r.id, r.level.value) for r in got.lint]
        questions = [(q.field, q.assumed) for q in got.questions]
        yield got.title, plain({"steps": steps, "lint": lint, "questions": questions, "method": got.method})


STORIES: dict[str, tuple[PotPlan, bool]] = {
    "calm": (PotPlan(seed=3), True),
    "large and weak": (PotPlan(seed=4, sugar_g=500, water_g=180, power_w=1500), True),
    "water unknown": (PotPlan(seed=5, water_g=90), False),
    "touches the bottom": (PotPlan(seed=6, touching=(Span(190, 215),)), True),
    "a spoon of water": (PotPlan(seed=7, water=(Span(260, 260, 15.0),)), True),
    "flame turned down": (PotPlan(seed=8, flame=((0.0, 1.0), (180.0, 0.4))), True),
    "silent for a while": (PotPlan(seed=9, silent=(Span(150, 240),)), True),
}


def pots() -> Iterator[tuple[str, Record]]:
    """Watched pots every twenty seconds: what the watch tells of them."""
    for name, (story, known) in STORIES.items():
        pot, watch = StandInPot(story), PotWatch(Pot(story.sugar_g, story.water_g), 118, water_known=known)
        told: dict[str, Record] = {}
        while pot.syrup_c < 123 and pot.t_s < 1500:
            pot.advance(1)
            if (value := pot.read()) is not None:
                watch.take(pot.t_s, value)
            if round(pot.t_s) % 20 == 0:
                seen = watch.forecast(pot.t_s).model_dump(mode="json", exclude={"ahead", "carry_over_k", "stage"})
                told[f"{pot.t_s:.0f}"] = {**seen, "flags": [f["id"] for f in seen["flags"]]}
        yield name, plain(told)


def bakes() -> Iterator[tuple[str, Record]]:
    """Contents in ovens: when they are done, what else could be, and how a probe is followed."""
    round_tin = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
    tube = TubeTin(
        dimensions=TubeDimensions(
            diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=55, tube_top_diameter_mm=45
        )
    )
    reference = ReferenceBake(tin=round_tin, fill_mm=40, oven_c=170, mode=OvenMode.STATIC, minutes=34)
    contents = {
        "round": InOven(tin=round_tin, fill_mm=45, density=0.45, air=OvenAir(holds_c=170, load_kg=0.6)),
        "tube, fan": InOven(tin=tube, fill_mm=55, density=0.4, mode=OvenMode.FAN, air=OvenAir(holds_c=165)),
        "cold oven, door": InOven(
            tin=round_tin, fill_mm=40, density=0.5, rack=Rack.BOTTOM, racks=2,
            air=OvenAir(holds_c=180, starts_c=30, openings=(Opening(at_s=600, seconds=20),)),
        ),
        "shells": InOven(
            tin=RoundTin(dimensions=RoundDimensions(diameter_mm=40, depth_mm=8)), fill_mm=8, density=0.85, water=0.2,
            sets=Sets.SHELL, free=True, done_c=90, air=OvenAir(holds_c=150),
        ),
        "dried": InOven(
            tin=RoundTin(dimensions=RoundDimensions(diameter_mm=40, depth_mm=20)), fill_mm=20, density=0.35, water=0.3,
            sets=Sets.DRY, free=True, air=OvenAir(holds_c=100),
        ),
    }  # fmt: skip
    for name, content in contents.items():
        for known in (None, reference) if content.sets is Sets.CRUMB else (None,):
            made = predict(content, known)
            yield (
                f"{name}, {'timed' if known else 'bare'}",
                plain(
                    {
                        **{
                            k: getattr(made, k)
                            for k in ("done_s", "first_look_s", "turn_s", "cover_s", "factor", "browned")
                        },
                        "risks": [(r.kind, r.why) for r in risks(content, made)],
                        "way": [list(dict(m).values()) for m in made.curve()[::8]],
                    }
                ),
            )
        if content.sets is Sets.CRUMB:
            told = answers(content, reference, predict(content, reference), shelf=(("tube", tube),), trays=2)
            yield (
                f"{name} answers",
                plain({a.id: [a.more_min, a.cannot, a.says, [r.kind for r in a.risks]] for a in told}),
            )
            for pace, aside in ((1.0, 0.0), (1.2, 0.1), (0.8, 0.0)):
                follower, seen = CrumbFollower(content, predict(content, reference)), {}
                way = follower.expected
                for t in range(0, round(1.1 * pace * way.done_s.likely), 30):
                    there = way.at(t / pace)
                    follower.take(t, there.core_c + aside * (there.edge_c - there.core_c))
                    if t % 240 == 0:
                        seen[t] = {"now": follower.forecast(t), "ahead": follower.ahead(t, 2)}
                yield f"{name} followed at {pace}", plain(seen)


def benches(folder: Path) -> Iterator[tuple[str, Record]]:
    """Bakes from their first step to their last, done as the bench says, half a minute late each time."""
    for formula in ("tea-chiffon", "butter-sponge", "syrup-peaks", "swiss-shells", "fingers"):
        (folder / formula).mkdir()
        store = open_store(folder / formula)
        store.kitchens.save(demo_kitchen())
        for known in demo_formulas():
            store.formulas.save(known)
        baker = Baker(Bench(store, Hub(store)), formula, hours=5)
        for n in range(60):
            state = baker.state
            if state.current is None:
                break
            told = state.model_dump(mode="json", exclude={"formula", "document", "seen", "bake"})
            yield f"{formula} {n} {state.current}", plain(_short(told))
            if n == 6:
                baker.tell("reading_added", step=state.current, quantity="temperature in the vessel", value=23.5)
            baker.go_on()
            baker.wait(30)
        store.close()


def _short(told: dict[str, Any]) -> dict[str, Any]:
    """The lines and moments of a state without what stays the same all along."""
    lines = [(s["id"], s["status"], s["expected_start_at"], s["expected_end_at"]) for s in told.get("steps", [])]
    return {"lines": lines, **{k: told.get(k) for k in ("late_by_s", "ready_at", "moments", "running", "gate")}}


def probed(folder: Path) -> Iterator[tuple[str, Record]]:
    """A bake that is followed by a probe in its crumb and another beside it."""
    store = open_store(folder)
    store.kitchens.save(demo_kitchen())
    for known in demo_formulas():
        store.formulas.save(known)
    baker = Baker(Bench(store, Hub(store)), "butter-sponge", hours=6)
    baker.until("bake")
    first = baker.tell("step_started", step="bake").details["bake"]
    began, bake = baker.now, first.forecast.bake
    assert bake is not None
    for t in range(20, 1800, 20):
        at, place = began + timedelta(seconds=t), next(p for p in bake.curve if p.t_s >= t / 1.2)
        crumb = StoredReading("crumb-probe", f"c{t}", milliseconds(at), place.core_c, place.core_c)
        oven = StoredReading("oven-probe", f"o{t}", milliseconds(at), 160.0 + t % 3, 160.0 + t % 3)
        store.probes.keep([crumb, oven])
        baker.now = at
        if t % 300 == 0:
            seen = baker.state.details["bake"]
            yield f"after {t} s", plain({"outlook": seen.outlook, "watch": seen.watch, "cues": seen.cues})
    store.close()
