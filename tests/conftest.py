"""A data file of its own, and a bench over it, with the demo kitchen or without the past."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from hypothesis import settings

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.database import Store, open_store
from tests.server import Server

# How long an example takes tells of the machine, not of the code.
settings.register_profile("untimed", deadline=None)
settings.load_profile("untimed")


@pytest.fixture
def store(tmp_path: Path) -> Iterator[Store]:
    """An open, empty data file."""
    opened = open_store(tmp_path)
    yield opened
    opened.close()


@pytest.fixture
def empty_bench(store: Store) -> Bench:
    """A bench over an empty data file."""
    return Bench(store, Hub(store))


@pytest.fixture
def bench(empty_bench: Bench) -> Bench:
    """A bench with the demo's kitchen and formulas, but no bakes."""
    empty_bench.store.kitchens.save(demo_kitchen())
    for formula in demo_formulas():
        empty_bench.store.formulas.save(formula)
    return empty_bench


@pytest.fixture(scope="session")
def seeded(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A data folder with the demo kitchen in it, to be copied."""
    folder = tmp_path_factory.mktemp("seeded")
    server = Server(folder)
    server.start()
    server.stop()
    return folder
