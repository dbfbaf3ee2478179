import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';

type Change = Schemas['StandInChange'];

/** The simulated thermometers of a demo: their clock, the flame and what can be made to go wrong. */
export class StandInState {
  view = $state<Schemas['StandInsView'] | null>(null);
  problem = $state<Problem | null>(null);

  async load(): Promise<void> {
    this.view = await ask(api.GET('/api/stand-ins')).catch(() => null);
  }

  async change(body: Change): Promise<void> {
    try {
      this.view = await ask(api.POST('/api/stand-ins', { body }));
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }
}
