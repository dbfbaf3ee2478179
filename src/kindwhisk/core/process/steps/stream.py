"""Stream: hot syrup into a running foam of whites or yolks."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams import foam, hot_foam
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.foams.hot_foam import HeatBalance
from kindwhisk.core.foams.meringue_foam import density_of, holds_s
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, Cue, Notice, Outcome, Resource
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, Heading, StepBase, Tool
from kindwhisk.core.process.watching import ApproachWatching, EggIn
from kindwhisk.core.safety.cautions import HOT_STREAM, NOT_COOKED, RAW_EGG
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate

LEAST_WHISKING_S = 180.0
"""Volume needs the whisk even where the foam is cool at once. Trade habit."""
HOTTEST_SYRUP_C = 100.0


def split(intake: tuple[Material, ...]) -> tuple[Material, Material]:
    """The hot syrup and the foam that it is poured into."""
    syrup = max(intake, key=lambda m: m.temperature_c, default=combine(intake))
    return syrup, combine([m for m in intake if m is not syrup])


class StreamStep(StepBase):
    """Pour hot syrup into a running foam and whisk on until it has cooled to ``until_c``."""

    craft: ClassVar[Craft] = Craft.SUGAR
    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.MIXER,)
    probe: ClassVar[ProbePlace | None] = ProbePlace.BOWL

    ages: ClassVar[bool] = True

    kind: Literal["stream"] = "stream"
    tool: Tool = "mixer whisk"
    until_c: float = Field(default=40, ge=20, le=70)

    @property
    def tool_in_use(self) -> str:
        """What touches the content."""
        return self.tool

    def _heat(self, syrup: Material, egg: Material, setting: Setting) -> HeatBalance:
        kitchen = setting.kitchen
        return hot_foam.of_materials(
            syrup, egg, bowl_g=kitchen.mixers[0].bowl_g, air_c=kitchen.air_c, pressure_kpa=kitchen.pressure_kpa
        )

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Syrup and foam become one; heat is shared with the bowl, gas grows to the foam's own."""
        together = combine(intake)
        syrup, egg = split(intake)
        heat = self._heat(syrup, egg, setting)
        kind = Foam.ITALIAN_MERINGUE if foam.egg_white_g(together) > 0 else Foam.YOLK_FOAM
        density, hold = foam.density_band(kind), foam.hold_s(kind)
        if kind is Foam.ITALIAN_MERINGUE:
            ratio = foam.sugar_to_white(together)
            density = density_of(ratio, Method.ITALIAN, syrup.temperature_c)
            hold = holds_s(ratio, Method.ITALIAN, syrup.temperature_c)
        cup = self.density(Figure.FOAM, kind, together, density, setting)
        band = self.density_band(
            cup,
            setting,
            below=Side(word="very light", means="More air than it will keep.", can_do="A minute on the lowest speed."),
            above=Side(
                word="loose", means="Still warm, or the syrup was thin.", can_do="Whisk on until it has cooled."
            ),
        )
        peak, pour, air = heat.peak_c, heat.pour_s, setting.kitchen.air_c
        cooling = hot_foam.cooling_s(heat.kj_per_k, setting.kitchen.mixers[0].bowl_g, peak.likely, self.until_c, air)
        least = Estimate.around(LEAST_WHISKING_S, 0.3)
        duration = pour.plus(cooling if cooling.likely >= least.likely else least)
        cooled = max(air, min(self.until_c, peak.likely))
        notices = []
        if syrup.temperature_c < HOTTEST_SYRUP_C:
            notices.append(
                Notice(
                    level="danger",
                    text="What is poured in is not a hot syrup.",
                    remedy="Boil sugar and water first; a cold syrup only thins the foam.",
                )
            )
        look, time = foam.STREAM_LOOK, self.time_alone(self.kind, duration, setting)
        return Outcome(
            material=together.at(cooled).at_density(cup.made),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time, cup),
            goal=f"{self.until_c:.0f} °C, {look.name.lower()}",
            do=f"In a thread between whisk and wall, {pour.low:.0f} to {pour.high:.0f} s; "
            "then medium-high until it has cooled.",
            why=f"It gets to about {peak.likely:.0f} °C ({peak.low:.0f} to {peak.high:.0f}) and sets as it cools.",
            setup="medium speed while it flows",
            first_look_s=duration.low,
            hold_s=hold,
            foam=kind,
            hold_why="It sets and can't be spread smooth any more.",
            checkpoints=(
                Checkpoint(
                    id="peak", name=look.name, sees=look.sees, not_yet=look.not_yet, too_far=look.too_far, band=band
                ),
                Checkpoint(
                    id="cool",
                    name=f"{self.until_c:.0f} °C",
                    sees="The bowl is hand-warm from outside.",
                    band=Band(
                        quantity=Quantity.CONTENT_TEMPERATURE,
                        unit="C",
                        range=Estimate(
                            low=self.until_c - 8, likely=self.until_c - 2, high=self.until_c + 1, basis=Basis.FORMULA
                        ),
                        below=Side(word="cold", means="Stiff: it tears.", can_do="Use it now."),
                        above=Side(word="hot", means="It would melt butter or cream.", can_do="Whisk on."),
                    ),
                ),
            ),
            cues=(
                Cue(id="poured", after_s=pour, do="All of the syrup is in: speed up", look="no thread left on the pot"),
            ),
            cautions=(HOT_STREAM, RAW_EGG, NOT_COOKED),
            notices=tuple(notices),
        )

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """Down from the peak; what went in is one by then."""
        air = setting.kitchen.air_c
        peak = max(before.temperature_c, self.until_c + 0.1)
        share = min(1.0, elapsed_s / max(duration_s, 1.0))
        fall = ((self.until_c - air) / (peak - air)) ** share if self.until_c > air + 0.1 else 1 - share
        return Heading(
            quantity=Quantity.CONTENT_TEMPERATURE,
            start_c=peak,
            now_c=air + (peak - air) * float(fall),
            target_c=self.until_c,
            stages=tuple((c, use) for c, use in hot_foam.GATES_C),
        )

    def watching(self, before: Material, after: Material, setting: Setting) -> ApproachWatching:
        """The bowl, followed by its probe."""
        kitchen = setting.kitchen
        content = before.mass_g / 1000 * before.composition.heat_capacity()
        steel = kitchen.mixers[0].bowl_g / 1000 * hot_foam.STEEL_CP * hot_foam.COOLING_BOWL_SHARE
        return ApproachWatching(
            kitchen.air_c,
            self.until_c,
            1000 * (content + steel) / hot_foam.whisked_w_per_k(content)[1],
            EggIn.of(before),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """The third of the three meringues."""
        return (school("Meringue", "Italian"),) if content.has_white else ()
