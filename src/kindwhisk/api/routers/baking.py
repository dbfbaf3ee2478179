"""Baking as calculations without a state: when a bake is done, what would change it, and its forecast."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.bench.ovens.evidence import oven_evidence
from kindwhisk.core.baking.answers import Answer, answers
from kindwhisk.core.baking.asked import USUAL_PIECES, Asked
from kindwhisk.core.baking.carry_over import carry_over
from kindwhisk.core.baking.course import InOven, Moment
from kindwhisk.core.baking.doneness import Sign, looks_wrong_but_right, signs
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import OWN_SPREAD, Prediction, done_s, predict, stretched
from kindwhisk.core.baking.reference import ReferenceBake, family
from kindwhisk.core.baking.risks import Risk, risks
from kindwhisk.core.baking.straight_after import Next, straight_after
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import with_factor
from kindwhisk.core.process.formula import upstream
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.bowls import usual
from kindwhisk.core.vessels.section import Section
from kindwhisk.store import formulas, kitchens

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 404, 422))

Degrees = Annotated[float, Field(ge=60, le=300, allow_inf_nan=False)]
MOST_READINGS = 5000


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class TimedBody(_Body):
    """A bake of this batter that was timed, in still air unless said otherwise.

    Without ``batter_g`` or ``fill_mm`` it was as much batter as is asked about, or the tin was filled alike.
    """

    tin: Tin
    oven_c: Degrees
    minutes: float = Field(gt=0.5, le=2880, allow_inf_nan=False)
    mode: OvenMode | None = Field(default=None, strict=False)
    batter_g: float | None = Field(default=None, ge=1, le=50_000, allow_inf_nan=False)
    fill_mm: float | None = Field(default=None, ge=1, le=500, allow_inf_nan=False)


class BakeBody(_Body):
    """A bake that is asked about. ``batter_g`` goes into one tin, or onto one tray as pieces.

    With ``oven`` (an id of this kitchen's) and ``formula``, what was learned of them is in the minutes. ``trays`` are
    how many there are in all, ``racks`` how many are in use at once.
    """

    technique: Technique = Field(strict=False)
    tin: Tin
    batter_g: float = Field(ge=1, le=50_000, allow_inf_nan=False)
    density_g_per_ml: float = Field(ge=0.08, le=1.6, allow_inf_nan=False)
    oven_c: Degrees
    mode: OvenMode = Field(strict=False)
    reference: TimedBody | None = None
    oven: str | None = Field(default=None, max_length=40)
    formula: str = Field(default="", max_length=60)
    rack: Rack = Field(default=Rack.MIDDLE, strict=False)
    racks: int = Field(default=1, ge=1, le=6)
    trays: int = Field(default=1, ge=1, le=20)
    wall: TinWall = Field(default=TinWall.BRIGHT, strict=False)
    papered: bool = False
    piece: PipedPiece | None = None
    water: float | None = Field(default=None, ge=0.02, le=0.9, allow_inf_nan=False)
    done_c: float | None = Field(default=None, ge=70, le=99, allow_inf_nan=False)
    batter_c: float | None = Field(default=None, ge=1, le=60, allow_inf_nan=False)
    cold_oven: bool = False

    def asked(self, kitchen: Kitchen) -> Asked:
        """With what the kitchen adds."""
        return Asked(
            technique=self.technique,
            tin=self.tin,
            batter_g=self.batter_g,
            density=self.density_g_per_ml,
            oven_c=self.oven_c,
            mode=self.mode,
            rack=self.rack,
            racks=self.racks,
            wall=self.wall,
            papered=self.papered,
            piece=self.piece,
            water=self.water,
            done_c=self.done_c,
            batter_c=kitchen.air_c if self.batter_c is None else self.batter_c,
            kitchen_c=kitchen.air_c,
            pressure_kpa=kitchen.pressure_kpa,
            cold_oven=self.cold_oven,
            rise_k_per_min=kitchen.oven(self.oven).rise_k_per_min,
        )

    def timed(self, asked: Asked) -> ReferenceBake | None:
        """The bake that was timed."""
        r = self.reference
        return None if r is None else asked.reference(r.tin, r.oven_c, r.minutes, r.mode, r.fill_mm, r.batter_g)


class Worked(BaseModel):
    """A bake that was reckoned."""

    model_config = ConfigDict(arbitrary_types_allowed=True)

    content: InOven
    reference: ReferenceBake | None
    made: Prediction


class Baked(BaseModel):
    """When a bake is done, in minutes, and what there is to know of it. Curves are in seconds and C."""

    minutes: Estimate
    first_look_min: float
    turn_min: float | None
    cover_min: float | None
    done_c: float
    fill_mm: float
    pieces: int | None
    lost: float
    dome_mm: float
    browned: float | None
    section: Section
    curves: tuple[Moment, ...]
    risks: tuple[Risk, ...]
    signs: tuple[Sign, ...]
    looks_wrong: tuple[str, ...]
    after: tuple[Next, ...]


class AnswerView(BaseModel):
    """An answer to something that a baker asks, in minutes; ``cannot`` stands where it would never be done."""

    id: str
    asks: str
    why: str
    says: str
    cannot: str
    minutes: Estimate | None
    more_min: float | None
    first_look_min: float | None
    turn_min: float | None
    cover_min: float | None
    risks: tuple[Risk, ...]

    @classmethod
    def of(cls, answer: Answer) -> AnswerView:
        """As it is shown."""
        made = answer.made
        return cls(
            id=answer.id,
            asks=answer.asks,
            why=answer.why,
            says=answer.says,
            cannot=answer.cannot,
            minutes=None if made is None else made.done_s.scaled(1 / 60),
            more_min=answer.more_min,
            first_look_min=None if made is None else made.first_look_s / 60,
            turn_min=_min(made.turn_s if made else None),
            cover_min=_min(made.cover_s if made else None),
            risks=answer.risks,
        )


class CarryView(BaseModel):
    """On the rack: how much warmer the middle still gets, when it is taken out ``early_min`` before done, and when."""

    early_min: float
    rise_k: float
    after_min: float


class Asks(BaseModel):
    """What a baker asks, answered; and what happens on the rack."""

    answers: tuple[AnswerView, ...]
    carry_over: tuple[CarryView, ...]


class CoreReading(_Body):
    """A reading of the middle."""

    t_s: float = Field(ge=0, le=172_800, allow_inf_nan=False)
    core_c: float = Field(ge=-30, le=320, allow_inf_nan=False)


class ForecastBody(BakeBody):
    """A bake that runs: readings of its middle, in seconds since it went in; ``now_s`` is the last one's moment."""

    readings: list[CoreReading] = Field(min_length=1, max_length=MOST_READINGS)
    now_s: float | None = Field(default=None, ge=0, le=172_800, allow_inf_nan=False)


class BakeForecast(BaseModel):
    """Seconds to done at ``now_s`` with their range, null with ``why`` where the readings can't tell.

    ``strange``: they fit no such bake. ``faster`` is the likely time over the expected one. ``ahead`` is where the
    middle is heading (seconds from now).
    """

    seconds_to_done: float | None
    low_s: float | None
    high_s: float | None
    why: str
    core_c: float | None
    strange: bool
    faster: float | None
    now_s: float
    ahead: tuple[Point, ...]


def _min(seconds: float | None) -> float | None:
    return None if seconds is None else seconds / 60


def _work(body: BakeBody) -> Worked:
    _, kitchen = kitchens.current()
    asked = body.asked(kitchen)
    content, reference = asked.content(), body.timed(asked)
    made = predict(content, reference)
    if body.oven is not None:
        kind = family(content)
        done = with_factor(made.done_s, oven_evidence().bakes, body.oven, kind, body.formula, OWN_SPREAD)
        made = stretched(content, made.course, done, made.factor, made.browned)
    return Worked(content=content, reference=reference, made=made)


def _section(body: BakeBody, content: InOven) -> Section:
    """One tin or piece, cut in half, as it goes in."""
    batter = usual("batter", body.batter_g).at_density(Estimate.exact(body.density_g_per_ml, Basis.FORMULA))
    piece = body.piece or USUAL_PIECES.get(body.technique)
    if piece is None:
        return section.of_tin(f"{body.tin.shape} tin", body.tin, 1.0, batter)
    count = max(1, round(body.batter_g / body.density_g_per_ml / content.tin.volume_ml(content.fill_mm)))
    return section.of_piece("piece", piece, batter, count)


@router.post("/bake")
def bake(body: BakeBody) -> Baked:
    """When this batter in this tin in this oven is done, with its curves, looks and risks."""
    worked = _work(body)
    content, made = worked.content, worked.made
    end = made.at(made.done_s.likely)
    each = content.tin.volume_ml(content.fill_mm)
    return Baked(
        minutes=made.done_s.scaled(1 / 60),
        first_look_min=made.first_look_s / 60,
        turn_min=_min(made.turn_s),
        cover_min=_min(made.cover_s),
        done_c=content.finished_c,
        fill_mm=content.fill_mm,
        pieces=round(body.batter_g / body.density_g_per_ml / each) if content.free else None,
        lost=end.lost,
        dome_mm=end.dome_mm,
        browned=made.browned,
        section=_section(body, content),
        curves=made.curve(),
        risks=risks(content, made),
        signs=signs(body.technique, content.sets),
        looks_wrong=looks_wrong_but_right(body.technique),
        after=straight_after(body.technique),
    )


@router.post("/bake/what-if")
def what_if(body: BakeBody) -> Asks:
    """The same batter in other tins, hotter, with a fan, on two racks, from a cold oven; and on the rack after."""
    _, kitchen = kitchens.current()
    worked = _work(body)
    shelf = [(t.name, t.tin) for t in kitchen.tins]
    base = predict(worked.content, worked.reference)
    own = worked.made.done_s.likely / base.done_s.likely
    found = answers(worked.content, worked.reference, base, shelf, body.trays, own)
    ends = done_s(worked.content)
    carried = []
    if worked.content.sets.value == "crumb":
        for early in (0.0, 2.0, 5.0):
            stretch = worked.made.done_s.likely / ends
            if early * 60 / stretch < 0.4 * ends:
                over = carry_over(worked.content, ends - early * 60 / stretch, kitchen.air_c)
                carried.append(CarryView(early_min=early, rise_k=over.rise_k, after_min=over.after_s / 60))
    return Asks(answers=tuple(AnswerView.of(a) for a in found), carry_over=tuple(carried))


@router.post("/bake/forecast")
def forecast(body: ForecastBody) -> BakeForecast:
    """Seconds to done by readings of the middle, with their range; null with ``why`` where they can't tell."""
    worked = _work(body)
    times = [r.t_s for r in body.readings]
    if times != sorted(times):
        raise CraftError("The readings are not in order.", field="readings", remedy="Send them by their 't_s'.")
    now = times[-1] if body.now_s is None else body.now_s
    follower = CrumbFollower(worked.content, worked.made)
    for reading in body.readings:
        follower.take(reading.t_s, reading.core_c)
    ahead = tuple(Point(s=s, c=c) for s, c in follower.ahead(now))
    seen = follower.forecast(now)
    return BakeForecast(
        seconds_to_done=seen.left_s.likely if seen.left_s else None,
        low_s=seen.left_s.low if seen.left_s else None,
        high_s=seen.left_s.high if seen.left_s else None,
        why=seen.why,
        core_c=seen.core_c,
        strange=seen.strange,
        faster=seen.faster,
        now_s=now,
        ahead=ahead,
    )


@router.get("/bake/of/{formula_id}")
def of_formula(formula_id: str) -> BakeBody:
    """The bake of a formula in its own tin, to be asked about."""
    _, formula = formulas.get(formula_id)
    _, kitchen = kitchens.current()
    step, fill = formula.bake, formula.fill
    if step is None or fill is None or fill.id not in upstream(formula, step.id):
        raise CraftError("Nothing of it is baked in a tin.", field="formula", remedy="Choose another formula.")
    made = scale(formula, kitchen, Wish())
    batter, one = made.forecast.step(fill.id).material, made.fills[0]
    piece = getattr(fill, "piece", None)
    trays = one.trays or 1
    return BakeBody(
        technique=formula.component(step.component).technique or formula.technique,
        tin=fill.tin if piece is not None else one.tin,
        batter_g=batter.mass_g / trays if piece is not None else one.grams,
        density_g_per_ml=batter.density_g_per_ml.likely,
        oven_c=step.oven_c,
        mode=step.mode,
        reference=TimedBody(
            tin=step.reference.tin,
            oven_c=step.reference.oven_c,
            minutes=step.reference.minutes,
            mode=step.reference.mode,
            fill_mm=max(1.0, step.reference.fill_mm),
        ),
        oven=kitchen.ovens[0].id,
        formula=formula.id,
        trays=min(20, trays),
        piece=piece,
        done_c=step.done_c,
    )
