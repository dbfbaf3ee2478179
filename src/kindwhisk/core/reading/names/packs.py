"""What the packs of a country usually hold, in grams: an assumption that is shown as a question. Trade habit, recalled."""

from __future__ import annotations

from typing import NamedTuple


class Pack(NamedTuple):
    """A pack as it stands on the shelf."""

    grams: float
    says: str


US, EU = "us", "eu"
CONTAINERS = {"can", "pack", "carton", "sachet", "block", "tub", "jar", "bag", "bottle", "punnet", "box"}
"""Units that are packs, by the name of :mod:`~kindwhisk.core.reading.units`."""

_ANY = ""
PACKS: dict[str, dict[tuple[str, str], tuple[Pack, ...]]] = {
    # ingredient: (country, container), the most usual first; an empty one stands for any.
    "condensed-milk": {(US, _ANY): (Pack(397, "14 oz"), Pack(300, "10.5 oz")), (EU, _ANY): (Pack(397, "397 g"), Pack(305, "305 g"), Pack(1000, "1 kg"))},
    "evaporated-milk": {(US, _ANY): (Pack(354, "12 fl oz"), Pack(148, "5 fl oz")), (EU, _ANY): (Pack(410, "410 g"), Pack(340, "340 g"), Pack(170, "170 g"))},
    "coconut-milk": {(US, _ANY): (Pack(397, "13.5 fl oz"), Pack(160, "5.4 fl oz")), (EU, _ANY): (Pack(400, "400 ml"), Pack(200, "200 ml"), Pack(1000, "1 l"))},
    "coconut-cream": {(_ANY, _ANY): (Pack(400, "400 ml"), Pack(160, "160 ml"), Pack(250, "250 ml"))},
    "coconut-cream-sweet": {(_ANY, _ANY): (Pack(425, "15 oz"),)},
    "pumpkin-puree": {(_ANY, _ANY): (Pack(425, "15 oz"), Pack(822, "29 oz"))},
    "dulce-de-leche": {(_ANY, _ANY): (Pack(397, "397 g"), Pack(450, "450 g"))},
    "chestnut-cream": {(_ANY, _ANY): (Pack(250, "250 g"), Pack(500, "500 g"))},
    "chestnut-puree": {(_ANY, _ANY): (Pack(435, "435 g"),)},
    "peach-canned": {(US, _ANY): (Pack(250, "15 oz, drained"), Pack(480, "29 oz, drained")), (EU, _ANY): (Pack(240, "410 g, drained"), Pack(480, "820 g, drained"))},
    "pear-canned": {(_ANY, _ANY): (Pack(230, "410 g, drained"), Pack(460, "820 g, drained"))},
    "cherry-canned": {(_ANY, _ANY): (Pack(220, "425 g, drained"), Pack(350, "680 g, drained"))},
    "mandarin-canned": {(_ANY, _ANY): (Pack(175, "312 g, drained"),)},
    "pineapple-canned": {(_ANY, _ANY): (Pack(340, "565 g, drained"), Pack(140, "227 g, drained"))},
    "cream-cheese": {(US, _ANY): (Pack(226, "8 oz"),), (EU, _ANY): (Pack(200, "200 g"), Pack(300, "300 g"))},
    "mascarpone": {(US, _ANY): (Pack(227, "8 oz"),), (EU, _ANY): (Pack(250, "250 g"), Pack(500, "500 g"))},
    "ricotta": {(US, _ANY): (Pack(425, "15 oz"), Pack(907, "32 oz")), (EU, _ANY): (Pack(250, "250 g"),)},
    "sour-cream": {(US, _ANY): (Pack(227, "8 oz"), Pack(454, "16 oz")), (EU, _ANY): (Pack(200, "200 g"), Pack(300, "300 g"))},
    "yogurt": {(US, _ANY): (Pack(150, "5.3 oz"), Pack(907, "32 oz")), (EU, _ANY): (Pack(125, "125 g"), Pack(150, "150 g"), Pack(500, "500 g"))},
    "yogurt-greek": {(US, _ANY): (Pack(150, "5.3 oz"),), (EU, _ANY): (Pack(150, "150 g"), Pack(500, "500 g"))},
    "creme-fraiche": {(_ANY, _ANY): (Pack(200, "200 g"),)},
    "cream-35": {(US, _ANY): (Pack(236, "half a pint"), Pack(472, "a pint")), (EU, _ANY): (Pack(200, "200 ml"), Pack(250, "250 ml"), Pack(500, "500 ml"))},
    "milk": {(US, _ANY): (Pack(974, "a quart"),), (EU, _ANY): (Pack(1030, "1 l"), Pack(515, "500 ml"))},
    "butter": {(US, "block"): (Pack(454, "a pound"), Pack(227, "half a pound")), (US, _ANY): (Pack(454, "a pound of four sticks"), Pack(227, "half a pound")), (EU, _ANY): (Pack(250, "250 g"), Pack(500, "500 g"))},
    "gelatine": {(US, _ANY): (Pack(7, "¼ oz"),), (EU, _ANY): (Pack(9, "9 g"), Pack(12, "12 g"))},
    "baking-powder": {(EU, _ANY): (Pack(11, "a French sachet"), Pack(16, "an Italian or German sachet")), (US, _ANY): (Pack(11, "a French sachet"),)},
    "cream-of-tartar": {(_ANY, _ANY): (Pack(8, "8 g"),)},
    "vanilla-sugar": {(_ANY, _ANY): (Pack(7.5, "7.5 g"), Pack(8, "8 g"))},
    "vanilla-extract": {(_ANY, _ANY): (Pack(0.5, "half a gram of vanillin"),)},
    "yeast-dry": {(_ANY, _ANY): (Pack(7, "7 g"), Pack(11, "11 g"))},
    "yeast-fresh": {(_ANY, _ANY): (Pack(42, "42 g"), Pack(25, "25 g"))},
    "tea-black": {(_ANY, _ANY): (Pack(2, "a bag"),)},
    "coffee-instant": {(_ANY, _ANY): (Pack(2, "2 g"),)},
    "chocolate-dark": {(US, _ANY): (Pack(113, "4 oz"), Pack(99, "3.5 oz")), (EU, _ANY): (Pack(100, "100 g"), Pack(200, "200 g"))},
    "chocolate-milk": {(US, _ANY): (Pack(113, "4 oz"),), (EU, _ANY): (Pack(100, "100 g"), Pack(200, "200 g"))},
    "chocolate-white": {(US, _ANY): (Pack(113, "4 oz"),), (EU, _ANY): (Pack(100, "100 g"), Pack(200, "200 g"))},
    "chips-dark": {(US, _ANY): (Pack(340, "12 oz"), Pack(170, "6 oz")), (EU, _ANY): (Pack(100, "100 g"), Pack(150, "150 g"))},
    "ladyfinger": {(US, _ANY): (Pack(200, "7 oz"), Pack(85, "3 oz")), (EU, _ANY): (Pack(200, "200 g"), Pack(400, "400 g"))},
    "digestive": {(_ANY, _ANY): (Pack(400, "400 g"), Pack(250, "250 g"))},
    "graham-cracker": {(_ANY, "pack"): (Pack(135, "a sleeve of nine"), Pack(408, "14.4 oz")), (_ANY, _ANY): (Pack(408, "14.4 oz"),)},
    "marshmallow": {(_ANY, _ANY): (Pack(283, "10 oz"), Pack(200, "200 g"))},
    "puff-pastry": {(US, _ANY): (Pack(490, "17.3 oz"),), (EU, _ANY): (Pack(270, "270 g"), Pack(500, "500 g"))},
    "marzipan": {(_ANY, _ANY): (Pack(200, "200 g"), Pack(198, "7 oz"))},
    "white-pasteurised": {(US, _ANY): (Pack(454, "16 oz"), Pack(907, "32 oz")), (EU, _ANY): (Pack(500, "500 g"), Pack(1000, "1 kg"))},
    "tofu": {(_ANY, _ANY): (Pack(340, "340 g"), Pack(400, "400 g"))},
    "jam": {(_ANY, _ANY): (Pack(370, "370 g"), Pack(340, "12 oz"))},
}  # fmt: skip


def packs_of(ingredient_id: str, container: str, country: str) -> tuple[Pack, ...]:
    """The usual packs of a food in a country, the most usual first; empty where none is known."""
    rows = PACKS.get(ingredient_id, {})
    for key in ((country, container), (_ANY, container), (country, _ANY), (_ANY, _ANY)):
        if key in rows:
            return rows[key]
    return next(iter(rows.values()), ())
