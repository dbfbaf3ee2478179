"""Steps on the clock."""

from __future__ import annotations

from datetime import datetime

from kindwhisk.core.values.model import Value


class PlannedStep(Value):
    """When a step was meant to begin and end."""

    step: str
    start: datetime
    end: datetime
