"""Allergens by the lists of the law, and what a set of goods holds of them.

Goods state what they hold by name (wheat, hazelnut); a law's list gathers names into its groups. What a good holds
beyond the list of the kitchen's place is told too, apart: nothing that is known is left out. A good that is not known
makes every list that it is in incomplete, and the list says so. Nothing here is ever called free of anything.

Sources: EU 1169/2011, Annex II; US FALCPA with the FASTER Act (sesame), tree nuts as in the FDA's guidance of 2025.
All recalled, not checked against a copy: the kitchen's own authority leads.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from enum import StrEnum

from kindwhisk.core.ingredients.ingredient import Ingredient
from kindwhisk.core.values.model import Value

NAMES: dict[str, str] = {
    "wheat": "wheat", "rye": "rye", "barley": "barley", "oats": "oats", "crustacean": "crustaceans", "egg": "egg",
    "fish": "fish", "peanut": "peanut", "soya": "soya", "milk": "milk", "almond": "almond", "hazelnut": "hazelnut",
    "walnut": "walnut", "cashew": "cashew", "pecan": "pecan", "brazil-nut": "Brazil nut", "pistachio": "pistachio",
    "macadamia": "macadamia", "pine-nut": "pine nut", "celery": "celery", "mustard": "mustard", "sesame": "sesame",
    "sulphites": "sulphites", "lupin": "lupin", "mollusc": "molluscs",
}  # fmt: skip
"""Every allergen that a good can state, as it is said."""
_EU_NUTS = ("almond", "hazelnut", "walnut", "cashew", "pecan", "brazil-nut", "pistachio", "macadamia")


class Law(StrEnum):
    """Whose list of allergens a label follows."""

    EU = "eu"
    US = "us"


LISTS: Mapping[Law, Mapping[str, tuple[str, ...]]] = {
    Law.EU: {
        "gluten": ("wheat", "rye", "barley", "oats"), "crustaceans": ("crustacean",), "egg": ("egg",),
        "fish": ("fish",),
        "peanut": ("peanut",), "soya": ("soya",), "milk": ("milk",), "nuts": _EU_NUTS, "celery": ("celery",),
        "mustard": ("mustard",), "sesame": ("sesame",), "sulphites": ("sulphites",), "lupin": ("lupin",),
        "molluscs": ("mollusc",),
    },
    Law.US: {
        "milk": ("milk",), "egg": ("egg",), "fish": ("fish",), "crustaceans": ("crustacean",),
        "tree nuts": (*_EU_NUTS, "pine-nut"), "peanut": ("peanut",), "wheat": ("wheat",), "soya": ("soya",),
        "sesame": ("sesame",),
    },
}  # fmt: skip
"""The groups of each list with the names that they gather; a group of one goes by its own name."""


class Holds(Value):
    """What some goods hold for whom.

    Attributes:
        allergens: names that they hold as they are usually made, in the order of :data:`NAMES`.
        often: further names that some makers add, or traces; the labels say.
        unknown: goods of which nothing is known, in their own words; while there is one, the list is incomplete.
        labels: goods that were made or filled elsewhere, whose labels must be read.
    """

    allergens: tuple[str, ...] = ()
    often: tuple[str, ...] = ()
    unknown: tuple[str, ...] = ()
    labels: tuple[str, ...] = ()

    @property
    def complete(self) -> bool:
        """Whether every good in it is known."""
        return not self.unknown


def ordered(names: Collection[str]) -> tuple[str, ...]:
    """Allergens in the order in which they are told."""
    return tuple(n for n in NAMES if n in names)


def holds(goods: Iterable[Ingredient]) -> Holds:
    """What all of them together hold."""
    items = list(dict.fromkeys(goods))
    allergens = {a for i in items for a in i.allergens}
    return Holds(
        allergens=ordered(allergens),
        often=ordered({a for i in items for a in i.often} - allergens),
        unknown=tuple(dict.fromkeys(i.name for i in items if not i.allergens_known)),
        labels=tuple(dict.fromkeys(i.name for i in items if i.check_label and i.allergens_known)),
    )


def declared(names: Collection[str], law: Law) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Allergens as a law's list has them, such as ``gluten (wheat)``, and those beyond the list."""
    listed: list[str] = []
    seen: set[str] = set()
    for group, members in LISTS[law].items():
        own = [n for n in members if n in names]
        seen.update(own)
        if own:
            listed.append(group if members == (own[0],) else f"{group} ({', '.join(NAMES[n] for n in own)})")
    return tuple(listed), tuple(NAMES[n] for n in ordered(set(names) - seen))


def _goods(count: int) -> str:
    return f"{count} good{'' if count == 1 else 's'} not known here"


def contains(held: Holds, law: Law) -> str:
    """One sentence for a label: what is contained by the law's list, what beyond it, and what is not known."""
    listed, beyond = declared(held.allergens, law)
    unknown = f"{_goods(len(held.unknown))}: {', '.join(held.unknown)}" if held.unknown else ""
    if listed:
        said = f"Contains {', '.join(listed)}" + (f", and {unknown}" if unknown else "")
    elif unknown:
        said = f"Contains {unknown}"
    else:
        said = "Contains nothing of the list, as far as the table knows"
    return said + "." + (f" Beyond that list: {', '.join(beyond)}." if beyond else "")


def labels(held: Holds, law: Law) -> str:
    """What the labels of bought goods have to tell; empty where nothing was bought made."""
    if not held.labels and not held.often:
        return ""
    listed, beyond = declared(held.often, law)
    often = ", ".join((*listed, *beyond))
    read = f"Check the label{'' if len(held.labels) == 1 else 's'} of {', '.join(held.labels)}"
    return read + (f": may also hold {often}." if often else ".")


def may_hold(held: Holds, allergen: str, law: Law) -> bool:
    """Whether it can't be ruled out that it holds an allergen, or one of a group of the list.

    True also for what labels often add, and for everything while a good is not known.
    """
    members = LISTS[law].get(allergen, (allergen,))
    return not held.complete or any(n in {*held.allergens, *held.often} for n in members)
