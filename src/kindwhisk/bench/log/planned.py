"""Steps on the clock."""

from __future__ import annotations

from datetime import datetime

from pydantic import Field

from kindwhisk.core.values.model import Value


class PlannedStep(Value):
    """When a step was meant to begin and end; in a plan of the day with whose hands, in which mixer and oven."""

    step: str = Field(max_length=200)
    start: datetime
    end: datetime
    person: str = Field(default="", max_length=40)
    mixer: str = Field(default="", max_length=40)
    oven: str = Field(default="", max_length=40)
