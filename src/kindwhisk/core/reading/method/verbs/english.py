"""English verbs."""

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs.grammar import Grammar
from kindwhisk.core.reading.method.verbs.voices import as_english_tells

_TIN = r"(?:tins?|pans?|trays?|moulds?|molds?|sheets?|dish|ring|springform|base|paper|parchment)\b"
_COOL = r"(?:cool|cold|get cold)"
VERBS: tuple[tuple[str, Act], ...] = (
    (r"pre-?heat|setting the oven|set the oven|(?:pre-?heat|heat|turn on|warm)\s+(?:up )?(?:the |your |an? )?oven|oven(?= (?:at |to )?\d)", Act.PREHEAT),
    (r"line(?= [^,.;]{0,30}(?:ring|tin|mould|mold|dome|bowl|basin)[^.;]* with (?:the |a )?(?:\w+ )?slices)|line [^,.;]{0,50}(?:ring|tin|mould|mold|dome|bowl)s? [^,.;]{0,12}with (?:the |a )?(?:finger |sponge |biscuit )?(?:strip|band|finger|sponge|biscuit|ladyfinger|cake)\w*", Act.LINE),
    (r"line up(?= )", Act.TOP),
    (r"(?:set out|get out|get ready)(?= (?:an?|the|your|two) )|have ready(?= (?:an?|the|two|\d))|have (?:an?|the) [^,.;]{3,40} ready", Act.PREPARE),
    (rf"(?:line|grease|butter|flour|oil|dampen|prepare|draw|wrap)\b(?! in(?:to)?\b)(?: (?:and|,) (?:line|flour|grease|dust))?(?=[^.;]*?(?:{_TIN}|circle|paper))"
     r"(?! [^,.;]*\b(?:batter|mixture) )", Act.PREPARE),
    (r"(?:spoon|scoop|transfer|put|pour|place|fill|scrape|load)(?= [^.;,]{0,34}(?:piping|pastry) bag)", Act.NOTHING),
    (r"(?:lay|put|spread|place)(?= (?:out )?(?:an?|the|your) (?:clean |damp |dry )?(?:tea )?(?:towel|cloth)(?!\w))|(?:lay|put|spread|place)(?= (?:out )?(?:a|another|the) (?:\w+ )?(?:sheet|piece|layer) of (?:\w+ )?(?:paper|parchment|foil))|spread out(?= an? )|(?:sprinkle|dust)(?= an? (?:sheet|piece) of)", Act.PREPARE),
    (r"(?:break|crack)(?= [^.;]*(?:whites and yolks apart|yolks and whites apart|separating))|sep(?= (?:the )?eggs)|part(?= (?:them|the eggs))|separate (?:the |\w+ )?(?:\w+ )?eggs?|separate(?= the (?:yolks|whites)| them|$|[,.])", Act.SEPARATE),
    (r"(?:soak|bloom|soften|swell|put|(?:sprinkle|scatter|stir)(?= (?:\w+ ){0,3}gelatine?(?: \w+)? (?:over|on|onto|into) (?:\w+ ){0,3}water)) (?:the |all the )?(?:(?:\w+ )?(?:leaves|sheets) of )?(?:second |first |other |remaining |rest of the )?(?:powdered |leaf |sheet )?gelatine?(?: \w+)?", Act.BLOOM),
    (r"(?:turn (?:the (?:oven|heat|temperature) )?(?:it )?(?:down|up)|lower|reduce|increase|drop(?= (?:the |it |its )?(?:temperature|heat|oven|to \d{3})))\b", Act.OVEN),
    (r"(?:turn|switch) (?:the oven off|off (?:the )?oven)", Act.NOTHING),
    (r"off (?:the )?heat(?= (?:until|till) (?:it is |they are )?(?:cold|cool|thick))", Act.WHIP),
    (r"(?:(?:take|remove|lift)(?: \w+){0,3} )?off the heat|remove (?:it )?from (?:the )?(?:heat|flame|bath|water)", Act.OFF),
    (r"(?:move|transfer|take|change)(?: it| them)?(?= (?:over )?to the (?:machine|mixer|stand mixer))|(?:in|into|with|onto) (?:the|your|a) (?:stand )?mixer(?= (?:on|until|at|for)\b)|beat(?= off the heat)", Act.WHIP),
    (r"sift|sieve|pass(?: \w+)? through (?:a |the )?(?:fine )?sieve", Act.SIFT),
    (r"(?:blitz|process|grind|mill|pulse)(?: and (?:sift|sieve))?", Act.SIFT),
    (r"(?:whip|whisk|beat)(?= (?:cold|stiff|hot|warm))", Act.WHIP),
    (r"(?:keep|go on|continue)(?: on)? stirring", Act.MIX),
    (r"(?:keep|carry on|go on|continue) going(?= (?:with|until|till|on))", Act.BEAT),
    (r"(?:keep|go on|continue)(?: on)? (?:whisking|beating|whipping)", Act.BEAT),
    (r"whip|tighten|make (?:a |the |an )?(?:\w+ ){0,2}meringue(?! (?:nests|shells|discs|kisses))", Act.WHIP),
    (r"(?:rub|beat|whisk|mix with (?:an? )?(?:electric|hand) \w+)", Act.BEAT),
    (r"cream(?= (?:the |together|\d[^.;,]{0,16}(?:butter|margarine|sugar)|butter))", Act.BEAT),
    (r"(?:start|begin)(?: whipping| whisking| beating)?(?= (?:on )?(?:the )?(?:other |rest of (?:the )?|remaining |second |first )?(?:\d+ ?g (?:of )?(?:the )?)?(?:egg )?whites?)", Act.WHIP),
    (r"macaronn?er?(?= )|macaronage(?= in(?!to a)| until| till| to |$)|press(?= (?:it )?against )|(?:macaronage|press|work)(?= (?:the )?(?:batter|it|mixture))", Act.PRESS),
    (r"(?:(?:ripple|swirl|marble)(?= (?:[^.;,]{0,40} )?(?:through|in(?:to)?(?! a))(?!\w))|fold|folding|folded(?= (?:in|through|under))|incorporate)", Act.FOLD),
    (r"(?:work|beat|stir|mix|whisk)(?= (?:(?:a third|one third|half|some|a little|a quarter|the rest) of )?(?:the )?(?:meringue|whites|beaten whites|whipped whites|egg whites|whipped cream|foam|snow) (?:into|through)(?!\w))", Act.FOLD),
    (r"sacrifice(?= (?:a|one) (?:third|quarter|half|scoop|bit))", Act.FOLD),
    (r"(?:slacken|lighten|loosen)(?= the (?:paste|base|batter|mixture|yolk|choc))", Act.FOLD),
    (r"return(?= (?:it |this |that |everything |all )?to the (?:bowl|rest|batter|main|remaining|foam|bulk))", Act.FOLD),
    (r"loosen|slake", Act.MIX),
    (r"(?:make|bring|cook|boil|simmer)\b(?=[^.;]*\bsyrup\b)|boil|cook(?= (?:the )?sugar)", Act.BOIL),
    (r"bring(?= [^.;,]*?(?:boil|simmer))", Act.BOIL),
    (r"make (?:a |the )?(?:custard|crème anglaise|creme anglaise)(?= (?:with|from|of|out of))", Act.HEAT),
    (r"melt", Act.MELT),
    (r"(?:(?:leave|let|allow)(?: (?:it|them|this|the \w+))?(?: to)? )?(?:steep|infuse|brew)", Act.STEEP),
    (r"(?:roast|toast)(?= )(?! until)", Act.ROAST),
    (r"(?:stew|poach)(?= )|(?:heat|(?<!\+ )(?<!& )warm(?! to the touch| (?:\w+ )?in(?:$|[,.;]))|scald|simmer|cook|dissolve|return (?:it |all )?to the (?:pan|heat|pot)(?: and cook)?)", Act.HEAT),
    (r"(?!cut (?:the |each )?(?:cakes?|sponges?) )(?:run|cut|poke|zigzag|draw|swirl|pass|insert)(?: \w+){0,3} (?:a )?(?:skewer|knife|chopstick|toothpick)?\s*through|cut through (?:it )?with", Act.KNOCK),
    (r"give (?:it|them|the \w+|each \w+)(?: on the \w+)? (?:an?|two|three|several|some) (?:few |\w+ )*(?:tap|knock|bang|rap|shake)s?|(?:tap|knock|bang|rap)|drop(?=,|$)|drop(?= (?:the|it|each|once|twice|from)(?! [^.;,]{2,20} in(?!\w))(?!\w))", Act.KNOCK),
    (r"run(?= (?:a|round|the)(?!\w))", Act.NOTHING),
    (r"turn (?:it |them |the (?!tins?|pans?|moulds?)\w+ )?upside[- ]down(?= on(?:to)? (?:\w+ ){0,4}(?:towel|cloth|paper|rack|plate|board|parchment))", Act.TURN_OUT),
    (r"(?:turn|flip|invert) (?:it |them |the (?!tins?|pans?|moulds?)\w+ )?(?:\w+[- ])?(?:side[- ])?(?:down|over|up)(?= on(?:to)? (?:an?|the|some|another) (?!bottle|funnel))", Act.TURN_OUT),
    (r"(?:invert|turn|flip)(?= [^.;]{0,30}(?:bottle|neck|feet|legs|funnel))", Act.INVERT),
    (r"(?:turn (?:it |them |the \w+ )?upside[- ]down|invert(?! (?:\w+ ){0,3}(?:on)?to (?:(?:an?|the|some|sugared|floured|clean|baking|damp) |\w*rack|paper|parchment))|turn (?:it|the tin|the pan|the cake) over(?! on)|hang|flip(?= (?:it |them |the (?:cake|tin|pan) )?(?:over(?! on)|upside|straight ?away|immediately|right away|at once)))", Act.INVERT),
    (r"(?:(?:turn|tip|flip)(?= on ?(?:to)? (?:an?|the|your|sugared|some) )|turn (?:it |them |(?:the )?(?:hot |warm |cooled )?(?:cake|sponge|roulade|roll|meringue|sheet) |the (?:\w+ ){1,2})?out|unmou?ld|unframe|de-?frame|out (?:it|they) comes?|un-?mold|take off (?:the )?(?:ring|rim|sides)|(?<=, )out(?=$|[.,])|pop (?:it |them )?out|depan|remove(?= (?:and|to|from the tin|from their tins?) )|transfer(?= (?:it |them |the \w+ )?(?:on)?to (?:an? |the )?(?:wire |cooling )?rack)|release|tip (?:it )?out|de-?mou?ld|take (?:it|them|the cake) out of the (?:tin|pan)|cut (?:it|the cake) out|get (?:it|them|the cake) out|take (?:it|the cake) out(?=$|[,.])|"
     r"remove(?= (?:the )?cakes?(?!\w))|(?:remove|lift|slide)(?: \w+){0,3} (?:off|out of|from|onto) (?:the )?(?:tin|pan|tray|mould|ring|rack|a rack|a wire)|"
     r"remove (?:the )?(?:ring|rim|sides)|slide (?:the )?paper|turn over(?= on(?:to)?(?!\w))|slide(?= (?:it |them )?onto)|(?:flip|tip|turn)(?= (?:it|them|the (?:cake|sponge|roulade|tray|tin|pan))(?: over)?(?: out)? on(?:to)?(?!\w))|(?:lift|slide|ease|prise)(?: it| them| the \w+)? out|invert(?= [^.;]*onto))", Act.TURN_OUT),
    (r"open(?= (?:it|the (?:roll|cake|sponge|roulade))(?: up| out)?(?:$|[,.]))|(?:remove|pull off|take off|strip off|pull)(?= (?:the )?(?:\w+ )?(?:paper|parchment|lining|towel|cloth))|cut(?= (?:the |each )?(?:cakes?|sponges?|it) (?:horizontally )?through(?: the (?:middle|centre|center))?(?!\w))|unroll|blanch(?= )|pound(?= )|peel|trim|hollow|score|slice(?= (?:it|the|in|into|each|génoise|genoise|cakes?|sponges?|rolls?)(?!\w))|flip(?= the|,|$)|cut(?! through)|poke|prick|pierce|crush|chop|mash|(?:stamp|punch|cut) out|grate|hull", Act.HAND),
    (r"(?:re-?roll|roll)", Act.ROLL),
    (r"(?:mature|ripen|rest|leave|let|allow|keep|store|stand|set|place|put)(?![^.;]*(?:until needed|up to|days))(?=(?:[^.;,]|, (?:covered|preferably|ideally|wrapped)[^.;,]*,){0,40}\b(?:fridge|refrigerator|freezer|cold room|chiller|cold (?:to|until|for))\b)", Act.CHILL),
    (r"(?:store|keep|hold)(?= [^.;,]{0,20}at (?:\d|\d-\d) ?°[^.;]*\d ?(?:h(?:ours?)?|days?)(?!\w))", Act.CHILL),
    (r"(?:it |they )?(?:stays?|sits?)(?= [^.;]{0,20}in the (?:fridge|freezer|refrigerator))|(?:it |this |they |that )?(?:needs?|goes?|has|wants?)(?= [^.;]*(?:in|into) the (?:fridge|freezer|refrigerator))", Act.CHILL),
    (r"(?:defrost|thaw)(?= [^.;,]*(?:fridge|refrigerator))", Act.CHILL),
    (r"(?:mature|ripen)(?= [^.;,]{0,20}at [0-8] ?°? ?c(?!\w))|(?:chill|refrigerate|freeze(?!-dried)|put (?:it )?in the (?:fridge|refrigerator))", Act.CHILL),
    (r"stand(?= (?:the |some )?(?:\w+ )?(?:straw|rasp|black|blue)?(?:berries|fruit|cherries|figs))", Act.TOP),
    (r"stand(?= (?:the |it |them )?[^.;,]{0,30}(?:over|in) (?:an? \w+ of )?(?:hot|warm|simmering))", Act.PUT),
    (rf"(?:leave|let|allow|hang)\b(?=(?:(?!\bthen\b|\bturn|\binvert|\bremove|\btransfer)[^.;]){{0,60}}\b{_COOL}\b)(?!\w)", Act.COOL),
    (r"set aside(?= to cool)|cool", Act.COOL),
    (r"(?:(?:crust|skin|dry|cro[uû]ter?|crystalli[sz]e|mature)(?= \d)|leave|let|allow|(?<!the )rest(?! of| with| by hand| in(?:$|[,.;]| (?:two|three|four|\d)| with))|wait|waiting(?= (?:\w+ ){0,2}min)|stand(?! mixer)|dry(?= (?:for|until|them|it|the (?!ingr|mix|good)))|set aside(?= (?:to|for|until)))", Act.REST),
    (r"cover(?= (?:it |them |the \w+ |loosely |again )?with (?:an? |the )?(?:\w+ ){0,2}(?:cloth|towel|film|foil|clingfilm|wrap|paper|parchment|lid)(?!\w))", Act.NOTHING),
    (r"cover\b(?! (?:it |them )?with (?:the )?(?:remaining|rest|cream|glaze|icing|ganache|mousse))(?=[^.;]*(?:leave|fridge|refrigerate|chill))", Act.NOTHING),
    (r"(?:reserve|keep back|set aside|save)(?= (?:a |one |half|some|about |\d))", Act.RESERVE),
    (r"(?:set aside|reserve|keep|save)", Act.NOTHING),
    (r"(?:it |they |and )?in(?:to)? (?:the|a) (?:\w+ )?oven(?= (?:at|for|on|of) )|(?:bake|dry in|put (?:it |them )?(?:in(?:to)?|back in) the oven(?= (?:for|at)))", Act.BAKE),
    (r"(?:put|place) (?:\w+ ){0,2}in(?:to)? the oven", Act.NOTHING),
    (r"(?:heap|pile|put|tip|slide|spoon|scrape)(?= [^.;,]{0,40}(?:whites?|snow|meringue) (?:on|onto|over|on top of) (?:the |your )?(?:\w+ )?(?:yolks?|egg|mixture|batter|base)(?!\w))", Act.ADD),
    (r"(?:make|form|shape)(?= (?:\w+ )?(?:\d+|two|three|four|five|six|seven|eight|ten|twelve|little|small|round) (?:\w+ ){0,2}(?:blobs|mounds|nests|heaps|rounds|circles|discs|kisses|swirls)(?!\w))|shape(?= (?:it |this |the \w+ )?in(?:to)? (?:an? )?(?:\w+ ){0,3}(?:nest|circle|round|disc|ring|shells))|force(?= it)|(?:spoon or |scoop or )?(?:pipe|dollop|mound|heap|drop by|drop(?= (?:(?:the )?\w+ |it )?(?:in |by )?(?:tea)?spoonfuls))", Act.PIPE),
    (r"(?:brush|soak|moisten|drench|imbibe)", Act.SOAK),
    (r"(?:join(?= (?:them|pairs|two|the|in pairs))|pair(?: up)?(?= (?:the |them|up|with|similar|shells))|sandwich(?! tins?| cakes?)|stack|(?<!first )(?<!second )(?<!third )(?<!each )(?<!one )(?<!the )layer|alternate(?= (?:layers|the|cubes|pieces|them))|assemble|put together(?= with)|close(?= (?:with|them|it|up)|$)|fill(?= and (?:cover|coat|ice|frost|top|stack)(?!\w)| (?:the|it|them|each)? ?(?:macarons?|cake|torte|gateau|gâteau|sponge|roll|sponge|shells?|layers?|nests?|meringues?|cases|cups|puffs|roulade|with)))", Act.JOIN),
    (r"(?:(?:place|put|lay|set)(?= (?:the |a )?(?:\w+ )?(?:disc|disk|sponge|biscuit|round|layer|cake|insert|meringues?|kisses|shells|lid|lids) on (?:top|it)(?!\w))|press in(?= (?:the |a )\w)|press(?= [^.;,]{3,40} (?:a?round|onto|on to|against|on|into) the (?:sides?|edges?|top)(?!\w))|press(?= (?:the )?(?:frozen )?(?:insert|centre|center|core))|press(?= (?:a|one|the|each) (?:round|disc|disk|circle|piece|square|lid)(?!\w))|put(?= (?:the |some )?(?:\w+ )?(?:straw|rasp|blue|black)?(?:berries|fruit|peaches|cherries|mango) on top)|put on(?= (?:the |some |a few )?(?:\w+ )?(?:straw|rasp|blue|black)?(?:berries|fruit|peaches|cherries|mango|lid|other half|second half|second layer|top)(?!\w))|brown(?= (?:it|the|with))|torch|top(?! brown|s | (?:is|has)|/| and bottom| & bottom| or bottom)|dot|scatter|sprinkle(?! in(?!\w))|decorate|crown(?= (?:it |them )?with)|swirl(?= (?:it |the cream )?on (?:top|each))|garnish|arrange|lay(?! (?:it|them) in| [^.;,]{0,24} (?:in|at|on) the (?:bottom|base))|finish(?! (?:on|at|off))|pipe(?= rosettes))", Act.TOP),
    (r"(?:dust|dredge)", Act.DUST),
    (r"(?:dip(?= (?:one|the|each|half|them|it|bottoms?|tops?|bases?))|glaze|ice|coat|frost|mask(?= )|cover(?= (?:the|it|with|all)))", Act.COAT),
    (r"put(?= [^.;,]{2,40} on (?:it|them|each)(?!\w))|smooth(?= (?:(?:it|(?:the |a )?(?:\w+ )?(?:batter|mixture|sponge|cream|meringue|curd|jam|buttercream|ganache|filling|icing|rest|third|half)(?: of (?:it|the \w+))?|evenly|\d+ ?mm thick) )?(?:in|into|on|onto|over|with)(?!\w))|spread|smear|pile|spoon(?= (?:it )?(?:on|onto|over)(?:to)? the)", Act.SPREAD),
    (r"(?:scoop|ladle)(?= [^.;,]{0,24}\binto\b)", Act.POUR),
    (r"strain(?= (?:it |this |the \w+ )?(?:over|onto|on to) )|(?:deposit|pour|tip|scrape|transfer|spoon(?! by| at a)|turn (?:it |the \w+ )?into|drizzle|stream|trickle|ladle|fill)", Act.POUR),
    (r"(?:divide|split|portion|share(?= (?:the|it|out|between|among)))", Act.DIVIDE),
    (r"(?:take(?! off| out of| it out)|scoop|spoon(?= (?:a|one) (?:third|quarter|little)))", Act.TAKE),
    (r"(?:squeeze out)", Act.PUT),
    (r"(?:it |they |this |that )?goes? into(?= [^.;,]*\b(?:tin|pan|springform|mould|mold|form|tray|ring)\b)", Act.POUR),
    (r"goes? in(?:to)?(?! the oven)", Act.ADD),
    (r"drop(?= [^.;,]{2,24} in(?!\w))", Act.ADD),
    (r"(?:add|put in(?!to|(?: the)? (?:oven|fridge|bowl)|[^.;,]{0,40}(?:tin|pan|mould|springform)(?!\w))|shower in|sprinkle in|trickle in|feed in|stream in|rain in|tip in|pour in|drop in|throw in|dump(?= [^.;,]{0,30} in(?!to))|make a well)", Act.ADD),
    (r"flavou?r(?= (?:it )?with)|adding|beating in|whisking in|(?:start|begin) adding", Act.ADD),
    (r"(?:soften(?= the (?:mascarpone|butter|cream cheese|ricotta))|smooth(?= the (?:pastry|custard|cream cheese|mascarpone|curd))|temper|emulsify|mix(?! over(?!\w))|stir|combine|blend|work in|toss)", Act.MIX),
    (r"set(?= (?:it|the bowl|this|them|the \w+ bowl) (?:over|on|above))|lay(?= [^.;,]{0,24} (?:in|at|on) the (?:bottom|base))|lay(?= [^.;,]{0,24} in(?:to)? (?:the|a|your) (?:\w+ )?(?:ring|tin|mould|mold|dome|pan))|(?:put(?! in(?!to| (?:the|a) ))|place|pop|chuck|weigh|have|want|need|get|grab|crack|break|crumble|start with|begin with|combine(?= [^,.;]* in a (?:sauce)?pan))", Act.PUT),
    (r"serve(?= (?:\w+ )?(?:with|alongside|topped|over(?! the next)))", Act.TOP),
    (r"sacrific(?:e|ial) (?:some |a little )?batter|return(?=,|$)|swirl(?= (?:\w+ ){0,3}with (?:an? )?(?:skewer|knife|spoon|fork|chopstick|toothpick))|(?:serve|enjoy|check|test|repeat|thank|open|keep|level|smooth|make|use|scrape down|strain|(?:zest|grate|juice)(?= the)|rotate|turn|note|preserve|store)\b", Act.NOTHING),
)  # fmt: skip
_LEAD = (
    r"^|(?:^|[:,;] )(?:with|using|in|at|after|from|on|when|once|before) [^,;.]{2,34}|^(?:for|to make) (?:the )?[^,;.\d]{2,30}|[,;:()\-+&/\"“‘«]|(?:min|mins|hr|hrs)\.|(?<!\w)(?:and|then|or|now|next|she|he|who|is|are|gets|first|finally|lastly|also|meanwhile|please|once more|again|just|\w+(?<!jel)ly|i|we|you|they|i'll|"
    r"we'll|by hand|by machine|next day|cold|cool|cooled|let's|going to|want to|need to|bowl|saucepan|pot|pan|beaters|mixer|so|afterwards|after that|at once|together|over|well|best|"
    r"heat|flour|syrup|cream|milk|water|yolks|oil|sugar|egg whites|whites|beaters|whisk|meantime)"
)
GRAMMAR = Grammar(
    tuple((rf"(?:{p})(?!\w)", act) for p, act in VERBS),
    before=_LEAD,
    nouns=r"cream|top|roll|ice|layer|cut|set|cool|cover|dust|line|whip|glaze|fill|sandwich|soak|butter|flour|oil|drop|rest|mix|"
    r"cook|dry|finish|coat|press|slice|stack|heat|warm|chill|tap|brush|split|steam|keep|lay|make|work|level|smooth|stand|use|ring|base|place",
    with_object=r"(?:the|it|them|this|that|these|those|each|all|any|both|in|into|with|over|under|on|onto|up|back|for|until|till|at|to|together|"
    r"\w+ly|and (?:leave|let|cool|chill|wrap)|smooth|two|three|most|cream|jam|again|a|an|one|half|rest of|remaining|off|out|some|more|well|warm|as|\d+(?:[a-z]+)?|x ?\d|lightly|completely|from|through|by|level|once|round|aside|quickly|firmly|cold|"
    r"upside|flat|trays?|tins?|every|covered|uncovered|tight|loose|roll|sponge|roulade|meringues?|discs?|layers?|bottoms?|sides|edges|halves|\d+ ?x ?\d+|your|my|egg|eggs|sugar|yolks|whites|flour|down|every|another|there|overnight|before|thoroughly|while|nests?|shells|cakes?|rolls?|glasses|tins)\b",
    aside=r"without|until|till|so that|when|once|while|as soon as|as|if|before|because|after",
    aside_ends=r"[,;.:]| then |(?<= cold) |(?<=°c) |(?<= form) |(?<= foamy) |(?<= frothy) |(?<=degrees) |(?<=before serving) |(?<= cool) |(?<= ready) |(?<= done) |(?<= warm) (?!water)| (?=(?:i|we|she|he) |you (?:flip|turn|invert|tip))|$",
    says_how=frozenset(
        ["warm", "dry", "cream", "flour", "oil", "butter", "ring", "base", "cut", "set", "level", "ice", "top", "cool"]
    ),
    addressed=as_english_tells,
)
