"""Half-spheres: moulds for domes."""

from __future__ import annotations

import math
from typing import ClassVar, Literal, Self

from kindwhisk.core.tins.paper import PaperShape, paper
from kindwhisk.core.tins.shapes.shape import Dimensions, Footprint, Millimetres, Shape, circle

GORES = 8
"""Petals that line one."""


class HalfSphereDimensions(Dimensions):
    """A bowl of half a sphere, open at its full diameter."""

    diameter_mm: Millimetres


class HalfSphereTin(Shape):
    """Half a sphere, standing on its round end."""

    round: ClassVar[bool] = True
    firsts: ClassVar[dict[str, dict[str, float]]] = {"half-sphere": {"diameter_mm": 160}}
    measures: ClassVar[dict[str, str]] = {"diameter_mm": "across the rim"}

    shape: Literal["half-sphere"] = "half-sphere"
    dimensions: HalfSphereDimensions

    @property
    def depth_mm(self) -> float:
        """Its radius."""
        return self.dimensions.diameter_mm / 2

    def cut(self, height_mm: float) -> Footprint:
        """The disc at a height."""
        radius = self.dimensions.diameter_mm / 2
        below = max(0.0, radius - height_mm)
        area, perimeter = circle(2 * math.sqrt(max(0.0, radius**2 - below**2)))
        return Footprint(area_mm2=area, perimeter_mm=perimeter, outer_mm=math.sqrt(area / math.pi))

    @property
    def tray_mm(self) -> tuple[float, float]:
        """The square inside its rim, for its bottom is a point."""
        side = self.dimensions.diameter_mm / math.sqrt(2)
        return side, side

    def half_size(self) -> Self:
        """It keeps its form, so that every length shrinks."""
        return self.resized(2 ** (-1 / 3))

    def lining(self) -> tuple[PaperShape, ...]:
        """Petals from the pole to the rim."""
        radius = self.dimensions.diameter_mm / 2
        length = math.pi * radius / 2

        def half(along: float) -> float:
            return math.pi / GORES * radius * math.sin(along / radius)

        steps = [length * i / 40 for i in range(41)]
        outline = [(half(s), s) for s in steps] + [(-half(s), s) for s in reversed(steps[1:])]
        return (
            paper(
                "petal",
                f"{2 * half(length):.0f} mm at the rim, {length:.0f} mm long",
                [outline],
                count=GORES,
                note="Lay them tip to tip at the bottom.",
            ),
        )
