"""The air of the kitchen: pressure by altitude, saturated vapour, where water boils."""

import math

from kindwhisk.core.values.solving import rising_root

SEA_LEVEL_KPA = 101.325


def pressure_kpa(altitude_m: float) -> float:
    """Air pressure of the standard atmosphere. Valid to 11 km. Source: ICAO, published."""
    return float(SEA_LEVEL_KPA * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


def saturation_kpa(temperature_c: float) -> float:
    """Vapour pressure over water, 0 to 120 C, within 0.3 %. Source: Buck 1981, published."""
    t = temperature_c
    return 0.61121 * math.exp((18.678 - t / 234.5) * (t / (257.14 + t)))


def boiling_point_at_c(pressure_kpa: float) -> float:
    """Where water boils under a pressure (kPa), 50 to 120 C: :func:`saturation_kpa` read backward."""
    return rising_root(lambda c: saturation_kpa(c) - pressure_kpa, 50.0, 120.0)
