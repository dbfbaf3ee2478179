"""The pots that are supposed side by side: how much water, how far off the thermometer, where the boiling curve lies.

A pot that begins to boil two kelvin above where it should may hold less water, be read by a thermometer that is off, or
boil by another curve. What is left to go differs by a third between them, so that each is followed and weighed.
"""

from __future__ import annotations

import math
from dataclasses import replace

from kindwhisk.core.sugar.boiling import Pot

WATER_FACTORS = (0.8, 0.9, 1.0, 1.11, 1.24)
"""Of what was weighed: some steamed off while it dissolved, or was brushed down the wall."""
WATER_DOUBT, UNKNOWN_DOUBT = 0.08, 0.5
"""How much the logarithm of the water is doubted, where it was weighed and where nobody told it."""
UNKNOWN_WATER = (0.2, 0.225, 0.25, 0.28, 0.31, 0.35, 0.4, 0.45, 0.52, 0.6, 0.75)
"""Water to sugar where nobody told it."""
WATER_ADDED = (0.02, 0.05, 0.08, 0.12, 0.17, 0.25)
"""Water to sugar that a spoon or a careless cup may have added."""
READS_OFF_K, READS_OFF_SHARE = 1.8, 0.2
"""A kitchen's thermometer that is off reads so much too high or too low, and how likely each of both is. Trade habit;
two of these for one bell of 1.1 K."""
CURVE_OFF, CURVE_OFF_SHARE = 0.08, 0.13
"""The same of the share by which the boiling-point rise differs from the table's, as published tables do. Recalled."""
CALIBRATIONS: tuple[tuple[float, float, float], ...] = (
    (0.0, 1.0, 1 - 2 * READS_OFF_SHARE - 2 * CURVE_OFF_SHARE),
    (READS_OFF_K, 1.0, READS_OFF_SHARE),
    (-READS_OFF_K, 1.0, READS_OFF_SHARE),
    (0.0, 1 + CURVE_OFF, CURVE_OFF_SHARE),
    (0.0, 1 - CURVE_OFF, CURVE_OFF_SHARE),
)
"""What the thermometer reads too high (K), the curve's rise over the table's, and how likely that is."""


def supposed(pot: Pot, *, water_known: bool) -> list[tuple[Pot, float]]:
    """Every pot that this may be, with the logarithm of how likely it is before anything was read."""
    known = pot.water_g / pot.sugar_g
    waters = [known * f for f in WATER_FACTORS] if water_known else UNKNOWN_WATER
    doubt = WATER_DOUBT if water_known else UNKNOWN_DOUBT
    found = []
    for ratio in waters:
        wet = -0.5 * (math.log(ratio / known) / doubt) ** 2
        for off_k, rise, share in CALIBRATIONS:
            of = replace(
                pot,
                water_g=ratio * pot.sugar_g,
                reads_off_k=pot.reads_off_k + off_k,
                rise_factor=pot.rise_factor * rise,
            )
            found.append((of, wet + math.log(share)))
    return found
