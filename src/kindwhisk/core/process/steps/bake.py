"""Bake: the foam sets."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import baking, rise
from kindwhisk.core.baking import OvenMode, ReferenceBake, Sets
from kindwhisk.core.bands import Band, Quantity, Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, MakeReady, Notice, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase, Words, in_tins
from kindwhisk.core.safety import HOT_TIN
from kindwhisk.core.section import Section
from kindwhisk.core.whipping import Seen

BROWNING: dict[Sets, float] = {Sets.CRUMB: 0.34, Sets.SHELL: 0.10, Sets.DRY: 0.05}
"""How brown, from 0 raw to 1 deep brown. Chosen by eye."""


class BakeStep(StepBase):
    """Bake at ``oven_c``; the time is carried over from the formula's ``reference`` bake."""

    attention: ClassVar[Attention] = Attention.NONE
    uses: ClassVar[tuple[Resource, ...]] = (Resource.OVEN,)
    sets_foam: ClassVar[bool] = True

    kind: Literal["bake"] = "bake"
    oven_c: float = Field(ge=60, le=300)
    mode: OvenMode = OvenMode.STATIC
    reference: ReferenceBake
    sets: Sets = Sets.CRUMB
    done_c: float = Field(default=baking.DONE_C, ge=70, le=99)
    sees: Words = "A skewer comes out clean; pressed lightly, it springs back and whispers."
    not_yet: Words = "A dent stays, or it still sizzles loudly: five minutes more."
    too_far: Words = "Drawn in from the wall all round: out at once."

    @property
    def heats_oven_c(self) -> float:
        """The oven's temperature."""
        return self.oven_c

    def _gas(self, batter: Material, dried: Material, setting: Setting) -> Estimate:
        """Bubbles after settling; a meringue that only dries keeps what it has."""
        if self.sets is Sets.DRY:
            return batter.gas_ml
        settled = rise.settled_volume_ml(setting.risen_ml(batter))
        free = dried.gas_free_volume_ml
        return Estimate(
            low=max(0.0, settled.low - free),
            likely=max(0.0, settled.likely - free),
            high=max(0.0, settled.high - free),
            basis=settled.basis,
        )

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """It rises, sets, browns, loses water, and settles as it cools."""
        batter = combine(intake)
        tins = setting.tins
        fill = tins.tin.level_mm(batter.volume_ml.likely * tins.share)
        mode = setting.oven.mode
        duration = baking.bake_s(self.reference, tins.tin, fill, self.oven_c, mode)
        learned = self.learned(duration, setting)
        dried = batter.dried_by(
            batter.mass_g * baking.loss_share(self.sets, batter.composition.water, learned.likely / 60)
        )
        baked = dried.with_gas(self._gas(batter, dried, setting))
        core = Estimate(low=self.done_c - 1, likely=self.done_c, high=99.0, basis=Basis.HABIT)
        return Outcome(
            material=baked.at(self.done_c).model_copy(update={"browning": BROWNING[self.sets]}),
            duration_s=learned,
            modelled_s=duration.likely,
            goal=f"{self.oven_c:.0f} C, {mode.value}",
            do=f"Middle of the oven, {self.oven_c:.0f} C {mode.value}. Door shut until the first look.",
            why="Before it has set, cold air makes it fall.",
            first_look_s=learned.low * baking.FIRST_LOOK + learned.likely * (1 - baking.FIRST_LOOK),
            hold_s=Estimate(low=30, likely=60, high=120, basis=Basis.HABIT),
            hold_why="It goes on baking, and a soft crumb sinks.",
            checkpoints=(
                Checkpoint(
                    id="done",
                    name="Done",
                    sees=self.sees,
                    not_yet=self.not_yet,
                    too_far=self.too_far,
                    band=None
                    if self.sets is not Sets.CRUMB
                    else Band(
                        quantity=Quantity.CORE_TEMPERATURE,
                        unit="C",
                        range=core,
                        below=Side(
                            word="raw inside",
                            means="The middle has not set.",
                            can_do="Door shut, look again at the time shown.",
                        ),
                        above=Side(
                            word="hotter than steam",
                            means="A crumb cannot pass 100 C while moist: is the probe touching the tin?",
                            can_do="Move the probe to the thickest place and read again.",
                        ),
                    ),
                ),
            ),
            cautions=(HOT_TIN,),
            make_ready=(MakeReady(id="gloves", name="oven gloves", detail="two, dry; place for the hot tin"),),
            notices=self._notices(setting),
        )

    def _notices(self, setting: Setting) -> tuple[Notice, ...]:
        oven, tins = setting.oven, setting.tins
        notices = []
        if tins.at_once > oven.tins_at_once:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{tins.at_once} {'trays' if tins.trays else 'tins'}, but {oven.name} takes "
                    f"{oven.tins_at_once} at once.",
                    remedy="Bake fewer tins, or enter what the oven takes in Kitchen. Waiting batter loses its air.",
                )
            )
        if oven.offset_k:
            dial = self.oven_c - oven.offset_k
            notices.append(
                Notice(
                    level="note",
                    text=f"{oven.name} runs {oven.offset_k:+.0f} K: set the dial to {dial:.0f} C.",
                    remedy="Trust the oven thermometer, not the dial.",
                )
            )
        return tuple(notices)

    def expected_reading(
        self, elapsed_s: float, duration_s: float, before: Material, setting: Setting
    ) -> Heading | None:
        """The crumb at its coldest point; shells and meringues are too thin for a probe."""
        if self.sets is not Sets.CRUMB:
            return None
        start = setting.kitchen.air_c
        now = baking.core_c(elapsed_s, duration_s, start, self.done_c)
        return Heading(
            quantity=Quantity.CORE_TEMPERATURE,
            start_c=start,
            now_c=now,
            target_c=self.done_c,
            stages=baking.CRUMB_STAGES,
        )

    def seconds_left(self, elapsed_s: float, reading: float, expected: Estimate, setting: Setting) -> float | None:
        """By the crumb's own curve through this reading."""
        if self.sets is not Sets.CRUMB:
            return None
        done = baking.done_from_core_s(elapsed_s, reading, setting.kitchen.air_c, expected, self.done_c)
        return None if done is None else max(0.0, done - elapsed_s)

    def while_running(
        self, before: Material, after: Material, share: float, seen: Seen | None, setting: Setting
    ) -> Material:
        """It rises, browns from the crust on, and settles a little at the end."""
        risen, settled = rise.share_risen(share)
        top = setting.risen_ml(before).likely - before.gas_free_volume_ml
        gas = before.gas_ml.likely + (top - before.gas_ml.likely) * risen
        gas += (after.gas_ml.likely - gas) * settled
        likely = after.gas_ml.likely
        if self.sets is Sets.DRY:
            gas = likely
        return after.model_copy(
            update={
                "gas_ml": after.gas_ml.scaled(gas / likely) if likely > 0 else after.gas_ml,
                "evaporated_g": before.evaporated_g + (after.evaporated_g - before.evaporated_g) * share,
                "browning": after.browning * share**2,
            }
        )

    def section(self, material: Material, setting: Setting) -> Section:
        """The baked cake in its tin."""
        return in_tins(setting, material)
