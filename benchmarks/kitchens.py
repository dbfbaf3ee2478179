"""Strange kitchens: do ranges hold what they do, from the first bake on, and does a slip of the finger spoil it?

Hidden kitchens whose habits are drawn otherwise than the learning supposes (uniform, with long tails), baking several
formulas in turns; one entry in ten is wrong by ten or by two, or missing.
"""

from __future__ import annotations

import math
import random
import statistics
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass, field

from benchmarks.goals import met
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.expected import expected
from kindwhisk.core.learning.figures import Figure, effect
from kindwhisk.core.values.estimate import Basis, Estimate

BAKES = (1, 3, 6, 12)
MODELLED = Estimate.exact(100.0, Basis.HABIT)
WRONG_BY = (10.0, 0.1, 2.0, 0.5, None)


@dataclass(frozen=True)
class Habits:
    """By how much things differ out there, as a share: half-widths of what is usual by level, and from bake to bake."""

    figure: Figure
    levels: dict[str, float]
    bake: float


HABITS = (
    # An oven off by 20 % in its pace and by 20 C (0.7 % a degree) is usual; bakers tell when it is done by eye.
    Habits(Figure.BAKE, {"oven": 0.20, "dial": 0.14, "family": 0.12, "formula": 0.07}, 0.07),
    Habits(Figure.WHIP, {"mixer": 0.30, "kind": 0.15, "formula": 0.12}, 0.09),
    Habits(Figure.ALONE, {"kind": 0.20, "formula": 0.15}, 0.09),
    Habits(Figure.AIR, {"hands": 0.20, "kind": 0.10, "formula": 0.08}, 0.09),
    Habits(Figure.FOAM, {"mixer": 0.11, "hands": 0.06, "kind": 0.09, "formula": 0.09}, 0.045),
    Habits(Figure.BATTER, {"hands": 0.09, "kind": 0.09, "formula": 0.11}, 0.045),
    Habits(Figure.HEIGHT, {"kind": 0.16, "formula": 0.18}, 0.07),
    Habits(Figure.EGG, {"size": 0.08, "kind": 0.05}, 0.03),
    Habits(Figure.CARRY, {"family": 0.45}, 0.19),
)


@dataclass
class Kitchen:
    """One of them: what each effect does there is drawn when it is first met."""

    habits: Habits
    rng: random.Random
    does: dict[str, float] = field(default_factory=dict)

    def effects(self, formula: str, kind: str) -> tuple[str, ...]:
        """What a bake of a formula depends on."""
        names = {"kind": kind, "family": kind, "formula": formula}
        return tuple(effect(level, names.get(level, "here")) for level in self.habits.levels)

    def bakes(self, effects: tuple[str, ...]) -> float:
        """One bake's true figure; the model says 100."""
        for name in effects:
            if name not in self.does:
                half = self.habits.levels[name.split(" ", 1)[0]]
                # As often anywhere within the half-width as not; one kitchen in twelve is twice as strange.
                wide = 2 * half if self.rng.random() < 1 / 12 else half
                self.does[name] = self.rng.uniform(-wide, wide)
        tail = self.rng.gauss(0, 1) / math.sqrt(max(self.rng.gammavariate(4, 1 / 4), 0.2))
        return 100 * math.exp(sum(self.does[n] for n in effects) + self.habits.bake * tail)


def entered(true: float, rng: random.Random, slips: float) -> float | None:
    """What is entered of it; None where it was forgotten."""
    if rng.random() >= slips:
        return true
    wrong = rng.choice(WRONG_BY)
    return None if wrong is None else true * wrong


def covered(habits: Habits, seed: int, kitchens: int = 150, slips: float = 0.1) -> dict[int, float]:
    """How often the range of the next figure held it, at the first, third, sixth and twelfth bake of a kitchen."""
    held: dict[int, list[bool]] = defaultdict(list)
    for number, kitchen in _kitchens(habits, seed, kitchens):
        rng, dots = kitchen.rng, list[Dot]()
        formulas = [(f"f{i}", f"k{i % 2}") for i in range(3)]
        for bake in range(1, BAKES[-1] + 1):
            formula, kind = rng.choice(formulas)
            effects = kitchen.effects(formula, kind)
            true = kitchen.bakes(effects)
            if bake in BAKES:
                told = expected(tuple(dots), habits.figure, effects, MODELLED)
                held[bake].append(told.made.contains(true))
            value = entered(true, rng, slips)
            if value is not None:
                name = f"{number}-{bake}"
                dots.append(Dot(id=name, figure=habits.figure, effects=effects, observed=value, modelled=100.0))
    return {bake: sum(told) / len(told) for bake, told in held.items()}


def _kitchens(habits: Habits, seed: int, count: int) -> Iterator[tuple[int, Kitchen]]:
    for number in range(count):
        yield number, Kitchen(habits, random.Random(f"{seed} {habits.figure.name} {number}"))


SEED, KITCHENS = 20261, 400
"""Not the seed that the spreads were chosen on, nor the tests'."""


def kitchens() -> None:
    """Every figure's ranges, by bake, printed."""
    for habits in HABITS:
        told = covered(habits, SEED, KITCHENS)
        shares = ", ".join(f"{100 * share:.0f} % at bake {bake}" for bake, share in told.items())
        within = all(0.75 <= share <= 0.90 for share in told.values())
        print(f"ranges of {habits.figure.value:28} hold {shares}    goal 75 to 90: {met(within)}")


def missed(habits: Habits, seed: int, kitchens: int, slips: float) -> dict[int, float]:
    """By how much the forecast of a kitchen's usual figure is off (a median share), by the bake that it is made for;
    what bakes differ by anyway is not in it."""
    off: dict[int, list[float]] = defaultdict(list)
    for number, kitchen in _kitchens(habits, seed, kitchens):
        rng, dots = kitchen.rng, list[Dot]()
        for bake in range(1, BAKES[-1] + 1):
            effects = kitchen.effects("f0", "k0")
            true = kitchen.bakes(effects)
            usual = 100 * math.exp(sum(kitchen.does[n] for n in effects))
            if bake in BAKES:
                told = expected(tuple(dots), habits.figure, effects, MODELLED)
                off[bake].append(abs(math.log(told.made.likely / usual)))
            value = entered(true, rng, slips)
            if value is not None:
                name = f"{number}-{bake}"
                dots.append(Dot(id=name, figure=habits.figure, effects=effects, observed=value, modelled=100.0))
    return {bake: statistics.median(told) for bake, told in off.items()}


def learned_by_bake() -> None:
    """How far off each learned figure is by the number of bakes, without slips and with one entry in ten wrong."""
    print("\nlearning in hidden kitchens: how far off a figure is, by the bake that it is forecast for")
    for habits in HABITS:
        clean, slipped = (missed(habits, SEED, KITCHENS // 2, share) for share in (0.0, 0.1))
        shares = ", ".join(f"{100 * share:.1f} % at bake {bake}" for bake, share in clean.items())
        spoilt = slipped[BAKES[-1]] / clean[BAKES[-1]]
        print(
            f"  {habits.figure.value:28} {shares}; one slip in ten makes the last {spoilt:.2f} times that, "
            f"goal 1.5: {met(spoilt <= 1.5 and clean[BAKES[-1]] < 0.6 * clean[1])}"
        )


if __name__ == "__main__":
    kitchens()
