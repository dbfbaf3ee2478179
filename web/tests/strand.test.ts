import { describe, expect, it } from 'vitest';
import { airIn, stretch, thickness } from '../src/lib/draw/strand';

const numbers = (path: string) => path.match(/-?\d+(\.\d+)?/g)!.map(Number);

describe('a strand', () => {
  it('is twice as thick where it holds four times as much, and never too thin to be seen', () => {
    expect(thickness(400, 400, 20, 2)).toBe(20);
    expect(thickness(100, 400, 20, 2)).toBe(10);
    expect(thickness(0, 400, 20, 2)).toBe(2);
  });

  it('goes from one place and thickness to the other', () => {
    const path = stretch(10, 70, 4, 12);
    const [x, y] = numbers(path);
    expect([x, y]).toEqual([10, 2]);
    expect(path).toContain('70,-6');
    expect(path).toContain('70,6');
  });

  it('has its bubbles inside, and none where there is no air', () => {
    const look = { size: 0.55, most: 420 };
    const starts = [...airIn(10, 210, 20, 8, 0.5, look).matchAll(/M\s*(-?[\d.]+)[ ,](-?[\d.]+)/g)];
    expect(starts.length).toBeGreaterThan(5);
    for (const [, x, y] of starts) {
      const half = (20 - (12 * (Number(x) - 10)) / 200) / 2;
      expect(Number(x)).toBeGreaterThanOrEqual(10);
      expect(Number(x)).toBeLessThanOrEqual(210);
      expect(Math.abs(Number(y))).toBeLessThanOrEqual(half + 0.5);
    }
    expect(airIn(10, 210, 20, 20, 0, look)).toBe('');
  });
});
