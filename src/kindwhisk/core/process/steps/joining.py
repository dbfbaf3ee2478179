"""Ways in which parts come together, as recipes and earlier files name them, each with the kind of step that it is."""

from __future__ import annotations

from enum import StrEnum
from typing import Any

EARLIER_KIND = "assemble"


class Joining(StrEnum):
    """How parts come together."""

    LAYER = "layer"
    SPREAD = "spread"
    LINE = "line the ring"
    SANDWICH = "sandwich"
    TOP = "top"
    GLAZE = "glaze"
    DUST = "dust"
    TORCH = "brown with a flame"


BUILT_AS: dict[Joining, dict[str, Any]] = {
    Joining.LAYER: {"kind": "stack"},
    Joining.SPREAD: {"kind": "spread"},
    Joining.LINE: {"kind": "line"},
    Joining.SANDWICH: {"kind": "pair"},
    Joining.TOP: {"kind": "coat", "where": "top"},
    Joining.GLAZE: {"kind": "coat", "poured": True},
    Joining.DUST: {"kind": "ornament", "how": "dust"},
    Joining.TORCH: {"kind": "ornament", "how": "brown with a flame"},
}
"""The kind and its fields."""


def as_now(step: Any) -> Any:
    """A step as it was written down; one of the earlier kind that covered all of these as what it is now."""
    if not isinstance(step, dict) or step.get("kind") != EARLIER_KIND:
        return step
    told = {k: v for k, v in step.items() if k not in {"kind", "joining"}}
    try:
        joining = Joining(step.get("joining", Joining.LAYER))
    except ValueError:
        return step
    return told | BUILT_AS[joining]
