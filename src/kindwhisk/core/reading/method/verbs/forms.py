"""Forms of the trade's English verbs: what was done, what is being done, what somebody does."""

from __future__ import annotations

PLAIN = [
    "add", "arrange", "bake", "bang", "beat", "blend", "blitz", "bloom", "boil", "break", "bring", "brush", "chill", "chop", "coat",
    "combine", "cook", "cool", "cover", "crack", "cream", "cut", "decorate", "dissolve", "divide", "dollop", "drizzle",
    "drop", "dry", "dump", "dust", "fill", "flip", "glaze", "fold", "freeze", "grease", "grind", "hang", "heap", "heat", "incorporate",
    "infuse", "invert", "knock", "ladle", "lay", "leave", "let", "line", "mash", "melt", "mix", "mound", "peel", "pipe", "place", "pour", "process", "prick", "press", "pull", "put",
    "refrigerate", "release", "remove", "rest", "roast", "roll", "rub", "sandwich", "scatter", "scrape", "separate", "set", "sieve", "sift",
    "simmer", "slice", "slide", "smooth", "soak", "soften", "split", "spoon", "spread", "sprinkle", "squeeze", "stack", "steep", "stir", "strain", "stream", "swirl", "take",
    "tap", "tip", "toast", "top", "torch", "transfer", "trim", "turn", "unmould", "unroll", "warm", "whip", "whisk", "work", "wrap",
]  # fmt: skip
"""Verbs as one is told to do them."""
_DOUBLED = {
    "cut",
    "chop",
    "drop",
    "flip",
    "let",
    "put",
    "set",
    "stir",
    "tap",
    "rub",
    "tip",
    "top",
    "trim",
    "whip",
    "wrap",
}
_DONE = {
    "beat": "beaten", "break": "broken", "bring": "brought", "cut": "cut", "freeze": "frozen", "grind": "ground", "hang": "hung", "lay": "laid", "leave": "left", "let": "let",
    "put": "put", "set": "set", "slide": "slid", "split": "split", "spread": "spread", "take": "taken",
}  # fmt: skip
_DID = _DONE | {"beat": "beat", "break": "broke", "freeze": "froze", "take": "took"}


def _stem(verb: str) -> str:
    if verb in _DOUBLED:
        return verb + verb[-1]
    return verb.removesuffix("e")


def _regular(verb: str) -> str:
    return f"{verb[:-1]}ied" if verb == "dry" else f"{_stem(verb)}ed"


DONE = {_DONE.get(verb, _regular(verb)): verb for verb in PLAIN}
"""“Whipped”, “taken”: what was done to something, as one is told to do it."""
DID = {_DID.get(verb, _regular(verb)): verb for verb in PLAIN}
"""“Whipped”, “took”: what somebody did."""
DOING = {f"{_stem(verb)}ing": verb for verb in PLAIN}
"""“Whipping”."""
DOES = {
    ("dries" if verb == "dry" else f"{verb}es" if verb.endswith(("s", "sh", "ch", "x")) else f"{verb}s"): verb
    for verb in PLAIN
}
"""“Whips”."""
