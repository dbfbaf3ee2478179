"""What meets: butter and meringue, ganache and its use, fruit and gelatine, a glaze and its face; cream by its peak."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.foams import whipped_cream
from kindwhisk.core.foams.foam import Foam, Peak, density_band, hold_s
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.steps.coat import CoatStep, Where
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.readiness import ganache, gelatine
from kindwhisk.core.readiness.ganache import Chocolate
from kindwhisk.core.readiness.recognise import known_of
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.values.estimate import Estimate
from tests.core.strategies import setting_of
from tests.core.test_builds import BOOK, baked

PLACE = setting_of(BOOK["layer-cake"])
MERINGUE = Material(parts={"egg-white": 120, "sugar": 240}, temperature_c=26).at_density(Estimate.exact(0.32))
BASE = Material(parts={"egg-yolk": 60, "sugar": 60, "gelatine": 5, "milk": 100}, temperature_c=28)
CREAM = Material(parts={"cream-35": 300}, temperature_c=6).at_density(Estimate.exact(0.55))


def whipped(peak: Peak, **parts: float) -> Outcome:
    cold = Material(parts={"cream-35": 300, **parts}, temperature_c=6)
    return WhipStep(id="w", title="w", vessel="bowl", peak=peak).effect((cold,), PLACE)


def over(made: Outcome) -> Estimate:
    assert made.over_s is not None
    return made.over_s


def test_cream_is_whipped_to_the_peak_that_was_asked_for() -> None:
    soft, medium, firm = (whipped(p) for p in (Peak.SOFT, Peak.MEDIUM, Peak.STIFF))
    assert [o.goal.split(",")[0] for o in (soft, medium, firm)] == ["Soft peak", "Medium peak", "Firm peak"]
    densities = [o.material.density_g_per_ml.likely for o in (soft, medium, firm)]
    assert densities == sorted(densities, reverse=True)
    for made, peak in ((soft, Peak.SOFT), (medium, Peak.MEDIUM), (firm, Peak.STIFF)):
        low, high = whipped_cream.DENSITY[peak]
        assert low <= made.material.density_g_per_ml.likely <= high
    assert soft.duration_s.likely < medium.duration_s.likely < firm.duration_s.likely


def test_it_turns_to_grains_at_the_same_second_whatever_was_asked_for() -> None:
    seconds = [over(whipped(p)).likely for p in Peak]
    assert seconds == pytest.approx([seconds[0]] * len(seconds))
    assert all(over(whipped(p)).likely > whipped(p).duration_s.likely for p in Peak)


@pytest.mark.parametrize("foam", list(Foam))
def test_every_foam_says_how_dense_it_is_and_how_long_it_waits(foam: Foam) -> None:
    assert 0.1 < density_band(foam).low <= density_band(foam).high < 1.3
    assert 60 <= hold_s(foam).low <= hold_s(foam).high


@pytest.mark.parametrize(
    ("meringue", "butter", "said"),
    [(26, 19, ""), (38, 19, "melts in it"), (26, 6, "curdles"), (26, 27, "does not hold air")],
)
def test_butter_into_a_meringue_by_the_warmth_of_both(meringue: float, butter: float, said: str) -> None:
    fat = Material(parts={"butter": 250}, temperature_c=butter)
    told = WhipStep(id="w", title="w", vessel="bowl").effect((MERINGUE.at(meringue), fat), PLACE).notices
    texts = [n.text for n in told if "butter" in n.text.lower()]
    assert any(said in t for t in texts) if said else not texts


def risks(base: Material, content: Material, **more: object) -> list[Notice]:
    step = SpreadStep.model_validate({"id": "s", "title": "s", "vessel": "rack", **more})
    return [n for n in step.effect((base, content), PLACE).notices if n.level == "risk"]


def test_a_ganache_of_too_little_chocolate_is_told_where_it_is_spread() -> None:
    thin = Material(parts={"chocolate-white": 60, "cream-35": 100}, temperature_c=25)
    right = Material(parts={"chocolate-dark": 130, "cream-35": 100}, temperature_c=25)
    assert any("stays a sauce" in n.text and n.remedy == "More chocolate in it." for n in risks(baked(), thin))
    assert not any("sauce" in n.text for n in risks(baked(), right))
    stiff = Material(parts={"chocolate-dark": 250, "cream-35": 100}, temperature_c=34)
    poured = CoatStep(id="c", title="c", vessel="rack", poured=True).effect((baked(), stiff), PLACE).notices
    assert any("sets hard" in n.text and n.remedy == "More cream in it." for n in poured)


@given(st.floats(0.05, 6), st.floats(1.01, 3), st.sampled_from(list(Chocolate)))
def test_more_chocolate_never_turns_a_ganache_into_a_sauce(ratio: float, more: float, kind: Chocolate) -> None:
    if not ganache.unfit(Purpose.PIPE, ratio, kind):
        assert not ganache.unfit(Purpose.PIPE, ratio * more, kind)
    if ganache.unfit(Purpose.POUR, ratio, kind):
        assert ganache.unfit(Purpose.POUR, ratio * more, kind)


def test_cream_whipped_into_a_ganache_says_nothing_of_its_ratio() -> None:
    light = Material(parts={"chocolate-dark": 60, "cream-35": 200}, temperature_c=15).at_density(Estimate.exact(0.6))
    assert known_of(light).ratio is None


@pytest.mark.parametrize(("fruit", "never"), [("pineapple", True), ("pineapple-canned", False), ("raspberry", False)])
def test_fruit_that_was_heated_lets_gelatine_set(fruit: str, never: bool) -> None:
    assert (gelatine.never_sets([fruit]) is not None) == never
    assert gelatine.sets(40, 0.014, (fruit,)).never == never


def test_raw_fruit_in_a_base_is_told_where_the_cream_goes_in() -> None:
    with_fruit = Material(parts={**BASE.parts, "kiwi": 80}, temperature_c=28)
    fold = FoldStep(id="f", title="f", vessel="bowl")
    told = [n.text for n in fold.effect((with_fruit, CREAM), PLACE).notices if n.level == "danger"]
    assert told == ["Raw kiwi takes gelatine apart: it never sets."]


@pytest.mark.parametrize(("mascarpone", "steady"), [(0, False), (20, False), (70, True)])
def test_what_steadies_a_cream_is_counted_by_its_share(mascarpone: float, steady: bool) -> None:
    parts = {"cream-35": 200.0, "strawberry-puree": 300.0} | ({"mascarpone": mascarpone} if mascarpone else {})
    assert known_of(Material(parts=parts)).stabilised == steady


def mirror(grams: float, where: Where) -> list[str]:
    glaze = Material(parts={"sugar": grams * 0.6, "water": grams * 0.38, "gelatine": grams * 0.02}, temperature_c=33)
    made = CoatStep(id="c", title="c", vessel="rack", poured=True, where=where).effect((baked(), glaze), PLACE)
    return [n.remedy for n in made.notices if "does not cover" in n.text]


def test_a_glaze_too_thin_to_cover_says_how_much_to_pour() -> None:
    (over_the_edge,) = mirror(40, Where.ALL)
    (in_a_ring,) = mirror(20, Where.TOP)
    grams = [float(t.split()[0]) for t in (over_the_edge, in_a_ring)]
    assert not mirror(grams[0], Where.ALL)
    assert not mirror(grams[1], Where.TOP)
