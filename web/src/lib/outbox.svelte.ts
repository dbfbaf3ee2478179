import { api, ask, Refused, type BakeState, type Problem } from './api/client';
import type { paths } from './api/schema';
import { Channel } from './device/channel';
import { allKept, change, keep, letGo, takeOver, type Kept } from './device/kept';
import { Owner } from './device/owner';

export type BenchEvent = NonNullable<
  paths['/api/bakes/{bake_id}/events']['post']['requestBody']
>['content']['application/json'];

type Entry = { bake: string; event: BenchEvent };
type Message =
  | { said: 'changed' }
  | { said: 'stuck'; yes: boolean }
  | { said: 'answered'; key: string; problem: Problem | null; state: BakeState | null };

/** Something that could not be sent: as it was entered, and why; `damaged` where it can't even be read. */
export type Left = { n: number; text: string; why: string; remedy: string; damaged: boolean };

const AGAIN_MS = 2000;
const ASLEEP_MS = 6000;

/** What an entry says, or null for one that is damaged. */
function entry(kept: Kept): Entry | null {
  try {
    const read = JSON.parse(kept.text) as Partial<Entry> | null;
    const whole = typeof read?.bake === 'string' && typeof read.event?.client_key === 'string' && !!read.event.kind;
    return whole ? (read as Entry) : null;
  } catch {
    return null;
  }
}

const words = (kind: string) => kind.replaceAll('_', ' ');

/** What was refused or can't be read, for the baker to see. */
function left(kept: Kept): Left | null {
  const said = entry(kept);
  const n = kept.n ?? 0;
  if (!said)
    return {
      n,
      text: kept.text.slice(0, 200),
      why: 'An entry on this device can’t be read.',
      remedy: 'Enter it again, if you know it by this; then let go of it here.',
      damaged: true,
    };
  if (kept.refused === undefined) return null;
  const problem = JSON.parse(kept.refused) as Problem;
  const at = said.event.at ? ` at ${new Date(said.event.at).toLocaleTimeString('en-GB')}` : '';
  const step = 'step' in said.event ? ` “${said.event.step}”` : '';
  return {
    n,
    text: `${words(said.event.kind)}${step}${at}`,
    why: problem.detail,
    remedy: problem.remedy,
    damaged: false,
  };
}

/**
 * What was entered and is not on the server's disk yet. It lies in the browser's own database, in order, for all pages
 * of this device; one of them sends it, and keys make a repeat harmless.
 */
class Outbox {
  /** How many wait for the server. */
  waiting = $state(0);
  /** What will not be taken as it is. */
  left = $state<Left[]>([]);
  /** Whether the last try failed: what is kept waits for the server. */
  stuck = $state(false);
  /** This device keeps nothing: what is entered is on this page only until the server has it. */
  frail = $state(false);
  onstate: (state: BakeState) => void = () => {};
  #loose: Kept[] = [];
  #asking = new Map<string, (problem: Problem | null) => void>();
  #channel = new Channel<Message>('kindwhisk.outbox');
  #owner: Owner;
  #sending = false;
  #more = false;
  #again: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    this.#channel.listen((message) => this.#hear(message));
    this.#owner = new Owner('kindwhisk.outbox', () => {
      void this.flush();
      return () => clearTimeout(this.#again);
    });
    void takeOver()
      .catch(() => {})
      .then(() => this.#count());
  }

  /** Resolves with what is wrong with it, or null once it is on the server's disk or kept for later on this device. */
  async add(bake: string, event: BenchEvent): Promise<Problem | null> {
    const kept = { key: event.client_key, text: JSON.stringify({ bake, event }) };
    const answer = new Promise<Problem | null>((resolve) => this.#asking.set(event.client_key, resolve));
    try {
      await keep(kept);
    } catch {
      this.frail = true;
      this.#loose.push(kept);
    }
    this.#channel.tell({ said: 'changed' });
    setTimeout(() => {
      // The page whose turn it is to send may be asleep.
      if (this.#asking.has(event.client_key) && !this.#owner.mine) this.#owner.take();
    }, ASLEEP_MS);
    return answer;
  }

  /** Let go of what was refused or can't be read. */
  async dismiss(n: number): Promise<void> {
    await letGo(n);
    this.#channel.tell({ said: 'changed' });
  }

  /** Send what waits: what lies on this device if it is this page's turn, and what is on this page alone. */
  async flush(): Promise<void> {
    if (!this.#owner.mine && this.#loose.length === 0) return;
    if (this.#sending) {
      this.#more = true;
      return;
    }
    this.#sending = true;
    clearTimeout(this.#again);
    try {
      do {
        this.#more = false;
        await this.#send(this.#loose, (one) => this.#loose.splice(this.#loose.indexOf(one), 1));
        if (this.#owner.mine) await this.#send(await this.#sendable(), (one) => letGo(one.n!));
      } while (this.#more && !this.stuck);
    } finally {
      this.#sending = false;
    }
  }

  async #sendable(): Promise<Kept[]> {
    const all = await allKept().catch(() => [] as Kept[]);
    return all.filter((one) => one.refused === undefined && entry(one));
  }

  /** Send these in order; stops at the first that does not get through. */
  async #send(waiting: Kept[], done: (one: Kept) => unknown): Promise<void> {
    for (const one of [...waiting]) {
      const said = entry(one)!;
      try {
        const path = { bake_id: said.bake };
        const body = said.event;
        const state = await ask(api.POST('/api/bakes/{bake_id}/events', { params: { path }, body }));
        await done(one);
        this.#channel.tell({ said: 'stuck', yes: false });
        this.#channel.tell({ said: 'answered', key: one.key, problem: null, state });
      } catch (error) {
        if (!(error instanceof Refused) || !error.reached || error.problem.status === 401) {
          this.#channel.tell({ said: 'stuck', yes: true });
          this.#again = setTimeout(() => void this.flush(), AGAIN_MS);
          return;
        }
        // It stays until somebody has seen why.
        if (one.n !== undefined) await change({ ...one, refused: JSON.stringify(error.problem) });
        else await done(one);
        this.#channel.tell({ said: 'stuck', yes: false });
        this.#channel.tell({ said: 'answered', key: one.key, problem: error.problem, state: null });
      }
      this.#channel.tell({ said: 'changed' });
    }
  }

  #hear(message: Message): void {
    if (message.said === 'changed') {
      void this.#count();
      void this.flush();
    } else if (message.said === 'stuck') {
      this.stuck = message.yes;
      // Kept for later: nobody waits in front of a sheet for the server to come back.
      if (message.yes) for (const key of [...this.#asking.keys()]) this.#answer(key, null);
    } else {
      if (message.state) this.onstate(message.state);
      if (this.#answer(message.key, message.problem) && message.problem) void this.#seen(message.key);
    }
  }

  /** What was wrong is shown where it was entered: it need not stay here. */
  async #seen(key: string): Promise<void> {
    for (const one of await allKept().catch(() => [] as Kept[]))
      if (one.key === key && one.refused !== undefined) await letGo(one.n!);
    this.#channel.tell({ said: 'changed' });
  }

  async #count(): Promise<void> {
    const all = [...(await allKept().catch(() => [] as Kept[])), ...this.#loose];
    this.left = all.map(left).filter((one) => one !== null);
    this.waiting = all.length - this.left.length;
  }

  #answer(key: string, problem: Problem | null): boolean {
    const resolve = this.#asking.get(key);
    this.#asking.delete(key);
    resolve?.(problem);
    return resolve !== undefined;
  }
}

export const outbox = new Outbox();
