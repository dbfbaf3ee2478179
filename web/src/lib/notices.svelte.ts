import { api, ask, type Schemas } from './api/client';
import { live } from './live.svelte';
import { outbox } from './outbox.svelte';

const PATIENCE_MS = 3000;

/** What every page has to know: how the data, the clock and this device's own entries stand. */
class Notices {
  list = $state<Schemas['Notice'][]>([]);
  /** The server has been away for longer than a blink. */
  away = $state(false);
  #timer: ReturnType<typeof setTimeout> | undefined;

  /** Follow them until the page is left. Returns how to stop. */
  follow(): () => void {
    void this.load();
    const noticing = live.notice(() => void this.load());
    // What was kept on this device is sent from whatever page is open.
    const listening = live.listen((change) => change === null && void outbox.flush());
    return () => {
      noticing();
      listening();
    };
  }

  /** The connection came or went. */
  connected(yes: boolean): void {
    clearTimeout(this.#timer);
    if (yes) this.away = false;
    else this.#timer = setTimeout(() => (this.away = true), PATIENCE_MS);
  }

  async load(): Promise<void> {
    const found = await ask(api.GET('/api/keeping/notices')).catch(() => null);
    if (found) this.list = found;
  }
}

export const notices = new Notices();
