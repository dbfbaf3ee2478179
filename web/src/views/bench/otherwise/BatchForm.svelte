<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import { grams } from '../../../lib/figures.svelte';
  import Choice from '../../../lib/parts/Choice.svelte';
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import QuantityField from '../../../lib/parts/QuantityField.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could'] };
  let { otherwise, could }: Props = $props();

  const WAYS = ['so many times', 'by what was weighed'] as const;
  let way = $state<(typeof WAYS)[number]>('so many times');
  let times = $state('2');
  // svelte-ignore state_referenced_locally
  let step = $state(could.weighs[0]?.step ?? '');
  let weighed = $state<number | null>(null);
  const value = $derived(Number(times.replace(',', '.')));
  const right = $derived(value >= 0.1 && value <= 10 && value !== 1);

  $effect(() => {
    if (way === 'so many times') otherwise.change(right ? { change: 'batch', times: value } : null);
    else otherwise.change(weighed ? { change: 'batch', weighed: { step, grams: weighed } } : null);
  });
</script>

<div class="space-y-4">
  {#if could.weighs.length > 0}<OneOf
      label="How it is told"
      all={WAYS}
      now={way}
      onchoose={(one) => (way = one)}
    />{/if}
  {#if way === 'so many times'}
    <div class="flex flex-wrap gap-2">
      {#each ['0.5', '1.5', '2', '3'] as one (one)}<button
          class="act min-h-14 {times === one ? 'border-[3px]' : ''} bg-ground"
          aria-pressed={times === one}
          onclick={() => (times = one)}>{one} ×</button
        >{/each}
    </div>
    <label class="block font-semibold"
      >Times what was planned<input class="field mt-1" inputmode="decimal" bind:value={times} /></label
    >
    {#if !right}<p class="text-quiet">From a tenth to ten times, such as 1.5.</p>{/if}
  {:else}
    <Choice
      label="At"
      value={step}
      options={could.weighs.map((w) => ({ value: w.step, label: `${w.title}, meant: ${grams(w.grams)}` }))}
      onvalue={(v) => (step = v)}
    />
    <QuantityField
      label="In the bowl"
      wanted="mass"
      unit="g"
      least={1}
      value={weighed}
      onvalue={(v) => (weighed = v)}
    />
  {/if}
</div>
