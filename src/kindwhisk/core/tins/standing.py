"""How a batter stands in a tin: its level, how far it is expected to rise, and whether the tin fits it."""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.foams.foam import BATTERS, density_band
from kindwhisk.core.learning.expected import ASKED_SD, expected, off_by
from kindwhisk.core.learning.figures import SPREADS, Figure, effect
from kindwhisk.core.tins import rise
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class FillBand(NamedTuple):
    """Shares of a tin's volume: emptier is too low, fuller too high; ``good`` is what to aim for."""

    low: float
    good: float
    high: float


USUAL = FillBand(0.42, 0.60, 0.72)
"""Of a foam batter that rises. Trade habit; a kitchen's own records lead."""
FILLS: dict[Technique, FillBand] = {
    Technique.CHIFFON: FillBand(0.45, 0.62, 0.75),
    Technique.RICH_SPONGE: FillBand(0.45, 0.62, 0.75),
    Technique.CREAMED_SPONGE: FillBand(0.45, 0.58, 0.66),
    Technique.MOUSSE: FillBand(0.60, 0.95, 1.0),
    Technique.LADYFINGER_CAKE: FillBand(0.60, 0.95, 1.0),
}
STILL = {Technique.MOUSSE, Technique.LADYFINGER_CAKE}
"""What does not rise."""
SHEET_MM = (6.0, 11.0, 18.0)
"""Spread of a batter on a sheet: thinner dries, thicker cracks when it is rolled. Trade habit."""
OVER_RIM = 1.1
"""A foam that clings stands this much over the rim without running. Trade habit."""
BRIMFUL = 0.9
DOMES_ABOVE_MM = 45.0
"""A batter with leavener this deep sets at the wall while its middle still rises. Trade habit."""


class TinFit(StrEnum):
    """How a tin fits a batter."""

    GOOD = "fits"
    SHALLOW = "low"
    FULL = "too full"
    OVERFLOWS = "overflows"


class Standing(Value):
    """A batter in one tin: all levels in mm above the bottom.

    ``rise_mm`` is the level at setting, ``settled_mm`` after cooling; both may lie above ``rim_mm``.
    """

    capacity_ml: float
    volume_ml: float
    fill_fraction: float
    level_mm: float
    rim_mm: float
    rise_mm: Estimate
    settled_mm: Estimate
    fit: TinFit
    verdict: str
    can_do: str
    dome: str


def band_of(technique: Technique | None) -> FillBand:
    """The fill band of a class."""
    return FILLS.get(technique, USUAL) if technique is not None else USUAL


def check_density(density: float, technique: Technique | None) -> None:
    """Let a batter's density (g/ml) pass if such a one can have it: a tin is not filled by a slip of the finger.

    Raises:
        CraftError: it lies further off its class than three deviations of what kitchens differ by.
    """
    batter = BATTERS.get(technique) if technique else None
    if batter is None:
        return
    unknown = tuple(effect(level, "any") for level in SPREADS[Figure.BATTER].levels)
    usual = expected((), Figure.BATTER, unknown, density_band(batter)).made
    if abs(off_by(density, usual)) > ASKED_SD:
        raise CraftError(
            f"{density:.2f} g/ml is no usual {batter.value}: that has {usual.low:.2f} to {usual.high:.2f}.",
            field="density_g_per_ml",
            remedy="Weigh the cup again: its own weight taken off, once, and level. If it is right, say so.",
        )


def levels_mm(tin: Tin, volume: Estimate, share: float = 1.0) -> Estimate:
    """Level of a volume of which ``share`` stands in the tin."""
    return Estimate(
        low=tin.level_mm(volume.low * share),
        likely=tin.level_mm(volume.likely * share),
        high=tin.level_mm(volume.high * share),
        basis=volume.basis,
        bakes=volume.bakes,
    )


# One verdict a line of the table that it stands for.
def judge(  # noqa: PLR0911
    tin: Tin, fraction: float, level_mm: float, rise_mm: Estimate | None, band: FillBand = USUAL, name: str = "the tin"
) -> tuple[TinFit, str, str]:
    """Whether a tin filled to ``fraction`` of its volume fits, why, and what to do; no rise for what only sets."""
    rim = tin.depth_mm
    if tin.flat:
        thin, _, thick = SHEET_MM
        if level_mm < thin:
            return (
                TinFit.SHALLOW,
                f"Only {level_mm:.0f} mm on {name}: it dries before it browns.",
                "Take a smaller sheet, or fold up a paper wall.",
            )
        if level_mm > thick:
            return (
                TinFit.FULL,
                f"{level_mm:.0f} mm on {name}: thick for a sheet, it cracks where it is rolled.",
                "Take a larger sheet or two, or bake it as a layer to be cut.",
            )
    if rise_mm is None:
        if fraction > 1.02:
            return (
                TinFit.OVERFLOWS,
                f"{fraction:.0%} of {name}: it stands over the rim.",
                "Take a larger one or make less.",
            )
        return TinFit.GOOD, f"Filled to {fraction:.0%}.", ""
    over = rise_mm.likely > rim * OVER_RIM
    if fraction > band.high or over:
        fit = TinFit.OVERFLOWS if fraction > BRIMFUL or rise_mm.low > rim * OVER_RIM else TinFit.FULL
        return (
            fit,
            f"Too full: {fraction:.0%} of {name}, expected to rise to {rise_mm.likely:.0f} mm "
            f"where the rim is at {rim:.0f}.",
            f"Fill to about {band.good:.0%}; bake the rest beside it, or take a larger tin.",
        )
    if fraction < band.low and not tin.flat:
        return (
            TinFit.SHALLOW,
            f"Only {fraction:.0%} of {name}: it bakes low, the wall shades it, and it dries.",
            "Take a smaller tin, fewer tins, or make more.",
        )
    if rise_mm.high > rim * OVER_RIM:
        return (
            TinFit.GOOD,
            f"Filled to {fraction:.0%}; with luck it stands at the rim, it may go over.",
            "Put a tray below, or leave a spoon of it out.",
        )
    return TinFit.GOOD, f"Filled to {fraction:.0%}, with room to rise.", ""


def _dome(technique: Technique | None, level_mm: float, leavener_g: float) -> str:
    if leavener_g > 0 and level_mm > DOMES_ABOVE_MM:
        return "Deep, and with leavener: the wall sets first and the middle goes on rising. Expect a dome that cracks."
    if technique in STILL:
        return ""
    if leavener_g > 0:
        return "A low dome; cooler and longer keeps it flatter."
    return "A foam hardly domes: a high one in the middle tells of a hot oven."


# What a batter is, and where it stands: all but the tin have a usual value.
def stand(  # noqa: PLR0913
    tin: Tin,
    batter_g: float,
    density: float,
    technique: Technique | None = None,
    *,
    gas_free: float = rise.USUAL_FREE,
    temperature_c: float = 22.0,
    altitude_m: float = 0.0,
    leavener_g: float = 0.0,
) -> Standing:
    """How ``batter_g`` of a density (g/ml) stands in one tin.

    Args:
        tin, batter_g, density: what stands where.
        technique: its class, for what it may be filled to and whether it rises.
        gas_free: g/ml without bubbles.
        temperature_c, altitude_m: of the batter, and of the kitchen.
        leavener_g: baking powder in it.
    """
    volume = batter_g / density
    free = batter_g / max(gas_free, density)
    fraction, level = volume / tin.volume_ml(), tin.level_mm(volume)
    if technique in STILL:
        risen = settled = Estimate.exact(level)
        fit, verdict, can_do = judge(tin, fraction, level, None)
    else:
        grown = rise.risen_ml(free, volume - free, temperature_c, altitude_m, leavener_g)
        risen, settled = levels_mm(tin, grown), levels_mm(tin, rise.settled_volume_ml(grown))
        fit, verdict, can_do = judge(tin, fraction, level, risen, band_of(technique))
    return Standing(
        capacity_ml=tin.volume_ml(),
        volume_ml=volume,
        fill_fraction=fraction,
        level_mm=level,
        rim_mm=tin.depth_mm,
        rise_mm=risen,
        settled_mm=settled,
        fit=fit,
        verdict=verdict,
        can_do=can_do,
        dome=_dome(technique, level, leavener_g),
    )
