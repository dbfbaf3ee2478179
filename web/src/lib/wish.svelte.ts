import type { ForecastView } from './api/client';

export type Basis = 'tin' | 'eggs' | 'whites_g' | 'total_g';
export type WishQuery = {
  tin?: string;
  tin_count?: number;
  oven?: string;
  eggs?: number;
  whites_g?: number;
  total_g?: number;
};

/** What the baker knows: the tin, or one amount beside it. */
export class Wish {
  basis = $state<Basis>('tin');
  tin = $state<string | null>(null);
  count = $state(1);
  oven = $state<string | null>(null);
  amount = $state<number | null>(null);

  query = $derived.by((): WishQuery => {
    const query: WishQuery = {};
    if (this.tin) query.tin = this.tin;
    if (this.oven) query.oven = this.oven;
    if (this.count > 1 || (this.basis === 'tin' && this.tin === null)) query.tin_count = this.count;
    if (this.basis !== 'tin' && this.amount !== null) query[this.basis] = this.amount;
    return query;
  });

  /** Change what leads, and start from what the forecast has for it. */
  lead(basis: Basis, forecast: ForecastView | null): void {
    this.basis = basis;
    if (!forecast || basis === 'tin') return;
    const eggs = forecast.eggs;
    this.amount =
      basis === 'eggs'
        ? (eggs?.count ?? 3)
        : basis === 'whites_g'
          ? Math.round(eggs?.white_g ?? 0)
          : Math.round(forecast.total_g);
  }
}
