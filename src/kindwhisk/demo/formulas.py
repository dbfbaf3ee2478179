"""The demo kitchen's formulas, of our own making."""

from kindwhisk.core.baking import OvenMode, ReferenceBake
from kindwhisk.core.foam import Foam, Peak
from kindwhisk.core.folding import Manner
from kindwhisk.core.process.formula import Formula, Technique
from kindwhisk.core.process.portions import ingredient, of
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import SugarSchool, WhipStep
from kindwhisk.core.tins import RoundDimensions, RoundTin, TubeDimensions, TubeTin
from kindwhisk.core.vessels import Vessel, VesselForm

TUBE_17 = TubeTin(
    dimensions=TubeDimensions(
        diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=55, tube_top_diameter_mm=45
    )
)
ROUND_20 = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))

MIXER_BOWL = Vessel(id="mixer-bowl", name="mixer bowl", form=VesselForm.MIXER_BOWL, diameter_mm=215, height_mm=165)
PAPER = Vessel(id="paper", name="paper", form=VesselForm.SHEET, diameter_mm=240, height_mm=40)
RACK = Vessel(id="rack", name="rack", form=VesselForm.RACK)


def tea_chiffon() -> Formula:
    """A tea chiffon in a tube: separated eggs, French meringue, bare wall, cooled upside down."""
    return Formula(
        id="tea-chiffon",
        title="Tea chiffon",
        summary="Black tea steeped in milk and left in; a light base, whites in thirds, hung to cool.",
        technique=Technique.CHIFFON,
        servings=8,
        vessels=(
            MIXER_BOWL.model_copy(update={"name": "mixer bowl"}),
            Vessel(id="sugar-cup", name="sugar cup", form=VesselForm.JUG, diameter_mm=90, height_mm=80),
            Vessel(id="yolk-bowl", name="yolk bowl", form=VesselForm.BOWL, diameter_mm=260, height_mm=120),
            Vessel(id="pot", name="small pot", form=VesselForm.POT, diameter_mm=120, height_mm=70),
            Vessel(id="dry-bowl", name="dry bowl", form=VesselForm.BOWL, diameter_mm=180, height_mm=80),
            PAPER,
            Vessel(id="tin", name="tube tin", form=VesselForm.TIN),
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


def butter_sponge() -> Formula:
    """A whole-egg sponge warmed over water, with a little butter, in a round tin."""
    return Formula(
        id="butter-sponge",
        title="Butter sponge",
        summary="Whole eggs and sugar warmed over water, whipped to the ribbon; butter folded in last.",
        technique=Technique.WARM_SPONGE,
        servings=10,
        vessels=(
            MIXER_BOWL,
            Vessel(id="dry-bowl", name="dry bowl", form=VesselForm.BOWL, diameter_mm=180, height_mm=80),
            PAPER,
            Vessel(id="pot", name="small pot", form=VesselForm.POT, diameter_mm=120, height_mm=70),
            Vessel(id="tin", name="round tin", form=VesselForm.TIN),
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
                batter=Foam.SPONGE_BATTER,
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


def demo_formulas() -> tuple[Formula, ...]:
    """All of them."""
    return (tea_chiffon(), butter_sponge())
