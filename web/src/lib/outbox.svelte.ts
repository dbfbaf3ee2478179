import { api, ask, Refused, type BakeState, type Problem } from './api/client';
import type { paths } from './api/schema';

export type BenchEvent = NonNullable<
  paths['/api/bakes/{bake_id}/events']['post']['requestBody']
>['content']['application/json'];

type Kept = { bake: string; event: BenchEvent };
const PLACE = 'kindwhisk.outbox';
const AGAIN_MS = 2000;

/** What was entered and is not on the server's disk yet. It survives a reload, and keys make a repeat harmless. */
class Outbox {
  kept = $state<Kept[]>(JSON.parse(localStorage.getItem(PLACE) ?? '[]') as Kept[]);
  /** Whether the last try failed: what is kept waits for the server. */
  stuck = $state(false);
  onstate: (state: BakeState) => void = () => {};
  onrefused: (problem: Problem) => void = () => {};
  #sending = false;

  add(bake: string, event: BenchEvent): void {
    this.kept.push({ bake, event });
    this.#store();
    void this.flush();
  }

  async flush(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    try {
      while (this.kept.length > 0) {
        const first = this.kept[0]!;
        try {
          const state = await ask(
            api.POST('/api/bakes/{bake_id}/events', { params: { path: { bake_id: first.bake } }, body: first.event }),
          );
          this.stuck = false;
          this.#drop();
          this.onstate(state);
        } catch (error) {
          if (!(error instanceof Refused) || !error.reached || error.problem.status === 401) {
            this.stuck = true;
            setTimeout(() => void this.flush(), AGAIN_MS);
            return;
          }
          this.stuck = false;
          this.#drop();
          this.onrefused(error.problem);
        }
      }
    } finally {
      this.#sending = false;
    }
  }

  #drop(): void {
    this.kept.shift();
    this.#store();
  }

  #store(): void {
    localStorage.setItem(PLACE, JSON.stringify(this.kept));
  }
}

export const outbox = new Outbox();
