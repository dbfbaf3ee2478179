import { describe, expect, it } from 'vitest';
import type { BakeState } from '../src/lib/api/client';
import { calling, CALLS_MS, calls } from '../src/views/bench/others.svelte';

const AT = Date.parse('2026-11-30T09:00:00Z');

function bake(id: string, title: string, minutes: number): BakeState {
  const due_at = new Date(AT + minutes * 60_000).toISOString();
  return {
    id,
    title,
    now: new Date(AT).toISOString(),
    meetings: [],
    awaited: [],
    running: [],
    details: {},
    windows: [],
    timers: [{ id: 't', label: 'Turn the tray', due_at }],
    status: 'running',
    steps: [],
  } as unknown as BakeState;
}

describe('calls of other bakes', () => {
  it('name their bake, and two with the same timer are two', () => {
    const found = calls([bake('a', 'Tea chiffon', 1), bake('b', 'Orange roll', 2)]);
    expect(found.map((c) => `${c.title}: ${c.words}`)).toEqual([
      'Tea chiffon: Turn the tray',
      'Orange roll: Turn the tray',
    ]);
    expect(new Set(found.map((c) => c.id)).size).toBe(2);
  });

  it('are heard when their time has come, the latest first, and not for ever', () => {
    const found = calls([bake('a', 'Tea chiffon', 1), bake('b', 'Orange roll', 2), bake('c', 'Loaf', 9)]);
    expect(calling(found, AT)).toEqual([]);
    expect(calling(found, AT + 2 * 60_000).map((c) => c.bake)).toEqual(['b', 'a']);
    expect(calling(found, AT + 2 * 60_000 + CALLS_MS)).toEqual([]);
  });
});
