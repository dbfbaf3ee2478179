"""Classes of foam bakes."""

from collections.abc import Mapping

from kindwhisk.core.values.naming import TradeName


class Technique(TradeName):
    """What a formula, or a component of it, is by the way its foam is made and used."""

    CHIFFON = "separated chiffon"
    CHIFFON_ROLL = "chiffon sheet for a roll"
    GENOISE = "génoise"
    COLD_GENOISE = "génoise, cold method"
    SEPARATED_SPONGE = "separated sponge"
    RICH_SPONGE = "whites in a rich chocolate and nut base"
    CREAMED_SPONGE = "whites in a creamed batter"
    SOUFFLED_SHEET = "flourless souffléd sheet"
    SOAKED_SPONGE = "soaked sponge"
    LADYFINGERS = "ladyfingers"
    MERINGUE = "meringue"
    SHELLS = "macaron shells"
    MOUSSE = "cooked-yolk mousse"
    PATTERNED = "two-batter patterned cake"
    LADYFINGER_CAKE = "ladyfinger-lined cake"

    @classmethod
    def also_called(cls) -> Mapping[str, str]:
        """Common names, and those of earlier versions."""
        return {
            "chiffon": "separated chiffon",
            "chiffon roll": "chiffon sheet for a roll",
            "whole-egg sponge": "génoise",
            "whole-egg sponge, warmed": "génoise",
            "whole-egg sponge, not warmed": "génoise, cold method",
            "cold genoise": "génoise, cold method",
            "finger biscuits": "ladyfingers",
            "lady fingers": "ladyfingers",
            "sponge fingers": "ladyfingers",
            "finger-lined cake": "ladyfinger-lined cake",
            "macarons": "macaron shells",
        }
