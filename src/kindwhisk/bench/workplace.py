"""What every part of the bench works with: the data file, the live hub, the clock, and what was read of them before."""

from __future__ import annotations

import contextlib
from datetime import datetime
from pathlib import Path

from kindwhisk.bench.clock import Clock
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.learned.evidence import LearnedEvidence, learned_evidence
from kindwhisk.bench.log.log import Logs
from kindwhisk.bench.notices import Notice, notices
from kindwhisk.bench.now.awake import AwakeBakes
from kindwhisk.bench.now.following import Following
from kindwhisk.bench.now.holders import Holders
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.ovens.evidence import OvenEvidence, Ovens
from kindwhisk.bench.record import BakeSummary, kitchen_record, summary
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.store.clock_moves import Moved
from kindwhisk.store.database import Store
from kindwhisk.store.trouble import DataTrouble


class Workplace:
    """A data file at work. Every method may be called from any thread."""

    def __init__(self, store: Store, hub: Hub, clock: Clock | None = None) -> None:
        self.store, self.hub = store, hub
        self.clock = clock or Clock()
        self._begin_anew()

    def _begin_anew(self) -> None:
        """Know nothing yet of what lies on the disk."""
        self.logs = Logs(self.store)
        self.following = Following(self.store, Holders(self.store, self.logs))
        self.awake = AwakeBakes(self.store, self.moment)
        self._ovens = Ovens(self.store)
        self._learned: tuple[OvenEvidence, LearnedEvidence] | None = None

    def restore(self, copy: Path) -> Path:
        """Put what a copy holds in the place of all that is here; returns where the present data are kept.

        Raises:
            DataTrouble: the copy is unfit, or the present data can't be kept aside; nothing was changed.
        """
        # Nobody writes by what was known of the data of before.
        with self.store.writing.mending():
            kept = self.store.restore(copy)
            self._begin_anew()
            self.hub.restored()
        return kept

    def notices(self) -> tuple[Notice, ...]:
        """What everybody has to know of the data and the clock."""
        return notices(self.store, self.clock)

    def clock_moved(self, moved: Moved) -> None:
        """The machine's clock was moved: keep that, and say so on every page."""
        with contextlib.suppress(DataTrouble):
            self.store.clock_moves.keep(moved)
        self.hub.notice()

    def take_wall_clock(self) -> None:
        """Take the machine's time for the right one, where it was moved while bakes ran."""
        moved = self.clock.take_wall()
        if moved is not None:
            self.clock_moved(moved)

    @property
    def kitchen(self) -> Kitchen:
        """The profile in force."""
        return self.store.kitchens.current()[1]

    @property
    def prices(self) -> dict[str, float]:
        """What a kilogram costs, by what each thing on the shelf goes by; what is told of the stock leads."""
        goods = {g.key: g.price_per_kg for g in self.store.goods.all()}
        stock = {key: s.price_per_kg for key, s in self.store.stocks.all().items() if s.price_per_kg is not None}
        return {key: price for key, price in {**goods, **stock}.items() if price is not None}

    def oven_evidence(self) -> OvenEvidence:
        """All that is known of this kitchen's ovens."""
        return self._ovens.evidence()

    def learned_evidence(self) -> LearnedEvidence:
        """What all bakes have shown of every learned figure; what is not known of earlier ones is worked out."""
        if self._learned is None:
            for bake_id in self.store.bakes.without("dots"):
                self._summed_up(bake_id)
        ovens = self.oven_evidence()
        if self._learned is None or self._learned[0] is not ovens:
            self._learned = (ovens, learned_evidence(self.store, ovens))
        return self._learned[1]

    def _summed_up(self, bake_id: str) -> BakeSummary:
        """Work the summary of a bake out, and keep it, that an earlier version has left without a part of it."""
        log = self.logs.read(bake_id)
        at = Moment(log, self.kitchen, self.following, log.last_at)
        told = summary(at, self.store.probes)
        with self.store.writing():
            self.store.bakes.set_outcome(bake_id, at.progress.status.value, told.model_dump(mode="json"))
        return told

    def record(self) -> KitchenRecord:
        """What this kitchen's finished bakes tell its next forecast."""
        return kitchen_record(self.learned_evidence(), self.oven_evidence())

    def moment(self, bake_id: str, now: datetime | None = None) -> Moment:
        """A bake at a moment (default now).

        Raises:
            CraftError: there is no such bake.
        """
        return Moment(self.logs.read(bake_id), self.kitchen, self.following, now or self.clock.now())
