"""The method of a recipe: its temperatures, times, tin, technique, and the order in which things are used."""

from __future__ import annotations

import re

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.reading.amounts import NUMBER, in_figures, number
from kindwhisk.core.reading.method.sentences import sentences
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.tins_named import NamedTin, find_tin
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique

GAS_MARKS = {1: 140, 2: 150, 3: 165, 4: 180, 5: 190, 6: 200, 7: 220, 8: 230, 9: 245}
OVEN = r"oven|bake|preheat|four\b|enfourn|cuire|cuisson|forno|cuocere|inforna|オーブン|焼|余熱|予熱|lò|nướng|gas mark"
BAKES = r"\bbake|\bbaked|\bbaking for|enfourn|cuire|cuisson|cuocere|cuoci|inforna|焼|nướng"
ROLLS = r"roll(?:ed)? (?:up|it|again|the)|roulade|roulé|roulez|arrotola|巻|cuộn"
SYRUP = r"syrup|sirop|sciroppo|シロップ|boil"
ENDS = (
    r"until(?! (?:\w+ ){0,2}(?:cold|cool)(?!\w))|ready when|done when|pulls? away|comes? away|couteau|lame|(?<!\w)core (?:temp|of|at|\d)|probe|asciutt|skewer|toothpick|tip of a knife|tester|not move|do(?:es)?n.t move|(?:they|it|shells?|pieces) (?:easily )?(?:lift|come|slide|peel|release)s? (?:easily |cleanly )?(?:off|away|from)|springs? back|bounces? back|golden|pale gold|lightly colour|staccarsi|staccano|(?:comes?|coming|came|out|skewer is) (?:out )?clean|firm|colou?red(?! (?:sugar|paste))|browned|dry to|(?:just|has|is|until|nearly|barely|almost) set\b|jusqu|doré|élastique|elastic[oa]?|coloration|blonde?s?|ressort|au toucher|al tatto|brûlé|fino a(?! (?:quando (?:è|sono|non è) )?(?:completamente |ben )?fredd)|dorat|stecchino|"
    r"竹串|焼き色|"
    r"(?:should|must) (?:be|lift|sound|feel|look|come)|弾力|tăm|vàng|đến khi"
)
_TEMPERATURE = re.compile(
    r"(\d{2,3})(?:\s*(?:-|to|à)\s*(\d{2,3}))?\s*(?:(?:°|degrees?|degrés?|gradi|度|độ)\s*(c|f)?|\s?(c|f)\b|\s?(?:fan|static)\b)(?![a-z])"
)
_GAS = re.compile(r"gas\s*(?:mark)?\s*(\d)")
_TIME = re.compile(
    rf"({NUMBER})(?:\s*(?:-|to|à|a|or|ou|~|đến)\s*({NUMBER}))?\s*-?\s*"
    r"(minutes?|mins?\b|min\b|minuti|minuto|分(?!け|立|の|間?く)|phút|hours?|hrs?\b|heures?|h\b|ore\b|ora\b|時間|giờ|tiếng)"
)
_HOURS_AND_MINUTES = re.compile(
    r"(\d{1,2})\s*(?:hours?|hrs?|heures?|h|ore|ora|時間|giờ|tiếng)\s*(?:and|et|e|,)?\s*"
    r"(\d{1,2})\s*(?:minutes?|mins?|min|minuti|分|phút)|(?<![\d.,])(\d)\s?h\s?([0-5]\d)(?![\d°])"
)
_PARTS_OF_AN_HOUR = (
    (re.compile(r"(?<!\w)three[- ]quarters of an hour(?!\w)"), "45 min"),
    (re.compile(r"(?<!\w)a quarter of an hour(?!\w)|(?<!\w)un quart d'heure"), "15 min"),
    (re.compile(r"(?<!\w)(?:half an hour|mezz'ora|une demi-heure)(?!\w)"), "30 min"),
    (re.compile(r"(?<!\w)(?:an?|one) hour and a half(?!\w)"), "90 min"),
    (re.compile(r"(?<!\w)(?:an?|one) hour and a quarter(?!\w)"), "75 min"),
    (re.compile(r"(?<!\w)(?:un'ora e mezz[ao]|une heure et demie)(?!\w)"), "90 min"),
    (re.compile(r"(?<!\w)(?:an hour|une heure|un'ora)(?!\w)"), "1 hour"),
    (
        re.compile(r"(?<!\w)(?:1|un) ?(?:ora e|heure|h et) (20|30|40|45|50|15|10)(?!\d| ?(?:min|ore|g|°))"),
        r"1 h \1 min",
    ),
)
"""Hours in words that hold no number."""


class Found(Value):
    """A figure with the words around it."""

    low: float
    high: float
    text: str


class MethodReading(Value):
    """What a method says; None and empty where it says nothing."""

    technique: Technique
    technique_sure: float
    oven_c: Found | None
    fan: bool
    bake_minutes: Found | None
    syrup_c: float | None
    tin: NamedTin | None
    meringue: Method
    peak: Peak
    end_point: bool
    rolled: bool


def _celsius(match: re.Match[str], sentence: str) -> tuple[float, float] | None:
    low, high = float(match[1]), float(match[2] or match[1])
    letter = match[3] or match[4]
    fahrenheit = letter == "f" or (letter is None and low >= 260 and "度" not in sentence)
    if fahrenheit:
        low, high = (round((v - 32) / 1.8) for v in (low, high))
    return (low, high) if 15 <= low <= 300 else None


def temperatures(sentence: str) -> list[Found]:
    """Every temperature of a plain sentence, in C."""
    found = []
    for match in _TEMPERATURE.finditer(_HOURS_AND_MINUTES.sub(" ", in_figures(sentence))):
        span = _celsius(match, sentence)
        if span:
            found.append(Found(low=min(span), high=max(span), text=match[0]))
    gas = _GAS.search(sentence)
    if gas and int(gas[1]) in GAS_MARKS and not found:
        mark = float(GAS_MARKS[int(gas[1])])
        found.append(Found(low=mark, high=mark, text=gas[0]))
    # 350 F (180 C): the one that was written in Celsius is the author's own.
    return sorted(found, key=lambda f: "c" not in f.text and "度" not in f.text)


def times(sentence: str) -> list[Found]:
    """Every stretch of time of a plain sentence, in minutes."""
    found = []
    for pattern, said in _PARTS_OF_AN_HOUR:
        sentence = pattern.sub(said, sentence)
    sentence = in_figures(sentence)
    for whole in _HOURS_AND_MINUTES.finditer(sentence):
        hours, over = (whole[1], whole[2]) if whole[1] else (whole[3], whole[4])
        minutes = float(hours) * 60 + float(over)
        found.append(Found(low=minutes, high=minutes, text=whole[0]))
    for match in _TIME.finditer(_HOURS_AND_MINUTES.sub(" ", sentence)):
        scale = 60.0 if match[3][0] == "h" or match[3] in {"ore", "ora", "時間", "giờ", "tiếng"} else 1.0
        try:
            low, high = (number(figure) * scale for figure in (match[1], match[2] or match[1]))
        except ValueError:
            continue
        found.append(Found(low=min(low, high), high=max(low, high), text=match[0]))
    return found


def _peak(text: str) -> Peak:
    if re.search(r"stiff|firm peak|dry peak|bec d'oiseau ferme|ferm[oi]|角が立つ|chóp cứng|bông cứng", text):
        return Peak.STIFF
    return Peak.SOFT if re.search(r"soft peak|お辞儀|chóp mềm|bông mềm", text) else Peak.MEDIUM


def _meringue(text: str) -> Method:
    whites = r"whites|meringue|blancs|albumi|卵白|lòng trắng"
    if (
        re.search(rf"(?:{SYRUP})", text)
        and re.search(r"(?:11[2-9]|12[01])\s*°?|24\d\s*°?\s*f|soft[- ]ball", text)
        and re.search(whites, text)
    ):
        return Method.ITALIAN
    if re.search(r"italian meringue|meringue italienne|meringa italiana", text):
        return Method.ITALIAN
    if re.search(r"swiss meringue|meringue suisse|meringa svizzera", text):
        return Method.SWISS
    over = r"double boiler|bain[- ]marie|simmering water|pot of water|湯煎|cách thủy"
    for sentence in re.split(r"[.。\n]", text):
        if re.search(over, sentence) and re.search(whites, sentence) and not re.search("chocolat|yolk", sentence):
            return Method.SWISS
    return Method.FRENCH


def _baking_times(line: str) -> list[Found]:
    """Times after the word for baking; those before it, where none follows."""
    bake = re.search(BAKES, line)
    if bake is None:
        return []
    return times(line[bake.start() :]) or times(line)


NAMED: tuple[tuple[str, Technique], ...] = (
    (r"macaron|マカロン", Technique.SHELLS),
    (
        r"lady ?fingers?|sponge fingers?|finger biscuit|savoiardi|biscuits? à la cuillère|フィンガービスケット",
        Technique.LADYFINGERS,
    ),
    (r"three[- ]milk|tres leches|tre latti", Technique.SOAKED_SPONGE),
    (r"(?:chiffon|シフォン).*(?:roll|ロール|cuộn)|(?:roll|ロール|cuộn).*(?:chiffon|シフォン)", Technique.CHIFFON_ROLL),
    (r"chiffon|シフォン", Technique.CHIFFON),
    (r"génoise|genoise|pan di spagna|ジェノワーズ|スポンジケーキ", Technique.GENOISE),
    (r"mousse|ムース", Technique.MOUSSE),
    (r"\bpavlova|meringue kiss|meringhe|meringues?\b.*\b(?:pipe|dry)|メレンゲクッキー", Technique.MERINGUE),
)


# Rules in their order, the most special first; each ends the search.
def _technique(text: str, ids: set[str]) -> tuple[Technique, float]:  # noqa: PLR0911
    """The class by its name, or else by what goes in and how."""
    for pattern, technique in NAMED:
        if re.search(pattern, text, re.DOTALL if "roll" in pattern else 0):
            return technique, 0.9
    flours = any(i.endswith(("flour", "starch")) and i not in {"almond-flour"} for i in ids)
    apart = {"egg-white", "egg-yolk"} <= ids or bool(re.search(r"separat|sépar|separa|分ける|tách", text))
    whites = "egg-white" in ids or apart
    rolled = bool(re.search(ROLLS, text))
    if {"condensed-milk", "evaporated-milk"} <= ids:
        return Technique.SOAKED_SPONGE, 0.8
    if "almond-flour" in ids and "icing-sugar" in ids and whites and not flours and not ids & {"egg-yolk", "butter"}:
        return Technique.SHELLS, 0.7
    if whites and not flours and not ids & {"egg-yolk", "whole-egg", "butter", "chocolate-dark"}:
        return Technique.MERINGUE, 0.7
    if whites and not flours and "chocolate-dark" in ids:
        return (Technique.RICH_SPONGE if "butter" in ids else Technique.SOUFFLED_SHEET), 0.6
    if whites and ids & {"oil-neutral", "oil-olive", "coconut-oil"} and flours:
        return (Technique.CHIFFON_ROLL if rolled else Technique.CHIFFON), 0.7
    if whites and "chocolate-dark" in ids and "butter" in ids:
        return Technique.RICH_SPONGE, 0.6
    if whites and "butter" in ids and re.search(r"\bcream\b.*butter|butter.*\bcreamed?\b|pommade|crema.*burro", text):
        return Technique.CREAMED_SPONGE, 0.6
    if whites and flours:
        return Technique.SEPARATED_SPONGE, 0.6
    if "whole-egg" in ids and flours:
        warm = re.search(r"double boiler|bain[- ]marie|simmering|over (?:hot|warm)|湯煎|cách thủy|bagnomaria", text)
        return (Technique.GENOISE if warm else Technique.COLD_GENOISE), 0.6
    return Technique.SEPARATED_SPONGE, 0.2


def read_method(title: str, text: str, listed: set[str]) -> MethodReading:
    """Read a method.

    Args:
        title: the recipe's name, which often names the class.
        text: the method, in sentences or steps.
        listed: ids of the ingredients in the list.
    """
    lines = [plain(s) for s in sentences(text)]
    whole = " ".join(lines)
    oven = next((t for line in lines if re.search(OVEN, line) for t in temperatures(line) if t.low >= 60), None)
    if oven is None:
        oven = next((t for line in lines for t in temperatures(line) if t.low >= 140), None)
    bakes = [t for line in lines for t in _baking_times(line)]
    syrup = next(
        (t.low for line in lines if re.search(SYRUP, line) for t in temperatures(line) if 105 <= t.low <= 130), None
    )
    mentions = dict.fromkeys(n.ingredient for line in lines for n in find_all(line))
    technique, sure = _technique(f"{plain(title)} \n {whole}", listed | set(mentions))
    baking = [line for line in lines if re.search(BAKES, line)]
    return MethodReading(
        technique=technique,
        technique_sure=sure,
        oven_c=oven,
        fan=bool(re.search(r"\bfan\b|convection|chaleur tournante|ventilato", whole)),
        bake_minutes=max(bakes, key=lambda t: t.high, default=None),
        syrup_c=syrup,
        tin=find_tin(text) or find_tin(title),
        meringue=_meringue(whole),
        peak=_peak(whole),
        end_point=any(re.search(ENDS, line) for line in baking),
        rolled=bool(re.search(ROLLS, whole)),
    )
