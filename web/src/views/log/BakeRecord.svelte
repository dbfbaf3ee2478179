<script lang="ts">
  import { api, ask, newKey, problemOf, type BakeState, type Problem, type Schemas } from '../../lib/api/client';
  import Band from '../../lib/draw/Band.svelte';
  import Braid from '../../lib/draw/Braid.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import Trace from '../../lib/draw/Trace.svelte';
  import { grams } from '../../lib/figures.svelte';
  import { live } from '../../lib/live.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Questions from '../../lib/parts/Questions.svelte';
  import { clock, day, length } from '../../lib/time';
  import { p, route } from '../../routes';
  import Earlier from './Earlier.svelte';
  import Outcome from './Outcome.svelte';
  import Photos from './Photos.svelte';
  import Why from './Why.svelte';
  import Pieces from './Pieces.svelte';

  const bake_id = route.params.bake!;
  let bake = $state<BakeState | null>(null);
  let braid = $state<Schemas['BakeBraid'] | null>(null);
  let traces = $state<Schemas['TraceView'][]>([]);
  let problem = $state<Problem | null>(null);
  let label = $state<Schemas['BakeLabel'] | null>(null);
  let moves = $state<Schemas['ClockMoved'][]>([]);
  /** The last build, cut through. */
  let finished = $state<Schemas['Section'] | null>(null);
  let note = $state('');
  /** What it says in a sentence; the last bake of the formula before it that came out well. */
  let says = $state('');
  let before = $state<string | null>(null);
  /** One that was read in from a file has no more than its line. */
  let earlier = $state<Schemas['BakeEntry'] | null>(null);

  function saved(state: BakeState): void {
    bake = state;
    void short();
  }
  async function short(): Promise<void> {
    says = await ask(api.GET('/api/bakes/{bake_id}/in-short', { params: { path: { bake_id } } })).catch(() => '');
  }
  async function lastGood(formula: string, until: string): Promise<void> {
    const found = await Promise.all(
      [5, 4].map((stars) =>
        ask(api.GET('/api/bakes', { params: { query: { formula, stars, until, limit: 1 } } })).catch(() => []),
      ),
    );
    const best = found.flat().toSorted((a, b) => b.started_at.localeCompare(a.started_at));
    before = best[0]?.id ?? null;
  }
  let picked = $state<string | null>(null);

  function pick(step: string): void {
    picked = step;
    document.getElementById(`step-${step}`)?.scrollIntoView({ block: 'nearest' });
  }

  async function load(): Promise<void> {
    try {
      const params = { params: { path: { bake_id } } };
      const line = await ask(api.GET('/api/bakes/{bake_id}/entry', params));
      if (line.status === 'earlier') {
        earlier = line;
        return;
      }
      [bake, braid, traces, label, moves] = await Promise.all([
        ask(api.GET('/api/bakes/{bake_id}', params)),
        ask(api.GET('/api/bakes/{bake_id}/braid', params)),
        ask(api.GET('/api/bakes/{bake_id}/temperatures', params)),
        ask(api.GET('/api/bakes/{bake_id}/label', params)),
        ask(api.GET('/api/bakes/{bake_id}/clock-moves', params)),
      ]);
      const step = bake?.steps.at(-1)?.id;
      const close = await ask(api.GET('/api/bakes/{bake_id}', { params: { ...params.params, query: { step } } }));
      void short();
      void lastGood(line.formula_id, line.started_at);
      finished = (step && close.details[step]?.section?.regions.length && close.details[step].section) || null;
    } catch (error) {
      problem = problemOf(error);
    }
  }
  $effect(() => {
    void load();
    return live.listen((change) => change?.bake === bake_id && void load());
  });

  async function answer(sequence: number, right: boolean): Promise<void> {
    try {
      bake = await ask(
        api.POST('/api/bakes/{bake_id}/events', {
          params: { path: { bake_id } },
          body: { kind: 'answered', client_key: newKey(), sequence, right },
        }),
      );
    } catch (error) {
      problem = problemOf(error);
    }
  }

  async function addNote(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (!note.trim()) return;
    try {
      bake = await ask(
        api.POST('/api/bakes/{bake_id}/events', {
          params: { path: { bake_id } },
          body: { kind: 'note_added', client_key: newKey(), text: note.trim() },
        }),
      );
      note = '';
    } catch (error) {
      problem = problemOf(error);
    }
  }

  const amounts = (all: Schemas['Amount'][]) => all.map((a) => `${grams(a.grams)} ${a.name}`).join(', ');
  const begun = (s: Schemas['StepLine']) => Date.parse(s.started_at ?? s.expected_start_at);
  const inOrder = $derived((bake?.steps ?? []).toSorted((a, b) => begun(a) - begun(b)));
  const shift = (step: Schemas['StepLine']) =>
    step.started_at ? (Date.parse(step.started_at) - Date.parse(step.planned_start_at)) / 1000 : 0;
  const took = (step: Schemas['StepLine']) =>
    step.started_at && step.ended_at ? (Date.parse(step.ended_at) - Date.parse(step.started_at)) / 1000 : 0;
  const compared = (s: Schemas['StepLine']) =>
    [
      s.ended_at && !s.reason ? `${length(took(s))} of ${length(meant(s))}` : '',
      Math.abs(shift(s)) >= 90 ? `${length(shift(s))} ${shift(s) > 0 ? 'later' : 'sooner'}` : '',
    ]
      .filter(Boolean)
      .join(', ');
  const meant = (step: Schemas['StepLine']) =>
    (Date.parse(step.planned_end_at) - Date.parse(step.planned_start_at)) / 1000;
</script>

{#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
{#if earlier}<Earlier bake={earlier} />{/if}
{#if !(bake && braid) && !problem && !earlier}<div class="px-6"><Loading what="the bake" /></div>{/if}
{#if bake && braid}
  <Questions questions={bake.questions} onanswer={(sequence, right) => void answer(sequence, right)} />
  <section class="border-b border-line bg-surface px-4 pt-4 pb-2 sm:px-6">
    <div class="flex flex-wrap items-baseline justify-between gap-x-6">
      <h1 class="text-3xl">
        {bake.title}<span class="ml-4 font-sans text-lg font-normal text-quiet"
          >{day(bake.started_at)}, {bake.batch}</span
        >
      </h1>
      <p>
        <strong class={bake.late_by_s > 300 ? 'text-raspberry' : 'text-leaf'}>
          {bake.ended_at ? `over at ${clock(bake.ended_at)}` : 'still running'}{Math.abs(bake.late_by_s) > 120
            ? `, ${length(bake.late_by_s)} ${bake.late_by_s > 0 ? 'late' : 'early'}`
            : ''}
        </strong>
        <a class="ml-4 inline-flex min-h-11 items-center underline" href="/api/bakes/{bake_id}/readings.csv" download
          >Readings as CSV</a
        >
        <a
          class="ml-4 inline-flex min-h-11 items-center underline"
          href={p('/book/:formula', { params: { formula: bake.formula_id } })}>Formula</a
        >
        <a
          class="ml-4 inline-flex min-h-11 items-center underline"
          href="/api/bakes/{bake_id}.pdf"
          target="_blank"
          rel="noopener">Record as PDF</a
        >
        {#if before}<a
            class="ml-4 inline-flex min-h-11 items-center underline"
            href={p('/log/:bake/beside/:other', { params: { bake: before, other: bake_id } })}
            >Beside the last good one</a
          >{/if}
      </p>
    </div>
    <p class="mt-2 text-sm font-semibold text-quiet">as it went</p>
    <Braid
      braid={braid.actual}
      beside={braid.planned}
      anchor={Date.parse(braid.origin)}
      resources
      label="Braid as it went"
      current={picked}
      onpick={pick}
    />
    <p class="text-sm font-semibold text-quiet">as planned</p>
    <div class="opacity-75">
      <Braid
        braid={braid.planned}
        beside={braid.actual}
        anchor={Date.parse(braid.origin)}
        room
        laneHeight={18}
        label="Braid as planned"
      />
    </div>
  </section>

  <div class="grid gap-x-12 gap-y-8 px-4 py-6 sm:px-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
    <div class="space-y-8">
      {#if says}<p class="border-l-[6px] border-ink pl-4 font-display text-2xl font-semibold">{says}</p>{/if}
      <Outcome {bake} onsaved={saved} />
      <Why {bake} onsaved={saved} />
      <Photos {bake} onsaved={saved} />
      {#if bake.turns.length > 0}
        <section>
          <h2 class="mb-2 text-xl">Otherwise than planned</h2>
          <ul class="space-y-2">
            {#each bake.turns as t (t.sequence)}
              <li class="border-t border-line pt-1">
                <span class="mr-2 text-quiet">{clock(t.at)}</span><strong
                  >{t.said}{t.moment ? `: ${day(t.moment)} ${clock(t.moment)}` : ''}</strong
                >{t.reason ? `: ${t.reason}` : ''}
                {#if t.lost.length}<p class="text-[16px]">Lost: {amounts(t.lost)}.</p>{/if}
                {#if t.needed.length}<p class="text-[16px]">
                    Newly needed: {amounts(t.needed)}{t.eggs
                      ? ` (${t.eggs.count} eggs ${t.eggs.size.toUpperCase()})`
                      : ''}.
                  </p>{/if}
              </li>
            {/each}
          </ul>
        </section>
      {/if}
      {#each bake.steps.filter((s) => s.kind === 'sort') as sorted (sorted.id)}
        <Pieces bake={bake_id} formula={bake.formula_id} step={sorted.id} />
      {/each}
      {#if traces.length > 0}
        <section>
          <h2 class="mb-2 text-xl">Temperatures</h2>
          <div class="space-y-5">
            {#each traces as trace (trace.step)}<Trace {trace} />{/each}
          </div>
        </section>
      {/if}
      {#if moves.length > 0}
        <section>
          <h2 class="mb-2 text-xl">The clock</h2>
          {#each moves as move (move.wall_at)}
            <p>
              At {clock(move.at)} the clock of the machine was set {move.moved_s > 0 ? 'on' : 'back'} by
              {length(move.moved_s)}. Times here go on by the clock of before.
            </p>
          {/each}
        </section>
      {/if}
      <section>
        <h2 class="mb-2 text-xl">Readings</h2>
        {#if bake.readings.length === 0}<p class="text-quiet">
            No readings. A cup of foam after whipping tells the most.
          </p>{/if}
        <div class="space-y-6">
          {#each bake.readings as r (r.sequence)}
            {#if r.verdict}
              <Band band={r.verdict.band} verdict={r.verdict} title="{clock(r.at)}, {r.step_title}" />
              {#if r.tells}<p class="text-[16px]">{r.tells}</p>{/if}
              {#if !r.counts}<p class="text-[16px] font-semibold text-raspberry">
                  Taken back or asked about: not counted.
                </p>{/if}
            {:else}<p>{clock(r.at)}, {r.step_title}: <strong>{r.value.toFixed(2)} {r.unit}</strong></p>{/if}
          {/each}
        </div>
      </section>
      {#if label}
        <section aria-label="Label">
          <h2 class="mb-2 text-xl">Label</h2>
          <div class="max-w-prose border-2 border-ink bg-surface px-4 py-3 text-[17px]">
            <p class="font-display text-xl font-semibold">{label.title}</p>
            <p>
              Made on {day(label.made_at)}, batch {label.batch}: {label.made}; {Math.round(label.weight_g)} g when done
            </p>
            <p class="mt-1 font-semibold text-raspberry">{label.contains}</p>
            {#if label.labels}<p class="text-raspberry">{label.labels}</p>{/if}
            <p class="mt-1">
              {#if label.use_by}<strong>Use by {day(label.use_by)}.</strong>{/if}
              <span class="text-quiet">{label.use_by_rule}</span>
            </p>
            <p>{label.keeps}</p>
            {#if label.portions > 1}<p>
                {label.portions} portions of {grams(label.weight_g / label.portions)}
              </p>{/if}
            {#if label.raw_egg}<p class="font-semibold text-raspberry">{label.raw_egg}</p>{/if}
            <p class="mt-1 text-[15px] text-quiet">{label.defers}</p>
          </div>
          <p class="flex flex-wrap gap-x-5">
            <a class="inline-flex min-h-11 items-center underline" href="/api/bakes/{bake_id}/label.pdf?sheet=a4-8"
              >Print eight to an A4 sheet</a
            >
            <a class="inline-flex min-h-11 items-center underline" href="/api/bakes/{bake_id}/label.pdf?sheet=a4-21"
              >21 small ones</a
            >
            <a class="inline-flex min-h-11 items-center underline" href="/api/bakes/{bake_id}/label.pdf?sheet=single"
              >A single one</a
            >
            <a class="inline-flex min-h-11 items-center underline" href="/api/bakes/{bake_id}/label.txt" download
              >Label as plain text</a
            >
          </p>
          {#if bake.cold}<p class="mt-1 max-w-prose {bake.cold.over ? 'font-semibold text-raspberry' : 'text-quiet'}">
              {bake.cold.says} Counted from its steps{bake.cold.measured_s > 0 ? ' and readings' : ''}.
            </p>{/if}
        </section>
      {/if}
      {#if finished}
        <section aria-label="As it stands">
          <h2 class="mb-2 text-xl">As it stands</h2>
          <Section section={finished} width={420} height={220} />
        </section>
      {/if}
      <section>
        <h2 class="mb-2 text-xl">Notes</h2>
        {#each bake.notes as n (n.sequence)}<p class="border-t border-line py-2">
            <span class="text-quiet">{clock(n.at)}</span>
            {n.text}
          </p>{/each}
        <form class="mt-2 flex gap-3" onsubmit={addNote}>
          <input
            class="field"
            aria-label="New note"
            placeholder="What you noticed"
            maxlength="1000"
            bind:value={note}
          />
          <button class="act act-small" disabled={!note.trim()}>Save</button>
        </form>
      </section>
    </div>
    <section>
      <h2 class="mb-2 text-xl">Planned and actual</h2>
      <ul>
        {#each inOrder as s (s.id)}
          <li
            id="step-{s.id}"
            class="grid grid-cols-[3.6rem_1fr_auto] items-baseline gap-x-3 border-t border-line py-1.5 {picked === s.id
              ? 'bg-surface font-bold'
              : ''}"
          >
            <span class="font-semibold">{s.started_at ? clock(s.started_at) : '–'}</span>
            <span
              >{s.title}{#if s.reason}<span class="text-quiet"> skipped: {s.reason}</span>{/if}</span
            >
            <span class="text-right text-[15px] text-quiet">
              {compared(s)}
            </span>
          </li>
        {/each}
      </ul>
    </section>
  </div>
{/if}
