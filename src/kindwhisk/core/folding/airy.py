"""A content as folding sees it: a mass, its volume without bubbles, and its bubbles."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple, Self

from kindwhisk.core.folding.kept import Manner, keeps
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material

DRY_KINDS = frozenset({"flour", "nut", "sugar", "leavener", "salt", "setting", "flavour"})
"""Kinds of ingredients that are sifted, not poured."""


class Airy(NamedTuple):
    """Grams, gas-free ml and ml of gas; ``dry`` marks flour and the like, which is sifted and not poured."""

    mass_g: float
    free_ml: float
    gas_ml: float
    dry: bool = False

    @classmethod
    def of(cls, material: Material) -> Self:
        """The likely figures of a material."""
        dry = material.gas_ml.likely <= 0 and all(ingredient(i).kind in DRY_KINDS for i in material.parts)
        return cls(material.mass_g, material.gas_free_volume_ml, material.gas_ml.likely, dry)

    @classmethod
    def at(cls, mass_g: float, density: float, gas_free: float) -> Self:
        """Of a mass with a density, which without bubbles would be ``gas_free`` (g/ml both)."""
        free = mass_g / max(gas_free, density)
        return cls(mass_g, free, mass_g / density - free)

    @property
    def volume_ml(self) -> float:
        """With its bubbles."""
        return self.free_ml + self.gas_ml

    @property
    def density(self) -> float:
        """g/ml with its bubbles; 1 for nothing."""
        return self.mass_g / self.volume_ml if self.volume_ml > 0 else 1.0

    def take(self, share: float) -> Airy:
        """A share of it, 0 to 1."""
        return Airy(self.mass_g * share, self.free_ml * share, self.gas_ml * share, self.dry)


def together(parts: Iterable[Airy]) -> Airy:
    """All of them, nothing lost."""
    items = list(parts)
    return Airy(
        sum(p.mass_g for p in items),
        sum(p.free_ml for p in items),
        sum(p.gas_ml for p in items),
        bool(items) and all(p.dry for p in items),
    )


class Incorporation(NamedTuple):
    """One addition: what stood in the bowl, what went into it, how, and what came of it."""

    bowl: Airy
    added: Airy
    manner: Manner
    result: Airy

    @property
    def kept(self) -> float:
        """Share of the gas of both that is left."""
        started = self.bowl.gas_ml + self.added.gas_ml
        return self.result.gas_ml / started if started > 0 else 1.0


def meet(bowl: Airy, added: Airy, manner: Manner, parts: int = 1, factor: float = 1.0) -> Incorporation:
    """Put ``added`` to what is in the bowl, as one of ``parts``: masses add, each gas keeps its share.

    ``factor`` is how much of the model's share this kitchen has been found to keep over all parts.
    """
    whole = together((bowl, added))
    if bowl.mass_g <= 0 or added.mass_g <= 0:
        return Incorporation(bowl, added, manner, whole)
    light, heavy = (bowl, added) if bowl.density <= added.density else (added, bowl)
    kept = keeps(manner, light.density, heavy.density, heavy.mass_g / light.mass_g, parts)
    own = factor ** (1 / parts)
    gas = light.gas_ml * min(1.0, kept.light * own) + heavy.gas_ml * min(1.0, kept.heavy * own)
    return Incorporation(bowl, added, manner, whole._replace(gas_ml=gas))


def in_portions(bowl: Airy, added: Airy, manner: Manner, number: int, factor: float = 1.0) -> list[Incorporation]:
    """Put it to the bowl in equal portions, one after the other."""
    found: list[Incorporation] = []
    for _ in range(number):
        standing = found[-1].result if found else bowl
        found.append(meet(standing, added.take(1 / number), manner, number, factor))
    return found


def in_turns(bowl: Airy, dry: Airy, liquid: Airy, number: int, factor: float = 1.0) -> list[Incorporation]:
    """``number`` portions of the dry with one fewer of the liquid between them."""
    found: list[Incorporation] = []

    def put(added: Airy, manner: Manner) -> None:
        found.append(meet(found[-1].result if found else bowl, added, manner, number, factor))

    for turn in range(number):
        put(dry.take(1 / number), Manner.SIFT_OVER)
        if number == 1 or turn < number - 1:
            put(liquid.take(1 / max(1, number - 1)), Manner.FOLD)
    return found


def additions(parts: Sequence[Airy], manner: Manner, number: int = 1, factor: float = 1.0) -> list[Incorporation]:
    """The additions by which these contents are brought together.

    The lightest one with bubbles is the foam, all others are what it meets. Foam comes onto the base in ``number``
    portions; by :attr:`Manner.INTO_FOAM` and :attr:`Manner.SIFT_OVER` the base comes into the foam in as many.
    """
    foams = [p for p in parts if p.gas_ml > 0]
    if not foams:
        return []
    foam = min(foams, key=lambda p: p.density)
    at = parts.index(foam)
    others = [p for i, p in enumerate(parts) if i != at and p.mass_g > 0]
    if not others:
        return []
    base = together(others)
    if manner is Manner.IN_TURNS:
        dry, liquid = (together(p for p in others if p.dry is which) for which in (True, False))
        if dry.mass_g > 0 and liquid.mass_g > 0:
            return in_turns(foam, dry, liquid, number, factor)
        return in_portions(foam, base, Manner.SIFT_OVER if dry.mass_g > 0 else Manner.INTO_FOAM, number, factor)
    if manner in {Manner.INTO_FOAM, Manner.SIFT_OVER}:
        return in_portions(foam, base, manner, number, factor)
    return in_portions(base, foam, manner, number, factor)
