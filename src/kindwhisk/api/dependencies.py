"""What a door is given: the bench with its data file, the kitchen in force, and the stand-ins."""

from __future__ import annotations

from typing import Annotated

from fastapi import Depends, Request

from kindwhisk.api.preparing import Preparing
from kindwhisk.api.sessions import Sessions
from kindwhisk.api.shared import Shared
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.devices.stand_in import StandIns
from kindwhisk.store.database import Store


async def _bench(request: Request) -> Bench:
    bench: Bench = request.app.state.bench
    return bench


async def _stand_ins(request: Request) -> StandIns:
    stand_ins: StandIns = request.app.state.stand_ins
    return stand_ins


async def _sessions(request: Request) -> Sessions:
    sessions: Sessions = request.app.state.sessions
    return sessions


async def _shared(request: Request) -> Shared:
    shared: Shared = request.app.state.shared
    return shared


async def _preparing(request: Request) -> Preparing:
    preparing: Preparing = request.app.state.preparing
    return preparing


PreparingHere = Annotated[Preparing, Depends(_preparing)]
SharedHere = Annotated[Shared, Depends(_shared)]
BenchHere = Annotated[Bench, Depends(_bench)]
StandInsHere = Annotated[StandIns, Depends(_stand_ins)]
SessionsHere = Annotated[Sessions, Depends(_sessions)]


async def _store(bench: BenchHere) -> Store:
    return bench.store


async def _hub(bench: BenchHere) -> Hub:
    return bench.hub


def _kitchen(bench: BenchHere) -> Kitchen:
    return bench.kitchen


StoreHere = Annotated[Store, Depends(_store)]
HubHere = Annotated[Hub, Depends(_hub)]
KitchenHere = Annotated[Kitchen, Depends(_kitchen)]
