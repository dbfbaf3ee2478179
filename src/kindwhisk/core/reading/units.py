"""Units as bakers write them, in five languages."""

from __future__ import annotations

from enum import StrEnum
from functools import cache
from typing import NamedTuple


class UnitKind(StrEnum):
    """What a unit measures."""

    MASS = "mass"
    VOLUME = "volume"
    PIECE = "piece"
    PINCH = "pinch"
    TEMPERATURE = "temperature"
    LENGTH = "length"
    TIME = "time"


MEASURES = {UnitKind.MASS, UnitKind.VOLUME, UnitKind.PIECE, UnitKind.PINCH}
"""What goods are measured in; a heat, a length or a time says something else of them."""


class Unit(NamedTuple):
    """A unit: pint's name for it and how many of that it is, or the kind of piece that it counts."""

    name: str
    kind: UnitKind
    measure: str | None = None
    times: float = 1.0


M, V, P, S = UnitKind.MASS, UnitKind.VOLUME, UnitKind.PIECE, UnitKind.PINCH
K, L, T = UnitKind.TEMPERATURE, UnitKind.LENGTH, UnitKind.TIME

_TABLE: tuple[tuple[Unit, str], ...] = (
    (Unit("g", M, "gram"), "g|gr|grs|gm|gms|gram|grams|gramme|grammes|grammi|grammo|gam|グラム|ｇ"),
    (Unit("kg", M, "kilogram"), "kg|kgs|kilo|kilos|kilogram|kilograms|kilogramme|キロ|ký"),
    (Unit("mg", M, "milligram"), "mg"),
    (Unit("oz", M, "ounce"), "oz|oz.|ounce|ounces|onces|once"),
    (Unit("lb", M, "pound"), "lb|lb.|lbs|lbs.|pound|pounds|#"),
    (Unit("ml", V, "milliliter"), "ml|ml.|mls|mils|mil|millilitre|millilitres|milliliter|milliliters|cc|ミリリットル"),
    (Unit("cl", V, "centiliter"), "cl|centilitre|centilitres"),
    (Unit("dl", V, "deciliter"), "dl|décilitre|décilitres"),
    (Unit("l", V, "liter"), "l|litre|litres|liter|liters|litro|litri|lít|リットル"),
    (Unit("cup", V, "cup"), "cup|cups|c.|c"),
    (Unit("tbsp", V, "tablespoon"), "tbsp|tbsp.|tbsps|tbs|tbs.|tbl|tblsp|tablespoon|tablespoons|tablespoonful|tablespoonfuls|tablespoonsful|tb"),
    (Unit("tsp", V, "teaspoon"), "tsp|tsp.|tsps|teaspoon|teaspoons|teaspoonful|teaspoonfuls|teaspoonsful"),
    (Unit("dessertspoon", V, "milliliter", 10), "dessertspoon|dessertspoons|dessertspoonful|dessertspoonfuls|dsp"),
    (Unit("fl oz", V, "fluid_ounce"), "fl oz|fl. oz.|fl. oz|fl oz.|fluid ounce|fluid ounces|floz"),
    (Unit("pint", V, "pint"), "pint|pints|pt|pt."),
    (Unit("quart", V, "quart"), "quart|quarts|qt|qts|qt."),
    (Unit("gallon", V, "gallon"), "gallon|gallons"),
    (Unit("dash", V, "milliliter", 0.6), "dash|dashes|splash|squeeze of|filet|trait|spruzzo"),
    (Unit("drop", V, "milliliter", 0.05), "drop|drops|goutte|gouttes|goccia|gocce|giọt|滴"),
    (Unit("soup spoon", V, "milliliter", 15),
     "c. à soupe|c. à s.|c à soupe|cs|càs|c.à.s.|cas|cuillère à soupe|cuillères à soupe|cuillerée à soupe|cuillerées à soupe|"
     "cuil. à soupe|cuiller à soupe|cucchiaio|cucchiai|cucchiaiata|muỗng canh|thìa canh|muong canh|thia canh|大さじ|大匙"),
    (Unit("coffee spoon", V, "milliliter", 5),
     "c. à café|c. à c.|c à café|cc.|càc|c.à.c.|cac|cuillère à café|cuillères à café|cuillerée à café|cuil. à café|"
     "cucchiaino|cucchiaini|muỗng cà phê|thìa cà phê|muong ca phe|thia ca phe|小さじ|小匙|thìa cafe|muỗng cafe"),
    (Unit("tasse", V, "milliliter", 250), "tasse|tasses"),
    (Unit("small cup", V, "milliliter", 40), "tazzina|tazzine"),
    (Unit("glass", V, "milliliter", 200), "verre|verres|bicchiere|bicchieri|カップ|ｶｯﾌﾟ"),
    (Unit("tazza", V, "milliliter", 240), "tazza|tazze|cốc|chén|bát"),
    (Unit("stick", M, "gram", 113.4), "stick|sticks"),
    (Unit("knob", M, "gram", 15), "knob|knobs|noix de|noisette de|noce di"),
    (Unit("handful", M, "gram", 30), "handful|handfuls|poignée|poignées|manciata"),
    (Unit("pinch", S, "gram", 0.35), "pinch|pinches|pincée|pincées|pizzico|pizzichi|nhúm|chút xíu|chút|ひとつまみ|少々"),
    (Unit("can", P), "can|cans|tin|tins|boîte|boîtes|lattina|lattine|scatola|scatole|lon|hộp|缶"),
    (Unit("pack", P), "packet|packets|pkt|pkts|package|packages|pkg|pkg.|pack|packs|gói|paquet|paquets|pacco|pacchi|confezione|confezioni|パック"),
    (Unit("carton", P), "carton|cartons|brick|bricks|brique|briques|brik|紙パック"),
    (Unit("sachet", P), "sachet|sachets|envelope|envelopes|bustina|bustine|ống|袋"),
    (Unit("block", P), "block|blocks|plaquette|plaquettes|panetto|panetti"),
    (Unit("tub", P), "tub|tubs|container|containers|pot|pots|vasetto|vasetti|barquette|barquettes|hũ"),
    (Unit("jar", P), "jar|jars|bocal|bocaux|barattolo|barattoli|lọ|瓶"),
    (Unit("bag", P), "bag|bags|sacchetto|sacchetti|túi"),
    (Unit("box", P), "box|boxes|箱"),
    (Unit("bottle", P), "bottle|bottles|bouteille|bouteilles|bottiglia|chai"),
    (Unit("punnet", P), "punnet|punnets"),
    (Unit("bar", P), "bar|bars|tablette|tablettes|tavoletta|tavolette|thanh"),
    (Unit("leaf", P), "leaf|leaves|sheet|sheets|feuille|feuilles|foglio|fogli|lá|枚"),
    (Unit("piece", P), "piece|pieces|pcs|pc|pcs.|stk|pz|個|ヶ|コ|quả|trái|cái|本"),
    (Unit("C", K, "degree_Celsius"), "c|°c|celsius|degrees c"),
    (Unit("F", K, "degree_Fahrenheit"), "f|°f|fahrenheit|degrees f"),
    (Unit("mm", L, "millimeter"), "mm"),
    (Unit("cm", L, "centimeter"), "cm"),
    (Unit("m", L, "meter"), "m"),
    (Unit("in", L, "inch"), "in|inch|inches|\"|''"),
    (Unit("s", T, "second"), "s|sec|secs|second|seconds"),
    (Unit("min", T, "minute"), "min|mins|minute|minutes"),
    (Unit("h", T, "hour"), "h|hr|hrs|hour|hours"),
)  # fmt: skip


@cache
def units_of(*kinds: UnitKind) -> dict[str, Unit]:
    """Units of some kinds, by every name that they are written with: ``c`` is a cup among amounts, and Celsius among
    temperatures."""
    return {name.strip(): unit for unit, names in _TABLE if unit.kind in kinds for name in names.split("|")}


UNITS = units_of(M, V, P, S)
"""What stands behind an amount in a recipe's line."""
BEFORE_NUMBER = ("大さじ", "大匙", "小さじ", "小匙", "カップ")
"""Units that stand in front of their number."""
TO_TASTE = ("to taste", "as needed", "as required", "for dusting", "for greasing", "for serving", "à volonté", "q.b.", "q. b.", "q.s", "q. s.",
            "quanto basta", "適量", "お好みで", "tùy thích", "tuỳ thích", "vừa đủ", "pour le moule", "per lo stampo", "optional",
            "pour saupoudrer", "pour décorer", "per spolverizzare", "per spolverare", "per decorare", "per guarnire", "để rắc")  # fmt: skip
