"""What has been learned, as a page shows it: each figure, what it depends on, and every dot that led there."""

from __future__ import annotations

import math
from collections.abc import Sequence
from datetime import datetime

from kindwhisk.bench.learned.evidence import LearnedEvidence
from kindwhisk.bench.ovens.evidence import Source
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning.dots import Dot, belief, trust
from kindwhisk.core.learning.expected import range_of
from kindwhisk.core.learning.figures import SPREADS, Figure, level_of
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

LEVELS = {
    "mixer": "whisked with",
    "hands": "hands",
    "kind": "kind",
    "family": "kind of tin",
    "oven": "oven",
    "dial": "its dial, unchecked",
    "formula": "formula",
    "size": "size of egg",
}
UNITS = {
    Figure.WHIP: "s",
    Figure.ALONE: "s",
    Figure.BAKE: "s",
    Figure.AIR: "share",
    Figure.FOAM: "g/ml",
    Figure.BATTER: "g/ml",
    Figure.HEIGHT: "mm",
    Figure.SKIN: "s",
    Figure.PIPE: "s",
    Figure.PIECE: "g",
    Figure.EGG: "g",
    Figure.CARRY: "K",
}


class EffectView(Value):
    """Something that a figure depends on: what it does to it (1: nothing), and how many dots tell of it."""

    name: str
    level: str
    words: str
    factor: Estimate
    dots: int


class FigureView(Value):
    """A learned figure; ``usual`` is by how much it differs from bake to bake with everything the same."""

    figure: Figure
    unit: str
    usual: Estimate
    effects: tuple[EffectView, ...]


class DotView(Value):
    """A bake's figure against the model's, and what was believed of the effect after it. ``above``: only known to have
    been more. ``trusted`` is 0 to 1."""

    id: str
    at: datetime
    bake: str
    title: str
    observed: float
    modelled: float
    ratio: float
    above: bool
    trusted: float
    left_out: bool
    after: Estimate | None


class EffectDots(Value):
    """An effect with its dots, oldest first."""

    figure: Figure
    unit: str
    effect: EffectView
    dots: tuple[DotView, ...]


def _of(dots: Sequence[Dot], figure: Figure) -> tuple[Dot, ...]:
    return tuple(d for d in dots if d.figure is figure)


def _words(name: str, dots: Sequence[Dot], sources: dict[str, Source], kitchen: Kitchen) -> str:
    """What an effect is called, for a baker."""
    level, _, own = name.partition(" ")
    if level == "mixer":
        return next((m.name for m in kitchen.mixers if m.id == own), own)
    if level in {"oven", "dial"}:
        return next((o.name for o in kitchen.ovens if o.id == own), own)
    if level == "kind" and own.startswith("preheat "):
        oven = own.removeprefix("preheat ")
        return f"heating {next((o.name for o in kitchen.ovens if o.id == oven), oven)}"
    if level == "hands":
        named = next((p.name for p in kitchen.people if p.id == own), own)
        return "the kitchen’s" if own == "of the kitchen" else named
    if level == "formula":
        newest = next((d for d in reversed(dots) if name in d.effects), None)
        title = sources[newest.id].title if newest is not None else own
        return f"{title}: {newest.title}" if newest is not None and newest.title else title
    return own


def _effect(name: str, dots: tuple[Dot, ...], known: LearnedEvidence, kitchen: Kitchen) -> EffectView:
    figure = dots[0].figure
    counting = tuple(d for d in dots if d.id not in known.left_out)
    own = sum(1 for d in counting if name in d.effects)
    return EffectView(
        name=name,
        level=LEVELS[level_of(name)],
        words=_words(name, dots, known.sources, kitchen),
        factor=range_of(belief(counting, figure, (name,)), own),
        dots=own,
    )


def learned_figures(known: LearnedEvidence, kitchen: Kitchen) -> tuple[FigureView, ...]:
    """All figures that any bake has told of."""
    found = []
    for figure in Figure:
        dots = _of(known.all_dots, figure)
        if not dots:
            continue
        order = list(SPREADS[figure].levels)
        names = sorted({e for d in dots for e in d.effects}, key=lambda e: (order.index(level_of(e)), e))
        noise = math.exp(RANGE_SD * SPREADS[figure].noise)
        found.append(
            FigureView(
                figure=figure,
                unit=UNITS[figure],
                usual=Estimate(low=1 / noise, likely=1.0, high=noise, basis=Basis.HABIT),
                effects=tuple(_effect(name, dots, known, kitchen) for name in names),
            )
        )
    return tuple(found)


def effect_dots(figure: Figure, name: str, known: LearnedEvidence, kitchen: Kitchen) -> EffectDots:
    """An effect with every dot that told of it.

    Raises:
        CraftError: no bake has told of such an effect.
    """
    dots = _of(known.all_dots, figure)
    if not any(name in d.effects for d in dots):
        raise CraftError(f"No bake has told of “{name}” yet.", field="effect", remedy="Take one from the list.")
    trusted = trust(tuple(d for d in dots if d.id not in known.left_out))
    views, so_far = [], list[Dot]()
    for dot in dots:
        out = dot.id in known.left_out
        so_far += [] if out else [dot]
        if name not in dot.effects:
            continue
        source = known.sources[dot.id]
        own = sum(1 for d in so_far if name in d.effects)
        views.append(
            DotView(
                id=dot.id,
                at=source.at,
                bake=source.bake,
                title=f"{source.title}: {dot.title}" if dot.title else source.title,
                observed=dot.observed,
                modelled=dot.modelled,
                ratio=dot.observed / dot.modelled,
                above=dot.above,
                trusted=trusted.get(dot.id, 0.0),
                left_out=out,
                after=range_of(belief(tuple(so_far), figure, (name,)), own) if own else None,
            )
        )
    effect = _effect(name, dots, known, kitchen)
    return EffectDots(figure=figure, unit=UNITS[figure], effect=effect, dots=tuple(views))
