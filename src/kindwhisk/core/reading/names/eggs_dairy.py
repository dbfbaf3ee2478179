"""Names of eggs, milk and what is made of milk, and of the drinks that take its place."""

NAMES: dict[str, str] = {
    # English | French | Italian | Japanese | Vietnamese
    "egg-white": "white no|paste whites|meringue whites|egg whites|egg white|whites of egg|whites|white of an egg|blancs d'œufs|blancs d'oeufs|blanc d'œuf|blanc d'oeuf|blancs|"
    "blanc d'oeufs|albumi|albume|albumi d'uovo|chiare d'uovo|chiara|卵白|lòng trắng trứng gà|lòng trắng trứng|lòng trắng",
    "egg-yolk": "egg yolks|egg yolk|yolks|yolk|jaunes d'œufs|jaunes d'oeufs|jaune d'œuf|jaune d'oeuf|jaunes|tuorli|tuorlo|tuorli d'uovo|"
    "rossi d'uovo|卵黄|lòng đỏ trứng gà|lòng đỏ trứng|lòng đỏ",
    "whole-egg": "whole eggs|whole egg|eggs|egg|hen's eggs|œufs|oeufs|œuf|oeuf|œufs entiers|oeufs entiers|uova|uovo|uova intere|全卵|たまご|卵|玉子|"
    "trứng gà|trứng",
    "white-dried": "dried egg white|dried egg whites|egg white powder|powdered egg whites|albumen powder|albumen|blanc d'œuf en poudre|"
    "blancs d'œufs en poudre|albumina|albume in polvere|乾燥卵白|卵白パウダー",
    "white-pasteurised": "pasteurized egg whites|pasteurised egg whites|pasteurized egg white|pasteurised egg white|liquid egg whites|carton egg whites|"
    "albume pastorizzato|blancs d'œufs pasteurisés|殺菌卵白",
    "yolk-pasteurised": "pasteurized egg yolks|pasteurised egg yolks|tuorlo pastorizzato|jaunes d'œufs pasteurisés",
    "egg-pasteurised": "pasteurized eggs|pasteurised eggs|pasteurised egg|pasteurized egg|liquid whole egg|uova pastorizzate|œufs pasteurisés",
    "egg-dried": "dried egg|dried whole egg|whole egg powder|egg powder|powdered egg",
    "yolk-dried": "dried egg yolk|egg yolk powder",
    "yolk-sugared": "sugared egg yolk|sugared egg yolks|sugared yolk|sugared yolks|加糖卵黄",
    "quail-egg": "quail eggs|quail egg|œufs de caille|oeufs de caille|uova di quaglia|うずらの卵|うずら卵|trứng cút",
    "duck-egg": "duck eggs|duck egg|œufs de cane|uova d'anatra|アヒルの卵|trứng vịt",
    "meringue-powder": "meringue powder|メレンゲパウダー",
    "butter": "unsalted butter|sweet butter|sweet cream butter|cultured butter|butter|beurre doux|beurre pommade|beurre sec|beurre de tourage|beurre|burro|"
    "食塩不使用バター|無塩バター|発酵バター|バター|bơ lạt|bơ nhạt|bơ động vật|bơ",
    "butter-salted": "salted butter|lightly salted butter|beurre salé|beurre demi-sel|beurre demi sel|burro salato|有塩バター|加塩バター|bơ mặn",
    "butter-brown": "brown butter|browned butter|beurre noisette|burro nocciola|焦がしバター|bơ nâu",
    "butter-clarified": "clarified butter|ghee|anhydrous butter|butter oil|beurre clarifié|beurre concentré|burro chiarificato|澄ましバター|ギー",
    "milk": "whole milk|fresh milk|cow's milk|cows' milk|full-fat milk|full fat milk|full-cream milk|milk|lait entier|lait frais|lait de vache|lait|"
    "latte intero|latte fresco|latte vaccino|latte|成分無調整牛乳|牛乳|ミルク|sữa tươi không đường|sữa tươi|sữa bò|sữa",
    "milk-semi": "semi-skimmed milk|semi skimmed milk|reduced-fat milk|reduced fat milk|2% milk|2 % milk|low-fat milk|low fat milk|1% milk|lait demi-écrémé|"
    "lait demi écrémé|latte parzialmente scremato|低脂肪乳|低脂肪牛乳|sữa ít béo",
    "milk-skimmed": "skim milk|skimmed milk|nonfat milk|non-fat milk|fat-free milk|lait écrémé|latte scremato|無脂肪乳|無脂肪牛乳|sữa tách béo|sữa không béo",
    "milk-lactose-free": "lactose-free milk|lactose free milk|lait sans lactose|latte senza lattosio|latte delattosato",
    "milk-goat": "goat's milk|goats' milk|goat milk|lait de chèvre|latte di capra|ヤギミルク|sữa dê",
    "milk-sheep": "sheep's milk|sheep milk|ewe's milk|lait de brebis|latte di pecora",
    "milk-powder": "milk powder|dry milk powder|nonfat dry milk|non-fat dry milk|nonfat dry milk powder|dry milk|dried milk|powdered milk|skimmed milk powder|"
    "skim milk powder|lait en poudre|poudre de lait|lait écrémé en poudre|latte in polvere|スキムミルク|脱脂粉乳|粉乳|sữa bột|bột sữa",
    "milk-powder-whole": "whole milk powder|full-fat milk powder|lait entier en poudre|latte intero in polvere|全粉乳|全脂粉乳|sữa bột nguyên kem|sữa bột béo",
    "buttermilk-powder": "buttermilk powder|dried buttermilk",
    "whey-powder": "whey powder|dried whey|ホエイパウダー",
    "malted-milk": "malted milk powder|malted milk|malt milk powder",
    "cream-35": "heavy whipping cream|heavy cream|whipping cream|thickened cream|dairy cream|fresh cream|liquid cream|whipped cream|semi-whipped cream|crème fouettée|crème montée|panna montata|panna semimontata|cream|crème liquide entière|crème liquide|"
    "crème fleurette|crème entière|crème fraîche liquide|crème|panna fresca|panna fresca liquida|panna da montare|panna liquida|panna|"
    "動物性生クリーム|生クリーム|kem tươi|kem sữa tươi|kem tươi động vật|kem tươi whipping|whipping cream động vật|kem sữa|kem béo động vật|kem",
    "cream-30": "light whipping cream|crème légère|crème liquide 30 %|panna leggera",
    "cream-double": "double cream|extra thick double cream|crème double|panna doppia",
    "cream-light": "single cream|light cream|pouring cream|table cream|coffee cream|コーヒークリーム",
    "half-and-half": "half and half|half-and-half|half & half",
    "cream-clotted": "clotted cream|クロテッドクリーム",
    "creme-fraiche": "crème fraîche|creme fraiche|crème fraîche épaisse|crème épaisse|クレームフレーシュ",
    "sour-cream": "sour cream|soured cream|crème aigre|crème acidulée|panna acida|サワークリーム|kem chua",
    "evaporated-milk": "can evaporated|evaporated milk|lait évaporé|lait concentré non sucré|latte evaporato|エバミルク|無糖練乳|sữa bốc hơi|sữa cô đặc không đường",
    "condensed-milk": "can condensed|sweetened condensed milk|condensed milk|lait concentré sucré|lait concentré|latte condensato|latte condensato zuccherato|コンデンスミルク|"
    "加糖練乳|練乳|sữa đặc có đường|sữa đặc|sữa ông thọ",
    "dulce-de-leche": "dulce de leche|confiture de lait|ドゥルセデレチェ|ミルクジャム",
    "buttermilk": "buttermilk|cultured buttermilk|lait ribot|lait fermenté|babeurre|latticello|バターミルク|sữa bơ",
    "yogurt": "plain yogurt|natural yogurt|natural yoghurt|plain yoghurt|yogurt|yoghurt|whole milk yogurt|yaourt|yaourt nature|yogurt bianco|ヨーグルト|"
    "プレーンヨーグルト|sữa chua không đường|sữa chua",
    "yogurt-greek": "greek yogurt|greek yoghurt|greek-style yogurt|strained yogurt|yaourt grec|yaourt à la grecque|yogurt greco|ギリシャヨーグルト|sữa chua hy lạp",
    "kefir": "kefir|milk kefir|kéfir|ケフィア",
    "quark": "quark|skyr|petit suisse|petits suisses|fromage blanc|fromage frais|クワルク",
    "cream-cheese": "cream cheese|full-fat cream cheese|fromage à la crème|formaggio spalmabile|formaggio cremoso|formaggio fresco spalmabile|クリームチーズ|"
    "phô mai kem|kem phô mai",
    "mascarpone": "mascarpone|mascarpone cheese|マスカルポーネ|マスカルポーネチーズ",
    "ricotta": "ricotta|ricotta cheese|ricotta vaccina|ricotta fresca|リコッタ|リコッタチーズ",
    "cottage-cheese": "cottage cheese|カッテージチーズ",
    "cheese-goat": "goat's cheese|goat cheese|goats' cheese|chèvre frais|fromage de chèvre|caprino",
    "parmesan": "parmesan|parmesan cheese|parmigiano|parmigiano reggiano|パルメザンチーズ|粉チーズ|phô mai parmesan",
    "oat-drink": "oat milk|oat drink|lait d'avoine|boisson à l'avoine|boisson avoine|latte di avena|latte d'avena|bevanda di avena|オーツミルク|オートミルク|"
    "sữa yến mạch",
    "oat-cream": "oat cream|crème d'avoine|panna di avena",
    "soya-drink": "soy milk|soya milk|soymilk|soya drink|soy drink|lait de soja|boisson au soja|boisson de soja|latte di soia|bevanda di soia|"
    "無調整豆乳|調整豆乳|豆乳|sữa đậu nành",
    "soya-cream": "soya cream|soy cream|crème de soja|panna di soia|豆乳クリーム|豆乳ホイップ",
    "almond-drink": "almond milk|almond drink|lait d'amande|lait d'amandes|boisson à l'amande|boisson aux amandes|latte di mandorla|latte di mandorle|"
    "アーモンドミルク|sữa hạnh nhân",
    "rice-drink": "rice milk|rice drink|lait de riz|boisson au riz|latte di riso|bevanda di riso|ライスミルク|sữa gạo",
    "hazelnut-drink": "hazelnut milk|hazelnut drink|lait de noisette|lait de noisettes|latte di nocciola|latte di nocciole|ヘーゼルナッツミルク|sữa hạt phỉ",
    "cashew-drink": "cashew milk|cashew drink|lait de cajou|lait de noix de cajou|latte di anacardi|カシューミルク|カシューナッツミルク|sữa hạt điều",
    "coconut-drink": "coconut drink|coconut milk beverage|boisson à la coco",
    "coconut-milk": "coconut milk|full-fat coconut milk|canned coconut milk|lait de coco|latte di cocco|ココナッツミルク|ココナツミルク|nước cốt dừa",
    "coconut-cream": "coconut cream|crème de coco|crème de noix de coco|crema di cocco|panna di cocco|ココナッツクリーム|kem cốt dừa|kem dừa",
    "coconut-cream-sweet": "cream of coconut|sweetened cream of coconut",
    "coconut-water": "coconut water|eau de coco|acqua di cocco|ココナッツウォーター|nước dừa",
    "tofu": "silken tofu|soft tofu|tofu|tofu soyeux|絹ごし豆腐|豆腐|đậu hũ non|đậu hũ|đậu phụ",
}
