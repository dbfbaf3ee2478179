"""What is being made, with what, by whom: all of a bake that can still be changed while it is under way."""

from __future__ import annotations

from collections.abc import Mapping
from functools import cached_property

from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import NO_RECORD, KitchenRecord
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.model import Value


class Beside(Value):
    """Further tins that the same batter goes into."""

    name: str
    tin: Tin
    count: int


class Course(Value):
    """The formula in its amounts, the kitchen, the oven and the tins.

    ``hands`` is who bakes, where that was said; ``did`` who began a step, where somebody else has taken over since, and
    ``went_into`` the oven that a step was begun in, where it is another one by now.
    """

    formula: Formula
    kitchen: Kitchen
    oven: str
    tin_name: str
    tin: Tin
    tin_wall: TinWall = TinWall.BRIGHT
    tin_count: int
    beside: tuple[Beside, ...] = ()
    record: KitchenRecord = NO_RECORD
    hands: str = ""
    did: Mapping[str, str] = {}
    went_into: Mapping[str, str] = {}

    @cached_property
    def setting(self) -> Setting:
        """The setting that its forecasts are made in."""
        return Setting(
            kitchen=self.kitchen,
            oven=self.kitchen.oven(self.oven),
            tins=TinsInUse(
                self.tin_name,
                self.tin,
                self.tin_count,
                wall=self.tin_wall,
                beside=tuple(TinsInUse(b.name, b.tin, b.count) for b in self.beside),
            ),
            vessels={v.id: v for v in self.formula.vessels},
            record=self.record,
            hands=self.hands,
            did=self.did,
            ovens={i: self.kitchen.oven(oven) for i, oven in self.went_into.items()},
        )
