<script lang="ts">
  import FoldLadder from '../../lib/draw/FoldLadder.svelte';
  import SideBySide from '../../lib/draw/SideBySide.svelte';
  import { origin } from '../../lib/figures.svelte';
  import Additions from '../../lib/parts/Additions.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import { FoldState, SCHOOLS } from './fold.svelte';

  const fold = new FoldState();
  $effect(() => fold.think());

  const plan = $derived(fold.plan.value);
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  const sifts = $derived(fold.school === 'flour over the foam' || fold.school === 'dry and liquid in turns');
  const kept = $derived(fold.measured === null ? null : fold.kept.value);
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Foam and fold</h1>
    <p class="text-quiet">What a fold costs, addition by addition, and how to pay less.</p>
  </div>
  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[21rem_minmax(0,1fr)]">
    <section aria-label="What is folded" class="space-y-1">
      <div class="grid gap-x-4 sm:grid-cols-2 lg:grid-cols-1">
        <ContentFields label="Base" bind:content={fold.base} low={0.3} high={1.3} />
        <ContentFields label="Foam" bind:content={fold.foam} low={0.1} high={0.7} />
        {#if sifts}<SlideField
            label="Flour in the base"
            value={fold.dry}
            low={0}
            high={1}
            step={0.05}
            shown={percent(fold.dry)}
            onvalue={(v) => (fold.dry = v)}
          />{/if}
        <QuantityField
          label="In how many additions"
          wanted="number"
          unit=""
          least={1}
          value={fold.portions ?? plan?.additions.length ?? null}
          onvalue={(v) => (fold.portions = Math.min(6, Math.round(v)))}
        />
      </div>
      <div role="group" aria-label="School" class="grid gap-x-6 pt-1 sm:grid-cols-2 lg:grid-cols-1">
        {#each SCHOOLS as { school, says } (school)}
          {@const other = fold.others.value?.find((o) => o.school === school)}
          <button
            class="flex min-h-14 w-full items-center gap-3 border-t border-line py-1 text-left"
            aria-pressed={fold.school === school}
            onclick={() => {
              fold.school = school;
              fold.portions = null;
            }}
          >
            <span class="grow leading-tight"
              ><span
                class="text-[17px] {fold.school === school
                  ? 'font-bold underline decoration-[3px] underline-offset-[5px]'
                  : ''}">{school}</span
              ><span class="block text-[14px] text-quiet">{says}</span></span
            >
            {#if other}<span class="shrink-0 text-right leading-tight whitespace-nowrap"
                ><strong class="text-lg">{percent(other.kept.likely)}</strong><span class="block text-[13px] text-quiet"
                  >{other.density.likely.toFixed(2)} g/ml</span
                ></span
              >{/if}
          </button>
        {/each}
      </div>
    </section>
    <section aria-label="The plan" class="min-w-0 {fold.plan.waiting ? 'opacity-60' : ''}">
      {#if fold.plan.problem}<Notice problem={fold.plan.problem} />{/if}
      {#if plan}
        <div class="flex flex-wrap items-end gap-x-8 gap-y-1">
          <p class="leading-none">
            <span class="font-display text-6xl font-bold">{percent(plan.air_kept.likely)}</span>
            <span class="text-lg">of the air is kept</span>
            <span class="mt-1 block text-[15px] text-quiet"
              >{percent(plan.air_kept.low)} to {percent(plan.air_kept.high)}, {origin(plan.air_kept)}</span
            >
          </p>
          <p class="leading-none">
            <span class="font-display text-4xl font-bold">{plan.density_g_per_ml.likely.toFixed(2)}</span>
            <span class="text-lg">g/ml</span>
            <span class="mt-1 block text-[15px] text-quiet"
              >{plan.density_g_per_ml.low.toFixed(2)} to {plan.density_g_per_ml.high.toFixed(2)}</span
            >
          </p>
        </div>
        <div class="mt-3">
          <SideBySide
            before={plan.before}
            after={kept ? [...plan.after, kept.section] : [...plan.after]}
            width={820}
            height={130}
          />
        </div>
        <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-3 xl:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          <FoldLadder base={fold.base.density_g_per_ml} foam={fold.foam.density_g_per_ml} additions={plan.additions} />
          <div>
            <Additions additions={plan.additions} />
            {#if plan.sacrifice}<p class="mt-2 text-[16px]">
                <strong>First portion: {plan.sacrifice.words}.</strong>
                <span class="text-quiet">{plan.sacrifice.why}</span>
              </p>{/if}
            <p class="mt-2 text-[16px]"><strong>Flour:</strong> {plan.flour} <strong>Fat:</strong> {plan.fat}</p>
          </div>
        </div>
        <div class="mt-4 grid gap-x-8 gap-y-2 border-t border-line pt-3 sm:grid-cols-[14rem_minmax(0,1fr)]">
          <QuantityField
            label="A cup of the batter, g/ml"
            wanted="number"
            unit=""
            step={0.01}
            least={0.08}
            value={fold.measured}
            onvalue={(v) => (fold.measured = v)}
          />
          {#if fold.measured !== null && fold.kept.problem}<Notice problem={fold.kept.problem} />
          {:else if kept}
            <p class="self-center text-lg" aria-live="polite">
              <strong>{kept.verdict}</strong>
              {kept.can_do}
              <span class="block text-[15px] text-quiet"
                >{percent(kept.air_kept.low)} to {percent(kept.air_kept.high)}: two cups are each good to three in a
                hundred.</span
              >
            </p>
          {:else}<p class="self-center text-quiet">Weigh a cup after the fold: it tells what the fold cost.</p>{/if}
        </div>
      {/if}
    </section>
  </div>
</div>
