"""How long what was made keeps: time out of the cold, cooling in two stages, use by, and labels of every formula."""

from __future__ import annotations

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.process.finished import keeps, out_of_the_cold, perishable, unbaked
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.walk import walk
from kindwhisk.core.shelf_life.cooling_rule import FOOD_CODE, CoolingRule, judge
from kindwhisk.core.shelf_life.limits import DAYS, KeptAs
from kindwhisk.core.shelf_life.out_of_cold import Stretch, out_of_cold
from kindwhisk.core.shelf_life.use_by import use_by
from kindwhisk.demo.formulas import demo_formulas
from tests.core.strategies import setting_of

BOOK = {f.id: f for f in demo_formulas()}
HOUR = 3600.0
stretches = st.lists(
    st.builds(
        lambda start, long, warm, read: Stretch(start, start + long, warm, measured=read),
        st.floats(0, 90_000), st.floats(0, 20_000), st.floats(-20, 90), st.booleans(),
    ),
    max_size=8,
)  # fmt: skip


@given(stretches, st.floats(0.5, 8) | st.none())
def test_only_what_is_above_five_degrees_counts_and_a_limit_is_one(ways: list[Stretch], limit: float | None) -> None:
    told = out_of_cold(ways, limit)
    assert told.seconds == pytest.approx(sum(s.to_s - s.from_s for s in ways if s.temperature_c > 5))
    assert 0 <= told.measured_s <= told.seconds
    assert told.over == (told.seconds > 3600 * (limit or 2.0))
    assert told.discard == (told.seconds > 4 * HOUR)
    assert told.left_s == pytest.approx(max(0.0, 3600 * (limit or 2.0) - told.seconds))
    assert "safe" not in told.says
    assert ("this kitchen’s rule" in told.says) == (limit is not None and not told.discard)


def cooling(*points: tuple[float, float]) -> list[tuple[float, float]]:
    return [(HOUR * h, c) for h, c in points]


def test_cooled_in_two_stages_by_the_food_code() -> None:
    good = judge(cooling((0, 80), (0.5, 57), (2, 21), (5, 5), (6, 4)), 6 * HOUR)
    assert not good.late
    assert good.first_h == pytest.approx(1.5)
    assert good.second_h == pytest.approx(3)
    assert "3-501.14" in good.says


@pytest.mark.parametrize(
    ("points", "now"),
    [
        (((0, 57), (3, 21), (5, 5)), 5),
        (((0, 57), (1, 21), (6, 5)), 6),
        (((0, 57), (1, 40), (2.5, 30)), 2.5),
        (((0, 57), (1, 21), (3, 12)), 6),
    ],
)
def test_too_slow_is_late_in_either_stage_also_before_it_is_over(
    points: tuple[tuple[float, float], ...], now: float
) -> None:
    assert judge(cooling(*points), now * HOUR).late


def test_warmed_up_again_it_counts_anew() -> None:
    again = judge(cooling((0, 57), (1, 20), (1.2, 30), (2.6, 21)), 2.7 * HOUR)
    assert again.first_h == pytest.approx(2.6, abs=0.05)
    assert again.late


def test_a_kitchen_s_own_hours_lead() -> None:
    points = cooling((0, 57), (2.5, 21), (5, 5))
    assert judge(points, 5 * HOUR).late
    own = judge(points, 5 * HOUR, CoolingRule(first_h=3, second_h=4))
    assert not own.late
    assert "this kitchen’s rule" in own.says
    assert CoolingRule() == FOOD_CODE


def test_not_hot_yet_nothing_is_counted() -> None:
    assert judge(cooling((0, 70), (0.2, 65)), HOUR).first_h is None


@given(
    st.sampled_from(KeptAs), st.dates(date(2020, 1, 1), date(2040, 1, 1)), st.floats(0, 30) | st.none(), st.booleans()
)
def test_use_by_names_its_rule_and_never_says_safe(kept: KeptAs, made: date, own: float | None, frozen: bool) -> None:
    told = use_by(kept, made, frozen=frozen, own_days=own, own_rule="red dot")
    assert told.rule
    assert "red dot" in told.keep
    assert "safe" not in f"{told.rule} {told.keep}"
    if frozen:
        assert (told.on is None) == (DAYS[kept].frozen is None)
    elif own is not None:
        assert told.on is not None
        assert (told.on - made).days == int(own)
        assert "this kitchen’s rule" in told.rule.lower()
    else:
        assert told.on is not None
        assert (told.on - made).days == DAYS[kept].days
        assert "trade habit" in told.rule


@pytest.mark.parametrize(
    ("formula_id", "raw", "kept"),
    [
        ("citrus-roll", False, KeptAs.CREAM),
        ("layer-cake", False, KeptAs.CREAM),
        ("milk-sponge", False, KeptAs.MILK_SOAKED),
        ("coffee-mousse", False, KeptAs.COOKED_YOLK),
        ("coffee-mousse", True, KeptAs.RAW_EGG),
        ("meringue-tart", False, KeptAs.CURD),
        ("swiss-shells", False, KeptAs.GANACHE_SHELLS),
        ("french-shells", False, KeptAs.CREAM),
        ("butter-sponge", False, KeptAs.SPONGE),
        ("kisses", False, KeptAs.SPONGE),
    ],
)
def test_what_a_shipped_formula_counts_as(formula_id: str, raw: bool, kept: KeptAs) -> None:
    formula = BOOK[formula_id]
    assert keeps(walk(prepared(formula), setting_of(formula)), raw_egg=raw) is kept


def test_time_out_of_the_cold_is_that_of_the_longest_way() -> None:
    formula = BOOK["citrus-roll"]
    walked = walk(prepared(formula), setting_of(formula))
    nothing = out_of_the_cold(walked, {}, 0)
    assert nothing is None
    # The cream is weighed at 0:00 and whipped to 0:10, waits, is spread at 0:30 to 0:33 and rolled to 0:36.
    times = {
        "weigh-cream": (0.0, 120.0),
        "whip-cream": (120.0, 600.0),
        "spread": (1800.0, 1980.0),
        "roll": (1980.0, 2160.0),
    }
    told = out_of_the_cold(walked, times, 2160)
    assert told is not None
    assert told.seconds == pytest.approx(2160)
    # In the cold nothing is added.
    chilled = out_of_the_cold(walked, {**times, "chill": (2160.0, 9000.0)}, 9000)
    assert chilled is not None
    assert chilled.seconds == pytest.approx(2160)
    later = out_of_the_cold(walked, times, 2160 + 3600)
    assert later is not None
    assert later.seconds == pytest.approx(2160 + 3600)
    # Kept in the cold meanwhile, as a probe told, the wait of the cream does not count.
    cold = out_of_the_cold(walked, times, 2160, measured={"whip-cream": 4.0})
    assert cold is not None
    assert cold.seconds == pytest.approx(120 + 180 + 180)


def test_a_bare_crumb_has_no_time_to_count() -> None:
    formula = BOOK["butter-sponge"]
    walked = walk(prepared(formula), setting_of(formula))
    times = {w.step.id: (100.0 * i, 100.0 * i + 90) for i, w in enumerate(walked)}
    assert out_of_the_cold(walked, times, 1e5) is None
    assert not perishable(walked[-1].outcome.material)
    assert unbaked(walked[-1].outcome.material).mass_g == 0
