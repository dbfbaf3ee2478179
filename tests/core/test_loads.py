"""Trays over racks and ovens: nothing meets, nothing goes in wet, more pieces never need less."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.piping import loads
from kindwhisk.core.piping.loads import OvenRoom, Rested
from kindwhisk.core.values.errors import CraftError


def _plan(pieces: int, per_tray: int, racks: int, dry: float = 3000, long: float = 7200, ovens: int = 1) -> loads.Loads:
    rooms = [OvenRoom(f"oven {i}", racks, 840, 240) for i in range(ovens)]
    return loads.plan_loads(loads.shares(pieces, per_tray), rooms, pipe_s=120, dry_s=dry, too_long_s=long, covers=True)


def test_two_trays_and_one_rack_are_two_loads_with_the_oven_hot_between() -> None:
    first, second = _plan(58, 30, 1).loads
    assert [t.pieces for t in (*first.trays, *second.trays)] == [30, 28]
    assert first.start_s == 120 + 3000
    assert second.start_s >= first.end_s + 240
    assert second.trays[0].rests_s == pytest.approx(3000)
    assert first.turn_s == pytest.approx(first.start_s + 0.6 * 840)
    assert first.cover_s
    assert first.turn_s < first.cover_s < first.end_s


def test_two_ovens_share_the_trays() -> None:
    made = _plan(120, 30, 1, ovens=2)
    assert [load.oven for load in made.loads] == ["oven 0", "oven 1", "oven 0", "oven 1"]
    assert made.ends_s < _plan(120, 30, 1).ends_s


def test_a_tray_that_would_wait_too_long_is_told_with_a_remedy() -> None:
    made = _plan(30 * 14, 30, 1)
    over = [t.tray for load in made.loads for t in load.trays if t.rested is Rested.OVER]
    assert over
    assert f"{over[0]}" in made.says
    assert "two goes" in made.remedy
    assert _plan(60, 30, 2).says == ""


@given(st.integers(1, 600), st.integers(0, 300), st.integers(1, 60), st.integers(1, 6))
def test_more_pieces_never_need_fewer_trays_or_loads(pieces: int, more: int, per_tray: int, racks: int) -> None:
    if math.ceil((pieces + more) / per_tray) > loads.MOST_TRAYS:
        with pytest.raises(CraftError):
            loads.shares(pieces + more, per_tray)
        return
    few, many = _plan(pieces, per_tray, racks), _plan(pieces + more, per_tray, racks)
    assert sum(t.pieces for load in few.loads for t in load.trays) == pieces
    assert sum(len(load.trays) for load in few.loads) <= sum(len(load.trays) for load in many.loads)
    assert len(few.loads) <= len(many.loads)
    assert few.ends_s <= many.ends_s + 1e-6


@given(st.integers(1, 500), st.integers(5, 60), st.integers(1, 4), st.floats(0, 6000), st.integers(1, 3))
def test_loads_never_meet_in_an_oven_nor_go_in_wet(
    pieces: int, per_tray: int, racks: int, dry: float, ovens: int
) -> None:
    made = _plan(pieces, per_tray, racks, dry=dry, ovens=ovens)
    trays = [t for load in made.loads for t in load.trays]
    assert [t.tray for t in trays] == list(range(1, len(trays) + 1))
    for one, other in pairwise(trays):
        assert other.piped_from_s >= one.piped_s - 1e-6
    for load in made.loads:
        assert len(load.trays) <= racks
        assert all(t.rests_s >= dry - 1e-6 for t in load.trays)
    for name in {load.oven for load in made.loads}:
        own = [load for load in made.loads if load.oven == name]
        for before, after in pairwise(own):
            assert after.start_s >= before.end_s + 240 - 1e-6


def test_a_tray_that_takes_none_is_refused_by_name() -> None:
    with pytest.raises(CraftError) as refused:
        loads.shares(30, 0)
    assert refused.value.field == "tray"


def test_an_oven_is_hot_again_by_its_own_pace() -> None:
    assert loads.recovers_s(8) == pytest.approx(60 + 187.5)
    assert loads.recovers_s(20) < loads.recovers_s(8)
