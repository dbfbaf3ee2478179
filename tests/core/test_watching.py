"""Whatever a probe reads, a watched step tells what can be; and put down and taken up, it goes on the same."""

from __future__ import annotations

import math
from functools import cache

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.process.oven_watching import PreheatWatching
from kindwhisk.core.process.walk import WalkedStep, walk
from kindwhisk.core.process.watching import ApproachWatching, Watch, Watching
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.memory import from_text, to_text
from kindwhisk.demo.formulas import demo_formulas
from tests.core.strategies import setting_of

CASES = (
    ("butter-sponge", "bake"),
    ("butter-sponge", "cool"),
    ("butter-sponge", "warm-eggs"),
    ("kisses", "dry"),
    ("swiss-swirls", "whip-warm"),
    ("syrup-peaks", "whip-boil"),
    ("syrup-peaks", "whip"),
    ("finger-cake", "cook-yolks"),
    ("", "preheat"),
)
Reading = tuple[float, float, bool]
"""Seconds after the last one, C, and whether it is of what is around (the oven)."""

probes = st.lists(
    st.tuples(st.sampled_from([1.0, 5.0, 20.0, 90.0]), st.floats(-60, 450), st.booleans()), min_size=1, max_size=80
)
steady = st.builds(
    lambda c, n, beside: [(20.0, c, beside)] * n, st.floats(-60, 450), st.integers(20, 60), st.booleans()
)
"""A probe that lies somewhere and reads the same for a while."""
told = st.lists(st.one_of(probes, steady), min_size=1, max_size=3).map(lambda parts: [r for p in parts for r in p])


@cache
def walked(formula_id: str) -> dict[str, WalkedStep]:
    formula = next(f for f in demo_formulas() if f.id == formula_id)
    return {w.step.id: w for w in walk(formula, setting_of(formula))}


def somebody(case: tuple[str, str]) -> Watching:
    """Somebody new who watches a step."""
    formula_id, step = case
    if not formula_id:
        return PreheatWatching(170, 8)
    one = walked(formula_id)[step]
    found = one.step.watching(combine(one.intake), one.outcome.material, one.place)
    assert found is not None
    return found


def follow(watching: Watching, readings: list[Reading], since: float = 0.0) -> float:
    for gap, celsius, beside in readings:
        since += gap
        (watching.take_beside if beside else watching.take)(since, celsius)
    return since


def finite(seen: Watch) -> None:
    """Figures, in order, and a reason where there are none."""
    for shown in (seen.now_c, seen.peak_c, seen.beside_c):
        assert shown is None or math.isfinite(shown)
    for point in (*seen.trail, *seen.ahead, *seen.beside_trail):
        assert math.isfinite(point.s)
        assert math.isfinite(point.c)
    left: Estimate | None = seen.left_s
    if left is None:
        assert seen.why
    else:
        assert 0 <= left.low <= left.likely <= left.high < math.inf


@pytest.mark.parametrize("case", CASES, ids=lambda c: "-".join(filter(None, c)))
@settings(max_examples=40)
@given(readings=told, cut=st.floats(0, 1), later=st.floats(0, 600))
def test_what_was_put_down_and_taken_up_goes_on_the_same(
    case: tuple[str, str], readings: list[Reading], cut: float, later: float
) -> None:
    one, other = somebody(case), somebody(case)
    at = int(cut * len(readings))
    half = follow(one, readings[:at])
    other.remember(from_text(to_text(one.remembered())))
    end = follow(one, readings[at:], half)
    assert follow(other, readings[at:], half) == end
    for moment in (end, end + later):
        seen = one.view(moment)
        finite(seen)
        assert other.view(moment) == seen


def cooling(readings: list[tuple[float, float]]) -> Watch:
    """A foam under the whisk in a kitchen of 22 C that has to come down to 40."""
    watching = ApproachWatching(22, 40, 300, None)
    for t, c in readings:
        watching.take(t, c)
    return watching.view(readings[-1][0])


HOT = [(float(t), 22 + 40 * math.exp(-t / 300)) for t in range(0, 200, 4)]


def test_a_bowl_that_is_as_cold_as_the_kitchen_has_cooled() -> None:
    for end in (22.0, 21.0, 22.4, 39.0):
        seen = cooling([*HOT, *((200 + 4.0 * n, end) for n in range(30))])
        assert seen.left_s is not None
        assert (seen.left_s.likely, seen.ahead) == (0, ())


def test_a_probe_lifted_out_for_a_moment_does_not_say_that_it_has_cooled() -> None:
    on_the_way = cooling(HOT)
    assert on_the_way.left_s is not None
    for out in (22.0, 18.0, 30.0):
        seen = cooling([*HOT, (200.0, out), (204.0, out)])
        assert seen.left_s is not None
        assert seen.left_s.likely == pytest.approx(on_the_way.left_s.likely - 8, abs=1.5)


def test_a_probe_that_never_was_in_the_bowl_says_nothing_of_it() -> None:
    seen = cooling([(4.0 * n, 22.3) for n in range(60)])
    assert (seen.left_s, seen.why) == (None, "It is not moving that way yet.")


def test_a_bowl_that_never_was_as_warm_as_its_target_is_there() -> None:
    seen = cooling([(4.0 * n, 38 - n / 20) for n in range(60)])
    assert seen.left_s is not None
    assert seen.left_s.high == 0


def test_over_steam_it_is_there_once_it_stays_there() -> None:
    warm = [(float(t), 96 - 76 * math.exp(-t / 200)) for t in range(0, 120, 4)]
    for end in (97.0, 60.0, None):
        watching = ApproachWatching(96, 55, 200, None)
        for t, c in [*warm, *((120 + 4.0 * n, end) for n in range(30) if end is not None)]:
            watching.take(t, c)
        left = watching.view(240 if end else 116).left_s
        assert left is not None
        # 55 C is reached after 200 ln(76 / 41) s.
        assert left.likely == pytest.approx(0 if end else 200 * math.log(76 / 41) - 116, abs=0.5)


@given(st.floats(28, 95), st.floats(0, 600))
def test_one_reading_by_hand_tells_how_long_it_still_cools_and_one_of_a_probe_does_not(now_c: float, at: float) -> None:
    by_hand, by_probe = (ApproachWatching(22, 27, 900, None) for _ in range(2))
    by_hand.take_by_hand(at, now_c)
    by_probe.take(at, now_c)
    told = by_hand.view(at)
    assert told.left_s is not None
    assert told.left_s.low <= 900 * math.log((now_c - 22) / 5) <= told.left_s.high + 1
    assert told.ahead[0].c == pytest.approx(now_c)
    # A probe that has just been put in is still being warmed by what it reads.
    assert by_probe.view(at).left_s is None


@given(st.floats(5, 26.5))
def test_read_by_hand_below_its_target_it_has_cooled(now_c: float) -> None:
    watching = ApproachWatching(22, 27, 900, None)
    watching.take_by_hand(60, now_c)
    assert watching.view(60).left_s == Estimate.exact(0.0, Basis.MEASURED)
