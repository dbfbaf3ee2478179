<script lang="ts">
  import { celsius, degrees, unitName } from '../../lib/figures.svelte';
  import { countdown, length } from '../../lib/time';

  /** A temperature and the time to its target, readable at a metre; the range below, or why it can't be told. */
  type Props = {
    temperature: number | null | undefined;
    about: string;
    target: number;
    left: { low: number; likely: number; high: number } | null;
    why: string;
    small?: boolean;
  };
  let { temperature, about, target, left, why, small = false }: Props = $props();
  const size = $derived(small ? 'text-[clamp(2.6rem,4.6vw,3.4rem)]' : 'text-[clamp(4rem,7.6vw,5.4rem)]');
</script>

<div class="flex flex-wrap items-end gap-x-8 gap-y-1" role="timer">
  <p class="leading-[0.95]">
    <span class="font-display font-bold tracking-tight text-copper {size}"
      >{temperature == null ? '–' : degrees(temperature)}</span
    ><span class="ml-1 text-2xl text-quiet">{unitName('C')}</span>
    <span class="mt-1 block text-[17px] text-quiet">{about}</span>
  </p>
  <p class="leading-[0.95]">
    {#if left}
      <span class="font-display font-bold tracking-tight {size}"
        >{left.likely === 0 ? 'now' : countdown(left.likely)}</span
      >
      <span class="mt-1 block text-[17px] text-quiet"
        >to {celsius(target)}{left.likely > 0 ? `, ${length(left.low)} to ${length(left.high)}` : ''}</span
      >
    {:else}
      <span class="text-2xl font-semibold">{why}</span>
    {/if}
  </p>
</div>
