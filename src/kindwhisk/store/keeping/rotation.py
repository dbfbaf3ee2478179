"""Which of many copies stay: the newest ones, then one a week, then one a month."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime

NEWEST, WEEKS, MONTHS = 7, 4, 12


def staying(moments: Iterable[datetime]) -> set[datetime]:
    """The moments whose copies stay, of all that there are.

    The newest of each week and of each month counts, so that a copy that stays today is not missed tomorrow: what is
    let go was followed by a newer one within its week or its month, or is older than a year of months.
    """
    newest_first = sorted(set(moments), reverse=True)
    weeks: dict[tuple[int, int], datetime] = {}
    months: dict[tuple[int, int], datetime] = {}
    for moment in newest_first:
        year, week, _ = moment.isocalendar()
        weeks.setdefault((year, week), moment)
        months.setdefault((moment.year, moment.month), moment)
    return {*newest_first[:NEWEST], *list(weeks.values())[:WEEKS], *list(months.values())[:MONTHS]}
