"""What a written recipe forgets or gets wrong, each with its consequence."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from enum import StrEnum

from kindwhisk.core.foams import balance
from kindwhisk.core.foams.foam import egg_white_g
from kindwhisk.core.ingredients import counts_as, ingredient, ingredient_table
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.reading.line import DISAGREE, ReadLine
from kindwhisk.core.reading.method import BAKES, FOLDS, LINES_TIN, PREHEATS, WHIPS, MethodReading
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class Level(StrEnum):
    """How much it matters."""

    WRONG = "wrong"
    MISSING = "missing"
    RISK = "risk"


class Remark(Value):
    """A fault of a recipe: where it stands, what it is, and what comes of it."""

    id: str
    level: Level
    where: str
    text: str
    consequence: str


STANDS_FOR: dict[str, set[str]] = {
    "whole-egg": {"egg-white", "egg-yolk"},
    "egg-white": {"whole-egg", "white-dried", "white-pasteurised"},
    "egg-yolk": {"whole-egg", "yolk-pasteurised"},
    "plain-flour": {
        "cake-flour",
        "strong-flour",
        "self-raising-flour",
        "rice-flour",
        "wholemeal-flour",
        "almond-flour",
    },
    "sugar": {"icing-sugar", "brown-sugar", "dark-brown-sugar"},
    "chocolate-dark": {"chocolate-milk", "chocolate-white", "cocoa", "chips-dark"},
    "milk": {
        "evaporated-milk",
        "condensed-milk",
        "coconut-milk",
        "oat-drink",
        "soya-drink",
        "milk-skimmed",
        "buttermilk",
    },
    "cream-35": {"sour-cream", "cream-cheese", "mascarpone", "cream-of-tartar", "coconut-milk"},
    "oil-neutral": {"oil-olive", "coconut-oil"},
    "butter": {"butter-clarified", "margarine", "almond-butter", "cocoa-butter"},
    "vanilla-extract": {"vanilla-paste"},
    "lemon-juice": {"lemon-zest"},
    "lemon-zest": {"lemon-juice"},
    "orange-juice": {"orange-zest"},
    "orange-zest": {"orange-juice"},
    "coffee": {"coffee-instant"},
    "almond-flour": {"almond-butter"},
    "tea-black": {"tea-brewed"},
    "jam-berry": {"jam", "jam-raspberry", "jam-strawberry"},
    "cocoa": {"chocolate-dark"},
}
"""A method's word that may well mean what the list calls by a longer name."""
UNNAMED = {"water", "salt"}
CUP_WORTH_G = 20.0
MISJUDGED = {"dry measure"}


def _covers(word: str, listed: set[str]) -> bool:
    return bool(STANDS_FOR.get(word, set()) & listed) or any(_same_food(word, other) for other in listed)


def _same_food(a: str, b: str) -> bool:
    """Whether two ids are one food, whole and cut, or one that counts as the other."""
    return a.startswith(f"{b}-") or b.startswith(f"{a}-") or counts_as(a) == counts_as(b)


def _lists(lines: Sequence[ReadLine], method: MethodReading) -> Iterator[Remark]:
    listed = {line.ingredient for line in lines if line.ingredient}
    for word in method.mentions:
        if word not in UNNAMED and not _covers(word, listed):
            name = ingredient(word).name
            yield Remark(
                id="not-listed",
                level=Level.MISSING,
                where=next((s for s in method.sentences if word in {n.ingredient for n in find_all(plain(s))}), "")[
                    :160
                ],
                text=f"The method uses {name}, the list does not have it.",
                consequence="You would notice only when the foam is already whipped.",
            )
    if not method.sentences:
        return
    spoken, said = set(method.mentions), " ".join(method.sentences).lower()
    generic = re.search(
        r"\b(?:dry ingredients|all (?:the )?ingredients|remaining ingredients|dry goods|batter)\b|材料",
        " ".join(method.sentences).lower(),
    )
    for line in lines:
        if line.ingredient is None or line.ingredient in UNNAMED:
            continue
        words = [w for w in line.name.split() if len(w) > 3]
        meant = (
            any(_same_food(line.ingredient, s) for s in spoken)
            or any(w in said for w in words)
            or any(line.ingredient in STANDS_FOR.get(w, set()) for w in spoken)
        )
        dry = ingredient(line.ingredient).kind in {"flour", "leavener", "salt", "flavour"}
        if not meant and not (generic and dry):
            yield Remark(
                id="never-used",
                level=Level.MISSING,
                where=line.text,
                text=f"{line.name} is listed and never used in the method.",
                consequence="Where it goes decides whether it costs the foam air.",
            )


def _amounts(lines: Sequence[ReadLine]) -> Iterator[Remark]:
    for line in lines:
        if line.ingredient is None:
            yield Remark(
                id="unknown",
                level=Level.MISSING,
                where=line.text,
                text=f"“{line.unknown or line.text}” is not known here.",
                consequence="Only its weight counts, and no list of allergens is complete, until you say what it is.",
            )
        elif line.grams is None and line.ingredient not in UNNAMED:
            yield Remark(
                id="no-amount",
                level=Level.MISSING,
                where=line.text,
                text=f"No amount of {line.name} is given.",
                consequence="It is left out of the draft, its weight and its water are not counted.",
            )
        if line.by in MISJUDGED and (line.grams or 0) >= CUP_WORTH_G and line.ingredient:
            spread = ((line.high_g or 0) - (line.low_g or 0)) / 2
            yield Remark(
                id="cup",
                level=Level.RISK,
                where=line.text,
                text=f"A cup misjudges {line.name} by a tenth and more.",
                consequence=f"Taken as {line.grams:.0f} g, give or take {spread:.0f} g: weigh it once and keep that.",
            )
        far = [s for s in line.stated if line.grams and abs(s / line.grams - 1) > DISAGREE]
        if far:
            yield Remark(
                id="disagrees",
                level=Level.WRONG,
                where=line.text,
                text=f"Two statements of one amount: {line.grams:.0f} g and {far[0]:.0f} g.",
                consequence="The weight was taken; if the other is right, the balance below is off.",
            )


def _material(lines: Sequence[ReadLine]) -> Material:
    parts: dict[str, float] = {}
    for line in lines:
        if line.ingredient and line.grams:
            parts[line.ingredient] = parts.get(line.ingredient, 0.0) + line.grams
    return Material(parts=parts)


PROPORTIONS: tuple[tuple[str, float, str, str], ...] = (
    ("salt", 0.015, "all of it", "Salt is tasted from a hundredth on, and loosens the foam."),
    ("cream-of-tartar", 0.02, "the whites", "More than a hundredth tastes sour and slows the whisk."),
    ("baking-powder", 0.07, "the flour", "It rises, tastes of soap and falls."),
    ("baking-soda", 0.025, "the flour", "It tastes of soap and browns."),
    ("vanilla-extract", 0.04, "all of it", "Its alcohol and taste come through."),
    ("gelatine", 0.03, "all of it", "It sets like rubber."),
)
"""Ingredient, the share beyond which it is far out of proportion, of what, and what comes of it. Trade habit."""


def _proportions(lines: Sequence[ReadLine]) -> Iterator[Remark]:
    whole = _material(lines)
    eggs = balance.egg_g(whole)
    whites = egg_white_g(whole) + 0.6 * whole.grams_of("whole-egg")
    totals = {"all of it": whole.mass_g, "the whites": whites, "the flour": balance.flour_g(whole)}
    for name, most, of, consequence in PROPORTIONS:
        there, total = whole.grams_of(name), totals[of]
        if there > 0 and total > 0 and there / total > most:
            yield Remark(
                id="out-of-proportion",
                level=Level.WRONG,
                where=next((line.text for line in lines if counts_as(line.ingredient or "") == name), ""),
                text=f"{ingredient(name).name}: {there / total:.0%} of {of} is far out of proportion.",
                consequence=consequence,
            )
    sugar, flour = balance.added_sugar_g(whole), balance.flour_g(whole)
    nuts = balance.nut_g(whole)
    of_egg = f"to {eggs:.0f} g of egg"
    checks = (
        (eggs > 0 and flour / eggs > 1.6, "flour", f"{flour:.0f} g of flour {of_egg}", "So little egg can't lift it."),
        (
            eggs > 0 and sugar / eggs > 2.3 and nuts < 0.3 * sugar,
            "sugar",
            f"{sugar:.0f} g of sugar {of_egg}",
            "It can't dissolve; it weeps.",
        ),
        (
            eggs > 0 and flour > 0 and sugar / eggs < 0.12,
            "sugar",
            f"only {sugar:.0f} g of sugar {of_egg}",
            "The foam dries and breaks.",
        ),
    )
    for wrong, kind, said, consequence in checks:
        if wrong:
            where = next(
                (line.text for line in lines if line.ingredient and ingredient(line.ingredient).kind == kind), ""
            )
            yield Remark(
                id="out-of-proportion",
                level=Level.WRONG,
                where=where,
                text=f"The {kind} is far out of proportion: {said}.",
                consequence=consequence,
            )


def _first(pattern: str, lines: Sequence[str]) -> int | None:
    return next((i for i, line in enumerate(lines) if re.search(pattern, line)), None)


def _order(method: MethodReading) -> Iterator[Remark]:
    """What is mentioned after the foam that needs it has been begun."""
    lines = [plain(s) for s in method.sentences]
    whip = _first(WHIPS, lines)
    fold = _first(FOLDS, lines)
    begun = whip if whip is not None else fold
    if begun is None:
        return
    late = (
        (PREHEATS, "The oven is heated", "The foam waits a quarter of an hour for it and loses its air."),
        (LINES_TIN, "The tin is prepared", "The batter stands while paper is cut."),
        (
            r"\bsift\b|tamise[zr]\b|setacciare|ふるっておく|\brây\b",
            "The flour is sifted",
            "A foam that waits for the sieve is losing air.",
        ),
        (
            r"\bmelt(?:ed)? .*(?:butter|chocolate)|fais fondre|fondere|溶か",
            "Something is melted",
            "It has to cool first.",
        ),
    )
    for pattern, said, consequence in late:
        at = _first(pattern, lines)
        if at is not None and at > begun and (fold is None or at >= fold or pattern in {PREHEATS, LINES_TIN}):
            yield Remark(
                id="too-late",
                level=Level.RISK,
                where=method.sentences[at][:160],
                text=f"{said} only after the foam has been begun.",
                consequence=consequence,
            )
    reserved = _first(r"\breserved\b|\bprepared\b|\bset aside (?:mixture|earlier)", lines)
    if reserved is not None and not any(
        re.search(r"\breserve\b|set aside|put aside|keep (?:back|aside)|prepare", line) for line in lines[:reserved]
    ):
        yield Remark(
            id="from-elsewhere",
            level=Level.MISSING,
            where=method.sentences[reserved][:160],
            text="This needs something prepared earlier, and the recipe does not say when or how.",
            consequence="It has to be ready before the foam is begun.",
        )


def _ends(method: MethodReading, technique: Technique) -> Iterator[Remark]:
    baked = technique is not Technique.MOUSSE
    where = next((s for s in method.sentences if re.search(BAKES, plain(s))), "")[:160]
    if baked and method.oven_c is None:
        yield Remark(
            id="no-temperature", level=Level.MISSING, where=where, text="No oven temperature is given.",
            consequence="The usual one for this class is proposed: confirm it.",
        )  # fmt: skip
    if baked and method.tin is None and technique not in {Technique.SHELLS, Technique.LADYFINGERS, Technique.MERINGUE}:
        yield Remark(
            id="no-tin", level=Level.MISSING, where="", text="No tin with its size is named.",
            consequence="Depth decides the time in the oven: a usual tin is proposed.",
        )  # fmt: skip
    if baked and not method.end_point:
        yield Remark(
            id="no-end-point", level=Level.MISSING, where=where, text="It does not say how to tell that it is done.",
            consequence="A time is true for one oven only; the usual end point is proposed.",
        )  # fmt: skip
    if baked and method.bake_minutes is None:
        yield Remark(
            id="no-time", level=Level.MISSING, where=where, text="No time in the oven is given.",
            consequence="The usual one for this class and tin is proposed.",
        )  # fmt: skip


def _fat(method: MethodReading) -> Iterator[Remark]:
    fats = {i for i, item in ingredient_table().items() if item.kind == "fat"} | {"egg-yolk"}
    for sentence in method.sentences:
        line = plain(sentence)
        ids = {n.ingredient for n in find_all(line)}
        greased = re.search(r"grease[d]? (?:the |a |your )?(?:mixing )?bowl|oiled bowl", line)
        same = re.search(r"same (?:bowl|beaters?|whisk)", line) and re.search(r"white", line) and "clean" not in line
        into = (
            re.search(WHIPS, line)
            and "egg-white" in ids
            and ids & fats
            and not re.search(r"fold|separate|yolks? aside", line)
        )
        if (
            greased
            or same
            or (into and re.search(r"whites? (?:with|and|together with) (?:the )?(?:yolk|oil|butter)", line))
        ):
            yield Remark(
                id="fat-near-whites",
                level=Level.WRONG,
                where=sentence[:160],
                text="Fat comes near the whites.",
                consequence="A trace of yolk, oil or butter keeps them from coming up.",
            )


def lint(lines: Sequence[ReadLine], method: MethodReading, technique: Technique) -> tuple[Remark, ...]:
    """Every remark on a recipe, the wrong ones first."""
    found = [
        *_lists(lines, method),
        *_amounts(lines),
        *_proportions(lines),
        *_order(method),
        *_ends(method, technique),
        *_fat(method),
    ]
    return tuple(sorted(found, key=lambda r: list(Level).index(r.level)))
