import type { BraidData } from '../src/lib/api/client';

type Piece = BraidData['pieces'][number];

/** A piece of a strand, in seconds. */
export function piece(vessel: string, start_s: number, end_s: number, more: Partial<Piece> = {}): Piece {
  return {
    step: `${vessel}-${start_s}`,
    vessel,
    label: vessel,
    waiting: false,
    start_s,
    end_s,
    volume_start_ml: 100,
    volume_end_ml: 100,
    air_start: 0,
    air_end: 0,
    baked: false,
    colour: '#ffffff',
    hold_until_s: null,
    ...more,
  };
}

/** A braid of these pieces. */
export function braidOf(pieces: Piece[], joins: BraidData['joins'] = []): BraidData {
  return {
    pieces,
    joins,
    occupied: [],
    strands: [...new Set(pieces.map((p) => p.vessel))].map((vessel) => ({ vessel, name: vessel })),
    start_s: Math.min(...pieces.map((p) => p.start_s)),
    end_s: Math.max(...pieces.map((p) => p.end_s)),
  };
}
