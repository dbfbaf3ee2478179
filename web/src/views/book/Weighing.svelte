<script lang="ts">
  import { Tabs } from 'bits-ui';
  import type { ForecastView } from '../../lib/api/client';
  import { grams, spoonfuls } from '../../lib/figures.svelte';
  import { length } from '../../lib/time';

  type Props = { forecast: ForecastView; onswap: (ingredient: string) => void };
  let { forecast, onswap }: Props = $props();

  let part = $state('all');
  const parts = $derived(forecast.components.length > 1 ? forecast.components : []);
  const shown = $derived(forecast.components.find((c) => c.id === part) ?? null);
  $effect(() => {
    if (part !== 'all' && !parts.some((c) => c.id === part)) part = 'all';
  });

  /** Between a name and what it contains, also for who hears it read. */
  const GAP = ' ';
</script>

{#if parts.length}
  <Tabs.Root bind:value={part}>
    <Tabs.List class="mb-1 flex flex-wrap gap-x-4" aria-label="Component">
      {#each [{ id: 'all', name: 'all of it' }, ...parts] as c (c.id)}
        <Tabs.Trigger
          value={c.id}
          class="min-h-11 text-[16px] text-quiet data-[state=active]:font-bold data-[state=active]:text-ink data-[state=active]:underline data-[state=active]:decoration-[3px] data-[state=active]:underline-offset-[6px]"
          >{c.name}</Tabs.Trigger
        >
      {/each}
    </Tabs.List>
  </Tabs.Root>
{/if}
{#if part === 'all' || !shown}
  <ul>
    {#each forecast.ingredients as i (i.id)}
      <li class="border-b border-line">
        <button
          class="flex min-h-11 w-full items-baseline justify-between gap-4 py-1 text-left text-lg"
          onclick={() => onswap(i.id)}
          title="What could take its place?"
        >
          <span
            >{i.name}{#if i.allergens.length}{GAP}<span class="ml-2 inline-block text-sm text-raspberry"
                >contains {i.allergens.join(', ').replaceAll('-', ' ')}</span
              >{/if}{#if !i.allergens_known}{GAP}<strong class="ml-2 inline-block text-sm text-raspberry"
                >not known here</strong
              >{/if}{#if i.check_label}{GAP}<span class="ml-2 inline-block text-sm text-raspberry">check the label</span
              >{/if}</span
          >
          <span class="whitespace-nowrap"
            ><span class="mr-3 text-sm text-quiet">{spoonfuls(i.bulk_ml.likely)}</span><strong>{grams(i.grams)}</strong
            ></span
          >
        </button>
        {#each i.roles ?? [] as share, n (n)}
          <p class="flex items-baseline justify-between gap-4 py-0.5 pl-5 text-quiet">
            <span>{share.role ? `for the ${share.role.toLowerCase()}` : share.step}</span><span
              class="whitespace-nowrap">{grams(share.grams)}</span
            >
          </p>
        {/each}
      </li>
    {/each}
  </ul>
  <p class="mt-2 text-quiet">
    Weights lead; cups and spoons are good to about a tenth. {grams(forecast.total_g)} in all,
    {forecast.factor.toFixed(2)} times the formula.
  </p>
  {#if forecast.cost.priced_g > 0}
    <p class="mt-2">
      <strong>{forecast.cost.amount.toFixed(2)}</strong>
      <span class="text-quiet"
        >is what {grams(forecast.cost.priced_g)} of it cost{#if forecast.cost.unpriced.length}; without a price: {forecast.cost.unpriced.join(
            ', ',
          )}{/if}.</span
      >
    </p>
  {/if}
  {#if forecast.besides.length}
    <p class="mt-2">Without an amount: {forecast.besides.join(', ')}.</p>
  {/if}
  {#if forecast.offcuts.length}
    <p class="mt-2">
      Cut off on the way: {#each forecast.offcuts as cut, i (cut.step)}{i > 0 ? ', ' : ''}<strong
          >{grams(cut.grams)}</strong
        >
        at “{cut.name}”{cut.used_g > 1 ? `, ${grams(cut.used_g)} of it used again` : ''}{/each}. What is left is for a
      trifle, or to taste.
    </p>
  {/if}
  <p class="mt-2 text-raspberry">{forecast.contains} {forecast.labels}</p>
  {#if forecast.eggs}
    <p class="mt-2">
      <strong>{forecast.eggs.count} eggs ({forecast.eggs.size.toUpperCase().replaceAll('-', ' ')})</strong>
      {#if Math.abs(forecast.eggs.exact - forecast.eggs.count) > 0.05}<span class="text-quiet"
          >for {forecast.eggs.exact.toFixed(1)} of them.</span
        >{/if}
      <span class="text-quiet">{forecast.eggs.advice}</span>
    </p>
  {/if}
{:else}
  <ul>
    {#each shown.ingredients as i (i.id)}
      <li class="flex min-h-9 items-baseline justify-between gap-4 border-b border-line py-1 text-lg">
        <span>{i.name}</span><strong>{grams(i.grams)}</strong>
      </li>
    {/each}
  </ul>
  <p class="mt-2 text-quiet">
    Yields {grams(shown.yield_g)}{#if shown.ready_before_s > 60}; ready {length(shown.ready_before_s)} before the end{/if}.
    <span class="text-raspberry">{shown.contains} {shown.labels}</span>
  </p>
{/if}
