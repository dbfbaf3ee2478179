<script lang="ts">
  import type { BakeEntry } from '../../lib/api/client';
  import { day } from '../../lib/time';
  import { p } from '../../routes';

  /** A bake that was read in from a file: what its line held. */
  type Props = { bake: BakeEntry };
  let { bake }: Props = $props();
  const told = $derived(bake.summary!);
</script>

<section class="max-w-3xl px-4 py-5 sm:px-6">
  <h1 class="text-3xl">
    {bake.title}<span class="ml-4 font-sans text-lg font-normal text-quiet"
      >{day(bake.started_at)}, read in from a file</span
    >
  </h1>
  <p class="mt-2 font-display text-2xl font-semibold">
    {told.stars ? `${told.stars} of 5` : 'No stars'}{told.height_mm ? `, ${Math.round(told.height_mm)} mm high` : ''}
  </p>
  {#if told.faults.length}<p class="text-lg font-bold">{told.faults.join(', ')}</p>{/if}
  {#if told.note}<p class="text-lg">{told.note}</p>{/if}
  <dl class="mt-4 grid grid-cols-[auto_1fr] gap-x-6">
    {#each told.facts as fact (fact.key)}<dt class="text-quiet">{fact.words}</dt>
      <dd>{fact.said}</dd>{/each}
    {#each (told.measures ?? []).filter((m) => m.unit) as m (m.key)}<dt class="text-quiet">{m.words}</dt>
      <dd>{m.value.toPrecision(3)} {m.unit}</dd>{/each}
  </dl>
  <p class="mt-4 max-w-prose text-quiet">
    There is no more of it than its line: it counts for trends and comparisons, but nothing was timed or read by the
    bench.
  </p>
  <a class="inline-flex min-h-11 items-center underline" href={p('/log')}>To the Log</a>
</section>
