"""Remarks on a method, computed on the steps that it became: what is used and not listed, listed and never used, raw, late."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.figures import ENDS, temperatures, times
from kindwhisk.core.reading.method.following import Followed
from kindwhisk.core.reading.method.making import Made, Stock
from kindwhisk.core.reading.method.stocks import own_words, same_group
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.remarks.remark import Level, Remark, missing, no_amount
from kindwhisk.core.reading.same import covers

SAFE_WITHOUT = {"water", "salt"}
"""What is at hand without being listed."""
FOR_WHAT = re.compile(
    r"(?<!\w)(?:for|to) (?:dust|serv|decorat|greas|finish|garnish|the tin|brush|rolling|sprinkl|taste|line)|optional|q\.? ?b|pour le moule|per lo stampo|plus extra|適量"
)
"""A line that says itself what it is for."""
FEWEST_UNREAD = 3
HEATED_C = 60.0
ELSEWHERE = re.compile(
    r"(?<!\w)(?:reserved|prepared(?! (?:\w+ ){0,2}(?:tins?|pans?|trays?|moulds?|molds?|sheets?|ring))|previously|see page|see p\.|from page|(?:from|on|see) p\.? ?\d+|as on page|recipe (?:on|below|above))(?!\w)"
)
KEPT = re.compile(r"(?<!\w)(?:reserve|set aside|put aside|keep (?:back|aside|some)|prepare|save)(?!\w)")
MEANWHILE = re.compile(
    r"(?<!\w)(?:meanwhile|in the meantime|while (?:that|they|it|the)|pendant ce temps|intanto|その間)(?!\w)"
)
SAME_BOWL = re.compile(r"(?<!\w)(?:same|greased|oiled|buttered) (?:mixing )?(?:bowl|beaters?|whisk)(?!\w)")
SAYS_SO = {Act.NOTHING, Act.BAKE, Act.OVEN, Act.TURN_OUT, Act.COOL, Act.INVERT, Act.REST}
"""What a sentence behind a bake may tell one to do, and still speak of what is in the oven."""
FATS = {"butter", "cream-35", "cream-double"}


def _said(followed: Followed, made: Made) -> str:
    return followed.sentences[made.said[0]].text[:160] if made.said else ""


def on_lists(followed: Followed, lines: Sequence[ReadLine], unused: Sequence[ReadLine]) -> Iterator[Remark]:
    """What the sentences use and the list lacks, and the other way round; ``unused`` are lines that no sentence takes."""
    listed = {line.ingredient for line in lines if line.ingredient}
    for word in followed.tracker.stocks.unmet:
        if word in SAFE_WITHOUT or any(covers(word, i) or covers(i, word) for i in listed):
            continue
        if any(f.ingredient == word for line in lines if line.ingredient is None for f in find_all(plain(line.text))):
            # A line that was not understood names it.
            continue
        heads = {s.group for s in followed.tracker.stocks.rows if s.group}
        called = {f.words for row in followed.sentences for f in find_all(plain(row.text)) if f.ingredient == word}
        if any(words in plain(line.text) for line in lines for words in called) or called & heads:
            # “Fold in the chestnut purée”, which the list calls sweetened; “for the cream”, a heading.
            continue
        where = next(
            (r.text[:160] for r in followed.sentences if any(f.ingredient == word for f in find_all(plain(r.text)))), ""
        )
        if not any(s.listed for s in followed.tracker.stocks.rows):
            # Told without a list: only its amount is missing.
            yield no_amount(ingredient(word).name, where)
            continue
        yield Remark(
            id="not-listed", level=Level.MISSING, where=where,
            text=f"The method uses {ingredient(word).name}, the list does not have it.",
            consequence="You would notice only when the foam is already whipped.",
        )  # fmt: skip
    if hardly_read(unused, lines):
        yield Remark(
            id="hardly-read", level=Level.MISSING, where=unused[0].text,
            text=f"No sentence that was understood uses {len(unused)} of {len(lines)} lines: the method is hardly read.",
            consequence="What it says of oven, tin and time is not known either. Give each sentence a row of its own, or mend the words.",
        )  # fmt: skip
        return
    whole = " ".join(plain(row.text) for row in followed.sentences)
    for line in unused:
        if _named_in(line, whole):
            # Some sentence speaks of it that was not understood so far: a question asks where it goes.
            continue
        yield Remark(
            id="never-used", level=Level.MISSING, where=line.text,
            text=f"Listed and never used in the method: {line.name}.",
            consequence="Where it goes decides whether it costs the foam air.",
        )  # fmt: skip


def _singular(word: str) -> str:
    """“Mangoes” as “mango”: enough of a word to find it again."""
    return word.removesuffix("es") if word.endswith("oes") else word.removesuffix("s") if len(word) > 4 else word


def _named_in(line: ReadLine, text: str) -> bool:
    """Whether a plain text has the words by which a line's good is told from the others."""
    words = own_words(line.text)
    return bool(words) and any(
        re.search(rf"(?<!\w){re.escape(_singular(word))}(?:s|es)?(?!\w)", text) for word in (words[0], words[-1])
    )


def unused_lines(followed: Followed, lines: Sequence[ReadLine], placed: Sequence[Stock]) -> list[ReadLine]:
    """Lines of the list that no sentence takes anything of."""
    unused = {s.line for s in placed if not any(t.stated for t in s.takes) and len(s.takes) <= 1 and s.line >= 0}
    touched = {s.line for s in followed.tracker.stocks.rows if s.takes and s not in placed}
    whole = " ".join(plain(row.text) for row in followed.sentences)
    found = []
    for n, line in enumerate(lines):
        if line.ingredient in SAFE_WITHOUT or FOR_WHAT.search(line.text.lower()):
            continue
        silent = (
            line.grams is None
            and line.ingredient not in followed.tracker.besides
            and not any(re.search(rf"(?<!\w){re.escape(w)}", whole) for w in own_words(line.text))
        )
        if (n in unused and n not in touched) or silent:
            found.append(line)
    return found


def hardly_read(unused: Sequence[ReadLine], lines: Sequence[ReadLine]) -> bool:
    """Whether so much of the list is in no sentence that nothing can be said of what the method lacks."""
    return len(unused) >= FEWEST_UNREAD and 2 * len(unused) > len(lines)


def _mentioned(followed: Followed, stock: Stock) -> int:
    """In how many sentences of a line's part, or of none, its good is named."""
    return sum(
        any(covers(f.ingredient, stock.ingredient) for f in find_all(plain(row.text)))
        for row in followed.sentences
        if not row.group or not stock.group or same_group(row.group, stock.group)
    )


def on_splits(followed: Followed, placed: Sequence[Stock], overdrawn: Sequence[Stock]) -> Iterator[Remark]:
    """A line whose shares in the sentences don't come to what the list gives."""
    repeats = any(re.search(r"(?<!\w)(?:repeat|répét|ripet)", plain(r.text)) for r in followed.sentences)
    for stock in dict.fromkeys([*placed, *overdrawn]):
        if repeats and stock not in overdrawn:
            continue
        stated = [t for t in stock.takes if t.stated]
        if not stated or (stock in placed and len(stock.takes) == 1 and not stock.listed):
            continue
        more = stock in overdrawn
        if not more and _mentioned(followed, stock) > len(stock.takes):
            # Another sentence speaks of it: which takes how much is asked.
            continue
        yield Remark(
            id="two-splits", level=Level.WRONG, where=stock.written,
            text=f"The method uses {'more' if more else 'less'} of the {ingredient(stock.ingredient).name} than the list gives.",
            consequence="One of the two is wrong: with the other amount the balance is another.",
        )  # fmt: skip


def _told_of_heat(followed: Followed) -> bool:
    """Whether a sentence that was not understood names a time or a temperature."""
    return any(
        temperatures(plain(row.text)) or times(plain(row.text))
        for n, row in enumerate(followed.sentences)
        if not followed.acts[n] or n in followed.open
    )


def on_oven(followed: Followed, *, tin_found: bool, oven_found: bool) -> Iterator[Remark]:
    """What a bake needs and the text does not say."""
    bakes = [m for m in followed.made if m.kind is BakeStep]
    if not bakes:
        return
    bake = bakes[0]
    where = _said(followed, bake)
    if not bake.said and _told_of_heat(followed):
        # No sentence was understood to bake it, though one tells of minutes or degrees: questions ask for them.
        return
    if not oven_found:
        yield missing("no-temperature", where)
    if not tin_found and any(m.kind is FillStep for m in bake.upstream()):
        yield missing("no-tin")
    near = [
        followed.sentences[n].text
        for m in bakes
        for s in m.said
        for n in (s, s + 1)
        if n == s or (n < len(followed.sentences) and set(followed.acts[n]) <= SAYS_SO)
    ]
    if not any(re.search(ENDS, plain(text)) for text in near):
        yield missing("no-end-point", where)
    if bake.fields.get("minutes") is None:
        yield missing("no-time", where)


def on_order(followed: Followed) -> Iterator[Remark]:
    """What is begun only when a foam stands already and waits for it."""
    foams = [m for m in followed.made if m.kind is WhipStep and m.ids & (WHITES | YOLKY) and m.said]
    if not foams:
        return
    begun = min(m.said[0] for m in foams if m.ids & (WHITES | {"whole-egg"}) or m is foams[0])
    baked_at = min((m.said[0] for m in followed.made if m.kind is BakeStep and m.said), default=len(followed.sentences))
    waits = any(m.kind is RestStep and m.said and begun <= m.said[0] <= baked_at for m in followed.made)
    heated = waits
    for n, acts in enumerate(followed.acts):
        heats = Act.PREHEAT in acts and not heated and n > begun
        heated = heated or Act.PREHEAT in acts
        lines_tin = Act.PREPARE in acts and begun < n <= baked_at
        if heats or lines_tin:
            yield Remark(
                id="too-late", level=Level.RISK, where=followed.sentences[n].text[:160],
                text="The oven is heated only after the foam has been begun." if heats else "The tin is prepared only after the foam has been begun.",
                consequence="The foam waits a quarter of an hour for it and loses its air." if heats else "The batter stands while paper is cut.",
            )  # fmt: skip
    yield from _waits(followed, foams)


def _waits(followed: Followed, foams: Sequence[Made]) -> Iterator[Remark]:
    """A foam of whites or eggs that stands while something else is weighed, sifted, melted or boiled for it."""
    for foam in foams:
        taker = next((m for m in followed.made if any(u.made is foam for u in m.uses)), None)
        if taker is None or not taker.said or not (foam.ids & (WHITES | {"whole-egg"})) or taker.kind is not FoldStep:
            continue
        wholes = [list(m.upstream()) for m in followed.made if m.kind is BakeStep and foam in m.upstream()]
        between = [
            m for m in followed.made
            if m.said and foam.said[-1] < m.said[0] < taker.said[0] and m.kind in {WarmStep, BoilStep}
            and not MEANWHILE.search(plain(followed.sentences[m.said[0]].text)) and foam not in list(m.upstream())
            and any(m in whole for whole in wholes)
        ]  # fmt: skip
        if between:
            yield Remark(
                id="foam-waits", level=Level.RISK, where=_said(followed, between[0]),
                text="This is done only when the foam stands already.",
                consequence="A foam that waits loses its air: have it ready first.",
            )  # fmt: skip


def on_elsewhere(followed: Followed) -> Iterator[Remark]:
    """Something needed that is prepared elsewhere, or is to be there already; a time where a temperature is meant."""
    for n, row in enumerate(followed.sentences):
        text = plain(row.text)
        if ELSEWHERE.search(text) and not any(KEPT.search(plain(r.text)) for r in followed.sentences[:n]):
            yield Remark(
                id="from-elsewhere", level=Level.MISSING, where=row.text[:160],
                text="This needs something prepared earlier, and the recipe does not say when or how.",
                consequence="It has to be ready before the foam is begun.",
            )  # fmt: skip
        if (
            Act.PREHEAT in followed.acts[n]
            and not temperatures(text)
            and times(text)
            and not re.search(r"(?<!\w)for (?:about )?\d", text)
        ):
            yield Remark(
                id="time-for-temperature", level=Level.WRONG, where=row.text[:160],
                text="A time stands where the oven's temperature is meant.",
                consequence="The oven is not known: the usual one for this class is proposed.",
            )  # fmt: skip


def _raw(made: Made) -> bool:
    """Whether egg is in it that no step has surely heated: whites are not, by the syrup that is poured into them."""
    if made.kind in {BakeStep, BoilStep} or (made.kind is StreamStep and not made.ids & WHITES):
        return False
    if made.kind is WarmStep and float(made.fields.get("target_c", 0)) >= HEATED_C:
        return False
    own = any(
        counts_as(t.ingredient) in WHITES | YOLKY and not t.ingredient.endswith(("-pasteurised", "-dried"))
        for t in made.takes
    )
    return own or any(_raw(u.made) for u in made.uses)


def on_eggs(followed: Followed, placed: Sequence[Stock]) -> Iterator[Remark]:
    """Fat near whites, and egg that is served raw; what no sentence puts to the whites is not near them."""
    assumed = {id(s.takes[-1]) for s in placed if s.takes}
    for made in followed.made:
        own = {t.ingredient for t in made.takes if id(t) not in assumed}
        whites = made.kind is WhipStep and own & WHITES
        ids = own | {i for u in made.uses for i in u.made.raw_ids}
        fat = ids & (FATS | {"egg-yolk"}) or any(ingredient(i).kind == "fat" for i in ids)
        words = " ".join(plain(followed.sentences[n].text) for n in made.said if n < len(followed.sentences))
        if whites and (fat or (SAME_BOWL.search(words) and "clean" not in words)):
            yield Remark(
                id="fat-near-whites", level=Level.WRONG, where=_said(followed, made), text="Fat comes near the whites.",
                consequence="A trace of yolk, oil or butter keeps them from coming up.",
            )  # fmt: skip
    ends = [m for m in followed.tracker.results.open if m.left >= 1]
    raw = [m for m in ends if _raw(m)]
    if raw:
        eggs = next(
            (m for m in raw[0].upstream() if any(counts_as(t.ingredient) in WHITES | YOLKY for t in m.takes)), raw[0]
        )
        yield Remark(
            id="raw-egg", level=Level.RISK, where=_said(followed, eggs), text="It is eaten with egg in it that no step surely heats through.",
            consequence="Raw egg can carry salmonella: use pasteurised egg for guests at risk, keep it cold, and follow the local rules.",
        )  # fmt: skip
