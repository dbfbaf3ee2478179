"""The doors for sugar work and for readings from outside."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from kindwhisk.devices.pot import PotPlan, StandInPot
from tests.api.test_api import problem_of


def ask(client: TestClient, path: str, **query: Any) -> dict[str, Any]:
    answer = client.get(path, params=query)
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.json()
    return found


def post(client: TestClient, path: str, body: Any) -> dict[str, Any]:
    answer = client.post(path, json=body)
    assert answer.status_code == 200, answer.text
    found: dict[str, Any] = answer.json()
    return found


def test_boiling_point_and_concentration_are_each_others_answer(client: TestClient) -> None:
    boils = ask(client, "/api/craft/syrup/boiling-point", sucrose_percent=87.9, altitude_m=500)
    assert boils["low_c"] < boils["temperature_c"] < boils["high_c"]
    assert boils["temperature_c"] == pytest.approx(116.2, abs=0.2)
    holds = ask(client, "/api/craft/syrup/concentration", temperature_c=boils["temperature_c"], altitude_m=500)
    assert holds["sucrose_percent"] == pytest.approx(87.9, abs=0.01)
    assert holds["low"] < holds["sucrose_percent"] < holds["high"]
    assert holds["stage"] == "firm ball"
    wrong = problem_of(client.get("/api/craft/syrup/boiling-point", params={"sucrose_percent": 120}), 422)
    assert wrong["field"] == "sucrose_percent"


def test_a_pot_is_forecast_from_readings_or_says_why_not(client: TestClient) -> None:
    pot, readings = StandInPot(PotPlan(seed=23)), []
    while pot.syrup_c < 114:
        pot.advance(1)
        readings.append({"t_s": pot.t_s, "temperature_c": pot.read()})
    body = {"sugar_g": 200.0, "water_g": 60.0, "target_c": 118.0, "altitude_m": 0, "readings": readings}
    told = post(client, "/api/craft/syrup/forecast", body)
    began = pot.t_s
    while pot.syrup_c < 118:
        pot.advance(1)
    assert told["low_s"] <= told["seconds_to_target"] <= told["high_s"]
    assert told["seconds_to_target"] == pytest.approx(pot.t_s - began, abs=15)
    assert (told["phase"], told["flags"]) == ("near" if told["seconds_to_target"] < 60 else "boiling", [])
    none = post(client, "/api/craft/syrup/forecast", {**body, "readings": []})
    assert none["seconds_to_target"] is None
    assert none["why"]
    assert none["without_thermometer"]["expected_s"]["basis"] == "trade habit"
    assert "cold water" in none["without_thermometer"]["look_for"]
    assert none["water_off_g"] == pytest.approx(60 - 200 * 12.1 / 87.9, abs=0.5)


def test_other_sugars_in_the_pot_count_and_one_that_is_not_known_is_named(client: TestClient) -> None:
    body = {"sugar_g": 200.0, "water_g": 60.0, "target_c": 118.0, "readings": []}

    def off_g(**beside: float) -> float:
        found: float = post(client, "/api/craft/syrup/forecast", {**body, "beside": beside})["water_off_g"]
        return found

    with_glucose, with_invert = off_g(**{"glucose-syrup": 60}), off_g(**{"invert-syrup": 60})
    # Invert sugar holds its water harder: at the same warmth more of it is left.
    assert with_invert < with_glucose
    assert off_g(**{"glucose-syrup": 0}) == pytest.approx(off_g())
    wrong = problem_of(client.post("/api/craft/syrup/forecast", json={**body, "beside": {"butter": 20}}), 422)
    assert wrong["field"] == "beside"
    assert "glucose-syrup" in wrong["remedy"]


def test_a_hot_foam_is_balanced_beside_the_guidance(client: TestClient) -> None:
    body = {"whites_g": 100, "sugar_g": 150, "syrup_c": 118, "start_c": 22, "bowl_g": 1000}
    found = post(client, "/api/craft/meringue/heat-balance", body)
    assert found["peak_c"]["low"] < found["peak_c"]["likely"] < found["peak_c"]["high"]
    assert [c["c"] for c in found["cool_to"]] == [45, 40, 30, 26]
    assert {p["c"] for p in found["pairs"]} == {56.7, 55.6}
    assert "half the egg" in found["pairs_note"]
    assert post(client, "/api/craft/meringue/heat-balance", {**body, "sugar_g": 40})["pairs_note"] == ""
    cold = problem_of(client.post("/api/craft/meringue/heat-balance", json={**body, "syrup_c": 60, "start_c": 60}), 422)
    assert cold["field"] == "syrup_c"


def test_dissolution_says_from_where_or_that_it_cannot(client: TestClient) -> None:
    assert ask(client, "/api/craft/meringue/dissolution", sugar_to_white=2)["temperature_c"]["likely"] == pytest.approx(
        38, abs=3
    )
    assert ask(client, "/api/craft/meringue/dissolution", sugar_to_white=1)["dissolves_cold"]
    assert not ask(client, "/api/craft/meringue/dissolution", sugar_to_white=5)["possible"]


def test_the_books_meringues_lie_on_the_map(client: TestClient) -> None:
    book = client.get("/api/formulas/meringues").json()
    assert {e["method"] for e in book} == {"French", "Swiss", "Italian"}
    lines = {line["method"]: line for line in client.get("/api/craft/meringue/lines").json()}
    for entry in book:
        line = lines[entry["method"]]
        assert line["ratios"][0] <= entry["sugar_to_white"] <= line["ratios"][-1]
        spot = ask(client, "/api/craft/meringue/spot", sugar_to_white=entry["sugar_to_white"], method=entry["method"])
        assert spot["section"]["volume_ml"]["likely"] == pytest.approx(spot["volume_ml"]["likely"], rel=0.01)


def test_readings_come_in_singly_and_in_batches_and_only_once(client: TestClient) -> None:
    at = datetime.now(UTC)
    one = {"probe": "roof", "value": 71.6, "unit": "F", "at": at.isoformat(), "key": "k1"}
    assert post(client, "/api/readings", one) == {"stored": 1, "repeated": 0, "placed": 0, "said": ""}
    batch = [{**one, "key": f"k{i}", "at": (at - timedelta(seconds=i)).isoformat()} for i in range(1, 5)]
    assert post(client, "/api/readings", {"readings": batch}) == {"stored": 3, "repeated": 1, "placed": 0, "said": ""}
    assert post(client, "/api/readings", {"probe": "roof", "value": 22})["stored"] == 1
    (known,) = client.get("/api/readings").json()
    assert (known["probe"], known["readings"], known["celsius"]) == ("roof", 5, pytest.approx(22))
    span = {"since": (at - timedelta(minutes=1)).isoformat(), "until": (at + timedelta(minutes=1)).isoformat()}
    table = client.get("/api/readings/csv", params={"probe": "roof", **span}).text
    assert post(client, "/api/readings/csv", {"text": table}) == {"stored": 0, "repeated": 5, "placed": 0, "said": ""}
    wrong = problem_of(client.post("/api/readings", json={**one, "value": 900}), 422)
    assert wrong["field"] == "value"


def test_a_kitchen_of_ones_own_has_no_stand_ins(client: TestClient) -> None:
    assert ask(client, "/api/stand-ins")["available"] is False
    refused = problem_of(client.post("/api/stand-ins", json={"speed": 60}), 409)
    assert "--stand-ins" in refused["remedy"]
