"""What is known to be in a step that is still being read, while more comes to it."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.reading.method.making import Made, Stock, Take, Use

GOODS = ["egg-white", "egg-yolk", "sugar", "wheat-flour", "butter"]
CHANGE = st.tuples(
    st.sampled_from(["take", "use", "only", "ask"]), st.integers(0, 6), st.integers(0, 6), st.sampled_from(GOODS)
)


def _take(what: str) -> Take:
    return Stock(0, what, what, 10.0).take(10.0, stated=True)


def _walk(made: Made) -> set[int]:
    """It and all that went into it, by a plain walk."""
    seen: set[int] = set()
    waiting = [made]
    while waiting:
        one = waiting.pop()
        if id(one) not in seen:
            seen.add(id(one))
            waiting += [use.made for use in one.uses]
    return seen


@given(st.lists(CHANGE, max_size=40))
def test_what_is_in_a_step_is_what_went_into_it_up_to_now(changes: list[tuple[str, int, int, str]]) -> None:
    made = [Made(BakeStep if n == 3 else MixStep, "bowl") for n in range(7)]
    for change, at, other, what in changes:
        here, there = made[max(at, other)], made[min(at, other)]
        if change == "take":
            there.take_in([_take(what)])
        elif change == "use" and here is not there:
            here.take_in(uses=[Use(there)])
        elif change == "only" and here is not there:
            here.use_only([Use(there)])
        # Asked each time, so that an answer once given would stand in the way of a later one.
        for one in made:
            inside = [m for m in made if id(m) in _walk(one)]
            assert one.raw_ids == {t.ingredient for m in inside for t in m.takes}
            assert one.baked == any(m.kind is BakeStep for m in inside)


def test_whites_that_a_batter_had_are_seen_though_yolk_comes_to_them_late() -> None:
    foam = Made(MixStep, "bowl", [_take("egg-white")])
    batter = Made(FoldStep, "bowl", [_take("sugar")], [Use(foam)])
    assert batter.ids == {"egg-white", "sugar"}
    foam.take_in([_take("egg-yolk")])
    assert batter.ids == {"egg-white", "egg-yolk", "sugar"}
