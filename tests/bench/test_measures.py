"""A bake's record in figures, and as signs: what was measured is told, what was not says nothing."""

from __future__ import annotations

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.measures.measured import facts_of, measures_of
from kindwhisk.bench.measures.signs import BY_SIGN, signs_of
from kindwhisk.core.diagnosis.signs import SIGNS, Seen
from kindwhisk.core.measures import BakeMeasure, measure
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.demo.seed import seed
from tests.bench.helpers import Baker

RANGE = Estimate(low=90, likely=100, high=110, basis=Basis.HABIT)


def told(baker: Baker) -> dict[str, BakeMeasure]:
    at = baker.bench.moment(baker.bake, baker.now)
    return {m.key: m for m in measures_of(at)}


def signs(baker: Baker) -> dict[str, Seen]:
    at = baker.bench.moment(baker.bake, baker.now)
    return {s.sign: s for s in baker.bench.signs(at)}


def test_every_measured_sign_can_be_measured_and_no_question_can() -> None:
    assert set(BY_SIGN) == {key for key, sign in SIGNS.items() if not sign.is_question}


def test_a_bake_that_has_not_begun_says_nothing_of_what_was_not_measured(bench: Bench) -> None:
    baker = Baker(bench)
    unmeasured = {"foam-density", "batter-density", "kept-air", "core", "bake-time", "loss", "oven-held", "whites-c"}
    assert not unmeasured & set(signs(baker))


def test_whites_that_were_read_are_held_against_their_formula(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("weigh-whites")
    baker.tell("reading_added", step="weigh-whites", quantity="temperature in the vessel", value=24.0)
    whites = signs(baker)["whites-c"]
    assert whites.off is not None
    assert whites.off > 2
    assert whites.said.endswith("warmer than usual")


def test_a_tin_weighed_before_and_after_tells_what_it_lost(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("fill")
    baker.go_on()
    baker.tell("reading_added", step="fill", quantity="mass", value=900)
    baker.until("bake")
    baker.go_on()
    assert "bake/loss" not in told(baker), "it is still in the oven"
    baker.wait(33 * 60)
    baker.tell("step_done", step="bake")
    baker.tell("reading_added", step="bake", quantity="mass", value=858)
    loss = told(baker)["bake/loss"]
    batter = baker.bench.moment(baker.bake, baker.now).walked.before["bake"].mass_g
    assert loss.value == pytest.approx(100 * 42 / batter)
    assert loss.low is not None
    assert loss.high is not None
    assert loss.low < loss.high


def test_a_probe_that_was_taken_back_counts_for_nothing(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.go_on()
    state = baker.tell("reading_added", step="whip", quantity="density", value=0.17)
    assert "whip/foam" in told(baker)
    baker.tell("undone", sequence=state.readings[-1].sequence)
    assert "whip/foam" not in told(baker)


def test_a_soaked_and_a_coloured_bake_tell_how_near_the_limit_they_are(empty_bench: Bench) -> None:
    seed(empty_bench)
    for formula in empty_bench.store.formulas.entries():
        baker = Baker(empty_bench, formula.id, hours=60)
        found = told(baker)
        kinds = {s.kind for s in baker.state.steps}
        assert ("soak" in kinds) == any(key.endswith("/soak") for key in found), formula.id
        assert all(0 < m.value < 400 for key, m in found.items() if key.endswith(("/soak", "/colour")))


def test_of_several_steps_the_one_furthest_out_tells() -> None:
    near = measure("a/foam", "a", 101, expected=RANGE, step="a")
    far = measure("b/foam", "b", 130, expected=RANGE, step="b")
    (seen,) = signs_of((near, far), {"a": "whip", "b": "whip"}, {})
    assert (seen.step, seen.value) == ("b", 130)
    assert signs_of((far, near), {"a": "whip", "b": "whip"}, {}) == (seen,)
    assert signs_of((near, far), {"a": "cool", "b": "cool"}, {}) == ()


def test_a_figure_without_a_range_is_no_sign() -> None:
    assert signs_of((measure("a/foam", "a", 5.0, step="a"),), {"a": "whip"}, {}) == ()


def test_answers_stand_beside_figures() -> None:
    assert signs_of((), {}, {"door": False, "clotted": True}) == (
        Seen(sign="clotted", yes=True),
        Seen(sign="door", yes=False),
    )


def test_what_it_was_made_with_is_told_in_the_kitchens_own_words(bench: Bench) -> None:
    baker = Baker(bench)
    facts = {f.key: f.said for f in facts_of(bench.moment(baker.bake, baker.now))}
    assert facts["oven"] == bench.kitchen.ovens[0].name
    assert facts["version"] == "version 1"
    assert facts["hands"] == "the kitchen’s"
