"""A real server: what it tells open pages, and what it says when it cannot start."""

from __future__ import annotations

import json
import socket
import subprocess
import sys
import urllib.request
from collections.abc import Iterator
from datetime import UTC, datetime, timedelta
from pathlib import Path
from typing import Any

import pytest

from tests.server import Server


@pytest.fixture
def server(tmp_path: Path) -> Iterator[Server]:
    """A kitchen of one's own with the shipped formulas."""
    started = Server(tmp_path, "serve")
    started.start()
    started.ask("/api/formulas/shipped", {})
    yield started
    started.stop()


def begin(server: Server) -> str:
    """A bake to tell of."""
    ready = (datetime.now(UTC) + timedelta(hours=5)).isoformat()
    body = {"formula_id": "tea-chiffon", "ready_at": ready, "client_key": "live-bake"}
    return str(server.ask("/api/bakes", body)["id"])


def tell(server: Server, bake: str, key: str) -> Any:
    """A note, so that something is on the disk."""
    return server.ask(f"/api/bakes/{bake}/events", {"kind": "note_added", "client_key": key, "text": key})


class Listener:
    """An open page."""

    def __init__(self, server: Server, last: int | None = None) -> None:
        headers = {} if last is None else {"Last-Event-ID": str(last)}
        request = urllib.request.Request(server.url + "/api/stream", headers=headers)
        self.answer = urllib.request.urlopen(request, timeout=20)

    def next(self) -> tuple[str, int, dict[str, Any]]:
        """The next event: its name, its id and its data."""
        fields: dict[str, str] = {}
        while True:
            line = self.answer.readline().decode().rstrip("\n")
            if not line and "event" in fields:
                return fields["event"], int(fields.get("id", 0)), json.loads(fields["data"])
            name, _, value = line.partition(": ")
            if name:
                fields[name] = value


def test_an_open_page_hears_of_what_is_on_the_disk(server: Server) -> None:
    bake = begin(server)
    page = Listener(server)
    assert page.next()[0] == "hello"
    tell(server, bake, "note-number-one")
    name, _, change = page.next()
    assert (name, change["bake"], change["sequence"], change["kind"]) == ("change", bake, 1, "note_added")
    # A repeated key changes nothing, so there is nothing to hear of: the next one heard is the next one told.
    tell(server, bake, "note-number-one")
    tell(server, bake, "note-number-two")
    assert page.next()[2]["sequence"] == 2


def test_a_page_that_was_away_hears_all_that_it_missed_even_over_a_crash(server: Server) -> None:
    bake = begin(server)
    page = Listener(server)
    page.next()
    tell(server, bake, "note-number-one")
    _, last, _ = page.next()
    page.answer.close()
    tell(server, bake, "note-number-two")
    server.kill()
    server.start()
    tell(server, bake, "note-number-three")
    back = Listener(server, last)
    assert back.next()[0] == "hello"
    assert [back.next()[2]["sequence"] for _ in range(2)] == [2, 3]
    notes = server.ask(f"/api/bakes/{bake}")["notes"]
    assert [n["text"] for n in notes] == ["note-number-one", "note-number-two", "note-number-three"]


def run(*arguments: str) -> subprocess.CompletedProcess[str]:
    """The command line, to its end."""
    command = [sys.executable, "-m", "kindwhisk.cli", *arguments]
    return subprocess.run(command, capture_output=True, text=True, timeout=60, check=False)


def test_a_port_that_is_taken_is_named_with_the_way_out(tmp_path: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = str(taken.getsockname()[1])
        ended = run("serve", "--data", str(tmp_path), "--port", port)
    assert ended.returncode == 2
    assert port in ended.stderr
    assert "--port" in ended.stderr


def test_beyond_this_machine_nothing_starts_without_a_passcode(tmp_path: Path) -> None:
    ended = run("serve", "--data", str(tmp_path), "--port", "0", "--host", "0.0.0.0")
    assert ended.returncode == 2
    assert "passcode" in ended.stderr


def test_a_minute_of_a_thousand_readings_a_second_is_kept_without_loss(server: Server) -> None:
    began = datetime.now(UTC) - timedelta(minutes=2)
    page = Listener(server)
    assert page.next()[0] == "hello"
    for second in range(60):
        at = (began + timedelta(seconds=second)).isoformat()
        rows = [{"probe": f"p{n % 10}", "value": 20 + n / 100, "at": at, "key": f"{second}-{n}"} for n in range(1000)]
        assert server.ask("/api/readings", {"readings": rows})["stored"] == 1000
    name, _, told = page.next()
    assert (name, set(told)) == ("reading", {"probe", "at", "celsius"})
    server.kill()
    server.start()
    known = server.ask("/api/readings")
    assert sum(p["readings"] for p in known) == 60_000
