"""When: ready at another time, or as soon as it can be."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import AwareDatetime, Field

from kindwhisk.core.process.changes.base import ChangeBase, Followed, Standing
from kindwhisk.core.process.course import Course


class Retimed(ChangeBase):
    """To be ready at ``ready_at``; without it, as soon as it can be."""

    change: Literal["retimed"] = "retimed"
    ready_at: Annotated[AwareDatetime | None, Field(strict=False)] = None

    def followed(self, course: Course, at: Standing) -> Followed:
        """The same work, on another clock."""
        return Followed(course=course, ready_at=self.ready_at, soonest=self.ready_at is None)

    @property
    def moment(self) -> datetime | None:
        """When."""
        return self.ready_at

    def said(self, course: Course) -> str:
        """That it has another time."""
        return "As soon as it can be" if self.ready_at is None else "Ready at another time"
