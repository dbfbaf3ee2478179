"""Every formula of the Book, changed as bakers change them: scaled, by another meringue, with other goods."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.foams import balance
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.ingredients.eggs import EggSize, egg_need, egg_parts, eggs_of_the_day
from kindwhisk.core.process.comparison import About, compare
from kindwhisk.core.process.formula import Draft, Formula
from kindwhisk.core.process.kinds import kinds
from kindwhisk.core.process.meringue import meringues, with_method
from kindwhisk.core.process.portions import IngredientPortion, Portion
from kindwhisk.core.process.scaling import Scaled, scale
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.substitution import Swap, families, offers, substitute
from kindwhisk.core.process.weigh_list import weigh_list
from kindwhisk.core.process.wish import Limit, MoreTins, Wish
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

BOOK = {f.id: f for f in demo_formulas()}
KITCHEN = demo_kitchen()
every = pytest.mark.parametrize("formula", BOOK.values(), ids=BOOK.keys())
anyone = st.sampled_from(sorted(BOOK))


def made(formula: Formula, **wish: object) -> Scaled:
    return scale(formula, KITCHEN, Wish.model_validate(wish))


def test_every_class_of_foam_bake_is_in_the_book() -> None:
    assert {f.technique for f in BOOK.values()} == set(Technique)
    shells = [f for f in BOOK.values() if f.technique is Technique.SHELLS]
    assert {m for f in shells for m in meringues(f).values()} == set(Method)
    # What is only done by hand, in words of its own, comes from recipes that are read in.
    assert {s.kind for f in BOOK.values() for s in f.steps} == {k.kind for k in kinds()} - {"hand"}


@every
def test_a_shipped_formula_lands_on_its_bands_without_a_risk(formula: Formula) -> None:
    seen = made(formula).forecast
    assert [w.text for w in seen.warnings if w.level != "note"] == []
    for step in seen.steps:
        if step.kind == "fold":
            for band in (c.band for c in step.checkpoints if c.band):
                assert band.range.contains(step.material.density_g_per_ml.likely), step.id
    assert [(r.id, r.value) for r in seen.balance if r.place not in {None, Place.WITHIN}] == []
    assert any(r.band for r in seen.balance)


@given(anyone, st.floats(0.3, 8))
@settings(max_examples=40)
def test_a_formula_forecasts_balances_and_keeps_its_ratios_at_any_size(name: str, size: float) -> None:
    formula = BOOK[name]
    one, other = made(formula), made(formula, total_g=formula.total_g() * size)
    assert other.factor == pytest.approx(size)
    assert [r.id for r in one.forecast.balance] == [r.id for r in other.forecast.balance]
    for a, b in zip(one.forecast.balance, other.forecast.balance, strict=True):
        assert a.value == pytest.approx(b.value, rel=1e-6)
    # Components share out all that is weighed, whatever the size.
    shared = sum(i.grams for c in other.forecast.components for i in c.ingredients)
    assert shared == pytest.approx(other.forecast.total_g)
    listed = sum(i.grams for part in weigh_list(other.forecast) for bowl in part.bowls for i in bowl.items)
    assert listed == pytest.approx(other.forecast.total_g)


def test_one_ingredient_in_several_parts_is_summed_and_kept_apart() -> None:
    seen = made(BOOK["syrup-shells"]).forecast
    white = next(i for i in seen.ingredients if i.id == "egg-white")
    assert {r.role for r in white.roles} == {"paste", "meringue"}
    assert sum(r.grams for r in white.roles) == pytest.approx(white.grams)
    cream = next(i for i in seen.ingredients if i.id == "cream-35")
    assert {r.role for r in cream.roles} == {"ganache", "whipped cream"}


def _roleless(portion: Portion) -> Portion:
    return portion.model_copy(update={"role": ""}) if isinstance(portion, IngredientPortion) else portion


def test_a_part_that_has_no_role_is_told_by_the_work_that_takes_it_not_by_its_weighing() -> None:
    book = BOOK["syrup-shells"]
    inputs = (tuple(_roleless(p) for p in s.inputs) for s in book.steps)
    bare = tuple(s.model_copy(update={"inputs": i}) for s, i in zip(book.steps, inputs, strict=True))
    seen = made(book.model_copy(update={"steps": bare})).forecast
    white = next(i for i in seen.ingredients if i.id == "egg-white")
    titles = {s.title for s in book.steps if not isinstance(s, WeighStep)}
    assert len(white.roles) == 2
    assert all(r.role == "" and r.step in titles for r in white.roles)


def test_components_are_ready_before_those_that_take_them() -> None:
    parts = {c.id: c for c in made(BOOK["finger-cake"]).forecast.components}
    assert parts["cake"].ready_before_s == 0
    assert parts["soak"].ready_before_s > parts["mousse"].ready_before_s > parts["mirror"].ready_before_s > 0
    assert parts["mousse"].allergens == ("egg", "milk")
    assert parts["mousse"].check_labels == ("gelatine leaf",)


# --- scaling ---


def test_scaling_from_whatever_is_known() -> None:
    shells, mousse, chiffon = (BOOK[i] for i in ("french-shells", "coffee-mousse", "tea-chiffon"))
    assert made(shells, limit={"ingredient": "almond-flour", "grams": 180}).factor == pytest.approx(180 / 76)
    piped = made(shells, pieces=100).fills[0]
    assert (piped.count, piped.trays) == (100, 4)
    assert made(shells, tin_count=3).fills[0].count == 90
    glasses = made(mousse, pieces=9).fills[0]
    assert glasses.count == 9
    assert glasses.fraction == pytest.approx(0.63, abs=0.01)
    assert made(chiffon, servings=16).factor == 2
    eggs = made(chiffon, eggs=4, egg_size="us-jumbo").eggs
    assert eggs is not None
    assert (eggs.count, eggs.size) == (4, EggSize.US_JUMBO)
    assert made(BOOK["butter-sponge"], tin="round-20", depth_mm=24).fills[0].level_mm == pytest.approx(24, abs=0.1)


def test_tins_of_several_kinds_share_a_batter_to_the_same_height_of_their_volume() -> None:
    wish = Wish(tin="round-20", tin_count=1, beside=(MoreTins(tin="round-15", count=2),))
    both = scale(BOOK["butter-sponge"], KITCHEN, wish)
    large, small = both.fills
    assert large.fraction == pytest.approx(small.fraction)
    assert large.grams + 2 * small.grams == pytest.approx(both.forecast.step("fill").material.mass_g)
    assert large.minutes is not None
    assert small.minutes is not None
    assert small.minutes.likely < large.minutes.likely


def test_a_deeper_batter_takes_longer_and_says_so() -> None:
    deep = made(BOOK["butter-sponge"], tin="round-20", depth_mm=50).depth
    flat = made(BOOK["butter-sponge"], tin="round-20", depth_mm=20).depth
    assert deep is not None
    assert flat is not None
    assert flat.now_minutes.likely < deep.own_minutes < deep.now_minutes.likely


@pytest.mark.parametrize(
    ("formula", "wish", "field"),
    [
        ("tea-chiffon", Wish(limit=Limit(ingredient="cocoa", grams=50)), "limit.ingredient"),
        ("tea-chiffon", Wish(pieces=2, servings=4), "servings"),
        ("tea-chiffon", Wish(servings=10_000), "servings"),
    ],
)
def test_a_wish_that_does_not_fit_names_its_field(formula: str, wish: Wish, field: str) -> None:
    with pytest.raises(CraftError) as error:
        scale(BOOK[formula], KITCHEN, wish)
    assert error.value.field == field


grams = st.floats(0, 2000)


@given(grams, grams, grams, st.sampled_from(EggSize))
def test_eggs_are_accounted_for(white: float, yolk: float, whole: float, size: EggSize) -> None:
    need = egg_need(white, yolk, whole, size)
    if need is None:
        assert white + yolk + whole == 0
        return
    one = egg_parts(size)
    assert need.exact - 1e-6 <= need.count + 0.1
    assert need.count <= need.exact + 2
    assert min(need.left_white_g, need.left_yolk_g, need.left_whole_g) >= 0
    assert min(need.left_white_g / one.white_g.likely, need.left_yolk_g / one.yolk_g.likely) <= 1


def test_the_whites_of_one_bake_go_with_the_yolks_of_another() -> None:
    meringue, mousse = (made(BOOK[i]).eggs for i in ("syrup-peaks", "coffee-mousse"))
    assert meringue is not None
    assert mousse is not None
    day = eggs_of_the_day([meringue, mousse], EggSize.EU_M)
    assert day is not None
    assert day.pooled < day.alone
    assert eggs_of_the_day([], EggSize.EU_M) is None


# --- another meringue ---


@every
@pytest.mark.parametrize("method", list(Method))
def test_every_meringue_can_be_made_by_every_method(formula: Formula, method: Method) -> None:
    for step in meringues(formula):
        changed = with_method(formula, step, method)
        assert meringues(changed)[step] is method
        assert changed.grams_of("egg-white") == pytest.approx(formula.grams_of("egg-white"))
        seen = made(changed).forecast
        boils = {"boiling-sugar"} <= {c.id for s in seen.steps for c in s.cautions if s.id.startswith(step)}
        assert boils == (method is Method.ITALIAN)
        ratio = next(r for r in seen.balance if r.id == "sugar-to-white" and r.step == step)
        assert ratio.place in {None, Place.WITHIN}


def test_there_and_back_again_is_the_same_meringue() -> None:
    formula = BOOK["french-shells"]
    back = with_method(with_method(formula, "whip", Method.ITALIAN), "whip", Method.FRENCH)
    assert compare(made(formula).forecast, made(back).forecast) == ()


def test_what_a_method_changes_is_listed() -> None:
    formula = BOOK["swiss-swirls"]
    found = compare(made(formula).forecast, made(with_method(formula, "whip", Method.ITALIAN)).forecast)
    about = {d.about for d in found}
    assert about >= {About.INGREDIENT, About.STEP, About.HOLD, About.HAZARD, About.DENSITY}
    water = next(d for d in found if d.where == "water")
    assert (water.before, water.after) == ("", "65 g")
    with pytest.raises(CraftError, match="finishes no meringue"):
        with_method(formula, "pipe", Method.FRENCH)


# --- other goods ---

SWAPS = [
    (f.id, i, o.ingredient)
    for f in BOOK.values()
    for i in sorted({p.ingredient for p in f.portions()})
    for o in offers(i)
]


def _exactly(formula: Formula, ingredient_id: str) -> float:
    """Grams of this ingredient itself, and not of what counts as it."""
    return sum(p.grams for p in formula.portions() if p.ingredient == ingredient_id)


@given(st.sampled_from(SWAPS), st.floats(0.1, 1))
@settings(max_examples=60)
def test_any_offered_substitution_computes_and_is_in_the_ledger(swap: tuple[str, str, str], share: float) -> None:
    name, old, new = swap
    formula = BOOK[name]
    changed = substitute(formula, Swap(ingredient=old, into=new, share=share), KITCHEN)
    assert _exactly(changed, old) == pytest.approx(_exactly(formula, old) * (1 - share), abs=1e-6)
    assert _exactly(changed, new) > _exactly(formula, new)
    assert len(changed.ledger) == len(formula.ledger) + 1
    made(changed)


@pytest.mark.parametrize(
    ("formula", "swap", "check"),
    [
        ("butter-sponge", ("butter", "oil-neutral"), lambda a, b: b["fat"] == pytest.approx(a["fat"], rel=0.01)),
        ("tea-chiffon", ("egg-white", "white-dried"), lambda a, b: b["white"] == pytest.approx(a["white"], rel=0.02)),
        ("tea-chiffon", ("milk", "milk-powder"), lambda a, b: b["water"] == pytest.approx(a["water"], rel=0.02)),
        ("tea-chiffon", ("cream-of-tartar", "lemon-juice"), lambda a, b: b["acid"] == pytest.approx(a["acid"])),
        ("butter-sponge", ("honey", "sugar"), lambda a, b: b["sugar"] == pytest.approx(a["sugar"], rel=0.01)),
    ],
)
def test_a_substitute_is_matched_by_what_it_does(formula: str, swap: tuple[str, str], check: object) -> None:
    def figures(one: Formula) -> dict[str, float]:
        from kindwhisk.core.foams.foam import egg_white_g
        from kindwhisk.core.ingredients.acids import as_cream_of_tartar_g
        from kindwhisk.core.ingredients.material import Material

        parts: dict[str, float] = {}
        for p in one.portions():
            parts[p.ingredient] = parts.get(p.ingredient, 0.0) + p.grams
        whole = Material(parts=parts)
        return {
            "fat": whole.composition.fat * whole.mass_g,
            "water": whole.composition.water * whole.mass_g,
            "white": egg_white_g(whole),
            "acid": as_cream_of_tartar_g(whole),
            "sugar": balance.added_sugar_g(whole),
        }

    assert callable(check)
    old, new = swap
    changed = substitute(BOOK[formula], Swap(ingredient=old, into=new), KITCHEN)
    assert check(figures(BOOK[formula]), figures(changed))


def test_a_substitution_tells_allergens_and_strength() -> None:
    nuts = substitute(BOOK["french-shells"], Swap(ingredient="almond-flour", into="sunflower-ground"), KITCHEN)
    assert any("allergen" in c and "almond" in c for c in nuts.ledger[-1].changes)
    flour = substitute(BOOK["bare-sponge"], Swap(ingredient="cake-flour", into="strong-flour"), KITCHEN)
    assert any("stronger" in c for c in flour.ledger[-1].changes)
    assert all(len(f.members) > 1 for f in families())
    with pytest.raises(CraftError, match="can't take the place"):
        substitute(BOOK["bare-sponge"], Swap(ingredient="sugar", into="salt"), KITCHEN)


# --- written as a process ---


def test_whites_into_a_greasy_bowl_are_named_where_they_stand() -> None:
    formula = BOOK["butter-loaf"]
    steps = tuple(s.model_copy(update={"vessel": "yolk-bowl"}) if s.id.startswith("whip") else s for s in formula.steps)
    draft = Draft.model_validate({**dict(formula), "steps": steps})
    found = [f for f in draft.findings() if not f.blocks]
    assert [f.step for f in found] == ["whip-whites"]
    assert "held fat" in found[0].text
    assert any("held fat" in w.text for w in made(Formula.model_validate(dict(draft))).forecast.warnings)


def test_every_kind_can_be_put_into_a_process_from_its_first_draft() -> None:
    for view in kinds():
        step = {
            **view.draft,
            "id": "new",
            "title": "New",
            "vessel": "tin",
            "inputs": [{"source": "step", "step": "weigh"}],
        }
        weigh = {
            "kind": "weigh",
            "id": "weigh",
            "title": "Weigh",
            "vessel": "tin",
            "inputs": [IngredientPortion(ingredient="egg-white", grams=100).model_dump()],
        }
        formula = Formula.model_validate(
            {
                "id": "x",
                "title": "X",
                "technique": "meringue",
                "vessels": [{"id": "tin", "name": "tin", "form": "tin"}],
                "steps": [weigh, step],
            }
        )
        assert len(made(formula).forecast.steps) >= 2
        assert {f.name for f in view.fields} >= set(view.draft) - {"kind"}


def test_a_ring_holds_what_was_lined_and_what_was_poured() -> None:
    formula = BOOK["finger-cake"]
    lead = formula.fill
    assert isinstance(lead, FillStep)
    assert lead.id == "fill"
    wide = made(formula, tin={"shape": "round", "dimensions": {"diameter_mm": 240, "depth_mm": 65}})
    assert wide.factor == pytest.approx((240 / 200) ** 2, rel=0.12)
    assert wide.fills[0].minutes is None
    assert "unbaked-egg" in {c.id for c in wide.forecast.steps[-1].cautions}
