<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { origin, ratio as say } from '../figures.svelte';

  type Props = { ratio: Schemas['Ratio'] };
  let { ratio }: Props = $props();

  const x = $derived.by(() => {
    const band = ratio.band;
    if (!band) return null;
    const reach = band.high - band.low;
    return scaleLinear(
      [Math.max(0, Math.min(band.low - 0.6 * reach, ratio.value)), Math.max(band.high + 0.6 * reach, ratio.value)],
      [2, 98],
    );
  });
  const word = $derived(
    ratio.place === 'low' ? ratio.low : ratio.place === 'high' ? ratio.high : ratio.place === 'within' ? 'within' : '',
  );
</script>

<div class="border-b border-line py-1.5">
  <div class="flex items-baseline justify-between gap-3">
    <span class="text-[17px]">{ratio.name}</span>
    <span class="text-right">
      {#if ratio.place && ratio.place !== 'within'}<span class="mr-2 text-[15px] font-semibold">{word}</span>{/if}
      <strong class="text-xl">{say(ratio.value, ratio.percent)}</strong>
    </span>
  </div>
  {#if x && ratio.band}
    <svg
      class="block h-4 w-full overflow-visible"
      viewBox="0 0 100 16"
      preserveAspectRatio="none"
      role="img"
      aria-label="{ratio.name} {say(ratio.value, ratio.percent)}: {word}. The band is {say(
        ratio.band.low,
        ratio.percent,
      )} to {say(ratio.band.high, ratio.percent)}, {origin(ratio.band)}."
    >
      <rect x="0" y="6" width="100" height="5" fill="var(--line)" />
      <rect
        x={x(ratio.band.low)}
        y="6"
        width={Math.max(0.5, x(ratio.band.high) - x(ratio.band.low))}
        height="5"
        fill="var(--leaf)"
      />
      <rect x={x(ratio.value) - 0.5} y="1" width="1" height="15" fill="var(--ink)" />
    </svg>
    <div class="flex justify-between gap-3 text-[13px] leading-tight text-quiet">
      <span>{ratio.low}</span>
      <span class="font-semibold whitespace-nowrap text-leaf"
        >{say(ratio.band.low, ratio.percent)} to {say(ratio.band.high, ratio.percent)}</span
      >
      <span class="text-right">{ratio.high}</span>
    </div>
  {:else}
    <p class="text-[13px] leading-tight text-quiet">less: {ratio.low}; more: {ratio.high}. No band for this class.</p>
  {/if}
</div>
