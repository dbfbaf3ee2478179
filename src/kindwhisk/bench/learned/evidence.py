"""The dots of all bakes of this kitchen, and which of them count."""

from __future__ import annotations

from collections import defaultdict
from datetime import datetime
from typing import NamedTuple

from kindwhisk.bench.ovens.evidence import OvenEvidence, Source
from kindwhisk.core.learning.dots import MOST, Dot
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.values.model import Value
from kindwhisk.store.bakes import Told
from kindwhisk.store.database import Store


class RollSeen(Value):
    """A roll with the strain of its outer face, and whether it cracked."""

    strain: float
    cracked: bool


class LearnedEvidence(NamedTuple):
    """What counts, oldest first; ``all_dots`` holds what was left out too, ``rolls`` what was rolled."""

    dots: tuple[Dot, ...]
    all_dots: tuple[Dot, ...]
    left_out: frozenset[str]
    sources: dict[str, Source]
    rolls: tuple[RollSeen, ...] = ()


def learned_evidence(store: Store, ovens: OvenEvidence) -> LearnedEvidence:
    """The last dots of each figure, from bakes that are over; times in ovens as these are known."""
    by_figure: dict[Figure, list[Dot]] = defaultdict(list)
    sources: dict[str, Source] = {}
    rolls: list[RollSeen] = []
    for row in store.bakes.told():
        source = Source(row.id, row.title, datetime.fromisoformat(row.started_at))
        if len(rolls) < MOST:
            rolls += [RollSeen.model_validate(raw) for raw in row.summary.get("rolls") or ()]
        for dot in _dots(row):
            if len(by_figure[dot.figure]) < MOST:
                by_figure[dot.figure].append(dot)
                sources[dot.id] = source
    for time in ovens.all_bakes:
        by_figure[Figure.BAKE].append(time.dot)
        sources[time.id] = ovens.sources[time.id]
    found = sorted((d for dots in by_figure.values() for d in dots), key=lambda d: (sources[d.id].at, d.id))
    return LearnedEvidence(
        dots=tuple(d for d in found if d.id not in ovens.left_out),
        all_dots=tuple(found),
        left_out=ovens.left_out,
        sources=sources,
        rolls=tuple(rolls),
    )


def _dots(row: Told) -> list[Dot]:
    """Those of a bake, by names that no other bake has."""
    told = [Dot.model_validate(raw) for raw in row.summary.get("dots") or ()]
    return [d.model_copy(update={"id": f"{row.id}/{d.id}"}) for d in told]
