"""What the product tells stays what was recorded, until somebody changes it and looks at the difference.

These figures are no truth of the craft: that is what all other tests are for. They tell that a change which should
leave the figures alone did so. After one that should not, a run with ``WHISK_RECORD=1`` writes them anew, and the
difference is read before it is kept.
"""

from __future__ import annotations

import json
import os
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

from tests.recorded import records

HERE = Path(__file__).parent
WITHIN = 2e-5
"""Figures are kept to six digits, and processors differ in the last."""


def differs(was: Any, now: Any, where: str = "") -> list[str]:
    """Every place where two records differ."""
    if isinstance(was, dict) and isinstance(now, dict):
        keys = sorted(was.keys() | now.keys())
        return [d for k in keys for d in differs(was.get(k), now.get(k), f"{where} · {k}")]
    if isinstance(was, list) and isinstance(now, list) and len(was) == len(now):
        return [d for i, (a, b) in enumerate(zip(was, now, strict=True)) for d in differs(a, b, f"{where} · {i}")]
    numbers = all(isinstance(v, int | float) and not isinstance(v, bool) for v in (was, now))
    same = was == pytest.approx(now, rel=WITHIN, abs=1e-6) if numbers else was == now
    return [] if same else [f"{where}: {was!r} was recorded, {now!r} is told"]


def same(name: str, told: Iterator[tuple[str, Any]]) -> None:
    now = json.loads(json.dumps(dict(told)))
    file = HERE / f"{name}.json"
    if os.environ.get("WHISK_RECORD"):
        file.write_text("{\n" + ",\n".join(f"{json.dumps(k)}: {json.dumps(v)}" for k, v in now.items()) + "\n}\n")
    found = differs(json.loads(file.read_text()), now)
    assert not found, "\n".join(found[:20])


def test_every_formula_of_the_demo_its_plan_and_its_braid() -> None:
    same("forecasts", records.forecasts())


def test_vessels_while_their_steps_run() -> None:
    same("running", records.running())


def test_formulas_in_other_amounts() -> None:
    same("batches", records.batches())


def test_meringues_and_folds_made_another_way() -> None:
    same("methods", records.methods())


def test_formulas_of_other_goods() -> None:
    same("substitutes", records.substitutes())


def test_lines_and_recipes_as_they_are_read() -> None:
    same("readings", records.readings())


def test_pots_as_they_are_watched() -> None:
    same("pots", records.pots())


def test_bakes_as_they_are_predicted_and_followed() -> None:
    same("bakes", records.bakes())


def test_bakes_at_the_bench_from_the_first_step_to_the_last(tmp_path: Path) -> None:
    same("benches", records.benches(tmp_path))


def test_a_bake_that_is_followed_by_its_probes(tmp_path: Path) -> None:
    same("probed", records.probed(tmp_path))
