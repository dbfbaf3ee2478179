<script lang="ts">
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import type { PipingState } from './piping.svelte';

  type Props = { state: PipingState };
  let { state }: Props = $props();

  const one = (value: number) => value.toFixed(1);
</script>

<section aria-label="The sieve" class="min-w-0">
  <h2 class="text-xl">What stays in the sieve</h2>
  <div class="sm:grid sm:grid-cols-2 sm:gap-x-6 lg:block">
    <QuantityField
      label="Ground nuts"
      wanted="mass"
      unit="g"
      least={1}
      value={state.nuts}
      onvalue={(v) => (state.nuts = v)}
    />
    <QuantityField
      label="Icing sugar"
      wanted="mass"
      unit="g"
      least={1}
      value={state.sugar}
      onvalue={(v) => (state.sugar = v)}
    />
  </div>
  <QuantityField
    label="Left in the sieve"
    wanted="mass"
    unit="g"
    value={state.sieved}
    onvalue={(v) => (state.sieved = v)}
  />
  {#if state.sieve.problem}<Notice problem={state.sieve.problem} />{/if}
  {#if state.sieve.value && !state.sieve.problem}
    {@const told = state.sieve.value}
    <div class="text-[17px]" aria-live="polite">
      <p>{told.says}</p>
      {#if told.share >= 0.01}
        <p class="mt-1">
          <strong>Top up</strong> with {one(told.top_up_g['almond-flour'] ?? 0)} g fine nuts and {one(
            told.top_up_g['icing-sugar'] ?? 0,
          )} g icing sugar; <strong>or take</strong>
          {(100 * told.factor).toFixed(1)} % of the whites and their sugar.
        </p>
      {/if}
      {#if told.coarse}<p class="mt-1 border-l-[6px] border-copper pl-4">{told.coarse}</p>{/if}
    </div>
  {/if}
</section>
