"""What the Book shows of its formulas, kept with what it was worked out from; it can all be worked out again."""

from __future__ import annotations

from collections.abc import Mapping

from peewee import SqliteDatabase

from kindwhisk.store.models import GlanceRow, bound
from kindwhisk.store.writing import Writer


class Glances:
    """The glances of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(GlanceRow, database), writing

    def all(self) -> dict[str, tuple[str, str]]:
        """Of each formula: what its glance was worked out from, and the glance."""
        return {r.formula: (r.basis, r.document) for r in self._rows.select()}

    def keep(self, glances: Mapping[str, tuple[str, str]]) -> None:
        """Keep these in the place of what was there of their formulas."""
        with self._writing():
            for formula, (basis, document) in glances.items():
                self._rows.replace(formula=formula, basis=basis, document=document).execute()  # type: ignore[no-untyped-call]
