"""A plugin of pytest: coverage tells apart which test ran a line, tests of many examples too."""

from __future__ import annotations

from collections.abc import Generator

import pytest
from coverage import Coverage


@pytest.hookimpl(wrapper=True)
def pytest_runtest_protocol(item: pytest.Item) -> Generator[None, object, object]:
    """Everything from set-up to the end belongs to the test."""
    measuring = Coverage.current()
    if measuring is not None:
        measuring.switch_context(item.nodeid.partition("[")[0])
    return (yield)
