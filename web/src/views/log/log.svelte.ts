import { api, ask, problemOf, type BakeEntry, type Problem, type Schemas } from '../../lib/api/client';

/** What bakes are looked for by; empty does not matter. */
export type Sought = {
  words: string;
  formula: string;
  class: string;
  oven: string;
  hands: string;
  fault: string;
  stars: string;
  since: string;
  until: string;
  sort: 'newest' | 'oldest' | 'best' | 'worst';
};
const NOTHING: Sought = {
  words: '',
  formula: '',
  class: '',
  oven: '',
  hands: '',
  fault: '',
  stars: '',
  since: '',
  until: '',
  sort: 'newest',
};
const AT_ONCE = 100;

/** Midnight of a day as the field of a date gives it, `days` later; in this device's own time. */
const midnight = (date: string, days = 0): string | undefined => {
  if (!date) return undefined;
  const at = new Date(`${date}T00:00`);
  at.setDate(at.getDate() + days);
  return at.toISOString();
};

/** The Log as it is looked through: what is sought stands in the address, so that the way back leads to it. */
export class LogPages {
  sought = $state<Sought>({ ...NOTHING, ...this.#ofAddress() });
  bakes = $state<BakeEntry[] | null>(null);
  choices = $state<Schemas['LogChoices'] | null>(null);
  problem = $state<Problem | null>(null);
  more = $state(false);
  /** The two that are put side by side. */
  pair = $state<string[]>([]);
  #asked = 0;

  #ofAddress(): Partial<Sought> {
    const told = new URLSearchParams(location.search);
    return Object.fromEntries(Object.keys(NOTHING).flatMap((k) => (told.get(k) ? [[k, told.get(k)!]] : [])));
  }

  get seeks(): boolean {
    return Object.entries(this.sought).some(([k, v]) => k !== 'sort' && v !== '');
  }

  async begin(): Promise<void> {
    void this.load();
    try {
      this.choices = await ask(api.GET('/api/bakes/choices'));
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  seek(what: Partial<Sought>): void {
    this.sought = { ...this.sought, ...what };
    const told = new URLSearchParams(
      Object.entries(this.sought).filter(([k, v]) => v !== '' && v !== NOTHING[k as keyof Sought]),
    );
    history.replaceState(history.state, '', told.size ? `?${told}` : location.pathname);
    void this.load();
  }

  all(): void {
    this.seek(NOTHING);
  }

  async load(before?: string): Promise<void> {
    const asked = ++this.#asked;
    const { words, formula, oven, hands, fault, stars, since, until, sort } = this.sought;
    const query = {
      words: words || undefined,
      formula: formula || undefined,
      class: this.sought.class || undefined,
      oven: oven || undefined,
      hands: hands || undefined,
      fault: fault || undefined,
      stars: stars ? Number(stars) : undefined,
      since: midnight(since),
      until: midnight(until, 1),
      sort,
      before,
      limit: AT_ONCE,
    };
    try {
      const found = await ask(api.GET('/api/bakes', { params: { query } }));
      if (asked !== this.#asked) return;
      this.bakes = before ? [...(this.bakes ?? []), ...found] : found;
      this.more = found.length === AT_ONCE;
      this.problem = null;
    } catch (error) {
      if (asked === this.#asked) this.problem = problemOf(error);
    }
  }

  /** One more to put side by side; of three the first is let go. */
  take(bake: string): void {
    this.pair = this.pair.includes(bake) ? this.pair.filter((b) => b !== bake) : [...this.pair, bake].slice(-2);
  }
}
