"""What is told of a stand-in, and the thermometer that it device name."""

from __future__ import annotations

from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.values.model import Value


class StandInView(Value):
    """A pot or bowl as it really is, beside what its probe says (C)."""

    bake: str
    step: str
    place: ProbePlace
    true_c: float
    probe_c: float
    flame: float | None = None
    spilt_g: float = 0.0
    door_open: bool = False


def probe_of(place: ProbePlace, kitchen: Kitchen) -> str:
    """The kitchen's own thermometer of that place; else a name that says what it is."""
    return next((t.id for t in kitchen.thermometers if t.place is place), f"stand-in-{place.value}")
