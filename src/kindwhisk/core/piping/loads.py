"""Loads: trays over the racks of one oven or several, in the order of baking, each tray in the window of its skin."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

RECOVERS_K, DOOR_S = 25.0, 60.0
"""What door and cold trays take out of an oven's air, and the time that they take. Trade habit."""
TURN_SHARE, COVER_SHARE = 0.6, 0.75
"""Shares of a bake at which trays are turned, and covered where they brown before they are done. Trade habit."""
HOLDS_S = 1800.0
"""Batter may wait in its bag so long: later trays are piped later, so that they don't rest too long. Trade habit."""
MOST_TRAYS = 200


class OvenRoom(NamedTuple):
    """An oven: how many trays it takes at once, what one load takes in it, and how long it then needs to be hot again
    (s)."""

    name: str
    racks: int
    bake_s: float
    recovers_s: float


class Free(NamedTuple):
    """From when on hands and ovens are free for the trays of a batter, counted from when it is made (s)."""

    hands_s: float = 0.0
    ovens_s: float = 0.0


FREE_AT_ONCE = Free()


class Rested(StrEnum):
    """Whether a tray goes in within the window of its skin."""

    FITS = "in its window"
    OVER = "over-dried"


class TrayInLoad(Value):
    """A tray: when it is piped, when its skin holds and has rested too long, and when it goes in (s from the first)."""

    tray: int
    pieces: int
    piped_from_s: float
    piped_s: float
    dry_s: float
    too_long_s: float
    rests_s: float
    rested: Rested


class Load(Value):
    """What goes into an oven together; ``turn_s`` and ``cover_s`` are from the first tray's piping too."""

    load: int
    oven: str
    trays: tuple[TrayInLoad, ...]
    start_s: float
    end_s: float
    turn_s: float
    cover_s: float | None


class Loads(Value):
    """All loads in their order, when the last is out, and what does not go well with a remedy."""

    loads: tuple[Load, ...]
    ends_s: float
    hands_s: float
    says: str
    remedy: str


def recovers_s(rise_k_per_min: float) -> float:
    """Seconds until an oven is hot again after a load was changed, by its own pace."""
    return DOOR_S + 60 * RECOVERS_K / rise_k_per_min


def shares(pieces: int, per_tray: int) -> list[int]:
    """How many pieces stand on each tray: full ones, and one with the rest.

    Raises:
        CraftError: a tray takes none, or there are too many trays.
    """
    if per_tray < 1:
        raise CraftError(
            "Not one piece stands on that tray.",
            field="tray",
            remedy="Take a larger tray, smaller pieces or narrower gaps.",
        )
    trays = math.ceil(pieces / per_tray)
    if trays > MOST_TRAYS:
        raise CraftError(
            f"{pieces} pieces would take {trays} trays.", field="pieces", remedy=f"Plan up to {MOST_TRAYS} trays."
        )
    return [min(per_tray, pieces - i * per_tray) for i in range(trays)]


class _Going(NamedTuple):
    oven: OvenRoom
    number: int
    first: int
    last: int


def _turns(trays: int, ovens: Sequence[OvenRoom]) -> list[_Going]:
    """Which trays go into which oven, in the order of baking: always into the one that is free first."""
    free = [0.0] * len(ovens)
    found, at = [], 0
    while at < trays:
        i = min(range(len(ovens)), key=lambda n: (free[n], n))
        last = min(trays, at + ovens[i].racks)
        found.append(_Going(ovens[i], i, at, last))
        free[i] += ovens[i].bake_s + ovens[i].recovers_s
        at = last
    return found


def plan_loads(
    pieces: Sequence[int],
    ovens: Sequence[OvenRoom],
    *,
    pipe_s: float,
    dry_s: float,
    too_long_s: float,
    covers: bool = False,
    free: Free = FREE_AT_ONCE,
) -> Loads:
    """Trays (``pieces`` on each) piped one after the other and baked in that order.

    A load goes in once its last tray's skin holds and its oven is hot again. A later tray is piped so late that its
    skin holds just when its turn comes, as far as the batter can wait for it.

    Args:
        pieces: how many stand on each tray.
        ovens: where they bake, at least one.
        pipe_s: of one full tray.
        dry_s, too_long_s: after piping, when a skin holds, and when it has rested too long (0 and inf without a rest).
        covers: whether they are covered towards the end.
        free: from when on hands and ovens are free.
    """
    full = max(pieces, default=1)
    each_s = [pipe_s * n / full for n in pieces]
    ready = [free.ovens_s] * len(ovens)
    hands = free.hands_s
    loads: list[Load] = []
    for going in _turns(len(pieces), ovens):
        own = range(going.first, going.last)
        # As late as its oven allows, no earlier than the hands are free, no later than the batter can wait.
        latest = ready[going.number] - dry_s - sum(each_s[i] for i in own)
        begins = max(hands, min(latest, HOLDS_S))
        piped: list[tuple[float, float]] = []
        for i in own:
            piped.append((begins, begins + each_s[i]))
            begins += each_s[i]
        hands = begins
        start = max(ready[going.number], piped[-1][1] + dry_s)
        end = start + going.oven.bake_s
        ready[going.number] = end + going.oven.recovers_s
        trays = tuple(
            TrayInLoad(
                tray=i + 1,
                pieces=pieces[i],
                piped_from_s=a,
                piped_s=b,
                dry_s=b + dry_s,
                too_long_s=b + too_long_s,
                rests_s=start - b,
                rested=Rested.OVER if start > b + too_long_s + 1e-6 else Rested.FITS,
            )
            for i, (a, b) in zip(own, piped, strict=True)
        )
        loads.append(
            Load(
                load=len(loads) + 1,
                oven=going.oven.name,
                trays=trays,
                start_s=start,
                end_s=end,
                turn_s=start + TURN_SHARE * going.oven.bake_s,
                cover_s=start + COVER_SHARE * going.oven.bake_s if covers else None,
            )
        )
    return Loads(loads=tuple(loads), ends_s=max((x.end_s for x in loads), default=0.0), hands_s=hands, **_said(loads))


def _said(loads: Sequence[Load]) -> dict[str, str]:
    over = [t.tray for load in loads for t in load.trays if t.rested is Rested.OVER]
    if not over:
        return {"says": "", "remedy": ""}
    named = f"Tray {over[0]} waits" if len(over) == 1 else f"Trays {over[0]} to {over[-1]} wait"
    return {
        "says": f"{named} for the oven until the skin is hard and dull.",
        "remedy": "Make the batter in two goes, bake on more racks or in a second oven, or keep waiting trays from "
        "draughts under a raised cover.",
    }
