import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import Braid from '../src/lib/draw/Braid.svelte';
import BrowningTray from '../src/lib/draw/BrowningTray.svelte';
import FoldLadder from '../src/lib/draw/FoldLadder.svelte';
import Learning from '../src/lib/draw/Learning.svelte';
import OvenPlaces from '../src/lib/draw/OvenPlaces.svelte';
import PlannedActual from '../src/lib/draw/PlannedActual.svelte';
import { braidOf, piece } from './braids';
import { all, at, likely, read } from './page';

afterEach(cleanup);

it('a fold draws what is light above what is dense, and says how far apart they are', () => {
  const addition = (bowl: number, added: number, after: number, more: object = {}) => ({
    what: 'foam',
    into: 'base',
    mass_g: 60,
    bowl_g_per_ml: bowl,
    added_g_per_ml: added,
    density_g_per_ml: likely(after),
    fraction: 0.3,
    strokes: likely(12),
    ...more,
  });
  const additions = [addition(1.1, 0.2, 0.6), addition(0.6, 0.2, 0.42)] as never;
  const { container } = render(FoldLadder, { base: 1.1, foam: 0.2, additions });
  const ys = container
    .querySelector('path[stroke="var(--ink)"]')!
    .getAttribute('d')!
    .match(/-?[\d.]+,(-?[\d.]+)/g)!
    .map((p) => Number(p.split(',')[1]));
  expect(ys).toEqual(ys.toSorted((a, b) => b - a));
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain(
    '1, foam into base, 5.5× apart, then 0.60 g/ml; 2, foam into base, 3.0× apart, then 0.42 g/ml',
  );
});

it('an oven shows each rack of its mode: hotter to the right, cooler to the left, and how sure', () => {
  const place = (rack: string, mode: string, k: number, checks: number) => ({
    rack,
    mode,
    offset_k: likely(k, k - 4, k + 4),
    dial_c: 170 - k,
    checks,
  });
  const places = [place('top', 'static', 8, 2), place('middle', 'static', -6, 0), place('bottom', 'fan', 3, 1)];
  const { container } = render(OvenPlaces, { places: places as never, mode: 'static', dial: (c: number) => `${c} °C` });
  const [hot, cool] = all(container, 'rect').slice(2);
  expect(at(hot!, 'x', 'width')).toEqual([190, 40]);
  expect(at(cool!, 'x', 'width')).toEqual([160, 30]);
  expect(at(hot!, 'fill-opacity')[0]).toBeGreaterThan(at(cool!, 'fill-opacity')[0]!);
  expect(all(container, 'text').map(read)).toEqual([
    'top',
    '2 read',
    '+8 °C',
    '+4 °C to +12 °C; for 170 °C set 162 °C',
    'middle',
    'not measured',
    '−6 °C',
    '−10 °C to −2 °C; for 170 °C set 176 °C',
  ]);
});

it('a tray is marked place by place, by touch and by key', async () => {
  const onshade = vi.fn();
  render(BrowningTray, {
    rows: [
      [2, null],
      [4, 0],
    ],
    names: ['white', 'cream', 'gold', 'brown', 'dark'],
    onshade,
  });
  await fireEvent.click(screen.getByRole('button', { name: 'row 1, place 2: nothing lay there' }));
  await fireEvent.keyDown(screen.getByRole('button', { name: 'row 2, place 1: dark' }), { key: 'Enter' });
  await fireEvent.keyDown(screen.getByRole('button', { name: 'row 2, place 2: white' }), { key: 'Tab' });
  expect(onshade.mock.calls).toEqual([
    [0, 1],
    [1, 0],
  ]);
});

it('a past bake shows its minutes as predicted and as they were, on one scale', () => {
  const bake = (id: string, modelled_min: number, observed_min: number, above = false) =>
    ({ bake: id, at: '2026-11-20T06:00:00Z', title: id, modelled_min, observed_min, above, left_out: false }) as never;
  const bakes = [bake('late', 30, 36), bake('early', 40, 36), bake('even', 36, 36.3), bake('cut', 30, 33, true)];
  const { container } = render(PlannedActual, { bakes, href: (id: string) => `/log/${id}` });
  const rows = all(container, 'li');
  const rings = rows.map((r) => at(all(r, 'circle')[0]!, 'cx')[0]!);
  const dots = rows.map((r) => at(all(r, 'circle')[1]!, 'cx')[0]!);
  expect(dots[0]! - rings[0]!).toBeGreaterThan(0);
  expect(dots[1]! - rings[1]!).toBeLessThan(0);
  expect((dots[0]! - rings[0]!) / (rings[1]! - dots[1]!)).toBeCloseTo(6 / 4, 5);
  expect(rows.map((r) => read(all(r, 'tspan')[0]!))).toEqual(['+6', '−4', '±0', '+3']);
  expect(screen.getAllByRole('link').map((a) => a.getAttribute('href'))).toEqual([
    '/log/late',
    '/log/early',
    '/log/even',
    '/log/cut',
  ]);
  expect(screen.getAllByRole('link')[3]!.getAttribute('aria-label')).toContain(
    'predicted 30 minutes, more than 33 as it was',
  );
});

it('what was learned is drawn in order, each dot at its value, and one can be chosen', async () => {
  const onchoose = vi.fn();
  const steps = [1.3, 1.1, 0.9].map((value, i) => ({
    id: `bake ${i + 1}`,
    value,
    low: value - 0.1,
    likely: value,
    high: value + 0.1,
    trusted: 1,
    leftOut: i === 2,
    above: false,
    words: `bake ${i + 1}: ${value}`,
  }));
  render(Learning, { steps, none: 1, log: true, say: String, chosen: null, onchoose, label: 'Time' } as never);
  const dots = steps.map((s) => screen.getByRole('button', { name: new RegExp(s.words) }));
  await fireEvent.click(dots[1]!);
  expect(onchoose).toHaveBeenCalledWith('bake 2');
});

describe('a braid', () => {
  const braid = braidOf([piece('bowl', 0, 600), piece('pot', 100, 500, { volume_start_ml: 25, volume_end_ml: 25 })]);
  const anchor = Date.UTC(2026, 10, 25, 5);

  it('lets each step be picked, by touch and by key', async () => {
    const onpick = vi.fn();
    render(Braid, { props: { braid, anchor, label: 'Plan', onpick } });
    const pieces = screen.getAllByRole('button');
    expect(pieces).toHaveLength(2);
    await fireEvent.click(pieces[0]!);
    await fireEvent.keyDown(pieces[1]!, { key: ' ' });
    await fireEvent.keyDown(pieces[1]!, { key: 'x' });
    expect(onpick.mock.calls).toEqual([['bowl-0'], ['pot-100']]);
  });

  it('marks now in the picture, before it begins and after it ends too', () => {
    const mark = (ms: number) => {
      const { container } = render(Braid, { props: { braid, anchor, label: 'Plan', now: ms } });
      const [x] = all(container, 'line[stroke="var(--ink)"]').map((l) => at(l, 'x1')[0]!);
      cleanup();
      return x!;
    };
    const [before, start, half, end, after] = [-900, 0, 300, 600, 4000].map((s) => mark(anchor + s * 1000));
    expect(before).toBeCloseTo(start!, 5);
    expect(after).toBeCloseTo(end!, 5);
    expect(half).toBeCloseTo((start! + end!) / 2, 5);
  });
});
