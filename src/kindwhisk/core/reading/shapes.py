"""Stretches that the classes share: dry goods, the meringue, the base, into the oven and out, the filling."""

from __future__ import annotations

from dataclasses import dataclass

from kindwhisk.core.baking.asked import SETS, USUAL_PIECES
from kindwhisk.core.baking.course import Sets
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.process import meringue
from kindwhisk.core.process.portions import Portion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.roll import RollStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.goods import RecipeGoods
from kindwhisk.core.reading.method.joined import built
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, Tin, TubeTin
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

BOWL = Vessel(id="mixer-bowl", name="mixer bowl", form=VesselForm.MIXER_BOWL, diameter_mm=215, height_mm=165)
BASE = Vessel(id="base-bowl", name="base bowl", form=VesselForm.BOWL, diameter_mm=260, height_mm=120)
DRY = Vessel(id="dry-bowl", name="dry bowl", form=VesselForm.BOWL, diameter_mm=180, height_mm=80)
OILS = {"oil-neutral", "oil-olive"}
"""Fats that need no melting."""
JUG = Vessel(id="jug", name="jug", form=VesselForm.JUG, diameter_mm=110, height_mm=160)
PAPER = Vessel(id="paper", name="paper", form=VesselForm.SHEET, diameter_mm=240, height_mm=40)
FAT_POT = Vessel(id="fat-pot", name="small pot", form=VesselForm.POT, diameter_mm=120, height_mm=70)
CREAM = Vessel(id="cream-bowl", name="filling bowl", form=VesselForm.BOWL, diameter_mm=220, height_mm=110)
TIN = Vessel(id="tin", name="tin", form=VesselForm.TIN)
RACK = Vessel(id="rack", name="rack", form=VesselForm.RACK)
ALL = (BOWL, BASE, DRY, PAPER, FAT_POT, CREAM, JUG, meringue.CUP, meringue.POT, TIN, RACK)
TRAY = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=20))
PIECES: dict[Technique, tuple[PipedPiece, str, Sets]] = {
    technique: (USUAL_PIECES[technique], name, SETS[technique])
    for technique, name in (
        (Technique.SHELLS, "shell"),
        (Technique.LADYFINGERS, "finger"),
        (Technique.MERINGUE, "meringue"),
    )
}


@dataclass(frozen=True)
class MethodPlan:
    """What was found in, or assumed for, the method."""

    technique: Technique
    tin: Tin
    tin_name: str
    oven_c: float
    fan: bool
    minutes: float
    meringue: Method
    peak: Peak
    syrup_c: float | None = None
    rolled: bool = False


class Builder:
    """Steps in the order of the work."""

    def __init__(self, plan: MethodPlan, goods: RecipeGoods) -> None:
        self.plan, self.goods = plan, goods
        self.steps: list[Step] = []
        self.part = ""

    def add(self, step: Step) -> str:
        """Put a step after the others; its id."""
        self.steps.append(step.model_copy(update={"component": self.part}))
        return step.id

    def dry(self) -> str | None:
        """The dry goods, sifted."""
        if not self.goods.dry:
            return None
        self.add(WeighStep(id="weigh-dry", title="Weigh the dry goods", vessel=DRY.id, inputs=tuple(self.goods.dry)))
        return self.add(
            SiftStep(id="sift-dry", title="Sift them", vessel=PAPER.id, inputs=(of("weigh-dry"),), passes=2)
        )

    def whites(self) -> str:
        """The meringue by the method found."""
        goods, plan = self.goods, self.plan
        method = plan.meringue if goods.meringue_sugar else Method.FRENCH
        stuff = meringue.MeringueGoods(tuple(goods.whites), tuple(goods.meringue_sugar), tuple(goods.acid))
        if not goods.meringue_sugar and not goods.acid:
            weighed = self.add(
                WeighStep(id="whip-whites", title="Weigh the whites", vessel=BOWL.id, inputs=tuple(goods.whites))
            )
            return self.add(
                WhipStep(id="whip", title="Whip the whites", vessel=BOWL.id, inputs=(of(weighed),), peak=plan.peak)
            )
        manner = meringue.MethodSettings(title=meringue.TITLES[method], peak=plan.peak, component=self.part)
        ready, whisked = meringue.steps_for(method, stuff, manner)
        for step in (*ready, *whisked):
            boiled = isinstance(step, BoilStep) and plan.syrup_c
            self.add(step.model_copy(update={"target_c": plan.syrup_c}) if boiled else step)
        return "whip"

    def melted(self) -> str | None:
        """Butter and chocolate, melted."""
        solid = [p for p in self.goods.fat if p.ingredient not in OILS]
        if not solid:
            return None
        self.add(WeighStep(id="weigh-fat", title="Weigh what is melted", vessel=FAT_POT.id, inputs=tuple(solid)))
        over = any(p.ingredient.startswith("chocolate") for p in solid)
        return self.add(
            WarmStep(
                id="melt", title="Melt it", vessel=FAT_POT.id, inputs=(of("weigh-fat"),), target_c=48, over_water=over
            )
        )

    def base(self, sifted: str | None, *, stir_in_flour: bool) -> str | None:
        """Yolks, their sugar, liquids and fat; None where there is nothing of it."""
        goods = self.goods
        oils = [p for p in goods.fat if p.ingredient in OILS]
        loose = [*goods.yolks, *goods.whole, *goods.base_sugar, *goods.wet, *oils]
        creamed = self.plan.technique is Technique.CREAMED_SPONGE
        inputs: list[Portion] = []
        if creamed:
            loose += [p for p in goods.fat if p not in oils]
        elif (melted := self.melted()) is not None:
            inputs.append(of(melted))
        if loose:
            self.add(WeighStep(id="weigh-base", title="Weigh the base", vessel=BASE.id, inputs=tuple(loose)))
            inputs.insert(0, of("weigh-base"))
        if not inputs:
            return None
        done = self.add(
            MixStep(
                id="base", title="Cream the base" if creamed else "Beat the base", vessel=BASE.id, inputs=tuple(inputs),
                seconds=240 if creamed else 90, overrun=0.25 if creamed else 0.06,
            )
        )  # fmt: skip
        if sifted and stir_in_flour:
            done = self.add(
                MixStep(
                    id="add-flour", title="Stir in the dry goods", vessel=BASE.id, inputs=(of(done), of(sifted)),
                    seconds=60, sees="Smooth, no dry spot.",
                )
            )  # fmt: skip
        return done

    def finish(self, batter: str) -> str:
        """Into the tin or onto the tray, into the oven, out and cool."""
        plan = self.plan
        mode = OvenMode.FAN if plan.fan else OvenMode.STATIC
        piped = PIECES.get(plan.technique)
        tin = plan.tin
        if piped:
            piece, name, sets = piped
            tray = tin if isinstance(tin, BoxTin) else TRAY
            self.add(
                PipeStep(
                    id="pipe", title=f"Pipe the {name}s", vessel=TIN.id, inputs=(of(batter),), piece=piece,
                    piece_name=name, tin=tray, tin_name="tray", leads=True,
                )
            )  # fmt: skip
            last = "pipe"
            if plan.technique is Technique.SHELLS:
                last = self.add(
                    SkinStep(id="skin", title="Rest until a skin forms", vessel=TIN.id, inputs=(of(last),))
                )  # fmt: skip
            mould = piece.mould()
            reference = ReferenceBake(
                tin=mould, fill_mm=mould.depth_mm, oven_c=plan.oven_c, mode=mode, minutes=plan.minutes
            )
        else:
            sets = Sets.CRUMB
            bare = isinstance(tin, TubeTin)
            self.add(
                FillStep(
                    id="fill", title="Fill the tin", vessel=TIN.id, inputs=(of(batter),), tin=tin, tin_name=plan.tin_name,
                    lining=Lining.BARE if bare else Lining.ALL_ROUND if tin.flat else Lining.BASE, leads=True,
                )
            )  # fmt: skip
            last = "fill"
            reference = ReferenceBake(
                tin=tin, fill_mm=tin.depth_mm * 0.6, oven_c=plan.oven_c, mode=mode, minutes=plan.minutes
            )
        self.add(
            BakeStep(
                id="bake", title="Bake", vessel=TIN.id, inputs=(of(last),), oven_c=plan.oven_c, mode=mode, sets=sets,
                reference=reference,
            )
        )  # fmt: skip
        hung = isinstance(tin, TubeTin) and not piped
        self.add(
            CoolStep(
                id="cool", title="Leave it hanging" if hung else "Cool it", vessel=TIN.id, inputs=(of("bake"),),
                inverted=hung, above_air_k=4,
            )
        )  # fmt: skip
        if piped or self.goods.soak:
            return "cool"
        return self.add(TurnOutStep(id="turn-out", title="Turn it out", vessel=RACK.id, inputs=(of("cool"),)))

    def soaked(self, cake: str) -> str:
        """The cake stood in what it drinks, and chilled; as it is where there is nothing of it."""
        if not self.goods.soak:
            return cake
        main, self.part = self.part, "soak"
        self.add(WeighStep(id="weigh-soak", title="Weigh the soak", vessel=JUG.id, inputs=tuple(self.goods.soak)))
        self.part = main
        soak = SoakStep(id="soak", title="Soak it", vessel=TIN.id, inputs=(of(cake), of("weigh-soak")), flooded=True)
        self.add(soak)
        return self.add(
            ChillStep(
                id="chill",
                title="Chill it",
                vessel=TIN.id,
                inputs=(of("soak"),),
                hours=8,
                sees="All of it is absorbed.",
            )
        )

    def filling(self, cake: str) -> None:
        """What was listed apart: whipped where it is cream, stirred otherwise, and put to the cake."""
        if not self.goods.filling:
            return
        plan, main = self.plan, self.part
        self.part = "filling"
        self.add(
            WeighStep(id="weigh-filling", title="Weigh the filling", vessel=CREAM.id, inputs=tuple(self.goods.filling))
        )
        cream = sum(p.grams for p in self.goods.filling if p.ingredient == "cream-35")
        whipped = cream > 0.5 * sum(p.grams for p in self.goods.filling)
        make: Step = MixStep(id="filling", title="Stir the filling", vessel=CREAM.id, inputs=(of("weigh-filling"),))
        if whipped:
            make = WhipStep(
                id="filling", title="Whip the cream", vessel=CREAM.id, inputs=(of("weigh-filling"),), tool="hand mixer"
            )
        self.add(make)
        self.part = main
        rolled = plan.rolled and plan.tin.shape in {"sheet", "rectangular"}
        joining = Joining.SANDWICH if plan.technique in PIECES else Joining.SPREAD if rolled else Joining.LAYER
        self.add(
            built(
                {
                    "id": "assemble",
                    "title": "Put them together",
                    "vessel": RACK.id,
                    "inputs": (of(cake), of("filling")),
                    "joining": joining,
                }
            )
        )
        if rolled:
            self.add(RollStep(id="roll", title="Roll it up", vessel=RACK.id, inputs=(of("assemble"),)))
            self.add(ChillStep(id="chill-roll", title="Chill the roll", vessel=RACK.id, inputs=(of("roll"),), hours=1))
