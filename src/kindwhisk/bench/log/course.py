"""What follows from a change at the bench: the document after it, worked out once."""

from __future__ import annotations

from datetime import datetime
from functools import lru_cache

from kindwhisk.bench.log.document import BakeDocument, parse
from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.core.process.changes import change_adapter
from kindwhisk.core.process.changes.base import ChangeBase, Followed, Standing
from kindwhisk.core.process.course import Course


def follow(text: str, change: ChangeBase, at: Standing) -> tuple[str, Followed]:
    """The document's text after a change, with the plan as it was, and all that follows from it.

    Raises:
        CraftError: the process as it stands does not allow it.
    """
    return _followed(text, change.model_dump_json(), at)


@lru_cache(maxsize=256)
def _followed(text: str, change: str, at: Standing) -> tuple[str, Followed]:
    document = parse(text)
    course = Course.model_validate({name: getattr(document, name) for name in Course.model_fields})
    found = change_adapter.validate_json(change).followed(course, at)
    own = {name: getattr(found.course, name) for name in Course.model_fields}
    return document.model_copy(update=own).model_dump_json(), found


def replanned(text: str, planned: tuple[PlannedStep, ...], ready_at: datetime | None) -> str:
    """The document's text with another plan; the one that it has where none is given."""
    return _replanned(text, planned, ready_at) if planned else text


@lru_cache(maxsize=256)
def _replanned(text: str, planned: tuple[PlannedStep, ...], ready_at: datetime | None) -> str:
    document: BakeDocument = parse(text)
    other = {"planned": planned, "ready_at": ready_at or document.ready_at}
    return document.model_copy(update=other).model_dump_json()
