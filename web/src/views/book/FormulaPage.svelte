<script lang="ts">
  import {
    api,
    ask,
    problemOf,
    type ForecastView,
    type Kitchen,
    type Problem,
    type Schemas,
  } from '../../lib/api/client';
  import { Asking } from '../../lib/asking.svelte';
  import RatioBand from '../../lib/draw/RatioBand.svelte';
  import Asked from '../questions/Asked.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import WishPicker from '../../lib/parts/WishPicker.svelte';
  import { Wish } from '../../lib/wish.svelte';
  import { route } from '../../routes';
  import Fills from './Fills.svelte';
  import FormulaHead from './FormulaHead.svelte';
  import MethodSheet from './MethodSheet.svelte';
  import Process from './Process.svelte';
  import StepCloseUp from './StepCloseUp.svelte';
  import SwapSheet from './SwapSheet.svelte';
  import Washing from './Washing.svelte';
  import Weighing from './Weighing.svelte';

  const formula_id = route.params.formula!;
  const METHODS: Schemas['Method'][] = ['French', 'Swiss', 'Italian'];
  /** The schools that a base with its flour in it can be folded by. */
  const FOLDS: Schemas['FoldSchool'][] = ['sacrifice', 'in thirds', 'base into the foam'];
  const wish = new Wish();
  const forecast = new Asking<ForecastView>();
  let view = $state<Schemas['FormulaView'] | null>(null);
  let kitchen = $state<Kitchen | null>(null);
  let problem = $state<Problem | null>(null);
  let picked = $state<string | null>(null);
  let swapped = $state<string | null>(null);
  type Otherwise = { step: string; method: Schemas['Method'] } | { step: string; school: Schemas['FoldSchool'] };
  let otherwise = $state<Otherwise | null>(null);

  async function load(): Promise<void> {
    try {
      const path = { formula_id };
      [view, kitchen] = await Promise.all([
        ask(api.GET('/api/formulas/{formula_id}', { params: { path } })),
        ask(api.GET('/api/kitchen')).then((k) => k.kitchen),
      ]);
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void load();

  $effect(() => {
    const body = wish.body;
    void view?.version;
    forecast.ask(() => ask(api.POST('/api/formulas/{formula_id}/scale', { params: { path: { formula_id } }, body })));
  });

  const shown = $derived(forecast.value);
  const step = $derived(shown?.steps.find((s) => s.id === picked) ?? null);
  /** Two bakes in one oven say the same of its dial. */
  const risks = $derived((shown?.warnings ?? []).filter((w, i, all) => all.findIndex((o) => o.text === w.text) === i));
  const titleOf = (id: string) => view?.formula.steps.find((s) => s.id === id)?.title ?? id;
</script>

<div class="px-4 py-5 sm:px-6">
  {#if problem}<Notice {problem} />{/if}
  {#if !(view && shown) && !problem}<Loading what="the formula" />{/if}
  {#if view && shown}
    <FormulaHead id={formula_id} title={view.formula.title} technique={view.formula.technique} version={view.version} />
    <p class="max-w-prose text-lg text-quiet">{view.formula.summary}</p>

    <div
      class="mt-4 grid gap-x-10 gap-y-6 transition-opacity md:grid-cols-2 lg:grid-cols-[23rem_minmax(0,21rem)_minmax(0,1fr)] {forecast.waiting
        ? 'opacity-60'
        : ''}"
    >
      <div>
        <WishPicker {wish} {kitchen} forecast={shown} />
        {#if forecast.problem}<Notice problem={forecast.problem} />{/if}
        <Fills forecast={shown} />
      </div>
      <div>
        <h2 class="mb-1 text-lg">To weigh</h2>
        <Weighing forecast={shown} onswap={(id) => (swapped = id)} />
      </div>
      <div class="md:col-span-2 lg:col-span-1">
        {#each risks as w, i (i)}
          <p class="mb-3 border-l-[6px] pl-4 {w.level === 'note' ? 'border-copper' : 'border-raspberry'}">
            <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
          </p>
        {/each}
        {#each Object.entries(view.meringues) as [id, now] (id)}
          <h2 class="text-lg">{titleOf(id)}</h2>
          <div class="mb-3">
            <OneOf
              label="Method of the meringue"
              all={METHODS}
              {now}
              onchoose={(m) => (otherwise = { step: id, method: m })}
            />
          </div>
        {/each}
        {#each Object.entries(view.folds) as [id, now] (id)}
          <h2 class="text-lg">The fold</h2>
          <div class="mb-3">
            <OneOf
              label="School of the fold"
              all={FOLDS}
              {now}
              onchoose={(f) => (otherwise = { step: id, school: f })}
            />
          </div>
        {/each}
        <h2 class="mb-1 text-lg">Balance</h2>
        {#each shown.balance as r (r.id + r.component + r.step)}
          {@const before = shown.balance[shown.balance.indexOf(r) - 1]}
          {#if r.where && r.where !== before?.where}<p class="mt-2 text-[15px] font-semibold text-quiet">
              {r.where}
            </p>{/if}
          <RatioBand ratio={r} />
        {/each}
        <p class="mt-2 text-quiet">
          Grams to a gram, by published food tables and labels, else recalled; bands are trade habit, not yet this
          kitchen.
        </p>
      </div>
    </div>

    <h2 class="mt-8 mb-2 text-2xl">How it goes</h2>
    <Process
      steps={shown.steps}
      components={shown.components}
      {picked}
      onpick={(id) => (picked = picked === id ? null : id)}
    />
    {#if step}<StepCloseUp
        {step}
        formula={formula_id}
        fold={shown.folds.find((f) => f.steps.includes(step.id)) ?? null}
      />{/if}
    {#if shown.washing.tools.length > 0}
      <h2 class="mt-8 mb-2 text-2xl">Bowls and beaters</h2>
      <Washing plan={shown.washing} />
    {/if}

    <h2 class="mt-8 mb-2 text-2xl">Where bakers disagree, this formula does it so</h2>
    <dl class="grid gap-x-10 gap-y-3 md:grid-cols-2">
      {#each view.schools as s (s.question + s.choice)}
        <div>
          <dt class="text-quiet">{s.question}: <strong class="text-ink">{s.choice}</strong></dt>
          <dd>{s.trades} <span class="text-quiet">Others: {s.others.join('; ')}.</span></dd>
        </div>
      {/each}
    </dl>
    {#if view.formula.ledger.length}
      <h2 class="mt-8 mb-2 text-2xl">Substitutions made</h2>
      <ul class="grid gap-x-10 gap-y-3 md:grid-cols-2">
        {#each view.formula.ledger as entry, i (i)}
          <li>
            <strong>{entry.said}</strong>
            {#each entry.changes as change, n (n)}<span class="block text-quiet">{change}</span>{/each}
          </li>
        {/each}
      </ul>
    {/if}
    {#key formula_id}<Asked formula={formula_id} />{/key}
    <SwapSheet {formula_id} bind:ingredient={swapped} forecast={shown} ontaken={() => void load()} />
    <MethodSheet {formula_id} bind:wanted={otherwise} ontaken={() => void load()} />
  {/if}
</div>
