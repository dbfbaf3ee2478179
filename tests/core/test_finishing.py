"""From the rack to the plate in lengths and grams: reference values, and laws that hold for any cake."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.finishing import allocation, cutting, dome, fingers, rolling, soaking
from kindwhisk.core.finishing.allocation import Coat, Filling
from kindwhisk.core.finishing.bodies import DomeBody, PairsBody, RollBody, RoundBody, SquareBody
from kindwhisk.core.finishing.soaking import Liquid
from kindwhisk.core.values.errors import CraftError

lengths = st.floats(150, 600)
thin = st.floats(6, 25)


def test_a_roll_has_the_diameter_and_the_turns_of_the_reference() -> None:
    made = rolling.roll(350, 20, 12)
    assert made.diameter_mm == pytest.approx(94.4, abs=0.05)
    assert made.turns == pytest.approx(1.91, abs=0.005)
    round_core = rolling.roll(350, 20, 12, 20)
    assert round_core.diameter_mm == pytest.approx(96.5, abs=0.05)
    assert round_core.turns == pytest.approx(1.56, abs=0.005)
    assert rolling.strain(12, 10) == pytest.approx(0.375)


@given(lengths, thin, st.floats(0, 10), st.floats(0, 1))
def test_a_spiral_covers_as_much_as_its_sheet_and_filling(
    along: float, sheet: float, filling: float, taper: float
) -> None:
    made = rolling.tapered(along, sheet, filling, taper)
    line = rolling.spiral(along, sheet, filling, taper)
    assert line[-1][0] / math.tau == pytest.approx(made.turns, rel=0.12, abs=0.15)
    # What is rolled has the same area as what lay flat.
    mean = rolling.mean_filling_mm(filling, taper)
    assert math.pi / 4 * made.diameter_mm**2 == pytest.approx(along * (sheet + mean), rel=1e-6)
    radii = [out for _, _, out in line]
    assert radii == sorted(radii) or taper > 0
    assert all(0 <= inner < outer for _, inner, outer in line)


@given(st.floats(1, 10), st.floats(0, 1))
def test_a_tapered_filling_weighs_what_its_thickness_says(full: float, taper: float) -> None:
    steps = 3000
    mean = sum(rolling.filling_mm(full, taper, (i + 0.5) / steps) for i in range(steps)) / steps
    assert mean == pytest.approx(rolling.mean_filling_mm(full, taper), rel=1e-3)


def test_sound_and_cracked_rolls_draw_the_limit_in() -> None:
    nothing = rolling.cracks_from()
    assert (nothing.low, nothing.high, nothing.bakes) == (0.25, 0.45, 0)
    sound = rolling.cracks_from(sound=(0.33,))
    assert sound.low == 0.33
    assert sound.likely > nothing.likely
    cracked = rolling.cracks_from(cracked=(0.31,))
    assert cracked.high == 0.31
    assert cracked.likely < nothing.likely
    both = rolling.cracks_from(sound=(0.40,), cracked=(0.30,))
    assert 0.30 <= both.low <= both.likely <= both.high <= 0.40
    assert both.bakes == 2


def test_a_ring_of_the_reference() -> None:
    ring = fingers.ring(180, 60, 28, 18, 60)
    assert ring.fingers == 18
    assert ring.room_mm == 144
    assert ring.disc_mm == 146
    assert ring.last_cut_mm == pytest.approx(2 * math.pi * 81 - 18 * 28)
    assert ring.closes
    assert ring.trim_g.likely == 0


@given(st.floats(120, 400), st.floats(15, 45), st.floats(10, 25), st.floats(20, 90), st.floats(30, 120))
def test_fingers_and_the_gap_go_round_the_ring(
    ring_mm: float, width: float, thick: float, high: float, long: float
) -> None:
    ring = fingers.ring(ring_mm, high, width, thick, long)
    around = 2 * math.pi * (ring_mm / 2 - thick / 2)
    assert ring.fingers * width + ring.last_cut_mm == pytest.approx(around)
    assert 0 <= ring.last_cut_mm < width
    assert ring.wall_mm == min(high, long)
    assert ring.wall_mm + ring.trim_mm == pytest.approx(long)
    assert ring.room_mm == pytest.approx(ring_mm - 2 * thick)
    wider = fingers.ring(ring_mm + 20, high, width, thick, long)
    assert wider.fingers >= ring.fingers


@given(st.floats(40, 200), st.floats(0.05, 0.4), st.floats(0.05, 0.4))
def test_a_dome_holds_what_its_parts_leave(radius: float, wall: float, lid: float) -> None:
    made = dome.dome(radius, wall * radius, lid * radius)
    half_sphere = 2 / 3 * math.pi * radius**3 / 1000
    assert made.wall_ml + made.lid_ml + made.cavity_ml == pytest.approx(half_sphere)
    inner = radius * (1 - wall)
    below = dome.segment_ml(inner, 0, lid * radius)
    assert made.cavity_ml == pytest.approx(2 / 3 * math.pi * inner**3 / 1000 - below)
    assert made.outside_mm2 == pytest.approx(dome.face_mm2(radius, radius))


def test_a_wall_and_a_lid_that_leave_no_room_are_refused_with_a_remedy() -> None:
    with pytest.raises(CraftError) as refused:
        dome.dome(60, 40, 25)
    assert refused.value.field == "wall_mm"
    assert "Together less than 60 mm" in refused.value.remedy


@given(st.floats(50, 150), st.integers(1, 3), st.floats(0, 8))
def test_layers_and_what_comes_off_make_the_height(height: float, number: int, top: float) -> None:
    made = cutting.layers(height, number, top)
    assert made.each_mm * number + made.off_mm == pytest.approx(height)
    assert 0 <= made.off_share < 1


def test_layers_too_thin_to_lift_are_refused_with_how_many_there_may_be() -> None:
    with pytest.raises(CraftError) as refused:
        cutting.layers(45, 4)
    assert refused.value.field == "layers"
    assert "At most 3" in refused.value.remedy
    assert cutting.layers(45, 3).each_mm >= cutting.THINNEST_MM


@given(st.floats(200, 5000), lengths, lengths, st.integers(1, 60), st.floats(0, 20))
def test_a_grid_gives_at_least_what_was_asked_and_loses_only_its_edge(
    mass: float, a: float, b: float, wanted: int, edge: float
) -> None:
    cut = cutting.grid(mass, (a, b), wanted, edge)
    assert cut.portions == cut.rows * cut.columns >= wanted
    assert cut.each_g * cut.portions + cut.lost_g == pytest.approx(mass)
    assert cut.wide_mm * cut.rows <= min(a, b) + 1e-6


@given(st.floats(200, 3000), st.floats(100, 500), st.integers(1, 30))
def test_slices_and_ends_make_the_roll(mass: float, length: float, wanted: int) -> None:
    cut = cutting.sliced(mass, length, wanted, 12.5)
    assert cut.each_g * wanted + cut.lost_g == pytest.approx(mass)
    assert cut.wide_mm * wanted + 25 == pytest.approx(length)


@given(st.floats(50, 2000), st.floats(0.1, 0.6), st.lists(st.floats(0.1, 10), min_size=1, max_size=6), st.booleans())
def test_a_soak_is_shared_over_layers_and_goes_without_losing_a_gram(
    mass: float, density: float, shares: list[float], milk: bool
) -> None:
    liquid = Liquid.MILK if milk else Liquid.SYRUP
    plan = soaking.plan(mass, density, shares, liquid=liquid, grams=0.6 * mass)
    assert sum(row.grams for row in plan.layers) == pytest.approx(0.6 * mass)
    for row, share in zip(plan.layers, shares, strict=True):
        assert sum(row.goes_g) == pytest.approx(row.grams)
        assert row.grams / plan.grams == pytest.approx(share / sum(shares))
        assert (len(row.goes_g) > 1) == (row.grams > soaking.TWO_GOES_FROM * row.most_g)
    assert plan.over_g == pytest.approx(max(0.0, 0.6 * mass - plan.limit_g.high))
    pores = mass / density * (1 - density / 1.25)
    assert plan.pores_ml == pytest.approx(pores)


def test_a_crumb_of_the_reference_takes_its_own_weight_and_more() -> None:
    syrup = soaking.plan(100, 0.30, [1])
    assert 0.6 <= syrup.per_gram.likely <= 1.2
    assert syrup.per_gram.high == pytest.approx(1.2, abs=0.05)
    milk = soaking.plan(100, 0.30, [1], liquid=Liquid.MILK)
    assert milk.per_gram.high > 2 * syrup.per_gram.likely


@pytest.mark.parametrize(
    ("crumb", "liquid", "kind", "fits"),
    [
        (80, 70, Liquid.SYRUP, False),
        (80, 20, Liquid.SYRUP, True),
        (22, 40, Liquid.SYRUP, True),
        (5, 5, Liquid.SYRUP, False),
        (5, 5, Liquid.MILK, True),
        (25, 80, Liquid.MILK, False),
        (80, 5, Liquid.MILK, False),
    ],
)
def test_warm_goes_on_cold(crumb: float, liquid: float, kind: Liquid, fits: bool) -> None:
    assert soaking.warm_on_cold(crumb, liquid, kind).fits is fits


bodies = st.one_of(
    st.builds(RoundBody, diameter_mm=lengths, height_mm=st.floats(20, 120), layers=st.integers(1, 5)),
    st.builds(SquareBody, width_mm=lengths, length_mm=lengths, height_mm=st.floats(20, 120), layers=st.integers(1, 5)),
    st.builds(RollBody, length_mm=lengths, width_mm=lengths, thickness_mm=thin, filling_mm=st.floats(0, 10)),
    st.builds(DomeBody, diameter_mm=st.floats(140, 300), wall_mm=st.floats(8, 20), lid_mm=st.floats(15, 25)),
    st.builds(PairsBody, diameter_mm=st.floats(20, 80), pairs=st.integers(1, 200)),
)


@given(bodies, st.floats(1, 10), st.floats(0, 6), st.floats(0, 200), st.floats(0, 0.6) | st.none())
def test_places_add_up_to_what_has_to_be_made(
    body: RoundBody, thick: float, coat: float, ornaments: float, reserve: float | None
) -> None:
    inside = [Filling("cream", thick, 0.5)]
    made = allocation.allocate(body, inside, Coat(coat, coat, 0.5), ornaments_g=ornaments, reserve=reserve)
    assert sum(p.grams for p in made.places) == pytest.approx(made.total_g)
    left = next(p for p in made.places if p.place == "bowl and bag")
    assert left.grams == pytest.approx(allocation.LEFT_IN_BOWL * made.total_g)
    assert made.inside_g + made.kept_g + left.grams == pytest.approx(made.total_g)
    if reserve:
        # A share that a recipe keeps back is kept, or more.
        assert made.kept_share >= reserve - 1e-9
    double = allocation.allocate(body, [Filling("cream", 2 * thick, 0.5)], Coat(coat, coat, 0.5))
    assert double.inside_g == pytest.approx(2 * made.inside_g)


def test_too_little_is_told_with_the_thickness_that_it_gives() -> None:
    cake = RoundBody(diameter_mm=200, height_mm=80, layers=3)
    inside = [Filling("cream", 6, 0.5)]
    whole = allocation.allocate(cake, inside, Coat(4, 4, 0.5))
    short = allocation.allocate(cake, inside, Coat(4, 4, 0.5), made_g=whole.total_g / 2)
    assert short.short_by_g == pytest.approx(whole.total_g / 2)
    assert short.gives_mm == pytest.approx(3)
    assert "instead of 6.0" in short.says
    enough = allocation.allocate(cake, inside, Coat(4, 4, 0.5), made_g=whole.total_g + 1)
    assert (enough.short_by_g, enough.gives_mm) == (0, None)


def test_a_third_kept_is_a_third_kept() -> None:
    cake = RoundBody(diameter_mm=200, height_mm=80, layers=3)
    made = allocation.allocate(cake, [Filling("cream", 6, 0.5)], reserve=1 / 3)
    assert made.kept_share == pytest.approx(1 / 3)
    less = allocation.allocate(cake, [Filling("cream", 6, 0.5)], Coat(4, 4, 0.5), reserve=0.1)
    assert "Keeping 10% back gives" in less.says


def test_a_filling_without_a_thickness_fills_a_hollow_and_nothing_else() -> None:
    hollow = DomeBody(diameter_mm=180)
    made = allocation.allocate(hollow, [Filling("mousse", None, 0.6)])
    assert made.inside_g == pytest.approx(0.6 * hollow.cavity_ml())
    with pytest.raises(CraftError) as refused:
        allocation.allocate(RoundBody(diameter_mm=200, height_mm=60), [Filling("mousse", None, 0.6)])
    assert refused.value.field == "fillings"
