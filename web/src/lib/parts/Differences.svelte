<script lang="ts">
  import type { Schemas } from '../api/client';

  type Props = { differences: Schemas['Difference'][]; before?: string; after?: string };
  let { differences, before = 'Now', after = 'Then' }: Props = $props();

  const groups = $derived(
    [...new Set(differences.map((d) => d.about))].map((about) => ({
      about,
      rows: differences.filter((d) => d.about === about),
    })),
  );
  const colour = (text: string) => /^#[0-9a-f]{6}$/.test(text);
</script>

{#snippet value(text: string, gone: string)}
  {#if colour(text)}<svg width="44" height="22" role="img" aria-label="colour {text}"
      ><rect width="44" height="22" rx="3" fill={text} stroke="var(--metal)" /></svg
    >
  {:else if text}{text}{:else}<span class="text-quiet">{gone}</span>{/if}
{/snippet}

{#if differences.length === 0}
  <p class="text-lg">No difference that a baker would notice.</p>
{:else}
  <div class="grid grid-cols-[1fr_1fr] gap-x-5 text-[16px] sm:grid-cols-[minmax(0,13rem)_1fr_1fr]">
    <span class="hidden sm:block"></span><strong class="border-b-2 border-ink pb-1">{before}</strong><strong
      class="border-b-2 border-ink pb-1">{after}</strong
    >
    {#each groups as group (group.about)}
      <p class="col-span-full mt-3 font-semibold text-quiet">{group.about}</p>
      {#each group.rows as row, i (i)}
        <p class="col-span-full border-t border-line pt-1 sm:col-span-1 sm:pb-1">{row.where}</p>
        <p class="pb-1 sm:border-t sm:border-line sm:pt-1">{@render value(row.before, 'not there')}</p>
        <p class="pb-1 font-semibold sm:border-t sm:border-line sm:pt-1">{@render value(row.after, 'gone')}</p>
      {/each}
    {/each}
  </div>
{/if}
