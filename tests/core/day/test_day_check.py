"""The checker sees what can't be done: each rule is broken here by hand, and found."""

from __future__ import annotations

from collections.abc import Callable

import pytest

from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import first_plan
from kindwhisk.core.day.resources import Hands
from kindwhisk.core.day.work import DayBake, Known, Placed
from kindwhisk.core.people import Craft, Span
from tests.core.day.days import HOUR, kitchen, sponge

Plan = dict[tuple[str, str], Placed]
BAKES = (sponge(0, 5, 160), sponge(1, 9, 240))
HERE = kitchen(people=2)


def plan() -> Plan:
    return {p.key: p for p in first_plan(BAKES, HERE) or ()}


def moved(found: Plan, bake: str, step: str, by_s: float) -> None:
    one = found[bake, step]
    found[bake, step] = one.model_copy(update={"start_s": one.start_s + by_s, "end_s": one.end_s + by_s})


def whole(found: Plan, bake: str, by_s: float) -> None:
    for key in [k for k in found if k[0] == bake]:
        moved(found, *key, by_s)


def put(found: Plan, bake: str, step: str, **fields: object) -> None:
    found[bake, step] = found[bake, step].model_copy(update=fields)


FAULTS: dict[str, Callable[[Plan], object]] = {
    "whole": lambda f: f.pop(("b0", "fold")),
    "ahead": lambda f: whole(f, "b0", -3 * HOUR),
    "length": lambda f: put(f, "b0", "bake", end_s=f["b0", "bake"].end_s - 60),
    "order": lambda f: moved(f, "b0", "finish", -600),
    "window": lambda f: moved(f, "b0", "whip", -600),
    "hands": lambda f: put(f, "b0", "fold", person=""),
    "hours": lambda f: whole(f, "b1", 10 * HOUR),
    "mixer": lambda f: put(f, "b0", "whip", mixer=""),
    "oven": lambda f: whole(f, "b1", -4 * HOUR),
    "heat": lambda f: put(f, "b0", "heat", start_s=f["b0", "heat"].end_s - 300),
}


@pytest.mark.parametrize("rule", FAULTS)
def test_each_rule_is_seen_to_be_broken(rule: str) -> None:
    found = plan()
    assert breaches(list(found.values()), BAKES, HERE) == []
    FAULTS[rule](found)
    assert rule in {b.rule for b in breaches(list(found.values()), BAKES, HERE)}


def test_the_same_hands_twice_at_once_are_seen() -> None:
    found = plan()
    put(found, "b1", "weigh", start_s=found["b0", "weigh"].start_s, end_s=found["b0", "weigh"].end_s, person="p0")
    put(found, "b0", "weigh", person="p0")
    assert "hands" in {b.rule for b in breaches(list(found.values()), BAKES, HERE)}


def test_fat_before_whites_wants_a_wash() -> None:
    here = kitchen(people=2, bowls=1)
    found = plan()
    whip = found["b0", "whip"]
    put(found, "b1", "yolks", start_s=whip.start_s - 300, end_s=whip.start_s - 60)
    assert "wash" in {b.rule for b in breaches(list(found.values()), BAKES, here)}
    two = kitchen(people=2, bowls=2)
    assert "wash" not in {b.rule for b in breaches(list(found.values()), BAKES, two)}


def test_a_bowl_that_still_holds_a_foam_is_seen() -> None:
    found = plan()
    whip = found["b0", "whip"]
    # The mixer is free again, and the whites of the first still stand in its bowl.
    put(found, "b1", "yolks", start_s=whip.end_s, end_s=whip.end_s + 240)
    assert found["b0", "fold"].end_s > whip.end_s
    assert "bowl" in {b.rule for b in breaches(list(found.values()), BAKES, kitchen(people=2, bowls=1))}
    assert "bowl" not in {b.rule for b in breaches(list(found.values()), BAKES, kitchen(people=2, bowls=2))}


def test_more_racks_than_there_are_are_seen() -> None:
    bakes = (sponge(0, 5), sponge(1, 5))
    here = kitchen(people=3, racks=1, bowls=2)
    found = {p.key: p for p in first_plan(bakes, here) or ()}
    assert breaches(list(found.values()), bakes, here) == []
    put(found, "b1", "bake", start_s=found["b0", "bake"].start_s, end_s=found["b0", "bake"].end_s)
    assert "oven" in {b.rule for b in breaches(list(found.values()), bakes, here)}


def test_what_was_begun_may_not_be_moved() -> None:
    found = plan()
    one = found["b0", "weigh"]
    known = {"weigh": Known(start_s=one.start_s, end_s=one.end_s, over=True)}
    begun: DayBake = BAKES[0].model_copy(update={"known": known})
    moved(found, "b0", "weigh", -60)
    assert "begun" in {b.rule for b in breaches(list(found.values()), (begun, BAKES[1]), HERE)}


def test_somebody_who_does_no_such_work_is_seen() -> None:
    people = (Hands(id="p0", name="P", does=(Craft.OVEN,)), Hands(id="p1", name="Q"))
    found = plan()
    put(found, "b0", "fold", person="p0")
    assert "may" in {b.rule for b in breaches(list(found.values()), BAKES, HERE.model_copy(update={"people": people}))}


def test_too_many_on_the_rack_are_seen() -> None:
    here = kitchen(people=3, bowls=2, shut=False)
    bakes = (sponge(0, 5), sponge(1, 5))
    found = {p.key: p for p in first_plan(bakes, here) or ()}
    small = here.model_copy(update={"places": {**here.places, "rack": 1}})
    put(found, "b1", "cool", start_s=found["b0", "cool"].start_s, end_s=found["b0", "cool"].end_s)
    assert "rack" in {b.rule for b in breaches(list(found.values()), bakes, small)}


def test_an_oven_that_is_shut_takes_nothing() -> None:
    deck = HERE.ovens[0].model_copy(update={"shut": (Span(start_s=0, end_s=12 * HOUR),)})
    assert first_plan((sponge(0, 5),), HERE.model_copy(update={"ovens": (deck,)}))
    found = first_plan((sponge(0, 5),), HERE.model_copy(update={"ovens": (deck,)})) or []
    assert min(p.start_s for p in found if p.step == "bake") >= 12 * HOUR
