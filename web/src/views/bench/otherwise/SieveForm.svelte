<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import { grams } from '../../../lib/figures.svelte';
  import Choice from '../../../lib/parts/Choice.svelte';
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import QuantityField from '../../../lib/parts/QuantityField.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could'] };
  let { otherwise, could }: Props = $props();

  const WAYS = ['top it up', 'lower the rest'] as const;
  let way = $state<(typeof WAYS)[number]>('top it up');
  // svelte-ignore state_referenced_locally
  let step = $state(could.sieves[0]?.step ?? '');
  let left = $state<number | null>(null);

  $effect(() => {
    const by = way === 'top it up' ? 'top up' : 'scale';
    otherwise.change(left ? { change: 'left_in_sieve', step, left_g: left, by } : null);
  });
</script>

<div class="space-y-4">
  {#if could.sieves.length > 1}<Choice
      label="At"
      value={step}
      options={could.sieves.map((w) => ({ value: w.step, label: `${w.title}, ${grams(w.grams)}` }))}
      onvalue={(v) => (step = v)}
    />{/if}
  <QuantityField
    label="Left in the sieve"
    wanted="mass"
    unit="g"
    least={0.5}
    value={left}
    onvalue={(v) => (left = v)}
  />
  <OneOf label="What is done about it" all={WAYS} now={way} onchoose={(one) => (way = one)} />
  <p class="text-quiet">
    {way === 'top it up'
      ? 'The same weight of fine nuts and sugar, in their ratio.'
      : 'Whites and all that is still ahead are taken in the same share.'}
  </p>
</div>
