<script lang="ts">
  import type { Schemas } from '../api/client';
  import FaultDrawing from '../draw/FaultDrawing.svelte';

  /** Faults to choose from, by word and drawing; those that the table has not are words alone. */
  type Props = { legend: string; known: Schemas['FaultView'][]; chosen: string[]; wide?: boolean };
  let { legend, known, chosen = $bindable(), wide = false }: Props = $props();

  const own = $derived(chosen.filter((f) => !known.some((k) => k.words === f)));
  const all = $derived([
    ...known.map((k) => ({ words: k.words, drawn: k.drawn })),
    ...own.map((words) => ({ words, drawn: '' })),
  ]);
</script>

<fieldset>
  <legend class="font-semibold">{legend}</legend>
  <div class="mt-1 grid grid-cols-2 gap-2 {wide ? 'sm:grid-cols-4' : 'sm:grid-cols-3'}">
    {#each all as fault (fault.words)}
      <label
        class="flex min-h-16 cursor-pointer items-center gap-2 rounded-md border-2 border-line px-2 leading-tight has-checked:border-ink has-checked:bg-ink has-checked:text-ground has-focus-visible:outline-3"
      >
        <input type="checkbox" class="sr-only" value={fault.words} bind:group={chosen} />
        {#if fault.drawn}<FaultDrawing drawn={fault.drawn} width={58} />{/if}{fault.words}
      </label>
    {/each}
  </div>
</fieldset>
