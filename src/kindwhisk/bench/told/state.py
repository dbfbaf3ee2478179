"""A moment of a bake as a page shows it: shaping only."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.log.progress import BakeStatus, StepStatus
from kindwhisk.bench.now.meetings import MeetingView
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.now.outlook import Mark, Outlook, called_by, column
from kindwhisk.bench.now.readiness import startable
from kindwhisk.bench.told.amounts import amounts, eggs_in
from kindwhisk.bench.told.pieces import skin_now, tray_counts
from kindwhisk.bench.told.readings import reading_views
from kindwhisk.bench.told.views import (
    Act,
    BakeState,
    CueView,
    GateReached,
    GateView,
    NoteView,
    PhotoTaken,
    QuestionView,
    StepDetail,
    StepLine,
    TimerView,
    TurnView,
)
from kindwhisk.core.foams.over_whipped import PAST_SAVING, lost, over_whipped
from kindwhisk.core.foams.whipping import Seen
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.forecast import Caveat, StepForecast
from kindwhisk.core.process.gate import chains
from kindwhisk.core.process.outcome import Attention, MakeReady
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.sugar.meeting import past_saving
from kindwhisk.core.values.estimate import Estimate

EARLY_S, IDLE_S = 60.0, 600.0
GRAVE = frozenset({"risk", "danger"})


def _line(at: Moment, step: StepForecast) -> StepLine:
    """A step in the list of all."""
    planned = at.document.plan_of(step.id)
    own = at.progress.steps.get(step.id)
    start, end = at.expected[step.id]
    return StepLine(
        id=step.id, kind=step.kind, title=step.title, goal=step.goal, vessel=step.vessel,
        vessel_name=step.vessel_name, attention=step.attention, status=at.progress.status_of(step.id),
        startable=startable(step, at.progress),
        planned_start_at=planned.start if planned else start, planned_end_at=planned.end if planned else end,
        expected_start_at=start, expected_end_at=end,
        started_at=own.started_at if own else None, ended_at=own.ended_at if own else None,
        reason=own.reason if own else "",
    )  # fmt: skip


def _cues(at: Moment, step: StepForecast, view: Outlook | None) -> tuple[CueView, ...]:
    own = at.progress.steps.get(step.id)
    return tuple(
        CueView(
            id=c.id,
            at=view.started_at + timedelta(seconds=c.after_s.likely * view.pace),
            do=c.do,
            look=c.look,
            done=own is not None and c.id in own.cues_done,
        )
        for c in step.cues
        if view is not None
    )


def _seen(at: Moment, step_id: str, view: Outlook) -> Seen | None:
    """The last cup read while the step runs."""
    cups = at.progress.cups(step_id)
    return Seen(density=cups[-1].value, share=view.share_at(cups[-1].at)) if cups else None


def _act(at: Moment, step: StepForecast) -> Act | None:
    """What the baker does next with a step; None for one that is over."""
    status = at.progress.status_of(step.id)
    if at.progress.status is not BakeStatus.RUNNING or at.progress.is_over(step.id):
        return None
    met = next((m for m in at.meetings.values() if step.id in {m.boil, m.whisk}), None)
    if status is StepStatus.RUNNING and (again := _begin_again(at, step, met)) is not None:
        return again
    if met is not None and met.meeting.pour:
        words = "Off the heat, pour"
        return Act(words=words, kind="syrup_poured", step=met.stream, ready=True, boil=met.boil, whisk=met.whisk)
    if status is StepStatus.RUNNING:
        said = step.checkpoints[0].said if step.checkpoints else f"{step.goal} reached"
        return Act(words=said, kind="step_done", step=step.id, ready=True)
    ready = startable(step, at.progress)
    if step.attention is Attention.THROUGHOUT:
        return Act(words="Done", kind="step_done", step=step.id, ready=ready)
    ready = ready and all(i.there for i in at.gate_items(step.id))
    return Act(words="Start", kind="step_started", step=step.id, ready=ready)


def _called(at: Moment, step_id: str, met: MeetingView | None) -> tuple[Mark, ...]:
    """What a step's own temperature calls for on its way."""
    whites = called_by(met.meeting) if met is not None else ()
    return (*whites, *(mark for a in at.awaited if a.cools == step_id for mark in a.mark(at.now)))


def _begin_again(at: Moment, step: StepForecast, met: MeetingView | None) -> Act | None:
    """The safe thing to do with what is past saving."""
    seen = at.watch(met.boil if met else step.id)
    pot = seen.watch.pot if seen else None
    if pot is not None and past_saving(pot):
        return Act(words="Off the heat, begin again", kind="begun_again", step=met.boil if met else step.id, ready=True)
    gone = _spoilt(at, step)
    if gone is not None and gone.likely > PAST_SAVING:
        return Act(words="Stop, begin again with fresh", kind="begun_again", step=step.id, ready=True)
    return None


def _spoilt(at: Moment, step: StepForecast) -> Estimate | None:
    """The share of its bubbles that a foam on the whisk has lost by going on past its peak; None where none yet."""
    own = at.progress.steps.get(step.id)
    if step.over_s is None or own is None or own.status is not StepStatus.RUNNING or own.started_at is None:
        return None
    cups = [r.at for r in at.progress.cups(step.id)]
    ran_s = (at.now - own.started_at).total_seconds()
    if ran_s <= step.over_s.low or (cups and (at.now - cups[-1]).total_seconds() < at.document.fades_s[step.id]):
        return None
    return lost(ran_s, step.over_s)


def _detail(at: Moment, step_id: str) -> StepDetail:
    """A step close up."""
    made = at.walked
    step, own = made.forecast.step(step_id), made.formula.step(step_id)
    view, watch, met = at.outlooks.get(step_id), at.watch(step_id), at.meetings.get(step_id)
    section, place = step.section, made.places[step_id]
    if view is not None:
        before, after = made.before[step_id], made.materials[step_id]
        material = own.while_running(before, after, view.share, _seen(at, step_id, view), place)
        material = over_whipped(material, (at.now - view.started_at).total_seconds(), step.over_s)
        section = own.section(material, place)
    return StepDetail(
        forecast=step,
        outlook=view,
        cues=_cues(at, step, view),
        column=column(
            step,
            own,
            at.progress,
            place,
            view,
            at.waiting_for(step),
            at.now,
            before=made.before[step_id],
            seen=watch,
            called=_called(at, step_id, met),
        ),
        watch=watch.watch if watch else None,
        section=section,
        section_is_now=view is not None or at.progress.is_over(step_id),
        before=() if at.progress.is_over(step_id) else step.before,
        fold=next((f for f in made.forecast.folds if step_id in f.steps), None),
        act=_act(at, step),
        spoilt=_spoilt(at, step),
        not_before=_not_before(at, step),
        notices=() if at.progress.is_over(step_id) else _notices(at, step_id),
        gates=_gates_reached(at, step_id),
        to_hand=_to_hand(at, step),
        skin=skin_now(at, step_id),
        counts=tray_counts(at, step_id),
    )


def _gates_reached(at: Moment, step_id: str) -> tuple[GateReached, ...]:
    """The gates of a cake that cools, from its own last reading on."""
    made, watch = at.walked, at.watch(step_id)
    step = made.formula.step(step_id)
    running = at.progress.status_of(step_id) is StepStatus.RUNNING
    if not isinstance(step, CoolStep) or not running or watch is None or watch.watch.now_c is None:
        return ()

    def moment(seconds: float) -> datetime:
        return at.now + timedelta(seconds=seconds)

    gates = step.gates_from(made.at_first(step_id), watch.watch.now_c, made.places[step_id])
    return tuple(
        GateReached(
            kind=g.kind,
            to_c=g.to_c,
            why=g.why,
            low_at=moment(g.after_s.low) if g.after_s.likely > 0 else None,
            likely_at=moment(g.after_s.likely) if g.after_s.likely > 0 else None,
            high_at=moment(g.after_s.high) if g.after_s.likely > 0 else None,
        )
        for g in gates
    )


def _to_hand(at: Moment, step: StepForecast) -> tuple[MakeReady, ...]:
    """What a step that waits wants at hand, where it belongs to no chain that a make-ready list stands before."""
    if at.progress.status_of(step.id) is not StepStatus.WAITING:
        return ()
    return () if any(step.id in c for c in chains(at.walked.forecast)) else step.make_ready


def _notices(at: Moment, step_id: str) -> tuple[Caveat, ...]:
    """What is risky about a step as things stand."""
    return tuple(w for w in at.walked.forecast.warnings if w.step == step_id and w.level in GRAVE)


def _not_before(at: Moment, step: StepForecast) -> datetime | None:
    """When it should begin, where it would only stand waiting before; None while something runs that it must meet."""
    start = at.expected[step.id][0]
    waits = at.progress.status_of(step.id) is StepStatus.WAITING and startable(step, at.progress)
    if not waits or step.attention is Attention.THROUGHOUT or start - at.now < timedelta(seconds=EARLY_S):
        return None
    chain = next((c for c in chains(at.walked.forecast) if step.id in c), frozenset())
    under_way = any(at.progress.status_of(i) is StepStatus.RUNNING for i in chain)
    return None if under_way or any(w.closes in chain for w in at.windows) else start


def _idle_until(at: Moment) -> datetime | None:
    """When there is something to do again, where that is far off and nothing runs, or only what was begun long before
    its plan; None otherwise."""
    early = timedelta(seconds=IDLE_S)
    plans = {i: at.document.plan_of(i) for i in at.outlooks}
    in_time = [i for i, o in at.outlooks.items() if (p := plans[i]) is None or o.started_at > p.start - early]
    if at.progress.status is not BakeStatus.RUNNING or in_time or at.windows:
        return None
    ahead = [at.expected[s.id][0] for s in at.walked.forecast.steps if startable(s, at.progress)]
    first = min(ahead, default=at.now)
    return first if first - at.now > early else None


def _gate(at: Moment) -> GateView | None:
    """The make-ready list of the current step, or the next one that lies ahead."""
    ahead = [i for i in at.gates if at.progress.status_of(i) is StepStatus.WAITING]
    if not ahead or at.progress.status is not BakeStatus.RUNNING:
        return None
    step = min(ahead, key=lambda i: (i != at.current, at.expected[i][0]))
    items = at.gate_items(step)
    return GateView(
        step=step,
        step_title=at.walked.forecast.step(step).title,
        open=all(i.there for i in items),
        items=items,
    )


def bake_state(at: Moment, focus: str | None = None, speed: float = 1.0) -> BakeState:
    """All of it; ``focus`` names a step to show close up beside the current one, ``speed`` is the clock's."""
    progress, document, forecast = at.progress, at.document, at.walked.forecast
    made_g = forecast.total_g - Flows(document.formula).lost_g()
    known = {s.id for s in forecast.steps}
    shown = dict.fromkeys(i for i in (at.current, at.next, focus, *at.outlooks) if i in known)
    expected_ready = progress.ended_at or max(end for _, end in at.expected.values())
    return BakeState(
        id=at.log.id,
        title=at.log.title,
        formula_id=document.formula.id,
        formula_version=document.formula_version,
        technique=document.formula.technique,
        status=progress.status,
        batch=f"{document.tin_count} × {document.tin_name}, {made_g:.0f} g",
        started_at=at.began_at,
        ended_at=progress.ended_at,
        ready_at=document.ready_at,
        expected_ready_at=expected_ready,
        late_by_s=(expected_ready - document.ready_at).total_seconds(),
        now=at.now,
        sequence=progress.last_sequence,
        idle_until=_idle_until(at),
        turns=tuple(
            TurnView(
                sequence=t.sequence,
                at=t.at,
                said=t.said,
                reason=t.reason,
                moment=t.moment,
                lost=amounts(t.lost),
                needed=amounts(t.needed),
                eggs=eggs_in(t.needed, document),
            )
            for t in progress.turns
        ),
        undoable=progress.undoable if progress.status is BakeStatus.RUNNING else None,
        steps=tuple(_line(at, s) for s in forecast.steps),
        current=at.current,
        next=at.next,
        running=tuple(at.outlooks),
        details={i: _detail(at, i) for i in shown},
        gate=_gate(at),
        windows=at.windows,
        cold=at.cold,
        cooled=at.cooled,
        timers=tuple(
            TimerView(id=t.id, label=t.label, due_at=t.due_at)
            for t in sorted(progress.timers.values(), key=lambda t: t.due_at)
        ),
        readings=reading_views(at.walked, progress),
        questions=tuple(
            QuestionView(sequence=q.sequence, step=q.step, entry=q.entry, text=q.text) for q in progress.questions
        ),
        meetings=tuple(at.meetings.values()),
        awaited=at.awaited,
        speed=speed,
        notes=tuple(NoteView(sequence=n.sequence, at=n.at, text=n.text, step=n.step) for n in progress.notes),
        outcome=progress.outcome,
        photos=tuple(
            PhotoTaken(number=p.sequence, at=p.at, shows=p.shows, width=p.width, height=p.height)
            for p in progress.photos
        ),
        **forecast.held,
    )
