"""Straight after the oven: what to do at once, each with what it prevents. Trade habit."""

from __future__ import annotations

from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class Next(Value):
    """One thing to do, within ``within_s`` of the oven; ``prevents`` is what comes of leaving it."""

    id: str
    do: str
    prevents: str
    within_s: float = 60.0


KNOCK = Next(
    id="knock",
    do="Drop the tin once from a hand's height onto a cloth.",
    prevents="Steam leaves at once; held back, it cools, draws in, and the side shrinks.",
    within_s=30,
)
INVERT = Next(
    id="invert",
    do="Upside down at once, in its tin, until it is cold.",
    prevents="A soft crumb sinks under its own weight; hanging, it is stretched.",
)
STAY_IN = Next(
    id="stay-in",
    do="Do not loosen it before it is cold to the middle.",
    prevents="A warm wall tears off and the cake shrinks in.",
    within_s=10_800,
)
OFF_TRAY = Next(
    id="off-tray",
    do="Pull it off the hot tray with its paper; loosen the paper at the sides.",
    prevents="The tray goes on baking it, and a held edge draws the sheet crooked.",
)
COVER_SHEET = Next(
    id="cover-sheet",
    do="Lay a sheet of paper or a cloth over it once the first steam is gone.",
    prevents="A dry skin, which cracks as soon as it is rolled.",
    within_s=300,
)
PAPER_OFF_WARM = Next(
    id="paper-off",
    do="Turn it over and take the paper off while it is lukewarm; lay it back on loosely.",
    prevents="Cold paper takes the skin with it; bare, it dries.",
    within_s=900,
)
ROLL_NOW = Next(
    id="roll-now",
    do="Roll it up in its paper while it is warm and bends; unroll it cold to fill it.",
    prevents="A crumb that has set flat tears on its outer face.",
    within_s=300,
)
FLAT = Next(
    id="flat",
    do="Leave it flat to lukewarm, then fill and roll once.",
    prevents="A second bend: a thin, moist sheet does not need the first.",
    within_s=1800,
)
TURN_OVER = Next(
    id="turn-over",
    do="After a few minutes turn it out upside down, paper on.",
    prevents="A wet base from steam in the tin; the weight evens the top.",
    within_s=420,
)
WAIT_IN_TIN = Next(
    id="wait-in-tin",
    do="Leave it in its tin until it is lukewarm.",
    prevents="Hot, it has no strength: it breaks when it is lifted.",
    within_s=1500,
)
TEN_MINUTES = Next(
    id="ten-minutes",
    do="Ten minutes in the tin, then out on a rack.",
    prevents="Too soon it breaks, too late it sweats.",
    within_s=600,
)
STEAM_OUT = Next(
    id="pierce",
    do="Leave it in the tin and pierce it while it is warm.",
    prevents="A cold crumb soaks unevenly.",
    within_s=900,
)
UNDER_CLOTH = Next(
    id="under-cloth",
    do="Leave it on its tray, under paper and a damp cloth.",
    prevents="Without flour it tears; its crust must soften first.",
    within_s=120,
)
SLIDE_OFF = Next(
    id="slide-off",
    do="Slide the paper onto a cold surface at once.",
    prevents="A hot tray browns and dries the bases.",
)
LIFT_COLD = Next(
    id="lift-cold",
    do="Lift them when they are cold.",
    prevents="Warm, they leave their base on the paper.",
    within_s=1800,
)
OVEN_OFF = Next(
    id="oven-off",
    do="Oven off, a spoon in the door, and leave them in it to cool.",
    prevents="Cold air cracks them, and what is still damp inside dries as it cools.",
)

_CLASSES: dict[Technique, tuple[Next, ...]] = {
    Technique.CHIFFON: (KNOCK, INVERT, STAY_IN),
    Technique.PATTERNED: (KNOCK, INVERT, STAY_IN),
    Technique.GENOISE: (KNOCK, TURN_OVER),
    Technique.COLD_GENOISE: (KNOCK, TURN_OVER),
    Technique.SEPARATED_SPONGE: (KNOCK, TEN_MINUTES),
    Technique.SOAKED_SPONGE: (STEAM_OUT,),
    Technique.RICH_SPONGE: (WAIT_IN_TIN,),
    Technique.CREAMED_SPONGE: (TEN_MINUTES,),
    Technique.SOUFFLED_SHEET: (UNDER_CLOTH,),
    Technique.LADYFINGERS: (SLIDE_OFF, LIFT_COLD),
    Technique.LADYFINGER_CAKE: (SLIDE_OFF, LIFT_COLD),
    Technique.MERINGUE: (OVEN_OFF,),
    Technique.SHELLS: (SLIDE_OFF, LIFT_COLD),
}


def straight_after(technique: Technique | None, *, rolled_warm: bool | None = None) -> tuple[Next, ...]:
    """What to do straight after the oven, in order; ``rolled_warm`` is how a sheet is rolled (None: not said)."""
    if technique is Technique.CHIFFON_ROLL:
        roll = (ROLL_NOW,) if rolled_warm else (COVER_SHEET, PAPER_OFF_WARM, FLAT)
        return (OFF_TRAY, *roll)
    return _CLASSES.get(technique, (TEN_MINUTES,)) if technique is not None else (TEN_MINUTES,)
