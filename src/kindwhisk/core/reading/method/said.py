"""How, until when and in what a clause says that something is done."""

from __future__ import annotations

import re
from typing import NamedTuple

from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.method.figures import temperatures, times
from kindwhisk.core.reading.method.implied import OVER_WATER

FOAM = re.compile(
    r"(?<!\w)(?:pale|thick(?:en(?:ed)?)?|doubled?|tripled?|trebled?|triple in|ribbons?|trail|fluffy|creamy|lemon[- ]colou?red|light and|volume|nearly white|(?<=until )white(?! choc)|(?<=till )white(?! choc)|cream the yolks|(?<=until )light|(?<=till )light|almost white|high speed|highest|full speed|foamy|frothy|"
    r"mousseux|blanchi\w*|ruban|chiar[oie]|gonfi[oe]|spumos[oi]|bông và dày|bông và|dày|sệt|nhạt màu|bông xốp)(?!\w)|stiff|peaks|electric|mixer|リボン状|もったり"
)
FLUID = re.compile(r"(?<!\w)(?:simmers?|boil\w*|steaming|hot|scald\w*|ébullition|bouill\w*|boll\w*|sôi)(?!\w)|沸騰")
THICKENS = re.compile(r"(?<!\w)(?:thick(?:en\w*)?|coats? (?:the|a) (?:back|spoon)|épaissi\w*|addens\w*|sánh)(?!\w)")
WARM = re.compile(r"(?<!\w)(?:warm|lukewarm|hand[- ]hot|dissolved|tiède|tiepid\w*|ấm)(?!\w)|人肌")
ANOTHER = re.compile(
    r"(?<!\w)(?:another|separate|clean|second|large|small|medium|deep|mixing|a|your|heatproof|un|une|una|autre|altra) (?:\w+ ){0,2}"
    r"(?:bowl|saucepan|pan|pot|jug|bol|saladier|casserole|ciotola|pentolino|tô|âu)(?!\w)|vào (?:một )?(?:tô|âu|thố|chậu)(?! \w*bột)(?!\w)|別のボウル|ボウルに|鍋に"
)
SAME = re.compile(r"(?<!\w)same (?:\w+ )?(?:bowl|pan|pot|beaters?|whisk|mixer)(?!\w)")
ALTERNATELY = re.compile(r"(?<!\w)(?:alternat\w+|in turns?|alternando|en alternance|xen kẽ)(?!\w)|交互")
_COUNTS = {"thirds": 3, "halves": 2}
_PORTIONS = re.compile(
    r"(?:in|en|chia làm|làm) (?:about )?(\w+) (?:additions?|batches|goes|portions|times|parts|fois|volte|lần|stages|installments)|in (thirds|halves)|"
    r"(\d)回(?:に分けて)?"
)
_EACH = re.compile(r"(?:an?|one) (third|quarter|half|fifth)(?: of)?(?: \w+){0,4} at a time")
_TO = r"(?:to|at|until(?: it (?:reaches|is))?|till|around|about|jusqu'à|à|a|fino a|đến|reaches)"
_BARE = re.compile(
    rf"(?<!\w){_TO}\s+(?:about |around )?(\d{{2,3}})(?!\s*(?:\d|g\b|ml|min|sec|hour|cm|mm|%|/|times|h\b|x|heures))(?![\d.,]\d)"
)
_GENTLY = re.compile(
    r"(?<!\w)(?:gradually|slowly|thin stream|little by little|spoon\w* (?:at a time|by spoon\w*)|bit by bit|one (?:tablespoon|spoon) at a time|a spoonful)(?!\w)"
)


class Length(NamedTuple):
    """Minutes, from and to; ``least`` where it says "at least", ``overnight`` where it says so and no figure."""

    low: float
    high: float
    least: bool = False


OVERNIGHT_MIN, HOURS_MIN = 600.0, 240.0
_OVERNIGHT = re.compile(
    r"over ?night|toute la nuit|une nuit|una notte|tutta la notte|qua đêm|một đêm|一晩|翌日|(?:jusqu'au|le) lendemain|(?:il|fino al) giorno dopo|(?:till|until|to|for) (?:the )?next day|hôm sau"
)
_HOURS = re.compile(r"(?:several|some|a few) hours|quelques heures|alcune ore|vài giờ|数時間")
_MINUTES = re.compile(r"(?:several|some|a few) minutes|quelques minutes|qualche minuto|数分")
_FULL_DAY = re.compile(
    r"(?<!\w)(?:for|at least|pour|per) (?:an?|one|un|une|uno|un'|a full|a whole) (?:day|journée|jour|giorno|giornata)(?!\w)|một ngày"
)
_FULL_HOUR = re.compile(r"(?<!\w)(?:an|one|une|un'|một) (?:hour|heure|ora|giờ)(?!\w)")
_LEAST = re.compile(r"(?<!\w)(?:at least|minimum|no less than|au moins|almeno|ít nhất)(?!\w)|以上")


def length(text: str) -> Length | None:
    """The time that a stretch names, in minutes: the longest of several."""
    least = bool(_LEAST.search(text))
    found = max(times(text), key=lambda t: t.high, default=None)
    if found is not None:
        return Length(found.low, found.high, least)
    for pattern, minutes in (
        (_OVERNIGHT, OVERNIGHT_MIN),
        (_HOURS, HOURS_MIN),
        (_FULL_DAY, 1440.0),
        (_FULL_HOUR, 60.0),
        (_MINUTES, 3.0),
    ):
        if pattern.search(text):
            return Length(minutes, minutes, least)
    return None


def degrees(text: str) -> float | None:
    """The temperature (C) that a stretch names; a figure without a unit where it can be nothing else."""
    found = temperatures(text)
    if found:
        return found[0].low
    bare = _BARE.search(text)
    return float(bare[1]) if bare and 30 <= float(bare[1]) <= 260 else None


def portions(text: str) -> int:
    """In how many goes something is added; 1 where nothing is said."""
    if (part := _EACH.search(text)) is not None:
        return {"third": 3, "quarter": 4, "half": 2, "fifth": 5}[part[1]]
    match = _PORTIONS.search(in_figures(text))
    word = next((g for g in match.groups() if g), "") if match else ""
    count = int(word) if word.isdigit() else _COUNTS.get(word, 1)
    return min(6, max(1, count))


def spoonwise(text: str) -> bool:
    """Whether something goes in little by little."""
    return bool(_GENTLY.search(text))


_HOB = re.compile(
    r"(?<!\w)over (?:a )?(?:very )?(?:low|gentle|medium|medium[- ]low) (?:heat|flame)(?!\w)|à feu (?:doux|moyen)|a fuoco (?:basso|dolce|medio|lento)|cui(?:re|sez)[^.;]*(?:(?:jusqu')?à ébullition|en remuant|en fouettant)|cuoce(?:re|te)[^.;]*mescolando"
)


def on_the_hob(text: str) -> bool:
    """Whether something is heated straight on the fire: “in a pan over low heat”."""
    return _HOB.search(text) is not None


def over_water(text: str) -> bool:
    """Whether it is done over hot water."""
    return bool(OVER_WATER.search(text))


_STIFF = re.compile(r"stiff|firm|dry peaks?|bird's beak|neige ferme|ferme|sod[oa]|ferm[oi]|しっかり|角が立つ|cứng")
_SOFT = re.compile(r"soft|mousseux|bec d'oiseau souple|bông mềm|mềm|お辞儀|七分立て")


def peak(text: str) -> Peak | None:
    """The peak that a stretch names."""
    if _STIFF.search(text):
        return Peak.STIFF
    if _SOFT.search(text):
        return Peak.SOFT
    return Peak.MEDIUM if re.search(r"medium peak|glossy|lucid", text) else None
