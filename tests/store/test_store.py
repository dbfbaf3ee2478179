"""The data file: migrated, versioned, written through."""

from __future__ import annotations

import gc
import json
import sqlite3
import threading
from pathlib import Path
from typing import Any

import pytest
from peewee import IntegrityError, SqliteDatabase

from kindwhisk.bench.ovens.evidence import oven_evidence
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.database import Store, migrate, open_store
from kindwhisk.store.keeping.looking import FILE_NAME, MIGRATIONS


def a_bake(bake_id: str = "one") -> dict[str, Any]:
    return {
        "id": bake_id,
        "formula": "tea-chiffon",
        "version": 1,
        "title": "Tea chiffon",
        "started_at": "2026-11-01T05:00:00+00:00",
        "status": "running",
        "client_key": f"key-{bake_id}",
        "document": "{}",
    }


def test_a_data_file_of_the_first_version_opens_in_this_one(tmp_path: Path) -> None:
    from playhouse.migrations import Runner

    old = SqliteDatabase(str(tmp_path / FILE_NAME))
    first = sorted(p.stem for p in MIGRATIONS.glob("0001_*.py"))[0]
    Runner(old, str(MIGRATIONS)).up(first)
    old.execute_sql(  # type: ignore[no-untyped-call]
        "INSERT INTO bakerow VALUES ('old', 'tea-chiffon', 1, 'Tea chiffon', '2026-01-02T05:00:00+00:00',"
        " 'finished', 'key-old', '{}')"
    )
    old.close()
    store = open_store(tmp_path)
    row = store.bakes.get("old")
    assert (row.title, row.summary) == ("Tea chiffon", None)
    store.bakes.set_outcome("old", "finished", {"stars": 4})
    assert store.bakes.get("old").summary == {"stars": 4}
    assert migrate(store.database) == []
    store.close()


def test_commits_are_written_through(store: Store) -> None:
    assert store.database.pragma("synchronous") == 2
    assert store.database.pragma("journal_mode") == "wal"
    assert store.database.pragma("foreign_keys") == 1


def test_a_formula_keeps_its_versions_and_an_unchanged_one_its_number(store: Store) -> None:
    formula = tea_chiffon()
    assert store.formulas.save(formula) == 1
    assert store.formulas.save(formula) == 1
    changed = formula.model_copy(update={"title": "Smoky tea chiffon"})
    assert store.formulas.save(changed) == 2
    assert store.formulas.get(formula.id)[1].title == "Smoky tea chiffon"
    assert store.formulas.get(formula.id, version=1)[1] == formula
    assert [(e.id, e.version) for e in store.formulas.entries()] == [(formula.id, 2)]
    with pytest.raises(CraftError) as error:
        store.formulas.get("nothing")
    assert error.value.field == "formula_id"


def test_the_last_kitchen_is_in_force(store: Store) -> None:
    assert store.kitchens.current()[0] == 0
    first = store.kitchens.save(demo_kitchen())
    second = store.kitchens.save(demo_kitchen().model_copy(update={"altitude_m": 900}))
    revision, kitchen = store.kitchens.current()
    assert (revision, kitchen.altitude_m) == (second, 900)
    assert second > first


def test_a_repeated_key_is_refused_by_the_file_itself(store: Store) -> None:
    store.bakes.create(**a_bake())
    store.bakes.append("one", at="t", kind="note_added", payload="{}", client_key="k")
    with pytest.raises(IntegrityError):
        store.bakes.append("one", at="t", kind="note_added", payload="{}", client_key="k")
    assert [e.sequence for e in store.bakes.events("one")] == [1]


def test_a_write_that_fails_half_way_leaves_nothing(store: Store, tmp_path: Path) -> None:
    store.bakes.create(**a_bake())
    try:
        with store.writing():
            store.bakes.append("one", at="t", kind="note_added", payload="{}", client_key="k")
            raise RuntimeError("the power went")
    except RuntimeError:
        pass
    with sqlite3.connect(tmp_path / FILE_NAME) as other:
        assert other.execute("SELECT count(*) FROM eventrow").fetchone() == (0,)


def test_a_good_that_was_not_kept_does_not_lie_on_the_shelf(store: Store) -> None:
    store.goods.add(Good(name="Bricks"))

    def half_way() -> None:
        with store.writing():
            store.goods.add(Good(name="Nibs"))
            raise RuntimeError("the power went")

    with pytest.raises(RuntimeError):
        half_way()
    assert [g.name for g in store.goods.all()] == ["Bricks"]
    assert store.goods.add(Good(name="Nibs")).key == "nibs"


def test_threads_that_come_and_go_leave_no_connections_behind(store: Store) -> None:
    def asks() -> None:
        store.bakes.last_event_id()

    for _ in range(200):
        thread = threading.Thread(target=asks)
        thread.start()
        thread.join()
    gc.collect()
    assert len(store.database.opened) < 50


def test_many_hands_write_one_after_the_other(store: Store) -> None:
    store.bakes.create(**a_bake())

    def tell(hand: int) -> None:
        for n in range(10):
            with store.writing():
                store.bakes.append("one", at="t", kind="note_added", payload="{}", client_key=f"{hand}-{n}")
        store.database.close()

    hands = [threading.Thread(target=tell, args=(h,)) for h in range(4)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    sequences = [e.sequence for e in store.bakes.events("one")]
    assert sequences == list(range(1, 41))


def test_the_live_stream_resumes_after_an_id(store: Store) -> None:
    store.bakes.create(**a_bake())
    ids = [store.bakes.append("one", at="t", kind="k", payload="{}", client_key=str(n)).id for n in range(4)]
    assert store.bakes.last_event_id() == ids[-1]
    assert [e.id for e in store.bakes.after(ids[1])] == ids[2:]
    assert [e.kind for e in store.bakes.after(0)] == ["k"] * 4


def test_a_fold_that_deflated_became_macaronage_in_book_and_bakes(tmp_path: Path) -> None:
    from playhouse.migrations import Runner

    old = SqliteDatabase(str(tmp_path / FILE_NAME))
    before = sorted(p.stem for p in MIGRATIONS.glob("0003_*.py"))[0]
    Runner(old, str(MIGRATIONS)).up(before)
    (shells,) = [f for f in demo_formulas() if f.id == "french-shells"]
    document = shells.model_dump(mode="json")
    for step in document["steps"]:
        if step["kind"] == "macaronage":
            step.pop("target_g_per_ml")
            step |= {"kind": "fold", "manner": "deflate", "batter": "macaron batter"}
    row = ("french-shells", 1, "Shells", "macaron shells", "2026-01-02T05:00:00+00:00", json.dumps(document))
    old.execute_sql(  # type: ignore[no-untyped-call]
        'INSERT INTO formulaversion ("formula", "version", "title", "technique", "saved_at", "document")'
        " VALUES (?, ?, ?, ?, ?, ?)",
        row,
    )
    old.close()
    store = open_store(tmp_path)
    assert store.formulas.get("french-shells") == (1, shells)
    store.close()


def test_times_of_past_bakes_teach_ovens_after_the_file_was_opened_anew(tmp_path: Path) -> None:
    from playhouse.migrations import Runner

    old = SqliteDatabase(str(tmp_path / FILE_NAME))
    before = sorted(p.stem for p in MIGRATIONS.glob("0004_*.py"))[0]
    Runner(old, str(MIGRATIONS)).up(before)
    (chiffon,) = [f for f in demo_formulas() if f.id == "tea-chiffon"]
    document = {"formula": chiffon.model_dump(mode="json"), "oven": "deck", "tin": {"shape": "tube"}}
    summary = {"times": {"bake": {"observed_s": 2300.0, "modelled_s": 2000.0}}, "late_by_s": 0, "stars": 4}
    row = ("one", "tea-chiffon", 1, "Tea chiffon", "2026-01-02T05:00:00+00:00", "finished", "k" * 8)
    old.execute_sql(  # type: ignore[no-untyped-call]
        'INSERT INTO bakerow ("id", "formula", "version", "title", "started_at", "status", "client_key", "document",'
        ' "summary") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        (*row, json.dumps(document), json.dumps(summary)),
    )
    old.close()
    store = open_store(tmp_path)
    (seen,) = oven_evidence(store).bakes
    assert (seen.oven, seen.family, seen.observed_s) == ("deck", "tube", 2300)
    store.close()


def test_bakes_of_before_keep_the_compositions_they_were_made_with_and_formulas_take_the_new(tmp_path: Path) -> None:
    from playhouse.migrations import Runner

    old = SqliteDatabase(str(tmp_path / FILE_NAME))
    before = sorted(p.stem for p in MIGRATIONS.glob("0007_*.py"))[0]
    Runner(old, str(MIGRATIONS)).up(before)
    (sponge,) = [f for f in demo_formulas() if f.id == "milk-sponge"]
    document = sponge.model_dump(mode="json")
    document.pop("goods")
    old.execute_sql(  # type: ignore[no-untyped-call]
        'INSERT INTO formulaversion ("formula", "version", "title", "technique", "saved_at", "document")'
        " VALUES (?, ?, ?, ?, ?, ?)",
        (sponge.id, 1, sponge.title, sponge.technique.value, "2026-01-02T05:00:00+00:00", json.dumps(document)),
    )
    row = ("one", sponge.id, 1, sponge.title, "2026-01-02T05:00:00+00:00", "finished", "k" * 8)
    old.execute_sql(  # type: ignore[no-untyped-call]
        'INSERT INTO bakerow ("id", "formula", "version", "title", "started_at", "status", "client_key", "document",'
        ' "summary") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        (*row, json.dumps({"formula": document}), None),
    )
    old.close()
    store = open_store(tmp_path)
    assert store.formulas.get(sponge.id) == (1, sponge)
    kept = Formula.model_validate(json.loads(str(store.bakes.get("one").document))["formula"])
    assert {p.ingredient for p in kept.portions()} == {f"{p.ingredient}@1" for p in sponge.portions()}
    assert [p.grams for p in kept.portions()] == [p.grams for p in sponge.portions()]
    assert kept.grams_of("rum") == sponge.grams_of("rum") > 0
    assert Material(parts={"rum@1": 1.0}).composition.alcohol == 0
    assert Material(parts={"rum": 1.0}).composition.alcohol > 0.3
    assert scale(kept, demo_kitchen(), Wish()).forecast.allergens == ("wheat", "egg", "milk")
    assert store.goods.all() == ()
    store.close()


def test_goods_lie_on_the_shelf_after_the_file_was_opened_anew(tmp_path: Path) -> None:
    first = open_store(tmp_path)
    kept = first.goods.add(Good(name="Bricks", stands_for="butter", allergens=("milk",), label_read=True))
    again = first.goods.add(Good(name="Bricks, salted", stands_for="butter-salted"))
    assert (kept.key, again.key) == ("bricks", "bricks-salted")
    first.close()
    second = open_store(tmp_path)
    assert second.goods.all() == (kept, again)
    assert second.goods.bring((kept, Good(key="bricks-2", name="BRICKS"))) == []
    assert [g.key for g in second.goods.bring((Good(key="nibs", name="Nibs"),))] == ["nibs"]
    second.goods.remove("bricks")
    with pytest.raises(CraftError, match="no good 'bricks'"):
        second.goods.get("bricks")
    second.close()


def test_what_was_begun_for_orders_and_the_stock_of_goods_are_found_after_the_file_was_opened_anew(
    tmp_path: Path,
) -> None:
    from playhouse.migrations import Runner

    old = SqliteDatabase(str(tmp_path / FILE_NAME))
    before = sorted(p.stem for p in MIGRATIONS.glob("0015_*.py"))[0]
    Runner(old, str(MIGRATIONS)).up(before)
    # As the day was kept at first: no table of what an order became, and the stock by the label of the time.
    assert "due_bake" not in old.get_tables()
    for order in ("1205-abcdef", "1205-345612"):
        document = {"id": order, "formula": "tea-chiffon", "due_at": "2026-12-05T09:00:00+00:00"}
        old.execute_sql(  # type: ignore[no-untyped-call]
            'INSERT INTO day_order ("id", "client_key", "saved_at", "document") VALUES (?, ?, ?, ?)',
            (order, f"key-{order}", "2026-12-01T05:00:00+00:00", json.dumps(document)),
        )
    keys = ["due-1205-abcdef", "due-1205-abcdef-2", "due-1205-345612", "due-1101-aaaaaa-20261205-2", "by-hand-0001"]
    for number, key in enumerate(keys):
        row = (f"bake-{number}", "tea-chiffon", 1, "Tea chiffon", f"2026-12-05T0{number}:00:00+00:00", "finished", key)
        old.execute_sql(  # type: ignore[no-untyped-call]
            'INSERT INTO bakerow ("id", "formula", "version", "title", "started_at", "status", "client_key",'
            ' "document", "summary") VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
            (*row, "{}", None),
        )
    for name, grams in (("own-house-cream-0123abcd", 500.0), ("sugar", 900.0)):
        item = json.dumps({"ingredient": name, "grams": grams})
        old.execute_sql(  # type: ignore[no-untyped-call]
            'INSERT INTO stock ("ingredient", "saved_at", "document") VALUES (?, ?, ?)',
            (name, "2026-12-01T05:00:00+00:00", item),
        )
    old.close()
    store = open_store(tmp_path)
    assert store.orders.bakes_of("1205-abcdef") == ["bake-1", "bake-0"]
    assert store.orders.bakes_of("1205-345612") == ["bake-2"]
    assert store.orders.bakes_of("1101-aaaaaa-20261205") == ["bake-3"]
    assert {key: s.grams for key, s in store.stocks.all().items()} == {"house-cream": 500.0, "sugar": 900.0}
    store.close()
