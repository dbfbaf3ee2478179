import type { BakeState } from '../../lib/api/client';

export type Alert = { id: string; at: number; words: string; urgent: boolean; step?: string };

const WINDOW_WARNING_MS = 60_000;

/** Every moment of a bake that deserves a sound: looks, cues, timers, and foams about to run out. */
export function alerts(bake: BakeState): Alert[] {
  const found: Alert[] = [];
  for (const id of bake.running) {
    const detail = bake.details[id];
    if (!detail?.outlook) continue;
    const { outlook, forecast } = detail;
    if (outlook.look_at)
      found.push({
        id: `look-${id}-${outlook.look_at}`,
        at: Date.parse(outlook.look_at),
        words: `Look: ${forecast.title}`,
        urgent: forecast.sets_foam,
        step: id,
      });
    for (const cue of detail.cues)
      if (!cue.done)
        found.push({ id: `cue-${id}-${cue.id}`, at: Date.parse(cue.at), words: cue.do, urgent: false, step: id });
  }
  for (const timer of bake.timers)
    found.push({ id: `timer-${timer.id}`, at: Date.parse(timer.due_at), words: timer.label, urgent: true });
  for (const w of bake.windows)
    found.push({
      id: `hold-${w.step}`,
      at: Date.parse(w.until) - WINDOW_WARNING_MS,
      words: `A minute left: ${w.name}`,
      urgent: true,
      step: w.closes,
    });
  return found.sort((a, b) => a.at - b.at);
}
