"""One answer for all that ask the same at the same time: worked out and written once, however many pages are open."""

from __future__ import annotations

import time
from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import NamedTuple

from pydantic import BaseModel

FRESH_S = 0.25
"""So long an answer is as good as a new one, if nothing was told meanwhile."""
HELD = 256


class _Answered(NamedTuple):
    stamp: Hashable
    at: float
    body: bytes


class Shared:
    """Answers that are shared. Safe from any thread."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._lock = Lock()
        self._making: OrderedDict[Hashable, Lock] = OrderedDict()
        self._answered: dict[Hashable, _Answered] = {}

    def answer(
        self, question: Hashable, stamp: Callable[[], Hashable], make: Callable[[], BaseModel], speed: float = 1.0
    ) -> bytes:
        """The answer to a question as JSON.

        Args:
            question: what is asked.
            stamp: what the answer rests on; while that is the same, an answer may be shared for a moment.
            make: works the answer out.
            speed: how fast time passes in it; the faster, the sooner it is an old one.
        """
        with self._lock:
            making = self._making.setdefault(question, Lock())
            self._making.move_to_end(question)
            while len(self._making) > HELD:
                self._answered.pop(self._making.popitem(last=False)[0], None)
        with making:
            # Looked at before it is worked out: what happens meanwhile makes the answer an old one.
            now, rests_on = self._clock(), stamp()
            known = self._answered.get(question)
            if known is not None and known.stamp == rests_on and now - known.at < FRESH_S / speed:
                return known.body
            body = make().model_dump_json().encode()
            self._answered[question] = _Answered(rests_on, now, body)
            return body
