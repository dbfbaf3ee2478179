"""Italian verbs, as infinitive or imperative."""

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs.grammar import Grammar

_LO = r"(?:l[eoai]|ne|vi|ci)?"
VERBS: tuple[tuple[str, Act], ...] = (
    (r"prerisc?ald(?:ate|are|a)|scald(?:ate|are) il forno|accend(?:ete|ere) il forno", Act.PREHEAT),
    (r"(?:imburr|infarin|olia|fodera|rivest)(?:ate|are|ite|ire|te|re|a)(?: e infarin(?:ate|are))?", Act.PREPARE),
    (r"(?:separ|divid)(?:ate|are|ete|ere)(?= (?:i tuorli|gli albumi|le uova))", Act.SEPARATE),
    (r"(?:ammoll|idrat)(?:ate|are)|mett(?:ete|ere) (?:la gelatina )?a bagno|mett(?:ete|ere) in ammollo", Act.BLOOM),
    (rf"setacci(?:ate|are|a){_LO}", Act.SIFT),
    (rf"(?:fate |far |fare )?(?:sciogli(?:ete|ere)|sciogl\w+|fond(?:ete|ere)){_LO}", Act.MELT),
    (rf"mont(?:ate|are|a){_LO}", Act.WHIP),
    (rf"sbatt(?:ete|ere|i){_LO}|lavor(?:ate|are)(?= (?:i tuorli|le uova|il burro))", Act.BEAT),
    (rf"incorpor(?:ate|are|a){_LO}|amalgam(?:ate|are){_LO}", Act.FOLD),
    (r"(?:fate |far |fare |portate (?:a |ad )?|portare (?:a |ad )?)(?:bollire|ebollizione|bollore)|cuoc(?:ete|ere)(?= lo zucchero)", Act.BOIL),
    (rf"(?:scald|riscald|intiepid)(?:ate|are|ite|ire){_LO}", Act.HEAT),
    (r"(?:lasci|fa)(?:ate|te|are|re|r)(?: \w+)? (?:raffreddare|intiepidire)|raffredd(?:ate|are)", Act.COOL),
    (r"(?:lasci|fa)(?:ate|te|are|re|r)(?: \w+)? (?:riposare|asciugare|rapprendere|solidificare)", Act.REST),
    (r"(?:mett|pon|ripon|conserv)(?:ete|ere|ate|are|erlo|etelo)(?: \w+){0,2} (?:in frigo\w*|in frigorifero|in freezer|in congelatore)", Act.CHILL),
    (r"(?:capovolg|rovesci)(?:ete|ere|ate|are|etelo|atelo)", Act.INVERT),
    (rf"(?:sforn)(?:ate|are){_LO}", Act.NOTHING),
    (rf"(?:sform)(?:ate|are){_LO}|stacc(?:ate|are)", Act.TURN_OUT),
    (rf"(?:inforn|cuoc)(?:ate|are|ete|ere){_LO}|forno(?= \d)", Act.BAKE),
    (r"(?:form)(?:ate|are)(?= (?:le|dei|dischi|bastoncini|i|delle|\w+))", Act.PIPE),
    (rf"bagn(?:ate|are){_LO}|inzupp(?:ate|are){_LO}|spennell(?:ate|are)", Act.SOAK),
    (rf"(?:srotol|tagli|bucherell|rifil)(?:ate|are){_LO}", Act.HAND),
    (rf"(?:arrotol)(?:ate|are){_LO}", Act.ROLL),
    (rf"(?:farc)(?:ite|ire){_LO}|sovrappon(?:ete)", Act.JOIN),
    (rf"(?:decor|guarn)(?:ate|are|ite|ire){_LO}|cospargete", Act.TOP),
    (r"(?:spolver|spolverizz)(?:ate|are)", Act.DUST),
    (rf"(?:glass|ricopr)(?:ate|are|ite|ire){_LO}", Act.COAT),
    (rf"(?:stend|spalm)(?:ete|ere|ate|are){_LO}", Act.SPREAD),
    (rf"(?:vers|trasfer|col)(?:ate|are|ite|ire){_LO}", Act.POUR),
    (rf"divid(?:ete|ere){_LO}", Act.DIVIDE),
    (r"prend(?:ete|ere)|prelev(?:ate|are)", Act.TAKE),
    (rf"(?:aggiun|un)(?:gete|gere|ite|ire|geteli|itel[eoai]|itevi){_LO}", Act.ADD),
    (rf"(?:mescol|mischi|stemper)(?:ate|are|a){_LO}", Act.MIX),
    (rf"mett(?:ete|ere){_LO}", Act.PUT),
    (r"serv(?:ite|ire)|prova", Act.NOTHING),
)  # fmt: skip
GRAMMAR = Grammar(tuple((rf"(?:{p})(?![\w])", act) for p, act in VERBS))
