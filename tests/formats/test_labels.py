"""Labels on paper: every letter can be read, all of it stands on the label, and nothing of it on the next one."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from reportlab.lib.units import mm
from reportlab.pdfbase.pdfmetrics import stringWidth

from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats.label_pdf import CODE_MM, GRIDS, PrintedLabel, Sheet, label_pdf, set_lines
from kindwhisk.formats.lettering import EASTERN, TEXT, lettered, wrapped

LINES = ("Made on 3 March 2026, batch 20260303-roll", "Use by 5 March 2026.", "Contains egg, milk, wheat.")


def printed(name: str, sheet: Sheet = Sheet.A4_8, copies: int = 1, lines: tuple[str, ...] = LINES) -> str:
    label = PrintedLabel(name, lines, (LINES[2],), "http://127.0.0.1/log/1")
    return label_pdf(label, sheet, copies).decode("latin-1")


@pytest.mark.parametrize(
    ("text", "shown"),
    [
        ("Génoise à l’orange", "Génoise à l’orange"),
        ("Bánh bông lan cuộn, Đà Lạt", "Bánh bông lan cuon, Dà Lat"),
        ("Biskupský chlebíček", "Biskupský chlebícek"),
        ("Cafe\u0301", "Café"),
    ],
)
def test_letters_that_the_font_lacks_lose_their_accent_and_nothing_else(text: str, shown: str) -> None:
    assert lettered(text, TEXT) == (TEXT, shown)


def test_eastern_names_are_set_in_a_font_that_has_them() -> None:
    assert lettered("抹茶ロールケーキ", TEXT) == (EASTERN, "抹茶ロールケーキ")
    assert EASTERN in printed("抹茶ロールケーキ")


@given(st.text(min_size=1, max_size=80))
def test_whatever_a_title_is_it_can_be_printed(name: str) -> None:
    assert printed(name).startswith("%PDF")


@given(st.text("abcde 抹茶ロ", min_size=1, max_size=120), st.floats(4, 14), st.floats(40, 280))
def test_a_line_is_never_wider_than_its_room_and_loses_no_letter(text: str, size: float, room: float) -> None:
    font, shown = lettered(text, TEXT)
    lines = wrapped(shown, font, size, room)
    assert all(stringWidth(line, font, size) <= room + 1e-6 for line in lines)
    assert "".join(lines).replace(" ", "") == shown.replace(" ", "")


@pytest.mark.parametrize("sheet", list(Sheet))
def test_as_many_labels_stand_on_a_page_as_it_has_places(sheet: Sheet) -> None:
    each = GRIDS[sheet].columns * GRIDS[sheet].rows
    for copies, pages in ((1, 1), (each, 1), (each + 1, 2)):
        made = printed("Roll", sheet, copies)
        assert made.count("(Roll) Tj") == copies
        assert made.count("/Type /Page\n") == pages


@given(st.lists(st.text("abcde ", min_size=1, max_size=160), min_size=1, max_size=8), st.sampled_from(list(Sheet)))
def test_no_line_lies_under_the_code_or_below_the_label(lines: list[str], sheet: Sheet) -> None:
    wide, high = GRIDS[sheet].label
    room, tall = (wide - 8) * mm, (high - 8) * mm
    code = min(CODE_MM, high / 3) * mm
    for line in set_lines(PrintedLabel("Roll", tuple(lines), (), ""), 6.0, room, tall, code):
        beside = room - stringWidth(line.text, line.font, line.size)
        assert line.below <= tall - code + 1e-6 or beside >= code


def test_what_can_t_be_read_on_a_small_label_is_refused_with_a_larger_one() -> None:
    long = ("Contains " + ", ".join(f"ingredient number {n}" for n in range(70)) + ".",)
    with pytest.raises(CraftError) as refused:
        printed("Roll", Sheet.A4_21, lines=long)
    assert refused.value.field == "sheet"
    assert printed("Roll", Sheet.A4_8, lines=long).count("(Roll) Tj") == 1
