"""From what was read to a process that can be confirmed: vessels, steps, tin and oven by the class of the bake."""

from __future__ import annotations

import re
import unicodedata
from collections.abc import Sequence

from kindwhisk.core.ingredients import counts_as, tell
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.goods import Good, unknown
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.reading.classes import build
from kindwhisk.core.reading.goods import Question, sort_goods
from kindwhisk.core.reading.line import ReadLine, read_line
from kindwhisk.core.reading.lint import Remark, lint
from kindwhisk.core.reading.method import MethodReading, read_method
from kindwhisk.core.reading.naming import shelf_of
from kindwhisk.core.reading.recipe import Written
from kindwhisk.core.reading.shapes import MethodPlan
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique

USUAL: dict[Technique, tuple[float, float]] = {
    Technique.CHIFFON: (170, 34), Technique.CHIFFON_ROLL: (180, 13), Technique.GENOISE: (170, 30),
    Technique.COLD_GENOISE: (170, 32), Technique.SEPARATED_SPONGE: (170, 30), Technique.RICH_SPONGE: (165, 40),
    Technique.CREAMED_SPONGE: (170, 42), Technique.SOUFFLED_SHEET: (175, 16), Technique.SOAKED_SPONGE: (175, 26),
    Technique.LADYFINGERS: (190, 11), Technique.MERINGUE: (95, 100), Technique.SHELLS: (150, 14),
    Technique.PATTERNED: (165, 36), Technique.LADYFINGER_CAKE: (190, 11), Technique.MOUSSE: (170, 30),
}  # fmt: skip
"""Oven in C and minutes where a recipe gives none. Trade habit."""
USUAL_TIN = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))


class ReadRecipe(Value):
    """A recipe as it was read; nothing of it is kept until it is confirmed.

    ``formula`` is None where there is no foam to build a process around.
    """

    title: str
    lines: tuple[ReadLine, ...]
    groups: tuple[str, ...]
    method: MethodReading
    technique: Technique
    formula: Formula | None
    questions: tuple[Question, ...]
    lint: tuple[Remark, ...]


def slug(title: str) -> str:
    """An id from a title."""
    plain = unicodedata.normalize("NFKD", title.lower()).encode("ascii", "ignore").decode()
    made = re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:48].strip("-")
    return made or "read-in"


def _plan(method: MethodReading, technique: Technique, questions: list[Question]) -> MethodPlan:
    oven, minutes = USUAL[technique]
    if method.oven_c:
        oven = method.oven_c.low
    else:
        questions.append(Question(field="oven", text="No oven temperature was found.", assumed=f"{oven:.0f} °C"))
    if method.bake_minutes:
        minutes = (method.bake_minutes.low + method.bake_minutes.high) / 2
    else:
        questions.append(Question(field="minutes", text="No time in the oven was found.", assumed=f"{minutes:.0f} min"))
    tin, name = USUAL_TIN, "20 cm round"
    piped = technique in {Technique.SHELLS, Technique.LADYFINGERS, Technique.MERINGUE}
    if method.tin and not (piped and method.tin.tin.shape not in {"sheet", "rectangular"}):
        if not method.tin.depth_stated:
            depth = f"{method.tin.tin.depth_mm:.0f} mm deep"
            questions.append(
                Question(field="tin", text=f"How deep is the {method.tin.name} tin inside?", assumed=depth)
            )
        chosen, name = method.tin.tin, method.tin.name
    else:
        chosen = tin
        if not piped:
            questions.append(Question(field="tin", text="No tin with its size was found.", assumed=name))
    if method.technique_sure < 0.7:
        questions.append(Question(field="technique", text="Which class of bake is it?", assumed=technique.value))
    return MethodPlan(
        technique=technique,
        tin=chosen,
        tin_name=name,
        oven_c=min(max(oven, 60.0), 300.0),
        fan=method.fan,
        minutes=max(minutes, 1.0),
        meringue=method.meringue,
        peak=method.peak,
        syrup_c=method.syrup_c,
        rolled=method.rolled,
    )


def read(written: Written, eggs: EggSize, technique: Technique | None = None, goods: Sequence[Good] = ()) -> ReadRecipe:
    """Read a recipe's lines and method and propose a process.

    Args:
        written: the recipe in its parts.
        eggs: the class that ``3 eggs`` means here.
        technique: the class, where the baker has said it; else it is taken from the text.
        goods: the kitchen's own, which recipes may name.
    """
    shelf = shelf_of(goods)
    lines = tuple(read_line(line.text, eggs, shelf) for line in written.lines)
    groups = tuple(line.group for line in written.lines)
    listed = {i for line in lines if line.ingredient for i in (line.ingredient, counts_as(line.ingredient))}
    if any("separated" in line.prepared for line in lines):
        listed |= {"egg-white", "egg-yolk"}
    method = read_method(written.title, written.method, listed)
    chosen = technique or method.technique
    if technique is not None:
        method = method.model_copy(update={"technique": technique, "technique_sure": 1.0})
    questions: list[Question] = []
    questions += [
        Question(
            field=line.text[:80],
            text=f"Which of these is meant: {', '.join(c.says for c in line.choices)}?",
            assumed=f"{line.choices[0].says}, {line.choices[0].grams:.0f} g. {line.left}".strip(),
        )
        for line in lines
        if line.choices
    ]
    remarks = lint(lines, method, chosen)
    title = written.title or f"Untitled {chosen.value}"
    formula = None
    try:
        sorted_goods = sort_goods(lines, groups, chosen, eggs, questions)
        plan = _plan(method, chosen, questions)
        strange = [unknown(line.unknown) for line in lines if line.unknown]
        built = build(slug(title), title, written.servings or 8, plan, sorted_goods)
        tell(good.ingredient() for good in strange)
        # What is named without an amount is not weighed, but what it holds must not be lost.
        unweighed = [line for line in lines if line.grams is None and (line.ingredient or line.unknown)]
        ids = [line.ingredient or unknown(line.unknown).id for line in unweighed]
        besides = tuple(dict.fromkeys(i for i in ids if i != "water"))
        formula = built.model_copy(update={"besides": besides[:60]}).carrying((*goods, *strange))
    except CraftError as error:
        questions.append(Question(field=error.field, text=error.message, assumed=error.remedy))
    return ReadRecipe(
        title=title,
        lines=lines,
        groups=groups,
        method=method,
        technique=chosen,
        formula=formula,
        questions=tuple(questions),
        lint=remarks,
    )
