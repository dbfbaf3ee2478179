"""The components of a process that is read in: what stands under a heading, and what is made apart for after the oven."""

from __future__ import annotations

import re
from collections.abc import Sequence

from kindwhisk.core.process.components import Component
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.part_names import part_of

CAKE, SOAK, FILLING = "cake", "soak", "filling"
"""What parts are called that stand under no heading: what goes into the oven, what it drinks, what lies on it."""


class Parts:
    """The component of every step, and of what is weighed for it, by their ids; empty where all of it is one part."""

    def __init__(self, made: Sequence[Made]) -> None:
        self._ids: dict[str, str] = {}
        self._names: dict[int, str] = {}
        bakes = [m for m in made if m.kind is BakeStep]
        self._main = next((_heading(m) for b in bakes for m in b.upstream() if _heading(m)), CAKE)
        for m in made:
            own = "" if m.baked else _heading(m)
            inherited = next((self._names[id(u.made)] for u in m.uses if self._names.get(id(u.made))), "")
            self._names[id(m)] = own or (self._main if m.baked else inherited)
        self._made_apart(made)
        several = {n or CAKE for n in self._names.values()} != {CAKE}
        self._several = several or any(self._of_takes(m) not in {"", CAKE} for m in made)

    def _made_apart(self, made: Sequence[Made]) -> None:
        """What is made under no heading and joins the cake after the oven is a part of its own."""
        for m in made:
            if not any(u.made.baked for u in m.uses):
                continue
            name = SOAK if m.kind is SoakStep else FILLING
            for use in m.uses:
                for inner in () if use.made.baked else use.made.upstream():
                    self._names[id(inner)] = self._names[id(inner)] or name

    def _of_takes(self, made: Made) -> str:
        heading = _heading(made)
        if heading or not made.baked:
            return heading
        return SOAK if made.kind is SoakStep and made.takes else ""

    def _id(self, name: str) -> str:
        if name not in self._ids:
            self._ids[name] = _slugged(name, set(self._ids.values()))
        return self._ids[name]

    def of(self, made: Made) -> str:
        """The id of the component that a step belongs to."""
        return self._id(self._names[id(made)] or CAKE) if self._several else ""

    def of_weighing(self, made: Made) -> str:
        """The id of the component that what is weighed for a step belongs to."""
        name = self._of_takes(made)
        return self._id(name) if self._several and name else self.of(made)

    def components(self, used: Sequence[str]) -> tuple[Component, ...]:
        """Those that are used, in the order in which they are begun."""
        names = {i: n for n, i in self._ids.items()}
        return tuple(
            Component(id=i, name=names[i][:60], part=part_of(names[i])) for i in dict.fromkeys(used) if i in names
        )


def _heading(made: Made) -> str:
    """The heading that most of what a step takes stands under, else that of its sentence."""
    weights: dict[str, float] = {}
    for take in made.takes:
        weights[take.stock.group] = weights.get(take.stock.group, 0.0) + take.grams
    best = max(weights, key=lambda g: weights[g], default="")
    return best or (made.part if made.takes else "")


def _slugged(name: str, taken: set[str]) -> str:
    stem = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:32] or "part"
    n, made = 1, stem
    while made in taken:
        n += 1
        made = f"{stem}-{n}"
    return made
