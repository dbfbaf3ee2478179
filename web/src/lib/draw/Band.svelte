<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { BandData, Schemas } from '../api/client';
  import { figure, origin, unitName } from '../figures.svelte';

  type Props = {
    band: BandData;
    verdict?: Schemas['Verdict'] | null;
    title?: string;
    /** Leave out what the verdict means, where it is said elsewhere. */
    silent?: boolean;
  };
  let { band, verdict = null, title, silent = false }: Props = $props();

  const low = $derived(band.range.low);
  const high = $derived(band.range.high);
  const x = $derived.by(() => {
    const reach = Math.max(high - low, Math.abs(high) * 0.02);
    const value = verdict?.value ?? low;
    return scaleLinear(
      [Math.min(low - 1.1 * reach, value - 0.25 * reach), Math.max(high + 1.1 * reach, value + 0.25 * reach)],
      [0, 100],
    );
  });
  const middle = $derived(Math.min(84, Math.max(16, x((low + high) / 2))));
  const say = (value: number) => figure(value, band.unit);
</script>

<div class="w-full">
  <p class="text-[15px] text-quiet">
    {title ?? band.quantity}, {band.unit === 'g/ml' ? 'g/ml (specific gravity)' : unitName(band.unit)}
  </p>
  <div class="relative {verdict ? 'pt-11' : 'pt-1.5'}">
    {#if verdict}
      <span
        class="absolute top-0 -translate-x-1/2 text-[30px] leading-none font-bold"
        style="left: clamp(2.2rem, {x(verdict.value)}%, calc(100% - 2.2rem))"
      >
        <span class="sr-only">{verdict.word}:</span>{say(verdict.value)}
      </span>
      <svg
        class="absolute top-8"
        style="left: calc({x(verdict.value)}% - 7px)"
        width="14"
        height="34"
        aria-hidden="true"
      >
        <path d="M0 0h14l-7 10z" fill="var(--ink)" /><rect x="5.75" y="8" width="2.5" height="24" fill="var(--ink)" />
      </svg>
    {/if}
    <div class="relative h-4 bg-line">
      <div class="absolute inset-y-0 bg-leaf" style="left: {x(low)}%; width: {x(high) - x(low)}%"></div>
    </div>
  </div>
  <div class="relative mt-1 h-5">
    <span
      class="absolute -translate-x-1/2 text-[15px] font-semibold whitespace-nowrap text-leaf"
      style="left: {middle}%"
    >
      {say(low)} to {say(high)}
    </span>
  </div>
  <div class="flex justify-between gap-4 text-[14px] text-quiet">
    <span>{band.below.word}</span>
    <span class="text-right">{band.above.word}</span>
  </div>
  {#if verdict && !silent}
    <p class="mt-1.5 text-[17px] font-semibold">
      {verdict.place === 'within' ? 'Within the band.' : verdict.means}
      <span class="font-normal">{verdict.can_do}</span>
    </p>
  {/if}
  <p class="text-[14px] text-quiet">Band: {origin(band.range)}.</p>
</div>
