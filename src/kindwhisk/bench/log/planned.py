"""Steps on the clock."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field

from kindwhisk.core.values.model import Value


class PlannedStep(Value):
    """When a step was meant to begin and end."""

    step: str = Field(max_length=200)
    start: datetime
    end: datetime
