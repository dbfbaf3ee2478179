"""From a formula to a logged bake, as a baker does it."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

from playwright.sync_api import Browser, Page, expect

from tests.server import Server

NEVER = 0


def start_bake(server: Server, formula: str = "tea-chiffon", **more: Any) -> str:
    """A bake started beside the page."""
    ready = (datetime.now(UTC) + timedelta(hours=4)).isoformat()
    key = f"start-{datetime.now(UTC).timestamp()}"
    bake = server.ask("/api/bakes", {"formula_id": formula, "ready_at": ready, "client_key": key, **more})
    return str(bake["id"])


def tell(server: Server, bake: str, kind: str, **fields: Any) -> Any:
    """An event told beside the page."""
    key = f"beside-{datetime.now(UTC).timestamp()}"
    return server.ask(f"/api/bakes/{bake}/events", {"kind": kind, "client_key": key, **fields})


def fits(page: Page, width: int) -> None:
    """Nothing runs off the side, once each drawing has taken the page's width, which is a frame after the page has."""
    expect(page.locator("html")).to_have_js_property("scrollWidth", width)


def work_until(server: Server, bake: str, step: str) -> None:
    """Everything before ``step``, told beside the page."""
    for _ in range(50):
        state = server.ask(f"/api/bakes/{bake}")
        line = next(s for s in state["steps"] if s["id"] == state["current"])
        if line["id"] == step:
            return
        if line["status"] == "waiting" and line["attention"] != "throughout":
            for item in (state["gate"] or {}).get("items", []):
                if state["gate"]["step"] == line["id"] and item["kind"] == "thing":
                    tell(server, bake, "gate_ticked", item=item["id"])
            tell(server, bake, "step_started", step=line["id"])
        else:
            tell(server, bake, "step_done", step=line["id"])
    raise AssertionError(step)


def primary(page: Page) -> Any:
    """The one thing to do now."""
    return page.get_by_label("The step now").locator("[data-act=primary]")


def test_from_a_formula_to_a_logged_bake(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    # Choose and scale, to the whites that are really in the bowl.
    page.goto(own.url)
    page.get_by_role("tab", name="whites in the bowl").click()
    whites = page.get_by_label("Whites in the bowl", exact=True)
    whites.fill("1/2 cup")
    expect(page.get_by_text("understood: 121.8 g")).to_be_visible()
    whites.fill("150")
    # Plan it back from when it has to be ready.
    ready = (datetime.now(UTC) + timedelta(minutes=20)).strftime("%H:%M")
    page.get_by_label("Ready at").fill(ready)
    expect(page.get_by_test_id("begin")).to_have_text("Not in time")
    expect(page.get_by_text(re.compile("leave it hanging .* can't be shortened"))).to_be_visible()
    later = (datetime.now(UTC) + timedelta(hours=5)).strftime("%H:%M")
    page.get_by_label("Ready at").fill(later)
    expect(page.get_by_test_id("begin")).to_have_text(re.compile("Begin (at|tomorrow)"))
    expect(page.get_by_role("group", name="Braid of the plan")).to_be_visible()
    page.get_by_role("button", name="Start this bake").click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("with a bell")).click()

    # At the bench, by keyboard: the first step is weighed and confirmed.
    expect(page).to_have_url(re.compile("/bench/"))
    bake = page.url.rsplit("/", 1)[1]
    expect(page.get_by_label("The step now")).to_contain_text("whole milk")
    page.keyboard.press(" ")
    expect(page.get_by_label("The step now")).not_to_contain_text("whole milk")
    page.keyboard.press("u")
    expect(page.get_by_label("The step now")).to_contain_text("whole milk")
    work_until(own, bake, "whip")

    # The gate: nothing that the foam will need may be missing.
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("still missing")
    expect(primary(page)).to_be_disabled()
    for box in step.get_by_role("checkbox").all():
        box.click()
        expect(box).to_have_attribute("aria-checked", "true")
    expect(step).to_contain_text("Everything is there.")
    expect(primary(page)).to_be_enabled()
    page.keyboard.press(" ")
    expect(step.get_by_role("timer")).to_be_visible()
    expect(step).to_contain_text("First third of the sugar")
    step.get_by_role("button", name="It's in").click()
    expect(step).to_contain_text("Second third of the sugar")

    # A cup of foam, on its band, with what can still be done.
    before = page.get_by_role("img", name=re.compile("^mixer bowl")).get_attribute("aria-label")
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    sheet.get_by_label("Full cup, levelled", exact=True).fill("68")
    expect(sheet).to_contain_text("0.250")
    sheet.get_by_role("button", name="Save", exact=True).click()
    picture = page.get_by_label("What is in the vessels")
    expect(picture).to_contain_text("0.250")
    expect(page.get_by_label("The step now")).to_contain_text("About a minute more")
    assert before != page.get_by_role("img", name=re.compile("^mixer bowl")).get_attribute("aria-label")
    page.keyboard.press("n")
    page.keyboard.press("o")
    page.get_by_role("dialog").get_by_label("Note", exact=True).fill("Bowl was a little warm")
    page.get_by_role("dialog").get_by_role("button", name="Save", exact=True).click()
    page.keyboard.press(" ")
    expect(page.get_by_label("Beside and next")).to_contain_text("holds")

    # On to the oven and the rack; the bake has a course of its own.
    work_until(own, bake, "bake")
    expect(page.get_by_label("The step now")).to_contain_text("Bake")
    primary(page).click()
    expect(step.get_by_role("timer")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("^The bake over time"))).to_be_visible()
    state = own.ask(f"/api/bakes/{bake}")
    while state["current"] is not None:
        work_until(own, bake, state["current"])
        kind = "step_done"
        line = next(s for s in state["steps"] if s["id"] == state["current"])
        if line["status"] == "waiting" and line["attention"] != "throughout":
            kind = "step_started"
        state = tell(own, bake, kind, step=line["id"])

    # The log: how it came out.
    page.get_by_role("link", name="How did it come out?").click()
    page.get_by_role("radio", name="4 good").click()
    page.get_by_label("Height, cold", exact=True).fill("6.5 cm")
    expect(page.get_by_text("understood: 65 mm")).to_be_visible()
    page.get_by_text("dense layer below").click()
    page.get_by_label("How it came out").get_by_role("button", name="Save").click()
    record = page.locator("main")
    expect(record).to_contain_text("4 of 5, good")
    expect(record).to_contain_text("65 mm high")
    expect(record).to_contain_text("Bowl was a little warm")
    expect(record).to_contain_text("0.250")
    expect(page.get_by_role("group", name="Braid as it went")).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name="Readings as CSV").click()
    assert "whip,density,0.25" in download.value.path().read_text()
    page.get_by_role("link", name="Log", exact=True).click()
    expect(page.locator("main li").first).to_contain_text("dense layer below")
    assert quiet() == []


def test_two_pages_stay_in_step_and_a_killed_server_loses_nothing(browser: Browser, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "warm-milk")
    one = browser.new_context(timezone_id="UTC").new_page()
    other = browser.new_context(timezone_id="UTC").new_page()
    for page in (one, other):
        page.goto(f"{own.url}/bench/{bake}")
        expect(page.get_by_label("The step now")).to_contain_text("Warm the milk")
    primary(one).click()
    expect(other.get_by_label("The step now").get_by_role("timer")).to_be_visible()
    other.keyboard.press("t")
    other.get_by_role("dialog").get_by_role("button", name="10 min").click()
    expect(one.get_by_label("Beside and next")).to_contain_text("10 min timer")
    before = own.ask(f"/api/bakes/{bake}")

    own.kill()
    # What is entered while the server is away waits on the page and arrives once it is back.
    one.keyboard.press("o")
    one.get_by_role("dialog").get_by_label("Note", exact=True).fill("lights flickered")
    one.get_by_role("dialog").get_by_role("button", name="Save", exact=True).click()
    expect(one.get_by_role("status")).to_contain_text("1 kept on this device")
    own.start()
    expect(one.get_by_role("status")).to_have_count(0, timeout=20_000)

    after = own.ask(f"/api/bakes/{bake}")
    assert after["timers"] == before["timers"]
    assert after["running"] == before["running"]
    assert [n["text"] for n in after["notes"]] == ["lights flickered"]
    begun = {s["id"]: s["started_at"] for s in before["steps"]}
    assert {s["id"]: s["started_at"] for s in after["steps"]} == begun
    expect(other.get_by_label("Beside and next")).to_contain_text("10 min timer", timeout=20_000)
    primary(one).click()
    expect(other.get_by_label("The step now")).not_to_contain_text("Warm the milk", timeout=20_000)


def test_a_strand_of_the_braid_opens_its_step_and_leads_back(page: Page, own: Server) -> None:
    bake = start_bake(own)
    page.goto(f"{own.url}/bench/{bake}")
    page.get_by_role("button", name=re.compile("^Bake, ")).focus()
    page.keyboard.press("Enter")
    step = page.get_by_label("The step now")
    expect(step.get_by_role("heading", name="Bake")).to_be_visible()
    expect(step).to_contain_text("Hot tin and rack")
    expect(primary(page)).to_be_disabled()
    step.get_by_role("button", name="back to now").click()
    expect(step).to_contain_text("whole milk")


def test_no_shortcut_fires_while_one_types_and_a_skip_needs_its_reason(page: Page, own: Server) -> None:
    bake = start_bake(own)
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("whole milk")
    page.keyboard.press("s")
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_role("button", name="Skip the step")).to_be_disabled()
    sheet.get_by_label("Why").press_sequentially("run out tonight")
    assert own.ask(f"/api/bakes/{bake}")["sequence"] == NEVER
    sheet.get_by_role("button", name="Skip the step").click()
    expect(page.get_by_label("The step now")).not_to_contain_text("whole milk")
    assert own.ask(f"/api/bakes/{bake}")["steps"][2]["reason"] == "run out tonight"


def test_a_refused_event_says_what_to_do(page: Page, own: Server) -> None:
    bake = start_bake(own)
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("whole milk")
    page.keyboard.press("r")
    page.get_by_role("dialog").get_by_label("Full cup, levelled", exact=True).fill("12")
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_role("alert")).to_contain_text("must weigh more")
    sheet.get_by_label("Full cup, levelled", exact=True).fill("40")
    expect(sheet.get_by_role("alert")).to_contain_text("lighter than any foam")
    expect(sheet.get_by_role("button", name="Save", exact=True)).to_be_disabled()
    expect(sheet.get_by_label("Full cup, levelled", exact=True)).to_have_value("40")


def test_what_the_server_refuses_stays_in_the_sheet(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "warm-milk")
    page.goto(f"{own.url}/bench/{bake}")
    primary(page).click()
    expect(page.get_by_label("The step now").get_by_role("timer")).to_be_visible()
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    degrees = sheet.get_by_label("temperature in the vessel", exact=True)
    degrees.fill("400")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet.get_by_role("alert")).to_contain_text("hotter than anything warmed here")
    expect(degrees).to_have_value("400")
    degrees.fill("176 °F")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(sheet).to_have_count(0)
    expect(page.get_by_label("What is in the vessels")).to_contain_text("80")


def test_a_new_kitchen_takes_the_shipped_formulas_and_a_cup_by_hand(page: Page, tmp_path: Path) -> None:
    server = Server(tmp_path, "serve")
    server.start()
    try:
        page.goto(f"{server.url}/book")
        page.get_by_role("button", name="Add the sample formulas").click()
        expect(page.get_by_role("heading", name="Tea chiffon")).to_be_visible()
        bake = start_bake(server)
        work_until(server, bake, "fold")
        page.goto(f"{server.url}/bench/{bake}")
        expect(page.get_by_label("The step now")).to_contain_text("Fold in the rest")
        page.keyboard.press("r")
        sheet = page.get_by_role("dialog")
        sheet.get_by_label("Empty cup", exact=True).fill("40")
        sheet.get_by_label("Water it holds, levelled", exact=True).fill("1/2 cup")
        sheet.get_by_label("Full cup, levelled", exact=True).fill("92")
        expect(sheet).to_contain_text("0.440")
        sheet.get_by_role("button", name="Save", exact=True).click()
        expect(page.get_by_label("The step now")).to_contain_text("0.44: within")
    finally:
        server.stop()


def test_any_step_is_looked_at_from_the_list(page: Page, own: Server) -> None:
    bake = start_bake(own)
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("whole milk")
    page.keyboard.press("a")
    page.get_by_role("dialog").get_by_role("button", name=re.compile("Leave it hanging")).click()
    step = page.get_by_label("The step now")
    expect(step.get_by_role("heading", name="Leave it hanging")).to_be_visible()
    expect(primary(page)).to_be_disabled()


def test_a_plan_tells_more_of_the_step_that_is_touched(page: Page, demo: Server) -> None:
    page.goto(demo.url)
    page.get_by_role("button", name=re.compile("^Whip whites and sugar, ")).focus()
    page.keyboard.press("Enter")
    main = page.locator("main")
    expect(main).to_contain_text("speed 6")
    expect(main).to_contain_text("Then it can wait 4 min")


def do_what_it_says(page: Page, act: Callable[[Any], None]) -> int:
    """Go through the bake at the bench, one thing after the other; returns how many steps it took."""
    step = page.get_by_label("The step now")
    over = page.get_by_role("heading", name="All steps are done.")
    for count in range(60):
        expect(step.or_(over)).to_be_visible()
        if over.is_visible():
            return count
        for box in step.get_by_role("checkbox").all():
            if box.get_attribute("aria-checked") == "false":
                act(box)
                expect(box).to_have_attribute("aria-checked", "true")
        before = step.get_attribute("data-at")
        act(step.locator("[data-act=primary]"))
        expect(page.locator(f"[data-at='{before}']")).to_have_count(0)
    raise AssertionError("it never ends")


def test_the_whole_job_by_touch_on_a_phone(browser: Browser, own: Server) -> None:
    phone = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True, timezone_id="UTC").new_page()
    phone.goto(own.url)
    phone.get_by_role("combobox", name=re.compile("^Formula")).tap()
    phone.get_by_role("option", name="Butter sponge").tap()
    expect(phone.get_by_text(re.compile("; 4 eggs"))).to_be_visible()
    phone.get_by_role("tab", name="eggs").tap()
    phone.get_by_role("button", name="more Eggs").tap()
    expect(phone.get_by_text(re.compile("; 5 eggs"))).to_be_visible()
    phone.get_by_role("button", name=re.compile("^Start")).tap()
    phone.get_by_role("dialog").get_by_role("button", name=re.compile("with a bell")).tap()
    expect(phone).to_have_url(re.compile("/bench/"))
    assert do_what_it_says(phone, lambda target: target.tap()) > 18
    phone.get_by_role("link", name="How did it come out?").tap()
    phone.get_by_role("radio", name="5 as it should be").tap()
    phone.get_by_label("How it came out").get_by_role("button", name="Save").tap()
    expect(phone.locator("main")).to_contain_text("5 of 5, as it should be")
    expect(phone.locator("main")).to_contain_text("over at")
    fits(phone, 390)


def test_the_whole_job_by_keyboard(page: Page, own: Server) -> None:
    bake = start_bake(own)
    page.goto(f"{own.url}/bench/{bake}")

    def press(target: Any) -> None:
        if target.get_attribute("role") == "checkbox":
            page.keyboard.press("Tab")  # so that the browser knows that somebody walks by keyboard
            target.focus()
        else:
            page.evaluate("document.activeElement.blur()")
        page.keyboard.press(" ")

    assert do_what_it_says(page, press) > 20
    page.keyboard.press("u")
    expect(page.get_by_label("The step now")).to_contain_text("Out of the tin")
