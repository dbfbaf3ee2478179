"""Paper shapes as one SVG of true scale, in millimetres, with a ruler to check."""

from __future__ import annotations

from collections.abc import Sequence
from xml.etree import ElementTree as ET

from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.formats.paper import RULER_MM

EDGE_MM, GAP_MM, TEXT_MM = 8.0, 12.0, 4.0
SPACE = "http://www.w3.org/2000/svg"


def lining_svg(title: str, shapes: Sequence[PaperShape], what: str = "Lining") -> bytes:
    """All shapes below each other, above them the ruler; ``what`` they are stands in its title."""
    width = max([RULER_MM + 70, *(s.width_mm for s in shapes)]) + 2 * EDGE_MM
    height = 3 * EDGE_MM + sum(s.height_mm + GAP_MM + TEXT_MM for s in shapes)
    root = ET.Element(
        "svg",
        {"xmlns": SPACE, "width": f"{width:g}mm", "height": f"{height:g}mm", "viewBox": f"0 0 {width:g} {height:g}"},
    )
    ET.SubElement(root, "title").text = f"{what}: {title}"
    pen = ET.SubElement(root, "g", {"fill": "none", "stroke": "#000", "stroke-width": "0.35"})
    _ruler(root, pen)
    y = 3 * EDGE_MM
    for shape in shapes:
        _text(root, EDGE_MM, y, _says(shape))
        y += TEXT_MM
        _shape(pen, shape, EDGE_MM, y)
        y += shape.height_mm + GAP_MM
    return bytes(ET.tostring(root, encoding="utf-8", xml_declaration=True))


def _says(shape: PaperShape) -> str:
    many = f", cut {shape.count}" if shape.count > 1 else ""
    return f"{shape.name}: {shape.size}{many}. {shape.note}".strip()


def _shape(pen: ET.Element, shape: PaperShape, left: float, top: float) -> None:
    def points(line: Sequence[tuple[float, float]]) -> str:
        return " ".join(f"{left + x:.2f},{top + shape.height_mm - y:.2f}" for x, y in line)

    for cut in shape.cuts:
        ET.SubElement(pen, "polygon" if len(cut) > 2 else "polyline", {"class": "cut", "points": points(cut)})
    for mark in shape.marks:
        ET.SubElement(pen, "polyline", {"class": "mark", "points": points(mark)})
    for fold in shape.folds:
        ET.SubElement(pen, "polyline", {"class": "fold", "points": points(fold), "stroke-dasharray": "1.2 1.2"})


def _ruler(root: ET.Element, pen: ET.Element) -> None:
    ET.SubElement(pen, "path", {"class": "ruler", "d": f"M{EDGE_MM:g} {EDGE_MM:g}h{RULER_MM:g}"})
    for tick in range(0, int(RULER_MM) + 1, 10):
        ET.SubElement(pen, "path", {"d": f"M{EDGE_MM + tick:g} {EDGE_MM:g}v{-3 if tick % 50 == 0 else -2}"})
    _text(root, EDGE_MM + RULER_MM + 3, EDGE_MM, "100 mm: measure it")


def _text(root: ET.Element, x: float, y: float, words: str) -> None:
    ET.SubElement(
        root, "text", {"x": f"{x:g}", "y": f"{y:g}", "font-size": f"{TEXT_MM:g}", "font-family": "sans-serif"}
    ).text = words
