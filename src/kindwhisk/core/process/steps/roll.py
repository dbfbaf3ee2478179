"""Roll: a sheet into a roll, empty while warm or around its filling."""

from __future__ import annotations

from enum import StrEnum
from typing import Literal

from pydantic import Field

from kindwhisk.core.finishing import rolling
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit


class From(StrEnum):
    """The side that the roll is begun from."""

    SHORT = "from the short side"
    LONG = "from the long side"


class RollStep(StepBase):
    """Roll up ``begun`` from a side; ``sheet_mm`` is the sheet's own thickness, baked."""

    kind: Literal["roll"] = "roll"
    begun: From = From.SHORT
    sheet_mm: float = Field(default=14, ge=3, le=40)
    warm: bool = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same content, rolled."""
        whole = combine(intake)
        width, length = sorted(setting.tins.tin.tray_mm)
        along = length if self.begun is From.SHORT else width
        thick = max(self.sheet_mm, whole.volume_ml.likely * setting.tins.share * 1000 / (width * length))
        made = rolling.roll(along, thick, self.sheet_mm)
        low, _, high = rolling.CRACKS_FROM
        notices = []
        if made.strain > low and not self.warm:
            notices.append(
                Notice(
                    level="risk" if made.strain > high else "note",
                    text=f"The outer face is stretched by {made.strain:.0%}: rolls crack from somewhere between "
                    f"{low:.0%} and {high:.0%}.",
                    remedy="Bake it thinner, roll it warm once, or begin with a wider first turn.",
                )
            )
        return Outcome(
            material=whole,
            duration_s=by_habit(90 if self.warm else 150),
            goal=f"{made.diameter_mm:.0f} mm across",
            do=(
                "While warm, in its paper, tight; leave it rolled until it is cold."
                if self.warm
                else "First turn tight, then let the paper pull it; seam below."
            ),
            why=f"{made.turns:.1f} turns; the crumb remembers the first one.",
            checkpoints=(
                Checkpoint(
                    id="rolled", name="Rolled", sees="Round, no crack on top.", too_far="A crack: outside in, or iced."
                ),
            ),
            make_ready=(MakeReady(id="cloth", name="paper or cloth", detail="larger than the sheet"),),
            notices=tuple(notices),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """Warm or cold, short side or long."""
        return (school("Roll", "rolled warm" if self.warm else "cooled flat"), school("Roll begun", self.begun.value))
