type Waiting = { run: () => Promise<void>; taken: (reason: unknown) => void; signal?: AbortSignal };
type Options = { steal?: boolean; signal?: AbortSignal };

/** The browser's locks, which jsdom lacks: one holder a name, the next in turn, and a thief before all of them. */
export function lendLocks(): void {
  const held = new Map<string, Waiting>();
  const queues = new Map<string, Waiting[]>();

  function next(name: string): void {
    const one = queues.get(name)?.shift();
    if (!one) return;
    if (one.signal?.aborted) {
      one.taken(one.signal.reason);
      return next(name);
    }
    held.set(name, one);
    void Promise.resolve()
      .then(one.run)
      .then(() => {
        if (held.get(name) !== one) return;
        held.delete(name);
        next(name);
      });
  }

  const locks = {
    request(name: string, { steal, signal }: Options, callback: () => Promise<void>): Promise<void> {
      return new Promise((done, taken) => {
        const one: Waiting = { run: () => callback().then(() => done()), taken, signal };
        const queue = queues.get(name) ?? [];
        queues.set(name, queue);
        if (steal) {
          queue.unshift(one);
          held.get(name)?.taken(new DOMException('stolen', 'AbortError'));
          held.delete(name);
        } else queue.push(one);
        if (!held.has(name)) next(name);
      });
    },
  };
  Object.defineProperty(navigator, 'locks', { value: locks, configurable: true });
}

/** A browser that lends no locks, as on a plain address of the kitchen's network. */
export function lendNone(): void {
  Object.defineProperty(navigator, 'locks', { value: undefined, configurable: true });
}

const Channel = BroadcastChannel;
let devices = 0;

/** The name of a device of its own: pages of others hear nothing of what is said on it. */
export function anotherDevice(): typeof BroadcastChannel {
  const device = `device ${++devices}`;
  return class extends Channel {
    constructor(name: string) {
      super(`${device} ${name}`);
    }
  };
}
