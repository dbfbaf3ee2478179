import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type Draft = Schemas['DraftView'];
const PLACE = 'kindwhisk.reading';

/** The text of a draft, as it would have been pasted: title, list, method. */
export function asText(draft: Draft): string {
  const lines: string[] = [];
  draft.lines.forEach((line, i) => {
    const group = draft.groups[i] ?? '';
    if (group && group !== (draft.groups[i - 1] ?? '')) lines.push(`For the ${group}:`);
    lines.push(line.text);
  });
  return [draft.title, '', 'Ingredients', ...lines, '', 'Method', ...draft.method.sentences].join('\n');
}

/** Where this stands by itself: “50 g sugar” is no part of “150 g sugar”. */
function whole(text: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}.,])${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'gu');
}

/** A recipe being read in: the text leads, everything else is read from it again whenever it changes. */
export class ReadingIn {
  text = $state(localStorage.getItem(PLACE) ?? '');
  technique = $state('');
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
    localStorage.setItem(PLACE, text);
    if (!text.trim()) return;
    this.read.ask(() =>
      ask(api.POST('/api/formulas/read', { body: { text, format: 'text', technique } as Schemas['RecipeText'] })),
    );
  }

  /** Forecast what was proposed. */
  forecast(): void {
    const draft = this.formula;
    if (draft) this.checked.ask(() => ask(api.POST('/api/formulas/check', { body: { draft } })));
  }

  /** One line as it should have been written: that line, not another that holds the same letters. */
  mend(line: number, written: string): void {
    const lines = this.draft?.lines ?? [];
    const old = lines[line]?.text;
    if (!old) return;
    const earlier = lines.slice(0, line).filter((l) => l.text === old).length;
    const place = [...this.text.matchAll(whole(old))][earlier]?.index;
    if (place !== undefined) this.text = this.text.slice(0, place) + written + this.text.slice(place + old.length);
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
      return saved.id;
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    }
  }
}
