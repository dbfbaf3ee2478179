"""The Log as tables: one row a bake, both ways, and one row a reading; described in docs/formats.md."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Iterator, Mapping
from datetime import datetime
from typing import NamedTuple

from kindwhisk.bench.measures.signs import signs_of
from kindwhisk.bench.record import BakeSummary
from kindwhisk.core.measures import BakeMeasure, Fact, measure
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import table
from kindwhisk.formats.cells import lines
from kindwhisk.store.log import FoundBake

FIGURES = {
    "foam_g_per_ml": "foam-density",
    "batter_g_per_ml": "batter-density",
    "air_kept_percent": "kept-air",
    "whisked_min": "whip-time",
    "waited_min": "waited",
    "baked_min": "bake-time",
    "core_c": "core",
    "oven_off_k": "oven-held",
    "syrup_c": "syrup-c",
    "humidity_percent": "humidity",
    "kitchen_c": "room-c",
}
"""The columns of figures, and the sign that each is: of several steps the one that is furthest out of the usual."""
COLUMNS = (
    "id", "started_at", "formula", "title", "class", "version", "status", "stars", "height_mm", "faults", "note",
    "oven", "hands", "late_min", *FIGURES,
)  # fmt: skip
READING_COLUMNS = ("bake", "at", "step", "quantity", "value", "unit", "counts")
MOST = 20_000


class EarlierBake(NamedTuple):
    """A bake of before, as a table tells it."""

    formula: Formula
    version: int
    started_at: datetime
    oven: str
    hands: str
    summary: BakeSummary
    row: int


def bakes(rows: Iterable[tuple[FoundBake, BakeSummary | None, str, Mapping[str, str]]]) -> Iterator[str]:
    """One line a bake: with its summary, its class, and the kinds of its steps by id."""
    yield from lines([COLUMNS])
    for found, summary, technique, kinds in rows:
        facts = {f.key: f.said for f in summary.facts} if summary else {}
        seen = {s.sign: s.value for s in signs_of(summary.measures or (), kinds, {})} if summary else {}
        yield from lines(
            [
                [
                    found.id,
                    found.started_at,
                    found.formula,
                    found.title,
                    technique,
                    found.version,
                    found.status,
                    (summary and summary.stars) or "",
                    (summary and summary.height_mm) or "",
                    " | ".join(summary.faults) if summary else "",
                    summary.note if summary else "",
                    facts.get("oven", ""),
                    facts.get("hands", ""),
                    f"{summary.late_by_s / 60:.1f}" if summary else "",
                    *(_plain(seen.get(sign)) for sign in FIGURES.values()),
                ]
            ]
        )


def _plain(value: float | None) -> str:
    return "" if value is None else f"{value:.4g}"


def read(text: str, formula_of: Callable[[str, str], tuple[int, Formula] | None], now: datetime) -> list[EarlierBake]:
    """The bakes of a table with the columns ``started_at`` and ``formula`` (or ``title``); other columns may be there.

    Args:
        text: the table.
        formula_of: finds a formula with its version by an id and a title, of which one may be empty.
        now: no bake of before lies after it.

    Raises:
        CraftError: a column is missing, or a row is no bake; row and column are named, and nothing is kept.
    """
    needs = [("started_at",), ("formula", "title")]
    return [_earlier(cells, row, formula_of, now) for row, cells in table.rows(text, COLUMNS, needs, MOST)]


def _earlier(
    cells: Mapping[str, str], row: int, formula_of: Callable[[str, str], tuple[int, Formula] | None], now: datetime
) -> EarlierBake:
    known = formula_of(cells.get("formula", ""), cells.get("title", ""))
    if known is None:
        named = cells.get("formula") or cells.get("title", "")
        raise CraftError(
            f"Row {row}: “{named[:60]}” is no formula of the Book.",
            field="formula",
            remedy="Write its id or its title as the Book has it, or add the formula first.",
        )
    started = _moment(cells.get("started_at", ""), row, now)
    version, formula = known
    numbers = {name: table.number_in(cells, row, name) for name in (*FIGURES, "stars", "height_mm") if name in cells}
    stars = numbers.pop("stars", None)
    if stars is not None and stars not in {1, 2, 3, 4, 5}:
        raise CraftError(f"Row {row}, “stars”: {stars:g} is not 1 to 5.", field="stars", remedy="Write 1 to 5.")
    height = numbers.pop("height_mm", None)
    measures = [m for name, value in numbers.items() if (m := _measure(formula, name, value)) is not None]
    if height is not None:
        measures.append(measure("height", "Height", height, "mm"))
    if stars is not None:
        measures.append(measure("stars", "Stars", stars))
    oven, hands = cells.get("oven", ""), cells.get("hands", "")
    facts = [("oven", "Oven", oven), ("hands", "Hands", hands)]
    summary = BakeSummary(
        stars=None if stars is None else int(stars),
        faults=tuple(dict.fromkeys(f.strip()[:80] for f in cells.get("faults", "").split("|") if f.strip())),
        height_mm=height,
        late_by_s=0.0,
        measures=tuple(measures),
        facts=tuple(Fact(key=key, words=words, said=said) for key, words, said in facts if said),
        note=cells.get("note", "")[:1000],
        dots=(),
    )
    return EarlierBake(formula, version, started, oven[:40], hands[:40], summary, row)


def _moment(text: str, row: int, now: datetime) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError:
        raise CraftError(
            f"Row {row}, “started_at”: “{text[:30]}” is no moment.",
            field="started_at",
            remedy="Write it as 2026-11-20 or 2026-11-20T06:30.",
        ) from None
    found = found if found.tzinfo else found.replace(tzinfo=now.tzinfo)
    if found > now:
        raise CraftError(
            f"Row {row}, “started_at”: that is still to come.",
            field="started_at",
            remedy="Only bakes of before are read.",
        )
    return found


PLACES: Mapping[str, tuple[tuple[str, ...], str, str, str]] = {
    "foam_g_per_ml": (("whip",), "foam", "foam", "g/ml"),
    "batter_g_per_ml": (("fold", "macaronage"), "batter", "batter", "g/ml"),
    "air_kept_percent": (("fold", "macaronage"), "air", "air kept", "%"),
    "whisked_min": (("whip",), "whip", "time on the whisk", "min"),
    "baked_min": (("bake",), "time", "time", "min"),
    "core_c": (("bake",), "core_temperature", "core temperature", "°C"),
    "oven_off_k": (("bake",), "oven_held", "oven against what it was to hold", "K"),
    "syrup_c": (("boil",), "content_temperature", "temperature in the vessel", "°C"),
}
"""At which kinds of step a column was measured, and what it is called there."""


def _measure(formula: Formula, column: str, value: float) -> BakeMeasure | None:
    """A figure of a table at the step of the formula that it belongs to; None where there is none."""
    if column == "humidity_percent":
        return measure("kitchen/humidity", "The kitchen's humidity", value, "%")
    if column == "kitchen_c":
        return measure("kitchen/air_c", "The kitchen's air", value, "°C")
    kinds, key, words, unit = PLACES.get(column, ((), "", "", ""))
    own: list[Step] = [s for s in formula.steps if s.kind in kinds]
    if not own:
        return None
    step = own[-1]
    of = step.reference.minutes if isinstance(step, BakeStep) and key == "time" else None
    return measure(f"{step.id}/{key}", f"{step.title}: {words}", value, unit, of=of, step=step.id)
