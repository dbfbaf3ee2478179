"""The profile of an oven, learned: degrees, time factor, swing, hot side, and every step that led there."""

from __future__ import annotations

import statistics
from collections.abc import Callable, Sequence
from datetime import datetime

from kindwhisk.bench.ovens.evidence import OvenEvidence
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.ovens.browning_map import Grades, hot_side
from kindwhisk.core.ovens.cycling import OvenSeen
from kindwhisk.core.ovens.degrees import offset_k
from kindwhisk.core.ovens.degrees import trust as degrees_trust
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import TimeFactor, factor_for, trust
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

TIMES_TELL_NO_DEGREES = (
    "Times alone can't tell degrees: a slow oven may be cool, or move its air slowly. Put a thermometer in it."
)


class PlaceOffset(Value):
    """Offset (thermometer − dial) at a place in a mode, in K; ``dial_c`` is what to set for 170 C there. ``checks``
    tells how many readings were taken just there."""

    rack: Rack
    mode: OvenMode
    offset_k: Estimate
    sd_k: float
    dial_c: float
    checks: int


class DegreesStep(Value):
    """A thermometer's reading and what was believed after it. ``trusted`` is 0 to 1."""

    id: str
    at: datetime
    bake: str
    set_c: float
    measured_c: float
    rack: Rack
    mode: OvenMode
    trusted: float
    left_out: bool
    after_k: float | None
    after_sd_k: float | None


class TimeStep(Value):
    """A bake's time against the model's, and what was believed of the oven's factor after it. ``above``: it was given
    up or is only known to have taken longer."""

    id: str
    at: datetime
    bake: str
    title: str
    family: str
    observed_min: float
    modelled_min: float
    ratio: float
    above: bool
    trusted: float
    left_out: bool
    after_factor: float | None
    after_low: float | None
    after_high: float | None


class FamilyFactor(Value):
    """The factor of this oven for a kind of bake."""

    family: str
    time: TimeFactor


class MapView(Value):
    """The last browning map and what it tells."""

    at: datetime
    rows: tuple[Grades, ...]
    places_k: tuple[tuple[float, ...], ...]
    side: str
    spread_k: float
    sure: float
    advice: str
    k_per_grade: float


class OvenProfile(Value):
    """An oven as it is known. ``says`` is what can't be known from times alone, where no thermometer has told."""

    oven: str
    name: str
    mode: OvenMode
    offset: PlaceOffset
    places: tuple[PlaceOffset, ...]
    entered_offset_k: float
    time: TimeFactor
    families: tuple[FamilyFactor, ...]
    bakes_used: int
    checks_used: int
    says: str
    rise_k_per_min: Estimate
    swing_k: Estimate | None
    period_s: float | None
    recovers_s: float | None
    map: MapView | None
    degrees_steps: tuple[DegreesStep, ...]
    time_steps: tuple[TimeStep, ...]


def _around(mean: float, sd: float, checks: int) -> Estimate:
    half = RANGE_SD * sd
    basis = Basis.KITCHEN if checks else Basis.HABIT
    return Estimate(low=mean - half, likely=mean, high=mean + half, basis=basis, bakes=checks)


def _place(known: OvenEvidence, oven: str, rack: Rack, mode: OvenMode) -> PlaceOffset:
    belief = offset_k(known.degrees, oven, rack, mode)
    checks = sum(1 for d in known.degrees if (d.oven, d.rack, d.mode) == (oven, rack, mode))
    estimate = _around(belief.mean, belief.sd, checks)
    return PlaceOffset(rack=rack, mode=mode, offset_k=estimate, sd_k=belief.sd, dial_c=170 - belief.mean, checks=checks)


def _middle(seen: Sequence[OvenSeen], of: Callable[[OvenSeen], float | None]) -> float | None:
    values = [v for s in seen if (v := of(s)) is not None]
    return statistics.median(values) if values else None


def _degrees_steps(known: OvenEvidence, oven: str, mode: OvenMode) -> tuple[DegreesStep, ...]:
    mine = [d for d in known.all_degrees if d.oven == oven]
    counting = tuple(d for d in mine if d.id not in known.left_out)
    trusted = dict(zip((d.id for d in counting), degrees_trust(counting), strict=True))
    steps, so_far = [], []
    for one in mine:
        left_out = one.id in known.left_out
        if not left_out:
            so_far.append(one)
        after = offset_k(tuple(so_far), oven, mode=mode) if so_far else None
        source = known.sources[one.id]
        steps.append(
            DegreesStep(
                id=one.id,
                at=source.at,
                bake=source.bake,
                set_c=one.set_c,
                measured_c=one.measured_c,
                rack=one.rack,
                mode=one.mode,
                trusted=trusted.get(one.id, 0.0),
                left_out=left_out,
                after_k=after.mean if after else None,
                after_sd_k=after.sd if after else None,
            )
        )
    return tuple(steps)


def _time_steps(known: OvenEvidence, oven: str) -> tuple[TimeStep, ...]:
    trusted = trust(known.bakes)
    steps, so_far = [], []
    for one in known.all_bakes:
        left_out = one.id in known.left_out
        if not left_out:
            so_far.append(one)
        if one.oven != oven:
            continue
        after = factor_for(tuple(so_far), oven, checked=one.checked).factor if so_far else None
        source = known.sources[one.id]
        steps.append(
            TimeStep(
                id=one.id,
                at=source.at,
                bake=source.bake,
                title=source.title,
                family=one.family,
                observed_min=one.observed_s / 60,
                modelled_min=one.modelled_s / 60,
                ratio=one.observed_s / one.modelled_s,
                above=one.above,
                trusted=trusted.get(one.id, 0.0),
                left_out=left_out,
                after_factor=after.likely if after else None,
                after_low=after.low if after else None,
                after_high=after.high if after else None,
            )
        )
    return tuple(steps)


def _map(known: OvenEvidence, oven: str) -> MapView | None:
    noted = known.maps.get(oven)
    if noted is None or noted.note.kind != "mapped":
        return None
    told = hot_side(noted.note.map)
    return MapView(
        at=noted.at,
        rows=noted.note.map.rows,
        places_k=told.places_k,
        side=told.side,
        spread_k=told.spread_k,
        sure=told.sure,
        advice=told.advice,
        k_per_grade=told.k_per_grade,
    )


def oven_profile(oven_id: str, kitchen: Kitchen, known: OvenEvidence) -> OvenProfile:
    """The profile of an oven of the kitchen, by all that is known.

    Raises:
        CraftError: there is no such oven.
    """
    own = kitchen.oven(oven_id)
    seen = known.seen.get(oven_id, ())
    checked = [d for d in known.degrees if d.oven == oven_id]
    kinds = sorted({b.family for b in known.bakes if b.oven == oven_id})
    swing, rise = _middle(seen, lambda s: s.swing_k), _middle(seen, lambda s: s.rise_k_per_min)
    places = [(r, m) for m in OvenMode for r in Rack]
    shown = [p for p in places if any((d.rack, d.mode) == p for d in checked) or p[1] is own.mode]
    has = bool(checked)
    time = factor_for(known.bakes, oven_id, checked=has)
    return OvenProfile(
        oven=oven_id,
        name=own.name,
        mode=own.mode,
        offset=_place(known, oven_id, Rack.MIDDLE, own.mode),
        places=tuple(_place(known, oven_id, *p) for p in shown),
        entered_offset_k=own.offset_k,
        time=time,
        families=tuple(FamilyFactor(family=k, time=factor_for(known.bakes, oven_id, k, checked=has)) for k in kinds),
        bakes_used=time.bakes,
        checks_used=len(checked),
        says="" if checked else TIMES_TELL_NO_DEGREES,
        rise_k_per_min=Estimate.around(rise or own.rise_k_per_min, 0.15, Basis.KITCHEN if rise else Basis.HABIT),
        swing_k=None if swing is None else Estimate.around(swing, 0.25, Basis.KITCHEN),
        period_s=_middle(seen, lambda s: s.period_s),
        recovers_s=_middle(seen, lambda s: s.recovers_s),
        map=_map(known, oven_id),
        degrees_steps=_degrees_steps(known, oven_id, own.mode),
        time_steps=_time_steps(known, oven_id),
    )
