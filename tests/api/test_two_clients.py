"""Two tablets over one bake, each with what it last saw: whatever they post, in whatever order, both agree after it."""

from __future__ import annotations

import itertools
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from fastapi.testclient import TestClient
from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.api.conftest import BASE

PASSES = {
    "now",
    "details",
    "windows",
    "meetings",
    "expected_ready_at",
    "late_by_s",
    "idle_until",
    "steps",
    "current",
} | {
    "awaited",
    "cold",
    "cooled",
}
"""What the clock moves from one look to the next."""
TABLETS = st.integers(0, 1)


class TwoTablets(RuleBasedStateMachine):
    """One kitchen, two tablets that only look when they are told to."""

    @initialize(formula=st.sampled_from(["tea-chiffon", "syrup-peaks", "kisses"]))
    def begin(self, formula: str) -> None:
        self.folder = TemporaryDirectory()
        app = create_app(Settings(data=Path(self.folder.name)))
        store = app.state.bench.store
        store.kitchens.save(demo_kitchen())
        for one in demo_formulas():
            store.formulas.save(one)
        self.client = TestClient(app, base_url=BASE)
        self.client.__enter__()
        self.keys = itertools.count()
        started = self.client.post("/api/bakes", json={"formula_id": formula, "client_key": "two-tablets"})
        assert started.status_code == 201, started.text
        self.bake = started.json()["id"]
        self.seen = [started.json(), started.json()]
        self.last_posted: tuple[dict[str, Any], int] | None = None
        self.acknowledged = 0

    def teardown(self) -> None:
        if hasattr(self, "client"):
            self.client.__exit__(None, None, None)
            self.folder.cleanup()

    def look(self) -> dict[str, Any]:
        state: dict[str, Any] = self.client.get(f"/api/bakes/{self.bake}").json()
        return state

    def post(self, tablet: int, **event: Any) -> None:
        body = {"client_key": f"tablet-{next(self.keys):06d}", **event}
        answer = self.client.post(f"/api/bakes/{self.bake}/events", json=body)
        assert answer.status_code in {200, 400, 404, 409, 422}, answer.text
        if answer.status_code == 200:
            self.seen[tablet] = answer.json()
            self.last_posted = (body, self.seen[tablet]["sequence"])
            assert self.seen[tablet]["sequence"] > self.acknowledged
            self.acknowledged = self.seen[tablet]["sequence"]
        else:
            problem = answer.json()
            assert problem["detail"], problem
            assert problem["remedy"] or problem["errors"], problem

    def lines(self, tablet: int, *status: str) -> list[dict[str, Any]]:
        return [s for s in self.seen[tablet]["steps"] if s["status"] in status]

    @rule(tablet=TABLETS)
    def look_again(self, tablet: int) -> None:
        self.seen[tablet] = self.look()

    @rule(tablet=TABLETS)
    def go_on(self, tablet: int) -> None:
        """The step that this tablet shows, whatever the other has done meanwhile."""
        line = next((s for s in self.seen[tablet]["steps"] if s["id"] == self.seen[tablet]["current"]), None)
        if line is None:
            return
        begins = line["status"] == "waiting" and line["attention"] != "throughout"
        self.post(tablet, kind="step_started" if begins else "step_done", step=line["id"])

    @rule(tablet=TABLETS, number=st.integers(0, 20))
    def tick(self, tablet: int, number: int) -> None:
        items = [i["id"] for i in (self.seen[tablet]["gate"] or {"items": []})["items"] if i["kind"] == "thing"]
        for item in items[: number + 1]:
            self.post(tablet, kind="gate_ticked", item=item)

    @rule(tablet=TABLETS, number=st.integers(0, 50), share=st.sampled_from([1.0, 0.5]))
    def begin_again(self, tablet: int, number: int, share: float) -> None:
        steps = self.lines(tablet, "running", "done") or self.lines(tablet, "waiting")
        if steps:
            self.post(tablet, kind="begun_again", step=steps[number % len(steps)]["id"], share=share)

    @rule(tablet=TABLETS, times=st.sampled_from([0.5, 2.0]))
    def more_or_less(self, tablet: int, times: float) -> None:
        self.post(tablet, kind="changed", change={"change": "batch", "times": times})

    @rule(tablet=TABLETS, number=st.integers(0, 50), hours=st.integers(0, 30))
    def done_before(self, tablet: int, number: int, hours: int) -> None:
        steps = self.lines(tablet, "waiting")
        if steps:
            when = datetime.fromisoformat(self.seen[tablet]["now"]) - timedelta(hours=hours)
            self.post(tablet, kind="done_before", step=steps[number % len(steps)]["id"], when=when.isoformat())

    @rule(tablet=TABLETS, number=st.integers(0, 11))
    def take_back(self, tablet: int, number: int) -> None:
        """Any of the last things goes back, but for what something is told to rest on."""
        last = self.client.get(f"/api/bakes/{self.bake}/last-things").json()
        if last:
            thing = last[number % len(last)]
            before = self.acknowledged
            self.post(tablet, kind="undone", sequence=thing["sequence"])
            assert (self.acknowledged > before) == (thing["rests"] == [])

    @rule(tablet=TABLETS)
    def post_again(self, tablet: int) -> None:
        """The network has lost the answer: the same event comes once more."""
        if self.last_posted is not None:
            body, _ = self.last_posted
            answer = self.client.post(f"/api/bakes/{self.bake}/events", json=body)
            assert answer.status_code == 200
            self.seen[tablet] = answer.json()
            assert self.seen[tablet]["sequence"] == self.acknowledged

    @invariant()
    def both_see_the_same(self) -> None:
        if not hasattr(self, "bake"):
            return
        one, two = ({k: v for k, v in self.look().items() if k not in PASSES} for _ in range(2))
        assert one == two
        assert one["sequence"] == self.acknowledged

    @invariant()
    def the_plan_has_every_step_in_turn(self) -> None:
        if not hasattr(self, "bake"):
            return
        state = self.look()
        at = {s["id"]: datetime.fromisoformat(s["expected_start_at"]) for s in state["steps"]}
        ends = {s["id"]: datetime.fromisoformat(s["expected_end_at"]) for s in state["steps"]}
        assert all(at[i] <= ends[i] for i in at)
        for line in state["steps"]:
            if line["status"] == "waiting":
                assert at[line["id"]] >= datetime.fromisoformat(state["now"]) - timedelta(seconds=1), line["id"]


TwoTablets.TestCase.settings = settings(
    max_examples=15, stateful_step_count=20, deadline=None, suppress_health_check=[HealthCheck.too_slow]
)
test_two_tablets = TwoTablets.TestCase
