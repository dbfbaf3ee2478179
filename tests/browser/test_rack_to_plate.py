"""From the rack to the plate: a roll from its oven to its slices, a lined cake over night, another ring, labels."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.test_piping import look_at
from tests.browser.test_turns import now_at
from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import primary, start_bake, tell, work_until
from tests.server import Server

PICTURE = "What is in the vessels"


def rested(server: Server, bake: str, step: str) -> None:
    """A step that runs by itself is over, told beside the page; what is asked about its time counts as it stands."""
    tell(server, bake, "step_started", step=step)
    tell(server, bake, "step_done", step=step)


def built(page: Page) -> Any:
    """The picture of what is built by now."""
    return page.get_by_label(PICTURE).get_by_role("img", name=re.compile("mm across")).last


def test_a_roll_from_the_oven_to_its_slices(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = start_bake(own, "citrus-roll", ready_at=None)
    work_until(own, bake, "cool")
    tell(own, bake, "step_started", step="cool")
    page.goto(f"{own.url}/bench/{bake}")
    look_at(page, "Cool flat under the paper")
    now_at(page, "cool running")
    # A probe in the crumb tells that it is far from cold; whoever is in a hurry takes it off all the same.
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("textbox", name="core temperature").fill("41")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_label("The step now")).to_contain_text("41°C in the middle")
    # What it is ready for follows its thermometer, not the clock.
    ready = page.get_by_label("Ready for").get_by_role("listitem")
    expect(ready.filter(has_text="turn out")).to_contain_text("may be")
    expect(ready.filter(has_text="cream")).to_contain_text(re.compile(r"in \d+ min"))
    tell(own, bake, "step_done", step="cool")
    work_until(own, bake, "spread")
    page.reload()
    now_at(page, "spread waiting")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("from 32 °C the fat of the cream melts")
    expect(step).to_contain_text("min on a rack")
    legible_in_both_lights(page)
    fits_every_width(page)
    page.set_viewport_size({"width": 1280, "height": 800})
    # It grows step by step: a sheet with its filling, then a roll.
    expect(built(page)).to_have_attribute("aria-label", re.compile("mandarin segments.*cream.*crumb"))
    page.keyboard.press(" ")
    now_at(page, "roll waiting")
    expect(step).to_contain_text("turns")
    expect(built(page)).to_have_attribute("aria-label", re.compile(r"8\d mm across"))
    page.keyboard.press(" ")
    now_at(page, "chill waiting")
    page.keyboard.press(" ")
    now_at(page, "chill running")
    primary(page).click()
    now_at(page, "finish waiting")
    page.keyboard.press(" ")
    now_at(page, "slice waiting")
    expect(step).to_contain_text("off each end, then 10 slices")
    with page.expect_response(lambda answer: answer.url.endswith("/events") and answer.ok):
        page.keyboard.press(" ")
    tell(own, bake, "bake_finished")
    # Its record shows it as it stands, with its label and how long it was out of the cold.
    page.goto(f"{own.url}/log/{bake}")
    label = page.get_by_label("Label")
    expect(label).to_contain_text("Use by")
    expect(label).to_contain_text("10 portions of")
    expect(label).to_contain_text("above 5 °C")
    expect(page.get_by_label("As it stands").get_by_role("img")).to_have_attribute("aria-label", re.compile("cream"))
    for name in ("Print eight to an A4 sheet", "21 small ones", "A single one"):
        href = page.get_by_role("link", name=name).get_attribute("href")
        got = page.request.get(f"{own.url}{href}")
        assert got.status == 200
        assert got.body().startswith(b"%PDF")
    assert quiet() == []


def test_a_lined_cake_is_built_over_night(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = start_bake(own, "finger-cake", ready_at=None)
    work_until(own, bake, "line")
    page.goto(f"{own.url}/bench/{bake}")
    look_at(page, "Line the ring")
    now_at(page, "line waiting")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("20 fingers side by side")
    expect(built(page)).to_have_attribute("aria-label", re.compile("fingers.*disc"))
    page.keyboard.press(" ")
    expect(step).not_to_have_attribute("data-at", "line waiting")
    work_until(own, bake, "fill")
    page.reload()
    now_at(page, "fill waiting")
    expect(built(page)).to_have_attribute("aria-label", re.compile("mousse"))
    page.keyboard.press(" ")
    expect(step).not_to_have_attribute("data-at", "fill waiting")
    look_at(page, "Chill until set")
    now_at(page, "set waiting")
    page.keyboard.press(" ")
    now_at(page, "set running")
    # The next morning, on another page: it still stands where it was left.
    page.goto(f"{own.url}/")
    page.goto(f"{own.url}/bench/{bake}")
    look_at(page, "Chill until set")
    now_at(page, "set running")
    primary(page).click()
    expect(step).not_to_have_attribute("data-at", "set running")
    work_until(own, bake, "portion")
    page.reload()
    now_at(page, "portion waiting")
    expect(built(page)).to_have_attribute("aria-label", re.compile("apricot jam"))
    expect(step).to_contain_text("36° each")
    assert quiet() == []


def test_another_ring_takes_other_fingers_and_another_disc(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/finger-cake")
    step = page.get_by_role("button", name=re.compile("Line the ring"))
    expect(step).to_contain_text("21 fingers, a disc of 166 mm")
    page.get_by_role("combobox", name=re.compile("^Tin")).first.click()
    page.get_by_role("option", name="16 cm ring").click()
    expect(step).not_to_contain_text("21 fingers")
    expect(step).to_contain_text("16 fingers, a disc of 126 mm")


def test_a_cream_is_shared_out_before_it_is_whipped(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/layer-cake")
    page.get_by_role("button", name=re.compile("Whip the cream")).click()
    close = page.locator("[aria-live=polite]").filter(has_text="Whip the cream")
    expect(close).to_contain_text("to “Build it up”")
    expect(close).to_contain_text("to “Coat it”")
    page.get_by_role("button", name=re.compile("Cut twelve pieces")).click()
    expect(page.get_by_role("img", name=re.compile("209 mm across")).last).to_be_visible()
    legible_in_both_lights(page)
    fits_every_width(page)


def test_the_kitchen_s_own_days_stand_on_its_labels(page: Page, own: Server) -> None:
    bake = start_bake(own, "citrus-roll", ready_at=None)
    page.goto(f"{own.url}/kitchen")
    field = page.get_by_role("textbox", name=re.compile("Days, filled with cream"))
    field.fill("1")
    field.press("Enter")
    expect(page.get_by_text("saved", exact=False).first).to_be_visible()
    for _ in range(200):
        if own.ask("/api/kitchen")["kitchen"]["keeps_days"]:
            break
    page.goto(f"{own.url}/log/{bake}")
    expect(page.get_by_label("Label")).to_contain_text("This kitchen’s rule")


def test_how_much_goes_where_is_told_for_any_body(page: Page, demo: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{demo.url}/book")
    page.get_by_role("link", name="From the rack to the plate").click()
    shares = page.get_by_label("How much goes where")
    expect(shares).to_contain_text("426 g")
    cut = shares.get_by_role("img")
    expect(cut).to_have_attribute("aria-label", re.compile("3 times layer, 23 mm"))
    there = page.get_by_role("textbox", name="There is, if known")
    there.fill("300")
    there.press("Enter")
    expect(shares).to_contain_text("126 g are missing")
    for body, seen in (("roll", "sheet"), ("dome", "lid"), ("pairs", "shell"), ("square", "layer")):
        page.get_by_role("button", name=body, exact=True).click()
        expect(cut).to_have_attribute("aria-label", re.compile(seen))
    # A roll from its long side is slimmer; a slip in the ring is told with what to do.
    roll = page.get_by_label("The roll")
    thick = roll.get_by_role("img").get_attribute("aria-label")
    roll.get_by_role("button", name="long", exact=True).click()
    expect(roll.get_by_role("img")).not_to_have_attribute("aria-label", str(thick))
    ring = page.get_by_label("The ring")
    expect(ring).to_contain_text("18 fingers")
    slip = ring.get_by_role("textbox", name="Finger, thick")
    slip.fill("95")
    slip.press("Enter")
    expect(ring.get_by_role("alert")).to_contain_text("leave no room in a ring")
    slip.fill("18")
    slip.press("Enter")
    expect(ring).to_contain_text("a disc of 146 mm inside")
    ready = page.get_by_label("Whether it is right")
    crumb = ready.get_by_role("textbox", name="Crumb, if known")
    crumb.fill("38")
    crumb.press("Enter")
    expect(ready).to_contain_text("the fat of the cream melts")
    legible_in_both_lights(page)
    fits_every_width(page)
    # What the ring could not be is the one thing that was refused.
    assert [m for m in quiet() if "422" not in m] == []
