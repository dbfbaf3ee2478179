"""The real interface over the real server: a process of its own, a data folder of its own, Debian's Chromium."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page

ROOT = Path(__file__).parents[2]
CHROMIUM = (
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync",
)  # fmt: skip


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    """Debian's browser, never one that is downloaded."""
    return {"executable_path": "/usr/bin/chromium", "args": list(CHROMIUM)}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    """A tablet on the bench."""
    return {"viewport": {"width": 1280, "height": 800}, "has_touch": True, "timezone_id": "UTC"}


class Server:
    """A server process that can be killed and started again on the same data and port."""

    def __init__(self, data: Path, command: str = "demo") -> None:
        self.data, self.command, self.port = data, command, 0
        self.process: subprocess.Popen[str] | None = None

    @property
    def url(self) -> str:
        """Where it is."""
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        """Start it and wait for the line that says the address."""
        self.process = subprocess.Popen(
            [
                sys.executable, "-m", "kindwhisk.cli", self.command, "--data", str(self.data),
                "--port", str(self.port), "--web", str(ROOT / "web" / "dist"),
            ],
            stdout=subprocess.PIPE,
            text=True,
            env={**os.environ, "PYTHONUNBUFFERED": "1"},
        )  # fmt: skip
        assert self.process.stdout is not None
        line = self.process.stdout.readline()
        assert "http://127.0.0.1:" in line, line
        self.port = int(line.split("http://127.0.0.1:")[1].split("/")[0])

    def kill(self) -> None:
        """As if the power went."""
        assert self.process is not None
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()

    def stop(self) -> None:
        """Orderly."""
        if self.process is not None and self.process.poll() is None:
            self.process.terminate()
            self.process.wait(timeout=10)

    def ask(self, path: str, body: dict[str, Any] | None = None) -> Any:
        """A call beside the page."""
        request = urllib.request.Request(
            self.url + path,
            None if body is None else json.dumps(body).encode(),
            {"content-type": "application/json"},
        )
        with urllib.request.urlopen(request, timeout=20) as answer:
            return json.load(answer)


@pytest.fixture(scope="session")
def demo(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """One demo server for the tests that leave no traces that others would stumble over."""
    server = Server(tmp_path_factory.mktemp("demo"))
    server.start()
    yield server
    server.stop()


@pytest.fixture
def own(tmp_path: Path) -> Iterator[Server]:
    """A demo server of this test's own."""
    server = Server(tmp_path)
    server.start()
    yield server
    server.stop()


@pytest.fixture
def quiet(page: Page) -> Callable[[], list[str]]:
    """What the page complained about in its console."""
    said: list[str] = []
    page.on("console", lambda m: said.append(m.text) if m.type == "error" else None)
    page.on("pageerror", lambda e: said.append(str(e)))
    return lambda: said
