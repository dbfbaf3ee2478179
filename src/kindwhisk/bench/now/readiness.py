"""What may begin: the make-ready list before a foam, and whether everything that a step needs is there."""

from __future__ import annotations

from typing import Protocol

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.core.process.gate import Gate, GateItemKind
from kindwhisk.core.values.model import Value


class GateItemView(Value):
    """A thing on the make-ready list."""

    id: str
    kind: GateItemKind
    name: str
    detail: str
    there: bool


def gate_items(gate: Gate, progress: Progress) -> tuple[GateItemView, ...]:
    """What is there and what is missing; skipping a step with a reason counts as there."""
    items = []
    for item in gate.items:
        if item.kind is GateItemKind.STEP:
            status = progress.status_of(item.id)
            there = progress.is_over(item.id) or (item.under_way_is_enough and status is StepStatus.RUNNING)
        else:
            there = item.id in progress.ticked
        items.append(GateItemView(id=item.id, kind=item.kind, name=item.name, detail=item.detail, there=there))
    return tuple(items)


class Waiting(Protocol):
    """A step by its id, and what has to be over before it."""

    @property
    def id(self) -> str:
        """Its name."""

    @property
    def needs(self) -> tuple[str, ...]:
        """What it takes from or waits for."""


def startable(step: Waiting, progress: Progress) -> bool:
    """Whether everything that the step takes or waits for is over."""
    return progress.status_of(step.id) is StepStatus.WAITING and all(progress.is_over(n) for n in step.needs)
