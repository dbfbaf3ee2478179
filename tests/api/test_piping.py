"""The doors for piped pieces: deposit, template, skin, loads, colour, sieve, pairs."""

from __future__ import annotations

import math
import re
from typing import Any
from xml.etree import ElementTree as ET

import pytest
from fastapi.testclient import TestClient

from tests.api.test_api import problem_of
from tests.api.test_sugar import post

TRAY = {"width_mm": 300, "length_mm": 400}
DEPOSIT: dict[str, Any] = {
    "shape": "round",
    "diameter_mm": 40,
    "batter_g": 271,
    "density_g_per_ml": 0.85,
    "tray": TRAY,
}
TEMPLATE: dict[str, str | float] = {
    "shape": "round",
    "diameter_mm": 40,
    "tray_width_mm": 300,
    "tray_length_mm": 400,
    "density_g_per_ml": 0.85,
}
MM_PER_POINT = 25.4 / 72


def test_a_deposit_is_told_whole(client: TestClient) -> None:
    told = post(client, "/api/craft/deposits", DEPOSIT)
    assert told["piece_g"] == pytest.approx(5.8, abs=0.05)
    assert told["piped_diameter_mm"] == pytest.approx(40 / 1.085, abs=0.1)
    assert told["per_tray"] == 30
    assert len(told["layout"]["spots"]) == 30
    assert told["trays"] == math.ceil(told["pieces"] / 30)
    assert told["bags"] == 1
    assert told["pieces"] * told["piece_g"] + told["left_g"] == pytest.approx(271)
    assert told["seconds_each"]["low"] < told["seconds_each"]["likely"] < told["seconds_each"]["high"]
    stiff = post(client, "/api/craft/deposits", {**DEPOSIT, "ribbon_s": 40})
    assert stiff["piped_diameter_mm"] > told["piped_diameter_mm"]
    assert stiff["spreads_by"] == "the ribbon"


@pytest.mark.parametrize("shape", ["round", "finger", "kiss", "ring", "stick"])
def test_every_shape_has_its_tray_and_its_section(client: TestClient, shape: str) -> None:
    told = post(client, "/api/craft/deposits", {**DEPOSIT, "shape": shape, "diameter_mm": 24, "density_g_per_ml": 0.4})
    assert told["pieces"] > 0
    assert told["section"]["wall"]
    assert told["piece"]["shape"] == shape


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"diameter_mm": 300}, "tray.width_mm"),
        ({"tray": {"width_mm": 400, "length_mm": 60}}, "tray.length_mm"),
        ({"density_g_per_ml": 0}, "density_g_per_ml"),
        ({"batter_g": -5}, "batter_g"),
        ({"shape": "star"}, "shape"),
        ({"ribbon_s": 0}, "ribbon_s"),
        ({"shape": "ring", "diameter_mm": 40, "cord_mm": 30}, "cord_mm"),
    ],
)
def test_what_can_t_be_piped_is_refused_at_its_field(client: TestClient, change: dict[str, Any], field: str) -> None:
    refused = problem_of(client.post("/api/craft/deposits", json={**DEPOSIT, **change}), 422)
    assert refused["field"] == field
    assert refused["remedy"]


def _polylines(pdf: bytes) -> list[list[tuple[float, float]]]:
    """Every line of the document in mm: where it moves to, and where it goes."""
    lines: list[list[tuple[float, float]]] = []
    for x, y, what in re.findall(rb"(-?[\d.]+) (-?[\d.]+) ([ml])\b", pdf):
        point = (float(x) * MM_PER_POINT, float(y) * MM_PER_POINT)
        if what == b"m":
            lines.append([point])
        else:
            lines[-1].append(point)
    return lines


@pytest.mark.parametrize("size", ["a4", "letter"])
def test_the_circles_of_a_printed_template_are_as_wide_as_they_are_piped(client: TestClient, size: str) -> None:
    answer = client.get("/api/craft/template.pdf", params={**TEMPLATE, "paper": size})
    assert answer.status_code == 200
    circles = [line for line in _polylines(answer.content) if len(line) > 100]
    assert len(circles) >= 30
    for circle in circles:
        xs, ys = zip(*circle, strict=True)
        assert max(xs) - min(xs) == pytest.approx(40 / 1.085, abs=0.5)
        assert max(ys) - min(ys) == pytest.approx(40 / 1.085, abs=0.5)
    assert b"measure it" in answer.content


def test_the_template_as_svg_shows_the_tray_of_the_answer(client: TestClient) -> None:
    told = post(client, "/api/craft/deposits", DEPOSIT)
    svg = ET.fromstring(client.get("/api/craft/template.svg", params=TEMPLATE).content)
    space = "{http://www.w3.org/2000/svg}"
    marks = [e for e in svg.iter(f"{space}polyline") if e.get("class") == "mark"]
    middles = []
    for mark in marks:
        points = [tuple(map(float, p.split(","))) for p in str(mark.get("points")).split()]
        xs, ys = [p[0] for p in points], [p[1] for p in points]
        middles.append(((max(xs) + min(xs)) / 2, (max(ys) + min(ys)) / 2))
    assert len(middles) == len(told["layout"]["spots"])
    left, top = min(x for x, _ in middles), min(y for _, y in middles)
    spots = [(s["x_mm"], 400 - s["y_mm"]) for s in told["layout"]["spots"]]
    first = (min(x for x, _ in spots), min(y for _, y in spots))
    drawn = sorted((round(x - left, 1), round(y - top, 1)) for x, y in middles)
    meant = sorted((round(x - first[0], 1), round(y - first[1], 1)) for x, y in spots)
    for (x, y), (u, v) in zip(drawn, meant, strict=True):
        assert (x, y) == pytest.approx((u, v), abs=0.2)


def test_a_template_for_a_tray_that_takes_none_is_refused(client: TestClient) -> None:
    refused = problem_of(client.get("/api/craft/template.pdf", params={**TEMPLATE, "tray_width_mm": 60}), 422)
    assert refused["field"] == "tray.width_mm"


def test_a_template_takes_what_a_deposit_takes(client: TestClient) -> None:
    flat: dict[str, str | float] = {"shape": "round", "diameter_mm": 40, "batter_g": 271, "density_g_per_ml": 0.85}
    told = client.get("/api/craft/template.svg", params={**flat, "width_mm": 300, "length_mm": 400})
    assert told.content == client.get("/api/craft/template.svg", params=TEMPLATE).content
    assert problem_of(client.get("/api/craft/template.svg", params=flat), 422)["field"] == "tray_width_mm"


AIR: dict[str, Any] = {"air_c": 24, "humidity_percent": 50, "moving_air": False, "method": "French"}


def test_a_skin_is_forecast_and_moved_by_touches(client: TestClient) -> None:
    told = post(client, "/api/craft/skin", AIR)
    assert told["dry_s"]["likely"] / 60 == pytest.approx(51, abs=1)
    assert told["dry_s"]["low"] < told["dry_s"]["likely"] < told["dry_s"]["high"]
    assert told["too_long_s"] == 7200
    assert told["advice"] == []
    touched = post(client, "/api/craft/skin", {**AIR, "touches": [{"t_s": 3600, "feel": "tacky"}]})
    assert touched["dry_s"]["likely"] > 3600
    never = post(client, "/api/craft/skin", {**AIR, "humidity_percent": 88})
    assert never["dry_s"] is None
    assert "88 %" in never["why"]
    assert len(never["advice"]) == 4
    swiss = post(client, "/api/craft/skin", {**AIR, "method": "swiss"})
    assert swiss["dry_s"]["likely"] == pytest.approx(0.6 * told["dry_s"]["likely"])


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"humidity_percent": 140}, "humidity_percent"),
        ({"humidity_percent": -1}, "humidity_percent"),
        ({"air_c": 90}, "air_c"),
        ({"method": "boiled"}, "method"),
        ({"touches": [{"t_s": -5, "feel": "dry"}]}, "touches.0.t_s"),
        ({"touches": [{"t_s": 5, "feel": "soggy"}]}, "touches.0.feel"),
    ],
)
def test_air_that_can_t_be_is_refused_at_its_field(client: TestClient, change: dict[str, Any], field: str) -> None:
    refused = problem_of(client.post("/api/craft/skin", json={**AIR, **change}), 422)
    assert refused["field"] == field


def test_loads_are_laid_over_racks_and_ovens(client: TestClient) -> None:
    body = {"pieces": 90, "tray": TRAY, "racks": 1, "bake_minutes": 14, "dry_minutes": 50}
    told = post(client, "/api/craft/loads", body)
    assert [len(load["trays"]) for load in told["loads"]] == [1, 1, 1]
    for before, after in zip(told["loads"], told["loads"][1:], strict=False):
        assert after["start_s"] >= before["end_s"]
        assert before["start_s"] < before["turn_s"] < before["end_s"]
    ovens = [{"name": "left", "racks": 1}, {"name": "right", "racks": 2, "bake_minutes": 16}]
    two = post(client, "/api/craft/loads", {**body, "ovens": ovens})
    assert {load["oven"] for load in two["loads"]} == {"left", "right"}
    assert two["ends_s"] < told["ends_s"]
    for wrong, field in (({"racks": 0}, "racks"), ({"tray": {"width_mm": 45, "length_mm": 45}}, "tray.width_mm")):
        assert problem_of(client.post("/api/craft/loads", json={**body, **wrong}), 422)["field"] == field


def test_colour_is_weighed_and_shown(client: TestClient) -> None:
    body = {"batter_g": 300, "kind": "gel", "depth": 1}
    told = post(client, "/api/craft/colour", body)
    assert told["grams"] == pytest.approx(300 * 0.006 * 1.2)
    assert told["limit_g"] == pytest.approx(3)
    assert told["risk"] == "none"
    deep = post(client, "/api/craft/colour", {**body, "depth": 2.2})
    assert deep["risk"] == "over the limit"
    green = post(client, "/api/craft/colour", {**body, "colour": "colour-gel-green"})
    assert green["looks"] != told["looks"]
    filling = post(client, "/api/craft/colour", {**body, "into": "buttercream"})
    assert filling["limit_g"] is None
    assert filling["grams"] == pytest.approx(1.8)
    striped = post(client, "/api/craft/colour", {**body, "lines": 3})
    assert striped["painted"]["per_line_g"] == pytest.approx(0.15)
    assert told["painted"] is None
    plain = post(client, "/api/craft/colour", {**body, "depth": 0})
    assert plain["grams"] == 0
    nothing = {"piece_g": 5e-324, "lines": 1}
    for wrong, field in (
        ({"depth": -0.5}, "depth"), ({"batter_g": -1}, "batter_g"), ({"kind": "paint"}, "kind"), (nothing, "piece_g"),
    ):  # fmt: skip
        assert problem_of(client.post("/api/craft/colour", json={**body, **wrong}), 422)["field"] == field


def test_the_sieve_is_set_right_two_ways(client: TestClient) -> None:
    told = post(client, "/api/craft/sieve", {"dry_g": {"almond-flour": 120, "icing-sugar": 120}, "left_g": 12})
    assert told["top_up_g"] == {"almond-flour": pytest.approx(6), "icing-sugar": pytest.approx(6)}
    assert told["factor"] == pytest.approx(0.95)
    assert told["coarse"]
    too_much = {"dry_g": {"almond-flour": 120}, "left_g": 130}
    assert problem_of(client.post("/api/craft/sieve", json=too_much), 422)["field"] == "left_g"


def test_shells_are_paired_and_filled(client: TestClient) -> None:
    told = post(client, "/api/craft/pairs", {"sizes_mm": [40, 40.5, 43, 38, 38.9], "shell_mm": 40})
    assert [(p["larger_mm"], p["smaller_mm"]) for p in told["paired"]["pairs"]] == [(40.5, 40), (38.9, 38)]
    assert told["paired"]["single_mm"] == [43]
    assert told["filling"]["each_g"] == pytest.approx(4.2, abs=0.05)
    counted = post(client, "/api/craft/pairs", {"good": 61, "shell_mm": 40})
    assert counted["filling"]["pairs"] == 30
