"""The application, put together."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from importlib import import_module

from fastapi import FastAPI

from kindwhisk import __version__
from kindwhisk.api import pages, problems
from kindwhisk.api.routers import bakes, book, craft, health, kitchen, plans, stream
from kindwhisk.api.security import Doorkeeper, Sessions
from kindwhisk.api.settings import Settings
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.service import Bench
from kindwhisk.store.database import open_database


def create_app(settings: Settings) -> FastAPI:
    """An application over the data file in ``settings.data``, migrated to this version."""
    database = open_database(settings.data)
    hub = Hub()

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:  # noqa: ARG001 - the framework passes it
        hub.attach(asyncio.get_running_loop())
        # Slow to load, so not at the first plan; and not in a thread, for half-loaded modules would be met in others.
        for slow in ("ortools.sat.python.cp_model", "pint", "scipy.interpolate"):
            import_module(slow)
        yield
        database.close()

    app = FastAPI(
        title="Kind Whisk",
        version=__version__,
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    sessions = Sessions(settings.passcode)
    app.state.hub, app.state.bench, app.state.sessions = hub, Bench(hub), sessions
    for module in (health, book, plans, bakes, kitchen, craft, stream):
        app.include_router(module.router)
    problems.install(app)
    pages.install(app, settings.web)
    app.add_middleware(Doorkeeper, settings=settings, sessions=sessions)
    return app
