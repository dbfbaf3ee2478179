"""Which ingredient a method's shorter word may mean: ``flour`` for cake flour, ``cream`` for double cream."""

from __future__ import annotations

from kindwhisk.core.ingredients import counts_as, ingredient, is_known

_JAMS = {"jam", "jam-berry", "jam-raspberry", "jam-strawberry", "marmalade"}
STANDS_FOR: dict[str, set[str]] = {
    "egg-white": {"white-dried", "white-pasteurised"},
    "egg-yolk": {"yolk-pasteurised", "yolk-sugared"},
    "whole-egg": {"egg-pasteurised", "egg-dried"},
    "plain-flour": {"cake-flour", "strong-flour", "self-raising-flour", "rice-flour", "wholemeal-flour", "almond-flour", "spelt-flour"},
    "cake-flour": {"plain-flour", "self-raising-flour"},
    "corn-starch": {"potato-starch", "wheat-starch", "tapioca-starch", "rice-flour"},
    "potato-starch": {"corn-starch", "wheat-starch", "tapioca-starch"},
    "wheat-starch": {"corn-starch", "potato-starch"},
    "dark-brown-sugar": {"brown-sugar"},
    "sugar": {"brown-sugar", "dark-brown-sugar", "demerara", "coconut-sugar"},
    "chocolate-dark": {"chocolate-milk", "chocolate-white", "chips-dark"},
    "milk": {"milk-semi", "milk-skimmed", "oat-drink", "soya-drink", "almond-drink", "coconut-drink"},
    "cream-35": {"cream-30", "cream-double", "cream-light", "mascarpone", "sour-cream"},
    "butter": {"butter-salted", "butter-clarified", "butter-brown", "margarine"},
    "vanilla-extract": {"vanilla-paste", "vanilla-powder", "vanilla-sugar"},
    "vanilla-paste": {"vanilla-extract"},
    "aniseed": {"star-anise"},
    "lemon": {"lemon-juice", "lemon-zest"},
    "orange": {"orange-juice", "orange-zest"},
    "lemon-juice": {"lemon"},
    "coffee": {"coffee-instant", "coffee-extract"},
    "almond": {"almond-flour", "almond-sliced", "almond-chopped"},
    "hazelnut": {"hazelnut-ground", "hazelnut-chopped"},
    "walnut": {"walnut-ground", "walnut-chopped"},
    "pistachio": {"pistachio-ground", "pistachio-paste"},
    "tea-black": {"tea-brewed"},
    "tea-brewed": {"tea-black"},
    "jam": _JAMS,
    "jam-berry": _JAMS,
    "liqueur": {"liqueur-coffee", "liqueur-orange", "liqueur-almond", "liqueur-hazelnut", "rum", "kirsch", "limoncello", "brandy"},
    "coconut-fresh": {"coconut-desiccated", "coconut-flakes", "coconut-sweetened"},
    "cherry": {"cherry-sour", "cherry-canned"},
    "cocoa": {"cocoa-dutch"},
    "ginger-fresh": {"ginger-ground"},
    "gelatine": {"gelatine-fish"},
}  # fmt: skip
"""A method's word, and what the list may call it."""


def covers(word: str, listed: str) -> bool:
    """Whether an id named in a sentence may mean an id of the list."""
    if word == listed or listed in STANDS_FOR.get(word, set()) or counts_as(listed) == counts_as(word):
        return True
    if listed.startswith(f"{word}-") or word.startswith(f"{listed}-"):
        return True
    if "-" in word and listed.endswith(f"-{word}"):
        return True
    return word == "oil-neutral" and is_known(listed) and ingredient(listed).kind == "fat" and listed.startswith("oil-")
