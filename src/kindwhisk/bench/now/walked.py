"""The forecast of a bake with the materials behind it, kept for as long as its readings do not change."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

from kindwhisk.bench.log.document import BakeDocument, parse
from kindwhisk.bench.now.pieces import NO_PIECES, PiecesSeen
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.process.changes.remedy import brought_back
from kindwhisk.core.process.forecast import Forecast, forecast_of, walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.gate import Gate, gates
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.walk import Measured, Observed, WalkedStep


@dataclass(frozen=True)
class WalkedBake:
    """A bake walked: its document (as text too), prepared formula and forecast, and the materials and settings around
    each step, by what was observed; and the figures that each is expected to have."""

    text: str
    document: BakeDocument
    formula: Formula
    forecast: Forecast
    intakes: dict[str, tuple[Material, ...]]
    before: dict[str, Material]
    materials: dict[str, Material]
    observed: Observed
    places: dict[str, Setting]
    expects: dict[str, tuple[Expected, ...]]
    steps: tuple[WalkedStep, ...]
    gates: dict[str, Gate]
    pieces: PiecesSeen

    def at_first(self, step_id: str) -> Material:
        """What went into a step when it began: what brought it back later is left to its thermometer to see."""
        inputs, intake = self.formula.step(step_id).inputs, self.intakes[step_id]
        return combine(m for p, m in zip(inputs, intake, strict=True) if not brought_back(p))


def walked_without(made: WalkedBake, step_id: str) -> WalkedBake:
    """The same bake without what was measured at a step."""
    densities = tuple(sorted((i, m) for i, m in made.observed.densities.items() if i != step_id))
    waited, ran = (tuple(sorted(m.items())) for m in (made.observed.waited_s, made.observed.ran_s))
    return walked(made.text, densities, waited, ran, made.pieces, tuple(sorted(made.observed.warmth.items())))


@lru_cache(maxsize=64)
def walked(
    document_json: str,
    densities: tuple[tuple[str, Measured], ...],
    waited_s: tuple[tuple[str, float], ...] = (),
    ran_s: tuple[tuple[str, float], ...] = (),
    pieces: PiecesSeen = NO_PIECES,
    warmth: tuple[tuple[str, float], ...] = (),
) -> WalkedBake:
    """Walk a bake's formula with the densities measured so far, the waits of its foams, how long they were whisked
    (all by step), what was seen of its pieces, and how warm results are by their thermometers."""
    document = parse(document_json)
    seen = (dict(pieces.touches), dict(pieces.counts), dict(pieces.humidity))
    observed = Observed(dict(densities), dict(waited_s), dict(ran_s), *seen, dict(warmth))
    steps = walk_prepared(document.formula, document.setting, observed)
    forecast = forecast_of(document.formula, steps)
    return WalkedBake(
        text=document_json,
        document=document,
        formula=document.formula.model_copy(update={"steps": tuple(w.step for w in steps)}),
        forecast=forecast,
        observed=observed,
        intakes={w.step.id: w.intake for w in steps},
        before={w.step.id: combine(w.intake) for w in steps},
        materials={w.step.id: w.outcome.material for w in steps},
        places={w.step.id: w.place for w in steps},
        expects={w.step.id: w.outcome.expects for w in steps},
        gates={g.step: g for g in gates(forecast)},
        pieces=pieces,
        steps=tuple(steps),
    )
