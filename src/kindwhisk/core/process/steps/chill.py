"""Chill: in the refrigerator, until something has set or matured; and no longer than it can still be worked."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.part import Place
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import Attention, Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.readiness import gelatine
from kindwhisk.core.readiness.recognise import content_of, known_of
from kindwhisk.core.readiness.window import Content
from kindwhisk.core.safety.cautions import keep_cold
from kindwhisk.core.storage import Storage
from kindwhisk.core.values.estimate import Basis, Estimate

FRIDGE_C, FREEZER_C = 4.0, -18.0
FILM = MakeReady(id="film", name="film or box", detail="large enough to close")
ALONE_MM = 30.0
"""How deep a mousse is taken to stand where its vessel does not tell. Chosen."""


class ChillStep(StepBase):
    """Chill, or keep ``frozen``, for about ``hours``; ``sees`` is what tells that it is over.

    ``at_most_hours``: later it is too stiff for what comes next; None where it may wait.
    """

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    stills_foam: ClassVar[bool] = True

    kind: Literal["chill"] = "chill"
    hours: float = Field(default=4, gt=0, le=96)
    sees: str = Field(default="Firm to the touch in the middle.", max_length=200)
    frozen: bool = False
    at_most_hours: float | None = Field(default=None, gt=0, le=240)

    @property
    def stands_in(self) -> Storage:
        """In the freezer, or in the refrigerator."""
        return Storage.FREEZER if self.frozen else Storage.FRIDGE

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Cold, and set where something in it sets."""
        content = whole(intake)
        duration = Estimate.around(3600 * self.hours, 0.2, Basis.FORMULA)
        sets = None if self.frozen else _sets(content, setting)
        why = "Gelatine, butter and starch set slowly from the outside in."
        if sets is not None:
            hours = sets.hours
            why = f"{sets.says} So deep it sets in {hours.low:.0f} to {hours.high:.0f} h; full strength after "
            why += f"{gelatine.FULL_H[0]:.0f} to {gelatine.FULL_H[2]:.0f} (trade habit)."
        return Outcome(
            material=content.at(FREEZER_C if self.frozen else FRIDGE_C),
            duration_s=duration,
            modelled_s=duration.likely,
            goal=f"{self.hours:.3g} h, {'frozen' if self.frozen else 'cold'}",
            do="Wrapped airtight, with its date, in the freezer."
            if self.frozen
            else "Covered, in the coldest part of the refrigerator.",
            why="Where air gets to it, it dries and takes on smells." if self.frozen else why,
            hold_s=self._holds(),
            hold_why="Later it is too stiff to be spread." if self.at_most_hours else "",
            checkpoints=(
                Checkpoint(
                    id="set", name="Set", confirms="It has set", sees=self.sees, not_yet="Soft in the middle: leave it."
                ),
            ),
            make_ready=(MakeReady(id="film", name="film or box", detail="large enough to close"),)
            if self.frozen
            else (),
            cautions=(keep_cold(setting.kitchen.cold_rule),),
            notices=self._notices(sets),
        )

    def _holds(self) -> Estimate | None:
        """How long it may wait after that."""
        if self.at_most_hours is None:
            return None
        return Estimate.around(3600 * max(0.1, self.at_most_hours - self.hours), 0.2, Basis.FORMULA)

    def _notices(self, sets: gelatine.Setting | None) -> tuple[Notice, ...]:
        found = []
        if self.at_most_hours is not None and self.at_most_hours < self.hours:
            found.append(
                Notice(
                    level="risk",
                    text=f"At most {self.at_most_hours:g} h, and {self.hours:g} h are planned.",
                    remedy="Chill it for less, or let it wait longer.",
                )
            )
        if sets is None:
            return tuple(found)
        if sets.never:
            found.append(
                Notice(level="danger", text=sets.says, remedy="Heat the fruit to 80 °C for five minutes first.")
            )
        elif self.hours < sets.hours.low:
            found.append(
                Notice(
                    level="risk",
                    text=f"{self.hours:g} h are short so deep: {sets.hours.low:.0f} to {sets.hours.high:.0f} to set.",
                    remedy="Leave it longer, or over night.",
                )
            )
        return tuple(found)


def _sets(content: Material, setting: Setting) -> gelatine.Setting | None:
    """How the gelatine in it sets; None where there is none."""
    mousse, deep = content, ALONE_MM
    if isinstance(content, Built):
        filled = [p for p in content.at_place(Place.FILLING) if content_of(p.content) is Content.MOUSSE]
        if not filled:
            return None
        mousse, deep = filled[0].content, content.thickness_mm(filled[0]) or ALONE_MM
    elif content_of(content) is not Content.MOUSSE:
        return None
    elif setting.tins.piece is None:
        deep = setting.tins.tin.level_mm(content.volume_ml.likely * setting.tins.share)
    leaf = mousse.grams_of("gelatine") / mousse.mass_g if mousse.mass_g > 0 else 0.0
    return gelatine.sets(deep, leaf, known_of(mousse).fruit, to_cut=isinstance(content, Built))
