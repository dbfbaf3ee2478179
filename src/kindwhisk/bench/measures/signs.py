"""A bake's measures as signs of what may have gone wrong: which figure tells of which."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence

from kindwhisk.core.diagnosis.signs import Seen
from kindwhisk.core.measures import BakeMeasure

Of = Callable[[BakeMeasure, str], bool]
"""Whether a measure tells of a sign; the second is the kind of its step."""


def _ends(*names: str, kinds: str = "") -> Of:
    wanted = frozenset(kinds.split())

    def tells(m: BakeMeasure, kind: str) -> bool:
        return m.key.rsplit("/", 1)[-1] in names and (not wanted or kind in wanted)

    return tells


BY_SIGN: Mapping[str, Of] = {
    "foam-density": _ends("foam", kinds="whip stream"),
    "batter-density": _ends("batter", kinds="fold macaronage mix fill"),
    "kept-air": _ends("air", kinds="fold macaronage"),
    "fold-time": _ends("time", kinds="fold macaronage"),
    "whip-time": _ends("whip", kinds="whip"),
    "waited": _ends("waited"),
    "bake-time": _ends("time", "alone", kinds="bake"),
    "core": _ends("core_temperature", kinds="bake"),
    "oven-held": _ends("oven_held"),
    "loss": _ends("loss"),
    "whites-c": _ends("whites_c"),
    "soak": _ends("soak"),
    "colour": _ends("colour"),
    "fat-c": _ends("content_temperature", kinds="warm ready"),
    "syrup-c": _ends("content_temperature", kinds="boil"),
    "out-c": _ends("content_temperature", "core_temperature", kinds="cool invert turn-out"),
    "cooled": _ends("time", "alone", kinds="cool"),
    "skin-time": _ends("skin", kinds="skin"),
    "humidity": _ends("humidity"),
    "room-c": _ends("air_c"),
    "strain": _ends("strain"),
    "fill": _ends("fill"),
    "liquid": _ends("liquid-to-flour", "water-to-flour"),
    "sugar": _ends("sugar-to-white", "sugar-to-flour", "sugar-to-egg"),
    "matured": _ends("time", "alone", kinds="mature"),
}
"""Which of a bake's measures tells of which sign. Of several, the one that is furthest off counts."""


def signs_of(
    measures: Sequence[BakeMeasure], kinds: Mapping[str, str], answers: Mapping[str, bool]
) -> tuple[Seen, ...]:
    """What a record holds of each sign: figures with their ranges, and what was answered. ``kinds`` are those of the
    steps, by id."""
    return (*_measured(measures, kinds), *(Seen(sign=sign, yes=yes) for sign, yes in sorted(answers.items())))


def _measured(measures: Sequence[BakeMeasure], kinds: Mapping[str, str]) -> Iterator[Seen]:
    for sign, tells in BY_SIGN.items():
        own = [m for m in measures if m.off is not None and tells(m, kinds.get(m.step, ""))]
        if not own:
            continue
        told = max(own, key=lambda m: (abs(m.off or 0.0), m.key))
        yield Seen(sign=sign, value=told.value, low=told.low, high=told.high, off=told.off, step=told.step)
