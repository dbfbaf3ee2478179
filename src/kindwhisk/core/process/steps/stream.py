"""Stream: hot syrup into a running foam of whites or yolks."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import foam, hot_foam
from kindwhisk.core.bands import Band, Quantity, Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.foam import Foam
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, Cue, Notice, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, Tool
from kindwhisk.core.safety import HOT_STREAM, NOT_COOKED, RAW_EGG
from kindwhisk.core.schools import School, school

POURING_S = 60.0


class StreamStep(StepBase):
    """Pour hot syrup into a running foam and whisk on until it has cooled to ``until_c``."""

    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.MIXER,)

    kind: Literal["stream"] = "stream"
    tool: Tool = "mixer whisk"
    until_c: float = Field(default=40, ge=20, le=70)

    @property
    def tool_in_use(self) -> str:
        """What touches the content."""
        return self.tool

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Syrup and foam become one; heat is shared with the bowl, gas grows to the foam's own."""
        together = combine(intake)
        syrup = max(intake, key=lambda m: m.temperature_c, default=together)
        egg = combine([m for m in intake if m is not syrup])
        kind = Foam.SYRUP_MERINGUE if foam.egg_white_g(together) > 0 else Foam.YOLK_FOAM
        band = self.density_band(
            foam.density_band(kind),
            setting,
            below=Side(word="very light", means="More air than it will keep.", can_do="A minute on the lowest speed."),
            above=Side(
                word="loose", means="Still warm, or the syrup was thin.", can_do="Whisk on until it has cooled."
            ),
        )
        peak = hot_foam.peak_c(syrup, egg)
        duration = foam.whip_s(kind, together.mass_g)
        cooled = max(setting.kitchen.air_c, min(self.until_c, peak.likely))
        notices = []
        if syrup.temperature_c < 100:
            notices.append(
                Notice(
                    level="danger",
                    text="What is poured in is not a hot syrup.",
                    remedy="Boil sugar and water first; a cold syrup only thins the foam.",
                )
            )
        look = foam.STREAM_LOOK
        return Outcome(
            material=together.at(cooled).at_density(band.range),
            duration_s=self.learned(duration, setting),
            modelled_s=duration.likely,
            goal=f"{self.until_c:.0f} C, {look.name.lower()}",
            do="In a thread between whisk and wall, then medium-high until it has cooled.",
            why=f"It gets to about {peak.likely:.0f} C ({peak.low:.0f} to {peak.high:.0f}) and sets as it cools.",
            setup="medium speed while it flows",
            first_look_s=duration.low,
            hold_s=foam.hold_s(kind),
            hold_why="It sets and can't be spread smooth any more.",
            checkpoints=(
                Checkpoint(
                    id="peak", name=look.name, sees=look.sees, not_yet=look.not_yet, too_far=look.too_far, band=band
                ),
                Checkpoint(
                    id="cool",
                    name=f"{self.until_c:.0f} C",
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
                Cue(id="poured", after_s=Estimate.around(POURING_S, 0.3), do="All of the syrup is in", look="speed up"),
            ),
            cautions=(RAW_EGG, HOT_STREAM, NOT_COOKED),
            notices=tuple(notices),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """The third of the three meringues."""
        return (school("Meringue", "syrup-cooked"),) if content.has_white else ()
