import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BakeState, ForecastView } from '../src/lib/api/client';
import { Asking } from '../src/lib/asking.svelte';
import { Wish } from '../src/lib/wish.svelte';
import { alerts } from '../src/views/bench/alerts.svelte';

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('asking', () => {
  it('shows the last answer asked for, whatever comes in between', async () => {
    const asking = new Asking<string>();
    asking.ask(() => new Promise((resolve) => setTimeout(() => resolve('slow and old'), 900)));
    await vi.advanceTimersByTimeAsync(10);
    asking.ask(() => Promise.resolve('quick and new'));
    await vi.advanceTimersByTimeAsync(2000);
    expect(asking.value).toBe('quick and new');
    expect(asking.waiting).toBe(false);
  });

  it('waits for a pause in the questions and keeps the old figure meanwhile', async () => {
    const asking = new Asking<number>();
    const asked: number[] = [];
    const question = (n: number) => () => {
      asked.push(n);
      return Promise.resolve(n);
    };
    asking.ask(question(0));
    await vi.advanceTimersByTimeAsync(10);
    for (let n = 1; n <= 5; n++) asking.ask(question(n));
    expect([asking.value, asking.waiting]).toEqual([0, true]);
    await vi.advanceTimersByTimeAsync(500);
    expect(asked).toEqual([0, 5]);
    expect(asking.value).toBe(5);
  });

  it('says that it takes its time, and leaves it with the server when told to', async () => {
    const asking = new Asking<number>();
    asking.ask(() => Promise.resolve(1));
    await vi.advanceTimersByTimeAsync(10);
    let left: AbortSignal | undefined;
    asking.ask((signal) => {
      left = signal;
      return new Promise(() => {});
    });
    await vi.advanceTimersByTimeAsync(900);
    expect([asking.waiting, asking.slow]).toEqual([true, false]);
    await vi.advanceTimersByTimeAsync(200);
    expect(asking.slow).toBe(true);
    asking.rest();
    expect([asking.waiting, asking.slow, asking.value, left?.aborted]).toEqual([false, false, 1, true]);
    asking.leave();
    expect(asking.value).toBeNull();
  });

  it('tells the server to leave an older question when a newer one is asked', async () => {
    const asking = new Asking<number>();
    const signals: AbortSignal[] = [];
    const question = (signal: AbortSignal) => {
      signals.push(signal);
      return new Promise<number>(() => {});
    };
    asking.ask(question);
    await vi.advanceTimersByTimeAsync(10);
    asking.ask(question);
    await vi.advanceTimersByTimeAsync(500);
    expect(signals.map((s) => s.aborted)).toEqual([true, false]);
  });

  it('keeps the old figure when the new question is refused, and says why', async () => {
    const asking = new Asking<number>();
    asking.ask(() => Promise.resolve(1));
    await vi.advanceTimersByTimeAsync(10);
    asking.ask(() => Promise.reject(new Error('no such tin')));
    await vi.advanceTimersByTimeAsync(500);
    expect(asking.value).toBe(1);
    expect(asking.problem?.detail).toContain('no such tin');
  });
});

describe('a wish', () => {
  const forecast = {
    total_g: 408.4,
    servings: 8,
    eggs: { count: 4, white_g: 126.3 },
    fills: [{ count: 28 }],
    ingredients: [
      { id: 'cake-flour', grams: 62 },
      { id: 'sugar', grams: 73.4 },
    ],
  } as ForecastView;

  it('asks by one amount, and the tins only receive it', () => {
    const wish = new Wish();
    expect(wish.body).toEqual({ beside: [] });
    wish.tin = 'tube-20';
    expect(wish.body).toEqual({ tin: 'tube-20', tin_count: 1, beside: [] });
    wish.lead('whites_g', forecast);
    wish.setCount(2);
    wish.addTins('round-15');
    expect(wish.body).toEqual({
      tin: 'tube-20',
      tin_count: 2,
      beside: [{ tin: 'round-15', count: 1 }],
      whites_g: 126,
    });
    wish.lead('total_g', forecast);
    expect(wish.body.whites_g).toBeUndefined();
    expect(wish.body.total_g).toBe(408);
  });

  it('begins a limit with all that the batch takes, and forgets a depth when an amount leads', () => {
    const wish = new Wish();
    wish.depth = 40;
    expect(wish.body.depth_mm).toBe(40);
    wish.lead('limit', forecast);
    expect(wish.body).toEqual({ beside: [], limit: { ingredient: 'cake-flour', grams: 62 } });
    wish.limitTo('sugar', forecast);
    expect(wish.body.limit).toEqual({ ingredient: 'sugar', grams: 73 });
    wish.lead('pieces', forecast);
    expect(wish.body.pieces).toBe(28);
  });
});

describe('alerts', () => {
  it('are the looks, cues, timers and foams that run out, in order', () => {
    const at = (minute: number) => new Date(Date.UTC(2026, 0, 1, 6, minute)).toISOString();
    const bake = {
      now: at(0),
      meetings: [],
      awaited: [{ whisk: 'cream', whisk_title: 'Whip the cream', start_at: at(9) }],
      running: ['whip', 'bake'],
      details: {
        whip: {
          outlook: { look_at: at(8) },
          forecast: { title: 'Whip', sets_foam: false },
          cues: [
            { id: 'c1', at: at(2), do: 'First third', done: true },
            { id: 'c2', at: at(4), do: 'Second third', done: false },
          ],
        },
        bake: { outlook: { look_at: at(30) }, forecast: { title: 'Bake', sets_foam: true }, cues: [] },
      },
      timers: [{ id: 't', label: 'butter', due_at: at(6) }],
      windows: [{ step: 'fold', closes: 'bake', name: 'yolk bowl', until: at(11) }],
    } as unknown as BakeState;
    const found = alerts(bake);
    expect(found.map((a) => a.words)).toEqual([
      'Second third',
      'butter',
      'Look: Whip',
      'Now: Whip the cream',
      'A minute left: yolk bowl',
      'Look: Bake',
    ]);
    expect(found.filter((a) => a.strikes === 3).map((a) => a.words)).toEqual([
      'butter',
      'A minute left: yolk bowl',
      'Look: Bake',
    ]);
  });

  it('tell of a syrup the whites cue once, two degrees before, and now', () => {
    const now = Date.UTC(2026, 0, 1, 6, 0);
    const bake = {
      now: new Date(now).toISOString(),
      running: ['boil'],
      awaited: [],
      meetings: [{ boil: 'boil', whisk: 'whip', stream: 'stream', meeting: { start_in_s: 20 } }],
      details: {
        boil: {
          outlook: { look_at: new Date(now + 90_000).toISOString() },
          forecast: { title: 'Boil', sets_foam: false },
          cues: [],
          watch: {
            readings: 60,
            pot: {
              phase: 'boiling',
              temperature_c: 112,
              seconds_to_take_off: 95,
              seconds_to_soon: 70,
            },
          },
        },
      },
      timers: [],
      windows: [],
    } as unknown as BakeState;
    expect(alerts(bake).map((a) => [a.words, (a.at - now) / 1000, a.strikes])).toEqual([
      ['Start the whites', 20, 1],
      ['Two degrees to go', 70, 2],
      ['Off the heat now', 95, 3],
    ]);
  });
});
