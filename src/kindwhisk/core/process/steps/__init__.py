"""The kinds of step. A new kind is one module here and one line in the union: nothing else lists kinds."""

from typing import Annotated

from pydantic import Field

from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.wash import WashStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep

Step = Annotated[
    WeighStep
    | SiftStep
    | WarmStep
    | RestStep
    | MixStep
    | WhipStep
    | FoldStep
    | SplitStep
    | FillStep
    | KnockStep
    | BakeStep
    | InvertStep
    | CoolStep
    | TurnOutStep
    | PreheatStep
    | WashStep,
    Field(discriminator="kind"),
]
