"""The readings of a bake as CSV."""

from __future__ import annotations

from kindwhisk.bench.told.views import BakeState
from kindwhisk.formats.cells import lines

COLUMNS = ("at", "step", "quantity", "value", "unit", "band_low", "band_high", "band_from", "place", "means")


def write(state: BakeState) -> str:
    """One line a reading, moments in ISO 8601, with the band that it was set on."""
    rows = []
    for reading in state.readings:
        band = reading.verdict.band.range if reading.verdict else None
        rows.append(
            (
                reading.at.isoformat(),
                reading.step,
                reading.quantity.value,
                f"{reading.value:.4g}",
                reading.unit,
                f"{band.low:.4g}" if band else "",
                f"{band.high:.4g}" if band else "",
                band.basis.value if band else "",
                reading.verdict.place.value if reading.verdict else "",
                reading.verdict.means if reading.verdict else "",
            )
        )
    return "".join(lines([COLUMNS, *rows]))
