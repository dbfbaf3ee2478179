"""Run by ./whisk measure: how right the pot's forecast is, how fast all of it answers, how small the pages are."""

from __future__ import annotations

import gzip
import http.client
import itertools
import json
import statistics
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path

from playwright.sync_api import Browser, sync_playwright

from benchmarks.bakes import bakes
from benchmarks.cakes import crumb_probes
from benchmarks.changes import charted
from benchmarks.days import days
from benchmarks.failed_bakes import told_why
from benchmarks.finishing import finishing
from benchmarks.goals import met
from benchmarks.kept_safe import kept_safe
from benchmarks.kitchens import kitchens, learned_by_bake
from benchmarks.names import names
from benchmarks.others import others
from benchmarks.pair import side_by_side
from benchmarks.pieces import pieces
from benchmarks.pots import runs
from benchmarks.reading import reading
from benchmarks.recipes import recipes
from benchmarks.references import references
from benchmarks.states import by_events, by_readings
from benchmarks.syrups import syrups
from benchmarks.usual_bakes import usual
from benchmarks.years import years
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.folding.plan import fold_plan
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.planning.solver import plan
from kindwhisk.core.planning.tasks import job
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.sugar.watch import watch
from kindwhisk.core.tins.standing import stand
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels import section
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.formats.lining_pdf import lining_pdf
from kindwhisk.formats.paper import Paper
from tests.server import CHROMIUM, EXECUTABLE, ROOT, Server

FOLD_BODY = {
    "base": {"mass_g": 250, "density_g_per_ml": 1.13},
    "foam": {"mass_g": 180, "density_g_per_ml": 0.16},
    "school": "sacrifice",
}
TIN_BODY = {
    "shape": "round",
    "dimensions": {"diameter_mm": 200, "depth_mm": 60},
    "batter_g": 470,
    "density_g_per_ml": 0.42,
    "technique": "separated chiffon",
}
BAKE_BODY = {
    "technique": "génoise",
    "tin": {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 80}},
    "batter_g": 560,
    "density_g_per_ml": 0.45,
    "oven_c": 170,
    "mode": "static",
}
READINGS_GOAL = 1000
LEADS_S = (300.0, 180.0, 120.0, 60.0)
POTS = 100
SCRIPT_GOAL_KB = 100.0
FIRST_VIEW_GOAL_S = 1.0


def _call(server: Server, path: str) -> Callable[[], object]:
    """A call on a connection that stays open, as a page's does."""
    connection = http.client.HTTPConnection("127.0.0.1", server.port)

    def ask() -> bytes:
        connection.request("GET", path)
        return connection.getresponse().read()

    return ask


def _post(server: Server, path: str, body: object) -> Callable[[], object]:
    """The same with a body."""
    connection = http.client.HTTPConnection("127.0.0.1", server.port)
    told = json.dumps(body)
    headers = {"content-type": "application/json", "origin": server.url}

    def ask() -> bytes:
        connection.request("POST", path, told, headers)
        return connection.getresponse().read()

    return ask


def _bench(server: Server) -> None:
    ready = (datetime.now(UTC) + timedelta(hours=4)).isoformat()
    body = {"formula_id": "tea-chiffon", "ready_at": ready, "client_key": "measure-bench"}
    bake = server.ask("/api/bakes", body)["id"]
    for n in range(40):
        note = {"kind": "note_added", "client_key": f"measure-{n:04d}", "text": "a bake with a past"}
        server.ask(f"/api/bakes/{bake}/events", note)
    pair = side_by_side(_call(server, f"/api/bakes/{bake}"), _call(server, "/api/health"), rounds=200)
    print(f"bench state, 40 events     {1000 * pair.first_s:7.1f} ms   {pair.ratio:5.1f} times an empty route")


def _setting(formula: Formula) -> Setting:
    kitchen, fill = demo_kitchen(), formula.fill
    assert fill is not None
    return Setting(kitchen, kitchen.oven(None), TinsInUse(fill.tin_name, fill.tin))


def _forecast_and_plan() -> None:
    formula = tea_chiffon()
    setting = _setting(formula)
    seen = forecast(formula, setting)
    task = job(seen)
    pair = side_by_side(lambda: plan(task, 5 * 3600), lambda: forecast(formula, setting), rounds=15)
    print(f"forecast of {len(seen.steps)} steps       {1000 * pair.second_s:7.1f} ms")
    largest = max(demo_formulas(), key=lambda f: len(f.steps))
    place = _setting(largest)
    pair_largest = side_by_side(lambda: forecast(largest, place), lambda: forecast(formula, setting), rounds=15)
    steps = len(forecast(largest, place).steps)
    print(
        f"forecast of {steps} steps       {1000 * pair_largest.first_s:7.1f} ms   "
        f"{pair_largest.ratio:5.1f} times that; the largest of the Book"
    )
    print(f"plan of one bake           {1000 * pair.first_s:7.1f} ms   {pair.ratio:5.1f} times its forecast")


def _fold_and_tin() -> None:
    base, foam = Airy.at(250, 1.13, 1.13), Airy.at(180, 0.16, 1.15)
    tin = demo_kitchen().tins[0].tin
    batter = Material(parts={"whole-egg": 200, "sugar": 100}).at_density(Estimate.exact(0.43))

    def drawn() -> object:
        return section.of_tin("tin", tin, 1.0, batter), stand(tin, 400, 0.43)

    pair = side_by_side(lambda: fold_plan(base, foam), drawn, rounds=200)
    print(
        f"fold plan                  {1000 * pair.first_s:7.2f} ms   {pair.ratio:5.1f} times the tin's picture data, "
        f"{1000 * pair.second_s:.2f} ms"
    )
    pages = side_by_side(lambda: lining_pdf("tin", tin.lining(), Paper.A4), tin.lining, rounds=15)
    print(f"its paper as PDF           {1000 * pages.first_s:7.1f} ms   {pages.ratio:5.1f} times its shapes")


def _doors(server: Server) -> None:
    """A fold plan and a tin through their doors, beside an empty route."""
    doors = (
        ("fold plan", "/api/craft/fold", FOLD_BODY),
        ("tin", "/api/craft/tin", TIN_BODY),
        ("bake", "/api/craft/bake", BAKE_BODY),
    )
    for name, path, body in doors:
        pair = side_by_side(_post(server, path, body), _call(server, "/api/health"), rounds=200)
        print(f"{name + ' through its door':26} {1000 * pair.first_s:7.1f} ms   {pair.ratio:5.1f} times an empty route")


def _syrup() -> None:
    """Both forecasts of the same pots, at the same moments."""
    for lead in LEADS_S:
        told, lines, silent = [], [], 0
        for run in runs(POTS, lead):
            seconds, line = run.forecast(lead).seconds_to_target, run.line(lead)
            silent += seconds is None
            told += [] if seconds is None else [abs(seconds - lead)]
            lines += [] if line is None else [abs(line - lead)]
        off, straight = _spread(told), _spread(lines)
        print(
            f"syrup, {lead:3.0f} s before        {off}   of {len(told)} pots, {silent} silent; "
            f"a straight line {straight}"
        )
    run = next(runs(1, LEADS_S[1], first_seed=1003))
    watching = watch(run.pot, run.target_c, run.readings)
    pair = side_by_side(lambda: watch(run.pot, run.target_c, run.readings), watching.forecast, rounds=9)
    each = pair.first_s / len(run.readings)
    print(f"a pot's reading taken in   {1000 * each:7.2f} ms   {each / pair.second_s:5.2f} times telling the forecast")


def _spread(misses: list[float]) -> str:
    ordered = sorted(misses)
    return f"{statistics.median(ordered):4.0f} s, nine in ten {ordered[int(0.9 * len(ordered))]:4.0f} s"


def _readings(server: Server) -> None:
    """A thousand at once and a single one, through the door, on the disk."""
    count = itertools.count()

    def post(number: int) -> None:
        base = next(count)
        rows = [{"probe": "measure", "value": 20 + n % 50, "key": f"{base}-{n}"} for n in range(number)]
        server.ask("/api/readings", {"readings": rows})

    pair = side_by_side(lambda: post(1000), lambda: post(1), rounds=20)
    rate = 1000 / pair.first_s
    print(
        f"1000 readings taken in     {1000 * pair.first_s:7.1f} ms   {pair.ratio:5.1f} times a single one; "
        f"{rate:.0f} a second, goal {READINGS_GOAL}: {met(rate >= READINGS_GOAL)}"
    )


def _size() -> None:
    dist = ROOT / "web" / "dist"
    sizes = {s.name: len(gzip.compress(s.read_bytes(), 9)) / 1000 for s in (dist / "assets").glob("*.js")}
    page = (dist / "index.html").read_text()
    first = sum(size for name, size in sizes.items() if name in page)
    print(f"script of the first view   {first:7.1f} kB   goal {SCRIPT_GOAL_KB:.0f}: {met(first <= SCRIPT_GOAL_KB)}")
    print(f"script of every view       {sum(sizes.values()):7.1f} kB   each fetched when it is opened")


def _first_view(browser: Browser, server: Server) -> None:
    opened, planned = [], []
    for _ in range(7):
        context = browser.new_context()
        page = context.new_page()
        began = time.perf_counter()
        page.goto(server.url, wait_until="commit")
        page.get_by_role("heading", level=1).wait_for()
        opened.append(time.perf_counter() - began)
        page.get_by_role("group", name="Braid of the plan").wait_for()
        planned.append(time.perf_counter() - began)
        context.close()
    first = statistics.median(opened)
    print(
        f"first view, empty cache    {first:7.2f} s    goal {FIRST_VIEW_GOAL_S:.0f}: {met(first <= FIRST_VIEW_GOAL_S)}"
    )
    print(f"and its plan drawn         {statistics.median(planned):7.2f} s")


def main() -> None:
    """All of it, in one run."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as play:
        server = Server(Path(folder))
        server.start()
        browser = play.chromium.launch(executable_path=EXECUTABLE, args=list(CHROMIUM))
        try:
            _bench(server)
            _forecast_and_plan()
            _fold_and_tin()
            _doors(server)
            others(server)
            names()
            recipes()
            reading()
            _syrup()
            syrups()
            references()
            bakes()
            kitchens()
            usual()
            pieces()
            finishing()
            days()
            crumb_probes()
            _readings(server)
            by_readings()
            by_events()
            _size()
            _first_view(browser, server)
            kept_safe()
            told_why()
            learned_by_bake()
            charted()
            years()
        finally:
            browser.close()
            server.stop()


if __name__ == "__main__":
    main()
