export type Bubble = { x: number; y: number; r: number };

/** A small generator with a fixed seed, so that a picture does not flicker when it is drawn again. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 4294967296;
  };
}

/**
 * Bubbles that fill a box as closely as the air in it asks for: none without air, packed and large in a light foam.
 * `size` scales them for small pictures. The caller clips them to the vessel.
 */
export function bubbles(width: number, height: number, air: number, size = 1, most = 900): Bubble[] {
  if (air < 0.04 || width <= 0 || height <= 0) return [];
  const cell = Math.max((5 + 8 * air) * size, Math.sqrt((width * height) / most));
  const random = seeded(Math.round(width * 31 + air * 997));
  const found: Bubble[] = [];
  const row = cell * 0.87;
  for (let j = 0; j * row < height + cell; j++) {
    for (let i = 0; i * cell < width + cell; i++) {
      if (random() > 0.25 + air) continue;
      const share = (0.28 + 0.72 * random() ** 0.7) * Math.sqrt(air);
      found.push({
        x: (i + (j % 2) / 2 + (random() - 0.5) * 0.35) * cell,
        y: height - (j + 0.5 + (random() - 0.5) * 0.35) * row,
        r: (cell / 2) * share,
      });
    }
  }
  return found;
}

const f = (n: number) => n.toFixed(1);

/** All of them as one path, moved by (dx, dy). */
export function outline(found: Bubble[], dx = 0, dy = 0): string {
  return found
    .map(({ x, y, r }) => {
      const d = f(2 * r);
      return `M${f(x + dx - r)} ${f(y + dy)}a${f(r)} ${f(r)} 0 1 0 ${d} 0a${f(r)} ${f(r)} 0 1 0 -${d} 0`;
    })
    .join('');
}

/** A raw foam's bubbles shine; the pores of a baked crumb are only a little lighter than it, and finer. */
export const LOOK = {
  foam: { size: 1, fill: '#fff', fillOpacity: 0.5, strokeOpacity: 0.45 },
  crumb: { size: 0.5, fill: '#fff6e6', fillOpacity: 0.42, strokeOpacity: 0 },
} as const;
