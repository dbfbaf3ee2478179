"""The doors of goods: put on the shelf, followed by the Book, kept by the past, taken away and brought along."""

from __future__ import annotations

import csv
import io
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.test_book import ok

LABEL = {"fat": 31, "carbohydrate": 57, "sugars": 56, "protein": 6}
PRALINE = {"name": "House praline", "synonyms": ["croquant maison"], "label": LABEL, "allergens": ["hazelnut"],
           "may_contain": ["milk"], "label_read": True, "price_per_kg": 20}  # fmt: skip
RECIPE = (
    "Cake\nIngredients\n4 eggs, separated\n120 g sugar\n110 g flour\n{line}\nMethod\nFold. Bake at 170 °C for 30 min."
)


def put_on(client: TestClient, **good: Any) -> dict[str, Any]:
    kept: dict[str, Any] = ok(client.post("/api/goods", json={**PRALINE, **good}), 201)
    return kept


def into_the_book(client: TestClient, line: str) -> dict[str, Any]:
    formula = ok(client.post("/api/formulas/read", json={"text": RECIPE.format(line=line)}))["formula"]
    ok(client.put(f"/api/formulas/{formula['id']}", json={"formula": formula}))
    found: dict[str, Any] = ok(client.get(f"/api/formulas/{formula['id']}"))
    return found


def forecast(client: TestClient, formula_id: str) -> dict[str, Any]:
    found: dict[str, Any] = ok(client.get(f"/api/formulas/{formula_id}/forecast"))
    return found


def test_a_good_is_kept_found_changed_and_removed(client: TestClient) -> None:
    kept = put_on(client)
    assert kept["good"]["key"] == "house-praline"
    assert [g["id"] for g in ok(client.get("/api/goods"))] == [kept["id"]]
    found = ok(client.get("/api/goods", params={"find": "croquant"}))
    assert found[0]["own"]
    assert found[0]["contains"] == "Contains nuts (hazelnut)."
    assert "milk" in found[0]["labels"]
    assert {g["id"] for g in ok(client.get("/api/goods", params={"find": "peanut"}))} >= {"peanut-butter", "peanut"}
    changed = ok(client.put("/api/goods/house-praline", json={**PRALINE, "allergens": ["hazelnut", "almond"]}))
    assert changed["id"] != kept["id"]
    assert ok(client.get("/api/goods/house-praline"))["allergens"] == ["almond", "hazelnut"]
    assert client.delete("/api/goods/house-praline").status_code == 204
    assert ok(client.get("/api/goods")) == []
    assert client.get("/api/goods/house-praline").status_code == 422
    assert client.delete("/api/goods/house-praline").status_code == 422


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        ({"name": ""}, "name"),
        ({"allergens": ["nuts"]}, "allergens"),
        ({"stands_for": "moonlight"}, ""),
        ({"label": {"carbohydrate": 10, "sugars": 40}}, "label"),
        ({"cup_g": -3}, "cup_g"),
        ({"key": "mine"}, "key"),
    ],
)
def test_what_can_not_be_a_good_is_refused_and_the_field_is_named(
    client: TestClient, wrong: dict[str, Any], field: str
) -> None:
    answer = client.post("/api/goods", json={**PRALINE, **wrong})
    assert answer.status_code == 422
    assert field in (answer.json()["field"] or "")
    assert answer.json()["remedy"]
    assert ok(client.get("/api/goods")) == []


def test_two_goods_can_not_go_by_one_name(client: TestClient) -> None:
    put_on(client)
    answer = client.post("/api/goods", json={"name": "Croquant Maison"})
    assert answer.status_code == 422
    assert answer.json()["field"] == "name"
    second = put_on(client, name="House praline, dark", synonyms=[])
    assert second["good"]["key"] == "house-praline-dark"


def test_an_own_good_is_read_reckoned_with_and_carried_to_every_list(client: TestClient) -> None:
    kept = put_on(client)
    line = ok(client.post("/api/craft/read-line", json={"text": "80 g croquant maison, chopped"}))
    assert (line["ingredient"], line["allergens"], line["allergens_unknown"]) == (kept["id"], ["hazelnut"], False)
    view = into_the_book(client, "80 g house praline")
    assert view["goods"] == {kept["id"]: "House praline"}
    made = forecast(client, view["formula"]["id"])
    assert "hazelnut" in made["allergens"]
    assert made["allergens_unknown"] == []
    assert "House praline" in made["labels"]
    assert made["cost"]["amount"] == pytest.approx(20 * 80 / 1000)
    rows = list(csv.DictReader(io.StringIO(client.get(f"/api/formulas/{view['formula']['id']}.csv").text)))
    row = next(r for r in rows if r["ingredient"] == "House praline")
    assert (row["allergens"], row["check_label"], row["allergens_known"]) == ("hazelnut", "yes", "yes")
    assert "nuts (hazelnut)" in client.get(f"/api/formulas/{view['formula']['id']}.txt").text
    assert ok(client.get("/api/goods"))[0]["used_in"] == ["Cake"]
    assert kept["id"] in {i["id"] for i in ok(client.get("/api/craft/ingredients"))}


def test_what_is_not_understood_stays_so_until_somebody_says_what_it_is(client: TestClient) -> None:
    line = ok(client.post("/api/craft/read-line", json={"text": "80 g moon crackle"}))
    assert (line["ingredient"], line["unknown"], line["allergens"]) == (None, "moon crackle", [])
    assert line["allergens_unknown"] is True
    view = into_the_book(client, "80 g moon crackle")
    formula_id = view["formula"]["id"]
    made = forecast(client, formula_id)
    assert made["allergens_unknown"] == ["moon crackle"]
    assert "1 good not known here: moon crackle" in made["contains"]
    glance = next(g for g in ok(client.get("/api/formulas/glances")) if g["id"] == formula_id)
    assert {"gluten", "peanut", "nuts", "molluscs", "sesame"} <= set(glance["not_without"])
    recipe = ok(client.get(f"/api/formulas/{formula_id}.jsonld"))
    assert recipe["kindwhisk:allergens_unknown"] == ["moon crackle"]
    assert "egg" in recipe["kindwhisk:allergens"]
    assert "moon crackle" in client.get(f"/api/formulas/{formula_id}.txt").text
    again = ok(client.post("/api/formulas/read", json=recipe))["formula"]
    assert [g["name"] for g in again["goods"]] == ["moon crackle"]
    copy = ok(client.post(f"/api/formulas/{formula_id}/copy", json={"title": "Another"}), 201)
    assert forecast(client, copy["id"])["allergens_unknown"] == ["moon crackle"]
    # Told of, it is known wherever it stood: each formula gets it in a version of its own.
    kept = put_on(client, name="Crackle", synonyms=["Moon crackle"])
    assert set(kept["formulas"]) == {formula_id, copy["id"]}
    told = forecast(client, formula_id)
    assert (told["version"], told["allergens_unknown"]) == (2, [])
    assert "hazelnut" in told["allergens"]
    grams = {i["name"]: i["grams"] for i in told["ingredients"]}
    assert grams["Crackle"] == 80


def test_until_its_label_was_read_a_good_leaves_every_list_incomplete(client: TestClient) -> None:
    put_on(client, label_read=False, allergens=[], stands_for="praline-paste")
    view = into_the_book(client, "80 g house praline")
    assert forecast(client, view["formula"]["id"])["allergens_unknown"] == ["House praline"]
    changed = ok(client.put("/api/goods/house-praline", json=PRALINE))
    assert changed["formulas"] == [view["formula"]["id"]]
    assert forecast(client, view["formula"]["id"])["allergens_unknown"] == []


def test_a_bake_keeps_what_it_was_made_with_when_the_label_changes(client: TestClient) -> None:
    put_on(client)
    view = into_the_book(client, "80 g house praline")
    ready = (datetime.now(UTC) + timedelta(hours=6)).isoformat()
    plan = {"formula_id": view["formula"]["id"], "ready_at": ready, "client_key": "first-bake-1"}
    made = ok(client.post("/api/bakes", json=plan), 201)
    ok(client.put("/api/goods/house-praline", json={**PRALINE, "allergens": ["hazelnut", "sesame"]}))
    assert "sesame" in forecast(client, view["formula"]["id"])["allergens"]
    label = ok(client.get(f"/api/bakes/{made['id']}/label"))
    assert "hazelnut" in label["allergens"]
    assert "sesame" not in label["allergens"]
    assert label["title"] == "Cake"
    assert label["weight_g"] > 300
    text = client.get(f"/api/bakes/{made['id']}/label.txt").text
    assert "nuts (hazelnut)" in text
    assert label["batch"] in text
    # Taken off the shelf, it stays in what is made with it.
    assert client.delete("/api/goods/house-praline").status_code == 204
    assert "sesame" in forecast(client, view["formula"]["id"])["allergens"]


def test_the_kitchens_law_says_how_allergens_are_told(client: TestClient) -> None:
    kitchen = ok(client.get("/api/kitchen"))
    assert ok(client.get("/api/goods/allergens"))["law"] == "eu"
    assert "gluten (wheat)" in forecast(client, "tea-chiffon")["contains"]
    kitchen["kitchen"]["allergen_law"] = "us"
    ok(client.put("/api/kitchen", json={"revision": kitchen["revision"], "kitchen": kitchen["kitchen"]}))
    assert len(ok(client.get("/api/goods/allergens"))["groups"]) == 9
    said = forecast(client, "tea-chiffon")["contains"]
    assert "wheat" in said
    assert "gluten" not in said


def test_goods_go_out_and_come_in_as_a_table(client: TestClient) -> None:
    put_on(client)
    put_on(client, name="=Sum", synonyms=[], allergens=[], may_contain=[], label=None)
    table = client.get("/api/goods/csv").text
    assert "'=Sum" in table  # a spreadsheet takes it for text
    before = {g["name"]: g["good"] for g in ok(client.get("/api/goods"))}
    for key in ("house-praline", "sum"):
        client.delete(f"/api/goods/{key}")
    read = ok(client.post("/api/goods/csv", json={"text": table}))
    assert len(read["added"]) == 2
    assert {g["name"]: g["good"] for g in ok(client.get("/api/goods"))} == before
    again = ok(client.post("/api/goods/csv", json={"text": table.replace("20", "21")}))
    assert (len(again["added"]), len(again["changed"])) == (0, 2)


@pytest.mark.parametrize(
    ("table", "said"),
    [
        ("ingredient,grams\nx,1", "no column “name”"),
        ("name,fat_100g\nx,lots", "Row 2, “fat_100g”"),
        ("name,allergens\nx,nuts", "Row 2"),
        ("name\nx\nx", "stands twice"),
        ("name;fat_100g;carbohydrate_100g\na;10,5;20\nb;90;50", "Row 3"),
    ],
)
def test_a_table_with_a_fault_brings_nothing_and_says_where_it_is(client: TestClient, table: str, said: str) -> None:
    answer = client.post("/api/goods/csv", json={"text": table})
    assert answer.status_code == 422
    assert said in answer.json()["detail"]
    assert ok(client.get("/api/goods")) == []


def test_a_formula_brings_its_goods_along(client: TestClient) -> None:
    put_on(client)
    view = into_the_book(client, "80 g house praline")
    recipe = ok(client.get(f"/api/formulas/{view['formula']['id']}.jsonld"))
    client.delete("/api/goods/house-praline")
    recipe["kindwhisk:process"]["id"] = "from-elsewhere"
    ok(client.post("/api/formulas", json=recipe), 201)
    assert [g["name"] for g in ok(client.get("/api/goods"))] == ["House praline"]
    assert "hazelnut" in forecast(client, "from-elsewhere")["allergens"]


def test_an_own_good_can_take_the_place_of_another(client: TestClient) -> None:
    kept = put_on(client, name="Seed block", synonyms=[], stands_for="butter", label=None, allergens=["soya"])
    offers = ok(client.get("/api/formulas/substitutes", params={"ingredient": "butter"}))
    assert kept["id"] in {o["ingredient"] for o in offers}
    swap = {"ingredient": "butter", "into": kept["id"]}
    proposed = ok(client.post("/api/formulas/butter-sponge/substitute", json=swap))
    assert [g["key"] for g in proposed["formula"]["goods"]] == ["seed-block"]
    assert "soya" in str(proposed["formula"]["ledger"][-1])


def test_twice_the_batch_costs_twice_as_much(client: TestClient) -> None:
    put_on(client)
    formula = into_the_book(client, "80 g house praline")["formula"]["id"]
    once = forecast(client, formula)
    twice = ok(client.post(f"/api/formulas/{formula}/scale", json={"total_g": 2 * once["total_g"]}))
    assert twice["cost"]["amount"] == pytest.approx(2 * once["cost"]["amount"])
    assert twice["cost"]["total_g"] == pytest.approx(2 * once["cost"]["total_g"])


def test_what_is_in_stock_stays_so_under_another_label(client: TestClient) -> None:
    kept = put_on(client)
    told = {"ingredient": kept["id"], "grams": 500.0, "price_per_kg": 31.0}
    ok(client.put("/api/stock", json={"items": [told]}))
    formula = into_the_book(client, "80 g house praline")["formula"]["id"]
    # The price of the stock leads before that of the good.
    assert forecast(client, formula)["cost"]["amount"] == pytest.approx(31 * 80 / 1000)
    changed = ok(client.put("/api/goods/house-praline", json={**PRALINE, "may_contain": ["almond"]}))
    assert changed["id"] != kept["id"]
    assert forecast(client, formula)["cost"]["amount"] == pytest.approx(31 * 80 / 1000)
    ok(client.put("/api/stock", json={"items": [{**told, "ingredient": changed["id"], "grams": 300.0}]}))
    (row,) = ok(client.get("/api/stock"))
    assert row["item"]["grams"] == 300
