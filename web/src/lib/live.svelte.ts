type Change = { id: number; bake: string; sequence: number; kind: string };
type Listener = (change: Change | null) => void;
export type ProbeRead = { probe: string; at: string; celsius: number };

/** One stream of changes for the whole page; it resumes by itself from the last id that it saw. */
class Live {
  connected = $state(true);
  #listeners = new Set<Listener>();
  #readers = new Set<(read: ProbeRead) => void>();
  #source: EventSource | null = null;

  /** Be told of every change; `null` after the connection came back. Returns how to stop. */
  listen(listener: Listener): () => void {
    this.#listeners.add(listener);
    this.#open();
    return () => {
      this.#listeners.delete(listener);
      if (this.#listeners.size === 0) {
        this.#source?.close();
        this.#source = null;
      }
    };
  }

  /** Be told of the latest reading of every probe, a few times a second at most. Needs a listener beside it. */
  read(reader: (read: ProbeRead) => void): () => void {
    this.#readers.add(reader);
    return () => this.#readers.delete(reader);
  }

  #open(): void {
    if (this.#source) return;
    const source = new EventSource('/api/stream');
    this.#source = source;
    source.addEventListener('hello', () => {
      this.connected = true;
      this.#tell(null);
    });
    source.addEventListener('change', (event) => this.#tell(JSON.parse(event.data) as Change));
    source.addEventListener('reading', (event) => {
      for (const reader of this.#readers) reader(JSON.parse(event.data) as ProbeRead);
    });
    source.addEventListener('error', () => {
      this.connected = false;
      if (source.readyState === EventSource.CLOSED && this.#source === source) {
        this.#source = null;
        setTimeout(() => this.#listeners.size > 0 && this.#open(), 2000);
      }
    });
  }

  #tell(change: Change | null): void {
    for (const listener of this.#listeners) listener(change);
  }
}

export const live = new Live();
