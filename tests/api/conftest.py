"""A client of the application over a data file of its own."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi import FastAPI
from fastapi.testclient import TestClient

from kindwhisk.api.app import create_app
from kindwhisk.api.settings import Settings
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

BASE = "http://127.0.0.1:8321"


@pytest.fixture
def application(tmp_path: Path) -> FastAPI:
    """The application with the demo's kitchen and formulas."""
    app = create_app(Settings(data=tmp_path))
    store = app.state.bench.store
    store.kitchens.save(demo_kitchen())
    for formula in demo_formulas():
        store.formulas.save(formula)
    return app


@pytest.fixture
def client(application: FastAPI) -> Iterator[TestClient]:
    """A client that shows server errors as responses."""
    with TestClient(application, base_url=BASE, raise_server_exceptions=False) as opened:
        yield opened
