"""An English sentence in whichever voice, as one is told to do it: past and passive, what others do, what is left out."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable

from kindwhisk.core.reading.method.verbs.forms import DID, DOES, DOING, DONE, PLAIN

Rewording = tuple[re.Pattern[str], str | Callable[[re.Match[str]], str]]
"""What is looked for, and what stands in its place."""


def _any(words: Iterable[str]) -> str:
    return "|".join(sorted(words, key=len, reverse=True))


_ADVERBS = r"(?: (?:then|now|also|just|next|simply|always|first|finally|only|all|both|\w+ly))*"
_BEGINS = r"(?:^|(?<=, )|(?<=; )|(?<=: )|(?<= and )|(?<=then )|(?<=next ))"
_OBJECT = r"(?:\d|(?:the|each|it|them|this|that|all|half|some|a|an|one|two|three|four|five|six|both)(?!\w))"
_INTO = r"( in(?:to)?| over| through| on(?:to)?| together| off| out| up)?"
_SOMEBODY = r"i|we|she|he|they|you|one"

THE_REST = re.compile(r"(?:, (?:and )?then|, and|,) rest(?=$|[,.;]| (?:gently|with|by|in(?!\w)))")
"""“Fold a third of the whites in, then rest”: nobody rests there."""
_PART = re.compile(r"third|quarter|half|\d/\d")
ARTICLE = re.compile(r"(?<!\w)(?:the|an?)(?!\w)")
_THINGS = (
    r"tins?|pans?|trays?|moulds?|rings?|springform|oven|fridge|freezer|refrigerator|cake|sponge|batter|mixture|bowl|rack|paper|parchment|towel|"
    r"cloth|whites|yolks|meringue|(?<!to )foam|cream|custard|mixer|machine|pot|saucepan|(?<!on )top|surface|sides|bottom|middle|centre|hollow|dip|layers?|discs?|shells|halves|rest|remainder"
)
BARE_THING = re.compile(
    rf"(?<!\w)(into|onto|over|to|from|of|through|against|round|around|in|on|off|out|turn|invert|drop|tap|bang|unroll|slice|split|cut|remove|cover|return) "
    rf"((?:(?:hot|warm|cold|large|small|wide|deep|heatproof|dry|cooled|remaining|beaten|whipped|lined|greased|prepared|ungreased|whisked|same|other|damp|clean|wire|baking) )?(?:{_THINGS}))(?=$|[,.;:]| (?!water|bath|thermo|sugar|cheese|of tartar|towel|cloth|paper|parchment|soda|powder))"
)
"""“Turn tin upside down on rack”: notes leave out the articles."""
EACH_DONE = re.compile(
    rf"(?:^(?:layer|stack|build|assemble|put|place|lay) [^,;]{{3,40}}, each|(?:,| and)? each) (?:one |layer |disc )?({_any(DONE)}) (?=with|in)"
)
"""“Layer the discs, each soaked with coffee and spread with cream.”"""
WHEN_BEGIN = re.compile(r"^((?:when|once|as soon as) [^,;]{4,60}?) (?=(?:begin|start) (?:to )?(?:add|whisk|whip|beat))")
"""“When they look like foam begin adding the sugar.”"""
USING = re.compile(r"^(?:using|with) (?:an?|the|your) [^,.;]{0,30}(?:whisk|mixer|beaters?|spatula|spoon), ")
"""“Using a hand-held whisk, beat …”: with what, before what."""
NEVER = re.compile(
    r"(?<!\w)(?<!was )(?<!is )(?<!were )(?:(?:it|they|you|we|i) )?(?:do not|does not|don't|doesn't|need not|needn't|never|no need to|there is no need to)(?!\w)[^,.;:()-]*"
)
"""“It does not need to go pale”, “don't open the door”: nothing that is done or seen."""
ONTO = re.compile(r"(?<!\w)on to (?=(?:an?|the|some|your|\w+ing)(?!\w)|\w+ (?:paper|rack))")
"""“Invert on to a rack”."""
WITH = re.compile(r"(?<!\w)w(?:/ ?(?!o(?!\w))| (?=[a-z]{3}))")
"""“Top w/ mango”."""
HAVING = re.compile(
    rf"^(?:when|once|as soon as|after) (?:{_SOMEBODY})(?:'ve| have| has|'s|'d| had)?{_ADVERBS} ({_any({*DONE, *DID})}) (?=\d|the |\w+ (?:egg|yolk|white))"
)
"""“When you have whisked four yolks with the sugar, add …”."""
SAYS = re.compile(rf"(?<!\w)({_any(DOES)})(?= )")
NAMED_DOES = re.compile(
    rf"(?:^(?:[a-z]+ )?|(?<= and )|(?<=, )|(?<=then ))({_any(DOES)})(?= (?:\d|(?:the|it|them|that|this|these|those|both|half|in|up|an?|over|with|on|off)(?!\w)))"
)
"""“She beats the yolks”, “Rosa whisks them”."""
SOMEBODY_DID = re.compile(
    rf"(?<!\w)(?<!that )(?<!which )({_SOMEBODY})(?:'ve|'ll|'d| have| has| had| will| would| want to| need to| can| could| should| must| may| might| like to|'re going to| are going to|'m going to| am going to)*{_ADVERBS} "
    rf"({_any({*DID, *DONE, *PLAIN})})(?!\w)"
)
"""“I whisked”, “you'll then add”, “we have poured”."""
AND_DID = re.compile(
    rf"(?<= and )({_any(DID)})(?= (?:\d|(?:the|it|them|in|up|over|with|on|off|a|an|four|three|six|five|some)(?!\w)))"
)
"""“I sifted in the flour and stirred it”: what was done next."""
BE_DONE = (
    rf"(?:(?:should|must|can|may|will|has to|have to|needs to|need to){_ADVERBS} be|is|are|was|were|gets|get|has been|have been|being)"
    rf"{_ADVERBS} ({_any(DONE)})"
)
_ASIDES = r"whatever|what|until|till|when|once|while|so|as|if|that|which|before|after|because"
PASSIVE = re.compile(
    rf"{_BEGINS}((?:and |then |but |next |now ){{0,3}})(?!(?:{_any(PLAIN)}|leave|let) )"
    rf"((?:(?! and the |(?<!\w)(?:{_ASIDES})(?!\w))[^,;:.()]){{2,70}}?) {BE_DONE}{_INTO}(?!\w)"
)
"""“The yolks are whisked”, “40 ml of oil and 50 ml of water are added”."""
AND_DONE = re.compile(
    rf"(?<= and )(the (?:\w+ )?\w+) ({_any(DONE)})( up| off| in| out| over)?(?= and |[,.;]|$| (?:at|for|in|on|onto|until|with)(?!\w))"
)
"""“The paper is peeled off and the sponge rolled up”: both are passive."""
ASIDE_OPEN = re.compile(r"(?<!\w)(?:until|till|when|once|while|so that|if|before|after|as|that|which)(?!\w)[^,;.]*$")
"""A passive behind these words tells when, not what to do."""
_SEEN_DONE = {
    "folded", "whisked", "beaten", "whipped", "stirred", "added", "poured", "sifted", "mixed", "melted", "boiled", "warmed",
    "baked", "piped", "spread", "blitzed", "ground", "cut", "split", "sliced",
}  # fmt: skip
NOMINAL = re.compile(
    rf"^(?!(?:i|we|she|he|they|you|one|who|add|put|take|place|let|leave|turn|line|have|with|in|into|when|once|now|then|{_any(set(PLAIN) - {'cream', 'top', 'butter'})}) )"
    rf"((?:the |(?=\d))?[^\W_][^,.;:]{{2,60}}?) ({_any(_SEEN_DONE)})(?: (in|through|over|together)(?= |,|$))?(?= (?:in|with|by|until|till|to|through|at|for|on|into|and (?:sifted|sieved|cooled)|\d)(?!\w))"
)
"""“Whites whisked with the sugar”: told as what was done to them."""
NOMINAL_IN = re.compile(
    rf"(?:^|(?<=, )|(?<=then ))(?!(?:i|we|she|he|they|you|one|who) )(?!(?:{_any(set(PLAIN) - {'cream', 'top', 'butter'})}|till|until|when|once|with|and|then|which|that) )((?:\d|the |an? )?[^\W_](?:(?! and the )[^,.;:]){{2,60}}?) (folded|stirred|whisked|beaten|mixed|sifted) (in|through)(?: (?:\w+ly|over \w+ goes|in \w+ goes))?(?=$|[,.;]| and )"
)
"""“… then 1 tbsp cornflour and 2 tsp vinegar folded in”."""
_DONE_ALONE = {
    "filled", "kept", "banged", "pressed", "dried", "sandwiched", "piped", "baked", "folded", "cooled", "chilled", "poured",
    "dusted", "tapped", "rested", "rolled", "sifted", "sieved", "blitzed",
}  # fmt: skip
DONE_ALONE = re.compile(
    rf"(?:^|(?<=, )|(?<=; )|(?<= and )|(?<=then ))({_any(_DONE_ALONE)})(?= (?:in|into|on|onto|at|for|over|with|to|against|until|till|\w+ly|\d)| and (?!the )|,|$)"
)
"""“Piped 10 cm long, dusted twice, baked at 190”."""
_NOUNS = {"filling", "topping", "coating", "dusting", "covering"}
_WHERE = r"(?:in|into|on|onto|out|off|up|at|for|over|with|to|until|till|again|back|together)(?!\w)"
DID_SO = re.compile(rf"{_BEGINS}({_any({*DID, *DONE} - {*PLAIN} - {'greased', 'lined'})})(?= (?:{_OBJECT}|{_WHERE}))")
"""“Sifted 80 g flour and folded it in”, of a diary; “… and whipped until tripled”, behind a passive."""
AND_DOING = re.compile(
    rf"(?:(?<=, )|(?<= and )|(?<=then ))({_any(set(DOING) - _NOUNS)})"
    rf"(?= (?:(?:(?:off|out|up|over|on) )?{_OBJECT}|(?:until|till|again|up again)(?!\w)))"
)
"""“…, then whipping until tripled”."""
SOMEBODY_DOING = re.compile(rf"(?<!\w)({_SOMEBODY})(?:'re|'m|'s| are| am| is){_ADVERBS} ({_any(DOING)})(?!\w)")
"""“We're spreading it on a tray”."""
HAVING_DONE = re.compile(rf"^having ({_any({*DONE, *DID})})(?= )")
BY_DOING = re.compile(
    rf"(?:(?<!\w)(?:(?:start|begin|finish|end|continue)(?:s|ed)?(?: off)? )?by |^after |(?<=: ))(?:\w+ly )?({_any(set(DOING) - _NOUNS)})(?= )|"
    rf"^({_any(set(DOING) - _NOUNS)})(?= {_OBJECT})"
)
"""“Start by whisking the yolks”, “after sifting in the flour”."""
IT_DID = re.compile(
    r"(?<!\w)(it|they|the (?:cakes?|sponges?|rolls?|shells)) (hung|hangs|cooled|cools|cool|rested|rests|stood|stands|baked|bakes|chilled|chills|dried)(?= (?:in|at|on|for|upside|until|till|over|\d))"
)
"""“It hung upside down until it was cold.”"""
_IT_DID = {"stood": "stand", "stands": "stand", "dried": "dry"}
_HOLDERS = r"tins?|pans?|springform|moulds?|molds?|form|trays?|rings?|oven|fridge|freezer|bag|bowl"
GO_IN = re.compile(
    rf"{_BEGINS}((?:and |then |but |next |now ){{0,3}})(?!(?:it|they|this|that|{_any(PLAIN)}) )"
    rf"((?:(?!(?<!\w)(?:{_ASIDES})(?!\w))[^,;:.()]){{3,60}}?) (?:goes|go|went)( in(?:to)?)(?! [^.;,]*(?:{_HOLDERS})(?!\w))(?!\w)"
)
"""“A third of them went into the batter”."""
INTO_MIXER = re.compile(
    r"(?<!\w)((?:the )?(?:\w+ )?(?:whites|eggs|cream|yolks)) (?:go|goes|went) in(?:to)? the (?:stand )?mixer(?!\w)"
)
"""“Whites go in the mixer till they're stiff.”"""
PUT_IN = re.compile(
    r"(?<!\w)(?:put|stir|tip|mix) ([^.;,]{2,40}) in the (batter|yolks|yolk mixture|mixture|base|whites|meringue)(?!\w)"
)
"""“Put a third of the whites in the batter.”"""
GO_OVER = re.compile(
    rf"{_BEGINS}((?:and |then |now |next ){{0,3}})(?!(?:it|they|this|that|who|\d) )((?:the |half the |all the )?(?:\w+ ){{0,2}}\w+) (?:goes|go|went) (over|on top of)(?= (?:the|it|them|each|half)(?!\w))"
)
"""“The glaze went over the roll”."""
LAYERED = re.compile(r"^layered: ?")
ITS_DONE = re.compile(rf"(?<=\w)'s (?=(?:then |now )?(?:{_any(DONE)})(?!\w))")
"""“It's rolled up.”"""
ZEST_JUICE = re.compile(
    r"(?:the )?(?:grated )?(zest|rind) and (?:the )?juice of ((?:half )?(?:an?|one|two|three|half|\d) \w+)"
)
"""“The zest and juice of two limes.”"""
OF_THEM = re.compile(r"(?:the )?(whites|yolks|eggs): (\w+) of them(?!\w)")
"""“The whites: four of them, beaten with …”."""
OBJECT_FIRST = re.compile(
    rf"(?:^|(?<=, )|(?<=; )|(?<= and ))((?:the |a |half |all )(?!(?:\w+ ){{0,3}}(?:that|which|when|time) )[^,.;:()]{{2,40}}?) (?:i|we|you) ({_any(PLAIN)})(?! (?:it|them|the|an?|in) )(?!\w)"
)
"""“The rest I fold by hand.”"""
TO_DO = re.compile(rf"(?:^|(?<=[,;] ))to ({_any(PLAIN)}): ")
"""“To whip: four whites.”"""
BAKER = re.compile(r"(?<!\w)(?:she|he|who)(?!\w)")
_KEPT = {"kept": "keep"}


def _by_somebody(match: re.Match[str]) -> str:
    verb = DID.get(match[2]) or DONE.get(match[2], match[2])
    return f"{match[1]} {verb}"


def _passive(match: re.Match[str]) -> str:
    if ASIDE_OPEN.search(match.string[: match.start()]):
        return match[0]
    verb, into = DONE[match[3]], match[4] or ""
    if into.endswith("to") or re.match(r" (?:the|an?|it|them|its|their|\d)", match.string[match.end() :]):
        # “Is folded into the batter”.
        return f"{match[1]}{verb} {match[2]}{into}"
    return f"{match[1]}{verb}{into} {match[2]}"


def _goes_in(match: re.Match[str]) -> str:
    return f"{match[1]}add {match[2]}{match[3] if match[3] == ' into' else ''}"


def _verb(*groups: int) -> Callable[[re.Match[str]], str]:
    """The verb that stands in the first of these groups that is there, as one is told to do it."""
    return lambda match: next(_TOLD.get(match[n], match[n]) for n in groups if match[n])


_TOLD = {**DOES, **DOING, **DID, **DONE, **_KEPT}
"""Every form of a verb, and how one is told to do it."""
_BEFORE: tuple[Rewording, ...] = (
    (WITH, "with "),
    (WHEN_BEGIN, r"\1, "),
    (ONTO, "onto "),
    (USING, ""),
    (NEVER, ""),
    (EACH_DONE, lambda m: f"{'' if m.start() == 0 else ', '}{DONE[m[1]]} each "),
    (HAVING_DONE, _verb(1)),
    (HAVING, lambda m: f"{_TOLD[m[1]]} "),
    (LAYERED, "layer "),
    (ITS_DONE, " is "),
    (ZEST_JUICE, r"\1 of \2, juice of \2"),
    (INTO_MIXER, r"whip \1"),
    (OF_THEM, r"\2 \1"),
    (OBJECT_FIRST, r"\2 \1"),
    (GO_OVER, r"\1pour \2 \3"),
    (GO_IN, _goes_in),
    (TO_DO, r"\1 "),
    (IT_DID, lambda m: f"{_IT_DID.get(m[2]) or _TOLD.get(m[2], m[2])} {m[1]}"),
)
"""What is reworded before it is asked who does it."""
_AFTER: tuple[Rewording, ...] = (
    (NOMINAL, lambda m: f"{DONE[m[2]]} {m[3] + ' ' if m[3] else ''}{m[1]}"),
    (NOMINAL_IN, lambda m: f"{DONE[m[2]]} {m[3]} {m[1]}"),
    (DONE_ALONE, _verb(1)),
    (DID_SO, _verb(1)),
    (SOMEBODY_DOING, lambda m: f"{m[1]} {DOING[m[2]]}"),
    (BY_DOING, _verb(1, 2)),
    (AND_DOING, _verb(1)),
)
"""What is reworded once the passive is."""


def _reword(text: str, rewordings: Iterable[Rewording]) -> str:
    for pattern, words in rewordings:
        text = pattern.sub(words, text)
    return text


def _article(match: re.Match[str]) -> str:
    """“Sift into bowl”: into a new one; “pour into tin”: the one that was made ready."""
    return "a" if match[1] in {"into", "in"} and match[2].endswith(("bowl", "pot", "saucepan")) else "the"


def as_english_tells(text: str) -> str:
    """“She beats the yolks; the rest was folded in”: beat the yolks, fold in the rest."""
    if _PART.search(text):
        text = THE_REST.sub(lambda m: m[0].replace("rest", "the rest"), text)
    if not ARTICLE.search(text):
        text = BARE_THING.sub(lambda m: f"{m[1]} {_article(m)} {m[2]}", text)
    text = _reword(text, _BEFORE)
    passive = PASSIVE.sub(_passive, text)
    if passive != text:
        text = AND_DONE.sub(lambda m: f"{DONE[m[2]]}{m[3] or ''} {m[1]}", passive)
    text = _reword(text, _AFTER)
    if BAKER.search(text):
        text = SAYS.sub(_verb(1), text)
    elif NAMED_DOES.match(text):
        text = NAMED_DOES.sub(lambda m: m[0].removesuffix(m[1]) + DOES[m[1]], text)
    if SOMEBODY_DID.search(text):
        text = AND_DID.sub(_verb(1), SOMEBODY_DID.sub(_by_somebody, text))
    return PUT_IN.sub(r"add \1 into the \2", text)
