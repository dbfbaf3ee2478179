"""A template at true scale: the tray's paper with a line around every piece as it is piped, before it spreads."""

from __future__ import annotations

import math

from kindwhisk.core.tins.layout import Layout
from kindwhisk.core.tins.paper import PaperShape, Point, arc, paper
from kindwhisk.core.tins.pieces import PieceShape, PipedPiece


def _round(middle: Point, radius: float) -> tuple[Point, ...]:
    return tuple((middle[0] + x, middle[1] + y) for x, y in arc(radius, 0, 2 * math.pi))


def _line(middle: Point, wide: float, long: float, *, lying: bool) -> tuple[Point, ...]:
    """A finger's outline, upright or lying: two straight sides and round ends."""
    r, half = wide / 2, max(0.0, long - wide) / 2
    top = [(x, y + half) for x, y in arc(r, 0, math.pi)]
    low = [(x, y - half) for x, y in arc(r, math.pi, 2 * math.pi)]
    points = [*top, *low, top[0]]
    return tuple((middle[0] + (y if lying else x), middle[1] + (x if lying else y)) for x, y in points)


def outlines(piece: PipedPiece, layout: Layout, spread: float) -> list[tuple[Point, ...]]:
    """The line around each piece of a layout as it is piped: narrower by its spread (a share of its piped width)."""
    found: list[tuple[Point, ...]] = []
    share = 1 / (1 + spread)
    for spot in layout.spots:
        middle = (spot.x_mm, spot.y_mm)
        wide = piece.width_mm * share
        if piece.form in {PieceShape.FINGER, PieceShape.STICK}:
            long = max(wide, piece.footprint_mm[1] - (piece.width_mm - wide))
            found.append(_line(middle, wide, long, lying=layout.across_mm > layout.along_mm))
        elif piece.form is PieceShape.RING:
            # A cord spreads both ways, about its own middle.
            centre, half = (piece.width_mm - piece.cord) / 2, piece.cord * share / 2
            found += [_round(middle, centre + half), _round(middle, centre - half)]
        else:
            found.append(_round(middle, wide / 2))
    return found


def template(piece: PipedPiece, layout: Layout, spread: float) -> tuple[PaperShape, ...]:
    """The paper of a tray, to be cut out, with a line for every piece, to be laid below the baking paper."""
    corners = [(0.0, 0.0), (layout.width_mm, 0.0), (layout.width_mm, layout.length_mm), (0.0, layout.length_mm)]
    piped = piece.width_mm / (1 + spread)
    return (
        paper(
            "template",
            f"{layout.width_mm:.0f} × {layout.length_mm:.0f} mm, {len(layout.spots)} pieces",
            [corners],
            note=f"Pipe to the line ({piped:.0f} mm): it spreads to {piece.width_mm:.0f} mm.",
            marks=outlines(piece, layout, spread),
        ),
    )
