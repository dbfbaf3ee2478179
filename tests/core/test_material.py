"""The laws of a content: nothing appears, nothing vanishes."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.foams import foam
from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from tests.core.strategies import materials


def test_the_ingredient_table_holds() -> None:
    table = ingredient_table()
    assert len(table) >= 450
    for item in table.values():
        fractions = item.composition.model_dump().values()
        assert sum(fractions) == pytest.approx(1), item.id
        assert min(fractions) >= 0, item.id
        # Biscuits and puffed grain keep the air that they were baked with.
        assert (0.1 if item.piece else 0.8) < item.density_g_per_ml < 2.5, item.id
        assert item.bulk_g_per_ml <= item.density_g_per_ml + 1e-9, item.id
        assert item.source


@given(st.lists(materials(), min_size=1, max_size=4))
def test_mixing_conserves_mass_and_heat_stays_between(contents: list[Material]) -> None:
    together = combine(contents)
    assert together.mass_g == pytest.approx(sum(c.mass_g for c in contents))
    assert together.volume_ml.likely == pytest.approx(sum(c.volume_ml.likely for c in contents))
    temperatures = [c.temperature_c for c in contents]
    assert min(temperatures) - 1e-6 <= together.temperature_c <= max(temperatures) + 1e-6


@given(materials(), st.floats(0, 1))
def test_splitting_conserves_mass_and_density(content: Material, share: float) -> None:
    one, other = content.take(share), content.take(1 - share)
    assert one.mass_g + other.mass_g == pytest.approx(content.mass_g)
    if share > 0.01:
        assert one.density_g_per_ml.likely == pytest.approx(content.density_g_per_ml.likely)


@given(materials(), st.floats(0.11, 1.2))
def test_a_measured_density_comes_back(content: Material, density: float) -> None:
    measured = content.at_density(Estimate.exact(density, Basis.MEASURED))
    expected = min(density, content.gas_free_density)
    assert measured.density_g_per_ml.likely == pytest.approx(expected)
    assert measured.mass_g == content.mass_g


@given(materials(), st.floats(0, 5000))
def test_drying_takes_only_water_and_never_more_than_there_is(content: Material, grams: float) -> None:
    dried = content.dried_by(grams)
    lost = content.mass_g - dried.mass_g
    assert 0 <= lost <= grams + 1e-9
    assert lost <= content.composition.water * content.mass_g + 1e-6
    assert dried.parts == content.parts


def test_more_than_all_is_refused_by_name() -> None:
    with pytest.raises(CraftError) as error:
        Material(parts={"water": 10}).take(1.2)
    assert error.value.field == "share"
    assert error.value.remedy


@pytest.mark.parametrize(
    ("ratio", "stiff", "typical", "soft"),
    [(0.3, 0.12, 0.14, 0.17), (0.5, 0.13, 0.16, 0.20), (1.0, 0.19, 0.24, 0.30), (2.0, 0.31, 0.40, 0.50)],
)
def test_meringue_density_follows_the_sugar(ratio: float, stiff: float, typical: float, soft: float) -> None:
    assert foam.french_density(ratio, foam.Peak.STIFF).likely == pytest.approx(stiff)
    assert foam.french_density(ratio, foam.Peak.MEDIUM).likely == pytest.approx(typical)
    assert foam.french_density(ratio, foam.Peak.SOFT).likely == pytest.approx(soft)


@given(st.floats(0, 2.2), st.floats(0, 2.2))
def test_more_sugar_is_denser_and_holds_longer(one: float, other: float) -> None:
    less, more = sorted((one, other))
    for peak in foam.Peak:
        assert foam.french_density(less, peak).likely <= foam.french_density(more, peak).likely + 1e-12
    assert foam.french_hold_s(less).likely <= foam.french_hold_s(more).likely + 1e-9


def test_eggs_give_their_parts() -> None:
    large = egg_parts(EggSize.US_LARGE)
    assert large.in_shell_g.likely == pytest.approx(56.7)
    assert large.white_g.likely + large.yolk_g.likely == pytest.approx(large.whole_g.likely)
    assert 0.58 <= large.white_g.likely / 56.7 <= 0.60
    assert 0.29 <= large.yolk_g.likely / 56.7 <= 0.31
    assert egg_parts(EggSize.EU_L, 2).yolk_g.likely == pytest.approx(2 * egg_parts(EggSize.EU_L).yolk_g.likely)
    shares = [egg_parts(s).yolk_g.likely / egg_parts(s).in_shell_g.likely for s in (EggSize.EU_S, EggSize.EU_XL)]
    assert shares[0] > shares[1]
