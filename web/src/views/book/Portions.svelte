<script lang="ts">
  import Choice from '../../lib/parts/Choice.svelte';
  import Pick from '../../lib/parts/Pick.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { shareOf, type Editor, type LooseStep, type Share } from './editor.svelte';

  type Props = { editor: Editor; step: LooseStep };
  let { editor, step }: Props = $props();

  const earlier = $derived(
    editor.steps
      .slice(
        0,
        editor.steps.findIndex((s) => s.id === step.id),
      )
      .map((s, i) => ({ value: s.id, label: `${i + 1} ${s.title}` })),
  );
  const ingredients = $derived(editor.ingredients.map((i) => ({ value: i.id, label: i.name })));
  const SHARES: Share[] = ['all', 'part', 'grams', 'the rest', 'what was cut off'];
</script>

<h3 class="mt-4 text-lg font-semibold">Contents</h3>
<ul class="space-y-2">
  {#each step.inputs as portion, i (i)}
    <li class="grid items-start gap-x-3 gap-y-1 border-b border-line pb-2 sm:grid-cols-[minmax(0,1fr)_14.5rem_auto]">
      {#if portion.source === 'ingredient'}
        <div>
          <Pick
            label="Ingredient {i + 1}"
            value={portion.ingredient}
            options={ingredients}
            onvalue={(ingredient) => editor.setPortion(i, { ...$state.snapshot(portion), ingredient })}
          />
          <input
            class="field mt-1 min-h-10 text-[15px]"
            aria-label="What part ingredient {i + 1} plays"
            placeholder="what part it plays"
            maxlength="60"
            value={portion.role ?? ''}
            onchange={(e) => editor.setPortion(i, { ...$state.snapshot(portion), role: e.currentTarget.value })}
          />
          {#if portion.written}<p class="mt-0.5 text-[14px] text-quiet">Written: “{portion.written}”</p>{/if}
        </div>
        <QuantityField
          label="Grams {i + 1}"
          wanted="mass"
          unit="g"
          least={0.1}
          step={portion.grams < 10 ? 0.1 : 1}
          ingredient={portion.ingredient}
          value={portion.grams}
          onvalue={(grams) => editor.setPortion(i, { ...$state.snapshot(portion), grams })}
        />
      {:else}
        <div class="grid gap-2 sm:col-span-2 sm:grid-cols-[minmax(0,1fr)_8rem]">
          <Choice
            label="From step"
            value={portion.step}
            options={earlier.some((o) => o.value === portion.step)
              ? earlier
              : [...earlier, { value: portion.step, label: `${portion.step} (not before this)` }]}
            onvalue={(v) => editor.setPortion(i, { ...$state.snapshot(portion), step: v })}
          />
          <Choice
            label="how much"
            value={shareOf(portion)}
            options={SHARES.map((s) => ({ value: s, label: s }))}
            onvalue={(v) => editor.setShare(i, v as Share)}
          />
          {#if shareOf(portion) === 'part'}
            <QuantityField
              label="Percent {i + 1}"
              wanted="number"
              unit="%"
              least={1}
              value={(portion.fraction ?? 0) * 100}
              onvalue={(v) => editor.setPortion(i, { ...$state.snapshot(portion), fraction: Math.min(1, v / 100) })}
            />
          {:else if shareOf(portion) === 'grams'}
            <QuantityField
              label="Grams {i + 1}"
              wanted="mass"
              unit="g"
              least={1}
              value={portion.grams ?? 0}
              onvalue={(grams) => editor.setPortion(i, { ...$state.snapshot(portion), grams })}
            />
          {/if}
        </div>
      {/if}
      <button class="act act-small sm:mt-7" aria-label="Remove portion {i + 1}" onclick={() => editor.removePortion(i)}
        >Remove</button
      >
    </li>
  {/each}
</ul>
<div class="mt-2 flex flex-wrap gap-3">
  <button class="act act-small" onclick={() => editor.addPortion('ingredient')}>Add an ingredient</button>
  <button class="act act-small" disabled={earlier.length === 0} onclick={() => editor.addPortion('step')}
    >Add from a step</button
  >
</div>
