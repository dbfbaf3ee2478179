"""Faults of foam bakes, how each is drawn, and what usually causes it: one table."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum
from types import MappingProxyType

from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class Family(StrEnum):
    """What can go wrong in the same ways."""

    SPONGE = "sponges and chiffon"
    MERINGUE = "meringue"
    SHELLS = "shells"


def family_of(technique: Technique) -> Family:
    """The family of a class."""
    known = {Technique.MERINGUE: Family.MERINGUE, Technique.SHELLS: Family.SHELLS}
    return known.get(technique, Family.SPONGE)


class Fault(Value):
    """A fault: its ``words``, the family that shows it, ``drawn`` as its picture is called, and its causes with their
    weights (1 rare, 3 usual). ``also`` are other words for it."""

    words: str
    family: Family
    drawn: str
    causes: Mapping[str, float]
    also: tuple[str, ...] = ()


UNLISTED = "unlisted"
"""Something that is not on the list."""
UNLISTED_WEIGHT = 1.0


def _fault(family: Family, words: str, drawn: str, also: str = "", **causes: float) -> Fault:
    weights = MappingProxyType({name.replace("_", "-"): weight for name, weight in causes.items()})
    others = tuple(a.strip() for a in also.split(",") if a.strip())
    return Fault(words=words, family=family, drawn=drawn, causes=weights, also=others)


_S, _M, _H = Family.SPONGE, Family.MERINGUE, Family.SHELLS

FAULTS: tuple[Fault, ...] = (
    _fault(_S, "dense layer below", "dense", "dense layer at the bottom",
           air_lost=3, base_split=2, waited=2, foam_heavy=2, weak_below=1, liquid_much=1, over_whipped=1),
    _fault(_S, "sunk middle", "sunk", "sank in the middle",
           out_early=3, door_opened=2, over_whipped=2, leavener_sugar=1, too_full=1),
    _fault(_S, "waist or shrunk side", "waist", "shrank at the side, fell out of the tin",
           under_baked=3, not_hung=3, greased=2, over_whipped=1, over_baked=1),
    _fault(_S, "cracked or domed top", "domed", "cracked",
           too_hot=3, rack_dark=2, whites_stiff=2, liquid_little=1, poured_deep=2),
    _fault(_S, "coarse holes", "holes", "large holes",
           coarse_whisk=3, whites_warm=1, not_knocked=2, lumps_left=2),
    _fault(_S, "white streaks", "streaks", "raw streak",
           folded_short=3, over_whipped=3, waited=1),
    _fault(_S, "tough and low", "low", "dry edge",
           folded_long=3, flour_beaten=2, flour_strong=1, lean=1),
    _fault(_S, "fat streak or rubber line below", "fatline", "butter streak",
           fat_off=3, poured_one_place=2, folded_short=2),
    _fault(_S, "wet line below", "wetline", "",
           under_baked=3, base_split=2, liquid_much=2, soaked=2),
    _fault(_S, "sticks or tears", "torn", "",
           out_warm=3, lining_missed=3, under_baked=1),
    _fault(_S, "roll cracks", "rollcrack", "",
           dry_sheet=3, too_thick=2, rolled_cold=2, cut_late=1),
    _fault(_S, "skin comes off sticky", "sticky", "",
           covered_warm=3, under_baked=2, damp_air=1),
    _fault(_M, "weeps", "weeps", "",
           sugar_undissolved=3, dried_short=2, sugar_short=2),
    _fault(_M, "beads of syrup", "beads", "",
           over_baked=3, too_hot=3),
    _fault(_M, "cracks", "cracks", "cracked",
           too_hot=3, door_opened=3),
    _fault(_M, "chewy", "chewy", "",
           dried_short=3, damp_air=2),
    _fault(_M, "browned", "browned", "",
           too_hot=3),
    _fault(_M, "falls, stays loose", "fallen", "",
           fat_in_whites=3, under_whipped=2, over_whipped=2, sugar_early=2),
    _fault(_M, "grainy", "grainy", "",
           sugar_late=3),
    _fault(_M, "threads on the wall", "threads", "",
           on_the_whisk=3, syrup_hot=2),
    _fault(_M, "like soup with its syrup", "soup", "",
           syrup_cold=3, whites_soft=2, poured_fast=1),
    _fault(_M, "lumps of cooked egg", "lumps", "",
           syrup_hot=3, poured_fast=3),
    _fault(_H, "no feet", "nofeet", "",
           no_skin=3, batter_loose=2, oven_cold=2, whites_soft=2),
    _fault(_H, "cracked shells", "shellcrack", "cracked",
           no_skin=3, too_hot=3, coloured=2, not_tapped=2, batter_stiff=1),
    _fault(_H, "hollow", "hollow", "",
           batter_stiff=3, too_hot=2, under_baked=2),
    _fault(_H, "lopsided", "lopsided", "",
           skin_thick=2, hot_side=3, aslant=2, tray_warped=2),
    _fault(_H, "flat, spread", "flat", "",
           folded_far=3, whites_soft=2, kitchen_warm=1),
    _fault(_H, "points stay", "points", "",
           folded_short=3),
    _fault(_H, "wrinkled or oily", "wrinkled", "",
           nuts_oily=2, folded_far=2, under_baked=2, fat_in_whites=1),
    _fault(_H, "browned shells", "shellbrown", "",
           too_hot=3, baked_long=2, rack_high=2),
    _fault(_H, "stick to the tray", "stuck", "",
           under_baked=3, lifted_warm=2),
    _fault(_H, "feet burst outward", "burst", "",
           hot_below=2, too_hot=2, skin_thick=1),
    _fault(_H, "soft after filling", "soft", "",
           filling_wet=3, matured_long=2),
)  # fmt: skip
"""Weights: trade habit; bakes whose cause was confirmed teach them (:mod:`~kindwhisk.core.diagnosis.confirmed`)."""


def faults_of(family: Family) -> tuple[Fault, ...]:
    """The faults that a family shows."""
    return tuple(f for f in FAULTS if f.family is family)


def all_words(words: str) -> tuple[str, ...]:
    """These words of a fault with all others that it went by, in whatever family."""
    same = [f for f in FAULTS if words in {f.words, *f.also}]
    return tuple(dict.fromkeys((words, *(w for f in same for w in (f.words, *f.also)))))


def now_called(words: str) -> str:
    """What a fault of an earlier version goes by, where that is one alone."""
    same = {f.words for f in FAULTS if words in {f.words, *f.also}}
    return same.pop() if len(same) == 1 else words


def called(words: str, family: Family) -> Fault | None:
    """The fault of a family that goes by these words, or by earlier ones; None for one that the table has not."""
    wanted = words.strip().casefold()
    return next((f for f in faults_of(family) if wanted in {f.words, *f.also}), None)
