"""The bake that a formula's time was measured on, and its family: bakes that err alike."""

from __future__ import annotations

from pydantic import Field

from kindwhisk.core.baking.course import InOven, Sets
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.model import Value


class ReferenceBake(Value):
    """The bake that a formula's time was measured on.

    ``density`` is its batter's, in g/ml; None: the same as that of the bake that is compared with it.
    """

    tin: Tin
    fill_mm: float = Field(gt=0.1, le=1000)
    oven_c: float = Field(ge=40, le=320)
    mode: OvenMode
    minutes: float = Field(gt=0.1, le=2880)
    density: float | None = Field(default=None, ge=0.05, le=1.6)

    def in_oven(self, other: InOven) -> InOven:
        """This bake as a content in its oven, of the same batter as another, by itself in the middle of it."""
        density = self.density or other.density
        load = self.tin.volume_ml(self.fill_mm) * density / 1000
        return InOven(
            tin=self.tin,
            fill_mm=self.fill_mm,
            density=density,
            water=other.water,
            sets=other.sets,
            done_c=other.done_c,
            free=other.free,
            mode=self.mode,
            air=other.air.model_copy(
                update={
                    "holds_c": self.oven_c,
                    "starts_c": None,
                    "openings": (),
                    "load_kg": other.air.load_kg if other.free else load,
                }
            ),
        )


SHEET, SHELLS, FINGERS, DRIED = "sheet", "shells", "fingers", "dried meringue"
FREE = "pieces"
FOAMY = 0.6
"""g/ml below which a piped batter is a sponge's, above it a shell's. Trade habit."""


def family(content: InOven) -> str:
    """The bakes that it errs with: by its tin, or by what becomes of it."""
    if content.sets is Sets.DRY:
        return DRIED
    if content.sets is Sets.SHELL:
        return SHELLS if content.density >= FOAMY else FINGERS
    return FREE if content.free else content.tin.family
