"""A bake as somebody asks about it: a class, a tin, grams and a density, made into a content in an oven."""

from __future__ import annotations

from typing import Annotated, NamedTuple

from pydantic import Field

from kindwhisk.core.baking.course import DONE_C, InOven, Sets
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA

USUAL_PIECES: dict[Technique, PipedPiece] = {
    Technique.SHELLS: PipedPiece(width_mm=40, height_mm=8),
    Technique.LADYFINGERS: PipedPiece(width_mm=28, height_mm=16, length_mm=85, gap_mm=12),
    Technique.MERINGUE: PipedPiece(width_mm=45, height_mm=35, gap_mm=15),
}
"""What is piped where no piece is named. Trade habit."""
SETS = {Technique.SHELLS: Sets.SHELL, Technique.LADYFINGERS: Sets.SHELL, Technique.MERINGUE: Sets.DRY}
WATER = {
    Technique.SHELLS: 0.20, Technique.LADYFINGERS: 0.28, Technique.MERINGUE: 0.33, Technique.RICH_SPONGE: 0.22,
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
"""Chiffons are done from 93 C on, the others at 96. Bake reference model; the rich ones: trade habit."""
OVER = 1.5
"""More batter than so many times a tin is a slip of the pen."""
NOT_BAKED = frozenset({Technique.MOUSSE})

Degrees = Annotated[float, Field(ge=60, le=300, allow_inf_nan=False)]


MOST_BATTER_G = 50_000
"""In one tin, or on one tray (g)."""


class Around(NamedTuple):
    """What the kitchen adds: its air (C), its pressure (kPa), and how fast its oven warms (K a minute)."""

    air_c: float = 22.0
    pressure_kpa: float = SEA_LEVEL_KPA
    rise_k_per_min: float = 8.0


USUAL_AROUND = Around()


class TimedBake(Value):
    """A bake of this batter that was timed, in still air unless said otherwise.

    Without ``batter_g`` or ``fill_mm`` it was as much batter as is asked about, or the tin was filled alike.
    """

    tin: Tin
    oven_c: Degrees
    minutes: float = Field(gt=0.5, le=2880, allow_inf_nan=False)
    mode: OvenMode | None = Field(default=None, strict=False)
    batter_g: float | None = Field(default=None, ge=1, le=50_000, allow_inf_nan=False)
    fill_mm: float | None = Field(default=None, ge=1, le=500, allow_inf_nan=False)


class Asked(Value):
    """A bake that is asked about. ``batter_g`` goes into one tin, or onto one tray as pieces.

    With ``oven`` (an id of this kitchen's) and ``formula``, what was learned of them is in the minutes. ``trays`` are
    how many there are in all, ``racks`` how many are in use at once.
    """

    technique: Technique = Field(strict=False)
    tin: Tin
    batter_g: float = Field(ge=1, le=MOST_BATTER_G, allow_inf_nan=False)
    density_g_per_ml: float = Field(ge=0.08, le=1.6, allow_inf_nan=False)
    oven_c: Degrees
    mode: OvenMode = Field(strict=False)
    reference: TimedBake | None = None
    oven: str | None = Field(default=None, max_length=40)
    formula: str = Field(default="", max_length=60)
    rack: Rack = Field(default=Rack.MIDDLE, strict=False)
    racks: int = Field(default=1, ge=1, le=6)
    trays: int = Field(default=1, ge=1, le=20)
    wall: TinWall = Field(default=TinWall.BRIGHT, strict=False)
    papered: bool = False
    piece: PipedPiece | None = None
    water: float | None = Field(default=None, ge=0.02, le=0.9, allow_inf_nan=False)
    done_c: float | None = Field(default=None, ge=70, le=99, allow_inf_nan=False)
    batter_c: float | None = Field(default=None, ge=1, le=60, allow_inf_nan=False)
    cold_oven: bool = False

    @property
    def pieces(self) -> PipedPiece | None:
        """What is piped, if it is: a class of pieces, unless it goes into a tin that is no tray."""
        return self.piece or (USUAL_PIECES.get(self.technique) if self.tin.flat else None)

    @property
    def volume_ml(self) -> float:
        """Of the batter."""
        return self.batter_g / self.density_g_per_ml

    def content(self, around: Around = USUAL_AROUND) -> InOven:
        """The content in its oven.

        Raises:
            CraftError: that much does not go into the tin, or the class is not baked.
        """
        if self.technique in NOT_BAKED:
            raise CraftError(
                f"A {self.technique.value} is not baked.", field="technique", remedy="Choose another class."
            )
        volume, piece = self.volume_ml, self.pieces
        tin, fill = self.tin, self.tin.level_mm(volume)
        if piece is not None:
            tin = piece.mould()
            fill = tin.depth_mm
            if volume / piece.volume_ml() > OVER * max(1, piece.on_tray(*self.tin.tray_mm)):
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
            density=self.density_g_per_ml,
            water=self.water if self.water is not None else WATER.get(self.technique, USUAL_WATER),
            batter_c=around.air_c if self.batter_c is None else self.batter_c,
            sets=SETS.get(self.technique, Sets.CRUMB),
            done_c=self.done_c or DONE_AT_C.get(self.technique, DONE_C),
            free=piece is not None,
            mode=self.mode,
            wall=self.wall,
            rack=self.rack,
            racks=self.racks,
            paper_base=self.papered or piece is not None,
            paper_wall=self.papered,
            pressure_kpa=around.pressure_kpa,
            air=OvenAir(
                holds_c=self.oven_c,
                starts_c=around.air_c if self.cold_oven else None,
                rise_k_per_min=around.rise_k_per_min,
                load_kg=self.batter_g / 1000 * self.racks,
                kitchen_c=around.air_c,
            ),
        )

    def timed(self) -> ReferenceBake | None:
        """The bake that was timed: of all of the batter where its tin takes that, else filled alike."""
        told, piece = self.reference, self.pieces
        if told is None:
            return None
        tin, fill_mm = told.tin, told.fill_mm
        if piece is not None:
            tin = piece.mould()
            fill_mm = tin.depth_mm
        if fill_mm is None:
            volume = (told.batter_g or self.batter_g) / self.density_g_per_ml
            alike = volume / self.tin.volume_ml()
            fill_mm = tin.level_mm(volume) if volume <= tin.volume_ml() else tin.level_mm(alike * tin.volume_ml())
        return ReferenceBake(
            tin=tin,
            fill_mm=fill_mm,
            oven_c=told.oven_c,
            mode=told.mode or OvenMode.STATIC,
            minutes=told.minutes,
        )
