"""Tables and files: what goes out comes back, in its unit, and a slip is named by its line."""

from __future__ import annotations

import csv
import io
from datetime import UTC, datetime

import pytest

from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.scaling import Scaled, scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading.conversion import TemperatureUnit, celsius_of
from kindwhisk.core.reading.recipe import from_jsonld
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import butter_sponge, demo_formulas, tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.devices.intake import MOST_AT_ONCE
from kindwhisk.formats import probe_csv, recipe_jsonld, weigh_text
from kindwhisk.store.probes import StoredReading
from tests.core.strategies import setting_of


@pytest.mark.parametrize(
    ("value", "unit", "celsius"), [(212, "F", 100), (32, "F", 0), (-40, "F", -40), (373.15, "K", 100), (55, "C", 55)]
)
def test_degrees_of_any_unit_are_the_same_warmth(value: float, unit: str, celsius: float) -> None:
    assert celsius_of(value, TemperatureUnit(unit)) == pytest.approx(celsius)


@pytest.mark.parametrize(
    ("column", "unit"), [("F", "F"), ("°F", "F"), ("fahrenheit", "F"), ("c", "C"), ("°C", "C"), ("K", "K")]
)
def test_a_column_of_units_is_read_as_it_says(column: str, unit: str) -> None:
    found = probe_csv.read(f"probe,value,at,unit\npot,212,2026-05-01T05:30:00Z,{column}\n")
    assert found[0].unit.value == unit
    assert found[0].value == 212


def test_a_table_without_units_is_in_celsius_and_columns_may_be_in_any_order() -> None:
    found = probe_csv.read("\ufeffat, Probe ,note,VALUE,key\n2026-05-01T05:30:00Z,pot,hello,103.5,k1\n\n,,,,\n")
    assert len(found) == 1
    assert (found[0].probe, found[0].value, found[0].unit.value, found[0].key) == ("pot", 103.5, "C", "k1")
    assert found[0].at == datetime(2026, 5, 1, 5, 30, tzinfo=UTC)


def test_readings_go_out_and_come_back() -> None:
    kept = StoredReading("pot", "k1", 1_777_613_400_123, 103.25, 102.75)
    text = "".join(probe_csv.write([kept]))
    rows = list(csv.DictReader(io.StringIO(text)))
    assert rows == [
        {
            "probe": "pot",
            "at": kept.at.isoformat(timespec="milliseconds"),
            "value": "103.25",
            "unit": "C",
            "key": "k1",
            "set_right_c": "102.75",
            "told_at": "",
        }
    ]
    back = probe_csv.read(text)[0]
    assert (back.probe, back.value, back.unit.value, back.key, back.at) == ("pot", 103.25, "C", "k1", kept.at)


@pytest.mark.parametrize(
    ("line", "where"),
    [
        ("pot,warm,2026-05-01T05:30:00Z,C", "line 3, value"),
        ("pot,50,yesterday,C", "line 3, at"),
        ("pot,50,2026-05-01T05:30:00Z,X", "line 3, unit"),
        ("!,50,2026-05-01T05:30:00Z,C", "line 3, probe"),
    ],
)
def test_a_line_that_cannot_be_read_is_named(line: str, where: str) -> None:
    with pytest.raises(CraftError) as caught:
        probe_csv.read(f"probe,value,at,unit\npot,50,2026-05-01T05:30:00Z,C\n{line}\n")
    assert caught.value.field == f"text, {where}"
    assert "Nothing was kept" in caught.value.remedy


def test_missing_columns_no_readings_and_too_many_are_told_apart() -> None:
    with pytest.raises(CraftError, match="no column value, at"):
        probe_csv.read("probe,unit\npot,C\n")
    with pytest.raises(CraftError, match="no reading"):
        probe_csv.read("probe,value,at\n")
    rows = "pot,50,2026-05-01T05:30:00Z\n" * MOST_AT_ONCE
    assert len(probe_csv.read(f"probe,value,at\n{rows}")) == MOST_AT_ONCE
    with pytest.raises(CraftError, match=f"More than {MOST_AT_ONCE}"):
        probe_csv.read(f"probe,value,at\n{rows}pot,50,2026-05-01T05:30:00Z\n")


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_a_formula_goes_out_as_a_recipe_and_comes_back_the_same(formula: Formula) -> None:
    seen = forecast(formula, setting_of(formula))
    recipe = recipe_jsonld.write(formula, seen)
    assert recipe_jsonld.carries_process(recipe)
    assert recipe_jsonld.carries_process({"@graph": [{"@type": "WebPage"}, recipe]})
    assert recipe_jsonld.read(recipe) == formula
    bakes = [s for s in seen.steps if s.sets_foam]
    if bakes:
        assert recipe["cookTime"] == f"PT{max(1, round(bakes[0].duration_s.likely / 60))}M"
    assert len(recipe["recipeInstructions"]) == len(formula.steps)


def test_a_recipe_tells_amounts_and_times_as_any_reader_takes_them() -> None:
    formula = butter_sponge()
    recipe = recipe_jsonld.write(formula, forecast(formula, setting_of(formula)))
    assert recipe["recipeYield"] == f"{formula.servings} servings"
    assert recipe["recipeCategory"] == formula.technique.value
    by_name = dict(reversed(line.split(" g ", 1)) for line in recipe["recipeIngredient"])
    for item in forecast(formula, setting_of(formula)).ingredients:
        written = by_name[item.name]
        assert float(written) == pytest.approx(item.grams, abs=0.5 if item.grams >= 10 else 0.05)
        assert ("." in written) is (item.grams < 10)
    assert 15 < int(recipe["cookTime"].removeprefix("PT").removesuffix("M")) < 60
    read = from_jsonld(recipe)
    assert (read.title, read.servings) == (formula.title, formula.servings)
    assert [line.text for line in read.lines] == recipe["recipeIngredient"]


def test_a_recipe_of_others_is_told_to_be_read_in_first() -> None:
    with pytest.raises(CraftError) as caught:
        recipe_jsonld.read({"@type": "Recipe", "name": "Cake"})
    assert caught.value.field == "kindwhisk:process"
    with pytest.raises(CraftError) as caught:
        recipe_jsonld.read({"@type": "Person"})
    assert caught.value.field == "@type"
    assert not recipe_jsonld.carries_process({"@type": "Recipe"})
    broken = {"@type": "Recipe", "kindwhisk:process": tea_chiffon().model_dump(mode="json") | {"servings": -1}}
    with pytest.raises(CraftError) as caught:
        recipe_jsonld.read(broken)
    assert caught.value.field == "kindwhisk:process.servings"


def _scaled(formula: Formula) -> Scaled:
    return scale(formula, demo_kitchen(), Wish())


def test_a_weigh_list_as_a_table_adds_up_to_the_batch() -> None:
    made = _scaled(tea_chiffon())
    rows = list(csv.DictReader(io.StringIO(weigh_text.as_csv(made))))
    assert sum(float(r["grams"]) for r in rows) == pytest.approx(made.forecast.total_g, abs=0.01 * len(rows))
    flour = next(r for r in rows if "flour" in r["ingredient"])
    assert flour["allergens"] == "wheat"
    assert {r["check_label"] for r in rows} <= {"yes", ""}


def test_a_formula_as_text_holds_what_a_baker_needs() -> None:
    made = _scaled(tea_chiffon())
    text = weigh_text.as_text(made)
    lines = text.splitlines()
    assert lines[1] == "=" * len(lines[0])
    own = [s for s in made.forecast.steps if s.id in {f.id for f in made.formula.steps}]
    for number, step in enumerate(own, start=1):
        assert any(line.startswith(f"{number}. {step.title}: ") for line in lines)
    assert not any(line.startswith(f"{len(own) + 1}. ") for line in lines)
    cautions = [c for s in own for c in s.cautions]
    assert sum(line.startswith("   ! ") for line in lines) == len(cautions) > 0
    assert "Contains gluten (wheat), egg, milk." in text
    boxes = sum(line.startswith("[ ] ") for line in lines)
    assert boxes == len(list(csv.DictReader(io.StringIO(weigh_text.as_csv(made)))))
