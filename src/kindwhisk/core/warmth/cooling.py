"""Cooling in still air: from the oven's heat to each gate that a cake has to pass."""

from __future__ import annotations

import math
from enum import StrEnum

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.values.temperature import Point

OUT_OF_OVEN_C = 95.0
ON_RACK_W_PER_M2K = 8.0
IN_TIN_INVERTED_W_PER_M2K = 4.5
HEAT_CAPACITY = 2900.0
EVAPORATION_HELPS = 0.85
"""Heat loss on all sides, the heat of a moist crumb (J/kg K), and what drying takes off. Recalled."""


class How(StrEnum):
    """How it cools."""

    HANGING = "upside down in its tin"
    IN_TIN = "in its tin"
    RACK = "free on a rack"


LOSES_W_PER_M2K: dict[How, float] = {
    How.HANGING: IN_TIN_INVERTED_W_PER_M2K,
    How.IN_TIN: 6.0,
    How.RACK: ON_RACK_W_PER_M2K,
}
"""In its tin on a rack: trade habit; the others as above."""


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


def cooling_s(
    mass_g: float, area_mm2: float, from_c: float, to_c: float, air_c: float, loss_w_per_m2k: float
) -> Estimate:
    """Seconds from ``from_c`` to ``to_c`` in air at ``air_c``.

    ``t = 0.85 (m/A) c/h ln((T0 - T_air)/(T - T_air))``.

    Args:
        mass_g, area_mm2: of the cake, all sides that lose heat.
        from_c, to_c, air_c: C.
        loss_w_per_m2k: h, what a square metre loses, 4.5 (hanging in its tin) to 8 (on a rack).

    Raises:
        CraftError: ``to_c`` is not above the air.

    Source: Newton's law of cooling, lumped; c and h recalled, what drying takes off trade habit.
    """
    if to_c <= air_c:
        raise CraftError(
            f"Nothing cools to {to_c:.0f} °C in a kitchen at {air_c:.0f} °C.",
            field="target_c",
            remedy="Choose a target at least 1 °C above the kitchen's air, or chill it.",
        )
    if from_c <= to_c:
        return Estimate.exact(0.0, Basis.MODEL)
    per_area = (mass_g / 1000) / (area_mm2 / 1e6)
    time = per_area * HEAT_CAPACITY / loss_w_per_m2k * math.log((from_c - air_c) / (to_c - air_c))
    return Estimate.around(time * EVAPORATION_HELPS, 0.25, Basis.MODEL)


def cooled_c(elapsed_s: float, whole_s: float, from_c: float, to_c: float, air_c: float) -> float:
    """Temperature (C) ``elapsed_s`` after a start at ``from_c``, for something that reaches ``to_c`` after
    ``whole_s``."""
    if from_c <= to_c:
        return from_c
    left = ((to_c - air_c) / (from_c - air_c)) ** (elapsed_s / max(whole_s, 1.0))
    return max(to_c, air_c + (from_c - air_c) * float(left))


ABOVE_AIR_K = 2.0
CREAM_C, CUT_ABOVE_K = 25.0, 4.0
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
        gates.append((GateKind.ROLL, 35.0, "Hot it sticks and tears; cold and bare it cracks."))
    if technique is Technique.SOAKED_SPONGE:
        gates.append((GateKind.SOAK, 45.0, "Lukewarm, it soaks evenly."))
    if technique is not Technique.MERINGUE:
        gates.append((GateKind.CREAM, CREAM_C, "Cream melts from 27 to 30 °C on."))
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


CURVE_POINTS = 24


def cooling(
    mass_g: float,
    area_mm2: float,
    how: How,
    air_c: float,
    technique: Technique | None,
    from_c: float = OUT_OF_OVEN_C,
) -> Cooling:
    """A cake of this mass and surface (g, mm2) on its way to the last of its gates."""
    gates = cool_gates(mass_g, area_mm2, how, air_c, technique, from_c)
    last = gates[-1]
    ends = max(last.after_s.likely, 1.0)
    moments = [ends * i / CURVE_POINTS for i in range(CURVE_POINTS + 1)]
    curve = tuple(Point(s=s, c=cooled_c(s, ends, from_c, last.to_c, air_c)) for s in moments)
    return Cooling(gates=gates, curve=curve)


def cool_gates(
    mass_g: float,
    area_mm2: float,
    how: How,
    air_c: float,
    technique: Technique | None,
    from_c: float = OUT_OF_OVEN_C,
) -> tuple[CoolGate, ...]:
    """When a cake of this mass and surface may be turned out, rolled, creamed and cut."""
    return tuple(
        CoolGate(
            kind=kind,
            to_c=to_c,
            after_s=cooling_s(mass_g, area_mm2, from_c, to_c, air_c, LOSES_W_PER_M2K[how]),
            why=why,
        )
        for kind, to_c, why in gate_temperatures(technique, air_c)
    )
