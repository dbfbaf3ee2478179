"""Units, degrees and where a recipe's goods go, by value."""

from __future__ import annotations

import pytest

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.figures import temperatures
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.proposal import ReadRecipe, read
from kindwhisk.core.reading.quantities import Wanted, read_quantity
from kindwhisk.core.reading.tins_named import find_tin
from kindwhisk.core.tins.shapes import RoundTin


def read_text(text: str) -> ReadRecipe:
    return read(recipe.from_text(text), EggSize.EU_M)


def grams_into(found: ReadRecipe, step: str) -> dict[str, float]:
    """What a step weighs, by ingredient."""
    assert found.formula is not None
    inputs = found.formula.step(step).inputs
    return {p.ingredient: p.grams for p in inputs if p.source == "ingredient"}


def grams_of_component(found: ReadRecipe, component: str) -> dict[str, float]:
    """What a component weighs, by ingredient."""
    assert found.formula is not None
    steps = [s for s in found.formula.steps if s.component == component]
    return {p.ingredient: p.grams for s in steps for p in s.inputs if p.source == "ingredient"}


@pytest.mark.parametrize(
    ("text", "ml"),
    [
        ("3 dessertspoons", 30),
        ("2 dash", 1.2),
        ("4 drops", 0.2),
        ("2 c. à soupe", 30),
        ("3 cucchiaini", 15),
        ("2 tasses", 500),
        ("2 verres", 400),
        ("2 tazze", 480),
        ("3 dl", 300),
    ],
)
def test_spoons_and_glasses_of_each_country_hold_what_they_hold(text: str, ml: float) -> None:
    assert read_quantity(text, Wanted.VOLUME).value == pytest.approx(ml)


@pytest.mark.parametrize(("text", "grams"), [("2 sticks", 226.8), ("2 knobs", 30), ("3 handfuls", 90)])
def test_sticks_and_knobs_weigh_so_many_times_one(text: str, grams: float) -> None:
    assert read_quantity(text, Wanted.MASS).value == pytest.approx(grams)


@pytest.mark.parametrize(
    ("sentence", "span"),
    [
        ("Bake at 170-180 °C.", (170, 180)),
        ("Bake at 180 °C.", (180, 180)),
        ("Bake at 180 to 170 °C.", (170, 180)),
        ("Bake at 325-350 °F.", (163, 177)),
        ("Bake at 350 degrees.", (177, 177)),
        ("Bake at 250 degrees.", (250, 250)),
    ],
)
def test_a_span_of_degrees_has_two_ends(sentence: str, span: tuple[float, float]) -> None:
    found = temperatures(plain(sentence))[0]
    assert (found.low, found.high) == span


def test_what_was_written_in_celsius_leads() -> None:
    found = temperatures(plain("Bake at 350 °F (175 °C)."))
    assert [(f.low, f.high) for f in found] == [(175, 175), (177, 177)]


THREE_SUGARS = """Chiffon
4 eggs, separated
20 g caster sugar
70 g caster sugar
10 g brown sugar
50 ml oil
60 ml milk
80 g cake flour
Whip the whites with sugar to stiff peaks. Beat the yolks with sugar, oil and milk, fold.
Bake at 160 °C for 40 minutes in a 17 cm chiffon tin."""


def test_of_several_sugars_the_largest_goes_to_the_whites_and_is_asked_about() -> None:
    found = read_text(THREE_SUGARS)
    asked = [q for q in found.questions if q.field == "sugar"]
    assert [(q.text, q.assumed) for q in asked] == [("The largest of the sugars is taken for the whites.", "70 g")]
    assert found.formula is not None
    weighed = [
        (p.ingredient, p.grams, p.role) for s in found.formula.steps for p in s.inputs if p.source == "ingredient"
    ]
    assert {g for i, g, role in weighed if role == "meringue"} == {70}
    assert sorted(g for i, g, role in weighed if role == "base") == [10, 20]


FILLED = """Sponge
4 eggs
120 g sugar
120 g flour
Filling
{filling}
Whisk the eggs with the sugar to the ribbon, fold in the flour. Bake at 180 °C for 25 minutes in a 20 cm round tin.
Fill."""


@pytest.mark.parametrize(
    ("filling", "whipped"),
    [
        ("200 ml cream\n20 g sugar", True),
        ("60 ml cream\n200 g raspberry jam", False),
        ("200 g raspberry jam", False),
    ],
)
def test_a_filling_is_whipped_where_most_of_it_is_cream(filling: str, whipped: bool) -> None:
    found = read_text(FILLED.format(filling=filling))
    assert found.formula is not None
    step = next(s for s in found.formula.steps if s.component == "filling" and s.kind in {"whip", "mix"})
    assert isinstance(step, WhipStep) == whipped
    assert step.assumed
    assert sum(grams_of_component(found, "filling").values()) > 190


MOUSSE = """Chocolate mousse
3 egg yolks
40 g sugar
150 g dark chocolate
300 ml cream
Warm yolks, sugar and chocolate. Whip the cream, fold it in. Fill glasses and chill for 4 hours."""


def test_a_mousse_warms_its_base_and_keeps_its_cream_apart() -> None:
    found = read_text(MOUSSE)
    assert found.formula is not None
    warm = next(s for s in found.formula.steps if isinstance(s, WarmStep))
    assert (warm.target_c, warm.over_water) == (55, True)
    weighed = [set(grams_into(found, s.id)) for s in found.formula.steps if s.kind == "weigh"]
    assert weighed == [{"egg-yolk", "sugar", "chocolate-dark"}, {"cream-35"}]
    assert not any(isinstance(s, BoilStep) for s in found.formula.steps)


@pytest.mark.parametrize(
    ("text", "diameter_mm"),
    [
        ("a 9 inch round tin", 228.6),
        ("a 9 1/2 inch round tin", 241.3),
        ("a 9.5-inch round tin", 241.3),
        ("a round tin of 240 mm", 240),
        ("a round 24 cm tin", 240),
    ],
)
def test_a_tin_is_as_wide_as_it_is_said_to_be(text: str, diameter_mm: float) -> None:
    found = find_tin(text)
    assert found is not None
    assert isinstance(found.tin, RoundTin)
    assert found.tin.dimensions.diameter_mm == pytest.approx(diameter_mm, abs=0.5)


def test_a_fraction_that_is_none_is_passed_over_and_the_rest_is_read() -> None:
    found = read_line("1/0 cup (100 g) sugar", EggSize.EU_M)
    assert (found.ingredient, found.grams, found.by) == ("sugar", 100, "weight")


def test_more_of_the_same_further_on_is_added() -> None:
    line = read_line("1 cup sugar, plus 2 tablespoons for the whites", EggSize.EU_M)
    one, two = (read_line(t, EggSize.EU_M).grams for t in ("1 cup sugar", "2 tablespoons sugar"))
    assert one is not None
    assert two is not None
    assert line.grams == pytest.approx(one + two, rel=1e-3)
    three = read_line("1 cup sugar plus 2 tablespoons sugar plus 1 tablespoon", EggSize.EU_M)
    assert three.grams == pytest.approx(one + 1.5 * two, rel=1e-3)


@pytest.mark.parametrize(
    ("text", "grams"),
    [
        ("240 g (1 cup plus 2 tablespoons) sugar", 240),
        ("200 g or 1 cup plus 2 tablespoons sugar", 200),
        ("about 3 pieces, 1 cup plus 2 tablespoons sugar", 225.0),
    ],
)
def test_a_sum_beside_another_measure_stays_a_sum(text: str, grams: float) -> None:
    assert read_line(text, EggSize.EU_M).grams == pytest.approx(grams, abs=0.1)


NO_TIN = "Sponge\n4 eggs\n120 g sugar\n100 g flour\nWhisk the eggs with the sugar to the ribbon. Fold in the flour. "


@pytest.mark.parametrize(
    ("told", "tin", "oven_c", "minutes"),
    [
        ("Fill the tin. Bake.", "20 cm round", 170, 32),
        ("Spread on a tray. Bake.", "30 x 40 cm sheet", 180, 13),
        ("Bake. Roll up while warm.", "30 x 40 cm sheet", 180, 13),
        ("Spread on a tray. Bake at 200 for 9 minutes. Roll up.", "30 x 40 cm sheet", 200, 9),
        ("Bake at 375 for 9 minutes. Roll up.", "30 x 40 cm sheet", 191, 9),
    ],
)
def test_what_is_rolled_or_spread_is_baked_as_a_sheet(told: str, tin: str, oven_c: float, minutes: float) -> None:
    found = read_text(NO_TIN + told)
    assert found.formula is not None
    bake = next(s for s in found.formula.steps if isinstance(s, BakeStep))
    fill = found.formula.fill
    assert isinstance(fill, FillStep)
    assert (fill.tin_name, bake.oven_c, bake.reference.minutes) == (tin, oven_c, minutes)
    assert [q.assumed for q in found.questions if q.field == "tin"] == [tin]
    # And the head of the page says what a sentence was understood to say, no more.
    said = found.method.oven_c
    assert (said.low if said else None) == (oven_c if " at " in told else None)
