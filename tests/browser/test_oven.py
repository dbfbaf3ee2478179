"""The oven as a baker uses it: hot, filled, watched, emptied, cooled; known, and asked about."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_views import fits_every_width, legible_in_both_lights, settled
from tests.browser.test_walk import primary, start_bake, work_until
from tests.server import Server

LONG = 90_000


def test_from_preheat_to_rack_with_the_stand_in_oven(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = start_bake(own, "butter-sponge")
    work_until(own, bake, "preheat-bake")
    page.goto(f"{own.url}/bench/{bake}")
    step, picture = page.get_by_label("The step now"), page.get_by_label("What is in the vessels")
    expect(step).to_contain_text(re.compile(r"Set Deck oven to 17\d °C"))
    page.keyboard.press(" ")
    # It heats by itself: the next step comes up, and what is looked at is chosen only then.
    expect(step).to_contain_text("Weigh butter and milk")
    own.ask("/api/stand-ins", {"speed": 10})

    # The oven is followed by its probe until it holds, and only then filled: slowly while its way there is looked at.
    page.get_by_role("button", name=re.compile("^Heat the oven")).first.click()
    expect(step).to_contain_text("in the oven", timeout=LONG)
    expect(step).to_contain_text(re.compile(r"to 170 °C, \d"), timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 60})
    expect(picture.get_by_role("img", name=re.compile(r"^Oven, 1(6|7)\d degrees measured"))).to_be_visible(timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 1})
    work_until(own, bake, "bake")
    page.reload()
    expect(step).to_contain_text("Looks wrong, is right: It sinks by a finger's width")
    expect(step).to_contain_text("Straight after")
    expect(primary(page)).to_be_enabled()
    page.keyboard.press(" ")

    # In the oven: the middle warms, the end is told by it, and the moments to turn and look are there.
    own.ask("/api/stand-ins", {"speed": 60})
    expect(step).to_contain_text("in the middle, oven 1", timeout=LONG)
    expect(step).to_contain_text("Door shut: look first in", timeout=LONG)
    curve = picture.get_by_role("img", name=re.compile("^The bake over time: middle at 9"))
    expect(curve).to_be_visible()
    expect(step).to_contain_text(re.compile(r"From its own readings|As expected"), timeout=LONG)
    expect(step).to_contain_text("Turn it round")
    expect(step).to_contain_text("Look now", timeout=LONG)
    expect(step).to_contain_text("How to tell")
    own.ask("/api/stand-ins", {"speed": 1})
    page.keyboard.press("n")
    expect(step).to_contain_text("look first in")
    legible_in_both_lights(page)
    fits_every_width(page)
    page.keyboard.press(" ")

    # Out of it: what has to happen at once, then the rack with its gates.
    expect(step).to_contain_text("Drop it once")
    page.keyboard.press(" ")
    expect(step).to_contain_text("A thin knife once round")
    work_until(own, bake, "cool")
    page.reload()
    expect(step).to_contain_text("On a rack")
    page.keyboard.press(" ")
    gates = page.get_by_role("list", name="Ready for")
    expect(gates).to_contain_text("turn out")
    expect(gates).to_contain_text("cream")
    own.ask("/api/stand-ins", {"speed": 60})
    expect(step).to_contain_text("in the middle", timeout=LONG)
    expect(gates).to_contain_text("may be", timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 1})
    assert quiet() == []


def test_without_probes_the_clock_goes_by_the_model_and_not_yet_moves_it(page: Page, own: Server) -> None:
    own.ask("/api/stand-ins", {"on": False})
    bake = start_bake(own, "butter-sponge")
    work_until(own, bake, "bake")
    page.goto(f"{own.url}/bench/{bake}")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("Straight after")
    page.keyboard.press(" ")
    expect(step).to_contain_text("look first in")
    expect(step).to_contain_text("this kitchen, 8 bakes")
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("textbox").first.fill("60")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(step).to_contain_text("Move it to the thickest place")


def test_what_is_being_typed_stays_when_a_probe_reads(page: Page, own: Server) -> None:
    bake = start_bake(own, "butter-sponge")
    work_until(own, bake, "bake")
    page.goto(f"{own.url}/bench/{bake}")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("Straight after")
    page.keyboard.press(" ")
    expect(step).to_contain_text("in the middle")
    own.ask("/api/stand-ins", {"on": False})
    page.keyboard.press("r")
    keep = page.get_by_role("dialog").get_by_role("button", name="Save", exact=True)
    page.get_by_role("dialog").get_by_role("textbox").first.fill("71")
    expect(keep).to_be_enabled()
    own.ask("/api/readings", {"probe": "crumb-probe", "value": 40})
    expect(step).to_contain_text(re.compile(r"\b40\s?°C"))
    expect(keep).to_be_enabled()
    keep.click()
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_an_oven_is_known_and_taught(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("link", name="What is known about it").first.click()
    expect(page.get_by_role("heading", name="Deck oven")).to_be_visible()
    expect(page.locator("main")).to_contain_text("reliable")
    time, degrees = page.get_by_label("Time", exact=True), page.get_by_label("Temperature", exact=True)

    # A bake can be looked at and left out; what is believed follows.
    time.get_by_role("button", name=re.compile("^Butter sponge")).first.focus()
    page.keyboard.press("Enter")
    time.get_by_role("button", name="Exclude it").click()
    expect(page.locator("main")).to_contain_text("7 bakes and")
    time.get_by_role("button", name="Include it").click()
    expect(page.locator("main")).to_contain_text("8 bakes and")

    # A thermometer's reading at the bottom, which nobody had measured.
    expect(degrees).to_contain_text("not measured")
    degrees.get_by_role("textbox", name="Reading once steady").fill("150")
    degrees.get_by_role("group", name="Rack").get_by_role("button", name="bottom").click()
    degrees.get_by_role("button", name="Save", exact=True).click()
    expect(degrees).not_to_contain_text("not measured")

    # A tray is marked place by place, by touch.
    hot = page.get_by_label("Hot side", exact=True)
    expect(hot).to_contain_text("back right browns")
    hot.get_by_role("button", name="Mark another tray").click()
    for row in (1, 2, 3, 4):
        place = hot.get_by_role("button", name=re.compile(f"row {row}, place 1:"))
        place.tap()
        place.tap()
    expect(hot).to_contain_text("The left browns")
    hot.get_by_role("button", name="Save this map").click()
    expect(hot).to_contain_text("The left browns")
    page.reload()
    expect(hot).to_contain_text("The left browns")
    legible_in_both_lights(page)
    fits_every_width(page)
    assert quiet() == []


def test_a_baker_asks_what_would_change_a_bake(page: Page, demo: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{demo.url}/book")
    page.get_by_role("link", name="Oven and time").click()
    page.get_by_role("combobox", name="Formula", exact=True).click()
    page.get_by_role("option", name="Tea chiffon").click()
    bake, asks = page.get_by_label("The bake", exact=True), page.get_by_label("What if", exact=True)
    expect(bake).to_contain_text("this kitchen, 8 bakes")
    expect(bake).to_contain_text("It cracks on top and the cracks stay")
    expect(bake).to_contain_text("Upside down at once")
    deep = asks.get_by_role("button", name=re.compile("^Twice as deep"))
    expect(deep).to_contain_text(re.compile(r"\+\d\d"))
    deep.click()
    expect(asks).to_contain_text("raw middle")
    expect(asks.get_by_role("button", name=re.compile("^With the fan"))).to_contain_text("−")
    before = bake.inner_text().split(" ")[0]
    oven = page.get_by_role("slider", name="Oven")
    for _ in range(6):
        oven.press("ArrowRight")
    expect(bake).not_to_contain_text(before)
    page.get_by_role("button", name="cold oven", exact=True).click()
    expect(bake.get_by_role("img", name=re.compile("^The bake over time"))).to_be_visible()
    settled(page)
    legible_in_both_lights(page)
    fits_every_width(page)
    assert quiet() == []
