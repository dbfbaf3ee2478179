import { cleanup, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../src/lib/api/client';
import Band from '../src/lib/draw/Band.svelte';
import Column from '../src/lib/draw/Column.svelte';
import RatioBand from '../src/lib/draw/RatioBand.svelte';
import Stages from '../src/lib/draw/Stages.svelte';
import Trace from '../src/lib/draw/Trace.svelte';
import { switchUnits, units } from '../src/lib/figures.svelte';
import { now } from '../src/lib/now.svelte';
import { clock } from '../src/lib/time';
import { all, at, likely, read, ROOM } from './page';

afterEach(() => {
  cleanup();
  if (units.system === 'us') switchUnits();
});

describe('a band', () => {
  const band = {
    quantity: 'Batter density',
    unit: 'g/ml',
    range: likely(0.45, 0.4, 0.5),
    below: { word: 'airy' },
    above: { word: 'heavy' },
  } as unknown as Schemas['Band'];
  const verdict = (value: number, place: string) => ({
    value,
    place,
    word: 'heavy',
    means: 'Air was lost.',
    can_do: 'Bake it.',
  });
  const left = (element: Element) => Number(/left: (?:calc\()?([\d.]+)%/.exec(element.getAttribute('style') ?? '')![1]);

  it('stands where its figures are, with the reading beside it', () => {
    const { container } = render(Band, { band, verdict: verdict(0.55, 'above') as never });
    const [green] = all(container, '.bg-leaf');
    const end = left(green!) + Number(/width: ([\d.]+)%/.exec(green!.getAttribute('style')!)![1]);
    const mark = left(container.querySelector('svg')!);
    const width = end - left(green!);
    expect(mark - end).toBeCloseTo(width / 2, 3);
    expect(read(container)).toContain('Air was lost. Bake it.');
    expect(read(container)).toContain('heavy:0.55');
  });

  it('keeps a reading in sight, however far off it is', () => {
    for (const value of [0.02, 4]) {
      const { container } = render(Band, { band, verdict: verdict(value, 'above') as never });
      const mark = left(container.querySelector('svg')!);
      expect(mark).toBeGreaterThan(0);
      expect(mark).toBeLessThan(100);
      cleanup();
    }
  });

  it('says a reading within it, and where the band comes from', () => {
    const { container } = render(Band, { band, verdict: verdict(0.44, 'within') as never });
    expect(read(container)).toContain('Within the band.');
    expect(read(container)).toContain('Band: by the model, not yet this kitchen.');
  });

  it('of a ratio is spoken with its word and its band', () => {
    const ratio = {
      name: 'Sugar per part of whites',
      value: 2.4,
      percent: false,
      place: 'high',
      low: 'soft',
      high: 'sticky',
    };
    render(RatioBand, { ratio: { ...ratio, band: likely(1.9, 1.6, 2.2) } as unknown as Schemas['Ratio'] });
    const picture = screen.getByRole('img');
    expect(picture.getAttribute('aria-label')).toBe(
      'Sugar per part of whites 2.40: sticky. The band is 1.60 to 2.20, by the model, not yet this kitchen.',
    );
    const [, green, mark] = all(picture, 'rect');
    const [start, width] = at(green!, 'x', 'width');
    expect(at(mark!, 'x')[0]! + 0.5).toBeCloseTo(start! + (width! * (2.4 - 1.6)) / 0.6, 5);
  });

  it('of a ratio that no class knows says so', () => {
    const ratio = { name: 'Fat', value: 12.34, percent: true, place: null, band: null, low: 'dry', high: 'rich' };
    const { container } = render(RatioBand, { ratio: ratio as unknown as Schemas['Ratio'] });
    expect(read(container)).toContain('12 %');
    expect(read(container)).toContain('No band for this class.');
  });
});

describe('a temperature', () => {
  const MOMENT = '2026-11-25T05:00:00Z';
  const column = (more: object = {}) =>
    ({
      scale_low_c: 20,
      scale_high_c: 130,
      now_c: 75,
      target_c: 118,
      band_low_c: 116,
      band_high_c: 120,
      rising: true,
      measured: true,
      stages: [
        { name: 'boils', at_c: 103 },
        { name: 'at the target', at_c: 118 },
      ],
      arrives_at: '2026-11-25T05:05:00Z',
      needed_at: null,
      needed_for: '',
      ...more,
    }) as unknown as Schemas['Column'];
  beforeEach(() => now.set(MOMENT));

  it('stands in its column where the scale says, and says when it arrives', () => {
    const { container } = render(Column, { column: column(), title: 'Syrup', height: 330 });
    const mercury = container.querySelector('rect[fill="var(--copper)"]')!;
    const band = container.querySelector('rect[fill="var(--leaf)"]')!;
    const half = (14 + 330 - 34) / 2;
    expect(at(mercury, 'y')[0]).toBeCloseTo(half, 5);
    expect(at(band, 'y', 'height')[0]).toBeCloseTo(14 + (296 - 14) * (10 / 110), 5);
    expect(read(container)).toContain('there in 5 min');
    expect(read(container)).toContain('read');
  });

  it('names the stages that it has passed, and none that would hide its target', () => {
    const bold = (c: Schemas['Column']) => {
      const { container } = render(Column, { column: c, title: 'Syrup' });
      const stages = all(container, 'text').filter(
        (t) => t.getAttribute('x') === '109' && /boils|target/.test(read(t)),
      );
      const found = stages.map((t) => [read(t), t.getAttribute('class')!.includes('font-semibold')]);
      cleanup();
      return found;
    };
    expect(bold(column())).toEqual([['boils', false]]);
    expect(bold(column({ now_c: 110 }))).toEqual([['boils', true]]);
    expect(bold(column({ rising: false, now_c: 110 }))).toEqual([['boils', false]]);
  });

  it('says whether it comes in time for what waits, and what is overdue', () => {
    const said = (more: object) => {
      const { container } = render(Column, { column: column({ needed_for: 'Stream in', ...more }), title: 'Syrup' });
      const words = read(container.querySelector('p')!);
      cleanup();
      return words;
    };
    expect(said({ needed_at: '2026-11-25T05:08:00Z' })).toBe(
      `there in 5 min, ${clock('2026-11-25T05:05:00Z')} 3 min before “Stream in”`,
    );
    expect(said({ needed_at: '2026-11-25T05:01:00Z' })).toContain('4 min too late for “Stream in”');
    expect(said({ needed_at: '2026-11-25T05:05:40Z' })).not.toContain('Stream in');
    expect(said({ arrives_at: '2026-11-25T04:58:00Z' })).toBe('due 2 min ago: read it');
    expect(said({ arrives_at: null })).toBe('to 118 °C');
    expect(said({ now_c: 117 })).toBe('on the band');
  });

  it('leaves a trace that lies in its band when it lay there', () => {
    const trace = {
      title: 'Boil',
      probe: 'pot',
      points: [0, 100, 200].map((s) => ({ s, c: 60 + s * 0.3 })),
      low_c: 90,
      high_c: 120,
      target_c: 118,
      peak_c: 120,
    } as unknown as Schemas['TraceView'];
    const { container } = render(Trace, { trace });
    const ends = container
      .querySelector('path')!
      .getAttribute('d')!
      .slice(1)
      .split('L')
      .map((p) => p.split(',').map(Number));
    expect(ends.map(([x]) => Math.round(x!))).toEqual([38, (38 + ROOM - 8) / 2, ROOM - 8]);
    const [top, tall] = at(container.querySelector('rect')!, 'y', 'height');
    expect(ends[2]![1]).toBeCloseTo(top!, 3);
    expect(ends[1]![1]).toBeCloseTo(top! + tall!, 3);
    switchUnits();
    render(Trace, { trace });
    expect(screen.getAllByRole('img')[1]!.getAttribute('aria-label')).toBe(
      'Boil: highest 248, meant 244 degrees, over 3 min',
    );
  });
});

describe('a foam on its way', () => {
  const step = {
    passes: [
      { name: 'foamy', at_s: likely(100) },
      { name: 'soft peak', at_s: likely(240) },
      { name: 'firm peak', at_s: likely(300) },
    ],
    duration_s: likely(300, 250, 360),
    over_s: likely(420, 380, 480),
  } as unknown as Schemas['StepForecast'];

  it('marks what is passed, and where it is whipped too far', () => {
    const { container } = render(Stages, { step, elapsed: 250 });
    expect(all(container, 'circle').map((c) => c.getAttribute('fill'))).toEqual([
      'var(--ink)',
      'var(--ink)',
      'var(--surface)',
    ]);
    const xs = all(container, 'circle').map((c) => at(c, 'cx')[0]!);
    expect((xs[1]! - xs[0]!) / (xs[2]! - xs[1]!)).toBeCloseTo(140 / 60, 5);
    const over = container.querySelector('line[stroke="var(--raspberry)"]')!;
    expect(at(over, 'x1')[0]).toBeCloseTo(2 + ((ROOM - 6) * 380) / (420 * 1.12), 3);
  });

  it('keeps now in the picture long after', () => {
    const { container } = render(Stages, { step, elapsed: 9000 });
    const [here] = all(container, 'line[stroke="var(--ink)"]').map((l) => at(l, 'x1')[0]!);
    expect(here).toBeLessThanOrEqual(ROOM - 4);
    expect(here).toBeGreaterThan(at(all(container, 'circle')[2]!, 'cx')[0]!);
  });

  it('is spoken', () => {
    render(Stages, { step });
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe(
      'foamy at about 2 min, soft peak at about 4 min, firm peak at about 5 min; over-whipped from about 7 min',
    );
  });
});
