"""Control charts over simulated kitchens: how often noise is called a change, and how near a real one is found."""

from __future__ import annotations

import random

from benchmarks.goals import met
from kindwhisk.core.charts.control import chart

SEED, KITCHENS = 20263, 400
FALSE_GOAL, FOUND_GOAL, NEAR = 0.08, 0.9, 3


def _figures(rng: random.Random, bakes: int, shift: float) -> list[float]:
    """A measure whose level shifts half way by so many standard deviations; one figure in twenty is a slip."""
    values = [rng.gauss(shift if i >= bakes // 2 else 0.0, 1.0) for i in range(bakes)]
    return [v + rng.choice((-9, 9)) if rng.random() < 0.05 else v for v in values]


def charted() -> None:
    """Print both."""
    rng = random.Random(SEED)
    print("\ncontrol charts, one figure in twenty a slip")
    for bakes in (12, 24, 48):
        false = sum(bool(chart(_figures(rng, bakes, 0.0)).changes) for _ in range(KITCHENS)) / KITCHENS
        told = f"noise called a change in {100 * false:.0f} % of kitchens, goal {100 * FALSE_GOAL:.0f}"
        print(f"  {bakes} bakes: {told}: {met(false <= FALSE_GOAL)}")
    for shift in (1.5, 2.5, 4.0):
        found = near = 0
        for _ in range(KITCHENS):
            changes = chart(_figures(rng, 30, shift)).changes
            found += bool(changes)
            near += any(abs(c.begins - 15) <= NEAR for c in changes)
        goal = f", goal {100 * FOUND_GOAL:.0f}: {met(found / KITCHENS >= FOUND_GOAL)}" if shift >= 2 else ""
        print(
            f"  a shift of {shift} deviations among 30: found in {100 * found / KITCHENS:.0f} %{goal}; "
            f"within {NEAR} bakes of its begin in {100 * near / KITCHENS:.0f} %"
        )


if __name__ == "__main__":
    charted()
