"""Bake: the foam sets."""

from __future__ import annotations

import math
from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.baking.course import DONE_C, Course, InOven, Sets, course
from kindwhisk.core.baking.doneness import DONE, signs
from kindwhisk.core.baking.ends import ends
from kindwhisk.core.baking.predict import OWN_SPREAD, Prediction, predict, stretched
from kindwhisk.core.baking.reference import ReferenceBake, family
from kindwhisk.core.baking.view import bake_view
from kindwhisk.core.foams.whipping import Seen
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import effects_of, with_factor
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, Cue, MakeReady, Notice, Outcome, Resource
from kindwhisk.core.process.oven_watching import BakeWatching
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase, Words, in_tins, waits_too_long
from kindwhisk.core.safety.cautions import HOT_TIN
from kindwhisk.core.tins import rise
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels.section import Section

BROWNING: dict[Sets, float] = {Sets.CRUMB: 0.34, Sets.SHELL: 0.10, Sets.DRY: 0.05}
"""How brown, from 0 raw to 1 deep brown. Chosen by eye."""
CRUMB_STAGES: tuple[tuple[float, str], ...] = ((62.0, "egg sets"), (75.0, "starch swells"), (86.0, "crumb holds"))
"""What happens in a crumb on its way up, in C. Recalled: each comes over a range of five degrees or so."""
NEVER_SPREAD = 0.5
THIN_MM = 12.0
DONE_K = 1.0
HOTTEST_CRUMB_C = 99.0


def _rounded(value: float, to: float) -> float:
    """To a step that a kitchen could measure: near bakes share one reckoning."""
    return max(to, round(value / to) * to)


class BakeStep(StepBase):
    """Bake at ``oven_c``; the time is carried over from the formula's ``reference`` bake.

    ``sees``, ``not_yet`` and ``too_far`` tell when it is done; left empty, they are those of what it ``sets`` as.
    """

    craft: ClassVar[Craft] = Craft.OVEN
    attention: ClassVar[Attention] = Attention.NONE
    uses: ClassVar[tuple[Resource, ...]] = (Resource.OVEN,)
    sets_foam: ClassVar[bool] = True
    probe: ClassVar[ProbePlace | None] = ProbePlace.CRUMB
    beside: ClassVar[ProbePlace | None] = ProbePlace.OVEN
    reads: ClassVar[Quantity] = Quantity.CORE_TEMPERATURE

    first: ClassVar[dict[str, Any]] = {
        "oven_c": 170,
        "reference": {
            "tin": {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}},
            "fill_mm": 36,
            "oven_c": 170,
            "mode": "static",
            "minutes": 30,
        },
    }

    kind: Literal["bake"] = "bake"
    oven_c: float = Field(ge=60, le=300)
    mode: OvenMode = OvenMode.STATIC
    rack: Rack = Rack.MIDDLE
    reference: ReferenceBake
    sets: Sets = Sets.CRUMB
    done_c: float = Field(default=DONE_C, ge=70, le=99)
    sees: Words = ""
    not_yet: Words = ""
    too_far: Words = ""

    @property
    def heats_oven_c(self) -> float:
        """The oven's temperature."""
        return self.oven_c

    @property
    def stands_on(self) -> Rack:
        """Its rack."""
        return self.rack

    def in_oven(self, batter: Material, setting: Setting) -> InOven:
        """One of the tins or pieces with its share of a batter, as it stands in the oven."""
        tins, oven = setting.tins, setting.oven
        volume = batter.volume_ml.likely * tins.share
        level = tins.tin.level_mm(volume)
        density = batter.mass_g / batter.volume_ml.likely if batter.volume_ml.likely > 0 else 0.5
        free = tins.piece is not None
        racks = min(tins.at_once, oven.racks) if free or tins.tin.flat else 1
        at_once = min(1.0, oven.takes(trays=tins.trays is not None) / max(tins.at_once, 1))
        return InOven(
            tin=tins.tin,
            fill_mm=min(1000.0, _rounded(level, 0.5 if level > THIN_MM else 0.1)),
            density=min(1.6, max(0.05, _rounded(density, 0.005))),
            water=min(0.9, max(0.02, _rounded(batter.composition.water, 0.01))),
            batter_c=min(60.0, max(1.0, round(batter.temperature_c))),
            sets=self.sets,
            done_c=self.done_c,
            free=free,
            mode=oven.mode,
            wall=tins.wall,
            rack=self.rack,
            racks=racks,
            paper_base=tins.papered[0] or free,
            paper_wall=tins.papered[1],
            pressure_kpa=round(setting.kitchen.pressure_kpa, 1),
            air=OvenAir(
                holds_c=self.oven_c,
                rise_k_per_min=round(setting.oven_rise_k_per_min, 1),
                load_kg=min(100.0, round(batter.mass_g / 1000 * at_once, 1)),
                kitchen_c=round(setting.kitchen.air_c),
            ),
        )

    def predicted(self, content: InOven, setting: Setting) -> tuple[Prediction, Prediction]:
        """By the model and the reference alone, and with what this kitchen's bakes have taught."""
        model = self._by_model(content)
        record, oven, kind = setting.record, setting.oven, family(content)
        checked = record.checked(oven)
        done = with_factor(model.done_s, record.bakes, oven.id, kind, setting.formula, OWN_SPREAD, checked=checked)
        return model, stretched(content, model.course, done, model.factor, model.browned)

    def _by_model(self, content: InOven) -> Prediction:
        """By the model and the reference; one that would never be done has the reference's time."""
        try:
            return predict(content, self.reference)
        except CraftError:
            ends = self.reference.minutes * 60
            way = Course(course(content).moments, ends)
            return stretched(content, way, Estimate.around(ends, NEVER_SPREAD, Basis.FORMULA))

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
        content = self.in_oven(batter, setting)
        model, made = self.predicted(content, setting)
        told = bake_view(content, made, setting.technique)
        dried = batter.dried_by(batter.mass_g * min(told.lost.likely, batter.composition.water))
        baked = dried.with_gas(self._gas(batter, dried, setting))
        mode = setting.oven.mode
        checked = setting.record.checked(setting.oven)
        effects = effects_of(setting.oven.id, family(content), setting.formula, checked=checked)
        time = Expected(figure=Figure.BAKE, effects=effects, modelled=model.done_s, made=made.done_s)
        return Outcome(
            expects=(time,),
            material=baked.at(content.finished_c).model_copy(update={"browning": BROWNING[self.sets]}),
            duration_s=made.done_s,
            modelled_s=model.done_s.likely,
            goal=f"{self.oven_c:.0f} °C, {mode.value}",
            do=f"{self.rack.value.capitalize()} of the oven, {self.oven_c:.0f} °C {mode.value}. "
            "Door shut until the first look.",
            why="Before it has set, cold air makes it fall.",
            first_look_s=made.first_look_s,
            hold_s=Estimate(low=30, likely=60, high=120, basis=Basis.HABIT),
            hold_why="It goes on baking, and a soft crumb sinks.",
            bake=told,
            cues=self._cues(made, setting),
            checkpoints=self._checkpoints(content, setting),
            cautions=(HOT_TIN,),
            make_ready=(MakeReady(id="gloves", name="oven gloves", detail="two, dry; place for the hot tin"),),
            notices=self._notices(content, setting),
        )

    @staticmethod
    def _cues(made: Prediction, setting: Setting) -> tuple[Cue, ...]:
        cues, hot, at_end = [], setting.record.hot_sides.get(setting.oven.id), ends(made)
        if at_end.turn_s is not None:
            cues.append(
                Cue(
                    id="turn",
                    after_s=at_end.turn_s,
                    do="Turn it round",
                    look="quickly, once it no longer trembles" + (f"; the {hot} is the hot side" if hot else ""),
                )
            )
        if at_end.cover_s is not None:
            cues.append(
                Cue(
                    id="cover",
                    after_s=at_end.cover_s,
                    do="Cover it with foil, loosely",
                    look="when it is as brown as it should be in the end",
                )
            )
        return tuple(sorted(cues, key=lambda c: c.after_s.likely))

    def _checkpoints(self, content: InOven, setting: Setting) -> tuple[Checkpoint, ...]:
        band = None
        if self.sets is Sets.CRUMB:
            done = content.finished_c
            band = Band(
                quantity=Quantity.CORE_TEMPERATURE,
                unit="C",
                range=Estimate(
                    low=done - DONE_K,
                    likely=done,
                    high=max(done, done + HOTTEST_CRUMB_C - self.done_c),
                    basis=Basis.HABIT,
                ),
                below=Side(
                    word="raw inside",
                    means="The middle has not set.",
                    can_do="Door shut; look again at the time shown.",
                ),
                above=Side(
                    word="hotter than steam",
                    means="A crumb cannot pass the boil while moist: is the probe touching the tin?",
                    can_do="Move the probe to the thickest place and read again.",
                ),
            )
        usual = DONE[self.sets]
        own = Checkpoint(
            id="done",
            name="Done",
            confirms="Done",
            sees=self.sees or usual.sees,
            not_yet=self.not_yet or usual.not_yet,
            too_far=self.too_far or usual.too_far,
            band=band,
        )
        others = tuple(
            Checkpoint(id=s.id, name=s.name, sees=s.sees, not_yet=s.not_yet, too_far=s.too_far)
            for s in signs(setting.technique, self.sets)
        )
        return (own, *others)

    def _notices(self, content: InOven, setting: Setting) -> tuple[Notice, ...]:
        oven, tins, offset = setting.oven, setting.tins, setting.oven_offset_k(self.rack)
        notices = []
        if course(content).done_s is None:
            notices.append(
                Notice(
                    level="danger",
                    text=f"At {self.oven_c:.0f} °C its middle would never be done.",
                    remedy="Set the oven higher, or make it thinner.",
                )
            )
        takes = oven.takes(trays=tins.trays is not None)
        if tins.trays and tins.at_once > takes:
            loads = math.ceil(tins.at_once / takes)
            notices.append(
                Notice(
                    level="note",
                    text=f"{tins.at_once} trays are {loads} loads of {oven.name}, which takes {takes} at once.",
                    remedy="Plan and bench lay them out load by load, each with its own trays and timer.",
                )
            )
        elif tins.at_once > takes:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{tins.at_once} tins, but {oven.name} takes {takes} at once.",
                    remedy="Bake fewer tins, or enter what the oven takes in Kitchen. Waiting batter loses its air.",
                )
            )
        if round(offset) and (self.tray is None or self.tray.number == 1):
            notices.append(
                Notice(
                    level="note",
                    text=f"{oven.name} runs {abs(offset):.0f} °C {'hot' if offset > 0 else 'cool'}: "
                    f"set the dial to {self.oven_c - offset:.0f} °C.",
                    remedy="Trust the oven thermometer, not the dial.",
                )
            )
        return (*notices, *waits_too_long(self.tray))

    def expected_reading(
        self, elapsed_s: float, duration_s: float, before: Material, setting: Setting
    ) -> Heading | None:
        """The crumb at its coldest point; shells and meringues are too thin for a probe."""
        if self.sets is not Sets.CRUMB:
            return None
        content = self.in_oven(before, setting)
        way = self._by_model(content).course
        now = way.at(elapsed_s / max(duration_s, 1.0) * (way.done_s or duration_s))
        return Heading(
            quantity=Quantity.CORE_TEMPERATURE,
            start_c=content.batter_c,
            now_c=now.core_c,
            target_c=content.finished_c,
            stages=CRUMB_STAGES,
        )

    def watching(self, before: Material, after: Material, setting: Setting) -> BakeWatching | None:
        """By a probe in its middle, and the oven's."""
        content = self.in_oven(before, setting)
        return BakeWatching(content, self.predicted(content, setting)[1])

    def while_running(
        self, before: Material, after: Material, share: float, seen: Seen | None, setting: Setting
    ) -> Material:
        """It rises, browns from the crust on, and settles a little at the end."""
        way = self._by_model(self.in_oven(before, setting)).course
        now, end = way.at(share * (way.done_s or 0.0)), way.at(way.done_s or 0.0)
        _, settled = rise.share_risen(share)
        top = setting.risen_ml(before).likely - before.gas_free_volume_ml
        gas = before.gas_ml.likely + (top - before.gas_ml.likely) * now.risen
        gas += (after.gas_ml.likely - gas) * settled
        likely = after.gas_ml.likely
        if self.sets is Sets.DRY:
            gas = likely
        gone, browned = (n / e if e > 0 else share for n, e in ((now.lost, end.lost), (now.brown, end.brown)))
        return after.model_copy(
            update={
                "gas_ml": after.gas_ml.scaled(gas / likely) if likely > 0 else after.gas_ml,
                "evaporated_g": before.evaporated_g + (after.evaporated_g - before.evaporated_g) * min(1.0, gone),
                "browning": after.browning * min(1.0, browned),
                "temperature_c": now.core_c,
            }
        )

    def section(self, material: Material, setting: Setting) -> Section:
        """The baked cake in its tin."""
        return in_tins(setting, material)
