"""What may be changed of a process while it is being made. A new kind is one module here and one line in the union."""

from typing import Annotated

from pydantic import Field, TypeAdapter

from kindwhisk.core.process.changes.again import Again
from kindwhisk.core.process.changes.batch import Batch
from kindwhisk.core.process.changes.hands import TakenOver
from kindwhisk.core.process.changes.ingredients import Instead, LeftOut, WeighedOtherwise
from kindwhisk.core.process.changes.order import Earlier, Together
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.changes.pause import Paused
from kindwhisk.core.process.changes.remedy import Remedied
from kindwhisk.core.process.changes.sieve import LeftInSieve
from kindwhisk.core.process.changes.tins import OtherTins
from kindwhisk.core.process.changes.when import Retimed

Change = Annotated[
    Batch
    | OtherTins
    | Instead
    | LeftOut
    | WeighedOtherwise
    | OtherOven
    | Earlier
    | Together
    | TakenOver
    | Paused
    | Remedied
    | LeftInSieve
    | Retimed,
    Field(discriminator="change"),
]
"""All but :class:`Again`, which is an event of its own."""

change_adapter: TypeAdapter[Again | Change] = TypeAdapter(Annotated[Again | Change, Field(discriminator="change")])
