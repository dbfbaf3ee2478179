<script lang="ts">
  import { Tabs } from 'bits-ui';
  import type { ForecastView, Kitchen } from '../api/client';
  import type { Basis, Wish } from '../wish.svelte';
  import Choice from './Choice.svelte';
  import QuantityField from './QuantityField.svelte';

  type Props = { wish: Wish; kitchen: Kitchen | null; forecast: ForecastView | null };
  let { wish, kitchen, forecast }: Props = $props();

  const bases = $derived(
    (
      [
        ['tin', 'the tin'],
        ['eggs', 'eggs'],
        ['whites_g', 'whites in the bowl'],
        ['total_g', 'total weight'],
      ] as const
    ).filter(([basis]) => basis !== 'whites_g' || (forecast?.eggs?.white_g ?? 0) > 0),
  );
  const options = $derived([
    { value: '', label: 'formula’s own' },
    ...(kitchen?.tins ?? []).map((t) => ({ value: t.id, label: t.name })),
  ]);
</script>

<div class="space-y-3">
  <Tabs.Root value={wish.basis} onValueChange={(v) => wish.lead(v as Basis, forecast)}>
    <p class="mb-1 font-semibold" id="scale-from">Scale from</p>
    <Tabs.List class="flex flex-wrap gap-x-4" aria-labelledby="scale-from">
      {#each bases as [basis, words] (basis)}
        <Tabs.Trigger
          value={basis}
          class="min-h-11 text-[16px] text-quiet data-[state=active]:font-bold data-[state=active]:text-ink data-[state=active]:underline data-[state=active]:decoration-[3px] data-[state=active]:underline-offset-[6px]"
          >{words}</Tabs.Trigger
        >
      {/each}
    </Tabs.List>
  </Tabs.Root>
  {#if wish.basis === 'eggs'}
    <QuantityField
      label="Eggs"
      wanted="number"
      unit={forecast?.eggs?.size ?? ''}
      least={0.5}
      value={wish.amount}
      onvalue={(v) => (wish.amount = v)}
    />
  {:else if wish.basis === 'whites_g'}
    <QuantityField
      label="Whites in the bowl"
      wanted="mass"
      unit="g"
      ingredient="egg-white"
      step={5}
      least={5}
      value={wish.amount}
      onvalue={(v) => (wish.amount = v)}
    />
  {:else if wish.basis === 'total_g'}
    <QuantityField
      label="Total"
      wanted="mass"
      unit="g"
      step={20}
      least={20}
      value={wish.amount}
      onvalue={(v) => (wish.amount = v)}
    />
  {/if}
  <div class="grid grid-cols-[1fr_9.75rem] gap-3">
    <Choice
      label={wish.basis === 'tin' ? 'Tin' : 'Into'}
      value={wish.tin ?? ''}
      {options}
      onvalue={(v) => (wish.tin = v || null)}
    />
    <QuantityField
      label="Tins"
      wanted="number"
      unit=""
      least={1}
      value={wish.count}
      onvalue={(v) => (wish.count = Math.max(1, Math.round(v)))}
    />
  </div>
  {#if kitchen && kitchen.ovens.length > 1}
    <Choice
      label="Oven"
      value={wish.oven ?? kitchen.ovens[0]!.id}
      options={kitchen.ovens.map((o) => ({ value: o.id, label: o.name }))}
      onvalue={(v) => (wish.oven = v)}
    />
  {/if}
</div>
