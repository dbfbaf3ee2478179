const clockFormat = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const dayFormat = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });

/** 05:40 */
export function clock(moment: string | number | Date): string {
  return clockFormat.format(new Date(moment));
}

/** Tue 24 Nov */
export function day(moment: string | number | Date): string {
  return dayFormat.format(new Date(moment));
}

/** "at 05:40" today, "tomorrow 05:40", "Tue 24 Nov 05:40". */
export function when(moment: string | number | Date, now: number): string {
  const days = Math.round((midnight(new Date(moment)) - midnight(new Date(now))) / 86_400_000);
  return `${days === 0 ? 'at' : days === 1 ? 'tomorrow' : day(moment)} ${clock(moment)}`;
}

/** "05:40" today, else with its day: to stand after "until" or "before". */
export function moment(at: string | number | Date, now: number): string {
  return when(at, now).replace(/^at /, '');
}

/** How long until a moment, where that is near; else the moment. */
export function soon(at: string, now: number): string {
  const left = until(at, now);
  return left < 20 ? 'now' : left < 3600 ? `in ${countdown(left)}` : when(at, now);
}

const midnight = (moment: Date) => new Date(moment).setHours(0, 0, 0, 0);

/** 1:48, 12:05, 1:02:30; the sign is dropped. */
export function countdown(seconds: number): string {
  const whole = Math.abs(Math.round(seconds));
  const h = Math.floor(whole / 3600);
  const m = Math.floor((whole % 3600) / 60);
  const s = String(whole % 60).padStart(2, '0');
  return h > 0 ? `${h}:${String(m).padStart(2, '0')}:${s}` : `${m}:${s}`;
}

/** 40 s, 34 min, 2 h 05 */
export function length(seconds: number): string {
  const s = Math.abs(seconds);
  if (s < 90) return `${Math.round(s)} s`;
  const minutes = Math.round(s / 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** Seconds from now to a moment. */
export function until(moment: string, now: number): number {
  return (Date.parse(moment) - now) / 1000;
}

/** What is left of an estimate told at `read`, at `now`; never less than none. */
export function remaining(
  told: { low: number; likely: number; high: number },
  read: string,
  now: number,
): { low: number; likely: number; high: number } {
  const gone = Math.max(0, -until(read, now));
  const left = (seconds: number) => Math.max(0, seconds - gone);
  return { low: left(told.low), likely: left(told.likely), high: left(told.high) };
}

/** The next time of day written as HH:MM, as an ISO moment: today, or tomorrow when it has passed. */
export function nextMoment(time: string, now = new Date()): string | null {
  const match = /^(\d{1,2})[:.](\d{2})$/.exec(time.trim());
  if (!match) return null;
  const moment = new Date(now);
  moment.setHours(Number(match[1]), Number(match[2]), 0, 0);
  if (moment.getTime() <= now.getTime()) moment.setDate(moment.getDate() + 1);
  return moment.toISOString();
}
