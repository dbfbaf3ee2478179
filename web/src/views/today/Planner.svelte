<script lang="ts">
  import Braid from '../../lib/draw/Braid.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { grams, origin } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import Working from '../../lib/parts/Working.svelte';
  import WishPicker from '../../lib/parts/WishPicker.svelte';
  import { clock, length, until, when } from '../../lib/time';
  import { navigate } from '../../routes';
  import type { Day } from './today.svelte';

  type Props = { today: Day; first: boolean };
  let { today, first }: Props = $props();

  $effect(() => today.consider());

  let starting = $state(false);
  let asking = $state(false);
  let picked = $state<string | null>(null);
  const plan = $derived(today.plan.value);
  const forecast = $derived(today.forecast.value);
  const fill = $derived(forecast?.steps.find((s) => s.section?.rise_mm)?.section ?? null);
  const late = $derived((plan?.late_by_s ?? 0) > 0);
  const schedule = $derived(
    (plan?.steps ?? []).flatMap((s) => {
      const step = forecast?.steps.find((f) => f.id === s.step);
      return step ? [{ ...s, step }] : [];
    }),
  );
  const opened = $derived(schedule.find((s) => s.step.id === picked));
  const wait = $derived(plan ? until(plan.start_at, now.value) : 0);

  const SOON_S = 300;

  /** Before its time one is asked: now, or when it was planned. */
  function begin(): void {
    if (late || wait < SOON_S) return void start('planned');
    today.hurry();
    asking = true;
  }

  async function start(how: 'planned' | 'now'): Promise<void> {
    starting = true;
    asking = false;
    const bake = await today.start(how);
    starting = false;
    if (bake) await navigate('/bench/:bake', { params: { bake } });
  }
</script>

<section class="px-4 pt-5 sm:px-6" aria-label="Plan a bake">
  <div class="grid gap-x-10 gap-y-5 lg:grid-cols-[23rem_minmax(0,1fr)]">
    <div class="space-y-4">
      {#if first}<h1 class="text-3xl">What should be ready, and when?</h1>{:else}<h2 class="text-2xl">
          Plan another
        </h2>{/if}
      <Choice
        label="Formula"
        value={today.formula}
        options={today.formulas.map((f) => ({ value: f.id, label: f.title }))}
        onvalue={(v) => (today.formula = v)}
      />
      <label class="block font-semibold">
        Ready at
        <input
          class="field mt-1 text-2xl font-bold"
          bind:value={today.readyAt}
          inputmode="numeric"
          autocomplete="off"
          aria-invalid={today.moment ? undefined : 'true'}
        />
      </label>
      {#if !today.moment}<p role="alert" class="font-semibold text-raspberry">
          Write a time of day, such as 15:40.
        </p>{/if}
      {#if today.kitchen?.people?.length}
        <Choice
          label="Hands"
          value={today.hands}
          options={[
            { value: '', label: 'not said' },
            ...today.kitchen.people.map((one) => ({ value: one.id, label: one.name })),
          ]}
          onvalue={(id) => (today.hands = id)}
        />
      {/if}
      <WishPicker wish={today.wish} kitchen={today.kitchen} {forecast} />
      {#if fill}
        <figure class="transition-opacity {today.forecast.waiting ? 'opacity-60' : ''}">
          <figcaption class="font-semibold text-quiet">
            {fill.name}{fill.count > 1 ? `, ${fill.count} of them` : ''}
          </figcaption>
          <Section section={fill} width={360} height={210} />
          {#if fill.rise_mm}<p class="mt-1 text-sm text-quiet">Rise: {origin(fill.rise_mm)}.</p>{/if}
        </figure>
      {/if}
    </div>

    <div
      class="min-w-0 space-y-4 transition-opacity {today.plan.waiting || today.forecast.waiting ? 'opacity-60' : ''}"
    >
      <Working asking={today.plan} what="the plan" />
      {#if today.plan.problem}<Notice problem={today.plan.problem} />{/if}
      {#if plan && forecast}
        <div class="flex flex-wrap items-end justify-between gap-4">
          <div>
            <p class="font-display text-[2.6rem] leading-none font-semibold" data-testid="begin">
              {late ? 'Not in time' : wait < 60 ? 'Begin now' : `Begin ${when(plan.start_at, now.value)}`}
            </p>
            <p class="mt-1 text-lg">
              {#if late}
                <strong class="text-raspberry"
                  >Ready {when(plan.ready_at, now.value)}, {length(plan.late_by_s)} late.</strong
                >
              {:else}
                <strong class="text-leaf">Ready {when(plan.ready_at, now.value)}</strong>, {clock(plan.ready_low_at)} to {clock(
                  plan.ready_high_at,
                )};
                {wait > 60 ? `${length(wait)} from now.` : 'just in time.'}
              {/if}
              <span class="text-quiet">{plan.because}</span>
            </p>
          </div>
          <button class="act {first ? 'act-now' : ''} min-w-48 text-xl" disabled={starting} onclick={begin}
            >{late ? 'Start anyway' : 'Start this bake'}</button
          >
        </div>
        <div class="-mx-3 bg-surface py-2">
          <Braid
            braid={plan.braid}
            anchor={Date.parse(plan.braid_origin)}
            resources
            laneHeight={32}
            label="Braid of the plan"
            current={picked}
            onpick={(step) => (picked = picked === step ? null : step)}
          />
        </div>
        {#if opened}
          <p class="border-l-[6px] border-ink pl-4 text-[17px]" aria-live="polite">
            <strong>{clock(opened.start)} {opened.step.title}</strong>{[opened.step.vessel_name, opened.step.setup]
              .filter(Boolean)
              .map((w) => `, ${w}`)
              .join('')}: {length(opened.step.duration_s.low)} to {length(opened.step.duration_s.high)}
            <span class="text-quiet">({origin(opened.step.duration_s)})</span>. {opened.step.do}
            {#if opened.step.hold_s}Then it can wait {length(opened.step.hold_s.likely)}.{/if}
          </p>
        {/if}
        {#each forecast.warnings as w (w.text)}
          <p class="border-l-[6px] pl-4 {w.level === 'note' ? 'border-copper' : 'border-raspberry'}">
            <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
          </p>
        {/each}
        <div>
          <h2 class="mb-1 text-lg">When each step starts</h2>
          <ol class="gap-x-8 text-[16px] sm:columns-2 xl:columns-3">
            {#each schedule as s (s.step.id)}
              <li class="flex gap-3 py-0.5 {picked === s.step.id ? 'font-bold' : ''}">
                <span class="font-semibold">{clock(s.start)}</span>{s.step.title}
              </li>
            {/each}
          </ol>
        </div>
        <p class="text-quiet">
          {grams(forecast.total_g)} in all{#if forecast.eggs}; {forecast.eggs.count} eggs ({forecast.eggs.size.toUpperCase()}){#if forecast.eggs.left_white_g > 1 || forecast.eggs.left_yolk_g > 1},
              {grams(forecast.eggs.left_white_g)} white and {grams(forecast.eggs.left_yolk_g)} yolk left over{/if}{/if}.
          {forecast.contains}
          {forecast.labels}
        </p>
      {/if}
    </div>
  </div>
</section>

{#if plan}
  <Sheet bind:open={asking} title="It is not time yet" description="Planned to begin {when(plan.start_at, now.value)}.">
    <div class="space-y-3">
      <button class="act act-now min-h-[64px] w-full text-xl" disabled={starting} onclick={() => start('now')}>
        {#if today.soonest.value && !today.soonest.waiting}Begin now: ready {when(
            today.soonest.value.ready_at,
            now.value,
          )} ({clock(today.soonest.value.ready_low_at)} to {clock(today.soonest.value.ready_high_at)}){:else}Begin now{/if}
      </button>
      <button class="act min-h-[64px] w-full bg-ground text-xl" disabled={starting} onclick={() => start('planned')}
        >Begin {when(plan.start_at, now.value)}, with a bell: ready {when(plan.ready_at, now.value)} ({clock(
          plan.ready_low_at,
        )} to {clock(plan.ready_high_at)})</button
      >
      {#if today.soonest.problem}<p class="text-quiet">{today.soonest.problem.detail}</p>{/if}
    </div>
  </Sheet>
{/if}
