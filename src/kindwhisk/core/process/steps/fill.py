"""Fill: batter into the tins."""

from __future__ import annotations

import math
from dataclasses import replace
from enum import StrEnum
from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.folding.sinking import sinking
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.patterns.pattern import BatterNames, PatternView, numbered
from kindwhisk.core.patterns.rings import Pattern, rings_in
from kindwhisk.core.process.outcome import MakeReady, Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit, in_tins
from kindwhisk.core.readiness.recognise import name_of
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.tins.standing import TinFit, judge, levels_mm
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels.section import Section, of_build

NEARLY_FULL = 0.2
"""A further tin is begun when this share of one is left over."""


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


def _sinking_notices(batter: Material) -> tuple[Notice, ...]:
    return tuple(
        Notice(
            level="note",
            text=f"The {s.name}, some {s.size_mm:.0f} mm across, may sink before this batter sets; "
            f"up to about {s.stays_mm:.0f} mm stay, by trade habit.",
            remedy="Cut them smaller and dust them with flour, or lay them on half of the batter.",
        )
        for s in sinking(batter)
    )


def _shelf_notices(tins: TinsInUse) -> tuple[Notice, ...]:
    return tuple(
        Notice(
            level="risk",
            text=f"{t.count} of the {t.name} are wanted, {t.on_shelf} stand on the shelf.",
            remedy="Take fewer or other tins, or enter how many there are in Kitchen.",
        )
        for t in (tins, *tins.beside)
        if t.on_shelf is not None and t.count > t.on_shelf
    )


class FillStep(StepBase):
    """Fill the tins in use to about ``fill_fraction`` of their volume.

    ``count`` of ``tin`` and ``tin_name`` are what the formula was made for; others may take their place where the
    step ``leads``. ``pattern`` is how several batters are poured in turns. ``rises`` is false for what is only moulded,
    such as a mousse in its ring.
    """

    passes_window: ClassVar[bool] = True
    shows_before: ClassVar[bool] = True

    first: ClassVar[dict[str, Any]] = {
        "tin": {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}},
        "tin_name": "20 cm round",
    }
    wanted_first: ClassVar[dict[str, Any]] = {"pattern": Pattern(pours=12).model_dump(mode="json")}

    kind: Literal["fill"] = "fill"
    tin: Tin
    tin_name: str = Field(max_length=60)
    fill_fraction: float = Field(default=0.62, gt=0.1, le=1)
    count: int = Field(default=1, ge=1, le=99)
    lining: Lining = Lining.BARE
    rises: bool = True
    leads: bool = False
    pattern: Pattern | None = None
    batter_names: BatterNames = ()

    def fills(self, content: Material, setting: Setting, *, leads: bool) -> TinsInUse:
        """The tins in use, or as many of the step's own as this content fills."""
        papered = (self.lining is not Lining.BARE, self.lining is Lining.ALL_ROUND)
        if leads:
            return setting.tins if setting.tins.papered == papered else replace(setting.tins, papered=papered)
        wanted = content.volume_ml.likely / (self.tin.volume_ml() * self.fill_fraction)
        count = max(1, math.ceil(wanted - NEARLY_FULL))
        return TinsInUse(name=self.tin_name, tin=self.tin, count=count, papered=papered)

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.POUR

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The batter, standing in the tins."""
        batter = combine(intake)
        tins = setting.tins
        lined = _filled(intake)
        poured_in = batter if lined is None else combine(m for m in intake if not isinstance(m, Built))
        each = poured_in.mass_g * tins.share
        poured = self.pattern_view(intake, setting)
        number = tins.count + sum(t.count for t in tins.beside)
        many = f"All {each:.0f} g at once"
        if number > 1:
            parts = [f"{each * _times(t, tins):.0f} g into each {t.name}" for t in _all(tins)]
            many = ", ".join(parts)
        return Outcome(
            material=lined or batter,
            duration_s=by_habit(20 + 30 * number),
            goal=f"{each:.0f} g a tin" if number > 1 else "Filled",
            do=poured.says
            if poured is not None
            else f"{many}, from low above the tin, in one place."
            if self.rises
            else f"{many}, level with a palette knife.",
            why="Poured from high, it traps large bubbles."
            if self.rises
            else "Pressed into the edge, it leaves no gaps.",
            make_ready=(
                MakeReady(
                    id=self._ready_id,
                    name="tins" if number > 1 else "tin",
                    detail=f"{', '.join(t.name for t in _all(tins))}, {TIN_READY[self.lining]}",
                ),
            ),
            notices=(*self._notices(batter, setting), *_shelf_notices(tins), *_sinking_notices(batter)),
        )

    @property
    def _ready_id(self) -> str:
        return "tin" if not self.component else f"tin-{self.component}"

    def _notices(self, batter: Material, setting: Setting) -> tuple[Notice, ...]:
        tins = setting.tins
        fraction = batter.volume_ml.likely / tins.capacity_ml
        level = tins.tin.level_mm(batter.volume_ml.likely * tins.share)
        rise = self._rise(batter, setting) if self.rises else None
        fit, verdict, can_do = judge(tins.tin, fraction, level, rise, name=f"the {tins.name}")
        if fit is TinFit.GOOD:
            return ()
        return (Notice(level="danger" if fit is TinFit.OVERFLOWS else "risk", text=verdict, remedy=can_do),)

    def _rise(self, batter: Material, setting: Setting) -> Estimate:
        tins = setting.tins
        return levels_mm(tins.tin, setting.risen_ml(batter), tins.share)

    def pattern_view(self, intake: tuple[Material, ...], setting: Setting) -> PatternView | None:
        """Its batters as rings in one of the tins."""
        tin = setting.tins.tin
        if self.pattern is None or len(intake) < 2 or not tin.round:
            return None
        return rings_in(
            self.pattern,
            tin,
            [m.mass_g for m in intake],
            [m.density_g_per_ml.likely for m in intake],
            self.batter_names or numbered(len(intake)),
            tuple(m.colour for m in intake),
            tins=setting.tins.count,
        )

    def section(self, material: Material, setting: Setting) -> Section:
        """The tin with its level, the expected rise and the rim; what is built is drawn as it stands."""
        if isinstance(material, Built):
            return of_build(setting.tins.name, material)
        if not self.rises:
            return in_tins(setting, material)
        return in_tins(setting, material, rise_mm=self._rise(material, setting))

    def schools(self, content: Content) -> tuple[School, ...]:
        """How the tin is prepared."""
        return (school("Tin", self.lining.value),) if self.rises else ()


def _filled(intake: tuple[Material, ...]) -> Built | None:
    """What is filled into something lined: a part of its build. None where it is not lined."""
    lined = next((m for m in intake if isinstance(m, Built)), None)
    if lined is None:
        return None
    rest = [m.mixed for m in intake if m is not lined and m.mass_g > 0]
    return lined.adding(*(Part(name=name_of(m), place=Place.FILLING, content=m) for m in rest))


def _all(tins: TinsInUse) -> tuple[TinsInUse, ...]:
    return (tins, *tins.beside)


def _times(one: TinsInUse, main: TinsInUse) -> float:
    return one.tin.volume_ml() / main.tin.volume_ml()
