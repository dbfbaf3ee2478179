"""Where a forecast happens: the kitchen, its oven, and the tins in use."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from kindwhisk.core.kitchen import Kitchen, Oven
from kindwhisk.core.learning import NO_RECORD, KitchenRecord
from kindwhisk.core.tins import Tin
from kindwhisk.core.vessels import Vessel


@dataclass(frozen=True)
class TinsInUse:
    """``count`` equal tins, of which ``on_shelf`` are known to be in this kitchen (None: not known)."""

    name: str
    tin: Tin
    count: int = 1
    on_shelf: int | None = None


@dataclass(frozen=True)
class Setting:
    """What every step may look at, beside what goes into it."""

    kitchen: Kitchen
    oven: Oven
    tins: TinsInUse
    vessels: Mapping[str, Vessel] = field(default_factory=dict)
    record: KitchenRecord = NO_RECORD

    def vessel_name(self, vessel_id: str) -> str:
        """What the vessel is called; its id when the formula does not name it."""
        vessel = self.vessels.get(vessel_id)
        return vessel.name if vessel else vessel_id
