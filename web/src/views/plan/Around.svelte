<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Asking } from '../../lib/asking.svelte';
  import { grams } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import { now } from '../../lib/now.svelte';
  import { clock, day as dayName, length } from '../../lib/time';
  import { dateOf } from './plan.svelte';
  import StockSheet from './StockSheet.svelte';

  /** Around the plan: one weighing, what to buy, what it costs. */
  type Props = { day: string; basis: unknown };
  let { day, basis }: Props = $props();
  const PARTS = ['Weigh', 'Shopping', 'Cost'] as const;
  let part = $state<(typeof PARTS)[number]>('Weigh');
  const weigh = new Asking<Schemas['WeighUp']>();
  const shopping = new Asking<Schemas['Shopping']>();
  const cost = new Asking<Schemas['DayCost']>();
  let stock = $state(false);
  let changed = $state(0);
  const out = (at: string) =>
    Date.parse(at) <= now.value ? 'now' : dateOf(at) === day ? clock(at) : `${dayName(at)} ${clock(at)}`;
  const parts = (white: number, yolk: number, beaten: number) =>
    Object.entries({ white, yolk, beaten })
      .filter(([, amount]) => amount >= 0.5)
      .map(([name, amount]) => `${grams(amount)} ${name}`)
      .join(', ');
  const money = (amount: number) => amount.toFixed(2);

  $effect(() => {
    void basis;
    void changed;
    const params = { path: { on: day }, query: { offset: -new Date().getTimezoneOffset() } };
    if (part === 'Weigh') weigh.ask((signal) => ask(api.GET('/api/days/{on}/weigh', { params, signal })), 900);
    if (part === 'Shopping') shopping.ask((signal) => ask(api.GET('/api/days/{on}/shopping', { params, signal })), 900);
    if (part === 'Cost') cost.ask((signal) => ask(api.GET('/api/days/{on}/cost', { params, signal })), 900);
  });
  const problem = $derived({ Weigh: weigh, Shopping: shopping, Cost: cost }[part].problem);
</script>

<section aria-label="Around the day">
  <OneOf label="Around the day" all={PARTS} now={part} onchoose={(one) => (part = one)} />
  {#if problem}<Notice {problem} />{/if}
  {#if part === 'Weigh' && weigh.value}
    {@const told = weigh.value}
    {#if told.eggs}
      <p class="py-1 text-[17px]">
        <strong>{told.eggs.pooled} eggs</strong> ({told.eggs.size.toUpperCase()}) for all together{told.eggs.alone >
        told.eggs.pooled
          ? `, ${told.eggs.alone} bake by bake`
          : ''}: {parts(told.eggs.white_g, told.eggs.yolk_g, told.eggs.whole_g)}.
        {#if told.eggs.left_white_g > 5 || told.eggs.left_yolk_g > 5}<span class="text-quiet"
            >Left over: {parts(told.eggs.left_white_g, told.eggs.left_yolk_g, 0)}.</span
          >{/if}
      </p>
    {/if}
    {#each told.offers as o (o.part + o.from_title + o.to_title)}
      <p class="text-[16px]">{grams(o.grams)} {o.part} that {o.from_title} leaves goes into {o.to_title}.</p>
    {/each}
    {#if told.out.length > 0}
      <p class="pt-1 text-[16px]">
        <strong>Out of the cold:</strong>
        {told.out.map((o) => `${out(o.at)} ${o.name} ${grams(o.grams)} (${o.for_titles.join(', ')})`).join('; ')}
      </p>
    {/if}
    <ul class="gap-x-8 sm:columns-2">
      {#each told.ingredients as i (i.ingredient)}
        <li class="break-inside-avoid py-1">
          <strong>{grams(i.grams)} {i.name}</strong>
          <span class="text-[15px] text-quiet"
            >{i.bowls.map((b) => `${grams(b.grams)} ${b.title}, ${b.vessel}`).join('; ')}</span
          >
        </li>
      {/each}
    </ul>
  {:else if part === 'Shopping' && shopping.value}
    <button class="act act-small my-2" onclick={() => (stock = true)}>What there is</button>
    <p class="text-quiet">
      Against what there is. {shopping.value.amount > 0 ? `Together ${money(shopping.value.amount)}` : ''}{shopping
        .value.unpriced.length > 0 && shopping.value.amount > 0
        ? `, without ${shopping.value.unpriced.length} that have no price.`
        : ''}
    </p>
    <ul class="gap-x-8 sm:columns-2">
      {#each shopping.value.rows.filter((r) => r.buy_g > 0 || r.low) as r (r.ingredient)}
        <li class="break-inside-avoid py-1">
          <strong>{r.packs ? `${r.packs} × ` : ''}{grams(r.packs ? r.buy_g / r.packs : r.buy_g)} {r.name}</strong>
          <span class="text-[15px] text-quiet"
            >needs {grams(r.needed_g)}{r.there_g === null || r.there_g === undefined
              ? ', not told what is there'
              : `, ${grams(r.there_g)} there`}</span
          >
        </li>
      {/each}
    </ul>
  {:else if part === 'Cost' && cost.value}
    <p class="text-[17px]">
      <strong>{money(cost.value.total)}</strong> in all: goods {money(cost.value.goods)}{cost.value.hands === null ||
      cost.value.hands === undefined
        ? '; an hour of hands has no price yet (Kitchen)'
        : `, hands ${money(cost.value.hands)}`}.
    </p>
    <ul class="divide-y divide-line">
      {#each cost.value.orders as o (o.bake)}
        <li class="py-1">
          <strong>{o.title}: {money(o.total)}</strong>{o.pieces > 1 ? `, ${money(o.each)} each of ${o.pieces}` : ''}
          <span class="text-quiet"
            >{length(o.hands_s)} of hands; priced {Math.round(o.priced_share * 100)} % of its weight{o.unpriced.length >
            0
              ? `; no price: ${o.unpriced.slice(0, 4).join(', ')}${o.unpriced.length > 4 ? ' and more' : ''}`
              : ''}</span
          >
        </li>
      {/each}
    </ul>
  {:else if !problem}<p class="text-quiet">Adding up…</p>{/if}
  <StockSheet
    open={stock}
    wanted={shopping.value?.rows ?? []}
    onclose={() => (stock = false)}
    onchange={() => (changed += 1)}
  />
</section>
