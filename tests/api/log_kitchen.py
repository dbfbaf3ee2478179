"""The demo kitchen with its past weeks, behind its doors: what the tests of the Log ask it."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

from fastapi.testclient import TestClient

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.seed import seed
from tests.api.conftest import BASE
from tests.api.test_api import problem_of


def opened(data: Path) -> Iterator[TestClient]:
    """A client of it."""
    app = create_app(Settings(data=data))
    seed(app.state.bench)
    with TestClient(app, base_url=BASE, raise_server_exceptions=False) as client:
        yield client


def found(client: TestClient, **asked: Any) -> list[dict[str, Any]]:
    answer = client.get("/api/bakes", params=asked)
    assert answer.status_code == 200, answer.text
    bakes: list[dict[str, Any]] = answer.json()
    return bakes


def refused(answer: Any, status: int = 422) -> dict[str, Any]:
    told: dict[str, Any] = problem_of(answer, status)
    return told


def failed(client: TestClient) -> str:
    """The demo's chiffon with a dense layer."""
    return str(found(client, words="clotted")[0]["id"])


def tell(client: TestClient, bake: str, kind: str, **fields: Any) -> dict[str, Any]:
    key = f"{kind}-{len(client.get(f'/api/bakes/{bake}/last-things').json())}-{sorted(fields.items())}"[:80]
    answer = client.post(f"/api/bakes/{bake}/events", json={"kind": kind, "client_key": key, **fields})
    assert answer.status_code == 200, answer.text
    state: dict[str, Any] = answer.json()
    return state
