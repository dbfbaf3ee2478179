"""A fold with its cups, tins with their paper, and a batter poured in rings, over the real server."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.test_walk import fits, primary, start_bake, tell, work_until
from tests.server import Server


def _figure(page: Page, name: str) -> str:
    """The density under one of the vessels that stand side by side."""
    shown = page.get_by_label("What is in the vessels").locator("figure", has_text=name).first.locator("strong")
    return shown.first.inner_text()


def test_a_fold_with_two_cups(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = start_bake(own)
    work_until(own, bake, "loosen")
    page.goto(f"{own.url}/bench/{bake}")
    now = page.get_by_label("The step now")
    expect(now).to_contain_text("three tenths of the meringue into the base")
    expect(now).to_contain_text("Good first portions")
    ladder = page.get_by_role("img", name=re.compile("Densities drawn together"))
    expect(ladder).to_have_attribute("aria-label", re.compile("then 0.7"))
    planned = ladder.get_attribute("aria-label")
    before = _figure(page, "after this step")

    # The first cup, with the kitchen's own: the bowl and all that comes after follow it.
    page.keyboard.press("r")
    page.get_by_role("textbox", name="Full cup, levelled").fill("130")
    expect(page.get_by_text("0.767")).to_be_visible()
    page.get_by_role("button", name="Save", exact=True).click()
    expect(now).to_contain_text("This fold kept")
    expect(page.get_by_label("What is in the vessels")).to_contain_text("as measured")
    assert _figure(page, "as measured") != before
    expect(ladder).not_to_have_attribute("aria-label", planned or "")
    first = ladder.get_attribute("aria-label")
    primary(page).click()

    # The second one in grams to 100 ml: heavy, and what it does in the tin.
    expect(now).to_contain_text("Fold in the rest")
    page.keyboard.press("r")
    page.get_by_label("Read by").click()
    page.get_by_role("option", name="grams in 100 ml").click()
    page.get_by_role("textbox", name="Grams in 100 ml").fill("52")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(now).to_contain_text("0.52: heavy")
    expect(now).to_contain_text(re.compile(r"In the 17 cm tube it stands at \d+ mm"))
    expect(ladder).not_to_have_attribute("aria-label", first or "")
    primary(page).click()
    expect(now).to_contain_text("Fill the tube tin")
    assert quiet() == []


def test_a_ribbon_where_no_scale_is_in_reach_and_a_foam_that_waits(page: Page, own: Server) -> None:
    bake = start_bake(own, "french-shells")
    work_until(own, bake, "fold")
    page.goto(f"{own.url}/bench/{bake}")
    now = page.get_by_label("The step now")
    expect(now).to_contain_text("Macaronage")
    expect(now).to_contain_text("presses")
    page.keyboard.press("r")
    page.get_by_label("Read by").click()
    page.get_by_role("option", name="how long a ribbon lies").click()
    page.get_by_role("textbox", name=re.compile("Seconds until the ribbon")).fill("60")
    page.get_by_role("button", name="Save", exact=True).click()
    expect(now).to_contain_text("0.70: stiff")
    expect(now).to_contain_text("presses more")
    tell(own, bake, "reading_added", step="fold", quantity="density", ribbon_s=25)
    expect(now).to_contain_text("0.85: within")


def test_a_fold_is_thought_over_before_it_is_done(page: Page, demo: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{demo.url}/book/fold")
    plan = page.get_by_label("The plan")
    expect(plan).to_contain_text("55 %")
    expect(plan).to_contain_text("a fifth to a third")
    page.get_by_role("button", name=re.compile("^in thirds")).click()
    expect(plan).to_contain_text("a third of the foam into the base")
    expect(plan).not_to_contain_text("First portion")
    page.get_by_role("textbox", name="A cup of the batter, g/ml").fill("0.62")
    expect(plan).to_contain_text("the fold cost more than it should")
    page.get_by_role("textbox", name="A cup of the batter, g/ml").fill("0.11")
    expect(plan.get_by_role("alert")).to_contain_text("more air than foam and base had")
    assert [line for line in quiet() if "422" not in line] == []


@pytest.mark.parametrize("width", [390, 1280])
def test_a_batter_finds_its_tin_and_the_tin_its_paper(browser: Browser, demo: Server, width: int) -> None:
    page = browser.new_page(viewport={"width": width, "height": 844})
    page.goto(f"{demo.url}/book/tins")
    tin = page.get_by_label("In the tin")
    expect(tin).to_contain_text("fits")
    page.get_by_label("Batter", exact=True).fill("900")
    expect(tin).to_contain_text("Too full")
    page.get_by_label("Tins that fit").or_(page.get_by_label("Shared out")).get_by_role("button").first.click()
    paper = page.get_by_role("link", name="Print on A4").get_attribute("href")
    assert paper is not None
    answer = page.request.get(f"{demo.url}{paper}")
    assert answer.headers["content-type"] == "application/pdf"
    assert answer.body().startswith(b"%PDF")
    fits(page, width)
    page.close()


def test_a_batter_is_parted_and_poured_in_rings(page: Page, demo: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{demo.url}/book/patterns")
    what = page.get_by_label("Result")
    expect(what).to_contain_text("Add back")
    expect(what).to_contain_text("12 pours into each tin")
    page.get_by_role("button", name="thirds").click()
    expect(what).to_contain_text("200 g")
    page.get_by_role("button", name="equal widths").click()
    expect(what).to_contain_text(re.compile(r"from \d+ g down to"))
    page.get_by_role("button", name="Stripes in a bag").click()
    expect(what).to_contain_text("stripes along the bag")
    assert quiet() == []


def test_the_book_shows_beaters_rings_and_the_course_of_a_fold(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/ringed-chiffon")
    expect(page.get_by_text("Free of fat: mixer bowl")).to_be_visible()
    page.get_by_role("button", name=re.compile("Pour in turns")).click()
    expect(page.get_by_text(re.compile("14 pours into each tin")).first).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("From above"))).to_be_visible()
    page.get_by_role("button", name=re.compile("Loosen the base")).click()
    expect(page.get_by_role("img", name=re.compile("Densities drawn together"))).to_be_visible()


def test_a_formula_folds_by_another_school(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/book/tea-chiffon")
    schools = page.get_by_role("group", name="School of the fold")
    expect(schools.get_by_role("button", name="sacrifice")).to_have_attribute("aria-pressed", "true")
    schools.get_by_role("button", name="base into the foam").click()
    sheet = page.get_by_role("dialog")
    expect(sheet).to_contain_text("The fold, base into the foam")
    sheet.get_by_role("button", name="Save as the next version").click()
    expect(schools.get_by_role("button", name="base into the foam")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("button", name=re.compile("Pour the base into the foam"))).to_be_visible()


def test_a_cup_is_measured_with_water(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("textbox", name="Full of water, levelled").fill("159")
    expect(page.get_by_text("It holds 121.2 ml.")).to_be_visible()
    expect(page.get_by_role("textbox", name="Volume")).to_have_value("121.2")
