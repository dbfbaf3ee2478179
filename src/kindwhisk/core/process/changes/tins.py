"""Tins: others than planned, or more of them."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from kindwhisk.core.process.changes.base import UNDO, ChangeBase, Followed, NotSo, Standing
from kindwhisk.core.process.course import Beside, Course
from kindwhisk.core.process.scaling import tins_for
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.trays import relaid
from kindwhisk.core.process.wish import MoreTins, Wish


class OtherTins(ChangeBase):
    """The batter as it is goes into ``count`` of a kitchen's tin, and some ``beside`` it; for pieces it is the tray."""

    change: Literal["other_tins"] = "other_tins"
    tin: str = Field(max_length=60)
    count: int = Field(default=1, ge=1, le=99)
    beside: tuple[MoreTins, ...] = Field(default=(), max_length=8)

    def followed(self, course: Course, at: Standing) -> Followed:
        """The amounts stay; how full the tins are, the time and the risks follow."""
        fill = course.formula.fill
        if fill is None:
            raise NotSo("This formula fills no tin.", field="tin", remedy="Change the batch instead.")
        if any(s.id in at.begun for s in course.formula.steps if s.origin == fill.origin):
            raise NotSo(f"“{fill.title}” was begun: it is in the tin.", field="tin", remedy=UNDO)
        wish = Wish(tin=self.tin, tin_count=self.count, beside=self.beside)
        tins = tins_for(course.formula, course.kitchen, wish)
        other: dict[str, object] = {
            "tin_name": tins.name,
            "tin": tins.tin,
            "tin_wall": tins.wall,
            "tin_count": tins.count,
            "beside": tuple(Beside(name=t.name, tin=t.tin, count=t.count) for t in tins.beside),
        }
        if isinstance(fill, PipeStep):
            other["tin_count"] = course.tin_count
        return Followed(course=relaid(course.model_copy(update=other), at.begun))

    def said(self, course: Course) -> str:
        """Which ones."""
        names = [f"{self.count} × {course.kitchen.tin(self.tin).name}"]
        names += [f"{m.count} × {course.kitchen.tin(m.tin).name}" for m in self.beside if isinstance(m.tin, str)]
        return " and ".join(names)
