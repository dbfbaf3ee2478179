"""An open question: what keeps going wrong, what is suspected, what was tried in which bakes, and what was learned."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime
from typing import Annotated

from pydantic import AwareDatetime, Field

from kindwhisk.core.trying.comparison import Came, Comparison, compare
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

Said = Annotated[str, Field(min_length=1, max_length=300)]
MOST_TRIALS, MOST_LEFT_OUT = 40, 400
MOST_BEFORE = 20
"""So many of the last bakes before the first trial are what it is held against."""


class Trial(Value):
    """One change: what it is, which cause it is against (its key, or empty), and when it began and ended."""

    id: str = Field(min_length=1, max_length=40)
    change: Said
    suspect: str = Field(default="", max_length=80)
    begun_at: AwareDatetime
    ended_at: AwareDatetime | None = None

    def covers(self, moment: datetime) -> bool:
        """Whether a bake that began then tried it."""
        return self.begun_at <= moment and (self.ended_at is None or moment < self.ended_at)


class OpenQuestion(Value):
    """A question on a formula. ``faults`` are what it asks about, ``suspects`` keys of causes. ``left_out`` are bakes
    that don't count; ``learned`` is what it was closed with."""

    id: str
    formula: str
    text: Said
    faults: tuple[Said, ...] = Field(min_length=1, max_length=8)
    suspects: tuple[Said, ...] = Field(default=(), max_length=20)
    opened_at: AwareDatetime
    trials: tuple[Trial, ...] = Field(default=(), max_length=MOST_TRIALS)
    left_out: tuple[str, ...] = Field(default=(), max_length=MOST_LEFT_OUT)
    closed_at: AwareDatetime | None = None
    learned: str = Field(default="", max_length=1000)

    @property
    def trying(self) -> Trial | None:
        """What is tried now."""
        return next((t for t in reversed(self.trials) if t.ended_at is None), None) if self.closed_at is None else None

    def begin(self, trial: Trial) -> OpenQuestion:
        """The same with one more change; the one that was tried until now ends.

        Raises:
            CraftError: it is closed, or has seen too many.
        """
        if self.closed_at is not None:
            raise CraftError("This question is closed.", field="question", remedy="Open it again first.")
        if len(self.trials) >= MOST_TRIALS:
            raise CraftError(
                f"{MOST_TRIALS} changes were tried.", field="change", remedy="Close it, and ask a new question."
            )
        ended = tuple(t if t.ended_at else t.model_copy(update={"ended_at": trial.begun_at}) for t in self.trials)
        return self.model_copy(update={"trials": (*ended, trial)})

    def end(self, at: datetime) -> OpenQuestion:
        """The same with nothing tried any more."""
        ended = tuple(t if t.ended_at else t.model_copy(update={"ended_at": at}) for t in self.trials)
        return self.model_copy(update={"trials": ended})

    def counting(self, bake: str, *, counts: bool) -> OpenQuestion:
        """The same with a bake that counts, or does not."""
        left = tuple(b for b in self.left_out if b != bake)
        return self.model_copy(update={"left_out": left if counts else (*left, bake)[-MOST_LEFT_OUT:]})

    def close(self, at: datetime, learned: str) -> OpenQuestion:
        """Closed with what was learned."""
        return self.end(at).model_copy(update={"closed_at": at, "learned": learned})

    def reopen(self) -> OpenQuestion:
        """Open again."""
        return self.model_copy(update={"closed_at": None, "learned": ""})


class TriedBake(Value):
    """A bake of the formula that came to an end and was told of: whether the fault came."""

    id: str
    at: datetime
    faults: tuple[str, ...]
    stars: int | None
    came: bool
    counts: bool


class TrialTold(Value):
    """A change with its bakes, and what they say against those before."""

    trial: Trial
    bakes: tuple[TriedBake, ...]
    comparison: Comparison


class QuestionTold(Value):
    """A question with all that its bakes say."""

    question: OpenQuestion
    before: tuple[TriedBake, ...]
    trials: tuple[TrialTold, ...]
    says: str


def _counted(bakes: Sequence[TriedBake]) -> Came:
    counting = [b for b in bakes if b.counts]
    return Came(sum(b.came for b in counting), len(counting))


def told(question: OpenQuestion, bakes: Sequence[tuple[str, datetime, tuple[str, ...], int | None]]) -> QuestionTold:
    """What the bakes of its formula say.

    Args:
        question: the question.
        bakes: (id, when it began, its faults, its stars) of those that were told of, the oldest first.
    """
    known = [
        TriedBake(
            id=bake, at=at, faults=faults, stars=stars,
            came=bool(set(faults) & set(question.faults)), counts=bake not in question.left_out,
        )
        for bake, at, faults, stars in bakes
    ]  # fmt: skip
    first = min((t.begun_at for t in question.trials), default=None)
    before = tuple(b for b in known if first is None or b.at < first)[-MOST_BEFORE:]
    trials = []
    for trial in question.trials:
        own = tuple(b for b in known if trial.covers(b.at))
        trials.append(TrialTold(trial=trial, bakes=own, comparison=compare(_counted(before), _counted(own))))
    return QuestionTold(question=question, before=before, trials=tuple(trials), says=_says(question, trials, before))


def _says(question: OpenQuestion, trials: Sequence[TrialTold], before: Sequence[TriedBake]) -> str:
    """The whole in a sentence."""
    if question.closed_at is not None:
        return question.learned or "Closed without an answer."
    if not trials:
        came = _counted(before)
        return f"It came in {came.times} of {came.bakes} bakes. Try one change at a time."
    return trials[-1].comparison.says
