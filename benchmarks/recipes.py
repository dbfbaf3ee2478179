"""How right written recipes become processes: those that were written for the reader, and those that were set aside."""

from __future__ import annotations

import sys

from tests.core.recipes.expected import Compared, Score, compare, corpus
from tests.core.recipes.reworded import TURNED, in_english, steps_kept

SCORES = ("lines", "steps", "wiring", "components", "waits", "remarks")
TRUTHS = ("class", "tin", "oven", "allergens", "servings", "nothing dropped", "grave remarks")


def _told(part: str, words: str, *, names: bool) -> None:
    every: list[Compared] = []
    for want in corpus(part):
        result = compare(want)
        every.append(result)
        if names and result.missed:
            print(f"  {want.name}")
            for missed in result.missed:
                print(f"      {missed}")
    said = []
    for name in SCORES:
        total = Score()
        for result in every:
            one: Score = getattr(result, name)
            total.add(one.right, one.expected, one.found)
        said.append(f"{name} {total.recall:.1%} (of what came {total.precision:.1%})")
    for name in TRUTHS:
        told = [r.truths[name] for r in every if name in r.truths]
        said.append(f"{name} {sum(told)} of {len(told)}")
    print(f"recipes, {words:<10} {len(every)}: " + "; ".join(said))


def _in_other_words() -> None:
    few = in_english(every=12)
    said = []
    for way in TURNED:
        plainly, otherwise = steps_kept(way, few)
        said.append(f"{way} {otherwise.recall:.1%} (as written {plainly.recall:.1%})")
    print(f"recipes, English told otherwise, steps of {len(few)}: " + "; ".join(said))


def recipes(*, names: bool = False) -> None:
    """Both parts of the corpus, and some of it in other words; ``names`` prints what is wrong in the open part."""
    _told("written", "written", names=names)
    _told("held_out", "set aside", names=False)
    _in_other_words()


if __name__ == "__main__":
    recipes(names="-v" in sys.argv)
