import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type Method = Schemas['Method'];
export const METHODS: Method[] = ['French', 'Swiss', 'Italian'];
/** What the temperature means for each method. */
export const WARMTH: Record<Method, string> = {
  French: 'Whites at',
  Swiss: 'Warmed to',
  Italian: 'Syrup at',
};

/** The spot that is looked at, the lines of the methods, and where the Book's meringues lie. */
export class MapState {
  ratio = $state(1.0);
  method = $state<Method>('French');
  acid = $state(0.3);
  warmth = $state<Partial<Record<Method, number>>>({});
  lines = $state<Schemas['Line'][]>([]);
  book = $state<Schemas['MeringueEntry'][]>([]);
  problem = $state<Problem | null>(null);
  /** The line of the method that is looked at. */
  line = $derived.by(() => this.lines.find((l) => l.method === this.method));
  least = $derived.by(() => this.line?.ratios[0] ?? 0);
  most = $derived.by(() => this.line?.ratios.at(-1) ?? 0);
  celsius = $derived.by(() => this.warmth[this.method] ?? this.line?.usual_c);
  spot = new Asking<Schemas['SpotView']>();

  async load(): Promise<void> {
    try {
      [this.lines, this.book] = await Promise.all([
        ask(api.GET('/api/craft/meringue/lines')),
        ask(api.GET('/api/formulas/meringues')),
      ]);
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Ask for the spot as it is set now; to be run whenever something of it changes. */
  look(): void {
    const query = {
      sugar_to_white: this.ratio,
      method: this.method,
      acid_percent: this.acid,
      temperature_c: this.warmth[this.method],
    };
    this.spot.ask(() => ask(api.GET('/api/craft/meringue/spot', { params: { query } })), 60);
  }

  set(ratio: number): void {
    this.ratio = Math.round(Math.min(this.most, Math.max(this.least, ratio)) * 100) / 100;
  }

  /** Go to where a formula of the Book lies. */
  go(entry: Schemas['MeringueEntry']): void {
    this.method = entry.method;
    this.set(entry.sugar_to_white);
    this.acid = Math.min(1, Math.round(entry.acid_percent * 20) / 20);
  }
}
