import type { Schemas } from './api/client';

/** What a plan of the day has each bake do, as it is taken up or planned on from. */
export function works(plan: Schemas['DayAnswer']): Schemas['PlannedWork'][] {
  return plan.bakes.map((b) => ({
    id: b.id,
    steps: b.steps.map((s) => ({
      step: s.step,
      start: s.start_at,
      end: s.end_at,
      person: s.person,
      mixer: s.mixer,
      oven: s.oven,
    })),
  }));
}
