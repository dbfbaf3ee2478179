<script lang="ts">
  import type { Schemas, StepDetail } from '../../lib/api/client';
  import { celsius, degrees, units } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { countdown, length } from '../../lib/time';

  /** A pot as its thermometer tells it: how hot, when there, and what is odd. `read` is the moment of the state. */
  type Props = { pot: NonNullable<Schemas['Watch']['pot']>; detail: StepDetail; read: string; small?: boolean };
  let { pot, detail, read, small = false }: Props = $props();

  const since = $derived(Math.max(0, (now.value - Date.parse(read)) / 1000));
  const left = $derived(pot.seconds_to_target == null ? null : Math.max(0, pot.seconds_to_target - since));
  const off = $derived(pot.seconds_to_take_off == null ? null : Math.max(0, pot.seconds_to_take_off - since));
  const rate = $derived((pot.rate_k_per_min ?? 0) * (units.system === 'us' ? 1.8 : 1));
  const size = $derived(small ? 'text-[clamp(2.6rem,4.6vw,3.4rem)]' : 'text-[clamp(4rem,7.6vw,5.4rem)]');
</script>

<div class="flex flex-wrap items-end gap-x-8 gap-y-1" role="timer">
  <p class="leading-[0.95]">
    <span class="font-display font-bold tracking-tight text-copper {size}"
      >{pot.temperature_c == null ? '–' : degrees(pot.temperature_c)}</span
    ><span class="ml-1 text-2xl text-quiet">{units.system === 'us' ? 'F' : 'C'}</span>
    <span class="mt-1 block text-[17px] text-quiet"
      >{pot.phase}{pot.stage ? `, ${pot.stage}` : ''}{Math.abs(rate) >= 0.1
        ? `, ${rate > 0 ? '+' : '−'}${Math.abs(rate).toFixed(1)} a minute`
        : ''}</span
    >
  </p>
  <p class="leading-[0.95]">
    {#if left !== null}
      <span class="font-display font-bold tracking-tight {size}">{left === 0 ? 'now' : countdown(left)}</span>
      <span class="mt-1 block text-[17px] text-quiet"
        >to {celsius(detail.column?.target_c ?? 0)}{left > 0 && pot.low_s != null && pot.high_s != null
          ? `, ${length(Math.max(0, pot.low_s - since))} to ${length(Math.max(0, pot.high_s - since))}`
          : ''}</span
      >
    {:else}
      <span class="text-2xl font-semibold"
        >{pot.flags.some((f) => f.text === pot.why) ? 'cannot tell yet' : pot.why}</span
      >
    {/if}
  </p>
</div>
{#if off !== null && left !== null && left > 0 && pot.take_off_c != null && (pot.carry_over_k ?? 0) >= 0.4}
  <p class="text-[17px]">
    Off the heat at <strong>{celsius(pot.take_off_c)}</strong>{off > 0 ? `, in ${countdown(off)}` : ': now'}:
    <span class="text-quiet"
      >the pan carries it on by about {((pot.carry_over_k ?? 0) * (units.system === 'us' ? 1.8 : 1)).toFixed(1)}
      {units.system === 'us' ? 'F' : 'K'}, by the model.</span
    >
  </p>
{/if}
{#each pot.flags as flag (flag.id)}
  <p class="border-l-[6px] border-copper pl-4 text-[17px] leading-snug">
    <strong>{flag.text}</strong> <span class="text-quiet">{flag.remedy}</span>
  </p>
{/each}
