"""How much of a cream, mousse, coat or ornament goes where, told before anything is whipped."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from kindwhisk.core.finishing.bodies import Body
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

LEFT_IN_BOWL = 0.08
"""Share of what is made that stays in bowl and bag. Trade habit."""


class Filling(NamedTuple):
    """A filling inside: how thick it lies in each of its ``layers`` (mm), or how many g of it go there."""

    name: str
    thickness_mm: float | None
    g_per_ml: float
    layers: int | None = None
    grams: float | None = None


class Allotted(Value):
    """What goes to one place: grams, and how thick it lies there in mm (None: not spread)."""

    place: str
    name: str
    grams: float
    thickness_mm: float | None
    of: str


class Allocation(Value):
    """Grams by place.

    Attributes:
        places: inner fillings first, then top, side, ornaments, and what stays in bowl and bag.
        total_g: of all of it: what has to be made.
        inside_g, kept_g: what goes inside, and what is kept for outside, ornaments and holes.
        kept_share: of what is made.
        short_by_g: how much is missing of what there is; 0 where it is enough or nobody said what there is.
        gives_mm: with what there is, how thick coat and fillings come out; None where it is enough.
        says: in words, before anything is whipped.
    """

    places: tuple[Allotted, ...]
    total_g: float
    inside_g: float
    kept_g: float
    kept_share: float
    short_by_g: float
    gives_mm: float | None
    says: str


class Coat(NamedTuple):
    """An outer coat: mm on top and on the side, and its density."""

    top_mm: float
    side_mm: float
    g_per_ml: float
    name: str = "coat"


def _spread(body: Body, one: Filling) -> Allotted:
    area = body.layer_mm2()
    layers = body.fillings if one.layers is None else one.layers
    if one.grams is not None:
        per_mm = area * layers * one.g_per_ml / 1000
        thick = one.grams / per_mm if per_mm > 0 else None
        return Allotted(place="inside", name=one.name, grams=one.grams, thickness_mm=thick, of=one.name)
    if one.thickness_mm is None:
        cavity = body.cavity_ml()
        if cavity <= 0:
            raise CraftError(
                f"Neither thickness nor grams are told of {one.name}.",
                field="fillings",
                remedy="Give thickness_mm (5 to 8 for cream) or grams.",
            )
        return Allotted(place="inside", name=one.name, grams=cavity * one.g_per_ml, thickness_mm=None, of=one.name)
    grams = area * one.thickness_mm * layers * one.g_per_ml / 1000
    return Allotted(place="inside", name=one.name, grams=grams, thickness_mm=one.thickness_mm, of=one.name)


# A body, what goes on it, and what there is: each of its own kind.
def allocate(
    body: Body,
    fillings: Sequence[Filling],
    coat: Coat | None = None,
    *,
    ornaments_g: float = 0.0,
    reserve: float | None = None,
    made_g: float | None = None,
) -> Allocation:
    """Grams by place for one body.

    Args:
        body: what is filled and coated.
        fillings: what goes inside.
        coat: what goes outside.
        ornaments_g: what is piped or laid on top, of the same content.
        reserve: the share that a recipe says is kept back for outside; it is honoured where it is larger than what
            coat and ornaments take, and told where it is smaller.
        made_g: how much of it there is or will be.
    """
    inside = [_spread(body, one) for one in fillings]
    outside: list[Allotted] = []
    if coat is not None:
        for place, area, thick in (
            ("top", body.top_mm2(), coat.top_mm),
            ("side", body.side_mm2(), coat.side_mm),
        ):
            if area > 0 and thick > 0:
                grams = area * thick * coat.g_per_ml / 1000
                outside.append(Allotted(place=place, name=coat.name, grams=grams, thickness_mm=thick, of=coat.name))
    if ornaments_g > 0:
        outside.append(Allotted(place="ornaments", name="piping", grams=ornaments_g, thickness_mm=None, of="ornaments"))
    within, without = sum(p.grams for p in inside), sum(p.grams for p in outside)
    told = []
    if reserve is not None and reserve > 0:
        # The share that is kept is one of all that is made, bowl and bag included.
        wants = reserve / (1 - reserve) * within
        if without <= wants:
            kept = Allotted(place="kept", name="kept back", grams=wants - without, thickness_mm=None, of="reserve")
            outside.append(kept)
            without = wants
        else:
            told.append(
                f"Keeping {reserve:.0%} back gives {wants:.0f} g for outside; coat and ornaments take {without:.0f} g."
            )
    used = within + without
    left = used * LEFT_IN_BOWL / (1 - LEFT_IN_BOWL)
    places = [*inside, *outside]
    if used > 0:
        places.append(Allotted(place="bowl and bag", name="left over", grams=left, thickness_mm=None, of="loss"))
    total = used + left
    short = max(0.0, total - made_g) if made_g is not None else 0.0
    share = without / used if used > 0 else 0.0
    told.insert(0, f"Make {total:.0f} g: {within:.0f} inside, {without:.0f} kept for outside ({share:.0%}).")
    thick = max((p.thickness_mm or 0.0 for p in inside), default=0.0)
    gives = None
    if short > 0 and made_g is not None:
        # What is short is taken from everything alike.
        gives = thick * made_g / total if thick else None
        told.append(
            f"{short:.0f} g are missing"
            + (f": with {made_g:.0f} g the fillings come out {gives:.1f} mm instead of {thick:.1f}." if gives else ".")
        )
    return Allocation(
        places=tuple(places),
        total_g=total,
        inside_g=within,
        kept_g=without,
        kept_share=share,
        short_by_g=short,
        gives_mm=gives,
        says=" ".join(told),
    )
