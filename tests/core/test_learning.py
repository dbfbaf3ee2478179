"""What a kitchen's own bakes do to the next forecast."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.learning import corrected, learned_factor, personal_band
from kindwhisk.core.values.bands import Band, Place, Quantity, Side, judge
from kindwhisk.core.values.estimate import Basis, Estimate

THREE = [(36.0, 30.0), (35.0, 30.0), (33.0, 30.0)]


@pytest.mark.parametrize(("bakes", "factor", "sd"), [(1, 1.1345, 0.0832), (2, 1.1476, 0.0640), (3, 1.1336, 0.0539)])
def test_the_time_factor_by_the_reference(bakes: int, factor: float, sd: float) -> None:
    learned = learned_factor(THREE[:bakes])
    assert learned.factor == pytest.approx(factor, abs=5e-4)
    assert learned.log_sd == pytest.approx(sd, abs=5e-4)
    assert learned.bakes == bakes


@given(st.lists(st.tuples(st.floats(60, 6000), st.floats(60, 6000)), min_size=1, max_size=8))
def test_the_order_of_bakes_does_not_matter_and_each_makes_it_surer(pairs: list[tuple[float, float]]) -> None:
    there, back = learned_factor(pairs), learned_factor(pairs[::-1])
    assert there.factor == pytest.approx(back.factor)
    assert there.log_sd < learned_factor(pairs[:-1]).log_sd


def test_without_records_a_duration_stays_what_it_was() -> None:
    plain = Estimate.around(600, 0.4)
    assert corrected(plain, []) == plain
    own = corrected(plain, [(720, 600)] * 6)
    assert own.basis is Basis.KITCHEN
    assert own.bakes == 6
    assert 680 < own.likely < 720
    assert own.high / own.low < plain.high / plain.low


def test_a_band_becomes_personal_once_there_are_enough_bakes() -> None:
    published = Estimate(low=0.36, likely=0.41, high=0.46, basis=Basis.HABIT)
    values = [0.43, 0.44, 0.45, 0.44, 0.43]
    assert personal_band(values[:4], published) == published
    own = personal_band(values, published)
    assert (own.basis, own.bakes) == (Basis.KITCHEN, 5)
    assert all(own.contains(v) for v in values)
    assert own.high - own.low >= 0.08 * 0.43


def test_a_value_is_judged_with_what_it_means_and_what_can_be_done() -> None:
    band = Band(
        quantity=Quantity.DENSITY,
        unit="g/ml",
        range=Estimate(low=0.15, likely=0.17, high=0.19, basis=Basis.MODEL),
        below=Side(word="dry", means="past the peak", can_do="fold at once"),
        above=Side(word="loose", means="not enough air", can_do="a minute more"),
    )
    assert judge(0.15, band).place is Place.WITHIN
    assert judge(0.21, band).can_do == "a minute more"
    assert judge(0.12, band).means == "past the peak"
