export type Bubble = { x: number; y: number; r: number };

/** A small generator with a fixed seed, so that a picture does not flicker when it is drawn again. */
function seeded(seed: number): () => number {
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
export function bubbles(width: number, height: number, air: number, size = 1, most = 700): Bubble[] {
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
