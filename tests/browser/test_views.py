"""Every view: there, legible, reachable, at every width, in both lights."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_walk import fits, start_bake, tell, work_until
from tests.server import ROOT, Server

AXE = (ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text()
VIEWS = {
    "/": "What should be ready",
    "/book": "The Book",
    "/book/tea-chiffon": "Tea chiffon",
    "/book/finger-cake": "Raspberry finger cake",
    "/book/syrup-shells/weigh": "Cocoa shells",
    "/book/tea-chiffon/change": "Tea chiffon",
    "/book/tea-chiffon/versions": "Tea chiffon",
    "/book/read": "Read a recipe in",
    "/book/meringue": "Sugar and whites",
    "/book/piping": "Piped pieces",
    "/log": "The Log",
    "/kitchen": "Lantern Lane",
    "/kitchen/ovens/deck": "Deck oven",
}


def faults(page: Page) -> list[str]:
    """What the accessibility rules (WCAG A and AA) find."""
    page.evaluate(AXE)
    found = page.evaluate(
        "axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']})"
        ".then(r => r.violations.map(v => v.id + ': ' + v.nodes.map(n => n.target.join(' ')).join('; ')))"
    )
    return [str(f) for f in found]


def settled(page: Page) -> None:
    """All is drawn and nothing is dimmed."""
    live = "/bench/" in page.url or page.url.endswith(("/", "/kitchen"))
    page.wait_for_load_state("load" if live else "networkidle")
    expect(page.locator(".opacity-60")).to_have_count(0)


def legible_in_both_lights(page: Page) -> None:
    """No rule is broken, by day or before dawn."""
    for light in ("light", "dark"):
        page.emulate_media(color_scheme=light, reduced_motion="reduce")
        expect(page.locator("html")).to_have_attribute("data-theme", light)
        assert faults(page) == [], light


def fits_every_width(page: Page) -> None:
    """Nothing runs off the side of a phone, a tablet or a desk."""
    for width in (390, 820, 1280):
        page.set_viewport_size({"width": width, "height": 844})
        fits(page, width)


@pytest.mark.parametrize("path", list(VIEWS))
def test_a_view_is_legible_and_fits(page: Page, demo: Server, path: str) -> None:
    page.emulate_media(reduced_motion="reduce")
    page.goto(demo.url + path)
    expect(page.get_by_role("heading", name=re.compile(VIEWS[path])).first).to_be_visible()
    settled(page)
    legible_in_both_lights(page)
    fits_every_width(page)


def test_the_bench_is_legible_and_fits_while_it_works(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_contain_text("still missing")
    legible_in_both_lights(page)
    work_until(own, bake, "loosen")
    expect(page.get_by_label("Beside and next")).to_contain_text("holds")
    legible_in_both_lights(page)
    fits_every_width(page)


def test_targets_at_the_bench_are_large_enough_for_a_knuckle(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    page.goto(f"{own.url}/bench/{bake}")
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("still missing")
    around = page.get_by_label("The bake in time").get_by_role("button", name=re.compile("^(sound|keys)")).all()
    here = step.get_by_role("button").all() + step.get_by_role("checkbox").all() + around
    boxes = [b.bounding_box() for b in here]
    assert len(boxes) > 8
    assert all(b is not None and b["height"] >= 55.5 for b in boxes), boxes


def test_the_figure_that_matters_is_large_and_the_next_act_in_sight(page: Page, own: Server) -> None:
    bake = start_bake(own)
    work_until(own, bake, "whip")
    work_until(own, bake, "loosen")
    page.goto(f"{own.url}/bench/{bake}")
    for act in page.get_by_label("The step now").locator(".act-now").all():
        box = act.bounding_box()
        assert box is not None
        assert box["y"] + box["height"] <= 800


@pytest.mark.parametrize("width", [820, 1280])
def test_the_next_act_is_never_below_what_runs_beside(page: Page, own: Server, width: int) -> None:
    """However many timers: they take more lines, and the act stays above them."""
    bake = start_bake(own)
    work_until(own, bake, "whip")
    page.set_viewport_size({"width": width, "height": 800})
    page.goto(f"{own.url}/bench/{bake}")
    act = page.get_by_label("The step now").locator("[data-act=primary]")
    foot = page.get_by_label("Beside and next")
    for n in range(12):
        tell(own, bake, "timer_started", timer=f"t{n}", label=f"Tray number {n} in the oven", seconds=600)
    expect(foot).to_contain_text("Tray number 11 in the oven")

    def below() -> bool:
        seen, bar = act.bounding_box(), foot.bounding_box()
        assert seen is not None
        assert bar is not None
        assert bar["height"] > 100
        return seen["y"] + seen["height"] > bar["y"] + 1

    page.wait_for_function("() => document.fonts.ready.then(() => true)")
    assert not below()


def test_scaling_in_the_book_moves_the_tin_picture_and_warns(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/tea-chiffon")
    tin = page.get_by_role("img", name=re.compile("^17 cm tube"))
    expect(tin.first).to_be_visible()
    before = tin.first.get_attribute("aria-label")
    page.get_by_role("tab", name="total weight").click()
    page.get_by_label("Total", exact=True).fill("2 lb")
    expect(page.get_by_text(re.compile("Too full"))).to_be_visible()
    expect(tin.first).not_to_have_attribute("aria-label", str(before))
    page.get_by_label("Total", exact=True).fill("a bit")
    expect(page.get_by_text(re.compile("Not understood"))).to_be_visible()


def test_a_step_of_the_formula_opens_with_its_band_and_window(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/tea-chiffon")
    page.get_by_role("button", name=re.compile("Whip whites and sugar")).click()
    main = page.locator("main")
    expect(main).to_contain_text("g/ml")
    expect(main).to_contain_text("this kitchen, 5 bakes")
    expect(main).to_contain_text("Then it can wait")


def test_the_kitchen_saves_itself_and_the_next_forecast_uses_it(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    before = own.ask("/api/formulas/tea-chiffon/forecast")
    page.get_by_label("Air in the kitchen", exact=True).fill("86 °F")
    expect(page.get_by_text("understood: 30 °C")).to_be_visible()
    page.get_by_role("button", name="20 cm tube").click()
    page.get_by_label("deep", exact=True).fill("10 cm")
    expect(page.get_by_text("understood: 100 mm")).to_be_visible()
    expect(page.get_by_text(re.compile("^saved, revision"))).to_be_visible()
    kitchen = own.ask("/api/kitchen")["kitchen"]
    assert kitchen["air_c"] == 30
    assert next(t for t in kitchen["tins"] if t["id"] == "tube-20")["tin"]["dimensions"]["depth_mm"] == 100
    after = own.ask("/api/formulas/tea-chiffon/forecast")
    assert after["steps"] != before["steps"]


def test_a_second_oven_is_named_and_chosen(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("button", name="rename").click()
    page.get_by_label("Name of the kitchen").fill("Back room")
    page.get_by_role("button", name="Done").click()
    expect(page.get_by_role("heading", name="Back room")).to_be_visible()
    page.get_by_role("button", name="Add an oven").click()
    page.get_by_label("Name of the oven").last.fill("Fan oven")
    page.get_by_role("switch").last.click()
    expect(page.get_by_text(re.compile("^saved, revision [2-9]"))).to_be_visible()
    static = own.ask("/api/formulas/tea-chiffon/forecast")["steps"]
    page.get_by_role("link", name="Today", exact=True).click()
    page.get_by_role("combobox", name=re.compile("^Oven")).click()
    page.get_by_role("option", name="Fan oven").click()
    expect(page.locator("main")).not_to_contain_text("Deck oven runs")
    page.get_by_role("button", name=re.compile("^Start")).click()
    page.get_by_role("dialog").get_by_role("button", name=re.compile("^Begin now")).click()
    expect(page.get_by_label("The step now")).to_be_visible()
    bake = own.ask(f"/api/bakes/{page.url.rsplit('/', 1)[1]}?step=bake")["details"]["bake"]["forecast"]
    before = next(s for s in static if s["id"] == "bake")
    assert bake["duration_s"]["likely"] < before["duration_s"]["likely"]
    assert "fan" in bake["goal"]


def test_units_and_light_are_switched_and_kept(page: Page, demo: Server) -> None:
    page.goto(f"{demo.url}/book/tea-chiffon")
    page.get_by_role("button", name=re.compile("^Units")).click()
    expect(page.locator("main")).to_contain_text("oz")
    page.get_by_role("button", name=re.compile("^Light")).click()
    page.get_by_role("button", name=re.compile("^Light: light")).click()
    page.reload()
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")
    expect(page.locator("main")).to_contain_text("oz")


def test_a_number_without_a_unit_is_in_the_unit_that_is_shown(page: Page, own: Server) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("button", name=re.compile("^Units")).click()
    air = page.get_by_label("Air in the kitchen", exact=True)
    expect(air).to_have_value("71.6")
    air.fill("77")
    expect(page.get_by_text("saved, revision 2")).to_be_visible()
    assert own.ask("/api/kitchen")["kitchen"]["air_c"] == 25
    air.fill("24 °C")
    expect(page.get_by_text("saved, revision 3")).to_be_visible()
    assert own.ask("/api/kitchen")["kitchen"]["air_c"] == 24


def test_nothing_is_asked_of_any_other_place(page: Page, demo: Server) -> None:
    asked: list[str] = []
    page.on("request", lambda r: asked.append(r.url))
    for path, heading in VIEWS.items():
        page.goto(demo.url + path)
        expect(page.get_by_role("heading", name=re.compile(heading)).first).to_be_visible()
    assert asked
    assert all(url.startswith((demo.url, "data:")) for url in asked)
