"""What every kind of step is: its parameters, its needs, and how it changes what goes in."""

from __future__ import annotations

import math
from typing import Annotated, Any, ClassVar, NamedTuple, Self

from pydantic import Field

from kindwhisk.core.builds.built import Built
from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.foams.whipping import Seen
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.learning.expected import Expected
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.patterns.pattern import PatternView
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Notice, Outcome, Resource
from kindwhisk.core.process.portions import IngredientPortion, Portion, StepId, StepPortion
from kindwhisk.core.process.schools import School
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.watching import Watching
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.storage import Storage
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.vessel import VesselForm

Words = Annotated[str, Field(max_length=240)]
Tool = Annotated[str, Field(max_length=40)]


class Heading(Value):
    """A temperature on its way: where it should be now, where it started, and where it has to go (all C).

    ``stages`` are what it passes, as (C, name).
    """

    quantity: Quantity
    start_c: float
    now_c: float
    target_c: float
    stages: tuple[tuple[float, str], ...] = ()


ENOUGH_FOR_BAND = 5
"""Good bakes of a step after which its band is this kitchen's own. Trade habit."""
WHITES = frozenset({"egg-white", "white-pasteurised", "white-dried"})
YOLKY = frozenset({"whole-egg", "egg-yolk", "yolk-pasteurised", "egg-pasteurised", "egg-dried"})


class Content(NamedTuple):
    """What has come into a step's vessel by then: ids of ingredients, whether it was baked, or warmed over water."""

    ingredients: frozenset[str]
    baked: bool
    warmed: bool = False

    @property
    def has_white(self) -> bool:
        """Whether whites are in it, apart from yolks."""
        return bool(self.ingredients & WHITES) and not self.ingredients & YOLKY


class OnceMore(Value):
    """The step that another makes once more, and how much of it: 1 is as much."""

    of: StepId
    share: float = Field(gt=0, le=1000)


class OnTray(Value):
    """The step of the formula that this one is a part of, for one tray or load of several.

    By the plan of loads its tray waits so long for the oven once it is dry, and what is in it comes to this step so
    much later than it holds.
    """

    of: StepId
    number: int = Field(ge=1, le=1000)
    of_many: int = Field(ge=1, le=1000)
    waits_s: float = Field(default=0, ge=0, le=7 * 86400)
    late_s: float = Field(default=0, ge=0, le=7 * 86400)

    @property
    def last(self) -> bool:
        """Whether it is the last of them: it waits longest."""
        return self.number == self.of_many


class StepBase(Value):
    """The part that all kinds share.

    Class attributes tell the planner and the gate what the kind is like: ``attention``, ``craft``, ``uses``,
    ``stored`` (where its content stands meanwhile), ``begins_foam`` (a clock starts), ``sets_foam`` (it stops),
    ``stills_foam`` (it stops, though no oven has set it), ``passes_window`` (the clock goes on).
    ``reading_fades_s``: a density read longer than this before the end tells of a moment, not of the result.
    ``under_way_is_enough``: a foam may begin when this has begun.
    ``shows_before``: the vessels that it takes from are worth seeing beside its own.
    ``ages``: its result loses air while it waits.
    ``probe``: where a thermometer that follows this step lives; ``beside``: one that follows what is around it;
    ``ends_as_read``: its result is as warm as its thermometer last told;
    ``reads``: what a typed reading of the first is called.
    ``first`` are the fields that one begins with when a baker puts it into a process, where it has no default for
    them; ``wanted_first`` what an optional shape begins as; ``by_itself``: the product puts it in, no baker does.
    ``written`` are the words of a recipe that it was read from, ``assumed`` why it is there though none says so.
    ``after`` names steps that must be over without giving material, such as a preheated oven.
    ``divides``: a part of its result can be made once more beside the rest; ``merges``: another of such a step can be
    done in one go with it; ``again`` is what it makes once more, ``tray`` which tray or load of several it is for.
    """

    attention: ClassVar[Attention] = Attention.THROUGHOUT
    craft: ClassVar[Craft] = Craft.BATTER
    stored: ClassVar[Storage | None] = None
    uses: ClassVar[tuple[Resource, ...]] = ()
    begins_foam: ClassVar[bool] = False
    sets_foam: ClassVar[bool] = False
    stills_foam: ClassVar[bool] = False
    passes_window: ClassVar[bool] = False
    reading_fades_s: ClassVar[float] = math.inf
    under_way_is_enough: ClassVar[bool] = False
    probe: ClassVar[ProbePlace | None] = None
    ends_as_read: ClassVar[bool] = False
    beside: ClassVar[ProbePlace | None] = None
    reads: ClassVar[Quantity] = Quantity.CONTENT_TEMPERATURE
    shows_before: ClassVar[bool] = False
    ages: ClassVar[bool] = False
    first: ClassVar[dict[str, Any]] = {}
    wanted_first: ClassVar[dict[str, Any]] = {}
    by_itself: ClassVar[bool] = False
    divides: ClassVar[bool] = True
    merges: ClassVar[bool] = False

    id: StepId
    title: str = Field(min_length=1, max_length=80)
    vessel: str = Field(max_length=40)
    inputs: tuple[Portion, ...] = Field(default=(), max_length=120)
    after: tuple[StepId, ...] = Field(default=(), max_length=40)
    note: str = Field(default="", max_length=400)
    written: str = Field(default="", max_length=400)
    assumed: str = Field(default="", max_length=200)
    component: str = Field(default="", max_length=40)
    again: OnceMore | None = None
    tray: OnTray | None = None

    @property
    def origin(self) -> str:
        """The step as the formula names it: its own id, or that of the one that it is a part of or makes once more."""
        return self.tray.of if self.tray else self.again.of if self.again else self.id

    @property
    def late_s(self) -> float:
        """By how much longer than it holds its content waits for it, where there are more trays than the oven takes."""
        return self.tray.late_s if self.tray else 0.0

    @property
    def needs(self) -> tuple[str, ...]:
        """The steps that have to be over before it: those that it takes from, and those that it waits for."""
        return tuple(dict.fromkeys((*self.taken_from, *self.after)))

    @property
    def taken_from(self) -> tuple[str, ...]:
        """The steps that it takes from, each once."""
        return tuple(dict.fromkeys(p.step for p in self.inputs if isinstance(p, StepPortion)))

    @property
    def weighed(self) -> tuple[IngredientPortion, ...]:
        """What of an ingredient goes into it."""
        return tuple(p for p in self.inputs if isinstance(p, IngredientPortion))

    @property
    def only_weighs(self) -> bool:
        """Whether nothing but ingredients goes into it."""
        return bool(self.inputs) and len(self.weighed) == len(self.inputs)

    def scaled(self, factor: float) -> Self:
        """The same step with every amount times ``factor``."""
        return self.model_copy(update={"inputs": tuple(p.scaled(factor) for p in self.inputs)})

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The outcome of this step for what goes in, in this setting."""
        raise NotImplementedError

    def schools(self, content: Content) -> tuple[School, ...]:
        """The choices that this step makes where bakers disagree, given what is in it."""
        return ()

    def fills(self, content: Material, setting: Setting, *, leads: bool) -> TinsInUse | None:
        """The tins that hold the content from this step on; None when it stays in what it was in.

        ``leads``: the tins of ``setting`` are meant for this step; else it has its own.
        """
        return None

    @property
    def heats_oven_c(self) -> float | None:
        """The temperature of the oven that must be hot for it."""
        return None

    @property
    def stands_on(self) -> Rack:
        """The rack of the oven that it is for."""
        return Rack.MIDDLE

    @property
    def stands_in(self) -> Storage | None:
        """Where its content stands while it lasts; None on the bench."""
        return self.stored

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for; None where that is not a matter of its warmth."""
        return None

    @property
    def tool_in_use(self) -> str | None:
        """The beater or whisk that touches the content, if it matters for fat."""
        return None

    def expected_reading(
        self, elapsed_s: float, duration_s: float, before: Material, setting: Setting
    ) -> Heading | None:
        """Where the content's temperature should be by now; None for steps without one to follow."""
        return None

    def watching(self, before: Material, after: Material, setting: Setting) -> Watching | None:
        """Something that takes this step's temperatures while it runs; None for steps without one to follow."""
        return None

    def time_alone(self, kind: str, duration: Estimate, setting: Setting) -> Expected:
        """The time of a step that runs by itself, with this kitchen's own record of such a kind of work."""
        return setting.record.expected(Figure.ALONE, setting.effects(Figure.ALONE, kind, self.origin), duration)

    def density(self, figure: Figure, kind: Foam, content: Material, published: Estimate, setting: Setting) -> Expected:
        """The density (g/ml) of its result, with this kitchen's own record of such foams or batters."""
        effects = setting.effects(
            figure, kind.value, self.origin, content=content, mixer=setting.mixer(self.tool_in_use)
        )
        return setting.record.expected(figure, effects, published)

    def density_band(self, cup: Expected, setting: Setting, below: Side, above: Side) -> Band:
        """The band for a cup's reading after this step, this kitchen's own once there are enough."""
        return Band(
            quantity=Quantity.DENSITY,
            unit="g/ml",
            range=usual_density(cup, setting),
            below=below,
            above=above,
        )

    def while_running(
        self, before: Material, after: Material, share: float, seen: Seen | None, setting: Setting
    ) -> Material:
        """What is in the vessel after ``share`` (0 to 1) of the likely time, on the way from ``before`` to ``after``.

        ``seen`` is the last cup that was read on the way.
        """
        return after

    def pattern_view(self, intake: tuple[Material, ...], setting: Setting) -> PatternView | None:
        """How several batters are poured into a pattern; None where they aren't."""
        return None

    def reading_tells(self, density: float, intake: tuple[Material, ...], setting: Setting) -> str:
        """What a density (g/ml) read at this step tells beyond its band, for what went in; empty where nothing."""
        return ""

    def section(self, material: Material, setting: Setting) -> section.Section | None:
        """The vessel cut in half with what is in it after this step; None without a content."""
        if material.mass_g <= 0:
            return None
        if isinstance(material, Built):
            return section.of_build(setting.vessel_name(self.vessel), material)
        vessel = setting.vessels.get(self.vessel)
        if vessel is None or vessel.form in {VesselForm.OVEN}:
            return None
        if vessel.form in {VesselForm.TIN, VesselForm.RACK}:
            return in_tins(setting, material)
        return section.of_vessel(vessel, material)


def usual_density(cup: Expected, setting: Setting) -> Estimate:
    """The range in g/ml that a result should lie in: the published one, until enough good bakes of this very step."""
    own = setting.record.own_bakes(cup.figure, cup.effects)
    return cup.made.model_copy(update={"bakes": own}) if own >= ENOUGH_FOR_BAND else cup.modelled


def in_tins(
    setting: Setting, material: Material, *, rise_mm: Estimate | None = None, inverted: bool = False
) -> section.Section:
    """One of the tins or pieces in use with its share of the material."""
    tins = setting.tins
    if tins.piece is not None:
        return section.of_piece(tins.name, tins.piece, material, tins.count)
    return section.of_tin(
        tins.name, tins.tin, tins.share, material, count=tins.count, rise_mm=rise_mm, inverted=inverted
    )


def _long(seconds: float) -> str:
    return f"{seconds / 60:.0f} min" if seconds < 2 * 3600 else f"{seconds / 3600:.0f} h"


def waits_too_long(tray: OnTray | None) -> tuple[Notice, ...]:
    """What is said of the last tray or load where by the plan a content waits longer than it holds."""
    if tray is None or tray.late_s <= 0 or not tray.last:
        return ()
    return (
        Notice(
            level="risk",
            text=f"Its turn comes {_long(tray.late_s)} after the batter stops holding: it loses air and weeps.",
            remedy="Make the batter in two goes, bake on more racks or in a second oven, or make less.",
        ),
    )


def by_habit(seconds: float, spread: float = 0.35) -> Estimate:
    """The time of a step done by hand."""
    return Estimate.around(seconds, spread, Basis.HABIT)
