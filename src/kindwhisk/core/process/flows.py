"""How much of each step's result goes where: shares of the whole, by the process alone, without walking it."""

from __future__ import annotations

from collections.abc import Mapping, Set

from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.steps import Step

NOTHING = 1e-6
"""A share below this is nothing."""


class Flows:
    """The shares of every step's result, after what was lost of it.

    A portion in grams is a share of what went into its source: water that is boiled off is not counted.
    """

    def __init__(self, formula: Formula) -> None:
        self._formula = formula
        self._taken: dict[tuple[str, int], float] = {}
        mass: dict[str, float] = {}
        left: dict[str, float] = {}
        for step in formula.steps:
            mass[step.id], left[step.id] = 0.0, 1.0 - formula.lost_share(step.id)
            for n, portion in enumerate(step.inputs):
                if isinstance(portion, IngredientPortion):
                    mass[step.id] += portion.grams
                    continue
                share = self._share(portion, mass[portion.step], left[portion.step])
                left[portion.step] -= share
                self._taken[step.id, n] = share
                mass[step.id] += share * mass[portion.step]
        self._mass = mass

    @staticmethod
    def _share(portion: StepPortion, whole_g: float, left: float) -> float:
        if portion.offcut:
            # How much is cut off only the walk knows; it never takes from what is kept.
            return 0.0
        if portion.fraction is not None:
            return min(portion.fraction, left)
        if portion.grams is not None:
            return min(portion.grams / whole_g if whole_g else 0.0, left)
        return left

    def mass_g(self, step_id: str) -> float:
        """Grams that went into a step's result."""
        return self._mass[step_id]

    def taken(self, step: Step) -> list[tuple[int, StepPortion, float]]:
        """The step portions of a step, by their place among its inputs, with the share of their source's whole."""
        return [(n, p, self._taken[step.id, n]) for n, p in enumerate(step.inputs) if isinstance(p, StepPortion)]

    def left(self, step_id: str, begun: Set[str]) -> float:
        """The share of a step's result that is neither lost nor taken by a step of those that have ``begun``."""
        gone = sum(
            share
            for step in self._formula.steps
            if step.id in begun
            for _, portion, share in self.taken(step)
            if portion.step == step_id
        )
        return max(0.0, 1.0 - self._formula.lost_share(step_id) - gone)

    def standing(self, begun: Set[str]) -> dict[str, float]:
        """What stands and is still wanted, where these steps have ``begun``: the share left of each step's result."""
        wanted = {p.step for s in self._formula.steps if s.id not in begun for _, p, _ in self.taken(s)}
        begun_and_wanted = [s.id for s in self._formula.steps if s.id in wanted and s.id in begun]
        found = {i: self.left(i, begun) for i in begun_and_wanted}
        return {i: left for i, left in found.items() if left > NOTHING}

    def takers(self, step_id: str) -> list[Step]:
        """The steps that take some of a step's result."""
        return [s for s in self._formula.steps if any(p.step == step_id for _, p, _ in self.taken(s))]

    def needs(self, wanted: Mapping[str, float]) -> dict[str, float]:
        """For shares ``wanted`` of some results: the share of every step's result that goes into them."""
        found = dict(wanted)
        for step in reversed(self._formula.steps):
            wants = found.get(step.id, 0.0)
            for _, portion, share in self.taken(step) if wants else ():
                found[portion.step] = found.get(portion.step, 0.0) + wants * share
        return {i: share for i, share in found.items() if share > NOTHING}

    def lost(self) -> dict[str, float]:
        """The share of every step's result that came to grief, there or in what was made of it."""
        formula = self._formula
        return self.needs({loss.step: formula.lost_share(loss.step) for loss in formula.lost})

    def lost_g(self) -> float:
        """Grams of all ingredients that came to grief."""
        formula = self._formula
        return sum(formula.lost_share(i) * self._mass[i] for i in {loss.step for loss in formula.lost})

    def ingredients(self, wanted: Mapping[str, float]) -> dict[str, float]:
        """For shares ``wanted`` of some results: grams of each ingredient that go into them."""
        found: dict[str, float] = {}
        for step_id, share in self.needs(wanted).items():
            for portion in self._formula.step(step_id).weighed:
                found[portion.ingredient] = found.get(portion.ingredient, 0.0) + share * portion.grams
        return found
