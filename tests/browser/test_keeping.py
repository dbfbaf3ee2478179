"""Safe keeping over the real interface: backup, wipe, restore; the server gone with two pages open; many pages."""

from __future__ import annotations

import json
import shutil
import sqlite3
from collections.abc import Callable

import pytest
from playwright.sync_api import BrowserContext, Page, expect

from kindwhisk.store.keeping.looking import FILE_NAME
from tests.browser.test_walk import fits
from tests.server import Server


def note(page: Page, text: str) -> None:
    page.keyboard.press("o")
    page.get_by_role("dialog").get_by_role("textbox").fill(text)
    page.get_by_role("dialog").get_by_role("button", name="Save").click()
    expect(page.get_by_role("dialog")).to_have_count(0)


def a_bake(server: Server) -> str:
    return str(server.ask("/api/bakes", {"formula_id": "tea-chiffon", "client_key": "a-bake-of-it"})["id"])


def test_backup_wipe_and_restore(
    own: Server, page: Page, quiet: Callable[[], list[str]], tmp_path_factory: pytest.TempPathFactory
) -> None:
    page.goto(f"{own.url}/kitchen")
    page.get_by_role("button", name="Make a backup").click()
    expect(page.get_by_role("status").filter(has_text="looked through")).to_be_visible()
    page.get_by_role("link", name="Safe keeping").click()
    expect(page.get_by_text("The last backup was made just now")).to_be_visible()
    with page.expect_download() as saved:
        page.get_by_role("link", name="Save on this device").first.click()
    stick = tmp_path_factory.mktemp("stick") / "copy.sqlite3"
    saved.value.save_as(stick)
    # Everything is gone, and the server starts as an empty kitchen.
    own.stop()
    shutil.rmtree(own.data)
    own.command = "serve"
    own.start()
    page.goto(f"{own.url}/book")
    assert own.ask("/api/formulas") == []
    page.goto(f"{own.url}/kitchen/safe-keeping")
    page.set_input_files("input[type=file]", stick)
    look = page.get_by_role("dialog", name="What is in it")
    expect(look).to_contain_text("Formulas")
    look.get_by_role("button", name="Put it in the place of the present data").click()
    expect(page.get_by_role("region", name="Kept aside")).to_be_visible()
    page.goto(f"{own.url}/book")
    expect(page.get_by_role("link", name="Tea chiffon").first).to_be_visible()
    # But for the stream that broke off when the server was stopped.
    assert [said for said in quiet() if "ERR_" not in said] == []


def test_the_server_gone_with_two_pages_open(own: Server, context: BrowserContext) -> None:
    bake = a_bake(own)
    one, other = context.new_page(), context.new_page()
    for page in (one, other):
        page.goto(f"{own.url}/bench/{bake}")
        expect(page.get_by_role("region", name="The step now")).to_be_visible()
    own.kill()
    for kept, (page, text) in enumerate(
        ((one, "first of one"), (one, "second of one"), (other, "first of the other")), start=1
    ):
        page.bring_to_front()
        note(page, text)
        for looked in (one, other):
            expect(looked.get_by_role("status").filter(has_text=f"{kept} kept on this device")).to_be_visible()
    # Only Today is open when the server comes back.
    one.close()
    other.goto("about:blank")
    own.start()
    other.goto(f"{own.url}/")
    expect(other.get_by_role("heading", level=1).first).to_be_visible()
    other.evaluate(
        "async (bake) => { while (((await (await fetch(`/api/bakes/${bake}`)).json()).sequence ?? 3) < 3); }", bake
    )
    expect(other.get_by_role("status").filter(has_text="kept on this device")).to_have_count(0)
    own.stop()
    with sqlite3.connect(own.data / FILE_NAME) as file:
        told = [
            json.loads(r[0])["text"]
            for r in file.execute("SELECT payload FROM eventrow WHERE bake_id = ? ORDER BY id", (bake,))
        ]
    assert told == ["first of one", "second of one", "first of the other"]
    other.close()


def test_eight_pages_of_one_device_are_all_told(own: Server, context: BrowserContext) -> None:
    bake = a_bake(own)
    pages = [context.new_page() for _ in range(8)]
    for page in pages:
        page.goto(f"{own.url}/bench/{bake}")
        expect(page.get_by_role("region", name="The step now")).to_be_visible()
    # The first one listens for all of them; when it is closed, the next goes on.
    for closed in (0, 1):
        pages[closed].close()
        key = f"note-{closed:06d}"
        own.ask(
            f"/api/bakes/{bake}/events",
            {"kind": "step_done", "client_key": key, "step": own.ask(f"/api/bakes/{bake}")["current"]},
        )
        title = own.ask(f"/api/bakes/{bake}")
        now = next(s["title"] for s in title["steps"] if s["id"] == title["current"])
        for page in pages[closed + 1 :]:
            expect(page.get_by_role("region", name="The step now")).to_contain_text(now)
    for page in pages[2:]:
        page.close()


def test_a_damaged_entry_is_shown_and_blanks_no_page(demo: Server, page: Page) -> None:
    page.goto(demo.url)
    page.evaluate("localStorage.setItem('kindwhisk.outbox', '[{\"bake\": 7}, broken')")
    page.goto(f"{demo.url}/book")
    expect(page.get_by_role("alert").filter(has_text="can’t be read")).to_contain_text("broken")
    expect(page.get_by_role("heading", level=1).first).to_be_visible()
    page.get_by_role("button", name="Let go").click()
    expect(page.get_by_role("alert")).to_have_count(0)


def test_a_folder_that_is_gone_is_said_on_every_page(own: Server, page: Page) -> None:
    page.goto(f"{own.url}/book")
    expect(page.get_by_role("link", name="Tea chiffon").first).to_be_visible()
    away = own.data.with_name("away")
    own.data.rename(away)
    expect(page.get_by_role("alert").filter(has_text="nothing is kept any more")).to_be_visible()
    away.rename(own.data)
    expect(page.get_by_role("alert")).to_have_count(0)


def test_safe_keeping_on_a_phone(demo: Server, page: Page) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{demo.url}/kitchen/safe-keeping")
    expect(page.get_by_role("heading", name="The plan")).to_be_visible()
    fits(page, 390)
