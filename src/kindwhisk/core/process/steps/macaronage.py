"""Macaronage: meringue and dry goods folded into one, then pressed until the batter flows as it should."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams import foam
from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.foams.whipping import Seen
from kindwhisk.core.folding import deflating
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.folding.together import Addition, bring_together
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, Tool, by_habit, usual_density
from kindwhisk.core.process.steps.fold import hands
from kindwhisk.core.values.bands import Side
from kindwhisk.core.values.estimate import Basis, Estimate

FOLD_S, PRESS_S = 90.0, 1.6
PORTIONS = 2
LOW, LIKELY, HIGH = deflating.TARGET


class MacaronageStep(StepBase):
    """Fold the meringue into the dry goods, then press air out on purpose, to ``target_g_per_ml``."""

    shows_before: ClassVar[bool] = True
    ages: ClassVar[bool] = True

    kind: Literal["macaronage"] = "macaronage"
    target_g_per_ml: float = Field(default=LIKELY, ge=0.6, le=1.1)
    tool: Tool = "spatula"

    @property
    def tool_in_use(self) -> str | None:
        """What touches the content."""
        return self.tool

    @property
    def target(self) -> Estimate:
        """The band in g/ml around the target."""
        off = self.target_g_per_ml - LIKELY
        return Estimate(low=LOW + off, likely=self.target_g_per_ml, high=HIGH + off, basis=Basis.HABIT)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Folded into one, then deflated to the target."""
        made = bring_together(intake, Manner.FOLD, PORTIONS, learned=hands(self, Manner.FOLD, combine(intake), setting))
        one = made.mixture
        before = one.density_g_per_ml.likely
        presses = deflating.presses(one.mass_g, one.gas_free_volume_ml, before, self.target_g_per_ml)
        quick, slow = deflating.ribbon_s(self.target)
        narrow, wide = deflating.spread_mm(self.target)
        cup = self._cup(one, setting)
        band = self.density_band(
            cup,
            setting,
            below=Side(
                word="stiff", means=deflating.TOO_STIFF.means, can_do=deflating.TOO_STIFF.can_do
            ),
            above=Side(word="runs", means=deflating.TOO_LOOSE.means, can_do=deflating.TOO_LOOSE.can_do),
        )  # fmt: skip
        ready = one.at_density(cup.made)
        return Outcome(
            material=ready if before < cup.made.likely else one,
            expects=(cup,),
            duration_s=by_habit(FOLD_S + PRESS_S * presses.likely),
            goal="Flows like lava",
            do=f"Half of the meringue, then the rest; then about {presses.likely:.0f} presses against the wall "
            f"({presses.low:.0f} to {presses.high:.0f}), turning the bowl.",
            why=f"Folded into one it stands at about {before:.2f} g/ml; each press takes a little air, down to "
            f"{self.target_g_per_ml:.2f}.",
            hold_s=foam.hold_s(Foam.SHELL_BATTER),
            hold_why="It goes on running, and a skin forms in the bowl.",
            foam=Foam.SHELL_BATTER,
            additions=(*made.additions, *self._pressed(one, ready, presses)),
            checkpoints=(
                Checkpoint(
                    id="even",
                    name="Ribbon",
                    sees=f"It falls without breaking and has sunk back after {quick:.0f} to {slow:.0f} seconds.",
                    not_yet=f"It breaks off, or lies longer: {deflating.TOO_STIFF.means}",
                    too_far=f"Gone sooner: {deflating.TOO_LOOSE.means}",
                ),
                Checkpoint(id="batter", name="Batter in the cup", sees="Level cup, weighed.", band=band),
                Checkpoint(
                    id="eight",
                    name="Figure of eight",
                    sees="An eight drawn with what runs off the spatula closes unbroken, and can be read.",
                    not_yet="It breaks within the first loop.",
                    too_far="The loops close up at once.",
                ),
                Checkpoint(
                    id="spread",
                    name="Spread",
                    sees=f"A mound of 40 mm is {narrow:.0f} to {wide:.0f} mm wider in half a minute; its tip sinks.",
                    not_yet="The tip stays.",
                    too_far="Wider than that.",
                ),
            ),
            make_ready=(MakeReady(id="spatula", name="spatula", detail="large, within reach"),),
        )

    def _cup(self, batter: Material, setting: Setting) -> Expected:
        return self.density(Figure.BATTER, Foam.SHELL_BATTER, batter, self.target, setting)

    def _pressed(self, one: Material, ready: Material, presses: Estimate) -> tuple[Addition, ...]:
        """The presses as the last of the additions, which puts nothing in."""
        density, gas = one.density_g_per_ml.likely, one.gas_ml.likely
        if not presses.likely:
            return ()
        return (
            Addition(
                what="pressed against the wall",
                into="",
                foam=False,
                manner=Manner.STIR,
                mass_g=0,
                added_g_per_ml=density,
                bowl_g_per_ml=density,
                density_g_per_ml=ready.density_g_per_ml,
                volume_ml=ready.volume_ml,
                kept=ready.gas_ml.likely / gas,
                strokes=presses,
            ),
        )

    def while_running(
        self, before: Material, after: Material, share: float, seen: Seen | None, setting: Setting
    ) -> Material:
        """The batter as it was last weighed."""
        return after if seen is None else after.at_density(Estimate.exact(seen.density, Basis.MEASURED))

    def reading_tells(self, density: float, intake: tuple[Material, ...], setting: Setting) -> str:
        """Of a cup (g/ml): how many presses are left, and what it does in the oven as it is."""
        batter = combine(intake)
        band = usual_density(self._cup(batter, setting), setting)
        oven = deflating.in_the_oven(density, band)
        left = deflating.presses(batter.mass_g, batter.gas_free_volume_ml, density, band.likely)
        quick = f"A ribbon now sinks back in about {deflating.flow(density)[0]:.0f} s."
        if density < band.low:
            return f"About {left.likely:.0f} presses more ({left.low:.0f} to {left.high:.0f}). {quick}"
        return f"{oven.means} {quick}"
