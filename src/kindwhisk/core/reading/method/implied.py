"""What a stretch without a verb tells one to do: “whites, stiff”, “18 cm tin, 170 °C, 40 min”, “into the fridge”."""

from __future__ import annotations

import re
from collections.abc import Callable

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.names import find_all

OVER_WATER = re.compile(
    r"over (?:a )?(?:\w+ ){0,3}(?:simmering|hot|barely|warm|boiling) ?\w* ?water|double boiler|(?<!off the )(?<!from the )(?:water[- ]?bath|bain[- ]?marie)(?<!du bain-marie)(?<!du bain marie)|over water|over the (?:bath|bain)(?!\w)|"
    r"over a (?:pan|pot|saucepan) of|set over (?:a )?\w* ?(?:simmering|hot|water)|(?<!dal )bagnomaria|湯煎(?!から)|cách thủy|trên nồi nước"
)
_STIFF = re.compile(r"\b(?:stiff|peaks?|firm|neige|foamy|frothy|snow|to (?:a )?foam)\b")
_PALE = re.compile(r"\b(?:pale|thick|creamy|ribbon|fluffy|trail)\b")
BAKES = re.compile(
    r"\d{2,3} ?(?:°|[cf]\b).{0,8}(?:an|one|1) hour|\d{2,3}\s*(?:°\s*[cf]?|c\b|f\b|º|fan\b|degrees|gradi|degrés|độ|度).*?\d\s*(?:min|分|h\b|hour|phút|ore\b)|\d{2,3}\s*(?:°|degrees).*?(?:\d\s*h\s*\d|hour)|\d{2,3} ?[cf]\b.{0,6}\d ?hr?\b|(?<!\d)(?:1[0-9]|2[0-4]|3[0-7])[05](?: \w+)? for (?:about )?\d+.{0,10}?min|\d\s*min.*?\d{2,3}\s*(?:°|c\b|f\b)"
)
TIN = re.compile(
    r"\b(?:springforms?|tins?|pans?|moulds?|trays?|rings?|dish|stampo|teglia|tortiera|moule|plaque|cercle|khuôn|khay)\b|型|天板"
)
_WHIPPED = re.compile(r"(?<!\w)(?:whipped|fouettée|montata)$")
_UPSIDE = re.compile(
    r"(?:(?:then |and )?(?:straight|at once|immediately)(?: away)?,? )?(?:upside[- ]down|inverted)(?!\w)"
)
_BEATEN = re.compile(r"(?<!\w)(?:whisked|beaten|mixed|stirred)(?! egg| white)(?!\w)")
DUSTS = {"icing-sugar", "cocoa", "sugar"}
"""What is sieved over a thing, where it goes on top."""
_ON_TOP = re.compile(r"(?<!\w)(?:on top|over(?=,|$))(?!\w)")
ONE_IN = re.compile(r"(?:the )?[^\W\d]{3,} in")
"""“Zest in.”"""
_EGGS = {"whole-egg", "egg-yolk", "egg-white"}
_EGGS_WARM = re.compile(r"(?<!\d)(?:3[5-9]|[4-6]\d) ?(?:°|c(?!\w))")
_STROKES = re.compile(r"\d ?(?:folds|strokes|turns)(?!\w)")
_NOZZLE = re.compile(r"(?<!\w)(?:nozzle|piping bag|douille|bocchetta)(?!\w)")
_BY_HAND = re.compile(
    r"(?:^(?:by hand|a mano|à la main)[,:]? )|,? (?:by hand|with (?:a|the) spatula|a mano|à la maryse)$"
)
"""“Flour by hand”, “a mano: zucchero a velo”."""
PART_IN = re.compile(r"(?:(?:one|a) (?:third|quarter)|\d/\d|half|(?:the )?rest)(?: of \w+)?,? in(?!\w)")
_BY_HAND_IN = re.compile(r"(?:the )?(?:\w+ )?\w+ in (?:with|by) (?:an? )?(?:hand|spatula|whisk|spoon)")
_ONTO = re.compile(r"(?:onto|over|into) the (?!oven|fridge|freezer|refrigerator)")
_COLD = re.compile(r"(?:and |then )?(?:in(?:to)? the |in |au )?(?:fridge|freezer|frigo|refrigerator)(?!\w)")
_INTO_OVEN = re.compile(r"(?<!\w)into the oven(?!\w)")
_SYRUP = re.compile(r"(?<!\d)1[0-6]\d(?!\d)(?! ?(?:g|gr|grams?|grammes?|grammi|ml|mils?)\b| (?:\w+ )?(?:sugar|flour))")
_GOES_IN = re.compile(
    r"(?<!\w)(?:go(?:es)? in|in (?:at the end|last|now|too)|in$|in(?:to)? the|onto|sifted (?:in|over|on)|on top)(?!\w)"
)
_MIXER = re.compile(
    r"(?<!\w)(?:in|con la) planetaria(?!\w)|(?<!\w)au (?:robot|batteur)(?!\w)|^(?:stand )?mixer(?!\w)|(?<!\w)(?:(?:in|on)(?:to)? the (?:stand )?mixer|by machine)"
)


def _sweet_and_hot(text: str, names: set[str]) -> bool:
    return not names & _EGGS and any(ingredient(i).kind == "sugar" for i in names) and bool(_SYRUP.search(text))


_IMPLIED: tuple[tuple[Callable[[str, set[str]], object], Act], ...] = (
    (lambda text, names: names and OVER_WATER.search(text), Act.HEAT),
    (lambda text, names: names & _EGGS and _EGGS_WARM.search(text), Act.HEAT),
    (
        lambda text, names: (
            (names or text.startswith("tpt"))
            and re.search(r"through (?:the|a) (?:blender|mixer|processor|sieve)", text)
        ),
        Act.SIFT,
    ),
    (lambda text, names: names and _BY_HAND.search(text), Act.FOLD),
    (lambda text, names: names and _STROKES.search(text), Act.FOLD),
    (lambda text, _: _MIXER.search(text), Act.WHIP),
    (lambda text, names: "egg-white" in names and _STIFF.search(text), Act.WHIP),
    (lambda text, names: names & {"egg-yolk", "whole-egg"} and _PALE.search(text), Act.WHIP),
    (
        lambda text, names: any(n.startswith("cream") for n in names) and amounts(text) and _WHIPPED.search(text),
        Act.WHIP,
    ),
    (lambda text, _: re.match(r"out of the (?:tins?|pans?|moulds?|rings?)(?!\w)", text), Act.TURN_OUT),
    (lambda text, _: _NOZZLE.search(text) and re.search(r"\d", text), Act.PIPE),
    (lambda text, _: BAKES.search(in_figures(text)), Act.BAKE),
    (
        lambda text, _: re.match(
            r"(?:\d ?x ?\d{1,2} ?(?:cm|in\w*), ?)?1[3-9]\d ?(?:for|/|, ?(?=\d+ ?min)) ?\d{1,2}(?!\d)", text
        ),
        Act.BAKE,
    ),
    (lambda text, _: re.search(r"(?<!\w)deck(?: oven)? \d{3}", text), Act.BAKE),
    (lambda text, _: TIN.search(text) and re.search(r"\d", text), Act.POUR),
    (
        lambda text, _: re.match(
            r"(?:in(?:to)? (?:the )?)?(?:tins?|trays?|pans?|glasses|verrines|moulds?)(?=,|$)", text
        ),
        Act.POUR,
    ),
    (
        lambda text, _: re.match(
            r"(?:turn )?oven off(?!\w)|(?:till|until) (?:completely |quite )?(?:cool|cold)$", text
        ),
        Act.COOL,
    ),
    (
        lambda text, _: re.match(
            r"(?:the )?rest of the (?:\w+ )?(?:cream|buttercream|ganache|icing|frosting|mousse) (?:around|over|on|outside)",
            text,
        ),
        Act.TOP,
    ),
    (lambda text, _: re.match(r"off the (?:tray|sheet|tin)(?!\w)", text), Act.TURN_OUT),
    (
        lambda text, _: re.search(
            r"(?<!\w)into the (?:lined |greased |buttered )?(?:frame|tin|mould|pan|tray|ring)s?$", text
        ),
        Act.POUR,
    ),
    (lambda text, _: re.match(r"(?:overnight|\d+ ?h\w*) [^,;]*in the (?:fridge|freezer)", text), Act.CHILL),
    (lambda text, _: _UPSIDE.match(text), Act.INVERT),
    (_sweet_and_hot, Act.BOIL),
    (lambda text, _: re.match(r"(?:the )?(?:\w+ )?syrup to (?:about )?1[0-3]\d", text), Act.BOIL),
    (lambda text, _: re.match(r"(?:the )?(?:\w+ )?syrup .*(?:stream|thread)|syrup on", text), Act.POUR),
    (
        lambda text, _: re.match(
            r"(?:the )?(?:\w+ )?(?:meringue|whites|foam|cream|snow) into (?!the (?:bag|tin))|(?:a )?(?:bit|spoon\w*|little|some|scoop|ladle\w*)(?: of)? (?:the )?(?:batter|mix\w*|foam) into",
            text,
        ),
        Act.FOLD,
    ),
    (
        lambda text, _: re.fullmatch(
            r"(?:the )?(?:\w+ )?(?:yolks|whites|meringue|foam|cream|snow|flour) into (?:the )?\w+", text
        ),
        Act.FOLD,
    ),
    (lambda text, names: names and _BEATEN.search(text), Act.BEAT),
    (lambda text, _: PART_IN.match(text), Act.FOLD),
    (lambda text, names: names and _BY_HAND_IN.match(text), Act.FOLD),
    (lambda text, _: _ONTO.match(text), Act.POUR),
    (lambda text, _: _COLD.match(text), Act.CHILL),
    (lambda text, _: _INTO_OVEN.search(text), Act.BAKE),
    (lambda text, _: ONE_IN.fullmatch(text), Act.ADD),
    (lambda text, names: names and re.fullmatch(r"(?:the )?(?:\w+ )?\w+ last", text), Act.ADD),
    (lambda text, names: names and names <= DUSTS and _ON_TOP.search(text), Act.DUST),
    (lambda text, names: names and _GOES_IN.search(text), Act.ADD),
)
"""What a stretch without a verb tells one to do, by what else it says; the first that suits it."""


def implied(text: str) -> Act | None:
    """What a stretch without a verb tells one to do; None where it tells nothing."""
    names = {n.ingredient for n in find_all(text)}
    return next((act for says, act in _IMPLIED if says(text, names)), None)
