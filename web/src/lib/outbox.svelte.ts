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
  #asking = new Map<string, (problem: Problem | null) => void>();

  /** Resolves with what is wrong with it, or null once it is on the server's disk or kept for later on this device. */
  add(bake: string, event: BenchEvent): Promise<Problem | null> {
    this.kept.push({ bake, event });
    this.#store();
    const answer = new Promise<Problem | null>((resolve) => this.#asking.set(event.client_key, resolve));
    void this.flush();
    return answer;
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
          this.#drop(null);
          this.onstate(state);
        } catch (error) {
          if (!(error instanceof Refused) || !error.reached || error.problem.status === 401) {
            this.stuck = true;
            for (const { event } of this.kept) this.#answer(event.client_key, null);
            setTimeout(() => void this.flush(), AGAIN_MS);
            return;
          }
          this.stuck = false;
          if (!this.#drop(error.problem)) this.onrefused(error.problem);
        }
      }
    } finally {
      this.#sending = false;
    }
  }

  #drop(problem: Problem | null): boolean {
    const first = this.kept.shift();
    this.#store();
    return first !== undefined && this.#answer(first.event.client_key, problem);
  }

  #answer(key: string, problem: Problem | null): boolean {
    const resolve = this.#asking.get(key);
    this.#asking.delete(key);
    resolve?.(problem);
    return resolve !== undefined;
  }

  #store(): void {
    localStorage.setItem(PLACE, JSON.stringify(this.kept));
  }
}

export const outbox = new Outbox();
