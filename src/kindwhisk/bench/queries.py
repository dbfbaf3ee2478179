"""What is asked at the bench: how a bake stands, what is at work, what the day's eggs are."""

from __future__ import annotations

from datetime import datetime
from typing import NamedTuple

from kindwhisk.bench.learned.told import EffectDots, FigureView, effect_dots, learned_figures
from kindwhisk.bench.now.awake import AtWork
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.ovens.profile import OvenProfile, oven_profile
from kindwhisk.bench.told.braid import BakeBraid, bake_braid
from kindwhisk.bench.told.clock_moves import ClockMoved, moved_during
from kindwhisk.bench.told.could import Could, could
from kindwhisk.bench.told.hands import HandsView, hands
from kindwhisk.bench.told.label import BakeLabel, has_raw_egg, label_of
from kindwhisk.bench.told.state import bake_state
from kindwhisk.bench.told.traces import traces
from kindwhisk.bench.told.views import BakeState, TraceView
from kindwhisk.bench.told.weighing import WeighingNow, weighing_now
from kindwhisk.bench.undoing import LastThing, last_things
from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.builds.built import Built
from kindwhisk.core.ingredients.eggs import EggsOfTheDay, egg_need, eggs_of_the_day
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.finished import keeps
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.shelf_life.use_by import use_by
from kindwhisk.store.bakes import EARLIER


class StepIntake(NamedTuple):
    """A step with what goes into it, one by one, and its setting."""

    step: Step
    intake: tuple[Material, ...]
    setting: Setting


class Queries(Workplace):
    """Answers; nothing is changed by asking."""

    @property
    def stamp(self) -> tuple[int, int, float]:
        """What an answer of a moment ago rests on: while it is the same, that answer still holds."""
        return *self.hub.heard, self.clock.speed

    def state(self, bake_id: str, focus: str | None = None, now: datetime | None = None) -> BakeState:
        """The state of a bake at a moment (default now).

        Raises:
            CraftError: there is no such bake.
        """
        return bake_state(self.moment(bake_id, now), focus, self.clock.speed)

    def label(self, bake_id: str) -> BakeLabel:
        """The label of a bake.

        Raises:
            CraftError: there is no such bake.
        """
        at = self.moment(bake_id, None)
        last = at.document.formula.steps[-1]
        state = bake_state(at, last.id, self.clock.speed)
        kept = keeps(at.walked.steps, raw_egg=has_raw_egg(state, last.id))
        until = use_by(
            kept,
            (state.ended_at or state.started_at).date(),
            frozen=isinstance(last, ChillStep) and last.frozen,
            own_days=at.kitchen.keeps_days.get(kept),
            own_rule=at.kitchen.cold_rule,
        )
        cut = [s for s in at.document.formula.steps if isinstance(s, PortionStep)]
        build = at.walked.materials[last.id]
        number = build.frame.count if isinstance(build, Built) else 1
        return label_of(state, last.id, kept, until, cut[-1].portions * number if cut else 1)

    def braid(self, bake_id: str, now: datetime | None = None) -> BakeBraid:
        """The braid of a bake, planned and as it goes.

        Raises:
            CraftError: there is no such bake.
        """
        return bake_braid(self.moment(bake_id, now))

    def last_things(self, bake_id: str) -> tuple[LastThing, ...]:
        """The last things that happened in a bake, the latest first, each with what rests on it.

        Raises:
            CraftError: there is no such bake.
        """
        return last_things(self.logs.read(bake_id))

    def could(self, bake_id: str) -> Could:
        """What could go otherwise from here on.

        Raises:
            CraftError: there is no such bake.
        """
        return could(self.moment(bake_id))

    def weighing(self, bake_id: str) -> WeighingNow:
        """The weigh list of a bake as it stands.

        Raises:
            CraftError: there is no such bake.
        """
        return weighing_now(self.moment(bake_id))

    def clock_moves(self, bake_id: str) -> tuple[ClockMoved, ...]:
        """How the machine's clock was moved while a bake ran.

        Raises:
            CraftError: there is no such bake.
        """
        return moved_during(self.moment(bake_id), self.store.clock_moves.listed())

    def hands(self) -> HandsView:
        """Who is wanted next, over all bakes that run."""
        return hands([self.moment(str(row.id)) for row in self.store.bakes.listed(status="running")])

    def traces(self, bake_id: str, now: datetime | None = None) -> tuple[TraceView, ...]:
        """The temperatures of a bake, step by step.

        Raises:
            CraftError: there is no such bake.
        """
        return traces(self.moment(bake_id, now))

    def oven_profile(self, oven_id: str) -> OvenProfile:
        """An oven of the kitchen as it is known.

        Raises:
            CraftError: there is no such oven.
        """
        return oven_profile(oven_id, self.kitchen, self.oven_evidence())

    def learned_figures(self) -> tuple[FigureView, ...]:
        """All figures that this kitchen's bakes have told of."""
        return learned_figures(self.learned_evidence(), self.kitchen)

    def effect_dots(self, figure: Figure, effect: str) -> EffectDots:
        """Something that a figure depends on, with every dot that told of it.

        Raises:
            CraftError: no bake has told of it.
        """
        return effect_dots(figure, effect, self.learned_evidence(), self.kitchen)

    def at_work(self, now: datetime | None = None) -> list[AtWork]:
        """Every step of every bake that runs now, for whoever stands in for the world outside.

        A step that nobody has ended long after it should have been over sleeps until something happens.
        """
        return [work for found in self.awake.at(now or self.clock.now()) for work in found.work]

    def keep_up(self) -> None:
        """Take what thermometers have read of every step that runs."""
        now, kitchen = self.clock.now(), self.kitchen
        for awake in self.awake.at(now):
            for step in awake.followed:
                self.following.watch(step, awake.progress, kitchen, now)

    def steps_of(self, bake_id: str) -> list[StepIntake]:
        """The steps of a bake in order, as they were forecast when it began.

        Raises:
            CraftError: there is no such bake.
        """
        log = self.logs.read(bake_id)._replace(happened=())
        made = Moment(log, self.kitchen, self.following, log.began_at).walked
        return [StepIntake(s, made.intakes[s.id], made.places[s.id]) for s in made.formula.steps]

    def last_moment(self) -> datetime | None:
        """The latest moment that anything was said to have happened at; None in an empty data file."""
        last = self.store.bakes.latest_moment()
        return None if last is None else datetime.fromisoformat(last)

    def eggs_today(self, now: datetime | None = None) -> EggsOfTheDay | None:
        """Eggs for the bakes that were begun on this day (UTC) and not abandoned; None when none of them has egg."""
        moment = now or self.clock.now()
        needs = []
        for row in self.store.bakes.listed():
            if row.status in {"abandoned", EARLIER} or datetime.fromisoformat(row.started_at).date() != moment.date():
                continue
            document = self.moment(str(row.id), moment).document
            formula = document.formula
            need = egg_need(
                formula.grams_of("egg-white"),
                formula.grams_of("egg-yolk"),
                formula.grams_of("whole-egg"),
                document.kitchen.eggs,
                document.record.one_egg(document.kitchen.eggs),
            )
            needs += [need] if need else []
        return eggs_of_the_day(needs, self.kitchen.eggs, self.record().one_egg(self.kitchen.eggs))
