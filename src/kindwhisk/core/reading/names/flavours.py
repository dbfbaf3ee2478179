"""Names of spices, extracts, peel, cocoa and chocolate, and of what sets, raises, salts and colours."""

NAMES: dict[str, str] = {
    "vanilla-extract": "essence of vanilla|vanilla extract|pure vanilla extract|pure vanilla|vanilla essence|vanilla|vanilla flavoring|vanilla flavouring|extrait de vanille|"
    "vanille liquide|arôme vanille|essence de vanille|vanille|estratto di vaniglia|essenza di vaniglia|vaniglia|vanillina|aroma vaniglia|aroma alla vaniglia|バニラエッセンス|バニラオイル|"
    "バニラエクストラクト|vani|ống vani|tinh chất vani|tinh dầu vani|chiết xuất vani",
    "vanilla-paste": "vanilla bean paste|vanilla paste|vanilla bean|vanilla beans|vanilla pod|vanilla pods|seeds of a vanilla pod|vanilla seeds|gousse de vanille|gousses de vanille|pâte de vanille|"
    "graines de vanille|bacca di vaniglia|bacche di vaniglia|baccello di vaniglia|semi di vaniglia|バニラビーンズ|バニラペースト|バニラビーンズペースト",
    "vanilla-powder": "vanilla powder|vanille en poudre|poudre de vanille|vaniglia in polvere|バニラパウダー|bột vani",
    "almond-extract": "almond extract|almond essence|bitter almond extract|extrait d'amande|extrait d'amande amère|arôme amande amère|estratto di mandorla|"
    "aroma di mandorla|アーモンドエッセンス",
    "lemon-extract": "lemon extract|lemon essence|extrait de citron|aroma di limone|レモンエッセンス",
    "coffee-extract": "coffee extract|coffee essence|extrait de café|estratto di caffè|コーヒーエキス|コーヒーエッセンス",
    "lemon-zest": "lemon zest|zest of a lemon|zest of 1 lemon|lemon rind|lemon peel|zeste de citron|zestes de citron|zeste de citron jaune|zeste d'un citron|scorza di limone|buccia di limone|"
    "scorza di un limone|レモンの皮|レモンゼスト|vỏ chanh|vỏ chanh vàng",
    "orange-zest": "orange zest|zest of an orange|orange rind|orange peel|zeste d'orange|zestes d'orange|zeste d'une orange|scorza d'arancia|scorza di arancia|"
    "buccia d'arancia|オレンジの皮|オレンジゼスト|vỏ cam",
    "lime-zest": "lime zest|lime rind|lime peel|zeste de citron vert|zestes de citron vert|zeste de lime|scorza di lime|ライムの皮|vỏ chanh xanh",
    "yuzu-zest": "yuzu zest|zeste de yuzu|ゆずの皮|柚子の皮",
    "cinnamon": "ground cinnamon|cinnamon|cinnamon powder|cannelle|cannelle en poudre|cannella|cannella in polvere|シナモン|シナモンパウダー|bột quế|quế",
    "ginger-ground": "ground ginger|ginger powder|gingembre en poudre|gingembre moulu|zenzero in polvere|しょうがパウダー|ジンジャーパウダー|bột gừng",
    "ginger-fresh": "fresh ginger|ginger|ginger root|gingembre|gingembre frais|zenzero|zenzero fresco|生姜|しょうが|gừng",
    "ginger-candied": "candied ginger|crystallised ginger|crystallized ginger|stem ginger|gingembre confit|zenzero candito|mứt gừng",
    "nutmeg": "nutmeg|ground nutmeg|noix de muscade|muscade|noce moscata|ナツメグ|nhục đậu khấu",
    "mace": "mace|ground mace|macis|メース",
    "cardamom": "cardamom|ground cardamom|cardamom pods|cardamome|cardamomo|カルダモン|bạch đậu khấu",
    "cloves": "ground cloves|cloves|clous de girofle|girofle|chiodi di garofano|クローブ|đinh hương",
    "allspice": "allspice|ground allspice|pimento|piment de la jamaïque|pimento della giamaica|オールスパイス",
    "anise": "aniseed|anise|anise seeds|anis|anis vert|anice|アニス",
    "star-anise": "star anise|badiane|anis étoilé|anice stellato|八角|スターアニス|hoa hồi",
    "mixed-spice": "mixed spice|pumpkin pie spice|pumpkin spice|gingerbread spice|quatre-épices|quatre épices|épices à pain d'épices|ミックススパイス",
    "fennel-seed": "fennel seeds|fennel seed|graines de fenouil|semi di finocchio|フェンネルシード",
    "caraway": "caraway seeds|caraway|graines de carvi|carvi|semi di cumino dei prati|キャラウェイシード",
    "saffron": "saffron|safran|zafferano|サフラン|nhụy hoa nghệ tây",
    "turmeric": "turmeric|curcuma|ターメリック|bột nghệ",
    "pepper-black": "black pepper|ground black pepper|pepper|poivre noir|poivre|pepe nero|pepe|黒こしょう|こしょう|hạt tiêu|tiêu đen",
    "chili": "chilli powder|chili powder|cayenne pepper|cayenne|piment en poudre|peperoncino|チリパウダー|bột ớt",
    "mustard-powder": "mustard powder|dry mustard|ground mustard|moutarde en poudre|senape in polvere|からし粉|マスタードパウダー",
    "mustard": "mustard|dijon mustard|moutarde|senape|マスタード|mù tạt",
    "celery-seed": "celery seed|celery seeds|graines de céleri|semi di sedano|セロリシード",
    "mint": "mint|fresh mint|mint leaves|fresh mint leaves|menthe|menthe fraîche|feuilles de menthe|menta|foglie di menta|ミント|ミントの葉|lá bạc hà|bạc hà",
    "basil": "basil|fresh basil|basil leaves|basilic|basilico|foglie di basilico|バジル|húng quế",
    "rosemary": "rosemary|romarin|rosmarino|ローズマリー|hương thảo",
    "thyme": "thyme|thym|timo|タイム|cỏ xạ hương",
    "lavender": "lavender|dried lavender|culinary lavender|lavande|lavanda|ラベンダー|oải hương",
    "pandan": "pandan|pandan leaves|pandan juice|pandan extract|パンダン|lá dứa|nước lá dứa|nước cốt lá dứa",
    "malt-powder": "malt powder|diastatic malt powder|malt en poudre|malto in polvere|モルトパウダー",
    "strawberry-powder": "freeze-dried strawberry powder|strawberry powder|freeze-dried strawberries|freeze dried strawberries|fraises lyophilisées|poudre de fraise|fragole liofilizzate|"
    "フリーズドライいちご|フリーズドライ苺|いちごパウダー|苺パウダー|bột dâu tây|bột dâu",
    "raspberry-powder": "freeze-dried raspberry powder|raspberry powder|freeze-dried raspberries|freeze dried raspberries|framboises lyophilisées|poudre de framboise|lamponi liofilizzati|"
    "フリーズドライフランボワーズ|フランボワーズパウダー",
    "salt": "fine sea salt|sea salt|table salt|fine salt|salt|sel fin|sel de mer|sel|sale fino|sale marino|sale|食塩|塩|muối biển|muối",
    "salt-kosher": "kosher salt|coarse salt|coarse sea salt|gros sel|sale grosso|粗塩|muối hạt",
    "salt-flakes": "flaky salt|flaky sea salt|salt flakes|sea salt flakes|fleur de sel|fior di sale|フルール・ド・セル",
    "cocoa": "unsweetened cocoa powder|unsweetened cocoa|natural cocoa powder|natural cocoa|cocoa powder|cocoa|cacao powder|cacao en poudre|cacao en poudre non sucré|cacao amer|cacao non sucré|cacao|"
    "poudre de cacao|cacao amaro in polvere|cacao amaro|cacao in polvere|純ココア|ココアパウダー|無糖ココア|カカオパウダー|ココア|bột ca cao|bột cacao|ca cao|cacao nguyên chất",
    "cocoa-dutch": "dutch-process cocoa|dutch process cocoa|dutch-processed cocoa|dutch-process cocoa powder|dutch process cocoa powder|unsweetened dutch-process cocoa powder|dutch cocoa|"
    "dutched cocoa|alkalised cocoa|alkalized cocoa|cacao alcalinisé",
    "cocoa-nibs": "cocoa nibs|cacao nibs|grué de cacao|grué|fave di cacao|granella di cacao|カカオニブ",
    "carob": "carob powder|carob|carob flour|caroube|farine de caroube|farina di carrube|carruba",
    "chocolate-dark": "dark choc|plain choc|choc|chocolate shavings|chocolate curls|grated chocolate|bittersweet chocolate|semisweet baking chocolate|semi-sweet baking chocolate|bittersweet baking chocolate|semisweet chocolate|semi-sweet chocolate|dark chocolate|dark couverture|dark chocolate couverture|chocolate|plain chocolate|chocolat noir|"
    "chocolat noir de couverture|couverture noire|chocolat pâtissier|chocolat|cioccolato fondente|cioccolato extra fondente|cioccolata fondente|cioccolato|"
    "ダークチョコレート|ビターチョコレート|スイートチョコレート|製菓用チョコレート|チョコ|クーベルチュール|チョコレート|sô cô la đen|socola đen|sô cô la|socola|chocolate đen",
    "chocolate-dark-70": "dark chocolate 70 %|dark chocolate 70%|70% dark chocolate|70 % dark chocolate|70% chocolate|chocolat noir 70 %|chocolat noir 70%|cioccolato fondente 70%|cioccolato fondente al 70%",
    "chocolate-dark-50": "dark chocolate 50%|dark chocolate 55%|55% dark chocolate|50% dark chocolate|chocolat noir 50%|chocolat noir 55%|cioccolato fondente al 50%",
    "chocolate-unsweetened": "unsweetened chocolate|baking chocolate|unsweetened baking chocolate|100% chocolate|cocoa mass|cocoa liquor|cacao mass|pâte de cacao|massa di cacao|カカオマス",
    "chocolate-milk": "milk chocolate|milk chocolate couverture|chocolat au lait|cioccolato al latte|ミルクチョコレート|sô cô la sữa|socola sữa",
    "chocolate-white": "white chocolate|white choc|white chocolate couverture|chocolat blanc|cioccolato bianco|ホワイトチョコレート|ホワイトチョコ|sô cô la trắng|socola trắng",
    "chocolate-caramel": "blond chocolate|blonde chocolate|caramelised white chocolate|caramelized white chocolate|chocolat blond",
    "chips-dark": "chocolate chips|dark chocolate chips|semisweet chocolate chips|semi-sweet chocolate chips|bittersweet chocolate chips|chocolate drops|chocolate chunks|"
    "pépites de chocolat|pépites de chocolat noir|gocce di cioccolato|gocce di cioccolato fondente|チョコチップ|チョコレートチップ|sô cô la chip|chocolate chip",
    "chips-milk": "milk chocolate chips|pépites de chocolat au lait|gocce di cioccolato al latte",
    "chips-white": "white chocolate chips|pépites de chocolat blanc|gocce di cioccolato bianco|ホワイトチョコチップ",
    "coating-dark": "chocolate coating|compound chocolate|candy melts|pâte à glacer|コーティングチョコレート|コーティングチョコ",
    "gelatine": "gelatin sheets|gelatine leaves|gelatin leaves|gelatine sheets|sheet gelatin|leaf gelatine|powdered gelatin|powdered gelatine|unflavored gelatin|unflavoured gelatine|unflavored gelatin powder|"
    "gelatin powder|gelatine powder|gelatine|gelatin|gélatine|gélatine en poudre|feuilles de gélatine|feuille de gélatine|gelatina|gelatina in fogli|fogli di gelatina|colla di pesce|"
    "板ゼラチン|粉ゼラチン|ゼラチン|lá gelatin|lá gelatine|bột gelatin|bột gelatine",
    "gelatine-fish": "fish gelatin|fish gelatine|gélatine de poisson|gelatina di pesce|魚ゼラチン|フィッシュゼラチン",
    "agar": "agar agar|agar-agar|agar|agar powder|粉寒天|寒天|アガー|bột rau câu|rau câu",
    "pectin": "pectin|pectine|pectina|ペクチン",
    "xanthan": "xanthan gum|xanthan|gomme xanthane|xanthane|gomma di xantano|xantana|キサンタンガム",
    "guar": "guar gum|gomme de guar|farina di guar|グアーガム",
    "carrageenan": "carrageenan|carraghénane|カラギーナン",
    "baking-powder": "baking powder|bp|b.p.|levure chimique|sachet de levure|levure|poudre à lever|poudre levante|lievito per dolci|lievito in polvere|lievito in polvere per dolci|lievito chimico|lievito|"
    "ベーキングパウダー|bột nở|bột nổi",
    "baking-soda": "baking soda|bicarbonate of soda|bicarb soda|bicarb|bicarbonate de soude|bicarbonate|bicarbonato|bicarbonato di sodio|重曹|muối nở|banking soda",
    "ammonium-bicarbonate": "ammonium bicarbonate|baker's ammonia|hartshorn|ammoniaca per dolci|bột khai",
    "yeast-dry": "dry yeast|active dry yeast|instant yeast|levure sèche|levure de boulanger sèche|lievito di birra secco|lievito secco|ドライイースト|men nở|men khô",
    "yeast-fresh": "fresh yeast|levure fraîche|levure de boulanger|lievito di birra fresco|生イースト|men tươi",
    "colour-gel": "a little food colouring|a little red food colouring|a little pink food colouring|gel food coloring|gel food colouring|food coloring|food colouring|food colour|food color|pink colour|red colour|pink colouring|a little colour|gel colour|gel color|food gel|colorant alimentaire|colorant|colorant en gel|"
    "colorante alimentare|colorante|colorante in gel|食用色素|色素|食紅|màu thực phẩm|màu gel",
    "colour-gel-green": "green food colouring|green food coloring|green food colour|green food color|green colour|green color|green colouring|green gel colour|green gel color|a little green food colouring|green colour gel|green food gel|colorant vert|colorant alimentaire vert|colorante verde|colorante alimentare verde",
    "colour-gel-yellow": "yellow food colouring|yellow food coloring|yellow food colour|yellow food color|yellow colour|yellow color|yellow colouring|yellow gel colour|yellow gel color|a little yellow food colouring|yellow colour gel|yellow food gel|colorant jaune|colorant alimentaire jaune|colorante giallo|colorante alimentare giallo",
    "colour-gel-orange": "orange food colouring|orange food coloring|orange food colour|orange food color|orange colour|orange color|orange colouring|orange gel colour|orange gel color|a little orange food colouring|orange colour gel|orange food gel|colorant orange|colorant alimentaire orange|colorante arancione|colorante alimentare arancione",
    "colour-gel-blue": "blue food colouring|blue food coloring|blue food colour|blue food color|blue colour|blue color|blue colouring|blue gel colour|blue gel color|a little blue food colouring|blue colour gel|blue food gel|colorant bleu|colorant alimentaire bleu|colorante blu|colorante alimentare blu",
    "colour-gel-violet": "violet food colouring|violet food coloring|violet food colour|violet food color|violet colour|violet color|violet colouring|violet gel colour|violet gel color|a little violet food colouring|violet colour gel|violet food gel|purple food colouring|purple food coloring|purple food colour|purple food color|colorant violet|colorant alimentaire violet|colorante viola|colorante alimentare viola",
    "colour-liquid": "liquid food colouring|liquid food coloring|liquid food colour|liquid food color|colorant liquide|colorante liquido|液体色素|màu nước",
    "colour-powder": "food colour powder|food color powder|powdered food coloring|powdered food colouring|colorant en poudre|colorante in polvere|粉末食用色素|màu bột",
    "charcoal": "food charcoal|activated charcoal|charcoal powder|charbon végétal|carbone vegetale|竹炭パウダー|bột than tre",
}
