/** All pages of this device, told the same: a message reaches every page that is open, this one too. */
export class Channel<M> {
  #others: BroadcastChannel | null;
  #listeners = new Set<(message: M) => void>();

  constructor(name: string) {
    this.#others = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name);
    if (this.#others) this.#others.onmessage = (event: MessageEvent<M>) => this.#hear(event.data);
  }

  /** Be told; returns how to stop. */
  listen(listener: (message: M) => void): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  tell(message: M): void {
    this.#others?.postMessage(message);
    this.#hear(message);
  }

  #hear(message: M): void {
    for (const listener of this.#listeners) listener(message);
  }
}
