"""Paper shapes laid out: on pages of a printer, in tiles where a shape is larger than a page."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.values.errors import CraftError

MARGIN_MM, HEAD_MM, FOOT_MM, GAP_MM, LAP_MM = 8.0, 12.0, 16.0, 6.0, 10.0
RULER_MM = 100.0
MOST_PAGES = 40


class Paper(StrEnum):
    """Sizes of paper in a printer."""

    A4 = "a4"
    LETTER = "letter"


SIZE_MM: dict[Paper, tuple[float, float]] = {Paper.A4: (210.0, 297.0), Paper.LETTER: (215.9, 279.4)}


class Tile(NamedTuple):
    """A window on a shape (mm in the shape's own frame), and where its lower left corner lies on the page.

    ``turned`` is whether the shape lies on its side. ``label`` says which part it is, if there are several.
    """

    shape: PaperShape
    left_mm: float
    bottom_mm: float
    width_mm: float
    height_mm: float
    turned: bool
    label: str
    x_mm: float = 0.0
    y_mm: float = 0.0


def printable_mm(paper: Paper) -> tuple[float, float]:
    """Width and height of what can be drawn on."""
    width, height = SIZE_MM[paper]
    return width - 2 * MARGIN_MM, height - HEAD_MM - FOOT_MM - MARGIN_MM


def _starts(length: float, room: float) -> list[float]:
    """Where windows of ``room`` begin that cover ``length``, each lapping over the one before."""
    number = 1 if length <= room else math.ceil((length - LAP_MM) / (room - LAP_MM))
    return [i * (room - LAP_MM) for i in range(number)]


def tiles(shape: PaperShape, paper: Paper) -> list[Tile]:
    """The windows through which a shape is printed, lying on the side that needs fewest."""

    def cut(turned: bool) -> list[Tile]:
        wide, high = (shape.height_mm, shape.width_mm) if turned else (shape.width_mm, shape.height_mm)
        across, down = printable_mm(paper)
        columns, rows = _starts(wide, across), _starts(high, down)
        many = len(columns) * len(rows)
        return [
            Tile(
                shape,
                left,
                bottom,
                min(across, wide - left),
                min(down, high - bottom),
                turned,
                f"part {j * len(columns) + i + 1} of {many}" if many > 1 else "",
            )
            for j, bottom in enumerate(rows)
            for i, left in enumerate(columns)
        ]

    return min(cut(False), cut(True), key=lambda t: (len(t), t[0].turned))


def pages(shapes: Sequence[PaperShape], paper: Paper) -> list[list[Tile]]:
    """Tiles on pages, in rows from the top: the tallest first, as many to a page as fit.

    Raises:
        CraftError: it would take a pile of paper.
    """
    across, down = printable_mm(paper)
    waiting = sorted((t for s in shapes for t in tiles(s, paper)), key=lambda t: -t.height_mm)
    made: list[list[Tile]] = []
    x = top = tall = math.inf
    for tile in waiting:
        if x + tile.width_mm > across:
            x, top, tall = 0.0, top + tall + GAP_MM, tile.height_mm
        if top + tile.height_mm > down:
            made.append([])
            x, top, tall = 0.0, 0.0, tile.height_mm
        made[-1].append(tile._replace(x_mm=MARGIN_MM + x, y_mm=FOOT_MM + down - top - tile.height_mm))
        x += tile.width_mm + GAP_MM
        if len(made) > MOST_PAGES:
            raise CraftError(
                f"The paper of this tin would take more than {MOST_PAGES} pages.",
                field="paper",
                remedy="Cut it by its measures, or take the SVG to a large printer.",
            )
    return made


def placed(tile: Tile, x: float, y: float) -> tuple[float, float]:
    """A point of the shape on the tile's page (mm from the lower left)."""
    if tile.turned:
        x, y = tile.shape.height_mm - y, x
    return tile.x_mm + x - tile.left_mm, tile.y_mm + y - tile.bottom_mm
