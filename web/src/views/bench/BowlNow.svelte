<script lang="ts">
  import type { Schemas, StepDetail } from '../../lib/api/client';
  import { celsius, degrees, units } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { countdown, length } from '../../lib/time';

  /** A bowl as its thermometer tells it: how warm, when it is there, its peak, and the guidance for egg beside it. */
  type Props = { watch: Schemas['Watch']; detail: StepDetail; read: string };
  let { watch, detail, read }: Props = $props();

  const since = $derived(Math.max(0, (now.value - Date.parse(read)) / 1000));
  const left = $derived(watch.left_s ? Math.max(0, watch.left_s.likely - since) : null);
</script>

<div class="flex flex-wrap items-end gap-x-8 gap-y-1" role="timer">
  <p class="leading-[0.95]">
    <span class="font-display text-[clamp(4rem,7.6vw,5.4rem)] font-bold tracking-tight text-copper"
      >{watch.now_c == null ? '–' : degrees(watch.now_c)}</span
    ><span class="ml-1 text-2xl text-quiet">{units.system === 'us' ? 'F' : 'C'}</span>
    <span class="mt-1 block text-[17px] text-quiet"
      >{watch.peak_c == null ? 'in the bowl' : `highest measured ${celsius(watch.peak_c)}`}</span
    >
  </p>
  <p class="leading-[0.95]">
    {#if left !== null}
      <span class="font-display text-[clamp(4rem,7.6vw,5.4rem)] font-bold tracking-tight"
        >{left === 0 ? 'now' : countdown(left)}</span
      >
      <span class="mt-1 block text-[17px] text-quiet"
        >to {celsius(detail.column?.target_c ?? 0)}{left > 0 && watch.left_s
          ? `, ${length(Math.max(0, watch.left_s.low - since))} to ${length(Math.max(0, watch.left_s.high - since))}`
          : ''}</span
      >
    {:else}
      <span class="text-2xl font-semibold">{watch.why}</span>
    {/if}
  </p>
</div>
