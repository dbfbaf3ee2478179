"""What every part of the bench works with: the data file, the live hub, the clock, and what was read of them before."""

from __future__ import annotations

from datetime import datetime

from kindwhisk.bench.clock import Clock
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log.log import Logs
from kindwhisk.bench.now.following import Following
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.ovens.evidence import OvenEvidence, Ovens
from kindwhisk.bench.record import kitchen_record
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning import KitchenRecord
from kindwhisk.core.process.formula import Formula
from kindwhisk.store.database import Store


class Workplace:
    """A data file at work. Every method may be called from any thread."""

    def __init__(self, store: Store, hub: Hub, clock: Clock | None = None) -> None:
        self.store, self.hub = store, hub
        self.clock = clock or Clock()
        self.logs = Logs(store)
        self.following = Following(store)
        self._ovens = Ovens(store)

    @property
    def kitchen(self) -> Kitchen:
        """The profile in force."""
        return self.store.kitchens.current()[1]

    def oven_evidence(self) -> OvenEvidence:
        """All that is known of this kitchen's ovens."""
        return self._ovens.evidence()

    def record_of(self, formula: Formula) -> KitchenRecord:
        """What this kitchen's finished bakes tell the next forecast of a formula."""
        return kitchen_record(self.store, formula, self.oven_evidence())

    def moment(self, bake_id: str, now: datetime | None = None) -> Moment:
        """A bake at a moment (default now).

        Raises:
            CraftError: there is no such bake.
        """
        return Moment(self.logs.read(bake_id), self.kitchen, self.following, now or self.clock.now())
