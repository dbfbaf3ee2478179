<script lang="ts">
  import type { Schemas } from '../api/client';
  import { grams, origin } from '../figures.svelte';

  type Props = { additions: (Schemas['Addition'] & { step?: string })[]; large?: boolean; first?: number };
  let { additions, large = false, first = 1 }: Props = $props();
</script>

<ol class={large ? '' : 'text-[16px]'}>
  {#each additions as a, i (i)}
    <li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-1.5">
      <span class="text-quiet">{first + i}</span>
      {#if a.mass_g > 0}<span
          class="font-display font-semibold whitespace-nowrap {large ? 'text-[2.5rem] leading-none' : 'text-xl'}"
          >{grams(a.mass_g)}</span
        >{/if}
      <span class={large ? 'text-xl' : ''}>{a.what}{a.into ? ` into ${a.into}` : ''}</span>
      <span class="ml-auto text-right text-[16px] whitespace-nowrap">
        <strong>{a.strokes.likely} {a.mass_g > 0 ? 'strokes' : 'presses'}</strong>
        <span class="text-quiet">({a.strokes.low} to {a.strokes.high})</span>
        → <strong>{a.density_g_per_ml.likely.toFixed(2)}</strong> <span class="text-quiet">g/ml</span>
      </span>
    </li>
  {/each}
</ol>
{#if additions[0]}<p class="text-[14px] text-quiet">
    Strokes: {origin(additions[0].strokes)}; densities: {origin(additions.at(-1)!.density_g_per_ml)}.
  </p>{/if}
