import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

type Body = Schemas['BakeBody'];
export type Tin = Schemas['KitchenTin'];
export const WALLS: Schemas['TinWall'][] = ['bright metal', 'dark metal', 'glass or ceramic', 'silicone'];

/** A bake that is thought over: what goes in, where it stands, and what would change its time. */
export class BakingState {
  formulas = $state<{ value: string; label: string }[]>([]);
  formula = $state('');
  shelf = $state<Tin[]>([]);
  ovens = $state<Schemas['Oven'][]>([]);
  /** What is asked; null until something was chosen. */
  body = $state<Body | null>(null);
  problem = $state<Problem | null>(null);
  baked = new Asking<Schemas['Baked']>();
  asks = new Asking<Schemas['Asks']>();
  past = $state<Schemas['PastBake'][]>([]);

  async load(formula: string | null): Promise<void> {
    try {
      const [book, kitchen] = await Promise.all([ask(api.GET('/api/formulas')), ask(api.GET('/api/kitchen'))]);
      this.formulas = book.map((f) => ({ value: f.id, label: f.title }));
      this.shelf = kitchen.kitchen.tins ?? [];
      this.ovens = kitchen.kitchen.ovens ?? [];
      const first = this.formulas.find((f) => f.value === formula) ?? this.formulas[0];
      if (first) await this.choose(first.value);
      else this.body = plain();
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** The bake of a formula, in its own tin. */
  async choose(formula: string): Promise<void> {
    this.formula = formula;
    try {
      this.body = await ask(api.GET('/api/craft/bake/of/{formula_id}', { params: { path: { formula_id: formula } } }));
      this.past = await ask(api.GET('/api/ovens/bakes', { params: { query: { formula } } }));
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  set(change: Partial<Body>): void {
    if (this.body) this.body = { ...this.body, ...change };
  }

  /** Ask for all of it as it is set now; to be run whenever something of it changes. */
  think(): void {
    if (!this.body) return;
    const body = $state.snapshot(this.body) as Body;
    this.baked.ask(() => ask(api.POST('/api/craft/bake', { body })), 80);
    this.asks.ask((signal) => ask(api.POST('/api/craft/bake/what-if', { body, signal })), 350);
  }
}

/** Where there is no formula yet. */
function plain(): Body {
  return {
    technique: 'génoise',
    tin: { shape: 'round', dimensions: { diameter_mm: 200, depth_mm: 60 } },
    batter_g: 480,
    density_g_per_ml: 0.43,
    oven_c: 170,
    mode: 'static',
    formula: '',
    rack: 'middle',
    racks: 1,
    trays: 1,
    wall: 'bright metal',
    papered: false,
    cold_oven: false,
  };
}
