"""Strokes: how many an addition takes, and what each costs.

Gas falls with the strokes as ``exp(-loss n)``. The losses are trade habit, backed out of how many strokes careful hands
count; a kitchen's own cups set them right through the air that its folds keep.
"""

from __future__ import annotations

import math

from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.values.estimate import Basis, Estimate

LOSS: dict[Manner, float] = {
    Manner.SACRIFICE: 0.04,
    Manner.FOLD: 0.016,
    Manner.INTO_FOAM: 0.016,
    Manner.SIFT_OVER: 0.009,
    Manner.IN_TURNS: 0.012,
    Manner.STIR: 0.05,
}
"""Share of the gas that a stroke takes. Trade habit."""
PRESSED_LOSS = 0.02
"""Share of the gas that one press against the wall takes when a batter is deflated on purpose. Trade habit."""
FEWEST = 4
SPREAD = 0.4


def strokes(kept: float, loss: float) -> Estimate:
    """Strokes after which ``kept`` (0 to 1) of the gas is left, at ``loss`` each."""
    likely = max(FEWEST, math.log(1 / max(kept, 0.02)) / loss)
    return Estimate(
        low=round(likely / (1 + SPREAD)), likely=round(likely), high=round(likely * (1 + SPREAD)), basis=Basis.HABIT
    )
