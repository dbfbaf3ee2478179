import { api, ask, newKey, problemOf, type Kitchen, type Problem, type Schemas } from '../../../lib/api/client';
import { Asking } from '../../../lib/asking.svelte';
import { now } from '../../../lib/now.svelte';
import type { BenchState } from '../bench.svelte';

type Untold<E> = E extends unknown ? Omit<E, 'client_key' | 'at' | 'planned' | 'ready_at'> : never;
export type Turn = Untold<Schemas['BegunAgain'] | Schemas['Changed'] | Schemas['DoneBefore']>;
export type Change = Schemas['Changed']['change'];

/** Something that goes otherwise than planned: what could, what is asked for, and what would follow from it. */
export class Otherwise {
  could = $state<Schemas['Could'] | null>(null);
  kitchen = $state<Kitchen | null>(null);
  last = $state<Schemas['LastThing'][]>([]);
  asked = $state<Turn | null>(null);
  follows = new Asking<Schemas['Foreseen']>();
  problem = $state<Problem | null>(null);
  keeping = $state(false);
  /** When it was opened: what is told in hours from now must not move with the clock. */
  openedAt = $state(now.value);

  constructor(readonly bench: BenchState) {}

  /** Ask what could go otherwise by now. */
  async load(): Promise<void> {
    this.openedAt = now.value;
    const path = { bake_id: this.bench.id };
    try {
      const [could, kitchen, last] = await Promise.all([
        ask(api.GET('/api/bakes/{bake_id}/could', { params: { path } })),
        ask(api.GET('/api/kitchen')),
        ask(api.GET('/api/bakes/{bake_id}/last-things', { params: { path } })),
      ]);
      this.could = could;
      this.kitchen = kitchen.kitchen;
      this.last = last;
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Something is asked for: show what would follow, without doing it. */
  consider(turn: Turn | null): void {
    this.asked = turn;
    this.problem = null;
    if (!turn) {
      this.follows.leave();
      return;
    }
    if (turn.kind === 'done_before') return;
    const body = { ...turn, planned: [], client_key: newKey() } as Schemas['BegunAgain'] | Schemas['Changed'];
    this.follows.ask((signal) =>
      ask(api.POST('/api/bakes/{bake_id}/foreseen', { params: { path: { bake_id: this.bench.id } }, body, signal })),
    );
  }

  change(change: Change | null): void {
    this.consider(change && { kind: 'changed', change });
  }

  /** Do it; tells whether it was taken. */
  async keep(): Promise<boolean> {
    if (!this.asked) return false;
    this.keeping = true;
    const planned = this.asked.kind === 'done_before' ? {} : { planned: [] };
    this.problem = await this.bench.ask({ ...this.asked, ...planned } as Parameters<BenchState['ask']>[0]);
    this.keeping = false;
    if (!this.problem) void this.bench.load();
    return this.problem === null;
  }

  /** Take back something that nothing rests on. */
  async undo(sequence: number): Promise<void> {
    this.problem = await this.bench.ask({ kind: 'undone', sequence });
    await this.bench.load();
    await this.load();
  }
}
