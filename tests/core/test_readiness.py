"""When a cream, ganache, custard, mousse, buttercream or glaze is right, and how it meets what it goes onto."""

from __future__ import annotations

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from kindwhisk.core.baking.cooling import Hot, cool_gates, gates_from
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.ready import ReadyStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.process.walk import Observed
from kindwhisk.core.process.windows import windows
from kindwhisk.core.readiness import cream, ganache, gelatine, glaze
from kindwhisk.core.readiness.cream import Stage
from kindwhisk.core.readiness.ganache import Chocolate
from kindwhisk.core.readiness.lasting import lasts_s
from kindwhisk.core.readiness.ready import WINDOWS, Known, ready
from kindwhisk.core.readiness.recognise import content_of, known_of, name_of
from kindwhisk.core.readiness.window import Content, Purpose, State, minutes_to
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.cooling import GateKind, How
from kindwhisk.demo.formulas import demo_formulas
from tests.core.strategies import setting_of
from tests.core.test_builds import baked

BOOK = {f.id: f for f in demo_formulas()}
PLACE = setting_of(BOOK["layer-cake"])

USES = [(c, u) for c, windows_ in WINDOWS.items() for u in windows_]


def airy(parts: dict[str, float], density: float, celsius: float = 6) -> Material:
    return Material(parts=parts, temperature_c=celsius).at_density(Estimate.exact(density))


CREAM = airy({"cream-35": 300}, 0.52)
GANACHE = Material(parts={"chocolate-dark": 100, "cream-35": 100}, temperature_c=32)
CURD = Material(parts={"egg-yolk": 60, "whole-egg": 100, "sugar": 120, "lemon-juice": 120, "butter": 90})
MOUSSE = airy({"egg-yolk": 60, "sugar": 60, "gelatine": 5, "raspberry-puree": 150}, 0.7, 28)


@pytest.mark.parametrize(("content", "use"), USES)
@given(celsius=st.floats(-20, 100))
def test_every_content_says_what_to_do_at_any_warmth(content: Content, use: Purpose, celsius: float) -> None:
    told = ready(content, celsius, use)
    assert told.window_c is not None
    inside = told.window_c.contains(celsius)
    assert (told.state is State.RIGHT) == inside or told.state in {State.PAST, State.NOT_YET}
    assert told.says
    assert told.do
    assert told.rescue
    if celsius < told.window_c.low:
        assert told.state in {State.TOO_COLD, State.PAST}
    if told.state is State.TOO_WARM:
        assert celsius > told.window_c.high


@pytest.mark.parametrize(
    ("content", "celsius", "known", "state"),
    [
        (Content.CREAM, 6, Known(), State.RIGHT),
        (Content.CREAM, 13, Known(), State.PAST),
        (Content.CREAM, 10, Known(), State.TOO_WARM),
        (Content.CREAM, 6, Known(fat=0.25), State.PAST),
        (Content.CREAM, 6, Known(stage=Stage.OVER), State.PAST),
        (Content.CREAM, 6, Known(stage=Stage.SOFT), State.NOT_YET),
        (Content.CREAM, 6, Known(crumb_c=24), State.RIGHT),
        (Content.CREAM, 6, Known(crumb_c=29), State.NOT_YET),
        (Content.CREAM, 6, Known(waited_min=150), State.PAST),
        (Content.CREAM, 6, Known(waited_min=150, stabilised=True), State.RIGHT),
        (Content.GANACHE, 24, Known(), State.RIGHT),
        (Content.GANACHE, 24, Known(broken=True), State.PAST),
        (Content.GANACHE, 65, Known(), State.PAST),
        (Content.CURD, 70, Known(cooking=True), State.NOT_YET),
        (Content.CURD, 82, Known(cooking=True), State.RIGHT),
        (Content.CURD, 88, Known(cooking=True), State.PAST),
        (Content.CUSTARD, 90, Known(cooking=True), State.NOT_YET),
        (Content.CUSTARD, 99, Known(cooking=True, boiled_s=20), State.NOT_YET),
        (Content.CUSTARD, 99, Known(cooking=True, boiled_s=60), State.RIGHT),
        (Content.CUSTARD, 8, Known(boiled_s=10), State.NOT_YET),
        (Content.MOUSSE, 27, Known(), State.RIGHT),
        (Content.MOUSSE, 16, Known(), State.TOO_COLD),
        (Content.MOUSSE, 27, Known(fruit=("kiwi",)), State.PAST),
        (Content.BUTTERCREAM, 14, Known(), State.TOO_COLD),
        (Content.BUTTERCREAM, 27, Known(), State.TOO_WARM),
        (Content.GLAZE, 33, Known(on_c=-18), State.RIGHT),
        (Content.GLAZE, 33, Known(on_c=-5), State.NOT_YET),
    ],
)
def test_states_of_the_trade(content: Content, celsius: float, known: Known, state: State) -> None:
    assert ready(content, celsius, None, known).state is state


def test_ganache_by_its_ratio_and_its_chocolate() -> None:
    assert ganache.firmness(1.0).gives == "pours"
    assert ganache.firmness(1.3).gives == "fills"
    assert ganache.firmness(2.0).gives == "moulds"
    assert ganache.firmness(1.7, Chocolate.WHITE).gives == "pours"
    assert ganache.firmness(0.4).gives == "stays a sauce"


def test_gelatine_by_its_share_its_depth_and_the_fruit() -> None:
    thin, deep = gelatine.sets(20, 0.014), gelatine.sets(60, 0.014)
    assert deep.hours.likely > thin.hours.likely
    assert "is little" in gelatine.sets(20, 0.006).says
    assert "rubbery" in gelatine.sets(20, 0.03).says
    assert gelatine.sets(20, 0.014, ("kiwi",)).never


def test_glaze_to_pour_is_a_third_more_than_stays() -> None:
    told = glaze.need(10_000, 2)
    assert told.stays_g == pytest.approx(25)
    assert told.pour_g == pytest.approx(25 * 4 / 3)


@given(st.floats(-18, 90), st.floats(-18, 90), st.floats(-18, 40))
def test_a_bowl_comes_to_what_lies_between_it_and_the_air_and_to_nothing_else(
    start: float, to: float, air: float
) -> None:
    assume(min(abs(to - start), abs(to - air)) > 1e-6)
    minutes = minutes_to(start, to, air)
    between = min(start, air) < to < max(start, air) and to != start
    assert (minutes is not None) == between
    if minutes is not None:
        assert 0 < minutes.low <= minutes.likely <= minutes.high


@pytest.mark.parametrize(
    ("material", "content", "name"),
    [
        (CREAM, Content.CREAM, "cream"),
        (GANACHE, Content.GANACHE, "ganache"),
        (MOUSSE, Content.MOUSSE, "mousse"),
        (Material(parts={"cream-35": 200}), None, "cream, 35 % fat"),
        (CURD, Content.CURD, "curd"),
        (Material(parts={"milk": 250, "egg-yolk": 40, "sugar": 50, "corn-starch": 20}), Content.CUSTARD, "custard"),
        (airy({"butter": 200, "egg-white": 100, "sugar": 160}, 0.75, 21), Content.BUTTERCREAM, "buttercream"),
        (Material(parts={"water": 100, "sugar": 150, "gelatine": 6, "cocoa": 40}), Content.GLAZE, "glaze"),
        (airy({"egg-white": 100, "sugar": 160}, 0.3, 30), None, "meringue"),
        (baked(), None, "crumb"),
        (Material(parts={"jam": 60}), None, "apricot jam"),
    ],
)  # fmt: skip
def test_what_a_content_is_follows_from_what_it_holds(material: Material, content: Content | None, name: str) -> None:
    assert content_of(material) is content
    assert name_of(material) == name


def test_what_is_known_of_a_cream() -> None:
    assert known_of(CREAM).fat == pytest.approx(0.35, abs=0.02)
    assert not known_of(CREAM).stabilised
    assert known_of(airy({"cream-35": 200, "mascarpone": 60}, 0.5)).stabilised


@pytest.mark.parametrize("warm", [26.0, 29.0, 45.0])
def test_cream_on_a_warm_crumb_is_told_with_how_long_to_wait(warm: float) -> None:
    told = SpreadStep(id="s", title="s", vessel="rack").effect((baked().at(warm), CREAM), PLACE).notices
    warnings = [n for n in told if "crumb" in n.text]
    if warm < cream.LOOSENS_C:
        assert not warnings
        return
    (warning,) = warnings
    assert warning.level == ("danger" if warm >= cream.MELTS_C else "risk")
    assert "min on a rack" in warning.remedy


def test_a_longer_wait_is_told_for_a_warmer_crumb() -> None:
    def wait(warm: float) -> float:
        told = SpreadStep(id="s", title="s", vessel="rack").effect((baked().at(warm), CREAM), PLACE).notices
        return float(told[0].remedy.split("About ")[1].split(" min")[0])

    assert wait(60) > wait(40) > wait(30)


def test_ganache_too_warm_to_pipe_and_curd_too_hot_for_a_case() -> None:
    loose = SpreadStep(id="s", title="s", vessel="rack").effect((baked(), GANACHE.at(41)), PLACE).notices
    assert any("Too loose" in n.text for n in loose)
    curd = Material(parts={"egg-yolk": 80, "sugar": 120, "lemon-juice": 100, "butter": 80}, temperature_c=82)
    hot = SpreadStep(id="s", title="s", vessel="rack", case_mm=25).effect((baked(), curd), PLACE).notices
    assert any("soaks a base" in n.text for n in hot)


@pytest.mark.parametrize(("celsius", "said"), [(35, "melts the cream"), (28, ""), (15, "threads and lumps")])
def test_cream_folded_into_a_base_that_melts_it_or_sets_around_it(celsius: float, said: str) -> None:
    fold = FoldStep(id="f", title="f", vessel="bowl")
    told = " ".join(n.text for n in fold.effect((MOUSSE.at(celsius), CREAM), PLACE).notices)
    assert (said in told) if said else "The base is at" not in told


def test_raw_kiwi_never_sets() -> None:
    with_kiwi = airy({**MOUSSE.parts, "kiwi": 80}, 0.7, 28)
    told = FoldStep(id="f", title="f", vessel="bowl").effect((with_kiwi, CREAM), PLACE).notices
    assert any(n.level == "danger" and "never sets" in n.text for n in told)


def test_a_content_comes_to_its_window_and_how_long_that_takes() -> None:
    step = ReadyStep(id="r", title="r", vessel="bowl", use=Purpose.PIPE)
    hot = step.effect((GANACHE.at(44),), PLACE)
    assert 22 <= hot.material.temperature_c <= 26
    assert hot.duration_s.likely > step.effect((GANACHE.at(34),), PLACE).duration_s.likely
    assert (
        step.model_copy(update={"stirred": True}).effect((GANACHE.at(44),), PLACE).duration_s.likely
        < hot.duration_s.likely
    )
    assert step.effect((GANACHE.at(24),), PLACE).material.temperature_c == 24
    (check,) = hot.checkpoints
    assert check.band is not None
    assert (check.band.range.low, check.band.range.high) == (22, 26)
    warm = setting_of(BOOK["layer-cake"], PLACE.kitchen.model_copy(update={"air_c": 30}))
    assert any("by itself" in n.text for n in step.effect((GANACHE.at(44),), warm).notices)
    assert step.watching(GANACHE.at(44), hot.material, PLACE) is not None
    heading = step.expected_reading(hot.duration_s.likely / 2, hot.duration_s.likely, GANACHE.at(44), PLACE)
    assert heading is not None
    assert heading.target_c < heading.now_c < heading.start_c


def test_its_window_closes_and_the_plan_knows() -> None:
    formula = BOOK["syrup-shells"]
    found = {(w.opens, w.closes) for w in windows(forecast(formula, setting_of(formula)))}
    assert ("cool-ganache", "filling") in found
    assert lasts_s(GANACHE.at(30), Purpose.FOLD, 20) is not None
    assert lasts_s(GANACHE.at(50), Purpose.FOLD, 20) is None


def test_steadied_cream_may_wait_a_day() -> None:
    step = WhipStep(id="w", title="w", vessel="bowl")
    plain = step.effect((Material(parts={"cream-35": 300}, temperature_c=6),), PLACE).hold_s
    steady = step.effect((Material(parts={"cream-35": 240, "mascarpone": 60}, temperature_c=6),), PLACE).hold_s
    assert plain is not None
    assert steady is not None
    assert steady.likely > 10 * plain.likely


def test_a_crumb_read_warm_is_told_at_the_step_that_spreads() -> None:
    formula = BOOK["citrus-roll"]
    cold = forecast(formula, setting_of(formula))
    assert not any(w.step == "spread" for w in cold.warnings)
    warm = forecast(formula, setting_of(formula), Observed(warmth={"cool": 38.0}))
    assert any(w.step == "spread" and "38 °C" in w.text and w.level == "danger" for w in warm.warnings)


def test_every_step_that_takes_a_content_for_something_says_for_what() -> None:
    told: dict[str, StepBase] = {s.kind: s for f in BOOK.values() for s in f.steps if s.takes_for is not None}
    assert {"fold", "fill", "pair", "coat", "spread", "stack", "ready", "pipe"} <= told.keys()
    formula = BOOK["layer-cake"]
    seen = forecast(formula, setting_of(formula)).step("whip-cream")
    assert seen.ready is not None
    assert (seen.ready.content, seen.ready.use) == (Content.CREAM, Purpose.SPREAD)


SHEET = BOOK["citrus-roll"].fill


@given(st.floats(24, 95), st.floats(24, 95))
@settings(max_examples=25, deadline=None)
def test_gates_come_sooner_for_a_colder_middle_and_are_passed_below_their_warmth(a: float, b: float) -> None:
    assert isinstance(SHEET, FillStep)
    hot = Hot(SHEET.tin, 12, 420, How.RACK, 22, 95)
    gates = cool_gates(hot, Technique.CHIFFON_ROLL)
    warm, cold = (gates_from(hot, gates, c) for c in (max(a, b), min(a, b)))
    for gate, later, sooner in zip(gates, warm, cold, strict=True):
        assert sooner.after_s.likely <= later.after_s.likely
        assert (later.after_s.likely == 0) == (max(a, b) <= gate.to_c)
    begun = gates_from(hot, gates, 95)
    for gate, now in zip(gates, begun, strict=True):
        if gate.kind is not GateKind.TURN_OUT:
            assert now.after_s.likely == pytest.approx(gate.after_s.likely, rel=0.02)
