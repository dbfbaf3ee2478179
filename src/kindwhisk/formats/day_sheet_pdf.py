"""The day on paper: what is due, what each pair of hands does when, what to weigh, and what comes out of the cold."""

from __future__ import annotations

import io
from collections.abc import Sequence
from xml.sax.saxutils import escape

from reportlab.lib import colors
from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Paragraph, SimpleDocTemplate, Spacer, Table, TableStyle

from kindwhisk.bench.days.view import DayPlanView
from kindwhisk.core.day.weigh_up import WeighUp
from kindwhisk.formats.lettering import lettered
from kindwhisk.formats.paper import Paper

SIZES = {Paper.A4: A4, Paper.LETTER: LETTER}
MARGIN = 14 * mm
HEAD = ParagraphStyle("head", fontName="Helvetica-Bold", fontSize=16, leading=20, spaceAfter=4)
PART = ParagraphStyle("part", fontName="Helvetica-Bold", fontSize=11, leading=14, spaceBefore=8, spaceAfter=2)
CELL = ParagraphStyle("cell", fontName="Helvetica", fontSize=9, leading=11)
LINES = TableStyle(
    [
        ("VALIGN", (0, 0), (-1, -1), "TOP"),
        ("LINEBELOW", (0, 0), (-1, -1), 0.25, colors.grey),
        ("TOPPADDING", (0, 0), (-1, -1), 1.5),
        ("BOTTOMPADDING", (0, 0), (-1, -1), 1.5),
        ("LEFTPADDING", (0, 0), (-1, -1), 0),
    ]
)
BOX = "[  ]"


def write(plan: DayPlanView, weigh: WeighUp, kitchen: str, paper: Paper) -> bytes:
    """Pages for the wall; each step and each weighing has a box to tick."""
    out = io.BytesIO()
    title = f"{kitchen}, {plan.end_at:%A %d %B}"
    page = SimpleDocTemplate(
        out, pagesize=SIZES[paper], leftMargin=MARGIN, rightMargin=MARGIN, topMargin=MARGIN, bottomMargin=MARGIN,
        title=title, invariant=1,
    )  # fmt: skip
    width = SIZES[paper][0] - 2 * MARGIN
    parts: list[Flowable] = [paragraph(title, HEAD), paragraph(plan.because)]
    parts += _due(plan, width)
    parts += _hands(plan, width)
    parts += _weigh(weigh, width)
    page.build(parts)
    return out.getvalue()


def paragraph(text: str, style: ParagraphStyle = CELL) -> Paragraph:
    """A text, whatever letters it has."""
    font, shown = lettered(text, style.fontName)
    return Paragraph(escape(shown), ParagraphStyle(style.name, parent=style, fontName=font))


def ruled(rows: Sequence[Sequence[str]], widths: Sequence[float]) -> Table:
    """Rows of texts with a line under each."""
    return Table([[paragraph(c) for c in row] for row in rows], colWidths=list(widths), style=LINES)


def _due(plan: DayPlanView, width: float) -> list[Flowable]:
    rows = [
        [
            f"{b.due_at:%H:%M}",
            f"{b.title}, {b.batch}".rstrip(", "),
            b.goes_to,
            f"ready {b.ready_at:%H:%M}" + (", late" if b.late_by_s > 60 else ""),
        ]
        for b in plan.bakes
    ]
    if not rows:
        return [paragraph("Nothing is due.")]
    return [paragraph("Due", PART), ruled(rows, (16 * mm, width - 91 * mm, 40 * mm, 35 * mm))]


def _hands(plan: DayPlanView, width: float) -> list[Flowable]:
    found: list[Flowable] = []
    for person in plan.people:
        steps = [(s, b) for b in plan.bakes for s in b.steps if s.hands and s.person == person.id]
        if not steps:
            continue
        steps.sort(key=lambda pair: pair[0].start_at)
        rows = [[BOX, f"{s.start_at:%H:%M}", s.title, b.title, f"{s.end_at:%H:%M}"] for s, b in steps]
        widths = (8 * mm, 16 * mm, (width - 40 * mm) * 0.55, (width - 40 * mm) * 0.45, 16 * mm)
        found += [paragraph(person.name or "Hands", PART), ruled(rows, widths)]
    ovens = {o.id: o.name for o in plan.ovens}
    baked = [(s, b) for b in plan.bakes for s in b.steps if s.oven and s.oven_c is not None]
    if baked:
        baked.sort(key=lambda pair: pair[0].start_at)
        rows = [
            [
                f"{s.start_at:%H:%M}",
                f"{ovens.get(s.oven, s.oven)} {s.oven_c:.0f} °C",
                s.title,
                b.title,
                f"{s.end_at:%H:%M}",
            ]
            for s, b in baked
        ]
        widths = (16 * mm, 40 * mm, (width - 72 * mm) * 0.5, (width - 72 * mm) * 0.5, 16 * mm)
        found += [paragraph("Ovens", PART), ruled(rows, widths)]
    return found


def _weigh(weigh: WeighUp, width: float) -> list[Flowable]:
    found: list[Flowable] = []
    if weigh.out:
        rows = [[BOX, f"{o.at:%a %H:%M}", f"{o.name}, {o.grams:.0f} g", ", ".join(o.for_titles)] for o in weigh.out]
        found += [paragraph("Out of the cold", PART), ruled(rows, (8 * mm, 16 * mm, 60 * mm, width - 84 * mm))]
    if weigh.eggs is not None:
        eggs = weigh.eggs
        found += [
            paragraph("Eggs", PART),
            paragraph(
                f"{eggs.pooled} eggs ({eggs.size.value}): {eggs.white_g:.0f} g white, {eggs.yolk_g:.0f} g yolk, "
                f"{eggs.whole_g:.0f} g beaten. "
                f"Left over: {eggs.left_white_g:.0f} g white, {eggs.left_yolk_g:.0f} g yolk."
            ),
        ]
    if weigh.ingredients:
        rows = [
            [
                BOX,
                f"{i.grams:.0f} g",
                i.name,
                "; ".join(f"{b.grams:.4g} g {b.title}, {b.vessel}" for b in i.bowls),
            ]
            for i in weigh.ingredients
        ]
        found += [paragraph("Weigh", PART), ruled(rows, (8 * mm, 18 * mm, 45 * mm, width - 71 * mm))]
    return [*found, Spacer(1, 4 * mm)]
