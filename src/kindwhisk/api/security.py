"""Who may ask: only pages of this server, only by names it knows, and beyond this machine only with the passcode."""

from __future__ import annotations

import hmac
import secrets
import time
from collections import deque
from http.cookies import SimpleCookie
from urllib.parse import urlsplit

from starlette.datastructures import Headers
from starlette.types import ASGIApp, Receive, Scope, Send

from kindwhisk.api.problems import Problem, answer
from kindwhisk.api.settings import LOOPBACK, Settings
from kindwhisk.core.values.errors import NotNowError

SAFE = {"GET", "HEAD", "OPTIONS"}
COOKIE = "kindwhisk_session"
OPEN_PATHS = {"/api/health", "/api/session"}
TRIES, TRIES_WITHIN_S = 10, 60.0
"""So many wrong passcodes in so many seconds, and nobody gets in for a while."""


class Doorkeeper:
    """Checks Host and Origin of every request, and the session where a passcode is set."""

    def __init__(self, app: ASGIApp, settings: Settings, sessions: Sessions) -> None:
        self.app, self.settings, self.sessions = app, settings, sessions
        self.any_host = settings.host not in LOOPBACK

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Let the request pass or answer with a problem."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        problem = self._problem(scope)
        if problem is None:
            await self.app(scope, receive, send)
        else:
            await answer(problem)(scope, receive, send)

    def _problem(self, scope: Scope) -> Problem | None:
        headers = Headers(scope=scope)
        host = headers.get("host", "")
        name = urlsplit(f"//{host}").hostname or ""
        if not self.any_host and name not in LOOPBACK:
            return Problem(
                title="Wrong host", status=421, detail=f"This server does not answer for '{name}'.", field="Host",
                remedy="Open it by the address that it printed.",
            )  # fmt: skip
        origin = headers.get("origin")
        if scope["method"] not in SAFE and origin is not None and urlsplit(origin).netloc != host:
            return Problem(
                title="Wrong origin", status=403, detail="Another site tried to write here.", field="Origin",
                remedy="Use Kind Whisk's own pages.",
            )  # fmt: skip
        path = scope["path"]
        if self.settings.passcode and path.startswith("/api/") and path not in OPEN_PATHS:
            cookie = SimpleCookie(headers.get("cookie", "")).get(COOKIE)
            if cookie is None or not self.sessions.known(cookie.value):
                return Problem(
                    title="Passcode needed", status=401, detail="This device has not been let in yet.",
                    field="passcode", remedy="Enter the passcode that the server was started with.",
                )  # fmt: skip
        return None


class Sessions:
    """Devices that have given the passcode since the server started."""

    def __init__(self, passcode: str | None) -> None:
        self._passcode = passcode
        self._tokens: set[str] = set()
        self._wrong: deque[float] = deque(maxlen=TRIES)

    def enter(self, passcode: str) -> str | None:
        """A token for the right passcode, else None.

        Raises:
            NotNowError: it was wrong too often within a minute, from wherever.
        """
        now = time.monotonic()
        if len(self._wrong) == TRIES and now - self._wrong[0] < TRIES_WITHIN_S:
            raise NotNowError(
                "The passcode was wrong too often.", field="passcode", remedy="Wait a minute, then try again."
            )
        if self._passcode is None or not hmac.compare_digest(passcode.encode(), self._passcode.encode()):
            self._wrong.append(now)
            return None
        token = secrets.token_urlsafe(24)
        self._tokens.add(token)
        return token

    def known(self, token: str) -> bool:
        """Whether a device with this token was let in."""
        return token in self._tokens
