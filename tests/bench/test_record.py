"""What past bakes tell the next one, of the same formula, of a copy of it, and of one that has been changed since."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
from peewee import SqliteDatabase

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log.document import parse
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.meringue import with_method
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.record import NO_RECORD, KitchenRecord
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.demo.seed import seed
from kindwhisk.store.database import open_store
from kindwhisk.store.keeping.looking import FILE_NAME, MIGRATIONS
from tests.bench.helpers import Baker


def of(record: KitchenRecord, figure: Figure, step: str = "") -> list[Dot]:
    return [d for d in record.dots if d.figure is figure and step in d.id]


def time_of(formula: Formula, step: str, record: KitchenRecord = NO_RECORD) -> Estimate:
    return scale(formula, demo_kitchen(), Wish(), record).forecast.step(step).duration_s


def test_a_meringue_made_otherwise_learns_its_mixer_from_the_old_one_and_no_more(empty_bench: Bench) -> None:
    seed(empty_bench)
    record = empty_bench.record()
    own = time_of(tea_chiffon(), "whip", record)
    assert own.basis is Basis.KITCHEN
    swiss = with_method(tea_chiffon(), "whip", Method.SWISS)
    moved = time_of(swiss, "whip", record).likely / time_of(swiss, "whip").likely
    assert abs(moved - 1) < abs(own.likely / time_of(tea_chiffon(), "whip").likely - 1)
    # Its band is still the published one, the oven is the same one.
    band = scale(swiss, demo_kitchen(), Wish(), record).forecast.step("whip").checkpoints[0].band
    assert band is not None
    assert band.range.basis is not Basis.KITCHEN
    assert time_of(swiss, "preheat-bake", record).basis is Basis.KITCHEN


def test_finished_heights_teach_the_rise(empty_bench: Bench) -> None:
    seed(empty_bench)
    formula, record = tea_chiffon(), empty_bench.record()
    heights = [d for d in of(record, Figure.HEIGHT) if "formula tea-chiffon" in " ".join(d.effects)]
    assert len(heights) == 6

    def rise(known: KitchenRecord) -> Estimate:
        section = scale(formula, demo_kitchen(), Wish(), known).forecast.step("fill").section
        assert section is not None
        assert section.rise_mm is not None
        return section.rise_mm

    low = tuple(
        d.model_copy(update={"observed": 0.8 * d.observed}) if d.figure is Figure.HEIGHT else d for d in record.dots
    )
    plain, own, flat = rise(NO_RECORD), rise(record), rise(record.model_copy(update={"dots": low}))
    assert (plain.basis, own.basis) == (Basis.HABIT, Basis.KITCHEN)
    assert own.bakes >= 6
    assert own.high - own.low < plain.high - plain.low
    assert flat.likely < own.likely


def baked(bench: Bench, formula: str = "tea-chiffon", *, stars: int = 4, height_mm: float | None = 71) -> Baker:
    """A bake through to its record: the whites took 1.5 times as long as planned, and a cup of them read .160."""
    baker = Baker(bench, formula, hours=12)
    while (state := baker.state).current is not None:
        step = state.current
        if step == "whip":
            baker.tick_all()
            baker.tell("step_started", step=step)
            baker.wait(1.5 * baker.state.details[step].forecast.duration_s.likely)
            baker.tell("reading_added", step=step, quantity="density", value=0.16)
            baker.tell("step_done", step=step)
        else:
            baker.go_on()
    baker.tell("outcome_recorded", stars=stars, height_mm=height_mm)
    baker.tell("bake_finished")
    return baker


def test_a_finished_bake_teaches_times_cups_and_height(bench: Bench) -> None:
    formula = tea_chiffon()
    assert bench.record() == NO_RECORD
    plain = scale(formula, demo_kitchen(), Wish()).forecast
    baked(bench)
    record = bench.record()
    (whip,) = of(record, Figure.WHIP)
    assert whip.observed == pytest.approx(1.5 * plain.step("whip").duration_s.likely, rel=0.02)
    assert whip.modelled == pytest.approx(plain.step("whip").modelled_s, rel=0.02)
    (cup,) = of(record, Figure.FOAM)
    assert cup.observed == 0.16
    (stood,) = of(record, Figure.HEIGHT)
    fill = plain.step("fill").section
    assert fill is not None
    assert stood.observed == 71
    assert fill.level_mm < stood.modelled < fill.rim_mm * 1.3
    # What the hands do throughout teaches no time, nor does a fold of which only the foam was weighed.
    by_hand = {s.id for s in plain.steps if s.attention is Attention.THROUGHOUT}
    assert by_hand
    assert by_hand.isdisjoint(d.id.split("/")[1] for d in of(record, Figure.ALONE))
    assert of(record, Figure.AIR) == []


def test_a_copy_of_a_baked_formula_begins_where_that_one_is(bench: Bench) -> None:
    baked(bench)
    record, formula = bench.record(), tea_chiffon()
    own, plain = time_of(formula, "whip", record).likely, time_of(formula, "whip").likely
    copied = time_of(formula.model_copy(update={"id": "the-copy"}), "whip", record)
    assert plain < copied.likely <= own
    assert copied.likely / plain > (own / plain) ** 0.7
    assert copied.basis is Basis.KITCHEN


def test_a_bake_that_was_not_good_teaches_times_and_no_cups(bench: Bench) -> None:
    baked(bench, stars=2, height_mm=None)
    record = bench.record()
    assert of(record, Figure.WHIP)
    assert record.bakes
    assert of(record, Figure.FOAM) == of(record, Figure.BATTER) == of(record, Figure.HEIGHT) == []


def test_a_bake_that_goes_on_or_was_given_up_teaches_nothing(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=12)
    baker.until("fold")
    assert bench.record().dots == ()
    baker.tell("bake_abandoned", reason="The eggs were off.")
    assert of(bench.record(), Figure.WHIP, "fold") == []


def test_a_data_file_of_before_the_dots_teaches_what_its_bakes_showed(bench: Bench, tmp_path: Path) -> None:
    from playhouse.migrations import Runner

    baker = baked(bench)
    told, row = bench.record(), bench.store.bakes.get(baker.bake)
    document = json.loads(str(row.document))
    whip = {"whip": [[400.0, 300.0]]}
    document["record"] = {"times": whip, "densities": {"whip": [0.17]}, "kept": {}, "heights": [[70.0, 65.0]]}
    summary = {k: v for k, v in row.summary.items() if k != "dots"}
    summary |= {"times": {"whip": {"observed_s": 400.0, "modelled_s": 300.0}}, "kept": {}, "modelled_mm": 65.0}
    (tmp_path / "old").mkdir()
    old = SqliteDatabase(str(tmp_path / "old" / FILE_NAME))
    Runner(old, str(MIGRATIONS)).up(sorted(p.stem for p in MIGRATIONS.glob("0008_*.py"))[0])
    old.execute_sql(  # type: ignore[no-untyped-call]
        'INSERT INTO bakerow ("id", "formula", "version", "title", "started_at", "status", "client_key", "document",'
        ' "summary") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        (row.id, row.formula, 1, row.title, row.started_at, row.status, row.client_key, json.dumps(document),
         json.dumps(summary)),
    )  # fmt: skip
    for event in bench.store.bakes.events(baker.bake):
        old.execute_sql(  # type: ignore[no-untyped-call]
            'INSERT INTO eventrow ("bake_id", "sequence", "at", "kind", "payload", "client_key")'
            " VALUES (?, ?, ?, ?, ?, ?)",
            (event.bake, event.sequence, event.at, event.kind, event.payload, event.client_key),
        )
    old.close()
    store = open_store(tmp_path / "old")
    opened = Bench(store, Hub(store))
    assert parse(str(store.bakes.get(baker.bake).document)).record == NO_RECORD
    again = opened.record()
    assert [(d.id, d.observed) for d in again.dots] == [(d.id, d.observed) for d in told.dots]
    store.close()


def test_a_summary_without_its_dots_is_worked_out_when_it_is_asked_for(bench: Bench) -> None:
    baker = baked(bench)
    told = bench.record()
    row = bench.store.bakes.get(baker.bake)
    kept = {k: v for k, v in row.summary.items() if k != "dots"}
    bench.store.bakes.set_outcome(baker.bake, "finished", kept)
    again = Bench(bench.store, bench.hub, bench.clock)
    assert again.record() == told
    assert bench.store.bakes.get(baker.bake).summary["dots"]
