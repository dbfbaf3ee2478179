"""Classes of foam bakes."""

from enum import StrEnum


class Technique(StrEnum):
    """What a formula, or a component of it, is by the way its foam is made and used."""

    CHIFFON = "separated chiffon"
    CHIFFON_ROLL = "chiffon sheet for a roll"
    WARM_SPONGE = "whole-egg sponge, warmed"
    COOL_SPONGE = "whole-egg sponge, not warmed"
    SEPARATED_SPONGE = "separated sponge"
    RICH_SPONGE = "whites in a rich chocolate and nut base"
    CREAMED_SPONGE = "whites in a creamed batter"
    SOUFFLED_SHEET = "flourless souffléd sheet"
    SOAKED_SPONGE = "soaked sponge"
    FINGERS = "finger biscuits"
    MERINGUE = "meringue"
    SHELLS = "macaron shells"
    MOUSSE = "cooked-yolk mousse"
    PATTERNED = "two-batter patterned cake"
    FINGER_CAKE = "finger-lined cake"
