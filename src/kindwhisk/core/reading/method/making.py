"""A process while it is being read: steps that still grow, what they take of the list, and of each other."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass, field
from typing import Any, NamedTuple

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.process.checking import fatty
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY, StepBase
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.whip import WhipStep

NONE_LEFT = 1e-3
LITTLE_G = 1e-6


@dataclass(eq=False)
class Stock:
    """What a line of the list gives: an ingredient with its grams, and how much of it is left.

    ``beside`` is the egg that it stands behind in the list, ``group`` the heading that it stands under; ``listed`` is
    False where only the method names it.
    """

    line: int
    ingredient: str
    written: str
    grams: float
    group: str = ""
    beside: str = ""
    listed: bool = True
    left: float = 0.0
    takes: list[Take] = field(default_factory=list)

    def __post_init__(self) -> None:
        self.left = self.grams

    @property
    def gone(self) -> bool:
        """Whether nothing worth weighing is left of it."""
        return self.left <= NONE_LEFT * max(self.grams, LITTLE_G)

    def take(self, grams: float, *, stated: bool) -> Take:
        """So much of it, at most what is left."""
        took = Take(self, min(grams, self.left), stated)
        self.left -= took.grams
        self.takes.append(took)
        return took


@dataclass(eq=False)
class Take:
    """Grams out of a line; ``stated`` where the text says how much."""

    stock: Stock
    grams: float
    stated: bool

    @property
    def ingredient(self) -> str:
        """What it is."""
        return self.stock.ingredient


@dataclass(eq=False)
class Use:
    """A share of another step's result; the ``rest`` where a part of it is gone."""

    made: Made
    fraction: float | None = None
    rest: bool = False


class Inside(NamedTuple):
    """What is in a result."""

    raw_ids: frozenset[str]
    baked: bool


@dataclass(eq=False)
class Made:
    """A step on its way, and its result as long as nothing has taken it.

    ``said`` are the sentences that it comes from; ``assumed`` is why it stands there though no sentence says so.
    ``names`` are words that its result may be called by; ``loose`` is whether it was only put together so far.
    """

    kind: type[StepBase]
    vessel: str
    takes: list[Take] = field(default_factory=list)
    uses: list[Use] = field(default_factory=list)
    fields: dict[str, Any] = field(default_factory=dict)
    said: list[int] = field(default_factory=list)
    words: str = ""
    title: str = ""
    assumed: str = ""
    part: str = ""
    names: set[str] = field(default_factory=set)
    left: float = 1.0
    loose: bool = False
    _into: list[Made] = field(default_factory=list, repr=False)
    _known: Inside | None = field(default=None, repr=False)

    def __post_init__(self) -> None:
        self._changed()

    def take_in(self, takes: Iterable[Take] = (), uses: Iterable[Use] = ()) -> None:
        """Something further goes into it."""
        self.takes += takes
        self.uses += uses
        self._changed()

    def use_only(self, uses: Iterable[Use]) -> None:
        """These results go into it instead of those that did."""
        self.uses = list(uses)
        self._changed()

    def _changed(self) -> None:
        """What was known of it, and of all that it went into, holds no longer."""
        for use in self.uses:
            use.made._into.append(self)
        for made in _reached(self, lambda m: m._into):
            made._known = None

    def upstream(self) -> Iterator[Made]:
        """It and everything that went into it."""
        return _reached(self, lambda m: [use.made for use in m.uses])

    def _inside(self) -> Inside:
        """What is in it and whether it was baked, found once as long as nothing further comes to it."""
        if self._known is None:
            ids: set[str] = set()
            baked = False
            for made in _reached(self, lambda m: [u.made for u in m.uses] if m._known is None else []):
                known = made._known or Inside(
                    frozenset(t.ingredient for t in made.takes), issubclass(made.kind, BakeStep)
                )
                ids |= known.raw_ids
                baked = baked or known.baked
            self._known = Inside(frozenset(ids), baked)
        return self._known

    @property
    def ids(self) -> frozenset[str]:
        """What is in it, as it counts."""
        return frozenset(map(counts_as, self.raw_ids))

    @property
    def raw_ids(self) -> frozenset[str]:
        """What is in it, by the ids of the table."""
        return self._inside().raw_ids

    def grams(self) -> float:
        """How much of the list is in it."""
        return sum(t.grams for made in self.upstream() for t in made.takes)

    def of_kind(self, kinds: Iterable[str]) -> bool:
        """Whether something of these kinds is in it."""
        wanted = set(kinds)
        return any(ingredient(i).kind in wanted for i in self.raw_ids)

    @property
    def baked(self) -> bool:
        """Whether it was in the oven."""
        return self._inside().baked

    @property
    def open(self) -> bool:
        """Whether some of it is left."""
        return self.left > NONE_LEFT

    @property
    def white_foam(self) -> bool:
        """Whether it is a meringue, with nothing else folded in."""
        if self.kind in {FoldStep, MixStep} and len(self.uses) == 1:
            # “Stir in the vanilla”, “the vinegar and the starch”: whites yet.
            return self.uses[0].made.white_foam and all(_seasons(t.ingredient) for t in self.takes)
        return self.kind in {WhipStep, StreamStep} and bool(self.ids & WHITES) and not self.ids & YOLKY

    @property
    def meringue(self) -> bool:
        """Whether it is whites with hardly anything but sugar, baked or not."""
        flour = sum(t.grams for m in self.upstream() for t in m.takes if ingredient(t.ingredient).kind == "flour")
        return bool(self.ids & WHITES) and not self.ids & YOLKY and flour < 0.1 * self.grams()

    @property
    def airy(self) -> bool:
        """Whether its air must be minded: whites, whole eggs or cream whipped, and what they were folded into."""
        if self.kind in {FoldStep, MacaronageStep}:
            return True
        if self.kind is SplitStep:
            return any(use.made.airy for use in self.uses)
        if self.kind not in {WhipStep, StreamStep}:
            return False
        return bool(self.ids & (WHITES | {"whole-egg"})) or self.is_cream

    @property
    def is_cream(self) -> bool:
        """Whether it is whipped cream."""
        return self.kind is WhipStep and self.of_kind({"dairy"}) and not self.ids & (WHITES | YOLKY)

    @property
    def syrup(self) -> bool:
        """Whether it is sugar boiled or dissolved in water, with nothing fat in it."""
        boiled = any(made.kind is BoilStep for made in self.upstream())
        sugar = (
            self.of_kind({"sugar"}) and not self.ids & (WHITES | YOLKY) and not self.of_kind({"flour", "dairy", "fat"})
        )
        return not self.baked and sugar and (boiled or bool(self.ids & {"water"}) or self.of_kind({"acid"}))

    @property
    def floury(self) -> bool:
        """Whether flour or ground nuts are in it."""
        return self.of_kind({"flour"}) or any(map(ground_nut, self.raw_ids))

    @property
    def dry(self) -> bool:
        """Whether only dry goods are in it."""
        return bool(self.raw_ids) and all(
            ingredient(i).composition.water < 0.2 and not fatty_liquid(i) for i in self.raw_ids
        )


def _reached(start: Made, onward: Callable[[Made], Iterable[Made]]) -> Iterator[Made]:
    """A step and all that one comes to from it, each once."""
    seen: set[int] = set()
    waiting = [start]
    while waiting:
        made = waiting.pop()
        if id(made) not in seen:
            seen.add(id(made))
            yield made
            waiting += onward(made)


def heading_of(several: Iterable[Made]) -> str:
    """The heading that most of what went into results is listed under: “… then the butter”, into the joconde."""
    grams: dict[str, float] = {}
    for made in {id(m): m for one in several for m in one.upstream()}.values():
        for take in made.takes:
            grams[take.stock.group] = grams.get(take.stock.group, 0.0) + take.grams
    return max(grams, key=lambda g: grams[g], default="")


def ground_nut(ingredient_id: str) -> bool:
    """Whether it is nuts ground to a meal."""
    return ingredient(ingredient_id).kind == "nut" and ingredient_id.endswith(("-flour", "-ground"))


def _seasons(ingredient_id: str) -> bool:
    """Whether it only flavours or steadies a meringue."""
    return ingredient(ingredient_id).kind in {"flavour", "acid", "salt"} or ingredient_id.endswith("-starch")


def fatty_liquid(ingredient_id: str) -> bool:
    """Whether it is a fat: no water in it, and yet not dry."""
    return ingredient(ingredient_id).kind in {"fat", "chocolate"} and fatty(ingredient_id)
