"""Names of sugars and syrups, flours and starches."""

NAMES: dict[str, str] = {
    "sugar": "granulated sugar|white sugar|caster sugar|castor sugar|caster|castor|sug|superfine sugar|fine sugar|baker's sugar|bakers sugar|bar sugar|beet sugar|cane sugar|"
    "white granulated sugar|extra-fine sugar|sugar|sucre semoule|sucre en poudre|sucre blanc|sucre cristal|sucre fin|sucre|zucchero semolato|"
    "zucchero bianco|zucchero extrafine|zucchero|グラニュー糖|微粒子グラニュー糖|細目グラニュー糖|上白糖|砂糖|てんさい糖|đường cát trắng|đường cát|đường trắng|đường kính|"
    "đường hạt|đường hạt mịn|đường mịn|đường",
    "icing-sugar": "powdered sugar|confectioners' sugar|confectioner's sugar|confectioners sugar|icing sugar|10x sugar|sucre glace|sucre impalpable|"
    "zucchero a velo|zucchero impalpabile|粉砂糖|粉糖|đường bột|đường xay|đường icing",
    "brown-sugar": "light brown sugar|soft brown sugar|soft light brown sugar|light muscovado sugar|light muscovado|brown sugar|turbinado sugar|raw sugar|"
    "golden caster sugar|cassonade|vergeoise|vergeoise blonde|sucre roux|sucre brun|sucre de canne|zucchero di canna|zucchero grezzo|きび砂糖|きび糖|"
    "三温糖|ブラウンシュガー|đường nâu|đường vàng",
    "dark-brown-sugar": "dark brown sugar|soft dark brown sugar|dark muscovado sugar|dark muscovado|muscovado sugar|muscovado|vergeoise brune|sucre muscovado|"
    "zucchero muscovado|黒糖|黒砂糖|đường đen",
    "demerara": "demerara sugar|demerara|sucre demerara",
    "pearl-sugar": "pearl sugar|nib sugar|sucre perlé|sucre en grains|granella di zucchero|zucchero in granella|ワッフルシュガー|あられ糖",
    "vanilla-sugar": "vanilla sugar|sucre vanillé|zucchero vanigliato|バニラシュガー|đường vani",
    "coconut-sugar": "coconut sugar|coconut blossom sugar|sucre de coco|sucre de fleur de coco|zucchero di cocco|ココナッツシュガー|đường dừa",
    "palm-sugar": "palm sugar|jaggery|sucre de palme|パームシュガー|đường thốt nốt",
    "maple-sugar": "maple sugar|sucre d'érable|メープルシュガー",
    "rock-sugar": "rock sugar|rock candy|sucre candi|氷砂糖|đường phèn",
    "honey": "honey|acacia honey|clover honey|orange blossom honey|wildflower honey|clear honey|runny honey|miel|miel d'acacia|miele|miele di acacia|はちみつ|ハチミツ|蜂蜜|mật ong",
    "glucose-syrup": "glucose syrup|liquid glucose|glucose|sirop de glucose|sciroppo di glucosio|glucosio|水あめ|水飴|グルコースシロップ|mạch nha|siro glucose|đường glucose",
    "corn-syrup": "light corn syrup|corn syrup|sirop de maïs|sciroppo di mais|コーンシロップ|siro bắp",
    "corn-syrup-dark": "dark corn syrup",
    "golden-syrup": "golden syrup|cane syrup|light treacle|sirop de canne|ゴールデンシロップ",
    "agave": "agave syrup|agave nectar|agave|sirop d'agave|sciroppo d'agave|アガベシロップ",
    "date-syrup": "date syrup|date molasses|sirop de dattes",
    "malt-syrup": "barley malt syrup|malt syrup|barley malt|malt extract|sirop de malt|extrait de malt|estratto di malto|malto d'orzo|モルトシロップ",
    "maple-syrup": "maple syrup|sirop d'érable|sciroppo d'acero|メープルシロップ|siro lá phong|siro phong",
    "molasses": "molasses|black treacle|treacle|blackstrap molasses|mélasse|melassa|モラセス|糖蜜|mật mía|rỉ đường",
    "invert-syrup": "trimoline|trimolina|invert sugar|inverted sugar|invert syrup|invert sugar syrup|sucre inverti|zucchero invertito|転化糖",
    "grenadine": "grenadine|sirop de grenadine|グレナデンシロップ",
    "chocolate-syrup": "chocolate syrup|sirop de chocolat|チョコレートシロップ|チョコシロップ|siro sô cô la",
    "dextrose": "dextrose|glucose powder|powdered glucose|destrosio|ぶどう糖|ブドウ糖",
    "fructose": "fructose|fruttosio|果糖",
    "trehalose": "trehalose|tréhalose|トレハロース",
    "isomalt": "isomalt|パラチニット",
    "fondant-icing": "pouring fondant|fondant pâtissier|fondant blanc|fondant icing sugar|フォンダン",
    "cake-flour": "cake flour|low-protein flour|low protein flour|pastry flour|soft wheat flour|soft flour|farine fluide|farine t45 fluide|farina 00|farina tipo 00|"
    "farina debole|薄力粉|製菓用薄力粉|bột mì số 8|bột số 8|bột mì đa dụng số 8|bột làm bánh bông lan|bột bánh bông lan",
    "plain-flour": "all-purpose flour|all purpose flour|ap flour|a.p. flour|plain flour|white flour|wheat flour|plain white flour|flour t45|flour t55|flour t65|t45 flour|t55 flour|t65 flour|type 55 flour|type 45 flour|flour|farine de blé|farine t45|"
    "farine t55|farine t65|farine blanche|farine de froment|farine|farina 0|farina tipo 0|farina di grano tenero|farina di frumento|farina bianca|"
    "farina|中力粉|小麦粉|bột mì số 11|bột mì đa dụng|bột mì|bột mỳ|bột",
    "strong-flour": "bread flour|strong flour|strong white flour|high-gluten flour|high gluten flour|farine de gruau|farine forte|farina manitoba|farina forte|強力粉|"
    "bột mì số 13|bột bánh mì",
    "wholemeal-flour": "whole wheat flour|whole-wheat flour|wholewheat flour|wholemeal flour|wholemeal wheat flour|graham flour|white whole wheat flour|"
    "farine complète|farine intégrale|farina integrale|全粒粉|bột mì nguyên cám",
    "self-raising-flour": "self-raising flour|self raising flour|self-rising flour|self rising flour|farine à gâteau|farine avec levure incorporée",
    "rye-flour": "rye flour|dark rye flour|light rye flour|farine de seigle|farina di segale|ライ麦粉|bột lúa mạch đen",
    "spelt-flour": "spelt flour|white spelt flour|wholemeal spelt flour|farine d'épeautre|farine de petit épeautre|farina di farro|スペルト小麦粉",
    "buckwheat-flour": "buckwheat flour|farine de sarrasin|farine de blé noir|farina di grano saraceno|そば粉|bột kiều mạch",
    "rice-flour": "rice flour|white rice flour|farine de riz|farina di riso|米粉|製菓用米粉|上新粉|bột gạo tẻ|bột gạo",
    "rice-flour-brown": "brown rice flour|farine de riz complet|farina di riso integrale|玄米粉",
    "rice-flour-glutinous": "glutinous rice flour|sweet rice flour|sticky rice flour|mochiko|shiratamako|farine de riz gluant|白玉粉|もち粉|bột nếp|bột gạo nếp",
    "oat-flour": "oat flour|farine d'avoine|farina di avena|farina d'avena|オーツ粉|bột yến mạch",
    "rolled-oats": "rolled oats|porridge oats|oat flakes|oats|oatmeal|flocons d'avoine|fiocchi d'avena|fiocchi di avena|オートミール|yến mạch",
    "corn-flour": "maize flour|corn flour|masa harina|farine de maïs|farina di mais|コーンフラワー",
    "cornmeal": "cornmeal|corn meal|polenta|semoule de maïs|farina gialla|コーンミール",
    "semolina": "semolina|fine semolina|durum semolina|semoule de blé|semoule|semoule fine|semolino|semola di grano duro|セモリナ粉|bột semolina",
    "barley-flour": "barley flour|farine d'orge|farina d'orzo|大麦粉",
    "millet-flour": "millet flour|farine de millet|farina di miglio",
    "sorghum-flour": "sorghum flour|farine de sorgho|farina di sorgo|ホワイトソルガム粉",
    "chickpea-flour": "chickpea flour|chick pea flour|gram flour|besan|garbanzo flour|farine de pois chiche|farine de pois chiches|farina di ceci|ひよこ豆粉",
    "soya-flour": "soya flour|soy flour|soybean flour|farine de soja|farina di soia|大豆粉|bột đậu nành",
    "kinako": "kinako|roasted soya flour|roasted soybean flour|きな粉|きなこ",
    "lupin-flour": "lupin flour|lupine flour|farine de lupin|farina di lupini|ルピナス粉",
    "coconut-flour": "coconut flour|farine de coco|farine de noix de coco|farina di cocco|ココナッツフラワー|bột dừa",
    "chestnut-flour": "chestnut flour|farine de châtaigne|farine de châtaignes|farina di castagne|栗粉",
    "peanut-flour": "peanut flour|powdered peanut butter|bột đậu phộng",
    "potato-flour": "potato flour",
    "wheat-germ": "wheat germ|germe de blé|germi di grano|germe di grano|小麦胚芽",
    "wheat-bran": "wheat bran|bran|son de blé|crusca di grano|crusca|小麦ふすま|ふすま",
    "corn-starch": "amido|starch|cornstarch|corn starch|cornflour|maize starch|fécule de maïs|amidon de maïs|maïzena|amido di mais|maizena|コーンスターチ|bột bắp|bột ngô|tinh bột bắp",
    "potato-starch": "potato starch|fécule de pomme de terre|fécule|fecola di patate|fecola|片栗粉|bột khoai tây|tinh bột khoai tây",
    "tapioca-starch": "tapioca starch|tapioca flour|tapioca|amidon de tapioca|fécule de tapioca|amido di tapioca|タピオカ粉|タピオカスターチ|bột năng",
    "wheat-starch": "wheat starch|amidon de blé|amido di frumento|浮き粉|浮粉|bột mì tinh",
    "arrowroot": "arrowroot|arrowroot powder|arrowroot flour|arrowroot starch|葛粉|くず粉|bột sắn dây",
    "custard-powder": "custard powder|poudre à crème|poudre à flan|カスタードパウダー|bột custard",
    "puffed-rice": "puffed rice|riz soufflé|riso soffiato|ライスパフ|パフライス",
    "corn-flakes": "corn flakes|cornflakes|コーンフレーク",
}
