<script lang="ts">
  import type { Schemas } from '../../lib/api/client';

  type Props = { plan: Schemas['WashPlan'] };
  let { plan }: Props = $props();
  const bowls = $derived(Object.values(plan.ready).flatMap((list) => list.filter((r) => r.id === 'clean-bowl')));
</script>

<p class="text-[17px]">
  <strong
    >{plan.washes === 0
      ? 'No beater has to be washed on the way.'
      : plan.washes === 1
        ? 'One wash on the way.'
        : `${plan.washes} washes on the way.`}</strong
  >
  {#if bowls.length > 0}<span class="text-quiet"
      >Free of fat: {[...new Set(bowls.map((b) => b.name))].join(', ')}, and what whips in it.</span
    >{/if}
</p>
<ul class="mt-1">
  {#each plan.tools as row (row.tool)}
    <li class="flex flex-wrap items-center gap-x-1 gap-y-1 border-t border-line py-2">
      <span class="w-32 shrink-0 font-semibold">{row.tool}</span>
      {#each row.uses as use, i (i)}
        {#if use.washed_before}
          <span class="flex items-center gap-1 px-1 text-[15px] font-semibold text-raspberry">
            <svg width="18" height="22" aria-hidden="true"
              ><path
                d="M9 2C13 8 16 11 16 15a7 7 0 0 1-14 0C2 11 5 8 9 2z"
                fill="none"
                stroke="currentColor"
                stroke-width="2"
              /></svg
            >wash
          </span>
        {/if}
        <span class="flex items-center gap-1.5 pr-3 text-[15px]">
          <svg width="18" height="18" aria-hidden="true"
            ><circle
              cx="9"
              cy="9"
              r="7"
              fill={use.greasy ? 'var(--ink)' : 'var(--surface)'}
              stroke="var(--ink)"
              stroke-width="2"
            /></svg
          >{use.title}<span class="text-quiet">{use.clean ? ', no fat' : use.greasy ? ', fat' : ''}</span>
        </span>
      {/each}
    </li>
  {/each}
</ul>
{#each plan.savings as saving (saving.step)}
  <p class="mt-1 border-l-[6px] pl-3 text-[16px] {saving.worth_it ? 'border-leaf' : 'border-copper'}">{saving.says}</p>
{/each}
