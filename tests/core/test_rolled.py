"""A roll cut across: what lies in it is drawn where it lies, as thick as it is, thinner where it was spread so."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.builds import sketch
from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Region
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.finishing.bodies import RollBody
from tests.core.test_builds import area

ALONG, ACROSS, SHEET = 350.0, 300.0, 12.0


def rolled(shares: list[float], thick: float, taper: float) -> tuple[Region, ...]:
    """A roll with a filling ``thick`` in the mean, in shares of it that lie on one another."""
    flat = ALONG * ACROSS / 1000
    fillings = [
        Part(name=f"filling {n}", place=Place.FILLING, content=sketch.cream(flat * thick * s / sum(shares)))
        for n, s in enumerate(shares)
    ]
    sheet = Part(name="sheet", place=Place.LAYER, content=sketch.crumb(flat * SHEET))
    frame = Rolled(along_mm=ALONG, across_mm=ACROSS, taper=taper)
    return frame.regions([sheet, *fillings])


def fillings(found: tuple[Region, ...]) -> list[Region]:
    return [r for r in found if r.name.startswith("filling")]


def gap_at_the_end(section: tuple[Region, ...]) -> float:
    """How thick the filling lies where the roll ends."""
    (filling,) = fillings(section)
    half = len(filling.x_mm) // 2
    (x0, y0), (x1, y1) = ((filling.x_mm[i], filling.y_mm[i]) for i in (half - 1, half))
    return float(((x0 - x1) ** 2 + (y0 - y1) ** 2) ** 0.5)


@given(st.lists(st.floats(0.1, 1), min_size=1, max_size=4), st.floats(3, 12), st.floats(0, 1))
@settings(max_examples=40, deadline=None)
def test_each_of_several_fillings_shows_as_much_as_there_is_of_it(
    shares: list[float], thick: float, taper: float
) -> None:
    found = fillings(rolled(shares, thick, taper))
    whole = sum(area(r) for r in found)
    for one, share in zip(found, shares, strict=True):
        assert area(one) / whole == pytest.approx(share / sum(shares), abs=0.08), (
            "where it begins some of it is hidden in the fold"
        )


def test_two_equal_fillings_lie_on_one_another_not_in_one_place() -> None:
    first, second = fillings(rolled([1, 1], 8, 0))
    assert (first.x_mm, first.y_mm) != (second.x_mm, second.y_mm)
    same = [Part(name="cream", place=Place.FILLING, content=sketch.cream(400))] * 2
    sheet = Part(name="sheet", place=Place.LAYER, content=sketch.crumb(1260))
    drawn = [
        r.y_mm for r in Rolled(along_mm=ALONG, across_mm=ACROSS).regions([sheet, *same]) if r.place is Place.FILLING
    ]
    assert drawn[0] != drawn[1]


def test_what_is_spread_thinner_toward_the_end_is_drawn_thinner_there() -> None:
    gaps = [gap_at_the_end(rolled([1], 6, taper)) for taper in (0, 0.3, 0.6, 0.9)]
    assert all(a > b for a, b in pairwise(gaps))
    assert gaps[0] == pytest.approx(6, rel=0.02)


def test_a_sketch_of_a_roll_is_tapered_as_asked() -> None:
    body = RollBody(length_mm=ALONG, width_mm=ACROSS, thickness_mm=SHEET, filling_mm=6)
    even, thin = (sketch.sketched(body, 6, taper=t) for t in (0.0, 0.8))
    assert isinstance(thin, Built)
    assert gap_at_the_end(thin.frame.regions(thin.build)) < gap_at_the_end(even.frame.regions(even.build)) / 2


@given(st.floats(250, 450), st.floats(8, 16), st.floats(3, 9), st.floats(0, 1))
def test_it_is_drawn_as_thick_as_it_is_told_and_rests_on_its_board(
    along: float, sheet: float, thick: float, taper: float
) -> None:
    body = RollBody(length_mm=along, width_mm=ACROSS, thickness_mm=sheet, filling_mm=thick)
    built = sketch.sketched(body, thick, taper=taper)
    assert isinstance(built.frame, Rolled)
    drawn = built.frame.regions(built.build)
    for ends in ([x for r in drawn for x in r.x_mm], [y for r in drawn for y in r.y_mm]):
        # A spiral is no circle: half a layer more on one side.
        told = built.frame.made(built.build).diameter_mm
        assert 0.95 * told <= max(ends) - min(ends) <= told + sheet
    assert min(y for r in drawn for y in r.y_mm) == pytest.approx(0, abs=0.3)
    wide = [x for r in drawn for x in r.x_mm]
    assert max(wide) == pytest.approx(-min(wide), abs=0.5)


def test_a_coated_roll_rests_on_its_coat() -> None:
    body = RollBody(length_mm=ALONG, width_mm=ACROSS, thickness_mm=SHEET, filling_mm=6)
    built = sketch.sketched(body, 6, coat_mm=4)
    assert min(y for r in built.frame.regions(built.build) for y in r.y_mm) == pytest.approx(0, abs=0.3)
