"""Who must not eat raw egg, what to do with a burn, raw flour, and what must be kept cold; nothing is called safe."""

from __future__ import annotations

import itertools
import re

import pytest

from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.forecast import Forecast, forecast
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.safety import cautions
from kindwhisk.core.safety.cautions import BURNT, Caution, keep_cold
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.strategies import setting_of

FORMULAS = {f.id: f for f in demo_formulas()}
ALL = [c for c in vars(cautions).values() if isinstance(c, Caution)] + [keep_cold(), keep_cold("2 h, then away")]


def told(formula: str) -> Forecast:
    return forecast(FORMULAS[formula], setting_of(FORMULAS[formula]))


def all_of(seen: Forecast) -> list[tuple[str, Caution]]:
    return [(s.id, c) for s in seen.steps for c in s.cautions]


@pytest.mark.parametrize("caution", ALL, ids=lambda c: c.id)
def test_every_caution_has_its_reason_defers_and_calls_nothing_safe(caution: Caution) -> None:
    assert caution.reason
    assert caution.defers
    said = f"{caution.text} {caution.reason}".lower()
    assert not re.search(r"\bsafe\b|\bharmless\b|free of", said)


@pytest.mark.parametrize("id_", ["steam", "hot-tin", "hot-liquid", "boiling-sugar", "hot-stream"])
def test_what_burns_says_what_to_do_with_a_burn(id_: str) -> None:
    (caution,) = (c for c in ALL if c.id == id_)
    assert BURNT in caution.reason
    assert "20 minutes" in BURNT
    assert "running water" in BURNT


def test_raw_egg_names_who_must_not_eat_it() -> None:
    for caution in (cautions.RAW_EGG, cautions.UNBAKED_EGG):
        said = f"{caution.text} {caution.reason}"
        assert all(group in said for group in ("small children", "pregnant", "old", "ill"))


def test_raw_flour_is_warned_of_once_where_it_meets_something_moist() -> None:
    for formula in FORMULAS.values():
        seen = forecast(formula, setting_of(formula))
        at = [step for step, c in all_of(seen) if c.id == "raw-flour"]
        assert len(at) <= 1
        floured = any("flour" in i.name.lower() for i in seen.ingredients)
        assert bool(at) is floured, formula.id


def test_what_is_kept_cold_has_its_limits_and_the_kitchens_own_rule_first() -> None:
    plain, own = keep_cold(), keep_cold("within the hour, or away")
    for limit in ("5 °C", "2 hours", "4", "57 to 21 °C"):
        assert limit in plain.text
    assert "3-501.14" in plain.reason
    assert own.text.startswith("This kitchen’s rule: within the hour, or away.")
    assert own.text.endswith(plain.text)
    kitchen = Kitchen.model_validate(demo_kitchen().model_dump() | {"cold_rule": "within the hour"})
    texts = itertools.chain.from_iterable(
        (c.text for _, c in all_of(scale(f, kitchen, Wish()).forecast) if c.id == "keep-cold")
        for f in FORMULAS.values()
    )
    shown = list(texts)
    assert shown
    assert all("within the hour" in text for text in shown)
