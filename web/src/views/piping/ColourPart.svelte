<script lang="ts">
  import Section from '../../lib/draw/Section.svelte';
  import { grams, origin } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import Pick from '../../lib/parts/Pick.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import { INTO, KINDS, type PipingState } from './piping.svelte';

  type Props = { state: PipingState };
  let { state }: Props = $props();

  const dose = $derived(state.dose.value);
  const depths = [
    [0, 'none'],
    [0.34, 'pale'],
    [0.7, 'clear'],
    [1.05, 'full'],
    [4, 'deep'],
  ] as const;
  const depthWord = $derived(depths.find(([to]) => state.depth <= to)?.[1] ?? 'deep');
</script>

<section aria-label="Colour" class="min-w-0">
  <h2 class="text-xl">Colour by weight</h2>
  <OneOf label="Into" all={INTO} now={state.into} onchoose={(one) => (state.into = one)} />
  <OneOf label="Carried by" all={KINDS} now={state.colour} onchoose={(k) => state.carried(k)} />
  <SlideField
    label="Depth"
    value={state.depth}
    low={0}
    high={2.5}
    step={0.05}
    shown={depthWord}
    onvalue={(v) => (state.depth = v)}
  />
  <Pick label="Colour" value={state.hue} options={state.hues} onvalue={(v) => (state.hue = v)} />
  {#if state.into === 'a batter'}
    <QuantityField
      label="Lines painted in the bag"
      wanted="number"
      unit=""
      value={state.lines}
      onvalue={(v) => (state.lines = Math.min(24, Math.max(0, Math.round(v))))}
    />
  {/if}
  {#if state.dose.problem}<Notice problem={state.dose.problem} />{/if}
  {#if dose}
    <div class="mt-2 flex items-center gap-4" aria-live="polite">
      {#if state.deposit.value}<Section
          section={{ ...state.deposit.value.section, colour: dose.looks }}
          width={120}
          height={64}
          annotated={false}
          label="How it will look"
        />{/if}
      <p class="text-lg">
        <strong class="font-display text-3xl">{dose.grams.toFixed(dose.grams < 10 ? 2 : 1)} g</strong> in {grams(
          state.batter.mass_g,
        )}<br /><span class="text-[16px] text-quiet"
          >{dose.share_percent.toFixed(2)} %{dose.limit_g === null ? '' : `, limit ${dose.limit_g.toFixed(1)} g`}, {dose.water_g.toFixed(
            1,
          )} g of it water</span
        >
      </p>
    </div>
    <p
      class="mt-1 border-l-[6px] pl-4 text-[16px] {dose.risk === 'none'
        ? 'border-leaf'
        : dose.risk === 'near the limit' || dose.risk === 'with care'
          ? 'border-copper'
          : 'border-raspberry'}"
    >
      {dose.says}
    </p>
    {#if dose.painted}
      <p class="mt-1 text-[16px]">
        Painted: <strong>{dose.painted.per_line_g.toFixed(2)} g in each line</strong>. The first
        {Math.round(dose.painted.pale.low)} to {Math.round(dose.painted.pale.high)} pieces come out pale; the lines last for
        about {Math.round(dose.painted.lasts.likely)} ({origin(dose.painted.lasts)}).
      </p>
    {/if}
    <p class="mt-1 text-[15px] text-quiet">
      Trade habit{state.into === 'a batter' ? ', with a fifth for what fades in the oven' : ''}. Two bags or stripes:
      weigh the parts in Parts and patterns.
    </p>
  {/if}
</section>
