"""The doors for foam, fold, tin, patterns and paper."""

from __future__ import annotations

import re
from typing import Any
from xml.etree import ElementTree as ET

import pytest
from fastapi.testclient import TestClient

from tests.api.test_api import problem_of
from tests.api.test_sugar import ask, post

FOLD = {
    "base": {"mass_g": 250, "density_g_per_ml": 1.129},
    "foam": {"mass_g": 200, "density_g_per_ml": 0.15},
    "school": "sacrifice",
}
ROUND = {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}}
TUBE: dict[str, str | float] = {
    "shape": "tube",
    "diameter_mm": 150,
    "top_diameter_mm": 170,
    "depth_mm": 80,
    "tube_diameter_mm": 55,
    "tube_top_diameter_mm": 45,
}
POINTS_PER_MM = 72 / 25.4


def test_a_fold_is_planned_and_judged_by_a_cup(client: TestClient) -> None:
    plan = post(client, "/api/craft/fold", FOLD)
    assert sum(a["mass_g"] for a in plan["additions"]) == pytest.approx(200)
    assert 0.2 <= plan["sacrifice_fraction"] <= 0.4
    assert plan["air_kept"]["likely"] == pytest.approx(0.55, abs=0.01)
    assert len(plan["before"]) == 2
    assert len(plan["after"]) == len(plan["additions"])
    assert plan["after"][-1]["level_mm"] > plan["after"][0]["level_mm"]
    for school in ("in thirds", "base into the foam", "flour over the foam", "dry and liquid in turns"):
        other = post(client, "/api/craft/fold", {**FOLD, "school": school, "portions": 4})
        assert other["sacrifice_fraction"] == 0
        assert len(other["additions"]) >= 4
    kept = post(client, "/api/craft/fold/air-kept", {**FOLD, "measured_density_g_per_ml": 0.58})
    assert kept["air_kept"]["low"] < kept["air_kept"]["likely"] < kept["air_kept"]["high"]
    assert "cost more" in kept["verdict"]
    wrong = client.post("/api/craft/fold/air-kept", json={**FOLD, "measured_density_g_per_ml": 0.1})
    assert problem_of(wrong, 422)["field"] == "measured_density_g_per_ml"


def test_a_tin_is_filled_and_shared_out(client: TestClient) -> None:
    body = {**ROUND, "batter_g": 470, "density_g_per_ml": 0.42, "technique": "separated chiffon"}
    seen = post(client, "/api/craft/tin", body)
    assert seen["fill_fraction"] == pytest.approx(470 / 0.42 / 1885, rel=1e-3)
    assert seen["level_mm"] == pytest.approx(60 * seen["fill_fraction"], rel=1e-3)
    assert seen["rise_mm"]["low"] <= seen["rise_mm"]["likely"] <= seen["rise_mm"]["high"]
    assert seen["verdict"]
    twice_over = {**body, "density_g_per_ml": 1.01}
    asked = problem_of(client.post("/api/craft/tin", json=twice_over), 422)
    assert asked["field"] == "density_g_per_ml"
    assert "1.01 g/ml" in asked["detail"]
    assert post(client, "/api/craft/tin", {**twice_over, "sure": True})["level_mm"] < seen["level_mm"]
    shared = {"batter_g": 800, "density_g_per_ml": 1.01, "technique": "separated chiffon"}
    assert problem_of(client.post("/api/craft/share-out", json=shared), 422)["field"] == "density_g_per_ml"
    assert post(client, "/api/craft/share-out", {**shared, "sure": True})["ways"]
    missing = client.post("/api/craft/tin", json={**body, "dimensions": {"diameter_mm": 200}})
    assert problem_of(missing, 422)["field"] == "depth_mm"
    ways = post(client, "/api/craft/share-out", {"batter_g": 800, "density_g_per_ml": 0.43})["ways"]
    assert ways
    assert all(w["says"] for w in ways)


def test_a_batter_is_parted_and_poured(client: TestClient) -> None:
    body: dict[str, Any] = {
        "batter_g": 600,
        "density_g_per_ml": 0.43,
        "parts": [{"name": "plain", "share": 1}, {"name": "cocoa", "share": 1, "additions": {"cocoa": 14}}],
        "pattern": {"kind": "rings", "pattern": {"pours": 11}, **ROUND, "tins": 2},
    }
    seen = post(client, "/api/craft/split", body)
    plain, cocoa = seen["parts"]
    assert plain["taken_g"] == plain["mass_g"] == 300
    assert cocoa["mass_g"] > 314
    assert (seen["pattern"]["begins"], seen["pattern"]["ends"]) == ("plain", "plain")
    assert len(seen["pattern"]["rings"]["pours"]) == 11
    striped = post(client, "/api/craft/split", {**body, "pattern": {"kind": "stripes", "each": 2, "nozzle_mm": 14}})
    assert len(striped["pattern"]["bag"]["stripes"]) == 4
    much = client.post("/api/craft/split", json={**body, "parts": [{"share": 1, "additions": {"cocoa": 700}}]})
    assert problem_of(much, 422)["field"] == "parts.0.additions"


def test_a_cup_a_ribbon_and_a_wait_are_told(client: TestClient) -> None:
    cup = post(client, "/api/craft/cup-volume", {"empty_g": 38, "water_g": 157.8, "water_c": 20})
    assert cup["volume_ml"] == pytest.approx(120, abs=0.1)
    assert ask(client, "/api/craft/ribbon", foam="whole-egg ribbon", seconds=8)["likely"] == pytest.approx(0.25)
    aged = ask(client, "/api/craft/ageing", foam="chiffon batter", waited_s=600)
    assert aged["lost"]["likely"] > 0.1
    assert aged["ageing"]["can"] is False
    assert problem_of(client.get("/api/craft/ageing", params={"foam": "French meringue"}), 422)["field"] == "foam"


def _paths_mm(pdf: bytes) -> list[tuple[float, float]]:
    """Width and height in mm of every path that is drawn."""
    found: list[list[tuple[float, float]]] = []
    for x, y, way in re.findall(rb"(-?[\d.]+) (-?[\d.]+) ([ml])\b", pdf):
        if way == b"m":
            found.append([])
        found[-1].append((float(x) / POINTS_PER_MM, float(y) / POINTS_PER_MM))
    return [
        (max(x for x, _ in line) - min(x for x, _ in line), max(y for _, y in line) - min(y for _, y in line))
        for line in found
    ]


def test_paper_is_printed_at_true_scale(client: TestClient) -> None:
    query: dict[str, str | float] = {"shape": "round", "diameter_mm": 180, "depth_mm": 60}
    answer = client.get("/api/craft/lining.pdf", params=query)
    assert answer.headers["content-type"] == "application/pdf"
    assert b"/MediaBox [ 0 0 595.2" in answer.content
    drawn = _paths_mm(answer.content)

    def has(*size: float) -> bool:
        """Whether something of that size is drawn, upright or on its side."""
        return any(all(abs(a - b) < 0.5 for a, b in zip(sorted(each), sorted(size), strict=True)) for each in drawn)

    assert has(180, 180)
    assert has(3.14159265 * 180 + 15, 60)
    assert has(100, 0), "the ruler"
    letter = client.get("/api/craft/lining.pdf", params={**query, "paper": "letter"})
    assert b"/MediaBox [ 0 0 612" in letter.content
    assert problem_of(client.get("/api/craft/lining.pdf", params={"shape": "round", "depth_mm": 50}), 422)["field"]


def test_a_pile_of_paper_is_refused(client: TestClient) -> None:
    huge: dict[str, str | float] = {"shape": "sheet", "width_mm": 2000, "length_mm": 2000, "depth_mm": 100}
    assert problem_of(client.get("/api/craft/lining.pdf", params=huge), 422)["field"] == "paper"
    assert client.get("/api/craft/lining.svg", params=huge).status_code == 200


def test_a_tapered_ring_comes_in_parts_that_lap(client: TestClient) -> None:
    drawn = _paths_mm(client.get("/api/craft/lining.pdf", params=TUBE).content)
    assert sum(abs(w - 150) < 0.5 and abs(h - 150) < 0.5 for w, h in drawn) == 1
    assert sum(abs(w - 55) < 0.5 and abs(h - 55) < 0.5 for w, h in drawn) == 1
    # A wall longer than the paper is drawn whole on each of its parts, and cut to the page.
    walls = [(w, h) for w, h in drawn if w > 450]
    assert len(walls) == 3
    assert max(walls) == pytest.approx(min(walls), abs=0.01)


def test_paper_as_svg_is_in_millimetres(client: TestClient) -> None:
    answer = client.get("/api/craft/lining.svg", params={"shape": "half-sphere", "diameter_mm": 160})
    assert answer.headers["content-type"].startswith("image/svg+xml")
    root = ET.fromstring(answer.content)
    width = float(root.attrib["width"].removesuffix("mm"))
    assert root.attrib["viewBox"].split()[2] == f"{width:g}"
    cut = next(e for e in root.iter() if e.attrib.get("class") == "cut")
    xs, ys = zip(*((float(x) for x in p.split(",")) for p in cut.attrib["points"].split()), strict=True)
    assert max(xs) - min(xs) == pytest.approx(3.14159265 * 160 / 8, abs=0.5)
    assert max(ys) - min(ys) == pytest.approx(3.14159265 * 160 / 4, abs=0.5)
