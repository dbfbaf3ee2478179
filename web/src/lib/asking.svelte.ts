import { untrack } from 'svelte';
import { problemOf, type Problem } from './api/client';

const PAUSE_MS = 140;

/** An answer that is asked for again as its question changes: the old one stays, dimmed, until the new one is there. */
export class Asking<T> {
  value = $state<T | null>(null);
  problem = $state<Problem | null>(null);
  waiting = $state(false);
  #turn = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;

  ask(question: () => Promise<T>, pause = PAUSE_MS): void {
    const turn = ++this.#turn;
    this.waiting = true;
    clearTimeout(this.#timer);
    this.#timer = setTimeout(
      () => {
        question().then(
          (value) => {
            if (turn !== this.#turn) return;
            this.value = value;
            this.problem = null;
            this.waiting = false;
          },
          (error) => {
            if (turn !== this.#turn) return;
            this.problem = problemOf(error);
            this.waiting = false;
          },
        );
      },
      // An effect that asks must not depend on the answer.
      untrack(() => this.value === null) ? 0 : pause,
    );
  }
}
