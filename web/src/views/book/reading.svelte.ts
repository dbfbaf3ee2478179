import { api, ask, problemOf, type Kitchen, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';
import type { LooseStep } from './editor.svelte';

export type Draft = Schemas['DraftView'];
export type ReadRow = Draft['rows'][number];
type Mend = NonNullable<Schemas['ByHand']['mends']>[number];
const PLACE = 'kindwhisk.reading';
const BY_HAND = 'kindwhisk.reading.by-hand';

/** What was corrected on the process before this page was left. */
function kept(): { mends: Mend[]; meant: Schemas['Meant'][] } {
  try {
    const found = JSON.parse(localStorage.getItem(BY_HAND) ?? 'null') as { mends?: Mend[]; meant?: Schemas['Meant'][] };
    return { mends: found?.mends ?? [], meant: found?.meant ?? [] };
  } catch {
    return { mends: [], meant: [] };
  }
}

/** The text of a draft, as it would have been pasted: title, list, method, each under its headings. */
export function asText(draft: Draft): string {
  const out: string[] = [draft.title, '', 'Ingredients'];
  let group = '';
  let told = false;
  for (const row of draft.rows) {
    if (row.kind !== 'ingredient' && row.kind !== 'sentence') continue;
    if (row.kind === 'sentence' && !told) {
      out.push('', 'Method');
      [told, group] = [true, ''];
    }
    if (row.group && row.group !== group) out.push(told ? `${row.group}:` : `For the ${row.group}:`);
    group = row.group;
    out.push(row.text);
  }
  return out.join('\n');
}

/** Where this stands by itself: “50 g sugar” is no part of “150 g sugar”. */
function whole(text: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}.,])${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'gu');
}

/** A recipe being read in: the text leads, everything else is read from it again whenever it changes. */
export class ReadingIn {
  text = $state(localStorage.getItem(PLACE) ?? '');
  technique = $state('');
  byHand = $state(kept());
  kinds = $state<Schemas['KindView'][]>([]);
  kitchen = $state<Kitchen | null>(null);
  picked = $state<string | null>(null);
  sentence = $state<string | null>(null);
  read = new Asking<Draft>();
  checked = new Asking<Schemas['Checked']>();
  problem = $state<Problem | null>(null);
  /** A formula that came with its whole process. */
  whole = $state<Schemas['Formula'] | null>(null);

  draft = $derived(this.text.trim() ? this.read.value : null);
  formula = $derived(this.whole ?? this.draft?.formula ?? null);

  /** Read the text as it is now; what it holds is kept on this device until it is in the Book. */
  consider(): void {
    const text = this.text;
    const technique = (this.technique || null) as Schemas['RecipeText']['technique'];
    const by_hand = $state.snapshot(this.byHand);
    localStorage.setItem(PLACE, text);
    localStorage.setItem(BY_HAND, JSON.stringify(by_hand));
    if (!text.trim()) return;
    this.read.ask((signal) =>
      ask(
        api.POST('/api/formulas/read', {
          body: { text, format: 'text', technique, by_hand } as Schemas['RecipeText'],
          signal,
        }),
      ),
    );
  }

  /** What a step can be changed in, once one is looked at. */
  async loadKinds(): Promise<void> {
    if (this.kinds.length > 0) return;
    try {
      const [kinds, kitchen] = await Promise.all([ask(api.GET('/api/formulas/kinds')), ask(api.GET('/api/kitchen'))]);
      this.kinds = kinds;
      this.kitchen = kitchen.kitchen;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  steps = $derived((this.formula?.steps ?? []) as unknown as LooseStep[]);
  step = $derived(this.steps.find((s) => s.id === this.picked) ?? null);
  sentences = $derived((this.draft?.rows ?? []).filter((r) => r.kind === 'sentence'));

  /** Look at a step: its sentences are shown with it. */
  pick(id: string | null): void {
    this.picked = id;
    this.sentence = this.sentences.find((r) => id !== null && r.steps?.includes(id))?.text ?? null;
    void this.loadKinds();
  }

  /** Look at a sentence: the last of the steps that it became is shown with it. */
  turnTo(row: ReadRow): void {
    this.sentence = row.text;
    this.picked = row.steps?.at(-1) ?? null;
    void this.loadKinds();
  }

  #mendOf(id: string): Mend | null {
    const key = this.draft?.keys[id];
    if (key === undefined) return null;
    const found = this.byHand.mends.find((m) => m.key === key);
    if (found) return found;
    this.byHand.mends.push({ key, fields: {}, drop: false });
    return this.byHand.mends.at(-1)!;
  }

  /** A field of the picked step, set by hand; it stays so while the text is mended. */
  set(field: string, value: unknown): void {
    const mend = this.picked === null ? null : this.#mendOf(this.picked);
    if (mend) mend.fields = { ...mend.fields, [field]: value };
  }

  /** Several fields of a step at once, as an editor of steps would. */
  change(act: (formula: Schemas['Formula'], steps: LooseStep[]) => void): void {
    const formula = this.formula;
    const before = this.step;
    if (!formula || !before) return;
    const copy = structuredClone($state.snapshot(formula)) as Schemas['Formula'];
    const steps = copy.steps as unknown as LooseStep[];
    act(copy, steps);
    const after = steps.find((s) => s.id === before.id);
    for (const [name, value] of Object.entries(after ?? {}))
      if (JSON.stringify(value) !== JSON.stringify(before[name])) this.set(name, value);
  }

  /** Leave an assumed step out. */
  leaveOut(id: string): void {
    const mend = this.#mendOf(id);
    if (mend) mend.drop = true;
    this.picked = null;
  }

  /** What a sentence is about: what another one made. */
  means(sentence: string, of: string): void {
    this.byHand.meant = [
      ...this.byHand.meant.filter((m) => m.sentence !== sentence),
      ...(of ? [{ sentence, of }] : []),
    ];
  }

  /** Take back what was corrected on the process. */
  forget(): void {
    this.byHand = { mends: [], meant: [] };
  }

  /** Where a row stands in the text: that row, not another that holds the same letters. */
  #place(row: number): { at: number; end: number } | null {
    const rows = this.draft?.rows ?? [];
    const old = rows[row]?.text;
    if (!old) return null;
    const earlier = rows.slice(0, row).filter((r) => r.text === old).length;
    const at = [...this.text.matchAll(whole(old))][earlier]?.index;
    return at === undefined ? null : { at, end: at + old.length };
  }

  /** A row as it should have been written. */
  mendRow(row: number, written: string): void {
    const draft = this.draft;
    const old = draft?.rows[row]?.text;
    if (!draft || !old) return;
    const place = this.#place(row);
    // What a page says between its tags is nowhere in it as it is read: then the whole is written as it was read.
    this.text = place
      ? this.text.slice(0, place.at) + written + this.text.slice(place.end)
      : asText({ ...draft, rows: draft.rows.map((r, n) => (n === row ? { ...r, text: written } : r)) });
    this.byHand.meant = this.byHand.meant.map((m) => (m.sentence === old ? { ...m, sentence: written } : m));
    if (this.sentence === old) this.sentence = written;
  }

  /** Two sentences of one, cut at a place in it. */
  split(row: number, at: number): void {
    const text = this.draft?.rows[row]?.text ?? '';
    const [first, second] = [text.slice(0, at).trim().replace(/[,;]$/, ''), text.slice(at).trim()];
    if (first && second) this.mendRow(row, `${first}.\n${second}`);
  }

  /** One sentence of this one and the next. */
  join(row: number): void {
    const [own, next] = [this.#place(row), this.#place(row + 1)];
    if (!own || !next || next.at < own.end) return;
    const first = this.text.slice(own.at, own.end).replace(/[.;!。]+$/, '');
    this.text = `${this.text.slice(0, own.at)}${first}, ${this.text.slice(next.at)}`;
  }

  /** Forecast what was proposed. */
  forecast(): void {
    const draft = this.formula;
    if (draft) this.checked.ask(() => ask(api.POST('/api/formulas/check', { body: { draft } })));
  }

  /** A file: a schema.org Recipe, a table, or plain text. */
  async open(file: File): Promise<void> {
    this.problem = this.whole = null;
    const written = await file.text();
    const named = file.name.toLowerCase();
    try {
      if (named.endsWith('json') || named.endsWith('jsonld')) {
        let document: Record<string, unknown>;
        try {
          document = JSON.parse(written) as Record<string, unknown>;
        } catch {
          throw new Error(`“${file.name}” is not JSON. Choose a .jsonld file, a table (.csv) or plain text.`);
        }
        const body = (Array.isArray(document) ? { '@graph': document } : document) as Record<string, never>;
        const draft = await ask(api.POST('/api/formulas/read', { body }));
        this.text = asText(draft);
        if ('kindwhisk:process' in document) this.whole = draft.formula ?? null;
      } else if (named.endsWith('csv') || named.endsWith('tsv')) {
        const body = { text: written, format: 'csv' } as Schemas['RecipeText'];
        this.text = asText(await ask(api.POST('/api/formulas/read', { body })));
      } else this.text = written;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Add to the Book; its id there, or null when it was refused. */
  async keep(): Promise<string | null> {
    const formula = this.formula;
    if (!formula) return null;
    try {
      const path = { formula_id: formula.id };
      const saved = await ask(api.PUT('/api/formulas/{formula_id}', { params: { path }, body: { formula } }));
      localStorage.removeItem(PLACE);
      localStorage.removeItem(BY_HAND);
      return saved.id;
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    }
  }
}
