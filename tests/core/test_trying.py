"""Trying a change: what few bakes can say, and what they can't."""

from __future__ import annotations

import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.trying.comparison import SURE, Answer, Came, compare, lower, share


@st.composite
def counts(draw: st.DrawFn, most: int = 30) -> Came:
    bakes = draw(st.integers(0, most))
    return Came(draw(st.integers(0, bakes)), bakes)


@given(counts())
def test_what_is_the_same_is_even(came: Came) -> None:
    assert lower(came, came) == pytest.approx(0.5, abs=0.002)


@given(counts(), counts())
def test_either_one_or_the_other_is_lower(before: Came, after: Came) -> None:
    assert lower(before, after) + lower(after, before) == pytest.approx(1, abs=0.003)


@given(counts(), counts(12))
def test_a_good_bake_more_never_speaks_against_the_change(before: Came, after: Came) -> None:
    told = lower(before, after)
    assert lower(before, after.plus(came=False)) >= told - 1e-9
    assert lower(before, after.plus(came=True)) <= told + 1e-9


@given(counts(), counts())
def test_no_verdict_with_two_bakes_on_a_side(before: Came, after: Came) -> None:
    if min(before.bakes, after.bakes) < 3:
        assert compare(before, after).answer is Answer.TOO_FEW


@given(counts(), counts())
def test_a_verdict_is_said_only_when_it_is_earned(before: Came, after: Came) -> None:
    told = compare(before, after)
    assert (told.answer is Answer.HELPS) == (told.better >= SURE and min(before.bakes, after.bakes) >= 3)
    assert ("It helps" in told.says) == (told.answer is Answer.HELPS)
    assert ("worse" in told.says) == (told.answer is Answer.HARMS)


def test_the_integral_is_that_of_many_draws() -> None:
    rng = random.Random(3)
    drawn = [rng.betavariate(1.5, 3.5) < rng.betavariate(5.5, 2.5) for _ in range(40_000)]
    assert lower(Came(5, 7), Came(1, 4)) == pytest.approx(sum(drawn) / len(drawn), abs=0.01)


def test_it_says_how_many_more_would_tell() -> None:
    told = compare(Came(6, 7), Came(0, 2))
    assert told.answer is Answer.TOO_FEW
    assert told.more_bakes == 1
    assert "one more like these would tell" in told.says
    assert compare(Came(6, 7), Came(0, 3)).answer is Answer.HELPS


def test_what_changes_nothing_is_said_to_tell_nothing_soon() -> None:
    told = compare(Came(3, 8), Came(2, 6))
    assert told.answer is Answer.OPEN
    assert told.more_bakes == 0
    assert "larger change" in told.says


def test_it_is_seldom_wrong_about_a_change_that_does_nothing() -> None:
    rng = random.Random(9)
    wrong = 0
    for _ in range(400):
        before = sum(rng.random() < 0.5 for _ in range(8))
        after = sum(rng.random() < 0.5 for _ in range(6))
        wrong += compare(Came(before, 8), Came(after, 6)).answer in {Answer.HELPS, Answer.HARMS}
    assert wrong / 400 < 0.12


@given(counts())
def test_a_share_narrows_with_bakes_and_stays_a_share(came: Came) -> None:
    few = share(came)
    many = share(Came(10 * came.times, 10 * came.bakes))
    assert 0 <= few.low <= few.likely <= few.high <= 1
    if came.bakes:
        assert many.high - many.low < few.high - few.low
