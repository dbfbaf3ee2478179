"""The formulas that ship, of our own making: one or more for every class of foam bake."""

from functools import cache

from kindwhisk.core.process.formula import Formula
from kindwhisk.demo.formulas.chiffon import citrus_roll, ringed_chiffon, tea_chiffon
from kindwhisk.demo.formulas.finished import coffee_mousse, finger_cake, fingers
from kindwhisk.demo.formulas.layered import chocolate_dome, layer_cake, meringue_tart
from kindwhisk.demo.formulas.meringues import (
    french_shells,
    kisses,
    striped_kisses,
    swiss_shells,
    swiss_topping,
    syrup_shells,
    syrup_topping,
)
from kindwhisk.demo.formulas.rich import butter_loaf, cocoa_sheet, hazelnut_cake
from kindwhisk.demo.formulas.shorthand import ROUND_20, TUBE_17
from kindwhisk.demo.formulas.sponges import bare_sponge, butter_sponge, milk_sponge, starch_sponge

__all__ = ["ROUND_20", "TUBE_17", "butter_sponge", "demo_formulas", "tea_chiffon"]


@cache
def demo_formulas() -> tuple[Formula, ...]:
    """All of them, in the order of the Book's classes."""
    return (
        tea_chiffon(),
        citrus_roll(),
        ringed_chiffon(),
        butter_sponge(),
        starch_sponge(),
        bare_sponge(),
        milk_sponge(),
        hazelnut_cake(),
        butter_loaf(),
        cocoa_sheet(),
        fingers(),
        kisses(),
        striped_kisses(),
        swiss_topping(),
        syrup_topping(),
        french_shells(),
        swiss_shells(),
        syrup_shells(),
        coffee_mousse(),
        finger_cake(),
        layer_cake(),
        chocolate_dome(),
        meringue_tart(),
    )
