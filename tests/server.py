"""A real server in a process and a data folder of its own, and the browser that looks at it."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import urllib.request
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
EXECUTABLE = "/usr/bin/chromium"
CHROMIUM = (
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync",
)  # fmt: skip


class Server:
    """A server process that can be killed and started again on the same data and port."""

    def __init__(self, data: Path, command: str = "demo", *, day: bool = False) -> None:
        self.data, self.command, self.port = data, command, 0
        self.day = day
        self.process: subprocess.Popen[str] | None = None

    @property
    def url(self) -> str:
        """Where it is."""
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        """Start it and wait for the line that says the address."""
        more = ["--no-day"] if self.command == "demo" and not self.day else []
        self.process = subprocess.Popen(
            [
                sys.executable, "-m", "kindwhisk.cli", self.command, "--data", str(self.data),
                "--port", str(self.port), "--web", str(ROOT / "web" / "dist"), *more,
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
            self.process.wait(timeout=60)

    def ask(self, path: str, body: dict[str, Any] | None = None, method: str | None = None) -> Any:
        """A call beside the page; with a body a POST, unless said otherwise."""
        request = urllib.request.Request(
            self.url + path,
            None if body is None else json.dumps(body).encode(),
            {"content-type": "application/json"},
            method=method,
        )
        with urllib.request.urlopen(request, timeout=60) as answer:
            return json.load(answer)
