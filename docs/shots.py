"""Make docs/screenshots again: one picture of each main view, from the demo kitchen."""

from __future__ import annotations

import re
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, expect, sync_playwright

from tests.server import CHROMIUM, EXECUTABLE, ROOT, Server

FOLDER = ROOT / "docs" / "screenshots"
DESK, TABLET = (1280, 800), (820, 1100)
SETTLES_MS = 700
"""What comes after the heading: pictures of tins, a map."""


RECIPE = """Lemon cloud

Ingredients
2 1/4 cups cake flour, sifted
1 1/2 cups sugar
1 tbsp baking powder
1/2 cup vegetable oil
7 large eggs, separated
3/4 cup cold water
zest of 1 lemon
1/2 tsp cream of tartar

Method
Beat yolks, oil, water and zest until smooth, add flour and baking powder.
Beat the egg whites with cream of tartar, add the sugar until stiff. Fold together.
Preheat the oven to 325 F. Pour into a 10-inch tube pan.
Bake for 55 to 60 minutes. Invert, cool, serve with strawberries.
"""


class Stage:
    """A bake that began a while ago and went as planned."""

    def __init__(self, server: Server, formula: str) -> None:
        self.server = server
        self.formula = formula
        self.told = 0
        self.bake = ""

    def begin(self, minutes_ago: float) -> None:
        """Start it so long ago, to be ready as soon as it can be."""
        began = datetime.now(UTC) - timedelta(minutes=minutes_ago)
        wanted = {"formula_id": self.formula, "not_before": began.isoformat()}
        plan = self.server.ask("/api/plans", {**wanted, "ready_at": (began + timedelta(hours=8)).isoformat()})
        takes = datetime.fromisoformat(plan["ready_at"]) - datetime.fromisoformat(plan["start_at"])
        ready = (began + takes + timedelta(seconds=20)).isoformat()
        key = f"shots-{self.formula}-{began.timestamp():.0f}"
        self.bake = self.server.ask("/api/bakes", {**wanted, "ready_at": ready, "client_key": key})["id"]

    def tell(self, kind: str, at: datetime, **fields: Any) -> dict[str, Any]:
        """An event at its moment."""
        self.told += 1
        body = {"kind": kind, "at": at.isoformat(), "client_key": f"shots-{self.told:06d}", **fields}
        state: dict[str, Any] = self.server.ask(f"/api/bakes/{self.bake}/events", body)
        return state

    def until(self, stop: str, *, start_it: bool = True) -> datetime:
        """Everything up to ``stop`` at its planned moment; returns when that was to start."""
        state = self.server.ask(f"/api/bakes/{self.bake}")
        events: list[tuple[datetime, str, str]] = []
        last = datetime.max.replace(tzinfo=UTC)
        for line in state["steps"]:
            begin, end = (datetime.fromisoformat(line[f"planned_{w}_at"]) for w in ("start", "end"))
            if line["attention"] != "throughout":
                events.append((begin, "step_started", line["id"]))
            events.append((end, "step_done", line["id"]))
            if line["id"] == stop:
                last = begin
        for at, kind, step in sorted(events):
            if at > last or (step == stop and not start_it):
                continue
            gate = state["gate"]
            if kind == "step_started" and gate and gate["step"] == step:
                for item in gate["items"]:
                    if item["kind"] == "thing":
                        self.tell("gate_ticked", at, item=item["id"])
            state = self.tell(kind, at, step=step)
        return last

    @property
    def now(self) -> datetime:
        """The bench's own moment; its clock may run fast."""
        return datetime.fromisoformat(self.server.ask(f"/api/bakes/{self.bake}")["now"])

    def boil_until(self, enough: Callable[[dict[str, Any]], bool]) -> None:
        """Put the syrup on if it is not there yet, start the whites when called; stop the clock when it is enough."""
        if not self.bake:
            self.begin(minutes_ago=2)
            for step in ("whip-whites", "whip-sugar"):
                self.tell("step_done", self.now, step=step)
            for item in self.server.ask(f"/api/bakes/{self.bake}")["gate"]["items"]:
                self.tell("gate_ticked", self.now, item=item["id"])
            self.tell("step_started", self.now, step="whip-boil")
        while True:
            state = self.server.ask(f"/api/bakes/{self.bake}?step=whip-boil")
            pot = state["details"]["whip-boil"]["watch"]["pot"]
            met = state["meetings"][0]["meeting"]
            if pot["temperature_c"] is not None and enough(pot):
                break
            if met["start_now"] and met["whisk"] == "waiting":
                self.tell("step_started", self.now, step="whip-soft")
            time.sleep(0.1)
        self.server.ask("/api/stand-ins", {"speed": 1})

    def bake_until(self, celsius: float) -> None:
        """Into the oven, and let the middle warm to a temperature."""
        self.begin(minutes_ago=21)
        self.until("bake", start_it=False)
        self.tell("step_started", self.now, step="bake")
        self.server.ask("/api/stand-ins", {"speed": 60})
        while True:
            watch = self.server.ask(f"/api/bakes/{self.bake}?step=bake")["details"]["bake"]["watch"]
            if watch and watch["left_s"] and watch["now_c"] > celsius:
                break
            time.sleep(0.1)
        self.server.ask("/api/stand-ins", {"speed": 1})


def picture(page: Page, server: Server, name: str, path: str, size: tuple[int, int] = DESK, dark: bool = False) -> None:
    """One view, settled, as a PNG."""
    page.set_viewport_size({"width": size[0], "height": size[1]})
    page.emulate_media(color_scheme="dark" if dark else "light", reduced_motion="reduce")
    page.goto(server.url + path)
    page.locator("main h1").first.wait_for()
    page.locator("main svg:visible").first.wait_for()
    expect(page.locator(".opacity-60")).to_have_count(0)
    expect(page.get_by_text(re.compile("^Loading "))).to_have_count(0)
    page.wait_for_timeout(SETTLES_MS)
    page.evaluate("document.fonts.ready.then(() => true)")
    page.screenshot(path=FOLDER / f"{name}.png")


def take(page: Page, server: Server) -> None:
    """All of them, in an order in which each view has something to show."""
    finished = server.ask("/api/bakes?status=finished")
    failed = next(b for b in finished if b["summary"]["stars"] == 2)
    picture(page, server, "book", "/book")
    picture(page, server, "formula", "/book/finger-cake")
    picture(page, server, "finishing", "/book/finishing")
    page.goto(server.url + "/book/read")
    page.evaluate("text => localStorage.setItem('kindwhisk.reading', text)", RECIPE)
    picture(page, server, "read-in", "/book/read")
    page.evaluate("localStorage.removeItem('kindwhisk.reading')")
    picture(page, server, "log", "/log")
    picture(page, server, "record", f"/log/{failed['id']}", TABLET)
    good = next(b for b in finished if b["formula_id"] == failed["formula_id"] and b["summary"]["stars"] == 5)
    picture(page, server, "beside", f"/log/{good['id']}/beside/{failed['id']}")
    picture(page, server, "kitchen", "/kitchen")
    page.goto(server.url + "/kitchen/goods")
    page.get_by_role("button", name="Hazelnut praline 60").click()
    page.screenshot(path=FOLDER / "goods.png")
    picture(page, server, "meringues", "/book/meringue")
    picture(page, server, "fold", "/book/fold")
    picture(page, server, "piping", "/book/piping")
    picture(page, server, "oven", "/kitchen/ovens/deck")
    picture(page, server, "learned", "/kitchen/learned")
    picture(page, server, "bake", "/book/bake?formula=tea-chiffon")

    # Last, for the clock of the bench runs ahead from here on.
    server.ask("/api/stand-ins", {"speed": 30})
    sugar = Stage(server, "syrup-peaks")
    sugar.boil_until(lambda pot: pot["temperature_c"] > 62)
    picture(page, server, "bench-syrup", f"/bench/{sugar.bake}")
    sugar.tell("bake_abandoned", sugar.now, reason="only a rehearsal")
    oven = Stage(server, "butter-sponge")
    oven.bake_until(74.0)
    picture(page, server, "bench-oven-dark", f"/bench/{oven.bake}", dark=True)
    oven.tell("bake_abandoned", oven.now, reason="only a rehearsal")


def take_day(page: Page, server: Server) -> None:
    """A day under way, and its plan once no other is better."""
    picture(page, server, "today", "/")
    page.goto(server.url + "/plan")
    page.get_by_text(re.compile("No other order is better|could still be saved")).wait_for(timeout=90_000)
    page.wait_for_timeout(SETTLES_MS)
    page.screenshot(path=FOLDER / "plan.png")


def main() -> None:
    """Start demo servers of its own, with and without a day under way, look at them, stop them."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    for day, look in ((True, take_day), (False, take)):
        with tempfile.TemporaryDirectory() as folder, sync_playwright() as play:
            server = Server(Path(folder), day=day)
            server.start()
            browser = play.chromium.launch(executable_path=EXECUTABLE, args=list(CHROMIUM))
            try:
                look(browser.new_page(timezone_id="UTC"), server)
            finally:
                browser.close()
                server.stop()


if __name__ == "__main__":
    main()
