"""The live stream: what was written, as server-sent events with ids, resumable."""

from __future__ import annotations

from collections.abc import AsyncIterator
from typing import Annotated

from fastapi import APIRouter, Header, Query
from fastapi.sse import EventSourceResponse, ServerSentEvent

from kindwhisk.api.dependencies import HubHere, StoreHere
from kindwhisk.bench.hub import ProbeRead

router = APIRouter(prefix="/api/stream", tags=["live"])


@router.get("", response_class=EventSourceResponse)
async def stream(
    hub: HubHere,
    store: StoreHere,
    last_event_id: Annotated[int | None, Header(ge=0, le=2**53)] = None,
    after: Annotated[int | None, Query(ge=0, le=2**53)] = None,
) -> AsyncIterator[ServerSentEvent]:
    """Events after ``Last-Event-ID`` (or ``after``), else from now on; the id is the place to resume from."""
    given = last_event_id if last_event_id is not None else after
    start = store.bakes.last_event_id() if given is None else given
    yield ServerSentEvent(event="hello", id=str(start), data={"from": start})
    async for change in hub.changes(start):
        if change is None:
            yield ServerSentEvent(comment="still here")
        elif isinstance(change, ProbeRead):
            # Without an id: a page that was away asks for the state anyway, and needs no reading twice.
            yield ServerSentEvent(event="reading", data=change)
        else:
            yield ServerSentEvent(event="change", id=str(change.id), data=change)
