"""Devices that were let in. Only digests of what they hold are kept, so that the file lets nobody in."""

from __future__ import annotations

from datetime import datetime
from typing import Any, NamedTuple, cast

from peewee import SqliteDatabase

from kindwhisk.store.models import SessionRow, bound
from kindwhisk.store.writing import Writer


class KeptSession(NamedTuple):
    """A device that was let in: what it said it is, since when, and when it was last there."""

    id: int
    device: str
    made_at: datetime
    seen_at: datetime


class KeptSessions:
    """The sessions of one data file, by the passcode that opened them."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(SessionRow, database), writing

    def keep(self, token_hash: str, passcode_hash: str, device: str, at: datetime) -> None:
        """Let a device in."""
        with self._writing():
            self._rows.create(
                token_hash=token_hash, passcode_hash=passcode_hash, device=device,
                made_at=at.isoformat(), seen_at=at.isoformat(),
            )  # fmt: skip

    def hashes(self, passcode_hash: str) -> dict[str, int]:
        """Ids of the sessions of this passcode, by the digest of their token."""
        rows = self._rows
        return {str(r.token_hash): int(r.id) for r in rows.select().where(rows.passcode_hash == passcode_hash)}

    def all(self) -> list[dict[str, Any]]:
        """Every row, to be put back."""
        return cast("list[dict[str, Any]]", list(self._rows.select().dicts()))

    def replace(self, rows: list[dict[str, Any]]) -> None:
        """Let these in, and no others."""
        with self._writing():
            self._rows.delete().execute()
            if rows:
                self._rows.insert_many(rows).execute()

    def seen(self, session_id: int, at: datetime) -> None:
        """A device was there."""
        with self._writing():
            self._rows.update(seen_at=at.isoformat()).where(self._rows.id == session_id).execute()

    def listed(self, passcode_hash: str) -> list[KeptSession]:
        """The devices that are let in, the last seen first."""
        query = self._rows.select().where(self._rows.passcode_hash == passcode_hash)
        return [
            KeptSession(r.id, r.device, datetime.fromisoformat(r.made_at), datetime.fromisoformat(r.seen_at))
            for r in query.order_by(self._rows.seen_at.desc())
        ]

    def end(self, session_id: int) -> bool:
        """Let a device in no more; False for one that is not known."""
        with self._writing():
            return bool(self._rows.delete().where(self._rows.id == session_id).execute())
