"""A bench over a data file of its own, with the demo kitchen or without the past."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from peewee import SqliteDatabase

from kindwhisk.bench.hub import Hub
from kindwhisk.bench.service import Bench
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store import formulas, kitchens
from kindwhisk.store.database import open_database


@pytest.fixture
def database(tmp_path: Path) -> Iterator[SqliteDatabase]:
    """An open, empty data file."""
    opened = open_database(tmp_path)
    yield opened
    opened.close()


@pytest.fixture
def bench(database: SqliteDatabase) -> Bench:  # noqa: ARG001 - it has to be open
    """A bench with the demo's kitchen and formulas, but no bakes."""
    kitchens.save(demo_kitchen())
    for formula in demo_formulas():
        formulas.save(formula)
    return Bench(Hub())
