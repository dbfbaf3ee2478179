import { beforeEach, describe, expect, it, vi } from 'vitest';
import { LogPages } from '../src/views/log/log.svelte';
import { problem, serverWith } from './server';

const bake = (id: string) => ({ id, title: id, started_at: '2026-11-02T06:00:00Z', status: 'finished', summary: null });
const many = (n: number, from = 0) => Array.from({ length: n }, (_, i) => bake(`b${from + i}`));
const CHOICES = { formulas: [], classes: [], ovens: [], hands: [], faults: [] };

beforeEach(() => {
  history.replaceState(null, '', '/log');
});

describe('the Log as it is looked through', () => {
  it('asks for what is sought and for nothing else', async () => {
    const asked = serverWith({ 'GET /api/bakes': () => many(2), 'GET /api/bakes/choices': () => CHOICES });
    const pages = new LogPages();
    await pages.begin();
    pages.seek({ fault: 'sunk middle', stars: '2' });
    await vi.waitFor(() => expect(pages.bakes).toHaveLength(2));
    expect(asked.at(-1)?.query).toMatchObject({ fault: 'sunk middle', stars: 2, sort: 'newest' });
    expect(asked.at(-1)?.query).toMatchObject({ words: undefined, oven: undefined, since: undefined });
  });

  it('keeps what is sought in the address, and takes it from there', () => {
    serverWith({ 'GET /api/bakes': () => [] });
    const pages = new LogPages();
    pages.seek({ words: 'rain & sun', class: 'génoise', sort: 'best' });
    expect(new LogPages().sought).toMatchObject({ words: 'rain & sun', class: 'génoise', sort: 'best' });
    pages.all();
    expect(location.search).toBe('');
    expect(pages.seeks).toBe(false);
  });

  it('bounds whole days by this device’s own midnight', () => {
    const asked = serverWith({ 'GET /api/bakes': () => [] });
    new LogPages().seek({ since: '2026-11-02', until: '2026-11-02' });
    const { since, until } = asked.at(-1)!.query! as { since: string; until: string };
    expect(Date.parse(until) - Date.parse(since)).toBe(86_400_000);
    expect(new Date(since).getHours()).toBe(0);
  });

  it('goes on after the last bake, and knows when there are no more', async () => {
    const asked = serverWith({
      'GET /api/bakes': (c) => ((c.query as never as { before?: string }).before ? many(3, 100) : many(100)),
    });
    const pages = new LogPages();
    await pages.load();
    expect(pages.more).toBe(true);
    await pages.load('b99');
    expect(asked.at(-1)?.query).toMatchObject({ before: 'b99' });
    expect(pages.bakes).toHaveLength(103);
    expect(pages.more).toBe(false);
  });

  it('shows the answer to the last question, whichever comes last', async () => {
    const waiting: ((found: unknown) => void)[] = [];
    serverWith({});
    const { api } = await import('../src/lib/api/client');
    vi.spyOn(api, 'GET').mockImplementation(
      () =>
        new Promise((resolve) =>
          waiting.push((data) => resolve({ data, response: { status: 200 } } as never)),
        ) as never,
    );
    const pages = new LogPages();
    const [old, now] = [pages.load(), pages.load()];
    waiting[1]!([bake('now')]);
    waiting[0]!([bake('old')]);
    await Promise.all([old, now]);
    expect(pages.bakes?.map((b) => b.id)).toEqual(['now']);
  });

  it('keeps what is shown where the server refuses, and says why', async () => {
    let refuse = false;
    serverWith({ 'GET /api/bakes': () => (refuse ? problem({ detail: 'No such day.' }) : many(1)) });
    const pages = new LogPages();
    await pages.load();
    refuse = true;
    await pages.load();
    expect(pages.bakes).toHaveLength(1);
    expect(pages.problem?.detail).toBe('No such day.');
    refuse = false;
    await pages.load();
    expect(pages.problem).toBeNull();
  });

  it('puts two side by side: a third lets the first go, a second touch lets one go', () => {
    const pages = new LogPages();
    ['a', 'b', 'c'].forEach((b) => pages.take(b));
    expect(pages.pair).toEqual(['b', 'c']);
    pages.take('b');
    expect(pages.pair).toEqual(['c']);
  });
});
