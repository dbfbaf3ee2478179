"""What was followed, as the steps, vessels and components of a formula."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from kindwhisk.core.baking.asked import SETS, USUAL_PIECES
from kindwhisk.core.baking.course import Sets
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import BATTERS, Foam
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.process.portions import IngredientPortion, Portion, StepPortion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.boil import HOTTEST_SYRUP_C, BoilStep
from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.process.steps.fill import FillStep, Lining
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.line import MOST_G
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.components import Parts
from kindwhisk.core.reading.method.cuts import layers_of
from kindwhisk.core.reading.method.joined import JoinStep, built
from kindwhisk.core.reading.method.making import Made, Take, Use
from kindwhisk.core.reading.method.titles import for_a_skin, names, title_of
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, Tin, TubeTin
from kindwhisk.core.values.technique import Technique

TRAY = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=20))
HOTTEST_OVER_WATER_C, HOTTEST_C = 78.0, 94.9
"""Hotter nothing gets over water, and nothing on the hob without boiling. Trade habit."""
LOOSENS_BELOW = 0.45
"""A smaller share of a foam than this loosens the base; with more the air is meant to stay. Trade habit."""


def _batter(technique: Technique) -> Foam | None:
    """What the last fold of a class makes; shells are made by their own step."""
    return None if technique is Technique.SHELLS else BATTERS.get(technique)


@dataclass(frozen=True)
class Known:
    """What the whole text says, for every step: class, tins (first the one for the oven), oven and pieces."""

    technique: Technique
    tin: Tin
    tin_name: str
    count: int
    ring: tuple[Tin, str] | None
    oven_c: float
    fan: bool
    minutes: float


class Drafter:
    """Turns steps on their way into steps of a formula."""

    def __init__(self, known: Known, made: Sequence[Made]) -> None:
        self.known, self.made = known, made
        self.ids: dict[int, str] = {}
        self.steps: list[Step] = []
        self.sentences: dict[str, tuple[int, ...]] = {}
        self._counts: dict[str, int] = {}
        self.parts = Parts(made)
        self._baked_fill = next(
            (
                m
                for m in made
                if m.kind in {FillStep, PipeStep} and any(m in b.upstream() for b in made if b.kind is BakeStep)
            ),
            None,
        )
        self._last_raw = self._last_before_fill()

    def _last_before_fill(self) -> Made | None:
        fill = self._baked_fill or next((m for m in self.made if m.kind is FillStep), None)
        return fill.uses[0].made if fill is not None and fill.uses else None

    def _id(self, stem: str) -> str:
        n = self._counts[stem] = self._counts.get(stem, 0) + 1
        return stem if n == 1 else f"{stem}-{n}"

    def draft(self) -> tuple[Step, ...]:
        """Every step in its order; what is weighed for a step stands in front of the first foam of its part."""
        for made in self.made:
            self._step(made)
        return self._weighed_first()

    @staticmethod
    def _portion(take: Take, made: Made) -> IngredientPortion:
        role = ""
        if ingredient(take.ingredient).kind == "sugar":
            role = "meringue" if made.ids & WHITES and not made.ids & YOLKY else "base" if made.ids & YOLKY else ""
        grams = min(max(round(take.grams, 2), 0.01), MOST_G)
        return IngredientPortion(ingredient=take.ingredient, grams=grams, role=role, written=take.stock.written[:200])

    def _use(self, use: Use) -> Portion:
        step = self.ids[id(use.made)]
        if use.fraction is not None:
            return of(step, round(use.fraction, 4))
        return StepPortion(step=step, rest=use.rest)

    def _weigh(self, made: Made, takes: Sequence[Take], vessel: str, what: str) -> Portion:
        step_id = self._id("weigh")
        what_is_in = names([t.ingredient for t in takes])
        self._add(
            WeighStep(
                id=step_id, title=f"Weigh {what or what_is_in}"[:80], vessel=vessel, inputs=tuple(self._portion(t, made) for t in takes if t.grams > 0),
                component=self.parts.of_weighing(made),
            ),
            made,
        )  # fmt: skip
        return of(step_id)

    def _add(self, step: Step, made: Made) -> None:
        self.steps.append(step)
        self.sentences[step.id] = tuple(made.said)

    def _inputs(self, made: Made) -> tuple[Portion, ...]:
        takes = [t for t in made.takes if t.grams > 0]
        uses = [self._use(u) for u in made.uses]
        if not takes:
            return tuple(uses)
        sweet = [t for t in takes if ingredient(t.ingredient).kind == "sugar"]
        if (
            made.kind is WhipStep
            and not uses
            and any(counts_as(t.ingredient) in WHITES for t in takes)
            and sweet
            and len(sweet) < len(takes)
        ):
            rest = [t for t in takes if t not in sweet]
            return (self._weigh(made, rest, made.vessel, ""), self._weigh(made, sweet, "sugar-cup", ""))
        if uses:
            dry = all(ingredient(t.ingredient).composition.water < 0.2 for t in takes)
            return (*uses, self._weigh(made, takes, "paper" if dry else "jug", ""))
        vessel = "dry-bowl" if made.kind is SiftStep else made.vessel
        return (self._weigh(made, takes, vessel, ""),)

    def _step(self, made: Made) -> None:
        inputs = self._inputs(made)
        kind = SkinStep if made.kind is RestStep and for_a_skin(made) else made.kind
        layers = layers_of(plain(str(made.fields.get("does", "")))) if made.kind is HandStep and made.baked else None
        if layers is not None:
            kind = CutStep
            made.fields["layers"] = layers
        fields = {k: v for k, v in made.fields.items() if k in kind.model_fields}
        fields |= self._own_fields(made)
        stem = str(kind.model_fields["kind"].default)
        step_id = self._id(stem)
        self.ids[id(made)] = step_id
        told = {
            **fields,
            "id": step_id,
            "title": title_of(made),
            "vessel": made.vessel,
            "inputs": inputs,
            "written": made.words[:400],
            "assumed": made.assumed[:200],
            "component": self.parts.of(made),
        }
        step: Any = built(told) if kind is JoinStep else kind.model_validate(told)
        self._add(step, made)

    # What a kind needs beside what its sentence says

    def _own_fields(self, made: Made) -> dict[str, Any]:
        own = {
            FoldStep: self._fold,
            FillStep: self._fill,
            PipeStep: self._pipe,
            BakeStep: self._bake,
            RestStep: self._rest,
        }
        celsius = made.fields.get("target_c")
        if made.kind in own:
            return own[made.kind](made)
        if made.kind is WarmStep:
            hottest = HOTTEST_OVER_WATER_C if made.fields.get("over_water") else HOTTEST_C
            return {"target_c": min(max(float(celsius or 45), 1.0), hottest)}
        if made.kind is BoilStep:
            return {"target_c": min(max(float(celsius or 118), 101.0), HOTTEST_SYRUP_C)}
        return {}

    def _rest(self, made: Made) -> dict[str, Any]:
        if not for_a_skin(made):
            return {}
        before = made.upstream()
        syrup = any(m.kind in {BoilStep, StreamStep} for m in before)
        warmed = any(m.kind is WarmStep and m.ids & WHITES for m in before)
        method = Method.ITALIAN if syrup else Method.SWISS if warmed else Method.FRENCH
        return {"method": method, "written_minutes": made.fields.get("minutes")}

    def _fold(self, made: Made) -> dict[str, Any]:
        words = str(made.fields.get("folded", ""))
        part = next((u for u in made.uses if u.fraction is not None), None)
        foams = [u.made.airy for u in made.uses]
        dry = all(u.made.dry for u in made.uses[1:]) and all(
            ingredient(t.ingredient).composition.water < 0.2 for t in made.takes
        )
        if part is not None and part.made.airy and (part.fraction or 1) < LOOSENS_BELOW and not foams[0]:
            manner = Manner.STIR if (part.fraction or 1) < 0.15 and not part.made.white_foam else Manner.SACRIFICE
        elif said.ALTERNATELY.search(words):
            manner = Manner.IN_TURNS
        elif foams and foams[0] and dry and (made.takes or len(made.uses) > 1):
            manner = Manner.SIFT_OVER
        elif foams and foams[0] and not any(foams[1:]) and (len(made.uses) > 1 or made.takes):
            manner = Manner.INTO_FOAM
        else:
            manner = Manner.FOLD
        batter = _batter(self.known.technique) if made is self._last_raw else None
        portions = max(int(made.fields.get("portions", 1)), said.portions(words))
        return {"manner": manner, "batter": batter, "portions": min(6, max(1, portions))}

    def _fill(self, made: Made) -> dict[str, Any]:
        known, tin, name = self.known, self.known.tin, self.known.tin_name
        leads = made is self._baked_fill or self._baked_fill is None
        if not leads and known.ring is not None:
            tin, name = known.ring
        bakes = made is self._baked_fill
        bare = isinstance(tin, TubeTin) or not bakes
        lining = Lining.BARE if bare else Lining.ALL_ROUND if tin.flat else Lining.BASE
        return {
            "tin": tin,
            "tin_name": name,
            "lining": lining,
            "leads": leads,
            "count": known.count if leads else 1,
            "rises": bakes,
        }

    def _pipe(self, made: Made) -> dict[str, Any]:
        known = self.known
        technique = (
            known.technique
            if known.technique in USUAL_PIECES
            else Technique.LADYFINGERS
            if made.floury
            else Technique.MERINGUE
        )
        usual = USUAL_PIECES[technique]
        across = made.fields.get("across")
        piece = usual
        if across and made.fields.get("long"):
            piece = usual.model_copy(update={"length_mm": min(max(float(across), 30.0), 400.0)})
        elif across:
            wide = min(max(float(across), 15.0), 300.0)
            low = min(120.0, max(2.0, usual.height_mm * min(wide / usual.width_mm, 1.6)))
            piece = PipedPiece(width_mm=wide, height_mm=low, gap_mm=usual.gap_mm)
        names = {Technique.SHELLS: "shell", Technique.LADYFINGERS: "finger", Technique.MERINGUE: "meringue"}
        tray = known.tin if isinstance(known.tin, BoxTin) and known.tin.flat else TRAY
        return {
            "piece": piece,
            "piece_name": names[technique],
            "tin": tray,
            "tin_name": "tray",
            "leads": made is self._baked_fill,
        }

    def _bake(self, made: Made) -> dict[str, Any]:
        known = self.known
        fill = next((m for m in made.upstream() if m.kind in {FillStep, PipeStep}), None)
        oven = min(max(float(made.fields.get("oven_c", known.oven_c)), 60.0), 300.0)
        minutes = min(max(float(made.fields.get("minutes", known.minutes)), 1.0), 1440.0)
        mode = OvenMode.FAN if known.fan else OvenMode.STATIC
        sets = Sets.CRUMB
        if fill is not None and fill.kind is PipeStep:
            fields = self._pipe(fill)
            tin: Tin = fields["piece"].mould()
            level = tin.depth_mm
            sets = SETS.get(known.technique, Sets.SHELL if fill.floury else Sets.DRY)
        else:
            tin, level = known.tin, known.tin.depth_mm * 0.6
            sets = SETS.get(known.technique, Sets.CRUMB) if known.technique is Technique.MERINGUE else Sets.CRUMB
        return {
            "oven_c": oven,
            "mode": mode,
            "sets": sets,
            "reference": ReferenceBake(tin=tin, fill_mm=level, oven_c=oven, mode=mode, minutes=minutes),
        }

    # Order

    def _weighed_first(self) -> tuple[Step, ...]:
        """Weighing and sifting come before the first foam of their part: a foam waits for no scale."""
        ordered: list[Step] = []
        foams: dict[str, int] = {}
        for step in self.steps:
            if isinstance(step, WeighStep) and step.component in foams:
                at = foams[step.component]
                ordered.insert(at, step)
                foams = {c: i + (i >= at) for c, i in foams.items()}
                continue
            if step.begins_foam and step.component not in foams:
                foams[step.component] = len(ordered)
            ordered.append(step)
        return tuple(ordered)
