import { api, ask, type Schemas } from './api/client';
import { regularly } from './regularly';

type Replanned = Schemas['Replanned'];

const LOOK_MS = 20_000;
const BETTER_S = 0.3;
/** A step that moves by less is no slip of the day. */
const SLIP_S = 300;

/** Several bakes are planned together, and something of them is late or lies quite elsewhere. */
export function slips(one: Replanned): boolean {
  const far = one.pushed_moves.some(
    (m) => m.oven || Math.abs(Date.parse(m.now_at) - Date.parse(m.was_at)) >= SLIP_S * 1000,
  );
  return one.slipped && far && one.pushed.bakes.length > 1;
}

/** The day as it comes, asked for once for all of a page that shows it. */
class Slipping {
  told = $state.raw<Replanned | null>(null);
  #watchers = 0;
  #stop: (() => void) | null = null;
  #looking: Promise<void> | null = null;

  /** Look at it from now on; returns how to leave it. */
  watch(): () => void {
    this.#watchers += 1;
    this.#stop ??= regularly(() => this.look(), LOOK_MS);
    return () => {
      this.#watchers -= 1;
      if (this.#watchers > 0) return;
      this.#stop?.();
      this.#stop = null;
    };
  }

  /** Look now; whoever asks while one looks waits for that. */
  look(): Promise<void> {
    this.#looking ??= this.#look().finally(() => (this.#looking = null));
    return this.#looking;
  }

  /** Look once more, after what was just changed. */
  async anew(): Promise<void> {
    await this.#looking;
    await this.look();
  }

  async #look(): Promise<void> {
    // Pushed is soon known; a better plan is looked for only where it slips.
    const pushed = await this.#ask(0);
    if (pushed) this.told = pushed;
    if (pushed && slips(pushed)) this.told = (await this.#ask(BETTER_S)) ?? pushed;
  }

  #ask(seconds: number): Promise<Replanned | null> {
    return ask(api.POST('/api/days/replan', { body: { seconds, pinned: [] } })).catch(() => null);
  }
}

export const slipping = new Slipping();
