"""Fill: batter into the tins."""

from __future__ import annotations

from enum import StrEnum
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import section
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit
from kindwhisk.core.schools import School, school
from kindwhisk.core.section import Section
from kindwhisk.core.tins import Tin

TOO_EMPTY = 0.42
TOO_FULL = 0.72
"""Fill fractions outside which a tin is warned about. Trade habit."""


class Lining(StrEnum):
    """What is between batter and tin."""

    BARE = "bare wall"
    BASE = "base paper"
    ALL_ROUND = "lined all round"


TIN_READY: dict[Lining, str] = {
    Lining.BARE: "bare and dry: no grease, no paper",
    Lining.BASE: "paper on the base, wall bare",
    Lining.ALL_ROUND: "base and wall lined",
}


def _shelf_notices(setting: Setting) -> tuple[Notice, ...]:
    tins = setting.tins
    if tins.on_shelf is None or tins.count <= tins.on_shelf:
        return ()
    return (
        Notice(
            level="risk",
            text=f"{tins.count} of the {tins.name} are wanted, {tins.on_shelf} stand on the shelf.",
            remedy="Take fewer or other tins, or enter how many there are in Kitchen.",
        ),
    )


class FillStep(StepBase):
    """Fill the tins in use to about ``fill_fraction`` of their volume.

    ``tin`` and ``tin_name`` are what the formula was made for; the forecast may put another in its place.
    """

    passes_window: ClassVar[bool] = True

    kind: Literal["fill"] = "fill"
    tin: Tin
    tin_name: str
    fill_fraction: float = Field(default=0.62, gt=0.1, le=1)
    lining: Lining = Lining.BARE

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The batter, standing in the tins."""
        batter = combine(intake)
        tins = setting.tins
        each = batter.mass_g / tins.count
        many = f"{each:.0f} g into each of {tins.count} tins" if tins.count > 1 else f"All {each:.0f} g at once"
        return Outcome(
            material=batter,
            duration_s=by_habit(20 + 30 * tins.count),
            goal=f"{each:.0f} g a tin" if tins.count > 1 else "Filled",
            do=f"{many}, from low above the tin, in one place.",
            why="Poured from high, it traps large bubbles.",
            make_ready=(
                MakeReady(
                    id="tin",
                    name="tins" if tins.count > 1 else "tin",
                    detail=f"{tins.name}, {TIN_READY[self.lining]}",
                ),
            ),
            notices=(*self._notices(batter, setting), *_shelf_notices(setting)),
        )

    def _notices(self, batter: Material, setting: Setting) -> tuple[Notice, ...]:
        tins = setting.tins
        fraction = batter.volume_ml.likely / tins.count / tins.tin.volume_ml()
        rise = section.rise_levels_mm(tins.tin, tins.count, batter, setting.kitchen.altitude_m)
        rim = tins.tin.depth_mm
        if fraction > TOO_FULL or rise.likely > rim * 1.1:
            return (
                Notice(
                    level="danger" if fraction > 0.9 else "risk",
                    text=f"Too full: {fraction:.0%} of the {tins.name}, expected to rise to {rise.likely:.0f} mm "
                    f"where the rim is at {rim:.0f}.",
                    remedy="Take a larger tin, one more tin, or scale to this tin.",
                ),
            )
        if fraction < TOO_EMPTY:
            return (
                Notice(
                    level="risk",
                    text=f"Only {fraction:.0%} of the {tins.name}: it bakes low, the wall shades it, and it dries.",
                    remedy="Take a smaller tin, fewer tins, or scale to this tin.",
                ),
            )
        return ()

    def section(self, material: Material, setting: Setting) -> Section:
        """The tin with its level, the expected rise and the rim."""
        tins = setting.tins
        rise = section.rise_levels_mm(tins.tin, tins.count, material, setting.kitchen.altitude_m)
        return section.of_tin(tins.name, tins.tin, tins.count, material, rise_mm=rise)

    def schools(self, content: Content) -> tuple[School, ...]:
        """How the tin is prepared."""
        return (school("Tin", self.lining.value),)
