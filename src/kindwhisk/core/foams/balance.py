"""Balance: the ratios that decide what a batter becomes, from the composition of what goes in, each on its band."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from typing import NamedTuple

from kindwhisk.core.foams.foam import DRIED_WHITE_MAKES, YOLKS, egg_white_g
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.acids import as_cream_of_tartar_g
from kindwhisk.core.ingredients.leaveners import as_baking_powder_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.naming import TradeName
from kindwhisk.core.values.technique import Technique

STARCHY = 0.5
"""An ingredient with more starch than this counts as flour."""
NUTTY = 0.3
"""A dry nut has at least this share of fat and this little water."""
DRIED_EGG_MAKES = 4.0
"""Grams of egg that a gram of dried whole egg makes with its water. By protein."""
LIQUID_KINDS = {"liquid", "dairy", "acid", "fruit"}


class Method(TradeName):
    """How a meringue meets its sugar."""

    FRENCH = "French"
    SWISS = "Swiss"
    ITALIAN = "Italian"

    @classmethod
    def also_called(cls) -> Mapping[str, str]:
        """Common names, and those of earlier versions."""
        whole = {f"{member.value} meringue".casefold(): member.value for member in cls}
        return {**whole, "syrup-cooked": "Italian"}


class Ratio(Value):
    """One thing to another, on its band where there is one, with what each side does.

    ``percent`` ratios are hundredths. ``component`` and ``step`` (a foam's) tell where it was taken.
    """

    id: str
    name: str
    value: float
    percent: bool
    band: Estimate | None
    place: Place | None
    low: str
    high: str
    component: str = ""
    step: str = ""
    where: str = ""


class Kind(NamedTuple):
    """A ratio's name and what too little and too much of it do."""

    name: str
    low: str
    high: str
    percent: bool = False


KINDS: dict[str, Kind] = {
    "sugar-to-white": Kind("Sugar to white", "light and quick, weeps and dries soon", "steady and fine, slow, dense"),
    "sugar-to-egg": Kind("Sugar to egg", "coarse, dries, pale", "moist and fine, slow to whip, sinks"),
    "sugar-to-yolk": Kind("Sugar to yolk", "loose, sets soft", "heavy and very sweet"),
    "flour-to-egg": Kind("Flour to egg", "tender, may sink or shrink", "firm, dry, rises less"),
    "starch-to-flour": Kind("Starch in the flour", "more chew", "short and dry, crumbles", percent=True),
    "sugar-to-flour": Kind("Sugar to flour", "tough, pale", "sinks, sticky crust"),
    "fat-to-flour": Kind("Fat to flour", "dry, stales sooner", "tender, costs the foam air"),
    "fat-to-egg": Kind("Fat to egg", "less rich, springs more", "rich, heavy, falls after the oven"),
    "liquid-to-flour": Kind("Liquid to flour", "dry, cracks when rolled", "moist, a dense layer below"),
    "water-to-flour": Kind("Water to flour", "stiff batter, dry crumb", "slack, sets late, sinks"),
    "nuts-to-sugar": Kind("Nuts to sugar", "hard, sweet, spreads", "rough, oily top"),
    "dry-to-white": Kind("Dry to white", "runs flat, long skin", "stiff, peaks stay, no feet"),
    "acid-to-white": Kind("Acid to white", "less steady, easy to over-whip", "slower, tastes sharp", percent=True),
    "leavener-to-flour": Kind("Leavener to flour", "the foam lifts alone", "coarse, rises and sinks", percent=True),
}
T = Technique
BANDS: dict[tuple[Technique, str], tuple[float, float, float]] = {
    (T.CHIFFON, "sugar-to-white"): (0.40, 0.47, 0.62),
    (T.CHIFFON, "flour-to-egg"): (0.30, 0.37, 0.48),
    (T.CHIFFON, "sugar-to-flour"): (0.95, 1.15, 1.40),
    (T.CHIFFON, "fat-to-flour"): (0.45, 0.72, 0.95),
    (T.CHIFFON, "liquid-to-flour"): (0.50, 0.65, 0.90),
    (T.CHIFFON, "water-to-flour"): (2.2, 2.9, 3.7),
    (T.CHIFFON, "leavener-to-flour"): (0.0, 1.0, 3.5),
    (T.CHIFFON_ROLL, "sugar-to-white"): (0.40, 0.50, 0.65),
    (T.CHIFFON_ROLL, "flour-to-egg"): (0.20, 0.28, 0.38),
    (T.CHIFFON_ROLL, "sugar-to-flour"): (1.0, 1.25, 1.65),
    (T.CHIFFON_ROLL, "fat-to-flour"): (0.55, 0.85, 1.25),
    (T.CHIFFON_ROLL, "liquid-to-flour"): (0.50, 0.75, 1.10),
    (T.CHIFFON_ROLL, "water-to-flour"): (2.8, 3.8, 5.2),
    (T.GENOISE, "sugar-to-egg"): (0.50, 0.57, 0.66),
    (T.GENOISE, "flour-to-egg"): (0.48, 0.56, 0.66),
    (T.GENOISE, "sugar-to-flour"): (0.88, 1.0, 1.15),
    (T.GENOISE, "fat-to-flour"): (0.20, 0.36, 0.55),
    (T.GENOISE, "water-to-flour"): (1.2, 1.6, 2.0),
    (T.COLD_GENOISE, "sugar-to-egg"): (0.48, 0.56, 0.68),
    (T.COLD_GENOISE, "flour-to-egg"): (0.45, 0.55, 0.68),
    (T.COLD_GENOISE, "starch-to-flour"): (15, 33, 55),
    (T.COLD_GENOISE, "sugar-to-flour"): (0.85, 1.0, 1.20),
    (T.COLD_GENOISE, "fat-to-flour"): (0.15, 0.20, 0.45),
    (T.SEPARATED_SPONGE, "sugar-to-white"): (0.45, 0.65, 0.95),
    (T.SEPARATED_SPONGE, "flour-to-egg"): (0.40, 0.52, 0.66),
    (T.SEPARATED_SPONGE, "sugar-to-flour"): (0.85, 1.05, 1.35),
    (T.SEPARATED_SPONGE, "water-to-flour"): (1.1, 1.5, 2.0),
    (T.RICH_SPONGE, "sugar-to-white"): (0.35, 0.55, 0.85),
    (T.RICH_SPONGE, "flour-to-egg"): (0.0, 0.12, 0.30),
    (T.RICH_SPONGE, "fat-to-egg"): (0.45, 0.75, 1.10),
    (T.CREAMED_SPONGE, "sugar-to-white"): (0.30, 0.50, 0.75),
    (T.CREAMED_SPONGE, "flour-to-egg"): (0.70, 0.90, 1.10),
    (T.CREAMED_SPONGE, "sugar-to-flour"): (0.75, 0.95, 1.15),
    (T.CREAMED_SPONGE, "fat-to-flour"): (0.55, 0.85, 1.05),
    (T.CREAMED_SPONGE, "leavener-to-flour"): (0.8, 2.0, 4.0),
    (T.SOUFFLED_SHEET, "sugar-to-white"): (0.40, 0.60, 0.95),
    (T.SOUFFLED_SHEET, "fat-to-egg"): (0.15, 0.32, 0.60),
    (T.SOAKED_SPONGE, "sugar-to-white"): (0.40, 0.60, 0.85),
    (T.SOAKED_SPONGE, "flour-to-egg"): (0.45, 0.55, 0.70),
    (T.SOAKED_SPONGE, "sugar-to-flour"): (0.80, 1.0, 1.20),
    (T.SOAKED_SPONGE, "leavener-to-flour"): (0.0, 1.0, 3.5),
    (T.LADYFINGERS, "sugar-to-white"): (0.60, 0.78, 1.0),
    (T.LADYFINGERS, "flour-to-egg"): (0.45, 0.58, 0.75),
    (T.LADYFINGERS, "sugar-to-flour"): (0.80, 0.95, 1.15),
    (T.SHELLS, "nuts-to-sugar"): (0.90, 1.0, 1.18),
    (T.SHELLS, "dry-to-white"): (2.1, 2.45, 2.8),
    (T.MOUSSE, "sugar-to-yolk"): (0.6, 0.9, 1.3),
}
"""Low, likely, high by class. Trade habit, as are the method's own below; this kitchen's good bakes replace them."""
METHOD_BANDS: dict[tuple[Technique, Method], tuple[float, float, float]] = {
    (T.SHELLS, Method.FRENCH): (0.88, 0.95, 1.05),
    (T.SHELLS, Method.SWISS): (0.88, 0.95, 1.05),
    (T.SHELLS, Method.ITALIAN): (1.15, 1.3, 1.45),
    (T.MERINGUE, Method.FRENCH): (1.3, 1.75, 2.1),
    (T.MERINGUE, Method.SWISS): (1.4, 1.8, 2.1),
    (T.MERINGUE, Method.ITALIAN): (1.4, 1.75, 2.1),
}
"""Sugar to white."""
ACID_BAND = (0.2, 0.4, 0.7)
"""Percent of the whites, as cream of tartar. Trade habit."""


def flour_g(material: Material) -> float:
    """Grams of flour and starch."""
    return _sum(material, lambda i: ingredient(i).composition.starch > STARCHY)


def starch_g(material: Material) -> float:
    """Grams of nearly pure starch."""
    return _sum(material, lambda i: ingredient(i).composition.starch > 0.8)


def egg_g(material: Material) -> float:
    """Grams of egg, white and yolk; dried egg counts as what it makes."""
    return _sum(material, lambda i: ingredient(i).kind == "egg") + _water_of_dried_g(material)


def _water_of_dried_g(material: Material) -> float:
    return (DRIED_WHITE_MAKES - 1) * material.grams_of("white-dried") + (DRIED_EGG_MAKES - 1) * (
        material.grams_of("egg-dried")
    )


def nut_g(material: Material) -> float:
    """Grams of ground nuts and seeds."""
    return _sum(material, lambda i: ingredient(i).kind == "nut" and ingredient(i).composition.fat > NUTTY)


def added_sugar_g(material: Material) -> float:
    """Grams of sugars beside those of the eggs themselves."""
    parts = [(g, ingredient(i)) for i, g in material.parts.items()]
    return sum(g * item.composition.sugars for g, item in parts if item.kind != "egg")


def sugar_to_egg(material: Material) -> float:
    """Grams of added sugar to a gram of egg; 0 without egg."""
    egg = egg_g(material)
    return added_sugar_g(material) / egg if egg > 0 else 0.0


def liquid_g(material: Material) -> float:
    """Grams of water brought by liquids, beside the eggs'."""
    parts = [(g, ingredient(i)) for i, g in material.parts.items()]
    brought = sum(g * item.composition.water for g, item in parts if item.kind in LIQUID_KINDS)
    return max(0.0, brought - _water_of_dried_g(material))


def _sum(material: Material, wanted: Callable[[str], bool]) -> float:
    return sum(g for i, g in material.parts.items() if wanted(i))


def _ratio(
    ratio_id: str, part: float, whole: float, band: tuple[float, float, float] | None, needs_part: bool = True
) -> list[Ratio]:
    if whole <= 0 or part < 0 or (part <= 0 and (needs_part or band is None)):
        return []
    kind = KINDS[ratio_id]
    value = part / whole * (100 if kind.percent else 1)
    on = None if band is None else Estimate(low=band[0], likely=band[1], high=band[2], basis=Basis.HABIT)
    place = None
    if on is not None:
        place = Place.LOW if value < on.low else Place.HIGH if value > on.high else Place.WITHIN
    return [
        Ratio(
            id=ratio_id,
            name=kind.name,
            value=value,
            percent=kind.percent,
            band=on,
            place=place,
            low=kind.low,
            high=kind.high,
        )
    ]


def of_foam(foam: Material, technique: Technique, method: Method) -> list[Ratio]:
    """The ratios of what is whipped together; ``method`` counts for whites only."""
    white, egg, sugar = egg_white_g(foam), egg_g(foam), added_sugar_g(foam)
    if white > 0 and egg <= white * 1.001:
        band = METHOD_BANDS.get((technique, method)) or BANDS.get((technique, "sugar-to-white"))
        acid = as_cream_of_tartar_g(foam)
        return _ratio("sugar-to-white", sugar, white, band) + _ratio("acid-to-white", acid, white, ACID_BAND)
    yolk = foam.grams_of(*YOLKS)
    if yolk > 0 and yolk >= egg * 0.999:
        return _ratio("sugar-to-yolk", sugar, yolk, BANDS.get((technique, "sugar-to-yolk")))
    return _ratio("sugar-to-egg", sugar, egg, BANDS.get((technique, "sugar-to-egg"))) if egg > 0 else []


def of_batter(whole: Material, foams: Iterable[Material], technique: Technique) -> list[Ratio]:
    """The ratios of a component: ``whole`` is all that is weighed for it, ``foams`` what is whipped of that."""
    whole = whole.smooth  # pieces bring weight, but neither sugar nor water into the crumb
    flour, egg, sugar = flour_g(whole), egg_g(whole), added_sugar_g(whole)
    composition, mass = whole.composition, whole.mass_g
    found: list[Ratio] = []

    def add(ratio_id: str, part: float, per: float, needs_part: bool = True) -> None:
        found.extend(_ratio(ratio_id, part, per, BANDS.get((technique, ratio_id)), needs_part))

    if technique is Technique.SHELLS:
        nuts = nut_g(whole)
        dry_sugar = sugar - sum(added_sugar_g(f) for f in foams)
        add("nuts-to-sugar", nuts, dry_sugar)
        add("dry-to-white", nuts + dry_sugar, egg_white_g(whole))
        return found
    add("flour-to-egg", flour, egg)
    if flour > 0.05 * mass:
        add("starch-to-flour", starch_g(whole), flour)
        add("sugar-to-flour", sugar, flour)
        add("fat-to-flour", composition.fat * mass, flour)
        add("liquid-to-flour", liquid_g(whole), flour)
        add("water-to-flour", composition.water * mass, flour)
        add("leavener-to-flour", as_baking_powder_g(whole), flour)
    if (technique, "fat-to-egg") in BANDS:
        add("fat-to-egg", composition.fat * mass, egg)
    return found
