<script lang="ts">
  import { clock } from '../../../lib/time';
  import type { Otherwise } from './otherwise.svelte';

  /** Any of the last things, as long as nothing rests on it; what does is named. */
  type Props = { otherwise: Otherwise };
  let { otherwise }: Props = $props();
</script>

{#if otherwise.problem}<p role="alert" class="mb-2 font-semibold text-raspberry">
    {otherwise.problem.detail}
    {otherwise.problem.remedy}
  </p>{/if}
<ol aria-label="Last things">
  {#each otherwise.last as thing (thing.sequence)}
    <li class="flex min-h-14 flex-wrap items-center justify-between gap-x-4 border-t border-line">
      <span class="py-1 leading-snug"
        ><span class="mr-3 text-quiet">{clock(thing.at)}</span><strong>{thing.said}</strong>
        {#if thing.rests.length > 0}<span class="block text-[15px] text-quiet"
            >rests under: {thing.rests.slice(0, 3).join(', ')}{thing.rests.length > 3 ? ' and more' : ''}</span
          >{/if}</span
      >
      {#if thing.rests.length === 0}<button
          class="min-h-14 px-3 font-semibold underline"
          onclick={() => void otherwise.undo(thing.sequence)}>Take it back</button
        >{/if}
    </li>
  {/each}
</ol>
