import {
  api,
  ask,
  newKey,
  problemOf,
  type ForecastView,
  type Kitchen,
  type PlanView,
  type Problem,
  type Schemas,
} from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';
import { nextMoment } from '../../lib/time';
import { outbox } from '../../lib/outbox.svelte';
import { Wish } from '../../lib/wish.svelte';

/** The day: what runs, and a plan being made for what comes next. */
export class Day {
  formulas = $state<Schemas['FormulaEntry'][]>([]);
  kitchen = $state<Kitchen | null>(null);
  running = $state<Schemas['BakeState'][]>([]);
  braids = $state<Record<string, Schemas['BakeBraid']>>({});
  past = $state<Schemas['BakeEntry'][]>([]);
  formula = $state('');
  readyAt = $state(inFiveHours());
  /** Whose hands do it; empty where that is not said. */
  hands = $state('');
  wish = new Wish();
  plan = new Asking<PlanView>();
  forecast = new Asking<ForecastView>();
  /** The same, begun now: asked for only when it is not yet time. */
  soonest = new Asking<PlanView>();
  problem = $state<Problem | null>(null);
  loaded = $state(false);
  #key = newKey();
  #asked = '';

  moment = $derived(nextMoment(this.readyAt));

  /** Ask for everything at once; the plan is asked for as soon as the formula is known. */
  async load(): Promise<void> {
    this.#asked = '';
    try {
      await Promise.all([this.#loadBook(), this.#loadKitchen(), this.#loadBakes()]);
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
    this.loaded = true;
  }

  async #loadBook(): Promise<void> {
    this.formulas = await ask(api.GET('/api/formulas'));
    const first = this.formulas.find((f) => f.technique === 'separated chiffon') ?? this.formulas[0];
    this.formula ||= first?.id ?? '';
    this.consider();
  }

  async #loadKitchen(): Promise<void> {
    this.kitchen = (await ask(api.GET('/api/kitchen'))).kitchen;
  }

  async #loadBakes(): Promise<void> {
    const bakes = await ask(api.GET('/api/bakes'));
    this.past = bakes.filter((b) => b.status === 'finished').slice(0, 3);
    const ids = bakes.filter((b) => b.status === 'running').map((b) => b.id);
    const [running, braids] = await Promise.all([
      Promise.all(ids.map((bake_id) => ask(api.GET('/api/bakes/{bake_id}', { params: { path: { bake_id } } })))),
      Promise.all(ids.map((bake_id) => ask(api.GET('/api/bakes/{bake_id}/braid', { params: { path: { bake_id } } })))),
    ]);
    this.running = running;
    this.braids = Object.fromEntries(ids.map((id, i) => [id, braids[i]!]));
  }

  /** Ask again for plan and forecast; reads what they depend on, so that an effect may call it. */
  consider(): void {
    const formula_id = this.formula;
    const body = this.wish.body;
    const ready_at = this.moment;
    const asked = JSON.stringify([formula_id, body, ready_at]);
    if (!formula_id || asked === this.#asked) return;
    this.#asked = asked;
    const path = { formula_id };
    this.forecast.ask((signal) =>
      ask(api.POST('/api/formulas/{formula_id}/scale', { params: { path }, body, signal })),
    );
    if (ready_at)
      this.plan.ask((signal) => ask(api.POST('/api/plans', { body: { formula_id, ready_at, ...body }, signal })));
  }

  /** Something on a make-ready list is there. */
  async there(bake: string, item: string): Promise<void> {
    const event = { kind: 'gate_ticked' as const, client_key: newKey(), item, there: true };
    this.problem = await outbox.add(bake, event);
    await this.#loadBakes();
  }

  /** Ask when it would be ready if it were begun now. */
  hurry(): void {
    const body = { formula_id: this.formula, ...this.wish.body };
    this.soonest.ask((signal) => ask(api.POST('/api/plans', { body, signal })));
  }

  /** Start the bake that is planned, as it is planned (with a bell when it begins) or right now; returns its id. */
  async start(how: 'planned' | 'now'): Promise<string | null> {
    if (!this.moment) return null;
    try {
      const body = {
        formula_id: this.formula,
        ready_at: how === 'now' ? null : this.moment,
        bell: how === 'planned',
        client_key: this.#key,
        hands: this.hands,
        ...this.wish.body,
      };
      const bake = await ask(api.POST('/api/bakes', { body }));
      this.#key = newKey();
      return bake.id;
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    }
  }
}

function inFiveHours(): string {
  const moment = new Date(Date.now() + 5 * 3600_000);
  const minutes = Math.ceil(moment.getMinutes() / 15) * 15;
  moment.setMinutes(minutes, 0, 0);
  return `${String(moment.getHours()).padStart(2, '0')}:${String(moment.getMinutes()).padStart(2, '0')}`;
}
