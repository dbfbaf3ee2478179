"""Supposed pots side by side: which are left, which are one, and how likely each is."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.side_by_side import begun, by_calibration, fastest, likeliest, thinned, weighed
from kindwhisk.core.sugar.supposed import CALIBRATIONS, WATER_ADDED, WATER_FACTORS
from kindwhisk.core.sugar.track import Track

POT, TARGET_C = Pot(sugar_g=200, water_g=60), 118.0


def tracks(reading_c: float = 30.0) -> list[Track]:
    return begun(POT, TARGET_C, 0.0, reading_c, None, water_known=True)


def test_each_water_is_followed_by_each_calibration() -> None:
    assert len(tracks()) == len(WATER_FACTORS) * len(CALIBRATIONS)
    assert likeliest(tracks()).pot == POT


def test_pots_that_differ_in_water_alone_are_together_as_likely_as_all_of_them() -> None:
    some = tracks()
    together = by_calibration(some)
    assert len(together) == len(CALIBRATIONS)
    whole = sum(math.exp(t.log_weight) for t in some)
    assert sum(math.exp(t.log_weight) for t in together) == pytest.approx(whole)


def test_unlikely_pots_are_left_and_the_best_stands_at_nought() -> None:
    some = tracks()
    some[0].log_weight = -40.0
    left = weighed(some)
    assert len(left) == len(some) - 1
    assert max(t.log_weight for t in left) == 0


def test_pots_are_one_only_well_beyond_where_each_begins_to_boil() -> None:
    def after(celsius: float) -> int:
        some = tracks(celsius)
        for track in some:
            track.log_weight = 0.0
        return len(weighed(some))

    begins = max(t.pot.boils_from_c for t in tracks())
    assert after(begins + 0.5) == len(tracks())
    assert after(begins + 2.0) == len(CALIBRATIONS)


def test_the_fastest_is_sought_among_those_that_may_be_the_pot() -> None:
    powers = ((0.3, 0.0), (0.6, -3.0), (2.0, -9.0))
    slow, quick, quickest = (replace(tracks()[0], power_kw=kw, log_weight=weight) for kw, weight in powers)
    assert fastest([slow, quick, quickest]) is quick


def test_water_that_went_in_is_more_than_each_pot_held_by_then() -> None:
    before = {(t.pot.reads_off_k, t.pot.rise_factor): t for t in tracks(113.0)}
    for track in thinned(tracks(113.0), 10.0, 104.0):
        same = before[track.pot.reads_off_k, track.pot.rise_factor]
        more = track.pot.water_g / track.pot.sugar_g - same.pot.curve.ratio_at(same.syrup_c)
        assert min(abs(more - added) for added in WATER_ADDED) < 1e-9
        assert track.probe_c == 104.0
