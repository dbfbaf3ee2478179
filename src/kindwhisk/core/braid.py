"""The braid: every vessel a strand over time, as thick as what it holds, joined where contents meet."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.process.outcome import Attention, Resource
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.model import Value


class Piece(Value):
    """A stretch of a strand: a step at work, or its result waiting.

    ``volume_start_ml`` and ``volume_end_ml`` give the thickness; ``air_*`` 0 to 1 give the bubbles, which are
    pores once ``baked``. ``hold_until_s`` is when a waiting foam's window runs out.
    """

    step: str
    vessel: str
    label: str
    waiting: bool
    start_s: float
    end_s: float
    volume_start_ml: float
    volume_end_ml: float
    air_start: float
    air_end: float
    baked: bool
    colour: str
    hold_until_s: float | None = None


class Join(Value):
    """Content that moves from one vessel to another at a moment."""

    step: str
    from_vessel: str
    to_vessel: str
    at_s: float
    volume_ml: float
    colour: str


class Strand(Value):
    """A vessel's line."""

    vessel: str
    name: str


class Occupied(Value):
    """A shared resource taken by a step."""

    resource: str
    step: str
    start_s: float
    end_s: float


class Braid(Value):
    """All of it, in seconds from the same origin as the times that it was made from."""

    strands: tuple[Strand, ...]
    pieces: tuple[Piece, ...]
    joins: tuple[Join, ...]
    occupied: tuple[Occupied, ...]
    start_s: float
    end_s: float


def braid(forecast: Forecast, times: Mapping[str, tuple[float, float]]) -> Braid:
    """The braid of a forecast whose steps lie at ``times`` (start, end), planned or as they really went.

    Steps without a time are left out, with all that would come of them.
    """
    steps = [s for s in forecast.steps if s.id in times]
    by_id = {s.id: s for s in steps}
    hold = {w.opens: w.hold_s.likely for w in windows(forecast)}
    pieces, joins = [], []
    for step in steps:
        start, end = times[step.id]
        if step.material.mass_g <= 0:
            pieces.append(_machine(step, start, end))
            continue
        sources = [by_id[t.step] for t in step.inputs if t.step in by_id]
        here = [s for s in sources if s.vessel == step.vessel]
        stays = here[0].material if here else None
        arriving = sum(
            t.grams / max(by_id[t.step].material.density_g_per_ml.likely, 0.01) for t in step.inputs if t.step in by_id
        )
        before = max(arriving, stays.volume_ml.likely if stays else 0.0)
        pieces.append(
            Piece(
                step=step.id,
                vessel=step.vessel,
                label=step.title,
                waiting=False,
                start_s=start,
                end_s=end,
                volume_start_ml=before,
                volume_end_ml=step.material.volume_ml.likely,
                air_start=max((s.material.air_fraction for s in sources), default=0.0),
                air_end=step.material.air_fraction,
                baked=step.material.baked,
                colour=step.material.colour,
            )
        )
        joins += [_join(step, by_id[t.step], t.grams, start) for t in step.inputs if t.step in by_id]
        takers = [s for s in steps if any(t.step == step.id for t in s.inputs)]
        leaves = max((times[s.id][0] for s in takers), default=end)
        if leaves > end:
            pieces.append(_waiting(step, end, leaves, hold.get(step.id)))
    used = {p.vessel for p in pieces}
    names = {s.vessel: s.vessel_name for s in steps}
    begun = {v: min(p.start_s for p in pieces if p.vessel == v) for v in used}
    return Braid(
        strands=tuple(Strand(vessel=v, name=names[v]) for v in sorted(used, key=lambda v: (v == "oven", begun[v]))),
        pieces=tuple(pieces),
        joins=tuple(j for j in joins if j.from_vessel != j.to_vessel),
        occupied=tuple(
            Occupied(resource=r.value, step=s.id, start_s=times[s.id][0], end_s=times[s.id][1])
            for s in steps
            for r in ((Resource.HANDS,) if s.attention is Attention.THROUGHOUT else ()) + s.uses
        ),
        start_s=min((p.start_s for p in pieces), default=0.0),
        end_s=max((p.end_s for p in pieces), default=0.0),
    )


def _machine(step: StepForecast, start: float, end: float) -> Piece:
    return Piece(
        step=step.id,
        vessel=step.vessel,
        label=step.title,
        waiting=False,
        start_s=start,
        end_s=end,
        volume_start_ml=0,
        volume_end_ml=0,
        air_start=0,
        air_end=0,
        baked=False,
        colour="",
    )


def _waiting(step: StepForecast, start: float, end: float, hold_s: float | None) -> Piece:
    volume, air = step.material.volume_ml.likely, step.material.air_fraction
    return Piece(
        step=step.id,
        vessel=step.vessel,
        label=step.title,
        waiting=True,
        start_s=start,
        end_s=end,
        volume_start_ml=volume,
        volume_end_ml=volume,
        air_start=air,
        air_end=air,
        baked=step.material.baked,
        colour=step.material.colour,
        hold_until_s=None if hold_s is None else start + hold_s,
    )


def _join(step: StepForecast, source: StepForecast, grams: float, at_s: float) -> Join:
    volume = grams / max(source.material.density_g_per_ml.likely, 0.01)
    return Join(
        step=step.id,
        from_vessel=source.vessel,
        to_vessel=step.vessel,
        at_s=at_s,
        volume_ml=volume,
        colour=source.material.colour,
    )
