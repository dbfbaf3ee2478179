"""A real server, stopped, killed, starved of room and robbed of its folder: what was acknowledged is there."""

from __future__ import annotations

import json
import random
import resource
import shutil
import sqlite3
import subprocess
import sys
import urllib.error
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from kindwhisk.store.keeping.looking import FILE_NAME, look
from tests.api.fuzzing import Call, Fuzzer, known, sent
from tests.server import Server

CALLS = 300
KILLS = 6


@pytest.fixture
def server(seeded: Path, tmp_path: Path) -> Iterator[Server]:
    shutil.copytree(seeded, tmp_path / "kitchen")
    server = Server(tmp_path / "kitchen", "serve")
    server.start()
    yield server
    server.stop()


def a_bake(server: Server) -> str:
    return str(server.ask("/api/bakes", {"formula_id": "tea-chiffon", "client_key": "a-bake-of-it"})["id"])


def note(server: Server, bake: str, key: str, text: str = "x") -> Any:
    return server.ask(f"/api/bakes/{bake}/events", {"kind": "note_added", "client_key": key, "text": text})


def refused(server: Server, bake: str, key: str, text: str = "x") -> tuple[int, dict[str, Any]]:
    with pytest.raises(urllib.error.HTTPError) as answer:
        note(server, bake, key, text)
    return answer.value.code, json.loads(answer.value.read())


def command(*arguments: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "kindwhisk.cli", *arguments], capture_output=True, text=True, timeout=120, check=False
    )


def test_what_was_acknowledged_is_there_after_a_kill(server: Server) -> None:
    bake, told = a_bake(server), 0
    chance = random.Random(7)
    for kill in range(KILLS):
        for _ in range(chance.randrange(1, 9)):
            told += 1
            assert note(server, bake, f"note-{told:06d}")["sequence"] == told
            server.ask("/api/readings", {"probe": "pot", "value": 20, "key": f"r{told}"})
        server.kill()
        server.start()
        assert server.ask(f"/api/bakes/{bake}")["sequence"] == told, kill
        (probe,) = [p for p in server.ask("/api/readings") if p["probe"] == "pot"]
        assert probe["readings"] >= told


def test_after_a_stop_the_one_file_is_all_of_it(server: Server, tmp_path: Path) -> None:
    bake = a_bake(server)
    for n in range(20):
        note(server, bake, f"note-{n:06d}")
    server.stop()
    (tmp_path / "alone").mkdir()
    shutil.copy(server.data / FILE_NAME, tmp_path / "alone" / FILE_NAME)
    assert look(tmp_path / "alone" / FILE_NAME).last_title == "Tea chiffon"
    with sqlite3.connect(tmp_path / "alone" / FILE_NAME) as file:
        assert file.execute("SELECT count(*) FROM eventrow WHERE bake_id = ?", (bake,)).fetchone() == (20,)


def test_the_second_server_is_told_who_holds_the_folder(server: Server) -> None:
    told = command("serve", "--data", str(server.data), "--port", "0")
    assert told.returncode == 2
    assert server.url in told.stderr
    assert server.ask("/api/health")["status"] == "ok"


def test_backup_wipe_look_and_restore_by_command(server: Server, tmp_path: Path) -> None:
    bake = a_bake(server)
    note(server, bake, "note-000001")
    copy = tmp_path / "copy.sqlite3"
    made = command("backup", "--data", str(server.data), "--to", str(copy))
    assert (made.returncode, "sound" in made.stdout) == (0, True)
    archive = tmp_path / "all.zip"
    assert command("export", str(archive), "--data", str(server.data)).returncode == 0
    busy = command("restore", str(copy), "--data", str(server.data))
    assert (busy.returncode, "in use" in busy.stderr) == (2, True)
    server.stop()
    shutil.rmtree(server.data)
    for file in (copy, archive):
        assert "1 running" in command("look", str(file)).stdout
        restored = command("restore", str(file), "--data", str(server.data))
        assert restored.returncode == 0, restored.stderr
        server.start()
        assert server.ask(f"/api/bakes/{bake}")["sequence"] == 1
        assert len(server.ask("/api/formulas")) > 10
        server.stop()
    assert "kept as" in restored.stdout
    wrong = command("restore", str(Path(__file__)), "--data", str(server.data))
    assert (wrong.returncode, len(wrong.stderr.strip().splitlines())) == (2, 1)


def test_a_disk_without_room_refuses_says_so_and_goes_on_by_itself(server: Server) -> None:
    bake = a_bake(server)
    assert server.process is not None
    _, hard = resource.prlimit(server.process.pid, resource.RLIMIT_FSIZE)
    resource.prlimit(server.process.pid, resource.RLIMIT_FSIZE, (4096, hard))
    status, problem = refused(server, bake, "note-000001")
    assert status in {503, 507}
    assert "was not kept" in problem["detail"]
    assert "goes on by itself" in problem["remedy"]
    assert server.ask("/api/health")["status"] == "trouble"
    assert [n["grave"] for n in server.ask("/api/keeping/notices")] == [True]
    assert server.ask(f"/api/bakes/{bake}")["sequence"] == 0
    resource.prlimit(server.process.pid, resource.RLIMIT_FSIZE, (hard, hard))
    assert note(server, bake, "note-000001")["sequence"] == 1
    assert server.ask("/api/health")["status"] == "ok"


@pytest.mark.parametrize("what", ["deleted", "replaced"])
def test_a_folder_that_goes_while_it_runs_takes_nothing_with_it(server: Server, tmp_path: Path, what: str) -> None:
    bake = a_bake(server)
    if what == "deleted":
        shutil.rmtree(server.data)
    else:
        shutil.copytree(server.data, tmp_path / "other")
        server.data.rename(tmp_path / "away")
        (tmp_path / "other").rename(server.data)
    for n in range(13):
        status, problem = refused(server, bake, f"note-{n:06d}")
        assert (status, "nothing is kept" in problem["detail"]) == (503, True)
    assert server.ask("/api/health")["status"] == "trouble"


def test_nothing_that_comes_in_makes_it_stumble(server: Server) -> None:
    """A few hundred calls that nobody foresaw; `./whisk measure` makes ten thousand."""
    stumbled = []
    for call in Fuzzer(2026, known(server)).calls(CALLS):
        status, body = sent(server, call)
        if status >= 500 and b"too long" not in body:
            stumbled.append((status, call.method, call.path[:200], (call.body or b"")[:200]))
        # What is no request at all never comes as far as Kind Whisk.
        if status >= 400 and body and call.method != "HEAD" and not body.startswith(b"Invalid HTTP"):
            problem = json.loads(body)
            assert problem["status"] == status
            assert problem["detail"]
    assert stumbled == []


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("/api/formulas/read", {"text": "1 egg\n" * 41}),
        ("/api/formulas/tea-chiffon.txt?times=1000", None),
        ("/api/craft/bake/of/heavy", None),
        ("/api/formulas/heavy.txt?times=1000", None),
        ("/api/formulas/heavy.csv?times=1000", None),
        ("/%00", None),
        ("/" + "a" * 3000, None),
    ],
)
def test_what_made_it_stumble_once_does_not(server: Server, path: str, body: Any) -> None:
    if "heavy" in path:
        one = server.ask("/api/formulas/tea-chiffon")["formula"] | {"id": "heavy", "title": "Heavy"}
        for step in one["steps"]:
            for portion in step["inputs"]:
                if "ingredient" in portion:
                    portion["grams"] *= 500
        server.ask("/api/formulas/heavy", {"formula": one}, method="PUT")
    call = Call("GET" if body is None else "POST", path, None if body is None else json.dumps(body).encode(), ())
    status, answer = sent(server, call)
    assert status < 500, answer


def test_what_is_asked_for_is_bounded(server: Server) -> None:
    too_large = json.dumps({"text": "x" * 9_000_000}).encode()
    connection_status = []
    for path, body in (("/api/formulas/read", too_large), ("/api/readings", b'{"readings": [' + b"1," * 5_000_000)):
        status, answer = sent(server, Call("POST", path, body, ()))
        connection_status.append((status, json.loads(answer)["title"]))
    assert connection_status == [(413, "Too large")] * 2
    kitchen = server.ask("/api/kitchen")
    kitchen["kitchen"]["tins"] = [kitchen["kitchen"]["tins"][0] | {"id": f"tin-{n}"} for n in range(500)]
    with pytest.raises(urllib.error.HTTPError) as refusal:
        server.ask("/api/kitchen", kitchen, method="PUT")
    problem = json.loads(refusal.value.read())
    assert (problem["field"], "at most 400 entries" in problem["detail"]) == ("kitchen.tins", True)
