"""Waits for a coroutine in a test that is none itself."""

from __future__ import annotations

import asyncio
from collections.abc import Coroutine
from concurrent.futures import ThreadPoolExecutor
from typing import Any, TypeVar

T = TypeVar("T")


def awaited(coroutine: Coroutine[Any, Any, T]) -> T:
    """What a coroutine returns or raises, on a loop of its own: in this thread a browser's may be running."""
    with ThreadPoolExecutor(max_workers=1) as threads:
        return threads.submit(asyncio.run, coroutine).result()
