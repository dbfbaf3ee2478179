<script lang="ts">
  import { grams } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import type { PipingState } from './piping.svelte';

  type Props = { state: PipingState };
  let { state }: Props = $props();

  const one = (value: number) => value.toFixed(1);
</script>

<section aria-label="Pairs and filling" class="min-w-0">
  <h2 class="text-xl">Pairs and what fills them</h2>
  <label class="mt-1 block font-semibold"
    >Widths in mm<textarea class="field mt-1 w-full" rows="2" maxlength="4000" bind:value={state.sizes}
    ></textarea></label
  >
  <div class="sm:grid sm:grid-cols-2 sm:gap-x-6 lg:block">
    <QuantityField
      label="Filling, thick"
      wanted="length"
      unit="mm"
      least={1}
      value={state.thickness}
      onvalue={(v) => (state.thickness = v)}
    />
    <QuantityField
      label="It weighs, g/ml"
      wanted="number"
      unit=""
      step={0.05}
      least={0.2}
      value={state.filling}
      onvalue={(v) => (state.filling = v)}
    />
  </div>
  {#if state.pairs.problem}<Notice problem={state.pairs.problem} />{/if}
  {#if state.pairs.value && !state.pairs.problem}
    {@const told = state.pairs.value}
    <div class="text-[17px]" aria-live="polite">
      <p>
        <strong>{told.paired.pairs.length} pairs</strong> within a millimetre{told.paired.single_mm.length
          ? `, ${told.paired.single_mm.length} left alone (${told.paired.single_mm.join(', ')})`
          : ''}: {told.paired.pairs.map((pair) => `${pair.larger_mm} + ${pair.smaller_mm}`).join('; ')}.
      </p>
      <p class="mt-1">
        {one(told.filling.each_g)} g in each, {grams(told.filling.total_g)},
        <strong>make {grams(told.filling.made_g)}</strong> with what stays in bowl and bag.
      </p>
    </div>
  {/if}
</section>
