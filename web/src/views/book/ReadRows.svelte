<script lang="ts">
  import type { StepForecast } from '../../lib/api/client';
  import { grams, sure } from '../../lib/figures.svelte';
  import { p } from '../../routes';
  import ReadStep from './ReadStep.svelte';
  import type { Draft, ReadingIn, ReadRow } from './reading.svelte';

  /** ``wide``: the picked step is shown beside the rows, else below its sentence. */
  type Props = { reading: ReadingIn; draft: Draft; steps: StepForecast[]; wide: boolean };
  let { reading, draft, steps, wide }: Props = $props();

  const span = (low: number, high: number) => (high - low > 0.5 ? ` (${grams(low)} to ${grams(high)})` : '');
  const titles = $derived(
    new Map(steps.flatMap((s, i) => (s.kind === 'weigh' ? [] : [[s.id, `${i + 1} ${s.title}`] as const]))),
  );
  const step = $derived(steps.find((s) => s.id === reading.picked) ?? null);
  let list: HTMLOListElement;
  // Picked in the process, its sentence comes into sight here.
  $effect(() => {
    if (reading.picked) list.querySelector('[data-shown]')?.scrollIntoView({ block: 'nearest' });
  });
  const shown = (row: ReadRow) =>
    reading.sentence === row.text || (reading.picked !== null && (row.steps ?? []).includes(reading.picked));
  let caret = $state(0);
</script>

<ol aria-label="As it was read" bind:this={list}>
  {#each draft.rows as row, i (i + row.text)}
    {#if row.kind === 'title'}
      <li class="sr-only">Title: {row.text}</li>
    {:else if row.kind === 'heading'}
      <li class="mt-3 font-semibold text-quiet">{row.text}</li>
    {:else if row.kind === 'note'}
      <li class="border-b border-line py-2 text-[15px] text-quiet">
        {#if row.says === 'not read'}<strong class="text-raspberry">not read:</strong>{:else}Note:{/if}
        {row.text}
      </li>
    {:else if row.kind === 'ingredient'}
      {@const line = draft.lines[row.line ?? -1]}
      <li class="grid items-center gap-x-4 border-b border-line py-1 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <input
          class="field min-h-11 border-transparent text-[16px] hover:border-metal"
          aria-label="Line {(row.line ?? 0) + 1} as written"
          value={row.text}
          onchange={(e) => reading.mendRow(i, e.currentTarget.value)}
        />
        {#if line}
          <p class="text-[16px] leading-snug">
            {#if line.grams != null}<strong>{grams(line.grams)}</strong>{/if}
            {#if line.ingredient}
              {line.name}<span class="text-quiet"
                >{line.grams != null && line.low_g != null && line.high_g != null
                  ? span(line.low_g, line.high_g)
                  : ', no amount'}</span
              >
            {:else if line.unknown}
              “{line.unknown}” <strong class="text-raspberry">not known here</strong>
              <a
                class="ml-1 inline-flex min-h-9 items-center underline"
                href="{p('/kitchen/goods')}?name={encodeURIComponent(line.unknown)}">Say what it is</a
              >
            {:else}<strong class="text-raspberry">not recognised</strong>{/if}
            <span class="ml-1 text-[14px] text-quiet">{sure(line.sure)}</span>
            {#if line.allergens.length}<span class="ml-1 inline-block text-[14px] text-raspberry"
                >contains {line.allergens.join(', ').replaceAll('-', ' ')}</span
              >{/if}
            {#if line.note}<span class="block text-[14px] text-quiet">{line.note}</span>{/if}
            {#if line.choices.length}
              <span class="mt-1 flex flex-wrap gap-2">
                {#each line.choices as choice (choice.says)}
                  <button
                    class="act act-small"
                    onclick={() => reading.mendRow(i, `${Math.round(choice.grams * 10) / 10} g ${line.name}`)}
                    >{choice.says}</button
                  >
                {/each}
              </span>
            {/if}
          </p>
        {/if}
      </li>
    {:else}
      <li
        class="border-b border-line py-1 {shown(row) ? 'border-l-[6px] border-l-copper bg-surface pl-2' : ''}"
        data-says={row.says}
        data-shown={shown(row) || undefined}
      >
        <textarea
          class="field field-sizing-content min-h-11 w-full resize-none border-transparent text-[16px] leading-snug hover:border-metal"
          aria-label="Sentence: {row.text}"
          rows="1"
          value={row.text}
          onfocus={() => reading.turnTo(row)}
          onkeyup={(e) => (caret = e.currentTarget.selectionStart)}
          onclick={(e) => (caret = e.currentTarget.selectionStart)}
          onkeydown={(e) => {
            if (e.key === 'Enter') {
              e.preventDefault();
              e.currentTarget.blur();
            }
          }}
          onchange={(e) => reading.mendRow(i, e.currentTarget.value)}></textarea>
        <div class="flex flex-wrap items-center gap-x-2 pl-2 text-[15px]">
          {#each row.steps ?? [] as id (id)}
            {#if titles.has(id)}<button
                class="min-h-9 underline decoration-metal {reading.picked === id ? 'font-bold' : ''}"
                aria-pressed={reading.picked === id}
                onclick={() => reading.pick(id)}>{titles.get(id)}</button
              >{/if}
          {/each}
          {#if row.says === 'not understood'}<strong class="text-raspberry">not understood</strong>
          {:else if row.says === 'known'}<span class="text-quiet">understood, no step of its own</span>{/if}
        </div>
        {#if step && !wide && reading.sentence === row.text}<ReadStep {reading} {step} />{/if}
        {#if reading.sentence === row.text}
          <div class="flex flex-wrap items-center gap-2 pt-1 pl-2">
            <button
              class="act act-small"
              disabled={caret <= 0 || caret >= row.text.length}
              onclick={() => reading.split(i, caret)}>Split at the cursor</button
            >
            {#if draft.rows[i + 1]?.kind === 'sentence'}
              <button class="act act-small" onclick={() => reading.join(i)}>Join with the next</button>
            {/if}
          </div>
        {/if}
      </li>
    {/if}
  {/each}
</ol>
