<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';

  /** What there is of each ingredient, what should stay, packs and prices; each change is kept at once. */
  type Props = { open: boolean; wanted: Schemas['ToBuy'][]; onclose: () => void; onchange: () => void };
  let { open, wanted, onclose, onchange }: Props = $props();
  type Item = Schemas['StockItem'];
  let rows = $state<{ item: Item; name: string }[]>([]);
  let problem = $state<Problem | null>(null);

  function shown(stock: Schemas['StockRow'][]): void {
    const there = new Set(stock.map((s) => s.item.ingredient));
    const more = wanted
      .filter((w) => !there.has(w.ingredient))
      .map((w) => ({
        item: { ingredient: w.ingredient, grams: 0, least_g: 0, pack_g: null, price_per_kg: null },
        name: w.name,
      }));
    rows = [...stock, ...more].sort((a, b) => a.name.localeCompare(b.name));
  }

  $effect(() => {
    if (!open) return;
    ask(api.GET('/api/stock')).then(shown, (error) => (problem = problemOf(error)));
  });

  async function put(item: Item, change: Partial<Item>): Promise<void> {
    try {
      shown(await ask(api.PUT('/api/stock', { body: { items: [{ ...item, ...change }] } })));
      problem = null;
      onchange();
    } catch (error) {
      problem = problemOf(error);
    }
  }

  async function read(event: Event): Promise<void> {
    const input = event.currentTarget as HTMLInputElement;
    const text = await input.files?.[0]?.text();
    input.value = '';
    if (text === undefined) return;
    try {
      shown(await ask(api.POST('/api/stock/csv', { body: { text } })));
      problem = null;
      onchange();
    } catch (error) {
      problem = problemOf(error);
    }
  }
</script>

<Sheet
  bind:open={() => open, (v) => !v && onclose()}
  title="What there is"
  description="What is bought is what the day needs and what should stay, less what is there, in whole packs."
>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  <div class="divide-y divide-line">
    {#each rows as { item, name } (item.ingredient)}
      <fieldset class="py-2">
        <legend class="font-bold">{name}</legend>
        <div class="grid grid-cols-2 gap-x-4 gap-y-1">
          <QuantityField
            label="There"
            wanted="mass"
            unit="g"
            step={50}
            value={item.grams ?? 0}
            onvalue={(v) => put(item, { grams: v })}
          />
          <QuantityField
            label="Should stay"
            wanted="mass"
            unit="g"
            step={50}
            value={item.least_g ?? 0}
            onvalue={(v) => put(item, { least_g: v })}
          />
          <QuantityField
            label="A pack holds"
            wanted="mass"
            unit="g"
            step={50}
            value={item.pack_g ?? null}
            onvalue={(v) => put(item, { pack_g: v > 0 ? v : null })}
          />
          <QuantityField
            label="A kilogram costs"
            wanted="number"
            unit=""
            step={0.1}
            value={item.price_per_kg ?? null}
            onvalue={(v) => put(item, { price_per_kg: v })}
          />
        </div>
      </fieldset>
    {/each}
  </div>
  <div class="mt-4 flex flex-wrap gap-4">
    <label class="act act-small cursor-pointer">
      Read in CSV<input class="sr-only" type="file" accept=".csv,text/csv" onchange={read} />
    </label>
    <a class="act act-small" href="/api/stock.csv" download>Save as CSV</a>
  </div>
</Sheet>
