<script lang="ts">
  import BakeCurve from '../../lib/draw/BakeCurve.svelte';
  import OvenSection from '../../lib/draw/OvenSection.svelte';
  import PlannedActual from '../../lib/draw/PlannedActual.svelte';
  import WhatIfs from '../../lib/draw/WhatIfs.svelte';
  import { celsius, fromTo, kelvins, origin } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import Pick from '../../lib/parts/Pick.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import Textures from '../../lib/parts/Textures.svelte';
  import { length } from '../../lib/time';
  import { p } from '../../routes';
  import { CLASSES } from '../book/classes';
  import { BakingState, WALLS } from './baking.svelte';

  const bake = new BakingState();
  void bake.load(new URLSearchParams(location.search).get('formula'));
  $effect(() => bake.think());

  let asked = $state<string | null>(null);
  const MODES = ['static', 'fan'] as const;
  const RACKS = ['top', 'middle', 'bottom'] as const;
  const STARTS = ['hot oven', 'cold oven'] as const;
  const view = $derived(bake.baked.value);
  const body = $derived(bake.body);
  const content = {
    get mass_g() {
      return bake.body?.batter_g ?? 1;
    },
    set mass_g(v: number) {
      bake.set({ batter_g: v });
    },
    get density_g_per_ml() {
      return bake.body?.density_g_per_ml ?? 0.4;
    },
    set density_g_per_ml(v: number) {
      bake.set({ density_g_per_ml: v });
    },
  };
  const minutes = (v: number) => (v < 10 ? v.toFixed(1) : String(Math.round(v)));
  const seconds = (v: number | null | undefined) => (v == null ? null : v * 60);
  const tinId = $derived(
    bake.shelf.find((t) => JSON.stringify(t.tin) === JSON.stringify(body?.tin))?.id ?? (body ? 'own' : ''),
  );
  const tins = $derived([
    ...(tinId === 'own' ? [{ value: 'own', label: bake.formula ? 'the formula’s own' : 'a tin' }] : []),
    ...bake.shelf.map((t) => ({ value: t.id, label: t.name })),
  ]);
  const thin = $derived(view !== null && (body?.piece != null || view.pieces !== null));
  const done = $derived(
    view
      ? {
          ...view.minutes,
          low: view.minutes.low * 60,
          likely: view.minutes.likely * 60,
          high: view.minutes.high * 60,
        }
      : null,
  );
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Oven and time</h1>
    <p class="text-quiet">When this batter in this tin in this oven is done, and what would change that.</p>
  </div>
  {#if bake.problem}<Notice problem={bake.problem} />{/if}
  {#if !body && !bake.problem}<Loading what="the bake" />{/if}
  {#if body}
    <div
      class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[18rem_minmax(0,1fr)_minmax(0,20rem)]"
    >
      <section aria-label="Contents" class="grid content-start gap-x-6 gap-y-1 sm:grid-cols-2 lg:grid-cols-1">
        {#if bake.formulas.length > 0}
          <Pick label="Formula" value={bake.formula} options={bake.formulas} onvalue={(v) => void bake.choose(v)} />
        {/if}
        <SlideField
          label="Oven"
          value={body.oven_c}
          low={80}
          high={240}
          step={5}
          shown={celsius(body.oven_c)}
          onvalue={(v) => bake.set({ oven_c: v })}
        />
        <div class="flex flex-wrap gap-x-8">
          <OneOf label="Mode" all={MODES} now={body.mode} onchoose={(mode) => bake.set({ mode })} />
          <OneOf
            label="Start from"
            all={STARTS}
            now={body.cold_oven ? 'cold oven' : 'hot oven'}
            onchoose={(s) => bake.set({ cold_oven: s === 'cold oven' })}
          />
        </div>
        <OneOf label="Rack" all={RACKS} now={body.rack} onchoose={(rack) => bake.set({ rack })} />
        {#if !thin}
          <Choice
            label="Tin"
            value={tinId}
            options={tins}
            onvalue={(id) => {
              const own = bake.shelf.find((t) => t.id === id);
              if (own) bake.set({ tin: $state.snapshot(own.tin) });
            }}
          />
          <Choice
            label="Wall"
            value={body.wall}
            options={WALLS.map((w) => ({ value: w, label: w }))}
            onvalue={(wall) => bake.set({ wall: wall as typeof body.wall })}
          />
        {/if}
        <ContentFields label={thin ? 'On one tray' : 'In one tin'} {content} low={0.15} high={1} />
        <Choice
          label="Class"
          value={body.technique}
          options={CLASSES.filter((c) => c !== 'cooked-yolk mousse').map((c) => ({ value: c, label: c }))}
          onvalue={(technique) => bake.set({ technique: technique as typeof body.technique })}
        />
      </section>
      <section aria-label="The bake" class="min-w-0 {bake.baked.waiting ? 'opacity-60' : ''}" aria-live="polite">
        {#if bake.baked.problem}<Notice problem={bake.baked.problem} />{/if}
        {#if view && done}
          <div class="grid items-end gap-x-6 gap-y-3 sm:grid-cols-[minmax(0,1fr)_minmax(0,17rem)]">
            <div>
              <p class="leading-none">
                <span class="font-display text-[84px] leading-[0.85] font-bold tracking-tight"
                  >{minutes(view.minutes.likely)}</span
                ><span class="ml-2 text-2xl text-quiet">min</span>
                <span class="mt-1 block text-[16px] text-quiet"
                  >{minutes(view.minutes.low)} to {minutes(view.minutes.high)}; {origin(view.minutes)}</span
                >
              </p>
              <p class="mt-2 text-[18px] leading-snug">
                {#if view.turn_min == null}<span class="text-quiet">Do not turn it: it sets too late.</span>{:else}Turn
                  at
                  <strong>{minutes(view.turn_min.likely)} min</strong> ({fromTo(view.turn_min)}).{/if}
                {#if view.cover_min != null}Cover at <strong>{minutes(view.cover_min.likely)} min</strong> ({fromTo(
                    view.cover_min,
                  )}).{/if}
                First look at <strong>{minutes(view.first_look_min)} min</strong>.
              </p>
              <Textures textures={view.textures} />
              <p class="text-[15px] leading-snug text-quiet">
                Stands {Math.round(view.fill_mm)} mm{view.pieces ? `, ${view.pieces} on the tray` : ''}, loses {fromTo(
                  view.lost,
                  100,
                )} % of its weight{view.dome_mm.likely >= 2 ? `, domes ${fromTo(view.dome_mm)} mm` : ''}{view.browned
                  ? `, ${view.browned.likely.toFixed(1)} × as brown as the formula’s own bake (${view.browned.low.toFixed(1)} to ${view.browned.high.toFixed(1)})`
                  : ''}; {origin(view.lost)}.
              </p>
            </div>
            <OvenSection
              mode={body.mode}
              rack={body.rack}
              racks={body.racks}
              section={view.section}
              targetC={body.oven_c}
              width={330}
            />
          </div>
          <div class="mt-3">
            <BakeCurve
              curve={view.curves}
              {done}
              doneC={view.done_c}
              look={view.first_look_min * 60}
              turn={seconds(view.turn_min?.likely)}
              cover={seconds(view.cover_min?.likely)}
              {thin}
              most={620}
              height={270}
            />
          </div>
          {#each view.risks as risk (risk.kind)}
            <p class="mt-2 border-l-[6px] border-copper pl-4 text-[17px] leading-snug">
              <strong>{risk.kind}:</strong>
              {risk.why} <span class="text-quiet">{risk.lever}</span>
            </p>
          {:else}
            <p class="mt-2 border-l-[6px] border-leaf pl-4 text-[17px]">No risk stands out.</p>
          {/each}
          {#if view.looks_wrong.length > 0}
            <p class="mt-3 text-[17px]"><strong>Looks wrong, is right:</strong> {view.looks_wrong.join(' ')}</p>
          {/if}
          <div class="mt-3 grid gap-x-8 gap-y-4 xl:grid-cols-2">
            <div>
              <h2 class="text-xl">Done when</h2>
              <ul class="text-[16px]">
                {#each view.signs as sign (sign.id)}
                  <li class="border-t border-line py-1.5">
                    <strong>{sign.name}:</strong>
                    {sign.sees} <span class="text-quiet">Not yet: {sign.not_yet}</span>
                  </li>
                {/each}
              </ul>
              <h2 class="mt-3 text-xl">Straight after</h2>
              <ol class="text-[16px]">
                {#each view.after as next (next.id)}
                  <li class="border-t border-line py-1.5">
                    <strong>{next.do}</strong> <span class="text-quiet">{next.prevents}</span>
                  </li>
                {/each}
              </ol>
            </div>
            <div>
              {#if view.cooling.gates.length}
                <h2 class="text-xl">Cools to</h2>
                <ul class="text-[16px]">
                  {#each view.cooling.gates as gate (gate.kind)}
                    <li class="border-t border-line py-1.5">
                      <strong>{gate.kind} at {celsius(gate.to_c)}, {length(gate.after_s.likely)}</strong>
                      <span class="text-quiet"
                        >({length(gate.after_s.low)} to {length(gate.after_s.high)}) {gate.why}</span
                      >
                    </li>
                  {/each}
                </ul>
                {#if view.cooling.gates[0]}<p class="text-[14px] text-quiet">
                    Times: {origin(view.cooling.gates[0].after_s)}; temperatures: trade habit.
                  </p>{/if}
              {/if}
              {#each bake.asks.value?.carry_over.slice(0, 2) ?? [] as over (over.early_min)}
                <p class="border-t border-line py-1.5 text-[16px]">
                  Taken out {over.early_min === 0 ? 'when done' : `${over.early_min} min early`}, the middle warms by
                  another
                  <strong>{kelvins(over.rise_k.low).slice(1)} to {kelvins(over.rise_k.high).slice(1)}</strong>
                  <span class="text-quiet"
                    >within {length(over.after_min.low * 60)} to {length(over.after_min.high * 60)} on the rack, by the model.</span
                  >
                </p>
              {/each}
            </div>
          </div>
        {/if}
      </section>
      <section aria-label="What if" class={bake.asks.waiting ? 'opacity-60' : ''}>
        <h2 class="mb-1 text-xl">What if</h2>
        {#if bake.asks.problem}<Notice problem={bake.asks.problem} />{/if}
        {#if bake.asks.value && view}
          <WhatIfs
            answers={bake.asks.value.answers}
            base={view.minutes.likely}
            chosen={asked}
            onchoose={(id) => (asked = id === asked ? null : id)}
          />
        {/if}
        {#if bake.past.length > 0}
          <h2 class="mt-5 mb-1 text-xl">Baked before</h2>
          <p class="text-[15px] text-quiet">Ring: predicted. Dot: actual.</p>
          <PlannedActual
            bakes={bake.past.slice(0, 8)}
            href={(id) => p('/log/:bake', { params: { bake: id } })}
            named={false}
          />
        {/if}
      </section>
    </div>
  {/if}
</div>
