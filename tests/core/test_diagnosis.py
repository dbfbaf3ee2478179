"""Why a bake failed: laws of the reasoning, and what every row of its tables holds."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from benchmarks.failed_bakes import failed_bakes, score
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.confirmed import Confirmed, taught
from kindwhisk.core.diagnosis.explanation import explain
from kindwhisk.core.diagnosis.faults import FAULTS, UNLISTED, Family, Fault, called, family_of, faults_of
from kindwhisk.core.diagnosis.reasoning import believed, ratio, worth_asking
from kindwhisk.core.diagnosis.signs import SIGNS, Seen
from kindwhisk.core.process.kinds import kinds
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique

KINDS = {kind.kind for kind in kinds()} | {"preheat", "recover", "wash"}


def off(sign: str, by: float) -> Seen:
    return Seen(sign=sign, value=100.0, low=90.0, high=110.0, off=by)


@st.composite
def records(draw: st.DrawFn) -> tuple[Fault, list[Seen]]:
    fault = draw(st.sampled_from(FAULTS))
    signs = sorted({w.sign for key in fault.causes for w in CAUSES[key].shows})
    seen = []
    for sign in draw(st.lists(st.sampled_from(signs), unique=True)) if signs else []:
        if SIGNS[sign].is_question:
            seen.append(Seen(sign=sign, yes=draw(st.booleans())))
        else:
            seen.append(off(sign, draw(st.floats(-4, 4))))
    return fault, seen


@given(records(), st.randoms())
def test_the_order_of_entry_does_not_matter(record: tuple[Fault, list[Seen]], rng: object) -> None:
    fault, seen = record
    shuffled = list(seen)
    rng.shuffle(shuffled)  # type: ignore[attr-defined]
    one, other = believed([fault], seen), believed([fault], shuffled)
    assert one.causes == pytest.approx(other.causes, abs=1e-12)
    assert one.unlisted == pytest.approx(other.unlisted, abs=1e-12)


@given(st.permutations([f.words for f in faults_of(Family.SPONGE)][:4]))
def test_the_order_of_faults_does_not_matter(words: list[str]) -> None:
    first = explain(words, Family.SPONGE, [off("core", -2.0)])
    other = explain(sorted(words), Family.SPONGE, [off("core", -2.0)])
    assert [c.cause for c in first.causes] == [c.cause for c in other.causes]


@given(records())
def test_probabilities_are_some(record: tuple[Fault, list[Seen]]) -> None:
    fault, seen = record
    told = believed([fault], seen)
    assert all(0 <= p <= 1 for p in told.causes.values())
    assert 0 < told.unlisted <= 1
    assert sum(told.causes.values()) + told.unlisted >= 1 - 1e-9


@given(records(), st.data())
def test_more_evidence_for_a_cause_never_lowers_it(record: tuple[Fault, list[Seen]], data: st.DataObject) -> None:
    """Evidence for a cause is what no other explains better."""
    fault, seen = record
    key = data.draw(st.sampled_from(sorted(fault.causes)))
    free = [w for w in CAUSES[key].shows if all(s.sign != w.sign for s in seen)]
    if not free:
        return
    weight = data.draw(st.sampled_from(free))
    question = SIGNS[weight.sign].is_question
    also = Seen(sign=weight.sign, yes=weight.by > 0) if question else off(weight.sign, math.copysign(2.5, weight.by))
    for_it = ratio(weight, also)
    others = [ratio(w, also) for k in fault.causes if k != key for w in CAUSES[k].shows if w.sign == weight.sign]
    if for_it <= 0 or any(o > for_it for o in others):
        return
    assert believed([fault], [*seen, also]).causes[key] >= believed([fault], seen).causes[key] - 1e-12


@given(records(), st.data(), st.floats(0, 3))
def test_a_sign_further_off_never_speaks_less_for_it(
    record: tuple[Fault, list[Seen]], data: st.DataObject, further: float
) -> None:
    fault, _ = record
    weights = [w for k in fault.causes for w in CAUSES[k].shows if not SIGNS[w.sign].is_question]
    if not weights:
        return
    weight = data.draw(st.sampled_from(weights))
    by = data.draw(st.floats(-3, 3))
    assert ratio(weight, off(weight.sign, by + math.copysign(further, weight.by))) >= ratio(
        weight, off(weight.sign, by)
    )


@pytest.mark.parametrize("fault", FAULTS, ids=lambda f: f"{f.family.value}: {f.words}")
def test_every_fault_leads_to_causes_that_can_be_told(fault: Fault) -> None:
    told = explain([fault.words], fault.family)
    assert told.causes
    assert told.humble
    assert "Hardly anything" in told.says or "Nothing on the list" in told.says
    for cause in told.causes:
        assert CAUSES[cause.cause].shows, "a cause without a sign can't be told from others"
        assert set(cause.at) <= KINDS, cause.at


def test_every_sign_of_every_cause_is_known_and_every_cause_is_used() -> None:
    assert {w.sign for c in CAUSES.values() for w in c.shows} == set(SIGNS)
    assert {key for f in FAULTS for key in f.causes} == set(CAUSES)
    assert all(SIGNS[s].asks or SIGNS[s].measure for s in SIGNS)


def test_each_cause_comes_first_where_all_of_its_signs_are_seen() -> None:
    for fault in FAULTS:
        for key in fault.causes:
            seen = [
                Seen(sign=w.sign, yes=w.by > 0) if SIGNS[w.sign].is_question else off(w.sign, 1.3 * w.by)
                for w in CAUSES[key].shows
            ]
            told = believed([fault], seen)
            ranked = sorted(told.causes, key=lambda k: -told.causes[k])
            assert key in ranked[:2], (fault.words, key, ranked[:3])


def test_it_speaks_in_words_and_numbers() -> None:
    seen = [
        Seen(sign="kept-air", value=52.0, low=66.0, high=82.0, off=-2.4, step="fold"),
        Seen(sign="waited", off=-0.5, value=2.0),
    ]
    told = explain(["dense layer below"], Family.SPONGE, seen)
    first = told.causes[0]
    assert first.cause == "air-lost"
    assert first.speaks_for == (
        "air kept in the fold: 52 %, where 66 to 82 % was to be expected here: less than usual",
    )
    waited = (
        next(c for c in told.causes if c.cause == "waited") if any(c.cause == "waited" for c in told.causes) else None
    )
    assert waited is None or waited.speaks_against
    assert any(a.sign == "batter-density" and "cup" in a.measure for a in first.ask)


def test_two_faults_of_two_causes_name_both() -> None:
    seen = [off("kept-air", -3.0), off("batter-density", 2.5), off("oven-held", 3.0)]
    told = explain(["dense layer below", "cracked or domed top"], Family.SPONGE, seen)
    assert {c.cause for c in told.causes[:2]} == {"air-lost", "too-hot"}
    assert all(c.probability > 0.5 for c in told.causes[:2])


def test_one_cause_of_two_faults_is_told_by_both() -> None:
    alone = believed([called("wet line below", Family.SPONGE)], [])  # type: ignore[list-item]
    both = believed([called("wet line below", Family.SPONGE), called("waist or shrunk side", Family.SPONGE)], [])  # type: ignore[list-item]
    assert both.causes["under-baked"] > alone.causes["under-baked"] + 0.1


def test_words_of_earlier_versions_are_understood() -> None:
    told = explain(["sank in the middle", "moon dust"], Family.SPONGE)
    assert told.faults == ("sunk middle",)
    assert told.unknown == ("moon dust",)


def test_nothing_known_is_refused_with_the_list() -> None:
    with pytest.raises(CraftError) as refused:
        explain(["moon dust"], Family.SHELLS)
    assert refused.value.field == "faults"
    assert "no feet" in refused.value.remedy


def test_confirmed_bakes_teach_their_fault_and_no_other() -> None:
    sunk = next(f for f in FAULTS if f.words == "sunk middle")
    door = [Confirmed(fault="sunk middle", cause="door-opened")] * 6
    assert taught(sunk, door)["door-opened"] > taught(sunk, [])["door-opened"]
    assert taught(sunk, door)["out-early"] < taught(sunk, [])["out-early"]
    assert taught(sunk, [Confirmed(fault="chewy", cause="damp-air")] * 9) == pytest.approx(taught(sunk, []))
    assert sum(taught(sunk, door).values()) == pytest.approx(sum(sunk.causes.values()) + 1)
    assert explain(["sunk middle"], Family.SPONGE, (), door).causes[0].cause == "door-opened"
    assert explain(["sunk middle"], Family.SPONGE, (), door).causes[0].confirmed == 6


@given(st.lists(st.sampled_from(["out-early", "door-opened", "too-full", UNLISTED])))
def test_a_confirmed_bake_never_lowers_its_cause(causes: list[str]) -> None:
    sunk = next(f for f in FAULTS if f.words == "sunk middle")
    known = [Confirmed(fault=sunk.words, cause=c) for c in causes]
    more = [*known, Confirmed(fault=sunk.words, cause="out-early")]
    assert taught(sunk, more)["out-early"] >= taught(sunk, known)["out-early"]


def test_it_asks_first_for_what_parts_the_causes() -> None:
    sunk = next(f for f in FAULTS if f.words == "sunk middle")
    told = believed([sunk], [])
    asked = [sign for sign, _ in worth_asking([sunk], [], told)]
    assert set(asked[:2]) <= {"core", "bake-time", "door", "clotted"}
    seen = [Seen(sign="door", yes=False)]
    assert "door" not in [s for s, _ in worth_asking([sunk], seen, believed([sunk], seen))]


def test_every_class_has_its_faults() -> None:
    assert all(faults_of(family_of(t)) for t in Technique)
    assert family_of(Technique.SHELLS) is Family.SHELLS
    drawn = [f.drawn for f in FAULTS]
    assert len(set(drawn)) == len(drawn), "each has its own picture"


def test_simulated_bakes_are_told_right_as_often_as_promised() -> None:
    found = score(failed_bakes(77, 1500, strange=0.2))
    assert found.first >= 0.60
    assert found.three >= 0.85
    assert found.calibration <= 0.12


def test_without_any_sign_it_does_worse_than_with_all() -> None:
    none, every = score(failed_bakes(5, 400, measured=0.0)), score(failed_bakes(5, 400, measured=1.0))
    assert every.first > none.first + 0.2
