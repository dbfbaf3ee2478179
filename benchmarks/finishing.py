"""From the rack to the plate: values of the trade, and shapes whose volume, turns and count are found another way.

Rolls are traced as a strip laid on itself point by point, rings by turning boxes until they touch, domes by points
thrown into them. Half of the shapes are set aside: nothing of the model was chosen by them.
"""

from __future__ import annotations

import math
import random
import statistics
from collections.abc import Callable, Iterator

from benchmarks.goals import met
from kindwhisk.core.finishing import allocation, cutting, dome, fingers, rolling, soaking
from kindwhisk.core.finishing.bodies import RoundBody
from kindwhisk.core.piping.sorting import filling_g
from kindwhisk.core.readiness import glaze

SHAPES, THROWN = 40, 20_000
ROLL_GOAL, RING_GOAL, DOME_GOAL = 0.03, 2.5, 0.03
TURN = math.tau

MILK = soaking.Liquid.MILK
CREAM = allocation.Filling("cream", 6.0, 0.5)
CAKE_20 = RoundBody(diameter_mm=200, height_mm=90, layers=3)
TRADE: tuple[tuple[str, float, float, float], ...] = (
    ("roll of 350, 20 thick: across, mm", 94.4, rolling.roll(350, 20, 12).diameter_mm, 0.001),
    ("its turns", 1.91, rolling.roll(350, 20, 12).turns, 0.005),
    ("round 20 mm: across, mm", 96.5, rolling.roll(350, 20, 12, 20).diameter_mm, 0.001),
    ("its turns", 1.56, rolling.roll(350, 20, 12, 20).turns, 0.005),
    ("strain of 12 mm on 10", 0.375, rolling.strain(12, 10), 0.001),
    ("ring 180, fingers 28 × 18", 18, fingers.count(180, 28, 18), 0.0),
    ("room inside, mm", 144, fingers.ring(180, 60, 28, 18, 60).room_mm, 0.0),
    ("34 × 4 mm of ganache, g", 4.2, filling_g(34, 4, 1.15), 0.02),
    ("34 × 4 mm of buttercream, g", 2.7, filling_g(34, 4, 0.75), 0.02),
    ("soak to a gram of crumb at .30, most", 1.2, soaking.plan(100, 0.30, [1]).per_gram.high, 0.05),
    ("milk-soaked at .30, g to a gram", 1.9, soaking.plan(100, 0.3, [1], liquid=MILK).per_gram.likely, 0.1),
    ("layers of a 60 mm cake in three, mm", 18, cutting.layers(60, 3).each_mm, 0.06),
    ("cream for a cake of 20 cm in three layers, g", 490, allocation.allocate(
        CAKE_20, [CREAM], allocation.Coat(4, 4, 0.5), ornaments_g=60
    ).total_g, 0.25),
    ("glaze for a cake of 20 × 5 cm, g", 320, glaze.need(math.pi * 100**2 + math.pi * 200 * 50, 2).pour_g, 0.35),
)  # fmt: skip
"""What the trade has, what is told, and how near that should lie. The last two are usual amounts of recipes, recalled:
400 ml of cream for a cake of 18 cm, a third of a litre of glaze for one of 20."""


def _laid(along: float, thick: float, core: float) -> tuple[float, float]:
    """Diameter and turns of a strip laid round a core, a tenth of a millimetre at a time, along its middle."""
    step, angle, gone = 0.1, 0.0, 0.0
    heights: list[tuple[float, float]] = []
    at = 0
    radius = core / 2
    while gone < along:
        # It lies on what is a whole turn below it, or on the core.
        while at + 1 < len(heights) and heights[at + 1][0] <= angle - TURN:
            at += 1
        below = heights[at][1] if heights and angle >= TURN else core / 2
        radius = below + thick
        heights.append((angle, radius))
        angle += step / max(radius - thick / 2, thick / 4)
        gone += step
    last = [r for a, r in heights if a >= angle - TURN]
    return 2 * statistics.fmean(last), angle / TURN


def _stand(ring: float, wide: float, thick: float) -> int:
    """How many boxes stand in a ring, each turned on until it touches the one before: their inner corners meet."""
    # A box's outer face lies on the wall as a chord, its inner corners touch first.
    chord = math.sqrt((ring / 2) ** 2 - (wide / 2) ** 2)
    inner = math.atan2(wide / 2, chord - thick)
    return math.floor(TURN / (2 * inner))


def _thrown(radius: float, wall: float, lid: float, rng: random.Random) -> float:
    """Volume in ml of a dome's hollow by points thrown into its box."""
    inside = 0
    for _ in range(THROWN):
        x, y, z = rng.uniform(-radius, radius), rng.uniform(-radius, radius), rng.uniform(0, radius)
        inside += z > lid and x * x + y * y + z * z < (radius - wall) ** 2
    return inside / THROWN * 4 * radius**3 / 1000


def _rolls(rng: random.Random) -> Iterator[float]:
    for _ in range(SHAPES):
        along, thick, core = rng.uniform(250, 450), rng.uniform(10, 28), rng.choice([0.0, 20.0, 30.0])
        wide, _ = _laid(along, thick, core)
        yield rolling.roll(along, thick, thick / 2, core).diameter_mm / wide - 1


def _rings(rng: random.Random) -> Iterator[float]:
    for _ in range(SHAPES):
        ring, wide, thick = rng.uniform(140, 300), rng.uniform(18, 40), rng.uniform(12, 24)
        yield fingers.count(ring, wide, thick) - _stand(ring, wide, thick)


def _domes(rng: random.Random) -> Iterator[float]:
    for _ in range(SHAPES // 4):
        radius, wall, lid = rng.uniform(60, 130), rng.uniform(10, 20), rng.uniform(18, 26)
        yield dome.dome(radius, wall, lid).cavity_ml / _thrown(radius, wall, lid, rng) - 1


def _error(of: Callable[[random.Random], Iterator[float]], seed: int) -> float:
    return statistics.fmean(abs(e) for e in of(random.Random(seed)))


def finishing() -> None:
    """Print how near values of the trade and shapes of other reckoning lie."""
    off = [name for name, has, told, near in TRADE if abs(told - has) > near * has + 1e-9]
    right = f"{len(TRADE) - len(off)}/{len(TRADE)}"
    print(f"values of finishing         {right:>8}   goal all: {met(not off)} {', '.join(off)}")
    for name, of, goal, unit in (
        ("rolls laid point by point", _rolls, ROLL_GOAL, "%"),
        ("rings of boxes that touch", _rings, RING_GOAL, ""),
        ("hollows by points thrown", _domes, DOME_GOAL, "%"),
    ):
        used, aside = _error(of, 1), _error(of, 7001)
        times = 100 if unit else 1
        print(
            f"{name:<27} {times * used:>6.2f}{unit or ' '}   set aside {times * aside:.2f}{unit}   "
            f"goal {times * goal:g}{unit}: {met(max(used, aside) <= goal)}"
        )


if __name__ == "__main__":
    finishing()
