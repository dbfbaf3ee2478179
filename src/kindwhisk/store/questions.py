"""Questions that are open on formulas, or were."""

from __future__ import annotations

import secrets
from collections.abc import Callable
from datetime import UTC, datetime

from peewee import SqliteDatabase

from kindwhisk.core.trying.question import OpenQuestion
from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.models import QuestionRow, bound
from kindwhisk.store.writing import Writer

MOST = 2000


class Questions:
    """The questions of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(QuestionRow, database), writing

    def all(self, formula: str | None = None) -> tuple[OpenQuestion, ...]:
        """Every question, open ones first and of these the newest first; of one formula where it is named."""
        rows = self._rows.select()
        if formula is not None:
            rows = rows.where(self._rows.formula == formula)
        found = [OpenQuestion.model_validate_json(r.document) for r in rows]
        return tuple(sorted(found, key=lambda q: (q.closed_at is not None, -q.opened_at.timestamp(), q.id)))

    def get(self, question: str) -> OpenQuestion:
        """The question of that id.

        Raises:
            CraftError: there is none.
        """
        row = self._rows.get_or_none(self._rows.id == question)
        if row is None:
            raise CraftError(
                f"There is no question '{question}'.", field="question_id", remedy="Choose one on its formula's page."
            )
        return OpenQuestion.model_validate_json(row.document)

    def ask(self, question: OpenQuestion, client_key: str) -> OpenQuestion:
        """Keep a new one under an id of its own; the same key again gives the same.

        Raises:
            CraftError: there are too many.
        """
        with self._writing():
            known = self._rows.get_or_none(self._rows.client_key == client_key)
            if known is not None:
                return OpenQuestion.model_validate_json(known.document)
            if self._rows.select().count() >= MOST:
                raise CraftError(f"More than {MOST} questions.", field="text", remedy="Go on with one of those.")
            kept = question.model_copy(update={"id": secrets.token_hex(4)})
            self._rows.create(
                id=kept.id,
                formula=kept.formula,
                client_key=client_key,
                saved_at=_now(),
                document=kept.model_dump_json(),
            )
            return kept

    def change(self, question: str, how: Callable[[OpenQuestion], OpenQuestion]) -> OpenQuestion:
        """Change one as it stands.

        Raises:
            CraftError: there is none, or it can't be changed so.
        """
        with self._writing():
            changed = how(self.get(question))
            self._rows.update(document=changed.model_dump_json(), saved_at=_now()).where(
                self._rows.id == question
            ).execute()
            return changed


def _now() -> str:
    return datetime.now(UTC).isoformat()
