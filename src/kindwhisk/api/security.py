"""Who may ask: only pages of this server, only by names it knows, and beyond this machine only with the passcode."""

from __future__ import annotations

from urllib.parse import urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from kindwhisk.api.problems import MOST_BYTES, Problem, answer, of_status
from kindwhisk.api.sessions import Sessions, tokens_in
from kindwhisk.api.settings import LOOPBACK, Settings

SAFE = {"GET", "HEAD", "OPTIONS"}
OPEN_PATHS = {"/api/health", "/api/session"}
LARGE = {"/api/keeping/given-in"}
PHOTOS = "/photos"
"""Where a whole kitchen may come in."""
OWN = {"same-origin", "none"}
"""Where a browser says that a request comes from: a page of this server, or the baker's own hand."""
POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; "
    "connect-src 'self'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'"
)
ON_EVERY_ANSWER = {
    "Content-Security-Policy": POLICY,
    "X-Content-Type-Options": "nosniff",
    "Referrer-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
}


def _netloc(url: str) -> str | None:
    """The host and port of an address; None for one that can't be."""
    try:
        return urlsplit(url).netloc
    except ValueError:
        return None


def _hostname(host: str) -> str:
    try:
        return urlsplit(f"//{host}").hostname or ""
    except ValueError:
        return ""


class Doorkeeper:
    """Checks where every request comes from, and the session where a passcode is set; guards every answer."""

    def __init__(self, app: ASGIApp, settings: Settings, sessions: Sessions) -> None:
        self.app, self.settings, self.sessions = app, settings, sessions
        self.any_host = settings.host not in LOOPBACK

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Let the request pass or answer with a problem."""
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        replaced = False

        async def guarded(message: Message) -> None:
            nonlocal replaced
            if replaced:
                return
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                if message["status"] >= 400 and headers.get("content-type", "").startswith("text/plain"):
                    # A refusal of the framework's own, without a remedy.
                    await answer(of_status(message["status"]))(scope, receive, guarded)
                    replaced = True
                    return
                for name, value in ON_EVERY_ANSWER.items():
                    headers[name] = value
            await send(message)

        problem = self._problem(scope)
        if problem is None:
            await self.app(scope, receive, guarded)
        else:
            await answer(problem)(scope, receive, guarded)

    def _problem(self, scope: Scope) -> Problem | None:
        headers = Headers(scope=scope)
        host = headers.get("host", "")
        name = _hostname(host)
        if not name or (not self.any_host and name not in LOOPBACK):
            return Problem(
                title="Wrong host", status=421, detail=f"This server does not answer for '{host[:80]}'.", field="Host",
                remedy="Open it by the address that it printed.",
            )  # fmt: skip
        if self._foreign(scope, headers, host):
            return Problem(
                title="Wrong origin", status=403, detail="Another site tried to ask here.", field="Origin",
                remedy="Use Kind Whisk's own pages.",
            )  # fmt: skip
        path = scope["path"]
        length = headers.get("content-length", "0")
        large = path in LARGE or path.endswith(PHOTOS)
        if not large and length.isdecimal() and int(length[:18]) > MOST_BYTES:
            return of_status(413)
        asked = self.settings.passcode and path.startswith("/api/") and path not in OPEN_PATHS
        if asked and not self.sessions.known(tokens_in(headers.get("cookie", ""))):
            return Problem(
                title="Passcode needed", status=401, detail="This device has not been let in yet.",
                field="passcode", remedy="Enter the passcode that the server was started with.",
            )  # fmt: skip
        return None

    def _foreign(self, scope: Scope, headers: Headers, host: str) -> bool:
        """Whether a page of another site asks: to write anything, or for more than to be opened."""
        origin, site = headers.get("origin"), headers.get("sec-fetch-site")
        if scope["method"] not in SAFE:
            return (origin is not None and _netloc(origin) != host) or (site is not None and site not in OWN)
        opened = headers.get("sec-fetch-mode") == "navigate"
        return scope["path"].startswith("/api/") and site is not None and site not in OWN and not opened
