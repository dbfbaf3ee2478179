"""Names of nuts, seeds and coconut, whole, cut, ground and as paste."""

NAMES: dict[str, str] = {
    "almond-flour": "almond flour|almond meal|almond powder|ground almonds|ground almond|poudre d'amandes|amande poudre|poudre amandes|poudre amande|poudre d'amande|amandes en poudre|amandes moulues|"
    "farine d'amande|farine d'amandes|farina di mandorle|mandorle tritate|mandorle in polvere|アーモンドプードル|アーモンドパウダー|bột hạnh nhân",
    "almond": "whole almonds|almonds|almond|blanched almonds|amandes entières|amandes mondées|amandes|mandorle pelate|mandorle intere|mandorle|ホールアーモンド|アーモンド|"
    "hạnh nhân",
    "almond-chopped": "chopped almonds|nibbed almonds|almond nibs|amandes hachées|granella di mandorle|アーモンドダイス|hạnh nhân băm",
    "almond-slivered": "slivered almonds|almond slivers|almond sticks|amandes bâtonnets|amandes en bâtonnets|mandorle a bastoncini|アーモンドスリバード",
    "almond-sliced": "sliced almonds|flaked almonds|almond flakes|almond slices|amandes effilées|mandorle a lamelle|mandorle a scaglie|mandorle affettate|"
    "スライスアーモンド|アーモンドスライス|hạnh nhân lát|hạnh nhân cắt lát",
    "hazelnut-ground": "ground hazelnuts|ground hazelnut|hazelnut flour|hazelnut meal|hazelnut powder|poudre de noisettes|poudre de noisette|noisettes en poudre|"
    "nocciole tritate|farina di nocciole|ヘーゼルナッツプードル|ヘーゼルナッツパウダー|bột hạt phỉ",
    "hazelnut": "hazelnuts|hazelnut|filberts|whole hazelnuts|noisettes entières|noisettes|nocciole|ヘーゼルナッツ|hạt phỉ",
    "hazelnut-chopped": "chopped hazelnuts|noisettes hachées|granella di nocciole|granella di nocciola|hạt phỉ băm",
    "pistachio-ground": "ground pistachios|pistachio flour|pistachio powder|poudre de pistache|pistaches en poudre|farina di pistacchi|farina di pistacchio|"
    "ピスタチオパウダー",
    "pistachio": "pistachios|pistachio nuts|pistaches|pistacchi|ピスタチオ|hạt dẻ cười",
    "pistachio-chopped": "chopped pistachios|slivered pistachios|pistaches hachées|pistaches concassées|granella di pistacchi|granella di pistacchio",
    "walnut-ground": "ground walnuts|walnut flour|walnut meal|poudre de noix|noix en poudre|farina di noci",
    "walnut": "walnuts|walnut|walnut halves|walnut pieces|noix de grenoble|cerneaux de noix|noix|gherigli di noce|gherigli di noci|noci|くるみ|クルミ|胡桃|hạt óc chó|óc chó",
    "walnut-chopped": "chopped walnuts|noix hachées|noix concassées|granella di noci",
    "pecan-ground": "ground pecans|pecan flour|pecan meal|poudre de noix de pécan",
    "pecan": "pecans|pecan|pecan halves|pecan nuts|noix de pécan|noix de pecan|pécans|noci pecan|ピーカン|ピーカンナッツ|ペカンナッツ|hạt hồ đào",
    "pecan-chopped": "chopped pecans",
    "cashew-ground": "ground cashews|cashew flour|poudre de noix de cajou|farina di anacardi",
    "cashew": "cashews|cashew nuts|cashew|noix de cajou|anacardi|カシューナッツ|hạt điều",
    "macadamia": "macadamia nuts|macadamias|macadamia|noix de macadamia|noci di macadamia|マカダミアナッツ|マカデミアナッツ|hạt mắc ca|mắc ca",
    "brazil-nut": "brazil nuts|brazil nut|noix du brésil|noci del brasile|ブラジルナッツ",
    "pine-nut": "pine nuts|pine kernels|pignons de pin|pignons|pinoli|松の実|hạt thông",
    "peanut-ground": "ground peanuts|poudre de cacahuète|đậu phộng xay",
    "peanut": "peanuts|peanut|cacahuètes|cacahouètes|arachides|arachidi|ピーナッツ|落花生|đậu phộng|lạc",
    "peanut-roasted": "roasted peanuts|dry roasted peanuts|salted peanuts|cacahuètes grillées|arachidi tostate|đậu phộng rang",
    "nuts-mixed": "mixed nuts|ミックスナッツ",
    "chestnut": "chestnuts|cooked chestnuts|roasted chestnuts|marrons|châtaignes|castagne|栗|甘栗|hạt dẻ",
    "chestnut-puree": "chestnut puree|chestnut purée|purée de marrons|purée de châtaignes|purea di castagne|マロンピューレ",
    "chestnut-cream": "sweetened chestnut cream|sweetened chestnut puree|sweetened chestnut purée|chestnut cream|sweet chestnut cream|chestnut spread|crème de marrons|crème de marron|crema di marroni|crema di castagne|マロンクリーム",
    "coconut-desiccated": "coco râpée|coco|desiccated coconut|shredded coconut|unsweetened coconut|unsweetened shredded coconut|grated coconut|noix de coco|noix de coco râpée|coco râpée|"
    "cocco grattugiato|cocco rapé|farina di cocco rapé|ココナッツファイン|dừa nạo sấy|dừa nạo|dừa sấy|cơm dừa sấy",
    "coconut-flakes": "coconut flakes|flaked coconut|coconut chips|ココナッツロング|ココナッツフレーク",
    "coconut-sweetened": "sweetened shredded coconut|sweetened coconut|sweetened flaked coconut|sweetened coconut flakes",
    "coconut-fresh": "fresh coconut|fresh coconut meat|noix de coco fraîche|cùi dừa",
    "sesame": "sesame seeds|sesame seed|white sesame seeds|white sesame|graines de sésame|semi di sesamo|白ごま|ごま|胡麻|いりごま|mè trắng|vừng|mè",
    "sesame-black": "black sesame|black sesame seeds|ground black sesame|black sesame powder|sésame noir|graines de sésame noir|sesamo nero|semi di sesamo nero|"
    "黒ごま|黒すりごま|黒胡麻|すりごま黒|mè đen|vừng đen",
    "poppy-seed": "poppy seeds|poppy seed|graines de pavot|semi di papavero|けしの実|ポピーシード",
    "sunflower-seeds": "sunflower seeds|sunflower kernels|graines de tournesol|semi di girasole|ひまわりの種|hạt hướng dương",
    "sunflower-ground": "ground sunflower seeds|sunflower seed flour|sunflower flour",
    "pumpkin-seeds": "pumpkin seeds|pepitas|graines de courge|semi di zucca|かぼちゃの種|hạt bí",
    "flaxseed": "flaxseed|flaxseeds|flax seeds|linseed|linseeds|graines de lin|semi di lino|亜麻仁|hạt lanh",
    "chia": "chia seeds|chia|graines de chia|semi di chia|チアシード|hạt chia",
    "hemp-seed": "hemp seeds|hulled hemp seeds|graines de chanvre|semi di canapa",
    "almond-butter": "almond butter|beurre d'amande|beurre d'amandes|purée d'amandes|purée d'amande|burro di mandorle|アーモンドバター|bơ hạnh nhân",
    "peanut-butter": "peanut butter|smooth peanut butter|crunchy peanut butter|creamy peanut butter|beurre de cacahuète|beurre de cacahuètes|beurre d'arachide|"
    "burro di arachidi|burro d'arachidi|ピーナッツバター|ピーナツバター|bơ đậu phộng|bơ lạc",
    "cashew-butter": "cashew butter|cashew nut butter|beurre de cajou|purée de noix de cajou|burro di anacardi|カシューバター|カシューナッツバター",
    "sunflower-butter": "sunflower seed butter|sunflower butter|beurre de tournesol",
    "tahini": "tahini|tahina|sesame paste|white sesame paste|pâte de sésame|purée de sésame|tahin|crema di sesamo|ねりごま|練りごま|タヒニ",
    "hazelnut-paste": "hazelnut paste|pure hazelnut paste|pâte de noisette|pâte de noisettes|pasta di nocciole|pasta nocciola|pasta di nocciola|ヘーゼルナッツペースト",
    "pistachio-paste": "pistachio paste|pure pistachio paste|pâte de pistache|pâte de pistaches|pasta di pistacchio|pasta di pistacchi|pasta pistacchio|"
    "ピスタチオペースト",
    "praline-paste": "praline paste|praline|hazelnut praline|almond praline|hazelnut praline paste|almond hazelnut praline|praliné|pralin|praliné noisette|"
    "praliné amande|pralinato|プラリネ|プラリネペースト",
    "gianduja": "gianduja|gianduia|gianduja chocolate|ジャンドゥーヤ",
    "hazelnut-spread": "chocolate hazelnut spread|hazelnut chocolate spread|hazelnut spread|chocolate spread|pâte à tartiner|pâte à tartiner aux noisettes|"
    "pâte à tartiner chocolat noisette|crema spalmabile alle nocciole|crema spalmabile|crema di nocciole|crema gianduia|"
    "チョコレートスプレッド|ヘーゼルナッツスプレッド",
    "almond-paste": "almond paste|raw almond paste|pâte d'amande|pâte d'amandes|pasta di mandorle|ローマジパン",
    "marzipan": "marzipan|massepain|marzapane|pasta reale|マジパン",
    "nougatine": "nougatine|ヌガティーヌ",
    "halva": "halva|halvah|ハルヴァ",
}
