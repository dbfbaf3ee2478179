import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { live } from '../../lib/live.svelte';
import { notices } from '../../lib/notices.svelte';

type Copy = Schemas['CopyView'];
type Seen = Schemas['SeenView'];

/** How the data stand, and what can be done to keep them. */
export class KeepingState {
  view = $state<Schemas['KeepingView'] | null>(null);
  devices = $state<Schemas['SessionView'][]>([]);
  problem = $state<Problem | null>(null);
  /** What is being done, in words. */
  doing = $state('');
  /** What was done last, in words. */
  done = $state('');
  /** The copy that is looked into. */
  seen = $state<Seen | null>(null);

  follow(): () => void {
    void this.load();
    return live.notice(() => void this.load());
  }

  async load(): Promise<void> {
    try {
      [this.view, this.devices] = await Promise.all([ask(api.GET('/api/keeping')), ask(api.GET('/api/sessions'))]);
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  /** Do something that may take a while; says what is going on, and what went wrong. */
  async #do<T>(doing: string, work: () => Promise<T>): Promise<T | null> {
    if (this.doing) return null;
    [this.doing, this.done, this.problem] = [doing, '', null];
    try {
      return await work();
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    } finally {
      this.doing = '';
      await this.load();
      void notices.load();
    }
  }

  async backUp(): Promise<void> {
    const made = await this.#do('Making a backup', () => ask(api.POST('/api/keeping/backups')));
    if (made) this.done = `${made.name} was made and looked through.`;
  }

  async check(): Promise<void> {
    const found = await this.#do('Looking through all of it', () => ask(api.POST('/api/keeping/check')));
    if (found)
      this.done = `All of it was looked through, and no damage was found: ${found.bakes} bakes, ${found.events} events.`;
  }

  async plan(plan: Schemas['BackupPlan']): Promise<void> {
    const view = await this.#do('Changing the plan', () => ask(api.PUT('/api/keeping/plan', { body: plan })));
    if (view) this.done = 'The plan was changed.';
  }

  async look(copy: Copy): Promise<void> {
    const query = { where: copy.where, name: copy.name };
    this.seen = await this.#do('Looking into it', () => ask(api.GET('/api/keeping/look', { params: { query } })));
  }

  /** Give in a backup or an archive from this device, and look into it. */
  async giveIn(file: File): Promise<void> {
    const body = file as unknown as string;
    this.seen = await this.#do('Reading it in', () =>
      ask(
        api.POST('/api/keeping/given-in', {
          body,
          bodySerializer: () => file,
          headers: { 'content-type': 'application/octet-stream' },
        }),
      ),
    );
  }

  /** Put the copy that was looked into in the place of the present data; every page begins anew then. */
  async restore(): Promise<void> {
    const seen = this.seen;
    if (!seen) return;
    const body = { where: seen.where, name: seen.name };
    const restored = await this.#do('Putting it in place', () => ask(api.POST('/api/keeping/restore', { body })));
    this.seen = null;
    if (restored) this.done = `It is in place. What was there before is kept aside as ${restored.kept}.`;
  }

  async takeClock(): Promise<void> {
    await this.#do('Taking the new time', () => ask(api.POST('/api/keeping/clock')));
  }

  async end(session: number): Promise<void> {
    const params = { path: { session_id: session } };
    await this.#do('Ending it', async () => {
      const answer = await api.DELETE('/api/sessions/{session_id}', { params });
      if (answer.error) throw answer.error;
    });
  }
}

/** 4.2 MB */
export function size(bytes: number): string {
  if (bytes < 1e6) return `${Math.max(1, Math.round(bytes / 1e3))} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** "3 h ago", "2 days ago" */
export function ago(moment: string, now: number): string {
  const minutes = Math.max(0, (now - Date.parse(moment)) / 60_000);
  if (minutes < 2) return 'just now';
  if (minutes < 90) return `${Math.round(minutes)} min ago`;
  if (minutes < 60 * 36) return `${Math.round(minutes / 60)} h ago`;
  return `${Math.round(minutes / 1440)} days ago`;
}
