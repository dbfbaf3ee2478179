<script lang="ts">
  import Composition from '../../lib/draw/Composition.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { p } from '../../routes';
  import GoodForm from './GoodForm.svelte';
  import { Goods } from './goods.svelte';

  const goods = new Goods();
  void goods.load(new URLSearchParams(location.search).get('name') ?? '');
  $effect(() => goods.seek());
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-2">
    <h1 class="text-3xl">Goods</h1>
    <p class="flex flex-wrap items-center gap-x-5">
      <a class="inline-flex min-h-11 items-center underline" href={p('/kitchen')}>Kitchen</a>
      <a class="inline-flex min-h-11 items-center underline" href="/api/goods/csv" download>As a table (CSV)</a>
      <label class="inline-flex min-h-11 cursor-pointer items-center underline focus-within:outline-3">
        Read a table in
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          class="sr-only"
          onchange={(e) => {
            const file = e.currentTarget.files?.[0];
            if (file) void goods.readTable(file);
            e.currentTarget.value = '';
          }}
        />
      </label>
    </p>
  </div>
  <p class="max-w-prose text-lg text-quiet">
    What you buy, by its own label. Recipes that are read in know these names, and every weight, ratio and list of
    allergens follows.
  </p>
  {#if goods.problem}<Notice problem={goods.problem} onclose={() => (goods.problem = null)} />{/if}
  <p class="min-h-7 font-semibold text-leaf" aria-live="polite">{goods.done}</p>
  {#if !goods.loaded && !goods.problem}<Loading what="the goods" />{/if}
  {#if goods.loaded}
    <div class="mt-2 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,34rem)]">
      <section aria-label="The shelf" class="min-w-0 {goods.body ? 'max-lg:order-2' : ''}">
        <div class="flex flex-wrap items-end gap-3">
          <label class="block min-w-0 grow font-semibold">
            Find a good or a food
            <input class="field mt-1" type="search" autocomplete="off" bind:value={goods.sought} />
          </label>
          <button class="act {goods.body ? '' : 'act-now'}" onclick={() => goods.begin(goods.sought.trim())}
            >A new good</button
          >
        </div>
        {#if !goods.own.length && !goods.sought}
          <p class="mt-4 max-w-prose text-lg text-quiet">
            Nothing of your own yet. Begin with what has a label: chocolate, margarine, biscuits, praline.
          </p>
        {/if}
        <ul class="mt-3 transition-opacity {goods.found.waiting && goods.sought ? 'opacity-60' : ''}">
          {#each goods.shown as entry (entry.id)}
            <li class="border-t border-line">
              <button
                class="w-full py-2.5 text-left"
                aria-current={entry.own && entry.key === goods.key && goods.body ? 'true' : undefined}
                onclick={() => goods.open(entry)}
              >
                <span class="flex flex-wrap items-baseline justify-between gap-x-4">
                  <strong class="text-lg">{entry.name}</strong>
                  <span class="text-[15px] text-quiet">{entry.own ? 'of your own' : 'of the table'}</span>
                </span>
                <span class="block text-[15px] {entry.allergens_unknown ? 'font-semibold' : ''} text-raspberry"
                  >{entry.contains}</span
                >
                {#if entry.labels}<span class="block text-[15px] text-raspberry">{entry.labels}</span>{/if}
                {#if entry.known}<Composition composition={entry.composition} />{/if}
                <span class="block text-[15px] text-quiet"
                  >{entry.source}{#if entry.used_in?.length}; in {entry.used_in.join(', ')}{/if}</span
                >
              </button>
            </li>
          {/each}
        </ul>
        {#if goods.sought.trim() && goods.found.value?.length === 0}
          <p class="mt-3 text-lg text-quiet">Nothing goes by that name. Put it on the shelf as a new good.</p>
        {/if}
      </section>
      {#if goods.body}<GoodForm {goods} />{/if}
    </div>
  {/if}
</div>
