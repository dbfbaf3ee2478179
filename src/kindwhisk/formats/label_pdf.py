"""Labels as a PDF: a sheet of equal labels, or one to a page, each with a code that opens the bake's record."""

from __future__ import annotations

import io
from enum import StrEnum
from typing import NamedTuple

from reportlab.graphics import renderPDF
from reportlab.graphics.barcode.qr import QrCodeWidget
from reportlab.graphics.shapes import Drawing
from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats.lettering import BOLD, TEXT, lettered, wrapped

INSIDE_MM, CODE_MM = 4.0, 17.0
LARGEST, LEAST = 9.0, 4.5
NAME_TIMES = 1.45
LEADING = 1.22


class Sheet(StrEnum):
    """How labels are printed."""

    A4_8 = "a4-8"
    A4_21 = "a4-21"
    SINGLE = "single"


class Grid(NamedTuple):
    """A page (mm), its rows and columns, and the size of a label with the margin before the first."""

    page: tuple[float, float]
    columns: int
    rows: int
    label: tuple[float, float]
    margin: tuple[float, float]


GRIDS: dict[Sheet, Grid] = {
    Sheet.A4_8: Grid((210, 297), 2, 4, (99.0, 67.0), (6.0, 14.5)),
    Sheet.A4_21: Grid((210, 297), 3, 7, (64.0, 38.0), (9.0, 15.5)),
    Sheet.SINGLE: Grid((100, 62), 1, 1, (100.0, 62.0), (0.0, 0.0)),
}
"""Plain grids on A4, and one label to a page for a roll of labels."""


class PrintedLabel(NamedTuple):
    """What stands on a label: its name, the lines below it, those of them that must be seen first, and what its code
    opens."""

    name: str
    lines: tuple[str, ...]
    warns: tuple[str, ...]
    opens: str


def label_pdf(label: PrintedLabel, sheet: Sheet, copies: int) -> bytes:
    """The document: ``copies`` of a label, as many to a page as the sheet has.

    Raises:
        CraftError: what must stand on it can't be read on labels of that size.
    """
    grid = GRIDS[sheet]
    out = io.BytesIO()
    width, height = grid.page
    canvas = Canvas(out, pagesize=(width * mm, height * mm), pageCompression=0, invariant=1)
    canvas.setTitle(f"Label: {label.name}")
    each = grid.columns * grid.rows
    for n in range(copies):
        at = n % each
        if n and at == 0:
            canvas.showPage()
        column, row = at % grid.columns, at // grid.columns
        x = grid.margin[0] + column * grid.label[0]
        y = height - grid.margin[1] - (row + 1) * grid.label[1]
        _draw(canvas, label, (x, y), grid.label)
    canvas.showPage()
    canvas.save()
    return out.getvalue()


class SetLine(NamedTuple):
    """A line as it is set: how far its foot lies below the top of the label's inside, in points."""

    font: str
    text: str
    size: float
    below: float


def set_lines(label: PrintedLabel, size: float, room: float, tall: float, code: float) -> list[SetLine]:
    """All lines at a size, broken to the room (points), beside the code where they come as low as that."""
    found: list[SetLine] = []
    below = 0.0
    for text, bold, own in [(label.name, True, size * NAME_TIMES), *((t, t in label.warns, size) for t in label.lines)]:
        font, shown = lettered(text, BOLD if bold else TEXT)
        parts = wrapped(shown, font, own, room)
        if below + len(parts) * own * LEADING > tall - code:
            parts = wrapped(shown, font, own, room - code - own)
        for part in parts:
            below += own * LEADING
            found.append(SetLine(font, part, own, below))
    return found


def _draw(canvas: Canvas, label: PrintedLabel, at_mm: tuple[float, float], size_mm: tuple[float, float]) -> None:
    x, y = at_mm
    wide, high = size_mm
    code = min(CODE_MM, high / 3)
    room, tall = (wide - 2 * INSIDE_MM) * mm, (high - 2 * INSIDE_MM) * mm
    size = LARGEST
    lines = set_lines(label, size, room, tall, code * mm)
    # What must stand on it does, however small: nothing of it is cut off.
    while size > LEAST and lines[-1].below > tall:
        size -= 0.25
        lines = set_lines(label, size, room, tall, code * mm)
    if lines[-1].below > tall:
        raise CraftError(
            "What must stand on the label is too much for labels of this size.",
            field="sheet",
            remedy="Print it eight to a sheet, or shorten the name.",
        )
    canvas.saveState()
    canvas.setStrokeGray(0.85)
    canvas.setLineWidth(0.2 * mm)
    canvas.rect(x * mm, y * mm, wide * mm, high * mm)
    canvas.restoreState()
    top = (y + high - INSIDE_MM) * mm
    for line in lines:
        canvas.setFont(line.font, line.size)
        canvas.drawString((x + INSIDE_MM) * mm, top - line.below, line.text)
    _code(canvas, label.opens, (x + wide - INSIDE_MM - code, y + INSIDE_MM), code)


def _code(canvas: Canvas, opens: str, at_mm: tuple[float, float], size_mm: float) -> None:
    widget = QrCodeWidget(opens, barLevel="M")
    left, low, right, _ = widget.getBounds()
    scale = size_mm * mm / (right - left)
    drawing = Drawing(size_mm * mm, size_mm * mm, transform=[scale, 0, 0, scale, -left * scale, -low * scale])
    drawing.add(widget)
    renderPDF.draw(drawing, canvas, at_mm[0] * mm, at_mm[1] * mm)
    canvas.linkURL(opens, tuple(v * mm for v in (*at_mm, at_mm[0] + size_mm, at_mm[1] + size_mm)))
