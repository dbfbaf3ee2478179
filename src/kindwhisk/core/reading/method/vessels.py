"""The vessels that a process that is read in stands in."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.process.steps import Step
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

B, F = VesselForm.BOWL, VesselForm
VESSELS: dict[str, tuple[str, VesselForm, float, float]] = {
    "mixer-bowl": ("mixer bowl", F.MIXER_BOWL, 215, 165), "base-bowl": ("large bowl", B, 260, 120), "dry-bowl": ("dry bowl", B, 180, 80),
    "cream-bowl": ("cream bowl", B, 220, 110), "heat-bowl": ("bowl over water", B, 220, 100), "pot": ("small pot", F.POT, 160, 90),
    "syrup-pot": ("syrup pot", F.POT, 140, 80), "jug": ("jug", F.JUG, 110, 160), "sugar-cup": ("sugar cup", F.JUG, 90, 80),
    "paper": ("paper", F.SHEET, 240, 40), "tin": ("tin", F.TIN, 220, 110), "tray": ("tray", F.TIN, 220, 110), "ring": ("ring", F.TIN, 220, 110),
    "rack": ("rack", F.RACK, 220, 110),
}  # fmt: skip
"""Names, forms and inner lengths (mm) of the vessels that a process that is read in stands in."""


def vessels_of(steps: Sequence[Step]) -> tuple[Vessel, ...]:
    """The vessels that steps stand in; a second one of a kind is told from the first by its number."""
    found = []
    for vessel_id in dict.fromkeys(s.vessel for s in steps):
        stem, _, n = vessel_id.rpartition("-")
        kind = stem if n.isdigit() else vessel_id
        name, form, diameter, height = VESSELS[kind]
        if form is VesselForm.MIXER_BOWL and n.isdigit():
            # There is one mixer: a second foam is whipped in a bowl beside it.
            name, form, diameter, height = "second bowl", VesselForm.BOWL, 240, 120
        elif n.isdigit():
            name = f"{name} {n}"
        found.append(Vessel(id=vessel_id, name=name, form=form, diameter_mm=diameter, height_mm=height))
    return tuple(found)
