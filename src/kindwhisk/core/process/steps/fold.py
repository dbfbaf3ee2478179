"""Fold: a foam and what it meets, in one of several manners."""

from __future__ import annotations

from typing import Literal

from kindwhisk.core import foam
from kindwhisk.core.bands import Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.foam import Foam
from kindwhisk.core.folding import AERATED_BELOW, Manner, bring_together
from kindwhisk.core.material import Material
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, Tool, by_habit
from kindwhisk.core.schools import School, school

SECONDS: dict[Manner, float] = {
    Manner.SACRIFICE: 40,
    Manner.FOLD: 75,
    Manner.SIFT_OVER: 110,
    Manner.STIR: 30,
    Manner.DEFLATE: 150,
}
DO: dict[Manner, str] = {
    Manner.SACRIFICE: "Stir this first portion in with the whisk, without mercy.",
    Manner.FOLD: "Cut down the middle, sweep along the bottom, lift over; turn the bowl.",
    Manner.SIFT_OVER: "Sift over in two or three layers, fold under after each with broad strokes.",
    Manner.STIR: "Stir this portion into the fat until it is even.",
    Manner.DEFLATE: "A third first, then the rest; then press against the wall and turn, counting the turns.",
}
WHY: dict[Manner, str] = {
    Manner.SACRIFICE: "It loosens the base, so that the rest meets something nearly as light as itself.",
    Manner.FOLD: "Every stroke costs air: stop as soon as the last streak is gone.",
    Manner.SIFT_OVER: "A thin layer wets at once; a heap sinks and leaves lumps.",
    Manner.STIR: "Fat that is as light as batter does not sink to the bottom.",
    Manner.DEFLATE: "Air is pressed out until it flows: too little and tails stay, too much and it runs flat.",
}


class FoldStep(StepBase):
    """Bring a foam together with a base, dry goods or fat.

    ``batter`` names what the result is, when it is a batter with a band and a hold window of its own.
    """

    kind: Literal["fold"] = "fold"
    manner: Manner = Manner.FOLD
    tool: Tool = "spatula"
    batter: Foam | None = None

    @property
    def tool_in_use(self) -> str | None:
        """What touches the content."""
        return self.tool

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Masses add; the air that the manner keeps stays."""
        mixture = bring_together(list(intake), self.manner)
        deflated = Checkpoint(
            id="even",
            name="Flows like lava",
            sees="A ribbon falls without breaking and is gone into the rest after half a minute.",
            not_yet="It breaks off, tails stand up: a few turns more.",
            too_far="Gone within ten seconds: stop, it will spread.",
        )
        checkpoints = [
            deflated
            if self.manner is Manner.DEFLATE
            else Checkpoint(
                id="even",
                name="No streaks",
                sees="One colour, still puffy; it falls from the spatula in folds.",
                not_yet="A white streak: two or three strokes more, there.",
                too_far="Runs off like cream, bubbles on top: stop now.",
            )
        ]
        hold: Estimate | None = None
        if self.batter is not None:
            band = self.density_band(
                foam.density_band(self.batter),
                setting,
                below=Side(
                    word="very airy",
                    means="May rise high and sink, with large holes.",
                    can_do="Three or four strokes more.",
                ),
                above=Side(
                    word="heavy",
                    means="Air was lost: it will rise less and be denser at the bottom.",
                    can_do="Stop folding and fill at once; next time larger first portion, fewer strokes.",
                ),
            )
            checkpoints.append(Checkpoint(id="batter", name="Batter in the cup", sees="Level cup, weighed.", band=band))
            hold = foam.hold_s(self.batter)
            if band.range.basis is Basis.KITCHEN or self.manner is Manner.DEFLATE:
                mixture = mixture.at_density(band.range)
        elif mixture.density_g_per_ml.likely < AERATED_BELOW:
            hold = foam.hold_s(Foam.RIBBON)
        return Outcome(
            material=mixture,
            duration_s=by_habit(SECONDS[self.manner]),
            goal="Loosened" if self.manner in {Manner.SACRIFICE, Manner.STIR} else "No streaks",
            do=DO[self.manner],
            why=WHY[self.manner],
            hold_s=hold,
            hold_why="The bubbles rise and burst.",
            checkpoints=tuple(checkpoints),
            make_ready=(MakeReady(id="spatula", name="spatula", detail="large, within reach"),),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """How the two are brought together."""
        return (school("Folding", self.manner.value),)
