"""All that is known of this kitchen's ovens: from its bakes, its thermometers and what was noted by hand.

Nothing of it is ever deleted: what is not to count is left out by a note, and can be let in again.
"""

from __future__ import annotations

import statistics
from collections import defaultdict
from datetime import datetime
from typing import Annotated, Literal, NamedTuple

from pydantic import Field, TypeAdapter

from kindwhisk.bench.ovens.record import OvenHeld, OvenTime
from kindwhisk.core.ovens.browning_map import BrowningMap, hot_side
from kindwhisk.core.ovens.cycling import OvenSeen
from kindwhisk.core.ovens.degrees import NOISE_K, DegreesSeen
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import BakeTime
from kindwhisk.core.values.model import Value
from kindwhisk.store.bakes import Told
from kindwhisk.store.database import Store

REMEMBERED = 80
PROBE_NOISE_K = 2.0
"""The mean of a probe over a bake, against the dial. Trade habit."""


class DegreesNote(Value):
    """The oven was set to ``set_c`` and a thermometer in it showed ``measured_c`` once it held."""

    kind: Literal["checked"] = "checked"
    set_c: float = Field(ge=40, le=320, allow_inf_nan=False)
    measured_c: float = Field(ge=20, le=400, allow_inf_nan=False)
    rack: Rack = Rack.MIDDLE
    mode: OvenMode = OvenMode.STATIC


class MapNote(Value):
    """A tray was baked and marked."""

    kind: Literal["mapped"] = "mapped"
    map: BrowningMap


class LeftOutNote(Value):
    """A piece of evidence is not to count, or is to count again."""

    kind: Literal["left_out"] = "left_out"
    evidence: str = Field(min_length=1, max_length=120)
    out: bool = True


Note = Annotated[DegreesNote | MapNote | LeftOutNote, Field(discriminator="kind")]
note_adapter: TypeAdapter[Note] = TypeAdapter(Note)


class Noted(NamedTuple):
    """A note with its place and moment."""

    id: str
    oven: str
    at: datetime
    note: DegreesNote | MapNote | LeftOutNote


class Source(NamedTuple):
    """Where a piece of evidence is from: a bake by its id and title (empty for a note), and when."""

    bake: str
    title: str
    at: datetime


class OvenEvidence(NamedTuple):
    """What counts; ``all_bakes`` and ``all_degrees`` hold what was left out too. ``seen`` by oven, oldest first."""

    bakes: tuple[BakeTime, ...]
    degrees: tuple[DegreesSeen, ...]
    rises: dict[str, float]
    all_bakes: tuple[BakeTime, ...]
    all_degrees: tuple[DegreesSeen, ...]
    left_out: frozenset[str]
    seen: dict[str, tuple[OvenSeen, ...]]
    maps: dict[str, Noted]
    hot_sides: dict[str, str]
    sources: dict[str, Source]


def _time(row: Told, told: OvenTime) -> BakeTime | None:
    """The bake's time; None for one that took none, such as one that was told of all at once."""
    seconds = told.observed_s if told.observed_s is not None else told.not_yet_s
    if not seconds or seconds <= 0 or told.modelled_s <= 0:
        return None
    return BakeTime(
        id=f"{row.id}/{told.step}",
        oven=told.oven,
        family=told.family,
        formula=row.formula,
        observed_s=seconds,
        modelled_s=told.modelled_s,
        above=told.observed_s is None,
        checked=told.checked,
    )


def _checked(times: list[BakeTime], degrees: tuple[DegreesSeen, ...], sources: dict[str, Source]) -> list[BakeTime]:
    """The times, each with whether a thermometer had told of its oven by then, where that was not kept with it."""
    first: dict[str, datetime] = {}
    for seen in degrees:
        at = sources[seen.id].at
        first[seen.oven] = min(at, first.get(seen.oven, at))
    known = {t.id for t in times if t.checked or (t.oven in first and first[t.oven] < sources[t.id].at)}
    return [t.model_copy(update={"checked": True}) if t.id in known else t for t in times]


def _hot_sides(maps: dict[str, Noted]) -> dict[str, str]:
    told = {oven: hot_side(m.note.map).side for oven, m in maps.items() if isinstance(m.note, MapNote)}
    return {oven: side for oven, side in told.items() if side}


def oven_evidence(store: Store) -> OvenEvidence:
    """All of it, oldest first."""
    times: list[BakeTime] = []
    degrees: list[DegreesSeen] = []
    seen: dict[str, list[OvenSeen]] = defaultdict(list)
    sources: dict[str, Source] = {}
    for row in reversed(store.bakes.told(REMEMBERED)):
        began = datetime.fromisoformat(row.started_at)
        for raw in row.summary.get("ovens", ()):
            one = _time(row, OvenTime.model_validate(raw))
            if one is not None:
                times.append(one)
                sources[one.id] = Source(row.id, row.title, began)
        for raw in row.summary.get("held", ()):
            held = OvenHeld.model_validate(raw)
            seen[held.oven].append(held.seen)
            if held.seen.mean_c is None:
                continue
            name = f"{row.id}/{held.step}/oven"
            sources[name] = Source(row.id, row.title, began)
            degrees.append(
                DegreesSeen(
                    id=name,
                    oven=held.oven,
                    set_c=held.set_c,
                    measured_c=held.seen.mean_c,
                    rack=held.rack,
                    mode=held.mode,
                    noise_k=NOISE_K if held.typed else PROBE_NOISE_K,
                )
            )
    out: set[str] = set()
    maps: dict[str, Noted] = {}
    for row in store.oven_notes.listed():
        noted = Noted(
            f"note-{row.id}", str(row.oven), datetime.fromisoformat(row.at), note_adapter.validate_json(row.payload)
        )
        if isinstance(noted.note, LeftOutNote):
            (out.add if noted.note.out else out.discard)(noted.note.evidence)
        elif isinstance(noted.note, MapNote):
            maps[noted.oven] = noted
        else:
            sources[noted.id] = Source("", "", noted.at)
            fields = noted.note.model_dump(exclude={"kind"})
            degrees.append(DegreesSeen(id=noted.id, oven=noted.oven, **fields))
    counting = tuple(d for d in degrees if d.id not in out)
    times = _checked(times, counting, sources)
    rises = {
        oven: statistics.median(found)
        for oven, all_seen in seen.items()
        if (found := [s.rise_k_per_min for s in all_seen if s.rise_k_per_min is not None])
    }
    return OvenEvidence(
        bakes=tuple(t for t in times if t.id not in out),
        degrees=counting,
        rises=rises,
        all_bakes=tuple(times),
        all_degrees=tuple(degrees),
        left_out=frozenset(out),
        seen={oven: tuple(all_seen) for oven, all_seen in seen.items()},
        maps=maps,
        hot_sides=_hot_sides(maps),
        sources=sources,
    )


class Ovens:
    """The evidence of a data file, worked out again only once something has happened or was noted."""

    def __init__(self, store: Store) -> None:
        self._store = store
        self._known: tuple[tuple[int, int], OvenEvidence] | None = None

    def evidence(self) -> OvenEvidence:
        """All of it, as it stands."""
        at = (self._store.bakes.last_event_id(), self._store.oven_notes.last_id())
        known = self._known
        if known is None or known[0] != at:
            known = self._known = (at, oven_evidence(self._store))
        return known[1]
