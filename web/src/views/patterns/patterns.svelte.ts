import { api, ask, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

type Kind = 'rings' | 'stripes';
type Part = { name: string; share: number; ingredient: string; grams: number };

export const SPLITS: { label: string; shares: number[] }[] = [
  { label: 'halves', shares: [1, 1] },
  { label: 'thirds', shares: [1, 1, 1] },
  { label: 'two to one', shares: [2, 1] },
  { label: 'three to one', shares: [3, 1] },
];
const NAMES = ['plain', 'coloured', 'third colour'];

/** A batter to be parted, coloured and poured or piped into a pattern. */
export class PatternState {
  batter = $state({ mass_g: 600, density_g_per_ml: 0.43 });
  parts = $state<Part[]>([
    { name: 'plain', share: 1, ingredient: '', grams: 0 },
    { name: 'cocoa', share: 1, ingredient: 'cocoa', grams: 12 },
  ]);
  kind = $state<Kind>('rings');
  pours = $state(12);
  widths = $state<Schemas['RingWidth']>('equal pours');
  each = $state(2);
  nozzle = $state(14);
  tins = $state(1);
  diameter = $state(200);
  tube = $state(0);
  answer = new Asking<Schemas['SplitView']>();
  /** What colours a part, by name. */
  colours = $state<{ value: string; label: string }[]>([]);

  async load(): Promise<void> {
    const all = await ask(api.GET('/api/craft/ingredients')).catch(() => []);
    const kinds = ['flavour', 'colour', 'fruit', 'liquid', 'nut'];
    this.colours = [
      { value: '', label: 'as it is' },
      ...all.filter((i) => kinds.includes(i.kind)).map((i) => ({ value: i.id, label: i.name })),
    ];
  }

  part(shares: number[]): void {
    this.parts = shares.map((share, i) => ({
      ...(this.parts[i] ?? { name: NAMES[i] ?? `part ${i + 1}`, ingredient: '', grams: 0 }),
      share,
    }));
    this.pours = Math.max(this.pours, shares.length);
  }

  /** Ask for the parts as they are set now; to be run whenever something of them changes. */
  look(): void {
    const depth_mm = 65;
    const ringTin: Pick<Schemas['RingsBody'], 'shape' | 'dimensions'> =
      this.tube > 0
        ? {
            shape: 'tube',
            dimensions: { diameter_mm: this.diameter, tube_diameter_mm: this.tube, depth_mm },
          }
        : { shape: 'round', dimensions: { diameter_mm: this.diameter, depth_mm } };
    const body: Schemas['SplitBody'] = {
      batter_g: this.batter.mass_g,
      density_g_per_ml: this.batter.density_g_per_ml,
      parts: this.parts.map((p) => ({
        name: p.name,
        share: p.share,
        additions: p.ingredient && p.grams > 0 ? { [p.ingredient]: p.grams } : {},
      })),
      pattern:
        this.parts.length < 2
          ? null
          : this.kind === 'rings'
            ? { kind: 'rings', pattern: { pours: this.pours, widths: this.widths }, ...ringTin, tins: this.tins }
            : { kind: 'stripes', each: this.each, nozzle_mm: this.nozzle },
    };
    this.answer.ask(() => ask(api.POST('/api/craft/split', { body })), 80);
  }
}
