import { describe, expect, it, vi } from 'vitest';
import { api } from '../src/lib/api/client';
import { PatternState, SPLITS } from '../src/views/patterns/patterns.svelte';
import { paperOf } from '../src/views/tins/tins.svelte';

describe('the paper of a tin', () => {
  it('is asked for by the measures that the tin has', () => {
    const tube = {
      shape: 'tube' as const,
      dimensions: {
        diameter_mm: 150,
        top_diameter_mm: null,
        depth_mm: 80,
        tube_diameter_mm: 55,
        tube_top_diameter_mm: null,
      },
    };
    const pdf = new URL(paperOf({ name: '17 cm tube', tin: tube }, 'pdf', 'letter'), 'http://kitchen');
    expect(pdf.pathname).toBe('/api/craft/lining.pdf');
    expect(Object.fromEntries(pdf.searchParams)).toEqual({
      shape: 'tube',
      name: '17 cm tube',
      diameter_mm: '150',
      depth_mm: '80',
      tube_diameter_mm: '55',
      paper: 'letter',
    });
    expect(paperOf({ name: 'a', tin: tube }, 'svg')).toContain('/api/craft/lining.svg?shape=tube');
  });
});

describe('a batter in parts', () => {
  it('keeps what colours a part when it is parted otherwise, and pours at least once of each', () => {
    const state = new PatternState();
    state.pours = 2;
    state.part(SPLITS.find((s) => s.label === 'thirds')!.shares);
    expect(state.parts.map((p) => p.share)).toEqual([1, 1, 1]);
    expect(state.parts[1]).toMatchObject({ name: 'cocoa', ingredient: 'cocoa', grams: 12 });
    expect(state.pours).toBe(3);
  });

  it('asks for rings in a tube, or for stripes, and for no pattern of one part', async () => {
    const asked: unknown[] = [];
    vi.spyOn(api, 'POST').mockImplementation((async (_: string, init: { body: unknown }) => {
      asked.push(init.body);
      return { data: { parts: [], density_g_per_ml: 0.43, pattern: null }, response: new Response() };
    }) as unknown as typeof api.POST);
    const state = new PatternState();
    state.tube = 50;
    state.look();
    await vi.waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({
      pattern: { kind: 'rings', shape: 'tube', dimensions: { tube_diameter_mm: 50 } },
      parts: [{ additions: {} }, { additions: { cocoa: 12 } }],
    });
    state.kind = 'stripes';
    state.look();
    await vi.waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]).toMatchObject({ pattern: { kind: 'stripes', each: 2, nozzle_mm: 14 } });
    state.part([1]);
    state.look();
    await vi.waitFor(() => expect(asked).toHaveLength(3));
    expect(asked[2]).toMatchObject({ pattern: null });
  });
});
