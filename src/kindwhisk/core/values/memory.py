"""What something has remembered, as JSON and back: the fields of a dataclass that its maker did not give it."""

from __future__ import annotations

import json
from collections.abc import Hashable
from dataclasses import fields
from functools import cache
from typing import Any, cast, get_origin, get_type_hints

import numpy as np
from pydantic import TypeAdapter
from pydantic_core import to_jsonable_python


@cache
def _adapters(kind: Any) -> dict[str, TypeAdapter[Any]]:
    hints = get_type_hints(kind)
    own = [f.name for f in fields(kind) if not f.init and f.metadata.get("kept", True)]
    return {n: TypeAdapter(list[Any] if get_origin(hints[n]) is np.ndarray else hints[n]) for n in own}


def _plain(value: object) -> object:
    return value.tolist() if isinstance(value, np.ndarray) else to_jsonable_python(value, inf_nan_mode="constants")


def remembered(thing: Any) -> dict[str, Any]:
    """Every field of a dataclass that is not given at its making (``init=False``), as JSON can hold it.

    A field whose metadata say ``kept: False`` is worked out by the thing itself.
    """
    return {name: _plain(getattr(thing, name)) for name in _adapters(cast("Hashable", type(thing)))}


def remember(thing: Any, memory: dict[str, Any]) -> None:
    """Give back to a thing, made alike, what :func:`remembered` told of it: it goes on as if it had never stopped."""
    for name, adapter in _adapters(cast("Hashable", type(thing))).items():
        was = getattr(thing, name)
        value = np.array(memory[name]) if isinstance(was, np.ndarray) else adapter.validate_python(memory[name])
        setattr(thing, name, value)


def to_text(memory: dict[str, Any]) -> str:
    """As text; every figure comes back as the very same one, and the infinite too."""
    return json.dumps(memory, separators=(",", ":"))


def from_text(text: str) -> dict[str, Any]:
    """Back from :func:`to_text`."""
    loaded: dict[str, Any] = json.loads(text)
    return loaded
