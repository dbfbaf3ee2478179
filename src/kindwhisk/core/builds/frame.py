"""The frame that a build is made in: what its parts' thicknesses and its cut follow from."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Region
from kindwhisk.core.finishing.bodies import Body
from kindwhisk.core.values.model import Value

NO_THICKNESS = 1e-6


class FrameBase(Value):
    """A frame of ``count`` equal products."""

    count: int = 1

    @property
    def share(self) -> float:
        """Share of a part's content that is in one product."""
        return 1 / self.count

    def thickness_mm(self, part: Part, parts: Sequence[Part]) -> float | None:
        """How thick a part lies; None for what is not spread."""
        raise NotImplementedError

    def regions(self, parts: Sequence[Part]) -> tuple[Region, ...]:
        """All parts where one product is cut through its middle."""
        raise NotImplementedError

    def body(self, parts: Sequence[Part]) -> Body:
        """What is filled and coated, as lengths."""
        raise NotImplementedError

    def volume_ml(self, part: Part) -> float:
        """Of a part in one product."""
        return part.content.volume_ml.likely * self.share


def of_place(parts: Sequence[Part], *places: Place) -> list[Part]:
    """The parts that lie at one of these places, in their order."""
    return [p for p in parts if p.place in places]
