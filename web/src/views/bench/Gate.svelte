<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import type { BenchState } from './bench.svelte';

  type Props = { gate: Schemas['GateView']; bench: BenchState };
  let { gate, bench }: Props = $props();
  const under = (step: string) => bench.bake?.running.includes(step) ?? false;
</script>

<div>
  <p class="mb-1 text-lg">
    {#if gate.open}<strong class="text-leaf">Everything is there.</strong>{:else}<strong
        >{gate.items.filter((i) => !i.there).length} still missing.</strong
      >
      <span class="text-quiet">Once this begins, there is no time for them.</span>{/if}
  </p>
  <ul class="grid gap-x-5 sm:grid-cols-2 lg:grid-cols-3">
    {#each gate.items as item (item.id)}
      <li class="border-t border-line">
        {#if item.kind === 'thing'}
          <button
            class="flex min-h-14 w-full items-center gap-3 text-left"
            role="checkbox"
            aria-checked={item.there}
            onclick={() => bench.tell({ kind: 'gate_ticked', item: item.id, there: !item.there })}
          >
            {@render mark(item.there)}
            <span class="leading-tight"><strong>{item.name}</strong> <span class="text-quiet">{item.detail}</span></span
            >
          </button>
        {:else}
          <button class="flex min-h-14 w-full items-center gap-3 text-left" onclick={() => bench.look(item.id)}>
            {@render mark(item.there)}
            <span class="leading-tight"
              ><strong>{item.name}</strong>
              <span class="text-quiet">{!item.there ? 'not done: open it' : under(item.id) ? 'under way' : 'done'}</span
              ></span
            >
          </button>
        {/if}
      </li>
    {/each}
  </ul>
</div>

{#snippet mark(there: boolean)}
  <svg width="30" height="30" class="shrink-0" aria-hidden="true">
    {#if there}
      <circle cx="15" cy="15" r="13" fill="var(--leaf)" /><path
        d="M8.5 15.5l4.5 4.5 8.5-9.5"
        fill="none"
        stroke="var(--ground)"
        stroke-width="3.2"
      />
    {:else}
      <circle cx="15" cy="15" r="12.5" fill="none" stroke="var(--ink)" stroke-width="2.5" />
    {/if}
  </svg>
{/snippet}
