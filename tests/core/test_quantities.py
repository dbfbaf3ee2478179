"""What bakers write in a field."""

from __future__ import annotations

import contextlib
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.reading.quantities import Wanted, read_quantity
from kindwhisk.core.values.errors import CraftError


@pytest.mark.parametrize(
    ("text", "wanted", "ingredient", "value"),
    [
        ("120", Wanted.MASS, None, 120),
        ("120 g", Wanted.MASS, None, 120),
        ("120g", Wanted.MASS, None, 120),
        ("1,5 kg", Wanted.MASS, None, 1500),
        ("4 oz", Wanted.MASS, None, 113.4),
        ("1 lb 2 oz", Wanted.MASS, None, 510.3),
        ("1/2 cup", Wanted.MASS, "cake-flour", 56.8),
        ("1 1/2 cups", Wanted.MASS, "sugar", 300.0),
        ("½ cup", Wanted.MASS, "milk", 121.8),
        ("1/2 cup 1 tbsp", Wanted.MASS, "sugar", 112.5),
        ("325 F", Wanted.TEMPERATURE, None, 162.8),
        ("170°C", Wanted.TEMPERATURE, None, 170),
        ("170", Wanted.TEMPERATURE, None, 170),
        ("7 in", Wanted.LENGTH, None, 177.8),
        ("17 cm", Wanted.LENGTH, None, 170),
        ("2 tbsp", Wanted.VOLUME, None, 29.6),
        ("1 h 10 min", Wanted.TIME, None, 4200),
        ("90 s", Wanted.TIME, None, 90),
        ("1 1/2", Wanted.NUMBER, None, 1.5),
        ("1-1/2 cups", Wanted.MASS, "sugar", 300.0),
        ("1,250 g", Wanted.MASS, None, 1250),
        ("2 min. 30 s", Wanted.TIME, None, 150),
        ("1.5h", Wanted.TIME, None, 5400),
        ('7"', Wanted.LENGTH, None, 177.8),
        ("⅜ cup", Wanted.VOLUME, None, 88.72),
        ("340℉", Wanted.TEMPERATURE, None, 171.1),
        ("2 dl", Wanted.VOLUME, None, 200),
    ],
)
def test_they_are_understood(text: str, wanted: Wanted, ingredient: str | None, value: float) -> None:
    assert read_quantity(text, wanted, ingredient_id=ingredient).value == pytest.approx(value, rel=2e-3)


def test_eggs_are_weighed_by_their_size() -> None:
    understood = read_quantity("3 eggs", Wanted.MASS, eggs=EggSize.US_LARGE)
    assert understood.value == pytest.approx(egg_parts(EggSize.US_LARGE, 3).whole_g.likely)


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("", Wanted.MASS),
        ("some", Wanted.MASS),
        ("1/2 cup", Wanted.MASS),
        ("12 parsecs", Wanted.LENGTH),
        ("170 g", Wanted.TEMPERATURE),
        ("1/0", Wanted.NUMBER),
        ("20 C 30 C", Wanted.TEMPERATURE),
        ("1" * 90, Wanted.MASS),
        ("-5 C", Wanted.TEMPERATURE),
        ("– 20 g", Wanted.MASS),
        ("2 1", Wanted.TEMPERATURE),
        ("20 cups g", Wanted.VOLUME),
    ],
)
def test_what_is_not_understood_is_refused_with_examples(text: str, wanted: Wanted) -> None:
    with pytest.raises(CraftError) as error:
        read_quantity(text, wanted)
    assert error.value.field == "text"
    assert "Write" in error.value.remedy


@given(st.text(max_size=70), st.sampled_from(list(Wanted)))
def test_any_text_is_either_understood_or_refused(text: str, wanted: Wanted) -> None:
    with contextlib.suppress(CraftError):
        assert math.isfinite(read_quantity(text, wanted).value)
