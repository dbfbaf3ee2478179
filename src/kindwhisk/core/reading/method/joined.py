"""A step that joins parts, while a method is read; which kind it becomes is told by how it joins."""

from __future__ import annotations

from typing import Any, Literal

from pydantic import TypeAdapter

from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.process.steps.joining import Joining

STEP: TypeAdapter[Step] = TypeAdapter(Step)


class JoinStep(StepBase):
    """Parts that come together by ``joining``: never part of a formula, only of one that is being read."""

    kind: Literal["assemble"] = "assemble"
    joining: Joining = Joining.LAYER


def built(fields: dict[str, Any]) -> Step:
    """The step that these fields of a joining are in a formula."""
    return STEP.validate_python({"kind": "assemble", **fields})
