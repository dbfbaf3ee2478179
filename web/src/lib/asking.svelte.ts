import { untrack } from 'svelte';
import { problemOf, type Problem } from './api/client';

const PAUSE_MS = 140;
const SLOW_MS = 1000;

/** An answer that is asked for again as its question changes: the old one stays, dimmed, until the new one is there. */
export class Asking<T> {
  value = $state<T | null>(null);
  problem = $state<Problem | null>(null);
  waiting = $state(false);
  /** It takes so long that it is worth a word. */
  slow = $state(false);
  #turn = 0;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #word: ReturnType<typeof setTimeout> | undefined;
  #going: AbortController | undefined;

  /** Ask; an answer that is still being worked out for an older question is left, and the server told so. */
  ask(question: (signal: AbortSignal) => Promise<T>, pause = PAUSE_MS): void {
    const turn = this.#stop();
    this.waiting = true;
    this.#word = setTimeout(() => (this.slow = true), SLOW_MS);
    const going = (this.#going = new AbortController());
    this.#timer = setTimeout(
      () => {
        question(going.signal).then(
          (value) => {
            if (turn !== this.#turn) return;
            this.value = value;
            this.problem = null;
            this.#settle();
          },
          (error) => {
            if (turn !== this.#turn) return;
            this.problem = problemOf(error);
            this.#settle();
          },
        );
      },
      // An effect that asks must not depend on the answer.
      untrack(() => this.value === null) ? 0 : pause,
    );
  }

  /** Leave the question: nothing is asked any more, and nothing is shown. */
  leave(): void {
    this.#stop();
    this.value = this.problem = null;
  }

  /** Leave the question, and keep the answer that is there. */
  rest(): void {
    this.#stop();
  }

  #stop(): number {
    clearTimeout(this.#timer);
    this.#going?.abort();
    this.#settle();
    return ++this.#turn;
  }

  #settle(): void {
    clearTimeout(this.#word);
    this.waiting = this.slow = false;
  }
}
