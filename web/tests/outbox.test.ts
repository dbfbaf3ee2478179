import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { BenchEvent } from '../src/lib/outbox.svelte';
import { anotherDevice, lendLocks, lendNone } from './locks';

const note = (client_key: string) =>
  ({ kind: 'note_added', client_key, at: '2026-11-25T05:00:00Z', text: 'x' }) as BenchEvent;
const TAKEN = { status: 200, body: { id: 'b' } };
const AWAY = null;
const REFUSAL = {
  type: 'about:blank', title: 'Not now', status: 409, detail: 'It is over already.', field: 'step', remedy: 'Undo it.',
  errors: [],
}; // prettier-ignore

type Answer = { status: number; body: object } | null;
let answer: (key: string) => Answer;
let asked: string[];

async function post(_: string, { body }: { body: { client_key: string } }) {
  asked.push(body.client_key);
  const told = answer(body.client_key);
  if (told === AWAY) throw new TypeError('no network');
  const response = { status: told.status } as Response;
  return told.status < 400 ? { data: told.body, response } : { error: told.body, response };
}

/** Another page of the same device. */
async function page() {
  vi.resetModules();
  vi.doMock('../src/lib/api/client', async (original) => ({ ...(await original<object>()), api: { POST: post } }));
  const { outbox } = await import('../src/lib/outbox.svelte');
  return outbox;
}

beforeEach(() => {
  // Each test is a device of its own, whatever pages of the one before still try.
  vi.stubGlobal('BroadcastChannel', anotherDevice());
  localStorage.clear();
  globalThis.indexedDB = new IDBFactory();
  lendLocks();
  asked = [];
  answer = () => TAKEN;
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.doUnmock('../src/lib/api/client');
});

describe('the outbox', () => {
  it('sends what is entered, in order, and keeps nothing of it', async () => {
    const outbox = await page();
    expect(await Promise.all(['one-1111', 'two-2222'].map((key) => outbox.add('b', note(key))))).toEqual([null, null]);
    expect(asked).toEqual(['one-1111', 'two-2222']);
    await vi.waitFor(() => expect([outbox.waiting, outbox.stuck]).toEqual([0, false]));
  });

  it('keeps what two pages entered while the server was away, and sends each once, in order', async () => {
    answer = () => AWAY;
    const [a, b] = [await page(), await page()];
    await a.add('b', note('a1-11111'));
    await a.add('b', note('a2-22222'));
    await b.add('b', note('b1-11111'));
    await vi.waitFor(() => expect([a.waiting, b.waiting, a.stuck, b.stuck]).toEqual([3, 3, true, true]));
    asked = [];
    answer = () => TAKEN;
    await a.flush();
    await b.flush();
    await vi.waitFor(() => expect([a.waiting, b.waiting]).toEqual([0, 0]));
    expect(asked).toEqual(['a1-11111', 'a2-22222', 'b1-11111']);
  });

  it('sends from any page what was kept before it was opened', async () => {
    answer = () => AWAY;
    await (await page()).add('b', note('kept-111'));
    lendLocks(); // that page is closed
    asked = [];
    answer = () => TAKEN;
    const later = await page();
    await vi.waitFor(() => expect([asked, later.waiting]).toEqual([['kept-111'], 0]));
  });

  it('tries again by itself', async () => {
    answer = () => AWAY;
    const outbox = await page();
    await outbox.add('b', note('again-11'));
    answer = () => TAKEN;
    await vi.waitFor(() => expect([outbox.waiting, outbox.stuck]).toEqual([0, false]), { timeout: 5000 });
    expect(asked).toEqual(['again-11', 'again-11']);
  });

  it('takes over what an earlier version kept, and shows what of it is damaged', async () => {
    localStorage.setItem('kindwhisk.outbox', JSON.stringify([{ bake: 'b', event: note('old-1111') }, { bake: 7 }]));
    const outbox = await page();
    await vi.waitFor(() => expect(outbox.left.map((one) => [one.damaged, one.text])).toEqual([[true, '{"bake":7}']]));
    await outbox.add('b', note('new-1111'));
    expect(asked).toEqual(['old-1111', 'new-1111']);
    expect(localStorage.getItem('kindwhisk.outbox')).toBeNull();
    await outbox.dismiss(outbox.left[0]!.n);
    await vi.waitFor(() => expect(outbox.left).toEqual([]));
  });

  it('opens with an entry that is no entry at all', async () => {
    localStorage.setItem('kindwhisk.outbox', '[{"bake": "b", "ev');
    const outbox = await page();
    await vi.waitFor(() => expect(outbox.left.map((one) => one.text)).toEqual(['[{"bake": "b", "ev']));
    expect(await outbox.add('b', note('right-11'))).toBeNull();
  });

  it('hands a refusal to whoever asked, on whatever page that is, and goes on with the next', async () => {
    answer = (key) => (key === 'wrong-11' ? { status: 409, body: REFUSAL } : TAKEN);
    const [owner, other] = [await page(), await page()];
    const answers = [other.add('b', note('wrong-11')), other.add('b', note('right-11'))];
    expect(await Promise.all(answers)).toEqual([REFUSAL, null]);
    expect(asked).toEqual(['wrong-11', 'right-11']);
    await vi.waitFor(() => expect([owner.left, other.left]).toEqual([[], []]));
  });

  it('shows what was refused after its page was closed, until somebody lets go of it', async () => {
    answer = () => AWAY;
    await (await page()).add('b', note('late-111'));
    lendLocks();
    answer = () => ({ status: 409, body: REFUSAL });
    const later = await page();
    await vi.waitFor(() => expect(later.left.map((one) => one.why)).toEqual(['It is over already.']));
    expect(later.left[0]!.text).toContain('note added');
    await later.dismiss(later.left[0]!.n);
    await vi.waitFor(() => expect(later.left).toEqual([]));
  });

  it('keeps an event when the server fails or wants a passcode first', async () => {
    for (const status of [500, 503, 507, 401]) {
      globalThis.indexedDB = new IDBFactory();
      lendLocks();
      answer = () => ({ status, body: { ...REFUSAL, status } });
      const outbox = await page();
      await outbox.add('b', note(`kept-${status}`));
      await vi.waitFor(() => expect([outbox.waiting, outbox.stuck], String(status)).toEqual([1, true]));
    }
  });

  it('says so and sends all the same where the browser keeps nothing', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('private', 'SecurityError');
      },
    });
    const outbox = await page();
    expect(await outbox.add('b', note('frail-11'))).toBeNull();
    expect([asked.filter((key) => key === 'frail-11'), outbox.frail]).toEqual([['frail-11'], true]);
    await vi.waitFor(() => expect(outbox.waiting).toBe(0));
    // And tries again by itself, as any other.
    answer = () => AWAY;
    expect(await outbox.add('b', note('frail-22'))).toBeNull();
    await vi.waitFor(() => expect([outbox.waiting, outbox.stuck]).toEqual([1, true]));
    answer = () => TAKEN;
    await vi.waitFor(() => expect([outbox.waiting, outbox.stuck]).toEqual([0, false]), { timeout: 5000 });
  });

  it('works where the browser lends no locks, from one page at a time', async () => {
    lendNone();
    const [a, b] = [await page(), await page()];
    await Promise.all([a.add('b', note('a1-11111')), b.add('b', note('b1-11111'))]);
    expect([...asked].sort()).toEqual(['a1-11111', 'b1-11111']);
  });
});
