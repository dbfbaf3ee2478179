"""Meringues and macaron shells, each by the French, the Swiss and the syrup method."""

from kindwhisk.core.baking.course import Sets
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.piping.maturing import FillingKind
from kindwhisk.core.process.components import Component, Part
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.mature import MatureStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.ornament import Ornament, OrnamentStep
from kindwhisk.core.process.steps.pair import PairStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.ready import ReadyStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.steps.sort import SortStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.tins.pieces import PieceShape, PipedPiece
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

KISS = PipedPiece(width_mm=38, height_mm=30, gap_mm=15, shape=PieceShape.KISS)
SWIRL = PipedPiece(width_mm=60, height_mm=45, gap_mm=20, shape=PieceShape.KISS)
SHELL = PipedPiece(width_mm=40, height_mm=8, shape=PieceShape.ROUND)


def kisses() -> Formula:
    """Small French meringues, dried through."""
    return Formula(
        id="kisses",
        title="Vanilla kisses",
        summary="French meringue with as much icing sugar folded in as it will carry, dried for hours.",
        technique=Technique.MERINGUE,
        servings=12,
        vessels=(MIXER_BOWL, CUP, PAPER, TRAY),
        steps=(
            do(WeighStep, "weigh-icing", "Weigh the icing sugar", PAPER, g("icing-sugar", 40, "folding")),
            *whites(
                Method.FRENCH, 100, 140, g("cream-of-tartar", 0.4), g("vanilla-paste", 2),
                title="Whip whites and sugar", peak=Peak.STIFF,
            ),
            do(
                FoldStep, "fold", "Fold in the icing sugar", MIXER_BOWL, of("whip"), of("weigh-icing"),
                manner=Manner.SIFT_OVER,
            ),
            do(
                PipeStep, "pipe", "Pipe the kisses", TRAY, of("fold"), piece=KISS, piece_name="kiss",
                tin=TRAY_40, tin_name="30 x 40 cm tray",
            ),
            do(
                BakeStep, "dry", "Dry them", TRAY, of("pipe"), oven_c=95, sets=Sets.DRY,
                reference=reference(KISS.mould(), 1, 95, 100), sees="Light, lift off clean, no soft middle.",
                not_yet="They stick or bend: half an hour more.", too_far="Cream-coloured: the oven runs hot.",
            ),
            do(CoolStep, "cool", "Cool in the open oven", TRAY, of("dry"), above_air_k=4),
            do(SortStep, "sort", "Lift and count", TRAY, of("cool")),
        ),
    )  # fmt: skip


def striped_kisses() -> Formula:
    """French kisses of two colours, side by side in one bag."""
    return Formula(
        id="striped-kisses",
        title="Striped kisses",
        summary="One meringue parted by weight, a half of it coloured, both in one bag: four stripes on every kiss.",
        technique=Technique.MERINGUE,
        servings=12,
        vessels=(MIXER_BOWL, CUP, SMALL_BOWL, TRAY),
        steps=(
            *whites(
                Method.FRENCH, 100, 180, g("cream-of-tartar", 0.4), title="Whip whites and sugar", peak=Peak.STIFF,
            ),
            do(SplitStep, "take", "Weigh off a half", SMALL_BOWL, of("whip", 0.5)),
            do(FoldStep, "tint", "Fold the colour in", SMALL_BOWL, of("take"), g("colour-gel", 0.6)),
            do(
                PipeStep, "pipe", "Pipe the stripes", TRAY, of("whip", rest=True), of("tint"), piece=KISS,
                piece_name="kiss", tin=TRAY_40, tin_name="30 x 40 cm tray", stripes_each=2, nozzle_mm=14,
                batter_names=("white", "coloured"),
            ),
            do(
                BakeStep, "dry", "Dry them", TRAY, of("pipe"), oven_c=90, sets=Sets.DRY,
                reference=reference(KISS.mould(), 1, 90, 110), sees="Light, lift off clean, no soft middle.",
                not_yet="They stick or bend: half an hour more.", too_far="The white stripes turn cream-coloured.",
            ),
            do(CoolStep, "cool", "Cool in the open oven", TRAY, of("dry"), above_air_k=4),
            do(SortStep, "sort", "Lift and count", TRAY, of("cool")),
        ),
    )  # fmt: skip


def swiss_topping() -> Formula:
    """Swiss meringue in swirls, browned with a flame."""
    return Formula(
        id="swiss-swirls",
        title="Swiss swirls",
        summary="Whites and sugar dissolved over water, whipped cold; piped as a topping and browned.",
        technique=Technique.MERINGUE,
        servings=8,
        vessels=(MIXER_BOWL, TRAY),
        steps=(
            *whites(
                Method.SWISS, 120, 216, g("lemon-juice", 3), title="Whip until cold", peak=Peak.STIFF,
            ),
            do(
                PipeStep, "pipe", "Pipe the swirls", TRAY, of("whip"), piece=SWIRL, piece_name="swirl",
                tin=TRAY_40, tin_name="30 x 40 cm tray",
            ),
            do(OrnamentStep, "torch", "Brown the tips", TRAY, of("pipe"), how=Ornament.TORCH),
        ),
    )  # fmt: skip


def syrup_topping() -> Formula:
    """Syrup-cooked meringue, glossy and steady."""
    return Formula(
        id="syrup-peaks",
        title="Syrup meringue peaks",
        summary="Boiling syrup poured into whipped whites; steady for an hour, for topping and for lightening creams.",
        technique=Technique.MERINGUE,
        servings=8,
        vessels=(MIXER_BOWL, SYRUP_POT, TRAY),
        steps=(
            *whites(
                Method.ITALIAN, 100, 180, g("cream-of-tartar", 0.4), title="Pour the syrup in and whip until cool",
            ),
            do(
                PipeStep, "pipe", "Pipe the peaks", TRAY, of("whip"), piece=SWIRL, piece_name="peak",
                tin=TRAY_40, tin_name="30 x 40 cm tray",
            ),
            do(OrnamentStep, "torch", "Brown the tips", TRAY, of("pipe"), how=Ornament.TORCH),
        ),
    )  # fmt: skip


# What differs from one to the other, in the order of the work.
def _shells(  # noqa: PLR0913, PLR0917
    formula_id: str,
    title: str,
    summary: str,
    nut: str,
    meringue: tuple[Step, ...],
    filling: tuple[Step, ...],
    filling_name: str,
    method: Method,
    filling_kind: FillingKind,
    paste_white_g: float = 0.0,
    colour: tuple[IngredientPortion, ...] = (),
) -> Formula:
    """Shells around a filling; with ``paste_white_g`` the dry goods are first made a paste with raw white."""
    paste: tuple[Step, ...] = ()
    dry = "sift-dry"
    if paste_white_g:
        dry = "paste"
        paste = (
            do(
                MixStep, "paste", "Stir the paste", YOLK_BOWL, of("sift-dry"), g("egg-white", paste_white_g, "paste", COLD),
                *colour, tool="spatula", seconds=90, sees="Stiff and even, no dry spot.",
            ),
        )  # fmt: skip
    shells = (
        do(
            WeighStep, "weigh-dry", "Weigh nuts and icing sugar", DRY_BOWL,
            g(nut, 76), g("icing-sugar", 76, "dry"), *(() if paste_white_g else colour),
        ),
        do(SiftStep, "sift-dry", "Sift nuts and sugar", PAPER, of("weigh-dry"), passes=2),
        *paste,
        *meringue,
        do(MacaronageStep, "fold", "Macaronage", YOLK_BOWL, of(dry), of("whip")),
        do(
            PipeStep, "pipe", "Pipe the shells", TRAY, of("fold"), piece=SHELL, piece_name="shell",
            tin=TRAY_40, tin_name="30 x 40 cm tray", leads=True,
        ),
        do(KnockStep, "knock", "Knock the trays", TRAY, of("pipe")),
        do(SkinStep, "skin", "Rest until a skin forms", TRAY, of("knock"), method=method),
        do(
            BakeStep, "bake", "Bake the shells", TRAY, of("skin"), oven_c=150, sets=Sets.SHELL,
            reference=reference(SHELL.mould(), 1, 150, 14), sees="Pushed with a finger, the top does not slide on its foot.",
            not_yet="It wobbles: two minutes more.", too_far="Browned: cooler, or lower down.",
        ),
        do(CoolStep, "cool", "Cool on the paper", TRAY, of("bake"), above_air_k=3),
        do(SortStep, "sort", "Lift, sort and count", TRAY, of("cool")),
    )  # fmt: skip
    return Formula(
        id=formula_id,
        title=title,
        summary=summary,
        technique=Technique.SHELLS,
        servings=14,
        components=(
            Component(id="shells", name="shells", part=Part.SHELLS),
            Component(id="filling", name=filling_name, part=Part.FILLING),
            Component(id="pairs", name="pairs", part=Part.ASSEMBLY),
        ),
        vessels=(MIXER_BOWL, CUP, SYRUP_POT, YOLK_BOWL, DRY_BOWL, PAPER, POT, SMALL_BOWL, CREAM_BOWL, TRAY, RACK),
        steps=(
            *part("shells", *shells),
            *part("filling", *filling),
            *part(
                "pairs",
                do(
                    PairStep, "pair", "Fill and pair them", RACK, of("sort"), of("filling"),
                ),
                do(MatureStep, "mature", "Mature in the cold", RACK, of("pair"), filling=filling_kind),
            ),
        ),
    )  # fmt: skip


def french_shells() -> Formula:
    """Shells by the French method, with lemon curd cream cheese."""
    return _shells(
        "french-shells",
        "Almond shells, French",
        "Ground almonds and icing sugar into a French meringue; a sharp cream-cheese filling.",
        "almond-flour",
        whites(Method.FRENCH, 61, 58, g("cream-of-tartar", 0.25), title="Whip whites and sugar", peak=Peak.STIFF, tool="hand mixer"),
        (
            do(
                MixStep, "filling", "Beat the filling", SMALL_BOWL, g("cream-cheese", 72, "", FRIDGE),
                g("icing-sugar", 24, "filling"), g("butter", 24, "", 20), g("lemon-juice", 6), g("lemon-zest", 1.2),
                seconds=90, overrun=0.1, sees="Smooth, holds on the spoon.",
            ),
        ),
        "lemon filling",
        Method.FRENCH,
        FillingKind.CREAM,
    )  # fmt: skip


def swiss_shells() -> Formula:
    """Pistachio shells by the Swiss method."""
    return _shells(
        "swiss-shells",
        "Pistachio shells, Swiss",
        "Sugar dissolved in the whites over water first: smooth tops, less hurry; white chocolate inside.",
        "pistachio-ground",
        whites(Method.SWISS, 61, 58, g("cream-of-tartar", 0.25), title="Whip until cool", peak=Peak.STIFF, tool="hand mixer"),
        (
            do(
                WeighStep, "weigh-filling", "Weigh chocolate and cream", SMALL_BOWL, g("chocolate-white", 90),
                g("cream-35", 42, "filling", FRIDGE),
            ),
            do(WarmStep, "melt", "Melt over water", SMALL_BOWL, of("weigh-filling"), target_c=42, over_water=True),
            do(
                MixStep, "smooth", "Stir until smooth", SMALL_BOWL, of("melt"), g("raspberry-puree", 12), tool="spatula",
                seconds=60, sees="Glossy, falls in a ribbon.",
            ),
            do(ReadyStep, "filling", "Leave it until it can be piped", SMALL_BOWL, of("smooth"), use=Purpose.PIPE),
        ),
        "white ganache",
        Method.SWISS,
        FillingKind.GANACHE,
    )  # fmt: skip


def syrup_shells() -> Formula:
    """Shells by the syrup method: white in the paste and white in the meringue, cream in the ganache and whipped."""
    return _shells(
        "syrup-shells",
        "Cocoa shells, syrup",
        "A stiff paste of nuts and raw white, and a syrup-cooked meringue; ganache lightened with whipped cream.",
        "almond-flour",
        whites(Method.ITALIAN, 34, 44, title="Pour the syrup in and whip until warm", peak=Peak.STIFF, tool="hand mixer"),
        (
            do(
                WeighStep, "weigh-ganache", "Weigh chocolate and cream", SMALL_BOWL, g("chocolate-dark", 72),
                g("cream-35", 60, "ganache", FRIDGE),
            ),
            do(WarmStep, "melt", "Melt over water", SMALL_BOWL, of("weigh-ganache"), target_c=44, over_water=True),
            do(ReadyStep, "cool-ganache", "Leave it to cool", SMALL_BOWL, of("melt"), use=Purpose.FOLD),
            *whipped_cream("Weigh the cream to whip", g("cream-35", 36, "whipped cream", FRIDGE), peak=Peak.SOFT),
            do(
                FoldStep, "filling", "Fold cream into ganache", SMALL_BOWL, of("cool-ganache"), of("whip-cream"),
                manner=Manner.FOLD,
            ),
        ),
        "light ganache",
        Method.ITALIAN,
        FillingKind.GANACHE,
        paste_white_g=28,
        colour=(g("cocoa", 6),),
    )  # fmt: skip
