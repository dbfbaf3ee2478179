"""What a cooling cake has to pass before it may be turned out, rolled, creamed and cut: by class, with reasons."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.values.temperature import Point

OUT_OF_OVEN_C = 95.0


class How(StrEnum):
    """How it cools."""

    HANGING = "upside down in its tin"
    IN_TIN = "in its tin"
    RACK = "free on a rack"


class GateKind(StrEnum):
    """What a cooling cake becomes ready for."""

    TURN_OUT = "turn out"
    ROLL = "roll"
    SOAK = "soak"
    CREAM = "cream"
    CUT = "cut"


class CoolGate(Value):
    """A gate at ``to_c``, and the seconds to it; ``why`` is what comes of being too early (or too late)."""

    kind: GateKind
    to_c: float
    after_s: Estimate
    why: str


ABOVE_AIR_K = 2.0
ROLL_C, CREAM_C, CUT_ABOVE_K = 35.0, 25.0, 4.0
HANGS = frozenset({Technique.CHIFFON, Technique.PATTERNED})
FRAGILE = frozenset({Technique.RICH_SPONGE, Technique.SOUFFLED_SHEET})
ROLLS = frozenset({Technique.CHIFFON_ROLL, Technique.SOUFFLED_SHEET})
PIECES = frozenset({Technique.LADYFINGERS, Technique.SHELLS, Technique.MERINGUE})


def gate_temperatures(technique: Technique | None, air_c: float) -> tuple[tuple[GateKind, float, str], ...]:
    """The gates of a class with their temperatures (C) and reasons, hottest first. Trade habit."""
    gates = []
    if technique in HANGS:
        gates.append((GateKind.TURN_OUT, air_c + CUT_ABOVE_K, "Warm, its wall tears and it shrinks."))
    elif technique in FRAGILE:
        gates.append((GateKind.TURN_OUT, 40.0, "Hot, it has no strength and breaks."))
    elif technique in PIECES:
        gates.append((GateKind.TURN_OUT, 32.0, "Warm, they leave their bases on the paper."))
    else:
        gates.append((GateKind.TURN_OUT, 75.0, "Hotter it breaks; left to go cold it sweats in its tin."))
    if technique in ROLLS:
        gates.append((GateKind.ROLL, ROLL_C, "Hot it sticks and tears; cold and bare it cracks."))
    if technique is Technique.SOAKED_SPONGE:
        gates.append((GateKind.SOAK, 45.0, "Lukewarm, it soaks evenly."))
    if technique is not Technique.MERINGUE:
        gates.append((GateKind.CREAM, CREAM_C, "From 28 °C cream loosens, from 32 its fat melts."))
    if technique not in PIECES:
        gates.append(
            (GateKind.CUT, air_c + CUT_ABOVE_K, "Starch is still setting: a warm crumb balls under the knife.")
        )
    warmest = air_c + ABOVE_AIR_K
    ordered = sorted(((k, max(c, warmest), w) for k, c, w in gates), key=lambda g: -g[1])
    return tuple(ordered)


class Cooling(Value):
    """Seconds to each gate, hottest first, and the way of its middle (seconds, C)."""

    gates: tuple[CoolGate, ...]
    curve: tuple[Point, ...]
