"""Bodies that are filled and coated: the areas of their faces, in mm², and where fillings lie in them."""

from __future__ import annotations

import math
from typing import Annotated, Literal

from pydantic import Field

from kindwhisk.core.finishing.dome import LID_MM, dome, face_mm2
from kindwhisk.core.finishing.rolling import roll
from kindwhisk.core.values.model import Value

Length = Annotated[float, Field(ge=1, le=3000, allow_inf_nan=False)]
Count = Annotated[int, Field(ge=1, le=40)]


class BodyBase(Value):
    """One body. ``layers`` is how many crumbs lie on top of one another; a filling lies between each two."""

    @property
    def fillings(self) -> int:
        """Between how many faces a filling is spread."""
        return 1

    def layer_mm2(self) -> float:
        """Area of one filling."""
        raise NotImplementedError

    def top_mm2(self) -> float:
        """Area of its top."""
        raise NotImplementedError

    def side_mm2(self) -> float:
        """Area of its side."""
        raise NotImplementedError

    def cavity_ml(self) -> float:
        """Volume of a hollow inside it, where it has one."""
        return 0.0


class RoundBody(BodyBase):
    """A round cake; ``inner_mm`` is the diameter of what fillings are spread on where a wall stands round it."""

    body: Literal["round"] = "round"
    diameter_mm: Length
    height_mm: Length
    layers: Count = 2
    inner_mm: Length | None = None

    @property
    def fillings(self) -> int:
        """One less than layers; a single layer takes one on top."""
        return max(1, self.layers - 1)

    def layer_mm2(self) -> float:
        """Of the whole disc."""
        return math.pi * (self.inner_mm or self.diameter_mm) ** 2 / 4

    def top_mm2(self) -> float:
        """Of the whole disc."""
        return math.pi * self.diameter_mm**2 / 4

    def side_mm2(self) -> float:
        """π d h."""
        return math.pi * self.diameter_mm * self.height_mm


class SquareBody(BodyBase):
    """A square or oblong cake, or a sheet."""

    body: Literal["square"] = "square"
    width_mm: Length
    length_mm: Length
    height_mm: Length = 30.0
    layers: Count = 2

    @property
    def fillings(self) -> int:
        """One less than layers; a single layer takes one on top."""
        return max(1, self.layers - 1)

    def layer_mm2(self) -> float:
        """Of the whole."""
        return self.width_mm * self.length_mm

    def top_mm2(self) -> float:
        """Of the whole."""
        return self.layer_mm2()

    def side_mm2(self) -> float:
        """All four."""
        return 2 * (self.width_mm + self.length_mm) * self.height_mm


class RollBody(BodyBase):
    """A sheet that is rolled along its ``length_mm``; with ``filling_mm`` its diameter follows."""

    body: Literal["roll"] = "roll"
    length_mm: Length
    width_mm: Length
    thickness_mm: Length
    filling_mm: Annotated[float, Field(ge=0, le=60, allow_inf_nan=False)] = 7.0

    def layer_mm2(self) -> float:
        """The sheet."""
        return self.length_mm * self.width_mm

    def _diameter_mm(self) -> float:
        return roll(self.length_mm, self.thickness_mm + self.filling_mm, self.thickness_mm).diameter_mm

    def top_mm2(self) -> float:
        """Its two ends, where they are covered, count as side: a roll has no top."""
        return 0.0

    def side_mm2(self) -> float:
        """All round."""
        return math.pi * self._diameter_mm() * self.width_mm


class DomeBody(BodyBase):
    """A hollowed half-sphere."""

    body: Literal["dome"] = "dome"
    diameter_mm: Length
    wall_mm: Length = 18.0
    lid_mm: Length = LID_MM

    def layer_mm2(self) -> float:
        """The hollow's own is told by its volume."""
        return math.pi * (self.diameter_mm / 2 - self.wall_mm) ** 2

    def top_mm2(self) -> float:
        """The curved face."""
        return face_mm2(self.diameter_mm / 2, self.diameter_mm / 2)

    def side_mm2(self) -> float:
        """None: it is all top."""
        return 0.0

    def cavity_ml(self) -> float:
        """The hollow."""
        return dome(self.diameter_mm / 2, self.wall_mm, self.lid_mm).cavity_ml


class PairsBody(BodyBase):
    """``pairs`` of round pieces with a filling between."""

    body: Literal["pairs"] = "pairs"
    diameter_mm: Annotated[float, Field(ge=3, le=400, allow_inf_nan=False)]
    pairs: Annotated[int, Field(ge=1, le=5000)]

    def layer_mm2(self) -> float:
        """Of all pairs."""
        return math.pi * self.diameter_mm**2 / 4 * self.pairs

    def top_mm2(self) -> float:
        """Left bare."""
        return 0.0

    def side_mm2(self) -> float:
        """Left bare."""
        return 0.0


Body = Annotated[RoundBody | SquareBody | RollBody | DomeBody | PairsBody, Field(discriminator="body")]
