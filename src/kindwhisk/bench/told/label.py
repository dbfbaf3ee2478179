"""The label of a bake: what it is, when and in which batch it was made, and what it holds for whom."""

from __future__ import annotations

from datetime import datetime

from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.process.held import Held
from kindwhisk.core.safety.cautions import DEFER, NOT_FOR, UNBAKED_EGG


class BakeLabel(Held):
    """What stands on a label.

    ``batch`` leads back to the log, ``made`` is how much of what was made in it; ``raw_egg`` is empty where all of its
    egg was baked. ``keeps`` is how to keep it and for how long, where its last step tells.
    """

    title: str
    made_at: datetime
    batch: str
    made: str
    weight_g: float
    keeps: str
    raw_egg: str
    defers: str


def label_of(state: BakeState, last_step: str, keeps: str = "") -> BakeLabel:
    """The label of a bake, from its state with the step close up whose result is served, and how it is kept."""
    served = state.details[last_step].forecast
    raw = any(c.id == UNBAKED_EGG.id for c in served.cautions)
    return BakeLabel(
        **state.held,
        title=state.title,
        made_at=state.ended_at or state.started_at,
        batch=state.id,
        made=state.batch,
        weight_g=served.material.mass_g,
        keeps=keeps,
        raw_egg=f"Contains raw egg, not baked through: not for {NOT_FOR}." if raw else "",
        defers=DEFER,
    )


def as_text(label: BakeLabel) -> str:
    """The label as lines of plain text."""
    lines = [
        label.title,
        f"Made on {label.made_at:%d %B %Y}, batch {label.batch}",
        f"{label.made}; {label.weight_g:.0f} g when done",
        label.contains,
        label.labels,
        label.keeps,
        label.raw_egg,
        label.defers,
    ]
    return "\n".join(line for line in lines if line) + "\n"
