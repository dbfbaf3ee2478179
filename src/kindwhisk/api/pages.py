"""The built front end: hashed assets for ever, the page itself fresh each time."""

from __future__ import annotations

from pathlib import Path

from fastapi import FastAPI, Request
from fastapi.responses import FileResponse, Response
from starlette.exceptions import HTTPException
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from kindwhisk.api.problems import Problem, answer, of_status

NOT_BUILT = Problem(
    title="The pages are not built",
    status=404,
    detail="This server has no pages to show.",
    remedy="Start it with './whisk demo' or './whisk serve': they build the pages first. The API answers under /api.",
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
        if error.status_code != 404 or not is_page:
            return answer(of_status(error.status_code))
        if web is None or not (web / "index.html").is_file():
            return answer(NOT_BUILT)
        known = _file(web, path)
        if known is not None:
            return FileResponse(known, headers={"Cache-Control": "no-cache"})
        if "." in path.rsplit("/", 1)[-1]:
            return answer(Problem(title="Not found", status=404, detail="There is no such file.", remedy="Reload."))
        return FileResponse(web / "index.html", headers={"Cache-Control": "no-cache"})


def _file(web: Path, path: str) -> Path | None:
    """The file of the pages at a path; None where there is none, or none can be."""
    try:
        known = (web / path.lstrip("/")).resolve()
        inside = path != "/index.html" and known.is_relative_to(web.resolve()) and known.is_file()
    except (OSError, ValueError):
        return None  # too long a name, or a sign that no name can hold
    return known if inside else None
