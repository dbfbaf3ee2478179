"""What a page is told of a bake."""

from __future__ import annotations

from datetime import datetime
from typing import Literal

from kindwhisk.bench.log.events import OutcomeRecorded, PhotoView
from kindwhisk.bench.log.progress import BakeStatus, StepStatus
from kindwhisk.bench.now.awaited import AwaitedView
from kindwhisk.bench.now.cooled import CooledNow
from kindwhisk.bench.now.meetings import MeetingView
from kindwhisk.bench.now.outlook import Column, Outlook
from kindwhisk.bench.now.readiness import GateItemView
from kindwhisk.bench.now.windows import WindowView
from kindwhisk.bench.told.amounts import Amount
from kindwhisk.core.ingredients.eggs import EggNeed
from kindwhisk.core.piping.damp import Advice
from kindwhisk.core.piping.skin import Feel
from kindwhisk.core.piping.sorting import Counted
from kindwhisk.core.process.folds import FoldCourse
from kindwhisk.core.process.forecast import Caveat, StepForecast
from kindwhisk.core.process.held import Held
from kindwhisk.core.process.outcome import Attention, MakeReady
from kindwhisk.core.process.watching import Watch
from kindwhisk.core.safety.pasteurisation import EggHeat
from kindwhisk.core.shelf_life.out_of_cold import OutOfCold
from kindwhisk.core.values.bands import Quantity, Verdict
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.warmth.cooling import GateKind


class CueView(Value):
    """A cue with its moment."""

    id: str
    at: datetime
    do: str
    look: str
    done: bool


class StepLine(Value):
    """A step in the list of all."""

    id: str
    kind: str
    title: str
    goal: str
    vessel: str
    vessel_name: str
    attention: Attention
    status: StepStatus
    startable: bool
    planned_start_at: datetime
    planned_end_at: datetime
    expected_start_at: datetime
    expected_end_at: datetime
    started_at: datetime | None
    ended_at: datetime | None
    reason: str


class Act(Value):
    """What comes next for a step: the words of the button, and the event that it stands for; ``ready`` tells whether it
    may happen now. ``boil`` and ``whisk`` belong to a pour."""

    words: str
    kind: Literal["step_started", "step_done", "syrup_poured", "begun_again"]
    step: str
    ready: bool
    boil: str = ""
    whisk: str = ""


class TouchView(Value):
    """What a finger said of a skin."""

    at: datetime
    feel: Feel


class SkinNow(Value):
    """A skin that forms: in which air, when it should hold, when it has rested too long, and what fingers said.

    ``measured`` tells air that was read today from the kitchen's usual; ``why`` tells that it does not come about.
    """

    air_c: float
    humidity_percent: float
    measured: bool
    low_at: datetime | None
    likely_at: datetime | None
    high_at: datetime | None
    too_long_at: datetime | None
    basis: str
    bakes: int
    why: str
    advice: tuple[Advice, ...]
    touches: tuple[TouchView, ...]


class TrayCount(Value):
    """A tray (0: all of them together) with its pieces as piped, and what they were counted as."""

    tray: int
    piped: int
    counted: Counted | None


class GateReached(Value):
    """What a cooling cake becomes ready for, as its thermometer tells: when (None: it may be now)."""

    kind: GateKind
    to_c: float
    why: str
    low_at: datetime | None
    likely_at: datetime | None
    high_at: datetime | None


class StepDetail(Value):
    """A step close up.

    ``notices`` are what is risky about it as things stand, ``gates`` what a cooling cake becomes ready for by its own
    thermometer (none before it has told anything), ``to_hand`` what it wants at hand that no make-ready list asks for.
    ``skin`` is of a rest until a skin holds, ``counts`` of pieces that are sorted, tray by tray.

    ``spoilt`` is the share of its bubbles that a foam has lost past its peak; ``not_before`` when a step should begin
    that would only stand waiting earlier.
    """

    forecast: StepForecast
    outlook: Outlook | None
    cues: tuple[CueView, ...]
    column: Column | None
    watch: Watch | None
    section: Section | None
    section_is_now: bool
    before: tuple[Section, ...]
    fold: FoldCourse | None
    act: Act | None
    spoilt: Estimate | None
    not_before: datetime | None
    notices: tuple[Caveat, ...]
    gates: tuple[GateReached, ...]
    to_hand: tuple[MakeReady, ...]
    skin: SkinNow | None
    counts: tuple[TrayCount, ...]


class TurnView(Value):
    """Something that went otherwise than planned: the moment that it names, what was lost and is newly needed, how many
    eggs that is."""

    sequence: int
    at: datetime
    said: str
    reason: str
    moment: datetime | None
    lost: tuple[Amount, ...]
    needed: tuple[Amount, ...]
    eggs: EggNeed | None


class GateView(Value):
    """The make-ready list before ``step``; open when nothing is missing."""

    step: str
    step_title: str
    open: bool
    items: tuple[GateItemView, ...]


class TimerView(Value):
    """A timer; its moment stands, whatever happens to the page or the server."""

    id: str
    label: str
    due_at: datetime


class ReadingView(Value):
    """A reading with its verdict; ``tells`` is what follows from it here: air kept, strokes left, the rise. One that
    was asked about counts once it was said to be right."""

    sequence: int
    at: datetime
    step: str
    step_title: str
    quantity: Quantity
    unit: str
    value: float
    verdict: Verdict | None
    tells: str
    by_ribbon_s: float | None
    counts: bool


class QuestionView(Value):
    """What is asked about something that was entered; ``entry`` is what it was."""

    sequence: int
    step: str
    entry: Literal["reading", "time", "height"]
    text: str


class TraceView(Value):
    """What thermometers told of a step: the way of its temperature, and what for.

    ``points`` are seconds since its start, and C; ``egg`` is the guidance for egg beside what was measured.
    """

    step: str
    title: str
    started_at: datetime
    probe: str | None
    target_c: float
    low_c: float
    high_c: float
    peak_c: float
    points: tuple[Point, ...]
    egg: EggHeat | None


class NoteView(Value):
    """A note."""

    sequence: int
    at: datetime
    text: str
    step: str | None


class PhotoTaken(Value):
    """A photo: its number within the bake, when it came, what it shows, and its pixels."""

    number: int
    at: datetime
    shows: PhotoView
    width: int
    height: int


class BakeState(Held):
    """Everything that a page needs, from the events and a moment.

    ``idle_until`` is when there is something to do again, where that is far off; ``cold`` how long what stands was out
    of the cold, ``cooled`` how what was cooked has come down.
    """

    id: str
    title: str
    formula_id: str
    formula_version: int
    technique: Technique
    status: BakeStatus
    batch: str
    started_at: datetime
    ended_at: datetime | None
    ready_at: datetime
    expected_ready_at: datetime
    late_by_s: float
    now: datetime
    sequence: int
    idle_until: datetime | None
    turns: tuple[TurnView, ...]
    undoable: int | None
    steps: tuple[StepLine, ...]
    current: str | None
    next: str | None
    running: tuple[str, ...]
    details: dict[str, StepDetail]
    gate: GateView | None
    windows: tuple[WindowView, ...]
    cold: OutOfCold | None
    cooled: tuple[CooledNow, ...]
    timers: tuple[TimerView, ...]
    readings: tuple[ReadingView, ...]
    questions: tuple[QuestionView, ...]
    meetings: tuple[MeetingView, ...]
    awaited: tuple[AwaitedView, ...]
    speed: float
    notes: tuple[NoteView, ...]
    outcome: OutcomeRecorded | None
    photos: tuple[PhotoTaken, ...]
