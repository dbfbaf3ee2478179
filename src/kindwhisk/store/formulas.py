"""Formulas and their versions."""

from __future__ import annotations

from datetime import UTC, datetime

from peewee import fn

from kindwhisk.core.errors import CraftError
from kindwhisk.core.model import Value
from kindwhisk.core.process.formula import Formula
from kindwhisk.store.models import FormulaVersion


class FormulaEntry(Value):
    """A line of the Book."""

    id: str
    title: str
    technique: str
    version: int


def entries() -> list[FormulaEntry]:
    """The newest version of every formula, by title."""
    newest = FormulaVersion.select(fn.MAX(FormulaVersion.id)).group_by(FormulaVersion.formula)
    rows = FormulaVersion.select().where(FormulaVersion.id.in_(newest)).order_by(FormulaVersion.title)
    return [FormulaEntry(id=r.formula, title=r.title, technique=r.technique, version=r.version) for r in rows]


def get(formula_id: str, version: int | None = None) -> tuple[int, Formula]:
    """A version of a formula (default the newest) with its number.

    Raises:
        CraftError: there is none.
    """
    query = FormulaVersion.select().where(FormulaVersion.formula == formula_id)
    if version is not None:
        query = query.where(FormulaVersion.version == version)
    row = query.order_by(FormulaVersion.version.desc()).first()
    if row is None:
        raise CraftError(
            f"There is no formula '{formula_id}' in this Book.",
            field="formula_id",
            remedy="Choose one from the list of formulas.",
        )
    return row.version, Formula.model_validate_json(row.document)


def save(formula: Formula) -> int:
    """Keep the formula as its next version; an unchanged one keeps its number."""
    document = formula.model_dump_json()
    last = (
        FormulaVersion.select()
        .where(FormulaVersion.formula == formula.id)
        .order_by(FormulaVersion.version.desc())
        .first()
    )
    if last is not None and last.document == document:
        return int(last.version)
    version = 1 if last is None else last.version + 1
    FormulaVersion.create(
        formula=formula.id,
        version=version,
        title=formula.title,
        technique=formula.technique.value,
        saved_at=datetime.now(UTC).isoformat(),
        document=document,
    )
    return version
