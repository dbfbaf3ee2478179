"""The Book at work: a recipe read in, a meringue made otherwise, a process changed, versions, the weigh list."""

from __future__ import annotations

import json
import re
from collections.abc import Callable
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.server import Server

RECIPE = """Lemon cloud

Ingredients
2 cups cake flour, sifted
1 1/2 cups sugar
1/2 cup vegetable oil
7 large eggs, separated
3/4 cup cold water
1/2 tsp cream of tartar
a cloud of stardust

Method
Beat the yolks, oil and water until smooth, add the flour.
Beat the egg whites with cream of tartar, add the sugar until stiff. Fold together.
Preheat the oven to 325 °F. Pour into a 10-inch tube pan.
Bake for 55 to 60 minutes. Serve with strawberries.
"""


def put(server: Server, path: str, body: dict[str, Any]) -> Any:
    return server.ask(path, body, method="PUT")


def test_a_pasted_recipe_becomes_a_formula_that_computes(
    page: Page, own: Server, quiet: Callable[[], list[str]]
) -> None:
    page.goto(f"{own.url}/book")
    page.get_by_role("link", name="Read a recipe in").click()
    text = page.get_by_label("The recipe")
    text.fill(RECIPE)
    main = page.locator("main")
    expect(page.get_by_role("heading", name="Lemon cloud")).to_be_visible()
    expect(main).to_contain_text("oven 163 °C, 55 to 60 min, 25 cm tube")
    expect(main).to_contain_text("not known here")
    expect(main).to_contain_text("The method uses whole strawberries, the list does not have it.")
    expect(main).to_contain_text("The oven is heated only after the foam has been begun.")
    expect(main).to_contain_text("How deep is the 25 cm tube tin inside?")
    # A line is mended where it stands, and all is read again; a reload loses nothing.
    line = page.get_by_label("Line 7 as written")
    line.fill("100 g strawberries")
    line.press("Enter")
    expect(main).not_to_contain_text("not known here")
    expect(text).to_have_value(re.compile("100 g strawberries"))
    page.reload()
    expect(page.get_by_label("Line 7 as written")).to_have_value("100 g strawberries")
    expect(page.get_by_role("heading", name="Proposed process")).to_be_visible()
    assert [f["id"] for f in own.ask("/api/formulas")].count("lemon-cloud") == 0
    legible_in_both_lights(page)
    fits_every_width(page)
    page.get_by_role("button", name="Add to the Book").click()
    expect(page).to_have_url(re.compile("/book/lemon-cloud$"))
    expect(page.get_by_role("heading", name="Lemon cloud")).to_be_visible()
    assert own.ask("/api/formulas/lemon-cloud")["version"] == 1
    assert quiet() == []


def test_files_are_read_in_and_a_broken_one_says_so(page: Page, own: Server, tmp_path: Path) -> None:
    recipe = own.ask("/api/formulas/tea-chiffon.jsonld")
    recipe["kindwhisk:process"] |= {"id": "smoky-chiffon", "title": "Smoky chiffon"}
    page.goto(f"{own.url}/book/read")
    file = tmp_path / "smoky.jsonld"
    file.write_text("not json at all")
    page.locator("input[type=file]").set_input_files(file)
    expect(page.get_by_role("alert")).to_contain_text("is not JSON")
    table = tmp_path / "list.csv"
    table.write_text("ingredient,amount,unit\negg whites,120,g\nsugar,200,g\n")
    page.locator("input[type=file]").set_input_files(table)
    expect(page.get_by_label("Line 2 as written")).to_have_value("200 g sugar")
    file.write_text(json.dumps(recipe))
    page.locator("input[type=file]").set_input_files(file)
    expect(page.get_by_role("button", name=re.compile("Turn it upside down"))).to_be_visible()
    page.get_by_role("button", name="Add to the Book").click()
    expect(page.get_by_role("heading", name="Smoky chiffon")).to_be_visible()


def test_a_meringue_is_made_by_another_method_and_compared_with_before(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/book/french-shells")
    methods = page.get_by_role("group", name="Method of the meringue")
    methods.get_by_role("button", name="Italian").click()
    sheet = page.get_by_role("dialog")
    expect(sheet).to_contain_text("Boil the syrup")
    expect(sheet).to_contain_text("Boiling sugar")
    expect(sheet).to_contain_text(re.compile(r"\d\d min \(\d\d to \d\d\)"))
    assert own.ask("/api/formulas/french-shells")["version"] == 1
    sheet.get_by_role("button", name="Save as the next version").click()
    expect(sheet).to_have_count(0)
    expect(methods.get_by_role("button", name="Italian")).to_have_attribute("aria-pressed", "true")
    expect(page.get_by_role("button", name=re.compile("Boil the syrup"))).to_be_visible()
    page.get_by_role("link", name="Versions").click()
    main = page.locator("main")
    expect(main).to_contain_text("Version 2")
    expect(main).to_contain_text("Sugar to white")
    page.get_by_role("button", name=re.compile("Bring version 1 back")).click()
    expect(main).to_contain_text("macaron shells, version 3")
    page.get_by_role("button", name="Begin a new formula from this one").click()
    expect(page).to_have_url(re.compile("/book/french-shells-2/change$"))
    expect(page.get_by_role("heading", name="Almond shells, French, copy")).to_be_visible()


def test_an_ingredient_is_replaced_and_the_ledger_says_so(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/book/butter-sponge")
    page.get_by_role("button", name=re.compile("^butter")).click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("combobox", name=re.compile("^Take")).click()
    page.get_by_role("option", name="neutral oil").click()
    expect(sheet).to_contain_text("neutral oil")
    expect(sheet).to_contain_text("23 g")
    sheet.get_by_role("button", name="Save as the next version").click()
    expect(page.locator("main")).to_contain_text("28 g butter → 23 g neutral oil and 4.5 g water")


def test_a_process_is_changed_by_keyboard_and_nonsense_is_named(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/book/tea-chiffon/change")
    main = page.locator("main")
    keep = page.get_by_role("button", name="Save as version 2")
    expect(keep).to_be_disabled()
    expect(main).to_contain_text("22 steps, including those that are added for you")
    page.get_by_role("button", name=re.compile("Whisk in the flour")).click()
    # Moved before what it takes: named at the step, and taken back.
    for _ in range(2):
        page.keyboard.press("Alt+ArrowUp")
    expect(main).to_contain_text("It needs 'add-tea', which does not come before it.")
    expect(main).to_contain_text("Not complete yet")
    expect(keep).to_be_disabled()
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(main).to_contain_text("22 steps, including those that are added for you")
    # A step is put in behind another and gets its place; an amount is written as a baker writes it.
    page.get_by_role("button", name=re.compile("Whisk in the flour")).click()
    page.get_by_role("combobox", name=re.compile("^Add a step")).click()
    page.get_by_role("option", name="rest", exact=True).click()
    expect(main).to_contain_text("23 steps, including those that are added for you")
    page.get_by_label("Name").fill("Let it stand")
    page.get_by_label("Name").press("Tab")
    page.get_by_role("button", name=re.compile("Weigh yolks and their sugar")).click()
    page.get_by_label("Grams 2", exact=True).fill("2 tbsp")
    expect(page.get_by_text(re.compile("understood: 25"))).to_be_visible()
    expect(keep).to_be_enabled()
    # Left and come back: it is still there.
    page.reload()
    expect(main).to_contain_text("What you were changing here is still there.")
    expect(keep).to_be_enabled()
    legible_in_both_lights(page)
    fits_every_width(page)
    keep.click()
    expect(page).to_have_url(re.compile("/book/tea-chiffon$"))
    expect(page.get_by_role("button", name=re.compile("Let it stand"))).to_be_visible()
    kept = own.ask("/api/formulas/tea-chiffon")
    assert kept["version"] == 2
    assert next(s for s in kept["formula"]["steps"] if s["id"] == "rest-1")["inputs"][0]["step"] == "add-flour"


def test_a_step_taken_out_leaves_the_chain_whole_and_somebody_elses_version_is_not_written_over(
    page: Page, own: Server
) -> None:
    page.goto(f"{own.url}/book/butter-sponge/change")
    page.get_by_role("button", name=re.compile("Sift flour and starch")).click()
    page.get_by_role("button", name="Remove", exact=True).first.click()
    main = page.locator("main")
    expect(main).not_to_contain_text("Not complete yet")
    keep = page.get_by_role("button", name="Save as version 2")
    expect(keep).to_be_enabled()
    other = own.ask("/api/formulas/butter-sponge")["formula"] | {"servings": 11}
    put(own, "/api/formulas/butter-sponge", {"formula": other})
    keep.click()
    expect(page.get_by_role("alert")).to_contain_text("Version 2 was saved meanwhile")
    expect(page.get_by_role("button", name=re.compile("Sift flour and starch"))).to_have_count(0)


def test_the_weigh_list_is_scaled_ticked_and_taken_away(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/syrup-shells/weigh")
    shells = page.get_by_role("region", name="shells")
    expect(shells).to_contain_text("Contains egg, nuts (almond).")
    page.get_by_role("tab", name="what is left").click()
    page.get_by_role("combobox", name=re.compile("^All there is of")).click()
    page.get_by_role("option", name="ground almonds").click()
    page.get_by_label("There are", exact=True).fill("180 g")
    almonds = shells.get_by_role("checkbox", name="ground almonds, 180 g")
    almonds.click()
    expect(almonds).to_have_attribute("aria-checked", "true")
    # White in the paste and white in the meringue stay apart.
    expect(shells.get_by_role("checkbox", name=re.compile("egg white"))).to_have_count(2)
    href = page.get_by_role("link", name="table (CSV)").get_attribute("href")
    assert href is not None
    assert "times=2.36" in href
    page.get_by_role("button", name="in ounces").click()
    expect(shells).to_contain_text("oz")
