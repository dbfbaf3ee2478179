<script lang="ts">
  import { api, ask, problemOf, type ForecastView, type Problem, type SectionData } from '../../lib/api/client';
  import Section from '../../lib/draw/Section.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { length } from '../../lib/time';
  import { navigate, p } from '../../routes';

  let forecasts = $state<ForecastView[] | null>(null);
  let problem = $state<Problem | null>(null);

  async function load(): Promise<void> {
    try {
      const entries = await ask(api.GET('/api/formulas'));
      forecasts = await Promise.all(
        entries.map((e) =>
          ask(api.GET('/api/formulas/{formula_id}/forecast', { params: { path: { formula_id: e.id } } })),
        ),
      );
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

  async function readIn(files: FileList | null): Promise<void> {
    const file = files?.[0];
    if (!file) return;
    problem = null;
    try {
      let body: Record<string, unknown>;
      try {
        body = JSON.parse(await file.text()) as Record<string, unknown>;
      } catch {
        throw new Error(`“${file.name}” is not JSON. Choose a .jsonld file.`);
      }
      const saved = await ask(api.POST('/api/formulas', { body }));
      await navigate('/book/:formula', { params: { formula: saved.id } });
    } catch (error) {
      problem = problemOf(error);
    }
  }

  /** The vessels of a formula at their fullest, in the order of the work: what it looks like at a glance. */
  function glance(forecast: ForecastView) {
    const fullest = new Map<string, NonNullable<ForecastView['steps'][number]['section']>>();
    for (const step of forecast.steps) {
      if (!step.section || step.vessel === 'rack') continue;
      const known = fullest.get(step.vessel);
      if (!known || step.section.volume_ml.likely > known.volume_ml.likely) fullest.set(step.vessel, step.section);
    }
    return [...fullest.values()].filter((s) => s.form !== 'paper');
  }
  /** All vessels of the Book at one scale, in pixels a millimetre. */
  const SCALE = 0.56;
  const outermost = (section: SectionData) => Math.max(...section.wall.map((p) => p.outer_mm));
  const minutes = (forecast: ForecastView, attention: string) =>
    forecast.steps.filter((s) => s.attention === attention).reduce((sum, s) => sum + s.duration_s.likely, 0);
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="mb-3 flex flex-wrap items-center justify-between gap-4">
    <h1 class="text-3xl">The Book</h1>
    <label class="act act-small cursor-pointer focus-within:outline-3">
      Read in a formula
      <input
        type="file"
        accept=".jsonld,.json,application/ld+json"
        class="sr-only"
        onchange={(e) => {
          void readIn(e.currentTarget.files);
          // So that the same file, mended, can be chosen again.
          e.currentTarget.value = '';
        }}
      />
    </label>
  </div>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if forecasts?.length === 0}
    <p class="max-w-prose text-lg text-quiet">
      No formula yet. Begin with the ones that ship, or read one in from a file that carries its process (schema.org
      Recipe as JSON-LD).
    </p>
    <button class="act act-now mt-5" onclick={() => void takeShipped()}>Take the shipped ones</button>
  {/if}
  <ul>
    {#each forecasts ?? [] as f (f.formula_id)}
      <li class="border-t border-line">
        <a
          href={p('/book/:formula', { params: { formula: f.formula_id } })}
          class="grid items-end gap-x-8 gap-y-2 py-5 md:grid-cols-[18rem_1fr]"
        >
          <div>
            <h2 class="text-2xl">{f.title}</h2>
            <p class="text-quiet">{f.technique}</p>
            <p class="mt-2 text-[17px]">
              {f.tin_name}, {Math.round(f.total_g)} g<br />{length(minutes(f, 'throughout'))} of hands, {length(
                minutes(f, 'none'),
              )} of waiting
            </p>
          </div>
          <div class="flex flex-wrap items-end gap-x-5">
            {#each glance(f) as section (section.name)}
              <figure class="text-center">
                <Section
                  {section}
                  width={2 * outermost(section) * SCALE + 8}
                  height={130}
                  annotated={false}
                  pxPerMm={SCALE}
                />
                <figcaption class="text-[14px] text-quiet">{section.name}</figcaption>
              </figure>
            {/each}
          </div>
        </a>
      </li>
    {/each}
  </ul>
</div>
