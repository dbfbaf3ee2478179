import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { freeId, KitchenState } from '../src/views/kitchen/kitchen.svelte';
import { OvenState } from '../src/views/ovens/oven.svelte';
import { Day } from '../src/views/today/today.svelte';
import { problem, serverWith } from './server';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
});

describe('the kitchen', () => {
  const PROFILE = { revision: 7, kitchen: { name: 'Kitchen', tins: [] } };

  async function opened(save: (call: { body?: never }) => unknown) {
    const asked = serverWith({
      'GET /api/kitchen': () => structuredClone(PROFILE),
      'GET /api/craft/tin-shapes': () => [],
      'GET /api/craft/shelf-life': () => [],
      'PUT /api/kitchen': save,
    });
    const state = new KitchenState();
    await state.load();
    return {
      state,
      saves: () => asked.filter((c) => c.verb === 'PUT').map((c) => c.body as unknown as typeof PROFILE),
    };
  }

  it('is saved once it has been quiet for a moment, with all that was entered', async () => {
    const { state, saves } = await opened(() => ({ ...PROFILE, revision: 8 }));
    for (const name of ['N', 'Ne', 'New']) {
      state.change((k) => void (k.name = name));
      await vi.advanceTimersByTimeAsync(400);
    }
    expect([saves(), state.saved]).toEqual([[], 'saving']);
    await vi.advanceTimersByTimeAsync(600);
    expect(saves()).toEqual([{ revision: 7, kitchen: { name: 'New', tins: [] } }]);
    expect([state.saved, state.revision]).toEqual(['yes', 8]);
  });

  it('builds each save on the revision that the one before it made', async () => {
    let revision = 7;
    const { state, saves } = await opened(() => ({ ...PROFILE, revision: ++revision }));
    state.change((k) => void (k.name = 'first'));
    await vi.advanceTimersByTimeAsync(600);
    state.change((k) => void (k.name = 'second'));
    await vi.advanceTimersByTimeAsync(600);
    expect(saves().map((s) => [s.revision, s.kitchen.name])).toEqual([
      [7, 'first'],
      [8, 'second'],
    ]);
  });

  it('is sent when the page is left, once, also after a save that failed', async () => {
    let away = true;
    const { state, saves } = await opened(() => (away ? null : { ...PROFILE, revision: 8 }));
    const stop = state.keepOnLeaving();
    window.dispatchEvent(new Event('pagehide'));
    expect(saves()).toHaveLength(0);
    state.change((k) => void (k.name = 'kept'));
    await vi.advanceTimersByTimeAsync(600);
    expect([state.saved, state.problem?.status]).toEqual(['no', 0]);
    away = false;
    window.dispatchEvent(new Event('pagehide'));
    await vi.advanceTimersByTimeAsync(0);
    expect(saves().map((s) => s.kitchen.name)).toEqual(['kept', 'kept']);
    expect([state.saved, state.problem]).toEqual(['yes', null]);
    stop();
    await vi.advanceTimersByTimeAsync(5000);
    expect(saves()).toHaveLength(2);
  });

  it('keeps what was entered when the server refuses it, and says why', async () => {
    const { state } = await opened(() => problem({ field: 'kitchen.name' }));
    state.change((k) => void (k.name = ''));
    await vi.advanceTimersByTimeAsync(600);
    expect([state.saved, state.kitchen!.name, state.problem!.field]).toEqual(['no', '', 'kitchen.name']);
  });

  it('gives what is new an id that nothing has', () => {
    expect(freeId('oven', [])).toBe('oven-1');
    expect(freeId('oven', [{ id: 'oven-1' }, { id: 'oven-3' }, { id: 'deck' }])).toBe('oven-2');
  });
});

describe('an oven', () => {
  const PROFILE = { oven: 'deck', mode: 'fan', offsets: [] };
  async function opened(note: () => unknown = () => PROFILE) {
    const asked = serverWith({
      'GET /api/ovens/{oven_id}/profile': () => PROFILE,
      'GET /api/ovens/bakes': () => [],
      'POST /api/ovens/{oven_id}/notes': note,
      'POST /api/ovens/map': () => ({ side: 'left' }),
    });
    const state = new OvenState('deck');
    await state.load();
    return {
      state,
      notes: () =>
        asked
          .filter((c) => c.path.endsWith('notes'))
          .map((c) => c.body as unknown as { client_key: string; note: object }),
    };
  }

  it('is checked as it usually bakes, each reading under a key of its own', async () => {
    const { state, notes } = await opened();
    await state.keepReading();
    state.rack = 'top';
    state.measured = 181;
    await state.keepReading();
    expect(notes().map((n) => n.note)).toEqual([
      { kind: 'checked', set_c: 170, measured_c: 165, rack: 'middle', mode: 'fan' },
      { kind: 'checked', set_c: 170, measured_c: 181, rack: 'top', mode: 'fan' },
    ]);
    expect(new Set(notes().map((n) => n.client_key)).size).toBe(2);
  });

  it('goes through all shades of a place, and through nothing', async () => {
    const { state } = await opened();
    state.startMap();
    const seen = Array.from({ length: 7 }, () => {
      state.shade(1, 2);
      return state.rows[1]![2];
    });
    expect(seen).toEqual([3, 4, null, 0, 1, 2, 3]);
    expect(state.rows.flat().filter((g) => g !== 2)).toEqual([3]);
    await vi.advanceTimersByTimeAsync(500);
    expect(state.told.value).toEqual({ side: 'left' });
  });

  it('keeps a tray that was marked until the server has it', async () => {
    let said: object | null = null;
    const { state, notes } = await opened(() => said);
    state.startMap();
    state.shade(0, 0);
    await state.keepMap();
    expect([state.marking, state.rows[0]![0], state.problem?.status]).toEqual([true, 3, 0]);
    said = PROFILE;
    await state.keepMap();
    expect([state.marking, state.problem, notes().length]).toEqual([false, null, 2]);
  });
});

describe('a plan for the day', () => {
  const BOOK = [
    { id: 'roll', technique: 'rolled sponge' },
    { id: 'chiffon', technique: 'separated chiffon' },
  ];
  async function opened(more: Parameters<typeof serverWith>[0] = {}) {
    const asked = serverWith({
      'GET /api/formulas': () => BOOK,
      'GET /api/kitchen': () => ({ kitchen: { tins: [] } }),
      'GET /api/bakes': () =>
        ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, status: id === 'c' ? 'running' : 'finished' })),
      'GET /api/bakes/{bake_id}': () => ({ id: 'c' }),
      'GET /api/bakes/{bake_id}/braid': () => ({ pieces: [] }),
      'POST /api/plans': () => ({ plan: true }),
      'POST /api/formulas/{formula_id}/scale': () => ({ total_g: 500 }),
      ...more,
    });
    const day = new Day();
    await day.load();
    await vi.advanceTimersByTimeAsync(500);
    return {
      day,
      posts: (path: string) =>
        asked
          .filter((c) => c.verb === 'POST' && c.path === path)
          .map((c) => c.body as never as Record<string, unknown>),
    };
  }

  it('opens on what runs and what was baked last, with a plan', async () => {
    const { day, posts } = await opened();
    expect([day.formula, day.loaded, day.problem]).toEqual(['chiffon', true, null]);
    expect([day.running.map((b) => b.id), Object.keys(day.braids)]).toEqual([['c'], ['c']]);
    expect(day.past.map((b) => b.id)).toEqual(['a', 'b', 'd']);
    expect(posts('/api/plans')).toEqual([{ formula_id: 'chiffon', ready_at: day.moment, beside: [] }]);
  });

  it('asks again only when something of it changed', async () => {
    const { day, posts } = await opened();
    const settle = async () => {
      day.consider();
      await vi.advanceTimersByTimeAsync(500);
      return posts('/api/plans').length;
    };
    expect(await settle()).toBe(1);
    day.wish.setCount(2);
    expect(await settle()).toBe(2);
    day.readyAt = 'soon';
    expect([await settle(), posts('/api/formulas/{formula_id}/scale').length]).toEqual([2, 3]);
    expect(await day.start('planned')).toBeNull();
  });

  it('starts a bake under the same key until the server has it', async () => {
    let said: object | null = null;
    const { day, posts } = await opened({ 'POST /api/bakes': () => said });
    expect(await day.start('planned')).toBeNull();
    expect(day.problem!.title).toBe('The server does not answer');
    said = { id: 'new' };
    expect(await day.start('planned')).toBe('new');
    expect(await day.start('planned')).toBe('new');
    const [lost, sent, another] = posts('/api/bakes').map((b) => b.client_key);
    expect(sent).toBe(lost);
    expect(another).not.toBe(sent);
  });
});
