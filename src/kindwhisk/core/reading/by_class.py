"""The process of a recipe that tells no method: its goods, poured into the usual process of its class."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.reading.asked import how_deep, no_minutes, no_oven, no_tin
from kindwhisk.core.reading.classes import build
from kindwhisk.core.reading.goods import Question, sort_goods
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.figures import MethodReading
from kindwhisk.core.reading.plain import slug
from kindwhisk.core.reading.recipe import Written
from kindwhisk.core.reading.shapes import MethodPlan
from kindwhisk.core.reading.usual import PIPED, SHEETS, usual_bake, usual_tin
from kindwhisk.core.values.technique import Technique


def _plan(method: MethodReading, technique: Technique, questions: list[Question]) -> MethodPlan:
    flat = method.rolled or technique in SHEETS
    oven, minutes = usual_bake(technique, flat=flat)
    if method.oven_c:
        oven = method.oven_c.low
    else:
        questions.append(no_oven(oven))
    if method.bake_minutes:
        minutes = (method.bake_minutes.low + method.bake_minutes.high) / 2
    else:
        questions.append(no_minutes(minutes))
    tin, name = usual_tin(flat=flat)
    piped = technique in PIPED
    if method.tin and not (piped and method.tin.tin.shape not in {"sheet", "rectangular"}):
        if not method.tin.depth_stated:
            questions.append(how_deep(method.tin))
        chosen, name = method.tin.tin, method.tin.name
    else:
        chosen = tin
        if not piped:
            questions.append(no_tin(name))
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


def by_class(
    written: Written,
    lines: Sequence[ReadLine],
    method: MethodReading,
    technique: Technique,
    *,
    eggs: EggSize,
    questions: list[Question],
) -> Formula:
    """A formula by the class's usual shape; what was assumed goes into ``questions``.

    Raises:
        CraftError: there is no egg in it to make a foam of.
    """
    goods = sort_goods(
        lines, [*(line.group for line in written.lines), *[""] * len(lines)][: len(lines)], technique, eggs, questions
    )
    title = written.title or f"Untitled {technique.value}"
    plan = _plan(method, technique, questions)
    return build(slug(title), title, written.servings or 8, plan, goods)
