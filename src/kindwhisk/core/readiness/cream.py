"""Whipped cream: cold, soft for soaked cakes and mousse, medium to fill, firm to pipe; past that it is butter."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.foams import whipped_cream
from kindwhisk.core.foams.foam import HOLD_MINUTES, Foam, Peak
from kindwhisk.core.readiness.window import Content, Purpose, Ready, Side, State, Window, judged, window_for
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

WHIPS_BELOW_C, GRAINS_FROM_C = 8.0, 12.0
STANDS_FROM_FAT = 0.30
CRUMB_C, LOOSENS_C, MELTS_C = 25.0, 28.0, 32.0
"""A crumb at most as warm as this may meet it; from the second it loosens, from the third its fat melts. Habit."""


class Stage(StrEnum):
    """End points of whipped cream."""

    SOFT = "soft"
    MEDIUM = "medium"
    FIRM = "firm"
    OVER = "over-whipped"


DENSITY: dict[Stage, tuple[float, float]] = {
    Stage.SOFT: whipped_cream.DENSITY[Peak.SOFT],
    Stage.MEDIUM: whipped_cream.DENSITY[Peak.MEDIUM],
    Stage.FIRM: whipped_cream.DENSITY[Peak.STIFF],
}
"""g/ml; over-whipped it is denser again, and told by its look."""
STAGE_FOR = {Purpose.POUR: Stage.SOFT, Purpose.FOLD: Stage.SOFT, Purpose.SPREAD: Stage.MEDIUM, Purpose.PIPE: Stage.FIRM}
KEEPS_MIN = HOLD_MINUTES[Foam.CREAM]
"""Minutes that it stays as it was whipped, at 4 °C; stabilised a day. Trade habit."""
STABILISED_MIN = (12 * 60.0, 24 * 60.0, 36 * 60.0)
STABILISERS = {
    "gelatine": (0.005, 0.008),
    "mascarpone": (0.15, 0.25),
    "starch": (0.02, 0.03),
}
"""Share of the cream's weight with which each holds it for a day. Trade habit."""

_COLD = Window(
    low_c=0,
    high_c=WHIPS_BELOW_C,
    colder=Side(
        says="Frozen at the wall: it turns to grains.", do="Let it thaw in the cold.", rescue="Stir it smooth."
    ),
    warmer=Side(
        says="Warmer than it whips well: its fat is soft.",
        do="Cream, bowl and whisk into the cold for a quarter of an hour.",
        rescue="Chilled again to 4 °C and whipped slowly it still stands.",
    ),
    past_c=GRAINS_FROM_C,
    past=Side(
        says=f"Above {GRAINS_FROM_C:.0f} °C its fat runs together: it turns to grains under the whisk.",
        do="Stop, chill it to 4 °C for some hours, then whip it slowly.",
        rescue="Unwhipped it is as good as before once it is cold through; whipped it stays loose.",
    ),
)
WINDOWS = dict.fromkeys((Purpose.SPREAD, Purpose.WHIP, Purpose.PIPE, Purpose.FOLD, Purpose.POUR), _COLD)

RESCUE_OVER = (
    "Grainy: fold in a little unwhipped cream (a tenth of it), by hand. Once butter and whey have parted nothing "
    "brings it back."
)


class Crumb(Value):
    """What a crumb does to cream that meets it: a word, whether they may meet, and what to do."""

    may: bool
    says: str
    do: str


def on_crumb(crumb_c: float) -> Crumb:
    """Cream on a crumb that is so warm at its core."""
    if crumb_c >= MELTS_C:
        return Crumb(
            may=False,
            says=f"The crumb is {crumb_c:.0f} °C: from {MELTS_C:.0f} °C the fat of the cream melts and runs in.",
            do=f"Wait until its core is below {CRUMB_C:.0f} °C; keep the cream in the cold.",
        )
    if crumb_c >= LOOSENS_C:
        return Crumb(
            may=False,
            says=f"The crumb is {crumb_c:.0f} °C: from {LOOSENS_C:.0f} °C cream loosens.",
            do=f"Wait until its core is below {CRUMB_C:.0f} °C.",
        )
    if crumb_c >= CRUMB_C:
        return Crumb(
            may=False,
            says=f"The crumb is {crumb_c:.0f} °C, a little warm.",
            do=f"Some minutes more, to below {CRUMB_C:.0f} °C.",
        )
    return Crumb(may=True, says=f"The crumb is cool enough ({crumb_c:.0f} °C).", do="Cream may go on.")


def stage_of(density_g_per_ml: float) -> Stage | None:
    """The stage that a cup tells; None where it is not yet soft."""
    for stage, (low, high) in DENSITY.items():
        if low <= density_g_per_ml < high:
            return stage
    return None


# What is known of a bowl of cream: each of it optional.
def ready(  # noqa: PLR0913
    temperature_c: float,
    use: Purpose | None = None,
    *,
    stage: Stage | None = None,
    density_g_per_ml: float | None = None,
    fat: float = 0.35,
    crumb_c: float | None = None,
    waited_min: float | None = None,
    stabilised: bool = False,
    air_c: float | None = None,
) -> Ready:
    """Cream for a use: by its fat, its stage (or a cup), its warmth, how long it stood, and the crumb that it meets."""
    wanted, window = window_for(WINDOWS, use)
    told = judged(Content.CREAM, wanted, window, temperature_c, air_c)
    if fat < STANDS_FROM_FAT:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": f"With {fat:.0%} of fat it does not stand: from {STANDS_FROM_FAT:.0%} on it does.",
                "do": "Take cream with 33 to 36 % of fat.",
                "rescue": "Mascarpone, a quarter of its weight, lifts the fat.",
                "minutes": None,
            }
        )
    there = stage or (stage_of(density_g_per_ml) if density_g_per_ml is not None else None)
    if there is Stage.OVER:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": "Over-whipped: grainy at the wall, dull.",
                "do": "Stop whipping.",
                "rescue": RESCUE_OVER,
                "minutes": None,
            }
        )
    if told.state is not State.RIGHT:
        return told
    if crumb_c is not None and not (met := on_crumb(crumb_c)).may:
        return told.model_copy(
            update={
                "state": State.NOT_YET,
                "says": met.says,
                "do": met.do,
                "rescue": "Loosened cream: scrape it off, chill it, whip it up slowly. Melted cream is lost.",
            }
        )
    keeps = (STABILISED_MIN if stabilised else KEEPS_MIN)[2]
    if waited_min is not None and waited_min > keeps:
        return told.model_copy(
            update={
                "state": State.PAST,
                "says": f"It has stood {waited_min:.0f} min: it has let go of water.",
                "do": "Whip it up again by hand, a few strokes.",
                "rescue": "A few strokes bring it back once; gelatine, mascarpone or starch hold it for a day.",
            }
        )
    goal = STAGE_FOR.get(wanted)
    if there is not None and goal is not None and there is not goal:
        order = list(Stage)
        less = order.index(there) < order.index(goal)
        return told.model_copy(
            update={
                "state": State.NOT_YET if less else State.RIGHT,
                "says": f"{there.value.capitalize()}; to {wanted.value} it is wanted {goal.value}.",
                "do": "A little more, slowly." if less else "Stir a spoon of unwhipped cream in, or take it as it is.",
                "rescue": "Nothing to bring back." if less else RESCUE_OVER,
            }
        )
    return told


def keeps_s(*, stabilised: bool) -> Estimate:
    """Seconds that it stays as it was whipped, in the cold."""
    low, likely, high = (60 * m for m in (STABILISED_MIN if stabilised else KEEPS_MIN))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)
