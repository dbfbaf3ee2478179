"""Whites folded into something heavy: chocolate and nuts, a creamed batter, chocolate alone."""

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import of
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.stack import StackStep
from kindwhisk.core.process.steps.toast import ToastStep
from kindwhisk.core.process.steps.trim import TrimStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.formulas.shorthand import (
    COLD,
    CREAM_BOWL,
    CUP,
    DRY_BOWL,
    FRIDGE,
    HEAT_BOWL,
    LOAF_21,
    MIXER_BOWL,
    PAPER,
    RACK,
    ROUND_22,
    SHEET_30,
    TIN,
    TRAY,
    YOLK_BOWL,
    do,
    g,
    part,
    reference,
    whipped_cream,
    whites,
)  # fmt: skip


def hazelnut_cake() -> Formula:
    """Whites folded into melted chocolate, butter and roasted hazelnuts."""
    return Formula(
        id="hazelnut-cake",
        title="Dark hazelnut cake",
        summary="Hazelnuts roasted and cooled, chocolate and butter melted, a little flour; whites carry all of it.",
        technique=Technique.RICH_SPONGE,
        servings=12,
        vessels=(MIXER_BOWL, CUP, HEAT_BOWL, DRY_BOWL, TRAY, TIN, RACK),
        steps=(
            do(WeighStep, "weigh-nuts", "Weigh the hazelnuts", TRAY, g("hazelnut-ground", 120)),
            do(ToastStep, "toast", "Roast the hazelnuts", TRAY, of("weigh-nuts"), oven_c=150, minutes=9),
            do(
                MixStep, "dry", "Stir nuts, flour and cocoa", DRY_BOWL,
                of("toast"), g("plain-flour", 30), g("cocoa", 15), g("salt", 1), tool="spoon", seconds=30, sees="Even.",
            ),
            do(
                WeighStep, "weigh-chocolate", "Weigh chocolate and butter", HEAT_BOWL,
                g("chocolate-dark", 150), g("butter", 110, "", COLD),
            ),
            do(
                WarmStep, "melt", "Melt them over water", HEAT_BOWL, of("weigh-chocolate"), target_c=48, over_water=True,
            ),
            do(
                MixStep, "add-yolks", "Stir in yolks and sugar", HEAT_BOWL,
                of("melt"), g("egg-yolk", 100, "base", COLD), g("sugar", 55, "base"),
                seconds=60, sees="Thick and glossy.", too_far="Grainy: too cold, warm it a little.",
            ),
            do(
                MixStep, "base", "Stir in the nuts", HEAT_BOWL, of("add-yolks"), of("dry"), tool="spatula", seconds=40,
                sees="No dry spot.",
            ),
            *whites(
                Method.FRENCH, 190, 95, g("cream-of-tartar", 0.8),
                title="Whip whites and sugar", peak=Peak.SOFT,
            ),
            do(
                FoldStep, "loosen", "Loosen the base with a third", HEAT_BOWL, of("base"), of("whip", 0.33),
                manner=Manner.SACRIFICE,
            ),
            do(
                FoldStep, "fold", "Fold in the rest", HEAT_BOWL, of("loosen"), of("whip", rest=True),
                manner=Manner.FOLD, batter=Foam.RICH_BATTER,
            ),
            do(
                FillStep, "fill", "Fill the round tin", TIN, of("fold"),
                tin=ROUND_22, tin_name="22 cm round", fill_fraction=0.63, lining=Lining.ALL_ROUND,
            ),
            do(
                BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=165, reference=reference(ROUND_22, 0.63, 165, 42),
                done_c=92, sees="Risen and dull, moist crumbs on the skewer; it sinks and crackles as it cools.",
            ),
            do(CoolStep, "cool", "Cool in the tin", TIN, of("bake"), above_air_k=8),
            do(TurnOutStep, "turn-out", "Turn it out", RACK, of("cool")),
        ),
    )  # fmt: skip


def butter_loaf() -> Formula:
    """Butter creamed with sugar, a little baking powder, whites folded in."""
    return Formula(
        id="butter-loaf",
        title="Light butter loaf",
        summary="Creamed butter and yolks, flour and milk in turns, whites folded in last; the powder only helps.",
        technique=Technique.CREAMED_SPONGE,
        servings=10,
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, TIN, RACK),
        steps=(
            do(WeighStep, "weigh-dry", "Weigh flour and powder", DRY_BOWL, g("plain-flour", 132), g("baking-powder", 2.6)),
            do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry"), passes=2),
            do(
                WeighStep, "weigh-butter", "Weigh butter and icing sugar", YOLK_BOWL,
                g("butter", 110, "", 20), g("icing-sugar", 62),
            ),
            do(
                MixStep, "cream", "Cream them", YOLK_BOWL, of("weigh-butter"), tool="hand mixer",
                seconds=300, overrun=0.25, sees="Nearly white, light, no grain.", why="Sugar cuts the first bubbles into it.",
            ),
            do(
                MixStep, "add-yolks", "Beat in the yolks", YOLK_BOWL, of("cream"), g("egg-yolk", 53, "base", 20),
                tool="hand mixer", seconds=90, overrun=0.1, sees="Smooth, not curdled.",
            ),
            do(
                MixStep, "base", "Stir in flour and milk in turns", YOLK_BOWL, of("add-yolks"), of("sift-dry"),
                g("milk", 35, "", 20), g("vanilla-extract", 3), tool="spatula", seconds=90, overrun=0.0, sees="Even, thick.",
            ),
            *whites(Method.FRENCH, 86, 52, g("lemon-juice", 2), title="Whip whites and sugar", peak=Peak.MEDIUM),
            do(
                FoldStep, "loosen", "Loosen the batter with a third", YOLK_BOWL, of("base"), of("whip", 0.33),
                manner=Manner.SACRIFICE,
            ),
            do(
                FoldStep, "fold", "Fold in the rest", YOLK_BOWL, of("loosen"), of("whip", rest=True),
                manner=Manner.FOLD, batter=Foam.POWDER_BATTER,
            ),
            do(
                FillStep, "fill", "Fill the loaf tin", TIN, of("fold"),
                tin=LOAF_21, tin_name="21 cm loaf", fill_fraction=0.62, lining=Lining.ALL_ROUND,
            ),
            do(BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=170, reference=reference(LOAF_21, 0.62, 170, 42)),
            do(TurnOutStep, "turn-out", "Turn it out", RACK, of("bake")),
            do(CoolStep, "cool", "Cool on the rack", RACK, of("turn-out"), above_air_k=5),
        ),
    )  # fmt: skip


def cocoa_sheet() -> Formula:
    """A souffléd sheet of chocolate, yolks and whites, without flour, with cream."""
    return Formula(
        id="souffled-sheet",
        title="Souffléd chocolate sheet",
        summary="No flour at all: chocolate, yolks and whites; it falls as it cools and is spread with cream.",
        technique=Technique.SOUFFLED_SHEET,
        servings=10,
        components=(
            Component(id="sheet", name="sheet", part=Part.SPONGE),
            Component(id="cream", name="coffee cream", part=Part.FILLING),
            Component(id="slices", name="slices", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, HEAT_BOWL, CREAM_BOWL, TIN, RACK),
        steps=(
            *part(
                "sheet",
                do(
                    WeighStep, "weigh-chocolate", "Weigh chocolate and coffee", HEAT_BOWL,
                    g("chocolate-dark", 150), g("coffee", 36),
                ),
                do(WarmStep, "melt", "Melt over water", HEAT_BOWL, of("weigh-chocolate"), target_c=46, over_water=True),
                do(
                    MixStep, "base", "Stir in yolks and sugar", HEAT_BOWL,
                    of("melt"), g("egg-yolk", 96, "base", 20), g("sugar", 40, "base"), seconds=60, sees="Glossy, flows slowly.",
                ),
                *whites(
                    Method.FRENCH, 190, 110, g("cream-of-tartar", 0.8),
                    title="Whip whites and sugar", peak=Peak.SOFT,
                ),
                do(
                    FoldStep, "loosen", "Loosen the base with a third", HEAT_BOWL, of("base"), of("whip", 0.33),
                    manner=Manner.SACRIFICE,
                ),
                do(
                    FoldStep, "fold", "Fold in the rest", HEAT_BOWL, of("loosen"), of("whip", rest=True),
                    manner=Manner.FOLD,
                ),
                do(
                    FillStep, "fill", "Spread on the sheet", TIN, of("fold"),
                    tin=SHEET_30, tin_name="30 x 35 cm sheet", fill_fraction=0.45, lining=Lining.ALL_ROUND, leads=True,
                ),
                do(
                    BakeStep, "bake", "Bake the sheet", TIN, of("fill"), oven_c=175,
                    reference=reference(SHEET_30, 0.45, 175, 16), done_c=93,
                    sees="Puffed and dry on top, soft below; it sinks as it cools, and should.",
                ),
                do(CoolStep, "cool", "Cool under a damp cloth", TIN, of("bake"), above_air_k=5),
            ),
            *part(
                "cream",
                *whipped_cream(
                    "Weigh cream, sugar and coffee", g("cream-35", 240, "", FRIDGE), g("icing-sugar", 20),
                    g("coffee-instant", 3),
                ),
            ),
            *part(
                "slices",
                do(TrimStep, "trim", "Trim the edges straight", RACK, of("cool"), edge_mm=6),
                do(
                    CutStep, "cut", "Cut in three strips", RACK, of("trim"), layers=1, strips=3, dome_mm=0, crust_mm=0,
                ),
                do(StackStep, "layer", "Layer with cream", RACK, of("cut"), of("whip-cream")),
                do(ChillStep, "chill", "Chill until the cream holds", RACK, of("layer"), hours=2, sees="Firm enough to cut clean."),
                do(PortionStep, "slice", "Cut into slices", RACK, of("chill"), portions=10),
            ),
        ),
    )  # fmt: skip
