"""Where two clocks meet: the syrup that must be hot when the whites are ready, and they when it is."""

from __future__ import annotations

from enum import StrEnum
from typing import Literal

from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import Phase, SyrupForecast
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

MARGIN_S = 10.0
POUR_FROM_S = 15.0
"""So shortly before it is to come off the heat, the next thing to do is to pour."""
CAUTION_SHARE = 0.7
"""The whites start when the time left and this share of its deviation are no longer than they need."""
TOGETHER_S = 30.0
SPOON_G = 15.0
LEAST_FLAME, MOST_FLAME = 0.4, 1.6
BROWNS_C = 150.0
FASTEST_SHARE = 1.2
GAINS_SPREAD = 0.35
"""Of what a lever gains: a flame, a speed and a spoon are set by eye. Trade habit."""


class Whisk(StrEnum):
    """How far the whites are."""

    WAITING = "waiting"
    RUNNING = "running"
    THERE = "there"


class Lever(Value):
    """Something that brings the two together again, what it gains in seconds, and its limit.

    ``again`` is what of the two is begun again by it, ``water_g`` the water that goes into the pot.
    """

    id: str
    do: str
    gains_s: Estimate | None
    limit: str
    again: Literal["", "syrup", "whites"] = ""
    water_g: float = 0.0


def past_saving(syrup: SyrupForecast) -> bool:
    """Whether a syrup is so far past its target that no water brings it back."""
    return syrup.phase in {Phase.PAST, Phase.RESTING} and (syrup.temperature_c or 0.0) >= BROWNS_C


def _gains(seconds: float) -> Estimate:
    return Estimate.around(max(0.0, seconds), GAINS_SPREAD, Basis.HABIT)


class Meeting(Value):
    """Syrup and whites on one clock.

    ``start_in_s`` and ``start_at_c`` are the cue for the whites: None once they run, or while the pot cannot tell.
    ``gap_s`` is how much later than the whites the syrup will be there (less than none: earlier). ``pour``: off
    the heat and in; ``past_saving``: off the heat, and not in.
    """

    whisk: Whisk
    whites_s: Estimate
    start_in_s: float | None
    start_at_c: float | None
    start_now: bool
    gap_s: float | None
    pour: bool
    past_saving: bool = False
    says: str
    levers: tuple[Lever, ...]


def meeting(
    syrup: SyrupForecast,
    pot: Pot,
    whisk: Whisk,
    whites_s: Estimate,
    holds_s: Estimate | None,
) -> Meeting:
    """Set the pot's forecast beside the whites.

    Args:
        syrup: the forecast at this moment.
        pot: what is in it.
        whisk: how far the whites are.
        whites_s: seconds that they still need to their soft peak (all of them while they wait, 0 when there).
        holds_s: how long they may wait at their peak.
    """
    left, off = syrup.seconds_to_target, syrup.seconds_to_take_off
    hot = syrup.phase in {Phase.THERE, Phase.PAST} or (off is not None and off < POUR_FROM_S)
    pour = hot and whisk is not Whisk.WAITING
    if left is None:
        past = syrup.phase is Phase.PAST
        return Meeting(
            whisk=whisk,
            whites_s=whites_s,
            start_in_s=None,
            start_at_c=None,
            start_now=False,
            gap_s=None,
            pour=pour and not past_saving(syrup),
            past_saving=past_saving(syrup),
            says=_past(syrup, whisk) if past else _untold(whisk, whites_s),
            levers=_back(syrup, pot) if past else (),
        )
    if whisk is Whisk.WAITING:
        start = left + CAUTION_SHARE * syrup.deviation_s - whites_s.likely - MARGIN_S
        return _waiting(syrup, pot, whites_s, left, start)
    gap = left - whites_s.likely
    hold = holds_s.likely if holds_s else 180.0
    levers: tuple[Lever, ...] = ()
    if abs(gap) <= TOGETHER_S + 0.5 * syrup.deviation_s:
        says = "Both will be there together."
    elif gap > 0:
        ready = "The whites are there" if whisk is Whisk.THERE else "The whites will be there"
        says = f"{ready} {_span(gap)} before the syrup."
        levers = _whites_first(gap, left, hold, whisk)
    else:
        says = f"The syrup will be there {_span(-gap)} before the whites."
        levers = _syrup_first(-gap, left, syrup, pot, whites_s)
    return Meeting(
        whisk=whisk, whites_s=whites_s, start_in_s=None, start_at_c=None, start_now=False,
        gap_s=gap,
        pour=pour, says=says,
        levers=levers,
    )  # fmt: skip


def _waiting(
    syrup: SyrupForecast,
    pot: Pot,
    whites_s: Estimate,
    left: float,
    start: float,
) -> Meeting:
    now = start <= 0
    at = syrup.temperature_c if now else syrup.celsius_in(start)
    late = left - whites_s.likely
    if not now and at is not None:
        says = f"Start the whites at {at:.0f} °C, in about {_span(start)}."
    elif late < -TOGETHER_S:
        says = f"Start the whites now: they need {_span(-late)} more than the syrup."
    else:
        says = "Start the whites now."
    levers = _syrup_first(-late, left, syrup, pot, whites_s) if now and late < -TOGETHER_S else ()
    return Meeting(
        whisk=Whisk.WAITING,
        whites_s=whites_s,
        start_in_s=max(0.0, start),
        start_at_c=at,
        start_now=now,
        gap_s=late if now else None,
        pour=False,
        says=says,
        levers=levers,
    )


def _whites_first(gap: float, left: float, hold: float, whisk: Whisk) -> tuple[Lever, ...]:
    """The whites are early: turn them slowly, hurry the syrup, or begin again."""
    slow = Lever(
        id="slow-mixer",
        do="Mixer to its lowest speed: keep it turning.",
        gains_s=_gains(hold),
        limit=f"For about {_span(hold)}; standing still it turns grainy, and faster it goes over.",
    )
    share = min(MOST_FLAME, left / max(left - gap, 0.5 * left))
    hurry = Lever(
        id="raise-flame",
        do="Flame up.",
        gains_s=_gains(left * (1 - 1 / share)),
        limit="Only as wide as the pot's bottom: flames at the wall brown the rim.",
    )
    if gap > 1.5 * hold:
        again = Lever(
            id="fresh-whites",
            do="Stop these whites; start fresh ones when the pot says so.",
            gains_s=None,
            limit="These will not keep that long: use them in something that is cooked.",
            again="whites",
        )
        return (again, hurry) if whisk is Whisk.THERE else (slow, again)
    return (slow, hurry) if left > 45 else (slow,)


def _syrup_first(early: float, left: float, syrup: SyrupForecast, pot: Pot, whites_s: Estimate) -> tuple[Lever, ...]:
    """The syrup is early: lower the flame, a faster whisk, a spoon of water."""
    levers = []
    if left > 30:
        share = max(LEAST_FLAME, left / (left + early))
        levers.append(
            Lever(
                id="lower-flame",
                do=f"Flame down to about {round(share * 10) * 10} %.",
                gains_s=_gains(left / share - left),
                limit="Keep it at a lively boil: a syrup that only simmers for long sets in grains.",
            )
        )
    if whites_s.likely > 60:
        levers.append(
            Lever(
                id="faster-mixer",
                do="Mixer one step faster.",
                gains_s=_gains(whites_s.likely * (1 - 1 / FASTEST_SHARE)),
                limit="One step: faster makes coarse bubbles that do not last.",
            )
        )
    return (*levers, *_spoon(syrup, pot)) if early > 45 else tuple(levers)


def _spoon(syrup: SyrupForecast, pot: Pot) -> tuple[Lever, ...]:
    at, power = syrup.temperature_c, syrup.power_w
    if at is None or not power or at < pot.boils_from_c:
        return ()
    gains = 1000 * pot.spoon_kj(SPOON_G, at) / power
    return (
        Lever(
            id="spoon-of-water",
            do=f"A spoon ({SPOON_G:.0f} g) of water down the wall, face back: it spits. Then back up.",
            gains_s=_gains(gains),
            limit="Twice at most: each time a little more sugar inverts, and the foam sets softer.",
            water_g=SPOON_G,
        ),
    )


def _back(syrup: SyrupForecast, pot: Pot) -> tuple[Lever, ...]:
    """The syrup is past its target."""
    if past_saving(syrup):
        again = Lever(
            id="fresh-syrup",
            do="Off the heat and start again with fresh sugar and water.",
            gains_s=None,
            limit="From about 150 °C it colours and tastes of caramel: water cannot undo that.",
            again="syrup",
        )
        return (again,)
    return _spoon(syrup, pot)


def _past(syrup: SyrupForecast, whisk: Whisk) -> str:
    if past_saving(syrup):
        return "The syrup is far past: it has begun to colour."
    if whisk is Whisk.THERE:
        return "The syrup is past its target: off the heat. Pour at once, or bring it back."
    return "The syrup is past its target: off the heat, and bring it back."


def _untold(whisk: Whisk, whites_s: Estimate) -> str:
    if whisk is Whisk.WAITING:
        return f"The whites need about {_span(whites_s.likely)}. The pot cannot tell yet when to start them."
    return "The pot cannot tell yet when it will be there."


def _span(seconds: float) -> str:
    return f"{seconds:.0f} s" if seconds < 90 else f"{seconds / 60:.0f} min"
