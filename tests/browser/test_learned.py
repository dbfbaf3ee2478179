"""A slip is asked about, taken back, and the figures recover; a figure's dots are looked at and one is left out."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_walk import fits, start_bake, tell, work_until
from tests.server import Server


def begin_whipping(own: Server) -> str:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    for item in own.ask(f"/api/bakes/{bake}")["gate"]["items"]:
        if item["kind"] == "thing":
            tell(own, bake, "gate_ticked", item=item["id"])
    tell(own, bake, "step_started", step="whip")
    return bake


def test_a_slip_is_asked_about_and_taken_back(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = begin_whipping(own)
    page.goto(f"{own.url}/bench/{bake}")
    picture = page.get_by_role("img", name=re.compile("^mixer bowl"))
    expect(picture).to_be_visible()
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    # Twelve grams of foam in the cup instead of a hundred and two: a digit went missing.
    sheet.get_by_label("Full cup, levelled", exact=True).fill("50")
    sheet.get_by_role("button", name="Save", exact=True).click()
    question = page.get_by_label("A question about what was entered")
    expect(question).to_contain_text("cup’s own weight")
    expect(question).to_be_in_viewport()
    # It is kept, and still asked after a reload.
    page.reload()
    expect(question).to_contain_text("cup’s own weight")
    asked = own.ask(f"/api/bakes/{bake}")["readings"][-1]
    assert not asked["counts"]
    question.get_by_role("button", name="Take it back").click()
    expect(question).to_have_count(0)
    # A usual one is not asked about, and counts.
    page.keyboard.press("r")
    sheet.get_by_label("Full cup, levelled", exact=True).fill("68")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_label("What is in the vessels")).to_contain_text("0.250")
    expect(question).to_have_count(0)
    assert [r["counts"] for r in own.ask(f"/api/bakes/{bake}")["readings"]] == [False, True]
    assert quiet() == []


def test_a_height_in_the_wrong_unit_is_asked_about_on_the_record(page: Page, own: Server) -> None:
    bake = own.ask("/api/bakes?status=finished&formula=tea-chiffon")[0]["id"]
    page.goto(f"{own.url}/log/{bake}")
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Height, cold", exact=True).fill("640")
    page.get_by_role("button", name="Save", exact=True).first.click()
    question = page.get_by_label("A question about what was entered")
    expect(question).to_contain_text("640 mm")
    page.get_by_role("button", name="Change it").click()
    page.get_by_label("Height, cold", exact=True).fill("64")
    page.get_by_role("button", name="Save", exact=True).first.click()
    expect(question).to_have_count(0)
    assert own.ask(f"/api/bakes/{bake}")["outcome"]["height_mm"] == 64


def test_a_figures_dots_are_looked_at_and_one_is_left_out(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("link", name="What has been learned").click()
    whisk = page.get_by_label("Time on the whisk", exact=True)
    expect(whisk).to_contain_text("Stand mixer")
    dots = page.get_by_label("Dots")
    page.get_by_label("Air kept in a fold", exact=True).get_by_role("button").first.click()
    expect(dots.get_by_role("heading")).to_have_text("the kitchen’s")
    chart = dots.get_by_role("group")
    dot = chart.get_by_role("button").nth(2)
    before = dots.locator("p.font-display").text_content()
    dot.press("Enter")
    expect(dots).to_contain_text("the model says")
    dots.get_by_role("button", name="Exclude it").click()
    expect(dots).to_contain_text("left out")
    expect(dots.locator("p.font-display")).not_to_have_text(before or "")
    dots.get_by_role("button", name="Include it").click()
    expect(dots.locator("p.font-display")).to_have_text(before or "")
    dots.get_by_role("link", name="its record").click()
    expect(page).to_have_url(re.compile("/log/"))
    for width in (390, 820):
        page.set_viewport_size({"width": width, "height": 800})
        page.goto(f"{own.url}/kitchen/learned")
        expect(whisk).to_contain_text("Stand mixer")
        fits(page, width)


def test_hands_are_named_and_chosen(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("button", name="Add somebody").click()
    with page.expect_response(lambda r: r.request.method == "PUT" and "Ada" in (r.request.post_data or "")) as saved:
        page.get_by_label("Name", exact=True).fill("Ada")
    assert saved.value.ok
    page.goto(own.url)
    page.get_by_label("Hands").click()
    page.get_by_role("option", name="Ada").click()
    page.get_by_role("button", name="Start this bake").click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("^Begin now")).click()
    expect(page).to_have_url(re.compile("/bench/"))
    assert own.ask("/api/kitchen")["kitchen"]["people"][0]["name"] == "Ada"


def test_no_tin_is_filled_by_a_density_that_is_asked_about(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/tins")
    main = page.locator("main")
    expect(main).to_contain_text("It stands at")
    page.get_by_label("Class").click()
    page.get_by_role("option", name="separated chiffon").click()
    page.get_by_role("slider").first.press("End")
    expect(main).to_contain_text("no usual chiffon batter")
    expect(main).not_to_contain_text("It stands at")
    page.get_by_role("button", name="It is right").click()
    expect(main).to_contain_text("It stands at")
    expect(main).not_to_contain_text("no usual chiffon batter")
