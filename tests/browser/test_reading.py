"""A written recipe at the screen: looked at sentence by sentence, mended by hand, kept, planned and baked."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Locator, Page, expect

from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import primary, start_bake, work_until
from tests.server import Server

TEXT = """Cloud roll

For the sponge:
4 eggs
100 g sugar
80 g flour
For the filling:
200 ml cream
20 g icing sugar

Method
Whisk the eggs and sugar for 8 minutes until tripled.
Sift over the flour and fold, then spread on a tray.
Bake at 200 for 9 minutes until golden.
Roll up while warm and let it cool.
Whip the cream with the icing sugar. Unroll, spread with it and roll again.
Quibble the roll thrice.
Chill it overnight.
"""


def sentence(page: Page, start: str) -> Locator:
    """The field of the sentence that begins so."""
    return page.get_by_label(re.compile(f"^Sentence: {re.escape(start)}"))


def row_of(page: Page, start: str) -> Locator:
    """All that is shown of that sentence."""
    return page.get_by_role("list", name="As it was read").locator("li").filter(has=sentence(page, start))


def open_with(page: Page, server: Server, text: str) -> None:
    page.goto(f"{server.url}/book/read")
    page.get_by_label("The recipe").fill(text)
    expect(page.get_by_role("heading", name="Proposed process")).to_be_visible()
    expect(page.get_by_role("list", name="As it was read")).to_be_visible()


def test_a_recipe_is_looked_at_mended_kept_planned_and_baked(
    page: Page, own: Server, quiet: Callable[[], list[str]]
) -> None:
    open_with(page, own, TEXT)
    main = page.locator("main")
    # What is open is asked, and what was not understood stands there in its own words.
    expect(main).to_contain_text("No tin with its size was found.")
    expect(main).to_contain_text("What is done here: “Quibble the roll thrice.”?")
    expect(row_of(page, "Quibble")).to_contain_text("Quibble the roll thrice")
    # Touching a sentence shows its step, touching a step its sentence.
    sentence(page, "Bake at 200").click()
    card = page.get_by_label("The step and its sentence")
    expect(card.get_by_role("heading", name="Bake")).to_be_visible()
    expect(card).to_contain_text("“Bake at 200 for 9 minutes until golden.”")
    page.get_by_role("button", name=re.compile(r"^\d+ Roll it up")).first.click()
    expect(card).to_contain_text("“Roll up while warm and let it cool.”")
    expect(row_of(page, "Roll up while warm")).to_have_attribute("data-shown", "true")
    # Two questions are answered in the text: the tray's size, and what nobody knew.
    sentence(page, "Sift over the flour").fill("Sift over the flour and fold, then spread on a 30 x 40 cm tray.")
    sentence(page, "Sift over the flour").press("Enter")
    expect(main).not_to_contain_text("No tin with its size was found.")
    sentence(page, "Quibble").fill("Trim the ends of the roll.")
    sentence(page, "Quibble").press("Enter")
    expect(main).not_to_contain_text("What is done here")
    # A correction on a step stays while a line is mended.
    sentence(page, "Chill it").click()
    card.get_by_text("Correct it").click()
    hours = card.get_by_role("textbox", name="hours", exact=True)
    hours.fill("2")
    hours.press("Enter")
    expect(page.get_by_role("button", name="Take back the correction")).to_be_visible()
    page.get_by_label("Line 4 as written").fill("250 ml cream")
    page.get_by_label("Line 4 as written").press("Enter")
    expect(page.get_by_label("Line 4 as written")).to_have_value("250 ml cream")
    # Nothing is on its way any more.
    expect(page.locator(".opacity-60")).to_have_count(0)
    legible_in_both_lights(page)
    fits_every_width(page)
    with page.expect_response(re.compile("/api/formulas/cloud-roll")):
        page.get_by_role("button", name="Add to the Book").click()
    expect(page).to_have_url(re.compile("/book/cloud-roll$"))
    kept = own.ask("/api/formulas/cloud-roll")["formula"]
    chill = next(s for s in kept["steps"] if s["kind"] == "chill")
    assert (chill["hours"], chill["written"]) == (2, "Chill it overnight.")
    assert next(s for s in kept["steps"] if s["kind"] == "fill")["tin_name"] == "30 x 40 cm sheet"
    # It is baked as it was written.
    bake = start_bake(own, "cloud-roll")
    work_until(own, bake, "fold")
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("Fold in plain flour")
    expect(primary(page)).to_be_visible()
    assert quiet() == []


def test_sentences_are_split_and_joined_by_keyboard_and_told_what_they_are_about(page: Page, own: Server) -> None:
    open_with(page, own, TEXT)
    field = sentence(page, "Whip the cream")
    row = row_of(page, "Unroll, spread")
    sentence(page, "Unroll, spread").focus()
    page.keyboard.press("Home")
    for _ in range(len("Unroll,")):
        page.keyboard.press("ArrowRight")
    split = row.get_by_role("button", name="Split at the cursor")
    expect(split).to_be_enabled()
    split.focus()
    page.keyboard.press("Enter")
    expect(sentence(page, "Unroll.")).to_be_visible()
    expect(sentence(page, "spread with it")).to_be_visible()
    sentence(page, "Unroll.").focus()
    join = row_of(page, "Unroll.").get_by_role("button", name="Join with the next")
    join.focus()
    page.keyboard.press("Enter")
    expect(sentence(page, "Unroll, spread with it")).to_be_visible()
    # “It” was what the first sentence of all made.
    field.click()
    page.get_by_label("What this sentence is about").click()
    page.get_by_role("option", name=re.compile("Whisk the eggs")).click()
    expect(page.get_by_role("button", name="Take back the correction")).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="Take back the correction")).to_be_visible()
    page.get_by_role("button", name="Take back the correction").click()
    expect(page.get_by_role("button", name="Take back the correction")).to_have_count(0)


def test_what_is_open_is_told_above_the_process_and_one_touch_away(page: Page, own: Server) -> None:
    page.set_viewport_size({"width": 1280, "height": 800})
    open_with(page, own, TEXT)
    asked = page.get_by_role("heading", name="Open questions")
    expect(asked).not_to_be_in_viewport()
    told = page.get_by_role("button", name=re.compile(r"^\d+ open questions?$"))
    expect(told).to_be_in_viewport()
    told.press("Enter")
    expect(asked).to_be_in_viewport()
    expect(asked).to_be_focused()


def test_a_pasted_page_is_mended_where_its_tags_hide_the_words(page: Page, own: Server) -> None:
    open_with(
        page,
        own,
        "<h1>Plain sponge</h1><ul><li>3 eggs</li><li>90 g <b>sugar</b></li><li>90 g flour</li></ul>"
        "<p>Beat the eggs &amp; sugar to the ribbon.</p>"
        "<p>Fold in the flour. Bake in a 20 cm round tin at 180 °C for 25 minutes.</p>",
    )
    field = sentence(page, "Beat the eggs & sugar")
    field.fill("Beat the eggs and the sugar to the ribbon.")
    field.blur()
    expect(page.get_by_label("The recipe")).to_have_value(
        re.compile(r"90 g sugar\n90 g flour\n\nMethod\nBeat the eggs and the")
    )
    expect(sentence(page, "Beat the eggs and the sugar")).to_be_visible()


def test_an_assumed_step_is_marked_and_can_be_left_out_on_a_phone(page: Page, own: Server) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    open_with(page, own, TEXT.split("Roll up", maxsplit=1)[0])
    cool = page.get_by_role("button", name=re.compile("Cool it"))
    expect(cool).to_contain_text("assumed")
    sentence(page, "Bake at 200").tap()
    expect(row_of(page, "Bake at 200").get_by_label("The step and its sentence")).to_contain_text("Bake")
    cool.tap()
    card = page.get_by_label("The step and its sentence")
    expect(card).to_contain_text("A crumb sets as it cools.")
    card.get_by_role("button", name="Leave it out").click()
    expect(cool).to_have_count(0)
