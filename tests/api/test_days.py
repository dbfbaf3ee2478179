"""Days: orders, their plans, and what is around them, through the doors."""

from __future__ import annotations

import json
from datetime import datetime, timedelta
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from icalendar import Calendar

from kindwhisk.core.people import Hours, Person

NOW = datetime.now().astimezone().replace(second=0, microsecond=0) + timedelta(days=1)
UNTIL = NOW + timedelta(hours=30)
Json = dict[str, Any]
SUGAR: Json = {"ingredient": "sugar", "grams": 50.0, "pack_g": 500.0, "price_per_kg": 2.0}


@pytest.fixture
def open_all_day(application: FastAPI) -> None:
    """Two people, at every hour."""
    store = application.state.bench.store
    _, kitchen = store.kitchens.current()
    people = (Person(id="ada", name="Ada"), Person(id="ben", name="Ben"))
    hours = (Hours(opens="00:00", closes="24:00"),)
    store.kitchens.save(kitchen.model_copy(update={"people": people, "hours": hours, "hand_per_h": 24.0}))


def order(formula: str, hours: float = 8, **fields: Any) -> Json:
    return {"formula": formula, "due_at": (NOW + timedelta(hours=hours)).isoformat(), **fields}


def kept(client: TestClient, *orders: Json, key: str = "orders-key-1") -> list[Json]:
    answer = client.post("/api/orders", json={"orders": list(orders), "client_key": key})
    assert answer.status_code == 201, answer.text
    found: list[Json] = answer.json()
    return found


def planned(client: TestClient, seconds: float = 0, **fields: Any) -> Json:
    body = {"from": NOW.isoformat(), "until": UNTIL.isoformat(), "seconds": seconds, **fields}
    answer = client.post("/api/days/plan", json=body)
    assert answer.status_code == 200, answer.text
    found: Json = answer.json()
    return found


def replanned(client: TestClient, now: datetime, seconds: float) -> Json:
    body = {"now": now.isoformat(), "until": UNTIL.isoformat(), "seconds": seconds}
    found: Json = client.post("/api/days/replan", json=body).json()
    return found


def works(plan: Json) -> list[Json]:
    def step(s: Json) -> Json:
        return {
            "step": s["step"],
            "start": s["start_at"],
            "end": s["end_at"],
            **{k: s[k] for k in ("person", "mixer", "oven")},
        }

    return [{"id": b["id"], "steps": [step(s) for s in b["steps"]]} for b in plan["bakes"]]


def test_orders_are_kept_changed_taken_away_and_put_back(client: TestClient) -> None:
    (one,) = kept(client, order("tea-chiffon", wish={"tin": "tube-17", "tin_count": 2}, goes_to="counter"))
    assert one["title"] == "Tea chiffon"
    assert one["amount"] == "2 × 17 cm tube"
    order_id = one["order"]["id"]
    changed = client.put(f"/api/orders/{order_id}", json=order("tea-chiffon", 9, sure="likely"))
    assert changed.json()["order"]["sure"] == "likely"
    gone = client.delete(f"/api/orders/{order_id}").json()["order"]
    assert client.get("/api/orders").json() == []
    back = kept(client, {**gone, "id": ""}, key="orders-key-2")
    assert back[0]["order"]["sure"] == "likely"
    assert client.get(f"/api/orders/{order_id}").status_code in {404, 422}


def test_orders_posted_twice_are_kept_once(client: TestClient) -> None:
    once = kept(client, order("tea-chiffon"), order("butter-loaf"))
    assert kept(client, order("tea-chiffon"), order("butter-loaf")) == once
    assert len(client.get("/api/orders").json()) == 2


def test_one_wrong_order_keeps_none_and_is_named(client: TestClient) -> None:
    body = {"orders": [order("tea-chiffon"), order("no-such-cake")], "client_key": "orders-key-3"}
    answer = client.post("/api/orders", json=body)
    assert answer.status_code in {400, 404, 422}
    assert answer.json()["field"] == "orders.1.formula"
    assert client.get("/api/orders").json() == []
    both = order("tea-chiffon", wish={"eggs": 4, "servings": 8})
    assert client.post("/api/orders", json={"orders": [both], "client_key": "orders-key-4"}).status_code >= 400


def test_a_day_of_a_repeated_order_is_taken_away_alone(client: TestClient) -> None:
    (one,) = kept(client, order("tea-chiffon", every=list(range(7))))
    order_id, day = one["order"]["id"], NOW + timedelta(hours=8)
    assert one["again"].startswith("every day")
    client.delete(f"/api/orders/{order_id}", params={"on": day.isoformat()})
    (left,) = client.get("/api/orders").json()
    assert left["order"]["but"] == [day.date().isoformat()]
    later = planned(client, until=(NOW + timedelta(hours=40)).isoformat())["bakes"]
    assert [datetime.fromisoformat(b["due_at"]) for b in later] == [day + timedelta(days=1)]


def test_a_text_is_read_and_nothing_is_kept_by_that(client: TestClient) -> None:
    body = {"text": "2 tea chiffon 17 cm, shells, Saturday 9:00", "now": NOW.isoformat()}
    found = client.post("/api/orders/read", json=body).json()
    assert [o["formula"] for o in found["orders"]] == ["tea-chiffon"]
    assert len(found["unread"][0]["could"]) == 3
    assert client.get("/api/orders").json() == []
    # What was read can be kept as it is.
    assert kept(client, *found["orders"])[0]["order"]["wish"]["tin"] == "tube-17"


def test_orders_go_out_and_come_in_as_a_table(client: TestClient) -> None:
    apart = [{"component": "shells", "frozen": True}, {"component": "filling", "frozen": False}]
    shells = order("french-shells", every=[5], beforehand=apart)
    kept(client, order("tea-chiffon", wish={"tin_count": 3}, goes_to="=cmd"), shells)
    table = client.get("/api/orders.csv").text
    assert "'=cmd" in table
    for one in client.get("/api/orders").json():
        client.delete(f"/api/orders/{one['order']['id']}")
    answer = client.post("/api/orders/csv", json={"text": table, "client_key": "table-key-1"})
    assert answer.status_code == 201, answer.text
    found = {o["order"]["formula"]: o["order"] for o in client.get("/api/orders").json()}
    assert found["tea-chiffon"]["wish"]["tin_count"] == 3
    assert found["tea-chiffon"]["goes_to"] == "=cmd"
    assert found["french-shells"]["every"] == [5]
    assert found["french-shells"]["beforehand"] == apart


@pytest.mark.parametrize(
    ("table", "names"),
    [
        ("formula,tin_count\ntea-chiffon,2\n", "due_at"),
        ("formula,due_at\nno-cake,2026-12-05T09:00\n", "no-cake"),
        ("title;due_at\nTea chiffon;soon\n", "soon"),
        ("formula,due_at,tin_count\ntea-chiffon,2026-12-05T09:00,many\n", "many"),
        ("formula,due_at,every\ntea-chiffon,2026-12-05T09:00,Sunnday\n", "sunnday"),
        ("formula,due_at,tin_count\ntea-chiffon,2026-12-05T09:00,500\n", "tin_count"),
    ],
)
def test_a_wrong_table_names_what_is_wrong(client: TestClient, table: str, names: str) -> None:
    answer = client.post("/api/orders/csv", json={"text": table, "client_key": "table-key-2"})
    assert 400 <= answer.status_code < 500
    assert names in answer.text
    assert answer.json()["remedy"]
    assert client.get("/api/orders").json() == []


@pytest.mark.usefixtures("open_all_day")
def test_a_day_is_planned_with_nothing_broken_and_better_by_looking(client: TestClient) -> None:
    kept(client, order("tea-chiffon"), order("butter-sponge", 8.5), order("butter-loaf", 9))
    first = planned(client)
    assert (first["late"], first["broken"], first["refused"]) == ([], [], [])
    assert first["bound"] is None
    assert {b["title"] for b in first["bakes"]} == {"Tea chiffon", "Butter sponge", "Light butter loaf"}
    better = planned(client, seconds=2)
    assert better["broken"] == []
    assert better["cost"] <= first["cost"] + 1e-6
    assert better["bound"] <= better["cost"] + 1e-6


@pytest.mark.usefixtures("open_all_day")
def test_better_plans_stream_in(client: TestClient) -> None:
    kept(client, order("tea-chiffon"), order("butter-sponge", 8.5))
    body = {"from": NOW.isoformat(), "until": UNTIL.isoformat()}
    with client.stream("POST", "/api/days/plan/stream", json=body) as answer:
        lines = [line for line in answer.iter_lines() if line]
    events = [line.removeprefix("event: ") for line in lines if line.startswith("event:")]
    plans = [json.loads(line.removeprefix("data: ")) for line in lines if line.startswith('data: {"start_at"')]
    assert events[0] == "plan"
    assert events[-1] == "done"
    costs = [p["cost"] for p in plans]
    assert costs == sorted(costs, reverse=True)
    assert plans[-1]["gap"] is not None


@pytest.mark.usefixtures("open_all_day")
def test_an_order_that_can_not_be_made_blocks_no_other(client: TestClient) -> None:
    wrong = order("kisses", wish={"tin": "no-such-tin"})
    found = planned(client, orders=[order("tea-chiffon"), wrong])
    assert [b["title"] for b in found["bakes"]] == ["Tea chiffon"]
    assert found["refused"][0]["title"] == "Vanilla kisses"
    assert found["refused"][0]["remedy"]


@pytest.mark.usefixtures("open_all_day")
def test_what_is_pinned_begins_then(client: TestClient) -> None:
    kept(client, order("tea-chiffon"), order("butter-sponge", 8.5))
    first = planned(client, seconds=1)
    bake = first["bakes"][0]
    step = next(s for s in bake["steps"] if s["hands"])
    at = datetime.fromisoformat(step["start_at"]) - timedelta(minutes=30)
    pin = {"bake": bake["id"], "step": step["step"], "at": at.isoformat()}
    moved = planned(client, seconds=1, pinned=[pin], base=works(first))
    again = next(b for b in moved["bakes"] if b["id"] == bake["id"])
    there = next(s for s in again["steps"] if s["step"] == step["step"])
    assert datetime.fromisoformat(there["start_at"]) == at
    assert there["pinned"]
    assert moved["broken"] == []


@pytest.mark.usefixtures("open_all_day")
def test_a_plan_is_taken_up_begun_and_seen_by_everybody(client: TestClient) -> None:
    kept(client, order("tea-chiffon"), order("butter-sponge", 9))
    found = planned(client, seconds=1)
    begin = found["bakes"][0]["id"]
    body = {
        "from": NOW.isoformat(), "until": UNTIL.isoformat(), "works": works(found), "begin": [begin],
        "client_key": "take-key-1",
    }  # fmt: skip
    (bake,) = client.post("/api/days/take", json=body).json()["bakes"]
    assert client.post("/api/days/take", json=body).json()["bakes"] == [bake]
    state = client.get(f"/api/bakes/{bake}").json()
    starts = {s["step"]: datetime.fromisoformat(s["start_at"]) for s in found["bakes"][0]["steps"]}
    assert {s["id"]: datetime.fromisoformat(s["planned_start_at"]) for s in state["steps"]} == starts
    again = planned(client)
    assert {b["bake"] for b in again["bakes"]} == {bake, ""}


@pytest.mark.usefixtures("open_all_day")
def test_a_day_that_slips_is_pushed_and_mended_with_its_moves(client: TestClient) -> None:
    kept(client, order("tea-chiffon", 5), order("butter-sponge", 5.5))
    found = planned(client, seconds=1)
    begin = [b["id"] for b in found["bakes"]]
    body = {
        "from": NOW.isoformat(), "until": UNTIL.isoformat(), "works": works(found), "begin": begin,
        "client_key": "take-key-2",
    }  # fmt: skip
    client.post("/api/days/take", json=body)
    first = min(datetime.fromisoformat(b["start_at"]) for b in found["bakes"])
    calm = replanned(client, NOW, 0)
    assert not calm["slipped"]
    now = first + timedelta(hours=1)
    told = replanned(client, now, 1)
    assert told["slipped"]
    assert told["pushed"]["broken"] == []
    assert told["pushed_moves"]
    assert all(datetime.fromisoformat(m["now_at"]) >= now - timedelta(minutes=1) for m in told["pushed_moves"])
    if told["better"] is not None:
        assert told["better"]["cost"] < told["pushed"]["cost"]
        assert told["better"]["broken"] == []


@pytest.mark.usefixtures("open_all_day")
def test_what_can_not_be_in_time_says_why_and_what_would_help(client: TestClient) -> None:
    asked = [order("tea-chiffon", 2), order("butter-sponge", 2)]
    found = planned(client, orders=asked)
    assert len(found["late"]) == 2
    assert "late" in found["because"]
    body = {"from": NOW.isoformat(), "until": UNTIL.isoformat(), "orders": asked}
    ways = client.post("/api/days/ways", json=body).json()
    assert {w["kind"] for w in ways} >= {"later"}
    assert all(w["says"] for w in ways)


@pytest.mark.usefixtures("open_all_day")
def test_around_the_day_everything_is_added_up(client: TestClient) -> None:
    due = NOW.replace(hour=20, minute=0)
    kept(client, {**order("tea-chiffon"), "due_at": due.isoformat()}, {**order("kisses"), "due_at": due.isoformat()})
    zone = {"offset": int((due.utcoffset() or timedelta()).total_seconds() // 60)}
    on = due.date().isoformat()
    weigh = client.get(f"/api/days/{on}/weigh", params=zone).json()
    sugar = next(i for i in weigh["ingredients"] if i["ingredient"] == "sugar")
    assert {b["title"] for b in sugar["bowls"]} == {"Tea chiffon", "Vanilla kisses"}
    client.put("/api/stock", json={"items": [SUGAR]})
    rows = {r["ingredient"]: r for r in client.get(f"/api/days/{on}/shopping", params=zone).json()["rows"]}
    assert rows["sugar"]["there_g"] == 50
    assert rows["sugar"]["buy_g"] % 500 == 0
    assert rows["cake-flour"]["there_g"] is None
    cost = client.get(f"/api/days/{on}/cost", params=zone).json()
    assert len(cost["orders"]) == 2
    assert cost["total"] == pytest.approx(cost["goods"] + cost["hands"])
    assert cost["goods"] > 0


@pytest.mark.usefixtures("open_all_day")
def test_the_day_goes_out_on_paper_and_into_a_calendar(client: TestClient) -> None:
    due = NOW.replace(hour=20, minute=0)
    kept(client, {**order("tea-chiffon"), "due_at": due.isoformat(), "goes_to": "Café Linden"})
    zone = {"offset": int((due.utcoffset() or timedelta()).total_seconds() // 60)}
    on = due.date().isoformat()
    sheet = client.get(f"/api/days/{on}/sheet.pdf", params=zone)
    assert sheet.content.startswith(b"%PDF")
    calendar = Calendar.from_ical(client.get(f"/api/days/{on}.ics", params=zone).text)
    events: list[Any] = list(calendar.walk("VEVENT"))
    assert any(str(e["summary"]) == "Tea chiffon ready for Café Linden" for e in events)
    names = [str(e["uid"]) for e in events]
    assert len(names) == len(set(names)) > 5
    assert all(e["dtstart"].dt <= e["dtend"].dt for e in events)
    # The same plan asked for again names its events as before.
    again = Calendar.from_ical(client.get(f"/api/days/{on}.ics", params=zone).text)
    assert {str(e["uid"]) for e in again.walk("VEVENT")} == set(names)


def test_stock_goes_in_and_out_as_a_table(client: TestClient) -> None:
    table = "name;grams;pack_g;price_per_kg\ncaster sugar;1500;1000;1,10\nbutter;250;;9.5\n"
    found = client.post("/api/stock/csv", json={"text": table}).json()
    assert {r["item"]["ingredient"]: r["item"]["grams"] for r in found} == {"sugar": 1500, "butter": 250}
    back = client.get("/api/stock.csv").text
    assert client.post("/api/stock/csv", json={"text": back}).json() == found


@pytest.mark.parametrize(
    ("table", "names"),
    [
        ("grams\n12\n", "ingredient"),
        ("name,grams\nmoon dust,5\n", "moon dust"),
        ("name,grams\nbutter,lots\n", "lots"),
        ("name,grams\nbutter,-5\n", "grams"),
    ],
)
def test_a_wrong_table_of_stock_names_what_is_wrong(client: TestClient, table: str, names: str) -> None:
    answer = client.post("/api/stock/csv", json={"text": table})
    assert 400 <= answer.status_code < 500
    assert names in answer.text
    assert client.get("/api/stock").json() == []


def test_stock_of_something_unknown_is_refused(client: TestClient) -> None:
    answer = client.put("/api/stock", json={"items": [{"ingredient": "moon-dust", "grams": 5.0}]})
    assert 400 <= answer.status_code < 500
    assert "moon-dust" in answer.json()["detail"]


def test_a_day_without_orders_is_an_empty_plan(client: TestClient) -> None:
    found = planned(client)
    assert found["bakes"] == []
    assert found["because"] == "Nothing is due."


@pytest.mark.usefixtures("open_all_day")
def test_two_orders_of_one_batter_are_made_in_one_go(client: TestClient) -> None:
    tin = {"tin": "tube-17", "tin_count": 1}
    kept(client, order("tea-chiffon", 8, wish=tin), order("tea-chiffon", 9, wish=tin), order("butter-loaf", 9))
    found = planned(client, seconds=1)
    assert sorted(len(b["orders"]) for b in found["bakes"]) == [1, 2]
    both = next(b for b in found["bakes"] if len(b["orders"]) == 2)
    assert both["batch"] == "2 × 17 cm tube"
    body = {
        "from": NOW.isoformat(), "until": UNTIL.isoformat(), "works": works(found), "begin": [both["id"]],
        "client_key": "take-key-7",
    }  # fmt: skip
    (bake,) = client.post("/api/days/take", json=body).json()["bakes"]
    assert client.post("/api/days/take", json=body).json()["bakes"] == [bake]
    again = planned(client)
    assert sorted(b["title"] for b in again["bakes"]) == ["Light butter loaf", "Tea chiffon"]
