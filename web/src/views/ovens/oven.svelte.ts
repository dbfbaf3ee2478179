import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';

export type Profile = Schemas['OvenProfile'];
export type Grade = Schemas['Brown'];
export const GRADES = ['white', 'cream', 'gold', 'brown', 'dark'] as const;
export const RACKS: Schemas['Rack'][] = ['top', 'middle', 'bottom'];
const ROWS = 4;
const COLUMNS = 6;

/** An oven as it is known: what was noted of it, and what is to count. */
export class OvenState {
  profile = $state<Profile | null>(null);
  past = $state<Schemas['PastBake'][]>([]);
  problem = $state<Problem | null>(null);
  /** A reading that is being entered. */
  set = $state(170);
  measured = $state(165);
  rack = $state<Schemas['Rack']>('middle');
  mode = $state<Schemas['OvenMode']>('static');
  /** A tray that is being marked; null where nothing lay. */
  rows = $state<(Grade | null)[][]>([]);
  marking = $state(false);
  told = new Asking<Schemas['HotSide']>();

  constructor(readonly id: string) {}

  async load(): Promise<void> {
    try {
      const at = { params: { path: { oven_id: this.id } } };
      this.profile = await ask(api.GET('/api/ovens/{oven_id}/profile', at));
      this.past = await ask(api.GET('/api/ovens/bakes', { params: { query: { oven: this.id } } }));
      this.mode = this.profile.mode;
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
  }

  async #keep(note: Schemas['NoteBody']['note']): Promise<boolean> {
    try {
      this.profile = await ask(
        api.POST('/api/ovens/{oven_id}/notes', {
          params: { path: { oven_id: this.id } },
          body: { client_key: newKey(), note },
        }),
      );
      this.problem = null;
      return true;
    } catch (error) {
      this.problem = problemOf(error);
      return false;
    }
  }

  /** What the thermometer showed once the oven held. */
  async keepReading(): Promise<void> {
    await this.#keep({
      kind: 'checked',
      set_c: this.set,
      measured_c: this.measured,
      rack: this.rack,
      mode: this.mode,
    });
  }

  /** Let a bake or reading count, or not. */
  async count(evidence: string, out: boolean): Promise<void> {
    if (await this.#keep({ kind: 'left_out', evidence, out })) await this.load();
  }

  startMap(): void {
    this.rows = Array.from({ length: ROWS }, () => Array.from({ length: COLUMNS }, () => 2 as Grade));
    this.marking = true;
  }

  /** One shade on; after the darkest comes nothing, then the lightest. */
  shade(row: number, column: number): void {
    const now = this.rows[row]![column] ?? null;
    this.rows[row]![column] = now === null ? 0 : now === 4 ? null : ((now + 1) as Grade);
    this.read();
  }

  /** What the tray tells as it is marked now. */
  read(): void {
    const rows = $state.snapshot(this.rows);
    this.told.ask(() => ask(api.POST('/api/ovens/map', { body: { note: { kind: 'mapped', map: { rows } } } })), 60);
  }

  async keepMap(): Promise<void> {
    const rows = $state.snapshot(this.rows);
    if (await this.#keep({ kind: 'mapped', map: { rows } })) this.marking = false;
  }
}
