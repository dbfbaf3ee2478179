"""The kinds of step. A new kind is one module here and one line in the union: nothing else lists kinds."""

from typing import Annotated

from pydantic import BeforeValidator, Field

from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.coat import CoatStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.hollow import HollowStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.joining import as_now
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.line import LineStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.mature import MatureStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.ornament import OrnamentStep
from kindwhisk.core.process.steps.pair import PairStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.process.steps.ready import ReadyStep
from kindwhisk.core.process.steps.recover import RecoverStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.sort import SortStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.stack import StackStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.toast import ToastStep
from kindwhisk.core.process.steps.trim import TrimStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.wash import WashStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep

Step = Annotated[
    WeighStep
    | SiftStep
    | ToastStep
    | WarmStep
    | BoilStep
    | RestStep
    | ReadyStep
    | MixStep
    | WhipStep
    | StreamStep
    | FoldStep
    | MacaronageStep
    | SplitStep
    | FillStep
    | PipeStep
    | KnockStep
    | SkinStep
    | BakeStep
    | InvertStep
    | CoolStep
    | TurnOutStep
    | SortStep
    | SoakStep
    | CutStep
    | TrimStep
    | HollowStep
    | LineStep
    | SpreadStep
    | StackStep
    | RollStep
    | PairStep
    | CoatStep
    | OrnamentStep
    | PortionStep
    | ChillStep
    | MatureStep
    | HandStep
    | PreheatStep
    | RecoverStep
    | WashStep,
    Field(discriminator="kind"),
    BeforeValidator(as_now),
]
