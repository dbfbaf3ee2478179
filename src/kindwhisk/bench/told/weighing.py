"""The weigh list of a bake under way: what is weighed into which bowl, what is still to come, and what was lost."""

from __future__ import annotations

from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.told.amounts import Amount, amounts, eggs_in
from kindwhisk.core.ingredients.eggs import EggNeed
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.weigh_list import Bowl, weigh_list
from kindwhisk.core.values.model import Value


class BowlNow(Value):
    """A bowl of the list, how far its step is, and whether it is weighed once more.

    ``lost`` is the share of it (0 to 1) that came to grief, in the bowl or in what was made of it.
    """

    bowl: Bowl
    status: StepStatus
    again: bool
    lost: float


class WeighingNow(Value):
    """Every bowl in the order of the work; what is still to be weighed in all, and the eggs for that."""

    bowls: tuple[BowlNow, ...]
    to_come: tuple[Amount, ...]
    eggs: EggNeed | None


def weighing_now(at: Moment) -> WeighingNow:
    """The weigh list at a moment."""
    formula = at.walked.formula
    lost = Flows(formula).lost()
    bowls = tuple(
        BowlNow(
            bowl=bowl,
            status=at.progress.status_of(bowl.step),
            again=formula.step(bowl.step).again is not None,
            lost=min(1.0, lost.get(bowl.step, 0.0)),
        )
        for part in weigh_list(at.walked.forecast)
        for bowl in part.bowls
    )
    left: dict[str, float] = {}
    for item in (i for b in bowls if b.status is StepStatus.WAITING for i in b.bowl.items):
        left[item.ingredient] = left.get(item.ingredient, 0.0) + item.grams
    return WeighingNow(bowls=bowls, to_come=amounts(left), eggs=eggs_in(left, at.document))
