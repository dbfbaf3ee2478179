"""How long reading takes: sixty rows of a recipe, and fifty kilobytes as rows, as prose, without a full stop."""

from __future__ import annotations

import statistics
from collections.abc import Callable, Iterable
from functools import partial

from benchmarks.goals import met
from benchmarks.pair import timed
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.proposal import ReadRecipe, read
from tests.core.recipes.expected import corpus

PAGE, ROWS = 50_000, 60
PAGE_GOAL_S, RECIPE_GOAL_S = 1.0, 0.3
TIMES = 5

Told = Callable[[str], str]
SHAPES: dict[str, Told] = {
    "rows": lambda text: text,
    "prose": lambda text: text.replace("\n", " "),
    "no full stop": lambda text: text.replace("\n", " ").replace(".", ","),
}


def _read(text: str) -> ReadRecipe:
    return read(recipe.from_text(text), EggSize.EU_M)


def _spent(texts: Iterable[str]) -> float:
    """Seconds that one of some texts takes; none is read twice, since what was read is remembered."""
    return statistics.median(timed(partial(_read, text)) for text in texts)


def reading() -> None:
    """Seconds on this machine, and how they grow with the length of a text (twice as long, linear: 2)."""
    every = "\n".join(w.text for w in corpus("written") if not w.text.lstrip().startswith("{"))
    pages = [every[at : at + PAGE] for at in range(0, len(every) - PAGE, PAGE)]
    _read(pages[0])
    rows = every.splitlines()
    short = _spent("\n".join(f"{row} " for row in rows[at : at + ROWS]) for at in range(0, ROWS * TIMES, ROWS))
    print(f"reading {ROWS} rows            {short:7.2f} s    goal {RECIPE_GOAL_S}: {met(short <= RECIPE_GOAL_S)}")
    for shape, told in SHAPES.items():
        whole = _spent(told(page) for page in pages[1::2])
        half = _spent(told(page)[: PAGE // 2] for page in pages[2::2])
        print(
            f"reading 50 kB, {shape:<12} {whole:7.2f} s    goal {PAGE_GOAL_S:.0f}: {met(whole <= PAGE_GOAL_S)}; "
            f"{whole / half:.1f} times what half as much takes"
        )


if __name__ == "__main__":
    reading()
