"""When it goes otherwise than planned, as a baker meets it: by keyboard on the tablet, by touch on a phone."""

from __future__ import annotations

import re
from collections.abc import Callable
from datetime import UTC, datetime, timedelta

from playwright.sync_api import Browser, Page, expect

from tests.browser.test_sugar import LONG, on_the_flame
from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import fits, primary, start_bake, tell, work_until
from tests.server import Server


def now_at(page: Page, step: str) -> None:
    """The step that is shown, and whether it waits or runs."""
    expect(page.get_by_label("The step now")).to_have_attribute("data-at", step)


def do_it(page: Page) -> None:
    """Wait for what follows, and do it."""
    sheet = page.get_by_role("dialog")
    sheet.locator("[data-act=otherwise]").click()
    expect(sheet).to_be_hidden()


def test_a_syrup_that_went_too_far_is_begun_again_with_fresh_whites(
    page: Page, own: Server, quiet: Callable[[], list[str]]
) -> None:
    bake = on_the_flame(page, own, speed=20)
    page.keyboard.press(" ")
    meets = page.get_by_role("status", name="Syrup and whites")
    expect(meets).to_contain_text("Start the whites now", timeout=LONG)
    page.keyboard.press("w")
    now_at(page, "whip-soft running")
    # Nobody looks: it goes far past, and the yellow button says the one safe thing.
    expect(primary(page)).to_contain_text("Off the heat, begin again", timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 1})
    page.keyboard.press(" ")
    expect(page.get_by_label("The bake in time").or_(page.get_by_label("The step now")).first).to_be_visible()
    page.wait_for_function("document.title !== ''")
    state = own.ask(f"/api/bakes/{bake}")
    done = {s["id"]: s["status"] for s in state["steps"]}
    expect(page.get_by_label("The step now")).to_contain_text("Whip the whites")
    assert done["whip-soft"] == "running"
    # The whites will not wait so long: fresh ones too, which want their bowl and whisk clean and nothing else.
    page.keyboard.press("g")
    sheet = page.get_by_role("dialog")
    expect(sheet.get_by_label("What follows")).to_contain_text("3 eggs")
    expect(sheet.get_by_label("What follows")).to_contain_text("emptied, washed, dry")
    do_it(page)
    state = own.ask(f"/api/bakes/{bake}")
    done = {s["id"]: s["status"] for s in state["steps"]}
    assert (done["whip-boil"], done["whip-soft"]) == ("lost", "lost")
    assert {"whip-boil-2", "whip-soft-2"} <= done.keys()
    work_until(own, bake, "whip-boil-2")
    page.reload()
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("Boil the syrup, again")
    missing = [box for box in step.get_by_role("checkbox").all() if box.get_attribute("aria-checked") == "false"]
    assert len(missing) == 2
    for box in missing:
        box.click()
        expect(box).to_have_attribute("aria-checked", "true")
    page.keyboard.press(" ")
    now_at(page, "whip-boil-2 running")
    legible_in_both_lights(page)
    fits_every_width(page)
    assert quiet() == []


def test_eggs_dropped_and_six_whites_instead_of_three_on_a_phone(browser: Browser, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "weigh-yolks")
    phone = browser.new_context(
        viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True, timezone_id="UTC"
    )
    page = phone.new_page()
    page.goto(f"{own.url}/bench/{bake}")
    now_at(page, "weigh-yolks waiting")
    step, sheet = page.get_by_label("The step now"), page.get_by_role("dialog")

    # The yolks lie on the floor.
    step.get_by_role("button", name="Otherwise").tap()
    sheet.get_by_role("button", name="Begin again").tap()
    sheet.get_by_label("Why (may stay empty)").fill("dropped")
    expect(sheet.get_by_label("What follows")).to_contain_text("Lost 56 g egg yolk")
    expect(sheet.get_by_label("What follows")).to_contain_text("4 eggs")
    fits(page, 390)
    sheet.locator("[data-act=otherwise]").tap()
    expect(sheet).to_be_hidden()
    expect(step).to_contain_text("egg yolk")
    now_at(page, "weigh-yolks-2 waiting")

    # Whites of eight eggs are in the bowl, where four were meant: everything follows.
    step.get_by_role("button", name="Otherwise").tap()
    sheet.get_by_role("button", name="More or less of it").tap()
    sheet.get_by_role("button", name="by what was weighed").tap()
    sheet.get_by_role("combobox", name=re.compile("^At")).or_(sheet.get_by_label(re.compile("^At"))).first.tap()
    page.get_by_role("option", name=re.compile("Weigh the whites, meant: 122 g")).tap()
    sheet.get_by_label("In the bowl", exact=True).fill("244")
    expect(sheet.get_by_label("What follows")).to_contain_text("Newly needed")
    expect(sheet.get_by_label("What follows")).not_to_contain_text("egg white")
    sheet.locator("[data-act=otherwise]").tap()
    expect(sheet).to_be_hidden()
    now_at(page, "weigh-milk-2 waiting")
    expect(step).to_contain_text("46 g")
    state = own.ask(f"/api/bakes/{bake}")
    assert [t["said"] for t in state["turns"]] == [
        "“Weigh yolks and their sugar” begun again",
        "2 times the batch: 244 g at “Weigh the whites”",
    ]

    page.keyboard.press("a")
    sheet.get_by_role("button", name="Weigh list").tap()
    bowls = sheet.get_by_role("list", name="Bowls").get_by_role("listitem")
    expect(bowls.filter(has_text="Weigh yolks and their sugar, yolk bowl")).to_contain_text("lost")
    expect(bowls.filter(has_text="Weigh yolks and their sugar, again")).to_contain_text("once more")
    sheet.get_by_role("button", name="Close").tap()

    # Taken back, the last first: what rests on it is named.
    step.get_by_role("button", name="Otherwise").tap()
    sheet.get_by_role("button", name="Take something back").tap()
    last = sheet.get_by_role("list", name="Last things").get_by_role("listitem")
    expect(last.first).to_contain_text("2 times the batch")
    last.first.get_by_role("button", name="Take it back").tap()
    expect(last.first).to_contain_text("begun again")
    sheet.get_by_role("button", name="Close").tap()
    expect(step).to_contain_text("56 g")
    page.goto(f"{own.url}/log/{bake}")
    expect(page.get_by_text("Otherwise than planned")).to_be_visible()
    expect(page.get_by_text("Lost: 56 g egg yolk")).to_be_visible()
    fits(page, 390)
    phone.close()


def test_a_bake_begun_early_is_asked_about_and_planned_from_now(page: Page, own: Server) -> None:
    page.goto(own.url)
    page.get_by_label("Ready at").fill((datetime.now(UTC) + timedelta(hours=9)).strftime("%H:%M"))
    expect(page.get_by_test_id("begin")).to_have_text(re.compile("Begin (at|tomorrow)"))
    page.get_by_role("button", name="Start this bake").focus()
    page.keyboard.press("Enter")
    sheet = page.get_by_role("dialog")
    expect(sheet).to_contain_text("It is not time yet")
    expect(sheet.get_by_role("button", name=re.compile("^Begin now: ready (at|tomorrow) "))).to_be_visible()
    sheet.get_by_role("button", name=re.compile("with a bell")).click()
    expect(page).to_have_url(re.compile("/bench/"))
    bake = page.url.rsplit("/", 1)[1]
    expect(page.get_by_label("Beside and next")).to_contain_text("Begin Tea chiffon")

    # Hours before its time one goes on all the same.
    expect(page.get_by_text(re.compile("^Nothing to do before"))).to_be_visible()
    before = own.ask(f"/api/bakes/{bake}")["ready_at"]
    page.get_by_role("button", name="Go on now instead").click()
    expect(sheet.get_by_label("What follows")).to_contain_text("sooner than expected now")
    do_it(page)
    expect(page.get_by_text(re.compile("^Nothing to do before"))).to_be_hidden()
    expect(page.get_by_text(re.compile("^ready .*, on time$"))).to_be_visible()
    assert own.ask(f"/api/bakes/{bake}")["ready_at"] < before

    # What the foam will need can be ticked on Today meanwhile.
    page.goto(own.url)
    ready = page.get_by_role("group", name="Make ready for Tea chiffon")
    ready.get_by_role("button", name="spatula: there").click()
    expect(ready.get_by_role("button", name="spatula: there")).to_be_hidden()
    items = own.ask(f"/api/bakes/{bake}")["gate"]["items"]
    assert {i["id"] for i in items if i["there"]} == {"have-spatula"}


def test_a_tin_is_changed_at_the_bench_by_keyboard(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    page.goto(f"{own.url}/bench/{bake}")
    now_at(page, "whip waiting")
    page.keyboard.press("c")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Another tin").focus()
    page.keyboard.press("Enter")
    sheet.get_by_label(re.compile("^The batter goes into")).focus()
    page.keyboard.press("Enter")
    page.get_by_role("option", name="20 cm round", exact=True).click()
    follows = sheet.get_by_label("What follows")
    expect(follows).to_contain_text("Ready")
    sheet.locator("[data-act=otherwise]").focus()
    page.keyboard.press("Enter")
    expect(sheet).to_be_hidden()
    expect(page.get_by_role("heading", level=1)).to_contain_text("1 × 20 cm round")
    page.keyboard.press("u")
    expect(page.get_by_role("heading", level=1)).to_contain_text("17 cm tube")


def test_stopped_for_the_night_it_says_what_keeps(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    page.goto(f"{own.url}/bench/{bake}")
    now_at(page, "whip waiting")
    page.keyboard.press("c")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Stop here").click()
    expect(sheet).to_contain_text("Whisk in the flour")
    expect(sheet).to_contain_text("local food-safety rules")
    frozen = sheet.get_by_role("group", name="What becomes of “Whisk in the flour”").get_by_role(
        "button", name="frozen"
    )
    frozen.click()
    expect(sheet.get_by_label("What follows")).to_contain_text("thawed")
    do_it(page)
    now_at(page, "keep-add-flour waiting")
    expect(page.get_by_label("The step now")).to_contain_text("Wrapped airtight")


def test_two_bakes_say_which_needs_a_hand_and_where_both_do(page: Page, own: Server) -> None:
    first = start_bake(own)
    work_until(own, first, "whip")
    for item in own.ask(f"/api/bakes/{first}")["gate"]["items"]:
        tell(own, first, "gate_ticked", item=item["id"])
    tell(own, first, "step_started", step="whip")
    second = start_bake(own, "citrus-roll")
    tell(own, second, "changed", change={"change": "retimed"})
    page.goto(f"{own.url}/bench/{second}")
    strip = page.get_by_role("navigation", name="Bakes that run")
    expect(strip.get_by_role("link", name=re.compile("^Tea chiffon .*can’t wait"))).to_be_visible()
    expect(strip.get_by_role("status").first).to_contain_text("want the same hands")
    strip.get_by_role("link", name=re.compile("^Tea chiffon")).click()
    expect(page.get_by_role("heading", level=1)).to_contain_text("Tea chiffon")
    fits_every_width(page)
