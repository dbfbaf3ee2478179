<script lang="ts">
  import Section from '../../lib/draw/Section.svelte';
  import { celsius, fromTo, litres } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import SlideField from '../../lib/parts/SlideField.svelte';
  import { length } from '../../lib/time';
  import { p } from '../../routes';
  import { MapState, METHODS, WARMTH } from './map.svelte';
  import MapPicture from './MapPicture.svelte';

  const map = new MapState();
  void map.load();
  $effect(() => map.look());

  const spot = $derived(map.spot.value);
  const rank = (share: number, words: [string, string, string, string]) =>
    words[Math.min(3, Math.floor(share * 4))] ?? words[0];
  const nearest = $derived(
    [...map.book]
      .filter((e) => e.method === map.method && Math.abs(e.sugar_to_white - map.ratio) < 0.12)
      .sort((a, b) => Math.abs(a.sugar_to_white - map.ratio) - Math.abs(b.sugar_to_white - map.ratio))
      .slice(0, 4),
  );
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Sugar and whites</h1>
    <p class="text-quiet">Move the line, or touch a mark: every meringue of the Book is on it.</p>
  </div>
  {#if map.problem}<Notice problem={map.problem} />{/if}
  {#if map.spot.problem}<Notice problem={map.spot.problem} />{/if}
  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.55fr)_minmax(0,1fr)]">
    <section aria-label="Map">
      <div class="flex flex-wrap gap-2" role="group" aria-label="Method">
        {#each METHODS as method (method)}
          <button
            class="act act-small {map.method === method ? 'bg-ink text-surface' : ''}"
            aria-pressed={map.method === method}
            onclick={() => (map.method = method)}>{method}</button
          >
        {/each}
      </div>
      <MapPicture {map} />
    </section>
    <section aria-label="This meringue" class={map.spot.waiting ? 'opacity-60' : ''}>
      {#if map.line}<div class="grid gap-x-6 sm:grid-cols-3 lg:grid-cols-1">
          <SlideField
            label="Sugar per part of whites"
            value={map.ratio}
            low={map.least}
            high={map.most}
            step={0.05}
            shown={map.ratio.toFixed(2)}
            onvalue={(v) => map.set(v)}
          />
          <SlideField
            label={WARMTH[map.method]}
            value={map.celsius ?? 0}
            low={map.line.coolest_c}
            high={map.line.hottest_c}
            step={1}
            shown={celsius(map.celsius ?? 0)}
            onvalue={(v) => (map.warmth[map.method] = v)}
          />
          <SlideField
            label="Acid, as cream of tartar on the white"
            value={map.acid}
            low={0}
            high={1}
            step={0.05}
            shown="{map.acid.toFixed(2)} %"
            onvalue={(v) => (map.acid = v)}
          />
        </div>{/if}
      {#if spot}
        <div class="mt-1 flex flex-wrap items-end gap-x-6 gap-y-2">
          <Section section={spot.section} width={230} height={128} />
          <p class="leading-tight">
            <span class="font-display text-5xl font-bold">{spot.density_g_per_ml.likely.toFixed(2)}</span> g/ml
            <span class="block text-quiet"
              >{spot.density_g_per_ml.low.toFixed(2)} stiff to {spot.density_g_per_ml.high.toFixed(2)} soft</span
            >
          </p>
        </div>
        <dl class="mt-3 grid grid-cols-[auto_1fr] gap-x-5 gap-y-1.5 text-[17px]">
          <dt class="text-quiet">Keeps</dt>
          <dd>
            <strong>{length(spot.hold_s.likely)}</strong> ({length(spot.hold_s.low)} to {length(spot.hold_s.high)}):
            {rank(spot.steadiness, ['fleeting', 'for a quick hand', 'steady', 'very steady'])}
          </dd>
          <dt class="text-quiet">Whips in</dt>
          <dd>
            <strong>{length(spot.whip_s.likely)}</strong> ({length(spot.whip_s.low)} to {length(spot.whip_s.high)}),
            over-whipped from about {length(spot.over_s.likely)}
          </dd>
          <dt class="text-quiet">Makes</dt>
          <dd>
            <strong>{litres(spot.volume_ml.likely)}</strong> ({litres(spot.volume_ml.low)} to {litres(
              spot.volume_ml.high,
            )}) of 100 g of white
          </dd>
          <dt class="text-quiet">Shine</dt>
          <dd>
            <strong>{rank(spot.gloss, ['dull', 'soft sheen', 'glossy', 'mirror-like'])}</strong>: {fromTo(
              spot.film_percent,
            )} % of sugar in the water between its bubbles{spot.undissolved.likely > 0.01
              ? `; ${fromTo(spot.undissolved, 100)} % of the sugar can't dissolve at this warmth`
              : ''}
          </dd>
          <dt class="text-quiet">For</dt>
          <dd>
            {#each spot.uses.filter((u) => u.fit !== 'not this') as use, i (use.use)}{i ? ', ' : ''}<strong
                >{use.use}</strong
              >{use.fit === 'good' ? '' : ` nearly (${use.why})`}{:else}no use within these bands{/each}
          </dd>
          {#if nearest.length > 0}
            <dt class="text-quiet">In the Book</dt>
            <dd>
              {#each nearest as entry, i (entry.formula_id + entry.step)}{i ? ', ' : ''}<a
                  class="underline"
                  href={p('/book/:formula', { params: { formula: entry.formula_id } })}>{entry.title}</a
                >{/each}
            </dd>
          {/if}
        </dl>
        <p class="mt-2 text-[15px] text-quiet">
          French density is the meringue model's; what dissolves is published; bands, times and uses are trade habit.
          Shine and stability are ranks, not measurements.
        </p>
      {/if}
    </section>
  </div>
</div>
