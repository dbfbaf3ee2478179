"""Slow sums run beside: they end at their limit, are left with whoever asked, and hold up nobody."""

from __future__ import annotations

import asyncio
import os
import signal
import time
from concurrent.futures import Future
from typing import Any

import pytest
from fastapi import Request
from fastapi.testclient import TestClient
from pebble import ProcessPool

from kindwhisk.api import beside as beside_module
from kindwhisk.api.beside import ENDED, LEFT, beside
from kindwhisk.api.problems import ProblemError
from kindwhisk.core.values.errors import CraftError, NotNowError
from tests.awaiting import awaited


def asking(*, gone: bool = False) -> Request:
    """A request of somebody who waits, or is gone."""

    async def receive() -> dict[str, Any]:
        if not gone:
            await asyncio.sleep(3600)
        return {"type": "http.disconnect"}

    return Request({"type": "http"}, receive)


def forever() -> None:
    while True:
        time.sleep(0.01)


def refuse(kind: str) -> None:
    if kind == "now":
        raise NotNowError("Not yet.", field="step", remedy="Wait.")
    raise CraftError("No.", field="grams", remedy="Less.")


def test_it_answers_from_another_process() -> None:
    assert awaited(beside(asking(), sum, [1, 2, 3])) == 6


def test_a_refusal_comes_over_whole() -> None:
    with pytest.raises(CraftError) as error:
        awaited(beside(asking(), refuse, "ever"))
    assert (error.value.message, error.value.field, error.value.remedy) == ("No.", "grams", "Less.")
    with pytest.raises(NotNowError, match="Not yet"):
        awaited(beside(asking(), refuse, "now"))


def test_what_takes_too_long_is_left(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(beside_module, "LIMIT_S", 0.5)
    with pytest.raises(ProblemError) as error:
        awaited(beside(asking(), forever))
    assert (error.value.problem.title, error.value.problem.status) == ("It takes too long", 503)
    # The process that it kept is free again.
    assert awaited(beside(asking(), sum, [4])) == 4


def test_what_nobody_waits_for_any_more_is_left() -> None:
    for _ in range(3):
        with pytest.raises(ProblemError) as error:
            awaited(beside(asking(gone=True), forever))
        assert error.value.problem == LEFT
    assert awaited(beside(asking(), sum, [4])) == 4


def end_itself() -> None:
    os.kill(os.getpid(), signal.SIGKILL)


def test_what_is_ended_from_outside_is_told_and_the_next_goes_on() -> None:
    with pytest.raises(ProblemError) as error:
        awaited(beside(asking(), end_itself))
    assert error.value.problem == ENDED
    assert awaited(beside(asking(), sum, [4])) == 4


def test_processes_that_die_with_nothing_to_do_are_replaced() -> None:
    for _ in range(3):
        worker = awaited(beside(asking(), os.getpid))
        os.kill(worker, signal.SIGKILL)
        assert worker not in {awaited(beside(asking(), os.getpid)) for _ in range(10)}


def test_what_was_lost_with_its_processes_is_begun_again(monkeypatch: pytest.MonkeyPatch) -> None:
    schedule = ProcessPool.schedule

    def lost(pool: ProcessPool, *_: Any, **__: Any) -> Future[int]:
        monkeypatch.setattr(ProcessPool, "schedule", schedule)
        pool.stop()  # type: ignore[no-untyped-call]
        return Future()

    monkeypatch.setattr(ProcessPool, "schedule", lost)
    assert awaited(beside(asking(), sum, [4])) == 4


def test_what_is_too_long_is_told_as_a_problem(client: TestClient, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(beside_module, "LIMIT_S", 1e-6)
    answer = client.post("/api/plans", json={"formula_id": "finger-cake"})
    assert answer.status_code == 503
    assert answer.json()["title"] == "It takes too long"
    assert answer.json()["remedy"]


def test_a_plan_as_soon_as_it_can_be_is_late_for_nothing(client: TestClient) -> None:
    plan = client.post("/api/plans", json={"formula_id": "tea-chiffon"}).json()
    assert plan["late_by_s"] == 0
    assert plan["wanted_at"] == plan["ready_at"]
    assert "late" not in plan["because"]
