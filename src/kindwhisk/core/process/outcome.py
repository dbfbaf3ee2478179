"""What a step tells the forecast: the material after it, the time it takes, and what to watch for."""

from __future__ import annotations

from enum import StrEnum
from typing import Any

from pydantic import ConfigDict

from kindwhisk.core.baking.view import BakeView
from kindwhisk.core.foams.ageing import Ageing, ageing
from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.foams.whipping import Rescue, WhipStage
from kindwhisk.core.folding.together import Addition
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.piping.deposit import Deposit
from kindwhisk.core.safety.cautions import Caution
from kindwhisk.core.tins.layout import Layout
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.values.bands import Band
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.cooling import CoolGate


class Attention(StrEnum):
    """How much of the baker a step needs."""

    THROUGHOUT = "throughout"
    AT_TIMES = "at times"
    NONE = "none"


class Resource(StrEnum):
    """What is shared in a small kitchen."""

    HANDS = "hands"
    MIXER = "mixer"
    HOB = "hob"
    OVEN = "oven"


class Checkpoint(Value):
    """An end point to be confirmed: what one sees, and a number's band where there is one.

    ``confirms`` is what the baker says on finding it so; where it is empty, that it is reached.
    """

    id: str
    name: str
    sees: str
    not_yet: str = ""
    too_far: str = ""
    band: Band | None = None
    confirms: str = ""

    @property
    def said(self) -> str:
        """What the baker says on finding it so."""
        return self.confirms or f"{self.name} reached"


class Cue(Value):
    """Something to do while a step runs, by time and by look."""

    id: str
    after_s: Estimate
    do: str
    look: str


class MakeReady(Value):
    """Something that has to be at hand, ticked by the baker."""

    id: str
    name: str
    detail: str = ""


class Notice(Value):
    """Something wrong or risky that the forecast sees, with what to do about it."""

    level: str
    text: str
    remedy: str


class DepositView(Deposit):
    """The pieces of a step: what each is, how they stand on their tray, and how many of them on it."""

    piece: PipedPiece
    layout: Layout
    on_tray: int


class Figures(Value):
    """What is known of a step beforehand: its words, its times, and what to watch for.

    Attributes:
        setup: how a machine is set, such as ``speed 6``.
        goal: the end point in a few words, shown large.
        do: what to do, in one or two sentences; ``why`` follows it.
        hold_s: how long the result may wait for the next step; None when it may wait for hours.
        first_look_s: when to look first, for steps that run on their own.
        modelled_s: likely time before this kitchen's own records were applied; 0 where it has none of its own.
        passes: what it passes on the way, by time and by look; ``over_s``: seconds until it has gone too far.
        rescues: what can be brought back when something is wrong, and what can't.
        foam: what kind of foam or batter the material is, where it is one.
        additions: of a fold, what goes into what one after the other.
        deposit: of a piping, what each piece weighs, how wide it is piped, where it stands.
        bake: of a bake, its times, curves and risks; ``gates``: what a cooling cake is ready for, and when.
    """

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)

    duration_s: Estimate
    goal: str
    do: str
    why: str = ""
    setup: str = ""
    hold_s: Estimate | None = None
    hold_why: str = ""
    first_look_s: float | None = None
    modelled_s: float = 0.0
    passes: tuple[WhipStage, ...] = ()
    over_s: Estimate | None = None
    rescues: tuple[Rescue, ...] = ()
    foam: Foam | None = None
    additions: tuple[Addition, ...] = ()
    deposit: DepositView | None = None
    bake: BakeView | None = None
    gates: tuple[CoolGate, ...] = ()
    checkpoints: tuple[Checkpoint, ...] = ()
    cues: tuple[Cue, ...] = ()
    cautions: tuple[Caution, ...] = ()
    make_ready: tuple[MakeReady, ...] = ()

    @property
    def figures(self) -> dict[str, Any]:
        """All of it, by field: for something that holds it with more."""
        return {name: getattr(self, name) for name in Figures.model_fields}


class Outcome(Figures):
    """The result of one step: its figures, the material after it, what is wrong or risky about it, and what of it this
    kitchen's bakes teach."""

    material: Material
    notices: tuple[Notice, ...] = ()
    expects: tuple[Expected, ...] = ()

    @property
    def ageing(self) -> Ageing | None:
        """What waiting does to the result; None where it may wait for hours."""
        return None if self.foam is None or self.hold_s is None else ageing(self.foam)
