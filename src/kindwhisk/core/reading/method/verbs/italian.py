"""Italian verbs: infinitive, and what one says to one or to several."""

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs.grammar import Grammar
from kindwhisk.core.reading.method.verbs.persons import as_italian_tells

_LO = r"(?:(?:ce|ve)?l[eoai]|ne|vi|ci)?"


def _are(*stems: str) -> str:
    """Verbs in -are by their stems: ``montare``, ``montate``, ``monta``, ``si monta``, with or without a pronoun."""
    return rf"(?:si )?(?:{'|'.join(stems)})(?:ate|are|ar|ando|iamo|ano|a){_LO}"


def _ere(*stems: str) -> str:
    """Verbs in -ere by their stems."""
    return rf"(?:si )?(?:{'|'.join(stems)})(?:ete|ere|er|endo|iamo|ono|i|e){_LO}"


def _ire(*stems: str) -> str:
    """Verbs in -ire by their stems."""
    return rf"(?:si )?(?:{'|'.join(stems)})(?:ite|ire|ir|endo|iamo|iscono|isce|isci|ono|i|e){_LO}"


_LET = r"(?:lasci(?:ate|are|a|ando)|f(?:ate|are|ar|a(?=l[eoa])|ai|acendo))(?:l[eoai])?(?: \w+){0,2} "
VERBS: tuple[tuple[str, Act], ...] = (
    (rf"{_are('preriscald')}|{_are('scald')} il forno|{_ere('accend')} il forno|(?<!in )forno(?= (?:a|statico|ventilato|preriscaldato) )", Act.PREHEAT),
    (r"lasci(?:a|ate|are|ar)(?:l[aeoi])? (?:(?:la|le) \w+ )?(?:dentro|nel forno|in forno|lì|così)(?=[^.;,]*(?:fredd|raffredd))", Act.COOL),
    (rf"(?:{_are('imburr', 'infarin', 'oli', 'foder')}|{_ire('rivest')})(?: e (?:infarin|foder)(?:ate|are|a))?", Act.PREPARE),
    (rf"(?:{_are('separ')}|{_ere('divid')})(?= (?:(?:i|gli|le) )?(?:tuorli|albumi|uova))", Act.SEPARATE),
    (rf"{_are('ammoll', 'idrat')}|{_ere('mett')} (?:la gelatina )?(?:a bagno|in ammollo)", Act.BLOOM),
    (r"(?:tritare|macinare|(?:tritate|tritiamo|trita|tritano|macinate|macina)(?= (?:finemente )?(?:le|i|gli|il|la) ))", Act.SIFT),
    (rf"(?<!polveri )(?<!farine )(?<!farina )(?<!secchi ){_are('setacci')}", Act.SIFT),
    (rf"(?:{_LET})?(?:sciogl\w+|{_ere('fond')})", Act.MELT),
    (rf"batt(?:ete|ere|i)(?= [^.;]{{0,14}}(?:teglia|teglie|stampo|stampi))|{_are('picchiett')}", Act.KNOCK),
    (rf"(?:to(?:gli(?:ete|ere|e)?|lgo)|{_are('lev')})(?:l[eoai])?(?= dal (?:fuoco|bagnomaria))", Act.OFF),
    (_are("macaron"), Act.PRESS),
    (_are("mont"), Act.WHIP),
    (rf"{_ere('sbatt')}|{_are('lavor')}(?= (?:i tuorli|le uova|il burro))", Act.BEAT),
    (_are("semimont", "mezzomont"), Act.WHIP),
    (r"croutage(?= \d)", Act.REST),
    (_are("accoppi"), Act.JOIN),
    (rf"{_are('lavor')}(?= (?:la |il )?(?:ricotta|mascarpone|formaggio|crema|philadelphia))", Act.MIX),
    (rf"{_are('incorpor', 'amalgam', 'alleggeri')}|{_ire('allegger')}", Act.FOLD),
    (rf"(?:{_LET}|port(?:ate|are|a)(?:l[eoai])? (?:a |ad )?(?:\w+ )?)(?:bollire|ebollizione|bollore)|bollire(?= )|port(?:ate|are|a)(?= [^.;]{{2,30}} a 1\d\d)|(?:cuoc(?:ete|ere|i))(?= (?:(?:lo )?zucchero|acqua|l'acqua))", Act.BOIL),
    (rf"{_ere('rimett')}(?: \w+)? (?:sul fuoco|sul fornello|nel pentolino|a cuocere)(?: e cuoci?(?:ete|ere)?)?|(?:cuoc(?:ete|ere|i))(?= (?:finch|fino a che|mescolando|a fuoco|a fiamma|a bagnomaria|fino a (?:quando )?(?:si )?addens|la crema))", Act.HEAT),
    (rf"(?:{_are('prepar')}|fa(?:te|re|i))(?: una| la)? crema inglese(?= (?:con|a partire))", Act.HEAT),
    (_are("tost"), Act.ROAST),
    (rf"{_are('scald', 'riscald')}|{_ire('intiepid')}", Act.HEAT),
    (rf"{_LET}(?:in infusione|infondere)", Act.STEEP),
    (rf"{_LET}(?:raffreddare|intiepidire)|{_are('raffredd')}", Act.COOL),
    (rf"{_LET}(?:riposare|asciugare|rapprendere|solidificare|cristallizzare|rassodare|raffreddare)(?: \w+){{0,2}}(?: in (?:frigo\w*|freezer))", Act.CHILL),
    (rf"{_are('congel', 'surgel', 'refriger')}", Act.CHILL),
    (rf"{_LET}(?:riposare|asciugare|rapprendere|solidificare|crostare)|{_ere('attend')}|{_are('aspett')}", Act.REST),
    (rf"(?:{_ere('mett', 'pon', 'ripon', 'ten', 'tien')}|{_are('conserv', 'lasci', 'pass')})(?: \w+){{0,3}} (?:in (?:frigo\w*|freezer|congelatore)|al fresco)", Act.CHILL),
    (rf"(?:{_ere('capovolg')}|{_are('rovesci')})(?= [^.;]*(?:canovaccio|carta|gratella|piatto|strofinaccio))", Act.TURN_OUT),
    (rf"{_ere('capovolg')}|{_are('rovesci')}", Act.INVERT),
    (_are("sforn"), Act.NOTHING),
    (rf"{_are('sform', 'sformat')}|to(?:gli(?:ete|ere)?)(?= [^.;]{{0,20}}(?:stampo|teglia))|{_are('stacc')}(?= [^.;]{{0,20}}(?:stampo|teglia|torta))", Act.TURN_OUT),
    (rf"{_are('inforn')}|(?:si )?cuoc(?:ete|ere|i|e|ono|endo){_LO}|forno(?= \d)", Act.BAKE),
    (rf"{_are('dress', 'spizz')}|(?:fa(?:te|re|i)?|{_are('realizz')})(?= (?:uno?|due|tre|quattro|dei|tanti|delle|tante|i|\d+)(?: piccol\w+| grand\w+)? ?(?:dischi|disco|cerchi|cerchio|nidi|nido|ciuffi|gusci|bastoncini|mucchietti))|{_are('form')}(?= (?!una? (?:pasta|composto|impasto))(?:le|dei|dischi|bastoncini|i|delle|\w+))", Act.PIPE),
    (rf"(?<!la )(?<!una )(?<!di ){_are('bagn')}|{_are('inzupp', 'spennell')}|{_ere('imbev')}", Act.SOAK),
    (rf"{_are('srotol', 'tagli', 'bucherell', 'rifil', 'stacc')}|(?:si )?to(?:gli(?:ete|ere|e)?|lgo)(?= (?:la|il) (?:carta|foglio))", Act.HAND),
    (_are("arrotol", "riarrotol"), Act.ROLL),
    (rf"{_ire('farc')}|{_ere('sovrappon')}|{_are('assembl', 'accoppi')}|altern(?:ate|are|a)(?!\w)", Act.JOIN),
    (rf"{_are('decor', 'cosparg', 'adagi')}|{_ire('guarn', 'distribu')}|{_ere('cosparg', 'dispon')}", Act.TOP),
    (_are("spolver", "spolverizz"), Act.DUST),
    (rf"{_are('glass')}|{_ire('ricopr')}|{_ire('copr')}(?! [^.;]{{0,14}}(?:pellicola|canovaccio))", Act.COAT),
    (rf"{_ire('copr')}", Act.NOTHING),
    (rf"{_ere('stend')}|{_are('spalm', 'livell')}", Act.SPREAD),
    (rf"{_are('vers', 'col')}|{_ire('trasfer')}", Act.POUR),
    (_ere("divid"), Act.DIVIDE),
    (rf"{_ere('prend')}|{_are('prelev')}", Act.TAKE),
    (rf"{_are('termin')}(?= con )|{_ere('aggiung')}|{_ire('un')}|{_are('aggreg')}", Act.ADD),
    (_are("mescol", "mischi", "stemper", "emulsion"), Act.MIX),
    (_ere("mett", "disponi"), Act.PUT),
    (rf"{_ire('serv')}|buon appetito|buona (?:giornata|serata|merenda)|{_are('prov')}|fai la prova|fate la prova|ripet(?:ete|ere|i)", Act.NOTHING),
)  # fmt: skip
GRAMMAR = Grammar(
    tuple((rf"(?:{p})(?![\w])", act) for p, act in VERBS),
    aside=r"senza|prima di|finché(?: non)?|fino a quando|fino a che|quando|in modo che|affinché",
    aside_ends=r"[,;.:]|(?= e (?:inforn|cuoc|mett|vers|lasci|capovolg|copr)\w+)|(?= (?:aggiung|unisc|vers|incorpor|togli|spegn)\w+)|$",
    addressed=as_italian_tells,
)
