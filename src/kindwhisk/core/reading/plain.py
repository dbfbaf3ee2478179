"""Text made plain: one form of digits, fractions, dashes and spaces, whatever script or keyboard it came from."""

from __future__ import annotations

import re
import unicodedata
from functools import lru_cache

VULGAR = {
    "½": "1/2", "⅓": "1/3", "⅔": "2/3", "¼": "1/4", "¾": "3/4", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
    "⅕": "1/5", "⅖": "2/5", "⅗": "3/5", "⅘": "4/5", "⅙": "1/6", "⅚": "5/6",
}  # fmt: skip
DASHES = re.compile(r"[‐‑‒–—―−〜~～]")
BULLET = re.compile(r"^\s*(?:[-*•·▢□☐○●◦‣–—→]|\[\s?\])+\s*")
LONGEST = 400
REMEMBERED = 8192
"""Stretches that are kept as they were made plain: one reading asks for the same rows again and again."""


@lru_cache(maxsize=REMEMBERED)
def plain(text: str) -> str:
    """Lower case, digits and signs of one form, single spaces, no bullet in front; at most 400 characters."""
    text = re.sub(r"…|\.{2,}|・{2,}", " ", text[:LONGEST])
    for sign, spelled in VULGAR.items():
        text = text.replace(sign, f" {spelled} ")
    text = (
        unicodedata.normalize("NFKC", text)
        .replace("湯せん", "湯煎")
        .replace("⁄", "/")
        .replace("’", "'")
        .replace("×", "x")
    )
    # Half-width katakana and spelled-out degrees become what the lexicons hold.
    text = text.replace("º", "°").replace("˚", "°")
    text = BULLET.sub("", DASHES.sub("-", text))
    return re.sub(r"\s+", " ", text).strip().lower()


@lru_cache(maxsize=REMEMBERED)
def folded(text: str) -> str:
    """Without accents, so that ``creme`` and ``crème`` meet; kana and Han signs stay."""
    kept = []
    for sign in text.replace("đ", "d").replace("œ", "oe"):
        if "\u3040" <= sign <= "\u9fff":
            kept.append(sign)
        else:
            kept += [c for c in unicodedata.normalize("NFD", sign) if not unicodedata.combining(c)]
    return "".join(kept)


def is_cjk(text: str) -> bool:
    """Whether words run together in it."""
    return any("\u3040" <= sign <= "\u9fff" for sign in text)


def slug(title: str) -> str:
    """An id from a title."""
    bare = unicodedata.normalize("NFKD", title.lower()).encode("ascii", "ignore").decode()
    made = re.sub(r"[^a-z0-9]+", "-", bare).strip("-")[:48].strip("-")
    return made or "read-in"
