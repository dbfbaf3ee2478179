"""From what was read to a process that can be confirmed: the recipe's own, sentence by sentence, as far as it is told."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from pydantic import Field

from kindwhisk.core.ingredients import counts_as, tell
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.goods import Good, unknown
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.reading import by_the_eggs
from kindwhisk.core.reading.asked import longer_than_one
from kindwhisk.core.reading.by_class import by_class
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.line import MOST_G, ReadLine, read_line
from kindwhisk.core.reading.mending import Meant, Mend, keys_of
from kindwhisk.core.reading.method.figures import Found, MethodReading, read_method
from kindwhisk.core.reading.method.following import Followed, follow
from kindwhisk.core.reading.method.stocks import stocks_of
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.method.unwhipped import makes_a_foam, whipped_all_the_same
from kindwhisk.core.reading.naming import shelf_of
from kindwhisk.core.reading.parts import RowKind
from kindwhisk.core.reading.recipe import Written
from kindwhisk.core.reading.remarks import Remark, on_text, remarks
from kindwhisk.core.reading.slips import read_with_slips
from kindwhisk.core.reading.told import Told, told
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique


class ReadRow(Value):
    """A row of the text and what became of it: the steps that it tells of, or why none.

    ``says`` is ``ingredient``, ``heading``, ``title``, ``note``, ``step``, ``known`` (understood, and nothing to be done
    of its own, such as heating the oven), ``not understood``, or ``not read`` where a recipe holds no more; ``line`` is the number of an ingredient's line.
    """

    kind: RowKind
    text: str
    group: str
    says: str
    steps: tuple[str, ...] = ()
    line: int | None = None


class ByHand(Value):
    """What a baker has corrected on the process: fields and steps left out, and what “it” was."""

    mends: tuple[Mend, ...] = Field(default=(), max_length=200)
    meant: tuple[Meant, ...] = Field(default=(), max_length=100)


NOTHING = ByHand()


class ReadRecipe(Value):
    """A recipe as it was read; nothing of it is kept until it is confirmed.

    ``keys`` are what corrections know its steps by. ``formula`` is None where there is no foam to build a process around.
    """

    title: str
    rows: tuple[ReadRow, ...]
    lines: tuple[ReadLine, ...]
    groups: tuple[str, ...]
    method: MethodReading
    technique: Technique
    formula: Formula | None
    keys: dict[str, str]
    questions: tuple[Question, ...]
    lint: tuple[Remark, ...]


def _with_bake(method: MethodReading, followed: Followed) -> MethodReading:
    """What the words tell of the oven, with what a sentence was understood to tell of it."""
    bake = next((m for m in followed.made if m.kind is BakeStep), None)
    figures = {
        of: Found(low=figure, high=figure, text=bake.words)
        for of, of_bake in (("oven_c", "oven_c"), ("bake_minutes", "minutes"))
        if bake is not None and getattr(method, of) is None and (figure := bake.fields.get(of_bake)) is not None
    }
    return method.model_copy(update=figures)


def _line_questions(lines: Sequence[ReadLine]) -> Iterator[Question]:
    """What a line leaves open: which of several foods, what a strange one is, whether so much is meant."""
    for line in lines:
        asked: list[tuple[str, str]] = []
        if line.choices:
            first = line.choices[0]
            asked.append(
                (
                    f"Which of these is meant: {', '.join(c.says for c in line.choices)}?",
                    f"{first.says}, {first.grams:.0f} g. {line.left}".strip(),
                )
            )
        if line.ingredient is None and line.unknown and line.grams:
            asked.append(
                (
                    f"“{line.unknown}” is not known here. What is it?",
                    f"{line.grams:.0f} g of something of which only the weight counts; allergens not known",
                )
            )
        if line.grams is not None and line.grams > MOST_G:
            asked.append(
                (
                    f"{line.grams / 1000:.0f} kg of “{line.name}”: is that meant?",
                    f"{MOST_G / 1000:.0f} kg, the most that one line holds",
                )
            )
        yield from (Question(field=line.text[:80], text=text, assumed=assumed) for text, assumed in asked)


def _rows(written: Written, followed: Followed, steps: dict[int, list[str]]) -> tuple[ReadRow, ...]:
    rows = []
    line = sentence = -1
    for row in written.rows:
        says, at = row.kind.value, None
        own: tuple[str, ...] = ()
        if row.kind is RowKind.INGREDIENT:
            line += 1
            at = line
        elif row.kind is RowKind.SENTENCE:
            sentence += 1
            own = tuple(steps.get(sentence, ()))
            says = "step" if own else "known" if followed.acts[sentence] else "not understood"
        elif row.beyond:
            says = "not read"
        rows.append(ReadRow(kind=row.kind, text=row.text, group=row.group, says=says, steps=own, line=at))
    return tuple(rows)


def _carrying(formula: Formula, lines: Sequence[ReadLine], besides: Sequence[str], goods: Sequence[Good]) -> Formula:
    """The formula with the goods that it names; what is named without an amount is not weighed, but what it holds must
    not be lost."""
    strange = [unknown(line.unknown) for line in lines if line.unknown]
    tell(good.ingredient() for good in strange)
    unweighed = [line for line in lines if line.grams is None and (line.ingredient or line.unknown)]
    ids = [line.ingredient or unknown(line.unknown).id for line in unweighed]
    kept = tuple(dict.fromkeys(i for i in (*ids, *besides) if i != "water"))
    return formula.model_copy(update={"besides": kept[:60]}).carrying((*goods, *strange))


def read(
    written: Written,
    eggs: EggSize,
    technique: Technique | None = None,
    goods: Sequence[Good] = (),
    by_hand: ByHand = NOTHING,
) -> ReadRecipe:
    """Read a recipe's lines and method and propose its process.

    Args:
        written: the recipe in its parts.
        eggs: the class that ``3 eggs`` means here.
        technique: the class, where the baker has said it; else it is concluded from what is made of what.
        goods: the kitchen's own, which recipes may name.
        by_hand: what the baker has corrected on the process so far.
    """
    shelf = shelf_of(goods)
    lines, by_eggs = by_the_eggs.weighed(
        [read_with_slips(line.text, eggs, shelf) for line in written.lines],
        [row.text for row in written.rows],
        eggs,
        shelf,
    )
    groups = tuple(line.group for line in written.lines)
    listed = {i for line in lines if line.ingredient for i in (line.ingredient, counts_as(line.ingredient))}
    if any("separated" in line.prepared for line in lines):
        listed |= {"egg-white", "egg-yolk"}
    method = read_method(written.title, written.method, listed)
    unweighed = frozenset(line.ingredient for line in lines if line.ingredient and line.grams is None)
    tracker = Tracker(stocks_of(lines, groups, eggs), shelf, unweighed=unweighed)
    followed = follow(written.rows, tracker, written.language, by_hand.meant)
    questions = [*longer_than_one(written.rows), *_line_questions(lines), *by_eggs]
    title = written.title
    formula: Formula | None = None
    steps: dict[int, list[str]] = {}
    chosen = technique or method.technique
    besides: Sequence[str] = ()
    found: tuple[Remark, ...] | None = None
    whipped_all_the_same(followed)
    if makes_a_foam(followed):
        result: Told = told(written, followed, method, technique, by_hand.mends)
        method = _with_bake(method, followed)
        formula, chosen, steps, besides = result.formula, result.technique, result.steps, result.besides
        questions += result.questions
        lines = (*lines, *(read_line(text, eggs, shelf) for text in result.from_method))
        groups = (*groups, *("" for _ in result.from_method))
        found = remarks(followed, lines, result.placed, tin_found=result.tin_found, oven_found=result.oven_found)
    else:
        new = [s.written for s in tracker.stocks.rows if not s.listed and s.written]
        lines = (*lines, *(read_line(text, eggs, shelf) for text in new))
        groups = (*groups, *("" for _ in new))
        method = _with_bake(method, followed).model_copy(
            update={"technique": chosen, "technique_sure": 1.0 if technique else method.technique_sure}
        )
        try:
            formula = by_class(written, lines, method, chosen, eggs=eggs, questions=questions)
        except CraftError as error:
            questions.append(Question(field=error.field, text=error.message, assumed=error.remedy))
    if formula is not None:
        formula = _carrying(formula, lines, besides, goods)
    method = method.model_copy(update={"technique": chosen})
    return ReadRecipe(
        title=title or f"Untitled {chosen.value}",
        rows=_rows(written, followed, steps),
        lines=lines,
        groups=groups,
        method=method,
        technique=chosen,
        formula=formula,
        keys=keys_of(formula.steps) if formula is not None else {},
        questions=tuple(questions),
        lint=found if found is not None else on_text(lines, method, chosen),
    )
