import { cleanup, render } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../src/lib/api/client';
import Composition from '../src/lib/draw/Composition.svelte';
import { pieces } from '../src/lib/draw/pieces';
import Section from '../src/lib/draw/Section.svelte';
import { Goods } from '../src/views/goods/goods.svelte';
import { all, at, likely } from './page';
import { problem, serverWith } from './server';

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.restoreAllMocks();
});

const LIST = { law: 'eu', groups: { egg: ['egg'], nuts: ['almond', 'hazelnut'] }, names: { egg: 'egg' } };
const FOODS = [{ id: 'praline-paste', name: 'praline paste', kind: 'nut', allergens: ['hazelnut'] }];
const OWN = {
  id: 'own-nibs-1',
  key: 'nibs',
  name: 'Nibs',
  own: true,
  good: { key: 'nibs', name: 'Nibs', allergens: ['egg'] },
};

describe('the shelf', () => {
  async function opened(answers: Parameters<typeof serverWith>[0] = {}, name = '') {
    const asked = serverWith({
      'GET /api/goods': () => [OWN],
      'GET /api/craft/ingredients': () => FOODS,
      'GET /api/goods/allergens': () => LIST,
      ...answers,
    });
    const goods = new Goods();
    await goods.load(name);
    return { goods, sent: (verb: string) => asked.filter((c) => c.verb === verb).map((c) => c.body) };
  }

  it('opens a good that a recipe names, and begins one that it does not know', async () => {
    expect((await opened({}, 'nibs')).goods.key).toBe('nibs');
    const { goods } = await opened({}, 'moon crackle');
    expect([goods.key, goods.body?.name]).toEqual(['', 'moon crackle']);
    expect((await opened()).goods.body).toBeNull();
  });

  it('turns an allergen from not in it to contains to may contain and back', async () => {
    const { goods } = await opened({}, 'x');
    const seen = [];
    for (let i = 0; i < 4; i++) {
      seen.push([goods.holding('egg'), goods.body?.allergens, goods.body?.may_contain]);
      goods.turn('egg');
    }
    expect(seen).toEqual([
      ['no', [], []],
      ['contains', ['egg'], []],
      ['may', [], ['egg']],
      ['no', [], []],
    ]);
  });

  it('takes the allergens of what a new good stands for, but not over what was entered', async () => {
    const { goods } = await opened({}, 'x');
    goods.standFor('praline-paste');
    expect(goods.body?.allergens).toEqual(['hazelnut']);
    goods.begin('y');
    goods.turn('egg');
    goods.standFor('praline-paste');
    expect(goods.body?.allergens).toEqual(['egg']);
  });

  it('keeps what was entered when it is refused or the network is away, also over a reload', async () => {
    let answer: unknown = problem({ detail: 'the parts add up to 130 g', field: 'label' });
    const { goods } = await opened({ 'POST /api/goods': () => answer }, 'moon crackle');
    goods.turn('almond');
    await goods.save();
    expect([goods.problem?.field, goods.body?.allergens]).toEqual(['label', ['almond']]);
    answer = null;
    await goods.save();
    expect(goods.problem?.title).toBe('The server does not answer');
    const later = (await opened()).goods;
    expect([later.body?.name, later.body?.allergens]).toEqual(['moon crackle', ['almond']]);
    expect((await opened({}, 'Moon crackle')).goods.body?.allergens).toEqual(['almond']);
    expect((await opened({}, 'something else')).goods.body?.allergens).toEqual([]);
  });

  it('is cleared once it lies there, and says which formulas follow', async () => {
    const kept = { id: 'own-x-1', good: { name: 'Moon crackle', key: 'x' }, formulas: ['a', 'b'] };
    const { goods, sent } = await opened({ 'POST /api/goods': () => kept }, 'moon crackle');
    await goods.save();
    expect(goods.done).toBe('“Moon crackle” is on the shelf. 2 formulas of the Book made with it now.');
    expect([goods.body, localStorage.getItem('kindwhisk.good')]).toEqual([null, null]);
    expect(sent('POST')).toEqual([expect.objectContaining({ name: 'moon crackle', key: '', label_read: false })]);
  });

  it('changes the one that was opened, at its own address', async () => {
    const kept = { id: 'own-nibs-2', good: { name: 'Nibs', key: 'nibs' }, formulas: [] };
    const { goods, sent } = await opened({ 'PUT /api/goods/{key}': () => kept }, 'nibs');
    goods.turn('almond');
    await goods.save();
    expect(sent('PUT')).toEqual([expect.objectContaining({ allergens: ['egg', 'almond'] })]);
    expect(sent('POST')).toEqual([]);
  });

  it('takes a good off the shelf, and says so only when it is', async () => {
    let answer: unknown = null;
    const { goods } = await opened({ 'DELETE /api/goods/{key}': () => answer }, 'nibs');
    await goods.remove();
    expect([goods.done, goods.key, goods.problem?.title]).toEqual(['', 'nibs', 'The server does not answer']);
    answer = problem({ detail: 'There is no good of that key.' });
    await goods.remove();
    expect([goods.done, goods.problem?.detail]).toEqual(['', 'There is no good of that key.']);
    answer = {};
    await goods.remove();
    expect(goods.done).toBe('“Nibs” is off the shelf. Formulas that are made with it keep it.');
    expect(goods.body).toBeNull();
  });

  it('asks by what is typed, and shows its own where nothing is', async () => {
    const found = [{ id: 'peanut-butter', name: 'peanut butter' }];
    const { goods } = await opened({ 'GET /api/goods': (c) => (c.query ? found : [OWN]) });
    expect(goods.shown.map((g) => g.id)).toEqual(['own-nibs-1']);
    goods.sought = 'beurre';
    goods.seek();
    await vi.advanceTimersByTimeAsync(200);
    expect(goods.shown.map((g) => g.id)).toEqual(['peanut-butter']);
  });
});

describe('pieces in a section', () => {
  const BERRY = { name: 'blueberries', colour: '#3f4672', size_mm: 13, volume_share: 0.2 };

  it('are as large as they are, and cover the share that they take', () => {
    const drawn = pieces([BERRY], 300, 100, 1.5);
    expect(new Set(drawn.map((d) => d.r))).toEqual(new Set([9.75]));
    const covered = drawn.reduce((sum, d) => sum + Math.PI * d.r ** 2, 0);
    expect(covered / (300 * 100)).toBeGreaterThan(0.17);
    expect(covered / (300 * 100)).toBeLessThan(0.23);
  });

  it('stay within the content, stand still when drawn again, and one is shown of very few', () => {
    const drawn = pieces([BERRY], 300, 100, 1.5);
    expect(pieces([BERRY], 300, 100, 1.5)).toEqual(drawn);
    for (const d of drawn) {
      expect(d.x - d.r).toBeGreaterThanOrEqual(-1e-9);
      expect(d.x + d.r).toBeLessThanOrEqual(300 + 1e-9);
      expect(d.y + d.r).toBeLessThanOrEqual(100 + 1e-9);
    }
    expect(pieces([{ ...BERRY, volume_share: 0.0001 }], 300, 100, 1.5)).toHaveLength(1);
    expect(pieces([], 300, 100, 1.5)).toEqual([]);
  });

  it('are drawn in their own colour and named to those who listen', () => {
    const section = {
      form: 'bowl', name: 'bowl', wall: [{ height_mm: 0, outer_mm: 50, inner_mm: 0 }, { height_mm: 80, outer_mm: 90, inner_mm: 0 }],
      rim_mm: 80, level_mm: 40, start_level_mm: 20, volume_ml: likely(600), density_g_per_ml: likely(0.5), air_fraction: 0.4,
      baked: false, colour: '#f3e3b0', pieces: [BERRY],
    } as unknown as Schemas['Section']; // prettier-ignore
    const { container } = render(Section, { section });
    const circles = all(container, 'circle');
    expect(circles.length).toBeGreaterThan(3);
    expect(new Set(circles.map((c) => c.getAttribute('fill')))).toEqual(new Set(['#3f4672']));
    expect(container.querySelector('svg')?.getAttribute('aria-label')).toContain('with blueberries');
    expect(all(render(Section, { section: { ...section, pieces: [] } }).container, 'circle')).toHaveLength(0);
  });
});

describe('what a good is made of', () => {
  it('is drawn part by part from left to right, and said', () => {
    const composition = { water: 0.5, sugars: 0.25, fat: 0.245, salt: 0.005 } as Schemas['Composition'];
    const { container } = render(Composition, { composition });
    const parts = all(container, 'rect').map((r) => ['x', 'width'].map((n) => parseFloat(r.getAttribute(n)!)));
    expect(parts).toEqual([
      [0, 50],
      [50, 25],
      [75, 24.5],
    ]);
    expect(container.querySelector('svg')?.getAttribute('aria-label')).toBe('water 50 %, sugars 25 %, fat 25 %');
    expect(at(container.querySelector('svg')!, 'height')).toEqual([12]);
  });
});
