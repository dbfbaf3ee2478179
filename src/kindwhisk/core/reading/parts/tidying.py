"""A pasted text before it is cut: marks that say nothing of the work go, what stands in one row gets its own."""

from __future__ import annotations

import re
from html import unescape
from html.parser import HTMLParser

from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts.lettered import unlettered
from kindwhisk.core.reading.units import UNITS

LISTS = re.compile(
    r"^[ \t]*((?:ingredients?|ingrédients?|ingredienti|材料|nguyên liệu)[ \t]*(?:[(（][^)）\n]*[)）])?[ \t]*[:：])[ \t]+(?=\S)([^\n]+)$",
    re.IGNORECASE | re.MULTILINE,
)
"""“Ingredients: 3 eggs, 90 g sugar”: a heading and its list in one row."""

LETTERED = re.compile(r"^[ \t]*[A-H][.)][ \t]+(?=[A-ZÀ-Ý][^\n]{1,40}$)", re.MULTILINE)
"""“B. Italian meringue”: the letter of a part."""

STAMPED = re.compile(
    r"^[ \t]*(?:\[\d{1,2}:\d{2}(?::\d{2})?\]|\(?\d{1,2}:\d{2}(?::\d{2})?\)?(?= +[^\W\d]|[ \t]+\d))[ \t]*[-–:]?[ \t]*",
    re.MULTILINE,
)
"""“[09:12] can you send me …”, “00:15 three yolks”: when a message came, where a caption stands."""

PICTURED = re.compile(r"^[ \t]*[\u2600-\u27bf\U0001f300-\U0001faff\ufe0f\u200d]+[ \t]*", re.MULTILINE)
"""“✨ mix the yolks”: a picture in place of a bullet."""

OLD_HEAD = re.compile(r"^(Ingredients|Method|Mode|Time)\.[ \t]*[—–-]+[ \t]*", re.MULTILINE | re.IGNORECASE)

BOTH_OF = re.compile(
    r"^([ \t]*[-•*]?[ \t]*)zest of (\d+) (\w+?)s? *(?:&|and|\+|,) *(\d+ ?ml) juice$", re.MULTILINE | re.IGNORECASE
)
"""“Zest of 2 oranges & 180 ml juice”."""

GREETED = re.compile(r"^((?:[^\d\n:]|\d+ ?cm){3,80}[:：!])[ \t]+(?=\d[^\n]*,[^\n]*,)", re.MULTILINE)
"""“Here is my cake: 4 eggs, 200 g sugar, …”."""

LABELLED = re.compile(r"^[ \t]*([A-E])[ \t　]+(?=[\u3040-\u9fff][^\n]*[/／、])", re.MULTILINE)
"""“A 卵黄 5個 / 砂糖 20g”: a label over a list in one row."""
MARKED = re.compile(r"^[ \t]*(?:\([A-H]\)[ \t]+|[A-EＡ-Ｅ★☆◎●◆■][ \t　]+(?=[\u3040-\u9fff]))", re.MULTILINE)
"""“(A) 4 egg yolks”: a mark that the method may call it by."""

ZEST_AND_JUICE = (
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)(\d+) (\w+),? ?\(?(?:finely )?(?:grated )?(?:zest|rind|juice)d? (?:and|&|\+) (?:juice|zest|rind)d?\)?$", re.MULTILINE | re.IGNORECASE), r"\1\2 \3, zest\n\1juice of \2 \3"),
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)((?:finely )?(?:grated )?(?:zest|rind)) (?:and|&|\+) juice of ([^(\n]+)$", re.MULTILINE | re.IGNORECASE), r"\1\2 of \3\n\1juice of \3"),
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)(succo|scorza)(?: grattugiata)? e (?:il |la )?(succo|scorza)(?: grattugiata)? (d(?:[ie]l?l?)?[ '])(.+)$", re.MULTILINE | re.IGNORECASE), r"\1\2 \4\5\n\1\3 \4\5"),
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)(?:le )?jus et (?:le )?(zestes?) d(e |')(.+)$", re.MULTILINE | re.IGNORECASE), r"\1jus d\3\4\n\1\2 d\3\4"),
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)juice (?:and|&|\+) ((?:finely )?(?:grated )?(?:zest|rind)) of ([^(\n]+)$", re.MULTILINE | re.IGNORECASE), r"\1\2 of \3\n\1juice of \3"),
    (re.compile(r"^([ \t]*[-•*]?[ \t]*)(?:le )?(zestes?) et (?:le )?jus d(e |')(.+)$", re.MULTILINE | re.IGNORECASE), r"\1\2 d\3\4\n\1jus d\3\4"),
)  # fmt: skip
"""“Zest and juice of 1 lime”: two goods in one row."""

NEXT_LIST = re.compile(r"(?<=[a-z])\. (?=[A-Z][a-z ]{2,20}: \d)")
"""“… 1 tsp baking powder. Filling: 250 g jam.”"""


TAGGED = re.compile(r"<(?:p|li|br|h[1-6]|div|td)\b[^<>]*>", re.IGNORECASE)
BLOCKS = {
    "p",
    "li",
    "ul",
    "ol",
    "br",
    "div",
    "tr",
    "table",
    "section",
    "article",
    "header",
    *(f"h{n}" for n in range(1, 7)),
}
UNSEEN = {"script", "style", "head", "nav", "button"}


class _Seen(HTMLParser):
    """What a page shows of itself, a row a block."""

    def __init__(self) -> None:
        super().__init__()
        self.shown: list[str] = []
        self._unseen = 0

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:  # noqa: ARG002
        self._unseen += tag in UNSEEN
        if tag in BLOCKS:
            self.shown.append("\n\n" if tag in {"p", "ul", "ol", "table"} else "\n")

    def handle_endtag(self, tag: str) -> None:
        self._unseen = max(0, self._unseen - (tag in UNSEEN))
        if tag in BLOCKS:
            self.shown.append("\n")

    def handle_data(self, data: str) -> None:
        if not self._unseen:
            self.shown.append(re.sub(r"\s+", " ", data))


def shown_of(page: str) -> str:
    """What marked-up text shows, a row a block; empty where it shows nothing."""
    parser = _Seen()
    parser.feed(page)
    parser.close()
    return "".join(parser.shown).strip()


def seen(text: str) -> str:
    """A page's text without its tags; any other text as it is."""
    # Of a page that shows nothing, nothing is dropped.
    return (TAGGED.search(text) and shown_of(text)) or text


MARKDOWN = re.compile(r"\*\*|__|^#{1,6}[ \t]+", re.MULTILINE)
"""“**For the sponge**”, “## Method”."""
WEEKDAY = re.compile(
    r"^[ \t]*(?:mon|tues?|wed(?:nes)?|thu(?:rs)?|fri|sat(?:ur)?|sun)(?:day)?[ \t]*[:–-][ \t]+(?=[^\W\d])",
    re.MULTILINE | re.IGNORECASE,
)
"""“Mon: praline cream. …”: when it is done."""
COMPONENT = re.compile(
    r"^[ \t]*(?:component|part|partie|parte|componente)[ \t]*\d*[ \t]*[:.–-][ \t]*(?=[^\W\d])",
    re.MULTILINE | re.IGNORECASE,
)
"""“Component: cherry compote”."""
KEYCAPS = re.compile(r"(\d)\ufe0f?\u20e3")
"""“1️⃣”: the number of a step."""
MOST_COUNTED = 60
COUNTED = re.compile(r"^[ \t]*(\d{1,2})[ \t]+(?=(?P<word>[^\W\d]+))", re.MULTILINE)
"""“1 blitz the nuts”, “2 mix with the whites”: rows that count from one are steps, whatever their numbers might weigh."""
POINTING = re.compile(r"(?<=[^\W\d])[ \t]*[\U0001f446-\U0001f449➡→][\ufe0f\U0001f3fb-\U0001f3ff]*[ \t]*(?=\d)")
"""“Buttercream 👉 100 g whites, …”: a hand in place of a colon."""
BRACKETED = re.compile(r"^[ \t]*\((\d[^()\n]*,[ \t]*\d[^()\n]*)\)[ \t]*$", re.MULTILINE)
"""“(150 g ground almonds, 150 g icing sugar)”: what the line above is made of."""
BARRED = re.compile(r"^[^|\n]*(?: \| [^|\n]*){2,}$", re.MULTILINE)
"""“4 egg whites | 250 g sugar | 1 tsp vinegar”: a row of cells."""
COLUMNS = re.compile(r"(?:^[^,\n]{2,30},[^,\n]{2,40},[ \t]*\d+(?:[.]\d+)?[ \t]*(?:\n|$)){4,}", re.MULTILINE)
"""“sponge,egg yolks,80” on row after row: part, food and grams."""
SIDE_BY_SIDE = re.compile(r"^(\S[^\n]*?)(?:[ ]{4,}|\t+)(\S[^\n]*)$", re.MULTILINE)
"""Two columns of a card in one row."""


def _apart(match: re.Match[str]) -> str:
    """“4 eggs      3/4 cup sugar” as two rows; “Whole eggs      750 g” stays one."""
    left, right = match[1], match[2]
    two = re.search(r"\d", left) and re.search(r"[^\W\d]{3}", left) and re.search(r"[^\W\d]{4}", right)
    return f"{left}\n{right}" if two else match[0]


def _rows_of(match: re.Match[str]) -> str:
    """Rows of a pasted table as a list under its headings."""
    told, part = [], ""
    for row in match[0].strip().split("\n"):
        head, food, grams = (cell.strip() for cell in row.split(","))
        if head != part:
            told.append(f"\n{head}:")
            part = head
        told.append(f"{grams} g {food}")
    return "\n".join(told) + "\n\n"


def _counted(text: str) -> str:
    """Rows that count from one up, three at least, with a point behind each number."""
    found = list(COUNTED.finditer(text))
    for i in (i for i, match in enumerate(found) if match[1] == "1"):
        run = [m for n, m in enumerate(found[i : i + MOST_COUNTED], 1) if m[1] == str(n)]
        food = sum(m["word"].lower() in UNITS or bool(find_all(m["word"].lower())) for m in run)
        if len(run) > 2 and food * 2 < len(run):
            for m in reversed(run):
                text = f"{text[: m.end(1)]}.{text[m.end(1) :]}"
            return text
    return text


def _cells(match: re.Match[str]) -> str:
    """A row of cells a row each; a first one without a figure is their heading."""
    cells = [c.strip() for c in match[0].strip().strip("|").split(" | ")]
    figures = [c for c in cells if re.search(r"\d", c)]
    if len(figures) < len(cells) - 1 or not all(find_all(c.lower()) for c in figures):
        return match[0]
    head = [] if re.search(r"\d", cells[0]) else [f"\n{cells[0].rstrip(':')}:"]
    return "\n".join([*head, *cells[len(head) :]])


def tidy(text: str) -> str:
    """The text with a heading, a list and a message each in rows of their own."""
    plainly = LETTERED.sub("", LISTS.sub(r"\1\n\2", unescape(seen(text)).replace("\u200b", "").replace("\r", "")))
    plainly = BRACKETED.sub(r"\1", plainly)
    plainly = BARRED.sub(_cells, unlettered(plainly))
    plainly = SIDE_BY_SIDE.sub(_apart, COLUMNS.sub(_rows_of, plainly))
    plainly = COMPONENT.sub("", WEEKDAY.sub("", MARKDOWN.sub("", plainly)))
    plainly = KEYCAPS.sub(r"\1. ", plainly)
    plainly = _counted(PICTURED.sub("", POINTING.sub(": ", plainly)))
    plainly = STAMPED.sub("", OLD_HEAD.sub(r"\1:\n", plainly))
    for both, apart in ZEST_AND_JUICE:
        plainly = both.sub(apart, plainly)
    plainly = BOTH_OF.sub(r"\1zest of \2 \3\n\4 \3 juice", plainly)
    plainly = GREETED.sub(r"\1\n", plainly)
    return NEXT_LIST.sub("\n", MARKED.sub("", LABELLED.sub(r"【\1】\n", plainly)))
