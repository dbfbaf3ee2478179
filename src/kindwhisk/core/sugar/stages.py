"""The stages of a syrup by name, with what a drop in cold water shows where there is no thermometer."""

from __future__ import annotations

from kindwhisk.core.sugar.syrup import at_pressure_c, at_sea_level_c
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA


class Stage(Value):
    """A stretch of temperatures, in C at sea level, and how a drop in a bowl of cold water behaves."""

    name: str
    from_c: float
    to_c: float
    drop: str


STAGES: tuple[Stage, ...] = (
    Stage(name="thread", from_c=102, to_c=112, drop="draws a thread between two wet fingers"),
    Stage(name="soft ball", from_c=112, to_c=117, drop="gathers into a ball that flattens by itself"),
    Stage(name="firm ball", from_c=117, to_c=121, drop="gathers into a ball that keeps its shape until pressed"),
    Stage(name="hard ball", from_c=121, to_c=132, drop="makes a ball that resists the fingers"),
    Stage(name="soft crack", from_c=132, to_c=146, drop="hardens into threads that bend before they break"),
    Stage(name="hard crack", from_c=146, to_c=160, drop="snaps like glass"),
    Stage(name="caramel", from_c=160, to_c=180, drop="is amber already"),
)
"""Published ranges, joined where they leave a gap."""


def stage_at(sea_level_c: float) -> Stage | None:
    """The stage of a syrup at this temperature (C at sea level); None below the thread and beyond caramel."""
    return next((s for s in STAGES if s.from_c <= sea_level_c < s.to_c), None)


def stage_name(here_c: float, pressure_kpa: float = SEA_LEVEL_KPA) -> str:
    """What a syrup at this temperature is called here; empty below the thread."""
    found = stage_at(at_sea_level_c(here_c, pressure_kpa))
    return found.name if found else ""


def stages_here(pressure_kpa: float, up_to_c: float) -> tuple[tuple[float, str], ...]:
    """Where each stage begins at this pressure, in C, up to a temperature."""
    found = ((at_pressure_c(s.from_c, pressure_kpa), s.name) for s in STAGES)
    return tuple(s for s in found if s[0] <= up_to_c)
