"""What this kitchen's finished bakes tell its next forecast."""

from __future__ import annotations

from kindwhisk.core.finishing.rolling import cracks_from
from kindwhisk.core.ingredients.eggs import EggParts, EggSize, egg_parts
from kindwhisk.core.kitchen import Oven
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.expected import Expected, Factor, expected, factor
from kindwhisk.core.learning.figures import Figure, effect, level_of
from kindwhisk.core.ovens.degrees import DegreesSeen
from kindwhisk.core.ovens.times import BakeTime
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

EGG_PARTS = {"egg-white": "white_g", "egg-yolk": "yolk_g", "whole-egg": "whole_g"}
"""What comes out of an egg, by its ingredient, and where an egg's parts hold it."""


def egg_effects(size: EggSize, part: str) -> tuple[str, ...]:
    """What the weight of a part of an egg depends on."""
    return effect("size", size.value), effect("kind", part)


class KitchenRecord(Value):
    """All that was learned, of all formulas: what a mixer does it does to the next formula too.

    ``dots`` are the figures of past bakes, oldest first. ``bakes`` are times in ovens, ``degrees`` what oven
    thermometers showed, ``rises`` K per minute and ``hot_sides`` by oven. ``sound`` and ``cracked``
    are strains of rolls.
    """

    dots: tuple[Dot, ...] = ()
    bakes: tuple[BakeTime, ...] = ()
    degrees: tuple[DegreesSeen, ...] = ()
    rises: dict[str, float] = {}
    hot_sides: dict[str, str] = {}
    sound: tuple[float, ...] = ()
    cracked: tuple[float, ...] = ()

    @property
    def rolls(self) -> Estimate:
        """The strain from which a sheet cracks in this kitchen."""
        return cracks_from(self.sound, self.cracked)

    def _of(self, figure: Figure) -> tuple[Dot, ...]:
        return tuple(d for d in self.dots if d.figure is figure)

    def expected(self, figure: Figure, effects: tuple[str, ...], modelled: Estimate) -> Expected:
        """A modelled figure with what was learned of it."""
        return expected(self._of(figure), figure, effects, modelled)

    def factor(self, figure: Figure, effects: tuple[str, ...], doubt: float = 0.0) -> Factor:
        """What was learned of a figure whose model is unsure by ``doubt``."""
        return factor(self._of(figure), figure, effects, doubt)

    def one_egg(self, size: EggSize) -> EggParts:
        """An egg of a class, as this kitchen's own have weighed."""
        parts = egg_parts(size)
        own = {
            name: self.expected(Figure.EGG, egg_effects(size, part), getattr(parts, name)).made
            for part, name in EGG_PARTS.items()
        }
        return parts.model_copy(update=own) if any(e.bakes for e in own.values()) else parts

    def own_bakes(self, figure: Figure, effects: tuple[str, ...]) -> int:
        """How many dots are of this very formula and step."""
        own = {name for name in effects if level_of(name) == "formula"}
        return sum(1 for d in self._of(figure) if not own.isdisjoint(d.effects))

    def has_degrees(self, oven: str) -> bool:
        """Whether a thermometer has told of an oven's degrees."""
        return any(seen.oven == oven for seen in self.degrees)

    def checked(self, oven: Oven) -> bool:
        """Whether its degrees are known: a thermometer has told of them, or they were entered."""
        return self.has_degrees(oven.id) or oven.offset_k != 0


NO_RECORD = KitchenRecord()
