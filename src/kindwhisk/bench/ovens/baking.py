"""A bake that is asked about, reckoned with what is known of this kitchen and its ovens."""

from __future__ import annotations

from typing import NamedTuple

from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.baking.asked import Around, Asked
from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.predict import OWN_SPREAD, Prediction, predict, stretched
from kindwhisk.core.baking.reference import ReferenceBake, family
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.ovens.times import with_factor


class Reckoned(NamedTuple):
    """A content in its oven, the bake that was timed, and when it is done: by the model alone, and as this kitchen's
    bakes have it."""

    content: InOven
    reference: ReferenceBake | None
    model: Prediction
    made: Prediction

    @property
    def own(self) -> float:
        """What this kitchen takes of the model's time."""
        return self.made.done_s.likely / self.model.done_s.likely


def around(kitchen: Kitchen, oven: str | None) -> Around:
    """What a kitchen adds to a bake in one of its ovens.

    Raises:
        CraftError: there is no such oven.
    """
    return Around(kitchen.air_c, kitchen.pressure_kpa, kitchen.oven(oven).rise_k_per_min)


def reckon(at: Workplace, asked: Asked) -> Reckoned:
    """When it is done, in this kitchen.

    Raises:
        CraftError: it can't be baked, or is never done.
    """
    content = asked.content(around(at.kitchen, asked.oven))
    reference = asked.timed()
    model = made = predict(content, reference)
    if asked.oven is not None:
        record = at.record()
        checked = record.checked(at.kitchen.oven(asked.oven))
        kind = family(content)
        done = with_factor(model.done_s, record.bakes, asked.oven, kind, asked.formula, OWN_SPREAD, checked=checked)
        made = stretched(content, model.course, done, model.factor, model.browned)
    return Reckoned(content, reference, model, made)
