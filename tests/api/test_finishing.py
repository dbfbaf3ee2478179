"""The doors from the rack to the plate: ring, dome, roll, layers, portions, shares, soak, readiness, label."""

from __future__ import annotations

import re
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.test_api import READY, problem_of
from tests.api.test_sugar import post

FINGER = {"width_mm": 28, "thickness_mm": 18, "length_mm": 60}
RING = {"ring_mm": 180, "height_mm": 60, "finger": FINGER}
SHEET = {"length_mm": 350, "width_mm": 300, "thickness_mm": 12}
CAKE = {"body": "round", "diameter_mm": 200, "height_mm": 80, "layers": 3}
CRUMB = {"mass_g": 300, "density_g_per_ml": 0.3}


def test_a_ring_of_the_reference(client: TestClient) -> None:
    told = post(client, "/api/craft/ring", RING)
    assert told["fingers"] == 18
    assert (told["room_mm"], told["disc_mm"]) == (144, 146)
    assert told["last_cut_mm"] == pytest.approx(4.94, abs=0.01)
    cut = post(client, "/api/craft/ring", {**RING, "height_mm": 50, "finger": {**FINGER, "density_g_per_ml": 0.25}})
    assert cut["trim_mm"] == 10
    assert cut["trim_g"]["likely"] == pytest.approx(18 * 28 * 18 * 10 / 1000 * 0.25)


def test_a_roll_of_the_reference_from_either_side(client: TestClient) -> None:
    told = post(client, "/api/craft/roll", {"sheet": SHEET, "filling_mm": 8, "begun": "short"})
    assert told["diameter_mm"] == pytest.approx(94.4, abs=0.05)
    assert told["turns"] == pytest.approx(1.91, abs=0.005)
    assert told["strain"] == pytest.approx(0.375)
    assert told["slices"] == 11
    assert told["filling_g"] == pytest.approx(350 * 300 * 8 / 1000 * 0.5)
    long = post(client, "/api/craft/roll", {"sheet": SHEET, "filling_mm": 8, "begun": "from the long side"})
    assert long["diameter_mm"] < told["diameter_mm"]
    assert long["slices"] > told["slices"]
    thinner = post(client, "/api/craft/roll", {"sheet": SHEET, "filling_mm": 8, "begun": "short", "taper": 0.6})
    assert thinner["filling_g"] < told["filling_g"]
    assert thinner["thinnest_mm"] == pytest.approx(3.2)


def test_a_dome_layers_and_portions(client: TestClient) -> None:
    told = post(client, "/api/craft/dome", {"diameter_mm": 180})
    assert told["cavity_ml"] == pytest.approx(told["taken_out_ml"])
    layers = post(client, "/api/craft/layers", {"height_mm": 60, "layers": 3})
    assert layers["each_mm"] * 3 + layers["off_mm"] == pytest.approx(60)
    round_ = post(client, "/api/craft/portions", {"mass_g": 1200, "portions": 12, "diameter_mm": 240})
    assert round_["each_g"] == 100
    roll = post(client, "/api/craft/portions", {"mass_g": 800, "portions": 10, "length_mm": 300})
    assert roll["each_g"] * 10 + roll["lost_g"] == pytest.approx(800)
    sheet = post(client, "/api/craft/portions", {"mass_g": 900, "portions": 9, "length_mm": 220, "width_mm": 220})
    assert (sheet["rows"], sheet["columns"]) == (3, 3)


def test_places_are_told_with_what_is_short(client: TestClient) -> None:
    asked: dict[str, Any] = {"body": CAKE, "fillings": [{"thickness_mm": 6}], "coat_mm": 4, "ornaments": 40}
    told = post(client, "/api/craft/allocate", asked)
    assert sum(p["grams"] for p in told["places"]) == pytest.approx(told["total_g"])
    assert {p["place"] for p in told["places"]} == {"inside", "top", "side", "ornaments", "bowl and bag"}
    assert told["short_by_g"] == 0
    short = post(client, "/api/craft/allocate", {**asked, "made_g": told["total_g"] - 100})
    assert short["short_by_g"] == pytest.approx(100)
    third = post(client, "/api/craft/allocate", {"body": CAKE, "fillings": [{"thickness_mm": 6}], "reserve": 1 / 3})
    assert third["kept_share"] == pytest.approx(1 / 3)
    apart = post(client, "/api/craft/allocate", {**asked, "coat_mm": {"top_mm": 4, "side_mm": 0}})
    assert "side" not in {p["place"] for p in apart["places"]}


@pytest.mark.parametrize(
    "body",
    [
        {"body": "square", "width_mm": 220, "length_mm": 220},
        {"body": "roll", "length_mm": 350, "width_mm": 300, "thickness_mm": 12},
        {"body": "dome", "diameter_mm": 180},
        {"body": "pairs", "diameter_mm": 40, "pairs": 30},
    ],
)
def test_every_body_can_be_filled(client: TestClient, body: dict[str, Any]) -> None:
    told = post(client, "/api/craft/allocate", {"body": body, "fillings": [{"thickness_mm": 5}], "coat_mm": 2})
    assert told["inside_g"] > 0


def test_a_soak_by_layer_and_go(client: TestClient) -> None:
    told = post(client, "/api/craft/soak", {"crumb": CRUMB, "layers": 3, "liquid": "syrup"})
    assert len(told["layers"]) == 3
    assert sum(row["grams"] for row in told["layers"]) == pytest.approx(told["grams"])
    assert told["limit_g"]["low"] < told["grams"] < told["limit_g"]["high"]
    milk = post(
        client, "/api/craft/soak", {"crumb": CRUMB, "layers": [20, 40], "liquid": {"kind": "milk", "grams": 900}}
    )
    assert milk["over_g"] > 0
    assert milk["layers"][1]["grams"] == pytest.approx(600)
    hot = {"crumb": {**CRUMB, "temperature_c": 80}, "layers": 1, "liquid": {"kind": "syrup", "temperature_c": 70}}
    assert post(client, "/api/craft/soak", hot)["meets"]["fits"] is False


@pytest.mark.parametrize("content", ["cream", "ganache", "curd", "custard", "mousse", "buttercream", "glaze"])
def test_every_content_tells_its_window(client: TestClient, content: str) -> None:
    told = post(client, "/api/craft/ready", {"content": content, "temperature_c": 40})
    assert told["window_c"]["low"] < told["window_c"]["high"]
    assert told["state"]
    assert told["do"]
    assert told["rescue"]


def test_cream_that_would_meet_a_warm_crumb_is_told_to_wait(client: TestClient) -> None:
    asked = {"content": "cream", "temperature_c": 6, "use": "spread"}
    assert post(client, "/api/craft/ready", asked)["state"] == "right"
    warm = post(client, "/api/craft/ready", {**asked, "crumb_c": 38})
    assert warm["state"] == "not yet"
    assert "melts" in warm["says"]
    cools = post(client, "/api/craft/ready", {"content": "ganache", "temperature_c": 41, "use": "pipe", "air_c": 20})
    assert cools["minutes"]["likely"] > 5


@pytest.mark.parametrize(
    ("door", "body", "field"),
    [
        ("ring", {**RING, "finger": {**FINGER, "thickness_mm": 95}}, "finger.thickness_mm"),
        ("dome", {"diameter_mm": 100, "wall_mm": 40}, "wall_mm"),
        ("layers", {"height_mm": 40, "layers": 5}, "layers"),
        ("portions", {"mass_g": 900, "portions": 9, "length_mm": 100, "width_mm": 100, "edge_mm": 60}, "edge_mm"),
        ("allocate", {"body": CAKE, "fillings": [{"name": "mousse"}]}, "fillings"),
        ("allocate", {"body": {"body": "pairs", "diameter_mm": 2068, "pairs": 12}}, "body.pairs.diameter_mm"),
        ("roll", {"sheet": {**SHEET, "thickness_mm": -1}, "filling_mm": 8}, "sheet.thickness_mm"),
        ("soak", {"crumb": {"mass_g": 100, "density_g_per_ml": 1.3}}, "crumb.density_g_per_ml"),
        ("ready", {"content": "soup", "temperature_c": 20}, "content"),
    ],
)
def test_what_can_t_be_names_its_field_and_a_remedy(
    client: TestClient, door: str, body: dict[str, Any], field: str
) -> None:
    answer = client.post(f"/api/craft/{door}", json=body)
    problem = problem_of(answer, answer.status_code)
    assert answer.status_code in {400, 422}
    assert problem["field"] == field
    assert problem["remedy"]


def test_what_keeps_how_long_is_guidance_with_a_source(client: TestClient) -> None:
    rows = client.get("/api/craft/shelf-life").json()
    assert {r["kept"] for r in rows} >= {"filled with cream", "dry meringue"}
    assert all(r["source"] and r["days"] > 0 for r in rows)


def started(client: TestClient, formula: str) -> str:
    got = client.post("/api/bakes", json={"formula_id": formula, "ready_at": READY, "client_key": f"label-{formula}"})
    assert got.status_code == 201, got.text
    return str(got.json()["id"])


@pytest.mark.parametrize(("sheet", "pages"), [("a4-8", 1), ("a4-21", 1), ("single", 1)])
def test_labels_are_printed_with_all_that_must_stand_on_them(client: TestClient, sheet: str, pages: int) -> None:
    bake = started(client, "coffee-mousse")
    label = client.get(f"/api/bakes/{bake}/label").json()
    got = client.get(f"/api/bakes/{bake}/label.pdf?sheet={sheet}")
    assert got.status_code == 200
    assert got.headers["content-type"] == "application/pdf"
    assert got.content.startswith(b"%PDF")
    text = got.content.decode("latin-1")
    assert len(re.findall(r"/Type /Page\b", text)) == pages
    for said in (label["title"], label["batch"][:12], "Use by", "raw egg"):
        assert said in text
    assert f"/log/{label['batch']}" in text
    assert label["use_by"]
    assert label["kept_as"] == "a mousse with raw egg"


def test_more_labels_than_a_sheet_has_go_on_the_next(client: TestClient) -> None:
    bake = started(client, "coffee-mousse")
    got = client.get(f"/api/bakes/{bake}/label.pdf?sheet=a4-8&copies=17").content.decode("latin-1")
    assert len(re.findall(r"/Type /Page\b", got)) == 3


def test_a_kitchen_s_own_days_lead_on_its_labels(client: TestClient) -> None:
    view = client.get("/api/kitchen").json()
    view["kitchen"]["keeps_days"] = {"a mousse with raw egg": 0}
    assert client.put("/api/kitchen", json=view).status_code == 200
    label = client.get(f"/api/bakes/{started(client, 'coffee-mousse')}/label").json()
    assert label["use_by"] == label["made_at"][:10]
    assert "this kitchen" in label["use_by_rule"].lower()
