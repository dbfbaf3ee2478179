<script lang="ts">
  import type { Schemas } from '../api/client';
  import { celsius, origin } from '../figures.svelte';
  import { now } from '../now.svelte';
  import { clock, length, until } from '../time';

  /** What a cooling cake becomes ready for, and when. */
  type Props = { gates: Schemas['CoolGate'][]; outlook?: Schemas['Outlook'] | null };
  let { gates, outlook = null }: Props = $props();

  /** As it cools, by its own pace. */
  const pace = $derived(outlook?.pace ?? 1);
  const started = $derived(outlook ? -until(outlook.started_at, now.value) : null);
</script>

<ol class="text-[17px]" aria-label="Ready for">
  {#each gates as gate (gate.kind)}
    {@const left = started === null ? null : gate.after_s.likely * pace - started}
    <li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5">
      <strong class="min-w-20">{gate.kind}</strong>
      <span>at {celsius(gate.to_c)}</span>
      <span class={left !== null && left <= 0 ? 'font-semibold text-leaf' : 'font-semibold'}>
        {#if left === null}after {length(gate.after_s.likely)}{:else if left <= 0}may be{:else}in {length(left)}, {clock(
            now.value + left * 1000,
          )}{/if}
      </span>
      <span class="text-quiet"
        >({length(gate.after_s.low * pace)} to {length(gate.after_s.high * pace)}) {gate.why}</span
      >
    </li>
  {/each}
</ol>
{#if gates[0]}<p class="text-[15px] text-quiet">Times: {origin(gates[0].after_s)}.</p>{/if}
