"""What tells a mishap of a watched pot from noise: every figure that tunes the watch, and what it is for.

All of them were found on generated pots, which ``./whisk measure`` boils again with others.
"""

from __future__ import annotations

# How a probe errs.
USUAL_NOISE_K = 0.35
"""Standard deviation of a probe's readings before its own are known."""
TYPED_NOISE_K = 0.6
"""The same of readings so far apart that a hand types them."""
NOISE_LIMITS_K = (0.12, 1.5)
"""A probe's own noise, as learned, lies between these."""
LEARNS_NOISE, LEARNS_WAVER = 0.04, 0.12
"""Share of a new bend in the probe's usual noise, and in its wavering of the last seconds."""

# A probe that touches the pan.
WAVERS_K, WAVERS_TIMES = 0.9, 2.2
"""It wavers by so many kelvin, and so many times as much as it did before."""
LET_GO_S = 8.0
"""So long after its last wavering it is believed again."""
LOOKS_BACK_S, AVERAGED_S = 8.0, 2.5
"""Its climb is told over so many seconds, between means of so many: what was taken meanwhile can be forgotten again."""
FASTER_TIMES = 2.2
"""A flame turned up may double the pace; a probe on the pan climbs faster than that."""

# A reading that leaps.
JUMP_K, BACK_K = 3.0, 0.8
"""A jump of so much is doubted until readings are back within so little of what was expected."""
FASTEST_K_PER_S = 1.5
"""No syrup moves faster than this between two readings."""
GATE_OFF_S = 15.0
"""Readings further apart than this are taken as they come: between them, anything may have happened."""
BELIEVED_AFTER_S = 45.0
"""A jump up is believed after this long."""
WATER_AFTER_S = 12.0
"""A fall is believed sooner (two lags of a probe): water does that."""
OUT_BELOW_K = 9.0
"""A boiling pot's probe that reads so far below the boil hangs outside it."""

# Silence.
SILENT_S, PACES, LONGEST_SILENCE_S = 60.0, 2.5, 240.0
"""Without a reading for a minute, or for so many of a slow hand's own gaps, at most so long: nothing is told."""
PACE_LEARNS = 0.3
"""Share of a new gap in the usual one."""

# A flame that was changed.
FLAG_STANDS_S = 60.0
"""A remark stands for so long."""
SETTLES_S, LEVEL_S, MOVED_SHARE = 10.0, 45.0, 0.25
"""A flame has changed when its power, not doubted for so long, is by this share off its mean over so many seconds."""

# When a forecast is told.
LEAST_READINGS, LEAST_SPAN_S = 5, 12.0
"""Not before so many readings over so many seconds."""
WIDEST_SHARE, WIDE_ENOUGH_S = 0.5, 60.0
"""Not while its deviation is more than this share of it, and than this."""
THERE_K, PAST_K = 0.5, 2.0
"""Within this the pot is there; beyond that it is past."""
NEAR_S = 60.0
"""It is near within so many seconds."""
SOON_K = 2.0
"""It is there soon when so little is left."""
STEADY_SD = 1.2
"""A pot rises steadily when the power that it takes up is more than so many of its own deviations."""
LIVELY_KW = 0.1
"""A pot that takes up less than half of this is resting."""

# Pots that are supposed side by side.
LIKELY = 4.0
"""One whose logarithm of likelihood is no further than this below the best one's may well be it."""
UNLIKELY = -12.0
"""A supposed pot whose logarithm of likelihood is so far below the best one's is abandoned."""
ALIKE_BEYOND_K = 1.0
"""Boiling so far beyond where each of them begins to boil, pots that differ in water are one and the same."""
