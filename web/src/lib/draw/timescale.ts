import { scaleLinear } from 'd3-scale';
import type { BraidData } from '../api/client';

export type Squeezed = { from: number; to: number };
export type TimeScale = { x: (second: number) => number; ticks: number[]; squeezed: Squeezed[] };

const LONG_S = 25 * 60;
const SQUEEZE = 5;

/**
 * A time axis that runs to the right and draws long unattended stretches together, so that the minutes in which
 * much happens get the room. `anchor` is the moment of second 0, to set ticks on full minutes.
 */
export function timescale(braid: BraidData, width: number, anchor: number, squeeze = true): TimeScale {
  const marks = [...new Set(braid.pieces.flatMap((p) => (p.waiting ? [] : [p.start_s, p.end_s])))].sort(
    (a, b) => a - b,
  );
  const inner = marks.filter((m) => m >= braid.start_s && m <= braid.end_s);
  const stretches: { from: number; to: number; weight: number }[] = [];
  let last = braid.start_s;
  for (const mark of [...inner, braid.end_s]) {
    if (mark <= last) continue;
    const long = squeeze && mark - last > LONG_S;
    stretches.push({ from: last, to: mark, weight: (mark - last) / (long ? SQUEEZE : 1) });
    last = mark;
  }
  const total = stretches.reduce((sum, s) => sum + s.weight, 0) || 1;
  const domain = [braid.start_s];
  const range = [0];
  for (const s of stretches) {
    domain.push(s.to);
    range.push(range[range.length - 1]! + (s.weight / total) * width);
  }
  const scale = scaleLinear(domain, range);
  const squeezed = stretches.filter((s) => squeeze && s.to - s.from > LONG_S).map(({ from, to }) => ({ from, to }));
  return { x: (second) => scale(second), ticks: ticks(braid, anchor, scale, squeezed), squeezed };
}

function ticks(braid: BraidData, anchor: number, x: (s: number) => number, squeezed: Squeezed[]): number[] {
  const found: number[] = [];
  const step = [5, 10, 15, 30, 60].find((m) => (braid.end_s - braid.start_s) / 60 / m < 26) ?? 120;
  const first = Math.ceil((anchor / 1000 + braid.start_s) / 60 / step) * step * 60 - anchor / 1000;
  let place = -Infinity;
  for (let s = first; s <= braid.end_s; s += step * 60) {
    const inside = squeezed.some((q) => s > q.from && s < q.to);
    if (x(s) - place < (inside ? 64 : 52)) continue;
    found.push(s);
    place = x(s);
  }
  return found;
}
