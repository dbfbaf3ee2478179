<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import { grams } from '../../../lib/figures.svelte';
  import Choice from '../../../lib/parts/Choice.svelte';
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import QuantityField from '../../../lib/parts/QuantityField.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could']; shown: string | null };
  let { otherwise, could, shown }: Props = $props();

  const WAYS = ['something in its place', 'leave it out', 'another weight'] as const;
  // svelte-ignore state_referenced_locally
  let item = $state(
    (could.ingredients.find((i) => i.steps.some((s) => s.step === shown)) ?? could.ingredients[0])?.ingredient ?? '',
  );
  let way = $state<(typeof WAYS)[number]>('something in its place');
  let into = $state('');
  let step = $state('');
  let weighed = $state<number | null>(null);
  const here = $derived(could.ingredients.find((i) => i.ingredient === item));
  const offer = $derived(here?.offers.find((o) => o.ingredient === into));
  const at = $derived(here?.steps.find((s) => s.step === step) ?? here?.steps[0]);

  $effect(() => {
    if (!here) otherwise.change(null);
    else if (way === 'leave it out') otherwise.change({ change: 'left_out', ingredient: item });
    else if (way === 'another weight')
      otherwise.change(
        weighed && at ? { change: 'weighed_otherwise', step: at.step, ingredient: item, grams: weighed } : null,
      );
    else otherwise.change(offer ? { change: 'instead', ingredient: item, into } : null);
  });
</script>

<div class="space-y-4">
  <Choice
    label="Still to go in"
    value={item}
    options={could.ingredients.map((i) => ({ value: i.ingredient, label: `${i.name}, ${grams(i.grams)}` }))}
    onvalue={(v) => ((item = v), (into = ''))}
  />
  <OneOf label="What then" all={WAYS} now={way} onchoose={(one) => (way = one)} />
  {#if way === 'something in its place'}
    {#if here && here.offers.length > 0}
      <Choice
        label="In its place"
        value={into}
        options={here.offers.map((o) => ({ value: o.ingredient, label: o.name }))}
        onvalue={(v) => (into = v)}
      />
      {#if offer}<p class="text-quiet">{offer.advice}</p>{/if}
    {:else}<p class="text-quiet">Nothing in the table takes its place. It can be left out.</p>{/if}
  {:else if way === 'another weight'}
    {#if here && here.steps.length > 1}
      <Choice
        label="At"
        value={at?.step ?? ''}
        options={here.steps.map((s) => ({ value: s.step, label: `${s.title}, meant: ${grams(s.grams)}` }))}
        onvalue={(v) => (step = v)}
      />
    {/if}
    <QuantityField label="Weighed" wanted="mass" unit="g" least={0.1} value={weighed} onvalue={(v) => (weighed = v)} />
  {/if}
</div>
