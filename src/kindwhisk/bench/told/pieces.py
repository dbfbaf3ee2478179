"""Piped pieces at the bench: the skin that forms, and what came out of the oven, tray by tray."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.told.views import SkinNow, TouchView, TrayCount
from kindwhisk.core.piping import skin
from kindwhisk.core.piping.damp import advice
from kindwhisk.core.process.formula import upstream
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.skin import Resting, SkinStep
from kindwhisk.core.process.steps.sort import SortStep


def skin_now(at: Moment, step_id: str) -> SkinNow | None:
    """The skin of a tray; None for a step at which none forms."""
    step, made = at.walked.formula.step(step_id), at.walked
    if not isinstance(step, SkinStep) or step.resting is not Resting.RESTED:
        return None
    own, kitchen = at.progress.steps.get(step_id), made.places[step_id].kitchen
    began = None if own is None else own.started_at
    expected = next(iter(made.expects[step_id]), None)
    told = skin.skin(
        kitchen.air_c,
        kitchen.humidity_percent,
        step.method,
        moving_air=step.moving_air,
        touches=made.observed.touches.get(step_id, ()),
        expected=None if expected is None else expected.made,
    )

    def moment(seconds: float | None) -> datetime | None:
        return None if began is None or seconds is None else began + timedelta(seconds=seconds)

    dry = told.dry_s
    return SkinNow(
        air_c=kitchen.air_c,
        humidity_percent=kitchen.humidity_percent,
        measured=step_id in made.observed.humidity,
        low_at=moment(dry.low if dry else None),
        likely_at=moment(dry.likely if dry else None),
        high_at=moment(dry.high if dry else None),
        too_long_at=moment(told.too_long_s),
        basis=dry.basis.value if dry else "",
        bakes=dry.bakes if dry else 0,
        why=told.why,
        advice=advice(kitchen.air_c, kitchen.humidity_percent, step.method, moving_air=step.moving_air),
        touches=() if own is None else tuple(TouchView(at=t, feel=f) for t, f in own.touches),
    )


def tray_counts(at: Moment, step_id: str) -> tuple[TrayCount, ...]:
    """The trays whose pieces are sorted at a step; all together where they were not laid out over several."""
    formula = at.walked.formula
    if not isinstance(formula.step(step_id), SortStep):
        return ()
    own = at.progress.steps.get(step_id)
    counted = own.counted if own else {}
    before = upstream(formula, step_id)
    pipes = [s for s in formula.steps if isinstance(s, PipeStep) and s.id in before]
    trays = [(s.tray.number, at.walked.places[s.id].tins.count) for s in pipes if s.tray is not None]
    if len(trays) < len(pipes) or not trays or 0 in counted:
        trays = [(0, sum(at.walked.places[s.id].tins.count for s in pipes))]
    return tuple(TrayCount(tray=n, piped=piped, counted=counted.get(n)) for n, piped in trays)
