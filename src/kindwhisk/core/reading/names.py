"""Ingredients by the names that bakers write, in five languages, and what one piece of each weighs."""

from __future__ import annotations

import re
from functools import cache
from typing import NamedTuple

from kindwhisk.core.reading.plain import folded, is_cjk


class Named(NamedTuple):
    """An ingredient that was recognised, and the words that it was recognised by."""

    ingredient: str
    words: str
    start: int
    end: int


_TABLE: tuple[tuple[str, str], ...] = (
    # English | French | Italian | Japanese | Vietnamese; the longest name that fits wins.
    ("egg-white", "egg whites|egg white|whites of egg|whites|white of an egg|blancs d'œufs|blancs d'oeufs|blanc d'œuf|blanc d'oeuf|"
                  "blancs|blanc d'oeufs|albumi|albume|albumi d'uovo|chiare d'uovo|chiara|卵白|lòng trắng trứng|lòng trắng"),
    ("egg-yolk", "egg yolks|egg yolk|yolks|yolk|jaunes d'œufs|jaunes d'oeufs|jaune d'œuf|jaune d'oeuf|jaunes|tuorli|tuorlo|tuorli d'uovo|"
                 "rossi d'uovo|卵黄|lòng đỏ trứng|lòng đỏ"),
    ("whole-egg", "whole eggs|whole egg|eggs|egg|œufs|oeufs|œuf|oeuf|uova|uovo|uova intere|全卵|たまご|卵|玉子|trứng gà|trứng"),
    ("white-dried", "dried egg white|egg white powder|powdered egg whites|meringue powder|albumen powder|blanc d'œuf en poudre|albumina|乾燥卵白"),
    ("white-pasteurised", "pasteurized egg whites|pasteurised egg whites|pasteurized egg white|pasteurised egg white|liquid egg whites|carton egg whites"),
    ("yolk-pasteurised", "pasteurized egg yolks|pasteurised egg yolks"),
    ("egg-pasteurised", "pasteurized eggs|pasteurised eggs|pasteurised egg|pasteurized egg"),
    ("egg-dried", "dried egg|whole egg powder|egg powder"),
    ("sugar", "granulated sugar|white sugar|caster sugar|castor sugar|superfine sugar|fine sugar|baker's sugar|sugar|sucre semoule|sucre en poudre|"
              "sucre blanc|sucre|zucchero semolato|zucchero|グラニュー糖|上白糖|砂糖|đường cát|đường trắng|đường kính|đường hạt|đường"),
    ("icing-sugar", "powdered sugar|confectioners' sugar|confectioner's sugar|confectioners sugar|icing sugar|10x sugar|sucre glace|zucchero a velo|"
                    "粉砂糖|粉糖|đường bột|đường xay"),
    ("brown-sugar", "light brown sugar|brown sugar|demerara sugar|cassonade|vergeoise|zucchero di canna|きび砂糖|三温糖|đường nâu|đường vàng"),
    ("dark-brown-sugar", "dark brown sugar|muscovado sugar|muscovado|黒糖|đường đen"),
    ("honey", "honey|miel|miele|はちみつ|蜂蜜|mật ong"),
    ("glucose-syrup", "glucose syrup|light corn syrup|corn syrup|liquid glucose|glucose|sirop de glucose|glucosio|水あめ|水飴|mạch nha"),
    ("golden-syrup", "golden syrup|cane syrup|treacle"),
    ("maple-syrup", "maple syrup|sirop d'érable|sciroppo d'acero|メープルシロップ|siro lá phong"),
    ("molasses", "molasses|mélasse|melassa"),
    ("invert-syrup", "invert sugar|inverted sugar|invert syrup|sucre inverti|zucchero invertito"),
    ("trehalose", "trehalose|トレハロース"),
    ("isomalt", "isomalt"),
    ("cake-flour", "cake flour|low-protein flour|low protein flour|pastry flour|soft wheat flour|farine fluide|farina 00|farina debole|薄力粉|"
                   "bột mì số 8|bột mì đa dụng số 8|bột làm bánh bông lan"),
    ("plain-flour", "all-purpose flour|all purpose flour|ap flour|a.p. flour|plain flour|white flour|wheat flour|flour|farine de blé|farine t45|farine t55|"
                    "farine|farina 0|farina di grano tenero|farina|中力粉|小麦粉|bột mì số 11|bột mì đa dụng|bột mì|bột"),
    ("strong-flour", "bread flour|strong flour|high-gluten flour|farine de gruau|farine forte|farina manitoba|farina forte|強力粉|bột mì số 13"),
    ("wholemeal-flour", "whole wheat flour|whole-wheat flour|wholemeal flour|farine complète|farina integrale|全粒粉|bột mì nguyên cám"),
    ("self-raising-flour", "self-raising flour|self raising flour|self-rising flour|self rising flour"),
    ("rice-flour", "rice flour|glutinous rice flour|farine de riz|farina di riso|米粉|bột gạo"),
    ("oat-flour", "oat flour"),
    ("corn-starch", "cornstarch|corn starch|cornflour|maize starch|fécule de maïs|amido di mais|コーンスターチ|bột bắp|bột ngô"),
    ("potato-starch", "potato starch|potato flour|fécule de pomme de terre|fécule|fecola di patate|fecola|片栗粉|bột khoai tây"),
    ("tapioca-starch", "tapioca starch|tapioca flour|tapioca|タピオカ粉|bột năng"),
    ("wheat-starch", "wheat starch|amido di frumento|浮き粉|bột mì tinh"),
    ("almond-flour", "almond flour|almond meal|ground almonds|ground almond|blanched almonds|whole almonds|almonds|poudre d'amandes|poudre d'amande|"
                     "amandes en poudre|amandes|farina di mandorle|mandorle tritate|mandorle|アーモンドプードル|アーモンドパウダー|bột hạnh nhân|hạnh nhân"),
    ("hazelnut-ground", "ground hazelnuts|hazelnut flour|hazelnut meal|hazelnuts|poudre de noisettes|noisettes|nocciole tritate|farina di nocciole|"
                        "nocciole|ヘーゼルナッツ|hạt phỉ"),
    ("pistachio-ground", "ground pistachios|pistachio flour|pistachios|pistaches|pistacchi|ピスタチオ|hạt dẻ cười"),
    ("walnut-ground", "ground walnuts|walnuts|walnut|noix de grenoble|cerneaux de noix|noci|くるみ|クルミ|hạt óc chó"),
    ("pecan-ground", "pecans|pecan|noix de pécan|ピーカン"),
    ("peanut-ground", "ground peanuts|peanuts|cacahuètes|arachidi|ピーナッツ|đậu phộng"),
    ("sunflower-ground", "sunflower seeds"),
    ("coconut-desiccated", "desiccated coconut|shredded coconut|unsweetened coconut|coconut flakes|noix de coco râpée|cocco grattugiato|ココナッツファイン|dừa nạo"),
    ("sesame-black", "black sesame|sésame noir|sesamo nero|黒ごま|mè đen"),
    ("almond-butter", "almond butter"),
    ("hazelnut-paste", "hazelnut paste|praline paste|praliné"),
    ("oil-neutral", "vegetable oil|canola oil|neutral oil|sunflower oil|rapeseed oil|grapeseed oil|corn oil|rice bran oil|cooking oil|salad oil|"
                    "light oil|oil|huile neutre|huile de tournesol|huile végétale|huile de pépins de raisin|huile|olio di semi di girasole|olio di semi|"
                    "olio di girasole|olio|サラダ油|米油|太白ごま油|植物油|油|dầu ăn|dầu thực vật|dầu"),
    ("oil-olive", "extra virgin olive oil|olive oil|huile d'olive|olio d'oliva|olio extravergine|オリーブオイル|dầu ô liu"),
    ("butter", "unsalted butter|salted butter|sweet butter|butter|beurre doux|beurre pommade|beurre|burro|無塩バター|バター|bơ lạt|bơ nhạt|bơ"),
    ("butter-clarified", "clarified butter|ghee|beurre clarifié|burro chiarificato|澄ましバター"),
    ("margarine", "margarine|margarina|マーガリン"),
    ("shortening", "vegetable shortening|shortening|lard|saindoux|strutto|ショートニング"),
    ("coconut-oil", "coconut oil|huile de coco|olio di cocco|ココナッツオイル|dầu dừa"),
    ("cocoa-butter", "cocoa butter|beurre de cacao|burro di cacao|カカオバター"),
    ("cream-cheese", "cream cheese|fromage frais|formaggio spalmabile|formaggio cremoso|クリームチーズ|phô mai kem|cream cheese"),
    ("mascarpone", "mascarpone|マスカルポーネ"),
    ("ricotta", "ricotta"),
    ("milk", "whole milk|fresh milk|milk|lait entier|lait|latte intero|latte|牛乳|ミルク|sữa tươi không đường|sữa tươi|sữa"),
    ("milk-skimmed", "skim milk|skimmed milk|lait écrémé|latte scremato|低脂肪乳"),
    ("milk-powder", "milk powder|dry milk powder|nonfat dry milk|dried milk|powdered milk|lait en poudre|latte in polvere|スキムミルク|粉乳|sữa bột"),
    ("cream-35", "heavy whipping cream|heavy cream|whipping cream|double cream|thickened cream|cream|crème liquide entière|crème liquide|crème fleurette|"
                 "crème entière|crème|panna fresca|panna da montare|panna|生クリーム|whipping cream|kem tươi|kem sữa tươi"),
    ("evaporated-milk", "evaporated milk|lait évaporé|lait concentré non sucré|latte evaporato|エバミルク|sữa bốc hơi"),
    ("condensed-milk", "sweetened condensed milk|condensed milk|lait concentré sucré|lait concentré|latte condensato|コンデンスミルク|練乳|sữa đặc"),
    ("buttermilk", "buttermilk|lait ribot|lait fermenté|latticello"),
    ("yogurt", "plain yogurt|greek yogurt|yogurt|yoghurt|yaourt|ヨーグルト|sữa chua"),
    ("sour-cream", "sour cream|crème fraîche|creme fraiche|panna acida|サワークリーム|kem chua"),
    ("coconut-milk", "coconut milk|coconut cream|lait de coco|latte di cocco|ココナッツミルク|nước cốt dừa"),
    ("oat-drink", "oat milk|oat drink|boisson à l'avoine"),
    ("soya-drink", "soy milk|soya milk|lait de soja|latte di soia|豆乳|sữa đậu nành"),
    ("water", "boiling water|hot water|warm water|cold water|ice water|lukewarm water|water|eau chaude|eau froide|eau|acqua|熱湯|お湯|水|nước nóng|nước lọc|nước"),
    ("orange-juice", "orange juice|jus d'orange|succo d'arancia|succo di arancia|オレンジジュース|オレンジ果汁|nước cam"),
    ("apple-juice", "apple juice|jus de pomme|succo di mela"),
    ("lemon-juice", "lemon juice|juice of a lemon|jus de citron|citron|succo di limone|limone|レモン汁|レモン果汁|nước cốt chanh|nước chanh|chanh|lemon|lemons"),
    ("lime-juice", "lime juice|jus de citron vert|succo di lime|ライム果汁"),
    ("vinegar-white", "white vinegar|vinegar|vinaigre blanc|vinaigre|aceto bianco|aceto|酢|giấm"),
    ("cream-of-tartar", "cream of tartar|crème de tartre|cremor tartaro|クリームオブターター|クリームタータ|bột cream of tartar"),
    ("citric-acid", "citric acid|acide citrique|acido citrico|クエン酸"),
    ("coffee", "strong coffee|brewed coffee|espresso|coffee|café fort|café|expresso|caffè|コーヒー|cà phê"),
    ("coffee-instant", "instant coffee powder|instant espresso powder|espresso powder|instant coffee|coffee granules|café soluble|caffè solubile|"
                       "インスタントコーヒー|cà phê hòa tan|cà phê bột"),
    ("tea-black", "earl grey|black tea leaves|tea leaves|loose tea|tea bags|thé noir|thé|tè nero|紅茶葉|紅茶|lá trà|trà"),
    ("tea-brewed", "brewed tea|strong tea"),
    ("rum", "dark rum|white rum|rum|rhum|ラム酒|rượu rum"),
    ("liqueur", "orange liqueur|liqueur|amaretto|kirsch|brandy|liquore|リキュール|rượu mùi"),
    ("wine-sweet", "marsala|sweet wine|vin santo"),
    ("vanilla-extract", "vanilla extract|pure vanilla|vanilla essence|vanilla|extrait de vanille|vanille liquide|arôme vanille|sucre vanillé|estratto di vaniglia|"
                        "vanillina|バニラエッセンス|バニラオイル|vani|tinh chất vani"),
    ("vanilla-paste", "vanilla bean paste|vanilla paste|vanilla bean|vanilla beans|vanilla pod|gousse de vanille|gousses de vanille|bacca di vaniglia|バニラビーンズ"),
    ("lemon-zest", "lemon zest|zest of a lemon|lemon rind|zeste de citron|zestes de citron|scorza di limone|レモンの皮|vỏ chanh"),
    ("orange-zest", "orange zest|zest of an orange|orange rind|zeste d'orange|scorza d'arancia|オレンジの皮|vỏ cam"),
    ("cinnamon", "ground cinnamon|cinnamon|cannelle|cannella|シナモン|bột quế"),
    ("ginger-ground", "ground ginger|ginger powder|gingembre|zenzero|しょうがパウダー"),
    ("poppy-seed", "poppy seeds|poppy seed|graines de pavot|semi di papavero|けしの実"),
    ("matcha", "matcha powder|matcha|green tea powder|thé matcha|tè matcha|抹茶|bột trà xanh"),
    ("cocoa", "unsweetened cocoa powder|dutch-process cocoa|dutch process cocoa|dutch cocoa|cocoa powder|cocoa|cacao en poudre|cacao amer|cacao|cacao amaro|"
              "ココアパウダー|ココア|bột ca cao|bột cacao|ca cao"),
    ("chocolate-dark", "bittersweet chocolate|semisweet chocolate|semi-sweet chocolate|dark chocolate|chocolate chips|chocolate|chocolat noir|chocolat|"
                       "cioccolato fondente|cioccolato|ダークチョコレート|ビターチョコレート|チョコレート|sô cô la đen|socola đen|sô cô la"),
    ("chocolate-milk", "milk chocolate|chocolat au lait|cioccolato al latte|ミルクチョコレート|sô cô la sữa"),
    ("chocolate-white", "white chocolate|chocolat blanc|cioccolato bianco|ホワイトチョコレート|sô cô la trắng"),
    ("pumpkin-puree", "pumpkin puree|pumpkin purée|canned pumpkin|pumpkin|purée de potiron|かぼちゃ|bí đỏ"),
    ("banana", "mashed bananas|ripe bananas|mashed banana|bananas|banana|bananes|banane|バナナ|chuối"),
    ("raspberry-puree", "raspberry puree|raspberry purée|raspberries|purée de framboise|purée de framboises|framboises|lamponi|ラズベリー|フランボワーズピューレ|mâm xôi"),
    ("strawberry-puree", "strawberry puree|strawberry purée|strawberries|fraises|purée de fraises|fragole|いちご|苺|dâu tây"),
    ("mango-puree", "mango puree|mango purée|mangoes|mango|mangue|マンゴー|xoài"),
    ("passion-fruit", "passion fruit puree|passion fruit|passionfruit|fruit de la passion|frutto della passione|パッションフルーツ|chanh dây|chanh leo"),
    ("apple-puree", "applesauce|apple sauce|apple puree|compote de pommes|purea di mele"),
    ("jam", "apricot jam|jam|preserves|confiture d'abricot|confiture|confettura|marmellata|アプリコットジャム|ジャム|mứt"),
    ("gelatine", "gelatin sheets|gelatine leaves|gelatin leaves|powdered gelatin|unflavored gelatin|gelatine|gelatin|gélatine|feuilles de gélatine|gelatina|"
                 "colla di pesce|板ゼラチン|粉ゼラチン|ゼラチン|gelatin|lá gelatin|bột gelatin"),
    ("agar", "agar agar|agar-agar|agar|寒天|bột rau câu"),
    ("baking-powder", "baking powder|levure chimique|poudre à lever|lievito per dolci|lievito in polvere|lievito|ベーキングパウダー|bột nở|bột nổi"),
    ("baking-soda", "baking soda|bicarbonate of soda|bicarb soda|bicarbonate de soude|bicarbonate|bicarbonato|重曹|muối nở|baking soda"),
    ("salt", "kosher salt|fine sea salt|sea salt|table salt|fine salt|salt|fleur de sel|sel fin|sel|sale fino|sale|塩|muối"),
    ("colour-gel", "gel food coloring|gel food colouring|food coloring|food colouring|food colour|food color|colorant alimentaire|colorant|colorante alimentare|"
                   "colorante|食用色素|色素|màu thực phẩm"),
)  # fmt: skip

COUNTS: dict[str, tuple[float, float, float]] = {
    "lemon-juice": (30, 42, 55), "lime-juice": (20, 28, 36), "orange-juice": (60, 80, 110), "lemon-zest": (4, 6, 8),
    "orange-zest": (6, 9, 12), "vanilla-paste": (2, 3, 4), "banana": (90, 110, 130), "gelatine": (1.7, 2.0, 2.5),
    "tea-black": (1.8, 2.0, 2.5), "passion-fruit": (15, 20, 28), "mango-puree": (180, 220, 280), "butter": (110, 113.4, 125),
}  # fmt: skip
"""Low, likely and high grams of one piece (juice of one, zest of one, one leaf, one bag). Trade habit."""
CONTENTS: dict[str, tuple[float, str]] = {
    "condensed-milk": (397, "14 oz"), "evaporated-milk": (354, "12 fl oz"), "pumpkin-puree": (425, "15 oz"), "coconut-milk": (400, "400 ml"),
    "cream-cheese": (226, "8 oz"), "gelatine": (7, "¼ oz"), "baking-powder": (11, "a French sachet"), "mascarpone": (250, "250 g"),
    "vanilla-extract": (7.5, "a sachet of vanilla sugar"), "cream-35": (200, "200 ml"), "butter": (250, "250 g"), "yogurt": (125, "125 g"),
    "tea-black": (2, "a bag"), "chocolate-dark": (100, "100 g"),
}  # fmt: skip
"""What an unlabelled can or packet usually holds, in grams. Trade habit."""
EGG_SHAPED = {"egg-white", "egg-yolk", "whole-egg"}


@cache
def _names() -> tuple[tuple[re.Pattern[str], str], ...]:
    rows = [(name.strip(), ingredient) for ingredient, names in _TABLE for name in names.split("|")]
    rows.sort(key=lambda r: -len(r[0]))
    patterns = []
    for name, ingredient in rows:
        body = re.escape(name).replace(r"\ ", r"[\s-]+")
        patterns.append((re.compile(body if is_cjk(name) else rf"(?<!\w){body}(?!\w)"), ingredient))
        bare = folded(name)
        if bare != name and len(bare) > 3:
            patterns.append((re.compile(rf"(?<!\w){re.escape(bare)}(?!\w)"), ingredient))
    return tuple(patterns)


def find_all(text: str) -> list[Named]:
    """Every ingredient named in a plain text, longest names first where they overlap, in the order of the text."""
    found: list[Named] = []
    for pattern, ingredient in _names():
        for match in pattern.finditer(text):
            if all(match.end() <= n.start or match.start() >= n.end for n in found):
                found.append(Named(ingredient, match[0], match.start(), match.end()))
    return sorted(found, key=lambda n: n.start)


def find(text: str) -> Named | None:
    """The ingredient that a plain line is about: the first that is named in it.

    What follows ``for`` or stands after a comma only says what it is for or how it is prepared.
    """
    found = find_all(text)
    head = re.split(r",|;|\bfor the\b|\bplus extra\b|\bto (?:grease|dust|serve)\b", text)[0]
    return next(iter([n for n in found if n.end <= len(head)] or found), None)
