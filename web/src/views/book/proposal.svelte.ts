import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';

/** A change that is looked at before it is taken: another meringue, another ingredient. */
export class Proposal {
  value = $state<Schemas['Proposed'] | null>(null);
  problem = $state<Problem | null>(null);
  waiting = $state(false);
  #turn = 0;

  constructor(readonly formula_id: string) {}

  async #ask(question: Promise<Schemas['Proposed']>): Promise<void> {
    const turn = ++this.#turn;
    this.waiting = true;
    try {
      const value = await question;
      if (turn !== this.#turn) return;
      this.value = value;
      this.problem = null;
    } catch (error) {
      if (turn === this.#turn) this.problem = problemOf(error);
    }
    if (turn === this.#turn) this.waiting = false;
  }

  /** The meringue of a step by another method. */
  method(step: string, method: Schemas['Method']): Promise<void> {
    const path = { formula_id: this.formula_id };
    return this.#ask(ask(api.POST('/api/formulas/{formula_id}/method', { params: { path }, body: { step, method } })));
  }

  /** The fold that a step ends, by another school. */
  fold(step: string, school: Schemas['FoldSchool']): Promise<void> {
    const path = { formula_id: this.formula_id };
    return this.#ask(ask(api.POST('/api/formulas/{formula_id}/fold', { params: { path }, body: { step, school } })));
  }

  /** One ingredient in another's place. */
  swap(ingredient: string, into: string, share: number): Promise<void> {
    const path = { formula_id: this.formula_id };
    const body = { ingredient, into, share, steps: [] };
    return this.#ask(ask(api.POST('/api/formulas/{formula_id}/substitute', { params: { path }, body })));
  }

  /** Forget it. */
  clear(): void {
    this.#turn++;
    this.value = this.problem = null;
    this.waiting = false;
  }

  /** Keep it as the next version; true when it is on the disk. */
  async take(): Promise<boolean> {
    if (!this.value) return false;
    const path = { formula_id: this.formula_id };
    const body = { formula: this.value.formula, based_on: this.value.based_on };
    try {
      await ask(api.PUT('/api/formulas/{formula_id}', { params: { path }, body }));
      this.clear();
      return true;
    } catch (error) {
      this.problem = problemOf(error);
      return false;
    }
  }
}
