"""Hours by the clock on the wall."""

from __future__ import annotations

from datetime import datetime, timedelta, timezone
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from kindwhisk.core.day.resources import resources_of
from kindwhisk.core.kitchen import Kitchen, Mixer, Oven
from kindwhisk.core.people import Craft, Hours, Person, Span, gaps, spans
from kindwhisk.core.storage import Storage

HOUR = 3600.0
SATURDAY = datetime(2026, 12, 5, 6, 0, tzinfo=timezone(timedelta(hours=1)))
TIMES = st.sampled_from([f"{h:02d}:{m:02d}" for h in range(24) for m in (0, 30)])


def in_hours(found: tuple[Span, ...]) -> list[tuple[float, float]]:
    return [(s.start_s / HOUR, s.end_s / HOUR) for s in found]


def test_what_is_open_is_told_from_the_moment_on() -> None:
    every = (Hours(opens="05:00", closes="13:00"),)
    assert in_hours(spans(every, SATURDAY, 36 * HOUR)) == [(0, 7), (23, 31)]


def test_hours_that_cross_midnight_are_one_stretch() -> None:
    night = (Hours(opens="22:00", closes="06:00"),)
    assert in_hours(spans(night, SATURDAY, 30 * HOUR)) == [(16, 24)]
    assert in_hours(spans(night, SATURDAY - timedelta(hours=1), 4 * HOUR)) == [(0, 1)]


def test_days_of_the_week_count() -> None:
    weekdays = (Hours(days=(0, 1, 2, 3, 4), opens="05:00", closes="13:00"),)
    assert in_hours(spans(weekdays, SATURDAY, 60 * HOUR)) == [(47, 55)]


def test_all_day_is_all_day() -> None:
    assert in_hours(spans((Hours(opens="00:00", closes="24:00"),), SATURDAY, 50 * HOUR)) == [(0, 50)]


@given(st.lists(st.tuples(TIMES, TIMES).filter(lambda t: t[0] != t[1]), min_size=1, max_size=4), st.integers(1, 60))
def test_open_and_shut_make_up_the_whole_time(times: list[tuple[str, str]], length: int) -> None:
    hours = tuple(Hours(opens=a, closes=b) for a, b in times)
    found = spans(hours, SATURDAY, length * HOUR)
    shut = gaps(found, length * HOUR)
    assert sum(s.end_s - s.start_s for s in (*found, *shut)) == pytest.approx(length * HOUR)
    joined = sorted((*found, *shut), key=lambda s: s.start_s)
    assert all(a.end_s == b.start_s for a, b in pairwise(joined))


def test_no_time_at_all_is_no_hours() -> None:
    with pytest.raises(ValidationError, match="the same"):
        Hours(opens="05:00", closes="05:00")


def test_a_kitchen_without_people_has_one_with_its_hours() -> None:
    here = resources_of(Kitchen(hours=(Hours(opens="05:00", closes="14:00"),)), SATURDAY, 24 * HOUR)
    assert [h.id for h in here.people] == ["somebody"]
    assert in_hours(here.people[0].away) == [(8, 23)]
    assert here.alike


def test_people_are_here_at_their_own_hours_while_it_is_open() -> None:
    kitchen = Kitchen(
        hours=(Hours(opens="05:00", closes="14:00"),),
        people=(
            Person(id="ada", name="Ada", hours=(Hours(opens="04:00", closes="10:00"),)),
            Person(id="ben", name="Ben", does=(Craft.FINISHING,)),
        ),
    )
    here = resources_of(kitchen, SATURDAY, 12 * HOUR)
    assert in_hours(here.people[0].away) == [(4, 12)]
    assert in_hours(here.people[1].away) == [(8, 12)]
    assert not here.alike
    assert here.people[1].may(Craft.FINISHING)
    assert not here.people[1].may(Craft.SUGAR)


def test_the_rest_is_as_the_kitchen_has_it() -> None:
    kitchen = Kitchen(
        mixers=(Mixer(id="stand", name="Stand", bowls=2),), ovens=(Oven(id="deck", name="Deck", racks=3),),
        fridge_places=4, hob_rings=1,
    )  # fmt: skip
    here = resources_of(kitchen, SATURDAY, 12 * HOUR)
    assert (here.mixers[0].bowls, here.ovens[0].racks, here.rings) == (2, 3, 1)
    assert here.places[Storage.FRIDGE] == 4


def test_an_oven_goes_up_faster_than_down() -> None:
    oven = resources_of(Kitchen(), SATURDAY, HOUR).ovens[0]
    assert oven.change_s(160, 160) == 0
    assert oven.change_s(160, 240) == 12 * 60
    assert oven.change_s(240, 160) == 22 * 60


def test_an_oven_that_is_out_of_use_is_shut_until_it_is_not() -> None:
    until = SATURDAY + timedelta(hours=3)
    kitchen = Kitchen(ovens=(Oven(id="deck", name="Deck", out_until=until), Oven(id="fan", name="Fan")))
    here = resources_of(kitchen, SATURDAY, 24 * HOUR)
    assert in_hours(here.ovens[0].shut) == [(0, 3)]
    assert here.ovens[1].shut == ()
    assert resources_of(kitchen, until, 24 * HOUR).ovens[0].shut == ()
