"""Supposed pots followed side by side: begun together, weighed against the readings, left when they are unlikely."""

from __future__ import annotations

import math
from collections import defaultdict
from collections.abc import Sequence
from dataclasses import replace

from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.limits import ALIKE_BEYOND_K, LIKELY, UNLIKELY
from kindwhisk.core.sugar.supposed import WATER_ADDED, supposed
from kindwhisk.core.sugar.track import Track, usual_power_w


def begun(
    pot: Pot, target_c: float, t_s: float, reading_c: float, power_w: float | None, *, water_known: bool
) -> list[Track]:
    """A track for each pot that this may be, from the first reading (s, C); ``power_w`` is the ring's rated power."""
    found = []
    for each, likely in supposed(pot, water_known=water_known):
        track = Track.begin(each, target_c, t_s, reading_c, usual_power_w(power_w))
        track.log_weight = likely
        found.append(track)
    return found


def thinned(tracks: Sequence[Track], t_s: float, reading_c: float) -> list[Track]:
    """Begun again with more water than each held by then; how much more, the readings have to tell."""
    found = []
    for before in by_calibration(tracks):
        held = before.pot.curve.ratio_at(before.syrup_c)
        power = (1000 * before.power_kw, 1000 * math.sqrt(max(before.sure[1][1], 0.0)) + 100 * before.power_kw)
        for more in WATER_ADDED:
            pot = replace(before.pot, water_g=before.pot.sugar_g * (held + more))
            track = Track.begin(pot, before.target_c, t_s, reading_c, power)
            track.place(reading_c, within_k=3.0)
            track.log_weight = before.log_weight
            found.append(track)
    return found


def likeliest(tracks: Sequence[Track]) -> Track:
    """The one that explains the readings best."""
    return max(tracks, key=lambda t: t.log_weight)


def fastest(tracks: Sequence[Track]) -> Track:
    """Of those that may well be the pot, the one that climbs fastest."""
    least = likeliest(tracks).log_weight - LIKELY
    return max((t for t in tracks if t.log_weight > least), key=lambda t: t.rate_k_per_s)


def by_calibration(tracks: Sequence[Track]) -> list[Track]:
    """The likeliest of those that differ in water alone, as likely as all of them together."""
    groups: dict[tuple[float, float], list[Track]] = defaultdict(list)
    for track in tracks:
        groups[track.pot.reads_off_k, track.pot.rise_factor].append(track)
    found = []
    for alike in groups.values():
        best = likeliest(alike)
        whole = math.log(sum(math.exp(t.log_weight - best.log_weight) for t in alike))
        found.append(replace(best, log_weight=best.log_weight + whole))
    return found


def weighed(tracks: Sequence[Track]) -> list[Track]:
    """Those that are still likely, the best at 0; those that are one and the same by now, as one."""
    top = likeliest(tracks).log_weight
    for track in tracks:
        track.log_weight -= top
    left = [t for t in tracks if t.log_weight > UNLIKELY]
    # Boiling well beyond where each of them begins to boil, pots that differ in water are one and the same.
    begins = max(t.pot.boils_from_c for t in left)
    same = all(t.boiling and t.syrup_c > begins + ALIKE_BEYOND_K for t in left)
    return by_calibration(left) if same else left
