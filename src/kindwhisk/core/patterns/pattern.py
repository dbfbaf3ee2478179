"""What a pattern of several batters comes to: rings in a tin, or stripes in a bag."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from kindwhisk.core.values.model import Value

BatterNames = Annotated[tuple[Annotated[str, Field(max_length=30)], ...], Field(max_length=8)]


def numbered(count: int) -> tuple[str, ...]:
    """Names for batters that have none."""
    return tuple(f"batter {n + 1}" for n in range(count))


class Pour(Value):
    """A pour: which batter (its place among them), how much, and the ring that it ends as, from the middle (mm)."""

    batter: int
    mass_g: float
    inner_mm: float
    outer_mm: float


class Rings(Value):
    """A tin with its rings, from above and in section: pours in their order, the first at the wall."""

    tin_radius_mm: float
    tube_radius_mm: float
    level_mm: float
    rim_mm: float
    pours: tuple[Pour, ...]


class Stripe(Value):
    """A stripe: which batter, its grams, where it stands around the bag (degrees), and its width at the nozzle (mm)."""

    batter: int
    mass_g: float
    from_deg: float
    to_deg: float
    width_mm: float


class Bag(Value):
    """A piping bag with its stripes."""

    nozzle_mm: float
    stripes: tuple[Stripe, ...]


class PatternView(Value):
    """Batters by name and colour, and what becomes of them.

    ``left_g`` is what of each batter the pattern leaves over; ``says`` is what to do.
    """

    names: tuple[str, ...]
    colours: tuple[str, ...]
    says: str
    begins: str
    ends: str
    left_g: tuple[float, ...] = ()
    rings: Rings | None = None
    bag: Bag | None = None
