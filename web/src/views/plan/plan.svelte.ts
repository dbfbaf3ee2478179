import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../../lib/api/client';
import { Asking } from '../../lib/asking.svelte';
import { now } from '../../lib/now.svelte';
import { works } from '../../lib/works';
import { improving, type DayAnswer } from './stream';

export type Order = Schemas['Order'];
export type Pin = { bake: string; step: string; at: string };

const DAY_MS = 86_400_000;
const FAR_MS = 6 * 3_600_000;
const pad = (n: number) => String(n).padStart(2, '0');

/** 2026-12-05, by the clock of this device. */
export function dateOf(moment: number | string | Date): string {
  const d = new Date(moment);
  return `${d.getFullYear()}-${pad(d.getMonth() + 1)}-${pad(d.getDate())}`;
}

/** A moment with this device's offset, so that hours are those on its wall. */
export function local(moment: number | string | Date): string {
  const d = new Date(moment);
  const offset = -d.getTimezoneOffset();
  const sign = offset < 0 ? '-' : '+';
  const [h, m] = [Math.floor(Math.abs(offset) / 60), Math.abs(offset) % 60];
  return `${dateOf(d)}T${pad(d.getHours())}:${pad(d.getMinutes())}:${pad(d.getSeconds())}${sign}${pad(h)}:${pad(m)}`;
}

/** Whether an order is due on a day: on its own, or on one of those on which it comes again. */
export function isDue(order: Order, day: string): boolean {
  if (!order.every?.length) return dateOf(order.due_at) === day;
  const weekday = (new Date(`${day}T12:00:00`).getDay() + 6) % 7;
  return order.every.includes(weekday) && day >= dateOf(order.due_at) && !order.but?.includes(day);
}

/** A day that is being planned: its orders, the best plan so far, and what was pinned. */
export class DayPlanning {
  orders = $state<Schemas['OrderView'][]>([]);
  plan = $state.raw<DayAnswer | null>(null);
  problem = $state<Problem | null>(null);
  /** Whether a better plan is being looked for. */
  looking = $state(false);
  /** Whether what is shown is the plan of before: for what is asked now, none is there yet. */
  old = $state(false);
  loaded = $state(false);
  day = $state(dateOf(Date.now()));
  pins = $state<Pin[]>([]);
  /** The order that is written anew. */
  changing = $state<Schemas['OrderView'] | null>(null);
  ways = new Asking<Schemas['Way'][]>();
  /** When what is shown was taken up, as long as nothing of it was changed since. */
  keptAt = $state<number | null>(null);
  #going: AbortController | null = null;
  #key = newKey();

  /** The end of the chosen day. */
  until = $derived(local(new Date(`${this.day}T23:59:00`)));
  /** What is due on the chosen day, or before it and not yet over. */
  due = $derived(this.orders.filter((o) => isDue(o.order, this.day)));
  late = $derived(this.plan?.bakes.filter((b) => b.late_by_s > 60) ?? []);
  #waiting = $derived(this.plan?.bakes.filter((b) => !b.bake) ?? []);
  #near = $derived(this.#waiting.filter((b) => Date.parse(b.start_at) <= now.value + FAR_MS));
  /** What begins soon, where anything does; else all that is planned. */
  toBegin = $derived(this.#near.length > 0 ? this.#near : this.#waiting);

  /** Whether all that is not begun lies far ahead: then a plan is kept rather than begun. */
  isFar = $derived(this.#waiting.length > 0 && this.#near.length === 0);

  /** The days that can be chosen: two weeks from now. */
  days(): string[] {
    return Array.from({ length: 14 }, (_, n) => dateOf(now.value + n * DAY_MS));
  }

  async load(): Promise<void> {
    try {
      this.orders = await ask(api.GET('/api/orders'));
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
    this.loaded = true;
  }

  /** The first day on which something is due; today where nothing is. */
  chooseDay(): void {
    const ahead = this.orders.map((o) => o.order.due_at).filter((at) => Date.parse(at) > now.value);
    const first = ahead.sort((a, b) => Date.parse(a) - Date.parse(b))[0];
    this.day = dateOf(first ?? now.value);
  }

  get #request(): Schemas['DayRequest'] {
    return { from: local(now.value), until: this.until, pinned: $state.snapshot(this.pins) } as Schemas['DayRequest'];
  }

  /** Look for a plan, and then for better ones; what is shown stays until the first is there. */
  async look(): Promise<void> {
    this.stop();
    this.keptAt = null;
    const going = (this.#going = new AbortController());
    this.looking = true;
    this.old = true;
    this.ways.leave();
    try {
      for await (const plan of improving(this.#request, going.signal)) {
        if (going.signal.aborted) return;
        this.plan = plan;
        this.old = false;
        this.problem = null;
      }
    } catch (error) {
      if (!going.signal.aborted) this.problem = problemOf(error);
    }
    if (this.#going !== going) return;
    this.looking = this.old = false;
    if (this.late.length > 0)
      this.ways.ask((signal) => ask(api.POST('/api/days/ways', { body: this.#request, signal })));
  }

  /** Keep the plan that is there. */
  stop(): void {
    this.#going?.abort();
    this.#going = null;
    this.looking = this.old = false;
  }

  /** A step begins then; what follows from it is seen at once. */
  async pin(pin: Pin): Promise<void> {
    this.pins = [...this.pins.filter((p) => p.bake !== pin.bake || p.step !== pin.step), pin];
    await this.#again();
  }

  async letGo(bake: string, step?: string): Promise<void> {
    this.pins = this.pins.filter((p) => p.bake !== bake || (step !== undefined && p.step !== step));
    await this.look();
  }

  async #again(): Promise<void> {
    this.stop();
    this.keptAt = null;
    this.looking = true;
    const base = this.plan ? works(this.plan) : [];
    try {
      this.plan = await ask(api.POST('/api/days/plan', { body: { ...this.#request, base, seconds: 1 } }));
      this.problem = null;
    } catch (error) {
      this.problem = problemOf(error);
    }
    this.looking = false;
  }

  /** Keep orders, and plan them. */
  async add(orders: Order[]): Promise<boolean> {
    try {
      await ask(
        api.POST('/api/orders', { body: { orders: orders.map((o) => ({ ...o, id: '' })), client_key: this.#key } }),
      );
    } catch (error) {
      this.problem = problemOf(error);
      return false;
    }
    this.#key = newKey();
    await this.load();
    const first = orders.map((o) => o.due_at).sort((a, b) => Date.parse(a) - Date.parse(b))[0];
    if (first && !orders.some((o) => dateOf(o.due_at) === this.day)) this.day = dateOf(first);
    void this.look();
    return true;
  }

  /** Make a part of an order by itself, or with the rest (`null`). */
  async apart(id: string, component: string, how: { frozen: boolean } | null): Promise<void> {
    const order = this.orders.find((o) => o.order.id === id)?.order;
    if (!order) return;
    const others = order.beforehand.filter((b) => b.component !== component);
    await this.replace(id, { ...order, beforehand: how ? [...others, { component, ...how }] : others });
  }

  /** Put an order in the place of another one. */
  async replace(id: string, order: Order): Promise<boolean> {
    try {
      const body = { ...order, id: '' };
      await ask(api.PUT('/api/orders/{order_id}', { params: { path: { order_id: id } }, body }));
    } catch (error) {
      this.problem = problemOf(error);
      return false;
    }
    await this.load();
    void this.look();
    return true;
  }

  /** Take an order away; returns what it was, to be put back. */
  async remove(order: Order): Promise<Order | null> {
    try {
      const gone = await ask(api.DELETE('/api/orders/{order_id}', { params: { path: { order_id: order.id ?? '' } } }));
      await this.load();
      void this.look();
      return gone.order;
    } catch (error) {
      this.problem = problemOf(error);
      return null;
    }
  }

  /** Take the plan up; `begin` are the bakes that go to the bench now. Returns their ids there. */
  async take(begin: string[]): Promise<string[]> {
    if (!this.plan) return [];
    this.stop();
    try {
      const body = { from: local(now.value), until: this.until, works: works(this.plan), begin, client_key: this.#key };
      const taken = await ask(api.POST('/api/days/take', { body }));
      this.#key = newKey();
      void this.look();
      this.keptAt = now.value;
      return taken.bakes;
    } catch (error) {
      this.problem = problemOf(error);
      return [];
    }
  }
}
