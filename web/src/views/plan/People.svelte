<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { clock, day } from '../../lib/time';
  import { dateOf } from './plan.svelte';

  /** What each pair of hands has still to do, one thing after the other. */
  type Props = { plan: Schemas['DayAnswer'] };
  let { plan }: Props = $props();
  const numbers = $derived(new Map(plan.bakes.map((b, i) => [b.id, i + 1])));
  const strips = $derived(
    plan.people
      .map((person) => ({
        person,
        steps: plan.bakes
          .flatMap((b) =>
            b.steps.filter((s) => s.hands && !s.over && s.person === person.id).map((s) => ({ ...s, bake: b })),
          )
          .sort((a, b) => Date.parse(a.start_at) - Date.parse(b.start_at)),
      }))
      .filter((s) => s.steps.length > 0),
  );
</script>

{#each strips as strip (strip.person.id)}
  <section aria-label={strip.person.name || 'Hands'}>
    <h2 class="mb-1 text-xl">{strip.person.name || 'Hands'}</h2>
    <ol class="gap-x-8 text-[16px] sm:columns-2 xl:columns-3">
      {#each strip.steps as s, i (s.bake.id + s.step)}
        {#if i > 0 && dateOf(strip.steps[i - 1]!.start_at) !== dateOf(s.start_at)}
          <li class="mt-2 break-after-avoid border-t border-line pt-2 font-semibold">{day(s.start_at)}</li>
        {/if}
        <li class="flex gap-3 py-0.5">
          <span class="font-semibold">{clock(s.start_at)}</span>
          <span>{s.title} <span class="text-quiet">({numbers.get(s.bake.id)} {s.bake.title})</span></span>
        </li>
      {/each}
    </ol>
  </section>
{/each}
