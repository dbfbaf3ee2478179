"""The doors for baking, ovens and cooling."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from kindwhisk.demo.formulas import demo_formulas
from tests.api.test_api import problem_of
from tests.api.test_sugar import ask, post

ROUND = {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 80}}
BAKE: dict[str, Any] = {
    "technique": "génoise",
    "tin": ROUND,
    "batter_g": 560,
    "density_g_per_ml": 0.45,
    "oven_c": 170,
    "mode": "static",
    "reference": {"tin": ROUND, "oven_c": 170, "minutes": 34},
}


def test_a_bake_is_told_with_looks_curves_and_risks(client: TestClient) -> None:
    seen = post(client, "/api/craft/bake", BAKE)
    assert seen["minutes"]["likely"] == pytest.approx(34, rel=0.02)
    assert seen["minutes"]["low"] < seen["first_look_min"] < seen["minutes"]["likely"]
    assert 0 < seen["turn_min"]["likely"] < seen["first_look_min"]
    core = [p["core_c"] for p in seen["curves"]]
    assert core[0] < 25
    assert core[-1] > 95
    assert seen["risks"] == []
    assert seen["looks_wrong"]
    assert [n["id"] for n in seen["after"]] == ["knock", "turn-over"]
    deep = post(client, "/api/craft/bake", {**BAKE, "batter_g": 900, "oven_c": 200})
    assert {"raw middle", "crack"} <= {r["kind"] for r in deep["risks"]}
    assert deep["cover_min"] is not None
    assert all(r["why"] and r["lever"] for r in deep["risks"])
    more = {**BAKE, "batter_g": 800, "reference": {**BAKE["reference"], "batter_g": 560}}
    assert post(client, "/api/craft/bake", more)["minutes"]["likely"] > 1.25 * seen["minutes"]["likely"]
    fan = post(client, "/api/craft/bake", {**BAKE, "mode": "fan"})
    assert fan["minutes"]["likely"] < seen["minutes"]["likely"]


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"batter_g": 9000}, "batter_g"),
        ({"oven_c": 85}, "oven_c"),
        ({"mode": "steam"}, "mode"),
        ({"technique": "cooked-yolk mousse"}, "technique"),
        ({"oven": "nowhere"}, "oven"),
        ({"reference": {"tin": ROUND, "oven_c": 70, "minutes": 30}}, "reference.oven_c"),
        ({"tin": {"shape": "round", "dimensions": {"diameter_mm": 200}}}, "tin.dimensions.depth_mm"),
    ],
)
def test_a_bake_that_cannot_be_names_its_field(client: TestClient, change: dict[str, Any], field: str) -> None:
    problem = problem_of(client.post("/api/craft/bake", json={**BAKE, **change}), 422)
    assert field.rsplit(".", maxsplit=1)[-1] in problem["field"]
    assert problem["remedy"]


def test_every_formula_that_is_baked_can_be_asked_about(client: TestClient) -> None:
    for formula in demo_formulas():
        answer = client.get(f"/api/craft/bake/of/{formula.id}")
        if answer.status_code == 422:
            assert problem_of(answer, 422)["remedy"]
            continue
        body = answer.json()
        seen = post(client, "/api/craft/bake", body)
        assert seen["minutes"]["likely"] == pytest.approx(body["reference"]["minutes"], rel=0.16), formula.id
        assert seen["signs"]
    assert client.get("/api/craft/bake/of/nothing").status_code == 404


def test_what_if_answers_and_the_rack(client: TestClient) -> None:
    shells = ask(client, "/api/craft/bake/of/french-shells") | {"trays": 3}
    found = {a["id"]: a for a in post(client, "/api/craft/bake/what-if", shells)["answers"]}
    assert {"hotter", "cooler", "mode", "two-racks", "door", "cold-oven"} <= found.keys()
    assert "2 loads" in found["two-racks"]["says"]
    cake = post(client, "/api/craft/bake/what-if", BAKE)
    asked = {a["asks"]: a for a in cake["answers"]}
    assert asked["Twice as deep"]["cannot"] or asked["Twice as deep"]["more_min"] > 10
    assert asked["In the 20 cm round"]["minutes"]["high"] > asked["In the 20 cm round"]["minutes"]["low"]
    assert cake["carry_over"][0]["rise_k"]["likely"] < cake["carry_over"][-1]["rise_k"]["likely"]


def test_readings_of_the_middle_move_the_end(client: TestClient) -> None:
    curve = post(client, "/api/craft/bake", BAKE)["curves"]
    slow = [{"t_s": p["t_s"] * 1.2, "core_c": p["core_c"]} for p in curve if 300 < p["t_s"] < 1300]
    told = post(client, "/api/craft/bake/forecast", {**BAKE, "readings": slow})
    ends = told["now_s"] + told["seconds_to_done"]
    assert ends == pytest.approx(34 * 60 * 1.2, rel=0.07)
    assert told["low_s"] < told["seconds_to_done"] < told["high_s"]
    assert told["ahead"][-1]["c"] == pytest.approx(96, abs=3)
    early = post(client, "/api/craft/bake/forecast", {**BAKE, "readings": [{"t_s": 60, "core_c": 22}]})
    assert early["seconds_to_done"] is None
    assert early["why"]
    muddled = client.post("/api/craft/bake/forecast", json={**BAKE, "readings": slow[::-1]})
    assert problem_of(muddled, 422)["field"] == "readings"


def test_cooling_passes_its_gates(client: TestClient) -> None:
    body = {"technique": "chiffon sheet for a roll", "tin": ROUND, "cake_g": 500, "height_mm": 40}
    gates = post(client, "/api/craft/cool", body)["gates"]
    after = [g["after_s"]["likely"] for g in gates]
    assert after == sorted(after)
    assert {"roll", "cream", "cut"} <= {g["kind"] for g in gates}
    hanging = post(client, "/api/craft/cool", {**body, "how": "upside down in its tin"})["gates"]
    assert hanging[-1]["after_s"]["likely"] > after[-1]


def note(client: TestClient, key: str, **fields: Any) -> Any:
    body = {"client_key": f"note-{key:>8}", "note": fields}
    return post(client, "/api/ovens/deck/notes", body)


def test_an_oven_is_known_by_its_thermometer_and_what_is_left_out_can_come_back(client: TestClient) -> None:
    empty = ask(client, "/api/ovens/deck/profile")
    assert (empty["bakes_used"], empty["checks_used"]) == (0, 0)
    assert "can't tell degrees" in empty["says"]
    for i, (dial, shows) in enumerate(((170, 158), (180, 169), (160, 147), (170, 200))):
        told = note(client, str(i), kind="checked", set_c=dial, measured_c=shows)
    assert told["offset"]["offset_k"]["likely"] == pytest.approx(-12, abs=2)
    assert told["degrees_steps"][-1]["trusted"] < 0.1
    assert told["says"] == ""
    again = note(client, "0", kind="checked", set_c=170, measured_c=158)
    assert again["checks_used"] == 4
    first = told["degrees_steps"][0]["id"]
    without = note(client, "out", kind="left_out", evidence=first)
    assert without["checks_used"] == 3
    assert without["degrees_steps"][0]["left_out"]
    back = note(client, "back", kind="left_out", evidence=first, out=False)
    assert back["checks_used"] == 4
    bad = client.post(
        "/api/ovens/deck/notes",
        json={"client_key": "note-wrong", "note": {"kind": "left_out", "evidence": "nothing"}},
    )
    assert "evidence" in problem_of(bad, 422)["field"]
    assert client.get("/api/ovens/nowhere/profile").status_code == 404


def test_the_dial_follows_what_the_thermometer_told(client: TestClient) -> None:
    for i in range(4):
        note(client, f"dial{i}", kind="checked", set_c=170, measured_c=150)
    steps = ask(client, "/api/formulas/tea-chiffon/forecast")["steps"]
    preheat = next(s for s in steps if s["kind"] == "preheat")
    dial = int(preheat["goal"].split()[-2])
    assert dial == pytest.approx(189, abs=2)


def test_a_browning_map_is_read_and_kept(client: TestClient) -> None:
    rows = [[2, 2, 3], [2, 2, 3], [1, 2, 2]]
    read = post(client, "/api/ovens/map", {"note": {"kind": "mapped", "map": {"rows": rows}}})
    assert "right" in read["side"]
    kept = note(client, "map", kind="mapped", map={"rows": rows})
    assert kept["map"]["advice"] == read["advice"]
    uneven = client.post("/api/ovens/map", json={"note": {"kind": "mapped", "map": {"rows": [[2, 2, 2], [2, 2]]}}})
    assert "equally long" in problem_of(uneven, 422)["detail"]
