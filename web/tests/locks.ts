type Waiting = { run: () => Promise<void>; taken: (reason: unknown) => void };

/** The browser's locks, which jsdom lacks: one holder a name, the next in turn, and a thief before all of them. */
export function lendLocks(): void {
  const held = new Map<string, Waiting>();
  const queues = new Map<string, Waiting[]>();

  function next(name: string): void {
    const one = queues.get(name)?.shift();
    if (!one) return;
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
    request(name: string, { steal }: { steal: boolean }, callback: () => Promise<void>): Promise<void> {
      return new Promise((done, taken) => {
        const one: Waiting = { run: () => callback().then(() => done()), taken };
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
