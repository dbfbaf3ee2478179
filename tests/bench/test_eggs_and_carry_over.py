"""Two figures that a bench teaches beside the work: what an egg gives, and how far a crumb warms on after the oven."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker

USUAL_G = egg_parts(EggSize.EU_M).white_g.likely


def ended(baker: Baker) -> None:
    while baker.state.current is not None:
        baker.go_on()
    baker.confirm()
    baker.tell("outcome_recorded", stars=4)
    baker.tell("bake_finished")


def weighed(bench: Bench, each_g: float, eggs: int = 4, days: int = 0) -> None:
    """A bake whose whites were weighed out of counted eggs."""
    baker = Baker(bench)
    baker.now += timedelta(days=days)
    baker.until("weigh-whites")
    baker.tell("reading_added", step="weigh-whites", quantity="mass", value=each_g * eggs, eggs=eggs)
    ended(baker)


def test_eggs_that_were_counted_teach_what_one_gives(bench: Bench) -> None:
    for _ in range(3):
        weighed(bench, 1.12 * USUAL_G)
    record = bench.record()
    own = record.one_egg(EggSize.EU_M)
    assert own.white_g.basis is Basis.KITCHEN
    assert own.white_g.bakes == 3
    assert 1.06 * USUAL_G < own.white_g.likely < 1.12 * USUAL_G
    # Larger eggs have larger yolks, as far as anybody knows.
    assert own.yolk_g.likely > egg_parts(EggSize.EU_M).yolk_g.likely
    assert own.in_shell_g == egg_parts(EggSize.EU_M).in_shell_g
    asked = Wish(total_g=1500)
    before = scale(tea_chiffon(), demo_kitchen(), asked).eggs
    after = scale(tea_chiffon(), demo_kitchen(), asked, record).eggs
    assert before is not None
    assert after is not None
    assert after.exact < before.exact


def test_one_slip_of_ten_times_among_eggs_does_no_harm(bench: Bench) -> None:
    for _ in range(3):
        weighed(bench, 1.05 * USUAL_G)
    right = bench.record().one_egg(EggSize.EU_M).white_g.likely
    weighed(bench, 10.5 * USUAL_G)
    assert bench.record().one_egg(EggSize.EU_M).white_g.likely == pytest.approx(right, rel=0.02)


def test_a_slip_is_asked_about_when_it_is_entered_and_teaches_nothing_until_it_is_confirmed(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("weigh-whites")
    usual = baker.tell("reading_added", step="weigh-whites", quantity="mass", value=4 * USUAL_G, eggs=4)
    assert usual.questions == ()
    asked = baker.tell("reading_added", step="weigh-whites", quantity="mass", value=40 * USUAL_G, eggs=4)
    assert "10 times what one of yours gives" in asked.questions[0].text
    assert not asked.readings[-1].counts
    while baker.state.current is not None:
        baker.go_on()
    baker.tell("bake_finished")
    told = [d for d in bench.record().dots if d.figure is Figure.EGG]
    assert [d.observed for d in told] == [pytest.approx(USUAL_G)]


def test_a_mass_without_a_number_of_eggs_teaches_nothing_of_them(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("weigh-whites")
    baker.tell("reading_added", step="weigh-whites", quantity="mass", value=160)
    ended(baker)
    assert bench.record().one_egg(EggSize.EU_M) == egg_parts(EggSize.EU_M)


@pytest.mark.parametrize(("step", "quantity"), [("weigh-dry", "mass"), ("weigh-whites", "density")])
def test_eggs_are_counted_only_where_eggs_alone_are_weighed(bench: Bench, step: str, quantity: str) -> None:
    baker = Baker(bench)
    with pytest.raises(BenchRefusal) as refused:
        baker.tell("reading_added", step=step, quantity=quantity, value=1.0 if quantity == "density" else 60, eggs=3)
    assert refused.value.field == "eggs"


def baked(bench: Bench, rack: list[float], *, at_the_end: float = 93.0) -> Baker:
    """A bake whose crumb probe showed that after the oven, once a minute."""
    baker = Baker(bench)
    baker.until("bake")
    baker.go_on()
    baker.wait(33 * 60)
    out = baker.now
    seconds = [(-60.0, at_the_end - 0.6), (-5.0, at_the_end), *((20.0 + 60 * i, c) for i, c in enumerate(rack))]
    bench.store.probes.keep(
        [
            StoredReading("crumb-probe", f"{baker.bake}-{s:.0f}", milliseconds(out + timedelta(seconds=s)), c, c)
            for s, c in seconds
        ]
    )
    baker.tell("step_done", step="bake")
    baker.wait(1200)
    ended(baker)
    return baker


def dots(bench: Bench) -> list[float]:
    return [d.observed for d in bench.record().dots if d.figure is Figure.CARRY]


def test_a_probe_that_was_left_in_tells_how_far_the_middle_warmed_on(bench: Bench) -> None:
    baked(bench, [93.4, 94.4, 95.1, 95.3, 95.0, 94.2])
    assert dots(bench) == [pytest.approx(2.3)]
    named = [f.figure for f in bench.learned_figures()]
    assert Figure.CARRY in named


@pytest.mark.parametrize(
    "rack",
    [
        [61.0, 40.0, 30.0, 27.0],  # pulled out
        [93.1, 92.0, 90.5, 88.0],  # it did not warm on: the oven had been opened
        [93.5, 94.0],  # too few
        [],
    ],
)
def test_what_is_no_carry_over_teaches_none(bench: Bench, rack: list[float]) -> None:
    baked(bench, rack)
    assert dots(bench) == []


def test_what_the_rack_adds_is_told_as_this_kitchen_has_shown_it(bench: Bench) -> None:
    from kindwhisk.api.routers.baking.views import learned_rise
    from kindwhisk.core.baking.carry_over import CarryOver

    model = CarryOver(95.0, 240.0, 2.0)
    plain = learned_rise(model, bench.record().factor(Figure.CARRY, ("family tube",)))
    assert plain == model.rise
    for _ in range(3):
        baked(bench, [94.0, 96.0, 97.0, 97.2, 97.0, 96.0])
    told = next(d for d in bench.record().dots if d.figure is Figure.CARRY)
    own = learned_rise(model, bench.record().factor(Figure.CARRY, told.effects))
    assert own.basis is Basis.KITCHEN
    assert own.bakes == 3
    assert (own.likely > plain.likely) == (told.observed > told.modelled)
