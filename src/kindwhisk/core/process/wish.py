"""A wish: what the baker knows of the batch to be made."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

Amount = Annotated[float, Field(gt=0, le=1_000_000, allow_inf_nan=False)]
LONGEST_TIN_ID = 80
TinId = Annotated[str, Field(max_length=LONGEST_TIN_ID)]
Count = Annotated[int, Field(ge=1, le=99)]


class MoreTins(Value):
    """Further tins for the same batter: a tin of the kitchen by its id, or the tin itself."""

    tin: TinId | Tin
    count: Count = 1


class Limit(Value):
    """All there is of an ingredient, in grams."""

    ingredient: str = Field(max_length=60)
    grams: Amount


class Wish(Value):
    """At most one of the amounts, and perhaps the tins.

    Tins alone set the amounts, filled as the formula fills its own or ``depth_mm`` deep; beside an amount they only
    receive the batter. ``tin`` is a tin of the kitchen by its id or the tin itself; for piped pieces it is the tray.
    ``egg_size`` is the class of the eggs at hand, by default the kitchen's.
    """

    tin: TinId | Tin | None = None
    tin_count: Count | None = None
    beside: tuple[MoreTins, ...] = Field(default=(), max_length=8, strict=False)
    depth_mm: Annotated[float, Field(gt=1, le=500, allow_inf_nan=False)] | None = None
    pieces: Annotated[int, Field(ge=1, le=10_000)] | None = None
    servings: Annotated[float, Field(gt=0, le=10_000, allow_inf_nan=False)] | None = None
    eggs: Annotated[float, Field(gt=0, le=10_000, allow_inf_nan=False)] | None = None
    egg_size: Annotated[EggSize | None, Field(strict=False)] = None
    whites_g: Amount | None = None
    limit: Limit | None = None
    total_g: Amount | None = None
    oven: Annotated[str, Field(max_length=40)] | None = None

    @property
    def sets_tins(self) -> bool:
        """Whether it says anything of tins."""
        return self.tin is not None or self.tin_count is not None or bool(self.beside) or self.depth_mm is not None

    def check_one_amount(self) -> None:
        """Let it pass if it holds at most one amount.

        Raises:
            CraftError: it holds two.
        """
        given = [name for name in AMOUNTS if getattr(self, name) is not None]
        if len(given) > 1:
            raise CraftError(
                f"Both {given[0]} and {given[1]} are given.",
                field=given[1],
                remedy="Give one amount; the others follow.",
            )


AMOUNTS = ("pieces", "servings", "eggs", "whites_g", "limit", "total_g")
