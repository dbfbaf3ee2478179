<script lang="ts">
  import { api, ask, problemOf, type ForecastView, type Problem, type Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import Differences from '../../lib/parts/Differences.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { Proposal } from './proposal.svelte';

  type Props = { formula_id: string; ingredient: string | null; forecast: ForecastView; ontaken: () => void };
  let { formula_id, ingredient = $bindable(), forecast, ontaken }: Props = $props();

  const proposal = $derived(new Proposal(formula_id));
  let offers = $state<Schemas['Offer'][] | null>(null);
  let into = $state('');
  let percent = $state(100);
  let problem = $state<Problem | null>(null);

  const name = $derived(forecast.ingredients.find((i) => i.id === ingredient)?.name ?? '');
  const offer = $derived(offers?.find((o) => o.ingredient === into) ?? null);

  $effect(() => {
    const wanted = ingredient;
    offers = null;
    into = '';
    percent = 100;
    proposal.clear();
    if (!wanted) return;
    ask(api.GET('/api/formulas/substitutes', { params: { query: { ingredient: wanted } } })).then(
      (found) => {
        if (wanted === ingredient) offers = found;
      },
      (error) => (problem = problemOf(error)),
    );
  });

  function look(): void {
    if (ingredient && into) void proposal.swap(ingredient, into, Math.min(100, Math.max(1, percent)) / 100);
  }

  async function take(): Promise<void> {
    if (await proposal.take()) {
      ingredient = null;
      ontaken();
    }
  }
</script>

<Sheet
  bind:open={() => ingredient !== null, (open) => (ingredient = open ? ingredient : null)}
  title="In place of {name}"
  description="What it changes is shown first; taken, it is a new version with an entry in its ledger."
>
  {#if problem}<Notice {problem} />{/if}
  {#if offers?.length === 0}
    <p class="text-lg">Nothing in the table can replace it.</p>
  {:else if offers}
    <div class="grid gap-3 sm:grid-cols-[1fr_14rem]">
      <Choice
        label="Take"
        value={into}
        options={offers.map((o) => ({ value: o.ingredient, label: o.name }))}
        onvalue={(v) => {
          into = v;
          look();
        }}
      />
      <QuantityField
        label="for this much of it"
        wanted="number"
        unit="%"
        step={10}
        least={1}
        value={percent}
        onvalue={(v) => {
          percent = Math.min(100, v);
          look();
        }}
      />
    </div>
    {#if offer}
      <p class="mt-1 text-quiet">
        {offer.per_gram.toFixed(2)} g of it for a gram{#if offer.water_per_gram > 0.01}, with {offer.water_per_gram.toFixed(
            2,
          )} g of water{/if}. {offer.advice}
      </p>
    {/if}
    {#if proposal.problem}<Notice problem={proposal.problem} />{/if}
    {#if proposal.value}
      <div class="mt-4 transition-opacity {proposal.waiting ? 'opacity-60' : ''}">
        <Differences differences={proposal.value.differences} />
      </div>
      <button class="act act-now mt-5" onclick={() => void take()}>Save as the next version</button>
    {/if}
  {/if}
</Sheet>
