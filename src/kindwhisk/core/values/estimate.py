"""A figure with its range and its origin: no number in the product goes without them."""

from __future__ import annotations

from collections.abc import Iterable
from enum import StrEnum
from typing import Self

from pydantic import model_validator

from kindwhisk.core.values.model import Value

RANGE_SD = 1.4
"""Low and high lie so many standard deviations from the likely: 84 in 100 of a Gaussian lie between them."""


class Basis(StrEnum):
    """Where a figure comes from, strongest first."""

    MEASURED = "measured"
    KITCHEN = "this kitchen"
    FORMULA = "formula"
    PUBLISHED = "published"
    MODEL = "model"
    RECALLED = "recalled"
    HABIT = "trade habit"

    @classmethod
    def weakest(cls, bases: Iterable[Basis]) -> Basis:
        """The origin that a figure made from several others may claim."""
        order = list(cls)
        return max(bases, key=order.index, default=cls.PUBLISHED)


class Estimate(Value):
    """A figure as low, likely and high, with its basis and, for a learned one, the bakes behind it.

    ``low`` and ``high`` bound the middle eight or nine cases in ten; they are not limits.
    """

    low: float
    likely: float
    high: float
    basis: Basis
    bakes: int = 0

    @model_validator(mode="after")
    def _ordered(self) -> Self:
        if not self.low <= self.likely <= self.high:
            raise ValueError(f"low <= likely <= high must hold, not {self.low}, {self.likely}, {self.high}")
        return self

    @classmethod
    def exact(cls, value: float, basis: Basis = Basis.FORMULA) -> Estimate:
        """A figure without a range."""
        return cls(low=value, likely=value, high=value, basis=basis)

    @classmethod
    def around(cls, likely: float, spread: float, basis: Basis = Basis.HABIT) -> Estimate:
        """``likely`` divided and multiplied by ``1 + spread``: a symmetric range of a ratio."""
        return cls(low=likely / (1 + spread), likely=likely, high=likely * (1 + spread), basis=basis)

    def scaled(self, factor: float) -> Estimate:
        """Every figure times ``factor`` (0 or more)."""
        return self.model_copy(
            update={"low": self.low * factor, "likely": self.likely * factor, "high": self.high * factor}
        )

    def shifted(self, offset: float) -> Estimate:
        """Every figure plus ``offset``."""
        return self.model_copy(
            update={"low": self.low + offset, "likely": self.likely + offset, "high": self.high + offset}
        )

    def plus(self, other: Estimate) -> Estimate:
        """The sum of two figures that err together (the ranges add)."""
        return Estimate(
            low=self.low + other.low,
            likely=self.likely + other.likely,
            high=self.high + other.high,
            basis=Basis.weakest((self.basis, other.basis)),
        )

    def contains(self, value: float) -> bool:
        """Whether ``value`` lies in the range, its ends included."""
        return self.low <= value <= self.high
