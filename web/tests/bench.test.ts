import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { api, type BakeState } from '../src/lib/api/client';
import { outbox } from '../src/lib/outbox.svelte';
import { BenchState } from '../src/views/bench/bench.svelte';

const state = (now: string, sequence = 3, current = 'whip') =>
  ({
    id: 'b',
    now,
    sequence,
    current,
    speed: 1,
    status: 'running',
    details: {},
    steps: [],
    running: [],
  }) as unknown as BakeState;

beforeEach(() => {
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener(): void {}
      close(): void {}
    },
  );
  vi.spyOn(api, 'GET').mockReturnValue(new Promise(() => {}) as never);
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

it('takes the newer of two states, whether or not its moment has a fraction, and never an older one', () => {
  const bench = new BenchState('b');
  const stop = bench.follow();
  outbox.onstate(state('2026-11-25T05:00:01Z'));
  outbox.onstate(state('2026-11-25T05:00:01.400Z', 4));
  expect(bench.bake?.sequence).toBe(4);
  outbox.onstate(state('2026-11-25T05:00:01.200Z', 4, 'fold'));
  outbox.onstate(state('2026-11-25T05:00:09Z', 3, 'fold'));
  expect(bench.bake?.current).toBe('whip');
  outbox.onstate({ ...state('2026-11-25T05:00:10Z', 9), id: 'another' } as BakeState);
  expect(bench.bake?.sequence).toBe(4);
  stop();
});

it('looks at a step until the work moves on', () => {
  const bench = new BenchState('b');
  const stop = bench.follow();
  outbox.onstate(state('2026-11-25T05:00:01Z'));
  bench.look('cool');
  expect(bench.focus).toBe('cool');
  bench.look('whip');
  expect(bench.focus).toBeNull();
  bench.look('cool');
  outbox.onstate(state('2026-11-25T05:00:02Z', 4, 'fold'));
  expect(bench.focus).toBeNull();
  stop();
});

const withAct = (act: Record<string, unknown> | null) =>
  ({
    ...state('2026-11-25T05:00:01Z'),
    details: { whip: { act } },
    steps: [{ id: 'whip', status: 'waiting', title: 'Whip' }],
  }) as unknown as BakeState;

it('does what the server says comes next, and nothing while it is not ready', () => {
  const told = vi.spyOn(outbox, 'add').mockResolvedValue(undefined as never);
  const bench = new BenchState('b');
  const stop = bench.follow();
  outbox.onstate(
    withAct({ words: 'Start', kind: 'step_started', step: 'whip', ready: false, boil: null, whisk: null }),
  );
  bench.confirm();
  expect(told).not.toHaveBeenCalled();
  outbox.onstate({
    ...withAct({ words: 'Start', kind: 'step_started', step: 'whip', ready: true, boil: null, whisk: null }),
    sequence: 4,
  });
  bench.confirm();
  expect(told.mock.calls[0]?.[0]).toBe('b');
  expect(told.mock.calls[0]?.[1]).toMatchObject({ kind: 'step_started', step: 'whip' });
  expect(told.mock.calls[0]?.[1]).not.toHaveProperty('boil');
  outbox.onstate({ ...withAct(null), sequence: 5 });
  bench.confirm();
  expect(told).toHaveBeenCalledTimes(1);
  stop();
});

it('pours as one event that names both vessels', () => {
  const told = vi.spyOn(outbox, 'add').mockResolvedValue(undefined as never);
  const bench = new BenchState('b');
  const stop = bench.follow();
  outbox.onstate(
    withAct({
      words: 'Off the heat, pour',
      kind: 'syrup_poured',
      step: 'stream',
      ready: true,
      boil: 'boil',
      whisk: 'whip',
    }),
  );
  bench.confirm();
  expect(told).toHaveBeenCalledTimes(1);
  expect(told.mock.calls[0]?.[1]).toMatchObject({ kind: 'syrup_poured', step: 'stream', boil: 'boil', whisk: 'whip' });
  expect(String((told.mock.calls[0]?.[1] as { client_key: string }).client_key).length).toBeGreaterThan(7);
  stop();
});

it('says what the primary button stands for: a step, a pour, or to begin again', () => {
  const bench = new BenchState('b');
  const told: unknown[] = [];
  vi.spyOn(bench, 'ask').mockImplementation((event) => {
    told.push(event);
    return Promise.resolve(null);
  });
  const act = (kind: string, more = {}) => {
    const act = { words: '', kind, step: 'whip', ready: true, boil: '', whisk: '', ...more };
    bench.bake = { ...state('2026-11-25T05:00:01Z'), details: { whip: { act } } } as unknown as BakeState;
    bench.confirm();
  };
  act('step_done');
  act('syrup_poured', { boil: 'boil', whisk: 'soft' });
  act('begun_again');
  act('begun_again', { ready: false });
  bench.remedied('whip', 'a spoon of fresh white', 'egg-white', 12);
  expect(told).toEqual([
    { kind: 'step_done', step: 'whip' },
    { kind: 'syrup_poured', step: 'whip', boil: 'boil', whisk: 'soft' },
    { kind: 'begun_again', step: 'whip', share: 1, reason: '', planned: [] },
    {
      kind: 'changed',
      planned: [],
      change: {
        change: 'remedied',
        step: 'whip',
        remedy: 'a spoon of fresh white',
        ingredient: 'egg-white',
        grams: 12,
      },
    },
  ]);
});
