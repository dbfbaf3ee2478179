"""The forecast of a bake with the materials behind it, kept for as long as its readings do not change."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from kindwhisk.bench.document import BakeDocument
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.forecast import Forecast, forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.walk import walk


@dataclass(frozen=True)
class Walked:
    """A bake walked: its prepared formula, forecast, materials and settings around each step, cups (g/ml) seen."""

    document: BakeDocument
    formula: Formula
    forecast: Forecast
    intakes: dict[str, tuple[Material, ...]]
    before: dict[str, Material]
    materials: dict[str, Material]
    densities: dict[str, float]
    places: dict[str, Setting]


@lru_cache(maxsize=64)
def parse(document_json: str) -> BakeDocument:
    """The document of a bake; it never changes, so it is read once."""
    return BakeDocument.model_validate_json(document_json)


@lru_cache(maxsize=64)
def walked(document_json: str, densities: tuple[tuple[str, float], ...]) -> Walked:
    """Walk a bake's formula with the densities (g/ml by step) measured so far."""
    document = parse(document_json)
    measured = dict(densities)
    formula = prepared(document.formula)
    steps = walk(formula, document.setting, measured)
    return Walked(
        document=document,
        formula=formula,
        forecast=forecast(document.formula, document.setting, measured),
        densities=measured,
        intakes={w.step.id: w.intake for w in steps},
        before={w.step.id: combine(w.intake) for w in steps},
        materials={w.step.id: w.outcome.material for w in steps},
        places={w.step.id: w.place for w in steps},
    )
