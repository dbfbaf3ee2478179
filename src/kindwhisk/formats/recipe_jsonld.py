"""A formula as a schema.org Recipe in JSON-LD, with the process in a namespace of its own, both ways."""

from __future__ import annotations

import json
from typing import Any

from pydantic import ValidationError

from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.reading.recipe import find_recipe
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults

NAMESPACE = "urn:kindwhisk:process:1#"
PROCESS = "kindwhisk:process"


def _minutes(seconds: float) -> str:
    return f"PT{max(1, round(seconds / 60))}M"


def _amount(grams: float) -> str:
    return f"{grams:.1f} g" if grams < 10 else f"{grams:.0f} g"


def write(formula: Formula, forecast: Forecast) -> dict[str, Any]:
    """The Recipe; any reader of schema.org finds ingredients, steps and times, ours finds the process too."""
    own = {s.id for s in formula.steps}
    bake = next((s for s in forecast.steps if s.sets_foam), None)
    recipe: dict[str, Any] = {
        "@context": ["https://schema.org", {"kindwhisk": NAMESPACE}],
        "@type": "Recipe",
        "name": formula.title,
        "description": formula.summary,
        "recipeCategory": formula.technique.value,
        "recipeYield": f"{formula.servings} servings",
        "recipeIngredient": [*(f"{_amount(i.grams)} {i.name}" for i in forecast.ingredients), *forecast.besides],
        "recipeInstructions": [
            {"@type": "HowToStep", "name": s.title, "text": f"{s.do} {s.why}".strip()}
            for s in forecast.steps
            if s.id in own
        ],
        "kindwhisk:allergens": list(forecast.allergens),
        "kindwhisk:allergens_unknown": list(forecast.allergens_unknown),
        "kindwhisk:allergens_often": list(forecast.allergens_often),
        "kindwhisk:contains": f"{forecast.contains} {forecast.labels}".strip(),
        PROCESS: formula.model_dump(mode="json"),
    }
    if bake is not None:
        recipe["cookTime"] = _minutes(bake.duration_s.likely)
    return recipe


def carries_process(document: Any) -> bool:
    """Whether a document is a Recipe with our process in it."""
    recipe = find_recipe(document)
    return recipe is not None and PROCESS in recipe


def read(document: Any) -> Formula:
    """The formula in a Recipe that carries our process.

    Raises:
        CraftError: it is no Recipe, carries no process, or the process does not hold.
    """
    recipe = find_recipe(document)
    if recipe is None:
        raise CraftError(
            "This is not a schema.org Recipe.",
            field="@type",
            remedy='Give a JSON-LD object whose "@type" is "Recipe".',
        )
    process = recipe.get(PROCESS)
    if process is None:
        raise CraftError(
            "This recipe carries no process, only text.",
            field=PROCESS,
            remedy="Read it in as a recipe first: its process is proposed, and kept when you confirm it.",
        )
    try:
        return Formula.model_validate_json(json.dumps(process))
    except ValidationError as error:
        first = faults(error.errors(include_url=False), process)[0]
        raise CraftError(
            f"The process is not valid: {first.sentence}",
            field=f"{PROCESS}.{first.field}" if first.field else PROCESS,
            remedy="Correct this entry and read the file again.",
        ) from error
