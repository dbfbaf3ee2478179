import { api, ask, problemOf, Refused, UNREACHED, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type Entry = Schemas['GoodEntry'];
export type Body = Omit<Schemas['GoodBody'], 'key'>;
export type Holding = 'no' | 'contains' | 'may';

const PLACE = 'kindwhisk.good';
const NEXT: Record<Holding, Holding> = { no: 'contains', contains: 'may', may: 'no' };

export function empty(name = ''): Body {
  return { name, synonyms: [], stands_for: '', label: null, allergens: [], may_contain: [], label_read: false };
}

/** The shelf: the kitchen's own goods, a search over all goods, and the one that is being written. */
export class Goods {
  own = $state<Entry[]>([]);
  found = new Asking<Entry[]>();
  foods = $state<Schemas['IngredientEntry'][]>([]);
  list = $state<Schemas['AllergenList'] | null>(null);
  sought = $state('');
  problem = $state<Problem | null>(null);
  loaded = $state(false);
  /** The key of the good in the form; empty for a new one. */
  key = $state('');
  body = $state<Body | null>(null);
  saving = $state(false);
  /** What was done last, in words. */
  done = $state('');
  confirming = $state(false);

  shown = $derived(this.sought.trim() ? (this.found.value ?? []) : this.own);

  async load(name = ''): Promise<void> {
    try {
      [this.own, this.foods, this.list] = await Promise.all([
        ask(api.GET('/api/goods')),
        ask(api.GET('/api/craft/ingredients')),
        ask(api.GET('/api/goods/allergens')),
      ]);
      this.loaded = true;
      const known = this.own.find((g) => g.name.toLowerCase() === name.toLowerCase());
      if (known) this.open(known);
      else if (!this.body && !this.#kept(name) && name) this.begin(name);
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  seek(): void {
    const find = this.sought;
    if (find.trim()) this.found.ask(() => ask(api.GET('/api/goods', { params: { query: { find } } })));
  }

  open(entry: Entry): void {
    if (!entry.good) {
      this.begin('', entry.id);
      return;
    }
    this.key = entry.key;
    this.body = { ...entry.good };
    this.done = '';
    this.confirming = false;
  }

  /** A new good, perhaps one that stands for a food of the table and starts with what that holds. */
  begin(name = '', stands_for = ''): void {
    this.key = '';
    this.body = empty(name);
    this.done = '';
    this.confirming = false;
    if (stands_for) this.standFor(stands_for);
  }

  standFor(id: string): void {
    if (!this.body) return;
    this.body.stands_for = id;
    const food = this.foods.find((f) => f.id === id);
    if (food && !this.body.allergens?.length) this.body.allergens = [...food.allergens];
    this.keep();
  }

  holding(allergen: string): Holding {
    if (this.body?.allergens?.includes(allergen)) return 'contains';
    return this.body?.may_contain?.includes(allergen) ? 'may' : 'no';
  }

  turn(allergen: string): void {
    if (!this.body) return;
    const next = NEXT[this.holding(allergen)];
    const others = (names: readonly string[] | undefined) => (names ?? []).filter((n) => n !== allergen);
    this.body.allergens = [...others(this.body.allergens), ...(next === 'contains' ? [allergen] : [])];
    this.body.may_contain = [...others(this.body.may_contain), ...(next === 'may' ? [allergen] : [])];
    this.keep();
  }

  /** What is in the form is kept on this device until it is on the shelf. */
  keep(): void {
    if (this.body) localStorage.setItem(PLACE, JSON.stringify({ key: this.key, body: $state.snapshot(this.body) }));
  }

  /** What was being written when this page was left, if it was the good that is asked for. */
  #kept(name: string): boolean {
    try {
      const kept = JSON.parse(localStorage.getItem(PLACE) ?? 'null') as { key: string; body: Body } | null;
      if (!kept || (name && kept.body.name.toLowerCase() !== name.toLowerCase())) return false;
      [this.key, this.body] = [kept.key, kept.body];
      return true;
    } catch {
      localStorage.removeItem(PLACE);
      return false;
    }
  }

  leave(): void {
    this.body = null;
    this.key = '';
    this.confirming = false;
    localStorage.removeItem(PLACE);
  }

  async save(): Promise<void> {
    if (!this.body || this.saving) return;
    this.saving = true;
    const body = { ...($state.snapshot(this.body) as Body), key: '' };
    const fresh = !this.key;
    try {
      const kept = fresh
        ? await ask(api.POST('/api/goods', { body }))
        : await ask(api.PUT('/api/goods/{key}', { params: { path: { key: this.key } }, body }));
      this.problem = null;
      this.leave();
      this.own = await ask(api.GET('/api/goods'));
      const followed = kept.formulas.length
        ? ` ${kept.formulas.length} formula${kept.formulas.length > 1 ? 's' : ''} of the Book made with it now.`
        : '';
      this.done = `“${kept.good.name}” is on the shelf.${followed}`;
      this.seek();
    } catch (error) {
      this.problem = problemOf(error);
    } finally {
      this.saving = false;
    }
  }

  async remove(): Promise<void> {
    if (!this.key) return;
    const name = this.body?.name ?? '';
    try {
      const { error, response } = await api.DELETE('/api/goods/{key}', { params: { path: { key: this.key } } });
      if (!response.ok) throw new Refused((error as Problem | undefined) ?? UNREACHED, response.status < 500);
      this.leave();
      this.done = `“${name}” is off the shelf. Formulas that are made with it keep it.`;
      this.own = await ask(api.GET('/api/goods'));
    } catch (error) {
      this.problem = error instanceof Refused ? error.problem : UNREACHED;
    }
  }

  async readTable(file: File): Promise<void> {
    try {
      const read = await ask(api.POST('/api/goods/csv', { body: { text: await file.text() } }));
      this.problem = null;
      this.own = await ask(api.GET('/api/goods'));
      this.done = `${read.added.length} added, ${read.changed.length} changed.`;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }
}
