"""Every number of the API's answers says what it stands on."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.figures import NEEDS_NONE
from tests.api.test_oven import BAKE
from tests.api.test_sugar import ask, post

Schema = dict[str, Any]


def named(schema: Any) -> Iterator[str]:
    """The schemas that one refers to."""
    if isinstance(schema, dict):
        if "$ref" in schema:
            yield schema["$ref"].split("/")[-1]
        for part in schema.values():
            yield from named(part)
    elif isinstance(schema, list):
        for part in schema:
            yield from named(part)


def numbers(schema: Schema) -> bool:
    """Whether a value is a number, or a list or a table of them."""
    if schema.get("type") == "number":
        return True
    parts = [
        *schema.get("anyOf", []),
        *schema.get("prefixItems", []),
        schema.get("items"),
        schema.get("additionalProperties"),
    ]
    return any(numbers(p) for p in parts if isinstance(p, dict))


def answered(openapi: Schema) -> dict[str, Schema]:
    """Every schema that an answer of the API may hold."""
    schemas, found = openapi["components"]["schemas"], dict[str, Schema]()
    ahead = [
        name
        for doors in openapi["paths"].values()
        for door in doors.values()
        for code, answer in door["responses"].items()
        if code.startswith("2")
        for name in named(answer)
    ]
    while ahead:
        name = ahead.pop()
        if name not in found:
            found[name] = schemas[name]
            ahead += named(schemas[name])
    return found


def ranged(properties: Schema) -> bool:
    """Whether a schema has a basis, and a low and a high beside its figure."""
    return (
        "basis" in properties
        and any(p.startswith("low") for p in properties)
        and any(p.startswith("high") for p in properties)
    )


def bare(openapi: Schema) -> set[str]:
    """Numbers of answers that stand there without a range and a basis."""
    return {
        f"{name}.{field}"
        for name, schema in answered(openapi).items()
        if not ranged(schema.get("properties", {}))
        for field, value in schema.get("properties", {}).items()
        if numbers(value)
    }


def told() -> list[str]:
    rows = (line.split(": ") for table in NEEDS_NONE for line in table.split("\n") if line)
    return [f"{name}.{field}" for name, fields in rows for field in fields.split()]


def test_every_number_is_an_estimate_or_told_to_need_no_range(client: TestClient) -> None:
    openapi = client.get("/api/openapi.json").json()
    found = sorted(bare(openapi) - set(told()))
    assert found == [], "Give it a range and a basis, or tell in figures.py what it is."


def test_what_is_told_to_need_no_range_is_there_and_told_once(client: TestClient) -> None:
    openapi = client.get("/api/openapi.json").json()
    assert set(told()) - bare(openapi) == set()
    assert [figure for figure, times in Counter(told()).items() if times > 1] == []


def test_a_number_without_a_basis_is_found_however_deep(client: TestClient) -> None:
    openapi = client.get("/api/openapi.json").json()
    deep = {"type": "array", "items": {"anyOf": [{"type": "null"}, {"type": "number"}]}}
    openapi["components"]["schemas"]["Risk"]["properties"]["within"] = deep
    assert "Risk.within" in bare(openapi)


def estimates(value: Any, where: str = "") -> Iterator[tuple[str, dict[str, Any]]]:
    """Every estimate in an answer, and where it stands."""
    if isinstance(value, dict):
        if {"low", "likely", "high", "basis"} <= value.keys():
            yield where, value
        for key, part in value.items():
            yield from estimates(part, f"{where}.{key}")
    elif isinstance(value, list):
        for number, part in enumerate(value):
            yield from estimates(part, f"{where}.{number}")


@pytest.mark.parametrize("oven_c", [150, 180])
def test_what_a_bake_comes_to_has_a_range_and_is_no_surer_than_its_minutes(client: TestClient, oven_c: float) -> None:
    found = post(client, "/api/craft/bake", {**BAKE, "oven_c": oven_c})
    ranged_there = dict(estimates(found))
    for figure in (".lost", ".dome_mm", ".turn_min", ".minutes"):
        assert ranged_there[figure]["low"] < ranged_there[figure]["likely"] < ranged_there[figure]["high"]
    # Its minutes lean on a timed bake; nobody ever weighed or measured the cake.
    assert ranged_there[".minutes"]["basis"] in {"formula", "model"}
    for figure in (".lost", ".dome_mm", ".turn_min"):
        assert ranged_there[figure]["basis"] == "trade habit"


def test_boiling_points_say_that_their_table_is_recalled(client: TestClient) -> None:
    for path, asked in (("boiling-point", {"sucrose_percent": 88}), ("concentration", {"temperature_c": 118})):
        assert ask(client, f"/api/craft/syrup/{path}", **asked)["basis"] == "recalled"


def test_an_estimate_without_any_width_is_measured_computed_or_published(client: TestClient) -> None:
    """What a model or a habit tells can't be exact, unless it is nought."""
    formulas = [f["id"] for f in client.get("/api/formulas").json()]
    assert len(formulas) > 10
    for formula in formulas:
        for where, figure in estimates(ask(client, f"/api/formulas/{formula}/forecast")):
            if figure["low"] == figure["high"] != 0:
                assert figure["basis"] in {"measured", "formula", "published"}, (formula, where)
