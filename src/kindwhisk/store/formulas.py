"""Formulas and their versions."""

from __future__ import annotations

import json
from collections.abc import Callable, Collection
from datetime import UTC, datetime

from peewee import SqliteDatabase, fn

from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.values.errors import CraftError, NotNowError
from kindwhisk.core.values.model import Value
from kindwhisk.store.goods import Goods
from kindwhisk.store.models import FormulaVersion, bound
from kindwhisk.store.writing import Writer


class FormulaEntry(Value):
    """A line of the Book."""

    id: str
    title: str
    technique: str
    version: int


class VersionEntry(Value):
    """A version of a formula in the list of all."""

    version: int
    title: str
    saved_at: str
    ledger: tuple[str, ...]


def _none(formula_id: str, version: int | None = None) -> CraftError:
    what = f"'{formula_id}'" if version is None else f"'{formula_id}', version {version},"
    return CraftError(
        f"There is no formula {what} in this Book.",
        field="formula_id" if version is None else "version",
        remedy="Choose one from the list of formulas.",
    )


class Formulas:
    """The Book of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer, goods: Goods) -> None:
        self._rows, self._writing, self._goods = bound(FormulaVersion, database), writing, goods

    def entries(self) -> list[FormulaEntry]:
        """The newest version of every formula, by title."""
        newest = self._rows.select(fn.MAX(self._rows.id)).group_by(self._rows.formula)
        rows = self._rows.select().where(self._rows.id.in_(newest)).order_by(self._rows.title)
        return [FormulaEntry(id=r.formula, title=r.title, technique=r.technique, version=r.version) for r in rows]

    def versions(self, formula_id: str) -> list[VersionEntry]:
        """Every version of a formula, the newest first.

        Raises:
            CraftError: there is none.
        """
        rows = self._rows.select().where(self._rows.formula == formula_id).order_by(self._rows.version.desc())
        found = [
            VersionEntry(
                version=row.version,
                title=row.title,
                saved_at=row.saved_at,
                ledger=tuple(e["said"] for e in json.loads(row.document).get("ledger", ())),
            )
            for row in rows
        ]
        if not found:
            raise _none(formula_id)
        return found

    def get(self, formula_id: str, version: int | None = None) -> tuple[int, Formula]:
        """A version of a formula (default the newest) with its number.

        Raises:
            CraftError: there is none.
        """
        query = self._rows.select().where(self._rows.formula == formula_id)
        if version is not None:
            query = query.where(self._rows.version == version)
        row = query.order_by(self._rows.version.desc()).first()
        if row is None:
            raise _none(formula_id, version)
        return row.version, Formula.model_validate_json(row.document)

    def any(self) -> bool:
        """Whether the Book holds anything."""
        return bool(self._rows.select().exists())

    def is_there(self, formula_id: str) -> bool:
        """Whether the Book holds a formula of that id."""
        return bool(self._rows.select().where(self._rows.formula == formula_id).exists())

    def free_id(self, wanted: str) -> str:
        """``wanted``, or the next id after it that no formula has."""
        tried, number = wanted, 1
        while self.is_there(tried):
            number += 1
            tried = f"{wanted[:55]}-{number}"
        return tried

    def save(self, formula: Formula, based_on: int | None = None) -> int:
        """Keep the formula as its next version; an unchanged one keeps its number.

        Args:
            formula: sound; it is kept with the goods of the kitchen's own that it is made with.
            based_on: the version that was changed; a newer one in the Book is not written over.

        Raises:
            NotNowError: somebody saved a newer version meanwhile.
        """
        formula = formula.carrying(self._goods.all())
        document = formula.model_dump_json()
        with self._writing():
            last = (
                self._rows.select().where(self._rows.formula == formula.id).order_by(self._rows.version.desc()).first()
            )
            if last is not None and Formula.model_validate_json(last.document) == formula:
                return int(last.version)
            if based_on is not None and last is not None and last.version != based_on:
                raise NotNowError(
                    f"Version {last.version} was saved meanwhile.",
                    field="based_on",
                    remedy="Open the newest version, and make your change there; yours is still on this page.",
                )
            version = 1 if last is None else last.version + 1
            self._rows.create(
                formula=formula.id,
                version=version,
                title=formula.title,
                technique=formula.technique.value,
                saved_at=datetime.now(UTC).isoformat(),
                document=document,
            )
        return version

    def _newest(self) -> list[Formula]:
        return [self.get(entry.id)[1] for entry in self.entries()]

    def using(self, ids: Collection[str]) -> dict[str, list[str]]:
        """Titles of the formulas that are made with ingredients of these ids, by the id."""
        found: dict[str, list[str]] = {}
        for formula in self._newest() if ids else ():
            for ingredient_id in {p.ingredient for p in formula.portions()} & set(ids):
                found.setdefault(ingredient_id, []).append(formula.title)
        return found

    def follow(self, good: Good, meant: Callable[[Good], bool]) -> list[str]:
        """Make every formula with ``good`` that is made with a good that is ``meant``, each as a new version.

        Returns the ids of those that changed.
        """
        changed = []
        for formula in self._newest():
            new = formula
            for old in formula.goods:
                if meant(old) and old.id != good.id:
                    new = new.with_good(old.id, good)
            if new is not formula:
                self.save(new)
                changed.append(formula.id)
        return changed
