import { api, ask, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';
import { templateOf } from '../../lib/template';

export const SHAPES: Schemas['PieceShape'][] = ['round', 'finger', 'kiss', 'ring', 'stick'];
export const METHODS: Schemas['Method'][] = ['French', 'Swiss', 'Italian'];
export const INTO: Schemas['ColourInto'][] = ['a batter', 'buttercream', 'whipped cream', 'chocolate or ganache'];
export const KINDS: Schemas['ColourKind'][] = ['gel', 'liquid', 'powder'];

type Start = { diameter: number; batter: number; density: number; gap: number };
/** What one begins with when a shape is chosen. */
const STARTS: Record<Schemas['PieceShape'], Start> = {
  round: { diameter: 40, batter: 270, density: 0.85, gap: 20 },
  finger: { diameter: 24, batter: 300, density: 0.4, gap: 12 },
  kiss: { diameter: 38, batter: 240, density: 0.3, gap: 15 },
  ring: { diameter: 60, batter: 300, density: 0.4, gap: 15 },
  stick: { diameter: 10, batter: 200, density: 0.35, gap: 12 },
};

/** Widths as somebody writes or pastes them: "40 40.5", "40,5; 41", "40, 41, 42", one a line. */
export function sizesOf(text: string): number[] {
  return text
    .split(/[^\d.,]+/)
    .flatMap((one) => (/^\d+,\d$/.test(one) ? [one.replace(',', '.')] : one.split(',')))
    .map(Number)
    .filter((one) => one > 0);
}

/** Everything of the page of piped pieces: what is set, and what the server says of it. */
export class PipingState {
  shape = $state<Schemas['PieceShape']>('round');
  diameter = $state(40);
  length = $state(85);
  gap = $state(20);
  margin = $state(15);
  bag = $state(40);
  batter = $state({ mass_g: 270, density_g_per_ml: 0.85 });
  ribbon = $state<number | null>(null);
  tray = $state({ width_mm: 300, length_mm: 400 });
  racks = $state(1);
  minutes = $state(14);
  recovery = $state(4);
  air = $state(22);
  humidity = $state(55);
  fan = $state(false);
  method = $state<Schemas['Method']>('French');
  colour = $state<Schemas['ColourKind']>('gel');
  depth = $state(0.6);
  hue = $state('colour-gel');
  lines = $state(0);
  into = $state<Schemas['ColourInto']>('a batter');
  nuts = $state(100);
  sugar = $state(100);
  sieved = $state(8);
  sizes = $state('40 40.5 41 39 38.6 42 41.4 40');
  thickness = $state(4);
  filling = $state(1.15);

  deposit = new Asking<Schemas['DepositTold']>();
  skin = new Asking<Schemas['SkinView']>();
  loads = new Asking<Schemas['Loads']>();
  dose = new Asking<Schemas['ColourView']>();
  sieve = new Asking<Schemas['Sieved']>();
  pairs = new Asking<Schemas['SortView']>();
  hues = $state<{ value: string; label: string }[]>([]);

  long = $derived(this.shape === 'finger' || this.shape === 'stick');

  /** The kitchen's own air and racks, and the colours there are. */
  async load(): Promise<void> {
    const view = await ask(api.GET('/api/kitchen')).catch(() => null);
    if (view) {
      this.air = view.kitchen.air_c;
      this.humidity = view.kitchen.humidity_percent;
      this.racks = view.kitchen.ovens[0]?.racks ?? 1;
    }
    const all = await ask(api.GET('/api/craft/ingredients')).catch(() => []);
    this.hues = all.filter((i) => i.kind === 'colour').map((i) => ({ value: i.id, label: i.name }));
  }

  choose(shape: Schemas['PieceShape']): void {
    const start = STARTS[shape];
    this.shape = shape;
    this.diameter = start.diameter;
    this.length = shape === 'stick' ? 120 : 85;
    this.gap = start.gap;
    this.batter = { mass_g: start.batter, density_g_per_ml: start.density };
    this.ribbon = null;
  }

  carried(kind: Schemas['ColourKind']): void {
    this.colour = kind;
    this.hue = `colour-${kind}`;
  }

  askDeposit(): void {
    const body = {
      shape: this.shape,
      diameter_mm: this.diameter,
      length_mm: this.long ? this.length : null,
      gap_mm: this.gap,
      margin_mm: this.margin,
      bag_cm: this.bag,
      batter_g: this.batter.mass_g,
      density_g_per_ml: this.batter.density_g_per_ml,
      ribbon_s: this.ribbon,
      tray: { ...this.tray },
    };
    this.deposit.ask(() => ask(api.POST('/api/craft/deposits', { body })));
  }

  askSkin(): void {
    const body = {
      air_c: this.air,
      humidity_percent: this.humidity,
      moving_air: this.fan,
      method: this.method,
      touches: [],
    };
    this.skin.ask(() => ask(api.POST('/api/craft/skin', { body })));
  }

  askLoads(): void {
    const made = this.deposit.value;
    if (!made || made.pieces < 1) return;
    const dry = this.shape === 'round' ? (this.skin.value?.dry_s?.likely ?? null) : 0;
    const body = {
      pieces: made.pieces,
      per_tray: made.per_tray,
      tray: { ...this.tray },
      shape: this.shape,
      diameter_mm: this.diameter,
      gap_mm: this.gap,
      margin_mm: this.margin,
      racks: this.racks,
      ovens: [],
      recovery_minutes: this.recovery,
      covers: false,
      bake_minutes: this.minutes,
      pipe_minutes: made.tray_s.likely / 60,
      dry_minutes: dry === null ? 0 : dry / 60,
    };
    this.loads.ask(() => ask(api.POST('/api/craft/loads', { body })));
  }

  askColour(): void {
    const body = {
      batter_g: this.batter.mass_g,
      kind: this.colour,
      depth: this.depth,
      colour: this.hue,
      into: this.into,
      lines: this.into === 'a batter' ? this.lines : 0,
      piece_g: this.deposit.value?.piece_g ?? 5.8,
      density_g_per_ml: this.batter.density_g_per_ml,
    };
    this.dose.ask(() => ask(api.POST('/api/craft/colour', { body })));
  }

  askSieve(): void {
    const body = { dry_g: { 'almond-flour': this.nuts, 'icing-sugar': this.sugar }, left_g: this.sieved };
    this.sieve.ask(() => ask(api.POST('/api/craft/sieve', { body })));
  }

  askPairs(): void {
    const sizes_mm = sizesOf(this.sizes);
    const body = {
      sizes_mm,
      shell_mm: this.diameter,
      thickness_mm: this.thickness,
      filling_g_per_ml: this.filling,
    };
    this.pairs.ask(() => ask(api.POST('/api/craft/pairs', { body })));
  }

  /** Where the tray's template is to be had at true scale. */
  template(format: 'pdf' | 'svg', paper: 'a4' | 'letter' = 'a4'): string {
    const piece = this.deposit.value?.piece;
    if (!piece) return '';
    const { margin, ribbon, batter } = this;
    const asked = { piece, tray: this.tray, margin_mm: margin, density_g_per_ml: batter.density_g_per_ml };
    return templateOf({ ...asked, ribbon_s: ribbon }, format, paper);
  }
}
