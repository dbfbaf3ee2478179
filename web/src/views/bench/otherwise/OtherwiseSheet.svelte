<script lang="ts">
  import { untrack } from 'svelte';
  import Sheet from '../../../lib/parts/Sheet.svelte';
  import type { BenchState } from '../bench.svelte';
  import AgainForm from './AgainForm.svelte';
  import BatchForm from './BatchForm.svelte';
  import BeforeForm from './BeforeForm.svelte';
  import Foreseen from './Foreseen.svelte';
  import HandsForm from './HandsForm.svelte';
  import IngredientForm from './IngredientForm.svelte';
  import LastThings from './LastThings.svelte';
  import OrderForm from './OrderForm.svelte';
  import { Otherwise } from './otherwise.svelte';
  import OvenForm from './OvenForm.svelte';
  import PauseForm from './PauseForm.svelte';
  import SieveForm from './SieveForm.svelte';
  import TinsForm from './TinsForm.svelte';
  import WhenForm from './WhenForm.svelte';

  export type Way =
    | 'again'
    | 'batch'
    | 'tins'
    | 'ingredient'
    | 'sieve'
    | 'oven'
    | 'order'
    | 'before'
    | 'hands'
    | 'when'
    | 'pause'
    | 'last';
  type Props = { bench: BenchState; open: boolean; first: Way | null; onclose: () => void };
  let { bench, open, first, onclose }: Props = $props();

  // The bench of a page stays the same.
  // svelte-ignore state_referenced_locally
  const otherwise = new Otherwise(bench);
  let way = $state<Way | null>(null);

  // Once an opening: what is chosen in it must not be lost as the clock goes on.
  $effect(() => {
    if (open) untrack(begin);
  });

  function begin(): void {
    choose(first);
    void otherwise.load();
  }

  const could = $derived(otherwise.could);
  const ways = $derived(
    (
      [
        ['again', 'Begin again', 'whites, a syrup, a tray, half of the batch', could?.again.length, 'Begin it again'],
        ['batch', 'More or less of it', 'everything ahead follows', could?.batch, 'Make so much'],
        ['tins', 'Another tin', 'or a second one', could?.tins, 'Take these'],
        ['ingredient', 'Something is missing', 'another takes its place, or none', could?.ingredients.length, 'Do so'],
        ['sieve', 'Left in the sieve', 'topped up, or the rest lowered', could?.sieves.length, 'Do so'],
        ['oven', 'Another oven or temperature', '', could?.oven_c != null, 'Bake so'],
        [
          'order',
          'In another order',
          'or two steps in one go',
          could?.earlier.length || could?.together.length,
          'Do so',
        ],
        ['before', 'Done before', 'made earlier, with its time', could?.before.length, 'It was done then'],
        ['hands', 'Somebody else goes on', '', otherwise.kitchen?.people?.length, 'Hand it over'],
        ['when', 'Ready at another time', 'or as soon as it can be', true, 'Plan it so'],
        ['pause', 'Stop here', 'go on tomorrow: what keeps, and what is lost', true, 'Stop here'],
        ['last', 'Take something back', 'any of the last things', otherwise.last.length, ''],
      ] as const
    ).map(([id, title, about, can, words]) => ({ id, title, about, can: Boolean(can), words })),
  );
  const chosen = $derived(ways.find((w) => w.id === way));

  function choose(next: Way | null): void {
    way = next;
    otherwise.consider(null);
  }
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title={chosen?.title ?? 'Otherwise than planned'}>
  {#if !could || !otherwise.kitchen}
    <p class="text-lg text-quiet">{otherwise.problem?.detail ?? 'Looking …'}</p>
  {:else if !chosen}
    <ul>
      {#each ways as w (w.id)}
        <li class="border-t border-line">
          <button
            class="flex min-h-14 w-full flex-wrap items-baseline gap-x-3 py-2 text-left text-lg disabled:opacity-40"
            disabled={!w.can}
            onclick={() => choose(w.id)}><strong>{w.title}</strong> <span class="text-quiet">{w.about}</span></button
          >
        </li>
      {/each}
    </ul>
  {:else}
    {#if !first}<button class="-mt-2 mb-2 min-h-14 pr-4 underline" onclick={() => choose(null)}>Something else</button
      >{/if}
    {#key way}
      {#if way === 'again'}<AgainForm {otherwise} {could} shown={bench.shown} />
      {:else if way === 'batch'}<BatchForm {otherwise} {could} />
      {:else if way === 'tins'}<TinsForm {otherwise} kitchen={otherwise.kitchen} />
      {:else if way === 'ingredient'}<IngredientForm {otherwise} {could} shown={bench.shown} />
      {:else if way === 'sieve'}<SieveForm {otherwise} {could} />
      {:else if way === 'oven'}<OvenForm {otherwise} {could} kitchen={otherwise.kitchen} />
      {:else if way === 'order'}<OrderForm {otherwise} {could} />
      {:else if way === 'before'}<BeforeForm {otherwise} {could} shown={bench.shown} />
      {:else if way === 'hands'}<HandsForm {otherwise} kitchen={otherwise.kitchen} />
      {:else if way === 'when'}<WhenForm {otherwise} readyAt={bench.bake!.ready_at} />
      {:else if way === 'pause'}<PauseForm {otherwise} {could} />
      {:else if way === 'last'}<LastThings {otherwise} />{/if}
    {/key}
    {#if way !== 'last'}<Foreseen {otherwise} words={chosen.words} ondone={onclose} />{/if}
  {/if}
</Sheet>
