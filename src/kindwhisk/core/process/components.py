"""Components: the parts that a formula is made of, such as sponge, filling, soak and glaze."""

from __future__ import annotations

from enum import StrEnum
from typing import Annotated

from pydantic import Field

from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique

ComponentId = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]


class Part(StrEnum):
    """What a component is to the whole."""

    SPONGE = "sponge"
    MERINGUE = "meringue"
    SHELLS = "shells"
    FILLING = "filling"
    SOAK = "soak"
    GLAZE = "glaze"
    DECORATION = "decoration"
    ASSEMBLY = "assembly"


class Component(Value):
    """A part with steps of its own; its result goes into other parts or is the whole.

    ``technique`` is its class where that differs from the formula's.
    """

    id: ComponentId
    name: str = Field(min_length=1, max_length=60)
    part: Part
    technique: Technique | None = None


WHOLE = Component(id="all", name="all of it", part=Part.ASSEMBLY)
"""Stands for a formula that names no components."""
