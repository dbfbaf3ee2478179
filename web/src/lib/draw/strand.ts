import { area, curveMonotoneX } from 'd3-shape';
import { bubbles, outline } from './bubbles';

const ribbon = area<[number, number]>()
  .x((d) => d[0])
  .y0((d) => -d[1] / 2)
  .y1((d) => d[1] / 2)
  .curve(curveMonotoneX);

/** How thick a strand is (px) that holds `ml`, where the most there is fills `full`. */
export function thickness(ml: number, most: number, full: number, thin: number): number {
  return Math.max(thin, Math.sqrt(ml / most) * full);
}

/** A stretch of a strand round y = 0, from one place and thickness to another. */
export function stretch(x0: number, x1: number, t0: number, t1: number): string {
  const third = (x1 - x0) / 3;
  return (
    ribbon([
      [x0, t0],
      [x0 + third, t0 + (t1 - t0) * 0.25],
      [x1 - third, t0 + (t1 - t0) * 0.85],
      [x1, t1],
    ]) ?? ''
  );
}

/** The bubbles that lie wholly in such a stretch. */
export function airIn(
  x0: number,
  x1: number,
  t0: number,
  t1: number,
  air: number,
  look: { size: number; most: number },
): string {
  const tall = Math.max(t0, t1);
  const inside = bubbles(x1 - x0, tall, air, look.size, look.most).filter((b) => {
    const half = (t0 + (t1 - t0) * (b.x / (x1 - x0))) / 2 - b.r - 0.5;
    return Math.abs(b.y - tall / 2) < half && b.x > b.r && b.x < x1 - x0 - b.r;
  });
  return outline(inside, x0, -tall / 2);
}
