"""The built front end: hashed assets for ever, the page itself fresh each time."""

from __future__ import annotations

from pathlib import Path

from fastapi import FastAPI, Request
from fastapi.responses import FileResponse, Response
from starlette.exceptions import HTTPException
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from kindwhisk.api.problems import Problem, answer, of_status

POLICY = (
    "default-src 'self'; img-src 'self' data:; style-src 'self' 'unsafe-inline'; "
    "connect-src 'self'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'"
)


class Immutable(StaticFiles):
    """Assets whose names carry a hash of their content."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        """The asset, to be kept for a year."""
        response = await super().get_response(path, scope)
        if response.status_code == 200:
            response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response


def install(app: FastAPI, web: Path | None) -> None:
    """Serve the pages beside the API; an unknown path that asks for a page gets the page."""
    if web is not None and (web / "assets").is_dir():
        app.mount("/assets", Immutable(directory=web / "assets"))

    @app.exception_handler(HTTPException)
    async def missing(request: Request, error: HTTPException) -> Response:
        path = request.url.path
        is_page = request.method in {"GET", "HEAD"} and not path.startswith(("/api/", "/assets/"))
        if error.status_code != 404 or not is_page or web is None:
            return answer(of_status(error.status_code))
        known = (web / path.lstrip("/")).resolve()
        if path != "/index.html" and known.is_file() and known.is_relative_to(web.resolve()):
            return FileResponse(known, headers={"Cache-Control": "no-cache"})
        if "." in path.rsplit("/", 1)[-1]:
            return answer(Problem(title="Not found", status=404, detail=f"There is no {path}.", remedy="Reload."))
        return FileResponse(
            web / "index.html", headers={"Cache-Control": "no-cache", "Content-Security-Policy": POLICY}
        )
