<script lang="ts">
  import { Tabs } from 'bits-ui';
  import type { ForecastView, Kitchen } from '../api/client';
  import type { Basis, Wish } from '../wish.svelte';
  import Choice from './Choice.svelte';
  import QuantityField from './QuantityField.svelte';

  type Props = { wish: Wish; kitchen: Kitchen | null; forecast: ForecastView | null };
  let { wish, kitchen, forecast }: Props = $props();

  const piped = $derived(forecast?.fills[0]?.trays != null);
  const bases = $derived(
    (
      [
        ['tin', piped ? 'the trays' : 'the tin'],
        ['pieces', 'pieces'],
        ['servings', 'servings'],
        ['eggs', 'eggs'],
        ['whites_g', 'whites in the bowl'],
        ['limit', 'what is left'],
        ['total_g', 'total weight'],
      ] as const
    ).filter(
      ([basis]) => (basis !== 'whites_g' || (forecast?.eggs?.white_g ?? 0) > 0) && (basis !== 'eggs' || forecast?.eggs),
    ),
  );
  const tins = $derived((kitchen?.tins ?? []).map((t) => ({ value: t.id, label: t.name })));
  const options = $derived([{ value: '', label: 'its own' }, ...tins]);
  const sizes = [
    { value: '', label: 'as in Kitchen' },
    ...['eu-s', 'eu-m', 'eu-l', 'eu-xl', 'us-medium', 'us-large', 'us-extra-large', 'us-jumbo'].map((s) => ({
      value: s,
      label: s.toUpperCase().replaceAll('-', ' '),
    })),
  ];
  const depth = $derived(forecast?.depth?.now_mm ?? 0);
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
    <div class="grid grid-cols-2 gap-3">
      <QuantityField
        label="Eggs"
        wanted="number"
        unit=""
        least={0.5}
        value={wish.amount}
        onvalue={(v) => (wish.amount = v)}
      />
      <Choice
        label="Size"
        value={wish.eggSize ?? ''}
        options={sizes}
        onvalue={(v) => (wish.eggSize = (v || null) as typeof wish.eggSize)}
      />
    </div>
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
  {:else if wish.basis === 'limit'}
    <Choice
      label="All there is of"
      value={wish.ingredient}
      options={(forecast?.ingredients ?? []).map((i) => ({ value: i.id, label: i.name }))}
      onvalue={(v) => wish.limitTo(v, forecast)}
    />
    <QuantityField
      label="There are"
      wanted="mass"
      unit="g"
      ingredient={wish.ingredient}
      step={5}
      least={1}
      value={wish.amount}
      onvalue={(v) => (wish.amount = v)}
    />
  {:else if wish.basis === 'pieces' || wish.basis === 'servings'}
    <QuantityField
      label={wish.basis === 'pieces' ? `Pieces${piped ? '' : ' (tins)'}` : 'Servings'}
      wanted="number"
      unit=""
      least={1}
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
      label={piped ? 'Tray' : wish.basis === 'tin' ? 'Tin' : 'Into'}
      value={wish.tin ?? ''}
      {options}
      onvalue={(v) => (wish.tin = v || null)}
    />
    <QuantityField
      label={piped ? 'Trays' : 'Tins'}
      wanted="number"
      unit=""
      least={1}
      value={wish.tin || wish.counted ? wish.count : (forecast?.tin_count ?? wish.count)}
      onvalue={(v) => wish.setCount(v)}
    />
  </div>
  {#each wish.beside as more, i (i)}
    <div class="grid grid-cols-[1fr_9.75rem] gap-3">
      <Choice label="And" value={more.tin} options={tins} onvalue={(v) => (more.tin = v)} />
      <QuantityField
        label="of these"
        wanted="number"
        unit=""
        least={0}
        value={more.count}
        onvalue={(v) => {
          if (v < 1) wish.beside = wish.beside.filter((_, n) => n !== i);
          else more.count = Math.round(v);
        }}
      />
    </div>
  {/each}
  {#if tins.length && !piped}
    <div class="flex flex-wrap gap-x-5">
      <button class="min-h-11 font-semibold underline" onclick={() => wish.addTins(tins[0]!.value)}
        >and other tins at once</button
      >
      {#if wish.basis === 'tin'}
        {#if wish.depth === null}
          <button class="min-h-11 font-semibold underline" onclick={() => (wish.depth = Math.round(depth))}
            >another depth</button
          >
        {:else}
          <button class="min-h-11 font-semibold underline" onclick={() => (wish.depth = null)}>the usual depth</button>
        {/if}
      {/if}
    </div>
  {/if}
  {#if wish.depth !== null && wish.basis === 'tin'}
    <QuantityField
      label="Batter stands"
      wanted="length"
      unit="mm"
      step={2}
      least={2}
      value={wish.depth}
      onvalue={(v) => (wish.depth = v)}
    />
  {/if}
  {#if kitchen && kitchen.ovens.length > 1}
    <Choice
      label="Oven"
      value={wish.oven ?? kitchen.ovens[0]!.id}
      options={kitchen.ovens.map((o) => ({ value: o.id, label: o.name }))}
      onvalue={(v) => (wish.oven = v)}
    />
  {/if}
</div>
