"""What a written recipe forgets or gets wrong, each with its consequence; the wrong ones first."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.following import Followed
from kindwhisk.core.reading.method.making import Stock
from kindwhisk.core.reading.remarks.amounts import on_amounts
from kindwhisk.core.reading.remarks.by_text import on_text
from kindwhisk.core.reading.remarks.on_cooling import on_cooling
from kindwhisk.core.reading.remarks.on_process import (
    hardly_read,
    on_eggs,
    on_elsewhere,
    on_lists,
    on_order,
    on_oven,
    on_splits,
    unused_lines,
)
from kindwhisk.core.reading.remarks.proportions import on_proportions
from kindwhisk.core.reading.remarks.remark import Level, Remark, ordered


def _beside_eggs(lines: Sequence[ReadLine], groups: Mapping[int, str]) -> Sequence[ReadLine]:
    """The lines of the parts that hold the eggs: what stands in a buttercream says nothing of the batter."""
    with_eggs = {
        groups[n]
        for n, line in enumerate(lines)
        if n in groups and line.ingredient and ingredient(line.ingredient).kind == "egg"
    }
    return [line for n, line in enumerate(lines) if groups.get(n) in with_eggs] or lines


def _batter(followed: Followed, lines: Sequence[ReadLine]) -> Sequence[ReadLine]:
    """The lines of what goes into the oven, each with as much of it as goes there; empty where nothing is baked."""
    baked = [m for m in followed.made if m.kind is BakeStep]
    if not baked:
        return ()
    grams: dict[int, float] = {}
    for made in max(baked, key=lambda m: m.grams()).upstream():
        for take in made.takes:
            grams[take.stock.line] = grams.get(take.stock.line, 0.0) + take.grams
    return [line.model_copy(update={"grams": grams[n]}) for n, line in enumerate(lines) if n in grams]


def remarks(
    followed: Followed, lines: Sequence[ReadLine], placed: Sequence[Stock], *, tin_found: bool, oven_found: bool
) -> tuple[Remark, ...]:
    """Every remark on a recipe whose method was followed.

    Args:
        followed: the steps that the method became.
        lines: the list.
        placed: lines that no sentence used, or not all of.
        tin_found: whether a tin with its size is named.
        oven_found: whether its temperature is given.
    """
    stocks = followed.tracker.stocks
    unused = unused_lines(followed, lines, placed)
    unread = hardly_read(unused, lines)
    batter = () if unread else _batter(followed, lines)
    # What is only moulded has no batter to be out of proportion.
    moulded = not unread and not any(m.kind is BakeStep for m in followed.made)
    weighed = () if moulded else batter or _beside_eggs(lines, {s.line: s.group for s in stocks.rows})
    lacking = () if unread else on_oven(followed, tin_found=tin_found, oven_found=oven_found)
    return ordered(
        [
            *on_amounts(lines), *on_proportions(weighed), *on_lists(followed, lines, unused), *on_splits(followed, placed, stocks.overdrawn),
            *on_order(followed), *on_elsewhere(followed), *lacking, *on_eggs(followed, placed),
            *on_cooling(followed),
        ]
    )  # fmt: skip


__all__ = ["Level", "Remark", "on_text", "remarks"]
