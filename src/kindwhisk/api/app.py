"""The application, put together."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from importlib import import_module

from fastapi import FastAPI, Request, Response

from kindwhisk import __version__
from kindwhisk.api import beside, pages, problems, sums
from kindwhisk.api.preparing import Preparing
from kindwhisk.api.routers import (
    bakes,
    baking,
    book,
    cooling,
    craft,
    days,
    finishing,
    folding,
    goods,
    health,
    keeping,
    kitchen,
    learned,
    log,
    ovens,
    patterns,
    piping,
    plans,
    readings,
    stand_ins,
    stream,
    sugar,
    tins,
)
from kindwhisk.api.security import Doorkeeper
from kindwhisk.api.sessions import Sessions
from kindwhisk.api.settings import Settings
from kindwhisk.api.shared import Shared
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.caretaker import Caretaker
from kindwhisk.bench.clock import Clock
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.keep_up import KeepUp
from kindwhisk.devices.stand_in import StandIns
from kindwhisk.store.database import open_store

ROUTERS = (
    health,
    keeping,
    book,
    plans,
    days,
    log,
    bakes,
    kitchen,
    learned,
    ovens,
    craft,
    goods,
    folding,
    tins,
    patterns,
    finishing,
    piping,
    baking,
    cooling,
    sugar,
    readings,
    stand_ins,
    stream,
)


def create_app(settings: Settings) -> FastAPI:
    """An application over the data file in ``settings.data``, migrated to this version."""
    store = open_store(settings.data)
    clock = Clock()
    bench = Bench(store, Hub(store), clock)
    stand_ins_here = StandIns(bench, available=settings.stand_ins)
    keep_up = KeepUp(bench)
    caretaker = Caretaker(bench, keeps_wall=not settings.stand_ins)

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:  # noqa: ARG001 - the framework passes it
        bench.hub.attach(asyncio.get_running_loop())
        # Slow to load, so not at the first plan; and not in a thread, for half-loaded modules would be met in others.
        for slow in ("ortools.sat.python.cp_model", "pint", "scipy.interpolate"):
            import_module(slow)
        last = bench.last_moment()
        if last is not None and settings.stand_ins:
            clock.not_before(last)  # it may have run ahead of the wall before
        beside.begin()
        stand_ins_here.start()
        keep_up.start()
        caretaker.start()
        yield
        caretaker.stop()
        stand_ins_here.stop()
        keep_up.stop()
        beside.end()
        store.close()

    app = FastAPI(
        title="Kind Whisk",
        version=__version__,
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url=None,
    )

    @app.get("/api/openapi.json", include_in_schema=False)
    async def described(request: Request) -> Response:
        """The description of all doors; it takes seconds to make, so it is made beside, and once."""
        if not hasattr(app.state, "described"):
            app.state.described = await beside.beside(request, sums.openapi_document)
        return Response(app.state.described, media_type="application/json")

    sessions = Sessions(settings.passcode, store.sessions)
    app.state.bench, app.state.sessions = bench, sessions
    app.state.stand_ins, app.state.shared = stand_ins_here, Shared()
    app.state.preparing = Preparing()
    for module in ROUTERS:
        app.include_router(module.router, max_body_size=problems.MOST_BYTES)
    problems.install(app)
    pages.install(app, settings.web)
    app.add_middleware(problems.Faults)
    app.add_middleware(Doorkeeper, settings=settings, sessions=sessions)
    return app
