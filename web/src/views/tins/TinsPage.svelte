<script lang="ts">
  import Paper from '../../lib/draw/Paper.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { grams, litres, origin } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import ContentFields from '../../lib/parts/ContentFields.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { p } from '../../routes';
  import { CLASSES } from '../book/classes';
  import { paperOf, TinsState } from './tins.svelte';

  const tins = new TinsState();
  void tins.load();
  $effect(() => tins.look());

  /** Nothing stands there by a figure that is asked about. */
  const view = $derived(tins.standing.problem ? null : tins.standing.value);
  const tin = $derived(tins.tin);
  const mm = (value: number) => Math.round(value);
  const sheet = $derived(tin?.tin.shape === 'sheet');
</script>

<div class="px-4 py-4 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">Tins and paper</h1>
    <p class="text-quiet">How a batter stands, what it will do, which tins take it, and the paper that lines them.</p>
  </div>
  {#if tins.problem}<Notice problem={tins.problem} />{/if}
  {#if tins.shelf.length === 0 && !tins.problem}
    <p class="mt-4 max-w-prose text-lg text-quiet">
      No tin stands on the shelf yet. <a class="underline" href={p('/kitchen')}>Enter yours in Kitchen</a>, measured
      inside.
    </p>
  {/if}
  <div class="mt-2 grid grid-cols-[minmax(0,1fr)] gap-x-10 gap-y-5 lg:grid-cols-[20rem_minmax(0,1fr)_minmax(0,20rem)]">
    <section aria-label="The batter" class="grid content-start gap-x-6 sm:grid-cols-2 lg:grid-cols-1">
      <ContentFields label="Batter" bind:content={tins.batter} low={0.2} high={1.1} />
      <Choice
        label="Class"
        value={tins.technique}
        options={[{ value: '', label: 'any foam batter' }, ...CLASSES.map((c) => ({ value: c, label: c }))]}
        onvalue={(v) => (tins.technique = v as typeof tins.technique)}
      />
      <div class="mt-3">
        <QuantityField
          label="Baking powder in it"
          wanted="mass"
          unit="g"
          step={0.5}
          value={tins.leavener}
          onvalue={(v) => (tins.leavener = v)}
        />
      </div>
    </section>
    <section aria-label="In the tin" class="min-w-0">
      <Choice
        label="Tin"
        value={tins.id}
        options={tins.shelf.map((t) => ({ value: t.id, label: t.count > 1 ? `${t.name}, ${t.count}` : t.name }))}
        onvalue={(v) => (tins.id = v)}
      />
      {#if tins.standing.problem}
        <Notice problem={tins.standing.problem} />
        {#if tins.standing.problem.field === 'density_g_per_ml'}
          <button class="act act-small my-2" onclick={() => (tins.sure = tins.batter.density_g_per_ml)}
            >It is right</button
          >
        {/if}
      {/if}
      {#if view && tin}
        <div class="mt-3 {tins.standing.waiting ? 'opacity-60' : ''}" aria-live="polite">
          <Section section={view.section} width={430} height={250} label={tin.name} />
          <p class="mt-2 text-xl">
            <strong class={view.fit === 'fits' ? 'text-leaf' : 'text-raspberry'}>{view.fit}.</strong>
            {view.verdict} <span class="text-quiet">{view.can_do}</span>
          </p>
          <p class="mt-1 text-[16px]">
            It stands at <strong>{mm(view.level_mm)} of {mm(view.rim_mm)} mm</strong>, may rise to
            <strong>{mm(view.rise_mm.likely)}</strong> ({mm(view.rise_mm.low)} to {mm(view.rise_mm.high)}) and settles
            at about
            <strong>{mm(view.settled_mm.likely)}</strong>. <span class="text-quiet">Rise: {origin(view.rise_mm)}.</span>
            {view.dome}
          </p>
          <p class="mt-1 text-[16px] text-quiet">
            Good in this tin: <strong class="text-ink">{grams(view.good_g)}</strong>{#if sheet}; each millimetre takes
              <strong class="text-ink">{grams(view.per_mm_g)}</strong>{/if}.
          </p>
        </div>
      {/if}
    </section>
    <section aria-label="Shared out">
      <h2 class="mb-1 text-xl">Tins that fit</h2>
      {#if view && tins.sharing.value?.ways.length === 0}<p class="text-quiet">
          Too little for any tin on the shelf: use paper cases, or make more.
        </p>{/if}
      <ul>
        {#each (view && tins.sharing.value?.ways) ?? [] as way, i (i)}
          <li class="border-t border-line py-2">
            {#each way.shares as share (share.id)}
              <button class="block min-h-11 w-full text-left text-[17px]" onclick={() => (tins.id = share.id)}>
                <strong>{share.count} × {share.name}</strong>,
                {grams(share.each_ml * tins.sharing.value!.density_g_per_ml)}{share.count > 1 ? ' each' : ''}
                <span class="whitespace-nowrap text-quiet"
                  >{mm(share.level_mm)} mm, {mm(100 * share.fill_fraction)} %</span
                >
              </button>
            {/each}
            <p class="text-[15px] text-quiet">{way.says}</p>
          </li>
        {/each}
      </ul>
      {#if view}<p class="mt-2 text-[15px] text-quiet">
          {litres(view.volume_ml)} in all. Bands are trade habit, not yet this kitchen.
        </p>{/if}
    </section>
    {#if tins.drawing.value && tin}
      <section aria-label="Lining paper" class="border-t border-line pt-3 lg:col-span-3">
        <h2 class="mb-2 text-xl">The paper of the {tin.name}</h2>
        <div class="flex flex-wrap items-end gap-x-8 gap-y-3">
          {#each tins.drawing.value.lining as shape (shape.name)}
            <figure class="min-w-0">
              <Paper {shape} width={230} height={130} />
              <figcaption class="max-w-64 text-[15px] leading-snug">
                <strong>{shape.count > 1 ? `${shape.count} × ` : ''}{shape.name}:</strong>
                {shape.size}. <span class="text-quiet">{shape.note}</span>
              </figcaption>
            </figure>
          {/each}
        </div>
        <p class="mt-3 flex flex-wrap gap-3">
          <a class="act act-small" href={paperOf(tin, 'pdf')} target="_blank" rel="noopener">Print on A4</a>
          <a class="act act-small" href={paperOf(tin, 'pdf', 'letter')} target="_blank" rel="noopener">on Letter</a>
          <a class="act act-small" href={paperOf(tin, 'svg')} target="_blank" rel="noopener">as SVG</a>
        </p>
        <p class="mt-1 text-[15px] text-quiet">
          True scale, a ruler on every page to check; larger shapes come in parts.
        </p>
      </section>
    {/if}
  </div>
</div>
