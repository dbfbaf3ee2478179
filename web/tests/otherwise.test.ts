import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { BenchState } from '../src/views/bench/bench.svelte';
import { Otherwise } from '../src/views/bench/otherwise/otherwise.svelte';
import { problem, serverWith } from './server';

const change = { change: 'retimed' } as const;

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

/** Somebody to whom a change is offered; what was posted as an event, and what is answered to it. */
function offered(answers: Parameters<typeof serverWith>[0], refused: ReturnType<typeof problem> | null = null) {
  const bench = new BenchState('b');
  const asked = serverWith(answers);
  const posted: unknown[] = [];
  vi.spyOn(bench, 'ask').mockImplementation((event) => {
    posted.push(event);
    return Promise.resolve(refused);
  });
  return { otherwise: new Otherwise(bench), asked, posted };
}

it('shows what would follow without doing it, and does it once that is wanted', async () => {
  const { otherwise, asked, posted } = offered({ 'POST /api/bakes/{bake_id}/foreseen': () => ({ said: 'so' }) });
  otherwise.change(change);
  await vi.advanceTimersByTimeAsync(200);
  expect(otherwise.follows.value).toEqual({ said: 'so' });
  expect(asked.map((a) => a.path)).toEqual(['/api/bakes/{bake_id}/foreseen']);
  expect(posted).toEqual([]);
  expect(await otherwise.keep()).toBe(true);
  expect(posted).toEqual([{ kind: 'changed', change, planned: [] }]);
});

it('asks nothing where nothing is asked for, and nothing beforehand of what was done before', async () => {
  const { otherwise, asked, posted } = offered({});
  otherwise.change(null);
  expect(await otherwise.keep()).toBe(false);
  otherwise.consider({ kind: 'done_before', step: 'base', when: '2026-11-25T05:00:00Z' });
  await vi.advanceTimersByTimeAsync(200);
  expect(asked).toEqual([]);
  await otherwise.keep();
  expect(posted).toEqual([{ kind: 'done_before', step: 'base', when: '2026-11-25T05:00:00Z' }]);
});

it('stays open with what is wrong where it is refused', async () => {
  const { otherwise } = offered({}, problem({ detail: 'It is in the tin.' }));
  otherwise.change(change);
  expect(await otherwise.keep()).toBe(false);
  expect(otherwise.problem?.detail).toBe('It is in the tin.');
});
