"""Slow sums beside everything else: in a process of their own, with a limit, and left when nobody waits any more.

Whoever stands at the bench does not wait while a long recipe is read or a plan is sought.
"""

from __future__ import annotations

import asyncio
from collections.abc import Callable
from concurrent.futures import Future
from concurrent.futures.process import BrokenProcessPool
from functools import cache
from multiprocessing import get_context
from typing import Any, TypeVar

from fastapi import Request
from pebble import ProcessExpired, ProcessPool

from kindwhisk.api.problems import Problem, ProblemError

T = TypeVar("T")

AT_ONCE = 2
LIMIT_S = 30.0
LOOK_S = 0.1
"""So often it is looked whether anybody still waits."""
MODULES = ("kindwhisk.api.sums", "ortools.sat.python.cp_model")


def _too_long(limit_s: float) -> Problem:
    return Problem(
        title="It takes too long",
        status=503,
        detail=f"It was not worked out in {limit_s:.0f} seconds, and was left.",
        remedy="Ask for something smaller, or once more when less is going on.",
    )


LEFT = Problem(title="Left", status=503, detail="Nobody waited for it any more.", remedy="Ask again.")

ENDED = Problem(
    title="It was ended",
    status=503,
    detail="The process that worked it out was ended from outside, as happens when memory runs out.",
    remedy="Ask again; if it happens once more, ask for something smaller.",
)


@cache
def _pool() -> ProcessPool:
    """The processes of this server; they begin with the first sum."""
    context = get_context("forkserver")
    # What they need is loaded once, and each begins from there: one that was left is soon replaced.
    context.set_forkserver_preload(list(MODULES))
    return ProcessPool(max_workers=AT_ONCE, context=context)


def begin() -> None:
    """Let the processes start, so that the first sum does not wait for that."""
    _pool().schedule(int)


def end() -> None:
    """Let them go, and what they work at with them."""
    if _pool.cache_info().currsize:
        pool = _pool()
        _pool.cache_clear()
        pool.stop()  # type: ignore[no-untyped-call]
        pool.join()


async def beside(request: Request, sum_up: Callable[..., T], *args: Any, limit_s: float | None = None) -> T:
    """What ``sum_up`` makes of ``args``; it and they go to another process.

    Raises:
        ProblemError: it took longer than the limit, its process was ended, or whoever asked is gone.
    """
    limit = LIMIT_S if limit_s is None else limit_s
    try:
        return await _worked_out(request, sum_up, args, limit)
    except BrokenProcessPool:
        # A process that dies while it has nothing to do takes the others with it, and what waited for them.
        return await _worked_out(request, sum_up, args, limit)


async def _worked_out(request: Request, sum_up: Callable[..., T], args: tuple[Any, ...], limit_s: float) -> T:
    if not _pool().active:
        end()
    pool = _pool()
    going: Future[T] = pool.schedule(sum_up, args=list(args), timeout=limit_s)
    answer = asyncio.wrap_future(going)
    try:
        while not going.done():
            await asyncio.wait({answer}, timeout=LOOK_S)
            if not going.done() and not pool.active:
                raise BrokenProcessPool
            if not going.done() and await request.is_disconnected():
                raise ProblemError(LEFT)
        return await answer
    except TimeoutError:
        raise ProblemError(_too_long(limit_s)) from None
    except ProcessExpired:
        raise ProblemError(ENDED) from None
    finally:
        going.cancel()
