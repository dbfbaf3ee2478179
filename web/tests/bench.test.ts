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
