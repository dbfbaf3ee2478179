"""Watching a pot through a probe: when it will be there, how sure that is, and when it cannot be told."""

from __future__ import annotations

import math
import statistics
from collections.abc import Iterable
from dataclasses import dataclass, field, replace

from kindwhisk.core.sugar import boiling
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import (
    FLAME,
    NO_WATER_TOLD,
    NOTHING_READ,
    OUT,
    SILENT,
    TOUCHING,
    WATER,
    Flag,
    Phase,
    SyrupForecast,
)
from kindwhisk.core.sugar.limits import (
    AVERAGED_S,
    BACK_K,
    BELIEVED_AFTER_S,
    FASTER_TIMES,
    FASTEST_K_PER_S,
    FLAG_STANDS_S,
    GATE_OFF_S,
    JUMP_K,
    LEARNS_NOISE,
    LEARNS_WAVER,
    LEAST_READINGS,
    LEAST_SPAN_S,
    LET_GO_S,
    LIVELY_KW,
    LONGEST_SILENCE_S,
    LOOKS_BACK_S,
    NEAR_S,
    NOISE_LIMITS_K,
    OUT_BELOW_K,
    PACE_LEARNS,
    PACES,
    PAST_K,
    SETTLES_S,
    SILENT_S,
    SOON_K,
    STEADY_SD,
    THERE_K,
    TYPED_NOISE_K,
    USUAL_NOISE_K,
    WATER_AFTER_S,
    WAVERS_K,
    WAVERS_TIMES,
    WIDE_ENOUGH_S,
    WIDEST_SHARE,
)
from kindwhisk.core.sugar.side_by_side import begun, fastest, likeliest, thinned, weighed
from kindwhisk.core.sugar.stages import stage_name
from kindwhisk.core.sugar.track import LONGEST_STEP_S, Track
from kindwhisk.core.values.estimate import RANGE_SD
from kindwhisk.core.values.temperature import Point


@dataclass
class PotWatch:
    """Takes readings in order and forecasts. The same readings always give the same answer.

    Args:
        pot: what is in it; with ``water_known`` False several amounts of water are weighed against the readings.
        target_c: where the syrup has to go, as it reads here.
        power_w: rated power of the ring, if known.
    """

    pot: Pot
    target_c: float
    power_w: float | None = None
    water_known: bool = field(default=True, kw_only=True)
    readings: int = field(default=0, init=False)
    _tracks: list[Track] = field(default_factory=list, init=False)
    _noise_k: float = field(default=USUAL_NOISE_K, init=False)
    _waver_k: float = field(default=USUAL_NOISE_K, init=False)
    _wavered_s: float = field(default=-math.inf, init=False)
    _touched_since: float = field(default=-math.inf, init=False)
    _past: list[tuple[float, float]] = field(default_factory=list, init=False)
    _kept: list[tuple[float, list[Track]]] = field(default_factory=list, init=False)
    _odd_since: float | None = field(default=None, init=False)
    _flags: dict[str, tuple[float, Flag]] = field(default_factory=dict, init=False)
    _first_s: float = field(default=0.0, init=False)
    _believed_s: float = field(default=0.0, init=False)
    _pace_s: float = field(default=0.0, init=False)

    def take(self, t_s: float, reading_c: float) -> None:
        """A reading, at a moment not before the last one; an earlier one is left out."""
        if not self._tracks:
            self._begin(t_s, reading_c)
            return
        gap = t_s - self._past[-1][0]
        if gap <= 0:
            return
        self.readings += 1
        for track in self._tracks:
            track.until(t_s)
        touching = self._wavers(t_s, reading_c)
        if self._believed(t_s, reading_c, gap) and not touching:
            noise = self._noise_k if gap <= LONGEST_STEP_S else max(self._noise_k, TYPED_NOISE_K)
            for track in self._tracks:
                track.take(reading_c, noise, gap)
            self._tracks = weighed(self._tracks)
            self._tell_changes(t_s)
            self._believed_s = t_s
        self._pace_s += PACE_LEARNS * (gap - self._pace_s)
        lately = [p for p in self._past if p[0] >= t_s - 2 * LOOKS_BACK_S] or self._past[-1:]
        self._past = [*lately[-30:], (t_s, reading_c)]
        if self._odd_since is None and not touching:
            self._kept = [k for k in self._kept if k[0] >= t_s - 1.5 * LOOKS_BACK_S]
            self._kept.append((t_s, [replace(t) for t in self._tracks]))

    def _tell_changes(self, t_s: float) -> None:
        """Flag a flame that was changed, once its power has settled at another level."""
        best = self._best()
        changed = best.flame_changed and t_s - best.doubted_at_s > SETTLES_S
        if changed and self._warmed_through(t_s):
            self._raise(t_s, FLAME)
        if changed or not self._warmed_through(t_s):
            for track in self._tracks:
                track.level_kw = 0.0

    def _begin(self, t_s: float, reading_c: float) -> None:
        self._tracks = begun(self.pot, self.target_c, t_s, reading_c, self.power_w, water_known=self.water_known)
        self.readings, self._first_s, self._past = 1, t_s, [(t_s, reading_c)]
        self._believed_s = t_s

    def _past_the_start(self, t_s: float) -> bool:
        return t_s - self._first_s > 2 * LEAST_SPAN_S

    def _warmed_through(self, t_s: float) -> bool:
        """Whether ring and pan run at their own rate: until then it changes with the same flame."""
        return t_s - self._first_s > 6 * LEAST_SPAN_S

    def _raise(self, t_s: float, flag: Flag) -> None:
        self._flags[flag.id] = (t_s, flag)

    def _believed(self, t_s: float, reading_c: float, gap: float) -> bool:
        """Whether the reading is one of the syrup; if it no longer can be doubted, the tracks begin again from it."""
        guess, variance = self._best().expected(self._noise_k)
        miss, sigma = reading_c - guess, math.sqrt(variance)
        if gap > GATE_OFF_S and self._odd_since is None:
            return True
        limit = max(JUMP_K, 5 * sigma)
        if self._odd_since is None:
            leapt = abs(reading_c - self._past[-1][1]) > JUMP_K + FASTEST_K_PER_S * gap
            moved = self._climbed(t_s, reading_c)
            # No syrup falls so by itself, not even off the flame.
            fell = moved is not None and moved[0] < -JUMP_K
            if moved is not None and (fell or self._too_fast(*moved)):
                self._go_back(t_s, WATER if fell else TOUCHING)
            elif not (leapt and abs(miss) > limit):
                return True
            self._odd_since = t_s
            guess, _ = self._best().expected(self._noise_k)
            miss = reading_c - guess
        elif abs(miss) < BACK_K + 2 * self._noise_k:
            self._odd_since = None
            return True
        best = self._best()
        if miss > 0:
            self._raise(t_s, TOUCHING)
            patience = BELIEVED_AFTER_S
        elif best.boiling and reading_c < best.pot.boils_from_c - OUT_BELOW_K:
            self._raise(t_s, OUT)
            return False
        else:
            self._raise(t_s, WATER)
            patience = WATER_AFTER_S
        if t_s - self._odd_since < patience:
            return False
        if miss < 0 and best.boiling:
            self._tracks = thinned(self._tracks, t_s, reading_c)
        else:
            for track in self._tracks:
                track.place(reading_c, within_k=3.0)
        self._odd_since = None
        return True

    def _climbed(self, t_s: float, reading_c: float) -> tuple[float, float, Track] | None:
        """Kelvin climbed over the last seconds, how many those are, and what was known before them; None too early."""
        if not self._kept or t_s - self._kept[0][0] < LOOKS_BACK_S / 2:
            return None
        since, tracks = self._kept[0]
        recent = [*(c for t, c in self._past if t > t_s - AVERAGED_S), reading_c]
        before = [c for t, c in self._past if since - AVERAGED_S < t <= since]
        if len(recent) < 2 or not before:
            return None
        return statistics.fmean(recent) - statistics.fmean(before), t_s - since, fastest(tracks)

    def _too_fast(self, climbed: float, span_s: float, then: Track) -> bool:
        """Whether no flame could have made it climb so, for what was known before."""
        lags = max(0.0, then.syrup_c - then.probe_c)
        possible = FASTER_TIMES * then.rate_k_per_s * span_s + lags + 3 * self._noise_k
        return then.knows_power and climbed > max(JUMP_K, possible)

    def _go_back(self, t_s: float, flag: Flag = TOUCHING) -> None:
        """Forget what the last seconds told."""
        self._tracks = self._kept[0][1]
        self._kept = []
        for track in self._tracks:
            track.until(t_s)
        self._raise(t_s, flag)

    def _wavers(self, t_s: float, reading_c: float) -> bool:
        """Whether readings waver as those of a touching probe do; the probe's usual noise is learned on the way.

        Both from second differences of evenly spaced readings, one quickly and one slowly.
        """
        if len(self._past) < 3:
            return False
        (t0, c0), (t1, c1) = self._past[-2:]
        if t_s - t0 > 2 * LONGEST_STEP_S or abs((t_s - t1) - (t1 - t0)) > 0.2 * (t_s - t1):
            return False
        bend = (reading_c - 2 * c1 + c0) ** 2 / 6
        low, high = NOISE_LIMITS_K
        self._waver_k = math.sqrt((1 - LEARNS_WAVER) * self._waver_k**2 + LEARNS_WAVER * min(bend, (2 * high) ** 2))
        if self._waver_k > max(WAVERS_K, WAVERS_TIMES * self._noise_k):
            self._raise(t_s, TOUCHING)
            if self._wavered_s + BELIEVED_AFTER_S < t_s:
                self._touched_since = t_s
                if self._kept and self._odd_since is None and self._past_the_start(t_s):
                    self._go_back(t_s)
            self._wavered_s = t_s
        if t_s - self._wavered_s < LET_GO_S:
            return t_s - self._touched_since < 2 * BELIEVED_AFTER_S
        if self._odd_since is not None:
            return False
        bend = min(bend, (3 * self._noise_k) ** 2)
        self._noise_k = min(high, max(low, math.sqrt((1 - LEARNS_NOISE) * self._noise_k**2 + LEARNS_NOISE * bend)))
        return False

    def _best(self) -> Track:
        return likeliest(self._tracks)

    def forecast(self, now_s: float | None = None) -> SyrupForecast:
        """The forecast at a moment (default that of the last reading)."""
        if not self._tracks:
            return NOTHING_READ
        last = self._past[-1][0]
        now = last if now_s is None else max(now_s, last)
        weights = [math.exp(t.log_weight) for t in self._tracks]
        whole = sum(weights)
        best, ahead = self._best(), now - self._best().t_s
        flags = self._standing(now, last)
        left = best.left_kj - best.power_kw * ahead
        soon_kj = best.pot.heat_left_kj(self.target_c - SOON_K, self.target_c)
        syrup = best.pot.celsius_at(left, self.target_c)
        rate = 60 * (best.pot.celsius_at(left - best.power_kw, self.target_c) - syrup)
        power = best.power_kw
        off = boiling.take_off_c(best.pot, self.target_c, 1000 * power)
        off_kj = max(0.0, best.pot.heat_left_kj(off, self.target_c)) if off >= best.pot.boils_from_c else 0.0
        times = [
            t.to_target(t.left_kj - t.power_kw * ahead) if t.power_kw > 1e-3 else (math.inf, math.inf)
            for t in self._tracks
        ]
        facts = SyrupForecast(
            phase=Phase.BOILING if best.boiling else Phase.HEATING,
            stage=stage_name(syrup, self.pot.pressure_kpa),
            temperature_c=syrup,
            rate_k_per_min=rate,
            power_w=1000 * power,
            seconds_to_target=None,
            low_s=None,
            high_s=None,
            seconds_to_take_off=None,
            take_off_c=off,
            carry_over_k=boiling.carry_over_k(best.pot, off, 1000 * power),
            why="",
            flags=flags,
            readings=self.readings,
        )
        cannot = self._cannot_tell(now, syrup, left)
        if cannot is not None:
            return facts.model_copy(update=cannot)
        # A pot that is a hair past its target has no time left.
        likely = math.exp(sum(w * math.log(max(t, 1.0)) for w, (t, _) in zip(weights, times, strict=True)) / whole)
        variance = sum(w * (s * s + (t - likely) ** 2) for w, (t, s) in zip(weights, times, strict=True)) / whole
        deviation = math.sqrt(variance)
        if not math.isfinite(likely) or (deviation > WIDEST_SHARE * likely and deviation > WIDE_ENOUGH_S):
            return facts.model_copy(update={"why": "Too uncertain to tell yet."})
        return facts.model_copy(
            update={
                "phase": Phase.NEAR if likely < NEAR_S else facts.phase,
                "seconds_to_target": likely,
                "low_s": max(0.0, likely - RANGE_SD * deviation),
                "high_s": likely + RANGE_SD * deviation,
                "seconds_to_take_off": max(0.0, likely - off_kj / power),
                "seconds_to_soon": max(0.0, likely - soon_kj / power),
                "ahead": _ahead(best, left, likely, self.target_c),
            }
        )

    def _cannot_tell(self, now: float, syrup_c: float, left_kj: float) -> dict[str, object] | None:
        """Why no time to the target can be told, or need not be: what that changes in a forecast. None where it can."""
        last, best = self._past[-1][0], self._best()
        found: dict[str, object] | None = None
        if now - self._believed_s > self._patience_s:
            silent = now - last > self._patience_s
            why = SILENT.text if silent else "The readings have not been those of the syrup for a while."
            found = {"temperature_c": None, "rate_k_per_min": None, "stage": "", "phase": Phase.UNKNOWN, "why": why}
        elif syrup_c > self.target_c + PAST_K:
            found = {"phase": Phase.PAST, "why": "It is past the target."}
        elif abs(syrup_c - self.target_c) <= THERE_K or left_kj <= 0:
            times = ("seconds_to_target", "low_s", "high_s", "seconds_to_take_off", "seconds_to_soon")
            found = {"phase": Phase.THERE, **dict.fromkeys(times, 0.0)}
        elif self.readings < LEAST_READINGS and last - self._first_s < 4 * LEAST_SPAN_S:
            found = {"phase": Phase.UNKNOWN, "why": "Too few readings yet."}
        elif last - self._first_s < LEAST_SPAN_S:
            found = {"phase": Phase.UNKNOWN, "why": "A few seconds more."}
        elif not best.boiling and (self._odd_since is not None or self._touched_lately(now)):
            found = {"why": TOUCHING.text}
        elif best.power_kw < max(STEADY_SD * math.sqrt(max(best.sure[1][1], 0.0)), LIVELY_KW / 2):
            found = {"phase": Phase.RESTING, "why": "It does not rise steadily."}
        return found

    @property
    def _patience_s(self) -> float:
        """How long it may go without a reading: a minute, and longer for a hand that reads more seldom."""
        return min(LONGEST_SILENCE_S, max(SILENT_S, PACES * self._pace_s))

    def _touched_lately(self, now: float) -> bool:
        return TOUCHING.id in self._flags and now - self._flags[TOUCHING.id][0] < 3 * LET_GO_S

    def _standing(self, now: float, last: float) -> tuple[Flag, ...]:
        standing = [flag for at, flag in self._flags.values() if now - at <= FLAG_STANDS_S]
        if now - last > self._patience_s:
            standing.append(SILENT)
        if not self.water_known and len(self._tracks) > 1:
            standing.append(NO_WATER_TOLD)
        return tuple(standing)


def _ahead(track: Track, left_kj: float, seconds: float, target_c: float) -> tuple[Point, ...]:
    """The way to the target in twelve pieces."""
    return tuple(Point(s=seconds * i / 12, c=track.pot.celsius_at(left_kj * (1 - i / 12), target_c)) for i in range(13))


def watch(
    pot: Pot,
    target_c: float,
    readings: Iterable[tuple[float, float]],
    power_w: float | None = None,
    *,
    water_known: bool = True,
) -> PotWatch:
    """A watch that has taken these (seconds, C), sorted by their moment."""
    watching = PotWatch(pot, target_c, power_w, water_known=water_known)
    for t_s, celsius in sorted(readings):
        watching.take(t_s, celsius)
    return watching
