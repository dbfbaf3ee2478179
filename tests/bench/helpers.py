"""Driving a bake by its own state, as a baker would."""

from __future__ import annotations

import itertools
from datetime import UTC, datetime, timedelta
from typing import Any

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.process.gate import GateItemKind
from kindwhisk.core.process.wish import Wish

BEGAN = datetime(2026, 11, 2, 5, 0, tzinfo=UTC)
_keys = itertools.count()


class Baker:
    """Somebody at the bench whose clock is set by the test."""

    def __init__(self, bench: Bench, formula: str = "tea-chiffon", hours: float = 4.0, hands: str = "") -> None:
        self.bench = bench
        self.now = BEGAN
        ready, key = BEGAN + timedelta(hours=hours), f"start-{next(_keys):06d}"
        self.bake = bench.start(formula, Wish(), ready, key, BEGAN, hands)

    @property
    def state(self) -> BakeState:
        """The state at the baker's moment."""
        return self.bench.state(self.bake, now=self.now)

    def wait(self, seconds: float) -> None:
        """Time goes by."""
        self.now += timedelta(seconds=seconds)

    def tell(self, kind: str, key: str | None = None, **fields: Any) -> BakeState:
        """Something happens now."""
        event = {"kind": kind, "client_key": key or f"key-{next(_keys):06d}", "at": self.now, **fields}
        self.bench.post(self.bake, event_adapter.validate_python(event))
        return self.state

    def confirm(self) -> BakeState:
        """Whatever is asked is right as it stands."""
        for question in self.state.questions:
            self.tell("answered", sequence=question.sequence, right=True)
        return self.state

    def tick_all(self) -> None:
        """Everything on the make-ready list is there."""
        gate = self.state.gate
        for item in gate.items if gate else ():
            if item.kind is GateItemKind.THING and not item.there:
                self.tell("gate_ticked", item=item.id)

    def go_on(self) -> str:
        """Do the current step as it was planned; returns its id."""
        state = self.state
        assert state.current is not None
        line = next(s for s in state.steps if s.id == state.current)
        if line.status == "waiting" and line.attention != "throughout":
            if state.gate and state.gate.step == line.id:
                self.tick_all()
            self.tell("step_started", step=line.id)
            if line.attention == "none":
                return line.id
        self.wait((line.planned_end_at - line.planned_start_at).total_seconds())
        self.tell("step_done", step=line.id)
        return line.id

    def until(self, step: str) -> None:
        """Work until ``step`` is the current one and waits to be started."""
        for _ in range(60):
            if self.state.current == step and step not in self.state.running:
                return
            self.go_on()
        raise AssertionError(f"{step} never came up")
