"""Parts of formulas that are made by themselves: which can be, what is left of the whole, which are the same work."""

from __future__ import annotations

import pytest

from kindwhisk.core.day.order import Beforehand
from kindwhisk.core.day.parts import alone_making, made_alone, making_of, part_of
from kindwhisk.core.day.prepared import PartSource, Prepared, prepare, prepare_part, without
from kindwhisk.core.day.supply import FREEZE_S, THAW_S
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.process.record import NO_RECORD
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

BOOK = {f.id: f for f in demo_formulas()}
KITCHEN = demo_kitchen()
PARTED = [f for f in BOOK.values() if f.components]


def whole(formula: Formula, wish: Wish | None = None) -> Prepared:
    return prepare(formula, KITCHEN, wish or Wish(), NO_RECORD)


def part(formula: Formula, component: str, *wishes: Wish) -> Prepared:
    sources = [PartSource(f"d{n}:{component}", formula, w, component) for n, w in enumerate(wishes or (Wish(),))]
    return prepare_part(sources, KITCHEN, NO_RECORD)


@pytest.mark.parametrize("formula", PARTED, ids=lambda f: f.id)
def test_a_part_and_the_rest_are_all_of_it(formula: Formula) -> None:
    full = whole(formula)
    everything = {t.id for t in full.tasks}
    for offer in full.offers:
        own, rest = part(formula, offer.id), without(full, [Beforehand(component=offer.id)])
        made, left = {t.id for t in own.tasks}, {t.id for t in rest.tasks}
        assert made | left == everything
        assert not made & left
        # It is a process by itself, with the same steps at the bench as in the plan.
        assert {s.id for s in own.scaled.forecast.steps} == made
        assert {g.earlier for g in rest.lags} | {g.later for g in rest.lags} <= left
        grams = sum(p.grams for s in full.scaled.formula.steps if s.id in left for p in s.weighed)
        assert own.scaled.formula.total_g() + grams == pytest.approx(full.scaled.formula.total_g())


@pytest.mark.parametrize("formula", PARTED, ids=lambda f: f.id)
def test_nothing_that_comes_from_elsewhere_may_wait_longer_than_it_holds(formula: Formula) -> None:
    full = whole(formula)
    for offer in full.offers:
        rest = without(full, [Beforehand(component=offer.id)])
        assert rest.supplies
        for supply in rest.supplies:
            holds = [
                g.at_most_s
                for g in full.lags
                if g.earlier in offer.steps and g.later == supply.later and g.at_most_s is not None
            ]
            assert supply.at_most_s is not None
            assert supply.at_most_s <= min([offer.keeps_s, *holds])


def test_a_batter_whose_foam_falls_is_no_part_to_be_made_before() -> None:
    assert made_alone(BOOK["ringed-chiffon"], "plain")
    assert "plain" not in {o.id for o in whole(BOOK["ringed-chiffon"]).offers}
    # What takes from another part can't be made by itself, nor can what is served.
    assert not made_alone(BOOK["ringed-chiffon"], "dark")
    assert "cake" not in {o.id for o in whole(BOOK["layer-cake"]).offers}
    with pytest.raises(ValueError, match="by itself"):
        part_of(BOOK["ringed-chiffon"], "dark")


def test_frozen_keeps_longer_and_has_to_thaw() -> None:
    full = whole(BOOK["layer-cake"])
    cold = without(full, [Beforehand(component="sponge")]).supplies
    frozen = without(full, [Beforehand(component="sponge", frozen=True)]).supplies
    assert {s.at_least_s for s in cold} == {0.0}
    assert {s.at_least_s for s in frozen} == {FREEZE_S + THAW_S}
    assert min(s.at_most_s or 0 for s in frozen) > max(s.at_most_s or 0 for s in cold)
    # What is told is what the first step that takes it bears, as a foam too.
    assert {o.id: o.keeps_s for o in full.offers}["cream"] == min(
        s.at_most_s or 0 for s in without(full, [Beforehand(component="cream")]).supplies
    )
    # Whipped cream does not freeze: it stays what it is in the cold.
    cream = [without(full, [Beforehand(component="cream", frozen=f)]).supplies for f in (False, True)]
    assert cream[0] == cream[1]


def test_the_same_work_in_other_amounts_is_the_same_making() -> None:
    cream = part_of(BOOK["layer-cake"], "cream")
    assert making_of(cream) == making_of(cream.scaled(3.7))
    names = {s.id: f"other-{s.id}" for s in cream.steps}

    def named(formula: Formula) -> Formula:
        steps = [
            s.model_copy(
                update={
                    "id": names[s.id],
                    "title": "Otherwise",
                    "inputs": tuple(
                        p if isinstance(p, IngredientPortion) else p.model_copy(update={"step": names[p.step]})
                        for p in s.inputs
                    ),
                }
            )
            for s in formula.steps
        ]
        return formula.model_copy(update={"steps": tuple(steps)})

    assert making_of(named(cream)) == making_of(cream)
    sweeter = cream.steps[0].model_copy(
        update={
            "inputs": tuple(
                p.model_copy(update={"grams": 2 * p.grams})
                if isinstance(p, IngredientPortion) and p.ingredient == "icing-sugar"
                else p
                for p in cream.steps[0].inputs
            )
        }
    )
    assert making_of(cream.model_copy(update={"steps": (sweeter, *cream.steps[1:])})) != making_of(cream)
    assert making_of(cream) != making_of(part_of(BOOK["dome"], "cream"))


def test_what_goes_into_tins_is_not_simply_more_of_the_same() -> None:
    assert alone_making(BOOK["layer-cake"], "sponge") == ""
    assert alone_making(BOOK["layer-cake"], "cream") != ""


def test_a_part_for_several_is_as_much_as_all_of_them_take() -> None:
    cake = BOOK["layer-cake"]
    for_both = part(cake, "cream", Wish(), Wish(servings=20))
    alone = [part(cake, "cream", w).scaled.formula.total_g() for w in (Wish(), Wish(servings=20))]
    assert for_both.scaled.formula.total_g() == pytest.approx(sum(alone))
    assert sum(for_both.shares.values()) == pytest.approx(1)
    assert for_both.shares["d1:cream"] == pytest.approx(alone[1] / sum(alone))
    hands = [sum(t.seconds for t in p.tasks if t.hands) for p in (for_both, part(cake, "cream"))]
    # One making of more is less work than two.
    assert hands[0] < 2 * hands[1]
