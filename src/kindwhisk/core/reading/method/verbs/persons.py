"""Whoever a French or Italian sentence speaks of, as one is told to do it oneself."""

from __future__ import annotations

import re

TELLS_TU = re.compile(
    r"(?:^|(?<=, )|(?<=; )|(?<= et )|(?<=puis ))((?:préchauff|ajout|vers|mélang|laiss|incorpor|mont|fouett|tamis|enfourn|"
    r"retourn|démoul|coul|étal|roul|sépar|chauff|saupoudr|dispos|décor|garniss|beurr|chemis|plac|pos|napp|imbib|remu|"
    r"lèv|enlèv|retir|déroul|enroul|décoll|tartin|parsèm|arros|coup|tapot|réserv|gliss|port|coup|dress)e|bats|mets|fais|remets|fends|garnis|blanchis)(?!\w)"
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
    verb = re.sub(r"è(?=[vlrmn]ez$)", "e", verb)
    behind = {"l'": "-le", "la ": "-la", "le ": "-le", "les ": "-les"}.get(match[1] or "", "")
    return verb + behind


IMPERFETTO = re.compile(
    r"(?:^|(?<=, )|(?<= e )|(?<=poi )|(?<=; )|(?<=nonna ))(?:(la|lo|li|le) )?([^\W\d]{3,}?)([aei])va(?:no)?(?!\w)"
)
"""“La nonna montava gli albumi e aggiungeva lo zucchero.”"""
IO = re.compile(
    r"(?:^|(?<=, )|(?<=; )|(?<=: )|(?<= e )|(?<=poi )|(?<=planetaria )|(?<=parte )|(?<=cotto )|(?<=pronto )|(?<=freddo )|(?<=quindi ))(?:(li|lo|la|le|ci) )?(mont|setacci|livell|distribuisc|separ|farc|vers|mescol|incorpor|inforn|lasci|sform|spalm|arrotol|bagn|tagli|riscald|scald|"
    r"aggiung|unisc|sbatt|mett|stend|sciolg|cuoci|facci|divid|prend|rovesc|capovolg|preriscald|accend|fond|rimett|ripong|sovrappong|toglie?|spolver|spolverizz|decor|inzupp|spennell|dress|form|amalgam|trit|srotol|stacc|copr|ricopr|cosparg|conserv|imburr|foder|[^\W\d]{3,8}isc)i?o(?!\w)"
)
"""“Monto le uova, li aggiungo”: what a cook tells of herself."""
TELLS_IO = {"aggiung": "aggiungi", "unisc": "unisci", "sbatt": "sbatti", "mett": "metti", "stend": "stendi", "sciolg": "sciogli", "cuoci": "cuoci", "facci": "fa", "divid": "dividi", "prend": "prendi", "capovolg": "capovolgi", "accend": "accendi", "fond": "fondi", "rimett": "rimetti", "ripong": "riponi", "sovrappong": "sovrapponi", "togli": "togli", "copr": "copri", "ricopr": "ricopri", "cosparg": "cospargi"}  # fmt: skip


HO = re.compile(
    r"(?<!\w)(?:poi |quindi )?(?:(?:l|li|le|lo|la)?'?\s?ho|abbiamo|ha|hanno) (?:poi |quindi |anche )?([^\W\d]{4,})(?!\w)"
)
"""“Ho montato le uova”."""
E_FATTO = re.compile(
    r"(?<= e )(?:poi |l'ho |li ho )?(?!infarinat|imburrat|foderat|rivestit|fredd)([^\W\d]{3,}(?:ato|uto|ito))(?= )"
)
DONE_IT = {
    "aggiunto": "aggiungere", "messo": "mettere", "fatto": "fare", "steso": "stendere", "sciolto": "sciogliere", "cotto": "cuocere",
    "diviso": "dividere", "capovolto": "capovolgere", "tolto": "togliere", "preso": "prendere", "cosparso": "cospargere", "fuso": "fondere",
}  # fmt: skip
ENDS_IT = (("ato", "are"), ("uto", "ere"), ("ito", "ire"))


def _fatto(match: re.Match[str]) -> str:
    done = re.sub(r"[aie]$", "o", match[1])
    told = DONE_IT.get(done) or next((done.removesuffix(a) + b for a, b in ENDS_IT if done.endswith(a)), "")
    return told or match[0]


def _imperfetto(match: re.Match[str]) -> str:
    """“La metteva” as “metterla”."""
    told = f"{match[2].removesuffix('c') if match[2] == 'fac' else match[2]}{'a' if match[2] == 'fac' else match[3]}r"
    told = "far" if match[2] == "fac" else told
    return told + (match[1] or "e")


def as_italian_tells(text: str) -> str:
    """“Setaccio la farina e la aggiungo”: setaccia, aggiungila; “ho montato”: montare."""
    if HO.search(text):
        text = E_FATTO.sub(_fatto, HO.sub(_fatto, text))
    text = IMPERFETTO.sub(_imperfetto, text)
    return IO.sub(lambda m: TELLS_IO.get(m[2], f"{m[2]}i" if m[2].endswith("isc") else f"{m[2]}a") + (m[1] or ""), text)


IMPARFAIT = re.compile(
    r"(?<!\w)(?:(?:elle|il|on|ma \w+|maman|mamie) )?(?:(les|le|la|l') ?)?([^\W\d]{3,}?)(?:ait|aient)(?!\w)"
)
"""“Elle montait les blancs et ajoutait le sucre.”"""
ON = re.compile(r"(?<!\w)(?:je |j'|on |nous )(l'|la |le |les |y )?([^\W\d]{2,}?)(e|ons)(?!\w)")
ON_IRREGULAR = {
    "je bats": "battez", "on bat": "battez", "je mets": "mettez", "on met": "mettez", "je fais": "faites", "on fait": "faites",
    "je cuis": "cuisez", "on cuit": "cuisez", "on garnit": "garnissez", "je garnis": "garnissez", "on remet": "remettez",
    "je remets": "remettez", "on prend": "prenez", "je prends": "prenez",
}  # fmt: skip
ON_SAYS = re.compile("|".join(rf"(?<!\w){words}(?!\w)" for words in ON_IRREGULAR))
SONT = re.compile(
    r"(?:^|(?<=, )|(?<= et )|(?<=puis ))((?:les? |la |l'|\d|une? |le tiers)[^,;.:]{2,60}?) (?:est|sont)(?: ensuite| alors| puis)? ([^\W\d]{2,}?)(ées|és|ée|é|uites|uits|uite|uit)(?!\w)"
)
"""“Les blancs sont montés”."""
ET_FAIT = re.compile(r"(?<= et )([^\W\d]{3,}?)(?:(u)ites?|ées|és|ée|é)(?= (?:avec|sur|à|dans|en|\d)|[.,;]|$)")
AI = re.compile(
    r"(?<!\w)(?:(?:je (?:l'|les )|on (?:l'|les )|j')?ai|on a|nous avons|elle a|il a) (?:ensuite |alors |puis |bien |tout )?([^\W\d]{3,})(?!\w)"
)
"""“J'ai fouetté les jaunes”."""
ET_AI = re.compile(r"(?<= et )([^\W\d]{3,}[éitu]s?)(?= (?:le|la|les|l'|un|une|refroidir|reposer|\d))")
DONE_FR = {
    "mis": "mettre", "fait": "faire", "battu": "battre", "fondu": "fondre", "cuit": "cuire", "pris": "prendre", "détendu": "détendre",
    "remis": "remettre", "étendu": "étendre",
}  # fmt: skip


def _fait(match: re.Match[str]) -> str:
    done = re.sub(r"(?<=[éi])e?s?$", "", match[1])
    told = DONE_FR.get(match[1].rstrip("es")) or DONE_FR.get(match[1])
    return told or (f"{done[:-1]}er" if done.endswith("é") else f"{done}r" if done.endswith("i") else match[0])


def _passive(match: re.Match[str]) -> str:
    return f"{match[2]}{'uire' if match[3].startswith('uit') else 'er'} {match[1]}"


def as_french_tells(text: str) -> str:
    """“Bats les jaunes, puis tu les incorpores”, “on les incorpore”, “les blancs sont montés”."""
    if SONT.search(text):
        text = ET_FAIT.sub(lambda m: f"{m[1]}{'uire' if m[2] else 'er'}", SONT.sub(_passive, text))
    if AI.search(text):
        text = ET_AI.sub(_fait, AI.sub(_fait, text))
    if re.search(r"(?<!\w)(?:elle|il|on|ma \w+|maman|mamie) (?:l[ea]s? )?[^\W\d]{3,}ait(?!\w)", text):
        text = IMPARFAIT.sub(lambda m: f"{m[2]}ez" + (f"-{m[1]}" if m[1] and m[1] != "l'" else ""), text)
    text = ON_SAYS.sub(lambda m: ON_IRREGULAR[m[0]], text)
    text = ON.sub(
        lambda m: (
            f"{m[2]}ez" + {"l'": "-le", "la ": "-la", "le ": "-le", "les ": "-les", "y ": "-y"}.get(m[1] or "", "")
        ),
        text,
    )
    return TU.sub(_vous, TELLS_TU.sub(lambda m: IRREGULAR.get(m[1], f"{m[1]}z"), text))
