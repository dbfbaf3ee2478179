<script lang="ts">
  import { api, ask, problemOf, type Schemas } from '../../lib/api/client';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import type { BenchState } from './bench.svelte';

  /** Which thermometer follows a step, where it is not the one that usually lives there. */
  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();

  let thermometers = $state<Schemas['Thermometer'][]>([]);
  let trouble = $state('');
  const detail = $derived(bench.potDetail ?? bench.detail);

  $effect(() => {
    if (!open) return;
    trouble = '';
    void ask(api.GET('/api/kitchen')).then(
      (view) => (thermometers = view.kitchen.thermometers ?? []),
      (error) => (trouble = problemOf(error).detail),
    );
  });

  async function put(probe: string): Promise<void> {
    if (!detail) return;
    const problem = await bench.ask({ kind: 'probe_placed', step: detail.forecast.id, probe });
    if (problem) trouble = `${problem.detail} ${problem.remedy}`;
    else onclose();
  }
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title="Thermometer">
  <p class="text-quiet">Which one is in “{detail?.forecast.title ?? ''}”?</p>
  <div class="mt-3 flex flex-col gap-2">
    {#each thermometers as own (own.id)}
      <button
        class="act justify-start {detail?.column?.probe === own.id ? 'bg-ink text-surface' : ''}"
        aria-pressed={detail?.column?.probe === own.id}
        onclick={() => void put(own.id)}>{own.name}</button
      >
    {/each}
    <button class="act justify-start" onclick={() => void put('')}>None: I type the readings</button>
  </div>
  {#if trouble}<p role="alert" class="mt-3 font-semibold text-raspberry">{trouble}</p>{/if}
</Sheet>
