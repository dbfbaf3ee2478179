"""The door of what has been learned: figures, the dots behind each, and one that is left out and let in again."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.seed import seed
from tests.api.conftest import BASE
from tests.api.test_api import problem_of


@pytest.fixture(scope="module")
def client(tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    """A client of the demo kitchen with its past weeks."""
    data: Path = tmp_path_factory.mktemp("learned")
    app = create_app(Settings(data=data))
    seed(app.state.bench)
    with TestClient(app, base_url=BASE, raise_server_exceptions=False) as opened:
        yield opened


def test_every_figure_has_its_effects_and_every_effect_its_dots(client: TestClient) -> None:
    figures = client.get("/api/learned").json()
    assert {"time on the whisk", "time in the oven", "air kept in a fold", "height of the finished bake"} <= {
        f["figure"] for f in figures
    }
    for figure in figures:
        assert figure["usual"]["low"] < 1 < figure["usual"]["high"]
        for effect in figure["effects"]:
            told = client.get("/api/learned/dots", params={"figure": figure["figure"], "effect": effect["name"]}).json()
            assert len([d for d in told["dots"] if not d["left_out"]]) == effect["dots"] > 0
            assert effect["factor"]["low"] <= effect["factor"]["likely"] <= effect["factor"]["high"]
            assert effect["factor"]["basis"] == "this kitchen"
            assert told["dots"] == sorted(told["dots"], key=lambda d: d["at"])
            last = told["dots"][-1]["after"]
            assert last["likely"] > 0
            assert all(d["title"] for d in told["dots"])


def test_a_dot_is_left_out_and_let_in_again(client: TestClient) -> None:
    where = {"figure": "air kept in a fold", "effect": "hands of the kitchen"}
    before = client.get("/api/learned/dots", params=where).json()
    dot = before["dots"][0]["id"]

    def note(key: str, *, out: bool) -> None:
        body = {"client_key": key, "note": {"kind": "left_out", "evidence": dot, "out": out}}
        assert client.post("/api/learned/notes", json=body).status_code == 200

    note("leave-out-1", out=True)
    note("leave-out-1", out=True)
    without = client.get("/api/learned/dots", params=where).json()
    assert without["dots"][0]["left_out"]
    assert without["effect"]["dots"] == before["effect"]["dots"] - 1
    assert without["effect"]["factor"] != before["effect"]["factor"]
    note("let-in-1", out=False)
    assert client.get("/api/learned/dots", params=where).json() == before


def test_what_nobody_has_told_of_is_named(client: TestClient) -> None:
    none = client.get("/api/learned/dots", params={"figure": "time on the whisk", "effect": "mixer of the moon"})
    assert problem_of(none, 422)["field"] == "effect"
    body = {"client_key": "leave-out-2", "note": {"kind": "left_out", "evidence": "no/such/dot"}}
    assert problem_of(client.post("/api/learned/notes", json=body), 422)["field"] == "note.evidence"
