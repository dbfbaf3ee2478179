"""Safe keeping over the API: backups, a look into one, a restore while pages are open, all of it out and in."""

from __future__ import annotations

import json
import os
import sqlite3
import threading
import zipfile
from io import BytesIO
from pathlib import Path
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient
from pydantic import BaseModel

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.api.shared import Shared
from tests.api.conftest import BASE

OCTETS = {"content-type": "application/octet-stream"}


def ask(client: TestClient, method: str, path: str, status: int = 200, **more: Any) -> Any:
    answer = client.request(method, path, **more)
    assert answer.status_code == status, answer.text
    return answer.json() if answer.content else None


def renamed(client: TestClient, name: str) -> None:
    view = ask(client, "GET", "/api/kitchen")
    view["kitchen"]["name"] = name
    ask(client, "PUT", "/api/kitchen", json=view)


def name_of(client: TestClient) -> str:
    return str(ask(client, "GET", "/api/kitchen")["kitchen"]["name"])


def test_a_backup_is_made_looked_into_and_put_in_place(client: TestClient) -> None:
    renamed(client, "Before")
    made = ask(client, "POST", "/api/keeping/backups", 201)
    assert (made["where"], made["size_bytes"] > 10_000) == ("backups", True)
    where = {"where": "backups", "name": made["name"]}
    seen = ask(client, "GET", "/api/keeping/look", params=where)
    assert (seen["formulas"] > 5, seen["bakes"], seen["newer"]) == (True, 0, False)
    bake = ask(client, "POST", "/api/bakes", 201, json={"formula_id": "tea-chiffon", "client_key": "a-bake-of-it"})
    renamed(client, "After")
    kept = ask(client, "POST", "/api/keeping/restore", json=where)["kept"]
    assert name_of(client) == "Before"
    ask(client, "GET", f"/api/bakes/{bake['id']}", 404)
    # And back: what was there before was kept aside.
    assert kept in [c["name"] for c in ask(client, "GET", "/api/keeping")["aside"]]
    ask(client, "POST", "/api/keeping/restore", json={"where": "aside", "name": kept})
    assert name_of(client) == "After"
    assert ask(client, "GET", f"/api/bakes/{bake['id']}")["id"] == bake["id"]


def test_only_copies_of_the_list_can_be_looked_into(client: TestClient) -> None:
    for name in ("none.sqlite3", "..", "kindwhisk.sqlite3", "%2e%2e%2fkindwhisk.sqlite3"):
        answer = client.get(f"/api/keeping/look?where=backups&name={name}")
        assert answer.status_code == 422, name
        assert answer.json()["field"] == "name"


def test_all_of_it_goes_out_and_comes_in(client: TestClient) -> None:
    renamed(client, "Whole")
    answer = client.get("/api/keeping/archive")
    assert answer.headers["content-type"] == "application/zip"
    with zipfile.ZipFile(BytesIO(answer.content)) as opened:
        assert json.loads(opened.read("manifest.json"))["tables"]["kitchenrevision"]["rows"] >= 2
    renamed(client, "Changed")
    seen = ask(client, "POST", "/api/keeping/given-in", 201, content=answer.content, headers=OCTETS)
    ask(client, "POST", "/api/keeping/restore", json={"where": seen["where"], "name": seen["name"]})
    assert name_of(client) == "Whole"
    copy = client.get(
        "/api/keeping/copy", params={"where": "aside", "name": ask(client, "GET", "/api/keeping")["aside"][0]["name"]}
    )
    assert copy.content.startswith(b"SQLite format 3")
    assert ask(client, "POST", "/api/keeping/given-in", 201, content=copy.content, headers=OCTETS)["formulas"] > 5


@pytest.mark.parametrize("content", [b"", b"PK", b"PK\3\4 no zip", b"SQLite format 3\0" + b"x" * 9000, b"a cake"])
def test_what_is_no_copy_is_refused_and_not_kept(client: TestClient, content: bytes, tmp_path: Path) -> None:
    problem = ask(client, "POST", "/api/keeping/given-in", 422, content=content, headers=OCTETS)
    assert problem["remedy"]
    assert not list((tmp_path / "given-in").glob("*"))


def test_a_backup_that_fails_is_said_until_one_is_made(client: TestClient, tmp_path: Path) -> None:
    (tmp_path / "backups").write_text("in the way")
    problem = ask(client, "POST", "/api/keeping/backups", 503)
    assert "was not made" in problem["detail"]
    (notice,) = ask(client, "GET", "/api/keeping/notices")
    assert (notice["kind"], notice["grave"]) == ("backup", False)
    (tmp_path / "backups").unlink()
    ask(client, "POST", "/api/keeping/backups", 201)
    assert ask(client, "GET", "/api/keeping/notices") == []


def test_the_plan_is_changed_and_a_wrong_folder_named(client: TestClient, tmp_path: Path) -> None:
    view = ask(client, "PUT", "/api/keeping/plan", json={"folder": str(tmp_path / "stick"), "every_h": 6})
    assert (view["folder"], view["plan"]["every_h"]) == (str(tmp_path / "stick"), 6)
    assert ask(client, "PUT", "/api/keeping/plan", 422, json={"folder": "stick", "every_h": 6})["field"] == "folder"
    assert ask(client, "PUT", "/api/keeping/plan", 422, json={"folder": "", "every_h": -1})["field"] == "every_h"
    assert ask(client, "GET", "/api/keeping")["plan"]["folder"] == str(tmp_path / "stick")


def test_a_data_folder_that_is_gone_acknowledges_nothing_and_is_said(client: TestClient, tmp_path: Path) -> None:
    bake = ask(client, "POST", "/api/bakes", 201, json={"formula_id": "tea-chiffon", "client_key": "a-bake-of-it"})
    note = {"kind": "note_added", "client_key": "a-note-of-it", "text": "x"}
    aside = tmp_path.with_name(f"{tmp_path.name}-away")
    tmp_path.rename(aside)
    problem = ask(client, "POST", f"/api/bakes/{bake['id']}/events", 503, json=note)
    assert "nothing is kept" in problem["detail"]
    assert ask(client, "GET", "/api/health")["status"] == "trouble"
    (notice,) = ask(client, "GET", "/api/keeping/notices")
    assert (notice["kind"], notice["grave"]) == ("data", True)
    ask(client, "GET", "/api/keeping", 503)
    aside.rename(tmp_path)
    state = ask(client, "POST", f"/api/bakes/{bake['id']}/events", json=note)
    assert state["sequence"] == 1
    assert ask(client, "GET", "/api/health")["status"] == "ok"


def test_a_full_disk_is_said_and_goes_on_by_itself(application: FastAPI, client: TestClient) -> None:
    database = application.state.bench.store.database
    bake = ask(client, "POST", "/api/bakes", 201, json={"formula_id": "tea-chiffon", "client_key": "a-bake-of-it"})
    path = f"/api/bakes/{bake['id']}/events"
    notes = [{"kind": "note_added", "client_key": f"note-{n:06d}", "text": "x" * 1000} for n in range(60)]
    kept = 0

    def limit(pages: int) -> None:
        # Of the connection of each thread that answers.
        for connection in database.opened:
            connection.execute(f"PRAGMA max_page_count = {pages}")

    limit(1)
    while (answer := client.post(path, json=notes[kept])).status_code == 200:
        kept += 1
        limit(1)
    assert (answer.status_code, answer.json()["title"]) == (507, "Not kept")
    assert "Make room" in answer.json()["remedy"]
    assert ask(client, "GET", "/api/health")["status"] == "trouble"
    assert ask(client, "GET", f"/api/bakes/{bake['id']}")["sequence"] == kept
    limit(1_000_000)
    assert ask(client, "POST", path, json=notes[kept])["sequence"] == kept + 1
    assert ask(client, "GET", "/api/health")["status"] == "ok"


def test_damage_is_found_on_demand_and_said(client: TestClient, tmp_path: Path) -> None:
    assert ask(client, "POST", "/api/keeping/check")["formulas"] > 5
    path = tmp_path / "kindwhisk.sqlite3"
    with sqlite3.connect(path) as file:
        file.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchone()
        root = file.execute("SELECT rootpage FROM sqlite_master WHERE name = 'formulaversion_one'").fetchone()[0]
    with path.open("r+b") as spoilt:
        spoilt.seek(root * 4096 - 700)
        spoilt.write(os.urandom(700))
    assert "damaged" in ask(client, "POST", "/api/keeping/check", 503)["detail"]
    assert [n["grave"] for n in ask(client, "GET", "/api/keeping/notices")] == [True]


def test_a_server_without_built_pages_says_so(tmp_path: Path) -> None:
    (tmp_path / "web").mkdir()
    for web in (None, tmp_path / "web"):
        with TestClient(create_app(Settings(data=tmp_path / "data", web=web)), base_url=BASE) as client:
            assert (
                "builds" in ask(client, "GET", "/", 404)["remedy"] or "build" in ask(client, "GET", "/", 404)["remedy"]
            )
            assert ask(client, "GET", "/api/health")["status"] == "ok"


def test_what_nobody_foresaw_is_answered_with_a_number_that_is_in_the_log(
    application: FastAPI, client: TestClient, caplog: pytest.LogCaptureFixture
) -> None:
    @application.get("/api/stumbles")
    def stumbles() -> None:
        raise ZeroDivisionError("over an egg")

    problem = ask(client, "GET", "/api/stumbles", 500)
    number = problem["detail"].rsplit(" ", 1)[1].rstrip(".")
    assert f"fault {number}" in caplog.text
    assert "over an egg" in caplog.text
    assert "over an egg" not in json.dumps(problem)


class Answer(BaseModel):
    """Something to share."""

    number: int


def test_many_that_ask_the_same_at_once_share_one_answer() -> None:
    made: list[int] = []
    begun, go_on = threading.Event(), threading.Event()

    def make() -> Answer:
        made.append(1)
        begun.set()
        go_on.wait(10)
        return Answer(number=len(made))

    now, stamp = [0.0], [1]
    shared = Shared(lambda: now[0])
    answers: list[bytes] = []

    def asks() -> None:
        answers.append(shared.answer("state", lambda: stamp[0], make))

    threads = [threading.Thread(target=asks) for _ in range(20)]
    for thread in threads:
        thread.start()
    begun.wait(10)
    go_on.set()
    for thread in threads:
        thread.join()
    assert answers == [b'{"number":1}'] * 20
    stamp[0] = 2
    assert shared.answer("state", lambda: stamp[0], make) == b'{"number":2}'
    now[0] = 1.0
    assert shared.answer("state", lambda: stamp[0], make) == b'{"number":3}'
    assert shared.answer("another", lambda: stamp[0], make) == b'{"number":4}'


def test_what_happens_while_an_answer_is_worked_out_makes_it_an_old_one() -> None:
    shared, stamp = Shared(lambda: 0.0), [1]

    def make() -> Answer:
        number = stamp[0]
        stamp[0] += 1  # an event is kept meanwhile
        return Answer(number=number)

    assert shared.answer("state", lambda: stamp[0], make) == b'{"number":1}'
    assert shared.answer("state", lambda: stamp[0], lambda: Answer(number=7)) == b'{"number":7}'
