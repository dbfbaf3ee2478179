"""Orders as they are jotted down: ``3 tea chiffon 20 cm, 40 pairs of shells, Saturday 9:00``.

Parts between commas are things or times; a time counts for the things before it in its line, or after it where it
leads. What is not understood comes back as it was written, with what would help.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from datetime import datetime, time, timedelta
from typing import Any, NamedTuple

from rapidfuzz import fuzz

from kindwhisk.core.day.order import WEEKDAYS, Order, Sure
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.pair import PairStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.values.model import Value

MOST_LINES = 400
ALIKE, APART = 62.0, 6.0
"""How alike a word and a title are, of a hundred, to be taken for it; and by how much more than the next. Chosen."""
_DAYS = {name.lower()[:3]: n for n, name in enumerate(WEEKDAYS)}
_DAY = r"(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?s?"
_EVERY = re.compile(rf"\b(?:every|each)\s+(?P<days>day|{_DAY}(?:\s*(?:&|and|\+)\s*{_DAY})*)\b")
_ON = re.compile(rf"\b(?:(?:on|by|next|this)\s+)*(?P<day>today|tomorrow|{_DAY})\b")
_DATE = re.compile(r"\b(?P<y>\d{4})-(?P<m>\d\d)-(?P<d>\d\d)\b|\b(?P<d2>\d{1,2})\.(?P<m2>\d{1,2})\.(?:(?P<y2>\d{4}))?")
_CLOCK = re.compile(
    r"\b(?:(?:at|by|for|ready at|ready by)\s+)?(?:(?P<h>\d{1,2}):(?P<min>\d\d)\s*(?P<ap>am|pm)?"
    r"|(?P<h2>\d{1,2})\s*(?P<ap2>am|pm)|(?:at|by)\s+(?P<h3>\d{1,2})(?!\s*(?:cm|g\b|kg|x|pairs?))\b|(?P<noon>noon))"
)
_FOR = re.compile(r"\b(?:for|to)\s+(?P<who>(?:the\s+)?[^,;]+?)\s*$", re.IGNORECASE)
_SURE = (
    (re.compile(r"\b(?:maybe|perhaps|if there is time|spare)\b", re.IGNORECASE), Sure.SPARE),
    (re.compile(r"\b(?:likely|probably)\b", re.IGNORECASE), Sure.LIKELY),
)
_AMOUNT = re.compile(
    r"^(?P<n>\d+(?:[.,]\d+)?)\s*(?P<unit>kg|g|pairs?|pieces?|pcs|servings?|portions?|slices?|tins?|x|×)?(?:\s+of)?\b\s*"
)
_SIZE = re.compile(r"\b(?P<cm>\d{1,2}(?:[.,]\d)?)\s*cm\b")


class KnownFormula(NamedTuple):
    """What has to be known of a formula to order it."""

    id: str
    title: str
    counts: str
    pairs: bool
    tin: str


def known(formula: Formula) -> KnownFormula:
    """A formula as orders name it, and what it is counted in."""
    steps = formula.steps
    counts = "grams"
    if any(isinstance(s, PortionStep) for s in steps):
        counts = "servings"
    if any(isinstance(s, PipeStep) for s in steps) and isinstance(formula.fill, PipeStep):
        counts = "pieces"
    elif isinstance(formula.fill, FillStep):
        counts = "tins"
    fill = formula.fill
    shape = fill.tin.shape if isinstance(fill, FillStep) else ""
    return KnownFormula(formula.id, formula.title, counts, any(isinstance(s, PairStep) for s in steps), shape)


class Unread(Value):
    """A part that was not understood, why, what would help, titles that it may mean, and the orders that it would be
    then, where its time is known."""

    text: str
    says: str
    remedy: str
    options: tuple[str, ...] = ()
    could: tuple[Order, ...] = ()


class ReadOrders(Value):
    """Orders that were understood, each with the words that it was read from, and what was not."""

    orders: tuple[Order, ...]
    written: tuple[str, ...]
    unread: tuple[Unread, ...]


class _Thing(NamedTuple):
    formula: KnownFormula
    wish: Wish
    text: str
    sure: Sure
    goes_to: str


class _Doubt(NamedTuple):
    """What may be one of several things."""

    unread: Unread
    things: tuple[_Thing, ...] = ()


class _When(NamedTuple):
    due_at: datetime
    every: tuple[int, ...]


def read_orders(text: str, now: datetime, formulas: Sequence[KnownFormula], kitchen: Kitchen) -> ReadOrders:
    """All orders of a text; days and hours are those of ``now``'s clock."""
    for title in (f.title for f in formulas if "," in f.title):
        # A comma that belongs to a name parts nothing.
        text = re.sub(re.escape(title), title.replace(",", ""), text, flags=re.IGNORECASE)
    found = _Found()
    standing: _When | None = None
    for line in text.splitlines()[:MOST_LINES]:
        waiting: list[_Thing | _Doubt] = []
        for part in _parts(line):
            rest, when = _when(part, now)
            sure, rest = _sure(rest)
            goes_to, rest = _goes_to(rest)
            rest = rest.strip(" .:-")
            if rest:
                waiting.append(_marked(_thing(rest, part, formulas, kitchen), sure, goes_to))
            elif goes_to:
                waiting = [_marked(w, None, goes_to) for w in waiting]
            if when is not None:
                standing = when
                found.take(waiting, when)
                waiting = []
        found.take(waiting, standing)
    return ReadOrders(orders=tuple(found.orders), written=tuple(found.written), unread=tuple(found.unread))


class _Found:
    """What was read so far."""

    def __init__(self) -> None:
        self.orders: list[Order] = []
        self.written: list[str] = []
        self.unread: list[Unread] = []

    def take(self, waiting: Sequence[_Thing | _Doubt], when: _When | None) -> None:
        """Things, now that it is known whether and when they are wanted."""
        for one in waiting:
            if isinstance(one, _Doubt):
                could = tuple(_order(t, when) for t in one.things) if when else ()
                self.unread.append(one.unread.model_copy(update={"could": could}))
            elif when is None:
                self.unread.append(
                    Unread(text=one.text, says="It says not when.", remedy="Add a day and a time: Saturday 9:00.")
                )
            else:
                self.orders.append(_order(one, when))
                self.written.append(one.text)


def _marked(one: _Thing | _Doubt, sure: Sure | None, goes_to: str) -> _Thing | _Doubt:
    """With how sure it is and where it goes, where that was not said already."""
    if isinstance(one, _Doubt):
        return one._replace(things=tuple(_marked_thing(t, sure, goes_to) for t in one.things))
    return _marked_thing(one, sure, goes_to)


def _marked_thing(one: _Thing, sure: Sure | None, goes_to: str) -> _Thing:
    return one._replace(sure=sure or one.sure, goes_to=one.goes_to or goes_to)


def _order(thing: _Thing, when: _When) -> Order:
    return Order(
        formula=thing.formula.id,
        wish=thing.wish,
        due_at=when.due_at,
        sure=thing.sure,
        goes_to=thing.goes_to,
        every=when.every,
    )


def _parts(line: str) -> Iterable[str]:
    """The parts of a line; a decimal comma parts nothing."""
    return [p.strip() for p in re.split(r";|,(?!\d)|(?<=\D),|\s+\+\s+", line) if p.strip()]


def _sure(text: str) -> tuple[Sure, str]:
    for pattern, sure in _SURE:
        if pattern.search(text):
            return sure, pattern.sub(" ", text)
    return Sure.CERTAIN, text


def _goes_to(text: str) -> tuple[str, str]:
    found = _FOR.search(text)
    if found is None:
        return "", text
    return re.sub(r"^the\s+", "", found["who"].strip()), text[: found.start()]


def _when(part: str, now: datetime) -> tuple[str, _When | None]:
    """A part without the time that it names, and that time."""
    text = part
    low = text.lower()
    every: tuple[int, ...] = ()
    day = None
    if found := _EVERY.search(low):
        named = found["days"]
        every = tuple(range(7)) if named == "day" else tuple(sorted({_DAYS[d[:3]] for d in re.findall(_DAY, named)}))
        text, low = _without(text, low, found)
    if found := _DATE.search(low):
        day = _date(found, now)
        text, low = _without(text, low, found)
    elif found := _ON.search(low):
        day = _day(found["day"], now)
        text, low = _without(text, low, found)
    clock = _CLOCK.search(low)
    if clock is None:
        return (part, None) if day is None and not every else (text, _made(now, day, time(9), every))
    at = _clock(clock)
    if at is None:
        return part, None
    text, low = _without(text, low, clock)
    return text, _made(now, day, at, every)


def _without(text: str, low: str, found: re.Match[str]) -> tuple[str, str]:
    start, end = found.span()
    return text[:start] + " " + text[end:], low[:start] + " " + low[end:]


def _clock(found: re.Match[str]) -> time | None:
    if found["noon"]:
        return time(12)
    hour = int(found["h"] or found["h2"] or found["h3"])
    minute = int(found["min"] or 0)
    half = found["ap"] or found["ap2"]
    if half:
        hour = hour % 12 + (12 if half == "pm" else 0)
    return time(hour, minute) if hour < 24 and minute < 60 else None


def _date(found: re.Match[str], now: datetime) -> datetime | None:
    year, month, day = found["y"] or found["y2"], found["m"] or found["m2"], found["d"] or found["d2"]
    try:
        at = now.replace(year=int(year or now.year), month=int(month), day=int(day))
        return at.replace(year=at.year + 1) if not year and at.date() < now.date() else at
    except ValueError:
        return None


def _day(word: str, now: datetime) -> datetime:
    if word in {"today", "tomorrow"}:
        return now + timedelta(days=word == "tomorrow")
    return now + timedelta(days=(_DAYS[word[:3]] - now.weekday()) % 7)


def _made(now: datetime, day: datetime | None, at: time, every: tuple[int, ...]) -> _When:
    """The next such moment; a weekday or an hour that has passed is meant for the next time round."""
    named = day or now
    due = named.replace(hour=at.hour, minute=at.minute, second=0, microsecond=0)
    if every:
        while due.weekday() not in every or due <= now:
            due += timedelta(days=1)
    elif due <= now:
        due += timedelta(days=7 if day is not None and (day - now).days < 7 and day.date() == now.date() else 1)
    return _When(due, every)


def _thing(text: str, part: str, formulas: Sequence[KnownFormula], kitchen: Kitchen) -> _Thing | _Doubt:
    # A title that begins with a number is one all the same.
    titled = any(plain(f.title).lower() == plain(text).lower() for f in formulas)
    words = plain(text) if titled else in_figures(plain(text))
    amount = None if titled else _AMOUNT.match(words)
    rest = words[amount.end() :] if amount else words
    size = _SIZE.search(rest)
    found, doubt = _formulas(_SIZE.sub(" ", rest).strip(" ."), part, formulas)
    things = []
    for one in found:
        given = _amounts(float(amount["n"].replace(",", ".")), amount["unit"] or "", one) if amount else {}
        if size and one.counts == "tins":
            given["tin"] = _tin(10 * float(size["cm"].replace(",", ".")), one.tin, kitchen)
            if given["tin"] is None:
                names = ", ".join(t.name for t in kitchen.tins if t.tin.shape == one.tin) or "none of that shape"
                says = f"There is no such tin of {size['cm']} cm for {one.title}."
                return _Doubt(Unread(text=part, says=says, remedy=f"There are: {names}. Or add it in Kitchen."))
        try:
            things.append(_Thing(one, Wish.model_validate(given), part, Sure.CERTAIN, ""))
        except ValueError:
            says = "That is no amount that can be made."
            return _Doubt(Unread(text=part, says=says, remedy="Write 1 to 99 tins, or up to 10,000 pieces."))
    return things[0] if doubt is None else _Doubt(doubt, tuple(things))


def _amounts(number: float, unit: str, found: KnownFormula) -> dict[str, Any]:
    whole = max(1, round(number))
    if unit in {"kg", "g"}:
        return {"total_g": number * (1000 if unit == "kg" else 1)}
    if unit.startswith("pair"):
        return {"pieces": 2 * whole}
    if unit.startswith(("serving", "portion", "slice")):
        return {"servings": number}
    if unit.startswith(("piece", "pcs")) or found.counts == "pieces":
        return {"pieces": 2 * whole if found.pairs and not unit else whole}
    if found.counts == "tins":
        return {"tin_count": whole}
    return {"servings": number} if found.counts == "servings" else {"total_g": number}


def _tin(millimetres: float, shape: str, kitchen: Kitchen) -> str | None:
    """The kitchen's tin of that size: by its name first, then by its measures."""
    named = f"{millimetres / 10:g} cm"
    alike = [t for t in kitchen.tins if t.tin.shape == shape]
    by_name = next((t.id for t in alike if named in t.name), None)
    if by_name:
        return by_name

    def across(tin: Any) -> float:
        sizes = [v for k, v in tin.dimensions.model_dump().items() if "diameter" in k and v and "tube" not in k]
        return max(sizes, default=0.0)

    return next((t.id for t in alike if abs(across(t.tin) - millimetres) <= 5), None)


def _formulas(name: str, part: str, formulas: Sequence[KnownFormula]) -> tuple[list[KnownFormula], Unread | None]:
    """The formula that a name means; where that is not sure, those that it may mean and why that is asked."""
    wanted = re.sub(r"^(?:of|the|an?)\s+", "", name)
    exact = [f for f in formulas if plain(f.title).lower() == wanted.lower()]
    if len(exact) == 1:
        return exact, None
    ranked = sorted(((_alike(wanted, f.title), f) for f in formulas), key=lambda r: -r[0])
    close = [(score, f) for score, f in ranked if score >= ALIKE]
    if not wanted or not close:
        near = [f for _, f in ranked[:3]]
        says, remedy = f"“{wanted or part}” is no formula of the Book.", "Write it as it is called there."
    else:
        near = [f for score, f in close if close[0][0] - score < APART][:8]
        if len(near) == 1:
            return near, None
        says, remedy = f"“{wanted}” may be one of {len(near)} formulas.", "Choose one, or write more of its name."
    return near, Unread(text=part, says=says, remedy=remedy, options=tuple(f.title for f in near))


def _alike(wanted: str, title: str) -> float:
    """How alike, of a hundred: every word of what is wanted should be in the title."""
    title = plain(title).lower()
    words = [w for w in re.findall(r"\w+", wanted.lower()) if w not in {"of", "the", "a", "an"}]
    if not words:
        return 0.0
    own = re.findall(r"\w+", title)
    each = [max((fuzz.ratio(w.rstrip("s"), o.rstrip("s")) for o in own), default=0.0) for w in words]
    return 0.9 * sum(each) / len(each) + 0.1 * fuzz.token_sort_ratio(wanted.lower(), title)


def as_text(order: Order, formula: KnownFormula, kitchen: Kitchen) -> str:
    """An order as it would be jotted down: what is read of it is the order again, as far as words can tell it."""
    wish = order.wish
    amount = ""
    if wish.pieces:
        amount = f"{wish.pieces} pieces of "
    elif wish.servings:
        amount = f"{wish.servings:g} servings of "
    elif wish.total_g:
        amount = f"{wish.total_g:g} g "
    elif wish.tin_count:
        amount = f"{wish.tin_count} "
    tin = next((t.name for t in kitchen.tins if t.id == wish.tin), "") if isinstance(wish.tin, str) else ""
    size = _SIZE.search(tin)
    thing = f"{amount}{formula.title}" + (f" {size['cm']} cm" if size else "")
    thing += {Sure.CERTAIN: "", Sure.LIKELY: " probably", Sure.SPARE: " perhaps"}[order.sure]
    thing += f" for {order.goes_to}" if order.goes_to else ""
    at = f"{order.due_at:%H:%M}"
    if len(order.every) == len(WEEKDAYS):
        return f"{thing}; every day {at}"
    if order.every:
        return f"{thing}; every {' and '.join(WEEKDAYS[d] for d in order.every)} {at}"
    return f"{thing}; {order.due_at:%Y-%m-%d} {at}"
