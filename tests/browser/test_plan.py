"""A day planned, begun, slipped and mended, as bakers meet it: by keyboard on the tablet, by touch on a phone."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, Route, expect

from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import fits, start_bake, tell
from tests.server import Server

FOUR = "tea chiffon 17 cm, butter sponge, tomorrow 15:00\nbutter loaf, orange roll for Ms Winter, tomorrow 16:00"


@pytest.fixture
def open_all_day(own: Server) -> Server:
    """A kitchen with two people that is open at every hour, so that the time of the test does not matter."""
    held = own.ask("/api/kitchen")
    kitchen = {
        **held["kitchen"],
        "hours": [{"opens": "00:00", "closes": "24:00"}],
        "people": [{"id": "ada", "name": "Ada"}, {"id": "ben", "name": "Ben"}],
    }
    own.ask("/api/kitchen", {"revision": held["revision"], "kitchen": kitchen}, method="PUT")
    return own


def plan_four(page: Page, server: Server) -> None:
    page.goto(f"{server.url}/plan")
    page.get_by_label("What is to be ready, and when?").fill(FOUR)
    page.keyboard.press("Control+Enter")
    expect(page.get_by_role("group", name="Braids of the day")).to_contain_text("4 ")
    expect(page.get_by_test_id("verdict")).to_have_text("All are ready in time")


def soon(server: Server, formula: str, hours: float) -> str:
    """An order that is due in so many hours; its id."""
    due = datetime.now(UTC) + timedelta(hours=hours)
    body = {"orders": [{"formula": formula, "due_at": due.isoformat()}], "client_key": f"soon-{formula}-{hours}"}
    return str(server.ask("/api/orders", body)[0]["order"]["id"])


def begun(server: Server, minutes: float) -> list[str]:
    """The day planned as it stood so many minutes ago, and begun."""
    start = datetime.now(UTC) - timedelta(minutes=minutes)
    until = (datetime.now(UTC) + timedelta(hours=20)).isoformat()
    plan = server.ask("/api/days/plan", {"from": start.isoformat(), "until": until, "seconds": 0})
    return [str(b) for b in server.ask("/api/days/take", taking(plan, until))["bakes"]]


def taking(plan: dict[str, Any], until: str) -> dict[str, Any]:
    works = [
        {
            "id": b["id"],
            "steps": [
                {"step": s["step"], "start": s["start_at"], "end": s["end_at"], "person": s["person"],
                 "mixer": s["mixer"], "oven": s["oven"]}
                for s in b["steps"]
            ],
        }
        for b in plan["bakes"]
    ]  # fmt: skip
    return {"until": until, "works": works, "begin": [w["id"] for w in works], "client_key": "taking-0001"}


def test_four_bakes_are_jotted_down_planned_and_begun(
    page: Page, open_all_day: Server, quiet: Callable[[], list[str]]
) -> None:
    plan_four(page, open_all_day)
    orders = page.get_by_role("list", name="Due").get_by_role("listitem")
    expect(orders).to_have_count(4)
    expect(orders.filter(has_text="Orange roll")).to_contain_text("for Ms Winter")
    # A step says its slack; it can be moved, and what follows is seen.
    page.get_by_role("button", name=re.compile("^Light butter loaf: Weigh")).first.focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("could be .* later|No slack"))).to_be_visible()
    page.get_by_role("button", name="30 min sooner").click()
    expect(page.get_by_role("group", name="Braids of the day")).to_contain_text("pinned")
    page.get_by_role("button", name=re.compile("^Let Light butter loaf go")).click()
    expect(page.get_by_role("group", name="Braids of the day")).not_to_contain_text("pinned")
    expect(page.get_by_text("No other order is better.").or_(page.get_by_text("could still be saved"))).to_be_visible()
    # Both people have something to do, and all is weighed once.
    expect(page.get_by_role("region", name="Ada")).to_be_visible()
    expect(page.get_by_role("region", name="Ben")).to_be_visible()
    around = page.get_by_role("region", name="Around the day")
    expect(around).to_contain_text("eggs")
    page.get_by_role("button", name="Begin these 4").click()
    expect(page).to_have_url(re.compile("/bench/"))
    strip = page.get_by_role("navigation", name="Bakes that run")
    expect(strip.get_by_role("listitem")).to_have_count(4)
    here = page.url
    page.keyboard.press("b")
    expect(page).not_to_have_url(here)
    page.goto(f"{open_all_day.url}/")
    expect(page.get_by_role("region", name="What now, over all bakes")).to_contain_text("Ada")
    expect(page.get_by_role("group", name="Braids of today")).to_contain_text("Orange roll")
    assert quiet() == []


def test_what_is_not_understood_is_asked_about_and_nothing_is_lost(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/plan")
    box = page.get_by_label("What is to be ready, and when?")
    box.fill("40 pairs of shells, moon cake, tea chiffon, tomorrow 15:00")
    page.get_by_role("button", name="Add").click()
    asked = page.get_by_role("group", name="Not all is understood")
    expect(asked).to_contain_text("“shells” may be one of 3 formulas")
    expect(asked).to_contain_text("“moon cake” is no formula of the Book")
    asked.get_by_role("button", name="Almond shells, French").click()
    asked.get_by_role("button", name="Keep what is understood").click()
    expect(page.get_by_role("list", name="Due").get_by_role("listitem")).to_have_count(2)
    expect(box).to_have_value("moon cake")
    # Taken away by mistake, and put back.
    page.get_by_role("button", name=re.compile("^Take away Tea chiffon")).click()
    expect(page.get_by_role("list", name="Due").get_by_role("listitem")).to_have_count(1)
    page.get_by_role("button", name="Put it back").click()
    expect(page.get_by_role("list", name="Due").get_by_role("listitem")).to_have_count(2)


def test_a_day_that_can_not_be_in_time_says_what_would_help(page: Page, open_all_day: Server) -> None:
    soon(open_all_day, "tea-chiffon", 2)
    soon(open_all_day, "butter-sponge", 2.5)
    page.goto(f"{open_all_day.url}/plan")
    expect(page.get_by_test_id("verdict")).to_have_text("2 of 2 not in time")
    ways = page.get_by_role("region", name="What would bring all in time")
    expect(ways).to_contain_text(re.compile("Promise Tea chiffon .* later"), timeout=40_000)


def test_a_batch_is_lost_the_day_slips_and_is_mended_on_a_phone(browser: Browser, open_all_day: Server) -> None:
    soon(open_all_day, "butter-sponge", 3)
    soon(open_all_day, "butter-loaf", 4)
    soon(open_all_day, "tea-chiffon", 5)
    soon(open_all_day, "citrus-roll", 6)
    bakes = begun(open_all_day, 150)
    assert len(bakes) == 4
    context = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True, timezone_id="UTC")
    page = context.new_page()
    page.goto(f"{open_all_day.url}/")
    slipped = page.get_by_role("region", name="The day has slipped")
    expect(slipped).to_contain_text("steps move")
    fits(page, 390)
    slipped.get_by_role("button", name="Move them").tap()
    expect(slipped).to_be_hidden()
    # What was moved is the plan now.
    told = open_all_day.ask("/api/days/replan", {"seconds": 0})
    late = [m for m in told["pushed_moves"] if abs(_minutes(m)) > 5 and m["was_person"]]
    assert late == []
    # The sponge falls: its order is wanted again, between the others.
    tell(open_all_day, bakes[0], "bake_abandoned", reason="It slid off the board.")
    page.goto(f"{open_all_day.url}/plan")
    expect(page.get_by_role("button", name=re.compile("^Begin Butter sponge"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^Begin Butter sponge")).tap()
    expect(page).to_have_url(re.compile("/bench/"))
    context.close()


def _minutes(move: dict[str, str]) -> float:
    was, now = (datetime.fromisoformat(move[k]) for k in ("was_at", "now_at"))
    return (now - was).total_seconds() / 60


def test_a_step_taken_on_one_tablet_is_seen_on_the_other(browser: Browser, open_all_day: Server) -> None:
    soon(open_all_day, "tea-chiffon", 3.5)
    soon(open_all_day, "butter-sponge", 4)
    (first, _) = begun(open_all_day, 1)
    pages = [browser.new_context(timezone_id="UTC").new_page() for _ in range(2)]
    for page in pages:
        page.goto(f"{open_all_day.url}/")
        expect(page.get_by_role("region", name="What now, over all bakes")).to_be_visible()
    state = open_all_day.ask(f"/api/bakes/{first}")
    title = state["details"][state["current"]]["forecast"]["title"]
    mine = pages[0].get_by_role("region", name="What now, over all bakes").locator("h1")
    expect(mine).to_contain_text(title)
    pages[1].goto(f"{open_all_day.url}/bench/{first}")
    expect(pages[1].get_by_label("The step now")).to_contain_text(title)
    pages[1].keyboard.press(" ")
    expect(mine).not_to_contain_text(title)
    for page in pages:
        page.context.close()


def test_the_plan_is_legible_and_fits_every_width(page: Page, open_all_day: Server) -> None:
    plan_four(page, open_all_day)
    expect(page.get_by_role("region", name="Around the day")).to_contain_text("eggs")
    expect(page.get_by_text("No other order is better.").or_(page.get_by_text("could still be saved"))).to_be_visible(
        timeout=60_000
    )
    legible_in_both_lights(page)
    fits_every_width(page)


def test_hours_and_crafts_are_set_in_the_kitchen(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    room = page.get_by_role("region", name="What a day shares")
    hours = room.get_by_role("group", name="The kitchen is open")
    hours.get_by_label("from").fill("5:30")
    hours.get_by_label("from").press("Tab")
    hours.get_by_role("button", name="Sunday").click()
    page.get_by_role("button", name="Add somebody").click()
    page.get_by_role("group", name="New hands does").get_by_role("button", name="sugar and the hob").click()
    expect(page.get_by_text(re.compile("^saved"))).to_be_visible()
    page.wait_for_function(
        "() => fetch('/api/kitchen').then(r => r.json()).then(v => v.kitchen.people[0]?.does.length === 4)"
    )
    kitchen = own.ask("/api/kitchen")["kitchen"]
    assert kitchen["hours"] == [{"days": [0, 1, 2, 3, 4, 5], "opens": "05:30", "closes": "22:00"}]
    hours.get_by_label("to").fill("late")
    hours.get_by_label("to").press("Tab")
    expect(room.get_by_role("alert")).to_contain_text("“late” is no time")


def test_an_order_is_written_anew_in_its_place(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/plan")
    box = page.get_by_label("What is to be ready, and when?")
    box.fill("2 tea chiffon 17 cm for Ms Winter, tomorrow 15:00")
    page.keyboard.press("Control+Enter")
    due = page.get_by_role("list", name="Due").get_by_role("listitem")
    expect(due).to_contain_text("2 × 17 cm tube, for Ms Winter")
    page.get_by_role("button", name=re.compile("^Change Tea chiffon")).click()
    expect(box).to_have_value(re.compile(r"^2 Tea chiffon 17 cm for Ms Winter; \d{4}-\d\d-\d\d 15:00$"))
    box.fill((box.input_value()).replace("2 Tea", "1 Tea").replace("15:00", "16:30"))
    page.get_by_role("button", name="Change it").click()
    expect(due).to_have_count(1)
    expect(due).to_contain_text("16:30 Tea chiffon")
    expect(due).to_contain_text("1 × 17 cm tube, for Ms Winter")
    assert len(own.ask("/api/orders")) == 1


def test_at_the_bench_of_one_bake_the_others_are_heard(page: Page, own: Server) -> None:
    here, other = start_bake(own), start_bake(own, "citrus-roll")
    page.goto(f"{own.url}/bench/{here}")
    expect(page.get_by_label("The step now")).to_be_visible()
    tell(own, other, "timer_started", timer="t", label="Turn the tray", seconds=1)
    called = page.get_by_role("status", name="Other bakes call")
    expect(called).to_contain_text("Orange roll: Turn the tray")
    called.get_by_role("link").click()
    expect(page).to_have_url(re.compile(f"/bench/{other}"))
    expect(page.get_by_role("status", name="Other bakes call")).to_be_hidden()


def test_a_part_is_made_beforehand_at_a_touch_and_with_the_rest_again(page: Page, open_all_day: Server) -> None:
    page.goto(f"{open_all_day.url}/plan")
    page.get_by_label("What is to be ready, and when?").fill("strawberry layer cake, tomorrow 15:00")
    page.keyboard.press("Control+Enter")
    braids = page.get_by_role("group", name="Braids of the day")
    expect(braids).to_contain_text("Strawberry layer cake")
    page.get_by_text("Parts made by themselves").click()
    cream = page.get_by_role("group", name="sweet cream of Strawberry layer cake")
    cream.get_by_role("button", name="beforehand").click()
    expect(braids).to_contain_text("Sweet cream for Strawberry layer cake")
    expect(cream.get_by_role("button", name="beforehand")).to_have_attribute("aria-pressed", "true")
    # The text of an order does not tell it, and changing that leaves it as it was chosen.
    page.get_by_role("button", name=re.compile("^Change Strawberry")).click()
    box = page.get_by_label("What is to be ready, and when?")
    box.fill(box.input_value().replace("15:00", "16:00"))
    page.get_by_role("button", name="Change it").click()
    expect(page.get_by_role("list", name="Due")).to_contain_text("16:00")
    assert open_all_day.ask("/api/orders")[0]["order"]["beforehand"] == [{"component": "cream", "frozen": False}]
    cream.get_by_role("button", name="with the rest").click()
    expect(braids).not_to_contain_text("Sweet cream for")
    assert open_all_day.ask("/api/orders")[0]["order"]["beforehand"] == []
    sponge = page.get_by_role("group", name="génoise of Strawberry layer cake")
    sponge.get_by_role("button", name="from the freezer").click()
    expect(braids).to_contain_text("Génoise for Strawberry layer cake")


def test_a_bake_is_drawn_to_another_time_and_the_others_go_round_it(page: Page, open_all_day: Server) -> None:
    plan_four(page, open_all_day)
    braids = page.get_by_role("group", name="Braids of the day")
    over = page.get_by_text("No other order is better.").or_(page.get_by_text("could still be saved."))
    expect(over).to_be_visible(timeout=90_000)
    title = braids.get_by_text(re.compile(r"^\s*\d+\s+Light butter loaf"))
    box = title.bounding_box()
    assert box
    ready = re.compile(r"ready \d\d:\d\d")
    before = ready.search(title.text_content() or "")
    assert before
    page.mouse.move(box["x"] + 40, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] - 80, box["y"] + box["height"] / 2, steps=6)
    page.mouse.up()
    expect(braids).to_contain_text("pinned")
    expect(title).not_to_contain_text(before[0])
    expect(page.get_by_test_id("verdict")).to_have_text("All are ready in time")
    # A touch of it alone moves nothing.
    other = braids.get_by_text(re.compile(r"^\s*\d+\s+Orange roll"))
    said = other.text_content()
    other.click()
    expect(other).to_have_text(said or "")


def test_a_plan_is_not_told_for_a_day_that_it_was_not_made_for(page: Page, open_all_day: Server) -> None:
    plan_four(page, open_all_day)
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    page.route("**/api/days/plan/stream", hold)
    page.get_by_role("button", name=re.compile(f"^{datetime.now(UTC) + timedelta(days=2):%a} ")).first.click()
    verdict = page.get_by_test_id("verdict")
    expect(verdict).to_have_text("Planning…")
    expect(page.get_by_role("button", name=re.compile("^Begin "))).to_be_disabled()
    expect(page.get_by_role("button", name="Keep this plan")).to_be_disabled()
    held[0].continue_()
    expect(verdict).to_have_text("All are ready in time")
    expect(page.get_by_role("button", name="Keep this plan")).to_be_enabled()


def test_what_lies_far_ahead_is_kept_and_not_begun(page: Page, open_all_day: Server) -> None:
    page.goto(f"{open_all_day.url}/plan")
    due = datetime.now(UTC) + timedelta(days=3)
    page.get_by_label("What is to be ready, and when?").fill(f"tea chiffon 17 cm; {due:%Y-%m-%d} 15:00")
    page.keyboard.press("Control+Enter")
    keep = page.get_by_role("button", name="Keep this plan")
    expect(keep).to_have_class(re.compile("act-now"))
    keep.click()
    expect(page.get_by_role("button", name=re.compile("^Kept at"))).to_be_disabled()
    assert open_all_day.ask("/api/bakes?status=running") == []
    # What is changed is to be kept anew.
    page.get_by_role("button", name=re.compile("^Tea chiffon: Weigh")).first.click()
    page.get_by_role("button", name="30 min sooner").click()
    expect(keep).to_be_enabled()
    # What is due today too is begun by itself; the other stays planned.
    soon(open_all_day, "butter-sponge", 4)
    page.reload()
    page.get_by_role("button", name=re.compile(f"^{due:%a} ")).first.click()
    expect(page.get_by_role("group", name="Braids of the day")).to_contain_text("Tea chiffon")
    page.get_by_role("button", name="Begin Butter sponge").click()
    expect(page).to_have_url(re.compile("/bench/.*butter-sponge"))
    assert len(open_all_day.ask("/api/bakes?status=running")) == 1
