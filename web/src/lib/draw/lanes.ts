import type { BraidData } from '../api/client';

export type Lanes = { of: Map<string, number>; count: number };

/**
 * A lane for every strand. A vessel that takes over what another held goes on in its lane; otherwise the
 * nearest free one is used, so that strands lie close and meet where their contents meet.
 */
export function lanes(braid: BraidData): Lanes {
  const spans = new Map<string, { from: number; to: number }>();
  for (const piece of braid.pieces) {
    const span = spans.get(piece.vessel);
    if (span) {
      span.from = Math.min(span.from, piece.start_s);
      span.to = Math.max(span.to, piece.end_s);
    } else spans.set(piece.vessel, { from: piece.start_s, to: piece.end_s });
  }
  const of = new Map<string, number>();
  const busy: number[] = [];
  const names = braid.strands.map((s) => s.vessel).filter((v) => spans.has(v));
  names.sort((a, b) => Number(a === 'oven') - Number(b === 'oven') || spans.get(a)!.from - spans.get(b)!.from);
  for (const name of names) {
    const span = spans.get(name)!;
    const source = braid.joins
      .filter((j) => j.to_vessel === name && of.has(j.from_vessel))
      .filter((j) => spans.get(j.from_vessel)!.to <= span.from + 1)
      .sort((a, b) => b.volume_ml - a.volume_ml)[0];
    let lane = source ? of.get(source.from_vessel)! : -1;
    if (lane < 0 || (busy[lane] ?? -Infinity) > span.from + 1) {
      lane = busy.findIndex((end) => end <= span.from - 120);
      if (lane < 0 || name === 'oven') lane = busy.length;
    }
    of.set(name, lane);
    busy[lane] = Math.max(busy[lane] ?? -Infinity, span.to);
  }
  return { of, count: Math.max(1, busy.length) };
}
