"""A thermometer checked in ice and in boiling water, and what its readings mean after that."""

from __future__ import annotations

from pydantic import Field

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import boiling_point_at_c

ICE_C = 0.0
READS_WITHIN_K = 0.5
UNCHECKED_K = 2.0
ODD_K = 8.0
"""A check further off than this is not a thermometer's error but a mistake in the check. Trade habit."""


class Check(Value):
    """What it read in stirred crushed ice and in water at a rolling boil, with the air's pressure at the boil (kPa)."""

    ice_c: float | None = Field(default=None, ge=-20, le=20)
    boiling_c: float | None = Field(default=None, ge=60, le=130)
    pressure_kpa: float | None = Field(default=None, ge=50, le=110)

    @property
    def done(self) -> bool:
        """Whether it was checked in anything."""
        return self.ice_c is not None or self.boiling_c is not None


def true_boiling_c(pressure_kpa: float) -> float:
    """Where water boils under this pressure."""
    return boiling_point_at_c(pressure_kpa)


def corrected_c(reading_c: float, check: Check, pressure_kpa: float) -> float:
    """A reading set right: through both points of the check, or moved by the one that was made."""
    boils = true_boiling_c(check.pressure_kpa or pressure_kpa)
    ice, boiling = check.ice_c, check.boiling_c
    if ice is not None and boiling is not None and boiling - ice > 20:
        return ICE_C + (reading_c - ice) * (boils - ICE_C) / (boiling - ice)
    if boiling is not None:
        return reading_c + boils - boiling
    return reading_c if ice is None else reading_c - ice


def shows_c(true_c: float, check: Check, pressure_kpa: float) -> float:
    """What it shows at a true temperature: the inverse of :func:`corrected_c`."""
    zero, hundred = (corrected_c(c, check, pressure_kpa) for c in (0.0, 100.0))
    return (true_c - zero) * 100 / (hundred - zero)


def error_k(check: Check, at_c: float, pressure_kpa: float) -> Estimate:
    """How far off it reads at a temperature, with what is left open after its check."""
    off = shows_c(at_c, check, pressure_kpa) - at_c
    half = READS_WITHIN_K if check.done else UNCHECKED_K
    return Estimate(low=off - half, likely=off, high=off + half, basis=Basis.MEASURED if check.done else Basis.HABIT)


def odd(check: Check, pressure_kpa: float) -> str:
    """What is wrong with a check, in words; empty when nothing is."""
    if check.ice_c is not None and abs(check.ice_c - ICE_C) > ODD_K:
        return "Ice water is 0 °C: let it stand with much crushed ice, stir, and read again."
    boils = true_boiling_c(check.pressure_kpa or pressure_kpa)
    if check.boiling_c is not None and abs(check.boiling_c - boils) > ODD_K:
        return f"Water boils at {boils:.1f} °C here: read it at a rolling boil, clear of the pot."
    return ""
