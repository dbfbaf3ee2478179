"""The live stream: what was written, as server-sent events with ids, resumable."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import APIRouter, Depends, Header, Query
from fastapi.sse import EventSourceResponse, ServerSentEvent

from kindwhisk.api.dependencies import HubHere, StoreHere
from kindwhisk.api.problems import Problem, ProblemError, refusals
from kindwhisk.bench.hub import ProbeRead, Told

MOST_STREAMS = 300
TOO_MANY = Problem(
    title="Too many pages listen",
    status=503,
    detail=f"{MOST_STREAMS} pages listen already.",
    remedy="Close pages that nobody looks at. This one asks every few seconds instead.",
)

router = APIRouter(prefix="/api/stream", tags=["live"])


async def _room(hub: HubHere) -> None:
    """See that one more may listen.

    Raises:
        ProblemError: too many do.
    """
    if hub.listeners >= MOST_STREAMS:
        raise ProblemError(TOO_MANY)


@router.get("", response_class=EventSourceResponse, dependencies=[Depends(_room)], responses=refusals(503))
async def stream(
    hub: HubHere,
    store: StoreHere,
    last_event_id: Annotated[int | None, Header(ge=0, le=2**53)] = None,
    after: Annotated[int | None, Query(ge=0, le=2**53)] = None,
) -> AsyncIterator[ServerSentEvent]:
    """Events after ``Last-Event-ID`` (or ``after``), else from now on; the id is the place to resume from."""
    given = last_event_id if last_event_id is not None else after
    start = (await asyncio.to_thread(store.bakes.last_event_id)) if given is None else given
    yield ServerSentEvent(event="hello", id=str(start), data={"from": start})
    async for change in hub.changes(start):
        if change is None:
            yield ServerSentEvent(comment="still here")
        elif isinstance(change, Told):
            yield ServerSentEvent(event=change.about, data=change)
        elif isinstance(change, ProbeRead):
            # Without an id: a page that was away asks for the state anyway, and needs no reading twice.
            yield ServerSentEvent(event="reading", data=change)
        else:
            yield ServerSentEvent(event="change", id=str(change.id), data=change)
