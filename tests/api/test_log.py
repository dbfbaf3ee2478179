"""The doors of the Log: bakes found and compared, followed, explained; and its questions."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.log_kitchen import failed, found, opened, refused, tell


@pytest.fixture(scope="module")
def client(tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """A client of the demo kitchen with its past weeks."""
    yield from opened(tmp_path_factory.mktemp("log"))


def test_bakes_are_found_by_each_mark_and_by_several(client: TestClient) -> None:
    every = found(client)
    assert len(every) == 9
    by_class = found(client, **{"class": "separated chiffon"})
    assert {b["formula_id"] for b in by_class} == {"tea-chiffon"}
    assert found(client, formula="tea-chiffon") == by_class
    assert [b["summary"]["stars"] for b in found(client, stars=5)] == [5, 5, 5][: len(found(client, stars=5))]
    both = found(client, fault="butter streak", oven="deck", stars=3)
    assert [b["formula_id"] for b in both] == ["butter-sponge"]
    assert found(client, fault="butter streak", stars=5) == []


def test_a_fault_is_found_by_what_it_goes_by_now_and_by_what_it_went_by(client: TestClient) -> None:
    now, then = found(client, fault="dense layer below"), found(client, fault="dense layer at the bottom")
    assert [b["id"] for b in now] == [failed(client)]
    assert now == then


def test_words_are_found_in_notes_faults_and_titles_as_they_begin(client: TestClient) -> None:
    assert [b["id"] for b in found(client, words="clotted")] == [failed(client)]
    assert [b["id"] for b in found(client, words="clot")] == [failed(client)]
    assert {b["formula_id"] for b in found(client, words="butter")} == {"butter-sponge"}
    assert found(client, words="clotted meringue") == []


@pytest.mark.parametrize("words", ['"', "* OR NEAR(", "a AND b) --", "‘’", "%", "-", "NOT x"])
def test_no_words_break_the_search(client: TestClient, words: str) -> None:
    assert client.get("/api/bakes", params={"words": words}).status_code == 200


@pytest.mark.parametrize("sort", ["newest", "oldest", "best", "worst"])
def test_pages_hold_every_bake_once_in_every_order(client: TestClient, sort: str) -> None:
    whole = [b["id"] for b in found(client, sort=sort, status="finished")]
    assert len(whole) == 9
    paged, before = list[str](), None
    while page := found(client, sort=sort, status="finished", limit=2, **({"before": before} if before else {})):
        paged += [b["id"] for b in page]
        before = page[-1]["id"]
    assert paged == whole
    stars = [b["summary"]["stars"] for b in found(client, sort=sort, status="finished")]
    if sort in {"best", "worst"}:
        assert stars == sorted(stars, reverse=sort == "best")


def test_a_stretch_of_time_is_bounded_on_both_sides(client: TestClient) -> None:
    every = found(client, sort="oldest")
    since, until = every[2]["started_at"], every[5]["started_at"]
    assert [b["id"] for b in found(client, sort="oldest", since=since, until=until)] == [b["id"] for b in every[2:5]]


def test_the_choices_are_what_bakes_have(client: TestClient) -> None:
    told = client.get("/api/bakes/choices").json()
    assert {"value": "deck", "words": "Deck oven"} in told["ovens"]
    assert {c["value"] for c in told["faults"]} == {"fat streak or rubber line below", "dense layer below"}
    assert {"tea-chiffon", "butter-sponge", "syrup-peaks"} == {c["value"] for c in told["formulas"]}


def test_two_bakes_differ_first_in_what_is_out_of_the_usual(client: TestClient) -> None:
    good = found(client, formula="tea-chiffon", stars=5)[0]["id"]
    told = client.get("/api/bakes/compare", params={"a": good, "b": failed(client)}).json()
    assert told["bakes"] == 6
    assert "air kept" in told["differences"][0]["words"]
    outs = [d["out"] for d in told["differences"]]
    assert outs == sorted(outs, reverse=True)
    keys = {d["key"] for d in told["differences"]}
    assert "weigh-milk/time" not in keys or outs[0] > 2
    assert refused(client.get("/api/bakes/compare", params={"a": good, "b": good}))["field"] == "b"
    assert client.get("/api/bakes/compare", params={"a": good, "b": "nothing"}).status_code == 404


def test_a_measure_is_followed_over_formula_oven_and_person(client: TestClient) -> None:
    names = client.get("/api/trends/measures", params={"formula": "tea-chiffon"}).json()
    assert {"fold/batter", "whip/foam", "height"} <= {n["key"] for n in names}
    told = client.get("/api/trends", params={"formula": "tea-chiffon", "measure": "fold/batter"}).json()
    assert len(told["points"]) == 6
    assert [p["value"] for p in told["points"] if p["beyond"]] == [0.502]
    assert told["stretches"][0]["low"] < 0.45 < told["stretches"][0]["high"] < 0.502
    assert told["band"]["basis"] == "this kitchen"
    assert told["band"]["bakes"] == 5
    over = client.get("/api/trends", params={"oven": "deck", "measure": "oven_held"}).json()
    assert len(over["points"]) > 6
    heights = client.get("/api/trends", params={"oven": "deck", "measure": "height"}).json()
    assert heights["unit"] == "% of what was forecast"
    assert all(30 < p["value"] < 140 for p in heights["points"]), "a tall cake and a flat one are comparable"
    nothing = client.get("/api/trends", params={"formula": "tea-chiffon", "measure": "moon"})
    assert refused(nothing)["field"] == "measure"


def test_a_failed_bake_is_explained_from_its_own_record(client: TestClient) -> None:
    told = client.post("/api/diagnosis", json={"bake": failed(client)}).json()
    assert told["faults"] == ["dense layer below"]
    assert told["causes"][0]["cause"] in {"over-whipped", "air-lost"}
    assert any("air kept in the fold: 47 %" in reason for reason in told["causes"][0]["for"])
    assert told["causes"][0]["step"] in {"whip", "fold"}
    in_short = client.get(f"/api/bakes/{failed(client)}/in-short").json()
    assert in_short.startswith(told["says"])
    assert 0 < told["unlisted"] < 0.5


def test_symptoms_alone_are_answered_humbly(client: TestClient) -> None:
    told = client.post("/api/diagnosis", json={"class": "macaron shells", "faults": ["no feet", "hollow"]}).json()
    assert told["humble"]
    assert "Hardly anything" in told["says"]
    assert told["ask"]
    more = client.post(
        "/api/diagnosis",
        json={
            "class": "macaron shells",
            "faults": ["no feet"],
            "record": {
                "signs": [{"sign": "dry-touch", "yes": False}, {"sign": "humidity", "value": 78, "low": 40, "high": 60}]
            },
        },
    ).json()
    assert not more["humble"]
    assert more["causes"][0]["cause"] == "no-skin"
    assert "the skin still stuck to a finger" in more["causes"][0]["for"]


SHELLS = {"class": "macaron shells", "faults": ["no feet"]}


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"class": "bread", "faults": ["x"]}, "class"),
        ({"faults": ["no feet"]}, "class"),
        ({"class": "macaron shells", "faults": ["moon"]}, "faults"),
        ({"class": "macaron shells"}, "faults"),
        ({**SHELLS, "record": {"signs": [{"sign": "moon"}]}}, "record.signs"),
        ({**SHELLS, "record": {"signs": [{"sign": "humidity", "value": 5}]}}, "record.signs"),
    ],
)
def test_what_can_not_be_explained_is_refused_by_its_field(
    client: TestClient, body: dict[str, Any], field: str
) -> None:
    answer = refused(client.post("/api/diagnosis", json=body))
    assert answer["field"] == field
    assert answer["remedy"]


def test_an_answer_is_kept_changes_the_odds_and_can_be_taken_away(client: TestClient) -> None:
    bake = failed(client)

    def of(cause: str) -> float:
        told = client.post("/api/diagnosis", json={"bake": bake}).json()
        return next((c["probability"] for c in told["causes"] if c["cause"] == cause), 0.0)

    before = of("over-whipped")
    tell(client, bake, "sign_answered", sign="clotted", yes=True)
    assert of("over-whipped") > before
    tell(client, bake, "sign_answered", sign="clotted", yes=False)
    assert of("over-whipped") < before
    tell(client, bake, "sign_answered", sign="clotted", yes=None)
    assert of("over-whipped") == pytest.approx(before)
    answer = client.post(
        f"/api/bakes/{bake}/events",
        json={"kind": "sign_answered", "client_key": "no-such-sign", "sign": "core", "yes": True},
    )
    assert refused(answer, 409)["field"] == "sign"


def test_a_confirmed_cause_teaches_the_next_bake_and_can_be_taken_back(client: TestClient) -> None:
    bake = failed(client)
    asked = {"class": "separated chiffon", "faults": ["dense layer below"]}

    def weak() -> dict[str, Any]:
        told = client.post("/api/diagnosis", json=asked).json()
        return next(c for c in told["causes"] if c["cause"] == "weak-below")

    before = weak()
    tell(client, bake, "cause_confirmed", fault="dense layer below", cause="weak-below")
    assert weak()["confirmed"] == 1
    assert weak()["probability"] > before["probability"]
    assert client.post("/api/diagnosis", json={"bake": bake}).json()["confirmed"] == {"dense layer below": "weak-below"}
    tell(client, bake, "cause_confirmed", fault="dense layer below", cause="")
    assert weak() == before


def test_a_lever_goes_into_the_formula_once(client: TestClient) -> None:
    bake = failed(client)
    taken = client.post(f"/api/bakes/{bake}/levers", json={"cause": "over-whipped"}).json()
    assert taken["step"] == "whip"
    assert taken["version"] == 2
    formula = client.get("/api/formulas/tea-chiffon").json()["formula"]
    note = next(s["note"] for s in formula["steps"] if s["id"] == "whip")
    assert "Stop at the peak" in note
    again = client.post(f"/api/bakes/{bake}/levers", json={"cause": "over-whipped"}).json()
    assert again["version"] == 2
    assert "already" in again["said"]
    changed = client.post(f"/api/bakes/{bake}/levers", json={"cause": "too-hot", "how": "change"}).json()
    assert changed["said"] == "“Bake”: 170 → 160 °C"
    assert changed["version"] == 3
    for body, field in (({"cause": "moon"}, "cause"), ({"cause": "air-lost", "how": "change"}, "as")):
        assert refused(client.post(f"/api/bakes/{bake}/levers", json=body))["field"] == field


def ask(client: TestClient, key: str) -> dict[str, Any]:
    body = {
        "client_key": key,
        "formula": "tea-chiffon",
        "text": "A dense layer every time",
        "faults": ["dense layer at the bottom"],
        "suspects": ["air-lost", "waited"],
    }
    told: dict[str, Any] = client.post("/api/questions", json=body).json()
    return told


def test_a_question_goes_from_a_suspicion_to_what_was_learned(client: TestClient) -> None:
    told = ask(client, "a-question-1")
    question = told["question"]["id"]
    assert ask(client, "a-question-1")["question"]["id"] == question
    assert told["question"]["faults"] == ["dense layer below"]
    came = [b for b in told["before"] if b["came"]]
    assert failed(client) in {b["id"] for b in came}
    assert f"It came in {len(came)} of {len(told['before'])}" in told["says"]
    where = f"/api/questions/{question}"
    tried = client.post(f"{where}/trials", json={"change": "Half the strokes", "suspect": "air-lost"}).json()
    assert tried["trials"][0]["comparison"]["answer"] == "too few bakes"
    assert "No bake has tried it yet" in tried["says"]
    second = client.post(f"{where}/trials", json={"change": "Oven ready first"}).json()
    assert second["trials"][0]["trial"]["ended_at"] is not None
    assert second["trials"][1]["trial"]["ended_at"] is None
    left = client.put(f"{where}/bakes/{failed(client)}", json={"counts": False}).json()
    assert not next(b for b in left["before"] if b["id"] == failed(client))["counts"]
    closed = client.post(f"{where}/close", json={"learned": "Fewer strokes keep it light."}).json()
    assert closed["says"] == "Fewer strokes keep it light."
    assert refused(client.post(f"{where}/trials", json={"change": "More"}))["field"] == "question"
    assert client.get("/api/questions", params={"formula": "tea-chiffon"}).json()[-1]["question"]["learned"]
    assert client.post(f"{where}/reopen").json()["question"]["closed_at"] is None
    assert client.post(f"{where}/trials/end").json()["question"]["trials"][1]["ended_at"] is not None


def test_a_question_about_nothing_known_is_refused(client: TestClient) -> None:
    body = {"client_key": "bad-question", "formula": "tea-chiffon", "text": "Why?", "faults": ["moon"]}
    assert refused(client.post("/api/questions", json=body))["field"] == "faults"
    body |= {"faults": ["sunk middle"], "suspects": ["moon"]}
    assert refused(client.post("/api/questions", json=body))["field"] == "suspects"
    assert client.get("/api/questions/nothing").status_code == 404
