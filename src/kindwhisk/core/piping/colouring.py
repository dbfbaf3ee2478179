"""Colour: how much of it by weight for a depth, and from where on it weakens what it colours."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.ingredients import counts_as
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value


class ColourKind(StrEnum):
    """What a colour is carried by."""

    GEL = "gel"
    LIQUID = "liquid"
    POWDER = "powder"


class ColourRisk(StrEnum):
    """What so much of it does to a skin."""

    NONE = "none"
    NEAR = "near the limit"
    OVER = "over the limit"
    CARE = "with care"


class Rule(NamedTuple):
    """Shares of a batter: of a pale and of a full colour, and the limit; how much of it is water; why there is one."""

    pale: float
    full: float
    limit: float
    water: float
    why: str


RULES: Mapping[ColourKind, Rule] = {
    ColourKind.GEL: Rule(
        0.002, 0.006, 0.010, 0.60, "Its syrup keeps the skin soft: shells crack, first where the colour is thickest."
    ),
    ColourKind.LIQUID: Rule(
        0.003, 0.009, 0.005, 0.90, "It is nearly all water: the batter runs, the skin is weak and shells crack."
    ),
    ColourKind.POWDER: Rule(
        0.001, 0.003, 0.010, 0.0, "It carries no water, but so much of it tastes, and lies as specks."
    ),
}
"""Gel and the limits: trade habit. Liquid as two thirds, powder as twice as strong: recalled, and brands differ."""


class ColourInto(StrEnum):
    """What is coloured."""

    BATTER = "a batter"
    BUTTERCREAM = "buttercream"
    CREAM = "whipped cream"
    CHOCOLATE = "chocolate or ganache"


FILLINGS: Mapping[ColourInto, Mapping[ColourKind, str]] = {
    ColourInto.BATTER: {},
    ColourInto.BUTTERCREAM: {
        ColourKind.LIQUID: "Its water curdles the butter: a gel, or a powder stirred into a spoon of it first.",
        ColourKind.POWDER: "Stir it into a spoon of soft butter first; it deepens over night.",
    },
    ColourInto.CREAM: {
        ColourKind.LIQUID: "It thins the cream: into the cream before it is whipped, or a gel.",
        ColourKind.POWDER: "It draws water and speckles: dissolve it in a spoon of the cold cream first.",
    },
    ColourInto.CHOCOLATE: {
        ColourKind.GEL: "Its water makes chocolate seize: colour the warm cream of a ganache, not the chocolate.",
        ColourKind.LIQUID: "Its water makes chocolate seize: take a powder that dissolves in fat.",
        ColourKind.POWDER: "One that dissolves in fat, rubbed into a spoon of melted cocoa butter; only white "
        "chocolate shows it.",
    },
}
"""What to beware of where a filling is coloured, by what carries the colour; nothing where nothing is. Trade habit."""
FADES = 1.2
"""A colour fades in the oven: a fifth is added. Trade habit."""
NEAR = 0.8
DEEPEST = 4.0
INGREDIENTS: Mapping[ColourKind, str] = {
    ColourKind.GEL: "colour-gel",
    ColourKind.LIQUID: "colour-liquid",
    ColourKind.POWDER: "colour-powder",
}


class Dose(Value):
    """Grams of a colour for a depth, its limit (None: it has none there), what of it is water, and what the dose risks,
    in words."""

    grams: float
    limit_g: float | None
    water_g: float
    share_percent: float
    risk: ColourRisk
    says: str


def dose(batter_g: float, kind: ColourKind, depth: float, into: ColourInto = ColourInto.BATTER) -> Dose:
    """The colour for a ``depth``: 0 is none, 1/3 pale, 1 full, beyond it deeper still (to :data:`DEEPEST`).

    With what fades in the oven, where it goes there.
    """
    rule = RULES[kind]
    # Straight from nothing over pale (1/3) to full (1).
    share = 3 * depth * rule.pale if depth <= 1 / 3 else rule.pale + (rule.full - rule.pale) * (depth - 1 / 3) * 1.5
    if into is ColourInto.BATTER:
        return judged(batter_g, kind, share * FADES * batter_g)
    beware = FILLINGS[into].get(kind, "")
    risk, says = (ColourRisk.CARE, beware) if beware else (ColourRisk.NONE, "Nothing in it minds that.")
    return _dose(batter_g, kind, share * batter_g, None, risk, says)


def judged(batter_g: float, kind: ColourKind, grams: float) -> Dose:
    """So much of a colour in ``batter_g``."""
    rule = RULES[kind]
    limit = rule.limit * batter_g
    risk = ColourRisk.OVER if grams > limit else ColourRisk.NEAR if grams > NEAR * limit else ColourRisk.NONE
    paler = "Stay paler." if kind is ColourKind.POWDER else "Take a powder, or stay paler."
    says = {
        ColourRisk.NONE: "Well below the limit.",
        ColourRisk.NEAR: f"Near the limit of {limit:.1f} g. {rule.why}",
        ColourRisk.OVER: f"Above {limit:.1f} g. {rule.why} {paler}",
    }[risk]
    return _dose(batter_g, kind, grams, limit, risk, says)


# One answer, for a batter and for a filling.
def _dose(batter_g: float, kind: ColourKind, grams: float, limit_g: float | None, risk: ColourRisk, says: str) -> Dose:
    return Dose(
        grams=grams,
        limit_g=limit_g,
        water_g=grams * RULES[kind].water,
        share_percent=100 * grams / batter_g,
        risk=risk,
        says=says,
    )


class Painted(Value):
    """Lines of colour painted along the inside of a bag: grams of it in each, and how many pieces come out pale before
    the colour has reached the tip, and how many it lasts for."""

    per_line_g: float
    pale: Estimate
    lasts: Estimate


PAINTED_SHARE = 0.0015
"""Of a bag's batter, what is painted in all: stripes, not a colour through and through. Trade habit."""
LASTS = (0.6, 0.8, 1.0)
"""Shares of a bag's pieces for which a line lasts. Trade habit."""


def painted(batter_g: float, density_g_per_ml: float, piece_g: float, lines: int, tip_ml: Estimate) -> Painted:
    """``lines`` of gel inside a bag with ``batter_g``; ``tip_ml`` is what its tip holds before they come through."""
    pieces = batter_g / piece_g
    pale = tip_ml.scaled(density_g_per_ml / piece_g)
    low, likely, high = (pieces * share for share in LASTS)
    return Painted(
        per_line_g=PAINTED_SHARE * batter_g / lines,
        pale=pale,
        lasts=Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT),
    )


def doses_in(batter: Material) -> tuple[Dose, ...]:
    """The colours that are in a batter, judged, each kind for itself."""
    found = []
    for kind, name in INGREDIENTS.items():
        grams = sum(g for i, g in batter.parts.items() if counts_as(i) == name)
        if grams > 0:
            found.append(judged(batter.mass_g, kind, grams))
    return tuple(found)
