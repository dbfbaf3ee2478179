"""One probe and several bakes: it is in the one that began with it last, unless somebody says where it is."""

from __future__ import annotations

import math
from datetime import datetime, timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker

CRUMB = Thermometer(id="crumb", name="Crumb probe", place=ProbePlace.CRUMB)
MINUTE = timedelta(minutes=1)


@pytest.fixture
def one_probe(bench: Bench) -> Bench:
    _, kitchen = bench.store.kitchens.current()
    bench.store.kitchens.save(kitchen.model_copy(update={"thermometers": (CRUMB,)}))
    return bench


def reads(bench: Bench, since: datetime, celsius: list[float], probe: str = "crumb") -> None:
    """A reading a minute."""
    rows = []
    for n, c in enumerate(celsius):
        at = since + n * MINUTE
        rows.append(StoredReading(probe, f"{at:%H%M}-{probe}", milliseconds(at), c, c))
    bench.store.probes.keep(rows)


def cooling(bench: Bench) -> Baker:
    """A cake that was just hung up, with the probe in it."""
    baker = Baker(bench)
    baker.until("cool")
    if baker.state.details["cool"].outlook is None:
        baker.tell("step_started", step="cool")
    return baker


def baking(bench: Bench, now: datetime) -> Baker:
    """Another one that goes into the oven at a moment."""
    other = Baker(bench, "butter-sponge")
    other.until("bake")
    assert other.now <= now
    other.now = now
    other.tick_all()
    other.tell("step_started", step="bake")
    return other


def count(baker: Baker, step: str) -> int:
    watch = baker.state.details[step].watch
    return watch.readings if watch else 0


def test_what_the_probe_reads_in_another_bake_is_not_this_ones(one_probe: Bench) -> None:
    first = cooling(one_probe)
    hung = first.now
    fall = [22 + 70 * math.exp(-n / 60) for n in range(30)]
    reads(one_probe, hung + MINUTE, fall)
    first.now = hung + 30 * MINUTE
    assert count(first, "cool") == 30
    likely = first.state.details["cool"].outlook
    assert likely is not None
    assert likely.basis == "measured"
    # It is taken out and put into a sponge that goes into the oven: there it stands near a hundred.
    second = baking(one_probe, hung + 31 * MINUTE)
    reads(one_probe, hung + 32 * MINUTE, [98.0] * 60)
    first.now = second.now = hung + 90 * MINUTE
    after = first.state.details["cool"].outlook
    assert after is not None
    assert count(first, "cool") == 30
    assert abs(after.likely_at - likely.likely_at) < timedelta(minutes=2)
    column = first.state.details["cool"].column
    assert column is not None
    assert not column.measured
    assert column.now_c < 60
    assert count(second, "bake") == 59


def both(bench: Bench) -> tuple[Baker, Baker]:
    """One that cools, and five minutes later one that goes into the oven; half an hour of readings in all."""
    first = cooling(bench)
    hung = first.now
    second = baking(bench, hung + 5 * MINUTE)
    reads(bench, hung + MINUTE, [90.0 - n for n in range(30)])
    first.now = second.now = hung + 31 * MINUTE
    return first, second


def test_who_says_that_it_stayed_is_right(one_probe: Bench) -> None:
    first, _ = both(one_probe)
    assert count(first, "cool") == 5
    first.tell("probe_placed", step="cool", probe="crumb")
    assert count(first, "cool") == 30


def test_none_in_the_second_leaves_it_in_the_first(one_probe: Bench) -> None:
    first, second = both(one_probe)
    second.tell("probe_placed", step="bake", probe="")
    assert count(first, "cool") == 30
    assert count(second, "bake") == 0


def test_with_a_probe_for_each_nothing_is_taken_away(one_probe: Bench) -> None:
    _, kitchen = one_probe.store.kitchens.current()
    two = (CRUMB, CRUMB.model_copy(update={"id": "crumb-2", "name": "Second crumb probe"}))
    one_probe.store.kitchens.save(kitchen.model_copy(update={"thermometers": two}))
    first, _ = both(one_probe)
    assert count(first, "cool") == 30


def test_a_bake_that_was_lost_has_taken_nothing(one_probe: Bench) -> None:
    first, second = both(one_probe)
    assert count(first, "cool") == 5
    second.tell("bake_abandoned", reason="It fell.")
    assert count(first, "cool") == 30
