import type { Schemas } from '../api/client';
import { seeded } from './bubbles';

export type Drawn = { x: number; y: number; r: number; colour: string };

const MOST = 160;

/**
 * The pieces of a content in a box of the picture: as large as they are, as many as their share of the volume asks for.
 * Apart from each other where there is room. The caller clips them to the vessel.
 */
export function pieces(seen: Schemas['PieceSeen'][], width: number, height: number, pxPerMm: number): Drawn[] {
  const found: Drawn[] = [];
  for (const [n, kind] of seen.entries()) {
    const r = Math.max(1.5, (kind.size_mm * pxPerMm) / 2);
    const number = Math.min(MOST, Math.max(1, Math.round((kind.volume_share * width * height) / (Math.PI * r * r))));
    const random = seeded(Math.round(width * 17 + n * 101 + kind.size_mm));
    for (let i = 0; i < number; i++) {
      let best = { x: width / 2, y: height / 2 };
      let room = -Infinity;
      // Of some places the one furthest from the others.
      for (let tried = 0; tried < 8; tried++) {
        const place = { x: r + random() * Math.max(0, width - 2 * r), y: r + random() * Math.max(0, height - 2 * r) };
        const near = Math.min(...found.map((f) => Math.hypot(f.x - place.x, f.y - place.y) - f.r), Infinity);
        if (near > room) [best, room] = [place, near];
      }
      found.push({ ...best, r, colour: kind.colour });
    }
  }
  return found;
}
