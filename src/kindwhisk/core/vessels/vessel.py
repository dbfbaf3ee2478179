"""Vessels of the bench: bowls, pots, jugs and trays, with a shape that a section can be cut from."""

from __future__ import annotations

import math
from bisect import bisect_left
from enum import StrEnum
from functools import lru_cache

from pydantic import Field

from kindwhisk.core.values.model import Value


class VesselForm(StrEnum):
    """What a vessel looks like when cut in half. A tin takes its shape from the tin in use."""

    BOWL = "bowl"
    MIXER_BOWL = "mixer bowl"
    POT = "pot"
    JUG = "jug"
    BAG = "bag"
    CUP = "cup"
    SHEET = "paper"
    TIN = "tin"
    RACK = "rack"
    OVEN = "oven"


NOZZLE_SHARE = 0.08
"""Width of a piping bag at its nozzle, to that at its top."""


CUP_HEIGHT = 1.1
"""Height of a cup to its width."""


class Vessel(Value):
    """A vessel of a formula; diameter and height inside, in mm."""

    id: str = Field(pattern=r"^[a-z0-9-]{1,40}$")
    name: str = Field(max_length=60)
    form: VesselForm
    diameter_mm: float = Field(default=220, ge=5, le=3000)
    height_mm: float = Field(default=110, ge=5, le=3000)

    def radius_mm(self, height_mm: float) -> float:
        """Inner half-width at a height: bowls are rounded (superellipse), bags widen from the nozzle, others go up."""
        share = min(1.0, max(0.0, height_mm / self.height_mm))
        if self.form is VesselForm.BAG:
            return self.diameter_mm / 2 * (NOZZLE_SHARE + (1 - NOZZLE_SHARE) * share)
        power = {VesselForm.BOWL: 2.2, VesselForm.MIXER_BOWL: 2.8}.get(self.form)
        if power is None:
            return self.diameter_mm / 2
        return self.diameter_mm / 2 * float((1 - (1 - share) ** power) ** (1 / power))

    def volume_ml(self, height_mm: float) -> float:
        """Volume below a height in ml; the rim at most."""
        heights, volumes = _filled(self)
        share = min(1.0, max(0.0, height_mm / self.height_mm)) * (len(heights) - 1)
        i = min(int(share), len(heights) - 2)
        return volumes[i] + (volumes[i + 1] - volumes[i]) * (share - i)

    def level_mm(self, volume_ml: float) -> float:
        """Height at which a volume stands; at most the rim."""
        heights, volumes = _filled(self)
        i = bisect_left(volumes, volume_ml)
        if i == 0:
            return 0.0
        if i == len(volumes):
            return self.height_mm
        share = (volume_ml - volumes[i - 1]) / (volumes[i] - volumes[i - 1])
        return heights[i - 1] + share * (heights[i] - heights[i - 1])


@lru_cache(maxsize=256)
def _filled(vessel: Vessel, slices: int = 120) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """Heights in mm and the volumes below them in ml, by the midpoint rule."""
    step = vessel.height_mm / slices
    volumes = [0.0]
    for i in range(slices):
        radius = vessel.radius_mm((i + 0.5) * step)
        volumes.append(volumes[-1] + math.pi * radius**2 * step / 1000)
    return tuple(i * step for i in range(slices + 1)), tuple(volumes)


BAG = Vessel(id="bag", name="bag", form=VesselForm.BAG, diameter_mm=170, height_mm=340)
"""A piping bag of usual size."""


def cup_vessel(volume_ml: float) -> Vessel:
    """A straight cup, a little higher than wide, that holds so much when it is level."""
    diameter = (4 * volume_ml * 1000 / (math.pi * CUP_HEIGHT)) ** (1 / 3)
    return Vessel(id="cup", name="cup", form=VesselForm.CUP, diameter_mm=diameter, height_mm=diameter * CUP_HEIGHT)
