import { api, ask, problemOf, type Kitchen, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type Formula = Schemas['Formula'];
export type Portion = Schemas['WeighStep']['inputs'][number];
/** A step as the editor sees it: what all kinds share, and whatever its own kind adds. */
export type LooseStep = Schemas['WeighStep'] & Record<string, unknown>;
export type Share = 'all' | 'part' | 'grams' | 'the rest' | 'what was cut off';

const MOST_UNDO = 100;
const place = (id: string) => `kindwhisk.change.${id}`;

function free(name: string, taken: string[]): string {
  let n = taken.length + 1;
  while (taken.includes(`${name}-${n}`)) n++;
  return `${name}-${n}`;
}

/** How much of a step a portion takes, in words. */
export function shareOf(portion: Portion): Share {
  if (portion.source !== 'step') return 'all';
  if (portion.offcut) return 'what was cut off';
  if (portion.rest) return 'the rest';
  if (portion.fraction != null) return 'part';
  return portion.grams != null ? 'grams' : 'all';
}

/** A formula being changed as a process; the server says what is wrong with it and forecasts it. */
export class Editor {
  formula = $state<Formula | null>(null);
  based_on = $state(0);
  kinds = $state<Schemas['KindView'][]>([]);
  ingredients = $state<Schemas['IngredientEntry'][]>([]);
  kitchen = $state<Kitchen | null>(null);
  checked = new Asking<Schemas['Checked']>();
  picked = $state<string | null>(null);
  problem = $state<Problem | null>(null);
  restored = $state(false);
  #past = $state<string[]>([]);
  #saved = '';

  constructor(readonly id: string) {}

  steps = $derived((this.formula?.steps ?? []) as unknown as LooseStep[]);
  step = $derived(this.steps.find((s) => s.id === this.picked) ?? null);
  canUndo = $derived(this.#past.length > 0);
  changed = $derived(this.formula !== null && JSON.stringify(this.formula) !== this.#saved);
  blocked = $derived((this.checked.value?.findings ?? []).some((f) => f.blocks) || !this.checked.value?.forecast);

  async load(): Promise<void> {
    try {
      const path = { formula_id: this.id };
      const [view, kinds, ingredients, kitchen] = await Promise.all([
        ask(api.GET('/api/formulas/{formula_id}', { params: { path } })),
        ask(api.GET('/api/formulas/kinds')),
        ask(api.GET('/api/craft/ingredients')),
        ask(api.GET('/api/kitchen')),
      ]);
      this.kinds = kinds;
      // Goods that are not on the shelf, such as those not known yet, come with the formula.
      const there = new Set(ingredients.map((i) => i.id));
      const brought = Object.entries(view.goods)
        .filter(([id]) => !there.has(id))
        .map(([id, name]) => ({ id, name, kind: 'own', allergens: [], allergens_unknown: true }));
      this.ingredients = [...ingredients, ...brought];
      this.kitchen = kitchen.kitchen;
      this.based_on = view.version;
      this.#saved = JSON.stringify(view.formula);
      this.formula = this.#kept() ?? view.formula;
      this.picked ??= this.formula.steps[0]?.id ?? null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** What was being changed when this page was left, if it was this version. */
  #kept(): Formula | null {
    try {
      const kept = JSON.parse(localStorage.getItem(place(this.id)) ?? 'null') as {
        version: number;
        formula: Formula;
      } | null;
      if (kept?.version !== this.based_on || JSON.stringify(kept.formula) === this.#saved) return null;
      this.restored = true;
      return kept.formula;
    } catch {
      return null;
    }
  }

  /** Ask what is wrong and how it would go; reads all of the formula, so that an effect may call it. */
  consider(): void {
    if (!this.formula) return;
    const draft = $state.snapshot(this.formula) as Formula;
    localStorage.setItem(place(this.id), JSON.stringify({ version: this.based_on, formula: draft }));
    this.checked.ask(() => ask(api.POST('/api/formulas/check', { body: { draft } })));
  }

  /** Change something; {@link undo} takes it back. */
  change(act: (formula: Formula, steps: LooseStep[]) => void): void {
    if (!this.formula) return;
    this.#past = [...this.#past.slice(1 - MOST_UNDO), JSON.stringify(this.formula)];
    act(this.formula, this.formula.steps as unknown as LooseStep[]);
  }

  undo(): void {
    const last = this.#past.at(-1);
    if (!last) return;
    this.#past = this.#past.slice(0, -1);
    this.formula = JSON.parse(last) as Formula;
    if (!this.steps.some((s) => s.id === this.picked)) this.picked = this.steps[0]?.id ?? null;
  }

  /** Back to the version in the Book. */
  startOver(): void {
    this.change((formula) => Object.assign(formula, JSON.parse(this.#saved)));
    this.restored = false;
  }

  move(id: string, by: number): void {
    this.change((_, steps) => {
      const from = steps.findIndex((s) => s.id === id);
      const to = from + by;
      if (from < 0 || to < 0 || to >= steps.length) return;
      const [step] = steps.splice(from, 1);
      steps.splice(to, 0, step!);
    });
  }

  /** Put in a step of a kind behind the picked one; it takes all that is left of it, and its place. */
  add(kind: string): void {
    const draft = this.kinds.find((k) => k.kind === kind)?.draft;
    if (!draft) return;
    this.change((formula, steps) => {
      const at = steps.findIndex((s) => s.id === this.picked);
      const before = steps[at];
      let n = 1;
      while (steps.some((s) => s.id === `${kind}-${n}`)) n++;
      const id = `${kind}-${n}`;
      const inputs: Portion[] =
        before && kind !== 'weigh' ? [{ source: 'step', step: before.id, rest: false, offcut: false }] : [];
      if (before && kind !== 'weigh')
        for (const step of steps)
          for (const p of step.inputs) if (p.source === 'step' && p.step === before.id) p.step = id;
      const title = `${kind[0]!.toUpperCase()}${kind.slice(1)}`;
      const vessel = before?.vessel ?? formula.vessels[0]?.id ?? 'oven';
      const step = { ...structuredClone($state.snapshot(draft)), id, title, vessel, inputs, after: [], note: '' };
      steps.splice(at + 1, 0, { ...step, component: before?.component ?? '' } as unknown as LooseStep);
      this.picked = id;
    });
  }

  /** Take a step out; what took its result takes what went into it, if that was one thing. */
  remove(id: string): void {
    this.change((_, steps) => {
      const at = steps.findIndex((s) => s.id === id);
      const gone = steps[at];
      if (!gone) return;
      const sources = gone.inputs.filter((p) => p.source === 'step');
      const heir = sources.length === 1 && sources[0]!.source === 'step' ? sources[0]!.step : null;
      steps.splice(at, 1);
      for (const step of steps) {
        step.after = (step.after ?? []).filter((a) => a !== id);
        if (heir) for (const p of step.inputs) if (p.source === 'step' && p.step === id) p.step = heir;
        step.inputs = step.inputs.filter((p) => p.source !== 'step' || p.step !== id);
      }
      this.picked = steps[Math.min(at, steps.length - 1)]?.id ?? null;
    });
  }

  /** Set one field of the picked step. */
  set(name: string, value: unknown): void {
    this.change((_, steps) => {
      const step = steps.find((s) => s.id === this.picked);
      if (step) (step as Record<string, unknown>)[name] = value;
    });
  }

  setPortion(index: number, portion: Portion): void {
    this.change((_, steps) => {
      const step = steps.find((s) => s.id === this.picked);
      if (step) step.inputs[index] = portion;
    });
  }

  setShare(index: number, share: Share): void {
    const old = this.step?.inputs[index];
    if (old?.source !== 'step') return;
    const portion: Portion = {
      source: 'step',
      step: old.step,
      rest: share === 'the rest',
      offcut: share === 'what was cut off',
    };
    if (share === 'part') portion.fraction = 0.5;
    if (share === 'grams') portion.grams = 100;
    this.setPortion(index, portion);
  }

  addPortion(source: 'ingredient' | 'step'): void {
    this.change((_, steps) => {
      const at = steps.findIndex((s) => s.id === this.picked);
      const step = steps[at];
      if (!step) return;
      const earlier = steps[at - 1];
      if (source === 'ingredient') step.inputs.push({ source, ingredient: 'sugar', grams: 10, role: '', written: '' });
      else if (earlier) step.inputs.push({ source, step: earlier.id, rest: false, offcut: false });
    });
  }

  removePortion(index: number): void {
    this.change((_, steps) => void steps.find((s) => s.id === this.picked)?.inputs.splice(index, 1));
  }

  /** A further part; the first one takes all steps that belong to none. */
  addComponent(): void {
    this.change((formula, steps) => {
      const id = free(
        'part',
        formula.components.map((c) => c.id),
      );
      formula.components.push({ id, name: id.replace('-', ' '), part: 'sponge' });
      for (const step of steps) step.component ||= formula.components[0]!.id;
    });
  }

  /** A further bowl. */
  addVessel(): void {
    this.change((formula) => {
      const id = free(
        'bowl',
        formula.vessels.map((v) => v.id),
      );
      formula.vessels.push({ id, name: id.replace('-', ' '), form: 'bowl', diameter_mm: 220, height_mm: 110 });
    });
  }

  /** Keep it as the next version; its number, or null when it was refused. */
  async keep(): Promise<number | null> {
    if (!this.formula) return null;
    try {
      const path = { formula_id: this.id };
      const body = { formula: $state.snapshot(this.formula) as Formula, based_on: this.based_on };
      const saved = await ask(api.PUT('/api/formulas/{formula_id}', { params: { path }, body }));
      localStorage.removeItem(place(this.id));
      return saved.version;
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    }
  }
}
