"""A bake that teaches its oven, and one that is followed by its probes."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.values.estimate import Basis
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker


def bake_for(bench: Bench, times: float, formula: str = "butter-sponge") -> Baker:
    """A bake whose oven takes so many times what the model says, to its end."""
    baker = Baker(bench, formula, hours=6)
    baker.until("bake")
    state = baker.tell("step_started", step="bake")
    baker.wait(times * state.details["bake"].forecast.modelled_s)
    baker.tell("step_done", step="bake")
    return baker


def finish(baker: Baker) -> None:
    for _ in range(20):
        current = baker.state.current
        if current is None:
            break
        if current in baker.state.running:
            baker.wait(6000)
            baker.tell("step_done", step=current)
        else:
            baker.go_on()
    baker.tell("bake_finished")


def test_bakes_teach_their_oven_and_the_next_formula_knows_it(bench: Bench) -> None:
    for _ in range(3):
        finish(bake_for(bench, 1.2))
    known = bench.oven_profile("deck")
    assert known.bakes_used == 3
    assert known.time.factor.likely > 1.08
    assert [s.trusted > 0.9 for s in known.time_steps] == [True] * 3
    same = Baker(bench, "butter-sponge", hours=6).bench
    sponge = Baker(same, "butter-sponge", hours=6)
    sponge.until("bake")
    own = sponge.tell("step_started", step="bake").details["bake"].forecast
    assert own.duration_s.basis is Basis.KITCHEN
    assert own.duration_s.likely / own.modelled_s == pytest.approx(1.19, abs=0.04)
    chiffon = Baker(bench, hours=6)
    chiffon.until("bake")
    other = chiffon.tell("step_started", step="bake").details["bake"].forecast
    assert 1.05 < other.duration_s.likely / other.modelled_s < 1.17


def test_a_bake_that_was_given_up_still_tells_that_it_took_longer(bench: Bench) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    state = baker.tell("step_started", step="bake")
    baker.wait(1.3 * state.details["bake"].forecast.modelled_s)
    baker.tell("not_yet", step="bake")
    baker.tell("bake_abandoned", reason="burnt outside, raw inside")
    (seen,) = bench.oven_evidence().bakes
    assert seen.above
    known = bench.oven_profile("deck")
    assert known.bakes_used == 0
    assert known.time.factor.likely > 1.1


def test_a_bake_is_followed_by_its_crumb_and_its_oven(bench: Bench) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    first = baker.tell("step_started", step="bake").details["bake"]
    began = baker.now
    assert first.watch is not None
    assert first.watch.left_s is None
    bake = first.forecast.bake
    assert bake is not None
    pace, sent = 1.25, []
    for t in range(20, 1500, 20):
        at = began + timedelta(seconds=t)
        place = next(p for p in bake.curve if p.t_s >= t / pace)
        sent.append(StoredReading("crumb-probe", f"c{t}", milliseconds(at), place.core_c, place.core_c))
        sent.append(StoredReading("oven-probe", f"o{t}", milliseconds(at), 158.0, 158.0))
    bench.store.probes.keep(sent)
    baker.wait(1500)
    seen = baker.state.details["bake"]
    assert seen.outlook is not None
    assert seen.outlook.basis == "measured"
    assert seen.outlook.likely_at > began + timedelta(seconds=1.1 * first.forecast.duration_s.likely)
    assert seen.watch is not None
    assert seen.watch.beside_c == 158
    assert len(seen.watch.beside_trail) > 10
    assert seen.outlook.pace > 1.1
    turn, before = (next(c.at for c in d.cues if c.id == "turn") for d in (seen, first))
    assert turn > before, "cues move with the bake"
    baker.wait(900)
    baker.tell("step_done", step="bake")
    finish(baker)
    known = bench.oven_profile("deck")
    assert known.checks_used == 1
    assert known.degrees_steps[0].measured_c == pytest.approx(158, abs=0.5)
    assert known.offset.offset_k.likely < -10


def test_not_yet_moves_the_end_and_the_next_look(bench: Bench) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    state = baker.tell("step_started", step="bake")
    view = state.details["bake"].outlook
    assert view is not None
    baker.wait((view.likely_at - baker.now).total_seconds() + 30)
    later = baker.tell("not_yet", step="bake").details["bake"].outlook
    assert later is not None
    assert later.look_at is not None
    assert later.look_at > baker.now
    assert later.likely_at > view.likely_at


def test_a_bake_step_says_what_to_expect_and_what_follows(bench: Bench) -> None:
    baker = Baker(bench, "citrus-roll", hours=6)
    step = next(s for s in baker.state.steps if s.kind == "bake")
    told = bench.state(baker.bake, focus=step.id, now=baker.now).details[step.id].forecast
    assert told.bake is not None
    assert any("falls flat" in w for w in told.bake.looks_wrong)
    assert told.bake.after[0].id == "off-tray"
    assert {"spring", "edge"} <= {c.id for c in told.checkpoints}
    (own,) = [s for s in bench.steps_of(baker.bake) if isinstance(s.step, BakeStep)]
    cool = next(s for s in baker.state.steps if s.kind == "cool")
    gates = bench.state(baker.bake, focus=cool.id, now=baker.now).details[cool.id].forecast.gates
    assert gates
    assert own.setting.technique is not None


@pytest.mark.parametrize(("celsius", "said"), [(23.0, "23 °C"), (-18.0, "-18 °C"), (400.0, "400 °C")])
def test_an_oven_probe_that_lies_elsewhere_is_asked_about_and_teaches_nothing(
    bench: Bench, celsius: float, said: str
) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    first = baker.tell("step_started", step="bake").details["bake"]
    began, sent = baker.now, []
    for t in range(10, 1200, 10):
        at = milliseconds(began + timedelta(seconds=t))
        sent.append(StoredReading("oven-probe", f"o{t}", at, celsius, celsius))
    for part in (sent[:80], sent[80:]):
        bench.store.probes.keep(part)
        baker.now = began + timedelta(milliseconds=part[-1].at_ms - milliseconds(began))
        # What was asked on the way is kept on the disk.
        assert baker.state.current == "bake"
    again = Bench(bench.store, Hub(bench.store))
    for one in (bench, again):
        seen = one.state(baker.bake, now=baker.now).details["bake"]
        assert seen.watch is not None
        assert seen.watch.beside_c == celsius
        assert seen.watch.beside_why == f"The oven's probe reads {said}: is the oven on, and the probe inside it?"
        assert seen.outlook is not None
        assert first.outlook is not None
        assert seen.outlook.likely_at == first.outlook.likely_at, "the time is that of an oven as it is set"
    baker.wait(900)
    baker.tell("step_done", step="bake")
    finish(baker)
    assert bench.oven_profile("deck").checks_used == 0


def test_a_drying_oven_is_believed(bench: Bench) -> None:
    baker = Baker(bench, "kisses", hours=12)
    step = next(s.id for s in baker.state.steps if s.kind == "bake")
    baker.until(step)
    baker.tell("step_started", step=step)
    sent = [
        StoredReading("oven-probe", f"o{t}", milliseconds(baker.now + timedelta(seconds=t)), 85.0, 85.0)
        for t in range(100, 900, 10)
    ]
    bench.store.probes.keep(sent)
    baker.wait(900)
    watch = baker.state.details[step].watch
    assert watch is not None
    assert (watch.beside_c, watch.beside_why) == (85, "")
