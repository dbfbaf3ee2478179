<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import ControlChart from '../../lib/draw/ControlChart.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Pick from '../../lib/parts/Pick.svelte';
  import { clock, day } from '../../lib/time';
  import { p } from '../../routes';

  type By = 'formula' | 'oven' | 'hands';
  const told = new URLSearchParams(location.search);
  const first = (['formula', 'oven', 'hands'] as const).find((b) => told.get(b)) ?? 'formula';
  let by = $state<By>(first);
  let whose = $state(told.get(first) ?? '');
  let measure = $state(told.get('measure') ?? '');
  let choices = $state<Schemas['LogChoices'] | null>(null);
  let measures = $state<Schemas['MeasureName'][] | null>(null);
  let trend = $state<Schemas['Trend'] | null>(null);
  let problem = $state<Problem | null>(null);
  let chosen = $state<string | null>(null);
  let asked = 0;

  const of = $derived({ formula: choices?.formulas, oven: choices?.ovens, hands: choices?.hands }[by] ?? []);
  const point = $derived(trend?.points.find((q) => q.bake === chosen) ?? null);

  async function begin(): Promise<void> {
    try {
      choices = await ask(api.GET('/api/bakes/choices'));
      if (!whose) whose = of[0]?.value ?? '';
      await names();
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void begin();

  async function names(): Promise<void> {
    if (!whose) {
      measures = [];
      trend = null;
      return;
    }
    measures = await ask(api.GET('/api/trends/measures', { params: { query: { [by]: whose } } }));
    if (!measures.some((m) => m.key === measure))
      measure =
        (measures.find((m) => m.key === 'height') ?? measures.find((m) => m.bakes > 1) ?? measures[0])?.key ?? '';
    await follow();
  }
  async function follow(): Promise<void> {
    const now = ++asked;
    chosen = null;
    history.replaceState(history.state, '', `?${new URLSearchParams({ [by]: whose, measure })}`);
    if (!measure) {
      trend = null;
      return;
    }
    const found = await ask(api.GET('/api/trends', { params: { query: { measure, [by]: whose } } }));
    if (now === asked) trend = found;
  }
  const safely = (what: () => Promise<void>) => void what().catch((error: unknown) => (problem = problemOf(error)));
  const from = (basis: string, bakes: number) =>
    basis === 'this kitchen'
      ? `this kitchen’s own, by ${bakes} good bakes`
      : 'by the formula’s forecast; five good bakes earn a band of your own';
</script>

<div class="px-4 py-5 sm:px-6">
  <h1 class="text-3xl">Trends</h1>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if !choices && !problem}<Loading what="the Log" />{/if}
  {#if choices}
    <div class="mt-3 grid gap-4 sm:grid-cols-[12rem_minmax(0,1fr)_minmax(0,1.4fr)]">
      <Choice
        label="Of"
        value={by}
        options={[
          { value: 'formula', label: 'a formula' },
          { value: 'oven', label: 'an oven' },
          { value: 'hands', label: 'a person' },
        ]}
        onvalue={(v) => {
          by = v as By;
          whose = of[0]?.value ?? '';
          safely(names);
        }}
      />
      <Choice
        label="Which"
        value={whose}
        options={of.map((o) => ({ value: o.value, label: o.words }))}
        onvalue={(v) => {
          whose = v;
          safely(names);
        }}
      />
      {#if measures && measures.length > 0}
        <Pick
          label="Measure"
          value={measure}
          options={measures.map((m) => ({ value: m.key, label: `${m.words} (${m.bakes})` }))}
          onvalue={(v) => {
            measure = v;
            safely(follow);
          }}
        />
      {/if}
    </div>
  {/if}
  {#if measures?.length === 0}
    <p class="mt-5 max-w-prose text-lg text-quiet">
      Nothing to follow yet: every bake that is finished at the bench brings its figures here.
    </p>
  {/if}
  {#if trend}
    <p class="mt-5 font-display text-2xl font-semibold" role="status">{trend.says}</p>
    <div class="mt-3"><ControlChart {trend} {chosen} onchoose={(b) => (chosen = chosen === b ? null : b)} /></div>
    {#if point}
      <p class="mt-1 flex flex-wrap items-center gap-x-5 border-y border-line py-1" role="status">
        <span
          ><strong>{point.title}, {day(point.at)} {clock(point.at)}</strong>: {point.value.toPrecision(3)}
          {trend.unit}{point.beyond ? ', beyond the limits' : ''}{point.faults.length
            ? `; ${point.faults.join(', ')}`
            : ''}</span
        >
        <a class="inline-flex min-h-11 items-center underline" href={p('/log/:bake', { params: { bake: point.bake } })}
          >Its record</a
        >
        <a
          class="inline-flex min-h-11 items-center underline"
          href={p('/log/:bake/beside/:other', {
            params: {
              bake: (trend.points.findLast((q) => q.bake !== point.bake && !q.beyond) ?? trend.points[0]!).bake,
              other: point.bake,
            },
          })}>Beside the last usual one</a
        >
      </p>
    {/if}
    <ul class="mt-3 max-w-prose space-y-1 text-[16px] text-quiet">
      <li>
        Straight line: what is usual; broken lines: the limits of this kitchen’s own bakes. A diamond lies beyond them.
      </li>
      {#if trend.band}<li>
          Green: where it should lie, {trend.band.low.toPrecision(3)} to {trend.band.high.toPrecision(3)}
          {trend.unit}, {from(trend.band.basis, trend.band.bakes)}.
        </li>{/if}
      {#each trend.changes as c (c.begins)}<li>
          <strong>A change, {c.says}</strong>, began with the bake of {day(c.at)} and could be told from noise by the bake
          {c.noticed - c.begins} later.
        </li>{/each}
      {#if trend.stretches.every((s) => s.centre === null)}<li>Limits need six bakes.</li>{/if}
    </ul>
  {/if}
</div>
