"""Fold: a foam and what it meets, in one of several manners."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams import foam
from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.folding.air_kept import kept_share
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.folding.cup import weighed_or_ribbon
from kindwhisk.core.folding.kept import AERATED_BELOW, Manner
from kindwhisk.core.folding.together import bring_together
from kindwhisk.core.folding.warmth import fat_warmth, fluid_in_words
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import Expected, Factor
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, Tool, by_habit, usual_density
from kindwhisk.core.process.steps.meeting import butter_notices, folding_notices
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.values.bands import Side
from kindwhisk.core.values.estimate import Basis, Estimate

SECONDS: dict[Manner, float] = {
    Manner.SACRIFICE: 40,
    Manner.FOLD: 75,
    Manner.INTO_FOAM: 90,
    Manner.SIFT_OVER: 110,
    Manner.IN_TURNS: 150,
    Manner.STIR: 30,
}
PER_PORTION_S = 15.0
DO: dict[Manner, str] = {
    Manner.SACRIFICE: "Stir this first portion in vigorously with the whisk.",
    Manner.FOLD: "Cut down the middle, sweep along the bottom, lift over; turn the bowl.",
    Manner.INTO_FOAM: "Pour down the wall in a thin stream, and lift from below as it sinks.",
    Manner.SIFT_OVER: "Sift over in two or three layers, fold under after each with broad strokes.",
    Manner.IN_TURNS: "The dry first and last, the wet between, in turns; each just until it is gone.",
    Manner.STIR: "Stir this portion into the fat until it is even.",
}
WHY: dict[Manner, str] = {
    Manner.SACRIFICE: "It loosens the base, so that the rest meets something nearly as light as itself.",
    Manner.FOLD: "Every stroke costs air: stop as soon as the last streak is gone.",
    Manner.INTO_FOAM: "What is heavy falls through a foam: from below it is carried up again.",
    Manner.SIFT_OVER: "A thin layer wets at once; a heap sinks and leaves lumps.",
    Manner.IN_TURNS: "The dry holds the wet up, the wet takes the dry in: neither sinks alone.",
    Manner.STIR: "Fat that is as light as batter does not sink to the bottom.",
}
ANSWERS: dict[Manner, str] = {
    Manner.SACRIFICE: "sacrifice",
    Manner.FOLD: "all at once",
    Manner.INTO_FOAM: "base into the foam",
    Manner.SIFT_OVER: "flour over the foam",
    Manner.IN_TURNS: "dry and liquid in turns",
    Manner.STIR: "stir",
}
AS_GOOD = 0.06
"""A fold that keeps no less than this share below what was expected is as good as two cups can tell. Trade habit."""


def air_effects(step: StepBase, manner: Manner, content: Material, setting: Setting) -> tuple[str, ...]:
    """What the air that a fold keeps depends on."""
    return setting.effects(Figure.AIR, manner.value, step.origin, content=content)


def hands(step: StepBase, manner: Manner, content: Material, setting: Setting) -> Factor:
    """How much of the model's share of air these hands keep at a step."""
    return setting.record.factor(Figure.AIR, air_effects(step, manner, content, setting))


def expected_air(
    step: StepBase, manner: Manner, intake: tuple[Material, ...], portions: int, setting: Setting
) -> tuple[Expected, ...]:
    """The share of its air that a fold is expected to keep; nothing where there is none in it."""
    whole = combine(intake)
    if whole.gas_ml.likely <= 0:
        return ()
    share = bring_together(intake, manner, portions).mixture.gas_ml.likely / whole.gas_ml.likely
    if share <= 0:
        return ()
    effects = air_effects(step, manner, whole, setting)
    return (setting.record.expected(Figure.AIR, effects, Estimate.exact(share, Basis.HABIT)),)


class FoldStep(StepBase):
    """Bring a foam together with a base, dry goods or fat, in ``portions``.

    ``batter`` names what the result is, when it is a batter with a band and a hold window of its own.
    """

    shows_before: ClassVar[bool] = True
    ages: ClassVar[bool] = True

    merges: ClassVar[bool] = True

    kind: Literal["fold"] = "fold"
    manner: Manner = Manner.FOLD
    portions: int = Field(default=1, ge=1, le=6)
    tool: Tool = "spatula"
    batter: Foam | None = None

    @property
    def tool_in_use(self) -> str | None:
        """What touches the content."""
        return self.tool

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.FOLD

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Masses add; the air that the manner keeps stays."""
        whole = combine(intake)
        own = hands(self, self.manner, whole, setting)
        made = bring_together(intake, self.manner, self.portions, learned=own)
        mixture = made.mixture
        expects = expected_air(self, self.manner, intake, self.portions, setting)
        checkpoints = [
            Checkpoint(
                id="even",
                name="No streaks",
                sees="One colour, still puffy; it falls from the spatula in folds.",
                not_yet="A white streak: two or three strokes more, there.",
                too_far="Runs off like cream, bubbles on top: stop now.",
            )
        ]
        hold: Estimate | None = None
        kind = self.batter
        if kind is not None:
            cup = self.density(Figure.BATTER, kind, whole, foam.density_band(kind), setting)
            expects = (*expects, cup)
            band = self.density_band(
                cup,
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
            checkpoints.append(
                Checkpoint(id="batter", name="Batter in the cup", sees=weighed_or_ribbon(kind, band.range), band=band)
            )
            hold = foam.hold_s(kind)
            if band.range.basis is Basis.KITCHEN and not own.bakes:
                mixture = mixture.at_density(cup.made)
        elif mixture.density_g_per_ml.likely < AERATED_BELOW:
            kind = Foam.RIBBON
            hold = foam.hold_s(kind)
        return Outcome(
            material=mixture,
            expects=expects,
            duration_s=by_habit(SECONDS[self.manner] + PER_PORTION_S * (self.portions - 1)),
            goal="Loosened" if self.manner in {Manner.SACRIFICE, Manner.STIR} else "No streaks",
            do=DO[self.manner],
            why=" ".join(t for t in (WHY[self.manner], *(fluid_in_words(m) for m in intake)) if t),
            hold_s=hold,
            hold_why="The bubbles rise and burst.",
            foam=kind,
            additions=made.additions,
            checkpoints=tuple(checkpoints),
            make_ready=(MakeReady(id="spatula", name="spatula", detail="large, within reach"),),
            notices=self._notices(intake),
        )

    def _notices(self, intake: tuple[Material, ...]) -> tuple[Notice, ...]:
        found = (fat_warmth(m) for m in intake)
        fat = (Notice(level="risk", text=w.text, remedy=w.remedy) for w in found if w)
        return (*fat, *folding_notices(intake), *butter_notices(intake))

    def reading_tells(self, density: float, intake: tuple[Material, ...], setting: Setting) -> str:
        """Of a cup of what is in the bowl now (g/ml): how much of the air the fold kept."""
        parts, whole = tuple(Airy.of(m) for m in intake), combine(intake)
        if not any(p.gas_ml > 0 for p in parts):
            return ""
        own = hands(self, self.manner, whole, setting)
        expected = bring_together(intake, self.manner, self.portions, learned=own).mixture
        kept, usual = kept_share(parts, density), expected.gas_ml.likely / whole.gas_ml.likely
        said = f"This fold kept {min(kept, 1.0):.0%} of its air, {usual:.0%} expected"
        band = None
        if self.batter is not None:
            published = foam.density_band(self.batter)
            band = usual_density(self.density(Figure.BATTER, self.batter, whole, published, setting), setting)
        heavy = band is not None and density > band.high
        if heavy and kept > usual * (1 - AS_GOOD):
            lightest = min(p.density for p in parts if p.gas_ml > 0)
            return f"{said}: that was not the fold; what went in was already dense (the foam {lightest:.2f} g/ml)."
        return f"{said}."

    def schools(self, content: Content) -> tuple[School, ...]:
        """How the two are brought together; what folds in the rest goes on with a choice that was made before."""
        if any(isinstance(p, StepPortion) and p.rest for p in self.inputs) and self.manner is Manner.FOLD:
            return ()
        several = self.manner is Manner.FOLD and self.portions > 1
        return (school("Folding", "in thirds" if several else ANSWERS[self.manner]),)
