"""Windows: from which step to which a content may only wait so long."""

from __future__ import annotations

from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

LATER = 1.15
"""What has to wait longer than it holds, because the oven takes no more, is planned with so much to spare. Chosen."""


class Window(Value):
    """The end of ``opens`` and the start of ``closes`` may lie at most ``hold_s`` apart."""

    opens: str
    closes: str
    hold_s: Estimate
    why: str


def windows(forecast: Forecast) -> tuple[Window, ...]:
    """Every window; steps that only move a content let its clock run on to the one that ends the wait."""

    def closing(step: StepForecast) -> list[StepForecast]:
        takers = [s for s in forecast.steps if any(t.step == step.id for t in s.inputs)]
        ends: list[StepForecast] = []
        for taker in takers:
            ends += closing(taker) if taker.passes_window else [taker]
        return ends

    return tuple(
        Window(opens=step.id, closes=end.id, hold_s=step.hold_s.shifted(LATER * end.late_s), why=step.hold_why)
        for step in forecast.steps
        if step.hold_s is not None
        for end in closing(step)
    )
