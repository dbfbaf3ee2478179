<script lang="ts">
  import BrowningTray from '../../lib/draw/BrowningTray.svelte';
  import Learning from '../../lib/draw/Learning.svelte';
  import OvenPlaces from '../../lib/draw/OvenPlaces.svelte';
  import PlannedActual from '../../lib/draw/PlannedActual.svelte';
  import { celsius, kelvins } from '../../lib/figures.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import OneOf from '../../lib/parts/OneOf.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { day, length } from '../../lib/time';
  import { p, route } from '../../routes';
  import { GRADES, OvenState, RACKS } from './oven.svelte';

  const oven = new OvenState(route.params.oven!);
  void oven.load();

  const profile = $derived(oven.profile);
  let chosenBake = $state<string | null>(null);
  let chosenReading = $state<string | null>(null);
  const bake = $derived(profile?.time_steps.find((s) => s.id === chosenBake));
  const reading = $derived(profile?.degrees_steps.find((s) => s.id === chosenReading));
  const MODES = ['static', 'fan'] as const;
  const factor = (v: number) => `${v.toFixed(2)} ×`;
  const trust = (share: number) => (share > 0.9 ? 'trusted' : share > 0.5 ? 'half trusted' : 'too strange to count');
</script>

<div class="px-4 py-4 sm:px-6">
  {#if oven.problem}<Notice problem={oven.problem} />{/if}
  {#if !profile && !oven.problem}<Loading what="the oven" />{/if}
  {#if profile}
    <p><a class="text-quiet underline" href={p('/kitchen')}>Kitchen</a></p>
    <div class="flex flex-wrap items-baseline justify-between gap-x-6">
      <h1 class="text-3xl">{profile.name}</h1>
      <p class="text-quiet">{profile.mode}, {profile.bakes_used} bakes and {profile.checks_used} readings behind it</p>
    </div>
    <div class="mt-2 flex flex-wrap gap-x-14 gap-y-3">
      {@render big(
        'Offset (thermometer − dial)',
        profile.checks_used ? kelvins(profile.offset.offset_k.likely) : '?',
        profile.checks_used
          ? `${kelvins(profile.offset.offset_k.low)} to ${kelvins(profile.offset.offset_k.high)}; for ${celsius(170)} set ${celsius(profile.offset.dial_c)}`
          : `not measured${profile.entered_offset_k ? `; entered: ${kelvins(profile.entered_offset_k)}` : ''}`,
      )}
      {@render big(
        'Time against the model',
        profile.bakes_used ? factor(profile.time.factor.likely) : '?',
        `${factor(profile.time.factor.low)} to ${factor(profile.time.factor.high)}; ${
          profile.time.trusted ? 'reliable' : `reliable after about ${profile.time.trusted_after} bakes`
        }`,
      )}
      {@render big(
        'Swing',
        profile.swing_k ? `±${kelvins(profile.swing_k.likely).slice(1)}` : '?',
        profile.period_s ? `each ${length(profile.period_s)}, by its probe` : 'put a probe in it for one bake',
      )}
      {@render big(
        'Heats up by',
        kelvins(profile.rise_k_per_min.likely).slice(1),
        `per min, ${profile.rise_k_per_min.basis}${profile.recovers_s ? `; back from an open door in ${length(profile.recovers_s)}` : ''}`,
      )}
    </div>
    {#if profile.says}<p class="mt-3 border-l-[6px] border-copper pl-4 text-[17px]">{profile.says}</p>{/if}

    <div class="mt-5 grid grid-cols-[minmax(0,1fr)] gap-x-12 gap-y-8 lg:grid-cols-2">
      <section aria-label="Time">
        <h2 class="text-2xl">Minutes against the model</h2>
        {#if profile.time_steps.length > 0}
          <Learning
            steps={profile.time_steps.map((s) => ({
              id: s.id,
              value: s.ratio,
              low: s.after_low,
              likely: s.after_factor,
              high: s.after_high,
              trusted: s.trusted,
              leftOut: s.left_out,
              above: s.above,
              words: `${s.title}, ${day(s.at)}: ${s.above ? 'more than ' : ''}${Math.round(s.observed_min)} minutes, predicted ${Math.round(s.modelled_min)}`,
            }))}
            none={1}
            log
            say={(v) => v.toFixed(2)}
            chosen={chosenBake}
            onchoose={(id) => (chosenBake = id === chosenBake ? null : id)}
            label="Every bake, and what was believed of this oven's time after it"
          />
          {#if bake}
            <p class="text-[17px]">
              <strong>{bake.title}</strong>, {day(bake.at)}: {bake.above ? 'not yet done after' : ''}
              {Math.round(bake.observed_min)} min, predicted {Math.round(bake.modelled_min)}; {bake.left_out
                ? 'left out'
                : trust(bake.trusted)}.
              <button class="min-h-11 px-2 font-semibold underline" onclick={() => oven.count(bake.id, !bake.left_out)}
                >{bake.left_out ? 'Include it' : 'Exclude it'}</button
              >
              <a class="px-2 underline" href={p('/log/:bake', { params: { bake: bake.bake } })}>its record</a>
            </p>
          {:else}
            <p class="text-[15px] text-quiet">
              Each dot is a bake; the band is the estimate after it. Touch one to see it, or to exclude it.
            </p>
          {/if}
          {#each profile.families as kind (kind.family)}
            <p class="border-t border-line py-1.5 text-[17px]">
              <strong>{kind.family}</strong>
              {factor(kind.time.factor.likely)}
              <span class="text-quiet"
                >({factor(kind.time.factor.low)} to {factor(kind.time.factor.high)}), {kind.time.trusted
                  ? 'trusted'
                  : `reliable after about ${kind.time.trusted_after} bakes`}</span
              >
            </p>
          {/each}
        {:else}
          <p class="text-quiet">After one bake in it, its pace shows here.</p>
        {/if}
      </section>

      <section aria-label="Temperature">
        <h2 class="text-2xl">Degrees by place</h2>
        <div class="flex flex-wrap items-start gap-x-8">
          <div class="min-w-0 grow basis-72">
            <OvenPlaces places={profile.places} mode={oven.mode} dial={celsius} />
          </div>
          <form
            class="min-w-56 grow basis-56"
            aria-label="A reading of an oven thermometer"
            onsubmit={(e) => {
              e.preventDefault();
              void oven.keepReading();
            }}
          >
            <QuantityField
              label="Dial set to"
              wanted="temperature"
              unit="C"
              step={5}
              value={oven.set}
              onvalue={(v) => (oven.set = v)}
            />
            <QuantityField
              label="Reading once steady"
              wanted="temperature"
              unit="C"
              value={oven.measured}
              onvalue={(v) => (oven.measured = v)}
            />
            <OneOf label="Rack" all={RACKS} now={oven.rack} onchoose={(r) => (oven.rack = r)} />
            <OneOf label="Mode" all={MODES} now={oven.mode} onchoose={(m) => (oven.mode = m)} />
            <button class="act act-small mt-1" type="submit">Save</button>
          </form>
        </div>
        {#if profile.degrees_steps.length > 0}
          <Learning
            steps={profile.degrees_steps.map((s) => ({
              id: s.id,
              value: s.measured_c - s.set_c,
              low: s.after_k == null ? null : s.after_k - 1.3 * s.after_sd_k!,
              likely: s.after_k,
              high: s.after_k == null ? null : s.after_k + 1.3 * s.after_sd_k!,
              trusted: s.trusted,
              leftOut: s.left_out,
              above: false,
              words: `${day(s.at)}: set ${Math.round(s.set_c)}, showed ${Math.round(s.measured_c)}, ${s.rack} rack, ${s.mode}`,
            }))}
            none={0}
            say={(v) => kelvins(v)}
            chosen={chosenReading}
            onchoose={(id) => (chosenReading = id === chosenReading ? null : id)}
            label="Every reading, and what was believed of the middle rack after it"
            height={150}
          />
          {#if reading}
            <p class="text-[17px]">
              {day(reading.at)}: dial {celsius(reading.set_c)}, showed <strong>{celsius(reading.measured_c)}</strong>, {reading.rack}
              rack, {reading.mode}; {reading.left_out ? 'left out' : trust(reading.trusted)}.
              <button
                class="min-h-11 px-2 font-semibold underline"
                onclick={() => oven.count(reading.id, !reading.left_out)}
                >{reading.left_out ? 'Include it' : 'Exclude it'}</button
              >
            </p>
          {/if}
        {/if}
      </section>

      <section aria-label="Hot side">
        <h2 class="text-2xl">Hot side</h2>
        {#if oven.marking}
          <p class="mb-2 text-[17px]">
            Bake a tray of shells or slices once, and mark each as brown as it came out: every touch is a shade darker,
            then empty.
          </p>
          <BrowningTray
            rows={oven.rows}
            places={oven.told.value?.places_k}
            names={GRADES}
            onshade={(i, j) => oven.shade(i, j)}
          />
          {#if oven.told.problem}<Notice problem={oven.told.problem} />{/if}
          {#if oven.told.value}<p class="mt-2 text-[17px] font-semibold" aria-live="polite">
              {oven.told.value.advice}
            </p>{/if}
          <div class="mt-2 flex gap-3">
            <button class="act act-small" onclick={() => oven.keepMap()}>Save this map</button>
            <button class="act act-small" onclick={() => (oven.marking = false)}>Cancel</button>
          </div>
        {:else if profile.map}
          <BrowningTray rows={profile.map.rows} places={profile.map.places_k} names={GRADES} />
          <p class="mt-2 text-[17px]">
            <strong>{profile.map.advice}</strong>
            <span class="text-quiet"
              >{day(profile.map.at)}; the plane explains {Math.round(100 * profile.map.sure)} % of the marks; a shade counts
              as {kelvins(profile.map.k_per_grade).slice(1)}, chosen by eye.</span
            >
          </p>
          <button class="act act-small mt-2" onclick={() => oven.startMap()}>Mark another tray</button>
        {:else}
          <p class="max-w-prose text-[17px] text-quiet">
            Which side browns first? Bake a tray of shells or slices of bread once, without turning it, and mark it
            here.
          </p>
          <button class="act act-small mt-2" onclick={() => oven.startMap()}>Mark a tray</button>
        {/if}
      </section>

      {#if oven.past.length > 0}
        <section aria-label="Predicted and actual">
          <h2 class="text-2xl">Predicted and actual</h2>
          <p class="mb-1 text-[15px] text-quiet">Ring: predicted from the formula’s own time. Dot: actual. Minutes.</p>
          <PlannedActual bakes={oven.past.slice(0, 12)} href={(id) => p('/log/:bake', { params: { bake: id } })} />
        </section>
      {/if}
    </div>
  {/if}
</div>

{#snippet big(name: string, value: string, words: string)}
  <p class="max-w-80">
    <span class="block text-[15px] text-quiet">{name}</span>
    <span class="block font-display text-[42px] leading-tight font-bold">{value}</span>
    <span class="block text-[15px] text-quiet">{words}</span>
  </p>
{/snippet}
