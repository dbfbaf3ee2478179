import { Channel } from './device/channel';
import { Owner } from './device/owner';

type Change = { id: number; bake: string; sequence: number; kind: string };
type Listener = (change: Change | null) => void;
export type ProbeRead = { probe: string; at: string; celsius: number };

type Heard =
  | { heard: 'hello' | 'notice' | 'restored' | 'beat' | 'ask' }
  | { heard: 'connected'; yes: boolean }
  | { heard: 'change'; change: Change }
  | { heard: 'reading'; read: ProbeRead };

const AGAIN_MS = 2000;
const BEAT_MS = 3000;
const SILENT_MS = 10_000;

/** One stream of changes for all pages of this device; it resumes by itself from the last id that it saw. */
class Live {
  connected = $state(true);
  #listeners = new Set<Listener>();
  #readers = new Set<(read: ProbeRead) => void>();
  #noticing = new Set<() => void>();
  #channel = new Channel<Heard>('kindwhisk.live');
  #beat = Date.now();

  constructor() {
    this.#channel.listen((message) => this.#hear(message));
    const owner = new Owner('kindwhisk.live', () => this.#open());
    this.#channel.tell({ heard: 'ask' });
    setInterval(() => {
      // The page whose turn it is may have been put to sleep: the one that is looked at goes on.
      if (!owner.mine && document.visibilityState === 'visible' && Date.now() - this.#beat > SILENT_MS) owner.take();
    }, BEAT_MS);
  }

  /** Be told of every change; `null` after the connection came back. Returns how to stop. */
  listen(listener: Listener): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Be told of the latest reading of every probe, a few times a second at most. */
  read(reader: (read: ProbeRead) => void): () => void {
    this.#readers.add(reader);
    return () => this.#readers.delete(reader);
  }

  /** Be told when there is something new that every page has to know. */
  notice(listener: () => void): () => void {
    this.#noticing.add(listener);
    return () => this.#noticing.delete(listener);
  }

  #open(): () => void {
    const tell = (message: Heard) => this.#channel.tell(message);
    let source: EventSource;
    let again: ReturnType<typeof setTimeout> | undefined;
    const connect = () => {
      source = new EventSource('/api/stream');
      source.addEventListener('hello', () => {
        tell({ heard: 'connected', yes: true });
        tell({ heard: 'hello' });
      });
      source.addEventListener('change', (e) => tell({ heard: 'change', change: JSON.parse(e.data) as Change }));
      source.addEventListener('reading', (e) => tell({ heard: 'reading', read: JSON.parse(e.data) as ProbeRead }));
      for (const about of ['notice', 'restored'] as const) source.addEventListener(about, () => tell({ heard: about }));
      source.addEventListener('error', () => {
        tell({ heard: 'connected', yes: false });
        if (source.readyState === EventSource.CLOSED) again = setTimeout(connect, AGAIN_MS);
      });
    };
    connect();
    const beat = setInterval(() => tell({ heard: 'beat' }), BEAT_MS);
    const answers = this.#channel.listen((message) => {
      if (message.heard === 'ask') tell({ heard: 'connected', yes: this.connected });
    });
    return () => {
      source.close();
      clearTimeout(again);
      clearInterval(beat);
      answers();
    };
  }

  #hear(message: Heard): void {
    if (message.heard !== 'ask') this.#beat = Date.now();
    if (message.heard === 'connected') this.connected = message.yes;
    else if (message.heard === 'hello') {
      this.#tell(null);
      this.#notice();
    } else if (message.heard === 'change') this.#tell(message.change);
    else if (message.heard === 'reading') for (const reader of this.#readers) reader(message.read);
    else if (message.heard === 'notice') this.#notice();
    else if (message.heard === 'restored') location.reload();
  }

  #tell(change: Change | null): void {
    for (const listener of this.#listeners) listener(change);
  }

  #notice(): void {
    for (const listener of this.#noticing) listener();
  }
}

export const live = new Live();
