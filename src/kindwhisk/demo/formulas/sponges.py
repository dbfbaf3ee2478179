"""Whole-egg and separated sponges, plain and soaked."""

from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import ingredient, of
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.coat import CoatStep, Where
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.formulas.shorthand import (
    COLD,
    CREAM_BOWL,
    CUP,
    DRY_BOWL,
    FRIDGE,
    JUG,
    MIXER_BOWL,
    PAPER,
    POT,
    RACK,
    ROUND_20,
    SQUARE_22,
    TIN,
    YOLK_BOWL,
    do,
    g,
    part,
    reference,
    whipped_cream,
    whites,
)  # fmt: skip


def butter_sponge() -> Formula:
    """A whole-egg sponge warmed over water, with a little butter, in a round tin."""
    return Formula(
        id="butter-sponge",
        title="Butter sponge",
        summary="Whole eggs and sugar warmed over water, whipped to the ribbon; butter folded in last.",
        technique=Technique.GENOISE,
        servings=10,
        vessels=(
            MIXER_BOWL,
            DRY_BOWL,
            PAPER,
            POT,
            TIN.model_copy(update={"name": "round tin"}),
            RACK,
        ),
        steps=(
            WeighStep(
                id="weigh-dry",
                title="Weigh the dry goods",
                vessel="dry-bowl",
                inputs=(ingredient("cake-flour", 108), ingredient("corn-starch", 12)),
            ),
            SiftStep(
                id="sift-dry",
                title="Sift flour and starch",
                vessel="paper",
                inputs=(of("weigh-dry"),),
                passes=2,
            ),
            WeighStep(
                id="weigh-butter",
                title="Weigh butter and milk",
                vessel="pot",
                inputs=(ingredient("butter", 28, temperature_c=12), ingredient("milk", 22, temperature_c=6)),
            ),
            WarmStep(id="melt", title="Melt the butter", vessel="pot", inputs=(of("weigh-butter"),), target_c=55),
            WeighStep(
                id="weigh-eggs",
                title="Weigh eggs, sugar and honey",
                vessel="mixer-bowl",
                inputs=(
                    ingredient("whole-egg", 208, temperature_c=14),
                    ingredient("sugar", 120, role="foam"),
                    ingredient("honey", 8),
                ),
            ),
            WarmStep(
                id="warm-eggs",
                title="Warm the eggs over water",
                vessel="mixer-bowl",
                inputs=(of("weigh-eggs"),),
                target_c=42,
                over_water=True,
            ),
            WhipStep(
                id="whip",
                title="Whip eggs and sugar",
                vessel="mixer-bowl",
                inputs=(of("warm-eggs"),),
                speed=8,
                slow_finish=True,
            ),
            FoldStep(
                id="fold-flour",
                title="Sift the flour over and fold",
                vessel="mixer-bowl",
                inputs=(of("whip"), of("sift-dry")),
                manner=Manner.SIFT_OVER,
            ),
            SplitStep(
                id="take",
                title="Take a spoonful of batter to the butter",
                vessel="pot",
                inputs=(of("fold-flour", 0.14),),
            ),
            FoldStep(
                id="stir-butter",
                title="Stir it into the butter",
                vessel="pot",
                inputs=(of("take"), of("melt")),
                manner=Manner.STIR,
            ),
            FoldStep(
                id="fold-butter",
                title="Fold the butter back in",
                vessel="mixer-bowl",
                inputs=(of("fold-flour", rest=True), of("stir-butter")),
                manner=Manner.FOLD,
                batter=Foam.GENOISE_BATTER,
            ),
            FillStep(
                id="fill",
                title="Fill the round tin",
                vessel="tin",
                inputs=(of("fold-butter"),),
                tin=ROUND_20,
                tin_name="20 cm round",
                fill_fraction=0.6,
                lining=Lining.BASE,
            ),
            KnockStep(id="settle", title="Let large bubbles out", vessel="tin", inputs=(of("fill"),)),
            BakeStep(
                id="bake",
                title="Bake",
                vessel="tin",
                inputs=(of("settle"),),
                oven_c=170,
                reference=ReferenceBake(tin=ROUND_20, fill_mm=35.8, oven_c=170, mode=OvenMode.STATIC, minutes=31),
            ),
            KnockStep(id="drop", title="Drop it once", vessel="tin", inputs=(of("bake"),)),
            TurnOutStep(id="turn-out", title="Turn it out", vessel="rack", inputs=(of("drop"),)),
            CoolStep(id="cool", title="Cool on the rack", vessel="rack", inputs=(of("turn-out"),), above_air_k=4),
        ),
    )


def starch_sponge() -> Formula:
    """A whole-egg sponge at room temperature, a third of its flour starch."""
    return Formula(
        id="starch-sponge",
        title="Potato-starch sponge",
        summary="Whole eggs whipped long at room temperature; flour and starch sifted over in three layers. No fat.",
        technique=Technique.COLD_GENOISE,
        servings=10,
        vessels=(MIXER_BOWL, DRY_BOWL, PAPER, TIN, RACK),
        steps=(
            do(
                WeighStep, "weigh-dry", "Weigh flour and starch", DRY_BOWL,
                g("cake-flour", 72), g("potato-starch", 38),
            ),
            do(SiftStep, "sift-dry", "Sift flour and starch", PAPER, of("weigh-dry"), passes=3),
            do(
                WeighStep, "weigh-eggs", "Weigh eggs and sugar", MIXER_BOWL,
                g("whole-egg", 220, "", 22), g("sugar", 114), g("vanilla-paste", 3), g("salt", 0.5),
            ),
            do(WhipStep, "whip", "Whip eggs and sugar", MIXER_BOWL, of("weigh-eggs"), speed=9, slow_finish=True),
            do(
                FoldStep, "fold-flour", "Sift over and fold", MIXER_BOWL, of("whip"), of("sift-dry"),
                manner=Manner.SIFT_OVER, portions=3, batter=Foam.LEAN_BATTER,
            ),
            do(
                FillStep, "fill", "Fill the round tin", TIN, of("fold-flour"),
                tin=ROUND_20, tin_name="20 cm round", fill_fraction=0.66, lining=Lining.BASE,
            ),
            do(BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=170, reference=reference(ROUND_20, 0.66, 170, 33)),
            do(KnockStep, "drop", "Drop it once", TIN, of("bake")),
            do(TurnOutStep, "turn-out", "Turn it out", RACK, of("drop")),
            do(CoolStep, "cool", "Cool on the rack", RACK, of("turn-out"), above_air_k=4),
        ),
    )  # fmt: skip


def bare_sponge() -> Formula:
    """A separated sponge: whites, yolks, sugar, flour, and nothing that lifts it but air."""
    return Formula(
        id="bare-sponge",
        title="Bare sponge",
        summary="Whites and yolks whipped apart, folded together, flour sifted over. Only air lifts it.",
        technique=Technique.SEPARATED_SPONGE,
        servings=10,
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, TIN, RACK),
        steps=(
            do(WeighStep, "weigh-dry", "Weigh flour and starch", DRY_BOWL, g("cake-flour", 69), g("corn-starch", 28)),
            do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry"), passes=2),
            do(
                WeighStep, "weigh-yolks", "Weigh yolks and their sugar", YOLK_BOWL,
                g("egg-yolk", 63, "yolks", 20), g("sugar", 26, "yolks"), g("lemon-zest", 2),
            ),
            do(
                MixStep, "beat-yolks", "Beat the yolks pale", YOLK_BOWL, of("weigh-yolks"), tool="hand mixer",
                seconds=240, overrun=0.9, sees="Pale, doubled, leaves a trail.",
            ),
            *whites(
                Method.FRENCH, 126, 76, g("lemon-juice", 3),
                title="Whip whites and sugar", peak=Peak.STIFF, tool="hand mixer",
            ),
            do(
                FoldStep, "fold-yolks", "Pour the yolks in and fold", MIXER_BOWL, of("whip"), of("beat-yolks"),
                manner=Manner.INTO_FOAM, portions=2,
            ),
            do(
                FoldStep, "fold-flour", "Sift over and fold", MIXER_BOWL, of("fold-yolks"), of("sift-dry"),
                manner=Manner.SIFT_OVER, batter=Foam.LEAN_BATTER,
            ),
            do(
                FillStep, "fill", "Fill the round tin", TIN, of("fold-flour"),
                tin=ROUND_20, tin_name="20 cm round", fill_fraction=0.62, lining=Lining.BASE,
            ),
            do(BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=170, reference=reference(ROUND_20, 0.62, 170, 31)),
            do(TurnOutStep, "turn-out", "Turn it out", RACK, of("bake")),
            do(CoolStep, "cool", "Cool on the rack", RACK, of("turn-out"), above_air_k=4),
        ),
    )  # fmt: skip


def milk_sponge() -> Formula:
    """A separated sponge that stands in three kinds of milk, under soft cream."""
    return Formula(
        id="milk-sponge",
        title="Three-milk sponge",
        summary="A firm separated sponge, pricked and flooded with three milks, chilled overnight under soft cream.",
        technique=Technique.SOAKED_SPONGE,
        servings=12,
        components=(
            Component(id="sponge", name="sponge", part=Part.SPONGE),
            Component(id="soak", name="three milks", part=Part.SOAK),
            Component(id="cream", name="soft cream", part=Part.DECORATION),
            Component(id="whole", name="cake", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, JUG, CREAM_BOWL, TIN),
        steps=(
            *part(
                "sponge",
                do(WeighStep, "weigh-dry", "Weigh flour and powder", DRY_BOWL, g("plain-flour", 132), g("baking-powder", 2.5)),
                do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry")),
                do(
                    WeighStep, "weigh-yolks", "Weigh yolks and sugar", YOLK_BOWL,
                    g("egg-yolk", 80, "yolks", COLD), g("sugar", 34, "yolks"), g("vanilla-extract", 4),
                ),
                do(
                    MixStep, "beat-yolks", "Beat the yolks pale", YOLK_BOWL, of("weigh-yolks"), tool="hand mixer",
                    seconds=150, overrun=0.6, sees="Pale and foaming.",
                ),
                *whites(Method.FRENCH, 160, 96, title="Whip whites and sugar", peak=Peak.MEDIUM),
                do(
                    FoldStep, "fold-yolks", "Fold the yolks in", MIXER_BOWL, of("whip"), of("beat-yolks"),
                    manner=Manner.FOLD,
                ),
                do(
                    FoldStep, "fold-flour", "Flour and milk in turns", MIXER_BOWL, of("fold-yolks"), of("sift-dry"),
                    g("milk", 36, "sponge", FRIDGE), manner=Manner.IN_TURNS, portions=2, batter=Foam.GENOISE_BATTER,
                ),
                do(
                    FillStep, "fill", "Fill the square tin", TIN, of("fold-flour"),
                    tin=SQUARE_22, tin_name="22 cm square", fill_fraction=0.45, lining=Lining.BASE, leads=True,
                ),
                do(BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=175, reference=reference(SQUARE_22, 0.45, 175, 26)),
                do(CoolStep, "cool", "Cool in the tin", TIN, of("bake"), above_air_k=6),
            ),
            *part(
                "soak",
                do(
                    WeighStep, "weigh-milks", "Weigh the three milks", JUG,
                    g("evaporated-milk", 220), g("condensed-milk", 170), g("cream-35", 110, "soak", FRIDGE),
                    g("rum", 10),
                ),
            ),
            *part(
                "whole",
                do(SoakStep, "soak", "Flood with the milks", TIN, of("cool"), of("weigh-milks"), flooded=True),
                do(ChillStep, "chill", "Chill overnight", TIN, of("soak"), hours=8, sees="No liquid stands at the edge."),
            ),
            *part(
                "cream",
                *whipped_cream(
                    "Weigh cream and sugar", g("cream-35", 220, "topping", FRIDGE), g("icing-sugar", 14), peak=Peak.SOFT
                ),
            ),
            *part(
                "whole",
                do(CoatStep, "top", "Spread the cream", TIN, of("chill"), of("whip-cream"), where=Where.TOP),
                do(PortionStep, "cut", "Cut nine squares", TIN, of("top"), portions=9),
            ),
        ),
    )  # fmt: skip
