"""A cake that is built, made in another size: its parts, its ring and its portions follow."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.builds.built import Built
from kindwhisk.core.process.finished import unbaked
from kindwhisk.core.process.portions import StepPortion, of
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.scaling import Scaled, scale
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.walk import walk
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.strategies import setting_of, sizes

BOOK = {f.id: f for f in demo_formulas()}


def test_a_portion_of_what_was_cut_off_keeps_its_mark_however_it_is_scaled() -> None:
    portion = of("cut", offcut=True)
    assert isinstance(portion, StepPortion)
    assert portion.scaled(3).offcut
    assert StepPortion.model_validate(portion.model_dump()).offcut


@given(sizes)
@settings(max_examples=20, deadline=None)
def test_a_scaled_cake_has_as_much_of_every_part(size: float) -> None:
    formula = BOOK["layer-cake"]
    one = walk(prepared(formula), setting_of(formula))[-1].outcome.material
    more = walk(prepared(formula.scaled(size)), setting_of(formula))[-1].outcome.material
    assert isinstance(one, Built)
    assert isinstance(more, Built)
    assert [p.place for p in one.build] == [p.place for p in more.build]
    # A larger cake in the same tin loses other water in the oven: what is not baked grows as the whole.
    assert unbaked(more).mass_g == pytest.approx(size * unbaked(one).mass_g, rel=1e-6)


def ringed(diameter: float, **more: object) -> Scaled:
    ring = {"shape": "round", "dimensions": {"diameter_mm": diameter, "depth_mm": 65}}
    return scale(BOOK["finger-cake"], demo_kitchen(), Wish.model_validate({"tin": ring, **more}))


def test_another_ring_wants_other_fingers_another_disc_and_as_much_mousse_as_fits() -> None:
    own = ringed(200)
    assert own.factor == pytest.approx(1)
    assert own.forecast.step("line").goal == "21 fingers, a disc of 166 mm"
    for diameter, goal in ((140, "14 fingers, a disc of 106 mm"), (240, "25 fingers, a disc of 206 mm")):
        other = ringed(diameter)
        assert other.forecast.step("line").goal == goal
        assert not [w for w in other.forecast.warnings if w.step in {"line", "fill"}]
        # The mousse stands as high, the disc lies as thick, in a room that is wider or narrower.
        room = ((diameter - 36) / (200 - 36)) ** 2
        mousse = other.forecast.step("mousse").material.mass_g / own.forecast.step("mousse").material.mass_g
        assert mousse == pytest.approx(room, rel=0.02)
        assert thickness(other) == pytest.approx(thickness(own), rel=0.05)
        wall = other.forecast.step("pipe").material.mass_g / own.forecast.step("pipe").material.mass_g
        assert wall == pytest.approx(int(goal.split()[0]) / 21, rel=0.02)


def thickness(made: Scaled) -> list[float]:
    section = made.forecast.step("fill").section
    assert section is not None
    return [r.thickness_mm or 0.0 for r in section.regions if r.name in {"disc", "mousse"}]


def test_two_rings_take_twice_of_everything() -> None:
    one, two = ringed(200), ringed(200, tin_count=2)
    assert two.factor == pytest.approx(2)
    assert two.forecast.step("line").goal.startswith("42 fingers")
    assert thickness(two) == pytest.approx(thickness(one), rel=0.05)


def cut(made: Scaled) -> int:
    """Into how many each is cut."""
    (step,) = (s for s in made.formula.steps if isinstance(s, PortionStep))
    return step.portions


def serving_g(made: Scaled) -> float:
    (step,) = (s for s in made.formula.steps if isinstance(s, PortionStep))
    return made.forecast.step(step.id).material.mass_g / (step.portions * made.tin_count)


@given(st.integers(6, 60))
@settings(max_examples=12, deadline=None)
def test_a_serving_stays_as_large_however_many_are_asked_for(servings: int) -> None:
    own = scale(BOOK["layer-cake"], demo_kitchen(), Wish())
    more = scale(BOOK["layer-cake"], demo_kitchen(), Wish(servings=servings))
    assert (cut(own), cut(more)) == (12, servings)
    assert serving_g(more) == pytest.approx(serving_g(own), rel=0.03)


def test_each_of_two_tins_is_cut_as_one_was() -> None:
    assert cut(scale(BOOK["layer-cake"], demo_kitchen(), Wish(tin_count=2))) == 12
    assert cut(scale(BOOK["layer-cake"], demo_kitchen(), Wish(servings=24, tin_count=2))) == 12
    assert cut(scale(BOOK["layer-cake"], demo_kitchen(), Wish(servings=0.5))) == 1
    assert cut(ringed(240)) > cut(ringed(200)) > cut(ringed(140))
