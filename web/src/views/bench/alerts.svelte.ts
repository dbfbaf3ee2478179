import type { BakeState } from '../../lib/api/client';

/** `strikes`: one for a cue, two for soon, three for now. */
export type Alert = { id: string; at: number; words: string; strikes: number; step?: string };

const WINDOW_WARNING_MS = 60_000;

/** The syrup's moments: start the whites, two degrees before, off the heat now. */
function sugar(bake: BakeState): Alert[] {
  const now = Date.parse(bake.now);
  const found: Alert[] = [];
  for (const { boil, whisk, meeting } of bake.meetings)
    if (meeting.start_in_s != null)
      found.push({
        id: `whites-${boil}`,
        at: now + 1000 * meeting.start_in_s,
        words: 'Start the whites',
        strikes: 1,
        step: whisk,
      });
  for (const id of bake.running) {
    const pot = bake.details[id]?.watch?.pot;
    if (!pot) continue;
    const past = pot.phase === 'past';
    const moments = [
      ['soon', past ? 0 : pot.seconds_to_soon, 'Two degrees to go', 2],
      ['off', past ? 0 : pot.seconds_to_take_off, 'Off the heat now', 3],
    ] as const;
    for (const [name, seconds, words, strikes] of moments)
      if (seconds != null) found.push({ id: `${name}-${id}`, at: now + 1000 * seconds, words, strikes, step: id });
  }
  return found;
}

/** What has to be begun while something cools for it. */
function toBegin(bake: BakeState): Alert[] {
  return bake.awaited.map((a) => ({
    id: `begin-${a.whisk}`,
    at: Date.parse(a.start_at),
    words: `Now: ${a.whisk_title}`,
    strikes: 1,
    step: a.whisk,
  }));
}

/** Every moment of a bake that deserves a sound: looks, cues, timers, and foams about to run out. */
export function alerts(bake: BakeState): Alert[] {
  const found = [...sugar(bake), ...toBegin(bake)];
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
    if (forecast.bake && detail.watch?.left_s && read)
      found.push({
        id: `done-${id}`,
        at: Date.parse(outlook.likely_at),
        words: `Done by the probe: ${forecast.title}`,
        strikes: 3,
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
