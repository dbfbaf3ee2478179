"""Every door of a real server keeps to what the OpenAPI document says of it, whatever comes in."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from schemathesis.core.result import Ok
from schemathesis.specs.openapi.checks import negative_data_rejection, positive_data_acceptance

from tests.server import ROOT, Server

doors = schemathesis.openapi.from_path(ROOT / "web" / "openapi.json").exclude(path=["/api/stream", "/api/keeping/plan"])
"""All but the stream, which never ends, and the plan, which writes into the folder it is told; both have their own."""
ALL = [found.ok() for found in doors.get_all_operations() if isinstance(found, Ok)]
WAITS_S = 120
"""A machine that does other things beside may take its time with a bake that it has to work out."""


@pytest.fixture(scope="module")
def kitchen(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """A server with the demo kitchen and its past."""
    server = Server(tmp_path_factory.mktemp("contract"))
    server.start()
    yield server
    server.stop()


# What the document allows may still be refused for the craft's reasons: an empty cup, a moment that has passed; and a
# change that makes one branch of a tin wrong may make another right. All else is held.
@pytest.mark.parametrize("door", ALL, ids=lambda door: door.label)
def test_a_door_answers_as_it_says(door: Any, kitchen: Server) -> None:
    @given(door.as_strategy())
    @settings(max_examples=25, phases=[Phase.generate], derandomize=True, suppress_health_check=list(HealthCheck))
    def holds(case: Any) -> None:
        case.call_and_validate(
            base_url=kitchen.url, timeout=WAITS_S, excluded_checks=[positive_data_acceptance, negative_data_rejection]
        )

    holds()
