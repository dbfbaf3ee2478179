"""The skin of a piped shell against reference values, and the laws that hold for air and touches."""

from __future__ import annotations

import math

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.piping import skin
from kindwhisk.core.piping.damp import advice
from kindwhisk.core.piping.skin import Feel, Touch


@pytest.mark.parametrize(("percent", "minutes"), [(50, 51), (60, 73), (70, 123), (75, 185), (80, 372)])
def test_a_skin_takes_what_the_air_makes_it_take(percent: float, minutes: float) -> None:
    seconds = skin.modelled_s(24, percent)
    assert seconds is not None
    assert seconds / 60 == pytest.approx(minutes, abs=0.6)


@pytest.mark.parametrize("percent", [85, 90, 100])
def test_no_skin_forms_in_air_as_damp_as_the_shells(percent: float) -> None:
    told = skin.skin(24, percent)
    assert (told.dry_s, told.too_long_s) == (None, None)
    assert f"{percent} %" in told.why


@given(st.floats(12, 38), st.floats(10, 95), st.floats(0, 40), st.booleans(), st.sampled_from(Method))
def test_drier_or_moving_air_never_dries_slower(
    air: float, percent: float, drier: float, moving: bool, method: Method
) -> None:
    damp = skin.modelled_s(air, percent, method, moving_air=moving)
    dry = skin.modelled_s(air, max(5, percent - drier), method, moving_air=moving)
    blown = skin.modelled_s(air, percent, method, moving_air=True)
    assert (dry or math.inf) <= (damp or math.inf)
    assert (blown or math.inf) <= (damp or math.inf)


def test_cooked_sugar_needs_six_tenths_of_the_time() -> None:
    french, swiss, syrup = (skin.modelled_s(22, 55, m) for m in (Method.FRENCH, Method.SWISS, Method.ITALIAN))
    assert french
    assert swiss
    assert syrup
    assert swiss == syrup == pytest.approx(0.6 * french)


@given(st.floats(600, 9000))
def test_a_touch_moves_the_forecast_its_way(at: float) -> None:
    before = skin.skin(24, 60).dry_s
    not_yet = skin.skin(24, 60, touches=(Touch(t_s=at, feel=Feel.TACKY),)).dry_s
    wet = skin.skin(24, 60, touches=(Touch(t_s=at, feel=Feel.WET),)).dry_s
    holds = skin.skin(24, 60, touches=(Touch(t_s=at, feel=Feel.DRY),)).dry_s
    assert before
    assert not_yet
    assert wet
    assert holds
    assert holds.likely <= before.likely + 1
    assert wet.likely >= before.likely - 1
    assert wet.likely >= not_yet.likely - 1
    assert not_yet.likely > at
    assert not_yet.high - not_yet.low <= before.high - before.low + 1


@example(24, 50, [(1.0, Feel.DRY), (86400.0, Feel.WET)] * 60)
@given(
    st.floats(5, 45),
    st.floats(5, 100),
    st.lists(st.tuples(st.floats(0, 7 * 86400), st.sampled_from(Feel)), max_size=60),
)
def test_whatever_fingers_say_the_forecast_stays_one(
    air: float, percent: float, said: list[tuple[float, Feel]]
) -> None:
    """Contradictions, slips, all at once."""
    with np.errstate(invalid="raise", divide="raise"):
        told = skin.skin(air, percent, touches=tuple(Touch(t_s=t, feel=f) for t, f in said))
    if told.dry_s is None:
        assert told.why
        return
    assert 0 < told.dry_s.low <= told.dry_s.likely <= told.dry_s.high < math.inf
    assert told.too_long_s is not None
    assert told.too_long_s >= told.dry_s.likely


@pytest.mark.parametrize("feel", Feel)
def test_a_touch_as_it_was_piped_tells_nothing_of_how_long_it_took(feel: Feel) -> None:
    assert skin.took_s((Touch(t_s=0, feel=feel),)) is None
    dry = Touch(t_s=1800, feel=Feel.DRY)
    assert skin.took_s((Touch(t_s=0, feel=feel), dry)) == (1800, False)


def test_touches_decide_over_the_model() -> None:
    told = skin.skin(24, 50, touches=tuple(Touch(t_s=60.0 * m, feel=Feel.TACKY) for m in (60, 80, 100))).dry_s
    assert told is not None
    assert 100 <= told.likely / 60 <= 125


@pytest.mark.parametrize("times", [0.6, 1.0, 1.7])
def test_two_touches_find_a_kitchen_that_dries_otherwise(times: float) -> None:
    expected = skin.modelled_s(24, 60)
    assert expected is not None
    holds = expected * times
    told = skin.took_s((Touch(t_s=0.93 * holds, feel=Feel.TACKY), Touch(t_s=1.07 * holds, feel=Feel.DRY)))
    assert told is not None
    assert told[0] == pytest.approx(holds, rel=0.02)
    assert not told[1]
    assert skin.took_s((Touch(t_s=0.5 * holds, feel=Feel.TACKY),)) == (0.5 * holds, True)
    assert skin.took_s(()) is None


def test_two_hours_are_too_long_but_not_before_it_holds() -> None:
    dry = skin.skin(24, 50)
    damp = skin.skin(24, 75)
    assert dry.too_long_s == 7200
    assert damp.dry_s
    assert damp.too_long_s
    assert damp.too_long_s > damp.dry_s.likely


def test_damp_air_gets_advice_with_its_price() -> None:
    assert advice(24, 70) == ()
    helps = advice(24, 80)
    assert [a.do.split()[0] for a in helps] == ["Set", "Run", "A", "Make"]
    assert all(a.costs for a in helps)
    likely = skin.modelled_s(24, 80)
    assert likely
    assert all(a.dry_s is not None and a.dry_s.likely < likely for a in helps)
    assert len(advice(24, 80, Method.ITALIAN, moving_air=True)) == 2
