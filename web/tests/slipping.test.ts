import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

const asked = vi.hoisted(() => ({ bodies: [] as { seconds: number }[], slipped: false, fails: false }));

vi.mock('../src/lib/api/client', () => ({
  api: { POST: (_: string, { body }: { body: { seconds: number } }) => body },
  ask: async (body: { seconds: number }) => {
    asked.bodies.push(body);
    if (asked.fails) throw new Error('nobody answers');
    const move = { was_at: '2026-11-02T06:00:00Z', now_at: '2026-11-02T06:30:00Z' };
    return {
      slipped: asked.slipped,
      pushed: { bakes: [{ id: 'a' }, { id: 'b' }] },
      pushed_moves: asked.slipped ? [move] : [],
      seconds: body.seconds,
    };
  },
}));
const heard = vi.hoisted(() => ({ tell: null as unknown as (change: unknown) => void, left: 0 }));
vi.mock('../src/lib/live.svelte', () => ({
  live: {
    listen: (hear: (change: unknown) => void) => {
      heard.tell = hear;
      return () => {
        heard.left += 1;
      };
    },
  },
}));

const { slipping, slips } = await import('../src/lib/slipping.svelte');

describe('the day as it comes', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    Object.assign(asked, { bodies: [], slipped: false, fails: false });
    heard.left = 0;
  });
  afterEach(() => vi.useRealTimers());

  it('is asked for once, however many show it, and no more when all have left', async () => {
    const leave = [slipping.watch(), slipping.watch()];
    await vi.advanceTimersByTimeAsync(0);
    expect(asked.bodies).toHaveLength(1);
    leave[0]!();
    await vi.advanceTimersByTimeAsync(20_000);
    expect(asked.bodies).toHaveLength(2);
    leave[1]!();
    expect(heard.left).toBe(1);
    await vi.advanceTimersByTimeAsync(60_000);
    expect(asked.bodies).toHaveLength(2);
  });

  it('is asked for once after many changes', async () => {
    const leave = slipping.watch();
    await vi.advanceTimersByTimeAsync(0);
    for (let n = 0; n < 12; n++) heard.tell({ bake: 'a' });
    await vi.advanceTimersByTimeAsync(1400);
    expect(asked.bodies).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(200);
    expect(asked.bodies).toHaveLength(2);
    // The kitchen was gone, and is there again.
    heard.tell(null);
    await vi.advanceTimersByTimeAsync(1600);
    expect(asked.bodies).toHaveLength(3);
    leave();
  });

  it('is planned better only where it slips, and keeps what is known where nobody answers', async () => {
    asked.slipped = true;
    const leave = slipping.watch();
    await vi.advanceTimersByTimeAsync(0);
    expect(asked.bodies.map((b) => b.seconds)).toEqual([0, 0.3]);
    expect(slipping.told && slips(slipping.told)).toBe(true);
    asked.fails = true;
    await slipping.look();
    expect(slipping.told && slips(slipping.told)).toBe(true);
    leave();
  });

  it('has not slipped for one bake alone, nor for a minute', () => {
    const move = { was_at: '2026-11-02T06:00:00Z', now_at: '2026-11-02T06:30:00Z' };
    const near = { ...move, now_at: '2026-11-02T06:01:00Z' };
    const day = (bakes: number, one: object) =>
      ({ slipped: true, pushed: { bakes: Array(bakes).fill({}) }, pushed_moves: [one] }) as never;
    expect(slips(day(2, move))).toBe(true);
    expect(slips(day(1, move))).toBe(false);
    expect(slips(day(2, near))).toBe(false);
  });
});
