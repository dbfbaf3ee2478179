"""The record of a bake on paper: how it came out, what it was made with, each step as planned and as it went, what was
read and noted, and its photos."""

from __future__ import annotations

import io
from collections.abc import Iterator, Sequence
from pathlib import Path
from typing import NamedTuple

from reportlab.lib.pagesizes import A4, LETTER
from reportlab.lib.styles import ParagraphStyle
from reportlab.lib.units import mm
from reportlab.platypus import Flowable, Image, SimpleDocTemplate, Table

from kindwhisk.bench.told.views import BakeState, StepLine
from kindwhisk.core.measures import Fact
from kindwhisk.formats.day_sheet_pdf import CELL, HEAD, MARGIN, PART, paragraph, ruled
from kindwhisk.formats.paper import Paper

SIZES = {Paper.A4: A4, Paper.LETTER: LETTER}
PHOTO_MM = 58.0
MOST_PHOTOS = 12
SAID = ParagraphStyle("said", parent=CELL, fontName="Helvetica-Bold", fontSize=10, leading=13, spaceAfter=3)


class RecordPhoto(NamedTuple):
    """A photo with what it shows."""

    path: Path
    shows: str


def write(
    state: BakeState, facts: Sequence[Fact], in_short: str, photos: Sequence[RecordPhoto], paper: Paper = Paper.A4
) -> bytes:
    """The record as pages.

    Args:
        state: the bake.
        facts: what it was made with.
        in_short: what it says, in a sentence; may be empty.
        photos: those whose files are there; the first twelve are printed.
        paper: what it is printed on.
    """
    out = io.BytesIO()
    title = f"{state.title}, {state.started_at:%-d %B %Y}"
    page = SimpleDocTemplate(
        out, pagesize=SIZES[paper], leftMargin=MARGIN, rightMargin=MARGIN, topMargin=MARGIN, bottomMargin=MARGIN,
        title=title, invariant=1,
    )  # fmt: skip
    width = SIZES[paper][0] - 2 * MARGIN
    parts: list[Flowable] = [paragraph(title, HEAD), paragraph(f"{state.batch}. Batch {state.id}.")]
    if in_short:
        parts.append(paragraph(in_short, SAID))
    parts += [*_outcome(state), *_made_with(facts, width), *_steps(state, width), *_readings(state, width)]
    parts += [*_notes(state, width), *_photos(photos, width)]
    page.build(parts)
    return out.getvalue()


def _outcome(state: BakeState) -> Iterator[Flowable]:
    outcome = state.outcome
    if outcome is None:
        yield paragraph("How it came out was not written down.")
        return
    told = [f"{outcome.stars} of 5"]
    told += [f"{outcome.height_mm:.0f} mm high"] if outcome.height_mm else []
    told += [f"crumb: {outcome.crumb}"] if outcome.crumb else []
    told += list(outcome.faults)
    yield paragraph("How it came out", PART)
    yield paragraph("; ".join(told) + (f". {outcome.note}" if outcome.note else "."))


def _made_with(facts: Sequence[Fact], width: float) -> Iterator[Flowable]:
    if facts:
        yield paragraph("Made with", PART)
        yield ruled([[f.words, f.said] for f in facts], (40 * mm, width - 40 * mm))


def _minutes(step: StepLine) -> str:
    if step.started_at is None or step.ended_at is None:
        return step.reason and f"left out: {step.reason}"
    took = (step.ended_at - step.started_at).total_seconds() / 60
    meant = (step.planned_end_at - step.planned_start_at).total_seconds() / 60
    return f"{took:.0f} min, planned {meant:.0f}"


def _steps(state: BakeState, width: float) -> Iterator[Flowable]:
    yield paragraph("Planned and as it went", PART)
    rows = [
        [f"{s.planned_start_at:%H:%M}", f"{s.started_at:%H:%M}" if s.started_at else "–", s.title, _minutes(s)]
        for s in sorted(state.steps, key=lambda s: s.started_at or s.planned_start_at)
    ]
    yield ruled(rows, (16 * mm, 16 * mm, width - 82 * mm, 50 * mm))


def _readings(state: BakeState, width: float) -> Iterator[Flowable]:
    if not state.readings:
        return
    yield paragraph("Read", PART)
    rows = []
    for r in state.readings:
        band = r.verdict.band.range if r.verdict else None
        held = f"{band.low:.3g} to {band.high:.3g} ({band.basis.value}), {r.verdict.word}" if band and r.verdict else ""
        rows.append([f"{r.at:%H:%M}", r.step_title, f"{r.value:.3g} {r.unit}", held])
    yield ruled(rows, (16 * mm, width - 106 * mm, 30 * mm, 60 * mm))


def _notes(state: BakeState, width: float) -> Iterator[Flowable]:
    told = [[f"{t.at:%H:%M}", f"{t.said}{': ' if t.reason else ''}{t.reason}"] for t in state.turns]
    told += [[f"{n.at:%H:%M}", n.text] for n in state.notes]
    if told:
        yield paragraph("Noted", PART)
        yield ruled(told, (16 * mm, width - 16 * mm))


def _photos(photos: Sequence[RecordPhoto], width: float) -> Iterator[Flowable]:
    if not photos:
        return
    yield paragraph("Photos", PART)
    across = max(1, int(width / ((PHOTO_MM + 2) * mm)))
    cells = []
    for photo in photos[:MOST_PHOTOS]:
        image = Image(str(photo.path), kind="proportional", width=PHOTO_MM * mm, height=PHOTO_MM * mm)
        cells.append([image, paragraph(photo.shows)])
    rows = [cells[i : i + across] for i in range(0, len(cells), across)]
    rows[-1] += [[]] * (across - len(rows[-1]))
    yield Table(rows, colWidths=[(PHOTO_MM + 2) * mm] * across)
