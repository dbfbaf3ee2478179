"""Parts that are made by themselves, through the doors: planned, made once, weighed and costed as they are."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest
from fastapi.testclient import TestClient

from tests.api.test_days import NOW, Json, kept, open_all_day, order, planned, works

__all__ = ["open_all_day"]
pytestmark = pytest.mark.usefixtures("open_all_day")
CREAM = {"component": "cream", "frozen": False}


def cake(hours: float, *beforehand: Json, servings: int = 8) -> Json:
    return order("layer-cake", hours, wish={"servings": servings}, beforehand=list(beforehand))


def around(client: TestClient, what: str, hours: float) -> Json:
    """What is around the day on which something is due in so many hours."""
    offset = int(NOW.utcoffset().total_seconds() // 60)  # type: ignore[union-attr]
    answer = client.get(f"/api/days/{(NOW + timedelta(hours=hours)).date()}/{what}", params={"offset": offset})
    assert answer.status_code == 200, answer.text
    found: Json = answer.json()
    return found


def test_a_part_comes_before_what_takes_it_and_says_how_long_it_keeps(client: TestClient) -> None:
    (one,) = kept(client, cake(10, CREAM))
    plan = planned(client)
    bakes = {b["id"]: b for b in plan["bakes"]}
    whole, part = bakes[one["order"]["id"]], bakes[f"{one['order']['id']}:cream"]
    assert plan["broken"] == []
    assert part["part"] == "cream"
    assert "layer cake" in part["title"]
    taken = next(s["start_at"] for s in whole["steps"] if s["step"] == "stack")
    assert part["ready_at"] <= taken
    offers = {p["id"]: p for p in whole["parts"]}
    assert offers["cream"]["beforehand"] is True
    assert offers["cream"]["frozen_s"] is None
    assert offers["sponge"]["frozen_s"] > offers["sponge"]["keeps_s"] > 86400


def test_two_that_take_the_same_cream_have_it_made_once(client: TestClient) -> None:
    # Of different tins, they are not made in one go.
    near = order("layer-cake", 9.5, wish={"tin": "round-15"}, beforehand=[CREAM])
    kept(client, cake(9, CREAM), near)
    plan = planned(client)
    makers = [b for b in plan["bakes"] if b["part"]]
    wholes = [b for b in plan["bakes"] if not b["part"]]
    assert len(wholes) == 2
    assert plan["late"] == []
    assert plan["broken"] == []
    assert all("Strawberry layer cake" in p["also_for"] for w in wholes for p in w["parts"] if p["id"] == "cream")
    assert [sorted(m["orders"]) for m in makers] == [sorted(f"{w['id']}:cream" for w in wholes)]
    for whole in wholes:
        taken = next(s["start_at"] for s in whole["steps"] if s["step"] == "stack")
        assert makers[0]["ready_at"] <= taken


def test_cream_that_would_have_to_wait_too_long_is_made_twice(client: TestClient) -> None:
    # Whipped, it holds for an hour and a half.
    far = order("layer-cake", 13, wish={"tin": "round-15"}, beforehand=[CREAM])
    kept(client, cake(8, CREAM), far)
    plan = planned(client)
    assert len([b for b in plan["bakes"] if b["part"]]) == 2
    assert plan["broken"] == []


def test_what_is_made_apart_is_weighed_and_paid_for_once(client: TestClient) -> None:
    (one,) = kept(client, cake(8))
    goods = {r["ingredient"]: r["grams"] for r in around(client, "weigh", 8)["ingredients"]}
    bought = {r["ingredient"]: r["needed_g"] for r in around(client, "shopping", 8)["rows"]}
    cost = around(client, "cost", 8)
    changed = {**one["order"], "id": "", "beforehand": [CREAM]}
    assert client.put(f"/api/orders/{one['order']['id']}", json=changed).status_code == 200
    assert {r["ingredient"]: r["grams"] for r in around(client, "weigh", 8)["ingredients"]} == pytest.approx(goods)
    assert {r["ingredient"]: r["needed_g"] for r in around(client, "shopping", 8)["rows"]} == pytest.approx(bought)
    apart = around(client, "cost", 8)
    # One order, as before: with the goods and the hands of its cream.
    assert [o["bake"] for o in apart["orders"]] == [one["order"]["id"]]
    assert apart["goods"] == pytest.approx(cost["goods"])
    assert apart["orders"][0]["hands_s"] == pytest.approx(cost["orders"][0]["hands_s"], rel=0.02)


def test_both_can_be_begun_and_what_no_part_is_named_is_made_with_the_rest(client: TestClient) -> None:
    kept(client, cake(10, CREAM, {"component": "no-such", "frozen": False}))
    plan = planned(client)
    assert {b["part"] for b in plan["bakes"]} == {"", "cream"}
    begin = [b["id"] for b in plan["bakes"]]
    body = {
        "from": NOW.isoformat(), "until": plan["end_at"], "works": works(plan), "begin": begin,
        "client_key": "begin-both-1",
    }  # fmt: skip
    answer = client.post("/api/days/take", json=body)
    assert answer.status_code == 200, answer.text
    whole, part = (client.get(f"/api/bakes/{b}").json() for b in answer.json()["bakes"])
    assert whole["title"] == "Strawberry layer cake"
    assert "layer cake" in part["title"]
    again = client.post("/api/days/take", json=body)
    assert again.json()["bakes"] == answer.json()["bakes"]


def test_what_may_hardly_wait_is_refused_by_itself_and_made_with_the_rest(client: TestClient) -> None:
    # Hot curd is filled at once.
    tart = order("meringue-tart", 10, beforehand=[{"component": "curd", "frozen": False}])
    kept(client, tart, order("meringue-tart", 10.5, beforehand=tart["beforehand"]))
    plan = planned(client)
    assert {b["part"] for b in plan["bakes"]} == {""}
    assert all("curd" in [s["step"] for s in b["steps"]] for b in plan["bakes"])
    assert len(plan["refused"]) == 2
    assert all("may hardly wait" in r["says"] and "with the rest" in r["remedy"] for r in plan["refused"])


def test_what_was_frozen_is_to_come_out_in_time_to_thaw(client: TestClient) -> None:
    (one,) = kept(client, cake(28, {"component": "sponge", "frozen": True}))
    plan = planned(client)
    whole = next(b for b in plan["bakes"] if b["id"] == one["order"]["id"])
    (out,) = [o for o in around(client, "weigh", 28)["out"] if "frozen" in o["name"]]
    grams = sum(r["grams"] for r in around(client, "weigh", 28)["ingredients"] if r["kind"] in {"flour", "egg"})
    assert out["grams"] > grams > 0
    assert out["for_titles"] == ["Strawberry layer cake"]
    taken = datetime.fromisoformat(next(s["start_at"] for s in whole["steps"] if s["step"] == "cut"))
    assert taken - datetime.fromisoformat(out["at"]) == timedelta(hours=8)


def test_a_component_that_is_no_name_is_refused_and_named(client: TestClient) -> None:
    body = {"orders": [cake(8, {"component": "No Such!", "frozen": False})], "client_key": "orders-key-9"}
    answer = client.post("/api/orders", json=body)
    assert answer.status_code == 422
    assert "component" in answer.text
    assert client.get("/api/orders").json() == []
