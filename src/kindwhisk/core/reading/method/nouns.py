"""Words for results, and what a result must be that they mean: “the meringue”, “the custard”, “the cake”."""

from __future__ import annotations

import re
from collections.abc import Callable

from kindwhisk.core.process.steps.base import YOLKY
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.making import Made

FLAVOURED = r"cream|milk|mousse|curd|custard|buttercream|ganache|meringue|syrup"
"""What is called by what gives its taste: “the passion fruit cream”."""
MIXTURE = r"mixture|mix|batter|dough|base|mass|paste|foam|composto|impasto|pasta|mélange|appareil|préparation|pâte|polveri|poudres|hỗn hợp|bột bánh|thau bột|phần bột|生地|粉類"
BAKED = (
    r"cakes?|sponges?|layers?|biscuits?(?! crumbs)|torte|tart|dome|bombe|roll|rolls|roulade|génoises?|genoise|sheet(?! pan)|macarons?|discs?|disks?|rectangles?|rounds|squares|shells?|meringues?|meringhe|meringhette|"
    r"pavlova|nests?|fingers?|strip|gâteau|savoiardi|ladyfingers|boudoirs|coques?|disques?|dacquoise|bande|feuille de biscuit|lid|dischi|disco|torta|rotolo|biscotto|pan di spagna|bánh|スポンジ|生地|crumb|halves|pairs"
)
Test = Callable[[Made], object]
"""What a result must be; anything true is yes."""


def raw(made: Made) -> bool:
    """Whether it was not in the oven."""
    return not made.baked


NOUNS: tuple[tuple[re.Pattern[str], Test], ...] = (
    (re.compile(r"(?<!\w)(?:(?:hot |warm |the |cooled )?(?:\w+ )?syrup|sirop|sciroppo|bagna|nước đường|si rô)(?!\w)|シロップ"), lambda m: m.syrup),
    (re.compile(r"(?<!\w)(?:whipped |beaten |stiff |whisked )?(?:egg )?whites?(?! (?:chocolate|vinegar|wine|sugar|rum))(?!\w)|(?<!\w)(?:egg )?snow(?!\w)|(?<!\w)(?:blancs?(?: en neige| montés)?(?: d'œufs?)?|albumi|chiare|"
                r"lòng trắng(?: trứng)?)(?!\w)|卵白"),
     lambda m: m.white_foam),
    (re.compile(r"(?<!\w)(?:meringue|meringa)(?!s|\w)|メレンゲ(?!クッキー)"), lambda m: m.white_foam),
    (re.compile(r"(?<!\w)(?:meringue|meringa)(?!s|\w)|メレンゲ(?!クッキー)"),
     lambda m: raw(m) and m.meringue),
    (re.compile(r"(?<!\w)(?:pâte à )?bombe(?! glac)(?!\w)"), lambda m: raw(m) and m.kind in {WhipStep, StreamStep} and bool(m.ids & YOLKY)),
    (re.compile(r"(?<!\w)(?:yolk foam|egg foam|egg cream|whipped yolks)(?!\w)"), lambda m: raw(m) and m.kind is not None and bool(m.ids & YOLKY)),
    (re.compile(r"(?<!\w)(?:buttercream)(?!\w)"), lambda m: raw(m) and "butter" in m.ids),
    (re.compile(r"(?<!\w)(?:custard|pudding|pastry cream|curd(?! cheese)|crème pâtissière|crema pasticcera)(?!\w)"),
     lambda m: raw(m) and m.of_kind({"dairy", "acid", "fruit"}) and bool(m.ids & {"corn-starch", "egg-yolk", "custard-powder", "whole-egg"})),
    (re.compile(r"(?<!\w)(?:this|that|cette|questa) (?:cream|crème|crema)(?!\w)"), lambda m: raw(m) and m.of_kind({"dairy"}) and not m.floury),
    (re.compile(r"(?<!\w)ganache(?!\w)|ガナッシュ"), lambda m: raw(m) and m.of_kind({"chocolate"}) and not m.ids & YOLKY),
    (re.compile(r"(?<!\w)(?:glaze|icing(?! sugar)|frosting|glassa|glaçage)(?!\w)"), lambda m: raw(m) and m.of_kind({"sugar", "chocolate"}) and not m.floury),
    (re.compile(r"(?<!\w)(?:the milks|milk tea)(?!\w)"), lambda m: raw(m) and m.of_kind({"dairy"}) and not m.floury),
    (re.compile(r"紅茶液|茶液"), lambda m: raw(m) and any(i.startswith("tea-") for i in m.raw_ids) and not m.of_kind({"egg"})),
    (re.compile(r"(?<!\w)mousse(?!\w)|ムース"), lambda m: raw(m) and m.kind is FoldStep),
    (re.compile(r"(?<!\w)(?:the )?(?:frozen )?(?:pattern|design|stripes|décor)(?!\w)"), lambda m: raw(m) and m.kind in {FillStep, ChillStep}),
    (re.compile(r"(?<!\w)(?:the )?(?:set|frozen|chilled|firm) (?:mousse|cream|cake|layer)(?!\w)|(?<!\w)mousse(?!\w)"), lambda m: m.kind in {FillStep, ChillStep}),
    (re.compile(r"(?<!\w)(?:whipped )?(?:cream|crème(?: fouettée)?|crema|panna|kem)(?!\w)(?! cheese| of tartar)|クリーム"), lambda m: raw(m) and (m.is_cream or bool(m.names & {"cream", "crème", "crema"}))),
    (re.compile(r"(?<!\w)(?:cream|crème|crema)(?!\w)(?! cheese| of tartar)"), lambda m: raw(m) and m.of_kind({"dairy"}) and bool(m.ids & {"egg-yolk", "whole-egg"}) and not m.floury),
    (re.compile(r"(?<!\w)(?:cream|crème|crema)(?!\w)(?! cheese| of tartar)"), lambda m: raw(m) and m.kind is MixStep and "butter" in m.ids and m.of_kind({"sugar"}) and not m.floury),
    (re.compile(r"(?<!\w)(?:dry ingredients|dry goods|dry stuff|dry mix|dry mixture|powders|sifted (?:ingredients|mixture|powders|flours)|flours|sifted flour|ingrédients secs|ingredienti secchi)(?!\w)|粉類|(?<![\u4e00-\u9fff\u30a0-\u30ff])粉(?=を|と)"), lambda m: raw(m) and m.dry),
    (re.compile(r"(?<!\w)(?:the )?nuts(?!\w)|(?<!\w)(?:nut|almond|hazelnut|dry|macaron) powder(?!\w)"), lambda m: raw(m) and m.dry and m.of_kind({"nut"})),
    (re.compile(r"(?<!\w)(?:the )?nuts(?!\w)"), lambda m: raw(m) and m.of_kind({"nut"}) and not m.white_foam),
    (re.compile(r"(?<!\w)(?:one half|(?:the )?(?:first|that) half|one part|una metà|une moitié)(?!\w)(?! of)"), lambda m: m.kind is SplitStep),
    (re.compile(r"(?<!\w)(?:juice|jus|succo)(?!\w)"), lambda m: raw(m) and any(i.endswith("-juice") for i in m.raw_ids) and not m.floury),
    (re.compile(r"(?<!\w)(?:in)?to the other(?: half| part| one)?$"), lambda m: raw(m) and m.left < 1),
    (re.compile(r"(?<!\w)the (?:fruit|compote|berries)(?!\w)"), lambda m: raw(m) and not m.airy and (m.of_kind({"fruit"}) or any(i.startswith("unknown-") for i in m.raw_ids)) and not m.floury),
    (re.compile(r"(?<!\w)(?:puree|coulis|purée|compote|(?:crushed|mashed|stewed|cooked|poached) (?:fruits?|(?:\w+)?berries|plums|apples|peaches|cherries))(?!\w)"), lambda m: raw(m) and m.of_kind({"fruit"})),
    (re.compile(rf"(?<!\w)(?:{BAKED})(?!\w)|スポンジ|生地"), lambda m: m.baked),
)  # fmt: skip
"""Words, and what a result must be that they mean."""
STILL_STOCK = re.compile(
    r"whites?|juice|jus|succo|curd|blanc|albumi|卵白|lòng trắng|cream|crème|panna|kem|クリーム|puree|purée"
)
"""Words that mean the list's own good as long as it has not been touched."""
