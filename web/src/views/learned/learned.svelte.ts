import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../../lib/api/client';

export type Figure = Schemas['FigureView'];
export type Effect = Schemas['EffectView'];

/** What has been learned: every figure with what it depends on, and the dots of the one that is looked at. */
export class LearnedState {
  figures = $state<Figure[] | null>(null);
  shown = $state<Schemas['EffectDots'] | null>(null);
  problem = $state<Problem | null>(null);

  async load(): Promise<void> {
    try {
      this.figures = await ask(api.GET('/api/learned'));
      const first = this.figures[0];
      if (first && !this.shown) await this.look(first.figure, first.effects[0]!.name);
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Look at the dots of an effect. */
  async look(figure: Schemas['Figure'], effect: string): Promise<void> {
    try {
      this.shown = await ask(api.GET('/api/learned/dots', { params: { query: { figure, effect } } }));
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Let a dot count, or not. */
  async count(evidence: string, out: boolean): Promise<void> {
    try {
      const note = { kind: 'left_out' as const, evidence, out };
      this.figures = await ask(api.POST('/api/learned/notes', { body: { client_key: newKey(), note } }));
      if (this.shown) await this.look(this.shown.figure, this.shown.effect.name);
    } catch (error) {
      this.problem = problemOf(error);
    }
  }
}
