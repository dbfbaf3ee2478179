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
  import { grams, spoonfuls, switchUnits, units } from '../../lib/figures.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Tick from '../../lib/parts/Tick.svelte';
  import WishPicker from '../../lib/parts/WishPicker.svelte';
  import { length } from '../../lib/time';
  import { Wish } from '../../lib/wish.svelte';
  import { route } from '../../routes';
  import FormulaHead from './FormulaHead.svelte';

  const formula_id = route.params.formula!;
  const wish = new Wish();
  const forecast = new Asking<ForecastView>();
  let kitchen = $state<Kitchen | null>(null);
  let day = $state<Schemas['EggsOfTheDay'] | null>(null);
  let problem = $state<Problem | null>(null);
  let ticked = $state<Record<string, boolean>>({});

  Promise.all([ask(api.GET('/api/kitchen')), ask(api.GET('/api/bakes/eggs-today'))]).then(
    ([k, eggs]) => {
      kitchen = k.kitchen;
      day = eggs;
    },
    (error) => (problem = problemOf(error)),
  );
  $effect(() => {
    const body = wish.body;
    forecast.ask(() => ask(api.POST('/api/formulas/{formula_id}/scale', { params: { path: { formula_id } }, body })));
  });

  const shown = $derived(forecast.value);
  const times = $derived(shown ? Number(shown.factor.toFixed(4)) : 1);
  const fill = $derived(shown?.fills[0] ?? null);
</script>

<div class="px-4 py-5 sm:px-6 print:p-0">
  {#if problem}<Notice {problem} />{/if}
  {#if !shown && !problem}<Loading what="the weigh list" />{/if}
  {#if shown}
    <FormulaHead id={formula_id} title={shown.title} technique={shown.technique} version={shown.version} />
    <div class="grid gap-x-10 gap-y-6 lg:grid-cols-[20rem_minmax(0,1fr)] print:block">
      <div class="no-print">
        <WishPicker {wish} {kitchen} forecast={shown} />
        {#if forecast.problem}<Notice problem={forecast.problem} />{/if}
        <div class="mt-4 flex flex-wrap gap-3">
          <button class="act act-small" onclick={() => window.print()}>Print</button>
          <button class="act act-small" onclick={switchUnits}>{units.system === 'us' ? 'in grams' : 'in ounces'}</button
          >
          <button class="act act-small" onclick={() => (ticked = {})}>Untick all</button>
        </div>
        <p class="mt-3 flex flex-wrap gap-x-4">
          <span class="self-center text-quiet">Download as</span>
          <a
            class="inline-flex min-h-11 items-center underline"
            href="/api/formulas/{formula_id}.txt?times={times}"
            download>plain text</a
          >
          <a
            class="inline-flex min-h-11 items-center underline"
            href="/api/formulas/{formula_id}.csv?times={times}"
            download>table (CSV)</a
          >
          <a class="inline-flex min-h-11 items-center underline" href="/api/formulas/{formula_id}.jsonld" download
            >JSON-LD</a
          >
        </p>
      </div>
      <div class="transition-opacity {forecast.waiting ? 'opacity-60' : ''}">
        <p class="hidden font-display text-2xl font-semibold print:block">{shown.title}</p>
        <p class="text-[17px] text-quiet">
          {grams(shown.total_g)} in all{#if fill}, {fill.count} × {fill.name}, {grams(fill.grams)} each{/if}
        </p>
        {#each shown.weighings as part (part.component)}
          <section class="mt-4 break-inside-avoid" aria-label={part.name}>
            <h2 class="flex flex-wrap items-baseline gap-x-4 text-xl">
              {shown.weighings.length > 1 || part.component !== 'all' ? part.name : 'In the order of the bowls'}
              <span class="font-sans text-[15px] font-normal text-raspberry">
                {part.contains}
                {part.labels}
              </span>
            </h2>
            {#each part.bowls as bowl (bowl.step)}
              <div class="mt-1 grid break-inside-avoid gap-x-6 border-t border-line pt-1 sm:grid-cols-[13rem_1fr]">
                <h3 class="font-sans text-[17px] font-semibold">
                  {bowl.vessel}<span class="block text-[15px] font-normal text-quiet">{bowl.title}</span>
                </h3>
                <ul>
                  {#each bowl.items as item, i (i)}
                    {@const key = `${bowl.step}-${i}`}
                    <li class="flex min-h-12 items-center gap-3 print:min-h-7">
                      <Tick
                        checked={ticked[key] ?? false}
                        onchecked={(v) => (ticked[key] = v)}
                        label="{item.name}, {grams(item.grams)}"
                      />
                      <span class="grow text-lg {ticked[key] ? 'text-quiet line-through' : ''}"
                        >{item.name}{#if !item.allergens_known}<strong class="ml-2 text-[15px] text-raspberry"
                            >not known here</strong
                          >{/if}{#if item.role}<span class="ml-2 text-[15px] text-quiet">{item.role}</span
                          >{/if}{#if item.written}<span class="block text-[14px] text-quiet">“{item.written}”</span
                          >{/if}</span
                      >
                      <span class="text-[15px] text-quiet">{spoonfuls(item.bulk_ml.likely)}</span>
                      <strong class="w-24 text-right text-xl">{grams(item.grams)}</strong>
                    </li>
                  {/each}
                </ul>
              </div>
            {/each}
          </section>
        {/each}
        {#if shown.components.length > 1}
          <h2 class="mt-5 text-xl">Ready by</h2>
          <ul class="text-[17px]">
            {#each shown.components.filter((c) => c.ready_before_s > 60) as c (c.id)}
              <li class="border-t border-line py-1">
                <strong>{c.name}</strong>, {grams(c.yield_g)}: {length(c.ready_before_s)} before the end
              </li>
            {/each}
          </ul>
        {/if}
        {#if shown.eggs}
          <h2 class="mt-5 text-xl">Eggs</h2>
          <p class="max-w-prose text-[17px]">
            <strong>{shown.eggs.count} ({shown.eggs.size.toUpperCase().replaceAll('-', ' ')})</strong>
            {shown.eggs.advice}
          </p>
          {#if day}
            <p class="max-w-prose text-[17px] text-quiet">
              Today’s bakes want {Math.round(day.white_g)} g of white and {Math.round(day.yolk_g)} g of yolk: {day.pooled}
              eggs pooled, {day.alone} if each cracks its own. Left over then: {Math.round(day.left_white_g)} g white,
              {Math.round(day.left_yolk_g)} g yolk.
            </p>
          {/if}
        {/if}
        <p class="mt-4 text-[15px] text-quiet">
          {shown.contains}
          {shown.labels} Labels and traces decide; local food-safety rules and trained staff have the last word.
        </p>
      </div>
    </div>
  {/if}
</div>
