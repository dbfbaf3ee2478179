<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas, type SectionData } from '../../lib/api/client';
  import Section from '../../lib/draw/Section.svelte';
  import { grams } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { length } from '../../lib/time';
  import { p } from '../../routes';

  let formulas = $state<Schemas['Glance'][] | null>(null);
  let problem = $state<Problem | null>(null);
  let sought = $state('');
  let technique = $state('');
  let without = $state('');

  async function load(): Promise<void> {
    try {
      [formulas, list] = await Promise.all([
        ask(api.GET('/api/formulas/glances')),
        ask(api.GET('/api/goods/allergens')),
      ]);
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void load();

  async function takeShipped(): Promise<void> {
    try {
      await ask(api.POST('/api/formulas/shipped'));
      await load();
    } catch (error) {
      problem = problemOf(error);
    }
  }

  const every = $derived(formulas ?? []);
  const classes = $derived([...new Set(every.map((f) => f.technique))].sort());
  /** The groups of this kitchen's list, and what the Book's goods hold by name. */
  let list = $state<Schemas['AllergenList'] | null>(null);
  const allergens = $derived.by(() => {
    if (!list) return [];
    const held = [...new Set(every.flatMap((f) => f.allergens))];
    return [...new Set([...Object.keys(list.groups), ...held])].map((a) => ({ value: a, label: list?.names[a] ?? a }));
  });
  const shown = $derived(
    every.filter(
      (f) =>
        (!technique || f.technique === technique) &&
        (!without || !f.not_without.includes(without)) &&
        `${f.title} ${f.technique} ${f.components.join(' ')}`.toLowerCase().includes(sought.trim().toLowerCase()),
    ),
  );
  /** All vessels of the Book at one scale, in pixels a millimetre. */
  const SCALE = 0.36;
  const MOST = 4;
  const outermost = (section: SectionData) => Math.max(...section.wall.map((p) => p.outer_mm));
  const widest = (sections: SectionData[]) =>
    [...sections].sort((a, b) => b.volume_ml.likely - a.volume_ml.likely).slice(0, MOST);
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="mb-3 flex flex-wrap items-center justify-between gap-4">
    <h1 class="text-3xl">The Book</h1>
    <p class="flex flex-wrap gap-3">
      <a class="act act-small" href={p('/book/meringue')}>Sugar and whites</a>
      <a class="act act-small" href={p('/book/fold')}>Foam and fold</a>
      <a class="act act-small" href={p('/book/tins')}>Tins and paper</a>
      <a class="act act-small" href={p('/book/bake')}>Oven and time</a>
      <a class="act act-small" href={p('/book/piping')}>Piped pieces</a>
      <a class="act act-small" href={p('/book/finishing')}>From the rack to the plate</a>
      <a class="act act-small" href={p('/book/patterns')}>Parts and patterns</a>
      <a class="act act-small" href={p('/book/read')}>Read a recipe in</a>
    </p>
  </div>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if formulas === null && !problem}<Loading what="the Book" />{/if}
  {#if formulas?.length === 0}
    <p class="max-w-prose text-lg text-quiet">
      No formula yet. Start with the samples, or read a recipe in: pasted text, a file, or a table.
    </p>
    <button class="act act-now mt-5" onclick={() => void takeShipped()}>Add the sample formulas</button>
  {/if}
  {#if every.length > 4}
    <div class="mb-4 grid gap-3 sm:grid-cols-3 lg:max-w-4xl">
      <label class="block font-semibold">
        Find
        <input class="field mt-1" type="search" autocomplete="off" bind:value={sought} />
      </label>
      <Choice
        label="Class"
        value={technique}
        options={[{ value: '', label: 'every class' }, ...classes.map((c) => ({ value: c, label: c }))]}
        onvalue={(v) => (technique = v)}
      />
      <Choice
        label="Without"
        value={without}
        options={[{ value: '', label: 'any' }, ...allergens]}
        onvalue={(v) => (without = v)}
      />
    </div>
    {#if without}
      {@const strange = every.filter((f) => f.allergens_unknown.length).map((f) => f.title)}
      <p class="mb-3 max-w-prose text-quiet">
        Left out is what holds it, what its labels may add, and every formula with a good that is not known here{strange.length
          ? ` (${strange.join(', ')})`
          : ''}. Traces are not on any list: read every label.
      </p>
    {/if}
    {#if shown.length === 0}<p class="text-lg text-quiet">Nothing in the Book matches.</p>{/if}
  {/if}
  <ul class="grid gap-x-10 xl:grid-cols-2">
    {#each shown as f (f.id)}
      <li class="border-t border-line">
        <a
          href={p('/book/:formula', { params: { formula: f.id } })}
          class="grid h-full items-start gap-x-6 gap-y-2 py-4 sm:grid-cols-[14.5rem_1fr]"
        >
          <div>
            <h2 class="text-xl">{f.title}</h2>
            <p class="text-quiet">{f.technique}</p>
            <p class="mt-1 text-[16px]">
              {f.tin_count > 1 ? `${f.tin_count} × ` : ''}{f.tin_name}, {grams(f.total_g)}<br />{length(f.hands_s)} of hands,
              {length(f.waiting_s)} of waiting
              {#if f.allergens_unknown.length}<br /><strong class="text-raspberry"
                  >not known here: {f.allergens_unknown.join(', ')}</strong
                >{/if}
              {#if f.components.length > 1}<br /><span class="text-quiet">{f.components.join(', ')}</span>{/if}
            </p>
          </div>
          <div class="flex items-end gap-x-4 overflow-hidden">
            {#each widest(f.sections) as section, i (i)}
              <figure class="text-center">
                <Section
                  {section}
                  width={2 * outermost(section) * SCALE + 8}
                  height={84}
                  annotated={false}
                  pxPerMm={SCALE}
                />
                <figcaption class="text-[13px] text-quiet">{section.name}</figcaption>
              </figure>
            {/each}
          </div>
        </a>
      </li>
    {/each}
  </ul>
</div>
