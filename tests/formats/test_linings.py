"""Linings on paper: true to scale, nothing left out between the parts, and the parts lap over each other."""

from __future__ import annotations

import math
import re
from itertools import pairwise
from xml.etree import ElementTree as ET

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.tins.paper import OVERLAP_MM, PaperShape, arc, disc, paper, wall
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
)
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats.lining_pdf import lining_pdf
from kindwhisk.formats.lining_svg import lining_svg
from kindwhisk.formats.paper import LAP_MM, MARGIN_MM, Paper, Tile, pages, placed, printable_mm, tiles


def rectangle(width: float, height: float, count: int = 1) -> PaperShape:
    return paper("wall", "strip", [[(0, 0), (width, 0), (width, height), (0, height)]], count=count)


def test_what_a_printer_leaves_free() -> None:
    assert printable_mm(Paper.A4) == pytest.approx((194, 261))
    assert printable_mm(Paper.LETTER) == pytest.approx((199.9, 243.4))


@given(st.floats(20, 900), st.floats(20, 900), st.sampled_from(Paper))
def test_tiles_cover_a_shape_and_lap_by_a_centimetre(width: float, height: float, size: Paper) -> None:
    across, down = printable_mm(size)
    cut = tiles(rectangle(width, height), size)
    wide, high = (height, width) if cut[0].turned else (width, height)
    for axis, whole, room in (("left_mm", wide, across), ("bottom_mm", high, down)):
        extent = "width_mm" if axis == "left_mm" else "height_mm"
        spans = sorted({(getattr(t, axis), getattr(t, axis) + getattr(t, extent)) for t in cut})
        assert spans[0][0] == 0
        assert spans[-1][1] == pytest.approx(whole)
        for (_, end), (start, _) in pairwise(spans):
            assert end - start == pytest.approx(LAP_MM)
        assert all(end - start <= room + 1e-9 for start, end in spans)
        fewest = 1 if whole <= room else math.ceil((whole - LAP_MM) / (room - LAP_MM))
        assert len(spans) == fewest


def test_a_shape_lies_on_the_side_that_takes_fewest_pages() -> None:
    assert [t.turned for t in tiles(rectangle(250, 100), Paper.A4)] == [True]
    assert [t.turned for t in tiles(rectangle(100, 250), Paper.A4)] == [False]
    assert [t.turned for t in tiles(rectangle(100, 100), Paper.A4)] == [False]
    parts = tiles(rectangle(300, 300), Paper.A4)
    assert [t.label for t in parts] == [f"part {i} of 4" for i in (1, 2, 3, 4)]
    assert tiles(rectangle(100, 100), Paper.A4)[0].label == ""


def test_pages_are_filled_from_the_tallest_and_nothing_overlaps() -> None:
    shapes = [rectangle(90, h) for h in (40, 200, 60, 120, 30)]
    made = pages(shapes, Paper.A4)
    across, down = printable_mm(Paper.A4)
    assert [t.height_mm for page in made for t in page] == [200, 120, 60, 40, 30]
    for page in made:
        for tile in page:
            assert tile.x_mm >= MARGIN_MM
            assert tile.x_mm + tile.width_mm <= MARGIN_MM + across + 1e-9
            assert tile.y_mm >= 16
            assert tile.y_mm + tile.height_mm <= 16 + down + 1e-9
        for i, one in enumerate(page):
            for other in page[i + 1 :]:
                apart_x = one.x_mm + one.width_mm <= other.x_mm or other.x_mm + other.width_mm <= one.x_mm
                apart_y = one.y_mm + one.height_mm <= other.y_mm or other.y_mm + other.height_mm <= one.y_mm
                assert apart_x or apart_y
    first, second = made[0][0], made[0][1]
    assert (first.x_mm, first.y_mm) == pytest.approx((8, 16 + down - 200))
    assert (second.x_mm, second.y_mm) == pytest.approx((8 + 90 + 6, 16 + down - 120))


def test_a_pile_of_paper_is_refused() -> None:
    with pytest.raises(CraftError, match="more than 40 pages"):
        pages([rectangle(1900, 1900)], Paper.A4)


def test_a_point_lies_on_the_page_where_its_tile_does() -> None:
    shape = rectangle(250, 100)
    straight = Tile(shape, 30, 20, 100, 80, False, "", 8, 16)
    assert placed(straight, 50, 60) == (28, 56)
    turned = Tile(shape, 10, 5, 90, 200, True, "", 8, 16)
    assert placed(turned, 50, 60) == (8 + 100 - 60 - 10, 16 + 50 - 5)


def test_a_straight_wall_is_as_long_as_its_circle_and_laps_over() -> None:
    found = wall("wall", 200, 200.4, 80)
    assert found.width_mm == pytest.approx(math.pi * 200 + OVERLAP_MM)
    assert found.height_mm == 80
    assert [x for x, _ in found.folds[0]] == pytest.approx([math.pi * 200] * 2)


def test_a_tapered_wall_is_a_piece_of_a_ring_as_long_as_both_its_rims() -> None:
    found = wall("wall", 180, 220, 90)
    slant = math.hypot(90, 20)
    inner = 90 * slant / 20
    outer = inner + slant
    assert len(found.cuts) == 1
    turn = 2 * math.pi * 90 / inner
    assert outer * turn == pytest.approx(2 * math.pi * 110)
    lap = OVERLAP_MM / outer
    middle = (turn + lap) / 2
    assert found.width_mm == pytest.approx(2 * outer * math.sin(min(middle, math.pi / 2)), rel=1e-3)
    assert found.height_mm == pytest.approx(outer - inner * math.cos(middle), rel=1e-3)
    assert wall("wall", 220, 180, 90).width_mm == pytest.approx(found.width_mm)
    (x1, y1), (x2, y2) = found.folds[0]
    assert math.hypot(x2 - x1, y2 - y1) == pytest.approx(slant)
    assert f"{slant:.0f} mm wide, {2 * math.pi * 110:.0f} mm along" in found.size


def test_a_disc_is_round_and_a_ring_has_its_hole() -> None:
    found = disc(180)
    assert (found.width_mm, found.height_mm) == pytest.approx((180, 180), abs=0.01)
    assert all(math.hypot(x - 90, y - 90) == pytest.approx(90, abs=1e-6) for x, y in found.cuts[0])
    ring = disc(180, 60)
    assert len(ring.cuts) == 2
    assert max(x for x, _ in ring.cuts[1]) - min(x for x, _ in ring.cuts[1]) == pytest.approx(60, abs=0.01)
    assert len(arc(10, 0, math.pi)) == 181


def test_the_drawing_is_in_millimetres_with_a_ruler_of_a_hundred() -> None:
    tin = RoundTin(dimensions=RoundDimensions(diameter_mm=180, depth_mm=70))
    root = ET.fromstring(lining_svg("Round", tin.lining()))
    assert root.attrib["width"].endswith("mm")
    assert root.attrib["viewBox"].split()[2] + "mm" == root.attrib["width"]
    cuts = [e.attrib["points"] for e in root.iter() if e.attrib.get("class") == "cut"]
    widths = []
    for points in cuts:
        xs = [float(p.split(",")[0]) for p in points.split()]
        widths.append(max(xs) - min(xs))
    assert sorted(widths) == pytest.approx(sorted(s.width_mm for s in tin.lining()), abs=0.02)
    ruler = next(e for e in root.iter() if e.attrib.get("class") == "ruler")
    assert ruler.attrib["d"] == "M8 8h100"
    height = float(root.attrib["viewBox"].split()[3])
    assert height == pytest.approx(24 + sum(s.height_mm + 16 for s in tin.lining()))


def test_the_printed_page_has_its_true_size_and_its_number() -> None:
    made = lining_pdf("Round", [rectangle(300, 300)], Paper.A4).decode("latin-1")
    boxes = re.findall(r"/MediaBox \[ 0 0 ([\d.]+) ([\d.]+) \]", made)
    assert len(boxes) == 3
    assert float(boxes[0][0]) == pytest.approx(210 / 25.4 * 72, abs=0.01)
    assert float(boxes[0][1]) == pytest.approx(297 / 25.4 * 72, abs=0.01)
    assert "page 3 of 3" in made
    assert "part 4 of 4" in made
    ruler = 100 / 25.4 * 72
    lines = [tuple(map(float, m)) for m in re.findall(r"n ([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l S", made)]
    assert any(x2 - x1 == pytest.approx(ruler, abs=0.01) and y1 == y2 for x1, y1, x2, y2 in lines)


def test_folds_are_dotted_and_a_ring_is_written_on_below_its_hole() -> None:
    folded = paper("net", "net", [[(0, 0), (90, 0), (90, 60), (0, 60)]], folds=[[(0, 30), (90, 30)]])
    made = lining_pdf("Round", [folded], Paper.A4).decode("latin-1")
    dot = 1.2 / 25.4 * 72
    dashes = [tuple(map(float, m)) for m in re.findall(r"\[([\d.]+) ([\d.]+)\] 0 d", made)]
    assert any(pair == pytest.approx((dot, dot), abs=1e-3) for pair in dashes)

    def height(shape: PaperShape) -> float:
        text = lining_pdf("Round", [shape], Paper.A4).decode("latin-1")
        found = re.search(r"1 0 0 1 [\d.]+ ([\d.]+) Tm \([^)]*base", text)
        assert found is not None
        return float(found[1]) / 72 * 25.4

    bottom = height(disc(150)) - 0.5 * 150
    assert height(disc(150, 50)) - bottom == pytest.approx(0.14 * 150, abs=0.1)
    slit = paper("base", "with slits", [[(0, 0), (150, 0), (150, 150), (0, 150)], [(0, 0), (20, 20)]])
    assert height(slit) - bottom == pytest.approx(0.5 * 150, abs=0.1)


def test_the_corners_of_a_sheet_are_cut_in_to_its_base() -> None:
    tin = BoxTin(shape="square", dimensions=BoxDimensions(width_mm=180, length_mm=200, depth_mm=50))
    shape = tin.lining()[0]
    slits = {tuple(sorted(line)) for line in shape.cuts if len(line) == 2}
    assert slits == {
        ((0, 0), (50, 50)),
        ((230, 50), (280, 0)),
        ((230, 250), (280, 300)),
        ((0, 300), (50, 250)),
    }
    assert shape.folds[0] == ((50, 50), (230, 50), (230, 250), (50, 250), (50, 50))


def test_the_net_of_a_loaf_tin_is_its_base_with_four_sloping_walls() -> None:
    tin = LoafTin(
        dimensions=LoafDimensions(
            bottom_width_mm=80, bottom_length_mm=200, top_width_mm=100, top_length_mm=230, depth_mm=60
        )
    )
    side, end = math.hypot(60, 10), math.hypot(60, 15)
    x, y = side, end
    net = [
        (x, y), (x - 10, 0), (x + 90, 0), (x + 80, y), (x + 80 + side, y - 15), (x + 80 + side, y + 215),
        (x + 80, y + 200), (x + 90, y + 200 + end), (x - 10, y + 200 + end), (x, y + 200), (0, y + 215), (0, y - 15),
    ]  # fmt: skip
    base = [(x, y), (x + 80, y), (x + 80, y + 200), (x, y + 200), (x, y)]
    shape = tin.lining()[0]
    for lines, expected in ((shape.cuts, net), (shape.folds, base)):
        assert np.array(lines[0]) == pytest.approx(np.array(expected))


def test_the_ruler_has_a_tick_each_centimetre_and_longer_ones_at_its_ends_and_middle() -> None:
    made = lining_pdf("Round", [rectangle(90, 60)], Paper.A4).decode("latin-1")
    mm = 72 / 25.4
    lines = [tuple(map(float, m)) for m in re.findall(r"n ([\d.]+) ([\d.]+) m ([\d.]+) ([\d.]+) l S", made)]
    ticks = {round(x1 / mm - 8, 1): (y2 - y1) / mm for x1, y1, x2, y2 in lines if x1 == x2 and y2 - y1 < 4 * mm}
    assert sorted(ticks) == pytest.approx([10.0 * i for i in range(11)], abs=0.1)
    assert {at: round(high, 1) for at, high in ticks.items() if high > 2.5} == {0.0: 3.0, 50.0: 3.0, 100.0: 3.0}


def test_the_drawn_ruler_has_the_same_ticks() -> None:
    root = ET.fromstring(lining_svg("Round", [rectangle(90, 60)]))
    found = [re.fullmatch(r"M([\d.]+) 8v-([23])", e.attrib.get("d", "")) for e in root.iter()]
    ticks = {float(m[1]) - 8: int(m[2]) for m in found if m}
    assert ticks == {10.0 * i: 3 if i % 5 == 0 else 2 for i in range(11)}
