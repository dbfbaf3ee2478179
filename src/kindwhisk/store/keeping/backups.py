"""Backups of one data folder: on a plan, into a folder of the baker's choice, the oldest let go of in turn."""

from __future__ import annotations

import json
from datetime import UTC, datetime, timedelta
from pathlib import Path
from threading import Lock
from typing import NamedTuple

from pydantic import Field, ValidationError

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.store.keeping.copies import Copy, copied, copies_in, let_go, name_of
from kindwhisk.store.photos import photos_along
from kindwhisk.store.trouble import DataTrouble

PLAN_NAME = "backups.json"
FOLDER_NAME = "backups"
AGAIN = timedelta(minutes=10)
"""After one that failed, the next try."""


class BackupPlan(Value):
    """Where backups go (empty: a folder beside the data) and how often (hours; 0: only by hand)."""

    folder: str = Field(default="", max_length=500)
    every_h: float = Field(default=24, ge=0, le=24 * 30, allow_inf_nan=False)


class Failed(NamedTuple):
    """A backup that was not made: when it was tried, and why."""

    at: datetime
    why: DataTrouble


class Backups:
    """The backups of one data file. Safe from any thread."""

    def __init__(self, path: Path) -> None:
        self._path = path
        self._one_at_a_time = Lock()
        self._plan = self._read()
        self.failed: Failed | None = None

    @property
    def plan(self) -> BackupPlan:
        """The plan in force."""
        return self._plan

    @property
    def folder(self) -> Path:
        """Where backups lie."""
        return Path(self._plan.folder) if self._plan.folder else self._path.parent / FOLDER_NAME

    def _read(self) -> BackupPlan:
        try:
            return BackupPlan.model_validate_json((self._path.parent / PLAN_NAME).read_bytes())
        except (OSError, ValidationError):
            return BackupPlan()

    def change(self, plan: BackupPlan) -> None:
        """Take another plan, once its folder is there and can be written.

        Raises:
            CraftError: it can't be.
        """
        folder = Path(plan.folder).expanduser() if plan.folder else self._path.parent / FOLDER_NAME
        if not folder.is_absolute():
            raise CraftError(
                f"“{plan.folder}” is no whole path.", field="folder", remedy="Write it from the beginning, as /media/…"
            )
        try:
            folder.mkdir(parents=True, exist_ok=True)
            probe = folder / ".kindwhisk-can-write"
            probe.write_bytes(b"")
            probe.unlink()
            new = self._path.parent / f"{PLAN_NAME}.new"
            chosen = plan.model_copy(update={"folder": str(folder) if plan.folder else ""})
            new.write_text(json.dumps(chosen.model_dump(), indent=1), encoding="utf-8")
            new.replace(self._path.parent / PLAN_NAME)
        except (OSError, ValueError) as error:
            raise CraftError(
                f"{folder} can't be written ({getattr(error, 'strerror', None) or error}).",
                field="folder",
                remedy="Choose a folder that this user may write, such as one on a disk that is plugged in.",
            ) from error
        self._plan = chosen
        self.failed = None

    def copies(self) -> list[Copy]:
        """What there is, the newest first."""
        return copies_in(self.folder)

    def same_disk(self) -> bool:
        """Whether backups lie on the disk of the data: they help after a slip, not when that disk breaks."""
        try:
            folder = next(p for p in (self.folder, *self.folder.parents) if p.exists())
            return folder.stat().st_dev == self._path.parent.stat().st_dev
        except OSError:
            return False

    def due_at(self) -> datetime | None:
        """When the next one is due by the plan; None for never."""
        if not self._plan.every_h:
            return None
        newest = next((c.made_at for c in self.copies()), None)
        due = datetime.min.replace(tzinfo=UTC) if newest is None else newest + timedelta(hours=self._plan.every_h)
        return max(due, self.failed.at + AGAIN) if self.failed is not None else due

    def make(self) -> Copy:
        """Make one now, and let go of those whose turn it is.

        Raises:
            DataTrouble: it was not made; that is remembered until one is.
        """
        with self._one_at_a_time:
            now = datetime.now(UTC)
            target = self.folder / name_of(now)
            try:
                copied(self._path, target)
                photos_along(self._path, target)
            except DataTrouble as why:
                self.failed = Failed(now, why)
                raise
            self.failed = None
            let_go(self.folder)
            return Copy(target, now.replace(microsecond=0), target.stat().st_size)
