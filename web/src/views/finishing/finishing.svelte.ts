import { api, ask, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export const BODIES = ['round', 'square', 'roll', 'dome', 'pairs'] as const;
export type BodyName = (typeof BODIES)[number];
export const CONTENTS: Schemas['Content'][] = ['cream', 'ganache', 'curd', 'custard', 'mousse', 'buttercream', 'glaze'];
export const PURPOSES: Schemas['Purpose'][] = ['spread', 'pipe', 'pour', 'fold'];
export const LIQUIDS: Schemas['Liquid'][] = ['syrup', 'milk'];

/** Everything of the page from the rack to the plate: what is set, and what the server says of it. */
export class FinishingState {
  body = $state<BodyName>('round');
  across = $state(200);
  high = $state(80);
  layers = $state(3);
  width = $state(300);
  long = $state(350);
  sheet = $state(12);
  wall = $state(18);
  lid = $state(22);
  pairs = $state(30);
  thick = $state(6);
  coat = $state(4);
  ornaments = $state(40);
  kept = $state<number | null>(null);
  /** Of what fills it; empty: as the server takes it. */
  density = $state<number | null>(null);
  there = $state<number | null>(null);

  short = $state(true);
  taper = $state(0.5);

  ring = $state(180);
  rim = $state(60);
  finger = $state({ width_mm: 28, thickness_mm: 18, length_mm: 60 });

  crumb = $state({ mass_g: 450, density_g_per_ml: 0.3 });
  liquid = $state<Schemas['Liquid']>('syrup');

  content = $state<Schemas['Content']>('cream');
  warmth = $state(6);
  purpose = $state<Schemas['Purpose']>('spread');
  crumbC = $state<number | null>(null);

  shares = new Asking<Schemas['AllocationView']>();
  rolled = new Asking<Schemas['RollView']>();
  lined = new Asking<Schemas['RingView']>();
  soaked = new Asking<Schemas['SoakPlan']>();
  ready = new Asking<Schemas['Ready']>();

  get #asked(): Schemas['AllocateBody']['body'] {
    switch (this.body) {
      case 'round':
        return { body: 'round', diameter_mm: this.across, height_mm: this.high, layers: this.layers };
      case 'square':
        return {
          body: 'square',
          width_mm: this.width,
          length_mm: this.long,
          height_mm: this.high,
          layers: this.layers,
        };
      case 'roll':
        return {
          body: 'roll',
          length_mm: this.long,
          width_mm: this.width,
          thickness_mm: this.sheet,
          filling_mm: this.thick,
        };
      case 'dome':
        return { body: 'dome', diameter_mm: this.across, wall_mm: this.wall, lid_mm: this.lid };
      case 'pairs':
        return { body: 'pairs', diameter_mm: this.across, pairs: this.pairs };
    }
  }

  /** A dome is filled by its hollow, all else as thick as asked. */
  askShares(): void {
    const hollow = this.body === 'dome';
    const filling = {
      name: 'filling',
      thickness_mm: hollow ? null : this.thick,
      density_g_per_ml: this.density ?? undefined,
    };
    const body = {
      body: this.#asked,
      fillings: [filling],
      coat_mm: this.coat,
      ornaments: this.ornaments,
      reserve: this.kept ? this.kept / 100 : null,
      made_g: this.there,
    } as Schemas['AllocateBody'];
    this.shares.ask((signal) => ask(api.POST('/api/craft/allocate', { body, signal })));
  }

  askRoll(): void {
    const body = {
      sheet: { length_mm: this.long, width_mm: this.width, thickness_mm: this.sheet },
      filling_mm: this.thick,
      begun: this.short ? 'short' : 'long',
      taper: this.taper,
      filling_g_per_ml: this.density ?? undefined,
    } as Schemas['RollAsked'];
    this.rolled.ask((signal) => ask(api.POST('/api/craft/roll', { body, signal })));
  }

  askRing(): void {
    const body = { ring_mm: this.ring, height_mm: this.rim, finger: { ...this.finger } };
    this.lined.ask((signal) => ask(api.POST('/api/craft/ring', { body, signal })));
  }

  askSoak(): void {
    const body = {
      crumb: { ...this.crumb },
      layers: this.layers,
      liquid: { kind: this.liquid },
    } as Schemas['SoakBody'];
    this.soaked.ask((signal) => ask(api.POST('/api/craft/soak', { body, signal })));
  }

  askReady(): void {
    const body = {
      content: this.content,
      temperature_c: this.warmth,
      use: this.purpose,
      crumb_c: this.crumbC,
    } as Schemas['ReadyBody'];
    this.ready.ask((signal) => ask(api.POST('/api/craft/ready', { body, signal })));
  }
}
