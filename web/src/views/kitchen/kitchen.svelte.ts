import { api, ask, problemOf, type Kitchen, type Problem, type Schemas } from '../../lib/api/client';

const SAVE_AFTER_MS = 600;

/** An id that none of these has: the word, or the word and a number. */
export function freeId(word: string, taken: { id: string }[]): string {
  const ids = new Set(taken.map((item) => item.id));
  let n = 1;
  while (ids.has(`${word}-${n}`)) n++;
  return `${word}-${n}`;
}

/** The profile as it is edited; every change is saved by itself, as a new revision. */
export class KitchenState {
  kitchen = $state<Kitchen | null>(null);
  /** The shapes that a tin can have, with what their lengths are called. */
  shapes = $state<Schemas['ShapeView'][]>([]);
  /** What keeps how long, by guidance. */
  keeps = $state<Schemas['KeepsView'][]>([]);
  problem = $state<Problem | null>(null);
  saved = $state<'yes' | 'saving' | 'no'>('yes');
  revision = $state(0);
  #timer: ReturnType<typeof setTimeout> | undefined;
  #changes = 0;
  #sending: Promise<void> = Promise.resolve();

  async load(): Promise<void> {
    try {
      const [view, shapes, keeps] = await Promise.all([
        ask(api.GET('/api/kitchen')),
        ask(api.GET('/api/craft/tin-shapes')),
        ask(api.GET('/api/craft/shelf-life')),
      ]);
      this.shapes = shapes;
      this.keeps = keeps;
      this.kitchen = view.kitchen;
      this.revision = view.revision;
      this.problem = null;
      this.saved = 'yes';
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  change(change: (kitchen: Kitchen) => void): void {
    if (!this.kitchen) return;
    change(this.kitchen);
    this.#changes++;
    this.saved = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#save(), SAVE_AFTER_MS);
  }

  /** What is not saved yet when the page is closed, or could not be, is sent all the same. Returns how to stop. */
  keepOnLeaving(): () => void {
    const leave = () => {
      if (this.saved === 'yes') return;
      clearTimeout(this.#timer);
      void this.#save();
    };
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }

  /** One after the other: each save builds on the revision that the one before it made. */
  #save(): Promise<void> {
    this.#sending = this.#sending.then(() => this.#send());
    return this.#sending;
  }

  async #send(): Promise<void> {
    if (!this.kitchen) return;
    const sent = this.#changes;
    try {
      const body = { revision: this.revision, kitchen: $state.snapshot(this.kitchen) };
      const view = await ask(api.PUT('/api/kitchen', { body, keepalive: true }));
      this.revision = view.revision;
      if (sent === this.#changes) this.saved = 'yes';
      this.problem = null;
    } catch (error) {
      this.saved = 'no';
      this.problem = problemOf(error);
    }
  }
}
