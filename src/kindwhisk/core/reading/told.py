"""A method that was followed, made into a formula: its class, tins and oven, what was assumed, and what stays open."""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator, Sequence
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.reading.asked import how_deep, no_minutes, no_oven, no_tin
from kindwhisk.core.reading.classes import as_filled
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.mending import Mend, mend
from kindwhisk.core.reading.method.concluding import conclude
from kindwhisk.core.reading.method.custom import complete
from kindwhisk.core.reading.method.drafting import Drafter, Known
from kindwhisk.core.reading.method.figures import MethodReading
from kindwhisk.core.reading.method.following import Followed
from kindwhisk.core.reading.method.making import Made, Stock
from kindwhisk.core.reading.method.titles import plainly, title_of
from kindwhisk.core.reading.method.vessels import vessels_of
from kindwhisk.core.reading.parts import RowKind
from kindwhisk.core.reading.plain import slug
from kindwhisk.core.reading.recipe import Written
from kindwhisk.core.reading.tins_named import CountedTin, find_tins, named_without_size, tube_words
from kindwhisk.core.reading.usual import PIPED, SHEETS, usual_bake, usual_tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique

PLAUSIBLE_C: dict[Technique, float] = {Technique.MERINGUE: 170.0, Technique.SHELLS: 190.0}
OTHERS_PLAUSIBLE_C = 245.0
CASES = re.compile(
    r"(?<!\w)(?:(?:paper|cupcake|muffin|cake) (?:cases|cups|liners)|cupcake (?:tin|tray)|liners|cases(?= (?:\d/\d|two|three|half|\d\d))|ramekins|caissettes|pirottini|cốc giấy)(?!\w)|紙カップ"
)
"""What holds a small cake, without a size."""
BRIEF_MIN = 30.0
"""What bakes no longer is no meringue that dries: a sheet of it for a roll is baked hot. Trade habit."""
"""A figure without a unit above this can only be Fahrenheit for that class. Trade habit."""
US_FROM_C = 170.0
US_MEASURES = re.compile(r"(?<!\w)(?:cups?|sticks?|inch(?:es)?|fahrenheit)(?!\w)|°\s*f")
METRIC = re.compile(r"\d\s*(?:g|gr|kg|ml|cm)\b|°\s*c|\d\s*c\b")
FAN_BESIDE = re.compile(r"\(\s*\d+ ?°? ?c? fan|/\s*\d+ ?c? fan")
"""Beside the temperature without a fan, the one with it: the first is meant."""


class Told(NamedTuple):
    """What a followed method became.

    ``steps`` are step ids by sentence, ``from_method`` lines that only it gives, ``besides`` what it uses without an
    amount, ``placed`` lines that no sentence used, or not all of.
    """

    formula: Formula | None
    technique: Technique
    steps: dict[int, list[str]]
    questions: list[Question]
    from_method: list[str]
    besides: list[str]
    placed: list[Stock]
    tin_found: bool
    oven_found: bool


class _Oven(NamedTuple):
    celsius: float
    minutes: float
    found: bool


def _baked(followed: Followed) -> Made | None:
    return next((m for m in followed.made if m.kind is BakeStep), None)


def _flat(followed: Followed, technique: Technique) -> bool:
    """Whether it is baked as a sheet, by its class or by what is done with it."""
    rolled = any(m.kind is RollStep or (m.kind is FillStep and m.fields.get("flat")) for m in followed.made)
    return rolled or technique in SHEETS


def _tins(written: Written, followed: Followed) -> tuple[CountedTin | None, CountedTin | None]:
    """The tin for the oven and, where there is another, that for what is moulded."""
    found = [(n, CountedTin(tin=tin, count=count)) for n, tin, count in followed.tracker.tins]
    found += [(-1, tin) for row in written.rows if row.kind is not RowKind.SENTENCE for tin in find_tins(row.text)]
    found = _in_a_tube(written, found) or [(-1, tin) for tin in _sized_elsewhere(written)]
    every = [tin for _, tin in found]
    bake = _baked(followed)
    if bake is None or not bake.said:
        return next(iter(every), None), None
    if any(m.kind is PipeStep for m in bake.upstream()):
        flat = next((f for f in every if f.tin.tin.flat), None)
        return flat, next((f for f in every if not f.tin.tin.flat), None)
    before = [tin for n, tin in found if n <= max(bake.said)]
    after = [tin for n, tin in found if n > max(bake.said)]
    return next(iter([*before, *after]), None), next(iter(after), None)


_ANGEL = re.compile(r"angel(?:[- ]food)?[- ]cake|エンゼルケーキ")


def _in_a_tube(written: Written, found: list[tuple[int, CountedTin]]) -> list[tuple[int, CountedTin]]:
    """“Per uno stampo da 26 cm … nello stampo da chiffon”: the size stands above, the shape in a sentence."""
    words = [word for row in written.rows if row.kind is RowKind.SENTENCE for word in tube_words(row.text)]
    if _ANGEL.search(written.title.lower()):
        # An angel cake hangs from its tube, whatever its tin is called.
        words.append("tube tin")
    if not words or any(tin.tin.tin.shape == "tube" for _, tin in found):
        return found
    above = [row.text for row in written.rows]
    tubes = [(-1, tin) for text in above for tin in find_tins(f"{text} {words[0]}")]
    return tubes or found


def _sized_elsewhere(written: Written) -> list[CountedTin]:
    """“Makes one 23 cm cake … into the chiffon tin”: the size stands above, the tin in a sentence."""
    above = [row.text for row in written.rows if row.kind in {RowKind.TITLE, RowKind.NOTE, RowKind.HEADING}]
    tins = [word for row in written.rows if row.kind is RowKind.SENTENCE if (word := named_without_size(row.text))]
    # “Black forest, 22 cm”, of a bake that is poured into something.
    return [tin for text in above for word in (tins[:1] or ["tin"]) for tin in find_tins(f"{text} {word}")]


def _without_unit(celsius: float, text: str) -> bool:
    figure = f"{celsius:.0f}"
    return re.search(rf"(?<!\d){figure}(?!\s*(?:°|º|c\b|degr|f\b|/\d|度|gradi))(?!\d)", text) is not None


def _oven(
    followed: Followed,
    method: MethodReading,
    technique: Technique,
    usual: tuple[float, float],
    text: str,
    questions: list[Question],
) -> _Oven:
    oven, minutes = usual
    bake = _baked(followed)
    if bake is None:
        return _Oven(oven, minutes, found=True)
    said = bake.fields.get("oven_c", followed.tracker.oven_c)
    if said is None and method.oven_c is not None:
        said = method.oven_c.low
    if said is None:
        questions.append(no_oven(oven))
    else:
        oven = _plausible(float(said), bake.fields.get("minutes"), technique, text, questions)
        bake.fields["oven_c"] = oven
    if bake.fields.get("minutes") is not None:
        minutes = float(bake.fields["minutes"])
    elif method.bake_minutes is not None and bake.said:
        minutes = (method.bake_minutes.low + method.bake_minutes.high) / 2
    else:
        questions.append(no_minutes(minutes))
    return _Oven(oven, minutes, found=said is not None)


def _plausible(
    celsius: float, minutes: float | None, technique: Technique, text: str, questions: list[Question]
) -> float:
    """A figure without a unit in the unit that it can only be in, asked about."""
    american = bool(US_MEASURES.search(text)) and not METRIC.search(text) and celsius > US_FROM_C
    brief = minutes is not None and minutes < BRIEF_MIN and celsius <= OTHERS_PLAUSIBLE_C
    if (
        brief
        or not _without_unit(celsius, text)
        or not (american or celsius > PLAUSIBLE_C.get(technique, OTHERS_PLAUSIBLE_C))
    ):
        return celsius
    inside = float(round((celsius - 32) / 1.8))
    questions.append(
        Question(field="oven", text=f"Is the oven's “{celsius:.0f}” in Fahrenheit?", assumed=f"yes, {inside:.0f} °C")
    )
    return inside


def _about_lines(followed: Followed, placed: Sequence[Stock]) -> Iterator[Question]:
    """What the sentences leave open about the list."""
    stocks = followed.tracker.stocks
    for stock in stocks.disputed:
        parts = " and ".join(f"{t.grams:.0f} g" for t in stock.takes if t.grams > 0)
        name = ingredient(stock.ingredient).name
        yield Question(
            field=stock.written[:80], text=f"How is the {name} divided? The text does not say.", assumed=parts
        )
    for made in followed.tracker.results.shared_out:
        name = f"“{made.title}”" if made.title else plainly(made)
        yield Question(field=name[:80], text=f"How is {name} divided? The text does not say.", assumed="half and half")
    for stock in placed:
        name = ingredient(stock.ingredient).name
        if any(t.stated for t in stock.takes):
            text, assumed = (
                f"The sentences use less of the {name} than the list has.",
                "the rest goes where the last of it goes",
            )
        else:
            text, assumed = f"No sentence says where to put the {name}.", "with what it usually goes with"
        yield Question(field=stock.written[:80], text=text, assumed=assumed)
    for stock in dict.fromkeys(stocks.overdrawn):
        yield Question(
            field=stock.written[:80],
            text=f"The sentences use more of the {ingredient(stock.ingredient).name} than the list has.",
            assumed=f"all of its {stock.grams:.0f} g, and no more",
        )


def _about_steps(followed: Followed, assumed: Sequence[Made]) -> Iterator[Question]:
    for n in followed.open:
        yield Question(
            field="sentence", text=f"What is done here: “{followed.sentences[n].text[:160]}”?",
            assumed="a plain step with its words holds the place",
        )  # fmt: skip
    for made in assumed:
        if made.assumed:
            yield Question(field="steps", text=made.assumed, assumed=f"“{made.title or title_of(made)}”")


def _about_tin(followed: Followed, technique: Technique, tin: CountedTin | None, usual_name: str) -> Iterator[Question]:
    filled = any(m.kind is FillStep for m in followed.made)
    if tin is None and filled and technique not in PIPED:
        yield no_tin(usual_name)
    elif tin is not None and not tin.tin.depth_stated and not tin.tin.tin.flat:
        yield how_deep(tin.tin)


def told(
    written: Written, followed: Followed, method: MethodReading, wanted: Technique | None, mends: Sequence[Mend] = ()
) -> Told:
    """The formula of a followed method. Where it can't be one, the reason stands among the questions."""
    tracker = followed.tracker
    text = "\n".join(r.text for r in written.rows).lower()
    placed, assumed = complete(tracker)
    technique = wanted or conclude(followed.made) or method.technique
    questions = [*tracker.questions]
    tin, ring = _tins(written, followed)
    if wanted is None and tin is not None and tin.tin.tin.flat and technique is Technique.CHIFFON:
        technique = Technique.CHIFFON_ROLL
    flat = _flat(followed, technique)
    usual, usual_name = usual_tin(flat=flat)
    oven = _oven(followed, method, technique, usual_bake(technique, flat=flat), text, questions)
    questions += [
        *_about_tin(followed, technique, tin, usual_name),
        *_about_lines(followed, placed),
        *_about_steps(followed, assumed),
    ]
    known = Known(
        technique=technique,
        tin=tin.tin.tin if tin else usual,
        tin_name=tin.tin.name if tin else usual_name,
        count=tin.count if tin else 1,
        ring=(ring.tin.tin, ring.tin.name) if ring else None,
        oven_c=oven.celsius,
        fan=method.fan and not FAN_BESIDE.search(text),
        minutes=oven.minutes,
    )
    drafter = Drafter(known, followed.made)
    formula = _formula(drafter, written, technique, mends, questions)
    steps: dict[int, list[str]] = {}
    # Without those that were left out by hand.
    there = {s.id for s in formula.steps} if formula is not None else set()
    for step_id, sentences in ((i, said) for i, said in drafter.sentences.items() if i in there):
        for n in sentences:
            steps.setdefault(n, []).append(step_id)
    return Told(
        formula,
        technique,
        steps,
        questions,
        _from_method(tracker.stocks.rows),
        tracker.besides,
        placed,
        tin_found=tin is not None or CASES.search(text) is not None,
        oven_found=oven.found,
    )


def _from_method(stocks: Iterable[Stock]) -> list[str]:
    """Lines that only the method gives: “75 g sugar” told twice is two, eggs told once and separated are one."""
    rows = [(s.written, s.ingredient) for s in stocks if not s.listed and s.written]
    told = ((written, rows[:at].count((written, one))) for at, (written, one) in enumerate(rows))
    return [written for written, _ in dict.fromkeys(told)]


def _formula(
    drafter: Drafter, written: Written, technique: Technique, mends: Sequence[Mend], questions: list[Question]
) -> Formula | None:
    title = written.title or f"Untitled {technique.value}"
    try:
        steps = mend(drafter.draft(), mends, questions)
        formula = Formula(
            id=slug(title),
            title=title,
            summary="Read in; confirm amounts, order and end points.",
            technique=technique,
            servings=max(1, min(written.servings or 8, 1000)),
            components=drafter.parts.components([s.component for s in steps]),
            vessels=vessels_of(steps),
            steps=steps,
        )
    except ValueError as error:
        # What does not hold together is told without the program's own words.
        named = re.search(r"step '([^']+)': ([^\[\n]+)", str(error))
        why = f"The steps that were read don't join up{f' at “{named[1]}”: {named[2].strip()}' if named else ''}."
        questions.append(Question(field="steps", text=why, assumed="Mend the text where it is named."))
        return None
    try:
        return as_filled(formula)
    except CraftError as error:
        questions.append(Question(field=error.field, text=error.message, assumed=error.remedy))
        return formula
