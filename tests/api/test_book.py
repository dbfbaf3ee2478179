"""The Book's doors: read in, scale, change, compare, take away."""

from __future__ import annotations

import csv
import io
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.demo.formulas import demo_formulas

IDS = [f.id for f in demo_formulas()]


def ok(answer: Any, status: int = 200) -> Any:
    assert answer.status_code == status, answer.text
    return answer.json()


def test_a_line_is_weighed(client: TestClient) -> None:
    got = ok(client.post("/api/craft/read-line", json={"text": "1/2 cup plus 1 tablespoon caster sugar"}))
    assert got["ingredient"] == "sugar"
    assert got["low_g"] < got["grams"] < got["high_g"]
    assert got["grams"] == pytest.approx(112, abs=1)
    assert 0 < got["sure"] < 1
    assert got["note"]


def test_a_recipe_is_drafted_and_not_kept(client: TestClient) -> None:
    list_ = "Cake\nIngredients\n4 eggs, separated\n120 g sugar\n110 g flour\n"
    text = f"{list_}Method\nBake at 170 °C for 30 min until golden."
    before = ok(client.get("/api/formulas"))
    got = ok(client.post("/api/formulas/read", json={"text": text}))
    assert got["formula"]["technique"] == "separated sponge"
    assert {q["field"] for q in got["questions"]} >= {"tin", "sugar"}
    assert "no-tin" in {r["id"] for r in got["lint"]}
    assert ok(client.get("/api/formulas")) == before
    # The same from a schema.org Recipe; another class on request.
    document = {"@type": "Recipe", "name": "Cake", "recipeIngredient": ["4 eggs", "120 g sugar", "110 g flour"]}
    other = ok(client.post("/api/formulas/read", json=document))
    assert other["formula"]["technique"] == "génoise, cold method"
    asked = ok(client.post("/api/formulas/read", json={"text": text, "technique": "ladyfingers"}))
    assert asked["formula"]["steps"][-1]["kind"] == "cool"


TOLD = (
    "Sponge\n4 eggs\n120 g sugar\n110 g flour\n\nWhisk the eggs with the sugar for 8 minutes until tripled. "
    "Fold in the flour.\n"
    "Bake at 180 °C for 30 minutes in a 20 cm round tin until golden. Enjoy."
)


def test_every_row_comes_back_with_the_steps_that_it_became(client: TestClient) -> None:
    got = ok(client.post("/api/formulas/read", json={"text": TOLD}))
    rows = {row["text"]: row for row in got["rows"]}
    ids = [s["id"] for s in got["formula"]["steps"]]
    assert rows["Fold in the flour."]["steps"] == ["weigh-2", "fold"]
    assert rows["110 g flour"]["line"] == 2
    assert rows["Enjoy."]["says"] == "known"
    assert set(got["keys"]) == set(ids)
    fold = next(s for s in got["formula"]["steps"] if s["id"] == "fold")
    assert fold["written"] == "Fold in the flour."


def test_what_was_corrected_by_hand_is_kept_when_the_text_is_read_again(client: TestClient) -> None:
    got = ok(client.post("/api/formulas/read", json={"text": TOLD}))
    mends = [{"key": got["keys"]["fold"], "fields": {"portions": 4}}, {"key": got["keys"]["cool"], "drop": True}]
    body = {"text": TOLD.replace("Fold in the flour", "Fold in all the flour"), "by_hand": {"mends": mends}}
    again = ok(client.post("/api/formulas/read", json=body))["formula"]["steps"]
    assert next(s["portions"] for s in again if s["id"] == "fold") == 4
    assert "cool" not in {s["kind"] for s in again}
    refused = client.post("/api/formulas/read", json={"text": TOLD, "by_hand": {"mends": [{"drop": True}]}})
    assert refused.status_code == 422
    assert refused.json()["field"] == "by_hand.mends.0.key"


def test_sections_of_a_recipe_are_its_parts(client: TestClient) -> None:
    document = {
        "@type": "Recipe", "name": "Roll", "recipeYield": ["1 roll", "8 servings"],
        "recipeIngredient": ["4 eggs", "100 g sugar", "90 g flour", "For the cream:", "200 ml cream", "20 g sugar"],
        "recipeInstructions": [
            {"@type": "HowToSection", "name": "Sponge", "itemListElement": [
                {"@type": "HowToStep", "text": "Whisk eggs and sugar until tripled.<br>Fold in the flour."},
                {"@type": "HowToStep", "text": "Bake at 200 °C for 10 minutes on a 30 x 40 cm tray. Cool."}]},
            {"@type": "HowToSection", "name": "Cream", "itemListElement": [
                {"@type": "HowToStep", "text": "Whip the cream with the sugar. Spread over the sponge, roll up."}]},
        ],
    }  # fmt: skip
    got = ok(client.post("/api/formulas/read", json=document))
    assert got["formula"]["servings"] == 8
    assert [s["kind"] for s in got["formula"]["steps"] if s["kind"] != "weigh"] == [
        "whip", "fold", "fill", "bake", "cool", "whip", "spread", "roll",
    ]  # fmt: skip
    cream = {s["component"] for s in got["formula"]["steps"] if s["kind"] == "whip"}
    assert cream == {"cream", "sponge"}
    assert [r["group"] for r in got["rows"] if r["kind"] == "ingredient"] == ["", "", "", "cream", "cream"]


@pytest.mark.parametrize("formula_id", IDS)
def test_every_formula_leaves_and_comes_back_the_same(client: TestClient, formula_id: str) -> None:
    recipe = ok(client.get(f"/api/formulas/{formula_id}.jsonld"))
    process = recipe["kindwhisk:process"]
    own = ok(client.get(f"/api/formulas/{formula_id}"))
    assert process == own["formula"]
    draft = ok(client.post("/api/formulas/read", json=recipe))["formula"]
    assert draft.pop("id") == f"{formula_id}-2"
    assert draft == {k: v for k, v in process.items() if k != "id"}
    assert ok(client.post("/api/formulas", json=recipe), 201) == {"id": formula_id, "version": own["version"]}


@pytest.mark.parametrize("formula_id", ["tea-chiffon", "finger-cake"])
def test_the_weigh_list_leaves_as_a_table_that_is_read_back(client: TestClient, formula_id: str) -> None:
    table = client.get(f"/api/formulas/{formula_id}.csv", params={"times": 2}).text
    total = sum(float(row["grams"]) for row in csv.DictReader(io.StringIO(table)))
    assert total == pytest.approx(2 * ok(client.get(f"/api/formulas/{formula_id}/forecast"))["total_g"], rel=0.001)
    read = ok(client.post("/api/formulas/read", json={"text": table, "format": "csv"}))
    assert sum(line["grams"] or 0 for line in read["lines"]) == pytest.approx(total, rel=0.001)
    text = client.get(f"/api/formulas/{formula_id}.txt").text
    assert "Check the label" in text
    assert "salmonella" in text


def test_scaling_answers_with_components_leftovers_and_tins(client: TestClient) -> None:
    wish = {"limit": {"ingredient": "almond-flour", "grams": 152}, "beside": []}
    got = ok(client.post("/api/formulas/french-shells/scale", json=wish))
    assert got["factor"] == pytest.approx(2)
    assert {c["name"] for c in got["components"]} == {"shells", "lemon filling", "pairs"}
    assert got["fills"][0]["count"] == 120
    assert got["eggs"]["left_yolk_g"] > 40
    refused = client.post("/api/formulas/french-shells/scale", json={**wish, "servings": 4})
    assert refused.status_code == 422
    assert refused.json()["field"] == "limit"


def test_a_wish_that_is_none_is_refused_in_words(client: TestClient) -> None:
    path = "/api/formulas/french-shells/scale"
    for beside in ([{"tin": {"shape": {"a": 1}}}], [{"tin": None}], "two", [{"tin": "round-20", "count": 0}]):
        answer = client.post(path, json={"beside": beside})
        assert answer.status_code == 422
        assert answer.json()["field"].startswith("beside")


def test_a_ratio_comes_with_its_band_and_what_each_side_does(client: TestClient) -> None:
    ratios = {r["id"]: r for r in ok(client.get("/api/formulas/tea-chiffon/balance"))}
    sugar = ratios["sugar-to-white"]
    assert sugar["band"]["low"] < sugar["value"] < sugar["band"]["high"]
    assert sugar["place"] == "within"
    assert sugar["low"]
    assert sugar["high"]


def test_a_newer_version_is_not_written_over_and_both_can_be_compared(client: TestClient) -> None:
    path = "/api/formulas/swiss-swirls"
    proposed = ok(client.post(f"{path}/method", json={"step": "whip", "method": "French"}))
    assert {d["about"] for d in proposed["differences"]} >= {"step", "may wait"}
    keep = {"formula": proposed["formula"], "based_on": proposed["based_on"]}
    assert ok(client.put(path, json=keep))["version"] == 2
    late = client.put(path, json={**keep, "formula": {**keep["formula"], "servings": 3}})
    assert late.status_code == 409
    assert late.json()["field"] == "based_on"
    versions = ok(client.get(f"{path}/versions"))
    assert [v["version"] for v in versions] == [2, 1]
    compared = ok(client.get(f"{path}/compare", params={"before": 1, "after": 2}))
    assert compared["before"]["meringues"] == {"whip": "Swiss"}
    assert compared["after"]["meringues"] == {"whip": "French"}
    assert client.get(f"{path}/compare", params={"before": 1, "after": 9}).json()["field"] == "version"
    other = client.put("/api/formulas/other", json=keep)
    assert other.json()["field"] == "formula.id"


def test_nonsense_in_a_draft_is_named_at_its_step(client: TestClient) -> None:
    draft = ok(client.get("/api/formulas/tea-chiffon"))["formula"]
    draft["steps"].insert(0, draft["steps"].pop(5))
    draft["steps"][0]["inputs"].append({"source": "step", "step": "whip", "fraction": 0.9})
    got = ok(client.post("/api/formulas/check", json={"draft": draft}))
    assert got["forecast"] is None
    assert any("does not come before it" in f["text"] for f in got["findings"])
    assert any("more than all of 'whip'" in f["text"] or "nothing of" in f["text"] for f in got["findings"])


def test_eggs_of_the_day_are_pooled_over_its_bakes(client: TestClient) -> None:
    assert ok(client.get("/api/bakes/eggs-today")) is None
    for formula in ("syrup-peaks", "coffee-mousse"):
        ready = (datetime.now(UTC) + timedelta(hours=20)).isoformat()
        body = {"formula_id": formula, "ready_at": ready, "client_key": f"now-{formula}"}
        ok(client.post("/api/bakes", json=body), 201)
    day = ok(client.get("/api/bakes/eggs-today"))
    assert day["pooled"] < day["alone"]


json_values = st.recursive(
    st.none() | st.booleans() | st.floats(allow_nan=False, allow_infinity=False) | st.text(max_size=20),
    lambda inner: st.lists(inner, max_size=4) | st.dictionaries(st.text(max_size=8), inner, max_size=4),
    max_leaves=10,
)
names = [
    "@type",
    "@graph",
    "text",
    "recipeIngredient",
    "recipeInstructions",
    "name",
    "recipeYield",
    "kindwhisk:process",
]


@given(st.dictionaries(st.sampled_from(names), json_values | st.just("Recipe"), max_size=6))
@settings(max_examples=300, suppress_health_check=list(HealthCheck))
def test_no_document_whatever_it_holds_is_a_server_error(client: TestClient, document: dict[str, Any]) -> None:
    answer = client.post("/api/formulas/read", json=document)
    assert answer.status_code in {200, 422}, answer.text
    if answer.status_code == 422:
        assert answer.json()["detail"]
