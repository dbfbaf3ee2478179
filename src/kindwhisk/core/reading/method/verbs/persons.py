"""Whoever a sentence speaks of: what others do, or what is done, as one is told to do it oneself."""

from __future__ import annotations

import re

BAKER = re.compile(r"(?<!\w)(?:she|he|who)(?!\w)")
SAYS = re.compile(
    r"(?<!\w)(?:separate|beat|whisk|whip|stir|mix|fold|sift|add|pour|bake|melt|heat|warm|boil|spread|roll|let|leave|put|take|turn|line|grease|"
    r"spoon|pipe|dust|cool|cut|soak|brush|fill|coat|sprinkle|combine|cream|chill)s(?= )"
)
ACTIVE = {
    "folded": "fold", "whisked": "whisk", "beaten": "beat", "whipped": "whip", "stirred": "stir", "added": "add", "poured": "pour",
    "sifted": "sift", "mixed": "mix", "melted": "melt", "boiled": "boil", "warmed": "warm", "baked": "bake", "piped": "pipe", "spread": "spread",
}  # fmt: skip
PASSIVE = re.compile(
    rf"(?<!\w)((?:the|both) (?:[^\W\d]+ ){{0,3}}?[^\W\d]+) (?:is|are|gets|get) (?:then |now )?({'|'.join(ACTIVE)})( in(?:to)?| over| through| on(?:to)?)?(?!\w)"
)
ASIDE_OPEN = re.compile(r"(?<!\w)(?:until|till|when|once|while|so that|if|before|after|as|that|which)(?!\w)[^,;.]*$")
"""A passive behind these words tells when, not what to do."""
TELLS_TU = re.compile(
    r"(?:^|(?<=, )|(?<=; )|(?<= et )|(?<=puis ))((?:préchauff|ajout|vers|mélang|laiss|incorpor|mont|fouett|tamis|enfourn|"
    r"retourn|démoul|coul|étal|roul|sépar|chauff|saupoudr|dispos|décor|garniss|beurr|chemis|plac|pos|napp|imbib|remu|"
    r"lèv|tapot|réserv|gliss|port|coup|dress)e|bats|mets|fais|remets|fends|garnis|blanchis)(?!\w)"
)
"""“Bats les jaunes, ajoute le lait”: where a sentence of French tells what to do."""
TU = re.compile(r"(?<!\w)tu (l'|la |le |les |y )?([^\W\d]{2,}s)(?!\w)")
IRREGULAR = {
    "bats": "battez",
    "mets": "mettez",
    "fais": "faites",
    "remets": "remettez",
    "blanchis": "blanchissez",
    "garnis": "garnissez",
    "fends": "fendez",
}


def _vous(match: re.Match[str]) -> str:
    """“Tu l'incorpores” as “incorporez-le”."""
    verb = IRREGULAR.get(match[2]) or re.sub(r"(?:es|s)$", "", match[2]) + "ez"
    behind = {"l'": "-le", "la ": "-la", "le ": "-le", "les ": "-les"}.get(match[1] or "", "")
    return verb + behind


def as_english_tells(text: str) -> str:
    """“She beats the yolks; the rest is folded in”: beat the yolks, fold in the rest."""
    text = SAYS.sub(lambda m: m[0][:-1], text) if BAKER.search(text) else text
    return PASSIVE.sub(
        lambda m: m[0] if ASIDE_OPEN.search(text[: m.start()]) else f"{ACTIVE[m[2]]}{m[3] or ''} {m[1]}", text
    )


def as_french_tells(text: str) -> str:
    """“Bats les jaunes, puis tu les incorpores”: battez, incorporez-les."""
    return TU.sub(_vous, TELLS_TU.sub(lambda m: IRREGULAR.get(m[1], f"{m[1]}z"), text))
