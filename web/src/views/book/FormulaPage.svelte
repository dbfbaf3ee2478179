<script lang="ts">
  import {
    api,
    ask,
    problemOf,
    type ForecastView,
    type Kitchen,
    type Problem,
    type Schemas,
  } from '../../lib/api/client';
  import { Asking } from '../../lib/asking.svelte';
  import Band from '../../lib/draw/Band.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { celsius, grams, litres, origin, spoonfuls } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import WishPicker from '../../lib/parts/WishPicker.svelte';
  import { length } from '../../lib/time';
  import { Wish } from '../../lib/wish.svelte';
  import { route } from '../../routes';
  import Process from './Process.svelte';

  const formula_id = route.params.formula!;
  const wish = new Wish();
  const forecast = new Asking<ForecastView>();
  let view = $state<Schemas['FormulaView'] | null>(null);
  let kitchen = $state<Kitchen | null>(null);
  let problem = $state<Problem | null>(null);
  let picked = $state<string | null>(null);

  Promise.all([
    ask(api.GET('/api/formulas/{formula_id}', { params: { path: { formula_id } } })),
    ask(api.GET('/api/kitchen')),
  ]).then(
    ([f, k]) => {
      view = f;
      kitchen = k.kitchen;
    },
    (error) => (problem = problemOf(error)),
  );

  $effect(() => {
    const query = wish.query;
    forecast.ask(() =>
      ask(api.GET('/api/formulas/{formula_id}/forecast', { params: { path: { formula_id }, query } })),
    );
  });

  const shown = $derived(forecast.value);
  const fill = $derived(shown?.steps.find((s) => s.section?.rise_mm)?.section ?? null);
  const step = $derived(shown?.steps.find((s) => s.id === picked) ?? null);
</script>

<div class="px-4 py-5 sm:px-6">
  {#if problem}<Notice {problem} />{/if}
  {#if view && shown}
    <div class="flex flex-wrap items-baseline justify-between gap-x-6">
      <h1 class="text-3xl">{view.formula.title}</h1>
      <p class="text-quiet">
        {view.formula.technique}, version {view.version}
        <a class="ml-4 inline-flex min-h-11 items-center underline" href="/api/formulas/{formula_id}.jsonld" download
          >Save as JSON-LD</a
        >
      </p>
    </div>
    <p class="max-w-prose text-lg text-quiet">{view.formula.summary}</p>

    <div
      class="mt-4 grid gap-x-10 gap-y-6 transition-opacity md:grid-cols-2 lg:grid-cols-[23rem_minmax(0,20rem)_minmax(0,1fr)] {forecast.waiting
        ? 'opacity-60'
        : ''}"
    >
      <div>
        <WishPicker {wish} {kitchen} forecast={shown} />
        {#if forecast.problem}<Notice problem={forecast.problem} />{/if}
        {#if fill}
          <figure>
            <figcaption class="mt-2 font-semibold text-quiet">
              {shown.tin_count > 1 ? `${shown.tin_count} × ` : ''}{shown.tin_name}
            </figcaption>
            <Section section={fill} width={366} height={210} />
            {#if fill.rise_mm}<p class="mt-1 text-sm text-quiet">Rise: {origin(fill.rise_mm)}.</p>{/if}
          </figure>
        {/if}
      </div>
      <div>
        <h2 class="mb-1 text-lg">To weigh</h2>
        <ul>
          {#each shown.ingredients as i (i.id)}
            <li class="flex items-baseline justify-between gap-4 border-b border-line py-1 text-lg">
              <span
                >{i.name}{#if i.allergens.length}<span class="ml-2 text-sm text-raspberry"
                    >{i.allergens.join(', ')}</span
                  >{/if}</span
              >
              <span class="whitespace-nowrap"
                ><span class="mr-3 text-sm text-quiet">{spoonfuls(i.bulk_ml)}</span><strong>{grams(i.grams)}</strong
                ></span
              >
            </li>
            {#each i.roles ?? [] as share (share.role)}
              <li class="flex items-baseline justify-between gap-4 border-b border-line py-0.5 pl-5 text-quiet">
                <span>for the {share.role.toLowerCase()}</span><span>{grams(share.grams)}</span>
              </li>
            {/each}
          {/each}
        </ul>
        <p class="mt-2 text-quiet">
          Weights lead; cups and spoons are good to about a tenth.
          {grams(shown.total_g)} in all, {shown.factor.toFixed(2)} times the formula.
          {#if shown.eggs}Crack {shown.eggs.count} eggs ({shown.eggs.size.toUpperCase()}){#if shown.eggs.left_white_g > 1 || shown.eggs.left_yolk_g > 1};
              {grams(shown.eggs.left_white_g)} white and {grams(shown.eggs.left_yolk_g)} yolk are left{/if}. Eggs
            differ: beat and weigh.{/if}
        </p>
      </div>
      <div>
        <h2 class="mb-1 text-lg">Balance</h2>
        <dl>
          {#each shown.balance as r (r.id)}
            <div class="flex items-baseline gap-x-4 border-b border-line py-1">
              <dt class="w-32 shrink-0 text-lg">{r.name}</dt>
              <dd class="leading-snug">
                <strong class="mr-3 text-xl">{r.value.toFixed(2)}</strong><span class="text-quiet">more: {r.more}</span>
              </dd>
            </div>
          {/each}
        </dl>
        <p class="mt-2 text-quiet">Grams to a gram, by composition tables (recalled, unchecked).</p>
        {#each shown.warnings as w (w.text)}
          <p class="mt-3 border-l-[6px] pl-4 {w.level === 'note' ? 'border-copper' : 'border-raspberry'}">
            <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
          </p>
        {/each}
      </div>
    </div>

    <h2 class="mt-8 mb-2 text-2xl">How it goes</h2>
    <Process steps={shown.steps} {picked} onpick={(id) => (picked = picked === id ? null : id)} />

    {#if step}
      <div
        class="mt-4 grid gap-x-10 gap-y-4 border-t-2 border-ink pt-4 lg:grid-cols-[minmax(0,1fr)_22rem_24rem]"
        aria-live="polite"
      >
        <div class="space-y-2 text-[17px]">
          <h3 class="font-display text-2xl font-semibold">
            {step.title}{#if step.setup}<span class="font-sans text-lg font-normal text-quiet">, {step.setup}</span
              >{/if}
          </h3>
          <p><strong>{step.do}</strong> <span class="text-quiet">{step.why}</span></p>
          <p class="text-quiet">
            {step.inputs.map((i) => `${grams(i.grams)} ${i.ingredient ? i.name : `from “${i.name}”`}`).join(', ')}
          </p>
          <p>
            {length(step.duration_s.low)} to {length(step.duration_s.high)}, likely
            <strong>{length(step.duration_s.likely)}</strong>
            <span class="text-quiet">({origin(step.duration_s)}); hands: {step.attention}</span>
          </p>
          {#if step.hold_s}<p>
              Then it may wait <strong>{length(step.hold_s.likely)}</strong>
              <span class="text-quiet">({origin(step.hold_s)}). {step.hold_why}</span>
            </p>{/if}
          {#each step.cues as cue (cue.id)}<p>
              After about {length(cue.after_s.likely)}: <strong>{cue.do}</strong>, {cue.look}.
            </p>{/each}
          {#each step.cautions as c (c.id)}<p class="border-l-[6px] border-raspberry pl-4">
              <strong>{c.text}</strong> <span class="text-quiet">{c.reason} {c.defers}</span>
            </p>{/each}
        </div>
        <div>
          {#if step.section}<Section section={step.section} width={340} height={210} />{/if}
          {#if step.material.mass_g > 0}<p class="text-quiet">
              {grams(step.material.mass_g)}, {litres(step.material.volume_ml.likely)}, about {celsius(
                step.material.temperature_c,
              )}
            </p>{/if}
        </div>
        <div class="space-y-4">
          {#each step.checkpoints as c (c.id)}
            <div>
              <p><strong>{c.name}.</strong> {c.sees}</p>
              {#if c.band}<div class="mt-2"><Band band={c.band} /></div>{/if}
            </div>
          {/each}
        </div>
      </div>
    {/if}

    <h2 class="mt-8 mb-2 text-2xl">Where bakers disagree, this formula…</h2>
    <dl class="grid gap-x-10 gap-y-3 md:grid-cols-2">
      {#each view.schools as s (s.question + s.choice)}
        <div>
          <dt class="text-quiet">{s.question}: <strong class="text-ink">{s.choice}</strong></dt>
          <dd>{s.trades} <span class="text-quiet">Others: {s.others.join('; ')}.</span></dd>
        </div>
      {/each}
    </dl>
  {/if}
</div>
