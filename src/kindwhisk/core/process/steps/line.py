"""Line: a ring with fingers as a wall and a disc inside."""

from __future__ import annotations

import math
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.finishing import fingers
from kindwhisk.core.finishing.fingers import FingerRing
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import offcut_words, ring_and_board
from kindwhisk.core.tins.pieces import PipedPiece

USUAL = PipedPiece(width_mm=28, height_mm=18, length_mm=60)
"""The fingers of a wall, where they were not piped in this process."""
GAP_MM = 6.0
"""A disc that is smaller by more than this lets a filling run under the wall."""


class LineStep(StepBase):
    """Line the ring in use: the first that comes in is the wall of fingers, cut to ``wall_mm`` (None: as high as the
    ring), the next the disc on its base."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["line"] = "line"
    wall_mm: float | None = Field(default=None, ge=10, le=400)

    def fills(self, content: Material, setting: Setting, *, leads: bool) -> TinsInUse:
        """The ring in use."""
        return setting.tins

    def ring_for(self, tins: TinsInUse, fingers_piped: PipedPiece | None = None) -> FingerRing:
        """One of these rings, lined with such fingers (None: of the usual size)."""
        piece = fingers_piped or USUAL
        across = 2 * tins.tin.cut(0).outer_mm
        high = tins.tin.depth_mm if self.wall_mm is None else self.wall_mm
        thick = min(piece.height_mm, across / 2 - 1)
        return fingers.ring(across, high, piece.width_mm, thick, piece.length_mm or USUAL.length_mm or high)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """A wall and a base; what is cut off both."""
        tins = setting.tins
        piped = next(((t, share) for t, share in setting.came_in if t.piece is not None), None)
        piece = piped[0].piece if piped is not None and piped[0].piece is not None else USUAL
        ring = self.ring_for(tins, piece)
        wall, discs = intake[0].mixed, combine(intake[1:])
        rings = tins.count
        needed = (ring.fingers + (not ring.closes)) * rings
        there = round(piped[0].count * piped[1]) if piped is not None else needed
        used = min(1.0, needed / there) if there else 1.0
        # Of each finger that is used, so much is cut off its foot; the last one is cut lengthwise too.
        whole_ml = needed * (piece.length_mm or ring.wall_mm) * piece.width_mm * piece.height_mm / 1000
        cut_ml = ring.trim_g.likely / fingers.CRUMB_G_PER_ML.likely * rings
        kept = used * max(0.0, 1 - cut_ml / whole_ml) if whole_ml > 0 else used
        disc_share = self._disc_share(discs, setting, ring)
        frame = Stacked(
            count=rings,
            across_mm=2 * tins.tin.cut(0).outer_mm,
            wall_mm=(2 * tins.tin.cut(0).outer_mm - ring.room_mm) / 2,
            wall_high_mm=ring.wall_mm,
        )
        build = Built.of(
            frame,
            (
                Part(name="fingers", place=Place.WALL, content=wall.take(kept)),
                Part(name="disc", place=Place.BASE, content=discs.take(disc_share)),
                Part(name="fingers, over and cut off", place=Place.OFFCUT, content=wall.take(1 - kept)),
                Part(name="disc, trimmed", place=Place.OFFCUT, content=discs.take(1 - disc_share)),
            ),
        )
        return Outcome(
            material=build,
            duration_s=by_habit(60 + 10 * needed),
            goal=f"{needed} fingers" + (f", a disc of {ring.disc_mm:.0f} mm" if discs.mass_g > 0 else ""),
            do=f"Smooth face outward, close side by side: {ring.says}",
            why=f"Gaps let the filling through. {offcut_words(build)}".strip(),
            make_ready=(ring_and_board(f"{tins.name}, film round its inside"),),
            notices=(*_fingers_short(needed, there), *self._low(ring, tins), *_disc_small(discs, setting, ring)),
        )

    @staticmethod
    def _disc_share(discs: Material, setting: Setting, ring: FingerRing) -> float:
        across = _baked_across(setting)
        if discs.mass_g <= 0 or across is None or across <= ring.disc_mm:
            return 1.0
        return (ring.disc_mm / across) ** 2

    def _low(self, ring: FingerRing, tins: TinsInUse) -> tuple[Notice, ...]:
        wanted = self.wall_mm or 0.0
        if ring.wall_mm >= min(tins.tin.depth_mm, wanted or math.inf) - GAP_MM:
            return ()
        return (
            Notice(
                level="note",
                text=f"The wall stands {ring.wall_mm:.0f} mm high in a ring of {tins.tin.depth_mm:.0f} mm.",
                remedy="Fill it no higher than the wall, or pipe longer fingers.",
            ),
        )


def _baked_across(setting: Setting) -> float | None:
    """How wide the disc is that came in from a tin."""
    tin = next((t.tin for t, _ in setting.came_in if t.piece is None), None)
    return None if tin is None else 2 * tin.cut(0).outer_mm


def _fingers_short(needed: int, there: int) -> tuple[Notice, ...]:
    if there >= needed:
        return ()
    return (
        Notice(
            level="risk",
            text=f"{needed} fingers are needed for the wall, {there} are there.",
            remedy=f"Pipe {needed - there} more, or set them apart and fill the gaps with trimmings.",
        ),
    )


def _disc_small(discs: Material, setting: Setting, ring: FingerRing) -> tuple[Notice, ...]:
    across = _baked_across(setting)
    if discs.mass_g <= 0 or across is None or across >= ring.room_mm - GAP_MM:
        return ()
    return (
        Notice(
            level="risk",
            text=f"The disc is {across:.0f} mm wide, the room inside the wall {ring.room_mm:.0f}.",
            remedy="Patch it with trimmings, or bake a larger one: the filling runs under the wall.",
        ),
    )
