"""A content's window: the temperatures between which it can be piped, poured, folded or spread."""

from __future__ import annotations

import math
from collections.abc import Mapping
from enum import StrEnum

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value


class Content(StrEnum):
    """What is made ready: whipped cream, ganache, curd, starch custard, gelatine mousse, buttercream, glaze."""

    CREAM = "cream"
    GANACHE = "ganache"
    CURD = "curd"
    CUSTARD = "custard"
    MOUSSE = "mousse"
    BUTTERCREAM = "buttercream"
    GLAZE = "glaze"


class Purpose(StrEnum):
    """What it is wanted for."""

    WHIP = "whip"
    PIPE = "pipe"
    SPREAD = "spread"
    POUR = "pour"
    FOLD = "fold"


class State(StrEnum):
    """How it is for that use."""

    TOO_COLD = "too cold"
    RIGHT = "right"
    TOO_WARM = "too warm"
    NOT_YET = "not yet"
    PAST = "past"


class Side(Value):
    """What it is on one side of its window: the word for it, what to do, and what brings it back."""

    says: str
    do: str
    rescue: str


class Window(Value):
    """``low_c`` to ``high_c``; below and above it what to do; from ``past_c`` on it can't be brought back as it was."""

    low_c: float
    high_c: float
    colder: Side
    warmer: Side
    past_c: float | None = None
    past: Side | None = None
    source: str = "trade habit"


class Ready(Value):
    """A content for a use, as it is now.

    Attributes:
        window_c: the temperatures between which it is right; None where it is not a matter of warmth.
        state: how it is for that use; ``says`` the same in words.
        do: what to do first; ``rescue`` what brings it back, or that nothing does.
        minutes: how long until it is right where it stands, None where it is or where waiting does not help.
        source: where the window comes from.
    """

    content: Content
    use: Purpose
    window_c: Estimate | None
    state: State
    says: str
    do: str
    rescue: str
    minutes: Estimate | None = None
    source: str = "trade habit"


BOWL_PER_MINUTE = (0.02, 0.035, 0.06)
"""Share of the difference to the air that a bowl or small pot loses a minute, seldom stirred. Trade habit."""
COLD_PER_MINUTE = (0.015, 0.025, 0.04)
"""The same in a refrigerator."""
STIRRED = 2.0


def minutes_to(from_c: float, to_c: float, around_c: float, *, cold: bool = False) -> Estimate | None:
    """Minutes until a bowl that stands at ``around_c`` has come to a temperature; None where it never does."""
    apart, left = from_c - around_c, to_c - around_c
    if apart == 0 or left / apart <= 0 or left / apart >= 1:
        return None
    slow, likely, quick = COLD_PER_MINUTE if cold else BOWL_PER_MINUTE
    need = math.log(apart / left)
    return Estimate(
        low=need / -math.log(1 - quick),
        likely=need / -math.log(1 - likely),
        high=need / -math.log(1 - slow),
        basis=Basis.HABIT,
    )


def judged(content: Content, use: Purpose, window: Window, temperature_c: float, air_c: float | None = None) -> Ready:
    """How a content is for a use by its temperature alone; ``air_c`` is what it stands in."""
    middle = (window.low_c + window.high_c) / 2
    range_c = Estimate(low=window.low_c, likely=middle, high=window.high_c, basis=Basis.HABIT)
    minutes = None
    if window.past_c is not None and window.past is not None and temperature_c >= window.past_c:
        state, side = State.PAST, window.past
    elif temperature_c > window.high_c:
        state, side = State.TOO_WARM, window.warmer
        minutes = None if air_c is None else minutes_to(temperature_c, window.high_c, air_c, cold=air_c < 10)
    elif temperature_c < window.low_c:
        state, side = State.TOO_COLD, window.colder
        minutes = None if air_c is None else minutes_to(temperature_c, window.low_c, air_c)
    else:
        state = State.RIGHT
        side = Side(
            says=f"Right to {use.value}: {window.low_c:.0f} to {window.high_c:.0f} °C.",
            do=f"{use.value.capitalize()} it now.",
            rescue="Nothing to bring back.",
        )
    return Ready(
        content=content,
        use=use,
        window_c=range_c,
        state=state,
        says=side.says,
        do=side.do,
        rescue=side.rescue,
        minutes=minutes,
        source=window.source,
    )


def window_for(windows: Mapping[Purpose, Window], use: Purpose | None) -> tuple[Purpose, Window]:
    """The window for a use; that of the first one where it has none of its own."""
    if use is not None and use in windows:
        return use, windows[use]
    first = next(iter(windows))
    return first, windows[first]
