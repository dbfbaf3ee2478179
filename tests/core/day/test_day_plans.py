"""Plans of a day: nothing over its capacity, every window kept, and never worse for more hands."""

from __future__ import annotations

from collections.abc import Sequence

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.core.day.alone import alone
from kindwhisk.core.day.bowls import stays_of
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import first_plan
from kindwhisk.core.day.hands import walks
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.resources import DayResources, Hands
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.work import DayBake, Placed
from kindwhisk.core.people import Craft, Span
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.vessels.vessel import VesselForm
from kindwhisk.demo.formulas import demo_formulas
from tests.core.day.days import HOUR, days, kitchen, sponge

SLOW = settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])
EXACT = 0.003


def solved(bakes: Sequence[DayBake], here: DayResources, seconds: float = 8.0) -> DayPlan:
    first = first_plan(bakes, here)
    found = solve(bakes, here, Asked(hint=tuple(first or ()), seconds=seconds))
    assert found is not None
    return found


def ends(plan: DayPlan | Sequence[Placed], step: str = "finish") -> list[float]:
    placed = plan.placed if isinstance(plan, DayPlan) else plan
    return [p.end_s / HOUR for p in sorted(placed, key=lambda p: p.bake) if p.step == step]


@given(days())
@settings(max_examples=80, deadline=None)
def test_the_first_plan_can_be_done(day: tuple[tuple[DayBake, ...], DayResources]) -> None:
    bakes, here = day
    found = first_plan(bakes, here)
    assert found is not None
    assert breaches(found, bakes, here) == []


@given(days())
@SLOW
def test_what_the_solver_finds_can_be_done_and_is_no_worse(
    day: tuple[tuple[DayBake, ...], DayResources],
) -> None:
    bakes, here = day
    first = first_plan(bakes, here)
    assert first is not None
    found = solved(bakes, here, seconds=2.0)
    assert breaches(found.placed, bakes, here) == []
    assert found.cost <= told(first, bakes).cost + 1e-6
    assert found.bound is not None
    assert found.bound <= found.cost + 1e-6


@given(days())
@SLOW
def test_one_more_pair_of_hands_never_makes_it_later(day: tuple[tuple[DayBake, ...], DayResources]) -> None:
    bakes, here = day
    more = here.model_copy(update={"people": (*here.people, here.people[0].model_copy(update={"id": "helper"}))})
    one, other = solved(bakes, here), solved(bakes, more)
    if one.gap is not None and other.gap is not None and max(one.gap, other.gap) <= EXACT:
        assert other.cost <= one.cost * (1 + 2 * EXACT)


@given(st.integers(1, 3), st.sampled_from([160, 180, 240]))
def test_a_bake_alone_is_as_short_as_its_chain(number: int, celsius: float) -> None:
    bake = sponge(number, 8, celsius)
    starts = alone(bake, kitchen(), "deck")
    assert starts is not None
    assert starts["finish"] == -900
    assert -min(starts.values()) == pytest.approx(600 + 240 + 180 + 300 + 240 + 1800 + 3600 + 900)


def test_two_at_one_temperature_share_the_oven_and_its_heat() -> None:
    # Worked out by hand: hands lie 4 minutes apart at the fold, so both can be in at once; only one heats from cold.
    bakes = (sponge(0, 6), sponge(1, 6))
    plan = solved(bakes, kitchen(people=2, bowls=2))
    assert plan.late == ()
    baked = [p for p in plan.placed if p.step == "bake"]
    assert baked[0].end_s > baked[1].start_s
    # The first heats from cold. The second has only to be on by when its whites are whipped, whichever plan of equal
    # cost was found.
    first, second = sorted((p.start_s, p.end_s) for p in plan.placed if p.step == "heat")
    assert first[1] - first[0] <= 1080 + 30
    assert second[1] - second[0] <= 300 + 240


def test_two_temperatures_follow_each_other_with_the_way_between() -> None:
    bakes = (sponge(0, 6, 160), sponge(1, 6, 240))
    here = kitchen(people=2, bowls=2)
    plan = solved(bakes, here)
    first, second = sorted((p for p in plan.placed if p.step == "bake"), key=lambda p: p.start_s)
    # Up by 80 K at 8 K a minute and two minutes for the walls; down it would be 20 and two.
    assert first.bake == "b0"
    assert second.start_s - first.end_s >= 12 * 60


def test_another_oven_is_taken_where_that_is_in_time() -> None:
    two = ("deck", "fan")
    bakes = (sponge(0, 3.5, 160, two), sponge(1, 3.5, 240, two))
    plan = solved(bakes, kitchen(people=2, ovens=2, bowls=2))
    assert plan.late == ()
    assert {p.oven for p in plan.placed if p.step == "bake"} == {"deck", "fan"}


def test_the_heavier_order_is_in_time_where_both_cannot_be() -> None:
    bakes = (sponge(0, 2.8, 160, weight=1), sponge(1, 2.8, 240, weight=5))
    plan = solved(bakes, kitchen(people=2, bowls=2))
    assert [one.bake for one in plan.late] == ["b0"]


def test_nothing_is_done_by_hand_while_the_kitchen_is_shut() -> None:
    # Due at five in the morning of the second day: all but what needs no hands lies in the evening before.
    plan = solved((sponge(0, 25),), kitchen())
    starts = {p.step: p.start_s / HOUR for p in plan.placed}
    assert starts["finish"] == pytest.approx(24.75)
    assert starts["fold"] < 18


def test_only_who_may_does_it() -> None:
    here = kitchen(people=1)
    baker = Hands(id="baker", name="Baker", does=(Craft.BATTER, Craft.OVEN))
    finisher = Hands(id="finisher", name="Finisher", does=(Craft.FINISHING,))
    here = here.model_copy(update={"people": (baker, finisher)})
    plan = solved((sponge(0, 6), sponge(1, 6)), here)
    assert breaches(plan.placed, (sponge(0, 6), sponge(1, 6)), here) == []
    assert {p.person for p in plan.placed if p.step == "finish"} == {"finisher"}
    assert {p.person for p in plan.placed if p.step == "fold"} == {"baker"}


def test_with_one_bowl_the_next_foam_waits_until_it_is_empty_and_washed() -> None:
    bakes = (sponge(0, 6), sponge(1, 6))
    one, two = (solved(bakes, kitchen(people=3, bowls=n)) for n in (1, 2))
    assert breaches(one.placed, bakes, kitchen(people=3, bowls=1)) == []
    first, second = sorted(("b0", "b1"), key=lambda b: one.of(b)["yolks"].start_s)
    yolks = one.of(second)["yolks"].start_s
    assert yolks >= one.of(first)["fold"].end_s or yolks + 240 + 180 <= one.of(first)["whip"].start_s
    assert two.cost <= one.cost * (1 + 2 * EXACT)


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_a_foam_keeps_its_bowl_until_it_is_in_something_else(formula: Formula) -> None:
    full = prepared(formula)
    forms = {v.id: v.form for v in full.vessels}
    stays = stays_of(full)
    firsts = [s.first for s in stays]
    assert len(firsts) == len(set(firsts))
    for stay in stays:
        assert forms[full.step(stay.first).vessel] is VesselForm.MIXER_BOWL
        # Nothing takes from what is in the bowl after it counts as empty.
        inside = {i for i in stay.steps if full.step(i).vessel == stay.vessel}
        takers = {s.id for s in full.steps if inside & set(s.taken_from)}
        assert takers <= set(stay.steps)
    whipped = {s.id for s in full.steps if Resource.MIXER in s.uses and forms.get(s.vessel) is VesselForm.MIXER_BOWL}
    assert whipped <= {i for s in stays for i in s.steps}


def test_what_is_pinned_stays_and_the_others_go_round_it() -> None:
    pinned = sponge(0, 9).model_copy(update={"pinned": {"bake": 4 * HOUR}})
    bakes = (pinned, sponge(1, 6))
    found = solve(bakes, kitchen(), Asked(seconds=4))
    assert found is not None
    assert found.of("b0")["bake"].start_s == 4 * HOUR
    assert breaches(found.placed, bakes, kitchen()) == []


def test_whoever_is_at_a_bake_goes_on_with_it() -> None:
    bakes = (sponge(0, 6), sponge(1, 6))
    plan = solved(bakes, kitchen(people=2))
    assert walks(plan.placed) <= 4
    assert {p.person for p in plan.placed if p.step in {"weigh", "fold"}} <= {"p0", "p1"}


def test_a_day_without_orders_has_an_empty_plan() -> None:
    found = solve((), kitchen(), Asked())
    assert found is not None
    assert found.placed == ()
    assert found.cost == 0


def test_an_oven_that_fails_leaves_the_day_to_the_other() -> None:
    two = ("deck", "fan")
    here = kitchen(people=2, ovens=2, bowls=2)
    shut = here.ovens[0].model_copy(update={"shut": (Span(start_s=0, end_s=20 * HOUR),)})
    here = here.model_copy(update={"ovens": (shut, here.ovens[1])})
    bakes = (sponge(0, 6, 160, two), sponge(1, 7, 240, two))
    plan = solved(bakes, here)
    assert breaches(plan.placed, bakes, here) == []
    assert {p.oven for p in plan.placed if p.step == "bake"} == {"fan"}
    assert plan.late == ()
