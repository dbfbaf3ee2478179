import type { ForecastView, Schemas } from './api/client';

export type Basis = 'tin' | 'pieces' | 'servings' | 'eggs' | 'whites_g' | 'limit' | 'total_g';
export type WishBody = Schemas['WishBody'];
export type MoreTins = { tin: string; count: number };

/** What the baker knows: the tins, or one amount beside them. */
export class Wish {
  basis = $state<Basis>('tin');
  tin = $state<string | null>(null);
  count = $state(1);
  beside = $state<MoreTins[]>([]);
  depth = $state<number | null>(null);
  oven = $state<string | null>(null);
  amount = $state<number | null>(null);
  eggSize = $state<Schemas['EggSize'] | null>(null);
  ingredient = $state('');
  counted = $state(false);

  body = $derived.by((): WishBody => {
    const body: WishBody = { beside: this.beside.map((b) => ({ ...b })) };
    if (this.tin) body.tin = this.tin;
    if (this.oven) body.oven = this.oven;
    if (this.eggSize) body.egg_size = this.eggSize;
    if (this.tin || this.counted) body.tin_count = this.count;
    if (this.basis === 'tin' && this.depth !== null) body.depth_mm = this.depth;
    if (this.basis === 'tin' || this.amount === null) return body;
    if (this.basis === 'limit') body.limit = { ingredient: this.ingredient, grams: this.amount };
    else if (this.basis === 'pieces') body.pieces = Math.max(1, Math.round(this.amount));
    else body[this.basis] = this.amount;
    return body;
  });

  /** How many tins; from then on that is part of the wish. */
  setCount(count: number): void {
    this.count = Math.max(1, Math.round(count));
    this.counted = true;
  }

  /** Another kind of tin for the same batter. */
  addTins(tin: string): void {
    this.beside = [...this.beside, { tin, count: 1 }];
  }

  /** Change what leads, and start from what the forecast has for it. */
  lead(basis: Basis, forecast: ForecastView | null): void {
    this.basis = basis;
    if (!forecast || basis === 'tin') return;
    const eggs = forecast.eggs;
    const fill = forecast.fills[0];
    if (basis === 'limit') {
      const first = forecast.ingredients.find((i) => i.id === this.ingredient) ?? forecast.ingredients[0];
      this.ingredient = first?.id ?? '';
      this.amount = Math.round(first?.grams ?? 0);
      return;
    }
    this.amount = {
      pieces: fill?.count ?? 1,
      servings: Math.round(forecast.servings),
      eggs: eggs?.count ?? 3,
      whites_g: Math.round(eggs?.white_g ?? 0),
      total_g: Math.round(forecast.total_g),
    }[basis];
  }

  /** The ingredient that there is only so much of, and all of it in this batch to begin with. */
  limitTo(ingredient: string, forecast: ForecastView | null): void {
    this.ingredient = ingredient;
    this.amount = Math.round(forecast?.ingredients.find((i) => i.id === ingredient)?.grams ?? this.amount ?? 0);
  }
}
