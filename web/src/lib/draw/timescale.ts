import { scaleLinear } from 'd3-scale';
import type { BraidData } from '../api/client';

export type Squeezed = { from: number; to: number };
export type TimeScale = { x: (second: number) => number; ticks: number[]; squeezed: Squeezed[]; end: number };

const LONG_S = 25 * 60;
const SQUEEZE = 5;

/**
 * A time axis that runs to the right and draws long unattended stretches together, so that the minutes in which
 * much happens get the room. Several braids share one axis. `anchor` is the moment of second 0 in ms, to set ticks
 * on full minutes.
 */
export function timescale(braids: BraidData[], width: number, anchor: number): TimeScale {
  const start = Math.min(...braids.map((b) => b.start_s));
  const end = Math.max(...braids.map((b) => b.end_s));
  const marks = braids.flatMap((b) => b.pieces.flatMap((p) => (p.waiting ? [] : [p.start_s, p.end_s])));
  const inner = [...new Set(marks)].filter((m) => m >= start && m <= end).sort((a, b) => a - b);
  const stretches: { from: number; to: number; weight: number }[] = [];
  let last = start;
  for (const mark of [...inner, end]) {
    if (mark <= last) continue;
    stretches.push({ from: last, to: mark, weight: (mark - last) / (mark - last > LONG_S ? SQUEEZE : 1) });
    last = mark;
  }
  const total = stretches.reduce((sum, s) => sum + s.weight, 0) || 1;
  const domain = [start];
  const range = [0];
  for (const s of stretches) {
    domain.push(s.to);
    range.push(range[range.length - 1]! + (s.weight / total) * width);
  }
  const x = scaleLinear(domain, range);
  const squeezed = stretches.filter((s) => s.to - s.from > LONG_S).map(({ from, to }) => ({ from, to }));
  return { x: (second) => x(second), ticks: ticks(start, end, anchor, x, squeezed), squeezed, end };
}

function ticks(start: number, end: number, anchor: number, x: (s: number) => number, squeezed: Squeezed[]): number[] {
  const found: number[] = [];
  const step = [5, 10, 15, 30, 60].find((m) => (end - start) / 60 / m < 26) ?? 120;
  const first = Math.ceil((anchor / 1000 + start) / 60 / step) * step * 60 - anchor / 1000;
  let place = -Infinity;
  for (let s = first; s <= end; s += step * 60) {
    const inside = squeezed.some((q) => s > q.from && s < q.to);
    if (x(s) - place < (inside ? 64 : 52)) continue;
    found.push(s);
    place = x(s);
  }
  return found;
}
