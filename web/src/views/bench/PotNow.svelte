<script lang="ts">
  import type { Schemas, StepDetail } from '../../lib/api/client';
  import { celsius, unitName, units } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { countdown, remaining, until } from '../../lib/time';
  import Figures from './Figures.svelte';

  /** A pot as its thermometer tells it: how hot, when there, and what is odd. `read` is the moment of the state. */
  type Props = { watch: Schemas['Watch']; detail: StepDetail; read: string; small?: boolean };
  let { watch, detail, read, small = false }: Props = $props();

  const pot = $derived(watch.pot!);
  const left = $derived(watch.left_s ? remaining(watch.left_s, read, now.value) : null);
  const off = $derived(pot.seconds_to_take_off == null ? null : pot.seconds_to_take_off + until(read, now.value));
  const kelvin = $derived(units.system === 'us' ? 1.8 : 1);
  const rate = $derived((pot.rate_k_per_min ?? 0) * kelvin);
  const climbs = $derived(pot.carry_over_k);
  const by = (k: number) => (k * kelvin).toFixed(1);
</script>

<Figures
  temperature={pot.temperature_c}
  about={[
    pot.phase,
    pot.stage,
    Math.abs(rate) >= 0.1 ? `${rate > 0 ? '+' : '−'}${Math.abs(rate).toFixed(1)} ${unitName('C')} per min` : '',
  ]
    .filter(Boolean)
    .join(', ')}
  target={detail.column?.target_c ?? 0}
  {left}
  why={pot.flags.some((f) => f.text === pot.why) ? 'cannot tell yet' : pot.why}
  {small}
/>
{#if off !== null && left && left.likely > 0 && pot.take_off_c != null && climbs && climbs.likely >= 0.4}
  <p class="text-[17px]">
    Off the heat at <strong>{celsius(pot.take_off_c)}</strong>{off > 0 ? `, in ${countdown(off)}` : ': now'}:
    <span class="text-quiet"
      >the pan carries it on by about {by(climbs.likely)}
      {unitName('C')} ({by(climbs.low)} to {by(climbs.high)}), by the model.</span
    >
  </p>
{/if}
{#each pot.flags as flag (flag.id)}
  <p class="border-l-[6px] border-copper pl-4 text-[17px] leading-snug">
    <strong>{flag.text}</strong> <span class="text-quiet">{flag.remedy}</span>
  </p>
{/each}
