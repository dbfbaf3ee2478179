"""What keeps the data from being read or written, in words for the baker: what happened, what is safe, what to do."""

from __future__ import annotations

import errno
import sqlite3
from collections.abc import Iterator
from enum import StrEnum
from functools import partial


class TroubleKind(StrEnum):
    """What kind of trouble it is."""

    FULL = "full"
    READ_ONLY = "read-only"
    GONE = "gone"
    BUSY = "busy"
    DAMAGED = "damaged"
    FAILED = "failed"
    UNFIT = "unfit"


class DataTrouble(Exception):
    """The data can't be read or written. Nothing of what was asked for was kept."""

    def __init__(self, message: str, *, kind: TroubleKind, remedy: str) -> None:
        super().__init__(message)
        self.message, self.kind, self.remedy = message, kind, remedy

    def __reduce__(self) -> tuple[object, ...]:
        """So that it comes over whole from another process."""
        return partial(type(self), kind=self.kind, remedy=self.remedy), (self.message,)

    def __str__(self) -> str:
        return f"{self.message} {self.remedy}"


def _words(code: int) -> tuple[TroubleKind, str, str]:
    kept = "What was kept before is safe."
    match code & 0xFF:
        case sqlite3.SQLITE_FULL:
            return (
                TroubleKind.FULL, "The disk is full, so this was not kept.",
                f"{kept} Make room on the disk; it goes on by itself.",
            )  # fmt: skip
        case sqlite3.SQLITE_READONLY | sqlite3.SQLITE_PERM | sqlite3.SQLITE_CANTOPEN | sqlite3.SQLITE_AUTH:
            return (
                TroubleKind.READ_ONLY, "The data file can't be opened or written, so nothing was kept.",
                f"{kept} See that its folder is there and that this user may write in it; it goes on by itself.",
            )  # fmt: skip
        case sqlite3.SQLITE_BUSY | sqlite3.SQLITE_LOCKED:
            return (
                TroubleKind.BUSY, "Another program holds the data file, so this was not kept.",
                f"{kept} Close that program; it goes on by itself.",
            )  # fmt: skip
        case sqlite3.SQLITE_CORRUPT | sqlite3.SQLITE_NOTADB:
            return (
                TroubleKind.DAMAGED, "The data file is damaged in a place that was needed.",
                "Save what can be read ('./whisk export'), then restore a backup ('./whisk restore').",
            )  # fmt: skip
    return (
        TroubleKind.FAILED, "The disk did not take it, so this was not kept.",
        f"{kept} Look whether the disk is full or failing; it goes on by itself once it can.",
    )  # fmt: skip


NO_ROOM = {errno.ENOSPC, errno.EDQUOT, errno.EFBIG}
NOT_ALLOWED = {errno.EROFS, errno.EACCES, errno.EPERM}


def trouble_of_disk(error: OSError) -> DataTrouble | None:
    """What an error of the disk means; None for any other."""
    code = (
        sqlite3.SQLITE_FULL if error.errno in NO_ROOM else
        sqlite3.SQLITE_READONLY if error.errno in NOT_ALLOWED else
        sqlite3.SQLITE_IOERR if error.errno == errno.EIO else None
    )  # fmt: skip
    if code is None:
        return None
    kind, message, remedy = _words(code)
    return DataTrouble(message, kind=kind, remedy=remedy)


def _behind(error: BaseException) -> Iterator[sqlite3.Error]:
    """The errors of the file behind an error, the nearest first: what was wrong, and what went wrong over it."""
    waiting, met = [error], set[int]()
    while waiting:
        one = waiting.pop(0)
        if id(one) in met:
            continue
        met.add(id(one))
        if isinstance(one, sqlite3.Error):
            yield one
        others = (*one.args, one.__cause__, one.__context__)
        waiting += [o for o in others if isinstance(o, BaseException)]


def trouble_of(error: BaseException) -> DataTrouble | None:
    """What an error of the data file means; None where it is a fault of the question, not of the file."""
    for found in _behind(error):
        code = getattr(found, "sqlite_errorcode", None)
        faulty = isinstance(found, sqlite3.IntegrityError | sqlite3.ProgrammingError)
        # A file that is full undoes what was begun by itself, and then there is nothing left to undo: no trouble.
        if code is not None and not faulty and code & 0xFF != sqlite3.SQLITE_ERROR:
            kind, message, remedy = _words(code)
            return DataTrouble(message, kind=kind, remedy=remedy)
    return None
