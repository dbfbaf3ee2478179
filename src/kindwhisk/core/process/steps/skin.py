"""Skin: piped pieces lie open until their face holds; a finger decides, the air tells when to try."""

from __future__ import annotations

from enum import StrEnum
from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.piping import skin
from kindwhisk.core.piping.damp import DAMP_PERCENT, advice
from kindwhisk.core.process.outcome import Attention, Checkpoint, Cue, Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit, in_tins, waits_too_long
from kindwhisk.core.values.bands import UNITS, Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels import section

NO_REST_S, IN_OVEN_S = 60.0, 600.0
NEVER_HOLDS_S = 3 * 3600.0
"""What is planned for a skin that the air does not let form: by then something was done about it. Chosen."""
FIRST_TOUCH = 0.8
LAST_WAIT = (0.7, 1.0, 1.3)
LEAST_WAIT_S = 600.0


AIR_BAND = Band(
    quantity=Quantity.HUMIDITY,
    unit=UNITS[Quantity.HUMIDITY],
    range=Estimate(low=35, likely=50, high=65, basis=Basis.HABIT),
    below=Side(word="dry", means="The skin comes soon, and is soon too hard.", can_do="Touch early; cover what waits."),
    above=Side(word="damp", means="The skin takes long, from 70 % very long.", can_do="A fan across the trays helps."),
)


class Resting(StrEnum):
    """How a kitchen comes to a skin, or does without."""

    RESTED = "rested until it holds"
    NOT_RESTED = "not rested"
    IN_OVEN = "dried in a warm oven"


class SkinStep(StepBase):
    """Rest open until a skin holds, in still or ``moving_air``; ``method`` is the meringue's.

    ``written_minutes`` is what a recipe says of it, in some other air.
    """

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    sets_foam: ClassVar[bool] = True
    reads: ClassVar[Quantity] = Quantity.HUMIDITY
    first: ClassVar[dict[str, Any]] = {"method": Method.FRENCH.value}

    kind: Literal["skin"] = "skin"
    method: Method = Method.FRENCH
    moving_air: bool = False
    resting: Resting = Resting.RESTED
    written_minutes: float | None = Field(default=None, gt=0, le=48 * 60)

    @property
    def waits_s(self) -> float:
        """How long its tray waits for its load once it is dry, by the plan of loads."""
        return self.tray.waits_s if self.tray else 0.0

    def modelled(self, setting: Setting) -> Estimate | None:
        """When it holds by the air alone; None where it never does."""
        kitchen = setting.kitchen
        return skin.expected_s(kitchen.air_c, kitchen.humidity_percent, self.method, moving_air=self.moving_air)

    def _expected(self, setting: Setting) -> Expected | None:
        modelled = self.modelled(setting)
        if modelled is None or self.resting is not Resting.RESTED:
            return None
        kind = "moving air" if self.moving_air else "still air"
        return setting.record.expected(Figure.SKIN, setting.effects(Figure.SKIN, kind, self.origin), modelled)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Its face loses water, and it cools to the kitchen's air."""
        whole = combine(intake).at(setting.kitchen.air_c)
        if self.resting is not Resting.RESTED:
            return self._other(whole, setting)
        expected, kitchen = self._expected(setting), setting.kitchen
        told = skin.skin(
            kitchen.air_c,
            kitchen.humidity_percent,
            self.method,
            moving_air=self.moving_air,
            touches=setting.touches,
            expected=None if expected is None else expected.made,
        )
        dry = told.dry_s or by_habit(NEVER_HOLDS_S)
        window = max(LEAST_WAIT_S, 1.2 * self.waits_s, skin.too_long_s(dry) - dry.likely)
        low, likely, high = (window * share for share in LAST_WAIT)
        return Outcome(
            material=whole.dried_by(self._loses_g(whole, setting)),
            expects=() if expected is None else (expected,),
            duration_s=dry,
            modelled_s=dry.likely if expected is None else expected.modelled.likely,
            goal="A skin that moves",
            do=f"Open, {'in moving air' if self.moving_air else 'in still air'}; "
            f"{kitchen.air_c:.0f} °C and {kitchen.humidity_percent:.0f} % damp. "
            f"Touch one in the middle of the tray.{self._said()}",
            why="Under a skin the foot can only break out below; without one it cracks through the top.",
            first_look_s=max(60.0, FIRST_TOUCH * dry.low),
            hold_s=Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT),
            hold_why="Its skin goes hard and dull, and the feet stand lopsided.",
            cues=self._cues(dry),
            checkpoints=(
                Checkpoint(
                    id="skin",
                    name="Dry",
                    confirms="Dry: it moves as a skin",
                    sees="A finger slides over it and moves the skin; nothing comes along.",
                    not_yet="Wet, it sticks; tacky, it marks but lifts.",
                    too_far="Hard and dull: bake at once, and rest the next tray less.",
                ),
                Checkpoint(id="air", name="Air", sees="The hygrometer beside the trays.", band=AIR_BAND),
            ),
            notices=self._notices(told, setting),
        )

    def _said(self) -> str:
        return "" if self.written_minutes is None else f" The recipe says {self.written_minutes:g} min, in its own air."

    def _loses_g(self, whole: Material, setting: Setting) -> float:
        """What its faces lose until they hold; never more than an eighth of its water."""
        piece = setting.tins.piece
        area = (piece.base_mm2() if piece else 0.0) * setting.tins.count / 1e6
        water = whole.composition.water * whole.mass_g
        return float(min(skin.LOST_G_PER_M2 * area, water / 8))

    def _cues(self, dry: Estimate) -> tuple[Cue, ...]:
        if not self.moving_air:
            return ()
        return (
            Cue(
                id="turn",
                after_s=dry.scaled(0.5),
                do="Turn the tray round",
                look="the side towards the fan dries first",
            ),
        )

    def _notices(self, told: skin.Skin, setting: Setting) -> tuple[Notice, ...]:
        kitchen, found = setting.kitchen, [*waits_too_long(self.tray)]
        if kitchen.humidity_percent > DAMP_PERCENT:
            helps = advice(kitchen.air_c, kitchen.humidity_percent, self.method, moving_air=self.moving_air)
            found.append(
                Notice(
                    level="danger" if told.dry_s is None else "risk",
                    text=told.why or f"At {kitchen.humidity_percent:.0f} % a skin takes long and the day decides.",
                    remedy=" ".join(f"{a.do} {a.costs}" for a in helps),
                )
            )
        if (
            self.tray
            and self.tray.last
            and told.dry_s
            and told.dry_s.likely + self.waits_s > skin.too_long_s(told.dry_s)
        ):
            found.append(
                Notice(
                    level="risk",
                    text="It waits for the oven until the skin is hard and dull.",
                    remedy="Make the batter in two goes, bake on more racks, or keep it from draughts, covered.",
                )
            )
        return tuple(found)

    def _other(self, whole: Material, setting: Setting) -> Outcome:
        """Without a rest, or with a short one in a warm oven."""
        warm = self.resting is Resting.IN_OVEN
        return Outcome(
            material=whole,
            duration_s=by_habit(IN_OVEN_S if warm else NO_REST_S, 0.4),
            goal="A dry film" if warm else "Straight on",
            do="Into the oven at 35 to 40 °C, its door ajar; then out while it heats."
            if warm
            else "No rest: into a falling oven, hot below, as soon as the tray is knocked.",
            why="Where the air is too damp for a skin."
            if warm
            else "A stiff batter and a gentle start do without a skin.",
            checkpoints=(
                Checkpoint(
                    id="skin", name="Ready for the oven", confirms="Go on", sees="It no longer sticks to a finger."
                )
                if warm
                else Checkpoint(id="skin", name="On", confirms="Go on", sees="The surface is level and shines."),
            ),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """With a rest or without."""
        return (school("Skin", self.resting.value),)

    def section(self, material: Material, setting: Setting) -> section.Section:
        """One piece."""
        return in_tins(setting, material)
