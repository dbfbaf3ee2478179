"""One writer at a time over the data file."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from threading import RLock

from kindwhisk.store.models import proxy

_writer = RLock()


@contextmanager
def writing() -> Iterator[None]:
    """What happens inside is on the disk, whole or not at all, when it ends."""
    with _writer, proxy.atomic("IMMEDIATE"):
        yield
