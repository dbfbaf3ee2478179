import { newKey } from '../api/client';
import { lease } from './kept';

const LEASE_MS = 4000;
const RENEW_MS = 1500;

/**
 * What only one page of this device does at a time. `begin` is called when it is this page's turn, and returns how to
 * end; the next page goes on when this one is closed.
 */
export class Owner {
  #mine = false;
  #end: (() => void) | null = null;
  #release: (() => void) | null = null;
  #waiting: AbortController | null = null;
  #holder = newKey();

  constructor(
    readonly name: string,
    readonly begin: () => () => void,
  ) {
    if (navigator.locks) this.#queue(false);
    else this.#renew();
  }

  /** Whether it is this page's turn. */
  get mine(): boolean {
    return this.#mine;
  }

  /** Take the turn from a page that does not go on with it, such as one that was put to sleep. */
  take(): void {
    if (!navigator.locks || this.mine) return;
    this.#waiting?.abort();
    this.#queue(true);
  }

  #queue(steal: boolean): void {
    const waiting = (this.#waiting = new AbortController());
    navigator.locks
      .request(this.name, steal ? { steal } : { signal: waiting.signal }, () => {
        this.#start();
        return new Promise<void>((release) => (this.#release = release));
      })
      .catch((error: unknown) => {
        if (waiting.signal.aborted) return;
        this.#stop();
        // Another page took it: wait for the next turn. A browser that lends none after all: by leases.
        if (error instanceof DOMException && error.name === 'AbortError') this.#queue(false);
        else this.#renew();
      });
  }

  #renew(): void {
    lease(this.name, this.#holder, LEASE_MS)
      .then(
        (held) => (held ? this.#start() : this.#stop()),
        // Nothing can be kept on this device: each page does it for itself.
        () => this.#start(),
      )
      .finally(() => setTimeout(() => this.#renew(), RENEW_MS));
  }

  #start(): void {
    if (this.#mine) return;
    this.#mine = true;
    this.#end = this.begin();
  }

  #stop(): void {
    this.#mine = false;
    this.#end?.();
    this.#end = null;
    this.#release?.();
    this.#release = null;
  }
}
