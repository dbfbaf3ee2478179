"""Bringing materials together: masses add, gas never grows, and each addition on the way is told."""

from __future__ import annotations

import math
from collections.abc import Sequence

from kindwhisk.core.foams.foam import Foam, is_meringue, kind_of
from kindwhisk.core.folding.airy import Airy, Incorporation, additions
from kindwhisk.core.folding.kept import SPREAD, Manner
from kindwhisk.core.folding.strokes import LOSS, strokes
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.learning.expected import UNLEARNED, Factor
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

FRACTIONS: tuple[tuple[float, str], ...] = (
    (0.2, "a fifth"),
    (0.25, "a quarter"),
    (0.3, "three tenths"),
    (1 / 3, "a third"),
    (0.4, "two fifths"),
    (0.5, "half"),
    (2 / 3, "two thirds"),
    (0.7, "seven tenths"),
    (0.75, "three quarters"),
)
NEAR = 0.012
MOSTLY_FAT = 0.4
NEARLY_ALL = 0.985


def fraction_in_words(share: float) -> str:
    """A share (0 to 1) as a baker says it: ``a third``; else in percent."""
    if share >= NEARLY_ALL:
        return "all"
    near, words = min(FRACTIONS, key=lambda f: abs(f[0] - share))
    return words if abs(near - share) <= NEAR else f"{share:.0%}"


class Addition(Value):
    """One addition of a fold, and what stands in the bowl after it.

    Attributes:
        what: what is put in, in words; ``into`` what it is put into; ``foam`` whether it is the foam that is put in.
        mass_g, added_g_per_ml: of what is put in; 0 g where what is there is only pressed.
        bowl_g_per_ml: of what it meets.
        density_g_per_ml, volume_ml: after it.
        kept: share of the gas of both that it leaves.
        strokes: how many it takes.
    """

    what: str
    into: str
    foam: bool
    manner: Manner
    mass_g: float
    added_g_per_ml: float
    bowl_g_per_ml: float
    density_g_per_ml: Estimate
    volume_ml: Estimate
    kept: float
    strokes: Estimate


class Names(Value):
    """What foam and base are called."""

    foam: str = "foam"
    base: str = "base"


def portion(share: float, name: str) -> str:
    """``a third of the meringue``."""
    return f"{fraction_in_words(share)} of the {name}"


def _named(step: Incorporation, names: Names, foam: Airy, base: Airy, turns: bool) -> tuple[str, str]:
    if is_foam(step):
        return portion(step.added.mass_g / foam.mass_g, names.foam), f"the {names.base}"
    if turns:
        return ("dry goods" if step.added.dry else "liquid"), f"the {names.foam}"
    return portion(step.added.mass_g / base.mass_g, names.base), f"the {names.foam}"


def is_foam(step: Incorporation) -> bool:
    """Whether it is the lighter one, with bubbles, that is put to the other."""
    return step.added.gas_ml > 0 and step.added.density <= step.bowl.density


def with_range(gas_ml: float, start: Estimate, learned: Factor = UNLEARNED) -> Estimate:
    """Gas left with its range: that of the gas before goes on, and the loss errs on its own."""
    spread = math.exp(RANGE_SD * learned.log_sd) - 1 if learned.log_sd else SPREAD
    up = math.hypot(spread, start.high / start.likely - 1)
    down = math.hypot(spread, 1 - start.low / start.likely)
    return Estimate(
        low=gas_ml * (1 - min(down, 0.95)),
        likely=gas_ml,
        high=max(gas_ml, min(start.high, gas_ml * (1 + up))),
        basis=Basis.KITCHEN if learned.bakes else Basis.weakest((Basis.HABIT, start.basis)),
        bakes=learned.bakes,
    )


def _density(mass_g: float, volume: Estimate) -> Estimate:
    return Estimate(
        low=mass_g / volume.high,
        likely=mass_g / volume.likely,
        high=mass_g / volume.low,
        basis=volume.basis,
        bakes=volume.bakes,
    )


def told(
    meetings: Sequence[Incorporation],
    foam: Airy,
    base: Airy,
    *,
    start: Estimate,
    names: Names | None = None,
    turns: bool = False,
    learned: Factor = UNLEARNED,
) -> tuple[Addition, ...]:
    """The additions in figures and words; ``start`` is the gas of both before the first one, with its range."""
    found = []
    for step in meetings:
        gas = with_range(step.result.gas_ml, start, learned) if start.likely > 0 else start
        volume = gas.shifted(step.result.free_ml)
        what, into = _named(step, names or Names(), foam, base, turns)
        found.append(
            Addition(
                what=what,
                into=into,
                foam=is_foam(step),
                manner=step.manner,
                mass_g=step.added.mass_g,
                added_g_per_ml=step.added.density,
                bowl_g_per_ml=step.bowl.density,
                density_g_per_ml=_density(step.result.mass_g, volume),
                volume_ml=volume,
                kept=step.kept,
                strokes=strokes(step.kept, LOSS[step.manner]),
            )
        )
    return tuple(found)


def names_of(materials: Sequence[Material]) -> Names:
    """What the foam and what it meets are called, by what they are made of."""
    lightest = min((m for m in materials if m.gas_ml.likely > 0), key=lambda m: m.density_g_per_ml.likely)
    others = combine(m for m in materials if m is not lightest)
    if Airy.of(others).dry:
        base = "dry goods"
    elif others.composition.fat > MOSTLY_FAT:
        base = "fat"
    else:
        base = "base"
    return Names(foam=_foam_name(lightest), base=base)


def _foam_name(material: Material) -> str:
    if is_meringue(material):
        return "meringue"
    if any(ingredient(i).kind in {"flour", "nut"} for i in material.parts):
        return "batter"
    return "cream" if kind_of(material) is Foam.CREAM else "foam"


class Together(Value):
    """The mixture, and the additions by which it came about."""

    mixture: Material
    additions: tuple[Addition, ...] = ()


def bring_together(
    materials: Sequence[Material],
    manner: Manner,
    number: int = 1,
    *,
    learned: Factor = UNLEARNED,
) -> Together:
    """The mixture with the gas that is left; mass is conserved, gas never grows.

    The lightest content with bubbles is the foam, the others are what it meets; ``number`` is in how many portions.
    ``learned`` is how much of the model's share this kitchen's hands have been found to keep.
    """
    mixture = combine(materials)
    parts = [Airy.of(m) for m in materials if m.mass_g > 0]
    meetings = additions(parts, manner, number, learned.factor)
    if not meetings:
        return Together(mixture=mixture)
    gases = [m.gas_ml for m in materials if m.gas_ml.likely > 0]
    start = gases[0]
    for gas in gases[1:]:
        start = start.plus(gas)
    foam = min((p for p in parts if p.gas_ml > 0), key=lambda p: p.density)
    base = Airy(
        sum(p.mass_g for p in parts) - foam.mass_g,
        sum(p.free_ml for p in parts) - foam.free_ml,
        sum(p.gas_ml for p in parts) - foam.gas_ml,
    )
    return Together(
        mixture=mixture.with_gas(with_range(meetings[-1].result.gas_ml, start, learned)),
        additions=told(
            meetings,
            foam,
            base,
            start=start,
            names=names_of(materials),
            turns=manner is Manner.IN_TURNS,
            learned=learned,
        ),
    )
