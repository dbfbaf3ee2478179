"""A build: a material that keeps its structure. Every cut, spread, roll and coat conserves its mass."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from typing import Annotated, Self

from pydantic import Field

from kindwhisk.core.builds.domed import Domed
from kindwhisk.core.builds.paired import Paired
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Region
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.values.estimate import Estimate

Frame = Annotated[Stacked | Rolled | Domed | Paired, Field(discriminator="frame")]


class Built(Material):
    """A material with its build: the sum of its parts, which lie in a frame in the order in which they were added.

    What is done to it as to any content (share, warmth, drying) is done to each part; mixed with others it becomes one
    content again.
    """

    frame: Frame
    build: tuple[Part, ...]

    @classmethod
    def of(cls, frame: Frame, build: Iterable[Part]) -> Self:
        """The build of these parts; empty ones are left out."""
        parts = tuple(p for p in build if p.content.mass_g > 0)
        whole = combine(p.content for p in parts)
        return cls(**dict(whole), frame=frame, build=parts)

    @property
    def mixed(self) -> Material:
        """It as one content."""
        return Material(**{name: getattr(self, name) for name in Material.model_fields})

    def _each(self, change: Callable[[Material], Material]) -> Self:
        return self.of(self.frame, (p.of(change(p.content)) for p in self.build))

    def take(self, fraction: float) -> Self:
        """A share of every part: of several products some of them, of one a piece."""
        super().take(fraction)
        return self._each(lambda m: m.take(fraction))

    def at(self, temperature_c: float) -> Self:
        """Every part at one temperature."""
        return self._each(lambda m: m.at(temperature_c))

    def dried_by(self, grams: float) -> Self:
        """Water leaves every part by its share of all water."""
        water = self.composition.water * self.mass_g
        if water <= 0:
            return self
        gone = min(max(grams, 0.0), water) / water
        return self._each(lambda m: m.dried_by(gone * m.composition.water * m.mass_g))

    def with_gas(self, gas_ml: Estimate) -> Material:
        """As one content: bubbles of the whole belong to no part."""
        return self.mixed.with_gas(gas_ml)

    def adding(self, *parts: Part) -> Self:
        """With more parts, the last ones added last."""
        return self.of(self.frame, (*self.build, *parts))

    def in_frame(self, frame: Frame) -> Built:
        """The same parts in another frame: what was spread is rolled."""
        return Built.of(frame, self.build)

    def at_place(self, *places: Place) -> tuple[Part, ...]:
        """Its parts at these places."""
        return tuple(p for p in self.build if p.place in places)

    @property
    def kept(self) -> Self:
        """Without what was cut off."""
        return self.of(self.frame, (p for p in self.build if p.place is not Place.OFFCUT))

    @property
    def offcut(self) -> Material:
        """What was cut off, as one content."""
        return combine(p.content for p in self.at_place(Place.OFFCUT))

    def thickness_mm(self, part: Part) -> float | None:
        """How thick a part lies."""
        return self.frame.thickness_mm(part, self.build)

    @property
    def regions(self) -> tuple[Region, ...]:
        """One product cut through its middle, to scale."""
        return self.frame.regions(self.build)


def joined(contents: Sequence[Material]) -> Material:
    """Several results of one kind of work as one: builds of the same parts in one frame stay a build."""
    first = contents[0]
    if len(contents) == 1:
        return first
    builds = [m for m in contents if isinstance(m, Built)]
    if len(builds) < len(contents) or not isinstance(first, Built) or any(not _alike(first, b) for b in builds):
        return combine(contents)
    rows = zip(*(b.build for b in builds), strict=True)
    return Built.of(first.frame, (row[0].of(combine(p.content for p in row)) for row in rows))


def _alike(a: Built, b: Built) -> bool:
    return a.frame == b.frame and [(p.name, p.place) for p in a.build] == [(p.name, p.place) for p in b.build]


def whole(intake: Iterable[Material]) -> Material:
    """What goes into a step that leaves it as it is: a build keeps its structure, several contents are mixed."""
    items = [m for m in intake if m.mass_g > 0]
    return items[0] if len(items) == 1 else combine(items)
