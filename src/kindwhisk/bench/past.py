"""What is asked of bakes that are over: how two differ, how a measure went, why one failed, what was tried."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from kindwhisk.bench.log.progress import BakeStatus
from kindwhisk.bench.measures.measured import facts_of, measures_of
from kindwhisk.bench.measures.signs import signs_of
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.ovens.record import oven_held
from kindwhisk.bench.record import BakeSummary
from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.charts.differences import BakeDifference, differences
from kindwhisk.core.charts.in_short import in_short
from kindwhisk.core.charts.trend import Told, Trend, trend
from kindwhisk.core.diagnosis.confirmed import Confirmed
from kindwhisk.core.diagnosis.explanation import Explanation, explain
from kindwhisk.core.diagnosis.faults import called, family_of
from kindwhisk.core.diagnosis.signs import Seen
from kindwhisk.core.measures import BakeMeasure, Fact
from kindwhisk.core.trying.question import OpenQuestion, QuestionTold, told
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.store.bakes import EARLIER
from kindwhisk.store.log import FoundBake, Wanted

LOOKED_BACK = 120
"""So many of a formula's last bakes tell what is usual there."""
FAR = 1.5


class BakeShort(Value):
    """A bake in a word: what it was, when, and how it came out."""

    id: str
    title: str
    at: datetime
    stars: int | None
    faults: tuple[str, ...]


class BakesCompared(Value):
    """Two bakes and all that differs between them, furthest out of the usual first."""

    a: BakeShort
    b: BakeShort
    differences: tuple[BakeDifference, ...]
    bakes: int
    says: str


class MeasureName(Value):
    """A measure that bakes of a formula have, and in how many of them."""

    key: str
    words: str
    unit: str
    bakes: int


class Past(Workplace):
    """Answers about bakes that are over."""

    def summary_of(self, row: FoundBake) -> BakeSummary | None:
        """The summary of a bake, with its measures; those of an earlier version are worked out and kept."""
        if row.summary is None:
            return None
        known = BakeSummary.model_validate_json(row.summary)
        if known.measures is not None or row.status == EARLIER:
            return known
        return self._summed_up(row.id)

    def _last(self, **wanted: object) -> list[tuple[FoundBake, BakeSummary]]:
        """The last bakes that were finished, the oldest first, with their summaries."""
        marks = tuple((k, (str(v),)) for k, v in wanted.items() if k in {"oven", "hands", "class"} and v)
        rows = self.store.log.page(Wanted(formula=str(wanted.get("formula") or ""), marks=marks), limit=LOOKED_BACK)
        found = [(row, s) for row in reversed(rows) if row.status != "running" and (s := self.summary_of(row))]
        return [(row, s) for row, s in found if row.status != "abandoned"]

    def compare(self, a: str, b: str) -> BakesCompared:
        """Two bakes side by side; they may be of two formulas, and one may still run.

        Raises:
            CraftError: there is no such bake, or it is the same one twice.
        """
        if a == b:
            raise CraftError("That is one bake twice.", field="b", remedy="Choose another one to put beside it.")
        one, other = self._record_of(a), self._record_of(b)
        row = self.store.bakes.get(a)
        usual, said = dict[str, list[float]](), dict[str, list[str]]()
        last = self._last(formula=row.formula)
        for _, known in last:
            for m in known.measures or ():
                usual.setdefault(m.key, []).append(m.compared)
            for f in known.facts:
                said.setdefault(f.key, []).append(f.said)
        found = differences(one, other, usual, said)
        return BakesCompared(
            a=self._short(a), b=self._short(b), differences=tuple(found), bakes=len(last), says=_most(found, len(last))
        )

    def _record_of(self, bake_id: str) -> tuple[Sequence[BakeMeasure], Sequence[Fact]]:
        row = self.store.log.one(bake_id)
        if row.summary is not None and (known := self.summary_of(row)) is not None:
            return known.measures or (), known.facts
        at = self.moment(bake_id)
        return self._measured(at), facts_of(at)

    def _measured(self, at: Moment) -> tuple[BakeMeasure, ...]:
        return measures_of(at, tuple(oven_held(at.walked, at.progress, at.kitchen, self.store.probes)))

    def _short(self, bake_id: str) -> BakeShort:
        row = self.store.log.one(bake_id)
        known = BakeSummary.model_validate_json(row.summary) if row.summary else None
        return BakeShort(
            id=row.id, title=row.title, at=datetime.fromisoformat(row.started_at),
            stars=known.stars if known else None, faults=known.faults if known else (),
        )  # fmt: skip

    def measures(self, formula: str = "", oven: str = "", hands: str = "") -> tuple[MeasureName, ...]:
        """What was measured of these bakes and can be followed, in the order of the work."""
        found: dict[str, MeasureName] = {}
        for _, known in self._last(formula=formula, oven=oven, hands=hands):
            for m in known.measures or ():
                if m.trend:
                    key, words = (m.key, m.words) if formula else _general(m)
                    had = found.get(key)
                    found[key] = MeasureName(key=key, words=words, unit=m.unit, bakes=had.bakes + 1 if had else 1)
        return tuple(found.values())

    def trend(self, measure: str, formula: str = "", oven: str = "", hands: str = "") -> Trend:
        """A measure over the last bakes of a formula, an oven, a person.

        Raises:
            CraftError: none of them has it.
        """
        found = []
        for row, known in self._last(formula=formula, oven=oven, hands=hands):
            own = next((m for m in known.measures or () if measure == (m.key if formula else _general(m)[0])), None)
            if own is not None:
                at = datetime.fromisoformat(row.started_at)
                shown = own if formula else _over_formulas(own)
                found.append(
                    Told(bake=row.id, at=at, title=row.title, stars=known.stars, faults=known.faults, measure=shown)
                )
        if not found:
            raise CraftError(
                f"No bake of these has told of “{measure}”.", field="measure", remedy="Choose one that was measured."
            )
        return trend(found, measure)

    def confirmed(self) -> tuple[Confirmed, ...]:
        """Every cause that was confirmed, over the last bakes with a fault."""
        found = list[Confirmed]()
        for row in self.store.log.with_confirmed():
            found += BakeSummary.model_validate_json(row).confirmed
        return tuple(found)

    def why(
        self,
        at: Moment,
        faults: Sequence[str] = (),
        technique: Technique | None = None,
        told: Sequence[Seen] = (),
    ) -> Explanation:
        """Why a bake came out as it did, by its own record.

        Args:
            at: the bake.
            faults: what is asked about; its own where none are named.
            technique: whose faults they are; its own by default.
            told: signs that are told beside, before those of the record.

        Raises:
            CraftError: no fault of it is known.
        """
        named = faults or (at.progress.outcome.faults if at.progress.outcome else ())
        family = family_of(technique or at.document.formula.technique)
        signs = {s.sign: s for s in (*self.signs(at), *told)}
        return explain(named, family, tuple(signs.values()), self.confirmed())

    def signs(self, at: Moment) -> tuple[Seen, ...]:
        """What the record of a bake holds of each sign."""
        kinds = {s.id: s.kind for s in at.walked.forecast.steps}
        return signs_of(self._measured(at), kinds, at.progress.answers)

    def in_short(self, bake_id: str) -> str:
        """What a bake says, in a sentence, and what to do otherwise; empty where nothing is to be said.

        Raises:
            CraftError: there is no such bake.
        """
        at = self.moment(bake_id)
        outcome = at.progress.outcome
        if outcome is None:
            return ""
        family = family_of(at.document.formula.technique)
        named = any(called(words, family) for words in outcome.faults)
        record = self._record_of(bake_id)[0]
        return in_short(outcome.stars, self.why(at) if named else None, record)

    def question_told(self, question: OpenQuestion) -> QuestionTold:
        """A question with what the bakes of its formula say."""
        rows = self.store.log.page(Wanted(formula=question.formula), limit=LOOKED_BACK)
        _, formula = self.store.formulas.get(question.formula)
        family = family_of(formula.technique)
        bakes = []
        for row in reversed(rows):
            if row.summary is None or row.status == BakeStatus.ABANDONED.value:
                continue
            known = BakeSummary.model_validate_json(row.summary)
            if known.stars is not None:
                faults = tuple(f.words if (f := called(words, family)) else words for words in known.faults)
                bakes.append((row.id, datetime.fromisoformat(row.started_at), faults, known.stars))
        return told(question, bakes)


def _general(measure: BakeMeasure) -> tuple[str, str]:
    """A measure over several formulas: what it is of, whatever the step is called."""
    key = measure.key.rsplit("/", 1)[-1]
    return key, measure.words.rsplit(": ", 1)[-1].capitalize() if "/" in measure.key else measure.words


AS_IT_IS = frozenset({"°C", "K", "%", ""})
"""Units of figures that mean the same in every formula."""


def _over_formulas(measure: BakeMeasure) -> BakeMeasure:
    """A measure as it is followed over several formulas: what differs from one to the other as a share of what was
    forecast there."""
    of = measure.of if measure.unit in AS_IT_IS or not measure.likely else measure.likely
    return measure.model_copy(update={"words": _general(measure)[1], "of": of})


def _most(found: Sequence[BakeDifference], bakes: int) -> str:
    """What differs most, in a sentence."""
    far = [d for d in found if d.out >= FAR and not d.result]
    if not far:
        return "Nothing differs by more than bakes here usually do."
    named = "; ".join(f"{d.words}: {d.said_a} against {d.said_b}" for d in far[:2])
    behind = f"by {bakes} bakes of this formula" if bakes > 1 else "by what is usual anywhere"
    return f"Furthest out of the usual, {behind}: {named}."
