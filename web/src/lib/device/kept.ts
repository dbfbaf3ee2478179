import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Something that lies on this device until the server has it. `n` is its turn. */
export type Kept = { n?: number; key: string; text: string; refused?: string };

interface Device extends DBSchema {
  outbox: { key: number; value: Kept };
  leases: { key: string; value: { holder: string; until: number } };
}

/** The place of what was kept before there was a database for it. */
export const BEFORE = 'kindwhisk.outbox';

let opening: Promise<IDBPDatabase<Device>> | null = null;

function device(): Promise<IDBPDatabase<Device>> {
  opening ??= openDB<Device>('kindwhisk', 1, {
    upgrade(database) {
      database.createObjectStore('outbox', { keyPath: 'n', autoIncrement: true });
      database.createObjectStore('leases');
    },
    terminated: () => (opening = null),
  }).catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}

/** Put something at the end; it lies on this device when this resolves. */
export async function keep(one: Kept): Promise<void> {
  await (await device()).add('outbox', one);
}

/** All that is kept, in the order in which it was. */
export async function allKept(): Promise<Kept[]> {
  return (await device()).getAll('outbox');
}

/** Put another in the place of one that is kept. */
export async function change(one: Kept): Promise<void> {
  await (await device()).put('outbox', one);
}

/** Let go of what is kept under a turn. */
export async function letGo(n: number): Promise<void> {
  await (await device()).delete('outbox', n);
}

/** Take over what an earlier version kept as one text; what can't be read in it is kept as it is. */
export async function takeOver(): Promise<void> {
  const before = localStorage.getItem(BEFORE);
  if (before === null || before === '[]') return;
  let entries: unknown[];
  try {
    const read: unknown = JSON.parse(before);
    entries = Array.isArray(read) ? read : [read];
  } catch {
    entries = [before];
  }
  const transaction = (await device()).transaction('outbox', 'readwrite');
  for (const [i, entry] of entries.entries())
    await transaction.store.add({
      key: `before-${i}`,
      text: typeof entry === 'string' ? entry : JSON.stringify(entry),
    });
  await transaction.done;
  localStorage.removeItem(BEFORE);
}

/** Take or renew a lease for `ms`; whether this holder has it. For browsers that lend no locks on this address. */
export async function lease(name: string, holder: string, ms: number): Promise<boolean> {
  const transaction = (await device()).transaction('leases', 'readwrite');
  const now = Date.now();
  const held = await transaction.store.get(name);
  // One that lasts impossibly long is of a clock that was set back since.
  const free = !held || held.holder === holder || held.until < now || held.until > now + 10 * ms;
  if (free) await transaction.store.put({ holder, until: now + ms }, name);
  await transaction.done;
  return free;
}
