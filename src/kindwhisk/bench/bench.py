"""The bench at work."""

from __future__ import annotations

from kindwhisk.bench.days.desk import Days
from kindwhisk.bench.past import Past
from kindwhisk.bench.queries import Queries


class Bench(Days, Queries, Past):
    """All bakes of a data file: what is done, and what is asked. Every method may be called from any thread."""
