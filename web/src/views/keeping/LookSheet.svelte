<script lang="ts">
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { clock, day } from '../../lib/time';
  import type { KeepingState } from './keeping.svelte';

  type Props = { page: KeepingState };
  let { page }: Props = $props();
  const seen = $derived(page.seen);
  const rows = $derived(
    seen
      ? ([
          ['Formulas', seen.formulas],
          ['Bakes', seen.bakes],
          ['of them running', seen.running],
          ['Events', seen.events],
          ['Readings', seen.readings],
        ] as const)
      : [],
  );
</script>

<Sheet
  bind:open={() => seen !== null, (open) => !open && (page.seen = null)}
  title="What is in it"
  description="It was looked through, and no damage was found. Nothing has been changed yet."
>
  {#if seen}
    <p class="break-all text-quiet">{seen.name}</p>
    <dl class="my-4 grid max-w-sm grid-cols-[1fr_auto] gap-x-6 text-lg">
      {#each rows as [name, number] (name)}
        <dt class={name.startsWith('of') ? 'pl-4 text-quiet' : ''}>{name}</dt>
        <dd class="text-right font-semibold">{number}</dd>
      {/each}
    </dl>
    {#if seen.last_at}
      <p>The last thing in it: {day(seen.last_at)}, {clock(seen.last_at)}, “{seen.last_title}”.</p>
    {/if}
    {#if seen.newer}
      <p class="mt-4 border-l-4 border-raspberry pl-3">
        <strong>A newer Kind Whisk made it.</strong> Put it in place with that version.
      </p>
    {:else}
      <p class="mt-4 max-w-prose border-l-4 border-copper pl-3">
        All that happened since is no longer in the Book, the bench and the Log then. The present data are kept aside
        first, so that this can be taken back.
      </p>
      <div class="mt-5 flex flex-wrap gap-3">
        <button class="act act-now" disabled={page.doing !== ''} onclick={() => void page.restore()}
          >Put it in the place of the present data</button
        >
        <button class="act" onclick={() => (page.seen = null)}>Leave everything as it is</button>
      </div>
    {/if}
  {/if}
</Sheet>
