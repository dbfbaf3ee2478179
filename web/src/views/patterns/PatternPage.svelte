<script lang="ts">
  import Pattern from '../../lib/draw/Pattern.svelte';
  import { grams, litres } from '../../lib/figures.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import Pick from '../../lib/parts/Pick.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import { PatternState, SPLITS } from './patterns.svelte';

  const state = new PatternState();
  void state.load();
  $effect(() => state.look());

  const view = $derived(state.answer.value);
  const same = (shares: number[]) =>
    shares.length === state.parts.length && shares.every((s, i) => s === state.parts[i]!.share);
  const KINDS = [
    { kind: 'rings', words: 'Rings in a tin' },
    { kind: 'stripes', words: 'Stripes in a bag' },
  ] as const;
  const WIDTHS = ['equal pours', 'equal widths'] as const;
  const chosen = (on: boolean) => `act act-small ${on ? 'bg-ink text-surface' : ''}`;
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Parts and patterns</h1>
    <p class="text-quiet">A batter parted by weight, coloured so that all of it sets alike, and poured or piped.</p>
  </div>
  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[22rem_minmax(0,1fr)]">
    <section aria-label="Batter and parts">
      <div class="grid gap-x-4">
        <ContentFields label="Batter" bind:content={state.batter} low={0.15} high={1.1} />
      </div>
      <div class="flex flex-wrap gap-2" role="group" aria-label="Divided into">
        {#each SPLITS as split (split.label)}
          <button
            class={chosen(same(split.shares))}
            aria-pressed={same(split.shares)}
            onclick={() => state.part(split.shares)}>{split.label}</button
          >
        {/each}
      </div>
      {#each state.parts as part, i (i)}
        <div class="mt-3 border-t border-line pt-2">
          <div class="grid grid-cols-[minmax(0,1fr)_11rem] gap-x-4">
            <label class="mb-1 block font-semibold"
              >Part {i + 1}<input class="field mt-1" maxlength="40" bind:value={part.name} /></label
            >
            <QuantityField
              label="Shares"
              wanted="number"
              unit=""
              step={1}
              least={0.1}
              value={part.share}
              onvalue={(v) => (part.share = v)}
            />
          </div>
          <div class="grid gap-x-4">
            <Pick
              label="With"
              value={part.ingredient}
              options={state.colours}
              onvalue={(v) => {
                part.ingredient = v;
                if (v && part.grams <= 0) part.grams = 10;
              }}
            />
            {#if part.ingredient}<QuantityField
                label="of it"
                wanted="mass"
                unit="g"
                value={part.grams}
                onvalue={(v) => (part.grams = v)}
              />{/if}
          </div>
        </div>
      {/each}
    </section>
    <section aria-label="Result" class="min-w-0 {state.answer.waiting ? 'opacity-60' : ''}">
      {#if state.answer.problem}<Notice problem={state.answer.problem} />{/if}
      {#if view}
        <ul class="flex flex-wrap gap-x-12 gap-y-4">
          {#each view.parts as part (part.name)}
            <li class="max-w-xs">
              <p class="flex items-center gap-2 text-lg font-semibold">
                <span class="inline-block size-5 rounded-full border border-metal" style="background: {part.colour}"
                ></span>{part.name}
              </p>
              <p class="font-display text-5xl leading-tight font-bold">{grams(part.taken_g)}</p>
              <p class="text-[16px]">
                weighed off; {#if part.mass_g > part.taken_g + 0.05}then <strong>{grams(part.mass_g)}</strong>,{/if}
                {litres(part.volume_ml)} at {part.density_g_per_ml.toFixed(2)} g/ml
              </p>
              {#if part.put_back.water_g > 0 || part.put_back.sugar_g > 0}<p class="text-[16px]">
                  Add back <strong>{grams(part.put_back.water_g)} of water</strong> and
                  <strong>{grams(part.put_back.sugar_g)} of sugar</strong>
                  <span class="text-quiet">so that it sets like the rest</span>
                </p>{/if}
              {#if part.evening_strokes > 0}<p class="text-[16px]">
                  <strong>{part.evening_strokes} strokes</strong>
                  <span class="text-quiet">bring it to the same {view.density_g_per_ml.toFixed(2)} g/ml</span>
                </p>{/if}
              {#if part.note}<p class="border-l-[6px] border-copper pl-3 text-[16px]">{part.note}</p>{/if}
            </li>
          {/each}
        </ul>
        <div class="mt-5 border-t border-line pt-3">
          <div class="flex flex-wrap gap-2" role="group" aria-label="Pattern">
            {#each KINDS as { kind, words } (kind)}
              <button
                class={chosen(state.kind === kind)}
                aria-pressed={state.kind === kind}
                onclick={() => (state.kind = kind)}>{words}</button
              >
            {/each}
            {#if state.kind === 'rings'}
              <OneOf label="Rings" all={WIDTHS} now={state.widths} onchoose={(w) => (state.widths = w)} />
            {/if}
          </div>
          <div class="mt-2 grid gap-x-8 sm:grid-cols-2 xl:grid-cols-4">
            {#if state.kind === 'rings'}
              <SlideField
                label="Pours into each tin"
                value={state.pours}
                low={state.parts.length}
                high={30}
                step={1}
                shown={String(state.pours)}
                onvalue={(v) => (state.pours = v)}
              />
              <SlideField
                label="Tin diameter"
                value={state.diameter}
                low={100}
                high={300}
                step={10}
                shown="{state.diameter} mm"
                onvalue={(v) => (state.diameter = v)}
              />
              <SlideField
                label="Tube in the middle"
                value={state.tube}
                low={0}
                high={80}
                step={5}
                shown={state.tube > 0 ? `${state.tube} mm` : 'none'}
                onvalue={(v) => (state.tube = v)}
              />
              <QuantityField
                label="Tins"
                wanted="number"
                unit=""
                least={1}
                value={state.tins}
                onvalue={(v) => (state.tins = Math.round(v))}
              />
            {:else}
              <SlideField
                label="Stripes of each"
                value={state.each}
                low={1}
                high={6}
                step={1}
                shown={String(state.each)}
                onvalue={(v) => (state.each = v)}
              />
              <SlideField
                label="Nozzle"
                value={state.nozzle}
                low={6}
                high={30}
                step={1}
                shown="{state.nozzle} mm"
                onvalue={(v) => (state.nozzle = v)}
              />
            {/if}
          </div>
          <p class="mb-2 text-[15px] text-quiet">
            Water and sugar by composition tables (recalled); strokes and the air that colour costs by trade habit;
            rings by their areas.
          </p>
          {#if view.pattern}<Pattern pattern={view.pattern} size={230} />{/if}
        </div>
      {/if}
    </section>
  </div>
</div>
