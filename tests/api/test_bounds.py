"""Everything that can be asked is bounded: bodies, lists, texts; and what is long is given out whole."""

from __future__ import annotations

import asyncio
import json
from collections.abc import Iterator
from typing import Any

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from kindwhisk.api.routers.book import glances
from kindwhisk.api.routers.stream import MOST_STREAMS
from kindwhisk.bench.bench import Bench
from kindwhisk.core.process.formula import Formula
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.store.probes import StoredReading
from tests.server import ROOT

DOCUMENT = json.loads((ROOT / "web" / "openapi.json").read_text(encoding="utf-8"))
BOUNDED = ("maxLength", "enum", "const", "format", "pattern")


def _unbounded(schema: dict[str, Any], where: str, seen: set[str]) -> Iterator[str]:
    if "$ref" in schema:
        name = schema["$ref"].rsplit("/", 1)[1]
        if name not in seen:
            seen.add(name)
            yield from _unbounded(DOCUMENT["components"]["schemas"][name], name, seen)
        return
    for one in (*schema.get("anyOf", ()), *schema.get("oneOf", ()), *schema.get("prefixItems", ())):
        yield from _unbounded(one, where, seen)
    match schema.get("type"):
        case "array":
            if "maxItems" not in schema:
                yield f"{where}: a list without an end"
            yield from _unbounded(schema.get("items", {}), f"{where}[]", seen)
        case "string":
            if not any(bound in schema for bound in BOUNDED):
                yield f"{where}: a text without an end"
        case "object":
            for name, one in schema.get("properties", {}).items():
                yield from _unbounded(one, f"{where}.{name}", seen)
            if isinstance(schema.get("additionalProperties"), dict) and schema["additionalProperties"]:
                yield from _unbounded(schema["additionalProperties"], f"{where}{{}}", seen)


def test_every_list_and_text_that_comes_in_has_an_end() -> None:
    seen: set[str] = set()
    found = [
        what
        for path, doors in DOCUMENT["paths"].items()
        for method, door in doors.items()
        for content in door.get("requestBody", {}).get("content", {}).values()
        if "octet-stream" not in str(door["requestBody"])
        for what in _unbounded(content["schema"], f"{method} {path}", seen)
    ]
    queries = [
        what
        for path, doors in DOCUMENT["paths"].items()
        for door in doors.values()
        for one in door.get("parameters", ())
        if one["in"] == "query"
        for what in _unbounded(one["schema"], f"{path}?{one['name']}", seen)
    ]
    assert found + queries == []


def test_only_so_many_listen_at_once(application: FastAPI, client: TestClient) -> None:
    hub = application.state.bench.hub
    hub._waiting.update(asyncio.Event() for _ in range(MOST_STREAMS))
    answer = client.get("/api/stream")
    assert (answer.status_code, answer.json()["title"]) == (503, "Too many pages listen")
    assert client.get("/api/health").status_code == 200


def test_every_reading_goes_out_however_many_there_are(bench_here: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    probes = bench_here.store.probes
    # Several at one moment, more than one batch of them: none is left out or told twice.
    sent = [StoredReading("pot", f"k{n}", 1_777_613_400_000 + 1000 * (n // 9), 20, 20) for n in range(100)]
    probes.keep(sent)
    for at_once in (1, 4, 9, 10, 99, 100, 1000):
        monkeypatch.setattr("kindwhisk.store.probes.READ_AT_ONCE", at_once)
        out = list(probes.between("pot", sent[0].at, sent[-1].at))
        assert [r.key for r in out] == [r.key for r in sent], at_once


@pytest.fixture
def bench_here(application: FastAPI) -> Bench:
    bench: Bench = application.state.bench
    return bench


def test_the_log_is_given_page_by_page_to_its_end(bench_here: Bench) -> None:
    bakes = bench_here.store.bakes
    for n in range(23):
        bakes.create(
            id=f"b{n:02d}", formula="tea-chiffon", version=1, title="x", status="finished", client_key=f"k{n}",
            started_at=f"2026-11-{1 + n // 7:02d}T05:00:00+00:00", document="{}",
        )  # fmt: skip
    found: list[str] = []
    while page := bakes.listed(limit=5, before=found[-1] if found else None):
        found += [str(row.id) for row in page]
    assert found == sorted((f"b{n:02d}" for n in range(23)), reverse=True)


def test_the_book_keeps_its_glances_until_something_of_them_changes(
    client: TestClient, monkeypatch: pytest.MonkeyPatch
) -> None:
    made: list[str] = []
    work_out = glances.glance

    def counted(entry: Any, formula: Formula, kitchen: Any) -> Any:
        made.append(entry.id)
        return work_out(entry, formula, kitchen)

    monkeypatch.setattr(glances, "glance", counted)
    first = client.get("/api/formulas/glances").json()
    assert sorted(made) == sorted(f["id"] for f in first)
    made.clear()
    assert client.get("/api/formulas/glances").json() == first
    view = client.get("/api/kitchen").json()
    view["kitchen"]["name"] = "Another name"
    view = client.put("/api/kitchen", json=view).json()
    assert client.get("/api/formulas/glances").json() == first
    assert made == []
    body = {"formula": tea_chiffon().model_dump(mode="json") | {"title": "Smoky tea chiffon"}}
    assert client.put("/api/formulas/tea-chiffon", json=body).status_code == 200
    assert "Smoky tea chiffon" in [f["title"] for f in client.get("/api/formulas/glances").json()]
    assert made == ["tea-chiffon"]
    made.clear()
    view["kitchen"]["altitude_m"] = 1500
    client.put("/api/kitchen", json=view)
    client.get("/api/formulas/glances")
    assert len(made) == len(first)
