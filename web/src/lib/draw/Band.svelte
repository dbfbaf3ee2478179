<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { BandData, Schemas } from '../api/client';
  import { figure, origin, unitName } from '../figures.svelte';

  type Props = { band: BandData; verdict?: Schemas['Verdict'] | null; title?: string };
  let { band, verdict = null, title }: Props = $props();

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
  const say = (value: number) => figure(value, band.unit);
</script>

<div class="w-full">
  <div class="relative {verdict ? 'pt-10' : 'pt-0'}">
    <p class="text-[15px] text-quiet {verdict ? 'absolute top-0 left-0' : 'mb-1.5'}">
      {title ?? band.quantity}, {band.unit === 'g/ml' ? 'g per ml' : unitName(band.unit)}
    </p>
    {#if verdict}
      <span
        class="absolute top-0 -translate-x-1/2 text-[26px] leading-none font-bold"
        style="left: clamp(2rem, {x(verdict.value)}%, calc(100% - 2rem))"
      >
        <span class="sr-only">{verdict.word}:</span>{say(verdict.value)}
      </span>
      <svg
        class="absolute top-7"
        style="left: calc({x(verdict.value)}% - 7px)"
        width="14"
        height="34"
        aria-hidden="true"
      >
        <path d="M0 0h14l-7 10z" fill="var(--ink)" /><rect x="5.75" y="8" width="2.5" height="25" fill="var(--ink)" />
      </svg>
    {/if}
    <div class="relative h-4 bg-line" role="presentation">
      <div class="absolute inset-y-0 bg-leaf" style="left: {x(low)}%; width: {x(high) - x(low)}%"></div>
    </div>
  </div>
  <div class="mt-1.5 grid grid-cols-[1fr_auto_1fr] gap-3 text-[14px]">
    <span class="text-quiet">{band.below.word}</span>
    <span class="font-semibold text-leaf">{say(low)} to {say(high)}</span>
    <span class="text-right text-quiet">{band.above.word}</span>
  </div>
  <p class="text-center text-[13px] text-quiet">{origin(band.range)}</p>
  {#if verdict}
    <p class="mt-1.5 font-semibold">
      {verdict.place === 'within' ? 'Within the band.' : verdict.means}
      <span class="font-normal">{verdict.can_do}</span>
    </p>
  {/if}
</div>
