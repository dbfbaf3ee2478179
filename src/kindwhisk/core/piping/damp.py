"""Air that is too damp for a skin: what helps, what it does to the time, and what it costs."""

from __future__ import annotations

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.piping.skin import expected_s
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import saturation_kpa

DAMP_PERCENT = 70.0
"""Above it the time grows steeply, and is worth a warning. Of the reference model."""
DRIER_PERCENT, WARM_C = 50.0, 37.0


class Advice(Value):
    """Something that helps, what it costs, and when the skin would hold then; None where that is never."""

    do: str
    costs: str
    dry_s: Estimate | None


def warmed_percent(air_c: float, humidity_percent: float, to_c: float) -> float:
    """How damp the same air is once it is warmed. Source: published pressure of vapour."""
    return humidity_percent * saturation_kpa(air_c) / saturation_kpa(to_c)


def advice(
    air_c: float, humidity_percent: float, method: Method | None = None, *, moving_air: bool = False
) -> tuple[Advice, ...]:
    """What helps in damp air; nothing where the air is dry enough. What to do is trade habit, the times the model's."""
    if humidity_percent <= DAMP_PERCENT:
        return ()
    found = []
    if not moving_air:
        found.append(
            Advice(
                do="Set a fan across the trays, not onto them.",
                costs="The side towards it dries first: turn the trays once.",
                dry_s=expected_s(air_c, humidity_percent, method, moving_air=True),
            )
        )
    found += [
        Advice(
            do=f"Run a dehumidifier, down to about {DRIER_PERCENT:.0f} %.",
            costs="It takes an hour or more until a room is dry, and warms it.",
            dry_s=expected_s(air_c, DRIER_PERCENT, method, moving_air=moving_air),
        ),
        Advice(
            do="A dry oven at 35 to 40 °C, its door ajar.",
            costs="Uneven, dry rims over a wet middle, and the oven is not free to heat: touch in the middle.",
            dry_s=expected_s(WARM_C, warmed_percent(air_c, humidity_percent, WARM_C), method),
        ),
    ]
    if method in {None, Method.FRENCH}:
        found.append(
            Advice(
                do="Make the next ones by the Swiss or the syrup method.",
                costs="A water bath or a pot of hot syrup more; they need about six tenths of the time.",
                dry_s=expected_s(air_c, humidity_percent, Method.ITALIAN, moving_air=moving_air),
            )
        )
    return tuple(found)
