"""Letters on paper: fonts that every viewer and printer brings along, and what stands for what they can't show."""

from __future__ import annotations

import unicodedata

from reportlab.lib.textsplit import wordSplit
from reportlab.lib.utils import simpleSplit
from reportlab.pdfbase.cidfonts import UnicodeCIDFont
from reportlab.pdfbase.pdfmetrics import registerFont, stringWidth

TEXT, BOLD = "Helvetica", "Helvetica-Bold"
EASTERN = "HeiseiKakuGo-W5"
"""For Japanese and Chinese; it has Latin letters too."""
WESTERN = "cp1252"
WITHOUT_STROKE = str.maketrans({"đ": "d", "Đ": "D", "ł": "l", "Ł": "L", "→": ">", "≤": "<=", "≥": ">="})

registerFont(UnicodeCIDFont(EASTERN))


def _shown(text: str) -> bool:
    try:
        text.encode(WESTERN)
    except UnicodeEncodeError:
        return False
    return True


def lettered(text: str, font: str) -> tuple[str, str]:
    """A font that can show a text, and the text as it is shown: accents that ``font`` lacks are left off their letters,
    so that “bánh” is still read; what has no letters there at all is set in an eastern font."""
    text = unicodedata.normalize("NFC", text)
    if _shown(text):
        return font, text
    plain = "".join(
        c if _shown(c) else "".join(p for p in unicodedata.normalize("NFKD", c) if not unicodedata.combining(p))
        for c in text.translate(WITHOUT_STROKE)
    )
    return (font, plain) if _shown(plain) else (EASTERN, text)


def wrapped(text: str, font: str, size: float, room: float) -> list[str]:
    """A text broken to the room (points): between words, and within what has no spaces."""
    found: list[str] = []
    for line in simpleSplit(text, font, size, room):
        if stringWidth(line, font, size) <= room:
            found.append(line)
        else:
            found += [part for _, part in wordSplit(line, room, font, size)]
    return found
