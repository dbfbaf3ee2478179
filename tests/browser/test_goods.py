"""A good of the kitchen's own, from a line that nobody knew to the label of what was baked with it."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_walk import fits, start_bake, tell
from tests.server import Server

RECIPE = """Crackle sponge

Ingredients
4 eggs, separated
120 g caster sugar
110 g plain flour
80 g moon crackle
half a can of coconut milk

Method
Whisk the whites with half of the sugar. Fold in the flour. Bake in a 20 cm round tin at 170 °C for 30 minutes.
"""


def through(server: Server, bake: str) -> None:
    """Every step of a bake, told beside the page."""
    for _ in range(60):
        state = server.ask(f"/api/bakes/{bake}")
        line = next((s for s in state["steps"] if s["id"] == state["current"]), None)
        if line is None:
            return
        if line["status"] == "waiting" and line["attention"] != "throughout":
            gate = state["gate"] or {}
            for item in gate.get("items", []):
                if gate["step"] == line["id"] and item["kind"] == "thing":
                    tell(server, bake, "gate_ticked", item=item["id"])
            tell(server, bake, "step_started", step=line["id"])
        else:
            tell(server, bake, "step_done", step=line["id"])
    raise AssertionError(state["current"])


def test_a_line_that_nobody_knew_becomes_a_good_and_reaches_the_label(
    page: Page, own: Server, quiet: Callable[[], list[str]]
) -> None:
    page.goto(f"{own.url}/book/read")
    page.get_by_label("The recipe").fill(RECIPE)
    main = page.locator("main")
    expect(main).to_contain_text("“moon crackle” not known here")
    expect(main).to_contain_text("200 g of the can are left over")
    page.get_by_role("button", name="200 ml", exact=True).click()
    expect(page.get_by_label("Line 5 as written")).to_have_value("100 g coconut milk")
    page.get_by_role("button", name="Add to the Book").click()
    expect(page).to_have_url(re.compile("/book/crackle-sponge$"))
    expect(main).to_contain_text("Contains gluten (wheat), egg, and 1 good not known here: moon crackle.")

    # Nothing that is not known is shown as being without anything.
    page.goto(f"{own.url}/book")
    expect(page.get_by_role("link", name="Crackle sponge")).to_be_visible()
    expect(page.get_by_role("link", name="Crackle sponge")).to_contain_text("not known here: moon crackle")
    page.get_by_label("Without").click()
    page.get_by_role("option", name="peanut", exact=True).click()
    expect(page.get_by_role("link", name=re.compile("Tea chiffon"))).to_be_visible()
    expect(page.get_by_role("link", name="Crackle sponge")).to_have_count(0)
    expect(main).to_contain_text("a good that is not known here (Crackle sponge)")

    # What it is, by its label.
    page.goto(f"{own.url}/kitchen/goods?name=moon%20crackle")
    form = page.get_by_role("form", name="The good")
    expect(form.get_by_label("Name", exact=True)).to_have_value("moon crackle")
    form.get_by_label("fat, g in 100 g", exact=True).fill("90")
    form.get_by_label("carbohydrate, g in 100 g", exact=True).fill("40")
    form.get_by_role("button", name="peanut: not in it").click()
    form.get_by_role("button", name="sesame: not in it").click()
    form.get_by_role("button", name="sesame: contains").click()
    form.get_by_label("I have read its label").check()
    form.get_by_role("button", name="Put it on the shelf").click()
    expect(main).to_contain_text("add up to 130 g of 100 g")
    expect(form.get_by_role("button", name="peanut: contains")).to_be_visible()  # nothing that was entered is lost
    page.reload()
    expect(form.get_by_label("fat, g in 100 g", exact=True)).to_have_value("90")
    form.get_by_label("fat, g in 100 g", exact=True).fill("30")
    form.get_by_role("button", name="Put it on the shelf").click()
    expect(main).to_contain_text("“moon crackle” is on the shelf. 1 formula of the Book made with it now.")
    row = page.get_by_role("button", name=re.compile("^moon crackle"))
    expect(row).to_contain_text("Contains peanut.")
    expect(row).to_contain_text("may also hold sesame")
    expect(row).to_contain_text("in Crackle sponge")

    # Through a bake: where it comes in it is said, and on the label.
    bake = start_bake(own, "crackle-sponge")
    state = own.ask(f"/api/bakes/{bake}")
    assert "peanut" in state["allergens"]
    tell(own, bake, "step_started", step=state["current"])  # the oven heats
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now").get_by_text(re.compile("Keep their scoops"))).to_be_in_viewport()
    through(own, bake)
    page.goto(f"{own.url}/log/{bake}")
    label = page.get_by_role("region", name="Label")
    expect(label).to_contain_text("Crackle sponge")
    expect(label).to_contain_text("Contains gluten (wheat), egg, peanut.")
    expect(label).to_contain_text(re.compile("Check the labels of moon crackle, coconut milk: may also hold .*sesame"))
    expect(label).to_contain_text(f"batch {bake}")  # which leads back to this page
    assert [line for line in quiet() if "422" not in line] == []


def test_goods_by_keyboard_and_on_a_phone(page: Page, own: Server) -> None:
    page.set_viewport_size({"width": 390, "height": 800})
    page.goto(f"{own.url}/kitchen/goods")
    page.get_by_label("Find a good or a food").fill("beurre de cacah")
    expect(page.get_by_role("button", name=re.compile("^peanut butter"))).to_be_visible()
    page.get_by_role("button", name=re.compile("^peanut butter")).press("Enter")
    form = page.get_by_role("form", name="The good")
    expect(form.get_by_role("button", name="peanut: contains")).to_be_visible()
    form.get_by_label("Name", exact=True).fill("Our peanut butter")
    form.get_by_label("Name", exact=True).press("Enter")
    expect(page.locator("main")).to_contain_text("“Our peanut butter” is on the shelf.")
    kept = next(g for g in own.ask("/api/goods") if g["name"] == "Our peanut butter")
    assert kept["good"]["stands_for"] == "peanut-butter"
    fits(page, 390)


def test_the_law_is_chosen_in_the_kitchen(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_label("Allergens by the list of").click()
    page.get_by_role("option", name="the US, 9").click()
    expect(page.locator("main")).to_contain_text("saved, revision")
    page.goto(f"{own.url}/book/tea-chiffon/weigh")
    expect(page.locator("main")).to_contain_text("wheat")
    expect(page.locator("main")).not_to_contain_text("gluten")
