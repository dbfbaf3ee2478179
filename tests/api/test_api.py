"""The doors that pages and others rely on."""

from __future__ import annotations

import csv
import io
import json
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from tests.api.conftest import BASE

READY = (datetime.now(UTC) + timedelta(hours=5)).isoformat()


def start(client: TestClient, key: str = "a-bake-key", **more: Any) -> dict[str, Any]:
    answer = client.post("/api/bakes", json={"formula_id": "tea-chiffon", "ready_at": READY, "client_key": key, **more})
    assert answer.status_code == 201, answer.text
    body: dict[str, Any] = answer.json()
    return body


def problem_of(answer: Any, status: int) -> dict[str, Any]:
    assert answer.status_code == status, answer.text
    assert answer.headers["content-type"].startswith("application/problem+json")
    body: dict[str, Any] = answer.json()
    assert body["detail"]
    assert body["remedy"]
    return body


def test_health_tells_the_version(client: TestClient) -> None:
    assert client.get("/api/health").json() == {"status": "ok", "version": "0.1.0"}


def test_the_book_lists_what_it_holds(client: TestClient) -> None:
    listed = {f["id"]: f for f in client.get("/api/formulas").json()}
    assert listed["tea-chiffon"]["technique"] == "separated chiffon"
    assert listed["butter-sponge"]["title"] == "Butter sponge"
    asked = {s["question"] for s in client.get("/api/formulas/tea-chiffon").json()["schools"]}
    assert asked >= {"Sugar into the whites", "Peak for folding", "Folding", "Tin", "Cooling"}


@pytest.mark.parametrize(
    ("query", "grams"),
    [
        ({"whites_g": 150}, 150),
        ({"eggs": 4}, 4 * 34.5),
        ({"total_g": 800}, 800 * 122 / 396),
        ({"tin": "tube-17", "tin_count": 2}, 2 * 127.1),
    ],
)
def test_a_forecast_follows_what_the_baker_knows(client: TestClient, query: dict[str, float], grams: float) -> None:
    body = client.get("/api/formulas/tea-chiffon/forecast", params=query).json()
    whites = next(i for i in body["ingredients"] if i["id"] == "egg-white")
    assert whites["grams"] == pytest.approx(grams, rel=0.03)
    whip = next(s for s in body["steps"] if s["id"] == "whip")
    assert whip["kind"] == "whip"
    assert whip["vessel"] == "mixer-bowl"
    density = whip["material"]["density_g_per_ml"]
    assert density["low"] < density["likely"] < density["high"]
    assert whip["material"]["volume_ml"]["likely"] == pytest.approx(
        whip["material"]["mass_g"] / density["likely"], rel=1e-6
    )
    assert whip["hold_s"]["likely"] == 240
    assert whip["checkpoints"][0]["band"]["range"]["basis"] == "model"
    assert isinstance(body["warnings"], list)


def test_a_tin_may_come_as_its_shape(client: TestClient) -> None:
    tin = {"shape": "round", "dimensions": {"diameter_mm": 150, "depth_mm": 60}}
    params = {"tin": json.dumps(tin)}
    body = client.get("/api/formulas/butter-sponge/forecast", params=params).json()
    assert body["factor"] < 1


@pytest.mark.parametrize(
    ("query", "field", "said"),
    [
        ({"tin": '{"shape": "boot"}'}, "tin", "'boot' is not one of"),
        ({"tin": '{"shape": '}, "tin", "is not JSON"),
        ({"tin": "x" * 90}, "tin", "There is no tin"),
        (
            {"tin": '{"shape": "round", "dimensions": {"diameter_mm": 0, "depth_mm": 60}}'},
            "tin.dimensions.diameter_mm",
            "must be at least 1",
        ),
        (
            {"tin": '{"shape": "tube", "dimensions": {"diameter_mm": 90, "depth_mm": 60, "tube_diameter_mm": 95}}'},
            "tin.dimensions",
            "must be smaller than diameter_mm",
        ),
        ({"eggs": 0}, "eggs", "must be more than 0"),
        ({"whites_g": "some"}, "whites_g", "must be a number"),
    ],
)
def test_an_amount_that_cannot_be_is_named_in_plain_words(
    client: TestClient, query: dict[str, Any], field: str, said: str
) -> None:
    problem = problem_of(client.get("/api/formulas/tea-chiffon/forecast", params=query), 422)
    assert problem["field"] == field
    assert said in problem["detail"]
    assert problem["remedy"]


def test_a_plan_tells_start_and_end_of_each_step_and_why(client: TestClient) -> None:
    body = {"formula_id": "tea-chiffon", "ready_at": READY}
    plan = client.post("/api/plans", json=body).json()
    assert plan["late_by_s"] == 0
    assert {s["step"] for s in plan["steps"]} >= {"whip", "bake", "cool", "preheat-bake"}
    assert all(s["start"] < s["end"] for s in plan["steps"])
    soon = (datetime.now(UTC) + timedelta(minutes=30)).isoformat()
    late = client.post("/api/plans", json={**body, "ready_at": soon}).json()
    assert late["late_by_s"] > 3600
    assert "leave it hanging" in late["because"]


@pytest.mark.parametrize(
    ("body", "field"),
    [
        ({"formula_id": "tea-chiffon", "ready_at": "soon"}, "ready_at"),
        ({"formula_id": "tea-chiffon", "ready_at": "2026-01-01T05:00:00"}, "ready_at"),
        ({"formula_id": "tea-chiffon", "ready_at": "2026-01-01T05:00:00Z"}, "ready_at"),
        ({"formula_id": "tea-chiffon", "ready_at": "2050-01-01T05:00:00Z"}, "ready_at"),
        ({"formula_id": "tea-chiffon", "ready_at": READY, "eggs": -1}, "eggs"),
        ({"formula_id": "tea-chiffon", "ready_at": READY, "egs": 3}, "egs"),
        ({"formula_id": "tea-chiffon", "ready_at": READY, "tin": "bucket"}, "tin"),
    ],
)
def test_a_wrong_field_is_named_with_its_remedy(client: TestClient, body: dict[str, Any], field: str) -> None:
    assert problem_of(client.post("/api/plans", json=body), 422)["field"] == field


def test_a_bake_is_started_told_of_and_read_back(client: TestClient) -> None:
    bake = start(client, whites_g=150)
    assert start(client, whites_g=150)["id"] == bake["id"]
    url = f"/api/bakes/{bake['id']}"
    event = {"client_key": "tap-0001", "kind": "step_done", "step": bake["current"]}
    first = client.post(f"{url}/events", json=event).json()
    again = client.post(f"{url}/events", json=event).json()
    assert again["sequence"] == first["sequence"] == 1
    assert client.get(url).json()["steps"] == first["steps"]
    assert [b["id"] for b in client.get("/api/bakes", params={"status": "running"}).json()] == [bake["id"]]
    braid = client.get(f"{url}/braid").json()
    assert {p["step"] for p in braid["planned"]["pieces"]} >= {"whip", "bake"}


def test_a_refusal_says_what_is_missing(client: TestClient) -> None:
    bake = start(client)
    answer = client.post(
        f"/api/bakes/{bake['id']}/events", json={"client_key": "tap-0002", "kind": "step_started", "step": "whip"}
    )
    assert problem_of(answer, 409)["field"] == "step"
    assert problem_of(client.get("/api/bakes/none"), 404)["field"] == "bake_id"
    assert problem_of(client.get("/api/formulas/none"), 404)["field"] == "formula_id"
    assert problem_of(client.get("/api/nonsense"), 404)["status"] == 404


def test_readings_leave_as_csv_with_their_bands(client: TestClient) -> None:
    bake = start(client)
    url = f"/api/bakes/{bake['id']}"
    cup = {"full_g": 60.0, "empty_g": 38.0, "volume_ml": 120.0}
    event = {"client_key": "cup-0001", "kind": "reading_added", "step": "whip", "quantity": "density", "cup": cup}
    assert client.post(f"{url}/events", json=event).status_code == 200
    answer = client.get(f"{url}/readings.csv")
    (row,) = csv.DictReader(io.StringIO(answer.text))
    assert answer.headers["content-type"].startswith("text/csv")
    assert row["step"] == "whip"
    assert float(row["value"]) == pytest.approx(22 / 120, rel=1e-3)
    assert float(row["band_low"]) < float(row["band_high"])
    assert row["place"] == "high"


def test_a_formula_leaves_as_a_recipe_and_comes_back_whole(client: TestClient) -> None:
    answer = client.get("/api/formulas/tea-chiffon.jsonld")
    recipe = answer.json()
    assert answer.headers["content-type"].startswith("application/ld+json")
    assert recipe["@type"] == "Recipe"
    assert "122 g egg white" in recipe["recipeIngredient"]
    assert all(step["@type"] == "HowToStep" for step in recipe["recipeInstructions"])
    assert client.post("/api/formulas", json=recipe).json() == {"id": "tea-chiffon", "version": 1}
    recipe["kindwhisk:process"]["title"] = "Smoky tea chiffon"
    assert client.post("/api/formulas", json=recipe).json()["version"] == 2
    kept = client.get("/api/formulas/tea-chiffon").json()["formula"]
    assert kept == {**json.loads(tea_chiffon().model_dump_json()), "title": "Smoky tea chiffon"}


@pytest.mark.parametrize(
    ("recipe", "field"),
    [
        ({"name": "soup"}, "@type"),
        ({"@type": "Recipe", "name": "soup"}, "kindwhisk:process"),
        ({"@type": "Recipe", "kindwhisk:process": {"id": "x"}}, "kindwhisk:process"),
    ],
)
def test_a_recipe_that_cannot_be_read_says_where(client: TestClient, recipe: dict[str, Any], field: str) -> None:
    assert problem_of(client.post("/api/formulas", json=recipe), 422)["field"].startswith(field)


def test_the_kitchen_is_saved_and_a_stale_page_is_told(client: TestClient) -> None:
    view = client.get("/api/kitchen").json()
    view["kitchen"]["altitude_m"] = 1200
    saved = client.put("/api/kitchen", json=view)
    assert saved.json()["revision"] == view["revision"] + 1
    assert client.get("/api/kitchen").json()["kitchen"]["altitude_m"] == 1200
    assert problem_of(client.put("/api/kitchen", json=view), 409)["field"] == "revision"
    view["revision"] += 1
    view["kitchen"]["tins"][0]["tin"]["dimensions"]["depth_mm"] = -3
    assert "depth_mm" in problem_of(client.put("/api/kitchen", json=view), 422)["field"]


def test_small_questions_of_the_craft(client: TestClient) -> None:
    eggs = client.get("/api/craft/eggs", params={"size": "us-large", "count": 3}).json()
    assert eggs["in_shell_g"]["likely"] == pytest.approx(170.1)
    understood = client.get("/api/craft/quantity", params={"text": "325 °F", "wanted": "temperature"}).json()
    assert understood["value"] == pytest.approx(162.8, abs=0.1)
    cup = client.post("/api/craft/density", json={"full_g": 62.0, "empty_g": 38.0, "volume_ml": 120.0})
    assert cup.json()["density_g_per_ml"] == pytest.approx(0.2)
    tin = {"shape": "half-sphere", "dimensions": {"diameter_mm": 160.0}}
    drawing = client.post("/api/craft/tin-drawing", json={"tin": tin}).json()
    assert drawing["volume_ml"] == pytest.approx(1072.3, rel=1e-3)


# --- who may ask ---


def test_another_host_or_origin_is_turned_away(client: TestClient) -> None:
    assert problem_of(client.get("/api/health", headers={"host": "evil.example"}), 421)["field"] == "Host"
    answer = client.post("/api/plans", json={}, headers={"origin": "http://evil.example"})
    assert problem_of(answer, 403)["field"] == "Origin"
    assert client.get("/api/health", headers={"host": "localhost:8321"}).status_code == 200
    own = client.post("/api/craft/density", json={}, headers={"origin": BASE})
    assert own.status_code == 422


def test_beyond_this_machine_a_passcode_is_required(tmp_path: Path) -> None:
    with pytest.raises(ValueError, match="passcode is required"):
        Settings(data=tmp_path, host="0.0.0.0")
    app = create_app(Settings(data=tmp_path, host="0.0.0.0", passcode="yolks and sugar"))
    with TestClient(app, base_url="http://kitchen.local:8321") as client:
        assert client.get("/api/health").status_code == 200
        assert problem_of(client.get("/api/formulas"), 401)["field"] == "passcode"
        assert problem_of(client.post("/api/session", json={"passcode": "white"}), 422)["field"] == "passcode"
        assert client.post("/api/session", json={"passcode": "yolks and sugar"}).status_code == 204
        assert client.get("/api/formulas").status_code == 200


def test_a_page_is_served_fresh_and_an_asset_for_ever(tmp_path: Path) -> None:
    web = tmp_path / "web"
    (web / "assets").mkdir(parents=True)
    (web / "index.html").write_text("<p>the page</p>")
    (web / "assets" / "a-123.js").write_text("1")
    with TestClient(create_app(Settings(data=tmp_path, web=web)), base_url=BASE) as client:
        page = client.get("/bench/some-bake")
        assert (page.text, page.headers["cache-control"]) == ("<p>the page</p>", "no-cache")
        assert "default-src 'self'" in page.headers["content-security-policy"]
        assert "immutable" in client.get("/assets/a-123.js").headers["cache-control"]
        assert client.get("/assets/gone.js").status_code == 404
        assert client.get("/icon.svg").status_code == 404
        assert client.get("/%2e%2e/kindwhisk.sqlite3").status_code == 404


# --- whatever comes in, nothing falls over ---

json_values = st.recursive(
    st.none() | st.booleans() | st.integers(-(10**12), 10**12) | st.floats(allow_nan=False) | st.text(max_size=20),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=12), inner, max_size=3),
    max_leaves=8,
)
event_fields = st.fixed_dictionaries(
    {"client_key": st.text(max_size=30) | json_values},
    optional={
        "kind": st.sampled_from(
            ["step_done", "step_started", "reading_added", "undone", "timer_started", "note_added"]
        ),
        "step": st.sampled_from(["whip", "bake", "", "weigh-milk"]) | json_values,
        "quantity": st.sampled_from(["density", "mass"]) | json_values,
        "value": json_values,
        "cup": json_values,
        "seconds": json_values,
        "sequence": json_values,
        "at": st.just("2026-13-45T99:00:00Z") | json_values,
    },
)
plan_fields = st.dictionaries(
    st.sampled_from(["formula_id", "ready_at", "tin", "eggs", "whites_g", "total_g", "tin_count", "oven", "x"]),
    st.sampled_from(["tea-chiffon", READY, "tube-17"]) | json_values,
    max_size=6,
)


@given(event=event_fields, plan=plan_fields, anything=json_values)
@settings(max_examples=150, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_malformed_input_is_answered_and_never_breaks_the_server(
    application: FastAPI, event: dict[str, Any], plan: dict[str, Any], anything: Any
) -> None:
    client = TestClient(application, base_url=BASE, raise_server_exceptions=False)
    bake = start(client)["id"]
    for method, path, body in (
        ("POST", f"/api/bakes/{bake}/events", event),
        ("POST", "/api/plans", plan),
        ("POST", "/api/formulas", anything),
        ("PUT", "/api/kitchen", anything),
        ("POST", "/api/craft/tin-drawing", {"tin": anything}),
    ):
        answer = client.request(method, path, content=json.dumps(body), headers={"content-type": "application/json"})
        assert answer.status_code < 500, (path, body, answer.text)
        if answer.status_code >= 400:
            assert answer.json()["detail"]


def test_the_shipped_formulas_come_into_an_empty_book_once(tmp_path: Path) -> None:
    with TestClient(create_app(Settings(data=tmp_path)), base_url=BASE) as client:
        assert client.get("/api/formulas").json() == []
        assert len(client.post("/api/formulas/shipped").json()) == len(demo_formulas())
        assert client.post("/api/formulas/shipped").json() == []
        assert {f["version"] for f in client.get("/api/formulas").json()} == {1}
