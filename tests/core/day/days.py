"""Days made up for tests: bakes of a few steps each, over kitchens large and small."""

from __future__ import annotations

from itertools import pairwise

from hypothesis import strategies as st

from kindwhisk.core.day.bowls import Stay
from kindwhisk.core.day.resources import DayResources, Hands, MixerRoom, OvenRoom
from kindwhisk.core.day.work import DayBake, DayTask, Heat
from kindwhisk.core.people import Craft, Span
from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.storage import Storage

HOUR = 3600.0
LENGTH_S = 48 * HOUR
STAYS = (Stay(first="yolks", until=(), greasy=True), Stay(first="whip", until=("fold",), clean=True))


def sponge(
    number: int,
    due_h: float,
    celsius: float = 160,
    ovens: tuple[str, ...] = ("deck",),
    weight: int = 2,
    minutes: float = 30,
    racks: int = 1,
) -> DayBake:
    """Whites whipped, folded, baked, cooled and finished: a foam that holds five minutes, a batter that holds ten."""
    seconds = dict.fromkeys(ovens, 60 * minutes)
    tasks = (
        DayTask(id="weigh", title="Weigh", seconds=600, hands=True),
        DayTask(id="yolks", title="Beat the yolks", seconds=240, mixer=True),
        DayTask(id="wash", title="Wash", seconds=180, hands=True),
        DayTask(id="heat", title="Heat", seconds=1080, heat=heat(celsius, 0, dict.fromkeys(ovens, 1080.0), heats=True)),
        DayTask(id="whip", title="Whip", seconds=300, mixer=True),
        DayTask(id="fold", title="Fold", seconds=240, hands=True),
        DayTask(id="bake", title="Bake", seconds=60 * minutes, heat=heat(celsius, racks, seconds), craft=Craft.OVEN),
        DayTask(id="cool", title="Cool", seconds=1 * HOUR, stands=Storage.RACK, craft=Craft.OVEN),
        DayTask(id="finish", title="Finish", seconds=900, hands=True, craft=Craft.FINISHING),
    )
    order = ["weigh", "yolks", "wash", "whip", "fold", "bake", "cool", "finish"]
    lags = [Lag(earlier=a, later=b) for a, b in pairwise(order)]
    lags += [
        Lag(earlier="heat", later="bake"),
        Lag(earlier="heat", later="whip", from_end=False),
        Lag(earlier="whip", later="fold", at_most_s=300),
        Lag(earlier="fold", later="bake", at_most_s=600),
    ]
    return DayBake(
        id=f"b{number}", title=f"Sponge {number}", due_s=due_h * HOUR, weight=weight, ovens=ovens, tasks=tasks,
        lags=tuple(lags), stays=STAYS,
    )  # fmt: skip


def heat(celsius: float, racks: int, seconds: dict[str, float], *, heats: bool = False) -> Heat:
    return Heat(celsius=celsius, racks=racks, seconds=seconds, heats=heats)


def kitchen(people: int = 1, ovens: int = 1, racks: int = 2, bowls: int = 1, shut: bool = True) -> DayResources:
    """A kitchen that is open from four to ten at night, or always."""
    away = (Span(start_s=18 * HOUR, end_s=24 * HOUR), Span(start_s=42 * HOUR, end_s=48 * HOUR)) if shut else ()
    return DayResources(
        length_s=LENGTH_S,
        people=tuple(Hands(id=f"p{i}", name=f"P {i}", away=away) for i in range(people)),
        mixers=(MixerRoom(id="stand", name="Stand", bowls=bowls),),
        rings=2,
        ovens=tuple(OvenRoom(id=("deck", "fan")[i], name=("Deck", "Fan")[i], racks=racks) for i in range(ovens)),
        places=dict.fromkeys(Storage, 6),
    )


@st.composite
def days(draw: st.DrawFn) -> tuple[tuple[DayBake, ...], DayResources]:
    """Up to four bakes, some due too early to be in time, some on the day after."""
    ovens = draw(st.integers(1, 2))
    bakes = tuple(
        sponge(
            number,
            draw(st.sampled_from([1, 3, 4, 5, 6.5, 9, 17, 26])),
            draw(st.sampled_from([160, 160, 180, 240])),
            ("deck", "fan")[:ovens] if draw(st.booleans()) else ("deck",),
            draw(st.integers(1, 3)),
            draw(st.sampled_from([12, 30, 45])),
            draw(st.integers(1, 2)),
        )
        for number in range(draw(st.integers(1, 4)))
    )
    return bakes, kitchen(draw(st.integers(1, 3)), ovens, draw(st.integers(1, 3)), draw(st.integers(1, 2)))
