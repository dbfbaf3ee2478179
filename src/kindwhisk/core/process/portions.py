"""What goes into a step: some of an ingredient, or a share of an earlier step's result."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from kindwhisk.core.values.model import Value

StepId = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]


MOST_G = 10_000_000
"""More than this of one thing no kitchen weighs (g)."""


class IngredientPortion(Value):
    """Grams of an ingredient, at the kitchen's temperature unless one is given.

    ``written`` is how somebody wrote it down, where it was read in.
    """

    source: Literal["ingredient"] = "ingredient"
    ingredient: str = Field(max_length=60)
    grams: float = Field(gt=0, le=MOST_G)
    temperature_c: float | None = Field(default=None, ge=-30, le=180)
    role: str = Field(default="", max_length=60)
    written: str = Field(default="", max_length=200)

    def scaled(self, factor: float) -> IngredientPortion:
        """The same role in a batch ``factor`` times as large."""
        return self.model_copy(update={"grams": self.grams * factor})


class StepPortion(Value):
    """A share of an earlier step's result: all of it, a ``fraction`` of the whole, ``grams``, or the rest.

    ``offcut``: of what was cut off there, which is no part of the result itself.
    """

    source: Literal["step"] = "step"
    step: StepId
    fraction: float | None = Field(default=None, gt=0, le=1)
    grams: float | None = Field(default=None, gt=0)
    rest: bool = False
    offcut: bool = False

    @model_validator(mode="after")
    def _one_way(self) -> Self:
        if sum((self.fraction is not None, self.grams is not None, self.rest)) > 1:
            raise ValueError("give one of 'fraction', 'grams' or 'rest', or none of them for all")
        return self

    def scaled(self, factor: float) -> StepPortion:
        """The same share of a batch ``factor`` times as large."""
        return self if self.grams is None else self.model_copy(update={"grams": self.grams * factor})


Portion = Annotated[IngredientPortion | StepPortion, Field(discriminator="source")]


def ingredient(ingredient_id: str, grams: float, role: str = "", temperature_c: float | None = None) -> Portion:
    """Shorthand for an ingredient portion."""
    return IngredientPortion(ingredient=ingredient_id, grams=grams, role=role, temperature_c=temperature_c)


def of(step: str, fraction: float | None = None, *, rest: bool = False, offcut: bool = False) -> Portion:
    """Shorthand for a share of a step's result, or of what was cut off there."""
    return StepPortion(step=step, fraction=fraction, rest=rest, offcut=offcut)
