"""Paper shapes as a PDF of true scale: cut along the line, fold along the dots, and check the ruler before cutting."""

from __future__ import annotations

import io
from collections.abc import Sequence

from reportlab.lib.units import mm
from reportlab.pdfgen.canvas import Canvas

from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.formats.lettering import TEXT, lettered
from kindwhisk.formats.paper import FOOT_MM, LAP_MM, MARGIN_MM, RULER_MM, SIZE_MM, Paper, Tile, pages, placed

LINE, FINE = 0.35 * mm, 0.2 * mm
RING_TEXT = 0.14


def lining_pdf(title: str, shapes: Sequence[PaperShape], paper: Paper, what: str = "Lining") -> bytes:
    """The document; ``title`` stands at the head of every page, ``what`` it is in the document's own."""
    width, height = SIZE_MM[paper]
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=(width * mm, height * mm), pageCompression=0, invariant=1)
    canvas.setTitle(f"{what}: {title}")
    made = pages(shapes, paper)
    for number, page in enumerate(made, start=1):
        font, head = lettered(f"{title}, page {number} of {len(made)}", TEXT)
        canvas.setFont(font, 10)
        canvas.drawString(MARGIN_MM * mm, (height - 9) * mm, head)
        for tile in page:
            _tile(canvas, tile)
        _ruler(canvas)
        canvas.showPage()
    canvas.save()
    return out.getvalue()


def _tile(canvas: Canvas, tile: Tile) -> None:
    canvas.saveState()
    frame = canvas.beginPath()
    frame.rect((tile.x_mm - 1) * mm, (tile.y_mm - 1) * mm, (tile.width_mm + 2) * mm, (tile.height_mm + 2) * mm)
    canvas.clipPath(frame, stroke=0, fill=0)
    _lines(canvas, tile, tile.shape.cuts, closed=True)
    _lines(canvas, tile, tile.shape.marks, closed=False)
    canvas.setDash(1.2 * mm, 1.2 * mm)
    _lines(canvas, tile, tile.shape.folds, closed=False)
    canvas.restoreState()
    _seams(canvas, tile)
    shape = tile.shape
    says = [f"{shape.name}: {shape.size}", f"cut {shape.count}" if shape.count > 1 else "", shape.note, tile.label]
    canvas.setFont(TEXT, 8)
    # A ring has nothing to write on in its middle.
    high = RING_TEXT if sum(len(c) > 2 for c in shape.cuts) > 1 else 0.5
    x, y = tile.x_mm + tile.width_mm / 2, tile.y_mm + high * tile.height_mm
    for i, line in enumerate(s for s in says if s):
        canvas.drawCentredString(x * mm, (y - 4 * i) * mm, line)


def _seams(canvas: Canvas, tile: Tile) -> None:
    """Where the part before ends: glued over up to this line."""
    canvas.saveState()
    canvas.setStrokeGray(0.6)
    canvas.setDash(0.3 * mm, 1 * mm)
    if tile.left_mm > 0:
        x = (tile.x_mm + LAP_MM) * mm
        canvas.line(x, tile.y_mm * mm, x, (tile.y_mm + tile.height_mm) * mm)
    if tile.bottom_mm > 0:
        y = (tile.y_mm + LAP_MM) * mm
        canvas.line(tile.x_mm * mm, y, (tile.x_mm + tile.width_mm) * mm, y)
    canvas.restoreState()


def _lines(canvas: Canvas, tile: Tile, lines: Sequence[Sequence[tuple[float, float]]], *, closed: bool) -> None:
    canvas.setLineWidth(LINE if closed else FINE)
    for line in lines:
        path = canvas.beginPath()
        points = [placed(tile, x, y) for x, y in line]
        path.moveTo(points[0][0] * mm, points[0][1] * mm)
        for x, y in points[1:]:
            path.lineTo(x * mm, y * mm)
        if closed and len(points) > 2:
            path.close()
        canvas.drawPath(path, stroke=1, fill=0)


def _ruler(canvas: Canvas) -> None:
    base = (FOOT_MM - 6) * mm
    canvas.setLineWidth(FINE)
    canvas.line(MARGIN_MM * mm, base, (MARGIN_MM + RULER_MM) * mm, base)
    for tick in range(0, int(RULER_MM) + 1, 10):
        x = (MARGIN_MM + tick) * mm
        canvas.line(x, base, x, base + (3 if tick % 50 == 0 else 2) * mm)
    canvas.setFont(TEXT, 8)
    canvas.drawString((MARGIN_MM + RULER_MM + 4) * mm, base, "100 mm: measure it. Print at 100 %, not fitted.")
