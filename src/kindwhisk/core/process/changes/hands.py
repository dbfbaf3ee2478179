"""Hands: somebody else goes on with it."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing
from kindwhisk.core.process.course import Course


class TakenOver(ChangeBase):
    """``hands``, one of the kitchen's people, does what was not begun yet."""

    replans: ClassVar[bool] = False

    change: Literal["taken_over"] = "taken_over"
    hands: str = Field(min_length=1, max_length=40)

    def followed(self, course: Course, at: Standing) -> Followed:
        """What was begun stays with whoever began it."""
        person = course.kitchen.person(self.hands)
        if person.id == course.hands:
            raise NotSo(f"{person.name} has it already.", field="hands", remedy="Choose somebody else.")
        did = {i: course.did.get(i, course.hands) for i in sorted(at.begun)}
        return Followed(course=course.model_copy(update={"hands": person.id, "did": did}))

    def said(self, course: Course) -> str:
        """Who goes on."""
        return f"{course.kitchen.person(self.hands).name} goes on"
