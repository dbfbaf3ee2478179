"""A kitchen's own goods."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime

from peewee import SqliteDatabase

from kindwhisk.core.ingredients import tell
from kindwhisk.core.ingredients.goods import Good, slug
from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.models import GoodRow, bound
from kindwhisk.store.writing import Writer


def _none(key: str) -> CraftError:
    return CraftError(
        f"There is no good '{key}' of this kitchen's own.", field="key", remedy="Choose one of the list of goods."
    )


class Goods:
    """The shelf of one data file. Whatever lies on it is known by its id from when the file is opened."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(GoodRow, database), writing
        self._shelf = self._read()
        writing.on_undone.append(self.read_again)

    def read_again(self) -> None:
        """What lies on the disk is what lies on the shelf."""
        self._shelf = self._read()

    def _read(self) -> tuple[Good, ...]:
        shelf = tuple(Good.model_validate_json(r.document) for r in self._rows.select().order_by(self._rows.name))
        tell(good.ingredient() for good in shelf)
        return shelf

    def all(self) -> tuple[Good, ...]:
        """Every good, by name."""
        return self._shelf

    def get(self, key: str) -> Good:
        """The good of that key.

        Raises:
            CraftError: there is none.
        """
        found = next((g for g in self._shelf if g.key == key), None)
        if found is None:
            raise _none(key)
        return found

    def add(self, good: Good) -> Good:
        """Put a new good on the shelf; it is given its key."""
        with self._writing():
            self._check_names(good)
            key, number = slug(good.name), 1
            while any(g.key == key for g in self._shelf):
                number += 1
                key = f"{slug(good.name)[:26]}-{number}"
            return self._put(good.model_copy(update={"key": key}))

    def replace(self, key: str, good: Good) -> Good:
        """Put a good in the place of the one of that key.

        Raises:
            CraftError: there is none, or another has one of its names.
        """
        with self._writing():
            self.get(key)
            self._check_names(good, but=key)
            return self._put(good.model_copy(update={"key": key}))

    def bring(self, goods: Sequence[Good]) -> list[Good]:
        """Put goods that came with a formula on the shelf, those whose key or name it does not hold."""
        with self._writing():
            there = {g.key for g in self._shelf} | {n.casefold() for g in self._shelf for n in (g.name, *g.synonyms)}
            new = [g for g in goods if g.key and g.key not in there and g.name.casefold() not in there]
            return [self._put(g) for g in new]

    def remove(self, key: str) -> None:
        """Take a good off the shelf; formulas that are made with it keep it.

        Raises:
            CraftError: there is none.
        """
        with self._writing():
            self.get(key)
            self._rows.delete().where(self._rows.key == key).execute()
            self._shelf = self._read()

    def _put(self, good: Good) -> Good:
        self._rows.delete().where(self._rows.key == good.key).execute()
        self._rows.create(
            key=good.key, name=good.name, saved_at=datetime.now(UTC).isoformat(), document=good.model_dump_json()
        )
        self._shelf = self._read()
        return good

    def _check_names(self, good: Good, but: str = "") -> None:
        mine = {n.casefold() for n in (good.name, *good.synonyms)}
        for other in self._shelf:
            taken = mine & {n.casefold() for n in (other.name, *other.synonyms)}
            if other.key != but and taken:
                raise CraftError(
                    f"“{taken.pop()}” is a name of “{other.name}” already.",
                    field="name",
                    remedy="Give this one another name, or change that one.",
                )
