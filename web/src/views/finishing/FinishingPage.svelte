<script lang="ts">
  import Section from '../../lib/draw/Section.svelte';
  import { grams, origin } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import ReadyNow from '../../lib/parts/ReadyNow.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import { BODIES, CONTENTS, FinishingState, LIQUIDS, PURPOSES } from './finishing.svelte';

  const state = new FinishingState();
  $effect(() => state.askShares());
  $effect(() => state.askRoll());
  $effect(() => state.askRing());
  $effect(() => state.askSoak());
  $effect(() => state.askReady());
  const shares = $derived(state.shares.value);
  const rolled = $derived(state.rolled.value);
  const lined = $derived(state.lined.value);
  const soaked = $derived(state.soaked.value);
  const flat = $derived(state.body === 'square' || state.body === 'roll');
  const stacked = $derived(state.body === 'round' || state.body === 'square');
</script>

{#snippet mm(label: string, value: number, set: (to: number) => void, least = 1)}
  <QuantityField {label} wanted="length" unit="mm" {least} {value} onvalue={set} />
{/snippet}

{#snippet count(label: string, value: number, set: (to: number) => void)}
  <QuantityField {label} wanted="number" unit="" least={1} {value} onvalue={(v) => set(Math.round(v))} />
{/snippet}

{#snippet mass(label: string, value: number | null, set: (to: number) => void)}
  <QuantityField {label} wanted="mass" unit="g" step={10} {value} onvalue={set} />
{/snippet}

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">From the rack to the plate</h1>
    <p class="text-quiet">How much goes where, before anything is whipped.</p>
  </div>

  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[19rem_minmax(0,1fr)_minmax(0,21rem)]">
    <section aria-label="What is filled" class="content-start sm:grid sm:grid-cols-2 sm:gap-x-6 lg:block">
      <div class="sm:col-span-2">
        <OneOf label="It is" all={[...BODIES]} now={state.body} onchoose={(b) => (state.body = b)} />
      </div>
      {#if !flat}{@render mm('Across', state.across, (v) => (state.across = v), 20)}{/if}
      {#if flat}
        {@render mm('Wide', state.width, (v) => (state.width = v), 20)}
        {@render mm('Long', state.long, (v) => (state.long = v), 20)}
      {/if}
      {#if stacked}
        {@render mm('High', state.high, (v) => (state.high = v), 10)}
        {@render count('Layers', state.layers, (v) => (state.layers = v))}
      {/if}
      {#if state.body === 'roll'}{@render mm('Sheet, thick', state.sheet, (v) => (state.sheet = v))}{/if}
      {#if state.body === 'dome'}
        {@render mm('Wall', state.wall, (v) => (state.wall = v), 3)}
        {@render mm('Lid', state.lid, (v) => (state.lid = v), 3)}
      {/if}
      {#if state.body === 'pairs'}{@render count('Pairs', state.pairs, (v) => (state.pairs = v))}{/if}
      {#if state.body !== 'dome'}{@render mm('Filling, thick', state.thick, (v) => (state.thick = v))}{/if}
      {@render mm('Coat, thick', state.coat, (v) => (state.coat = v), 0)}
      {#if shares}<SlideField
          label="Filling and coat weigh"
          value={state.density ?? shares.density_g_per_ml}
          low={0.3}
          high={1.4}
          step={0.01}
          shown="{(state.density ?? shares.density_g_per_ml).toFixed(2)} g/ml"
          onvalue={(v) => (state.density = v)}
        />{/if}
      {@render mass('Piped on top', state.ornaments, (v) => (state.ornaments = v))}
      <QuantityField
        label="The recipe keeps back, in %"
        wanted="number"
        unit=""
        step={5}
        value={state.kept}
        onvalue={(v) => (state.kept = v > 0 ? Math.min(90, v) : null)}
      />
      {@render mass('There is, if known', state.there, (v) => (state.there = v > 0 ? v : null))}
    </section>

    <section aria-label="How much goes where" class="min-w-0">
      {#if state.shares.problem}<Notice problem={state.shares.problem} />{/if}
      {#if shares}
        <div class={state.shares.waiting ? 'opacity-60' : ''} aria-live="polite">
          <p class="text-lg">
            Make <strong class="font-display text-[clamp(2.4rem,4.4vw,3.2rem)] leading-none"
              >{grams(shares.total_g)}</strong
            >
          </p>
          <Section section={shares.section} width={460} height={250} />
          <ul class="mt-3 text-[17px]">
            {#each shares.places as place, i (i)}
              <li class="flex items-baseline gap-x-4 border-t border-line py-1.5">
                <strong class="min-w-24 text-right">{grams(place.grams)}</strong>
                <span>{place.place}</span>
                {#if place.thickness_mm}<span class="text-quiet">{place.thickness_mm.toFixed(1)} mm</span>{/if}
              </li>
            {/each}
          </ul>
          <p class="mt-2 text-[17px] {shares.short_by_g > 0 ? 'font-semibold text-raspberry' : 'text-quiet'}">
            {shares.says}
          </p>
        </div>
      {/if}
    </section>

    <div class="min-w-0 space-y-6">
      <section aria-label="Whether it is right">
        <h2 class="text-2xl">Is it right?</h2>
        <OneOf label="It is" all={CONTENTS} now={state.content} onchoose={(c) => (state.content = c)} />
        <OneOf label="To" all={PURPOSES} now={state.purpose} onchoose={(u) => (state.purpose = u)} />
        <div class="gap-x-4 sm:grid sm:grid-cols-2 lg:block">
          <QuantityField
            label="Its warmth"
            wanted="temperature"
            unit="C"
            least={-30}
            value={state.warmth}
            onvalue={(v) => (state.warmth = v)}
          />
          <QuantityField
            label="Crumb, if known"
            wanted="temperature"
            unit="C"
            value={state.crumbC}
            onvalue={(v) => (state.crumbC = v)}
          />
        </div>
        {#if state.ready.problem}<Notice problem={state.ready.problem} />{/if}
        {#if state.ready.value}<div class="mt-2"><ReadyNow ready={state.ready.value} /></div>{/if}
      </section>
      <section aria-label="The soak">
        <h2 class="text-2xl">Soak</h2>
        <OneOf label="With" all={LIQUIDS} now={state.liquid} onchoose={(l) => (state.liquid = l)} />
        <ContentFields label="Crumb" bind:content={state.crumb} low={0.1} high={0.8} />
        {#if state.soaked.problem}<Notice problem={state.soaked.problem} />{/if}
        {#if soaked}
          <p class="mt-2 text-[17px]">
            <strong>{grams(soaked.grams)}</strong>, {grams(soaked.limit_g.low)} to {grams(soaked.limit_g.high)}
            <span class="text-quiet">({origin(soaked.limit_g)})</span>: {#each soaked.layers as row, i (row.layer)}{i >
              0
                ? ', '
                : ''}{row.goes_g.map((g) => grams(g)).join(' and ')}{/each} by layer. {soaked.says}
          </p>
        {/if}
      </section>
    </div>
  </div>

  <div class="mt-8 grid gap-x-10 gap-y-8 lg:grid-cols-2">
    <section aria-label="The roll">
      <h2 class="text-2xl">A roll</h2>
      <div class="grid gap-x-4 sm:grid-cols-3 lg:grid-cols-2">
        {@render mm('Sheet, wide', state.width, (v) => (state.width = v), 20)}
        {@render mm('Sheet, long', state.long, (v) => (state.long = v), 20)}
        {@render mm('Sheet, thick', state.sheet, (v) => (state.sheet = v))}
        {@render mm('Filling, thick', state.thick, (v) => (state.thick = v), 0)}
        <QuantityField
          label="Less at the end, in %"
          wanted="number"
          unit=""
          step={10}
          value={Math.round(100 * state.taper)}
          onvalue={(v) => (state.taper = Math.min(1, v / 100))}
        />
        <OneOf
          label="Begun"
          all={['short', 'long']}
          now={state.short ? 'short' : 'long'}
          onchoose={(s) => (state.short = s === 'short')}
        />
      </div>
      {#if state.rolled.problem}<Notice problem={state.rolled.problem} />{/if}
      {#if rolled}
        <div class="mt-2 flex flex-wrap items-end gap-x-8 gap-y-3">
          <Section section={rolled.section} width={330} height={190} />
          <p class="max-w-sm text-[17px]">
            <strong>{Math.round(rolled.diameter_mm)} mm</strong> across, {rolled.turns.toFixed(1)} turns,
            <strong>{grams(rolled.filling_g)}</strong> of filling, {rolled.slices} slices of {Math.round(
              rolled.slice_mm,
            )} mm. Its outer face is stretched by
            <strong class={rolled.strain > rolled.cracks_from.high ? 'text-raspberry' : ''}
              >{Math.round(100 * rolled.strain)} %</strong
            >; sheets crack from {Math.round(100 * rolled.cracks_from.low)} to {Math.round(
              100 * rolled.cracks_from.high,
            )} %
            <span class="text-quiet">({origin(rolled.cracks_from)})</span>. Cut its end slanting over {Math.round(
              rolled.bevel_mm,
            )} mm.
          </p>
        </div>
      {/if}
    </section>
    <section aria-label="The ring">
      <h2 class="text-2xl">A ring of fingers</h2>
      <div class="grid gap-x-4 sm:grid-cols-3 lg:grid-cols-2">
        {@render mm('Ring', state.ring, (v) => (state.ring = v), 30)}
        {@render mm('Wall, high', state.rim, (v) => (state.rim = v), 5)}
        {@render mm('Finger, wide', state.finger.width_mm, (v) => (state.finger.width_mm = v), 3)}
        {@render mm('Finger, thick', state.finger.thickness_mm, (v) => (state.finger.thickness_mm = v), 2)}
        {@render mm('Finger, long', state.finger.length_mm, (v) => (state.finger.length_mm = v), 10)}
      </div>
      {#if state.lined.problem}<Notice problem={state.lined.problem} />{/if}
      {#if lined}
        <div class="mt-2 flex flex-wrap items-end gap-x-8 gap-y-3">
          <Section section={lined.section} width={330} height={150} />
          <p class="max-w-sm text-[17px]">
            {lined.says}
            {#if lined.trim_g.likely > 1}<span class="text-quiet"
                >About {grams(lined.trim_g.likely)} come off ({origin(lined.trim_g)}).</span
              >{/if}
          </p>
        </div>
      {/if}
    </section>
  </div>
</div>
