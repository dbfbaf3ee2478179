"""The trade's verbs in five languages, each with what it tells one to do. A new language is a file here and a line below."""

from kindwhisk.core.reading.method.verbs import english, french, italian, japanese, vietnamese
from kindwhisk.core.reading.method.verbs.grammar import Grammar

GRAMMARS: dict[str, Grammar] = {
    "en": english.GRAMMAR,
    "fr": french.GRAMMAR,
    "it": italian.GRAMMAR,
    "ja": japanese.GRAMMAR,
    "vi": vietnamese.GRAMMAR,
}
__all__ = ["GRAMMARS", "Grammar"]
