"""A method followed sentence by sentence; what each sentence became."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field

from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.reading.mending import Meant, like
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import EGGS_OF, clauses
from kindwhisk.core.reading.method.doing import HANDLERS
from kindwhisk.core.reading.method.doing.common import the_cake
from kindwhisk.core.reading.method.doing.finishing import hold_the_place
from kindwhisk.core.reading.method.doing.oven import COOL_MIN
from kindwhisk.core.reading.method.doing.whipping import go_on, looks_like
from kindwhisk.core.reading.method.items import Item
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.said import length, over_water
from kindwhisk.core.reading.method.shares import Mention, Share, mentions
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.method.verbs import GRAMMARS, Grammar
from kindwhisk.core.reading.parts import Row, RowKind
from kindwhisk.core.reading.parts.cutting import past_turn
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.tins_named import find_tins

DESCRIBES = re.compile(
    r"(?:it|they|the (?:top|surface|cake|middle|edges?|batter|mixture|sponge)|this|that) (?:is|are|will|should|must|may|can|looks?|feels?|does)(?!\w)|"
    r"(?:the |your )?(?:[a-z]+ ){1,3}(?:is|are|will|should|must|may|can|has to|have to) (?!the )|"
    r"(?:core|inside|internal)(?: temp\w*)? (?:of )?\d|(?:elle?|ils?|la pâte|le gâteau) (?:doit|doivent|est)(?!\w)|(?:deve|devono|è) "
)
"""How a sentence begins that only tells what something looks like."""
SHELLS = re.compile(r"macaron|(?<!\w)(?:shells?|coques?|gusci)(?!\w)|マカロン")
PEAKS = re.compile(r"(?<!\w)(?:peaks?|stiff|pale|thick|fluffy|ribbons?|firm and glossy|bec d'oiseau|a neve|角)(?!\w)")
"""“Medium stiff peak, like this”: the whites that wait are whipped."""
GOES_ON = re.compile(
    r"(?:on |at )?(?:top|high|full|medium|low|first|second|third|max)(?: speed)?(?=,| (?:till|until|for|\d))|(?:(?:continue|keep|go on|carry on)(?: (?:whisking|whipping|beating|mixing|stirring))? )?(?:until|till|for about|for (?=\d)|about (?=\d)|jusqu|fino|đến khi)(?!\w)"
)
"""How a spoken sentence begins that only goes on with what is being done."""
ONCE_COLD = re.compile(
    r"(?:when|once|as soon as|after)(?: (?:it|they|the|this|that|cake|sponge|roll|shells?|biscuits?)){0,2}(?:'s| is| are|'re| was| were| has| have)?(?: (?:completely|quite|fully|totally|all|just|cooled))* (?:cold|cool|cooled)(?!\w)|"
    r"while (?:it|they|the (?:cake|sponge|shells?|roll|layers?|biscuits?)) (?:cools?|is cooling|are cooling)(?!\w)|quand (?:il|elle|le gâteau|le biscuit|la génoise) est (?:\w+ )?(?:froide?|refroidie?)(?!\w)|quand c'est (?:\w+ )?(?:froid|refroidi)(?!\w)|une fois (?:\w+ ){0,3}refroidie?s?|una volta (?:\w+ ){0,2}(?:fredd|raffreddat)[aoie]|quando (?:è|sono) (?:\w+ )?fredd[aoie]|冷めたら|khi (?:bánh )?(?:đã )?nguội"
)
"""“When it is cold, …”: it has cooled, though no sentence says so."""


@dataclass
class Followed:
    """The steps that a method made, by sentence; ``acts`` are what each sentence tells one to do,
    ``open`` the sentences that were not understood and whose place a plain step holds.
    """

    tracker: Tracker
    sentences: list[Row]
    acts: list[list[Act]] = field(default_factory=list)
    open: list[int] = field(default_factory=list)

    @property
    def made(self) -> list[Made]:
        """The steps in their order."""
        return self.tracker.results.made


def _mean(tracker: Tracker, sentence: str, meant: Sequence[Meant]) -> None:
    """Turn to what the baker says that a sentence is about."""
    for one in meant:
        if like(one.sentence, [sentence]) is None:
            continue
        earlier = like(one.of, list(tracker.sentences[: tracker.sentence]))
        made = [m for m in tracker.results.open if earlier is not None and tracker.sentences.index(earlier) in m.said]
        if made:
            tracker.flush()
            tracker.results.here = made[-1]


STOOD_MIN = 30.0
"""So long, at most, a cake only stands before it is turned out. Trade habit."""


def _eggs_of(tracker: Tracker, sentence: str) -> None:
    """“The yolks of eight eggs”, which no list has: eight eggs, separated."""
    found = EGGS_OF.search(plain(sentence))
    if found is None or tracker.stocks.has_apart or tracker.stocks.matching("whole-egg"):
        return
    for mention in mentions(f"{found['count']} eggs", tracker.stocks.eggs):
        tracker.stocks.from_method(mention)
    tracker.stocks.separate()


DOWN_TO = re.compile(
    r"(?:when|once|as soon as) (?:it|this|the [a-z]+(?: mixture)?)(?: is| has|'s)(?: down| cooled| fallen| at| come down)*(?: to| at)?(?: about| around)? (\d{2}) ?(?:°|degrees|c\b) ?c?"
)
"""“When it is down to 22 °C, fold in the cream”: so long it is left alone."""


def _stood_in_tin(cooled: Made, cake: Made) -> bool:
    """“Cool in the tin for ten minutes and turn it out”: it is not cold yet."""
    span = length(cooled.words)
    freed = any(m.kind is TurnOutStep and cooled in m.upstream() for m in cake.upstream())
    return freed and span is not None and span.high <= STOOD_MIN


def _once_cold(tracker: Tracker, sentence: str) -> str:
    """A sentence without “when it is cold”: a cake that is found cold has cooled, where nothing has said so yet."""
    text = plain(sentence)
    down, raw = DOWN_TO.match(text), tracker.raw_here()
    if down is not None and raw is not None:
        tracker.flush()
        raw = tracker.raw_here() or raw
        tracker.make(RestStep, raw.vessel, [], [tracker.use(raw)], minutes=COOL_MIN, sees=f"Down to {down[1]} °C.")
        return text[down.end() :].lstrip(" ,")
    found, cake = ONCE_COLD.match(text), the_cake(tracker)
    if found is None or cake is None:
        return sentence
    if _stands_until_cold(tracker):
        return text[found.end() :].lstrip(" ,")
    if raw is not None and not re.search(r"cake|sponge|roll|shell|biscuit|bánh|スポンジ", found[0]):
        # “When cool, fold in the cream”: what was worked on last.
        return text[found.end() :].lstrip(" ,")
    if not any(m.kind is CoolStep and not _stood_in_tin(m, cake) for m in cake.upstream()):
        tracker.flush()
        tracker.make(CoolStep, cake.vessel, [], [tracker.use(cake)], inverted=cake.kind is InvertStep)
    return text[found.end() :].lstrip(" ,")


def _only_cut(tracker: Tracker) -> None:
    """“Blanch half a pound of almonds”, which no list has: what was only cut is still to be taken."""
    if tracker.only_cut >= 0 and tracker.only_cut == tracker.held_in:
        for item in tracker.release()[0]:
            mention = item.mention
            if mention is not None and mention.share.grams and not tracker.stocks.matching(mention.ingredient):
                tracker.stocks.from_method(mention)
        tracker.held_said = []
    tracker.only_cut = -1


def _blocks(rows: Sequence[Row]) -> dict[int, list[int]]:
    """For each sentence right below lines of the list, the numbers of these; empty where all lines stand together.

    Captions name what is shown and then only what is done with it: “4 yolks, 20 g sugar / mix until smooth”.
    """
    blocks: dict[int, list[int]] = {}
    waiting: list[int] = []
    line = sentence = 0
    for row in rows:
        if row.kind is RowKind.INGREDIENT:
            waiting.append(line)
            line += 1
        elif row.kind is RowKind.SENTENCE:
            if waiting:
                blocks[sentence] = waiting
            waiting = []
            sentence += 1
    return blocks if len(blocks) > 1 and not any(row.group for row in rows) else {}


TOGETHER = {Act.MIX, Act.BEAT, Act.WHIP, Act.SIFT, Act.HEAT, Act.BOIL, Act.MELT}
"""What is done to everything that was shown before."""


def _take_block(tracker: Tracker, lines: Sequence[int]) -> None:
    """Hold what the lines above a sentence name, for a verb that names nothing."""
    stocks = [s for s in tracker.stocks.rows if s.line in lines and not s.gone]
    tracker.flush()
    tracker.shown = frozenset(s.ingredient for s in stocks)
    tracker.hold(
        [Item(n, mention=Mention(s.ingredient, s.written, Share(grams=s.left), n, n)) for n, s in enumerate(stocks)],
        None,
        "",
    )


_COLD = r"(?:when|once)(?: it is| it's)?(?: quite| completely)? (?:cold|cool)"
ADDED_COLD = re.compile(rf"(?<!\w){_COLD}$|^{_COLD}(?!\w)")
"""“Add the kirsch when cold.”"""
THEN_COLD = re.compile(rf"(?:,|\band) {_COLD}$")
"""“Bring to the boil and, when cold, …”"""


def _stands_until_cold(tracker: Tracker) -> bool:
    """Leave what was boiled or warmed alone until it is cold; whether it was."""
    raw = tracker.raw_here()
    if raw is None or raw.kind not in {BoilStep, WarmStep} or tracker.pending:
        return False
    tracker.make(RestStep, raw.vessel, [], [tracker.use(raw)], minutes=COOL_MIN, sees="Cool enough to go on with.")
    return True


def _done(tracker: Tracker, row: Row, grammar: Grammar, number: int, above: Sequence[int] = ()) -> list[Act]:
    """The acts of a sentence, each done."""
    text = past_turn(row.text, row.group)
    if not text:
        return [Act.NOTHING]
    acts: list[Act] = []
    tracker.shown = frozenset()
    for clause in clauses(_once_cold(tracker, text), grammar, number):
        if above and not acts and clause.act in TOGETHER and not tracker.items(clause) and not tracker.pending:
            _take_block(tracker, above)
        acts.append(clause.act)
        if clause.act is Act.ADD and ADDED_COLD.search(clause.text) is not None:
            _stands_until_cold(tracker)
        handler = HANDLERS.get(clause.act)
        if handler is not None:
            handler(tracker, clause)
        if THEN_COLD.search(clause.text) is not None:
            _stands_until_cold(tracker)
    return acts


def _told_of(tracker: Tracker, sentence: str) -> list[Act]:
    """What a sentence without a verb tells of what stands there."""
    text = plain(sentence)
    if DESCRIBES.match(text) and tracker.here is not None:
        tracker.say(tracker.here)
        return [Act.NOTHING]
    if GOES_ON.match(text) and tracker.here is not None:
        go_on(tracker, sentence)
        return [Act.NOTHING]
    return looks_like(tracker, sentence) if PEAKS.search(text) else []


def follow(rows: Sequence[Row], tracker: Tracker, language: str, meant: Sequence[Meant] = ()) -> Followed:
    """Follow every sentence among the rows; ``meant`` is what the baker says that some of them are about."""
    grammar = GRAMMARS[language]
    said = [row for row in rows if row.kind is RowKind.SENTENCE]
    followed = Followed(tracker, said)
    tracker.sentences = tuple(row.text for row in said)
    last_number: int | None = None
    blocks = _blocks(rows)
    tracker.shells = any(SHELLS.search(plain(row.text)) for row in rows)
    for n, row in enumerate(said):
        begins = row.number is not None and row.number != last_number
        if begins and not (tracker.into is None and over_water(tracker.pending_words)):
            # What only stands over the water yet is warmed by the next step.
            tracker.results.here = tracker.flush() or tracker.results.here
        if row.group != tracker.section:
            tracker.flush()
            tracker.section = row.group
        _only_cut(tracker)
        tracker.sentence, tracker.sentence_text = n, row.text
        _mean(tracker, row.text, meant)
        for tin in find_tins(row.text):
            tracker.tins.append((n, tin.tin, tin.count))
        _eggs_of(tracker, row.text)
        acts = _done(tracker, row, grammar, n, blocks.get(n, ())) or _told_of(tracker, row.text)
        if not acts and (held := hold_the_place(tracker)) is not None:
            followed.open.append(n)
            acts.append(held)
        followed.acts.append(acts)
        if row.number is not None:
            last_number = row.number
            if tracker.results.here is not None:
                tracker.results.numbered[row.number] = tracker.results.here
    tracker.flush()
    return followed
