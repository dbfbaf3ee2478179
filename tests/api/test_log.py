"""The doors of the Log: bakes found and compared, followed, explained; photos, questions, and all of it as files."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.seed import seed
from tests.api.conftest import BASE
from tests.api.test_api import problem_of


@pytest.fixture(scope="module")
def data(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return tmp_path_factory.mktemp("log")


@pytest.fixture(scope="module")
def client(data: Path) -> Iterator[TestClient]:
    """A client of the demo kitchen with its past weeks."""
    app = create_app(Settings(data=data))
    seed(app.state.bench)
    with TestClient(app, base_url=BASE, raise_server_exceptions=False) as opened:
        yield opened


def found(client: TestClient, **asked: Any) -> list[dict[str, Any]]:
    answer = client.get("/api/bakes", params=asked)
    assert answer.status_code == 200, answer.text
    bakes: list[dict[str, Any]] = answer.json()
    return bakes


def refused(answer: Any, status: int = 422) -> dict[str, Any]:
    told: dict[str, Any] = problem_of(answer, status)
    return told


def failed(client: TestClient) -> str:
    """The demo's chiffon with a dense layer."""
    return str(found(client, words="clotted")[0]["id"])


def picture(width: int = 3000, height: int = 2000, kind: str = "JPEG") -> bytes:
    """A photo as a phone takes it: on its side, with place and camera in it."""
    image = Image.linear_gradient("L").resize((width, height)).convert("RGB")
    exif = Image.Exif()
    exif[0x0112] = 6
    exif[0x010F] = "A camera"
    exif.get_ifd(0x8825).update({1: "N", 2: (48.0, 12.0, 30.0)})
    into = io.BytesIO()
    image.save(into, kind, exif=exif)
    return into.getvalue()


def tell(client: TestClient, bake: str, kind: str, **fields: Any) -> dict[str, Any]:
    key = f"{kind}-{len(client.get(f'/api/bakes/{bake}/last-things').json())}-{sorted(fields.items())}"[:80]
    answer = client.post(f"/api/bakes/{bake}/events", json={"kind": kind, "client_key": key, **fields})
    assert answer.status_code == 200, answer.text
    state: dict[str, Any] = answer.json()
    return state


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
    assert told["in_short"].startswith(told["says"])
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


def test_a_photo_is_upright_scaled_and_knows_neither_place_nor_camera(client: TestClient, data: Path) -> None:
    bake = failed(client)
    where = f"/api/bakes/{bake}/photos"
    sent, kind = picture(), {"content-type": "image/jpeg"}
    asked = {"client_key": "photo-of-the-cut", "shows": "the cut"}
    state = client.post(where, params=asked, content=sent, headers=kind).json()
    twice = client.post(where, params=asked, content=sent, headers=kind).json()
    assert [p["shows"] for p in twice["photos"]] == ["the cut"]
    photo = state["photos"][0]
    assert (photo["width"], photo["height"]) == (1333, 2000)
    whole = client.get(f"{where}/{photo['number']}")
    kept = Image.open(io.BytesIO(whole.content))
    assert kept.size == (1333, 2000)
    assert not kept.getexif()
    assert b"camera" not in whole.content
    small = client.get(f"{where}/{photo['number']}", params={"small": True})
    assert max(Image.open(io.BytesIO(small.content)).size) == 420
    assert len(list((data / "photos").glob("??/*.jpg"))) == 2
    tell(client, bake, "undone", sequence=photo["number"])
    assert client.get(f"/api/bakes/{bake}").json()["photos"] == []
    assert client.get(f"{where}/{photo['number']}").status_code == 404


@pytest.mark.parametrize("raw", [b"", b"\xff\xd8\xff no picture", b"GIF89a" + bytes(40), picture()[:900]])
def test_what_is_no_photo_is_refused_and_nothing_is_kept(client: TestClient, raw: bytes) -> None:
    bake = failed(client)
    answer = client.post(f"/api/bakes/{bake}/photos", params={"client_key": "broken-photo"}, content=raw)
    assert refused(answer)["field"] == "photo"
    assert client.get(f"/api/bakes/{bake}").json()["photos"] == []


def test_a_png_with_a_hole_in_it_becomes_a_photo_too(client: TestClient) -> None:
    bake = found(client, formula="butter-sponge")[0]["id"]
    into = io.BytesIO()
    Image.new("RGBA", (40, 30), (255, 0, 0, 10)).save(into, "PNG")
    state = client.post(
        f"/api/bakes/{bake}/photos", params={"client_key": "a-png-photo"}, content=into.getvalue()
    ).json()
    assert (state["photos"][0]["width"], state["photos"][0]["height"]) == (40, 30)


def test_the_record_is_a_pdf_with_and_without_photos(client: TestClient) -> None:
    for bake in found(client):
        answer = client.get(f"/api/bakes/{bake['id']}.pdf", params={"paper": "letter"})
        assert answer.status_code == 200
        assert answer.content.startswith(b"%PDF")


def table(client: TestClient, **asked: str) -> list[dict[str, str]]:
    return list(csv.DictReader(io.StringIO(client.get("/api/log.csv", params=asked).text)))


def test_the_log_is_a_row_a_bake_and_a_row_a_reading(client: TestClient) -> None:
    rows = table(client)
    assert len(rows) == len(found(client))
    dense = next(r for r in rows if r["id"] == failed(client))
    assert (dense["stars"], dense["batter_g_per_ml"], dense["class"]) == ("2", "0.502", "separated chiffon")
    assert dense["faults"] == "dense layer below"
    read = table(client, rows="readings")
    assert {r["quantity"] for r in read} == {"density"}
    assert sum(r["bake"] == failed(client) for r in read) == 2
    assert all(r["counts"] in {"yes", "no"} for r in read)


EARLIER = """started_at;title;stars;height_mm;faults;batter_g_per_ml;baked_min;hands;note
2024-03-02;Tea chiffon;4;63;;0,43;34;Mira;first spring cake
2024-03-09T06:30;tea chiffon;2;50;dense layer below | sunk middle;0,52;33;;rained all day
"""


def test_bakes_of_before_come_from_a_table_once(client: TestClient) -> None:
    body = {"client_key": "earlier-bakes", "text": EARLIER}
    assert client.post("/api/log/csv", json=body).json() == {"taken": 2, "known": 0}
    assert client.post("/api/log/csv", json=body).json() == {"taken": 0, "known": 2}
    rained = found(client, words="rained")[0]
    assert rained["status"] == "earlier"
    assert rained["summary"]["faults"] == ["dense layer below", "sunk middle"]
    assert rained["id"] in {b["id"] for b in found(client, fault="sunk middle")}
    assert found(client, hands="Mira", sort="oldest")[0]["summary"]["height_mm"] == 63
    trend = client.get("/api/trends", params={"formula": "tea-chiffon", "measure": "fold/batter"}).json()
    assert [p["value"] for p in trend["points"][:2]] == [0.43, 0.52]
    told = client.get("/api/bakes/compare", params={"a": rained["id"], "b": failed(client)}).json()
    assert told["differences"]
    assert client.get(f"/api/bakes/{rained['id']}/entry").json()["summary"]["note"] == "rained all day"
    gone = refused(client.get(f"/api/bakes/{rained['id']}"), 404)
    assert "file" in gone["detail"]
    assert len(table(client)) == len(found(client))


def test_what_was_taken_out_is_known_when_it_is_taken_in(client: TestClient) -> None:
    text = client.get("/api/log.csv").text
    answer = client.post("/api/log/csv", json={"client_key": "round-trip", "text": text}).json()
    assert answer == {"taken": 0, "known": len(found(client))}


@pytest.mark.parametrize(
    ("text", "field", "says"),
    [
        ("started_at\n2024-01-01", "formula", "no column"),
        ("formula,stars\ntea-chiffon,3", "started_at", "no column"),
        ("started_at,formula\n2024-01-01,moon-cake", "formula", "Row 2"),
        ("started_at,formula\nyesterday,tea-chiffon", "started_at", "Row 2"),
        ("started_at,formula\n2124-01-01,tea-chiffon", "started_at", "still to come"),
        ("started_at,formula,stars\n2024-01-01,tea-chiffon,9", "stars", "1 to 5"),
        ("started_at,formula,core_c\n2024-01-01,tea-chiffon,hot", "core_c", "no number"),
    ],
)
def test_a_wrong_row_is_named_and_no_row_is_taken(client: TestClient, text: str, field: str, says: str) -> None:
    before = len(found(client))
    good = "" if "no column" in says else "\n2023-01-01,tea-chiffon"
    answer = refused(client.post("/api/log/csv", json={"client_key": "wrong-row", "text": text + good}))
    assert answer["field"] == field
    assert says in answer["detail"]
    assert len(found(client)) == before


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
