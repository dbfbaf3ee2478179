"""The real interface over the real server, in Debian's Chromium."""

from __future__ import annotations

import shutil
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.server import CHROMIUM, EXECUTABLE, Server

# A machine that does other things beside may take its time; nothing here waits longer than it has to.
expect.set_options(timeout=15_000)


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    """Debian's browser, never one that is downloaded."""
    return {"executable_path": EXECUTABLE, "args": list(CHROMIUM)}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    """A tablet on the bench."""
    return {"viewport": {"width": 1280, "height": 800}, "has_touch": True, "timezone_id": "UTC"}


def _started(seeded: Path, folder: Path) -> Iterator[Server]:
    shutil.copytree(seeded, folder, dirs_exist_ok=True)
    server = Server(folder)
    server.start()
    yield server
    server.stop()


@pytest.fixture(scope="session")
def demo(seeded: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """One demo server for the tests that leave no traces that others would stumble over."""
    yield from _started(seeded, tmp_path_factory.mktemp("demo"))


@pytest.fixture
def own(seeded: Path, tmp_path: Path) -> Iterator[Server]:
    """A demo server of this test's own."""
    yield from _started(seeded, tmp_path)


@pytest.fixture
def quiet(page: Page) -> Callable[[], list[str]]:
    """What the page complained about in its console."""
    said: list[str] = []
    page.on("console", lambda m: said.append(m.text) if m.type == "error" else None)
    page.on("pageerror", lambda e: said.append(str(e)))
    return lambda: said
