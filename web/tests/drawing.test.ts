import { describe, expect, it } from 'vitest';
import { bubbles, outline } from '../src/lib/draw/bubbles';
import { lanes } from '../src/lib/draw/lanes';
import { timescale } from '../src/lib/draw/timescale';
import { braidOf, piece } from './braids';

const ANCHOR = Date.UTC(2026, 10, 25, 5, 58);

describe('bubbles', () => {
  it('are not there without air, and cover more the more air there is', () => {
    const cover = (air: number) => bubbles(200, 100, air).reduce((sum, b) => sum + Math.PI * b.r ** 2, 0) / (200 * 100);
    expect(bubbles(200, 100, 0)).toEqual([]);
    expect(bubbles(0, 100, 0.8)).toEqual([]);
    const covers = [0.1, 0.3, 0.5, 0.7, 0.88].map(cover);
    expect(covers).toEqual(covers.toSorted((a, b) => a - b));
    expect(covers[4]).toBeGreaterThan(2 * covers[1]!);
  });

  it('stay where they are when the picture is drawn again', () => {
    expect(bubbles(173, 61, 0.62)).toEqual(bubbles(173, 61, 0.62));
  });

  it('are bounded in number, however large the vessel is', () => {
    expect(bubbles(2000, 1000, 0.85, 0.3, 400).length).toBeLessThan(600);
  });

  it('become one path, moved as asked', () => {
    expect(outline([{ x: 10, y: 20, r: 4 }], 1, 2)).toBe('M7.0 22.0a4.0 4.0 0 1 0 8.0 0a4.0 4.0 0 1 0 -8.0 0');
  });
});

describe('the time axis', () => {
  const braid = braidOf([piece('bowl', 0, 600), piece('tin', 600, 8600), piece('rack', 8600, 8900)]);

  it('never runs back and ends at the edge', () => {
    const { x } = timescale([braid], 900, ANCHOR);
    const places = Array.from({ length: 90 }, (_, i) => x(i * 100));
    expect(places).toEqual(places.toSorted((a, b) => a - b));
    expect(x(0)).toBe(0);
    expect(x(8900)).toBeCloseTo(900);
  });

  it('draws a long unattended stretch together and says so', () => {
    const { x, squeezed } = timescale([braid], 900, ANCHOR);
    expect(squeezed).toEqual([{ from: 600, to: 8600 }]);
    expect((x(8600) - x(600)) / 8000).toBeLessThan((x(600) - x(0)) / 600 / 3);
  });

  it('is one for two braids, so that they compare', () => {
    const late = braidOf([piece('bowl', 0, 900), piece('tin', 900, 9400)]);
    const [one, other] = [timescale([braid, late], 900, ANCHOR), timescale([late, braid], 900, ANCHOR)];
    for (const s of [0, 600, 900, 8600, 9400]) expect(one.x(s)).toBeCloseTo(other.x(s));
    expect(one.x(9400)).toBeCloseTo(900);
  });

  it('sets its ticks on full minutes of the clock, with room between them', () => {
    const { x, ticks } = timescale([braid], 900, ANCHOR);
    expect(ticks.length).toBeGreaterThan(3);
    for (const t of ticks) expect((ANCHOR / 1000 + t) % 300).toBe(0);
    for (let i = 1; i < ticks.length; i++) expect(x(ticks[i]!) - x(ticks[i - 1]!)).toBeGreaterThanOrEqual(52);
  });
});

describe('lanes', () => {
  it('are never shared by strands that are there at the same time', () => {
    const pieces = [
      piece('pot', 0, 500),
      piece('yolks', 200, 900),
      piece('paper', 100, 700),
      piece('whites', 600, 1000),
      piece('oven', 0, 1200),
      piece('tin', 1000, 5000),
    ];
    const { of, count } = lanes(braidOf(pieces));
    for (const a of pieces)
      for (const b of pieces)
        if (a !== b && a.start_s < b.end_s - 1 && b.start_s < a.end_s - 1)
          expect(of.get(a.vessel), `${a.vessel} and ${b.vessel}`).not.toBe(of.get(b.vessel));
    expect(Math.max(...of.values())).toBeLessThan(count);
  });

  it('let a vessel go on where the one was that it is filled from', () => {
    const join = { step: 'fill', from_vessel: 'bowl', to_vessel: 'tin', at_s: 900, volume_ml: 800, colour: '#fff' };
    const { of } = lanes(braidOf([piece('pot', 0, 300), piece('bowl', 100, 900), piece('tin', 900, 4000)], [join]));
    expect(of.get('tin')).toBe(of.get('bowl'));
  });

  it('keep the oven below all others', () => {
    const { of, count } = lanes(braidOf([piece('oven', 0, 100), piece('bowl', 50, 300), piece('pot', 60, 200)]));
    expect(of.get('oven')).toBe(count - 1);
  });
});
