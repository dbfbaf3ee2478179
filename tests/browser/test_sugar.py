"""Sugar work as a baker does it: a pot that boils, whites that are called, syrup poured, a bowl judged."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import primary, start_bake, tell, work_until
from tests.server import Server

LONG = 60_000


def on_the_flame(page: Page, server: Server, speed: int) -> str:
    """A bake whose syrup has just been put on the flame, all else made ready, on a clock that runs."""
    bake = start_bake(server, "syrup-peaks")
    work_until(server, bake, "whip-boil")
    for item in server.ask(f"/api/bakes/{bake}")["gate"]["items"]:
        if item["kind"] == "thing":
            tell(server, bake, "gate_ticked", item=item["id"])
    page.goto(f"{server.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("Boil the syrup")
    server.ask("/api/stand-ins", {"speed": speed})
    return bake


def test_the_syrup_arrives_when_the_whites_are_ready(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    bake = on_the_flame(page, own, speed=1)
    step, picture = page.get_by_label("The step now"), page.get_by_label("What is in the vessels")
    expect(step).to_contain_text("Boiling sugar: long sleeves")
    page.keyboard.press(" ")
    page.get_by_role("button", name=re.compile("^stand-ins")).click()
    page.get_by_role("dialog").get_by_role("button", name="20 times").click()
    expect(page.get_by_role("dialog").get_by_role("button", name="20 times")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Escape")
    expect(page.get_by_role("button", name="stand-ins ×20")).to_be_visible()

    # The pot is followed, and says when the whites have to start.
    expect(step).to_contain_text(re.compile(r"heating, .* per min"), timeout=LONG)
    meets = page.get_by_role("status", name="Syrup and whites")
    expect(meets).to_contain_text(re.compile(r"Start the whites (at \d+ C|now)"), timeout=LONG)
    expect(picture.get_by_role("img", name=re.compile(r"^Syrup: \d+ of 117 degrees"))).to_be_visible()
    expect(picture.get_by_role("img", name=re.compile("^syrup pot"))).to_be_visible()
    expect(picture.get_by_role("img", name=re.compile("^mixer bowl"))).to_be_visible()
    expect(meets).to_contain_text("Start the whites now", timeout=LONG)
    page.keyboard.press("w")

    # Both on one clock, on the whites' page.
    expect(step).to_contain_text("Whip the whites to soft peaks")
    expect(page.get_by_role("status", name="Syrup and whites")).to_contain_text("there")
    expect(step).to_contain_text("per min")

    # Off the heat, pour: three things said at once.
    expect(primary(page)).to_contain_text("Off the heat, pour", timeout=LONG)
    page.keyboard.press(" ")
    expect(step).to_have_attribute("data-at", "whip running")
    expect(step).to_contain_text("Pour the syrup in")
    state = own.ask(f"/api/bakes/{bake}")
    done = {s["id"]: s["status"] for s in state["steps"]}
    assert (done["whip-boil"], done["whip-soft"], done["whip"]) == ("done", "done", "running")
    expect(step).to_contain_text("between whisk and wall")

    # The bowl is judged beside the guidance, and nothing is called safe.
    expect(step).to_contain_text(re.compile(r"highest measured (5|6)\d °C"), timeout=LONG)
    expect(step).to_contain_text(re.compile(r"to 40 °C, \d"), timeout=LONG)
    guidance = page.get_by_label("Guidance for egg")
    expect(guidance).to_contain_text(re.compile(r"Measured: at most (5|6)\d °C"))
    expect(guidance).to_contain_text("71 °C (160 °F)")
    expect(guidance).to_contain_text("56.7 °C for 3.5 min: here")
    expect(guidance).to_contain_text("Local food-safety rules")
    expect(step).not_to_contain_text(re.compile("is safe|pasteurised\\."))
    expect(picture.get_by_role("img", name=re.compile(r"^In the vessel: \d+ of 40"))).to_be_visible()
    own.ask("/api/stand-ins", {"speed": 1})
    legible_in_both_lights(page)
    fits_every_width(page)
    assert quiet() == []


def test_a_probe_on_the_bottom_and_a_restart(page: Page, own: Server) -> None:
    on_the_flame(page, own, speed=20)
    page.keyboard.press(" ")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("boiling, ", timeout=LONG)
    own.ask("/api/stand-ins", {"mishap": "probe on the bottom"})
    expect(step).to_contain_text("may touch the pan", timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 1})
    own.kill()
    own.start()
    page.reload()
    expect(step).to_contain_text(re.compile(r"(heating|boiling|near|there|past), .*per min"), timeout=LONG)


def test_without_a_thermometer_one_is_told_what_to_look_for(page: Page, own: Server) -> None:
    own.ask("/api/stand-ins", {"on": False})
    bake = on_the_flame(page, own, speed=1)
    page.keyboard.press(" ")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("No thermometer in the pot")
    expect(step).to_contain_text("A drop in cold water gathers into a ball")
    step.get_by_role("button", name="Put a thermometer to it").click()
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name="Bowl probe").click()
    expect(sheet).to_be_hidden()
    assert own.ask(f"/api/bakes/{bake}")["details"]["whip-boil"]["column"]["probe"] == "bowl-probe"
    page.keyboard.press("r")
    expect(sheet.get_by_role("combobox", name=re.compile("^Thermometer"))).to_contain_text("Hand thermometer")
    sheet.get_by_label("temperature in the vessel", exact=True).fill("80")
    sheet.get_by_role("button", name="Save", exact=True).click()
    expect(step).not_to_contain_text("No thermometer")
    # It goes on warming while one looks.
    expect(step).to_contain_text(re.compile(r"8\d ?°C"))


def test_the_map_moves_and_knows_the_book(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book")
    page.get_by_role("link", name="Sugar and whites").click()
    spot = page.get_by_label("This meringue")
    expect(spot).to_contain_text("of 100 g of white")
    slider = page.get_by_role("slider", name="Sugar per part of whites")
    slider.focus()
    page.keyboard.press("ArrowRight")
    expect(spot).to_contain_text("1.05")
    page.get_by_role("link", name=re.compile("^Vanilla kisses")).click()
    expect(spot).to_contain_text("1.40")
    expect(spot.get_by_role("link", name="Vanilla kisses")).to_be_visible()
    before = spot.inner_text()
    page.get_by_role("button", name="Italian").click()
    expect(page.get_by_role("slider", name="Syrup at")).to_be_visible()
    expect(spot).not_to_have_text(before)
    page.get_by_role("button", name="Swiss").click()
    page.get_by_role("slider", name="Warmed to").focus()
    page.keyboard.press("Home")
    page.get_by_role("slider", name="Sugar per part of whites").focus()
    page.keyboard.press("End")
    expect(spot).to_contain_text("can't dissolve at this warmth")


def test_the_log_keeps_the_way_of_the_temperatures(page: Page, demo: Server) -> None:
    (bake,) = demo.ask("/api/bakes?status=finished&formula=syrup-peaks")
    page.goto(f"{demo.url}/log/{bake['id']}")
    boil = page.get_by_role("img", name=re.compile(r"^Boil the syrup: highest 11\d, meant 117 degrees"))
    expect(boil).to_be_visible()
    expect(page.get_by_role("img", name=re.compile(r"^Pour the syrup in .*: highest \d\d, meant 38"))).to_be_visible()
    legible_in_both_lights(page)
    fits_every_width(page)


def test_a_foam_tells_its_stages_and_what_can_be_saved(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/tea-chiffon")
    page.get_by_role("button", name=re.compile("Whip whites and sugar")).click()
    stages = page.get_by_role("img", name=re.compile("^frothy at about .*medium peak at about .*over-whipped"))
    expect(stages).to_be_visible()
    page.get_by_text("Something looks wrong").click()
    expect(page.get_by_text("Dry lumps, water at the bottom: not to be saved")).to_be_visible()
    expect(page.get_by_text(re.compile("spoon of fresh white"))).to_be_visible()
    fits_every_width(page)


def test_a_thermometer_is_checked_and_readings_come_in_by_table(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    here = page.get_by_label("Thermometers")
    expect(here).to_contain_text("When it shows 118.0 °C it is")
    boiling = here.get_by_label("In boiling water", exact=True).nth(1)
    boiling.fill("80")
    expect(here).to_contain_text("clear of the pot")
    boiling.fill("98.2")
    expect(here).not_to_contain_text("clear of the pot")
    table = "probe,at,value,unit,key\nroof,2026-05-01T05:00:00Z,71.6,F,a\nroof,2026-05-01T05:00:10Z,73.4,F,b\n"
    here.locator("input[type=file]").set_input_files(
        {"name": "roof.csv", "mimeType": "text/csv", "buffer": table.encode()}
    )
    expect(here).to_contain_text("2 readings are new")
    here.get_by_role("button", name="Add it").click()
    expect(here.get_by_label("Name of the thermometer").last).to_have_value("roof")
    page.get_by_role("link", name="Today", exact=True).click()  # what was entered last is sent on leaving
    page.goto(f"{own.url}/kitchen")
    expect(here.get_by_label("Name of the thermometer").last).to_have_value("roof")
    bowl = own.ask("/api/kitchen")["kitchen"]["thermometers"][1]
    assert bowl["check"]["boiling_c"] == 98.2
