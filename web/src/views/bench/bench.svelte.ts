import {
  api,
  ask,
  newKey,
  problemOf,
  type BakeState,
  type Problem,
  type Schemas,
  type StepDetail,
} from '../../lib/api/client';
import { live } from '../../lib/live.svelte';
import { now } from '../../lib/now.svelte';
import { outbox, type BenchEvent } from '../../lib/outbox.svelte';

type Untold<E> = E extends unknown ? Omit<E, 'client_key' | 'at'> : never;

const REFRESH_MS = 15_000;
const READ_MS = 400;

/** One bake as the page sees it: the server's state, what is being looked at, and what went wrong. */
export class BenchState {
  bake = $state<BakeState | null>(null);
  braid = $state<Schemas['BakeBraid'] | null>(null);
  problem = $state<Problem | null>(null);
  focus = $state<string | null>(null);
  #turn = 0;
  #reading: ReturnType<typeof setTimeout> | undefined;

  constructor(readonly id: string) {}

  /** The step that is shown large: the one picked, else the current one. */
  shown = $derived.by((): string | null => {
    if (!this.bake) return null;
    return this.focus && this.bake.details[this.focus] ? this.focus : this.bake.current;
  });

  detail = $derived.by((): StepDetail | null => (this.shown ? (this.bake?.details[this.shown] ?? null) : null));

  line = $derived.by(() => this.bake?.steps.find((s) => s.id === this.shown) ?? null);

  done = $derived.by(() => (this.bake?.steps ?? []).filter((s) => s.status === 'done').map((s) => s.id));

  /** The gate, if it stands before the step that is shown. */
  gate = $derived.by(() => (this.bake?.gate?.step === this.shown ? this.bake.gate : null));

  /** The syrup and whites that meet, where the step that is shown is one of the two. */
  meeting = $derived.by(() => this.bake?.meetings.find((m) => m.boil === this.shown || m.whisk === this.shown) ?? null);

  /** What has to be begun for the step that is shown, which cools or is worked on meanwhile. */
  called = $derived.by(() => this.bake?.awaited.filter((a) => a.calls.includes(this.shown ?? '')) ?? []);

  /** The pot of that meeting. */
  potDetail = $derived.by(() => (this.meeting ? (this.bake?.details[this.meeting.boil] ?? null) : null));

  /** What the primary button does now, in words and as an event: the server says both. */
  act = $derived.by(() => this.detail?.act ?? null);

  /** Follow the bake until the page leaves it. Returns how to stop. */
  follow(): () => void {
    outbox.onstate = (state) => state.id === this.id && this.#take(state);
    void this.load();
    const stop = live.listen((change) => {
      if (change === null || (change.bake === this.id && change.sequence > (this.bake?.sequence ?? 0)))
        void this.load();
    });
    const stopReading = live.read(() => this.#readSoon());
    const timer = setInterval(() => this.bake?.status === 'running' && void this.load(), REFRESH_MS);
    return () => {
      stop();
      stopReading();
      clearTimeout(this.#reading);
      this.#reading = undefined;
      clearInterval(timer);
    };
  }

  /** A probe has read something: ask for the state if a running step is followed by one. */
  #readSoon(): void {
    const followed = this.bake?.running.some((id) => this.bake?.details[id]?.watch);
    if (!followed || this.#reading !== undefined) return;
    this.#reading = setTimeout(() => {
      this.#reading = undefined;
      void this.#loadState();
    }, READ_MS);
  }

  async #loadState(): Promise<void> {
    const turn = this.#turn;
    const path = { bake_id: this.id };
    const query = { step: this.focus ?? undefined };
    const state = await ask(api.GET('/api/bakes/{bake_id}', { params: { path, query } })).catch(() => null);
    if (state && turn === this.#turn) this.#take(state);
  }

  async load(): Promise<void> {
    const turn = ++this.#turn;
    try {
      const path = { bake_id: this.id };
      const [state, braid] = await Promise.all([
        ask(api.GET('/api/bakes/{bake_id}', { params: { path, query: { step: this.focus ?? undefined } } })),
        ask(api.GET('/api/bakes/{bake_id}/braid', { params: { path } })),
      ]);
      if (turn !== this.#turn) return;
      this.#take(state);
      this.braid = braid;
      if (this.problem?.status === 0) this.problem = null;
    } catch (error) {
      if (turn === this.#turn) this.problem = problemOf(error);
    }
  }

  #take(state: BakeState): void {
    // As moments, not as text: one that falls on a full second is written without its fraction.
    const older = this.bake !== null && Date.parse(state.now) < Date.parse(this.bake.now);
    if (this.bake && (state.sequence < this.bake.sequence || older)) return;
    const moved = this.bake !== null && this.bake.current !== state.current;
    now.set(state.now, state.speed);
    this.bake = state;
    if (moved) this.focus = null;
  }

  look(step: string): void {
    this.focus = step === this.bake?.current ? null : step;
    void this.load();
  }

  /** Say what happened; a refusal is shown on the page. */
  tell(event: Untold<BenchEvent>): void {
    void this.ask(event).then((problem) => {
      if (problem) this.refused(problem);
    });
  }

  /** Say what happened and learn what is wrong with it, if anything is: for a sheet that stays open until it is right. */
  ask(event: Untold<BenchEvent>): Promise<Problem | null> {
    this.problem = null;
    return outbox.add(this.id, { ...event, client_key: newKey(), at: now.iso() } as BenchEvent);
  }

  refused(problem: Problem): void {
    this.problem = problem;
    void this.load();
  }

  /** What a finger said of a skin. */
  touched(step: string, feel: Schemas['Feel']): void {
    this.tell({ kind: 'touched', step, feel });
  }

  confirm(): void {
    const act = this.act;
    if (!act?.ready) return;
    const { kind, step, boil = '', whisk = '' } = act;
    if (kind === 'syrup_poured') this.tell({ kind, step, boil, whisk });
    else if (kind === 'begun_again') this.again(step);
    else this.tell({ kind, step });
  }

  /** What a step has made is lost: begin it again. */
  again(step: string): void {
    this.tell({ kind: 'begun_again', step, share: 1, reason: '', planned: [] });
  }

  /** Something was done to bring back what a step has made, with grams of an ingredient or none. */
  remedied(step: string, remedy: string, ingredient = '', grams = 0): void {
    this.tell({ kind: 'changed', planned: [], change: { change: 'remedied', step, remedy, ingredient, grams } });
  }

  /** Start the whites, or show what is still missing for them. */
  startWhites(): void {
    const whisk = this.meeting?.whisk;
    if (!whisk) return;
    if (this.bake?.gate?.step === whisk && !this.bake.gate.open) this.look(whisk);
    else this.tell({ kind: 'step_started', step: whisk });
  }

  notYet(): void {
    if (this.line?.status === 'running' && this.shown) this.tell({ kind: 'not_yet', step: this.shown });
  }

  undo(): void {
    const sequence = this.bake?.undoable;
    if (sequence) this.tell({ kind: 'undone', sequence });
  }
}
