import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lease } from '../src/lib/device/kept';
import { Owner } from '../src/lib/device/owner';
import { anotherDevice, lendLocks, lendNone } from './locks';

/** Streams that pages have open now. */
let open: FakeStream[];

class FakeStream extends EventTarget {
  static CLOSED = 2;
  readyState = 1;

  constructor() {
    super();
    open.push(this);
  }

  close(): void {
    open = open.filter((one) => one !== this);
  }

  says(type: string, data: object = {}): void {
    this.dispatchEvent(new MessageEvent(type, { data: JSON.stringify(data) }));
  }
}

beforeEach(() => {
  open = [];
  globalThis.indexedDB = new IDBFactory();
  vi.stubGlobal('BroadcastChannel', anotherDevice());
  vi.stubGlobal('EventSource', FakeStream);
  lendLocks();
});
afterEach(() => vi.unstubAllGlobals());

async function page() {
  vi.resetModules();
  return (await import('../src/lib/live.svelte')).live;
}

const CHANGE = { id: 7, bake: 'b', sequence: 3, kind: 'step_done' };

describe('live', () => {
  it('opens one stream for all pages of a device, and tells all of them', async () => {
    const pages = [await page(), await page(), await page()];
    await vi.waitFor(() => expect(open.length).toBe(1));
    const heard: [number, string][] = [];
    pages.forEach((live, n) => {
      live.listen((change) => heard.push([n, change ? change.kind : 'hello']));
      live.read((read) => heard.push([n, read.probe]));
      live.notice(() => heard.push([n, 'notice']));
    });
    for (const [type, data] of [
      ['hello', {}],
      ['change', CHANGE],
      ['reading', { probe: 'pot', at: '', celsius: 1 }],
    ] as const) {
      heard.length = 0;
      open[0]!.says(type, data);
      const told = { hello: ['hello', 'notice'], change: ['step_done'], reading: ['pot'] }[type];
      const wanted = pages.flatMap((_, n) => told.map((what) => `${n} ${what}`));
      await vi.waitFor(() => expect(heard.map((one) => one.join(' ')).sort()).toEqual(wanted.sort()));
    }
  });

  it('says on every page that the connection broke off, and that it came back', async () => {
    const pages = [await page(), await page()];
    await vi.waitFor(() => expect(open.length).toBe(1));
    open[0]!.says('error');
    await vi.waitFor(() => expect(pages.map((live) => live.connected)).toEqual([false, false]));
    // A page that is opened meanwhile is told so too.
    const third = await page();
    await vi.waitFor(() => expect(third.connected).toBe(false));
    open[0]!.says('hello');
    await vi.waitFor(() => expect([...pages, third].map((live) => live.connected)).toEqual([true, true, true]));
  });

  it('listens to a listener no more once it has gone', async () => {
    const live = await page();
    await vi.waitFor(() => expect(open.length).toBe(1));
    const heard: unknown[] = [];
    const stop = live.listen((change) => heard.push(change));
    open[0]!.says('change', CHANGE);
    expect(heard).toEqual([CHANGE]);
    stop();
    open[0]!.says('change', CHANGE);
    expect(heard.length).toBe(1);
  });
});

describe('whose turn it is', () => {
  /** Somebody who takes turns, and what it did. */
  function turns(did: string[], name: string): Owner {
    return new Owner('turn', () => {
      did.push(`${name} begins`);
      return () => did.push(`${name} ends`);
    });
  }

  it('is one page’s at a time, and can be taken from one that sleeps', async () => {
    const did: string[] = [];
    const [a, b] = [turns(did, 'a'), turns(did, 'b')];
    await vi.waitFor(() => expect([a.mine, b.mine]).toEqual([true, false]));
    b.take();
    await vi.waitFor(() => expect([a.mine, b.mine]).toEqual([false, true]));
    a.take();
    b.take();
    await vi.waitFor(() => expect([a.mine, b.mine]).toEqual([false, true]));
    expect(did[0]).toBe('a begins');
    expect(did.filter((one) => one.endsWith('begins')).length).toBe(
      did.filter((one) => one.endsWith('ends')).length + 1,
    );
  });

  it('goes by leases where the browser lends no locks', async () => {
    lendNone();
    const did: string[] = [];
    const [a, b] = [turns(did, 'a'), turns(did, 'b')];
    await vi.waitFor(() => expect(did.length).toBe(1));
    expect([a.mine, b.mine].filter(Boolean).length).toBe(1);
  });

  it('is lent again when it was not renewed, and never for longer than can be', async () => {
    expect(await lease('turn', 'a', 60)).toBe(true);
    expect([await lease('turn', 'b', 60), await lease('turn', 'a', 60)]).toEqual([false, true]);
    await vi.waitFor(async () => expect(await lease('turn', 'b', 60)).toBe(true));
    // A clock that was set back a year makes nobody wait for a year.
    expect(await lease('other', 'a', 365 * 86_400_000)).toBe(true);
    expect(await lease('other', 'b', 4000)).toBe(true);
  });
});
