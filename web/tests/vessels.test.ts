import { cleanup, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../src/lib/api/client';
import Paper from '../src/lib/draw/Paper.svelte';
import Section from '../src/lib/draw/Section.svelte';
import SideBySide from '../src/lib/draw/SideBySide.svelte';
import { all, at, likely, points, read } from './page';

afterEach(cleanup);

/** Room enough for a pixel to a millimetre. */
const ROOMY = { width: 600, height: 400, pxPerMm: 1 };

describe('a vessel in section', () => {
  const tin = (more: object = {}) =>
    ({
      name: 'tube tin',
      wall: [
        { height_mm: 0, outer_mm: 80, inner_mm: 0 },
        { height_mm: 100, outer_mm: 100, inner_mm: 0 },
      ],
      rim_mm: 100,
      level_mm: 50,
      rise_mm: null,
      volume_ml: likely(1200),
      density_g_per_ml: likely(0.42),
      air_fraction: 0.6,
      colour: '#e8d9a0',
      baked: false,
      free: false,
      inverted: false,
      ...more,
    }) as unknown as Schemas['Section'];

  const heights = (section: Schemas['Section']) => {
    const { container } = render(Section, { section, ...ROOMY });
    const wall = points(container.querySelector('polyline')!).map(([, y]) => y);
    const content = points(container.querySelector('g polygon')!).map(([, y]) => y);
    cleanup();
    return { floor: Math.max(...wall), rim: Math.min(...wall), level: Math.min(...content) };
  };

  it('is filled to its level, to scale', () => {
    for (const level_mm of [20, 50, 95]) {
      const { floor, rim, level } = heights(tin({ level_mm }));
      expect(floor - rim).toBeCloseTo(100, 1);
      expect(floor - level).toBeCloseTo(level_mm, 1);
    }
  });

  it('is as wide at its level as its wall is there', () => {
    const { container } = render(Section, { section: tin(), ...ROOMY });
    const right = points(all(container, 'g polygon')[1]!);
    const top = Math.min(...right.map(([, y]) => y));
    const ends = right.filter(([, y]) => y === top).map(([x]) => x);
    expect(Math.max(...ends) - Math.min(...ends)).toBeCloseTo(90, 0);
  });

  it('keeps a tube free, and says what it holds', () => {
    const wall = [
      { height_mm: 0, outer_mm: 100, inner_mm: 30 },
      { height_mm: 100, outer_mm: 100, inner_mm: 30 },
    ];
    const { container } = render(Section, { section: tin({ wall }), ...ROOMY });
    expect(screen.getByRole('img').getAttribute('aria-label')).toBe('tube tin: 1.20 l, 0.42 g/ml, level 50 of 100 mm');
    const [left, right] = all(container, 'g polygon').map((half) => points(half).map(([x]) => x));
    expect(Math.min(...right!) - Math.max(...left!)).toBeCloseTo(60, 0);
    expect(all(container, 'polyline')).toHaveLength(3);
  });

  it('shows how far it is expected to rise, above its level', () => {
    const { container } = render(Section, { section: tin({ rise_mm: likely(88, 80, 96) }), ...ROOMY });
    expect(read(container)).toContain('rises to 88 mm');
    expect(read(container)).toContain('80 to 96');
    const [range] = all(container, 'rect[fill-opacity="0.1"]');
    expect(at(range!, 'height')[0]).toBeCloseTo(16, 5);
  });

  it('stands beside another at one scale', () => {
    const bowl = tin({ wall: [0, 120].map((height_mm) => ({ height_mm, outer_mm: 150, inner_mm: 0 })), rim_mm: 120 });
    const { container } = render(SideBySide, { before: [tin()], after: bowl, width: 400, height: 200 });
    const widths = all(container, 'polyline').map((wall) => {
      const xs = points(wall).map(([x]) => x);
      return Math.max(...xs) - Math.min(...xs);
    });
    expect(widths[1]! / widths[0]!).toBeCloseTo(150 / 100, 1);
  });
});

it('paper keeps its proportions in whatever room it has', () => {
  const shape = {
    name: 'Ring',
    size: '630 x 90 mm',
    width_mm: 630,
    height_mm: 90,
    cuts: ['0,0 630,0 630,90 0,90'],
    folds: [],
  };
  const { container } = render(Paper, { shape: shape as never, width: 220, height: 150 });
  const [width, height] = at(container.querySelector('svg')!, 'width', 'height');
  expect((width! - 6) / (height! - 6)).toBeCloseTo(7, 5);
  expect(width).toBeLessThanOrEqual(220);
});
