"""What can happen in a bake. Events are facts: they are added, never changed; an undo is an event too."""

from __future__ import annotations

from datetime import datetime
from enum import StrEnum
from typing import Annotated, Literal

from pydantic import AwareDatetime, Field, TypeAdapter

from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.core.piping.skin import Feel
from kindwhisk.core.piping.sorting import Counted
from kindwhisk.core.process.changes import Change
from kindwhisk.core.process.changes.again import Again
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value

Key = Annotated[str, Field(min_length=8, max_length=80)]
Text = Annotated[str, Field(min_length=1, max_length=1000)]
Short = Annotated[str, Field(min_length=1, max_length=80)]


BELL = "begin-"
"""How the name of a timer starts that rings when a bake is planned to begin."""


class _Event(Value):
    """``client_key`` makes a repeated post harmless; ``at`` is when it happened, if not just now."""

    client_key: Key
    at: AwareDatetime | None = None


class _Asked(_Event):
    """``asks`` is what is asked about it, because it lies far off; the product writes it when it is kept."""

    asks: Annotated[str, Field(max_length=400)] | None = None


class _Replanned(_Event):
    """Something after which the steps ahead are placed anew.

    ``planned`` and ``ready_at`` are that plan; the product writes both when it is kept.
    """

    planned: tuple[PlannedStep, ...] = Field(default=(), max_length=400)
    ready_at: AwareDatetime | None = None


class StepStarted(_Event):
    """A step that runs on its own or on a machine was started."""

    kind: Literal["step_started"]
    step: Short


class StepDone(_Asked):
    """A step is over: its checkpoint was confirmed."""

    kind: Literal["step_done"]
    step: Short


class StepSkipped(_Event):
    """A step was left out, with the reason."""

    kind: Literal["step_skipped"]
    step: Short
    reason: Text


class SyrupPoured(_Event):
    """Off the heat and into the whites, at once: the pot and the whisk are done, and ``step``, the stream, has begun.

    ``boil`` and ``whisk`` are the steps that meet in it.
    """

    kind: Literal["syrup_poured"]
    step: Short
    boil: Short
    whisk: Short


class DoneBefore(_Event):
    """A step was done before it was told of, at ``when``, and with it all that it takes from."""

    kind: Literal["done_before"]
    step: Short
    when: AwareDatetime


class BegunAgain(_Replanned):
    """``share`` of what a step has made is lost, and made once more."""

    kind: Literal["begun_again"]
    step: Short
    share: float = Field(default=1.0, gt=0, le=1)
    reason: Annotated[str, Field(max_length=400)] = ""

    @property
    def asked(self) -> Again:
        """It as a change of the course."""
        return Again(step=self.step, share=self.share, reason=self.reason)


class Changed(_Replanned):
    """It goes otherwise than planned from here on."""

    kind: Literal["changed"]
    change: Change

    @property
    def asked(self) -> Change:
        """It as a change of the course."""
        return self.change


class DayMoved(_Replanned):
    """The plan of the day has put its steps elsewhere: the work is the same, on another clock."""

    kind: Literal["day_moved"]


class NotYet(_Event):
    """The baker looked, and the end point was not there."""

    kind: Literal["not_yet"]
    step: Short


class Touched(_Event):
    """A finger was laid on a piece whose skin forms. Dry or too long, the rest is over."""

    kind: Literal["touched"]
    step: Short
    feel: Feel


class PiecesCounted(_Event):
    """What became of the pieces of a tray (0: of all of them); a later count of the same tray replaces it."""

    kind: Literal["pieces_counted"]
    step: Short
    tray: int = Field(default=0, ge=0, le=200)
    counted: Counted


class GateTicked(_Event):
    """Something on the make-ready list is there, or is not after all."""

    kind: Literal["gate_ticked"]
    item: Short
    there: bool = True


class CueDone(_Event):
    """A cue of a running step was followed."""

    kind: Literal["cue_done"]
    step: Short
    cue: Short


class Cupful(Value):
    """A density read from a cup, in g and ml."""

    full_g: float = Field(gt=0, le=10_000)
    empty_g: float = Field(ge=0, le=5000)
    volume_ml: float = Field(gt=5, le=5000)


class ReadingAdded(_Asked):
    """A measured value, in the unit of its quantity.

    A density comes as ``value``, from a ``cup``, in grams ``per_100_ml``, or by the seconds that a ribbon lies on top
    (``ribbon_s``; ``value`` then holds the density that these stand for at this step).

    A mass may be that of what so many ``eggs`` gave, where nothing else is in it.

    With a ``thermometer`` of the kitchen, ``value`` is set right by its check when it is kept, and ``read`` holds what
    it showed.
    """

    kind: Literal["reading_added"]
    step: Short
    quantity: Quantity
    value: float | None = None
    cup: Cupful | None = None
    per_100_ml: float | None = Field(default=None, gt=0, le=1000)
    ribbon_s: float | None = Field(default=None, gt=0, le=600)
    thermometer: Short | None = None
    read: float | None = None
    eggs: int | None = Field(default=None, ge=1, le=1000)


class ProbePlaced(_Event):
    """A probe was put to a step (empty: taken away), whatever its usual place."""

    kind: Literal["probe_placed"]
    step: Short
    probe: Annotated[str, Field(max_length=40)]


class TimerStarted(_Event):
    """A timer of the baker's own."""

    kind: Literal["timer_started"]
    timer: Short
    label: Short
    seconds: float = Field(gt=0, le=15 * 86400)


class TimerStopped(_Event):
    """A timer was taken away."""

    kind: Literal["timer_stopped"]
    timer: Short


class NoteAdded(_Event):
    """Something worth keeping."""

    kind: Literal["note_added"]
    text: Text
    step: Short | None = None


class OutcomeRecorded(_Asked):
    """How it came out; a later one replaces it."""

    kind: Literal["outcome_recorded"]
    stars: int = Field(ge=1, le=5)
    height_mm: float | None = Field(default=None, gt=0, le=1000)
    crumb: str = Field(default="", max_length=200)
    faults: tuple[Short, ...] = Field(default=(), max_length=100)
    note: str = Field(default="", max_length=1000)


class PhotoView(StrEnum):
    """What a photo shows."""

    CRUMB = "crumb"
    TOP = "top"
    SIDE = "side"
    CUT = "the cut"
    OTHER = "other"


class PhotoAdded(_Event):
    """A photo was taken: ``digest`` names its file, ``width`` and ``height`` are its pixels. The product writes it once
    the file is on the disk."""

    kind: Literal["photo_added"]
    shows: PhotoView = PhotoView.OTHER
    digest: Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
    width: int = Field(ge=1, le=10_000)
    height: int = Field(ge=1, le=10_000)


class SignAnswered(_Event):
    """Something that only who was there can say of a bake, for the question why; None takes the answer away."""

    kind: Literal["sign_answered"]
    sign: Short
    yes: bool | None


class CauseConfirmed(_Event):
    """What a fault of this bake came from, as the baker has found; an empty ``cause`` takes that away."""

    kind: Literal["cause_confirmed"]
    fault: Short
    cause: Annotated[str, Field(max_length=80)]


class Answered(_Event):
    """What was asked about the event with this sequence: it is right as it stands, or is not to count."""

    kind: Literal["answered"]
    sequence: int = Field(ge=1)
    right: bool


class BakeFinished(_Event):
    """The bake is over."""

    kind: Literal["bake_finished"]


class BakeAbandoned(_Event):
    """The bake was abandoned, with the reason."""

    kind: Literal["bake_abandoned"]
    reason: Text


class Undone(_Event):
    """The event with this sequence counts as not having happened."""

    kind: Literal["undone"]
    sequence: int = Field(ge=1)


BenchEvent = Annotated[
    StepStarted
    | StepDone
    | StepSkipped
    | SyrupPoured
    | DoneBefore
    | BegunAgain
    | Changed
    | DayMoved
    | NotYet
    | Touched
    | PiecesCounted
    | GateTicked
    | CueDone
    | ReadingAdded
    | ProbePlaced
    | TimerStarted
    | TimerStopped
    | NoteAdded
    | OutcomeRecorded
    | PhotoAdded
    | SignAnswered
    | CauseConfirmed
    | Answered
    | BakeFinished
    | BakeAbandoned
    | Undone,
    Field(discriminator="kind"),
]

event_adapter: TypeAdapter[BenchEvent] = TypeAdapter(BenchEvent)


class Happened(Value):
    """An event as it is kept: with its place in the bake and its moment."""

    sequence: int
    at: datetime
    event: BenchEvent
