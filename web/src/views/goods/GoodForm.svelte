<script lang="ts">
  import Pick from '../../lib/parts/Pick.svelte';
  import Tick from '../../lib/parts/Tick.svelte';
  import type { Body, Goods, Holding } from './goods.svelte';

  type Props = { goods: Goods };
  let { goods }: Props = $props();

  const body = $derived(goods.body!);
  const foods = $derived([
    { value: '', label: 'nothing in particular' },
    ...goods.foods.filter((f) => !f.id.startsWith('own-')).map((f) => ({ value: f.id, label: f.name })),
  ]);
  const LABEL = [
    ['fat', 'fat'],
    ['carbohydrate', 'carbohydrate'],
    ['sugars', 'of which sugars'],
    ['fibre', 'fibre'],
    ['protein', 'protein'],
    ['salt', 'salt'],
    ['alcohol', 'alcohol'],
  ] as const;
  const FIGURES = [
    ['cup_g', 'A cup weighs', 'g'],
    ['piece_g', 'A piece weighs', 'g'],
    ['piece_mm', 'A piece is wide', 'mm'],
    ['pack_g', 'A pack weighs', 'g'],
    ['density_g_per_ml', 'Density without air', 'g/ml'],
    ['price_per_kg', 'Price for a kg', ''],
  ] as const;
  const SAID: Record<Holding, string> = { no: 'not in it', contains: 'contains', may: 'may contain' };
  const LOOK: Record<Holding, string> = {
    no: 'border-line',
    contains: 'border-raspberry bg-raspberry font-bold text-surface',
    may: 'border-dashed border-raspberry font-semibold text-raspberry',
  };
  /** The groups of several under their name, all others together, and last what no group of the list gathers. */
  const groups = $derived.by((): [string, string[]][] => {
    const lists = Object.entries(goods.list?.groups ?? {});
    const single = lists.filter(([, members]) => members.length === 1).flatMap(([, members]) => members);
    const listed = lists.flatMap(([, members]) => members);
    const beyond = Object.keys(goods.list?.names ?? {}).filter((n) => !listed.includes(n));
    const several = lists.filter(([, members]) => members.length > 1);
    return [...several, ['', single], ...(beyond.length ? [['beyond that list', beyond] as [string, string[]]] : [])];
  });

  function number(text: string): number | null {
    const value = Number(text.replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(value) ? null : value;
  }
  function set(change: (good: Body) => void): void {
    if (goods.body) change(goods.body);
    goods.keep();
  }
  function setLabel(part: (typeof LABEL)[number][0], text: string): void {
    set((good) => {
      const none = { fat: 0, carbohydrate: 0, sugars: 0, fibre: 0, protein: 0, salt: 0, alcohol: 0 };
      const label = { ...none, ...good.label, [part]: number(text) ?? 0 };
      good.label = Object.values(label).some((v) => v) ? label : null;
    });
  }
</script>

<form
  class="min-w-0 border-line lg:border-l lg:pl-8"
  aria-label="The good"
  onsubmit={(event) => {
    event.preventDefault();
    void goods.save();
  }}
>
  <h2 class="text-2xl">{goods.key ? body.name || 'A good' : 'A new good'}</h2>
  <div class="mt-3 grid gap-3 sm:grid-cols-2">
    <label class="block font-semibold"
      >Name
      <input
        class="field mt-1"
        required
        maxlength="80"
        value={body.name}
        oninput={(e) => set((g) => (g.name = e.currentTarget.value))}
      /></label
    >
    <label class="block font-semibold"
      >Other names, with commas
      <input
        class="field mt-1"
        value={(body.synonyms ?? []).join(', ')}
        onchange={(e) =>
          set(
            (g) =>
              (g.synonyms = e.currentTarget.value
                .split(/[,、，;]/)
                .map((s) => s.trim())
                .filter(Boolean)),
          )}
      /></label
    >
  </div>
  <div class="mt-3">
    <Pick
      label="In the sums it stands for"
      value={body.stands_for ?? ''}
      options={foods}
      onvalue={(v) => goods.standFor(v)}
    />
    <p class="mt-1 text-[15px] text-quiet">
      A white that stands for egg white whips like it. Without it, and without a label, only its weight counts.
    </p>
  </div>

  <fieldset class="mt-5">
    <legend class="text-lg font-semibold">Its label, for 100 g</legend>
    <div class="mt-1 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-4">
      {#each LABEL as [part, word] (part)}
        <label class="block text-[15px]"
          >{word}
          <input
            class="field mt-0.5 min-h-11"
            inputmode="decimal"
            autocomplete="off"
            aria-label="{word}, g in 100 g"
            value={body.label?.[part] ?? ''}
            onchange={(e) => setLabel(part, e.currentTarget.value)}
          /></label
        >
      {/each}
    </div>
    <p class="mt-1 text-[15px] text-quiet">
      Carbohydrate without fibre, as labels in Europe have it; water is what is left of 100 g.
    </p>
  </fieldset>

  <fieldset class="mt-5">
    <legend class="text-lg font-semibold">What it weighs and costs</legend>
    <div class="mt-1 grid grid-cols-2 gap-x-4 gap-y-2 sm:grid-cols-3">
      {#each FIGURES as [figure, word, unit] (figure)}
        <label class="block text-[15px]"
          >{word}{unit ? `, ${unit}` : ''}
          <input
            class="field mt-0.5 min-h-11"
            inputmode="decimal"
            autocomplete="off"
            value={body[figure] ?? ''}
            onchange={(e) => set((g) => (g[figure] = number(e.currentTarget.value)))}
          /></label
        >
      {/each}
    </div>
  </fieldset>

  <fieldset class="mt-5">
    <legend class="text-lg font-semibold">Allergens</legend>
    <p class="text-[15px] text-quiet">Tap once for “contains”, twice for “may contain”.</p>
    {#snippet holds(allergen: string)}
      {@const holding = goods.holding(allergen)}
      <button
        type="button"
        class="min-h-11 rounded border-2 px-3 text-[16px] {LOOK[holding]}"
        aria-label="{goods.list?.names[allergen]}: {SAID[holding]}"
        onclick={() => goods.turn(allergen)}
        >{goods.list?.names[allergen]}{#if holding === 'may'}<span class="ml-1 font-normal">may contain</span
          >{/if}</button
      >
    {/snippet}
    {#each groups as [group, members] (group)}
      {#if group}<p class="mt-2 text-[15px] font-semibold">{group}</p>{/if}
      <p class="mt-1 flex flex-wrap gap-2">
        {#each members as allergen (allergen)}{@render holds(allergen)}{/each}
      </p>
    {/each}
    <div class="mt-4 flex items-start gap-3">
      <Tick id="label-read" checked={body.label_read ?? false} onchecked={(v) => set((g) => (g.label_read = v))} />
      <label for="label-read" class="font-semibold"
        >I have read its label
        <span class="block text-[15px] font-normal text-quiet"
          >Until then every list that it is in says that it is not known here.</span
        ></label
      >
    </div>
  </fieldset>

  <div class="mt-6 flex flex-wrap gap-3">
    <button class="act act-now" disabled={goods.saving || !body.name.trim()}>Put it on the shelf</button>
    <button type="button" class="act" onclick={() => goods.leave()}>Leave it</button>
    {#if goods.key}
      {#if goods.confirming}
        <button type="button" class="act" onclick={() => void goods.remove()}>Yes, take it off the shelf</button>
      {:else}
        <button type="button" class="act" onclick={() => (goods.confirming = true)}>Take it off the shelf</button>
      {/if}
    {/if}
  </div>
</form>
