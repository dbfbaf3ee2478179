"""The process graph: conserved along every step, sound or named where it is not, scaled from what one knows."""

from __future__ import annotations

import json
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from kindwhisk.core.builds.built import Built
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.ovens.times import BakeTime
from kindwhisk.core.process.forecast import forecast, walk_prepared
from kindwhisk.core.process.formula import Formula, content_of
from kindwhisk.core.process.gate import GateItemKind, gates
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.walk import Measured, Observed, WalkedStep, walk
from kindwhisk.core.process.windows import windows
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import butter_sponge, demo_formulas, tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.strategies import formulas, materials, setting_of, sizes, tins


def changed(formula: Formula, step: str, **changes: Any) -> dict[str, Any]:
    """The formula's document with fields of one step changed."""
    document: dict[str, Any] = formula.model_dump(mode="json")
    for entry in document["steps"]:
        if entry["id"] == step:
            entry.update(changes)
    return document


@given(formulas, sizes)
@settings(max_examples=25)
def test_what_is_weighed_comes_out_or_leaves_as_vapour(formula: Formula, size: float) -> None:
    batch = formula.scaled(size)
    walked = walk(prepared(batch), setting_of(batch))
    last = walked[-1].outcome.material
    # What a later step has taken of an offcut is in the last result; what nobody took was cut off and counted.
    cut = combine(kept_back(w, walked) for w in walked[:-1])
    whole = combine((last, cut))
    assert whole.mass_g + whole.evaporated_g == pytest.approx(batch.total_g())
    for ingredient_id, grams in whole.parts.items():
        assert grams == pytest.approx(batch.grams_of(ingredient_id))


def kept_back(one: WalkedStep, walked: list[WalkedStep]) -> Material:
    """What was cut off in a step and taken by none."""
    material = one.outcome.material
    if not isinstance(material, Built) or material.offcut.mass_g <= 0:
        return Material()
    taken = any(p.source == "step" and p.offcut and p.step == one.step.id for w in walked for p in w.step.inputs)
    return Material() if taken else material.offcut


STEPS = [(f, s) for f in demo_formulas() for s in f.steps]


@given(st.sampled_from(STEPS), st.lists(materials(), min_size=1, max_size=3))
@settings(max_examples=300)
def test_every_kind_of_step_conserves_mass_whatever_goes_in(
    chosen: tuple[Formula, Any], contents: list[Material]
) -> None:
    formula, step = chosen
    outcome = step.effect(tuple(contents), setting_of(formula))
    after = outcome.material
    assert after.mass_g + after.evaporated_g == pytest.approx(sum(c.mass_g for c in contents))
    assert outcome.duration_s.low <= outcome.duration_s.likely <= outcome.duration_s.high
    assert outcome.goal
    assert outcome.do


@given(formulas, sizes)
@settings(max_examples=20)
def test_densities_do_not_depend_on_the_size_of_the_batch(formula: Formula, size: float) -> None:
    one = forecast(formula, setting_of(formula))
    other = forecast(formula.scaled(size), setting_of(formula))
    for a, b in zip(one.steps, other.steps, strict=True):
        if a.sets_foam:  # from here on the tin counts: a fuller one bakes longer and dries more
            break
        assert a.material.density_g_per_ml.likely == pytest.approx(b.material.density_g_per_ml.likely)
        assert b.material.mass_g == pytest.approx(a.material.mass_g * size)


def test_the_demo_formulas_land_on_their_bands() -> None:
    for formula, batter in ((tea_chiffon(), "fold"), (butter_sponge(), "fold-butter")):
        step = forecast(formula, setting_of(formula)).step(batter)
        band = next(c.band for c in step.checkpoints if c.band)
        assert band.range.contains(step.material.density_g_per_ml.likely), formula.id


def test_every_step_names_hazards_where_they_are() -> None:
    steps = {s.id: s for s in forecast(butter_sponge(), setting_of(butter_sponge())).steps}
    assert {c.id for c in steps["warm-eggs"].cautions} >= {"raw-egg", "steam", "warm-egg"}
    assert "hot-tin" in {c.id for c in steps["bake"].cautions}
    assert [i for i, s in steps.items() if "allergens" in {c.id for c in s.cautions}] == ["cool"]
    for step in steps.values():
        for caution in step.cautions:
            assert caution.reason
            assert caution.defers
            assert "safe" not in caution.text.lower()


def test_a_cup_changes_everything_after_it() -> None:
    formula = tea_chiffon()
    expected = forecast(formula, setting_of(formula))
    loose = forecast(formula, setting_of(formula), Observed({"whip": Measured(0.25)}))
    assert loose.step("whip").material.density_g_per_ml.basis is Basis.MEASURED
    assert loose.step("fold").material.volume_ml.likely < expected.step("fold").material.volume_ml.likely
    fill, before = loose.step("fill").section, expected.step("fill").section
    assert fill is not None
    assert before is not None
    assert fill.level_mm < before.level_mm


def test_this_kitchens_own_bakes_lead_once_there_are_enough() -> None:
    formula = tea_chiffon()
    setting = setting_of(formula)
    seen = BakeTime(id="a", oven=setting.oven.id, family="tube", formula=formula.id, observed_s=2400, modelled_s=2000)
    fold = next(w for w in walk_prepared(formula, setting) if w.step.id == "fold")
    cup = next(e for e in fold.outcome.expects if e.figure is Figure.BATTER)
    dot = Dot(id="c", figure=cup.figure, effects=cup.effects, observed=0.43, modelled=cup.modelled.likely)
    record = KitchenRecord(bakes=(seen,) * 5, dots=(dot,) * 12)
    own = forecast(formula, type(setting)(setting.kitchen, setting.oven, setting.tins, setting.vessels, record))
    plain = forecast(formula, setting)
    assert own.step("bake").duration_s.likely > 1.1 * plain.step("bake").duration_s.likely
    assert own.step("bake").duration_s.bakes == 5
    assert own.step("bake").modelled_s == pytest.approx(plain.step("bake").modelled_s, rel=0.03)
    assert own.step("fold").material.density_g_per_ml.likely == pytest.approx(0.43, rel=0.01)


# --- what can't be, named where it stands ---


@pytest.mark.parametrize(
    ("step", "change", "said"),
    [
        ("fold", {"inputs": [{"source": "step", "step": "whip"}]}, "take the rest"),
        ("loosen", {"inputs": [{"source": "step", "step": "bake"}]}, "does not come before it"),
        ("sift-dry", {"vessel": "bathtub"}, "vessel 'bathtub'"),
        ("weigh-milk", {"inputs": [{"source": "ingredient", "ingredient": "gravel", "grams": 5}]}, "no 'gravel'"),
        (
            "loosen",
            {"inputs": [{"source": "step", "step": "add-flour"}, {"source": "step", "step": "whip"}]},
            "nothing of 'whip' is left",
        ),
        ("add-flour", {"inputs": [{"source": "step", "step": "add-tea"}]}, "nothing uses its result"),
        ("cool", {"id": "bake"}, "two steps have this id"),
    ],
)
def test_nonsense_is_named_at_its_step(step: str, change: dict[str, Any], said: str) -> None:
    with pytest.raises(ValidationError, match=said):
        Formula.model_validate_json(json.dumps(changed(tea_chiffon(), step, **change)))


def test_two_ways_to_say_how_much_are_refused() -> None:
    with pytest.raises(ValidationError, match="give one of"):
        StepPortion(step="whip", fraction=0.3, rest=True)


def test_only_a_foam_of_whites_chooses_its_peak() -> None:
    chosen = {f.id: {s.question: s.choice for s in f.schools} for f in demo_formulas()}
    assert chosen["tea-chiffon"]["Sugar into the whites"] == "in thirds"
    assert chosen["tea-chiffon"]["Peak for folding"] == "medium"
    assert chosen["butter-sponge"]["Whole-egg foam"] == "warmed first"
    assert "Peak for folding" not in chosen["butter-sponge"]


def test_a_formula_survives_its_own_document() -> None:
    for formula in demo_formulas():
        assert Formula.model_validate_json(formula.model_dump_json()) == formula


# --- what the work needs and the formula does not say ---


def test_every_bake_gets_a_preheat_and_a_greasy_beater_a_wash() -> None:
    plain = prepared(tea_chiffon())
    assert plain.step("bake").after == ("preheat-bake",)
    assert not any(s.kind == "wash" for s in plain.steps)
    shared = Formula.model_validate_json(json.dumps(changed(tea_chiffon(), "beat-yolks", tool="mixer whisk")))
    washed = prepared(shared)
    order = [s.id for s in washed.steps]
    assert order.index("beat-yolks") < order.index("wash-whip") < order.index("whip")
    assert "wash-whip" in washed.step("whip").after
    assert washed.step("wash-whip").after == ("beat-yolks",)


def test_whole_eggs_need_no_washed_beater() -> None:
    assert not any(s.kind == "wash" for s in prepared(butter_sponge()).steps)


def test_yolk_in_the_whites_is_called_out() -> None:
    whites = tea_chiffon().step("weigh-whites").inputs
    greasy = [p.model_dump(mode="json") for p in (*whites, IngredientPortion(ingredient="oil-neutral", grams=5))]
    formula = Formula.model_validate_json(json.dumps(changed(tea_chiffon(), "weigh-whites", inputs=greasy)))
    caveats = forecast(formula, setting_of(formula)).warnings
    assert any(c.step == "whip" and "fat in the whites" in c.text for c in caveats)


def test_the_gate_holds_all_that_the_foam_will_meet() -> None:
    (gate,) = gates(forecast(tea_chiffon(), setting_of(tea_chiffon())))
    steps = {i.id: i for i in gate.items if i.kind is GateItemKind.STEP}
    things = {i.id for i in gate.items if i.kind is GateItemKind.THING}
    assert gate.step == "whip"
    assert set(steps) == {"add-flour", "preheat-bake"}
    assert steps["preheat-bake"].under_way_is_enough
    assert not steps["add-flour"].under_way_is_enough
    assert things >= {"have-tin", "have-spatula", "have-clean-bowl", "have-cup-and-scale"}


def test_a_window_runs_on_through_steps_that_only_move_the_batter() -> None:
    found = {(w.opens, w.closes) for w in windows(forecast(tea_chiffon(), setting_of(tea_chiffon())))}
    assert found >= {("whip", "loosen"), ("whip", "fold"), ("fold", "bake"), ("bake", "invert")}


# --- scaling ---

KITCHEN = demo_kitchen()


@given(sizes)
@settings(max_examples=15)
def test_whites_in_the_bowl_set_everything_else(size: float) -> None:
    formula = tea_chiffon()
    whites = formula.grams_of("egg-white") * size
    made = scale(formula, KITCHEN, Wish(whites_g=whites))
    assert made.formula.grams_of("egg-white") == pytest.approx(whites)
    for one, other in zip(formula.portions(), made.formula.portions(), strict=True):
        assert other.grams / one.grams == pytest.approx(size)


@given(formulas, tins(), st.integers(1, 3))
@settings(max_examples=25)
def test_a_tin_is_filled_as_the_formula_fills_its_own(formula: Formula, tin: Tin, count: int) -> None:
    fill = formula.fill
    if not isinstance(fill, FillStep) or content_of(formula, fill).baked:
        return
    wanted = tin.volume_ml() * count * fill.fill_fraction
    if not 0.02 < wanted / 900 < 500:
        return
    made = scale(formula, KITCHEN, Wish(tin=tin, tin_count=count))
    batter = made.forecast.step(fill.id).material.volume_ml.likely
    assert batter == pytest.approx(wanted, rel=1e-6)


@given(sizes)
@settings(max_examples=10)
def test_the_ratios_follow_the_formula_and_not_its_size(size: float) -> None:
    made = scale(tea_chiffon(), KITCHEN, Wish(whites_g=122 * size)).forecast
    ratios = {r.id: r.value for r in made.balance}
    assert ratios["sugar-to-white"] == pytest.approx(55 / 122)
    assert ratios["flour-to-egg"] == pytest.approx(62 / (122 + 56))
    sugar = next(i for i in made.ingredients if i.id == "sugar")
    assert {r.role: r.grams / sugar.grams for r in sugar.roles} == pytest.approx({"base": 18 / 73, "meringue": 55 / 73})


def test_a_shelf_and_a_bowl_have_ends() -> None:
    said = " ".join(w.text for w in scale(tea_chiffon(), KITCHEN, Wish(tin="tube-17", tin_count=5)).forecast.warnings)
    assert "5 of the 17 cm tube are wanted, 2 stand on the shelf" in said
    assert "l of foam in the 4.8 l bowl" in said
    few = scale(tea_chiffon(), KITCHEN, Wish(eggs=1)).forecast.warnings
    assert any("too low for the whisk" in w.text for w in few)


def test_eggs_are_counted_and_leftovers_told() -> None:
    made = scale(tea_chiffon(), KITCHEN, Wish(eggs=4))
    assert made.eggs is not None
    assert made.eggs.count == 4
    assert made.eggs.left_white_g == pytest.approx(0, abs=1e-6)
    assert made.eggs.left_yolk_g > 0
    assert scale(butter_sponge(), KITCHEN, Wish(eggs=6)).eggs.count == 6  # type: ignore[union-attr]


def test_a_total_is_met() -> None:
    assert scale(butter_sponge(), KITCHEN, Wish(total_g=1000)).forecast.total_g == pytest.approx(1000)


@pytest.mark.parametrize(
    ("formula", "wish", "field"),
    [
        (butter_sponge(), Wish(whites_g=100), "whites_g"),
        (tea_chiffon(), Wish(eggs=3, total_g=500), "total_g"),
        (tea_chiffon(), Wish(tin="bucket"), "tin"),
        (tea_chiffon(), Wish(oven="kiln"), "oven"),
        (tea_chiffon(), Wish(total_g=1_000_000), "total_g"),
    ],
)
def test_a_wish_that_cannot_be_met_names_its_field(formula: Formula, wish: Wish, field: str) -> None:
    with pytest.raises(CraftError) as error:
        scale(formula, KITCHEN, wish)
    assert error.value.field == field
    assert error.value.remedy


@pytest.mark.parametrize(("total", "said"), [(900, "Too full"), (180, "Only")])
def test_a_tin_too_full_or_too_empty_is_warned_about(total: float, said: str) -> None:
    made = scale(tea_chiffon(), KITCHEN, Wish(tin="tube-17", total_g=total))
    assert any(w.text.startswith(said) and w.step == "fill" for w in made.forecast.warnings)
    fitting = scale(tea_chiffon(), KITCHEN, Wish(tin="tube-17"))
    assert not [w for w in fitting.forecast.warnings if w.step == "fill"]


def test_a_round_tin_from_the_shelf_serves_as_well_as_its_shape() -> None:
    by_id = scale(butter_sponge(), KITCHEN, Wish(tin="round-15"))
    by_shape = scale(
        butter_sponge(), KITCHEN, Wish(tin=RoundTin(dimensions=RoundDimensions(diameter_mm=150, depth_mm=60)))
    )
    assert by_id.factor == pytest.approx(by_shape.factor)


def test_two_things_on_the_shelf_may_not_share_an_id() -> None:
    with pytest.raises(ValidationError, match="same id"):
        Kitchen(tins=(KITCHEN.tins[0], KITCHEN.tins[0]))
