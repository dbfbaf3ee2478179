"""Pipe: pieces onto a tray: shells, kisses, fingers."""

from __future__ import annotations

import math
from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.patterns.pattern import BatterNames, PatternView, numbered
from kindwhisk.core.patterns.stripes import in_the_bag
from kindwhisk.core.process.outcome import MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.base import StepBase, by_habit, in_tins
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.vessels.section import Section

PER_PIECE_S = 2.5
PER_TRAY_S = 60.0


class PipeStep(StepBase):
    """Pipe pieces of one size onto trays; ``tin`` is the tray that the formula was made for.

    With several batters and ``stripes_each`` these lie side by side in one bag, so many stripes of each.
    """

    passes_window: ClassVar[bool] = True
    shows_before: ClassVar[bool] = True

    first: ClassVar[dict[str, Any]] = {
        "tin": {"shape": "sheet", "dimensions": {"width_mm": 300, "length_mm": 400, "depth_mm": 20}},
        "tin_name": "tray",
        "piece": PipedPiece(width_mm=40, height_mm=10).model_dump(mode="json"),
    }

    kind: Literal["pipe"] = "pipe"
    piece: PipedPiece
    piece_name: str = Field(default="piece", min_length=1, max_length=40)
    tin: Tin
    tin_name: str = Field(max_length=60)
    leads: bool = False
    stripes_each: int = Field(default=0, ge=0, le=12)
    nozzle_mm: float = Field(default=12, ge=3, le=40)
    batter_names: BatterNames = ()

    def pattern_view(self, intake: tuple[Material, ...], setting: Setting) -> PatternView | None:
        """Its batters as stripes in one bag."""
        if not self.stripes_each or len(intake) < 2:
            return None
        return in_the_bag(
            [m.mass_g for m in intake],
            [m.density_g_per_ml.likely for m in intake],
            self.stripes_each,
            self.nozzle_mm,
            self.batter_names or numbered(len(intake)),
            tuple(m.colour for m in intake),
        )

    def pieces(self, content: Material) -> int:
        """How many of them this content makes, at least one."""
        return max(1, math.floor(content.volume_ml.likely / self.piece.volume_ml() + 1e-6))

    def per_tray(self, tray: Tin) -> int:
        """How many stand on a tray, at least one."""
        return max(1, self.piece.on_tray(*tray.tray_mm))

    def fills(self, content: Material, setting: Setting, *, leads: bool) -> TinsInUse:
        """The pieces, on as many trays as they need."""
        tray = setting.tins.tin if leads else self.tin
        count = self.pieces(content)
        return TinsInUse(
            name=self.piece_name,
            tin=self.piece.mould(),
            count=count,
            on_shelf=setting.tins.on_shelf if leads else None,
            piece=self.piece,
            trays=math.ceil(count / self.per_tray(tray)),
        )

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same content in pieces."""
        content = combine(intake)
        tins = setting.tins
        trays = tins.trays or 1
        each = content.mass_g / tins.count
        notices = []
        if tins.on_shelf is not None and trays > tins.on_shelf:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{tins.count} pieces want {trays} trays, {tins.on_shelf} stand on the shelf.",
                    remedy="Make less, or enter how many there are in Kitchen.",
                )
            )
        shape = f"{self.piece.width_mm:.0f} mm wide"
        if self.piece.length_mm:
            shape += f", {self.piece.length_mm:.0f} mm long"
        return Outcome(
            material=content,
            duration_s=by_habit(PER_TRAY_S * trays + PER_PIECE_S * tins.count),
            goal=f"{tins.count} × {each:.1f} g" if each < 10 else f"{tins.count} × {each:.0f} g",
            do=f"{tins.count} of {shape} on {trays} {'tray' if trays == 1 else 'trays'}, "
            f"{self.piece.gap_mm:.0f} mm apart; the nozzle upright, still while you press.",
            why="Equal pieces are done at the same moment.",
            make_ready=(
                MakeReady(id="bag", name="bag and nozzle", detail="fitted, cuffed, standing in a jug"),
                MakeReady(id="trays", name="trays", detail=f"{trays}, with paper or mat; template below"),
            ),
            notices=tuple(notices),
        )

    def section(self, material: Material, setting: Setting) -> Section:
        """One piece."""
        return in_tins(setting, material)
