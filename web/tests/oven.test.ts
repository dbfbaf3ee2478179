import { afterEach, expect, it, vi } from 'vitest';
import { api } from '../src/lib/api/client';
import { OvenState } from '../src/views/ovens/oven.svelte';

afterEach(() => vi.restoreAllMocks());

const never = () => new Promise(() => {}) as never;

it('goes one shade on with every touch, past the darkest to nothing and round again', () => {
  vi.spyOn(api, 'POST').mockReturnValue(never());
  const oven = new OvenState('deck');
  oven.startMap();
  const seen = [0, 1, 2, 3, 4].map(() => {
    oven.shade(1, 2);
    return oven.rows[1]![2];
  });
  expect(seen).toEqual([3, 4, null, 0, 1]);
  expect(oven.rows[0]![2]).toBe(2);
});

it('keeps a map open that the server refused, and says why', async () => {
  const problem = { detail: 'The map is too small.', remedy: 'Mark more.' };
  vi.spyOn(api, 'POST').mockResolvedValue({ error: problem, response: { status: 422 } } as never);
  const oven = new OvenState('deck');
  oven.startMap();
  await oven.keepMap();
  expect(oven.marking).toBe(true);
  expect(oven.problem?.detail).toBe('The map is too small.');
});
