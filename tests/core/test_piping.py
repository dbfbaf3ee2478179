"""Piped pieces against usual values of the trade, and the laws that hold for all of them."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.piping import colouring, deposit, lifting, maturing, sieve, sorting
from kindwhisk.core.piping.colouring import ColourKind, ColourRisk
from kindwhisk.core.piping.template import outlines, template
from kindwhisk.core.tins.layout import Arrangement, Layout, lay_out
from kindwhisk.core.tins.pieces import PieceShape, PipedPiece
from kindwhisk.core.values.errors import CraftError

widths = st.floats(10, 90)
sides = st.floats(120, 700)
gaps = st.floats(0, 40)


def _apart(a: tuple[float, float], b: tuple[float, float]) -> float:
    return math.hypot(a[0] - b[0], a[1] - b[1])


# Deposits.


@pytest.mark.parametrize(("wide", "high", "grams"), [(40, 10, 5.8), (35, 8.75, 3.87), (45, 11.25, 8.22)])
def test_a_shell_weighs_what_its_cap_holds(wide: float, high: float, grams: float) -> None:
    made = deposit.deposit(deposit.usual_piece(PieceShape.ROUND, wide), 300, 0.85)
    assert deposit.usual_piece(PieceShape.ROUND, wide).height_mm == high
    assert made.piece_g == pytest.approx(grams, abs=0.02)


def test_a_shell_spreads_by_a_twelfth_and_a_stiff_meringue_hardly() -> None:
    ready, by_ribbon = deposit.spread(0.85), deposit.spread(0.85, 12.5)
    assert (ready.low, ready.high) == (0.05, 0.12)
    assert by_ribbon.likely == pytest.approx(ready.likely)
    for seconds in (10, 15):
        assert 0.05 <= deposit.spread(0.85, seconds).likely <= 0.12
    assert deposit.spread(0.3).likely < 0.005
    piped = deposit.deposit(deposit.usual_piece(PieceShape.ROUND, 40), 300, 0.85).piped_diameter_mm
    assert 35.7 <= piped <= 38.1


@given(st.floats(0.2, 1.1), st.floats(0.2, 1.1), st.floats(2, 60), st.floats(2, 60))
def test_a_stiffer_batter_spreads_less(one: float, other: float, long: float, longer: float) -> None:
    light, heavy = sorted((one, other))
    assert deposit.spread(light).likely <= deposit.spread(heavy).likely
    short, lies = sorted((long, longer))
    assert deposit.spread(0.85, lies).likely <= deposit.spread(0.85, short).likely


@given(st.sampled_from(PieceShape), widths, st.floats(20, 20_000), st.floats(0.15, 1.2))
def test_pieces_and_what_is_left_are_the_batter(shape: PieceShape, wide: float, grams: float, density: float) -> None:
    piece = deposit.usual_piece(shape, wide)
    made = deposit.deposit(piece, grams, density)
    assert made.pieces * made.piece_g + made.left_g == pytest.approx(grams)
    if made.pieces:
        assert made.tip_g.likely - 1e-6 <= made.left_g < made.tip_g.likely + made.piece_g + 1e-6
    assert made.bags * deposit.bag_ml() >= grams / density - 1e-6
    assert (made.bags - 1) * deposit.bag_ml() < grams / density


def test_a_bag_of_forty_centimetres_takes_half_a_kilo_of_shell_batter() -> None:
    piece = deposit.usual_piece(PieceShape.ROUND, 40)
    assert 450 <= deposit.bag_ml() * 0.85 <= 500
    assert [deposit.deposit(piece, grams, 0.85).bags for grams in (440, 500, 960)] == [1, 2, 3]
    assert deposit.bag_ml(20) == pytest.approx(deposit.bag_ml() / 8)


def test_a_hand_at_rest_takes_seconds_for_a_shell() -> None:
    each = deposit.seconds_each(5.8)
    assert each.low - deposit.BETWEEN_S == pytest.approx(5.8 / 3)
    assert each.high - deposit.BETWEEN_S == pytest.approx(5.8 / 1.5)


@pytest.mark.parametrize(
    ("piece", "nozzle"),
    [
        (PipedPiece(width_mm=35, height_mm=9), 10),
        (PipedPiece(width_mm=40, height_mm=10), 12),
        (PipedPiece(width_mm=20, height_mm=12, length_mm=85), 12),
        (PipedPiece(width_mm=9, height_mm=7, length_mm=120, shape=PieceShape.STICK), 8),
        (PipedPiece(width_mm=60, height_mm=9, shape=PieceShape.RING, cord_mm=15), 12),
    ],
)
def test_the_nozzle_follows_the_piece(piece: PipedPiece, nozzle: int) -> None:
    assert deposit.nozzle_mm(piece) == nozzle


@given(st.sampled_from(PieceShape), widths, st.floats(3, 60))
def test_every_shape_and_its_mould_hold_the_same(shape: PieceShape, wide: float, high: float) -> None:
    piece = PipedPiece(width_mm=wide, height_mm=high, length_mm=3 * wide, shape=shape)
    if piece.mould().depth_mm > 1:
        assert piece.mould().volume_ml() == pytest.approx(piece.volume_ml(), rel=1e-3)


@given(st.sampled_from([PieceShape.KISS, PieceShape.RING]), widths, st.floats(3, 60))
def test_a_piece_holds_what_its_outline_encloses(shape: PieceShape, wide: float, high: float) -> None:
    """Summed up by discs and rings of its outline."""
    piece = PipedPiece(width_mm=wide, height_mm=high, shape=shape)
    cut = piece.outline(2001)
    step = high / 2000
    summed = sum(math.pi * (outer**2 - inner**2) * step for _, outer, inner in cut[:-1]) / 1000
    assert summed == pytest.approx(piece.volume_ml(), rel=5e-3)


# Layouts.


@given(widths, sides, sides, gaps)
def test_round_pieces_never_touch_nor_leave_the_tray(wide: float, width: float, length: float, gap: float) -> None:
    made = lay_out((wide, wide), (width, length), gap, 15)
    for spot in made.spots:
        assert 15 + wide / 2 - 1e-6 <= spot.x_mm <= width - 15 - wide / 2 + 1e-6
        assert 15 + wide / 2 - 1e-6 <= spot.y_mm <= length - 15 - wide / 2 + 1e-6
    places = [(s.x_mm, s.y_mm) for s in made.spots]
    for i, one in enumerate(places):
        for other in places[i + 1 :]:
            assert _apart(one, other) >= wide + gap - 1e-6


@given(st.floats(10, 40), st.floats(41, 150), sides, sides, gaps)
def test_fingers_never_touch_nor_leave_the_tray(
    wide: float, long: float, width: float, length: float, gap: float
) -> None:
    made = lay_out((wide, long), (width, length), gap, 10)
    half = (made.across_mm / 2, made.along_mm / 2)
    for spot in made.spots:
        assert 10 + half[0] - 1e-6 <= spot.x_mm <= width - 10 - half[0] + 1e-6
        assert 10 + half[1] - 1e-6 <= spot.y_mm <= length - 10 - half[1] + 1e-6
    places = [(s.x_mm, s.y_mm) for s in made.spots]
    for i, one in enumerate(places):
        for other in places[i + 1 :]:
            beside = abs(one[0] - other[0]) >= made.across_mm + gap - 1e-6
            above = abs(one[1] - other[1]) >= made.along_mm + gap - 1e-6
            assert beside or above


@given(widths, sides, sides, gaps)
def test_a_tray_takes_as_many_either_way_round(wide: float, width: float, length: float, gap: float) -> None:
    one, turned = lay_out((wide, wide), (width, length), gap), lay_out((wide, wide), (length, width), gap)
    assert len(one.spots) == len(turned.spots)
    assert len(lay_out((wide * 1.1, wide * 1.1), (width, length), gap).spots) <= len(one.spots)


def test_staggered_rows_are_taken_only_where_they_take_more() -> None:
    assert lay_out((40, 40), (300, 400)).arrangement is Arrangement.STAGGERED
    assert lay_out((40, 40), (150, 150), 20, 15).arrangement is Arrangement.ROWS


# The template.


def _radius(points: tuple[tuple[float, float], ...]) -> float:
    return (max(x for x, _ in points) - min(x for x, _ in points)) / 2


@given(st.sampled_from([PieceShape.ROUND, PieceShape.KISS]), widths, st.floats(0, 0.3))
def test_a_template_is_drawn_as_wide_as_it_is_piped(shape: PieceShape, wide: float, spread: float) -> None:
    piece = PipedPiece(width_mm=wide, height_mm=5, shape=shape)
    layout = piece.laid_out(300, 400)
    lines = outlines(piece, layout, spread)
    assert len(lines) == len(layout.spots)
    assert all(_radius(line) == pytest.approx(wide / (1 + spread) / 2, abs=0.01) for line in lines)


def test_a_ring_is_drawn_by_both_its_edges_and_a_finger_by_its_length() -> None:
    ring = PipedPiece(width_mm=60, height_mm=9, shape=PieceShape.RING, cord_mm=15)
    inner = sorted({round(_radius(line), 2) for line in outlines(ring, ring.laid_out(300, 400), 0.1)})
    assert inner == pytest.approx([22.5 - 7.5 / 1.1, 22.5 + 7.5 / 1.1], abs=0.01)
    finger = PipedPiece(width_mm=20, height_mm=12, length_mm=90)
    layout = finger.laid_out(300, 400)
    line = outlines(finger, layout, 0.0)[0]
    spans = sorted(max(p[i] for p in line) - min(p[i] for p in line) for i in (0, 1))
    assert spans == pytest.approx([20, 90], abs=0.01)
    assert template(finger, layout, 0.0)[0].width_mm == 300


# Colour.


def test_gel_doses_lie_where_the_trade_has_them_and_above_a_hundredth_is_too_much() -> None:
    pale, full = (colouring.dose(1000, ColourKind.GEL, d) for d in (1 / 3, 1))
    assert pale.grams == pytest.approx(2 * colouring.FADES)
    assert full.grams == pytest.approx(6 * colouring.FADES)
    assert (pale.risk, full.limit_g) == (ColourRisk.NONE, 10)
    assert colouring.dose(1000, ColourKind.GEL, 1.2).risk is ColourRisk.NEAR
    deep = colouring.dose(1000, ColourKind.GEL, 2.0)
    assert deep.risk is ColourRisk.OVER
    assert "crack" in deep.says


def test_any_liquid_above_half_a_hundredth_is_too_much() -> None:
    full = colouring.dose(1000, ColourKind.LIQUID, 1)
    assert (full.limit_g, full.risk) == (5, ColourRisk.OVER)
    assert colouring.dose(1000, ColourKind.POWDER, 1).water_g == 0
    assert colouring.dose(1000, ColourKind.POWDER, 4).says.endswith("Stay paler.")


@given(st.sampled_from(ColourKind), st.floats(0, 4), st.floats(0, 4), st.floats(10, 5000))
def test_a_deeper_colour_takes_more_of_it(kind: ColourKind, one: float, other: float, grams: float) -> None:
    pale, deep = sorted((one, other))
    assert colouring.dose(grams, kind, pale).grams <= colouring.dose(grams, kind, deep).grams + 1e-9
    assert colouring.dose(2 * grams, kind, deep).grams == pytest.approx(2 * colouring.dose(grams, kind, deep).grams)


@pytest.mark.parametrize("into", [i for i in colouring.ColourInto if i is not colouring.ColourInto.BATTER])
def test_a_filling_has_no_skin_to_weaken_but_may_mind_water(into: colouring.ColourInto) -> None:
    liquid = colouring.dose(100, ColourKind.LIQUID, 1, into)
    assert liquid.limit_g is None
    assert liquid.risk is ColourRisk.CARE
    assert liquid.grams < colouring.dose(100, ColourKind.LIQUID, 1).grams
    chocolate = into is colouring.ColourInto.CHOCOLATE
    assert (colouring.dose(100, ColourKind.GEL, 1, into).risk is ColourRisk.CARE) is chocolate


def test_colours_of_a_batter_are_judged_each_kind_for_itself() -> None:
    batter = Material(parts={"almond-flour": 90, "egg-white": 100, "colour-gel-green": 1.5, "colour-gel": 1.5})
    gel = colouring.doses_in(batter)
    assert [d.grams for d in gel] == [3.0]
    assert gel[0].risk is ColourRisk.OVER
    assert colouring.doses_in(Material(parts={"egg-white": 100})) == ()


@given(st.integers(1, 12), st.floats(80, 900))
def test_painted_lines_share_their_colour_and_the_tip_comes_out_pale(lines: int, grams: float) -> None:
    told = colouring.painted(grams, 0.85, 5.8, lines, deposit.TIP_ML)
    assert lines * told.per_line_g == pytest.approx(colouring.PAINTED_SHARE * grams)
    assert 1 <= told.pale.low <= told.pale.high <= 2.3
    assert told.lasts.high == pytest.approx(grams / 5.8)


# The sieve.


@given(st.floats(50, 2000), st.floats(50, 2000), st.floats(0, 0.99))
def test_topped_up_or_scaled_the_ratio_stays(nuts: float, sugar: float, share: float) -> None:
    dry = {"almond-flour": nuts, "icing-sugar": sugar}
    left = share * (nuts + sugar)
    told = sieve.sieved(dry, left)
    assert sum(told.top_up_g.values()) == pytest.approx(left)
    assert told.top_up_g["almond-flour"] * sugar == pytest.approx(told.top_up_g["icing-sugar"] * nuts)
    assert told.factor * (nuts + sugar) == pytest.approx(nuts + sugar - left)


def test_coarse_nuts_are_told_what_to_do_with() -> None:
    dry = {"almond-flour": 100.0, "icing-sugar": 100.0}
    assert "go on" in sieve.sieved(dry, 1).says
    assert sieve.sieved(dry, 5).coarse == ""
    assert "Grind" in sieve.sieved(dry, 12).coarse
    for wrong in (-1, 200, 300):
        with pytest.raises(CraftError) as refused:
            sieve.sieved(dry, wrong)
        assert refused.value.field == "left_g"


# Sorting and filling.


@given(st.lists(st.floats(30, 50), max_size=60))
def test_pairs_are_of_one_size_and_none_is_lost(sizes: list[float]) -> None:
    made = sorting.pair(sizes)
    assert all(0 <= p.larger_mm - p.smaller_mm <= 1 + 1e-6 for p in made.pairs)
    paired = [s for p in made.pairs for s in (p.larger_mm, p.smaller_mm)]
    assert sorted([*paired, *made.single_mm]) == sorted(sizes)


@given(st.lists(st.integers(0, 12), min_size=2, max_size=9))
def test_there_are_as_many_pairs_as_there_can_be(halves: list[int]) -> None:
    """Against every way to pair them."""
    sizes = tuple(40 + h / 2 for h in halves)

    def most(left: tuple[float, ...]) -> int:
        if len(left) < 2:
            return 0
        first, rest = left[0], left[1:]
        taken = [1 + most(rest[:i] + rest[i + 1 :]) for i, s in enumerate(rest) if abs(first - s) <= 1]
        return max([most(rest), *taken])

    assert len(sorting.pair(sizes).pairs) == most(sizes)


@pytest.mark.parametrize(("density", "grams"), [(1.15, 4.2), (0.75, 2.7)])
def test_a_pair_takes_a_disc_of_filling(density: float, grams: float) -> None:
    assert sorting.filling_g(34, 4, density) == pytest.approx(grams, abs=0.03)
    made = sorting.filling(30, 40, density)
    assert made.each_g == pytest.approx(grams, abs=0.03)
    assert made.made_g * (1 - sorting.BAG_SHARE) == pytest.approx(made.total_g)


def test_spare_shells_are_piped_for_those_that_break() -> None:
    assert sorting.with_spare(60) == 64
    counted = sorting.together([sorting.Counted(good=28, broken=2), sorting.Counted(good=20, cracked=3, hollow=2)])
    assert (counted.pieces, counted.good, counted.hollow) == (55, 48, 2)
    assert counted.share_good == pytest.approx(48 / 55)
    assert sorting.Counted(good=0).share_good == 1


def test_a_tray_that_nobody_has_counted_yet_is_taken_for_good() -> None:
    first = sorting.Counted(good=27, broken=3)
    assert sorting.whole((), 58, 2) is None
    assert sorting.whole(((1, first),), 58, 2) == sorting.Counted(good=55, broken=3)
    both = ((1, first), (2, sorting.Counted(good=20, hollow=2)))
    assert sorting.whole(both, 58, 2) == sorting.Counted(good=47, broken=3, hollow=2)
    assert sorting.whole((*both, (0, sorting.Counted(good=50))), 58, 2) == sorting.Counted(good=50)


# Maturing.


def test_wet_fillings_mature_sooner_and_each_keeps_its_days() -> None:
    ganache = Material(parts={"chocolate-dark": 72, "cream-35": 60})
    curd = Material(parts={"lemon-juice": 60, "sugar": 60, "whole-egg": 60, "butter": 40})
    butter = Material(parts={"butter": 100, "sugar": 60, "egg-white": 5})
    fresh = Material(parts={"cream-cheese": 72, "icing-sugar": 24, "butter": 24})
    kinds = [maturing.kind_of(m) for m in (curd, ganache, butter, fresh)]
    hours = [maturing.hours(k).likely for k in kinds[:3]]
    assert hours == sorted(hours)
    assert hours[1] == 24
    assert all(12 <= h <= 48 for h in hours)
    assert [maturing.keeps_days(k) for k in kinds] == ["4 days", "5 days", "6 days", "2 days"]


def test_what_sticks_is_judged_cold() -> None:
    assert any("two minutes more" in row.do and "freezer" in row.do for row in lifting.STUCK)


def test_a_layout_is_told_by_its_spots() -> None:
    made: Layout = PipedPiece(width_mm=40, height_mm=10).laid_out(300, 400)
    assert len(made.spots) == 30
