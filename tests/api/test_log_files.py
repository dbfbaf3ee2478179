"""The Log as files: photos, records on paper, and tables both ways."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from tests.api.log_kitchen import failed, found, opened, refused, tell


@pytest.fixture(scope="module")
def data(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return tmp_path_factory.mktemp("log-files")


@pytest.fixture(scope="module")
def client(data: Path) -> Iterator[TestClient]:
    """A client of the demo kitchen with its past weeks."""
    yield from opened(data)


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
