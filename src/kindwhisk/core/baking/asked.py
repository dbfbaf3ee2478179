"""A bake as somebody asks about it: a class, a tin, grams and a density, made into a content in an oven."""

from __future__ import annotations

from dataclasses import dataclass

from kindwhisk.core.baking.course import DONE_C, InOven, Sets
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.pieces import PipedPiece, tray_size_mm
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA

USUAL_PIECES: dict[Technique, PipedPiece] = {
    Technique.SHELLS: PipedPiece(width_mm=40, height_mm=8),
    Technique.FINGERS: PipedPiece(width_mm=28, height_mm=16, length_mm=85, gap_mm=12),
    Technique.MERINGUE: PipedPiece(width_mm=45, height_mm=35, gap_mm=15),
}
"""What is piped where no piece is named. Trade habit."""
SETS = {Technique.SHELLS: Sets.SHELL, Technique.FINGERS: Sets.SHELL, Technique.MERINGUE: Sets.DRY}
WATER = {
    Technique.SHELLS: 0.20, Technique.FINGERS: 0.28, Technique.MERINGUE: 0.33, Technique.RICH_SPONGE: 0.22,
    Technique.CREAMED_SPONGE: 0.26, Technique.CHIFFON: 0.42, Technique.CHIFFON_ROLL: 0.42, Technique.PATTERNED: 0.42,
    Technique.SOUFFLED_SHEET: 0.40,
}  # fmt: skip
"""Share of water by mass where it is not told: from usual recipes of each class, recalled."""
USUAL_WATER = 0.33
DONE_AT_C = {
    Technique.CHIFFON: 94.0,
    Technique.CHIFFON_ROLL: 94.0,
    Technique.PATTERNED: 94.0,
    Technique.RICH_SPONGE: 93.0,
}
"""Chiffons are done from 93 C on, the others at 96. Reference model; the rich ones: trade habit."""
OVER = 1.5
"""More batter than so many times a tin is a slip of the pen."""
NOT_BAKED = frozenset({Technique.MOUSSE})


@dataclass(frozen=True)
class Asked:
    """What is told of a bake: ``batter_g`` goes into one tin, or onto one tray as pieces."""

    technique: Technique
    tin: Tin
    batter_g: float
    density: float
    oven_c: float
    mode: OvenMode = OvenMode.STATIC
    rack: Rack = Rack.MIDDLE
    racks: int = 1
    wall: TinWall = TinWall.BRIGHT
    papered: bool = False
    piece: PipedPiece | None = None
    water: float | None = None
    done_c: float | None = None
    batter_c: float = 22.0
    kitchen_c: float = 22.0
    pressure_kpa: float = SEA_LEVEL_KPA
    cold_oven: bool = False
    rise_k_per_min: float = 8.0

    @property
    def pieces(self) -> PipedPiece | None:
        """What is piped, if it is."""
        return self.piece or USUAL_PIECES.get(self.technique)

    def content(self) -> InOven:
        """The content in its oven.

        Raises:
            CraftError: that much does not go into the tin, or the class is not baked.
        """
        if self.technique in NOT_BAKED:
            raise CraftError(
                f"A {self.technique.value} is not baked.", field="technique", remedy="Choose another class."
            )
        volume, piece = self.batter_g / self.density, self.pieces
        tin, fill = self.tin, self.tin.level_mm(volume)
        if piece is not None:
            tin = piece.mould()
            fill = tin.depth_mm
            if volume / piece.volume_ml() > OVER * max(1, piece.on_tray(*tray_size_mm(self.tin))):
                raise CraftError(
                    "That is more than a tray takes.", field="batter_g", remedy="Ask about what goes onto one tray."
                )
        elif volume > OVER * self.tin.volume_ml():
            raise CraftError(
                f"{volume:.0f} ml do not go into a tin of {self.tin.volume_ml():.0f} ml.",
                field="batter_g",
                remedy="Ask about what goes into one tin, or take a larger one.",
            )
        return InOven(
            tin=tin,
            fill_mm=fill,
            density=self.density,
            water=self.water if self.water is not None else WATER.get(self.technique, USUAL_WATER),
            batter_c=self.batter_c,
            sets=SETS.get(self.technique, Sets.CRUMB),
            done_c=self.done_c or DONE_AT_C.get(self.technique, DONE_C),
            free=piece is not None,
            mode=self.mode,
            wall=self.wall,
            rack=self.rack,
            racks=self.racks,
            paper_base=self.papered or piece is not None,
            paper_wall=self.papered,
            pressure_kpa=self.pressure_kpa,
            air=OvenAir(
                holds_c=self.oven_c,
                starts_c=self.kitchen_c if self.cold_oven else None,
                rise_k_per_min=self.rise_k_per_min,
                load_kg=self.batter_g / 1000 * self.racks,
                kitchen_c=self.kitchen_c,
            ),
        )

    def reference(
        self,
        tin: Tin,
        oven_c: float,
        minutes: float,
        mode: OvenMode | None = None,
        fill_mm: float | None = None,
        batter_g: float | None = None,
    ) -> ReferenceBake:
        """A bake of the same batter that was timed, in still air unless said otherwise: of all of it where the tin
        takes that, else filled alike."""
        piece = self.pieces
        if piece is not None:
            mould = piece.mould()
            tin, fill_mm = mould, mould.depth_mm
        if fill_mm is None:
            volume = (batter_g or self.batter_g) / self.density
            alike = volume / self.tin.volume_ml()
            fill_mm = tin.level_mm(volume) if volume <= tin.volume_ml() else tin.level_mm(alike * tin.volume_ml())
        return ReferenceBake(tin=tin, fill_mm=fill_mm, oven_c=oven_c, mode=mode or OvenMode.STATIC, minutes=minutes)
