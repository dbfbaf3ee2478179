"""Whip: whites or whole eggs into a foam. The clock starts here."""

from __future__ import annotations

from enum import StrEnum
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams import foam, over_whipped, whipped_cream, whipping
from kindwhisk.core.foams.balance import Method, sugar_to_egg
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.foams.meringue_foam import density_of, holds_s
from kindwhisk.core.foams.whipping import Seen, Whites
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.outcome import Attention, Checkpoint, Cue, MakeReady, Notice, Outcome, Resource
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import MACHINE, Setting
from kindwhisk.core.process.steps.base import YOLKY, Content, StepBase
from kindwhisk.core.process.steps.meeting import butter_notices
from kindwhisk.core.readiness.cream import keeps_s
from kindwhisk.core.readiness.recognise import known_of
from kindwhisk.core.safety.cautions import RAW_EGG, keep_cold
from kindwhisk.core.values.bands import Side
from kindwhisk.core.values.estimate import Estimate


class SugarSchool(StrEnum):
    """When the sugar goes into the whites."""

    START = "all at the start"
    THIRDS = "in thirds"
    SPOONS = "a spoon at a time"


ADDITIONS: dict[SugarSchool, tuple[tuple[float, str, str], ...]] = {
    SugarSchool.START: (),
    SugarSchool.THIRDS: (
        (0.15, "First third of the sugar", "when large bubbles cover the top"),
        (0.35, "Second third of the sugar", "when the foam is white and fine"),
        (0.60, "Last third of the sugar", "when the whisk begins to leave lines that don't close"),
    ),
    SugarSchool.SPOONS: ((0.25, "Begin with the sugar, a spoon at a time", "when the foam is white and fine"),),
}
"""Share of the likely time, what to do, what it looks like. Trade habit."""

SLOW_FINISH_SHARE = 0.8
SPOONS_END = 0.65
SALTY_PERCENT, GRAINY_RATIO = 0.4, 1.6


BOWL_FULL, BOWL_EMPTY = 0.85, 0.08
"""Shares of the mixer's bowl beyond which foam climbs out, or the whisk does not reach it. Trade habit."""


def _bowl_notices(foamed: Material, setting: Setting, tool: str) -> tuple[Notice, ...]:
    if tool != MACHINE:
        return ()
    bowl = setting.kitchen.mixers[0]
    volume, start = foamed.volume_ml.likely, foamed.gas_free_volume_ml
    if volume > BOWL_FULL * bowl.bowl_ml:
        return (
            Notice(
                level="risk",
                text=f"{volume / 1000:.1f} l of foam in the {bowl.bowl_ml / 1000:.1f} l bowl of the {bowl.name}.",
                remedy="Whip it in two goes, or make less: the second foam must not wait.",
            ),
        )
    if volume < BOWL_EMPTY * bowl.bowl_ml:
        return (
            Notice(
                level="risk",
                text=f"{start:.0f} ml lie too low for the whisk of the {bowl.name}.",
                remedy="Tilt the bowl, take a hand mixer and a small bowl, or make more.",
            ),
        )
    return ()


class WhipStep(StepBase):
    """Whip to a peak (whites) or to the ribbon (whole eggs)."""

    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.MIXER,)
    begins_foam: ClassVar[bool] = True
    reading_fades_s: ClassVar[float] = 60.0

    ages: ClassVar[bool] = True

    kind: Literal["whip"] = "whip"
    tool: str = Field(default=MACHINE, max_length=40)
    peak: Peak = Peak.MEDIUM
    sugar: SugarSchool = SugarSchool.THIRDS
    speed: int = Field(default=6, ge=1, le=12)
    slow_finish: bool = False

    @property
    def tool_in_use(self) -> str | None:
        """What touches the content."""
        return self.tool

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Gas in, to the density that the composition and the peak lead one to expect."""
        start = combine(intake)
        kind = foam.kind_of(start)
        meringue = kind in {Foam.FRENCH_MERINGUE, Foam.SWISS_MERINGUE}
        ratio, whites = foam.sugar_to_white(start), Whites.of(start)
        if kind is Foam.FRENCH_MERINGUE:
            density = foam.french_density(ratio, self.peak)
            duration = whipping.whites_s(whites, self.peak, self.speed)
            hold, look = foam.french_hold_s(ratio), foam.PEAK_LOOKS[self.peak]
        elif kind is Foam.RIBBON:
            density = foam.ribbon_density(sugar_to_egg(start), start.temperature_c)
            duration = whipping.ribbon_s(start.mass_g, start.temperature_c)
            hold, look = foam.hold_s(Foam.RIBBON), foam.RIBBON_LOOK
        elif kind is Foam.CREAM:
            density = whipped_cream.density(self.peak)
            duration = whipped_cream.whips_s(start.mass_g, self.peak)
            hold, look = keeps_s(stabilised=known_of(start).stabilised), whipped_cream.LOOKS[self.peak]
        else:
            density, duration, hold = foam.density_band(kind), whipping.plain_s(kind, start.mass_g), foam.hold_s(kind)
            if kind is Foam.SWISS_MERINGUE and ratio > 0:
                density = density_of(ratio, Method.SWISS, start.temperature_c)
                hold = holds_s(ratio, Method.SWISS, start.temperature_c)
            look = foam.YOLK_LOOK if kind is Foam.YOLK_FOAM else foam.PEAK_LOOKS[self.peak]
        cup = self.density(Figure.FOAM, kind, start, density, setting)
        band = self.density_band(
            cup,
            setting,
            below=Side(
                word="dry, will clot" if meringue else "very light",
                means="Whipped past the peak: it breaks into lumps." if meringue else "More air than it can hold.",
                can_do=(
                    "Fold at once, with a larger first portion to loosen the base."
                    if meringue
                    else "A minute on the lowest speed evens the bubbles."
                ),
            ),
            above=Side(
                word="loose, will sink",
                means="Not enough air yet: the batter will be dense.",
                can_do="About a minute more on the same speed, then weigh again.",
            ),
        )
        effects = setting.effects(Figure.WHIP, kind.value, self.origin, mixer=setting.mixer(self.tool))
        time = setting.record.expected(Figure.WHIP, effects, duration)
        learned, air = time.made, setting.kitchen.air_c
        reached = start.temperature_c if kind is Foam.CREAM else air
        foamed = start.at(reached).at_density(cup.made)
        return Outcome(
            material=foamed,
            duration_s=learned,
            modelled_s=duration.likely,
            expects=(time, cup),
            goal=look.name,
            do=look.sees,
            why=look.not_yet,
            setup=f"speed {self.speed}",
            first_look_s=learned.low * 0.9,
            hold_s=hold,
            hold_why="The foam dries and weeps; it starts to break down as soon as it is made."
            if meringue
            else "It slackens and lets go of its water."
            if kind is Foam.CREAM
            else "Its bubbles burst.",
            foam=kind,
            passes=whipping.stages(learned, self.peak) if kind is Foam.FRENCH_MERINGUE else (),
            over_s=whipping.over_s(learned, whites) if meringue else over_whipped.over_s(kind, self.peak, learned),
            rescues=tuple(r.for_bowl(start.mass_g) for r in whipping.RESCUES) if meringue else (),
            checkpoints=(
                Checkpoint(
                    id="peak",
                    name=look.name,
                    sees=look.sees,
                    not_yet=look.not_yet,
                    too_far=look.too_far,
                    band=band,
                ),
            ),
            cues=self._cues(learned, kind, ratio),
            cautions=(keep_cold(setting.kitchen.cold_rule),) if kind is Foam.CREAM else (RAW_EGG,),
            make_ready=(MakeReady(id="cup-and-scale", name="scale and cup", detail="cup empty, its weight known"),),
            notices=(
                *self._notices(start, kind, ratio),
                *_bowl_notices(foamed, setting, self.tool),
                *butter_notices(intake),
            ),
        )

    def _cues(self, duration: Estimate, kind: Foam, ratio: float) -> tuple[Cue, ...]:
        sweet = kind is Foam.FRENCH_MERINGUE and ratio > 0
        cues = list(ADDITIONS[self.sugar]) if sweet else []
        if sweet and self.sugar is SugarSchool.SPOONS:
            cues.append((SPOONS_END, "The last spoon of sugar is in", "each one gone before the next"))
        if self.slow_finish:
            cues.append((SLOW_FINISH_SHARE, "Down to a slow speed", "volume is there: now even the bubbles"))
        return tuple(
            Cue(id=f"cue-{n + 1}", after_s=duration.scaled(share), do=do, look=look)
            for n, (share, do, look) in enumerate(cues)
        )

    def _notices(self, start: Material, kind: Foam, ratio: float) -> tuple[Notice, ...]:
        notices = []
        whites = foam.egg_white_g(start) > 0 and not YOLKY & start.counted.keys()
        if whites and not foam.is_meringue(start):
            notices.append(
                Notice(
                    level="danger",
                    text="There is fat in the whites: they will not come up.",
                    remedy="Keep yolk, oil and butter out of this bowl.",
                )
            )
        if kind is Foam.FRENCH_MERINGUE and self.sugar is SugarSchool.START and ratio > 0.55:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{ratio:.2f} of sugar to white, all at the start, whips slowly and stays soft.",
                    remedy="Above about half the weight of the whites, add it in thirds.",
                )
            )
        own = Whites.of(start)
        if kind is Foam.FRENCH_MERINGUE and ratio > GRAINY_RATIO:
            notices.append(
                Notice(
                    level="note",
                    text=f"{ratio:.2f} of sugar to white leaves little water to dissolve it in.",
                    remedy="Fine sugar, a spoon at a time, and rub a drop: no grain before the next spoon.",
                )
            )
        if kind is Foam.FRENCH_MERINGUE and own.salt_percent > SALTY_PERCENT:
            notices.append(
                Notice(
                    level="note",
                    text="So much salt lets the foam weep sooner.",
                    remedy="A little acid keeps it better: an eighth of a teaspoon of cream of tartar to each white.",
                )
            )
        return tuple(notices)

    def while_running(
        self, before: Material, after: Material, share: float, seen: Seen | None, setting: Setting
    ) -> Material:
        """The foam on its way up."""
        return whipping.material_while_whipping(after, share, seen)

    def schools(self, content: Content) -> tuple[School, ...]:
        """For whites: when the sugar goes in and which peak is meant."""
        if not content.has_white:
            return ()
        if content.warmed:
            return (school("Meringue", "Swiss"), school("Peak for folding", self.peak.value))
        return (
            school("Meringue", "French"),
            school("Sugar into the whites", self.sugar.value),
            school("Peak for folding", self.peak.value),
        )
