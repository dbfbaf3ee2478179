"""Cakes that are built: three layers and a coat, a filled dome, a tart under syrup meringue."""

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.coat import CoatStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.hollow import HollowStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.ornament import Ornament, OrnamentStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.ready import ReadyStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.stack import StackStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.tins.shapes import HalfSphereDimensions, HalfSphereTin
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.vessel import Vessel, VesselForm
from kindwhisk.demo.formulas.shorthand import (
    COLD,
    CREAM_BOWL,
    CUP,
    DRY_BOWL,
    FRIDGE,
    HEAT_BOWL,
    MIXER_BOWL,
    PAPER,
    POT,
    RACK,
    ROUND_20,
    SMALL_BOWL,
    SYRUP_POT,
    TART_24,
    TIN,
    YOLK_BOWL,
    do,
    g,
    part,
    reference,
    whipped_cream,
    whites,
)  # fmt: skip

DOME_18 = HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=180))


def _ribbon(egg: float, sugar: float, *dry: Step) -> tuple[Step, ...]:
    """Whole eggs and sugar, warmed and whipped, with sifted dry goods folded in."""
    return (
        *dry,
        do(WeighStep, "weigh-butter", "Weigh butter and milk", POT, g("butter", egg * 0.12, "batter"), g("milk", egg * 0.06)),
        do(WarmStep, "melt-butter", "Melt the butter", POT, of("weigh-butter"), target_c=50),
        do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry"), passes=2),
        do(
            WeighStep, "weigh-eggs", "Weigh eggs and sugar", HEAT_BOWL, g("whole-egg", egg, "ribbon", 20),
            g("sugar", sugar, "ribbon"),
        ),
        do(WarmStep, "warm", "Warm over water", HEAT_BOWL, of("weigh-eggs"), target_c=42, over_water=True),
        do(WhipStep, "whip", "Whip to the ribbon", MIXER_BOWL, of("warm"), speed=8, slow_finish=True),
        do(FoldStep, "fold-flour", "Sift over and fold", MIXER_BOWL, of("whip"), of("sift-dry"), manner=Manner.SIFT_OVER),
        do(
            FoldStep, "fold", "Fold in the butter", MIXER_BOWL, of("fold-flour"), of("melt-butter"),
            batter=Foam.GENOISE_BATTER, manner=Manner.FOLD,
        ),
    )  # fmt: skip


def layer_cake() -> Formula:
    """A génoise in three layers, soaked, with cream and berries inside and cream all round."""
    return Formula(
        id="layer-cake",
        title="Strawberry layer cake",
        summary="One génoise cut in three, brushed with syrup, two fillings of cream and berries, a third of the cream kept "
        "for outside.",
        technique=Technique.GENOISE,
        servings=12,
        components=(
            Component(id="sponge", name="génoise", part=Part.SPONGE),
            Component(id="soak", name="syrup", part=Part.SOAK),
            Component(id="cream", name="sweet cream", part=Part.FILLING),
            Component(id="cake", name="cake", part=Part.ASSEMBLY),
        ),
        vessels=(
            MIXER_BOWL, CUP, HEAT_BOWL, DRY_BOWL, PAPER, POT, CREAM_BOWL, TIN, RACK,
            Vessel(id="soak-cup", name="soak cup", form=VesselForm.JUG, diameter_mm=80, height_mm=90),
        ),
        steps=(
            *part(
                "sponge",
                *_ribbon(
                    196, 114,
                    do(WeighStep, "weigh-dry", "Weigh the flour", DRY_BOWL, g("cake-flour", 108), g("corn-starch", 12)),
                ),
                do(
                    FillStep, "fill", "Fill the tin", TIN, of("fold"), tin=ROUND_20, tin_name="20 cm round",
                    fill_fraction=0.62, lining=Lining.BASE, leads=True,
                ),
                do(
                    BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=170, reference=reference(ROUND_20, 0.62, 170, 32),
                    sees="Springs back, pale gold, a hair from the wall.",
                ),
                do(TurnOutStep, "turn-out", "Turn it out", RACK, of("bake")),
                do(CoolStep, "cool", "Cool on the rack", RACK, of("turn-out"), above_air_k=3),
            ),
            *part(
                "soak",
                do(
                    MixStep, "soak-syrup", "Stir the syrup",
                    Vessel(id="soak-cup", name="soak cup", form=VesselForm.JUG), g("water", 120, "soak", 30),
                    g("sugar", 66, "soak"), tool="spoon", seconds=60, sees="Clear, no grain.",
                ),
            ),
            *part(
                "cake",
                do(CutStep, "cut", "Cut level and in three", RACK, of("cool"), layers=3),
                do(SoakStep, "soak", "Brush the layers", RACK, of("cut"), of("soak-syrup")),
            ),
            *part(
                "cream",
                *whipped_cream("Weigh cream and sugar", g("cream-35", 520, "filling", FRIDGE), g("icing-sugar", 42, "filling")),
            ),
            *part(
                "cake",
                do(
                    StackStep, "stack", "Build it up", RACK, of("soak"), of("whip-cream", 0.6),
                    g("strawberry", 160, "filling"), in_ring=True,
                ),
                do(CoatStep, "coat", "Coat it", RACK, of("stack"), of("whip-cream", 0.32)),
                do(
                    OrnamentStep, "finish", "Pipe the rest, lay berries on", RACK, of("coat"), of("whip-cream", rest=True),
                    g("strawberry", 80, "top"), how=Ornament.PIPE,
                ),
                do(ChillStep, "chill", "Chill until it holds", RACK, of("finish"), hours=2, sees="A knife comes out clean."),
                do(PortionStep, "portion", "Cut twelve pieces", RACK, of("chill"), portions=12),
            ),
        ),
    )  # fmt: skip


def chocolate_dome() -> Formula:
    """A half-sphere of sponge, hollowed, filled with cream and ganache, covered with its own crumb."""
    return Formula(
        id="dome",
        title="Chocolate dome",
        summary="A half-sphere of cocoa sponge, hollowed, filled with cream in two colours, closed, and covered with the "
        "crumb that came out.",
        technique=Technique.GENOISE,
        servings=8,
        components=(
            Component(id="sponge", name="cocoa sponge", part=Part.SPONGE),
            Component(id="cream", name="cream", part=Part.FILLING),
            Component(id="ganache", name="ganache", part=Part.FILLING),
            Component(id="dome", name="dome", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, HEAT_BOWL, DRY_BOWL, PAPER, POT, CREAM_BOWL, SMALL_BOWL, TIN, RACK),
        steps=(
            *part(
                "sponge",
                *_ribbon(
                    184, 104,
                    do(WeighStep, "weigh-dry", "Weigh flour and cocoa", DRY_BOWL, g("cake-flour", 94), g("cocoa", 16)),
                ),
                do(
                    FillStep, "fill", "Fill the half-sphere", TIN, of("fold"), tin=DOME_18, tin_name="18 cm half-sphere",
                    fill_fraction=0.72, lining=Lining.BARE, leads=True,
                ),
                do(
                    BakeStep, "bake", "Bake", TIN, of("fill"), oven_c=165, reference=reference(DOME_18, 0.72, 165, 40),
                    sees="Springs back in the middle.",
                ),
                do(TurnOutStep, "turn-out", "Turn it out", RACK, of("bake")),
                do(CoolStep, "cool", "Cool on the rack", RACK, of("turn-out"), above_air_k=3),
                do(HollowStep, "hollow", "Cut the lid, take the crumb out", RACK, of("cool"), wall_mm=16, lid_mm=20),
            ),
            *part(
                "ganache",
                do(
                    WeighStep, "weigh-ganache", "Weigh chocolate and cream", SMALL_BOWL, g("chocolate-dark", 52),
                    g("cream-35", 52, "ganache", FRIDGE),
                ),
                do(WarmStep, "melt", "Melt over water", SMALL_BOWL, of("weigh-ganache"), target_c=44, over_water=True),
                do(ReadyStep, "cool-ganache", "Leave it to cool", SMALL_BOWL, of("melt"), use=Purpose.SPREAD),
            ),
            *part(
                "cream",
                *whipped_cream(
                    "Weigh cream, sugar and mascarpone", g("cream-35", 196, "filling", FRIDGE), g("icing-sugar", 18, "filling"),
                    g("mascarpone", 60, "filling", FRIDGE),
                ),
            ),
            *part(
                "dome",
                do(SpreadStep, "fill-cream", "Fill in half of the cream", RACK, of("hollow"), of("whip-cream", 0.44)),
                do(SpreadStep, "fill-ganache", "Fill in the ganache", RACK, of("fill-cream"), of("cool-ganache")),
                do(SpreadStep, "fill-rest", "Cream to the rim, lid on, turn over", RACK, of("fill-ganache"), of("whip-cream", 0.34)),
                do(ChillStep, "set", "Chill, dome up", RACK, of("fill-rest"), hours=3, sees="Firm when pressed."),
                do(CoatStep, "coat", "A thin coat of cream", RACK, of("set"), of("whip-cream", rest=True)),
                do(CoatStep, "cover", "Press the crumb on", RACK, of("coat"), of("hollow", offcut=True)),
                do(PortionStep, "portion", "Cut eight pieces", RACK, of("cover"), portions=8),
            ),
        ),
    )  # fmt: skip


def meringue_tart() -> Formula:
    """A short case, lemon curd, and a syrup meringue browned with a flame."""
    return Formula(
        id="meringue-tart",
        title="Lemon tart under meringue",
        summary="A short case baked blind, lemon curd cooked to 82 °C, and a syrup meringue piped on and browned.",
        technique=Technique.MERINGUE,
        servings=8,
        components=(
            Component(id="case", name="case", part=Part.ASSEMBLY),
            Component(id="curd", name="lemon curd", part=Part.FILLING),
            Component(id="meringue", name="syrup meringue", part=Part.DECORATION, technique=Technique.MERINGUE),
            Component(id="tart", name="tart", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, POT, SMALL_BOWL, SYRUP_POT, TIN, RACK),
        steps=(
            *part(
                "case",
                do(
                    WeighStep, "weigh-dough", "Weigh flour, butter, sugar and egg", DRY_BOWL, g("plain-flour", 190),
                    g("butter", 105, "case", COLD), g("icing-sugar", 62, "case"), g("whole-egg", 34, "case", COLD), g("salt", 1.5),
                ),
                do(
                    MixStep, "dough", "Rub in and bring together", DRY_BOWL, of("weigh-dough"), tool="hands", seconds=240,
                    sees="Even, just holds together.", too_far="Warm and greasy: chill it.",
                ),
                do(ChillStep, "rest-dough", "Chill the dough", DRY_BOWL, of("dough"), hours=1, sees="Firm."),
                do(
                    FillStep, "line-tin", "Line the tart tin", TIN, of("rest-dough"), tin=TART_24, tin_name="24 cm tart tin",
                    fill_fraction=0.33, rises=False, leads=True,
                ),
                do(
                    BakeStep, "bake", "Bake it blind", TIN, of("line-tin"), oven_c=175,
                    reference=reference(TART_24, 0.33, 175, 24), sees="Gold to the middle, dry.",
                ),
                do(CoolStep, "cool", "Cool the case", TIN, of("bake"), above_air_k=5),
            ),
            *part(
                "curd",
                do(
                    WeighStep, "weigh-curd", "Weigh yolks, egg, sugar, juice and butter", POT, g("egg-yolk", 60, "curd", COLD),
                    g("whole-egg", 100, "curd", COLD), g("sugar", 120, "curd"), g("lemon-juice", 120), g("lemon-zest", 4),
                    g("butter", 90, "curd", COLD),
                ),
                do(
                    WarmStep, "curd", "Cook the curd, stirring", POT, of("weigh-curd"), target_c=82,
                ),
            ),
            *part(
                "tart",
                do(ReadyStep, "cool-curd", "Strain it and let it cool a little", POT, of("curd"), use=Purpose.POUR),
                do(
                    SpreadStep, "fill-curd", "Pour the curd in", TIN, of("cool"), of("cool-curd"), case_mm=25,
                ),
                do(ChillStep, "set", "Chill until it is firm", TIN, of("fill-curd"), hours=3, sees="Firm in the middle."),
            ),
            *part(
                "meringue",
                *whites(Method.ITALIAN, 70, 126, title="Pour the syrup in and whip", peak=Peak.STIFF),
            ),
            *part(
                "tart",
                do(OrnamentStep, "pipe", "Pipe it on", TIN, of("set"), of("whip"), how=Ornament.PIPE),
                do(OrnamentStep, "torch", "Brown the tips", TIN, of("pipe"), how=Ornament.TORCH),
                do(PortionStep, "portion", "Cut eight pieces", TIN, of("torch"), portions=8),
            ),
        ),
    )  # fmt: skip
