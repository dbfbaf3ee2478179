"""Orders of days to come and past."""

from __future__ import annotations

import secrets
from collections.abc import Iterable, Sequence
from datetime import UTC, datetime

from peewee import SqliteDatabase

from kindwhisk.core.day.order import Order
from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.models import DueBake, OrderRow, bound
from kindwhisk.store.writing import Writer

MOST_ORDERS = 5000


class Orders:
    """The orders of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._bakes, self._writing = bound(OrderRow, database), bound(DueBake, database), writing

    def all(self) -> tuple[Order, ...]:
        """Every order, the soonest due first."""
        found = [Order.model_validate_json(r.document) for r in self._rows.select()]
        return tuple(sorted(found, key=lambda o: (o.due_at, o.id)))

    def get(self, order_id: str) -> Order:
        """The order of that id.

        Raises:
            CraftError: there is none.
        """
        row = self._rows.get_or_none(self._rows.id == order_id)
        if row is None:
            raise CraftError(f"There is no order '{order_id}'.", field="order", remedy="Choose one of the list.")
        return Order.model_validate_json(row.document)

    def add(self, orders: Sequence[Order], client_key: str) -> tuple[Order, ...]:
        """Keep new orders, all or none; each is given its id. The same key again keeps nothing twice.

        Raises:
            CraftError: there would be more than can be kept.
        """
        with self._writing():
            kept = []
            room = MOST_ORDERS - self._rows.select().count()
            for number, order in enumerate(orders):
                key = f"{client_key}:{number}"
                known = self._rows.get_or_none(self._rows.client_key == key)
                if known is not None:
                    kept.append(Order.model_validate_json(known.document))
                    continue
                if room <= 0:
                    raise CraftError(
                        f"More than {MOST_ORDERS} orders.", field="orders", remedy="Take those of past days away first."
                    )
                room -= 1
                named = order.model_copy(update={"id": f"{order.due_at:%m%d}-{secrets.token_hex(3)}"})
                self._rows.create(id=named.id, client_key=key, saved_at=_now(), document=named.model_dump_json())
                kept.append(named)
        return tuple(kept)

    def replace(self, order_id: str, order: Order) -> Order:
        """Put an order in the place of the one of that id.

        Raises:
            CraftError: there is none.
        """
        with self._writing():
            self.get(order_id)
            named = order.model_copy(update={"id": order_id})
            self._rows.update(saved_at=_now(), document=named.model_dump_json()).where(
                self._rows.id == order_id
            ).execute()
        return named

    def remove(self, order_id: str) -> Order:
        """Take an order away; returns it, so that it can be put back.

        Raises:
            CraftError: there is none.
        """
        with self._writing():
            order = self.get(order_id)
            self._rows.delete().where(self._rows.id == order_id).execute()
        return order

    def began(self, dues: Iterable[str], bake_id: str) -> None:
        """Keep that a bake was begun for what was due."""
        with self._writing():
            for due in dues:
                self._bakes.create(due=due, bake=bake_id)

    def bakes_of(self, due: str) -> list[str]:
        """The bakes that were begun for what was due, the last one first."""
        rows = self._bakes.select().where(self._bakes.due == due).order_by(self._bakes.id.desc())
        return [str(r.bake) for r in rows]


def _now() -> str:
    return datetime.now(UTC).isoformat()
