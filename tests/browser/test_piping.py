"""Shells from bag to box: two trays in one oven, a finger on each, counted, filled and boxed."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.test_sugar import LONG
from tests.browser.test_turns import now_at
from tests.browser.test_views import fits_every_width, legible_in_both_lights
from tests.browser.test_walk import primary, start_bake, tell, work_until
from tests.server import Server


def one_rack(server: Server) -> None:
    """An oven that takes one tray."""
    view = server.ask("/api/kitchen")
    view["kitchen"]["ovens"][0]["racks"] = 1
    server.ask("/api/kitchen", view, "PUT")


def line_of(server: Server, bake: str, step: str) -> Any:
    return next(s for s in server.ask(f"/api/bakes/{bake}")["steps"] if s["id"] == step)


def done(server: Server, bake: str, step: str) -> None:
    """Once what the page told of a step has come."""
    for _ in range(500):
        if line_of(server, bake, step)["status"] == "done":
            return
    raise AssertionError(f"{step} was never done")


def skin_of(server: Server, bake: str, step: str, touches: int) -> Any:
    """The skin once so many touches have come to all that ask."""
    for _ in range(200):
        skin = server.ask(f"/api/bakes/{bake}?step={step}")["details"][step]["skin"]
        if len(skin["touches"]) == touches:
            return skin
    raise AssertionError(f"{touches} touches never came")


def counts_of(server: Server, bake: str, spoilt: int) -> Any:
    """The counts once all taps have come, the quick ones too."""
    for _ in range(200):
        counts = server.ask(f"/api/bakes/{bake}?step=sort")["details"]["sort"]["counts"]
        told = [c["counted"] for c in counts if c["counted"]]
        if sum(c["broken"] + c["cracked"] + c["hollow"] for c in told) == spoilt and len(told) == len(counts):
            assert sum(c["good"] for c in told) == sum(c["piped"] for c in counts) - spoilt
            return counts
    raise AssertionError(f"{spoilt} were tapped: {counts}")


def look_at(page: Page, title: str) -> None:
    """Open a step from the list of all."""
    expect(page.get_by_label("The step now")).to_be_visible()
    page.keyboard.press("a")
    page.get_by_role("dialog").get_by_role("button", name=re.compile(title)).first.click()
    expect(page.get_by_role("dialog")).to_be_hidden()


def when_fingers_find(page: Page, bake: str, wanted: str) -> None:
    """Wait until the stand-in's trays feel so: ``wanted`` is said of each tray in turn, joined."""
    page.evaluate(
        """([bake]) => setInterval(async () => {
            const room = (await (await fetch('/api/stand-ins')).json()).room;
            window.felt = room.shells.filter((s) => s.bake === bake).map((s) => s.feel).join(' ');
            window.benchNow = Date.parse((await (await fetch(`/api/bakes/${bake}`)).json()).now);
        }, 400)""",
        [bake],
    )
    page.wait_for_function(f"() => /{wanted}/.test(window.felt)", timeout=LONG)


def test_two_trays_in_one_oven_from_bag_to_box(page: Page, own: Server, quiet: Callable[[], list[str]]) -> None:
    one_rack(own)
    bake = start_bake(own, "swiss-shells", ready_at=None)
    work_until(own, bake, "pipe")
    page.goto(f"{own.url}/bench/{bake}")
    # The first tray is piped: its picture, its line to pipe to, its seconds.
    now_at(page, "pipe waiting")
    expect(page.get_by_label("The step now")).to_contain_text("tray 1 of 2")
    expect(page.get_by_role("img", name=re.compile("Tray of 300 by 400 mm"))).to_be_visible()
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("textbox", name="mass of ten pieces").fill("47")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    expect(page.get_by_label("What is in the vessels")).to_contain_text("within")
    page.keyboard.press(" ")
    now_at(page, "knock waiting")
    page.keyboard.press(" ")
    # It rests before the next one is piped, and both rest with a clock of their own.
    now_at(page, "skin waiting")
    page.keyboard.press(" ")
    for step in ("pipe-2", "knock-2", "skin-2"):
        now_at(page, f"{step} waiting")
        page.keyboard.press(" ")
    expect(page.get_by_label("The step now")).not_to_have_attribute("data-at", "skin-2 waiting")
    look_at(page, "Rest until a skin forms, tray 1")
    now_at(page, "skin running")
    # Typed, it holds for an hour over what wanders: only fingers move the forecast.
    tell(own, bake, "reading_added", step="skin", quantity="humidity of the room", value=52)
    first = skin_of(own, bake, "skin", 0)["likely_at"]
    own.ask("/api/stand-ins", {"speed": 60})
    page.reload()
    look_at(page, "Rest until a skin forms, tray 1")
    expect(page.get_by_role("button", name=re.compile("^Tacky"))).to_be_visible()
    when_fingers_find(page, bake, "^tacky")
    page.get_by_role("button", name=re.compile("^Tacky")).click()
    expect(page.get_by_label("The step now")).to_contain_text("what your finger said")
    once = skin_of(own, bake, "skin", 1)["likely_at"]
    page.evaluate("() => (window.then = window.benchNow)")
    page.wait_for_function("() => window.benchNow > window.then + 240e3", timeout=LONG)
    # The bench may have turned to the other tray meanwhile.
    look_at(page, "Rest until a skin forms, tray 1")
    page.keyboard.press("2")
    twice = skin_of(own, bake, "skin", 2)["likely_at"]
    assert first != once
    assert once < twice
    legible_in_both_lights(page)
    fits_every_width(page)
    page.set_viewport_size({"width": 1280, "height": 800})
    page.wait_for_function("() => /^(dry|too long) (dry|too long)/.test(window.felt)", timeout=LONG)
    own.ask("/api/stand-ins", {"speed": 1})
    look_at(page, "Rest until a skin forms, tray 1")
    page.get_by_role("button", name=re.compile("^Dry")).click()
    expect(page.get_by_label("The step now")).not_to_have_attribute("data-at", "skin running")
    assert line_of(own, bake, "skin")["status"] == "done"
    assert line_of(own, bake, "skin-2")["status"] == "running"
    tell(own, bake, "touched", step="skin-2", feel="dry")
    # Each load is a step of its own, and the oven comes back between them.
    work_until(own, bake, "sort")
    ids = [s["id"] for s in own.ask(f"/api/bakes/{bake}")["steps"] if s["status"] == "done"]
    assert ids.index("bake") < ids.index("hot-again-bake-2") < ids.index("bake-2")
    page.reload()
    now_at(page, "sort waiting")
    page.get_by_role("button", name="One more broken on tray 1").click()
    page.get_by_role("button", name="One more broken on tray 1").click()
    page.get_by_role("button", name="One more hollow on tray 2").click()
    page.get_by_role("button", name="One less broken on tray 1").click()
    page.get_by_role("button", name="One more cracked on tray 2").click()
    expect(page.get_by_role("button", name="One more cracked on tray 2")).to_contain_text("1")
    good = counts_of(own, bake, spoilt=3)
    page.keyboard.press(" ")
    expect(page.get_by_label("The step now")).not_to_have_attribute("data-at", "sort waiting")
    # Filled by what was counted, boxed with how long it keeps.
    work_until(own, bake, "pair")
    page.reload()
    pairs = (sum(c["piped"] for c in good) - 3) // 2
    expect(page.get_by_label("The step now")).to_contain_text(f"{pairs} pairs")
    page.keyboard.press(" ")
    now_at(page, "mature waiting")
    expect(page.get_by_label("The step now")).to_contain_text("5 days")
    page.keyboard.press(" ")
    now_at(page, "mature running")
    primary(page).click()
    done(own, bake, "mature")
    tell(own, bake, "bake_finished")
    page.goto(f"{own.url}/log/{bake}")
    pieces = page.get_by_label("Pieces")
    expect(pieces).to_contain_text("1 broken")
    expect(page.get_by_label("Label")).to_contain_text("Use by")
    expect(page.get_by_label("Label")).to_contain_text("shells with ganache")
    assert quiet() == []


def test_damp_air_typed_at_the_bench_is_told_with_what_helps(page: Page, own: Server) -> None:
    bake = start_bake(own, "french-shells", ready_at=None)
    work_until(own, bake, "skin")
    tell(own, bake, "step_started", step="skin")
    page.goto(f"{own.url}/bench/{bake}")
    look_at(page, "Rest until a skin forms, tray 1")
    now_at(page, "skin running")
    page.keyboard.press("r")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("textbox", name="humidity of the room").fill("140")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet.get_by_role("alert")).to_contain_text("more than air can hold")
    sheet.get_by_role("textbox", name="humidity of the room").fill("90")
    sheet.get_by_role("button", name="Save").click()
    expect(sheet).to_be_hidden()
    step = page.get_by_label("The step now")
    expect(step).to_contain_text("no skin forms")
    expect(step).to_contain_text("Set a fan across the trays")


def test_what_stayed_in_the_sieve_is_topped_up(page: Page, own: Server) -> None:
    bake = start_bake(own, "french-shells", ready_at=None)
    work_until(own, bake, "sift-dry")
    tell(own, bake, "step_done", step="sift-dry")
    page.goto(f"{own.url}/bench/{bake}")
    expect(page.get_by_label("The step now")).to_be_visible()
    page.keyboard.press("c")
    sheet = page.get_by_role("dialog")
    sheet.get_by_role("button", name=re.compile("Left in the sieve")).click()
    sheet.get_by_role("textbox", name="Left in the sieve").fill("10")
    expect(sheet.get_by_label("What follows")).to_contain_text("5.0 g ground almonds")
    sheet.locator("[data-act=otherwise]").click()
    expect(sheet).to_be_hidden()
    turns = own.ask(f"/api/bakes/{bake}")["turns"]
    assert "left in the sieve, topped up" in turns[0]["said"]


def test_a_tray_is_laid_out_as_it_will_be_printed(page: Page, demo: Server, quiet: Callable[[], list[str]]) -> None:
    page.goto(f"{demo.url}/book/piping")
    tray = page.get_by_role("img", name=re.compile("Tray of 300 by 400 mm"))
    expect(tray).to_have_attribute("aria-label", re.compile("30 of 30 places taken, staggered"))
    page.get_by_role("textbox", name="Across, once spread").fill("45")
    expect(tray).to_have_attribute("aria-label", re.compile("24 of 24 places"))
    page.get_by_role("button", name="finger", exact=True).click()
    expect(tray).to_have_attribute("aria-label", re.compile("in rows"))
    page.get_by_role("button", name="round", exact=True).click()
    assert quiet() == []
    page.get_by_role("textbox", name="Across, once spread").fill("290")
    expect(page.get_by_role("alert").first).to_contain_text("Not one piece stands")
    page.get_by_role("textbox", name="Across, once spread").fill("40")
    expect(page.get_by_role("link", name="Template, A4")).to_have_attribute("href", re.compile("template.pdf"))
    assert page.request.get(f"{demo.url}/api/craft/template.svg?diameter_mm=40&tray_width_mm=300&tray_length_mm=400").ok
