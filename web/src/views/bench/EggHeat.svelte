<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { celsius, celsiusExactly } from '../../lib/figures.svelte';

  /** What was measured in an egg foam beside the guidance for egg. It calls nothing safe. */
  type Props = { egg: NonNullable<Schemas['Watch']['egg']> };
  let { egg }: Props = $props();
</script>

<div class="border-l-[6px] border-raspberry pl-4 text-[16px] leading-snug" aria-label="Guidance for egg">
  <p>
    <strong>
      {egg.measured_peak_c == null ? 'Not measured yet.' : `Measured: at most ${celsius(egg.measured_peak_c)}.`}
    </strong>
    {egg.guidance}
  </p>
  {#if egg.held.length > 0 && egg.measured_peak_c != null}
    <p class="text-quiet">
      {#each egg.held as held, i (held.pair.c)}{i ? '; ' : ''}{celsiusExactly(held.pair.c)} for {held.pair.minutes} min: here
        {held.measured_minutes.toFixed(1)} min{/each}. For {egg.held[0]!.pair.egg}, {egg.source}. {egg.note}
    </p>
  {/if}
  <p class="text-quiet">{egg.defers}</p>
</div>
