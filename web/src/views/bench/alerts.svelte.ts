import type { BakeState } from '../../lib/api/client';

/** `strikes`: one for a cue, two for soon, three for now. */
export type Alert = { id: string; at: number; words: string; strikes: number; step?: string };

const WINDOW_WARNING_MS = 60_000;
const BEFORE_K = 2;

/** The syrup's moments: start the whites, two degrees before, off the heat now. */
function sugar(bake: BakeState): Alert[] {
  const now = Date.parse(bake.now);
  const found: Alert[] = [];
  for (const { boil, whisk, meeting } of bake.meetings)
    if (meeting.start_in_s !== null && meeting.start_in_s !== undefined)
      found.push({
        id: `whites-${boil}`,
        at: now + 1000 * meeting.start_in_s,
        words: 'Start the whites',
        strikes: 1,
        step: whisk,
      });
  for (const id of bake.running) {
    const pot = bake.details[id]?.watch?.pot;
    const target = bake.details[id]?.column?.target_c;
    if (!pot || target === undefined || pot.temperature_c === null || pot.temperature_c === undefined) continue;
    const before = pot.ahead?.find((p) => p.c >= target - BEFORE_K)?.s;
    const soon = pot.temperature_c >= target - BEFORE_K ? 0 : before;
    if (soon !== undefined)
      found.push({ id: `soon-${id}`, at: now + 1000 * soon, words: 'Two degrees to go', strikes: 2, step: id });
    const off = pot.phase === 'past' ? 0 : pot.seconds_to_take_off;
    if (off !== null && off !== undefined)
      found.push({ id: `off-${id}`, at: now + 1000 * off, words: 'Off the heat now', strikes: 3, step: id });
  }
  return found;
}

/** Every moment of a bake that deserves a sound: looks, cues, timers, and foams about to run out. */
export function alerts(bake: BakeState): Alert[] {
  const found = sugar(bake);
  for (const id of bake.running) {
    const detail = bake.details[id];
    if (!detail?.outlook) continue;
    const { outlook, forecast } = detail;
    const read = (detail.watch?.readings ?? 0) > 0;
    // A pot has moments of its own; a look by a thermometer moves with each reading and is told once.
    if (outlook.look_at && !(read && detail.watch?.pot))
      found.push({
        id: read ? `look-${id}` : `look-${id}-${outlook.look_at}`,
        at: Date.parse(outlook.look_at),
        words: `Look: ${forecast.title}`,
        strikes: forecast.sets_foam ? 3 : 1,
        step: id,
      });
    if (forecast.over_s)
      found.push({
        id: `over-${id}`,
        at: Date.parse(outlook.started_at) + 1000 * forecast.over_s.low,
        words: `Nearly over-whipped: ${forecast.title}`,
        strikes: 3,
        step: id,
      });
    for (const cue of detail.cues)
      if (!cue.done)
        found.push({ id: `cue-${id}-${cue.id}`, at: Date.parse(cue.at), words: cue.do, strikes: 1, step: id });
  }
  for (const timer of bake.timers)
    found.push({ id: `timer-${timer.id}`, at: Date.parse(timer.due_at), words: timer.label, strikes: 3 });
  for (const w of bake.windows)
    found.push({
      id: `hold-${w.step}`,
      at: Date.parse(w.until) - WINDOW_WARNING_MS,
      words: `A minute left: ${w.name}`,
      strikes: 3,
      step: w.closes,
    });
  return found.sort((a, b) => a.at - b.at);
}
