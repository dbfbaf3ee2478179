"""Use by: the kitchen's own rule where it has one, else guidance with its source. A date is never called safe."""

from __future__ import annotations

from datetime import date, timedelta

from kindwhisk.core.shelf_life.limits import DAYS, SOURCE, KeptAs
from kindwhisk.core.values.model import Value


class UseBy(Value):
    """Until when something is to be used (None: nobody says), by which rule, and how it is kept."""

    on: date | None
    rule: str
    keep: str


def use_by(
    kept: KeptAs, made_on: date, *, frozen: bool = False, own_days: float | None = None, own_rule: str = ""
) -> UseBy:
    """The date for what counts as ``kept``.

    Args:
        kept: what it counts as.
        made_on: the day on which it was finished.
        frozen: kept in the freezer: ``own_days`` are those in the cold.
        own_days: days by the kitchen's own rule.
        own_rule: that rule in its own words, said beside.
    """
    limit = DAYS[kept]
    days = limit.frozen if frozen else limit.days
    rule = f"by guidance ({kept.value}: {SOURCE}); your own rule leads"
    if own_days is not None and not frozen:
        days, rule = own_days, "this kitchen’s rule"
    keep = "Keep frozen, at -18 °C" if frozen else f"Keep {limit.at}"
    if own_rule:
        keep = f"{keep}; {own_rule.rstrip('.')}"
    if days is None:
        return UseBy(
            on=None, rule=f"No guidance for {kept.value}, frozen: ask whoever is responsible.", keep=f"{keep}."
        )
    return UseBy(on=made_on + timedelta(days=int(days)), rule=f"{rule[:1].upper()}{rule[1:]}.", keep=f"{keep}.")
