"""A day's plan as iCalendar: one event for each stretch of hands, one for each bake that is due."""

from __future__ import annotations

from datetime import UTC, datetime

from icalendar import Calendar, Event

from kindwhisk.bench.days.view import DayPlanView, DayStep, PlannedBake


def write(plan: DayPlanView, made_at: datetime) -> bytes:
    """The calendar, in UTC; the same step keeps its name from one plan to the next, so that it moves in a calendar
    that reads it again."""
    calendar = Calendar()
    calendar.add("prodid", "-//Kind Whisk//day//EN")
    calendar.add("version", "2.0")
    names = {h.id: h.name for h in plan.people}
    for bake in plan.bakes:
        calendar.add_component(_due(bake, made_at))
        for step in bake.steps:
            if step.hands:
                calendar.add_component(_step(bake, step, names.get(step.person, ""), made_at))
    return bytes(calendar.to_ical())


def _due(bake: PlannedBake, made_at: datetime) -> Event:
    event = Event()
    event.add("uid", f"{bake.id}-ready@kindwhisk")
    event.add("dtstamp", made_at.astimezone(UTC))
    event.add("dtstart", bake.ready_at.astimezone(UTC))
    event.add("dtend", bake.ready_at.astimezone(UTC))
    event.add("summary", f"{bake.title} ready" + (f" for {bake.goes_to}" if bake.goes_to else ""))
    if bake.late_by_s > 0:
        event.add("description", bake.because)
    return event


def _step(bake: PlannedBake, step: DayStep, person: str, made_at: datetime) -> Event:
    event = Event()
    event.add("uid", f"{bake.id}-{step.step}@kindwhisk")
    event.add("dtstamp", made_at.astimezone(UTC))
    event.add("dtstart", step.start_at.astimezone(UTC))
    event.add("dtend", step.end_at.astimezone(UTC))
    event.add("summary", f"{step.title} ({bake.title})")
    if person:
        event.add("description", person)
    return event
