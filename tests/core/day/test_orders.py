"""Orders: as they are jotted down, and on which days they are due."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, datetime, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from kindwhisk.core.day.joined import joined, together
from kindwhisk.core.day.order import Due, Order, Sure, dues, in_words
from kindwhisk.core.day.order_text import as_text
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.day.jotted import NOW, Jotted, corpus, formulas, read, told

KNOWN = [j for j in corpus() if not j.aside]


@pytest.mark.parametrize("jotted", KNOWN, ids=lambda j: j.text[:40])
def test_what_is_jotted_down_is_understood(jotted: Jotted) -> None:
    assert told(jotted.text) == jotted.means


def test_what_was_set_aside_is_understood_as_well() -> None:
    aside = [j for j in corpus() if j.aside]
    right = sum(told(j.text) == j.means for j in aside)
    assert right >= 0.9 * len(aside)


def test_what_may_mean_several_is_asked_about_with_all_that_was_said() -> None:
    found = read("40 pairs of shells Sat 9:00 for the market, butter loaf")
    (asked,) = found.unread
    assert {o.formula for o in asked.could} == {"french-shells", "swiss-shells", "syrup-shells"}
    assert {o.wish.pieces for o in asked.could} == {80}
    assert {o.due_at.hour for o in asked.could} == {9}
    # What comes after a time in a line is due then, too.
    assert [o.formula for o in found.orders] == ["butter-loaf"]


def test_a_tin_that_is_not_there_is_named_with_those_that_are() -> None:
    (asked,) = read("2 tea chiffon 26 cm, Sat 9:00").unread
    assert "26 cm" in asked.says
    assert "17 cm tube" in asked.remedy


def test_too_many_are_refused_in_words() -> None:
    (asked,) = read("1000 tea chiffon, Sat 9:00").unread
    assert "no amount" in asked.says


def test_a_time_in_its_line_counts_for_the_lines_below() -> None:
    found = read("Saturday 9:00\n2 butter loaf\n3 orange roll\nSunday 8:00, lemon tart")
    assert [(o.formula, o.due_at.day) for o in found.orders] == [
        ("butter-loaf", 5),
        ("citrus-roll", 5),
        ("meringue-tart", 6),
    ]


@given(st.text(max_size=200))
def test_no_text_stumbles_and_nothing_of_it_is_lost(text: str) -> None:
    found = read(text)
    assert len(found.orders) == len(found.written)
    assert all(o.due_at > NOW for o in found.orders)
    assert all(u.says and u.remedy for u in found.unread)


def order(due: str, every: tuple[int, ...] = (), but: tuple[date, ...] = ()) -> Order:
    moment = datetime.fromisoformat(due).replace(tzinfo=NOW.tzinfo)
    return Order(id="o", formula="tea-chiffon", wish=Wish(tin_count=1), due_at=moment, every=every, but=but)


def test_an_order_is_due_once() -> None:
    one = order("2026-12-05T09:00")
    assert [d.id for d in dues([one], NOW, NOW + timedelta(days=30))] == ["o"]
    assert dues([one], NOW + timedelta(days=10), NOW + timedelta(days=30)) == []


def test_every_week_it_is_due_again_at_that_time() -> None:
    found = dues([order("2026-12-05T09:00", every=(5,))], NOW, NOW + timedelta(days=20))
    assert [f"{d.due_at:%m-%d %H:%M}" for d in found] == ["12-05 09:00", "12-12 09:00", "12-19 09:00"]
    assert len({d.id for d in found}) == 3


def test_a_day_that_was_taken_away_is_left_out() -> None:
    found = dues([order("2026-12-05T09:00", every=(5,), but=(date(2026, 12, 12),))], NOW, NOW + timedelta(days=20))
    assert [d.due_at.day for d in found] == [5, 19]


@given(st.sets(st.integers(0, 6), min_size=1), st.integers(0, 40), st.integers(1, 20))
def test_repeats_fall_on_their_days_within_the_time(days: set[int], start: int, length: int) -> None:
    begin = NOW + timedelta(days=start)
    found = dues([order("2026-12-05T09:00", every=tuple(days))], begin, begin + timedelta(days=length))
    assert all(d.due_at.weekday() in days for d in found)
    assert all(begin < d.due_at <= begin + timedelta(days=length) for d in found)
    # Whoever looks at the time in two parts finds the same.
    middle = begin + timedelta(days=length / 2)
    end, one = begin + timedelta(days=length), [d.order for d in found][:1]
    parts = [*dues(one, begin, middle), *dues(one, middle, end)]
    assert [d.id for d in parts] == [d.id for d in found]


def test_it_says_when_it_comes_again() -> None:
    assert in_words(order("2026-12-05T09:00", every=(5, 6))) == "every Saturday, Sunday, 09:00"
    assert in_words(order("2026-12-05T09:00", every=tuple(range(7)))) == "every day, 09:00"
    assert in_words(order("2026-12-05T09:00")) == ""


def test_an_order_wants_a_formula_and_a_moment_with_its_offset() -> None:
    with pytest.raises(ValidationError, match="timezone"):
        Order(formula="tea-chiffon", due_at=datetime(2026, 12, 5, 9))


def of(*wishes: Wish, hours: Sequence[float] = (9, 9.5, 10), formula: str = "tea-chiffon") -> list[Due]:
    return [
        Due(f"d{n}", Order(formula=formula, wish=w, due_at=NOW + timedelta(hours=h)), NOW + timedelta(hours=h))
        for n, (w, h) in enumerate(zip(wishes, hours, strict=False))
    ]


BOOK = {f.id: f for f in demo_formulas()}


def test_two_orders_of_one_batter_are_one_making_by_the_first_of_them() -> None:
    tin = Wish(tin="tube-17", tin_count=1)
    made = joined(of(tin, tin), BOOK["tea-chiffon"], demo_kitchen())
    assert made is not None
    assert made.id == "d0+d1"
    assert made.order.wish == Wish(tin="tube-17", tin_count=2)
    assert made.due_at == NOW + timedelta(hours=9)


@pytest.mark.parametrize(
    "dues",
    [
        of(Wish(tin="tube-17", tin_count=2), Wish(tin="tube-17", tin_count=1)),
        of(Wish(tin="tube-17", tin_count=1), Wish(tin="tube-20", tin_count=1)),
        of(Wish(tin_count=1), Wish(eggs=4)),
        of(Wish(tin_count=1), Wish(tin_count=1), hours=(9, 13)),
    ],
    ids=["more tins than there are", "other tins", "other amounts", "hours apart"],
)
def test_what_does_not_go_together_is_made_apart(dues: list[Due]) -> None:
    assert joined(dues, BOOK["tea-chiffon"], demo_kitchen()) is None


def test_pieces_add_up_and_go_to_both() -> None:
    some, others = of(Wish(pieces=40), Wish(pieces=60), formula="kisses")
    some = some._replace(order=some.order.model_copy(update={"goes_to": "counter", "sure": Sure.SPARE}))
    others = others._replace(order=others.order.model_copy(update={"goes_to": "market"}))
    made = joined([some, others], BOOK["kisses"], demo_kitchen())
    assert made is not None
    assert made.order.wish.pieces == 100
    assert made.order.goes_to == "counter, market"
    assert made.order.sure is Sure.CERTAIN


def test_each_order_is_in_one_making_at_most() -> None:
    tin = Wish(tin="tube-17", tin_count=1)
    dues = of(tin, tin, tin)
    found = together([(d, BOOK["tea-chiffon"]) for d in dues], demo_kitchen())
    assert [d.id for d in found] == ["d0+d1"]


TINS = {"tea-chiffon": ["tube-17", "tube-20"], "butter-sponge": ["round-20", "round-15"]}
GOES_TO = st.sampled_from(["", "Ms Winter", "counter", "Café Linden"])


@st.composite
def orders(draw: st.DrawFn) -> Order:
    formula = draw(st.sampled_from(sorted(BOOK)))
    counts = next(f.counts for f in formulas() if f.id == formula)
    wish = Wish()
    if counts == "pieces":
        wish = Wish(pieces=draw(st.integers(1, 400)))
    elif formula in TINS and draw(st.booleans()):
        wish = Wish(tin=draw(st.sampled_from(TINS[formula])), tin_count=draw(st.integers(1, 9)))
    elif draw(st.booleans()):
        wish = Wish(total_g=draw(st.integers(100, 4000)))
    due = NOW + timedelta(minutes=draw(st.integers(5, 60 * 24 * 12)))
    return Order(
        formula=formula, wish=wish, due_at=due, sure=draw(st.sampled_from(list(Sure))), goes_to=draw(GOES_TO),
    )  # fmt: skip


@given(orders())
def test_an_order_written_down_is_read_as_it_was(order: Order) -> None:
    formula = next(f for f in formulas() if f.id == order.formula)
    found = read(as_text(order, formula, demo_kitchen()))
    assert found.unread == ()
    assert found.orders == (order,)


def test_a_repeated_order_written_down_comes_again_on_the_same_days() -> None:
    formula = next(f for f in formulas() if f.id == "tea-chiffon")
    for every in ((5,), (0, 2), tuple(range(7))):
        (found,) = read(as_text(order("2026-12-05T09:00", every=every), formula, demo_kitchen())).orders
        assert found.every == every
        assert f"{found.due_at:%H:%M}" == "09:00"
