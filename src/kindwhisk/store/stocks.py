"""What is in stock."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import UTC, datetime

from peewee import SqliteDatabase

from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.ingredients.goods import shelf_key
from kindwhisk.store.models import StockRow, bound
from kindwhisk.store.writing import Writer


class Stocks:
    """The shelf of one data file, by what each thing on it goes by."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(StockRow, database), writing

    def all(self) -> dict[str, StockItem]:
        """Every item, by what it goes by: a good that is given another label stays what it is."""
        rows = self._rows.select().order_by(self._rows.ingredient)
        return {str(r.ingredient): StockItem.model_validate_json(r.document) for r in rows}

    def put(self, items: Iterable[StockItem]) -> None:
        """Keep items in the place of those of the same ingredients, all or none."""
        with self._writing():
            for item in items:
                key = shelf_key(item.ingredient)
                self._rows.delete().where(self._rows.ingredient == key).execute()
                self._rows.create(
                    ingredient=key,
                    saved_at=datetime.now(UTC).isoformat(),
                    document=item.model_dump_json(),
                )
