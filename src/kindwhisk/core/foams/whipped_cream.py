"""Whipped cream at its end points: softly for soaked cakes and mousse, medium to fill, firm to pipe."""

from __future__ import annotations

from kindwhisk.core.foams import whipping
from kindwhisk.core.foams.foam import DENSITY_BANDS, Foam, Peak, WhipLook
from kindwhisk.core.values.estimate import Basis, Estimate

GRAINS_AT = 1.5
"""Times as long as to medium, from which cream turns to grains. Trade habit."""
DENSITY: dict[Peak, tuple[float, float]] = {
    Peak.SOFT: (0.515, DENSITY_BANDS[Foam.CREAM][2]),
    Peak.MEDIUM: (0.485, 0.515),
    Peak.STIFF: (DENSITY_BANDS[Foam.CREAM][0], 0.485),
}
"""g/ml of cream with 35 % fat: soft .55-.50, firm .50-.45, medium between them; sweetened denser. Trade habit."""
FILLS_G_PER_ML = 0.5
"""Of cream to fill or coat with, at medium peak, where nobody weighed it: in the middle of its band."""
GRAINY = "Grainy at the wall: stop, fold in a little unwhipped cream by hand."
LOOKS: dict[Peak, WhipLook] = {
    Peak.SOFT: WhipLook(
        name="Soft peak",
        sees="Holds a soft trail and still shines.",
        not_yet="Runs off the whisk: a little more.",
        too_far="Stands by itself: firmer than asked for, fold it gently.",
    ),
    Peak.MEDIUM: WhipLook(
        name="Medium peak",
        sees="Stands on the whisk, its tip bends, and it still shines.",
        not_yet="The trail sinks in: a little more.",
        too_far=GRAINY,
    ),
    Peak.STIFF: WhipLook(
        name="Firm peak",
        sees="The whisk leaves deep lines, the tip stands and is smooth.",
        not_yet="The tip bends: some seconds more, slowly.",
        too_far=GRAINY,
    ),
}


def density(peak: Peak) -> Estimate:
    """Band in g/ml at a peak."""
    low, high = DENSITY[peak]
    return Estimate(low=low, likely=(low + high) / 2, high=high, basis=Basis.HABIT)


def whips_s(mass_g: float, peak: Peak) -> Estimate:
    """Seconds on the whisk to a peak."""
    return whipping.plain_s(Foam.CREAM, mass_g).scaled(whipping.PEAK_FACTOR[peak])


def grains_at(peak: Peak) -> float:
    """Times as long as to a peak, from which it turns to grains."""
    return GRAINS_AT / whipping.PEAK_FACTOR[peak]
