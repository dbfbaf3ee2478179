"""A plugin of pytest: coverage tells which test ran a line, tests of many examples too, and how long it took."""

from __future__ import annotations

import json
import os
from collections import defaultdict
from collections.abc import Generator
from pathlib import Path

import pytest
from coverage import Coverage

SECONDS = "WHISK_TEST_SECONDS"
"""The file that the seconds of each test are written to."""
_seconds: dict[str, float] = defaultdict(float)


@pytest.hookimpl(wrapper=True)
def pytest_runtest_protocol(item: pytest.Item) -> Generator[None, object, object]:
    """Everything from set-up to the end belongs to the test."""
    measuring = Coverage.current()
    if measuring is not None:
        measuring.switch_context(item.nodeid.partition("[")[0])
    return (yield)


def pytest_runtest_logreport(report: pytest.TestReport) -> None:
    """Set-up, call and end, of all examples together."""
    _seconds[report.nodeid.partition("[")[0]] += report.duration


def pytest_sessionfinish() -> None:
    """Written down once, at the end."""
    Path(os.environ[SECONDS]).write_text(json.dumps(_seconds))
