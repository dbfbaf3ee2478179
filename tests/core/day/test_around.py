"""Around a day: one weighing, what to buy, what it costs, what would bring all in time, where there is slack."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.day.cost import order_cost
from kindwhisk.core.day.first import first_plan
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.shopping import shopping
from kindwhisk.core.day.slack import chain, slack, why_late
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.day.ways import WayKind, ways
from kindwhisk.core.day.weigh_up import Batch, weigh_up
from kindwhisk.core.day.work import DayBake
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.people import Span
from kindwhisk.core.process.formula import Formula
from kindwhisk.demo.formulas import demo_formulas
from tests.core.day.days import HOUR, days, kitchen, sponge
from tests.core.day.jotted import NOW

BOOK = {f.id: f for f in demo_formulas()}


def batch(formula: str, number: int = 1, begun: frozenset[str] = frozenset()) -> Batch:
    made = BOOK[formula]
    starts = {s.id: NOW + timedelta(minutes=10 * n) for n, s in enumerate(made.steps)}
    return Batch(f"b{number}", made.title, made, starts, begun)


def total(formula: Formula, ingredient: str) -> float:
    return sum(p.grams for p in formula.portions() if p.ingredient == ingredient)


def test_every_ingredient_is_weighed_once_and_all_of_it() -> None:
    batches = [batch("tea-chiffon", 1), batch("citrus-roll", 2), batch("butter-sponge", 3)]
    found = weigh_up(batches, EggSize.EU_M)
    names = [i.ingredient for i in found.ingredients]
    assert len(names) == len(set(names))
    for item in found.ingredients:
        assert item.grams == pytest.approx(sum(total(b.formula, item.ingredient) for b in batches))
        assert item.grams == pytest.approx(sum(b.grams for b in item.bowls))
    flour = next(i for i in found.ingredients if i.ingredient == "cake-flour")
    assert {b.title for b in flour.bowls} >= {"Tea chiffon", "Butter sponge"}


def test_what_is_in_its_bowl_already_is_not_weighed_again() -> None:
    made = BOOK["tea-chiffon"]
    begun = frozenset(s.id for s in made.steps if any(p.ingredient == "cake-flour" for p in s.weighed))
    assert begun
    found = weigh_up([batch("tea-chiffon", begun=begun)], EggSize.EU_M)
    assert "cake-flour" not in {i.ingredient for i in found.ingredients}


def test_whites_that_one_leaves_go_into_another() -> None:
    # Kisses want whites alone; the mousse wants yolks.
    found = weigh_up([batch("kisses", 1), batch("coffee-mousse", 2)], EggSize.EU_M)
    assert found.eggs is not None
    assert found.eggs.pooled < found.eggs.alone
    assert {(o.part, o.from_title, o.to_title) for o in found.offers} >= {
        ("yolk", BOOK["kisses"].title, BOOK["coffee-mousse"].title)
    }


@given(st.lists(st.sampled_from(sorted(BOOK)), min_size=1, max_size=5), st.sampled_from(list(EggSize)))
@settings(max_examples=40, deadline=None)
def test_nobody_is_offered_what_is_over_there_too(formulas: list[str], size: EggSize) -> None:
    found = weigh_up([batch(f, n) for n, f in enumerate(formulas)], size)
    gives = {(o.part, o.from_title) for o in found.offers}
    takes = {(o.part, o.to_title) for o in found.offers}
    assert gives & takes == set()
    assert all(o.grams > 0 for o in found.offers)


def test_what_is_wanted_warm_comes_out_of_the_cold_before() -> None:
    def warm(formula: Formula) -> list[str]:
        wanted = [(s.id, p) for s in formula.steps for p in s.weighed if p.ingredient == "butter"]
        return [i for i, p in wanted if (p.temperature_c or 0) >= 16]

    made = next(f for f in BOOK.values() if warm(f))
    found = weigh_up([batch(made.id)], EggSize.EU_M)
    butter = next(o for o in found.out if o.name == "butter")
    assert batch(made.id).starts[warm(made)[0]] - butter.at == timedelta(hours=2)


def test_a_day_without_bakes_wants_nothing() -> None:
    found = weigh_up([], EggSize.EU_M)
    assert (found.ingredients, found.eggs, found.out, found.offers) == ((), None, (), ())


def test_what_is_missing_is_bought_in_whole_packs() -> None:
    stock = {
        "sugar": StockItem(ingredient="sugar", grams=300, least_g=500, pack_g=1000, price_per_kg=2),
        "cake-flour": StockItem(ingredient="cake-flour", grams=2000, price_per_kg=1),
        "butter": StockItem(ingredient="butter", grams=100, least_g=250),
    }
    found = {r.ingredient: r for r in shopping({"sugar": 900, "cake-flour": 500, "milk": 200}, stock)}
    # 900 needed and 500 to stay, 300 there: 1100 short, so two packs.
    assert (found["sugar"].buy_g, found["sugar"].packs, found["sugar"].amount) == (2000, 2, 4.0)
    assert (found["cake-flour"].buy_g, found["cake-flour"].left_g, found["cake-flour"].low) == (0, 1500, False)
    assert (found["milk"].buy_g, found["milk"].there_g) == (200, None)
    # Too little of it is there, though nothing is made with it.
    assert (found["butter"].buy_g, found["butter"].low) == (150, True)


@given(st.integers(0, 5000), st.integers(0, 5000), st.integers(0, 5000), st.one_of(st.none(), st.integers(1, 3000)))
def test_what_is_bought_is_always_enough(needed: float, there: float, least: float, pack: float | None) -> None:
    item = StockItem(ingredient="sugar", grams=there, least_g=least, pack_g=pack)
    (row,) = shopping({"sugar": needed}, {"sugar": item})
    assert there + row.buy_g >= needed + least - 1e-6
    if pack is not None and row.packs:
        assert there + row.buy_g - pack < needed + least + 1e-6


def test_an_order_costs_its_goods_and_its_hands() -> None:
    made = BOOK["kisses"]
    prices = {"sugar": 2.0, "egg-white": 6.0}
    found = order_cost("b", made, prices, 1800, 20.0, 60)
    goods = (2 * total(made, "sugar") + 6 * total(made, "egg-white")) / 1000
    assert found.goods == pytest.approx(goods)
    assert found.hands == 10
    assert found.each == pytest.approx((goods + 10) / 60)
    assert 0 < found.priced_share < 1
    assert "caster sugar" not in found.unpriced
    assert found.unpriced


def test_hands_without_a_price_cost_nothing_and_say_so() -> None:
    found = order_cost("b", BOOK["kisses"], {}, 1800, None, 1)
    assert found.hands is None
    assert found.total == 0


def plan(bakes: tuple[DayBake, ...], here: DayResources) -> DayPlan:
    return told(first_plan(bakes, here) or (), bakes)


def trying(bakes: Sequence[DayBake], here: DayResources) -> DayPlan | None:
    return solve(bakes, here, Asked(hint=tuple(first_plan(bakes, here) or ()), seconds=3))


def test_a_day_that_is_in_time_needs_no_way_out() -> None:
    bakes = (sponge(0, 8),)
    assert list(ways(plan(bakes, kitchen()), bakes, kitchen(), 0, trying)) == []


def test_the_smallest_changes_are_told_and_help() -> None:
    # Two temperatures in one oven: either another oven, or one less, or later.
    bakes = (sponge(0, 2.6, 160), sponge(1, 2.6, 240))
    here = kitchen(people=2, bowls=2)
    late = trying(bakes, here)
    assert late is not None
    found = list(ways(late, bakes, here, 0, trying))
    kinds = {w.kind for w in found}
    assert WayKind.LATER in kinds
    assert next(w for w in found if w.kind is WayKind.OVEN).late_s == 0
    later = [w for w in found if w.kind is WayKind.LATER]
    assert [w.seconds for w in later] == [one.by_s for one in late.late]


def test_coming_sooner_than_it_opens_is_a_way() -> None:
    # Due an hour and a half after it opens, and it takes two hours and eleven minutes: half an hour is not enough.
    bakes = (sponge(0, 25.5),)
    here = kitchen()
    morning = here.people[0].model_copy(update={"away": (Span(start_s=0, end_s=24 * HOUR),)})
    shut = here.model_copy(update={"people": (morning,)})
    late = trying(bakes, shut)
    assert late is not None
    assert late.late
    sooner = next(w for w in ways(late, bakes, shut, 0, trying) if w.kind is WayKind.SOONER)
    assert sooner.seconds == 3600


@given(days())
@settings(max_examples=40, deadline=None)
def test_slack_is_never_below_none_nor_beyond_what_is_due(day: tuple[tuple[DayBake, ...], DayResources]) -> None:
    bakes, here = day
    placed = first_plan(bakes, here) or []
    spare = slack(placed, bakes)
    dues = {b.id: b.due_s for b in bakes}
    ends = {b.id: max(p.end_s for p in placed if p.bake == b.id) for b in bakes}
    for one in placed:
        assert spare[one.key] >= 0
        assert one.end_s + spare[one.key] <= max(dues[one.bake], ends[one.bake]) + 1e-6


def test_what_waits_for_another_bake_says_so() -> None:
    bakes = (sponge(0, 2.8, 160, weight=3), sponge(1, 2.8, 240, weight=1))
    here = kitchen()
    found = plan(bakes, here)
    (late,) = [one for one in found.late if one.bake == "b1"]
    says = why_late(chain(found.placed, bakes, "b1"), bakes[1], {"b0": "Sponge 0", "b1": "Sponge 1"}, late.by_s)
    assert says.startswith("Sponge 1 is ready")
    assert "Sponge 0" in says


def test_what_nothing_holds_up_has_to_begin_sooner() -> None:
    bakes = (sponge(0, 1),)
    found = plan(bakes, kitchen())
    says = why_late(chain(found.placed, bakes, "b0"), bakes[0], {"b0": "Sponge 0"}, found.late[0].by_s)
    assert "begin sooner" in says


def test_it_aims_to_be_ready_before_it_is_due() -> None:
    bake = sponge(0, 8).model_copy(update={"aim_s": 7.5 * HOUR})
    found = trying((bake,), kitchen())
    assert found is not None
    assert max(p.end_s for p in found.placed) == 7.5 * HOUR
    assert found.late == ()
