"""Whether the result of a step is right for the step that takes it next."""

from __future__ import annotations

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.formula import Draft, consumers
from kindwhisk.core.process.steps import Step
from kindwhisk.core.readiness.ready import ready
from kindwhisk.core.readiness.recognise import content_of, known_of
from kindwhisk.core.readiness.window import Ready


def ready_for_next(step: Step, material: Material, formula: Draft) -> Ready | None:
    """Whether a result is right for the first step that takes it; None where it has no window of its own."""
    content = content_of(material)
    use = next((t.takes_for for t in consumers(formula, step.id) if t.takes_for is not None), None)
    if content is None or use is None:
        return None
    return ready(content, material.temperature_c, use, known_of(material))
