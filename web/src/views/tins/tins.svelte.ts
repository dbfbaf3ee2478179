import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

type KitchenTin = Schemas['KitchenTin'];

/** A batter that looks for its tin: how it stands in one, how it is shared out, and that tin's paper. */
export class TinsState {
  batter = $state({ mass_g: 400, density_g_per_ml: 0.43 });
  technique = $state<Schemas['Technique'] | ''>('');
  leavener = $state(0);
  /** The density that somebody has said to be right, however strange. */
  sure = $state<number | null>(null);
  shelf = $state<KitchenTin[]>([]);
  id = $state('');
  problem = $state<Problem | null>(null);
  standing = new Asking<Schemas['TinView']>();
  sharing = new Asking<Schemas['SharingView']>();
  drawing = new Asking<Schemas['TinDrawing']>();

  tin = $derived.by(() => this.shelf.find((t) => t.id === this.id) ?? null);

  async load(): Promise<void> {
    try {
      this.shelf = (await ask(api.GET('/api/kitchen'))).kitchen.tins ?? [];
      this.id ||= this.shelf[0]?.id ?? '';
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Ask for all of it as it is set now; to be run whenever something of it changes. */
  look(): void {
    const { mass_g: batter_g, density_g_per_ml } = this.batter;
    const batter = {
      batter_g,
      density_g_per_ml,
      technique: this.technique || null,
      sure: this.sure === density_g_per_ml,
    };
    this.sharing.ask(() => ask(api.POST('/api/craft/share-out', { body: batter })));
    const own = this.tin;
    if (!own) return;
    const { shape, dimensions } = $state.snapshot(own.tin);
    const body = { ...batter, shape, dimensions: { ...dimensions }, leavener_g: this.leavener };
    this.standing.ask(() => ask(api.POST('/api/craft/tin', { body })), 60);
    const drawn = { name: own.name, tin: $state.snapshot(own.tin) };
    this.drawing.ask(() => ask(api.POST('/api/craft/tin-drawing', { body: drawn })));
  }
}

/** Where the paper of a tin is to be had at true scale. */
export function paperOf(
  own: Pick<KitchenTin, 'name' | 'tin'>,
  format: 'pdf' | 'svg',
  paper: 'a4' | 'letter' = 'a4',
): string {
  const query = new URLSearchParams({ shape: own.tin.shape, name: own.name });
  for (const [name, value] of Object.entries(own.tin.dimensions)) if (value !== null) query.set(name, String(value));
  if (format === 'pdf') query.set('paper', paper);
  return `/api/craft/lining.${format}?${query}`;
}
