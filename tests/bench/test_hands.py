"""Several bakes over the same hands."""

from __future__ import annotations

from datetime import timedelta

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.told.hands import hands
from kindwhisk.core.people import Person
from tests.bench.helpers import BEGAN, Baker
from tests.bench.turning import whipping


def test_two_bakes_that_want_the_same_hands_are_told_of(bench: Bench) -> None:
    first = whipping(bench)
    other = Baker(bench, "citrus-roll", hours=5)
    other.now = first.now
    other.tell("changed", change={"change": "retimed"})
    at = [bench.moment(b.bake, first.now) for b in (first, other)]
    told = hands(at)
    assert {w.bake for w in told.next} == {first.bake, other.bake}
    assert told.next[0].start_at <= told.next[1].start_at
    assert told.clashes
    clash = told.clashes[0]
    assert clash.first.bake != clash.other.bake
    assert clash.first.presses
    assert "want the same hands" in clash.says
    assert hands(at[:1]).clashes == ()


def test_two_people_do_not_clash(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    people = (Person(id="ada", name="Ada"), Person(id="ben", name="Ben"))
    bench.store.kitchens.save(kitchen.model_copy(update={"people": people}))
    bakers = [Baker(bench, formula, hands=who) for formula, who in (("tea-chiffon", "ada"), ("citrus-roll", "ben"))]
    for baker in bakers:
        baker.tell("changed", change={"change": "retimed"})
    assert hands([bench.moment(b.bake, BEGAN) for b in bakers]).clashes == ()


def test_what_is_hours_away_is_no_clash_yet(bench: Bench) -> None:
    bakers = [Baker(bench, formula, hours=9) for formula in ("tea-chiffon", "citrus-roll")]
    told = hands([bench.moment(b.bake, BEGAN) for b in bakers])
    assert all(w.start_at > BEGAN + timedelta(hours=2) for w in told.next)
    assert told.clashes == ()
    near = hands([bench.moment(b.bake, max(w.start_at for w in told.next)) for b in bakers])
    assert near.clashes
