import type { Schemas } from './api/client';

/** The papers that drawings of true scale are printed on. */
export const PAPERS = [
  { words: 'A4', format: 'pdf', paper: 'a4' },
  { words: 'Letter', format: 'pdf', paper: 'letter' },
  { words: 'SVG', format: 'svg', paper: 'a4' },
] as const;

type Asked = {
  piece: Schemas['PipedPiece'];
  tray: { width_mm: number; length_mm: number };
  margin_mm: number;
  /** What its spread is told by. */
  density_g_per_ml: number;
  ribbon_s?: number | null;
  name?: string;
};

/** Where the template of a tray is to be had at true scale. */
export function templateOf(asked: Asked, format: 'pdf' | 'svg', paper: 'a4' | 'letter' = 'a4'): string {
  const { piece, tray } = asked;
  const told: Record<string, number | string | null | undefined> = {
    shape: piece.shape ?? (piece.length_mm == null ? 'round' : 'finger'),
    diameter_mm: piece.width_mm,
    height_mm: piece.height_mm,
    length_mm: piece.length_mm,
    cord_mm: piece.cord_mm,
    gap_mm: piece.gap_mm,
    margin_mm: asked.margin_mm,
    tray_width_mm: tray.width_mm,
    tray_length_mm: tray.length_mm,
    density_g_per_ml: asked.density_g_per_ml,
    ribbon_s: asked.ribbon_s,
    name: asked.name,
    paper: format === 'pdf' ? paper : null,
  };
  const query = new URLSearchParams();
  for (const [name, value] of Object.entries(told)) if (value != null && value !== '') query.set(name, String(value));
  return `/api/craft/template.${format}?${query}`;
}
