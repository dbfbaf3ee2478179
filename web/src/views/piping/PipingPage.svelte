<script lang="ts">
  import LoadStrips from '../../lib/draw/LoadStrips.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import Tray from '../../lib/draw/Tray.svelte';
  import { grams, origin } from '../../lib/figures.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import Tick from '../../lib/parts/Tick.svelte';
  import { length } from '../../lib/time';
  import ColourPart from './ColourPart.svelte';
  import PairsPart from './PairsPart.svelte';
  import SievePart from './SievePart.svelte';
  import { METHODS, PipingState, SHAPES } from './piping.svelte';

  const state = new PipingState();
  void state.load();
  $effect(() => state.askDeposit());
  $effect(() => state.askSkin());
  $effect(() => state.askLoads());
  $effect(() => state.askColour());
  $effect(() => state.askSieve());
  $effect(() => state.askPairs());

  const made = $derived(state.deposit.value);
  const skin = $derived(state.skin.value);
  const loads = $derived(state.loads.value);
  const one = (value: number) => value.toFixed(1);
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Piped pieces</h1>
    <p class="text-quiet">From the bag to the box: the deposit, its tray, the skin, the loads, and what goes inside.</p>
  </div>

  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[19rem_minmax(0,1fr)_minmax(0,20rem)]">
    <section aria-label="The piece" class="content-start sm:grid sm:grid-cols-2 sm:gap-x-6 lg:block">
      <div class="sm:col-span-2">
        <OneOf label="Shape" all={SHAPES} now={state.shape} onchoose={(s) => state.choose(s)} />
      </div>
      <QuantityField
        label={state.long ? 'Wide, once spread' : 'Across, once spread'}
        wanted="length"
        unit="mm"
        least={3}
        value={state.diameter}
        onvalue={(v) => (state.diameter = v)}
      />
      {#if state.long}<QuantityField
          label="Long"
          wanted="length"
          unit="mm"
          least={10}
          value={state.length}
          onvalue={(v) => (state.length = v)}
        />{/if}
      <QuantityField
        label="Between them"
        wanted="length"
        unit="mm"
        value={state.gap}
        onvalue={(v) => (state.gap = v)}
      />
      <QuantityField
        label="To the edge"
        wanted="length"
        unit="mm"
        value={state.margin}
        onvalue={(v) => (state.margin = v)}
      />
      <div>
        <ContentFields label="Batter" bind:content={state.batter} low={0.15} high={1.15} />
      </div>
      <div class="sm:col-span-2 sm:grid sm:grid-cols-2 sm:gap-x-6 lg:block">
        <QuantityField
          label="Tray, wide"
          wanted="length"
          unit="mm"
          step={10}
          least={40}
          value={state.tray.width_mm}
          onvalue={(v) => (state.tray.width_mm = v)}
        />
        <QuantityField
          label="Tray, long"
          wanted="length"
          unit="mm"
          step={10}
          least={40}
          value={state.tray.length_mm}
          onvalue={(v) => (state.tray.length_mm = v)}
        />
      </div>
      <div class="sm:col-span-2">
        <QuantityField
          label="Its ribbon lies, if timed"
          wanted="time"
          unit="s"
          least={1}
          value={state.ribbon}
          onvalue={(v) => (state.ribbon = v)}
        />
      </div>
    </section>

    <section aria-label="On the tray" class="min-w-0">
      {#if state.deposit.problem}<Notice problem={state.deposit.problem} />{/if}
      {#if made}
        <div class={state.deposit.waiting ? 'opacity-60' : ''} aria-live="polite">
          <p class="text-lg">
            <strong class="font-display text-[clamp(2.4rem,4.4vw,3.2rem)] leading-none">{made.pieces}</strong>
            of <strong>{made.piece_g < 10 ? `${one(made.piece_g)} g` : grams(made.piece_g)}</strong> on
            <strong>{made.trays} {made.trays === 1 ? 'tray' : 'trays'}</strong>, {made.per_tray} to a tray, {made.layout
              .arrangement}
          </p>
          <div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
            <Tray
              layout={made.layout}
              piece={made.piece}
              piped={made.piped_diameter_mm}
              taken={Math.min(made.pieces, made.per_tray)}
              colour={made.section.colour}
              width={440}
              height={330}
            />
            <figure>
              <Section section={made.section} width={150} height={80} annotated={false} />
              <figcaption class="text-[15px] text-quiet">
                one of them, {Math.round(made.piece.height_mm)} mm high
              </figcaption>
            </figure>
          </div>
        </div>
      {/if}
    </section>

    <section aria-label="At the bag" class="min-w-0">
      {#if made}
        <dl class="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 text-[17px]">
          <dt class="text-quiet">Pipe to</dt>
          <dd>
            <strong>{one(made.piped_diameter_mm)} mm</strong>; it grows by
            {Math.round(100 * made.spreads.low)} to {Math.round(100 * made.spreads.high)} %, told from {made.spreads_by}
            ({origin(made.spreads)})
          </dd>
          <dt class="text-quiet">Nozzle</dt>
          <dd>{made.nozzle_mm} mm, plain <span class="text-quiet">(trade habit)</span></dd>
          <dt class="text-quiet">Each takes</dt>
          <dd>
            {one(made.seconds_each.low)} to {one(made.seconds_each.high)} s; a tray about {length(made.tray_s.likely)}
            ({origin(made.seconds_each)})
          </dd>
          <dt class="text-quiet">Bags</dt>
          <dd>{made.bags === 1 ? 'one' : `${made.bags} fillings`}, two thirds full</dd>
          <dt class="text-quiet">Left</dt>
          <dd>
            {one(made.left_g)} g: the tip keeps {one(made.tip_g.low)} to {one(made.tip_g.high)}, the rest makes no whole
            one
          </dd>
        </dl>
        <p class="mt-3 flex flex-wrap gap-2">
          <a class="act act-small" href={state.template('pdf')} target="_blank" rel="noopener">Template, A4</a>
          <a class="act act-small" href={state.template('pdf', 'letter')} target="_blank" rel="noopener">Letter</a>
          <a class="act act-small" href={state.template('svg')} target="_blank" rel="noopener">SVG</a>
        </p>
        <p class="mt-1 text-[15px] text-quiet">
          True scale with a ruler, in parts that lap; drawn as it is piped. Lay it below the paper.
        </p>
      {/if}
    </section>
  </div>

  <div class="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 border-t border-line pt-3 lg:grid-cols-2">
    <section aria-label="The skin" class="min-w-0">
      <h2 class="text-xl">Rest until the skin holds</h2>
      <div class="grid gap-x-6 sm:grid-cols-2">
        <SlideField
          label="Damp of the air"
          value={state.humidity}
          low={25}
          high={95}
          step={1}
          shown="{state.humidity} %"
          onvalue={(v) => (state.humidity = v)}
        />
        <QuantityField
          label="Air"
          wanted="temperature"
          unit="C"
          least={5}
          value={state.air}
          onvalue={(v) => (state.air = v)}
        />
        <OneOf label="Meringue" all={METHODS} now={state.method} onchoose={(m) => (state.method = m)} />
        <label class="flex min-h-11 items-center gap-3 text-[16px]"
          ><Tick checked={state.fan} onchecked={(on) => (state.fan = on)} label="A fan across the trays" />A fan across
          the trays</label
        >
      </div>
      {#if state.skin.problem}<Notice problem={state.skin.problem} />{/if}
      {#if skin}
        <div class={state.skin.waiting ? 'opacity-60' : ''} aria-live="polite">
          {#if skin.dry_s}
            <p class="text-lg">
              <strong class="font-display text-3xl">{length(skin.dry_s.likely)}</strong>, {length(skin.dry_s.low)} to {length(
                skin.dry_s.high,
              )}; too long from {length(skin.too_long_s ?? 0)}.
              <span class="text-[16px] text-quiet">{origin(skin.dry_s)}; the touch decides.</span>
            </p>
          {:else}<p class="border-l-[6px] border-raspberry pl-4 text-lg"><strong>{skin.why}</strong></p>{/if}
          {#each skin.advice as help (help.do)}
            <p class="mt-1.5 border-l-[6px] border-copper pl-4 text-[16px]">
              <strong>{help.do}</strong> <span class="text-quiet">{help.costs}</span>
              {help.dry_s ? `Then about ${length(help.dry_s.likely)}.` : ''}
            </p>
          {/each}
        </div>
      {/if}
    </section>
    <section aria-label="The loads" class="min-w-0">
      <h2 class="text-xl">Loads of the oven</h2>
      <div class="grid gap-x-6 sm:grid-cols-2">
        <QuantityField
          label="Racks"
          wanted="number"
          unit=""
          least={1}
          value={state.racks}
          onvalue={(v) => (state.racks = Math.max(1, Math.round(v)))}
        />
        <QuantityField
          label="A load bakes"
          wanted="number"
          unit="min"
          least={1}
          value={state.minutes}
          onvalue={(v) => (state.minutes = v)}
        />
        <QuantityField
          label="Hot again after"
          wanted="number"
          unit="min"
          value={state.recovery}
          onvalue={(v) => (state.recovery = v)}
        />
      </div>
      {#if state.loads.problem}<Notice problem={state.loads.problem} />{/if}
      {#if loads && made && made.pieces > 0}
        <div class="mt-2 {state.loads.waiting ? 'opacity-60' : ''}">
          <LoadStrips {loads} />
          <p class="text-[16px]">
            <strong>{loads.loads.length} {loads.loads.length === 1 ? 'load' : 'loads'}</strong>, over {length(
              loads.ends_s,
            )} after the first piece. Piped in the order of baking: first the bag, then grey while it dries, green while it
            may bake. By the likely times; the touch and the look decide.
            {#if loads.says}<strong class="text-raspberry">{loads.says}</strong> {loads.remedy}{/if}
          </p>
        </div>
      {/if}
    </section>
  </div>

  <div class="mt-6 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-6 border-t border-line pt-3 lg:grid-cols-3">
    <ColourPart {state} />
    <SievePart {state} />
    <PairsPart {state} />
  </div>
</div>
