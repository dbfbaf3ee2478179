<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import { length } from '../../lib/time';
  import type { DayPlanning } from './plan.svelte';

  /** Parts that could be made by themselves: with the rest, before it, or out of the freezer; once for several. */
  type Props = { planning: DayPlanning; plan: Schemas['DayAnswer'] };
  let { planning, plan }: Props = $props();

  type Bake = Schemas['DayAnswer']['bakes'][number];
  type Part = Bake['parts'][number];

  const WITH = 'with the rest';
  const BEFORE = 'beforehand';
  const FROZEN = 'from the freezer';
  const bakes = $derived(plan.bakes.filter((b) => !b.bake && !b.part && b.orders.length === 1 && b.parts.length > 0));
  let open = $state(false);
  const chosen = $derived(bakes.flatMap((b) => b.parts.filter((p) => p.beforehand)).length);

  $effect(() => {
    if (chosen > 0) open = true;
  });

  const days = (seconds: number) => {
    const n = Math.round(seconds / 86400);
    return n < 1 ? length(seconds) : n === 1 ? 'a day' : `${n} days`;
  };
  const keeps = (part: Part) =>
    `${part.keeps_s < 86400 ? 'holds' : 'keeps'} ${days(part.keeps_s)} in the cold${part.frozen_s ? `, ${days(part.frozen_s)} frozen` : ''}`;
  const now = (part: Part) => (!part.beforehand ? WITH : part.frozen ? FROZEN : BEFORE);
  const choices = (part: Part) => (part.frozen_s ? [WITH, BEFORE, FROZEN] : [WITH, BEFORE]);
</script>

{#if bakes.length > 0}
  <details bind:open>
    <summary class="flex min-h-12 cursor-pointer items-center gap-2 text-xl"
      >Parts made by themselves{#if chosen}<span class="text-[16px] text-quiet">({chosen})</span>{/if}</summary
    >
    <p class="max-w-prose pb-1 text-[15px] text-quiet">
      How long a part keeps is trade habit, and three days where that says nothing; your own rule and the local
      food-safety rules lead. What was frozen thaws in the refrigerator. What takes the same part is made once where
      that delays nothing.
    </p>
    <ul class="divide-y divide-line">
      {#each bakes as bake (bake.id)}
        {#each bake.parts as part (part.id)}
          <li class="grid items-center gap-x-6 py-1 sm:grid-cols-[minmax(0,1fr)_auto]">
            <div>
              <strong>{part.name}</strong>, {bake.title}
              <p class="text-[15px] text-quiet">
                {keeps(part)}{part.also_for.length > 0 ? `; the same in ${part.also_for.join(', ')}` : ''}
              </p>
            </div>
            <OneOf
              label="{part.name} of {bake.title}"
              all={choices(part)}
              now={now(part)}
              onchoose={(to) => planning.apart(bake.order, part.id, to === WITH ? null : { frozen: to === FROZEN })}
            />
          </li>
        {/each}
      {/each}
    </ul>
  </details>
{/if}
