"""Photos of a bake: several of each, kept beside the database."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Request
from fastapi.responses import FileResponse
from starlette.concurrency import run_in_threadpool

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.log.events import Key, PhotoAdded, PhotoView
from kindwhisk.bench.told.state import bake_state
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats.photo import MOST_BYTES, prepared_photo

router = APIRouter(prefix="/api/bakes", tags=["log"], responses=refusals(400, 404, 409, 422))

MOST_PHOTOS = 60
PICTURES = ("image/jpeg", "image/png", "image/webp")


@router.post(
    "/{bake_id}/photos",
    status_code=201,
    max_body_size=MOST_BYTES,
    responses=refusals(413, 503, 507),
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {kind: {"schema": {"type": "string", "format": "binary"}} for kind in PICTURES},
        }
    },
)
async def add(
    request: Request,
    bench: BenchHere,
    bake_id: str,
    client_key: Annotated[Key, Query()],
    shows: PhotoView = PhotoView.OTHER,
) -> BakeState:
    """A photo as the body, at the bench or afterwards. It is turned upright, scaled, and freed of place and camera; it
    is acknowledged once it is on the disk. The same key again adds nothing."""
    raw = await request.body()

    def keep() -> BakeState:
        at = bench.moment(bake_id)
        if all(h.event.client_key != client_key for h in at.log.happened):
            if len(at.progress.photos) >= MOST_PHOTOS:
                raise CraftError(
                    f"This bake has {MOST_PHOTOS} photos.", field="photo", remedy="Take one of them away first."
                )
            made = prepared_photo(raw)
            digest = bench.store.photos.keep(made.whole, made.small)
            event = PhotoAdded(
                kind="photo_added", client_key=client_key, shows=shows, digest=digest, width=made.width,
                height=made.height,
            )  # fmt: skip
            at = bench.post(bake_id, event)
        return bake_state(at, speed=bench.clock.speed)

    return await run_in_threadpool(keep)


@router.get(
    "/{bake_id}/photos/{number}",
    response_class=FileResponse,
    responses={200: {"content": {"image/jpeg": {}}}},
)
def photo(bench: BenchHere, store: StoreHere, bake_id: str, number: int, *, small: bool = False) -> FileResponse:
    """A photo of a bake by its number, full size or small."""
    found = next((p for p in bench.moment(bake_id).progress.photos if p.sequence == number), None)
    path = store.photos.path(found.digest, small=small) if found else None
    if path is None or not path.is_file():
        raise CraftError(
            "That photo is not there.", field="bake_id", remedy="Reload the bake; its file may lie in a backup."
        )
    return FileResponse(
        path, media_type="image/jpeg", headers={"Cache-Control": "private, max-age=31536000, immutable"}
    )
