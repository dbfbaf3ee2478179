"""Sort: cold pieces lifted, sorted by size and counted by what became of them."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.piping.lifting import LIFTED, STUCK
from kindwhisk.core.piping.sorting import SPARE
from kindwhisk.core.process.outcome import Checkpoint, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit, in_tins
from kindwhisk.core.vessels import section

PER_PIECE_S = 3.0


class SortStep(StepBase):
    """Lift, sort by size, and count the good ones and the others."""

    craft: ClassVar[Craft] = Craft.PIPING
    kind: Literal["sort"] = "sort"

    divides: ClassVar[bool] = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The good ones go on; what was counted out of the rest does not."""
        content, tins, counted = combine(intake), setting.tins, setting.counted
        return Outcome(
            material=content if counted is None else content.take(counted.share_good),
            duration_s=by_habit(PER_PIECE_S * tins.count),
            goal=f"{tins.count} lifted and sorted" if counted is None else f"{counted.good} good ones",
            do="Judge them cold. Peel the paper away from below; lay them out by size, so that pairs differ by no more "
            "than a millimetre. Count per tray what is broken, cracked or hollow.",
            why="Two of one size bite as one; a count tells which tray went wrong.",
            checkpoints=(
                Checkpoint(
                    id="sorted",
                    name="Sorted",
                    confirms="Sorted",
                    sees=LIFTED.sees,
                    not_yet=" ".join(f"{row.sees} {row.do}" for row in STUCK),
                ),
            ),
            notices=self._notices(setting),
        )

    @staticmethod
    def _notices(setting: Setting) -> tuple[Notice, ...]:
        counted = setting.counted
        if counted is None or not counted.pieces or 1 - counted.share_good <= SPARE.high:
            return ()
        return (
            Notice(
                level="note",
                text=f"{counted.pieces - counted.good} of {counted.pieces} did not come out well.",
                remedy="Broken ones crush for a crust; what cracked or stayed hollow tells of skin, strokes or oven.",
            ),
        )

    def section(self, material: Material, setting: Setting) -> section.Section:
        """One piece."""
        return in_tins(setting, material)
