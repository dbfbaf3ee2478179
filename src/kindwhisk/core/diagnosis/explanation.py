"""A failed bake explained: its likely causes, what speaks for and against each, what would tell, and what to do."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.diagnosis.cause import Cause, Lever, Weight
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.confirmed import Confirmed, behind, weights_of
from kindwhisk.core.diagnosis.faults import Family, Fault, called, faults_of
from kindwhisk.core.diagnosis.reasoning import believed, ratio, worth_asking
from kindwhisk.core.diagnosis.signs import SIGNS, Seen, Sign
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

SPEAKS = 0.25
"""A sign that changes the odds by less than so much (a logarithm) is not told of. Chosen."""
MOST_CAUSES, MOST_ASKED = 8, 4
LEAST_TOLD = 0.03
HUMBLE_AT = 2
"""With fewer signs than this it is told humbly."""
ASK_FROM = 0.02


class SignAsked(Value):
    """Something that was not seen and would tell: a question, or how it is measured the next time."""

    sign: str
    name: str
    question: str = ""
    measure: str = ""


class CauseTold(Value):
    """A cause with its probability and the words for it."""

    cause: str
    words: str
    why: str
    probability: float
    speaks_for: tuple[str, ...]
    speaks_against: tuple[str, ...]
    ask: tuple[SignAsked, ...]
    lever: str
    change: Lever | None
    at: tuple[str, ...]
    confirmed: int


class Explanation(Value):
    """What a bake's faults come from.

    ``humble``: hardly anything was seen, so this is what is usual rather than what happened. ``unlisted`` is the
    probability of something that is not on the list. ``unknown`` are words of faults that the table has not.
    """

    faults: tuple[str, ...]
    unknown: tuple[str, ...]
    says: str
    humble: bool
    causes: tuple[CauseTold, ...]
    unlisted: float
    ask: tuple[SignAsked, ...]


def found_faults(words: Sequence[str], family: Family) -> tuple[list[Fault], list[str]]:
    """The faults that go by these words, each once, and the words of none."""
    found, strange = dict[str, Fault](), list[str]()
    for text in words:
        fault = called(text, family)
        if fault is None:
            strange.append(text)
        else:
            found[fault.words] = fault
    return list(found.values()), strange


def _asked(key: str) -> SignAsked:
    sign: Sign = SIGNS[key]
    return SignAsked(sign=key, name=sign.name, question=sign.asks, measure=sign.measure)


def _weighed(cause: Cause, seen: Sequence[Seen]) -> list[tuple[float, Seen]]:
    """What was seen of a cause's signs, with what each counts for."""
    by_sign: dict[str, Weight] = {w.sign: w for w in cause.shows}
    return [(ratio(by_sign[s.sign], s), s) for s in seen if s.sign in by_sign]


def explain(
    words: Sequence[str], family: Family, seen: Sequence[Seen] = (), confirmed: Sequence[Confirmed] = ()
) -> Explanation:
    """The causes of a bake's faults, the likeliest first.

    Args:
        words: the faults, by the table's words or earlier ones, in any order.
        family: whose faults they are.
        seen: what the record holds, in any order.
        confirmed: bakes of this kitchen whose cause was confirmed.

    Raises:
        CraftError: none of the words is a fault of the family.
    """
    faults, strange = found_faults(words, family)
    if not faults:
        known = ", ".join(f.words for f in faults_of(family))
        raise CraftError(
            f"None of that is a fault of {family.value}: {', '.join(words) or 'nothing was named'}.",
            field="faults",
            remedy=f"Choose from: {known}.",
        )
    seen = [s for s in seen if s.off is not None or s.yes is not None]
    told = believed(faults, seen, weights_of(faults, confirmed))
    telling = [sign for sign, worth in worth_asking(faults, seen, told) if worth > ASK_FROM]
    ranked = sorted(told.causes.items(), key=lambda c: (-round(c[1], 9), c[0]))
    shown = [(key, p) for key, p in ranked if p >= LEAST_TOLD][:MOST_CAUSES]
    causes = [_told(CAUSES[key], p, seen, telling, faults, confirmed) for key, p in shown]
    heard = {s.sign for key, _ in shown for _, s in _weighed(CAUSES[key], seen)}
    humble = len(heard) < HUMBLE_AT
    return Explanation(
        faults=tuple(f.words for f in faults),
        unknown=tuple(strange),
        says=_says(causes, told.unlisted, humble=humble),
        humble=humble,
        causes=tuple(causes),
        unlisted=told.unlisted,
        ask=tuple(_asked(sign) for sign in telling[:MOST_ASKED]),
    )


def _told(
    cause: Cause,
    probability: float,
    seen: Sequence[Seen],
    telling: Sequence[str],
    faults: Sequence[Fault],
    confirmed: Sequence[Confirmed],
) -> CauseTold:
    weighed = sorted(_weighed(cause, seen), key=lambda w: (-abs(w[0]), w[1].sign))
    own = {w.sign for w in cause.shows}
    return CauseTold(
        cause=cause.key,
        words=cause.words,
        why=cause.why,
        probability=probability,
        speaks_for=tuple(s.said for by, s in weighed if by > SPEAKS),
        speaks_against=tuple(s.said for by, s in weighed if by < -SPEAKS),
        ask=tuple(_asked(sign) for sign in telling if sign in own)[:2],
        lever=cause.lever,
        change=cause.change,
        at=cause.at,
        confirmed=behind(faults, cause.key, confirmed),
    )


LIKELY, FAIRLY = 0.7, 0.45


def _says(causes: Sequence[CauseTold], unlisted: float, *, humble: bool) -> str:
    """The whole in one sentence, no surer than it is."""
    if not causes or unlisted > causes[0].probability:
        return "Nothing on the list explains it well: write down what was different."
    first = causes[0]
    if humble:
        others = f" or {causes[1].words}" if len(causes) > 1 else ""
        return f"Hardly anything was measured. What is usual with this: {first.words}{others}."
    if first.probability >= LIKELY:
        return f"Most likely {first.words}."
    if first.probability >= FAIRLY or len(causes) == 1:
        return f"Probably {first.words}, but not surely."
    return f"Either {first.words} or {causes[1].words}: the record does not tell them apart."
