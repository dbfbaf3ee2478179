"""What was seen of piped pieces: fingers on skins, the air over them, and what came out of the oven."""

from __future__ import annotations

from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.bench.log.document import BakeDocument
from kindwhisk.bench.log.progress import Progress
from kindwhisk.bench.now.following import Following
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.piping.skin import Touch
from kindwhisk.core.piping.sorting import Counts

LATELY = timedelta(minutes=15)
"""Before a rest begins, and in its first minutes, the air is told from so far back. Chosen: a room changes slowly."""
TYPED_HOLDS = timedelta(hours=1)
"""So long what was typed holds over a hygrometer: whoever types knows better. Chosen."""


class PiecesSeen(NamedTuple):
    """What fingers said of skins, what pieces were counted as, how damp it was over each rest (percent); by step."""

    touches: tuple[tuple[str, tuple[Touch, ...]], ...] = ()
    counts: tuple[tuple[str, Counts], ...] = ()
    humidity: tuple[tuple[str, float], ...] = ()


NO_PIECES = PiecesSeen()


def pieces_seen(
    document: BakeDocument, progress: Progress, following: Following, kitchen: Kitchen, now: datetime
) -> PiecesSeen:
    """All of it at a moment."""
    if not document.skins and not any(s.counted for s in progress.steps.values()):
        return NO_PIECES
    humidity = {}
    for step_id in document.skins:
        percent = _over(step_id, progress, following, kitchen, now)
        if percent is not None:
            humidity[step_id] = percent
    return PiecesSeen(
        tuple(sorted(progress.touches(document.skins).items())),
        tuple(sorted(progress.counts().items())),
        tuple(sorted(humidity.items())),
    )


def _over(step_id: str, progress: Progress, following: Following, kitchen: Kitchen, now: datetime) -> float | None:
    """How damp it was while a tray rested, or is now for one that does not rest yet; None where nobody knows."""
    own = progress.steps.get(step_id)
    since = now if own is None or own.started_at is None else own.started_at
    until = now if own is None or own.ended_at is None else min(now, own.ended_at)
    typed = progress.humidity(since - TYPED_HOLDS, until)
    if typed is not None:
        return typed
    return following.humidity_percent(kitchen, min(since, until - LATELY), until)
