"""From the rack to the plate at the bench: a crumb that is still warm, time out of the cold, rolls that cracked."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.told.views import StepDetail
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.forecast import Caveat
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.shelf_life.limits import KeptAs
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker
from tests.bench.test_oven import finish
from tests.core.strategies import setting_of

CRUMB = "core temperature"


def close(baker: Baker, step: str) -> StepDetail:
    return baker.bench.state(baker.bake, focus=step, now=baker.now).details[step]


def melting(baker: Baker) -> list[Caveat]:
    return [n for n in close(baker, "spread").notices if "crumb is" in n.text]


def cooling(bench: Bench) -> Baker:
    """An orange roll whose sheet has just begun to cool."""
    baker = Baker(bench, "citrus-roll", hours=8)
    for _ in range(60):
        if baker.state.current == "cool" or "cool" in baker.state.running:
            break
        baker.go_on()
    if "cool" not in baker.state.running:
        baker.tell("step_started", step="cool")
    return baker


def test_a_sheet_taken_off_the_rack_too_warm_is_told_where_the_cream_goes_on(bench: Bench) -> None:
    baker = cooling(bench)
    assert melting(baker) == []
    baker.wait(360)
    baker.tell("reading_added", step="cool", quantity=CRUMB, value=41.0)
    baker.confirm()
    baker.tell("step_done", step="cool")
    (told,) = melting(baker)
    assert told.level == "danger"
    assert "41 °C" in told.text
    assert "min on a rack" in told.remedy
    # It goes on cooling while nobody spreads anything.
    baker.wait(300)
    (later,) = melting(baker)
    assert later.text != told.text
    baker.wait(3 * 3600)
    assert melting(baker) == []


def test_gates_follow_the_crumb_s_own_thermometer(bench: Bench) -> None:
    baker = cooling(bench)
    assert close(baker, "cool").gates == ()
    baker.wait(120)
    baker.tell("reading_added", step="cool", quantity=CRUMB, value=41.0)
    baker.confirm()
    gates = {g.kind.value: g for g in close(baker, "cool").gates}
    assert gates["turn out"].likely_at is None, "at 41 °C it may be turned out"
    assert gates["cream"].likely_at is not None
    assert gates["roll"].likely_at is not None
    assert baker.now < gates["roll"].likely_at < gates["cream"].likely_at
    baker.tell("step_done", step="cool")
    assert close(baker, "cool").gates == ()


def test_its_probe_tells_it_as_well(bench: Bench) -> None:
    baker = cooling(bench)
    began, sent = baker.now, []
    for t in range(10, 400, 10):
        celsius = 90 - 0.12 * t
        at = milliseconds(began + timedelta(seconds=t))
        sent.append(StoredReading("crumb-probe", f"k{t}", at, celsius, celsius))
    bench.store.probes.keep(sent)
    baker.wait(400)
    baker.tell("step_done", step="cool")
    (told,) = melting(baker)
    assert "43 °C" in told.text


def test_what_a_step_that_is_over_had_to_beware_of_is_not_told_any_more(bench: Bench) -> None:
    baker = cooling(bench)
    baker.wait(360)
    baker.tell("reading_added", step="cool", quantity=CRUMB, value=41.0)
    baker.confirm()
    baker.tell("step_done", step="cool")
    baker.until("spread")
    baker.tell("step_done", step="spread")
    assert close(baker, "spread").notices == ()


def test_time_out_of_the_cold_runs_with_the_cream_and_rests_in_the_cold(bench: Bench) -> None:
    baker = cooling(bench)
    baker.until("roll")
    before = baker.state.cold
    assert before is not None
    assert before.limit_h == 2.0
    baker.wait(600)
    after = baker.state.cold
    assert after is not None
    assert after.seconds == pytest.approx(before.seconds + 600)
    baker.tell("step_done", step="roll")
    baker.until("chill")
    baker.tell("step_started", step="chill")
    rests = baker.state.cold
    baker.wait(1800)
    assert rests is not None
    assert baker.state.cold is not None
    assert baker.state.cold.seconds == pytest.approx(rests.seconds, abs=1)


def test_a_kitchen_s_own_hours_lead_and_too_long_is_said(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    bench.store.kitchens.save(kitchen.model_copy(update={"out_of_cold_h": 0.5}))
    baker = cooling(bench)
    baker.until("spread")
    baker.wait(5 * 3600)
    cold = baker.state.cold
    assert cold is not None
    assert cold.over
    assert cold.discard
    assert "throw it away" in cold.says


def rolled(bench: Bench, *faults: str) -> float:
    baker = Baker(bench, "citrus-roll", hours=8)
    baker.until("slice")
    finish(baker)
    baker.tell("outcome_recorded", stars=4, faults=faults)
    evidence = bench.learned_evidence()
    return evidence.rolls[-1].strain if evidence.rolls else 0.0


def test_cracked_and_sound_rolls_teach_the_next_one(bench: Bench) -> None:
    first = Baker(bench, "citrus-roll", hours=8)
    assert any("trade habit" in n.text for n in bench_notices(first))
    strain = rolled(bench)
    assert 0.25 < strain < 0.45
    sound = Baker(bench, "citrus-roll", hours=8)
    assert not bench_notices(sound), "a roll of this strain has stayed sound here"
    rolled(bench, "cracked")
    told = bench_notices(Baker(bench, "citrus-roll", hours=8))
    assert all("2 rolls" in n.text for n in told)


def bench_notices(baker: Baker) -> list[Caveat]:
    walked = baker.bench.moment(baker.bake, baker.now).walked
    return [w for w in walked.forecast.warnings if w.step == "roll"]


def test_a_label_names_what_it_keeps_as_and_how_many_it_is_cut_into(bench: Bench) -> None:
    baker = Baker(bench, "citrus-roll", hours=8)
    label = bench.label(baker.bake)
    assert label.kept_as is KeptAs.CREAM
    assert label.portions == 10
    assert label.use_by is not None
    assert (label.use_by - label.made_at.date()).days == 2
    whole = baker.bench.state(baker.bake, focus="slice", now=baker.now).details["slice"].forecast
    assert label.weight_g == pytest.approx(whole.material.mass_g)
    frozen = bench.label(Baker(bench, "butter-sponge", hours=8).bake)
    assert (frozen.kept_as, frozen.portions) == (KeptAs.SPONGE, 1)


def test_what_was_cut_off_is_taken_by_what_covers_the_dome_also_when_it_is_made_again(bench: Bench) -> None:
    baker = Baker(bench, "dome", hours=12)
    baker.until("fill-cream")
    baker.tell("begun_again", step="hollow", share=1.0, reason="broke")
    made = baker.bench.moment(baker.bake, baker.now).walked
    cover = next(s for s in made.formula.steps if s.origin == "cover")
    off = [p.step for p in cover.inputs if isinstance(p, StepPortion) and p.offcut]
    assert off == ["hollow-2"]
    hollow = made.forecast.step("hollow-2")
    assert hollow.section is not None
    assert made.forecast.step(cover.id).material.mass_g > hollow.material.mass_g


def cooked(bench: Bench) -> Baker:
    """A tart whose curd has just come off the heat."""
    baker = Baker(bench, "meringue-tart", hours=12)
    for _ in range(60):
        if baker.state.cooled:
            return baker
        baker.go_on()
    raise AssertionError("the curd was never cooked")


def test_what_was_cooked_is_followed_down_by_its_readings(bench: Bench) -> None:
    baker = cooked(bench)
    (one,) = baker.state.cooled
    assert one.step == "curd"
    assert not one.cooled.late
    for minutes, celsius in ((10, 60.0), (20, 45.0), (60, 20.0)):
        baker.wait(60 * minutes)
        baker.tell("reading_added", step="cool-curd", quantity="temperature in the vessel", value=celsius)
        baker.confirm()
    (one,) = baker.state.cooled
    assert one.cooled.first_h is not None
    assert one.cooled.first_h < 2
    assert "3-501.14" in one.cooled.says
    baker.wait(5 * 3600)
    (late,) = baker.state.cooled
    assert late.cooled.late, "five hours later nobody has read that it is cold"


def test_nobody_reads_and_after_two_hours_it_is_late_by_whose_rule(bench: Bench) -> None:
    baker = cooked(bench)
    baker.wait(600)
    baker.tell("reading_added", step="cool-curd", quantity="temperature in the vessel", value=50.0)
    baker.confirm()
    baker.wait(3 * 3600)
    (late,) = baker.state.cooled
    assert late.cooled.late
    _, kitchen = bench.store.kitchens.current()
    own = kitchen.cooling.model_copy(update={"first_h": 6})
    bench.store.kitchens.save(kitchen.model_copy(update={"cooling": own}))
    (led,) = baker.state.cooled
    assert not led.cooled.late
    assert "this kitchen’s rule" in led.cooled.says


def test_a_mousse_sets_by_its_depth_and_its_gelatine_and_may_not_wait_for_ever() -> None:
    mousse = Material(parts={"egg-yolk": 60, "sugar": 60, "gelatine": 3, "raspberry-puree": 300}, temperature_c=22)
    whipped = mousse.at_density(Estimate.exact(0.6))
    glass = setting_of(next(f for f in demo_formulas() if f.id == "coffee-mousse"))
    short = ChillStep(id="c", title="c", vessel="glasses", hours=0.5).effect((whipped,), glass)
    assert any("are short" in n.text for n in short.notices)
    assert "of gelatine" in short.why
    may = ChillStep(id="c", title="c", vessel="glasses", hours=3, at_most_hours=12).effect((whipped,), glass)
    assert may.hold_s is not None
    assert may.hold_s.likely == pytest.approx(9 * 3600)
    cross = ChillStep(id="c", title="c", vessel="glasses", hours=5, at_most_hours=2).effect((whipped,), glass)
    assert any("At most 2 h" in n.text for n in cross.notices)
    assert ChillStep(id="c", title="c", vessel="glasses").effect((whipped,), glass).hold_s is None


def test_ring_film_and_board_are_at_hand_before_the_first_layer(bench: Bench) -> None:
    lined = Baker(bench, "finger-cake", hours=12)
    (thing,) = close(lined, "line").to_hand
    assert thing.name == "ring, film and board"
    # In a chain, the list before its foam asks for it: it is not asked for twice.
    layered = Baker(bench, "layer-cake", hours=12)
    assert close(layered, "stack").to_hand == ()
    layered.until("whip-cream")
    gate = layered.state.gate
    assert gate is not None
    assert any(i.name == "ring, film and board" for i in gate.items)


def test_what_comes_after_the_cold_is_not_asked_for_before_the_cream(bench: Bench) -> None:
    baker = Baker(bench, "finger-cake", hours=14)
    baker.until("whip-cream")
    gate = baker.state.gate
    assert gate is not None
    names = {i.id for i in gate.items}
    assert "warm-jam" not in names
    assert not any("knife" in n for n in names)
