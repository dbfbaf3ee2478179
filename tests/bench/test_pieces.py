"""Shells at the bench: two trays, one oven, a finger on each, and what came out of them."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.values.errors import CraftError
from kindwhisk.devices.intake import OutsideReading, take
from kindwhisk.devices.stand_in import StandIns
from tests.bench.helpers import Baker


def one_rack(bench: Bench) -> None:
    """An oven for one tray at a time."""
    _, kitchen = bench.store.kitchens.current()
    oven = kitchen.ovens[0].model_copy(update={"racks": 1})
    bench.store.kitchens.save(kitchen.model_copy(update={"ovens": (oven, *kitchen.ovens[1:])}))


@pytest.fixture
def baker(bench: Bench) -> Baker:
    one_rack(bench)
    return Baker(bench, "french-shells", hours=30)


def resting(baker: Baker) -> Baker:
    """Both trays are piped and rest."""
    for _ in range(60):
        state = baker.state
        running = [i for i in state.running if i.startswith("skin")]
        if len(running) == 2:
            return baker
        baker.go_on()
    raise AssertionError("the trays never rested")


def skin_of(baker: Baker, step: str) -> object:
    return baker.bench.state(baker.bake, focus=step, now=baker.now).details[step].skin


def test_each_tray_has_its_own_rest_and_each_load_its_own_bake(baker: Baker) -> None:
    ids = [s.id for s in baker.state.steps]
    assert [i for i in ids if i.startswith(("pipe", "skin", "bake"))] == [
        "pipe",
        "skin",
        "pipe-2",
        "skin-2",
        "bake",
        "bake-2",
    ]
    line = {s.id: s for s in baker.state.steps}
    assert line["bake-2"].planned_start_at > line["bake"].planned_end_at
    assert line["pipe-2"].title == "Pipe the shells, tray 2"


def test_a_rest_is_begun_before_the_next_tray_is_piped(baker: Baker) -> None:
    baker.until("knock")
    baker.go_on()
    assert baker.state.current == "skin"


def test_tacky_moves_the_forecast_and_dry_ends_the_rest(baker: Baker) -> None:
    resting(baker)
    before = skin_of(baker, "skin")
    baker.wait(50 * 60)
    baker.tell("touched", step="skin", feel="tacky")
    first = skin_of(baker, "skin")
    baker.wait(15 * 60)
    baker.tell("touched", step="skin", feel="tacky")
    second = skin_of(baker, "skin")
    assert before.likely_at < first.likely_at < second.likely_at  # type: ignore[attr-defined]
    assert second.low_at > baker.now - timedelta(seconds=1)  # type: ignore[attr-defined]
    assert [t.feel.value for t in second.touches] == ["tacky", "tacky"]  # type: ignore[attr-defined]
    outlook = baker.bench.state(baker.bake, focus="skin", now=baker.now).details["skin"].outlook
    assert outlook is not None
    assert outlook.look_at is not None
    assert outlook.look_at > baker.now
    other = next(s for s in baker.state.steps if s.id == "skin-2")
    assert other.status == "running"
    baker.wait(15 * 60)
    state = baker.tell("touched", step="skin", feel="dry")
    assert next(s for s in state.steps if s.id == "skin").status == "done"
    assert "skin-2" in state.running
    state = baker.tell("undone", sequence=state.sequence)
    assert "skin" in state.running


def test_not_yet_says_as_much_as_tacky(baker: Baker) -> None:
    resting(baker)
    baker.wait(70 * 60)
    before = skin_of(baker, "skin")
    baker.tell("not_yet", step="skin")
    after = skin_of(baker, "skin")
    assert after.likely_at > max(before.likely_at, baker.now)  # type: ignore[attr-defined]


def test_a_finger_is_only_laid_on_what_rests(baker: Baker) -> None:
    with pytest.raises(BenchRefusal) as refused:
        baker.tell("touched", step="skin", feel="dry")
    assert refused.value.field == "step"
    with pytest.raises(BenchRefusal):
        baker.tell("touched", step="fold", feel="dry")
    with pytest.raises(BenchRefusal):
        baker.tell("pieces_counted", step="pair", counted={"good": 20})


def test_damp_that_is_read_by_hand_counts_at_once(baker: Baker) -> None:
    resting(baker)
    dry = skin_of(baker, "skin")
    baker.tell("reading_added", step="skin", quantity="humidity of the room", value=78)
    damp = skin_of(baker, "skin")
    assert damp.measured  # type: ignore[attr-defined]
    assert not dry.measured  # type: ignore[attr-defined]
    assert damp.likely_at > dry.likely_at + timedelta(hours=1)  # type: ignore[attr-defined]
    assert damp.advice  # type: ignore[attr-defined]
    with pytest.raises(CraftError) as refused:
        baker.tell("reading_added", step="skin", quantity="humidity of the room", value=140)
    assert refused.value.field == "value"


def test_a_hygrometer_is_a_probe_like_any_other(baker: Baker) -> None:
    resting(baker)
    dry = skin_of(baker, "skin")
    take([OutsideReading(probe="hygrometer", value=74, at=baker.now)], baker.bench)
    damp = skin_of(baker, "skin")
    assert damp.humidity_percent == 74  # type: ignore[attr-defined]
    assert damp.likely_at > dry.likely_at  # type: ignore[attr-defined]


def test_air_of_long_before_tells_nothing(baker: Baker) -> None:
    take([OutsideReading(probe="hygrometer", value=90, at=baker.now)], baker.bench)
    resting(baker)
    assert not skin_of(baker, "skin").measured  # type: ignore[attr-defined]


def test_a_rest_is_judged_by_its_own_air_whatever_came_after(baker: Baker) -> None:
    resting(baker)
    for _ in range(8):
        take([OutsideReading(probe="hygrometer", value=72, at=baker.now)], baker.bench)
        baker.wait(900)
    baker.tell("touched", step="skin", feel="dry")
    held = skin_of(baker, "skin")
    for _ in range(8):
        baker.wait(900)
        take([OutsideReading(probe="hygrometer", value=40, at=baker.now)], baker.bench)
    assert skin_of(baker, "skin") == held
    assert held.humidity_percent == 72  # type: ignore[attr-defined]
    assert skin_of(baker, "skin-2").humidity_percent < 60  # type: ignore[attr-defined]


@pytest.mark.parametrize(
    ("probe", "value", "unit", "field"),
    [("hygrometer", 140, "%", "value"), ("hygrometer", 70, "F", "unit"), ("pot-probe", 50, "%", "unit")],
)
def test_percent_and_degrees_are_not_mixed_up(bench: Bench, probe: str, value: float, unit: str, field: str) -> None:
    reading = OutsideReading.model_validate({"probe": probe, "value": value, "unit": unit})
    with pytest.raises(CraftError) as refused:
        take([reading], bench)
    assert refused.value.field == field


def finished(baker: Baker, *, tacky_min: float, dry_min: float, ten_g: float, tray_s: float) -> None:
    """A bake whose trays are piped at one pace, weighed, touched twice and counted."""
    touched: set[str] = set()
    for _ in range(120):
        state = baker.state
        if state.current is None:
            break
        step = state.current
        line = next(s for s in state.steps if s.id == step)
        if step.startswith("pipe") and line.status == "waiting":
            baker.tell("step_started", step=step)
            baker.tell("reading_added", step=step, quantity="mass of ten pieces", value=ten_g)
            baker.wait(tray_s)
            baker.tell("step_done", step=step)
        elif step == "sort":
            for tray, good in ((1, 27), (2, 25)):
                baker.tell("pieces_counted", step="sort", tray=tray, counted={"good": good, "broken": 1, "cracked": 2})
            baker.tell("step_done", step="sort")
        else:
            began = line.started_at
            if step.startswith("skin") and began is not None:
                if step not in touched:
                    baker.now = max(baker.now, began + timedelta(minutes=tacky_min))
                    baker.tell("touched", step=step, feel="tacky")
                    touched.add(step)
                baker.now = max(baker.now, began + timedelta(minutes=dry_min))
                baker.tell("touched", step=step, feel="dry")
            else:
                baker.go_on()
    baker.confirm()
    baker.tell("bake_finished")


def test_what_the_trays_showed_is_learned_and_the_count_is_kept(baker: Baker) -> None:
    finished(baker, tacky_min=70, dry_min=80, ten_g=55, tray_s=260)
    bench = baker.bench
    figures = {f.figure: f for f in bench.learned_figures()}
    assert {Figure.SKIN, Figure.PIPE, Figure.PIECE} <= set(figures)
    slower = figures[Figure.SKIN].effects[0].factor.likely
    assert slower > 1.05
    assert figures[Figure.PIECE].effects[0].factor.likely > 1.0
    row = bench.store.bakes.listed()[0]
    assert row.summary is not None
    assert row.summary["counted"] == {"good": 52, "broken": 2, "cracked": 4, "hollow": 0}
    after = Baker(bench, "french-shells", hours=30)
    skin = bench.state(after.bake, focus="skin", now=after.now).details["skin"].forecast.duration_s
    assert skin.bakes == 1
    before = bench.steps_of(baker.bake)
    usual = next(w for w in before if w.step.id == "skin")
    assert skin.likely > usual.step.effect(usual.intake, usual.setting).duration_s.likely


def test_pairs_follow_from_what_was_counted_tray_by_tray(baker: Baker) -> None:
    for _ in range(120):
        if baker.state.current == "sort":
            break
        baker.go_on()
    detail = baker.state.details["sort"]
    assert [c.tray for c in detail.counts] == [1, 2]
    assert all(c.counted is None for c in detail.counts)
    piped = sum(c.piped for c in detail.counts)
    baker.tell("pieces_counted", step="sort", tray=1, counted={"good": 20, "broken": 5})
    baker.tell("pieces_counted", step="sort", tray=2, counted={"good": 21, "hollow": 5})
    baker.tell("pieces_counted", step="sort", tray=2, counted={"good": 24, "hollow": 2})
    state = baker.bench.state(baker.bake, focus="pair", now=baker.now)
    assert state.details["pair"].forecast.goal.startswith("22 pairs")
    assert piped > 50
    with pytest.raises(BenchRefusal) as refused:
        baker.tell("pieces_counted", step="sort", tray=1, counted={"good": 2000})
    assert refused.value.field == "counted"


def test_the_stand_in_reads_the_damp_and_knows_what_a_finger_finds(baker: Baker) -> None:
    bench = baker.bench
    resting(baker)
    stand_ins = StandIns(bench, available=True)
    rooms = stand_ins._rooms
    work = bench.at_work(baker.now)
    kitchen: Kitchen = bench.kitchen
    rooms.advance(work, baker.now, kitchen)
    found = []
    for _ in range(30):
        baker.wait(300)
        readings = rooms.advance(bench.at_work(baker.now), baker.now, kitchen)
        assert all(r.probe == "hygrometer" and 20 <= r.value <= 95 for r in readings)
        found.append([s.feel.value for s in rooms.view().shells])
    words = [pair[0] for pair in found]
    order = [w for i, w in enumerate(words) if i == 0 or w != words[i - 1]]
    assert order[:3] == ["wet", "tacky", "dry"]
    assert len(found[0]) == 2
