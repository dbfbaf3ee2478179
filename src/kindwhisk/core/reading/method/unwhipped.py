"""A method in which no sentence was understood to whip anything, though something is baked."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.following import Followed
from kindwhisk.core.reading.method.making import Made, Use

HOLDS_NO_AIR = {"flour", "fat", "nut", "chocolate", "dairy", "liquid"}
"""With any of these, eggs are a batter or a custard rather than what is whipped."""


def makes_a_foam(followed: Followed) -> bool:
    """Whether a sentence whips something."""
    return any(m.kind is WhipStep and (m.takes or m.uses) for m in followed.made)


def whipped_all_the_same(followed: Followed) -> None:
    """Where nothing is whipped and something is baked, the bare whites or eggs are, and it is asked about.

    Better the recipe's own steps with a question than the class's, into which its goods would be poured.
    """
    if makes_a_foam(followed) or not any(m.kind is BakeStep for m in followed.made):
        return
    bare = [m for m in followed.made if _bare(m)]
    if not bare:
        return
    foam = next((m for m in bare if not m.ids & YOLKY), bare[0])
    if foam.kind is MixStep:
        _whip(foam, followed.made)
    else:
        _whip_warm(foam, followed.made)
    followed.tracker.ask("whip", f"No sentence says that this is whipped: “{foam.words[:80].rstrip(' .')}”.", "whipped")


def _bare(made: Made) -> bool:
    eggs = made.kind in {MixStep, WarmStep} and made.ids & (WHITES | YOLKY)
    return bool(eggs) and not made.of_kind(HOLDS_NO_AIR) and not made.baked


def _whip(foam: Made, made: Sequence[Made]) -> None:
    """What was only mixed is whipped, and what is mixed with it is folded in."""
    foam.kind, foam.fields = WhipStep, {"peak": Peak.MEDIUM}
    for step in made:
        if step.kind is MixStep and any(u.made is foam for u in step.uses):
            step.kind, step.fields = FoldStep, {"folded": step.words}


def _whip_warm(warmed: Made, made: list[Made]) -> None:
    """What was warmed is whipped behind it, and stands in its place."""
    foam = Made(
        WhipStep, "mixer-bowl", fields={"peak": Peak.MEDIUM}, said=list(warmed.said), words=warmed.words,
        assumed="Eggs that are to hold air are whipped once they are warm.", part=warmed.part,
        names=set(warmed.names), left=warmed.left,
    )  # fmt: skip
    for use in (u for step in made for u in step.uses if u.made is warmed):
        use.made = foam
    foam.use_only([Use(warmed)])
    warmed.left = 0.0
    made.insert(made.index(warmed) + 1, foam)
