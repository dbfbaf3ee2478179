"""Foams: how dense each should be at its end point, how long it may wait, how long it takes to whip.

Density of a French meringue by sugar to white follows the meringue reference model (marked ``model``); every other
band, the hold windows and the whipping times are trade habit, which this kitchen's own bakes replace.
"""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum
from itertools import pairwise

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.naming import TradeName
from kindwhisk.core.values.technique import Technique


class Foam(TradeName):
    """The kinds of content whose only leaven, or nearly so, is air."""

    FRENCH_MERINGUE = "French meringue"
    SWISS_MERINGUE = "Swiss meringue"
    ITALIAN_MERINGUE = "Italian meringue"
    RIBBON = "whole-egg ribbon"
    YOLK_FOAM = "yolk foam"
    CREAM = "whipped cream"
    CHIFFON_BATTER = "chiffon batter"
    GENOISE_BATTER = "génoise batter"
    ROLL_BATTER = "batter for a roll"
    LADYFINGER_BATTER = "ladyfinger batter"
    LEAN_BATTER = "fat-free sponge batter"
    RICH_BATTER = "rich batter"
    POWDER_BATTER = "creamed batter with whites"
    SHELL_BATTER = "macaron batter"
    MOUSSE = "mousse"

    @classmethod
    def also_called(cls) -> Mapping[str, str]:
        """Common names, and those of earlier versions."""
        return {
            "syrup-cooked meringue": "Italian meringue",
            "ribbon": "whole-egg ribbon",
            "whole-egg sponge batter": "génoise batter",
            "finger biscuit batter": "ladyfinger batter",
        }


class Peak(StrEnum):
    """End points of a meringue or of cream."""

    SOFT = "soft"
    MEDIUM = "medium"
    STIFF = "stiff"


class WhipLook(Value):
    """What an end point looks like, and what it looks like on either side."""

    name: str
    sees: str
    not_yet: str
    too_far: str


PEAK_LOOKS: dict[Peak, WhipLook] = {
    Peak.SOFT: WhipLook(
        name="Soft peak",
        sees="The tip droops right over and stays glossy.",
        not_yet="Still streaming off the whisk: keep going.",
        too_far="A tip that stands up: firmer than asked for, fold sooner.",
    ),
    Peak.MEDIUM: WhipLook(
        name="Medium peak",
        sees="The tip bends over and stays glossy.",
        not_yet="Still streaming off the whisk: keep going.",
        too_far="Dull, clotted at the wall: stop at once.",
    ),
    Peak.STIFF: WhipLook(
        name="Stiff peak",
        sees="The tip stands up straight and still shines.",
        not_yet="The tip bends over: a little more.",
        too_far="Dry lumps, water at the bottom: stop, it cannot be brought back whole.",
    ),
}

RIBBON_LOOK = WhipLook(
    name="Ribbon stage",
    sees="A ribbon from the whisk lies on top and is still readable after eight seconds.",
    not_yet="The ribbon sinks in at once: keep going.",
    too_far="No longer grows and starts to look dry: stop.",
)

YOLK_LOOK = WhipLook(
    name="Pale and thick",
    sees="Pale, tripled, a ribbon lies on top.",
    not_yet="Still yellow and running: keep going.",
    too_far="Stiff and dry at the rim: stop.",
)
STREAM_LOOK = WhipLook(
    name="Firm and cooler",
    sees="Glossy, stands on the whisk, the bowl is hand-warm.",
    not_yet="Loose and hot: whisk on at medium speed.",
    too_far="Cold, stiff and torn: work it into what it is for at once.",
)

FRENCH_DENSITY: tuple[tuple[float, float, float, float], ...] = (
    (0.3, 0.12, 0.14, 0.17),
    (0.5, 0.13, 0.16, 0.20),
    (0.8, 0.17, 0.20, 0.26),
    (1.0, 0.19, 0.24, 0.30),
    (1.5, 0.25, 0.31, 0.40),
    (2.0, 0.31, 0.40, 0.50),
)
"""Sugar to white, then g/ml stiff, typical (medium), soft. The meringue reference model's values."""

DENSITY_BANDS: dict[Foam, tuple[float, float, float]] = {
    Foam.FRENCH_MERINGUE: FRENCH_DENSITY[3][1:],
    Foam.SWISS_MERINGUE: (0.30, 0.36, 0.45),
    Foam.ITALIAN_MERINGUE: (0.25, 0.32, 0.40),
    Foam.RIBBON: (0.21, 0.25, 0.30),
    Foam.YOLK_FOAM: (0.35, 0.42, 0.50),
    Foam.CREAM: (0.44, 0.52, 0.60),
    Foam.CHIFFON_BATTER: (0.36, 0.41, 0.46),
    Foam.GENOISE_BATTER: (0.38, 0.44, 0.50),
    Foam.ROLL_BATTER: (0.38, 0.44, 0.50),
    Foam.LADYFINGER_BATTER: (0.30, 0.35, 0.40),
    Foam.LEAN_BATTER: (0.26, 0.31, 0.36),
    Foam.RICH_BATTER: (0.55, 0.70, 0.90),
    Foam.POWDER_BATTER: (0.65, 0.78, 0.90),
    Foam.SHELL_BATTER: (0.75, 0.85, 0.95),
    Foam.MOUSSE: (0.45, 0.58, 0.72),
}
"""g/ml low, likely, high; a French meringue with as much sugar as white. Trade habit."""

BATTERS: dict[Technique, Foam] = {
    Technique.CHIFFON: Foam.CHIFFON_BATTER,
    Technique.PATTERNED: Foam.CHIFFON_BATTER,
    Technique.CHIFFON_ROLL: Foam.ROLL_BATTER,
    Technique.GENOISE: Foam.GENOISE_BATTER,
    Technique.COLD_GENOISE: Foam.GENOISE_BATTER,
    Technique.SOAKED_SPONGE: Foam.GENOISE_BATTER,
    Technique.LADYFINGERS: Foam.LADYFINGER_BATTER,
    Technique.RICH_SPONGE: Foam.RICH_BATTER,
    Technique.CREAMED_SPONGE: Foam.POWDER_BATTER,
    Technique.SHELLS: Foam.SHELL_BATTER,
    Technique.MOUSSE: Foam.MOUSSE,
}
"""What the batter of a class is."""

FRENCH_HOLD: tuple[tuple[float, float, float, float], ...] = (
    (0.5, 3, 4, 5),
    (1.0, 8, 9, 10),
    (1.5, 15, 17, 20),
)
"""Sugar to white, then minutes low, likely, high. Trade habit."""

HOLD_MINUTES: dict[Foam, tuple[float, float, float]] = {
    Foam.FRENCH_MERINGUE: FRENCH_HOLD[1][1:],
    Foam.SWISS_MERINGUE: (20, 30, 40),
    Foam.ITALIAN_MERINGUE: (30, 45, 60),
    Foam.RIBBON: (5, 6, 8),
    Foam.YOLK_FOAM: (20, 30, 40),
    Foam.CREAM: (60, 90, 120),
    Foam.CHIFFON_BATTER: (5, 6, 8),
    Foam.GENOISE_BATTER: (5, 6, 8),
    Foam.ROLL_BATTER: (5, 6, 8),
    Foam.LADYFINGER_BATTER: (6, 8, 10),
    Foam.LEAN_BATTER: (5, 6, 8),
    Foam.RICH_BATTER: (8, 10, 15),
    Foam.POWDER_BATTER: (15, 17, 20),
    Foam.SHELL_BATTER: (20, 25, 30),
    Foam.MOUSSE: (10, 15, 20),
}
"""Minutes that it may wait; a French meringue with as much sugar as white. Trade habit."""


def _table(rows: tuple[tuple[float, float, float, float], ...], x: float) -> tuple[float, float, float]:
    """Linear between the rows, constant beyond them."""
    if x <= rows[0][0]:
        return rows[0][1:]
    for (x0, *low), (x1, *high) in pairwise(rows):
        if x <= x1:
            share = (x - x0) / (x1 - x0)
            a, b, c = (lo + share * (hi - lo) for lo, hi in zip(low, high, strict=True))
            return a, b, c
    return rows[-1][1:]


DRIED_WHITE_MAKES = 8.0
"""Grams of liquid white that a gram of dried white makes with its water. Published on packets, rounded."""


def egg_white_g(material: Material) -> float:
    """Grams of liquid white; dried white counts as what it makes."""
    return material.grams_of("egg-white", "white-pasteurised") + DRIED_WHITE_MAKES * material.grams_of("white-dried")


def sugar_to_white(material: Material) -> float:
    """Grams of sugars to a gram of white; 0 without white."""
    white = egg_white_g(material)
    return material.composition.sugars * material.mass_g / white if white > 0 else 0.0


def fat_share(material: Material) -> float:
    """Mass fraction of fat."""
    return material.composition.fat


FAT_FREE = 0.005
"""More fat than this in the bowl and whites do not come up. Recalled."""


def is_meringue(material: Material) -> bool:
    """Whites and sugar without fat, as against a foam of whole eggs."""
    return egg_white_g(material) > 0 and fat_share(material) < FAT_FREE


HOT_C = 40.0
"""Whites warmer than this when the whisk starts were cooked over water first."""
CREAM_FAT = 0.2
RIBBON_RATIO, RIBBON_PER_RATIO, RIBBON_PER_COLD_K = 0.55, 0.5, 0.0005
"""The usual sugar to egg of a ribbon foam, and what a step from it, or a kelvin below warm, adds to its density."""
YOLKS = ("egg-yolk", "yolk-pasteurised")
WHOLE_EGGS = ("whole-egg", "egg-pasteurised", "egg-dried")


def kind_of(start: Material) -> Foam:
    """What comes of whipping this, from what it is made of and how warm it is."""
    if is_meringue(start):
        return Foam.SWISS_MERINGUE if start.temperature_c >= HOT_C else Foam.FRENCH_MERINGUE
    yolks, whole = start.grams_of(*YOLKS), start.grams_of(*WHOLE_EGGS)
    if fat_share(start) > CREAM_FAT and yolks + whole + egg_white_g(start) < 0.1 * start.mass_g:
        return Foam.CREAM
    return Foam.YOLK_FOAM if yolks > 0 and whole + egg_white_g(start) <= 0 else Foam.RIBBON


def french_density(ratio: float, peak: Peak) -> Estimate:
    """Band in g/ml of a French meringue at a peak. ``ratio`` is sugar to white by weight, 0 to 2."""
    stiff, typical, soft = _table(FRENCH_DENSITY, ratio)
    ends = {
        Peak.STIFF: (stiff - (typical - stiff) / 2, stiff, (stiff + typical) / 2),
        Peak.MEDIUM: ((stiff + typical) / 2, typical, (typical + soft) / 2),
        Peak.SOFT: ((typical + soft) / 2, soft, soft + (soft - typical) / 2),
    }
    low, likely, high = ends[peak]
    return Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL)


def ribbon_density(sugar_to_egg: float, temperature_c: float) -> Estimate:
    """Band in g/ml of whole eggs at the ribbon, by grams of sugar to a gram of egg, and the eggs' warmth in C.

    Sugar makes it denser and finer; eggs that were not warmed take longer and end nearly as light. Trade habit.
    """
    sweet = 1 + RIBBON_PER_RATIO * (sugar_to_egg - RIBBON_RATIO)
    cold = 1 + RIBBON_PER_COLD_K * max(0.0, HOT_C - temperature_c)
    return density_band(Foam.RIBBON).scaled(max(0.7, sweet) * cold)


def density_band(foam: Foam) -> Estimate:
    """Band in g/ml of a foam or batter at its end point."""
    low, likely, high = DENSITY_BANDS[foam]
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def french_hold_s(ratio: float) -> Estimate:
    """Seconds that a French meringue may wait before it is folded. ``ratio`` is sugar to white."""
    low, likely, high = (60 * m for m in _table(FRENCH_HOLD, ratio))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def hold_s(foam: Foam) -> Estimate:
    """Seconds that a foam or batter may wait before the next step ends the wait."""
    low, likely, high = (60 * m for m in HOLD_MINUTES[foam])
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)
