"""The label of a bake: what it is, when and in which batch it was made, until when it keeps, what it holds for whom."""

from __future__ import annotations

from datetime import date, datetime

from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.process.held import Held
from kindwhisk.core.safety.cautions import DEFER, NOT_FOR, UNBAKED_EGG
from kindwhisk.core.shelf_life.limits import KeptAs
from kindwhisk.core.shelf_life.use_by import UseBy


class BakeLabel(Held):
    """What stands on a label.

    ``batch`` leads back to the log, ``made`` is how much of what was made in it; ``raw_egg`` is empty where all of its
    egg was baked. ``keeps`` is how to keep it; ``use_by`` until when by which rule (``use_by_rule``), ``kept_as`` what
    it counts as; ``portions`` how many it is cut into.
    """

    title: str
    made_at: datetime
    batch: str
    made: str
    weight_g: float
    keeps: str
    use_by: date | None
    use_by_rule: str
    kept_as: KeptAs
    portions: int
    raw_egg: str
    defers: str


def has_raw_egg(state: BakeState, last_step: str) -> bool:
    """Whether it is served with egg that no oven has set."""
    return any(c.id == UNBAKED_EGG.id for c in state.details[last_step].forecast.cautions)


def label_of(state: BakeState, last_step: str, kept: KeptAs, until: UseBy, portions: int) -> BakeLabel:
    """The label of a bake, from its state with the step close up whose result is served, and how it is kept."""
    served = state.details[last_step].forecast
    return BakeLabel(
        **state.held,
        title=state.title,
        made_at=state.ended_at or state.started_at,
        batch=state.id,
        made=state.batch,
        weight_g=served.material.mass_g,
        keeps=until.keep,
        use_by=until.on,
        use_by_rule=until.rule,
        kept_as=kept,
        portions=portions,
        raw_egg=f"Contains raw egg, not baked through: not for {NOT_FOR}." if has_raw_egg(state, last_step) else "",
        defers=DEFER,
    )


def as_lines(label: BakeLabel) -> tuple[str, ...]:
    """The label's lines below its name, empty ones left out."""
    each = f"; {label.portions} portions of {label.weight_g / label.portions:.0f} g" if label.portions > 1 else ""
    lines = (
        f"Made on {label.made_at:%d %B %Y}, batch {label.batch}",
        f"Use by {label.use_by:%d %B %Y}. {label.use_by_rule}" if label.use_by else label.use_by_rule,
        label.keeps,
        label.contains,
        label.labels,
        label.raw_egg,
        f"{label.made}; {label.weight_g:.0f} g when done{each}",
        label.defers,
    )
    return tuple(line for line in lines if line)


def as_text(label: BakeLabel) -> str:
    """The label as lines of plain text."""
    return "\n".join((label.title, *as_lines(label))) + "\n"
