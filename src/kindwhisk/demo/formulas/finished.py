"""Finger biscuits, a cooked-yolk mousse, and the cake that they make together."""

from kindwhisk.core.baking.course import Sets
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.coat import CoatStep, Where
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.line import LineStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.ornament import Ornament, OrnamentStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.sort import SortStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.tins.pieces import PieceShape, PipedPiece
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.vessel import Vessel, VesselForm
from kindwhisk.demo.formulas.shorthand import (
    COLD,
    CREAM_BOWL,
    CUP,
    DRY_BOWL,
    FRIDGE,
    GLASS,
    MIXER_BOWL,
    PAPER,
    POT,
    RACK,
    RING,
    RING_20,
    ROUND_16,
    SMALL_BOWL,
    SYRUP_POT,
    TRAY,
    TRAY_40,
    YOLK_BOWL,
    do,
    g,
    part,
    reference,
    whipped_cream,
    whites,
)  # fmt: skip

FINGER = PipedPiece(width_mm=28, height_mm=16, length_mm=85, gap_mm=12, shape=PieceShape.FINGER)
UPRIGHT = PipedPiece(width_mm=28, height_mm=18, length_mm=60, gap_mm=4, shape=PieceShape.FINGER)
GLASSES = Vessel(id="glasses", name="glasses", form=VesselForm.TIN)
DISC = Vessel(id="disc", name="disc", form=VesselForm.TIN)


def _finger_batter(scale: float) -> tuple[Step, ...]:
    """The stiff separated batter that fingers are piped from."""
    return (
        do(
            WeighStep, "weigh-dry", "Weigh flour and starch", DRY_BOWL,
            g("plain-flour", 62 * scale), g("corn-starch", 42 * scale),
        ),
        do(SiftStep, "sift-dry", "Sift them", PAPER, of("weigh-dry"), passes=2),
        do(
            WeighStep, "weigh-yolks", "Weigh the yolks", YOLK_BOWL,
            g("egg-yolk", 62 * scale, "fingers", COLD), g("vanilla-paste", 2 * scale),
        ),
        do(
            MixStep, "loosen-yolks", "Beat the yolks loose", YOLK_BOWL, of("weigh-yolks"), seconds=40, overrun=0.1,
            sees="Even.",
        ),
        *whites(
            Method.FRENCH, 118 * scale, 92 * scale, title="Whip whites and sugar", peak=Peak.STIFF,
        ),
        do(FoldStep, "fold-yolks", "Fold the yolks in", MIXER_BOWL, of("whip"), of("loosen-yolks"), manner=Manner.FOLD),
        do(
            FoldStep, "fold-flour", "Sift over and fold", MIXER_BOWL, of("fold-yolks"), of("sift-dry"),
            manner=Manner.SIFT_OVER, batter=Foam.LADYFINGER_BATTER,
        ),
    )  # fmt: skip


def fingers() -> Formula:
    """Finger biscuits, dusted twice."""
    return Formula(
        id="fingers",
        title="Finger biscuits",
        summary="The stiffest of the separated batters, piped, dusted twice and baked to a crust.",
        technique=Technique.LADYFINGERS,
        servings=10,
        vessels=(MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, TRAY),
        steps=(
            *_finger_batter(0.68),
            do(
                PipeStep, "pipe", "Pipe the fingers", TRAY, of("fold-flour"), piece=FINGER, piece_name="finger",
                tin=TRAY_40, tin_name="30 x 40 cm tray",
            ),
            do(
                OrnamentStep, "dust", "Dust twice", TRAY, of("pipe"), g("icing-sugar", 16, "crust"), how=Ornament.DUST,
            ),
            do(
                BakeStep, "bake", "Bake", TRAY, of("dust"), oven_c=190, sets=Sets.SHELL,
                reference=reference(FINGER.mould(), 1, 190, 11), sees="Sand-coloured, beaded, a crust that gives way once.",
                too_far="Brown at the foot.",
            ),
            do(CoolStep, "cool", "Cool on the paper", TRAY, of("bake"), above_air_k=4),
            do(SortStep, "sort", "Lift and count", TRAY, of("cool")),
        ),
    )  # fmt: skip


def _mousse(yolk: float, cream: float, leaf: float, flavour: Step, base_title: str) -> tuple[Step, ...]:
    """Yolks cooked by a syrup, gelatine, a flavour (a step called ``flavour``) and whipped cream."""
    return (
        do(
            WeighStep, "weigh-gelatine", "Put gelatine into cold water", SMALL_BOWL,
            g("gelatine", leaf), g("water", leaf * 5.5, "gelatine", FRIDGE),
        ),
        do(RestStep, "bloom", "Leave it to swell", SMALL_BOWL, of("weigh-gelatine"), minutes=10, sees="Soft through."),
        flavour,
        *whipped_cream("Weigh the cream", g("cream-35", cream, "mousse", FRIDGE), peak=Peak.SOFT),
        do(
            WeighStep, "weigh-syrup", "Weigh sugar and water", SYRUP_POT,
            g("sugar", yolk * 0.95, "yolks"), g("water", yolk * 0.3, "syrup"),
        ),
        do(BoilStep, "boil-syrup", "Boil the syrup", SYRUP_POT, of("weigh-syrup"), target_c=117),
        do(WeighStep, "weigh-mousse-yolks", "Weigh the yolks", YOLK_BOWL, g("egg-yolk", yolk, "mousse", 20)),
        do(
            WhipStep, "whip-yolks", "Whip the yolks", YOLK_BOWL, of("weigh-mousse-yolks"), speed=8, tool="hand mixer",
        ),
        do(
            StreamStep, "cook-yolks", "Pour the syrup into the yolks", YOLK_BOWL, of("whip-yolks"), of("boil-syrup"),
            until_c=30, tool="hand mixer",
        ),
        do(
            WarmStep, "melt-gelatine", "Melt the gelatine", SMALL_BOWL, of("bloom"), target_c=50, over_water=True,
        ),
        do(
            FoldStep, "mousse-base", base_title, YOLK_BOWL, of("cook-yolks"), of("flavour"), of("melt-gelatine"),
            manner=Manner.FOLD, tool="hand whisk",
        ),
        do(
            FoldStep, "mousse", "Fold in the cream", YOLK_BOWL, of("mousse-base"), of("whip-cream"), manner=Manner.FOLD,
            batter=Foam.MOUSSE,
        ),
    )  # fmt: skip


def coffee_mousse() -> Formula:
    """A cooked-yolk mousse with coffee, in glasses."""
    flavour = do(
        WeighStep, "flavour", "Weigh coffee and mascarpone", POT, g("coffee", 40, "", 30), g("coffee-instant", 6),
        g("mascarpone", 120, "", 20),
    )  # fmt: skip
    return Formula(
        id="coffee-mousse",
        title="Coffee mousse",
        summary="Yolks cooked by a syrup and whipped cold, mascarpone and coffee, gelatine, soft cream.",
        technique=Technique.MOUSSE,
        servings=6,
        vessels=(YOLK_BOWL, SMALL_BOWL, POT, CREAM_BOWL, SYRUP_POT, GLASSES),
        steps=(
            *_mousse(84, 260, 6.3, flavour, "Fold in coffee and gelatine"),
            do(
                FillStep, "fill", "Fill the glasses", GLASSES, of("mousse"), tin=GLASS, tin_name="glass", count=6,
                fill_fraction=0.63, rises=False,
            ),
            do(ChillStep, "chill", "Chill", GLASSES, of("fill"), hours=4, sees="Trembles, no longer runs."),
        ),
    )  # fmt: skip


def finger_cake() -> Formula:
    """A ring lined with fingers, a disc, raspberry mousse and a mirror of jam."""
    flavour = do(WeighStep, "flavour", "Weigh the raspberry puree", POT, g("raspberry-puree", 160, "mousse", 20))
    return Formula(
        id="finger-cake",
        title="Raspberry finger cake",
        summary="Fingers piped close as a wall, a soaked disc, raspberry mousse set by gelatine, jam on top.",
        technique=Technique.LADYFINGER_CAKE,
        servings=10,
        components=(
            Component(id="biscuit", name="fingers and disc", part=Part.SPONGE, technique=Technique.LADYFINGERS),
            Component(id="soak", name="raspberry soak", part=Part.SOAK),
            Component(id="mousse", name="raspberry mousse", part=Part.FILLING, technique=Technique.MOUSSE),
            Component(id="mirror", name="mirror", part=Part.GLAZE),
            Component(id="cake", name="cake", part=Part.ASSEMBLY),
        ),
        vessels=(
            MIXER_BOWL, CUP, YOLK_BOWL, DRY_BOWL, PAPER, SMALL_BOWL, POT, CREAM_BOWL, SYRUP_POT, TRAY, DISC, RING, RACK,
            Vessel(id="soak-cup", name="soak cup", form=VesselForm.JUG, diameter_mm=80, height_mm=90),
            Vessel(id="jam-pot", name="jam pot", form=VesselForm.POT, diameter_mm=120, height_mm=70),
        ),
        steps=(
            *part(
                "biscuit",
                *_finger_batter(0.8),
                do(
                    PipeStep, "pipe", "Pipe the wall", TRAY, of("fold-flour", 0.6), piece=UPRIGHT, piece_name="finger",
                    tin=TRAY_40, tin_name="30 x 40 cm tray",
                ),
                do(
                    OrnamentStep, "dust", "Dust twice", TRAY, of("pipe"), g("icing-sugar", 14, "crust"),
                    how=Ornament.DUST,
                ),
                do(
                    BakeStep, "bake-fingers", "Bake the fingers", TRAY, of("dust"), oven_c=190, sets=Sets.SHELL,
                    reference=reference(UPRIGHT.mould(), 1, 190, 10), sees="Sand-coloured, beaded.",
                ),
                do(CoolStep, "cool-fingers", "Cool the fingers", TRAY, of("bake-fingers"), above_air_k=4),
                do(
                    FillStep, "spread-disc", "Spread the disc", DISC, of("fold-flour", rest=True), tin=ROUND_16,
                    tin_name="16.4 cm disc", fill_fraction=0.75, lining=Lining.BASE, rises=False,
                ),
                do(
                    BakeStep, "bake-disc", "Bake the disc", DISC, of("spread-disc"), oven_c=190, sets=Sets.SHELL,
                    reference=reference(ROUND_16, 0.75, 190, 11), sees="Pale gold, springs back.",
                ),
                do(CoolStep, "cool-disc", "Cool the disc", DISC, of("bake-disc"), above_air_k=4),
            ),
            *part(
                "soak",
                do(
                    MixStep, "soak-syrup", "Stir the soak",
                    Vessel(id="soak-cup", name="soak cup", form=VesselForm.JUG), g("water", 20, "soak"),
                    g("sugar", 12, "soak"), g("raspberry-puree", 14, "soak"), tool="spoon", seconds=40, sees="Clear, no grain.",
                ),
            ),
            *part(
                "cake",
                do(SoakStep, "soak-disc", "Soak the disc", DISC, of("cool-disc"), of("soak-syrup")),
                do(
                    LineStep, "line", "Line the ring", RING, of("cool-fingers"), of("soak-disc"),
                ),
            ),
            *part("mousse", *_mousse(54, 178, 6.4, flavour, "Fold in raspberry and gelatine")),
            *part(
                "cake",
                do(
                    FillStep, "fill", "Fill the ring", RING, of("line"), of("mousse"), tin=RING_20,
                    tin_name="20 cm ring", fill_fraction=0.92, rises=False, leads=True,
                ),
                do(ChillStep, "set", "Chill until set", RING, of("fill"), hours=5, sees="Firm in the middle."),
            ),
            *part(
                "mirror",
                do(
                    WeighStep, "weigh-jam", "Weigh jam and puree",
                    Vessel(id="jam-pot", name="jam pot", form=VesselForm.POT), g("jam", 60), g("raspberry-puree", 20, "mirror"),
                ),
                do(
                    WarmStep, "warm-jam", "Warm and strain",
                    Vessel(id="jam-pot", name="jam pot", form=VesselForm.POT), of("weigh-jam"), target_c=40,
                ),
            ),
            *part(
                "cake",
                do(CoatStep, "glaze", "Glaze the top", RING, of("set"), of("warm-jam"), where=Where.TOP, poured=True),
                do(PortionStep, "portion", "Cut ten pieces", RING, of("glaze"), portions=10),
            ),
        ),
    )  # fmt: skip
