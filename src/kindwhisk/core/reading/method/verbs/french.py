"""French verbs, as infinitive or imperative."""

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs.grammar import Grammar
from kindwhisk.core.reading.method.verbs.persons import as_french_tells


def _forms(*stems: str) -> str:
    """Verbs in -er by their stems: infinitive, imperatives and what one says of oneself."""
    return rf"(?:on |je |j')?(?:{'|'.join(stems)})(?:ez|er|e|ons)(?!\w)(?:-(?:les?|la|y|en))?"


VERBS: tuple[tuple[str, Act], ...] = (
    (r"séch(?:ez|er)(?= [^.;,]{0,16}(?:au four|à \d))", Act.BAKE),
    (_forms("préchauff") + r"|(?:faites |faire )?chauff(?:ez|er) le four|(?<!au )four(?= (?:à|\d))", Act.PREHEAT),
    (r"chemis(?:ez|er)(?=[^.;]* (?:avec|de) (?:(?:les |des )?biscuits|(?:la |une )(?:bande|ceinture)))", Act.LINE),
    (_forms("chemis", "grais") + r"|beurr(?:ez|er)(?: et farin(?:ez|er))?|tapiss(?:ez|er)", Act.PREPARE),
    (r"cass(?:ez|er)(?= [^.;]*en séparant)|en séparant|sépar(?:ez|er)|clarifi(?:ez|er)", Act.SEPARATE),
    (r"(?:faites |faire |mettez à |mettre à )?tremper(?=[^.;]*gélatine)|réhydrat(?:ez|er)|(?:ramoll(?:ir|issez)|gonfler)(?= la gélatine)|(?:mettez|mettre)(?= la gélatine (?:à|dans))|(?:faites |faire )(?:tremper|ramollir)", Act.BLOOM),
    (r"(?:y dissoudre|dissolvez-y|y faire fondre)(?= la gélatine)", Act.ADD),
    (r"éteign(?:ez|ez le four)", Act.NOTHING),
    (r"(?:mix(?:ez|er) et )?tamis(?:ez|er)", Act.SIFT),
    (r"faites-y fondre|(?:faites |faire )fondre(?=[^.;]*(?:gélatine))", Act.ADD),
    (r"(?:faites |faire )?fondre|fond(?:ez)", Act.MELT),
    (r"serr(?:ez|er)(?:-les)?", Act.WHIP),
    (r"mont(?:ez|er)|foisonn(?:ez|er)", Act.WHIP),
    (r"fouett(?:ez|er)(?:-les)?|travaill(?:ez|er)(?= (?:les|le|la) )|batt(?:ez|re)|blanch(?:issez|ir)", Act.BEAT),
    (r"hors du (?:feu|bain[- ]marie)(?= (?:au batteur )?jusqu)|hors du feu au batteur|au batteur(?= jusqu)", Act.WHIP),
    (r"hors du feu|(?:retir|enlev|ôt)(?:ez|er)(?:-les?|-la)?(?= du (?:feu|bain))", Act.OFF),
    (r"macaron(?:ez|er|nez|ner)", Act.PRESS),
    (rf"{_forms('incorpor', 'allèg')}|détend(?:ez|re|s)(?= (?:la|l'|le|les) )", Act.FOLD),
    (r"(?:portez|porter|amenez|amener)|(?:faites |faire )?bouillir|cui(?:sez|re)(?= (?:le sucre|l'eau|ensemble l'eau|le sirop))", Act.BOIL),
    (r"(?:faire|faites|réalis(?:ez|er)|prépar(?:ez|er))(?: une| la)? crème anglaise(?= (?:avec|à partir))", Act.HEAT),
    (r"remett(?:ez|re)(?: \w+)? (?:à cuire|sur le feu)|cui(?:sez|re)(?= en remuant| à l'anglaise| à la nappe)|(?:faites |faire )?épaissir", Act.HEAT),
    (r"(?:faites |faire )?chauff(?:ez|er)|tiéd(?:issez|ir)(?= le)|réchauff(?:ez|er)", Act.HEAT),
    (r"torréfi(?:ez|er)|(?:faites |faire )?griller(?= (?:les|la|des))", Act.ROAST),
    (r"(?:laissez|laisser) infuser|infus(?:ez|er)", Act.STEEP),
    (r"(?:laissez|laisser)(?:-les?|-la)?(?: bien| complètement)? (?:refroidir|prendre|durcir|raffermir)(?=[^.;,]{0,30} (?:au réf|au frais|au frigo|au froid|au congél))", Act.CHILL),
    (r"(?:laissez|laisser)(?:-les?|-la)?(?: bien| complètement)? (?:refroidir|tiédir)|refroidir", Act.COOL),
    (r"(?:laissez|laisser)(?:-les?|-la)?(?=[^.;]{0,50}(?:froid|refroid))", Act.COOL),
    (r"(?:laissez|laisser)(?:-les?|-la)? (?:croûter|reposer|sécher|prendre(?![^.;,]{0,26} au (?:f|réf|cong))|cristalliser|figer|durcir|gonfler)|attend(?:ez|re)|croûter|repos(?:ez|er)", Act.REST),
    (r"(?:laissez|laisser) prendre(?=[^.;,]{0,26} au (?:f|réf|cong))|(?:placez|placer|mettez|mettre|réserv(?:ez|er)|laissez|laisser|gard(?:ez|er)|conserv(?:ez|er))(?: \w+){0,3} (?:au frais|au réfrigérateur|au frigo|au froid|au congélateur)|réfrigér(?:ez|er)|(?:sur|dé|re)?(?:con)?gel(?:ez|er)(?!\w)", Act.CHILL),
    (r"cuisson(?= (?:à|de|:|pendant)? ?\d)|enfourn(?:ez|er)|(?:faites |faire )?cui(?:sez|re)", Act.BAKE),
    (r"poch(?:ez|er)|dress(?:ez|er)|couch(?:ez|er)(?= (?:des|les))|(?:fai(?:tes|re)|form(?:ez|er)|façonn(?:ez|er))(?= (?:une?|deux|trois|quatre|des?|\d+|les)(?: petits?| petites?| grands?| gros| grosses?)? ?(?:tas|disques?|ronds?|cercles?|nids?|meringues|coques|boules|bâtonnets))", Act.PIPE),
    (r"imbib(?:ez|er)|puncher|punch(?:ez)", Act.SOAK),
    (r"(?:retir|enlev|ôt)(?:ez|er)(?= (?:le |du |l')(?:cercle|moule|cadre))", Act.TURN_OUT),
    (r"(?:retir|décoll|enlev|ôt)(?:ez|er)(?= (?:le|la) (?:papier|feuille))", Act.HAND),
    (r"(?:débarrass|gliss)(?:ez|er)(?= [^.;]{0,24}(?:grille|plan de travail))|démoul(?:ez|er)|décercl(?:ez|er)|décoll(?:ez|er)|retourn(?:ez|er)(?=[^.;]*(?:torchon|linge|sur (?:une? |la |le )?(?:\w+ ){0,2}(?:grille|feuille|papier|plat)(?!\w)))", Act.TURN_OUT),
    (r"retourn(?:ez|er)(?=[^.;]*(?:moule|aussitôt)|-le|$|[.,;]| et (?:laiss|attend))|renvers(?:ez|er)", Act.INVERT),
    (r"déroul(?:ez|er)|coup(?:ez|er)|tranch(?:ez|er)|détaill(?:ez|er)|piqu(?:ez|er)", Act.HAND),
    (r"(?:roul|enroul)(?:ez|er)(?:-le|-la)?", Act.ROLL),
    (r"(?:sau)?poudr(?:ez|er)", Act.DUST),
    (r"garn(?:issez|ir)|referm(?:ez|er)|assembl(?:ez|er)|superpos(?:ez|er)|altern(?:ez|er)|mont(?:ez|er) le gâteau", Act.JOIN),
    (r"décor(?:ez|er)|parsem(?:ez|er)|dispos(?:ez|er)", Act.TOP),
    (r"glac(?:ez|er)|napp(?:ez|er)|masqu(?:ez|er)", Act.COAT),
    (r"étal(?:ez|er)|tartin(?:ez|er)", Act.SPREAD),
    (r"vers(?:ez|er)|coul(?:ez|er)|moul(?:ez|er)", Act.POUR),
    (r"répart(?:issez|ir)|partag(?:ez|er)|divis(?:ez|er)", Act.DIVIDE),
    (r"prélev(?:ez|er)|prenez|prendre", Act.TAKE),
    (r"termin(?:ez|er)(?= (?:par|avec) )|ajout(?:ez|er)|en ajoutant|parfum(?:ez|er)(?= (?:au|à|avec|de))", Act.ADD),
    (r"liss(?:ez|er)(?= (?:la|le) (?:crème|mascarpone|fromage))|mélang(?:ez|er)(?:-les|-le)?|mix(?:ez|er)(?:-les|-le)?|remu(?:ez|er)|délay(?:ez|er)", Act.MIX),
    (r"tap(?:ez|er|oter|otez)", Act.KNOCK),
    (r"mett(?:ez|re)|(?:dépos|pos|plac)(?:ez|er)", Act.PUT),
    (r"chinois(?:ez|er)|serv(?:ez|ir)|dégust(?:ez|er)|vérifi(?:ez|er)|bon(?:ne)? (?:appétit|dégustation|journée|soirée|week-end|courage)", Act.NOTHING),
)  # fmt: skip
GRAMMAR = Grammar(
    tuple(
        (rf"(?:(?:les |le |la |l'|y )(?=\w+(?:er|re|ir)(?!\w)))?(?:{p})(?:-(?:les?|la|y|en)(?!\w))?(?![\w])", act)
        for p, act in VERBS
    ),
    aside=r"sans|jusqu'à ce que?|afin de|afin que?|avant de|lorsque|quand",
    aside_ends=r"[,;.:]|(?= et (?:enfourn|cuis|vers|mett|laiss|retourn|ajout|réserv)\w+)|$",
    addressed=as_french_tells,
)
