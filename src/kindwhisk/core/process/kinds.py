"""What can be edited of each kind of step, from the kinds themselves: fields, limits, choices, and a first draft."""

from __future__ import annotations

import types
import typing
from enum import Enum, StrEnum
from typing import Any

from annotated_types import Ge, Gt, Le, Lt

from kindwhisk.core.patterns.pattern import BatterNames
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.values.model import Value

SHARED = set(StepBase.model_fields)
UNITS = {"_c": "C", "_k": "K", "_g": "g", "_mm": "mm", "minutes": "min", "seconds": "s", "hours": "h"}


class Entry(StrEnum):
    """How a field is entered."""

    NUMBER = "number"
    WHOLE = "whole number"
    TEXT = "text"
    FLAG = "yes or no"
    CHOICE = "choice"
    NAMES = "names"
    SHAPE = "shape"


class FieldView(Value):
    """A field of a kind; a ``shape`` (a tin, a piece, a reference bake) has fields of its own.

    ``first`` is what an optional shape begins as, once it is wanted.
    """

    name: str
    label: str
    entry: Entry
    unit: str
    low: float | None
    high: float | None
    choices: tuple[str, ...]
    optional: bool
    first: dict[str, Any] | None = None


class KindView(Value):
    """A kind of step with its fields and a step of that kind to begin from (without id, vessel and inputs)."""

    kind: str
    says: str
    fields: tuple[FieldView, ...]
    draft: dict[str, Any]


def _bare(annotation: Any) -> tuple[Any, bool]:
    """The type without ``None``, and whether ``None`` was in it."""
    if typing.get_origin(annotation) in {typing.Union, types.UnionType}:
        inner = [a for a in typing.get_args(annotation) if a is not type(None)]
        optional = len(inner) < len(typing.get_args(annotation))
        if len(inner) == 1:
            return inner[0], optional
        return annotation, optional
    return annotation, False


def _entry(annotation: Any) -> tuple[Entry, tuple[str, ...]]:
    simple: dict[Any, Entry] = {bool: Entry.FLAG, int: Entry.WHOLE, float: Entry.NUMBER, str: Entry.TEXT}
    if annotation in simple:
        return simple[annotation], ()
    if annotation == BatterNames or typing.get_origin(annotation) is tuple:
        return Entry.NAMES, ()
    if isinstance(annotation, type) and issubclass(annotation, Enum):
        return Entry.CHOICE, tuple(str(m.value) for m in annotation)
    return Entry.SHAPE, ()


def _field(kind: type[StepBase], name: str, info: Any) -> FieldView:
    annotation, optional = _bare(info.annotation)
    entry, choices = _entry(annotation)
    unit = next((u for suffix, u in UNITS.items() if name.endswith(suffix)), "")
    label = name.removesuffix("_c").removesuffix("_mm").removesuffix("_g").replace("_", " ")
    low = next((float(m.ge) for m in info.metadata if isinstance(m, Ge) and isinstance(m.ge, int | float)), None)
    low = next((float(m.gt) for m in info.metadata if isinstance(m, Gt) and isinstance(m.gt, int | float)), low)
    high = next((float(m.le) for m in info.metadata if isinstance(m, Le) and isinstance(m.le, int | float)), None)
    high = next((float(m.lt) for m in info.metadata if isinstance(m, Lt) and isinstance(m.lt, int | float)), high)
    return FieldView(
        name=name,
        label=label,
        entry=entry,
        unit=unit,
        low=low,
        high=high,
        choices=choices,
        optional=optional,
        first=kind.wanted_first.get(name) if entry is Entry.SHAPE and optional else None,
    )


def kinds() -> tuple[KindView, ...]:
    """Every kind that a baker can put into a process, in the order of the union."""
    union = typing.get_args(Step)[0]
    found = []
    for model in typing.get_args(union):
        assert issubclass(model, StepBase)
        if model.by_itself:
            continue
        kind = str(model.model_fields["kind"].default)
        own = {n: f for n, f in model.model_fields.items() if n not in SHARED and n != "kind"}
        draft = {n: _plain(f.default) for n, f in own.items() if not f.is_required()} | model.first
        found.append(
            KindView(
                kind=kind,
                says=(model.__doc__ or "").strip().split("\n")[0],
                fields=tuple(_field(model, n, f) for n, f in own.items()),
                draft={"kind": kind, **draft},
            )
        )
    return tuple(found)


def _plain(value: Any) -> Any:
    return value.value if isinstance(value, Enum) else value
