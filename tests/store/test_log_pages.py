"""The Log's pages: whatever is looked for, in whatever order, by marks that the file itself keeps."""

from __future__ import annotations

import json
import sqlite3
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import archive
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.keeping.looking import FILE_NAME
from kindwhisk.store.log import LogOrder, Wanted, asked_words

BEGAN = datetime(2026, 3, 1, 5, 0, tzinfo=UTC)
FAULTS = ("sunk middle", "coarse holes")


def put(store: Store, number: int, **more: Any) -> str:
    """A bake that is over."""
    document = {
        "formula": {"technique": more.get("technique", "génoise"), "steps": [{"id": "bake", "kind": "bake"}]},
        "oven": more.get("oven", "deck"),
        "hands": more.get("hands", ""),
    }
    name = f"bake-{number:03d}"
    began = BEGAN + timedelta(days=more.get("day", number))
    store.bakes.create(
        id=name, formula=more.get("formula", "sponge"), version=1, title=more.get("title", "Sponge"),
        started_at=began.isoformat(), status="running", client_key=f"key-{name}", document=json.dumps(document),
    )  # fmt: skip
    told = {"stars": more.get("stars"), "faults": list(more.get("faults", ())), "late_by_s": 0.0}
    store.bakes.set_outcome(name, "finished", told)
    return name


bakes = st.lists(
    st.fixed_dictionaries(
        {
            "oven": st.sampled_from(["deck", "small"]),
            "hands": st.sampled_from(["", "mira"]),
            "stars": st.sampled_from([None, 1, 4, 5]),
            "faults": st.lists(st.sampled_from(FAULTS), unique=True).map(tuple),
            "formula": st.sampled_from(["sponge", "roll"]),
            "day": st.integers(0, 4),
        }
    ),
    max_size=9,
)
wishes = st.fixed_dictionaries(
    {},
    optional={
        "oven": st.sampled_from(["deck", "small"]),
        "hands": st.just("mira"),
        "stars": st.sampled_from(["1", "4", "5"]),
        "fault": st.sampled_from(FAULTS),
    },
)


def is_so(bake: dict[str, Any], wanted: dict[str, str]) -> bool:
    told = {
        "oven": {bake["oven"]},
        "hands": {bake["hands"]},
        "stars": {str(bake["stars"])},
        "fault": set(bake["faults"]),
    }
    return all(value in told[mark] for mark, value in wanted.items())


@settings(max_examples=40, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(bakes, wishes, st.sampled_from(list(LogOrder)), st.sampled_from(["", "sponge"]), st.integers(1, 4))
def test_pages_hold_what_is_looked_for_each_once_in_order(
    tmp_path_factory: pytest.TempPathFactory,
    known: list[dict[str, Any]],
    wanted: dict[str, str],
    order: LogOrder,
    formula: str,
    limit: int,
) -> None:
    store = open_store(tmp_path_factory.mktemp("pages"))
    made = {put(store, n, **bake): bake for n, bake in enumerate(known)}
    asked = Wanted(formula=formula, marks=tuple((m, (v,)) for m, v in wanted.items()), order=order)
    found, before = list[str](), None
    while page := store.log.page(asked, before, limit):
        found += [row.id for row in page]
        before = page[-1].id
    right = [i for i, b in made.items() if is_so(b, wanted) and formula in {"", b["formula"]}]
    if order in {LogOrder.BEST, LogOrder.WORST}:
        right = [i for i in right if made[i]["stars"] is not None]
        best = order is LogOrder.BEST
        right.sort(key=lambda i: (made[i]["day"], i), reverse=True)
        right.sort(key=lambda i: made[i]["stars"], reverse=best)
    else:
        right.sort(key=lambda i: (made[i]["day"], i), reverse=order is LogOrder.NEWEST)
    assert found == right
    store.close()


def test_how_it_came_out_is_found_as_it_was_told_last(store: Store) -> None:
    bake = put(store, 1, stars=2, faults=("sunk middle",))

    def by(mark: str, value: str) -> list[str]:
        return [r.id for r in store.log.page(Wanted(marks=((mark, (value,)),)))]

    assert by("fault", "sunk middle") == [bake]
    store.bakes.set_outcome(bake, "finished", {"stars": 5, "faults": ["coarse holes"], "late_by_s": 0.0})
    assert by("fault", "sunk middle") == []
    assert by("fault", "coarse holes") == by("stars", "5") == by("oven", "deck") == [bake]
    store.bakes.set_outcome(bake, "running", None)
    assert by("stars", "5") == []


def test_any_of_several_values_will_do_and_no_bake_comes_twice(store: Store) -> None:
    both = put(store, 1, faults=FAULTS)
    one = put(store, 2, faults=FAULTS[:1])
    put(store, 3)
    found = [r.id for r in store.log.page(Wanted(marks=(("fault", FAULTS),)))]
    assert found == [one, both]


def test_what_somebody_wrote_is_found_by_the_beginnings_of_its_words(store: Store) -> None:
    bake = put(store, 1, title="Butter sponge")
    store.bakes.append(
        bake, at=BEGAN.isoformat(), kind="note_added", payload=json.dumps({"text": "Öven «spat» at ½ past"}),
        client_key="a-note",
    )  # fmt: skip
    store.bakes.append(bake, at=BEGAN.isoformat(), kind="step_done", payload='{"text": "hidden"}', client_key="a-step")

    def by(words: str) -> int:
        return len(store.log.page(Wanted(words=words)))

    assert by("öven") == by("oven") == by("SPAT butter") == by("spo") == 1
    assert by("hidden") == by("pat") == by("spat moon") == 0


@given(st.text(max_size=40))
def test_no_text_is_taken_for_a_command_of_the_search(text: str) -> None:
    asked = " ".join(asked_words(text))
    connection = sqlite3.connect(":memory:")
    connection.execute("CREATE VIRTUAL TABLE w USING fts5(x)")
    if asked:
        connection.execute("SELECT * FROM w WHERE w MATCH ?", [asked]).fetchall()
    connection.close()


def test_an_unknown_place_in_the_list_is_told(store: Store) -> None:
    with pytest.raises(CraftError):
        store.log.page(Wanted(), before="nothing")


def test_a_file_of_the_first_version_is_found_by_all_of_it(tmp_path: Path) -> None:
    old = sqlite3.connect(tmp_path / FILE_NAME)
    old.executescript((Path(__file__).parent / "first_version.sql").read_text(encoding="utf-8"))
    old.close()
    store = open_store(tmp_path)
    assert len(store.log.page(Wanted(marks=(("class", ("separated chiffon",)),)))) == 2
    assert len(store.log.page(Wanted(marks=(("stars", ("4",)), ("oven", ("deck",)))))) == 2
    assert store.log.values("oven") == ["deck"]
    assert store.log.formulas() == [("tea-chiffon", "Tea chiffon")]
    assert len(store.log.page(Wanted(words="chiffon"))) == 2
    store.close()


def test_an_archive_that_comes_in_is_found_too(store: Store, tmp_path: Path) -> None:
    bake = put(store, 1, stars=4, faults=FAULTS[:1], hands="mira")
    file, folder = tmp_path / "all.zip", tmp_path / "in"
    folder.mkdir()
    with file.open("wb") as into:
        archive.write(store.path, into)
    archive.unpack(file, folder / FILE_NAME)
    again = open_store(folder)
    assert [r.id for r in again.log.page(Wanted(marks=(("fault", FAULTS[:1]),), words="sponge"))] == [bake]
    assert again.log.values("hands") == ["mira"]
    again.close()
