"""Words that may stand beside a food without making it another: its state, quality, size, temperature and use.

What is not here and not a name leaves a line not understood. Words that turn a food into another (vegan, free, brown
for butter) must never be here.
"""

WORDS: frozenset[str] = frozenset(
    # English
    "a an the of little and & some each about approx approximately roughly around scant heaping heaped heaping generous level levelled rounded packed lightly firmly loosely well very "
    "extra fresh freshly organic free range cage pastured pasture large medium small jumbo big xl l m s size sized grade "
    "at cold chilled sep cool cooled warm warmed hot tepid lukewarm melted softened soft soften firm room temperature temp ambient frozen thawed defrosted refrigerated fridge iced boiling "
    "unsalted salted whole pure natural real good best high quality premium plain regular standard ordinary store bought homemade home made favourite favorite "
    "sifted sieved unsifted spooned leveled beaten whisked separated divided strained drained rinsed washed peeled unpeeled cored hulled stemmed pitted stoned trimmed seeded seedless skinned skinless skin "
    "chopped sliced diced cubed halved quartered cut crushed ground grated shaved minced torn broken crumbled mashed pureed grain grained coarsely finely roughly thinly thickly fine coarse chunks chunk pieces piece bits cubes slices slice halves half quarters strips "
    "toasted roasted raw blanched untoasted unroasted unsweetened ripe unripe overripe squeezed uncooked baked packaged boxed liquid "
    "q optional needed desired taste more less extra additional remaining reserved rest only your own any preferably ideally etc total approx weight weighed net "
    "aged shelled ristretto pasteurized pasteurised uht full fat heavy thick thin runny clear dark pale golden white yellow red pink green black giallo rosso verde rosa blu jaune rouge vert rose bleu unbleached bleached enriched blood wild baby mini new old day "
    "bunch sprig sprigs handful stalk stalks clove pod pods leaf leaves sheet sheets "
    "x b ii iii ca half quarter demi mezzo mezza nửa rasi raso colmi rase one two three four five six seven eight nine ten dozen few couple several "
    # French
    "de d du des la le les l un une et en à au aux environ env quelques bien très frais fraîche fraiches fraîches fraiche doux pommade mou molle ramolli fondu fondue froid froide chaud chaude tiède "
    "gros grosse grosses petit petits petite petites moyen moyens moyenne moyennes calibre entier entière entiers entières bio biologique fermier plein air qualité bonne bon extra fin fine fines "
    "tamisé tamisée tamisés battu battus séparés séparé râpé râpée râpés haché hachée hachés hachées coupé coupée coupés coupées dés morceaux morceau tranches tranche émincé émincée concassé concassées concassés moulu moulue "
    "torréfié torréfiées torréfiés grillé grillées grillés mondé mondées émondées pelé pelée épluché épluchée épluchées dénoyauté dénoyautées dénoyautés équeutées surgelé surgelés surgelées congelé congelées décongelées non nature pur pure 100 "
    "vieillis vieilli température ambiante facultatif mûr mûrs mûre pressé fraîchement bouillante pot boîte feuille feuilles gousse pincée cuillère cuillères tasse verre litre grammes cl dl brique rase rases bombée "
    # Italian
    "di del della dello dei delle degli da il lo i gli un uno una e ed con circa fresco fresca freschi fresche morbido morbida fuso fusa freddo fredda caldo calda tiepido tiepida ammorbidito "
    "grande grandi medio medi media medie piccolo piccoli piccola piccole intero intera interi intere biologico biologiche bio extra qualità buona ottima "
    "setacciato setacciata setacciate montato sbattute separate grattugiato grattugiata tritato tritata tritate tritati finemente grossolanamente tagliato tagliata tagliate tagliati cubetti pezzi pezzetti fette lamelle "
    "tostato tostata tostate tostati pelato pelata pelate pelati sgusciate sgusciati spellate denocciolate snocciolate snocciolati surgelati surgelate congelati maturo matura mature non trattato trattata biologica puro pura naturale "
    "temperatura ambiente facoltativo foglio fogli bustina bustine cucchiaio cucchiai cucchiaino cucchiaini tazza bicchiere pizzico stecca stecche baccello scatola barattolo vasetto "
    # Vietnamese
    "tươi lạnh nóng ấm loại lớn nhỏ to vừa khoảng ít nhiều quả trái củ hạt cái cây lá miếng lát muỗng thìa canh gr lít nhiệt độ phòng để nguội tan chảy đun đã mềm ngon sạch tách vỏ bỏ rang băm xay nhuyễn nhỏ chín "
    "đậm đặc loãng bào rắc mặt phết để không đường hộp gói lon chén bát ly cốc nguyên chất rây mịn vắt nguyên hữu cơ "
    .split()
)  # fmt: skip

JAPANESE: tuple[str, ...] = tuple(
    sorted(
        (
            "無塩 食塩不使用 有塩 室温 常温 室温に戻す 室温に戻した 室温に戻しておく 冷たい 冷やした 冷えた 温かい 冷凍 生 新鮮な 国産 有機 オーガニック 完熟 溶かし 溶かした 溶かす 柔らかい やわらかい 柔らかくした ふるった ふるう "
            "刻み 刻んだ 砕いた 粗く 細かく 薄切り スライス スライスした 角切り みじん切り 皮なし 皮つき 皮付き ロースト ローストした 無糖 純 純粋 大きめ 小さめ 大 中 小 約 お好み お好みで 適量 少々 ひとつまみ 飾り用 "
            "仕上げ用 型用 打ち粉用 トッピング用 生地用 メレンゲ用 卵黄生地用 クリーム用 シロップ用 個 個分 枚 本 袋 缶 箱 片 玉 分 杯 カップ パック 大さじ 小さじ サイズ lサイズ mサイズ sサイズ の と 以上 程度 位 くらい ぐらい または 各 "
            "冷蔵庫から出したて 冷蔵庫で冷やす 乳脂肪 ホール 粒 製菓用 市販の 市販 手作り"
        ).split(),
        key=len,
        reverse=True,
    )
)
"""What may stand beside a food in Japanese, the longest first."""

TURNING: frozenset[str] = frozenset(
    "vegan vegetarian plant based free dairyfree glutenfree eggless nondairy mock imitation flavoured flavored flavour flavor substitute alternative replacer replacement mix filling frosting cake soup "
    "soy soya oat rice hemp flax nut almond cashew hazelnut walnut peanut pistachio sesame coconut végétal végétale végétalien vegano vegana vegetale sans senza 植物性 ヴィーガン 代替 chay thuần "
    "mandorla soja soia avoine"
    .split()
)  # fmt: skip
"""Words that make another food of one wherever they stand in its line: ``milk (soy)``, ``butter, vegan``."""
