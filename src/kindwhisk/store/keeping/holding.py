"""One server to a data folder: who comes second is told who holds it."""

from __future__ import annotations

import fcntl
import json
import os
from datetime import UTC, datetime
from pathlib import Path

from kindwhisk.store.trouble import DataTrouble, TroubleKind

LOCK_NAME = "kindwhisk.lock"


class Held:
    """A data folder that nobody else may serve. The system lets go of it with the process, however that ends."""

    def __init__(self, folder: Path) -> None:
        """Take the folder.

        Raises:
            DataTrouble: another server has it.
        """
        self._file = (folder / LOCK_NAME).open("a+", encoding="utf-8")
        try:
            fcntl.flock(self._file, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError as error:
            self._file.seek(0)
            holder = _told(self._file.read())
            self._file.close()
            raise DataTrouble(
                f"The data folder {folder} is in use: {holder}.",
                kind=TroubleKind.BUSY,
                remedy="Open that one's address, or stop it first; or give another folder with --data.",
            ) from error
        self.tell("")

    def tell(self, address: str) -> None:
        """Say where this server is, for whoever comes second."""
        self._file.seek(0)
        self._file.truncate()
        json.dump({"pid": os.getpid(), "address": address, "since": datetime.now(UTC).isoformat()}, self._file)
        self._file.flush()

    def release(self) -> None:
        """Let go of the folder."""
        self._file.close()


def _told(text: str) -> str:
    try:
        known = json.loads(text)
        where = f" at {known['address']}" if known["address"] else ""
        return f"Kind Whisk runs on it already{where} (process {known['pid']}, since {known['since'][:16]} UTC)"
    except (ValueError, TypeError, KeyError):
        return "another Kind Whisk runs on it already"
