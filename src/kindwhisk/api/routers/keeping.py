"""The data kept safe: how they stand, backups by hand and by plan, a look into one, and all of it out and in."""

from __future__ import annotations

import contextlib
import secrets
import shutil
import tempfile
import time
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated, Literal

from anyio.to_thread import run_sync
from fastapi import APIRouter, Query, Request
from fastapi.responses import FileResponse
from pydantic import BaseModel, ConfigDict, Field
from starlette.background import BackgroundTask

from kindwhisk.api import sums
from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.notices import Notice
from kindwhisk.bench.told.clock_moves import ClockMoved
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import archive
from kindwhisk.store.database import Store
from kindwhisk.store.keeping.backups import BackupPlan
from kindwhisk.store.keeping.copies import Copy
from kindwhisk.store.keeping.looking import Seen, look
from kindwhisk.store.keeping.restoring import ASIDE
from kindwhisk.store.trouble import DataTrouble, TroubleKind

router = APIRouter(prefix="/api/keeping", tags=["safe keeping"], responses=refusals(400, 404, 422, 503, 507))

MOST_UPLOADED = 4_000_000_000
ARCHIVE_LIMIT_S = 600.0
GIVEN_IN = "given-in"
"""The folder, beside the data file, where what a page gives in is looked at."""
GIVEN_IN_STAYS_S = 3600.0
ZIP_BEGINS = b"PK"

Name = Annotated[str, Query(min_length=1, max_length=120, pattern=r"^[A-Za-z0-9][A-Za-z0-9._-]*$")]
Where = Literal["backups", "aside", "given-in"]


class CopyView(BaseModel):
    """A copy of all data: where it lies, its name, when it was made, and its size (bytes)."""

    where: Where
    name: str
    made_at: datetime
    size_bytes: int


class KeepingView(BaseModel):
    """How the data stand: the file, the room that is left, the plan, the backups and what was kept aside."""

    file: str
    size_bytes: int
    room_bytes: int | None
    plan: BackupPlan
    folder: str
    same_disk: bool
    due_at: datetime | None
    backups: list[CopyView]
    aside: list[CopyView]
    clock: list[ClockMoved]
    clock_lead_s: float


class SeenView(Seen):
    """What a copy holds, at a look; it was looked through for damage."""

    where: Where
    name: str


class RestoreRequest(BaseModel):
    """Which copy is to be put in place."""

    model_config = ConfigDict(strict=True, extra="forbid")

    where: Where
    name: Annotated[str, Field(min_length=1, max_length=120)]


class Restored(BaseModel):
    """It is in place; what was there before is kept under this name."""

    kept: str


def _folder(store: Store, where: Where) -> Path:
    beside = store.path.parent
    return {"backups": store.backups.folder, "aside": beside / ASIDE, "given-in": beside / GIVEN_IN}[where]


def _copy(store: Store, where: Where, name: str) -> Path:
    """The copy of that name.

    Raises:
        CraftError: there is none.
    """
    folder = _folder(store, where)
    found = next((p for p in folder.glob("*.sqlite3") if p.name == name), None) if folder.is_dir() else None
    if found is None:
        raise CraftError(f"There is no copy “{name}”.", field="name", remedy="Choose one of the list.")
    return found


def _view(copy: Copy) -> CopyView:
    return CopyView(where="backups", name=copy.path.name, made_at=copy.made_at, size_bytes=copy.size_bytes)


def _aside(store: Store) -> list[CopyView]:
    found = []
    for path in _folder(store, "aside").glob("*.sqlite3"):
        with contextlib.suppress(OSError):
            stat = path.stat()
            made = datetime.fromtimestamp(stat.st_mtime, UTC)
            found.append(CopyView(where="aside", name=path.name, made_at=made, size_bytes=stat.st_size))
    return sorted(found, key=lambda c: c.made_at, reverse=True)


def _seen(where: Where, path: Path) -> SeenView:
    return SeenView(where=where, name=path.name, **dict(_looked_into(path)))


def _looked_into(path: Path) -> Seen:
    """What a copy holds.

    Raises:
        DataTrouble: it can't be used; that is the copy's trouble, not that of the data.
    """
    try:
        return look(path)
    except DataTrouble as why:
        what = why.message.replace(str(path), "This copy").removesuffix(" It was left as it is.")
        raise DataTrouble(what, kind=TroubleKind.UNFIT, remedy="Choose another one; nothing was changed.") from why


@router.get("")
def standing(bench: BenchHere) -> KeepingView:
    """How the data stand."""
    store = bench.store
    store.standing.check()
    copies = store.backups.copies()
    return KeepingView(
        file=str(store.path),
        size_bytes=store.path.stat().st_size,
        room_bytes=store.standing.room_bytes(),
        plan=store.backups.plan,
        folder=str(store.backups.folder),
        same_disk=store.backups.same_disk(),
        due_at=store.backups.due_at() if copies else None,
        backups=[_view(c) for c in copies],
        aside=_aside(store),
        clock=[ClockMoved(**m._asdict()) for m in store.clock_moves.listed(20)],
        clock_lead_s=bench.clock.lead_s,
    )


@router.get("/notices")
def noticed(bench: BenchHere) -> list[Notice]:
    """What everybody has to know of the data and the clock; empty while all is well."""
    return list(bench.notices())


@router.post("/backups", status_code=201)
def back_up(bench: BenchHere) -> CopyView:
    """Make a backup now: whole as the data are at one moment, looked through, and on the disk when this answers."""
    try:
        return _view(bench.store.backups.make())
    finally:
        bench.hub.notice()


@router.get("/look")
def look_into(store: StoreHere, where: Where, name: Name) -> SeenView:
    """What a copy holds; nothing is changed."""
    return _seen(where, _copy(store, where, name))


@router.get("/copy", response_class=FileResponse)
def fetch(store: StoreHere, where: Where, name: Name) -> FileResponse:
    """A copy, to be kept elsewhere."""
    return FileResponse(_copy(store, where, name), media_type="application/vnd.sqlite3", filename=name)


@router.put("/plan")
def replan(bench: BenchHere, body: BackupPlan) -> KeepingView:
    """Another folder, or more or less often."""
    bench.store.backups.change(body)
    bench.hub.notice()
    return standing(bench)


@router.post("/check")
def check(store: StoreHere) -> Seen:
    """Look through all of the data file; what is damaged is said on every page from then on, and not written into."""
    store.check_through()
    return look(store.path, checked=False)


@router.post("/restore")
def restore(request: Request, bench: BenchHere, body: RestoreRequest) -> Restored:
    """Put a copy in the place of the present data, which are kept aside; every open page begins anew."""
    copy = _copy(bench.store, body.where, body.name)
    _looked_into(copy)
    kept = bench.restore(copy)
    request.app.state.sessions.read_again()
    return Restored(kept=kept.name)


@router.post("/clock")
def take_clock(bench: BenchHere) -> KeepingView:
    """Take the machine's time for the right one, where it was moved while bakes ran."""
    bench.take_wall_clock()
    return standing(bench)


@router.get("/archive", response_class=FileResponse)
async def take_out(request: Request, store: StoreHere) -> FileResponse:
    """Everything as an open archive: JSON lines and CSV in a zip, described in docs/formats.md."""
    folder = Path(tempfile.mkdtemp(prefix="kindwhisk-"))
    file = folder / "kindwhisk-archive.zip"
    try:
        await beside(request, sums.taken_out, store.path, file, limit_s=ARCHIVE_LIMIT_S)
    except BaseException:
        shutil.rmtree(folder, ignore_errors=True)
        raise
    return FileResponse(
        file,
        media_type="application/zip",
        filename=file.name,
        background=BackgroundTask(shutil.rmtree, folder, ignore_errors=True),
    )


@router.post(
    "/given-in",
    status_code=201,
    max_body_size=MOST_UPLOADED,
    responses=refusals(413),
    openapi_extra={
        "requestBody": {
            "required": True,
            "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
        }
    },
)
async def give_in(request: Request, store: StoreHere) -> SeenView:
    """A backup or an archive from elsewhere, as the body: looked through, and kept for a while to be restored."""
    folder = _folder(store, "given-in")
    await run_sync(_cleared, folder)
    name = f"given-in-{datetime.now(UTC):%Y%m%dT%H%M%SZ}-{secrets.token_hex(3)}"
    part = folder / f"{name}.part"
    try:
        with part.open("wb") as file:
            async for piece in request.stream():
                await run_sync(file.write, piece)
        return await run_sync(_taken_in, part, folder / f"{name}.sqlite3")
    finally:
        part.unlink(missing_ok=True)


def _cleared(folder: Path) -> None:
    """Let go of what was given in long ago; several may be at it at once."""
    folder.mkdir(exist_ok=True)
    for old in folder.iterdir():
        with contextlib.suppress(OSError):
            if time.time() - old.stat().st_mtime > GIVEN_IN_STAYS_S:
                old.unlink()


def _taken_in(part: Path, path: Path) -> SeenView:
    with part.open("rb") as file:
        begins = file.read(len(ZIP_BEGINS))
    if begins == ZIP_BEGINS:
        archive.unpack(part, path)
    else:
        _looked_into(part)
        part.replace(path)
    return _seen("given-in", path)
