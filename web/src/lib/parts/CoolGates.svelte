<script lang="ts">
  import type { Schemas } from '../api/client';
  import { celsius, origin } from '../figures.svelte';
  import { now } from '../now.svelte';
  import { clock, length, until } from '../time';

  /** What a cooling cake becomes ready for, and when: by its forecast, or by its own thermometer (`reached`). */
  type Props = {
    gates: Schemas['CoolGate'][];
    outlook?: Schemas['Outlook'] | null;
    reached?: Schemas['GateReached'][];
  };
  let { gates, outlook = null, reached = [] }: Props = $props();

  /** As it cools, by its own pace. */
  const pace = $derived(outlook?.pace ?? 1);
  const started = $derived(outlook ? -until(outlook.started_at, now.value) : null);
  type Line = { kind: string; to: number; why: string; left: number | null; low: number; high: number };
  const lines = $derived.by((): Line[] => {
    if (reached.length > 0)
      return reached.map((g) => ({
        kind: g.kind,
        to: g.to_c,
        why: g.why,
        left: g.likely_at ? until(g.likely_at, now.value) : 0,
        low: g.low_at ? Math.max(0, until(g.low_at, now.value)) : 0,
        high: g.high_at ? Math.max(0, until(g.high_at, now.value)) : 0,
      }));
    return gates.map((g) => ({
      kind: g.kind,
      to: g.to_c,
      why: g.why,
      left: started === null ? null : g.after_s.likely * pace - started,
      low: g.after_s.low * pace,
      high: g.after_s.high * pace,
    }));
  });
</script>

<ol class="text-[17px]" aria-label="Ready for">
  {#each lines as line, i (line.kind)}
    <li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5">
      <strong class="min-w-20">{line.kind}</strong>
      <span>at {celsius(line.to)}</span>
      <span class={line.left !== null && line.left <= 0 ? 'font-semibold text-leaf' : 'font-semibold'}>
        {#if line.left === null}after {length(gates[i]?.after_s.likely ?? 0)}{:else if line.left <= 0}may be{:else}in {length(
            line.left,
          )}, {clock(now.value + line.left * 1000)}{/if}
      </span>
      <span class="text-quiet"
        >{#if line.high > 0}({length(line.low)} to {length(line.high)}){/if}
        {line.why}</span
      >
    </li>
  {/each}
</ol>
{#if reached.length > 0}<p class="text-[15px] text-quiet">From how warm its middle is, by its thermometer.</p>
{:else if gates[0]}<p class="text-[15px] text-quiet">Times: {origin(gates[0].after_s)}.</p>{/if}
