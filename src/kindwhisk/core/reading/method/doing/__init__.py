"""What each verb does, by what it is done to: one kind of work a file."""

from collections.abc import Callable, Mapping

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing import (
    adding,
    dividing,
    filling,
    finishing,
    folding,
    oven,
    together,
    warming,
    whipping,
)
from kindwhisk.core.reading.method.tracker import Tracker

HANDLERS: Mapping[Act, Callable[[Tracker, Clause], None]] = {
    Act.PUT: adding.put, Act.ADD: adding.add, Act.MIX: together.mix, Act.SIFT: together.sift, Act.TAKE: together.take,
    Act.BEAT: whipping.beat, Act.WHIP: whipping.whip, Act.FOLD: folding.fold, Act.PRESS: folding.press,
    Act.MELT: warming.melt, Act.HEAT: warming.warm, Act.BOIL: warming.boil, Act.BLOOM: warming.bloom, Act.STEEP: warming.steep, Act.ROAST: warming.roast,
    Act.POUR: filling.pour, Act.SPREAD: filling.spread, Act.PIPE: filling.pipe, Act.DIVIDE: dividing.divide, Act.RESERVE: together.reserve, Act.LINE: dividing.line,
    Act.KNOCK: dividing.knock, Act.BAKE: oven.bake, Act.INVERT: oven.invert, Act.COOL: oven.cool, Act.TURN_OUT: oven.turn_out,
    Act.REST: oven.rest, Act.CHILL: oven.chill, Act.PREHEAT: oven.preheat, Act.OVEN: oven.preheat, Act.SEPARATE: oven.separate,
    Act.PREPARE: oven.prepare, Act.OFF: oven.off, Act.NOTHING: oven.nothing, Act.SOAK: finishing.soak,
    Act.JOIN: dividing.layer, Act.TOP: finishing.top, Act.DUST: finishing.dust, Act.COAT: finishing.coat,
    Act.ROLL: finishing.roll, Act.HAND: finishing.hand,
}  # fmt: skip
