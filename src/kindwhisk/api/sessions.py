"""Devices that have given the passcode: let in until somebody ends it, also when the server starts again."""

from __future__ import annotations

import contextlib
import hashlib
import secrets
import time
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from threading import Lock

from kindwhisk.core.values.errors import NotNowError
from kindwhisk.store.sessions import KeptSession, KeptSessions
from kindwhisk.store.trouble import DataTrouble

COOKIE = "kindwhisk_session"
KEPT_FOR_S = 180 * 24 * 3600
FREE_TRIES = 5
"""So many wrong passcodes of one address cost nothing; each one after that doubles the wait."""
LONGEST_WAIT_S = 600.0
MOST_ADDRESSES = 1000
SEEN_EVERY = timedelta(minutes=10)
NEVER = datetime.min.replace(tzinfo=UTC)


@dataclass
class _Guesser:
    wrong: int = 0
    wait_until: float = 0.0


class Guesses:
    """Slows down an address that guesses, however many of its guesses come at once; nobody else waits for it."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock, self._lock = clock, Lock()
        self._known: dict[str, _Guesser] = {}

    def begin(self, address: str) -> None:
        """A guess begins; it counts as wrong until it proves right.

        Raises:
            NotNowError: this address guessed too often.
        """
        with self._lock:
            now = self._clock()
            guesser = self._known.setdefault(address, _Guesser())
            if now < guesser.wait_until:
                wait = guesser.wait_until - now
                raise NotNowError(
                    "The passcode was wrong too often from this device.",
                    field="passcode",
                    remedy=f"Wait {wait:.0f} seconds, then try again.",
                )
            guesser.wrong += 1
            over = guesser.wrong - FREE_TRIES
            if over >= 0:
                guesser.wait_until = now + min(LONGEST_WAIT_S, 2.0 ** min(over, 20))
            if len(self._known) > MOST_ADDRESSES:
                self._known.pop(next(a for a in self._known if a != address))

    def right(self, address: str) -> None:
        """The guess was right."""
        with self._lock:
            self._known.pop(address, None)


def _digest(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()


class Sessions:
    """The devices that are let in with the passcode in force."""

    def __init__(self, passcode: str | None, kept: KeptSessions) -> None:
        self._passcode, self._kept = passcode, kept
        self._guesses = Guesses()
        self._lock = Lock()
        # Slow to make, so that the file's digest does not give the passcode away.
        self._passcode_hash = (
            "" if passcode is None else hashlib.scrypt(passcode.encode(), salt=b"kindwhisk", n=2**14, r=8, p=1).hex()
        )
        self._known: dict[str, int] | None = None
        self._seen: dict[int, datetime] = {}

    def enter(self, passcode: str, address: str, device: str) -> str | None:
        """A token for the right passcode, else None.

        Raises:
            NotNowError: this address was wrong too often.
        """
        self._guesses.begin(address)
        if self._passcode is None or not secrets.compare_digest(passcode.encode(), self._passcode.encode()):
            return None
        self._guesses.right(address)
        token = secrets.token_urlsafe(32)
        with self._lock:
            known = self._loaded()
            known[_digest(token)] = 0
        # On a full disk it lets in all the same, until the server stops.
        with contextlib.suppress(DataTrouble):
            self._kept.keep(_digest(token), self._passcode_hash, device, datetime.now(UTC))
            self.read_again()
        return token

    def read_again(self) -> None:
        """Take those that are on the disk."""
        with self._lock:
            self._known = None

    def _loaded(self) -> dict[str, int]:
        if self._known is None:
            self._known = self._kept.hashes(self._passcode_hash)
        return self._known

    def known(self, tokens: Iterable[str]) -> bool:
        """Whether a device with one of these tokens was let in."""
        return self.which(tokens) is not None

    def which(self, tokens: Iterable[str]) -> int | None:
        """The session of one of these tokens, if there is one; it was there just now."""
        with self._lock:
            known = self._loaded()
        found = next((known[d] for d in map(_digest, tokens) if d in known), None)
        if found is not None:
            self._was_there(found)
        return found

    def _was_there(self, session_id: int) -> None:
        now = datetime.now(UTC)
        with self._lock:
            if now - self._seen.get(session_id, NEVER) < SEEN_EVERY:
                return
            self._seen[session_id] = now
        with contextlib.suppress(DataTrouble):
            self._kept.seen(session_id, now)

    def listed(self) -> list[KeptSession]:
        """The devices that are let in, the last seen first."""
        return self._kept.listed(self._passcode_hash)

    def end(self, session_id: int) -> bool:
        """Let a device in no more; False for one that is not known."""
        ended = self._kept.end(session_id)
        self.read_again()
        return ended


def tokens_in(cookies: str) -> list[str]:
    """Every token in a ``Cookie`` header, whatever else other sites of this machine have put in it."""
    pairs = (part.partition("=") for part in cookies.split(";"))
    return [value.strip().strip('"') for name, _, value in pairs if name.strip() == COOKIE]
