"""Separated chiffons: hung in a tube, thin for a roll, in two colours."""

from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.patterns.rings import Pattern
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import ingredient, of
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.ornament import Ornament, OrnamentStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import SugarSchool, WhipStep
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.formulas.shorthand import (
    COLD,
    CREAM_BOWL,
    CUP,
    DRY_BOWL,
    FRIDGE,
    MIXER_BOWL,
    PAPER,
    POT,
    RACK,
    ROUND_20,
    SHEET_30,
    SMALL_BOWL,
    TIN,
    TUBE_17,
    YOLK_BOWL,
    do,
    g,
    part,
    reference,
    whipped_cream,
    whites,
)  # fmt: skip


def tea_chiffon() -> Formula:
    """A tea chiffon in a tube: separated eggs, French meringue, bare wall, cooled upside down."""
    return Formula(
        id="tea-chiffon",
        title="Tea chiffon",
        summary="Black tea steeped in milk and left in; a light base, whites in thirds, hung to cool.",
        technique=Technique.CHIFFON,
        servings=8,
        vessels=(
            MIXER_BOWL,
            CUP,
            YOLK_BOWL,
            POT,
            DRY_BOWL,
            PAPER,
            TIN.model_copy(update={"name": "tube tin"}),
            RACK,
        ),
        steps=(
            WeighStep(
                id="weigh-dry",
                title="Weigh the dry goods",
                vessel="dry-bowl",
                inputs=(ingredient("cake-flour", 62), ingredient("salt", 0.5)),
            ),
            SiftStep(id="sift-dry", title="Sift the flour", vessel="paper", inputs=(of("weigh-dry"),), passes=2),
            WeighStep(
                id="weigh-milk",
                title="Weigh the milk",
                vessel="pot",
                inputs=(ingredient("milk", 46, temperature_c=6),),
            ),
            WarmStep(id="warm-milk", title="Warm the milk", vessel="pot", inputs=(of("weigh-milk"),), target_c=80),
            RestStep(
                id="steep",
                title="Steep the tea",
                vessel="pot",
                inputs=(of("warm-milk"), ingredient("tea-black", 4)),
                minutes=6,
                sees="Deep amber, leaves sunk.",
            ),
            WeighStep(
                id="weigh-yolks",
                title="Weigh yolks and their sugar",
                vessel="yolk-bowl",
                inputs=(ingredient("egg-yolk", 56, temperature_c=12), ingredient("sugar", 18, role="base")),
            ),
            MixStep(
                id="beat-yolks",
                title="Beat yolks and oil",
                vessel="yolk-bowl",
                inputs=(of("weigh-yolks"), ingredient("oil-neutral", 32)),
                seconds=110,
                overrun=0.06,
                sees="Paler and thick as cream, no oil at the edge.",
                why="Oil in fine drops does less harm to the whites.",
            ),
            MixStep(
                id="add-tea",
                title="Add the tea milk",
                vessel="yolk-bowl",
                inputs=(of("beat-yolks"), of("steep")),
                seconds=40,
                sees="Even and runny, lukewarm to the finger.",
            ),
            MixStep(
                id="add-flour",
                title="Whisk in the flour",
                vessel="yolk-bowl",
                inputs=(of("add-tea"), of("sift-dry")),
                seconds=60,
                overrun=0.03,
                sees="Smooth, falls in a slow ribbon.",
                too_far="Stretchy: worked too long, the cake will be tough.",
                why="Just until smooth: flour that is worked turns tough.",
            ),
            WeighStep(
                id="weigh-whites",
                title="Weigh the whites",
                vessel="mixer-bowl",
                inputs=(ingredient("egg-white", 122, temperature_c=12),),
            ),
            WeighStep(
                id="weigh-sugar",
                title="Weigh the sugar for the whites",
                vessel="sugar-cup",
                inputs=(ingredient("sugar", 55, role="meringue"), ingredient("cream-of-tartar", 0.5)),
            ),
            WhipStep(
                id="whip",
                title="Whip whites and sugar",
                vessel="mixer-bowl",
                inputs=(of("weigh-whites"), of("weigh-sugar")),
                peak=Peak.MEDIUM,
                sugar=SugarSchool.THIRDS,
                slow_finish=True,
            ),
            FoldStep(
                id="loosen",
                title="Loosen the base with a third",
                vessel="yolk-bowl",
                inputs=(of("add-flour"), of("whip", 0.3)),
                manner=Manner.SACRIFICE,
                tool="hand whisk",
            ),
            FoldStep(
                id="fold",
                title="Fold in the rest of the whites",
                vessel="yolk-bowl",
                inputs=(of("loosen"), of("whip", rest=True)),
                manner=Manner.FOLD,
                batter=Foam.CHIFFON_BATTER,
            ),
            FillStep(
                id="fill",
                title="Fill the tube tin",
                vessel="tin",
                inputs=(of("fold"),),
                tin=TUBE_17,
                tin_name="17 cm tube",
                fill_fraction=0.64,
                lining=Lining.BARE,
            ),
            KnockStep(id="settle", title="Let large bubbles out", vessel="tin", inputs=(of("fill"),)),
            BakeStep(
                id="bake",
                title="Bake",
                vessel="tin",
                inputs=(of("settle"),),
                oven_c=170,
                reference=ReferenceBake(tin=TUBE_17, fill_mm=52.1, oven_c=170, mode=OvenMode.STATIC, minutes=34),
                done_c=94,
                sees="Springs back and whispers; the cracks on top are dry.",
            ),
            KnockStep(id="drop", title="Drop it once", vessel="tin", inputs=(of("bake"),)),
            InvertStep(id="invert", title="Turn it upside down", vessel="tin", inputs=(of("drop"),)),
            CoolStep(
                id="cool",
                title="Leave it hanging",
                vessel="tin",
                inputs=(of("invert"),),
                inverted=True,
                above_air_k=4,
            ),
            TurnOutStep(id="turn-out", title="Turn it out", vessel="rack", inputs=(of("cool"),)),
        ),
    )


def citrus_roll() -> Formula:
    """A thin chiffon rolled around orange cream."""
    return Formula(
        id="citrus-roll",
        title="Orange roll",
        summary="A thin, moist chiffon sheet, cooled flat and rolled once around mascarpone cream.",
        technique=Technique.CHIFFON_ROLL,
        servings=10,
        components=(
            Component(id="sheet", name="sheet", part=Part.SPONGE),
            Component(id="cream", name="orange cream", part=Part.FILLING),
            Component(id="roll", name="roll", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, CREAM_BOWL, TIN, RACK),
        steps=(
            *part(
                "sheet",
                do(WeighStep, "weigh-dry", "Weigh the flour", DRY_BOWL, g("cake-flour", 60), g("salt", 0.6)),
                do(SiftStep, "sift-dry", "Sift the flour", PAPER, of("weigh-dry"), passes=2),
                do(
                    WeighStep, "weigh-yolks", "Weigh yolks, juice and oil", YOLK_BOWL,
                    g("egg-yolk", 74, "base", COLD), g("sugar", 20, "base"), g("oil-neutral", 32),
                    g("orange-juice", 46), g("orange-zest", 3, "sheet"),
                ),
                do(
                    MixStep, "beat-yolks", "Beat the base", YOLK_BOWL, of("weigh-yolks"),
                    seconds=80, overrun=0.05, sees="Even, no oil at the edge.", why="Fine drops of oil spare the foam.",
                ),
                do(
                    MixStep, "add-flour", "Whisk in the flour", YOLK_BOWL, of("beat-yolks"), of("sift-dry"),
                    seconds=50, overrun=0.03, sees="Smooth, runs in a ribbon.", too_far="Stretchy: the sheet will be tough.",
                ),
                *whites(
                    Method.FRENCH, 152, 72, g("cream-of-tartar", 0.6),
                    title="Whip whites and sugar", peak=Peak.SOFT,
                ),
                do(
                    FoldStep, "fold", "Fold the whites in, in thirds", YOLK_BOWL, of("add-flour"), of("whip"),
                    portions=3, batter=Foam.ROLL_BATTER,
                ),
                do(
                    FillStep, "fill", "Spread on the sheet", TIN, of("fold"),
                    tin=SHEET_30, tin_name="30 x 35 cm sheet", fill_fraction=0.36, lining=Lining.ALL_ROUND, leads=True,
                ),
                do(
                    BakeStep, "bake", "Bake the sheet", TIN, of("fill"),
                    oven_c=180, reference=reference(SHEET_30, 0.36, 180, 12), done_c=95,
                    sees="Pale gold, springs back, comes away at the edge.", too_far="Dry at the rim: it will crack.",
                ),
                do(TurnOutStep, "peel", "Turn out and peel the paper", RACK, of("bake")),
                do(CoolStep, "cool", "Cool flat under the paper", RACK, of("peel"), above_air_k=5),
            ),
            *part(
                "cream",
                *whipped_cream(
                    "Weigh cream, mascarpone and sugar", g("cream-35", 160, "filling", FRIDGE),
                    g("mascarpone", 70, "", FRIDGE), g("icing-sugar", 18), g("orange-zest", 2, "filling"),
                ),
            ),
            *part(
                "roll",
                do(
                    SpreadStep, "spread", "Spread the cream, lay mandarins on", RACK, of("cool"), of("whip-cream", 0.88),
                    g("mandarin", 90, "filling"), thickness_mm=5, taper=0.5,
                ),
                do(RollStep, "roll", "Roll it up", RACK, of("spread"), sheet_mm=13),
                do(ChillStep, "chill", "Chill the roll, seam down", RACK, of("roll"), hours=2, sees="Firm enough to cut clean."),
                do(
                    OrnamentStep, "finish", "Fill the holes at the ends, pipe the rest on top", RACK, of("chill"),
                    of("whip-cream", rest=True), how=Ornament.PIPE,
                ),
                do(PortionStep, "slice", "Cut both ends off and slice", RACK, of("finish"), portions=10),
            ),
        ),
    )  # fmt: skip


def ringed_chiffon() -> Formula:
    """One chiffon batter in two colours, poured in turns."""
    return Formula(
        id="ringed-chiffon",
        title="Ringed chiffon",
        summary="A vanilla batter, half of it darkened with cocoa after the fold, poured in turns into one tin.",
        technique=Technique.PATTERNED,
        servings=10,
        components=(
            Component(id="plain", name="plain batter", part=Part.SPONGE, technique=Technique.CHIFFON),
            Component(id="dark", name="dark batter", part=Part.DECORATION),
            Component(id="cake", name="cake", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, SMALL_BOWL, TIN, RACK),
        steps=(
            *part(
                "dark",
                do(
                    WeighStep, "weigh-cocoa", "Weigh cocoa, water and oil", SMALL_BOWL,
                    g("cocoa", 8), g("water", 16, "", 80), g("oil-neutral", 4, "cocoa"),
                ),
                do(
                    MixStep, "slurry", "Stir the cocoa smooth", SMALL_BOWL, of("weigh-cocoa"),
                    seconds=40, sees="Smooth and runny, no dry lump.", why="Dry cocoa would cost the foam its air.",
                ),
            ),
            *part(
                "plain",
                do(WeighStep, "weigh-dry", "Weigh flour and powder", DRY_BOWL, g("cake-flour", 82), g("baking-powder", 1.2)),
                do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry"), passes=2),
                do(
                    WeighStep, "weigh-yolks", "Weigh yolks, milk and oil", YOLK_BOWL,
                    g("egg-yolk", 76, "base", COLD), g("sugar", 22, "base"), g("oil-neutral", 38, "base"),
                    g("milk", 54, "", FRIDGE), g("vanilla-paste", 3),
                ),
                do(
                    MixStep, "beat-yolks", "Beat the base", YOLK_BOWL, of("weigh-yolks"),
                    seconds=80, overrun=0.05, sees="Even, no oil at the edge.",
                ),
                do(
                    MixStep, "add-flour", "Whisk in the flour", YOLK_BOWL, of("beat-yolks"), of("sift-dry"),
                    seconds=50, overrun=0.03, sees="Smooth, falls in a ribbon.", too_far="Stretchy: worked too long.",
                ),
                *whites(
                    Method.FRENCH, 158, 76, g("lemon-juice", 4),
                    title="Whip whites and sugar", peak=Peak.MEDIUM,
                ),
                do(
                    FoldStep, "loosen", "Loosen the base with a third", YOLK_BOWL, of("add-flour"), of("whip", 0.3),
                    manner=Manner.SACRIFICE, tool="hand whisk",
                ),
                do(
                    FoldStep, "fold", "Fold in the rest", YOLK_BOWL, of("loosen"), of("whip", rest=True),
                    manner=Manner.FOLD, batter=Foam.CHIFFON_BATTER,
                ),
            ),
            *part(
                "dark",
                do(SplitStep, "take", "Weigh off not quite half", SMALL_BOWL, of("fold", 0.46)),
                do(
                    FoldStep, "darken", "Fold the cocoa in", SMALL_BOWL, of("take"), of("slurry"), manner=Manner.FOLD,
                ),
            ),
            *part(
                "cake",
                do(
                    FillStep, "fill", "Pour in turns, a ladle each", TIN, of("fold", rest=True), of("darken"),
                    tin=ROUND_20, tin_name="20 cm round", fill_fraction=0.6, lining=Lining.BASE,
                    pattern=Pattern(pours=14), batter_names=("plain", "cocoa"),
                ),
                do(
                    BakeStep, "bake", "Bake", TIN, of("fill"),
                    oven_c=160, reference=reference(ROUND_20, 0.6, 160, 38), done_c=95,
                ),
                do(KnockStep, "drop", "Drop it once", TIN, of("bake")),
                do(InvertStep, "invert", "Turn it upside down", TIN, of("drop")),
                do(CoolStep, "cool", "Leave it hanging", TIN, of("invert"), inverted=True, above_air_k=5),
                do(TurnOutStep, "turn-out", "Turn it out", RACK, of("cool")),
            ),
        ),
    )  # fmt: skip
