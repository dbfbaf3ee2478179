import { api, ask, type BakeState } from '../../lib/api/client';
import { alerts, type Alert } from './alerts.svelte';

export type Called = Alert & { bake: string; title: string };

/** So long a call of another bake stays on the page. */
export const CALLS_MS = 180_000;

/** Every moment of other bakes that deserves a sound, each with its bake's name. */
export function calls(bakes: BakeState[]): Called[] {
  return bakes.flatMap((bake) =>
    alerts(bake).map((alert) => ({ ...alert, id: `${bake.id}:${alert.id}`, bake: bake.id, title: bake.title })),
  );
}

/** Those whose time has come, and not so long ago that nobody can mean them any more. */
export function calling(all: Called[], now: number): Called[] {
  return all.filter((c) => c.at <= now && c.at > now - CALLS_MS).sort((a, b) => b.at - a.at);
}

/** The other bakes that run, as they stand: at the bench of one, the calls of all are heard. */
export class Others {
  states = $state.raw<BakeState[]>([]);

  async load(here: string): Promise<void> {
    try {
      const running = await ask(api.GET('/api/bakes', { params: { query: { status: 'running' } } }));
      const ids = running.map((b) => b.id).filter((id) => id !== here);
      this.states = await Promise.all(
        ids.map((bake_id) => ask(api.GET('/api/bakes/{bake_id}', { params: { path: { bake_id } } }))),
      );
    } catch {
      // What was known still rings.
    }
  }
}
