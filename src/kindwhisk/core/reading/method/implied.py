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
    r"\d{2,3} ?(?:°|[cf]\b).{0,8}(?:an|one|1) hour|\d{2,3}\s*(?:°\s*[cf]?|c\b|f\b|º|fan\b|degrees|gradi|degrés|độ|度).*?\d\s*(?:min|分|h\b|hour|phút|ore\b)|\d{2,3}\s*(?:°|degrees).*?(?:\d\s*h\s*\d|hour)|\d{2,3} ?[cf]\b.{0,6}\d ?hr?\b|(?<!\d)(?:1[0-9]|2[0-4]|3[0-7])[05](?: \w+)? for (?:about )?\d+.{0,10}?(?:min|h(?!\w)|hr|hour)|\d\s*min.*?\d{2,3}\s*(?:°|c\b|f\b)|(?<!\d)\d{1,2} ?h(?:eures?|ours?|ore)? (?:à|at|a) \d{2,3} ?°"
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
_EGGS_WARM = re.compile(
    r"(?<!\d)(?:3[5-9]|[4-6]\d) ?(?:°|c(?!\w))|(?<!\w)(?:hot|warm(?:ed)?) to (?:3[5-9]|[4-6]\d)(?!\d)"
)
_STROKES = re.compile(r"\d ?(?:folds|strokes|turns)(?!\w)")
_NOZZLE = re.compile(r"(?<!\w)(?:nozzle|piping bag|douille|bocchetta)(?!\w)")
_BY_HAND = re.compile(
    r"(?:^(?:by hand|a mano|à la main)[,:]? )|,? (?:by hand|with (?:a|the) spatula|(?:piano )?con la spatola|a mano|à la maryse)$"
)
"""“Flour by hand”, “a mano: zucchero a velo”."""
PART_IN = re.compile(r"(?:(?:one|a) (?:third|quarter)|\d/\d|half|(?:the )?rest)(?: of \w+)?,? in(?!\w)")
_BY_HAND_IN = re.compile(r"(?:the )?(?:\w+ )?\w+ in (?:with|by) (?:an? )?(?:hand|spatula|whisk|spoon)")
_ONTO = re.compile(r"(?:onto|over|into) the (?!oven|fridge|freezer|refrigerator)")
_COLD = re.compile(r"(?:and |then )?(?:in(?:to)? the |in |au )?(?:fridge|freezer|frigo|refrigerator|cold room)(?!\w)")
_INTO_OVEN = re.compile(r"(?<!\w)into the oven(?!\w)")
_SYRUP = re.compile(r"(?<!\d)1[0-6]\d(?!\d)(?! ?(?:g|gr|grams?|grammes?|grammi|ml|mils?)\b| (?:\w+ )?(?:sugar|flour))")
_GOES_IN = re.compile(
    r"(?<!\w)(?:go(?:es)? in|in (?:at the end|last|now|too)|in$|in(?:to)? the|onto|sifted (?:in|over|on)|on top)(?!\w)"
)
_MIXER = re.compile(
    r"(?<!\w)(?:in|con la) planetaria(?!\w)|(?<!\w)au (?:robot|batteur)(?!\w)|^(?:stand )?mixer(?!\w)|(?<!\w)(?:(?:in|on)(?:to)? the (?:stand )?mixer|by machine)|^(?:straight |then |off the heat )?to the (?:stand )?mixer(?!\w)|^(?:in |on )?(?:the )?machine(?= \d|,|$)"
)


_BARE_HEAT = re.compile(r"(?:\d ?x ?\d{1,2} ?(?:cm|in\w*), ?)?1[3-9]\d ?(?:for|/|, ?(?=\d+ ?min)) ?\d{1,2}(?!\d)")
"""“165, 25 min”, “2 x 15 cm, 170 / 30”."""
_REST_AROUND = re.compile(
    r"(?:the )?rest of the (?:\w+ )?(?:cream|buttercream|ganache|icing|frosting|mousse) (?:around|over|on|outside)"
)
_INTO_FRAME = re.compile(r"(?<!\w)into the (?:lined |greased |buttered )?(?:frame|tin|mould|pan|tray|ring)s?$")
ON_EACH_LAYER = r"(?:on|between) (?:each|every|the) (?:layer|disc|sponge)s?(?=,|$)"
"""“Cream and strawberries on each layer.”"""
ANOTHER_LAYER = (
    r"(?:second|other|third|last|top|remaining|upper) (?:disc|disk|layer|round|sheet|biscuit|sponge|cake|half|piece)"
)
"""“The second disc”: another piece of what was cut or baked."""
SO_FULL = re.compile(
    r"(?:^|: |, )(?:\w+ ){0,2}(?:cases|liners|moulds|molds|tins|cups|ramekins|glasses) (?:about )?(?:\d/\d|two[- ]thirds|three[- ]quarters|half|\d\d ?%)(?: of the way)?(?: full| filled)?"
)
"""“Cases 3/4 full.”"""
_INTO_ANOTHER = re.compile(
    r"(?:the )?(?:\w+ )?(?:meringue|whites|foam|cream|snow) into (?!the (?:bag|tin))|(?:a )?(?:bit|spoon\w*|little|some|scoop|ladle\w*)(?: of)? (?:the )?(?:batter|mix\w*|foam) into|(?:the )?(?:\w+ )?(?:yolks|flour) into (?:the )?\w+$"
)
"""“Meringue into yolks”, “a bit of the batter into the butter”."""


Foods = Callable[[set[str]], object]


def _any(_: set[str]) -> bool:
    return True


def _some(names: set[str]) -> bool:
    return bool(names)


def _sweet(names: set[str]) -> bool:
    return not names & _EGGS and any(ingredient(i).kind == "sugar" for i in names)


def _cream(names: set[str]) -> bool:
    return any(i.startswith("cream") for i in names)


_IMPLIED: tuple[tuple[Act, Callable[[str], object], Foods], ...] = (
    (
        Act.BLOOM,
        re.compile(r"(?:^|: )(?:the )?gelatine? in(?:to)? (?:some |a little )?(?:cold |iced )?water").search,
        _any,
    ),
    (Act.JOIN, re.compile(ON_EACH_LAYER).search, _some),
    (Act.HEAT, OVER_WATER.search, _some),
    (Act.HEAT, _EGGS_WARM.search, _EGGS.intersection),
    (Act.SIFT, re.compile(r"^tpt.*through (?:the|a) (?:blender|mixer|processor|sieve)").search, _any),
    (Act.SIFT, re.compile(r"through (?:the|a) (?:blender|mixer|processor|sieve)").search, _some),
    (Act.FOLD, _BY_HAND.search, _some),
    (Act.FOLD, _STROKES.search, _some),
    (Act.WHIP, _MIXER.search, _any),
    (Act.WHIP, _STIFF.search, {"egg-white"}.intersection),
    (Act.WHIP, _PALE.search, {"egg-yolk", "whole-egg"}.intersection),
    (Act.WHIP, lambda text: amounts(text) and _WHIPPED.search(text), _cream),
    (Act.TURN_OUT, re.compile(r"out of (?:the )?(?:tins?|pans?|moulds?|rings?|trays?)(?!\w)").match, _any),
    (Act.PIPE, lambda text: _NOZZLE.search(text) and re.search(r"\d", text), _any),
    (Act.BAKE, lambda text: BAKES.search(in_figures(text)), _any),
    (Act.BAKE, _BARE_HEAT.match, _any),
    (Act.BAKE, re.compile(r"(?<!\w)deck(?: oven)? \d{3}").search, _any),
    (Act.POUR, lambda text: TIN.search(text) and re.search(r"\d", text), _any),
    (
        Act.POUR,
        re.compile(r"(?:in(?:to)? (?:the )?)?(?:tins?|trays?|pans?|glasses|verrines|moulds?)(?=,|$)").match,
        _any,
    ),
    (
        Act.COOL,
        re.compile(r"(?:turn )?oven off(?!\w)|(?:till|until) (?:completely |quite )?(?:cool|cold)$").match,
        _any,
    ),
    (Act.TOP, _REST_AROUND.match, _any),
    (Act.TOP, re.compile(rf"(?:the )?{ANOTHER_LAYER}$").match, _any),
    (Act.TURN_OUT, re.compile(r"off the (?:tray|sheet|tin)(?!\w)").match, _any),
    (Act.POUR, _INTO_FRAME.search, _any),
    (Act.POUR, SO_FULL.search, _any),
    (Act.CHILL, re.compile(r"(?:overnight|\d+ ?h\w*) [^,;]*in the (?:fridge|freezer)").match, _any),
    (Act.INVERT, _UPSIDE.match, _any),
    (Act.BOIL, _SYRUP.search, _sweet),
    (Act.BOIL, re.compile(r"(?:the )?(?:\w+ )?syrup to (?:about )?1[0-3]\d").match, _any),
    (Act.POUR, re.compile(r"(?:the )?(?:\w+ )?syrup .*(?:stream|thread)|syrup on").match, _any),
    (Act.FOLD, _INTO_ANOTHER.match, _any),
    (Act.BEAT, _BEATEN.search, _some),
    (Act.FOLD, PART_IN.match, _any),
    (Act.FOLD, _BY_HAND_IN.match, _some),
    (Act.POUR, _ONTO.match, _any),
    (Act.CHILL, _COLD.match, _any),
    (Act.BAKE, _INTO_OVEN.search, _any),
    (Act.ADD, ONE_IN.fullmatch, _any),
    (Act.ADD, re.compile(r"(?:the )?(?:\w+ )?\w+ last").fullmatch, _some),
    (Act.DUST, _ON_TOP.search, lambda names: names and names <= DUSTS),
    (Act.ADD, _GOES_IN.search, _some),
)
"""What a stretch without a verb tells one to do, by what else it says and which foods it names; the first that suits."""


def implied(text: str) -> Act | None:
    """What a stretch without a verb tells one to do; None where it tells nothing."""
    names = {n.ingredient for n in find_all(text)}
    return next((act for act, says, of in _IMPLIED if of(names) and says(text)), None)
