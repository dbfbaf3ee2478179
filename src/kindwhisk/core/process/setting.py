"""Where a forecast happens: the kitchen, its oven, and the tins in use."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from zlib import crc32

from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import Kitchen, Oven
from kindwhisk.core.learning.figures import SPREADS, Figure, effect
from kindwhisk.core.ovens.degrees import offset_k
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.piping.skin import Touch
from kindwhisk.core.piping.sorting import Counted, Counts, whole
from kindwhisk.core.process.record import NO_RECORD, KitchenRecord
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.rise import RISE_DOUBT, risen_volume_ml
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.vessel import Vessel

MACHINE = "mixer whisk"
"""The tool that stands for the kitchen's mixer."""
WHOLE_TRAY = 0.02
"""A tray that holds less than this share of one more is that one."""


@dataclass(frozen=True)
class TinsInUse:
    """``count`` equal tins, of which ``on_shelf`` are known to be in this kitchen (None: not known).

    ``beside`` are tins of other kinds that share the same content. For piped pieces ``piece`` tells their shape,
    ``tin`` is a mould of one, ``count`` their number, ``trays`` what goes into the oven and ``sheet`` one of these.
    ``papered``: base and wall.
    """

    name: str
    tin: Tin
    count: int = 1
    on_shelf: int | None = None
    beside: tuple[TinsInUse, ...] = ()
    piece: PipedPiece | None = None
    trays: int | None = None
    sheet: Tin | None = None
    wall: TinWall = TinWall.BRIGHT
    papered: tuple[bool, bool] = (False, False)

    @property
    def capacity_ml(self) -> float:
        """Volume of all of them to the rim, in ml."""
        return self.tin.volume_ml() * self.count + sum(t.capacity_ml for t in self.beside)

    @property
    def share(self) -> float:
        """Share of the content that stands in one of ``tin``: all are filled to the same part of their volume."""
        if not self.beside:
            return 1 / self.count
        return self.tin.volume_ml() / self.capacity_ml

    def part(self, share: float) -> TinsInUse:
        """As many of them as ``share`` of the content fills, at least one; none of the others ``beside``."""
        return replace(self, count=max(1, round(share * self.count)), beside=())

    @property
    def at_once(self) -> int:
        """How many things go into the oven together."""
        return self.trays or self.count + sum(t.count for t in self.beside)


def taken_together(parts: Sequence[tuple[TinsInUse, float]]) -> TinsInUse | None:
    """The tins of what is taken together, each with the share of its content that is taken.

    Of pieces of one kind as many as that is, of all trays; other tins are those of the first.
    """
    if not parts:
        return None
    first = parts[0][0]
    if first.piece is None:
        return first
    alike = [(tins, share) for tins, share in parts if tins.piece == first.piece]
    count = sum(tins.count * share for tins, share in alike)
    trays = sum((tins.trays or 1) * share for tins, share in alike)
    return replace(first, count=max(1, round(count)), trays=max(1, math.ceil(trays - WHOLE_TRAY)))


NO_TINS = TinsInUse(name="", tin=RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60)))
"""For formulas that fill no tin."""


@dataclass(frozen=True)
class Setting:
    """What every step may look at, beside what goes into it: ``technique`` is the class of what it belongs to,
    ``hands`` whose hands it is done with (empty: the kitchen's), ``did`` whose hands a step was begun with, where those
    are others; ``ovens`` the oven of a step, where that is another; ``touches`` what fingers said of its skin,
    ``counts`` what its pieces came out as, by tray; ``came_in`` the tins that hold what goes into it, each with the
    share of its content that is taken."""

    kitchen: Kitchen
    oven: Oven
    tins: TinsInUse
    vessels: Mapping[str, Vessel] = field(default_factory=dict)
    record: KitchenRecord = NO_RECORD
    formula: str = ""
    technique: Technique | None = None
    hands: str = ""
    did: Mapping[str, str] = field(default_factory=dict)
    ovens: Mapping[str, Oven] = field(default_factory=dict)
    touches: tuple[Touch, ...] = ()
    counts: Counts = ()
    came_in: tuple[tuple[TinsInUse, float], ...] = ()

    @property
    def counted(self) -> Counted | None:
        """What all its pieces came out as; None where nobody has counted any."""
        return whole(self.counts, self.tins.count, self.tins.trays or 1)

    def vessel_name(self, vessel_id: str) -> str:
        """What the vessel is called; its id when the formula does not name it."""
        vessel = self.vessels.get(vessel_id)
        return vessel.name if vessel else vessel_id

    def effects(
        self, figure: Figure, kind: str, step: str = "", *, content: Material | None = None, mixer: str = ""
    ) -> tuple[str, ...]:
        """What a figure depends on here: the mixer, the hands, the kind of work, and the step of this formula.

        Args:
            figure: whose levels they are.
            kind: what work it is, whatever the formula.
            step: its id; empty for what is the formula's as a whole.
            content: what it is done to: with other goods in it, it is another batter.
            mixer: what is whisked with.
        """
        mark = "" if content is None else f"{crc32(' '.join(sorted(content.counted)).encode()):08x}"
        names = {
            "mixer": mixer,
            "hands": self.hands or "of the kitchen",
            "kind": kind,
            "formula": "/".join(n for n in (self.formula, step, kind, mark) if n),
        }
        return tuple(effect(level, names[level]) for level in SPREADS[figure].levels)

    def risen_ml(self, batter: Material) -> Estimate:
        """Volume of a batter at setting, by the model and the heights that this kitchen's own have reached."""
        learned = self.record.factor(Figure.HEIGHT, self.height_effects(batter), RISE_DOUBT)
        return risen_volume_ml(batter, self.kitchen.altitude_m, learned)

    def mixer(self, tool: str | None) -> str:
        """What is whisked with: the kitchen's machine by its id, or the tool in the hand."""
        return self.kitchen.mixers[0].id if tool in {None, MACHINE} else str(tool)

    def height_effects(self, batter: Material) -> tuple[str, ...]:
        """What the height of a bake depends on."""
        kind = self.technique.value if self.technique else "bake"
        return self.effects(Figure.HEIGHT, kind, content=batter)

    def oven_offset_k(self, rack: Rack) -> float:
        """Offset (thermometer − dial) on a rack of this oven: by this kitchen's readings, else as entered."""
        if self.record.has_degrees(self.oven.id):
            return offset_k(self.record.degrees, self.oven.id, rack, self.oven.mode).mean
        return self.oven.offset_k

    @property
    def oven_rise_k_per_min(self) -> float:
        """How fast this oven warms: as its probe has shown, else as entered."""
        return self.record.rises.get(self.oven.id, self.oven.rise_k_per_min)

    def in_tins(self, tins: TinsInUse) -> Setting:
        """The same kitchen with other tins in use."""
        return self if tins is self.tins else replace(self, tins=tins)
