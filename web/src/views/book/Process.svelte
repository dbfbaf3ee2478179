<script lang="ts">
  import type { Schemas, StepForecast } from '../../lib/api/client';
  import Section from '../../lib/draw/Section.svelte';
  import { celsius, grams } from '../../lib/figures.svelte';

  type Props = {
    steps: StepForecast[];
    components?: Pick<Schemas['ComponentView'], 'id' | 'name'>[];
    picked: string | null;
    onpick: (id: string) => void;
    /** A word under a step, such as that it is only assumed. */
    marks?: Map<string, string>;
  };
  let { steps, components = [], picked, onpick, marks }: Props = $props();

  const CELL = 112;
  const TALL = 92;
  const drawn = $derived(steps.flatMap((s) => (s.section ? [s.section] : [])));
  // One scale for all, so that a small pot looks small beside a bowl.
  const pxPerMm = $derived(
    Math.min(
      (CELL - 28) / (2 * Math.max(...drawn.flatMap((s) => s.wall.map((p) => p.outer_mm)))),
      (TALL - 18) / Math.max(...drawn.map((s) => Math.max(s.rim_mm, s.level_mm))),
    ),
  );
  const titles = $derived(new Map(steps.map((s, i) => [s.id, i + 1])));

  function figure(step: StepForecast): string {
    const m = step.material;
    // What is built has a density that tells nobody anything: what it comes to does.
    if (m.mass_g <= 0 || step.section?.regions.length) return step.goal;
    const airy = m.air_fraction > 0.08;
    if (step.kind === 'warm' || step.kind === 'rest') return `${grams(m.mass_g)}, ${celsius(m.temperature_c)}`;
    return airy ? `${m.density_g_per_ml.likely.toFixed(2)} g/ml` : grams(m.mass_g);
  }
  /** Steps by component, each in the order of the work; their numbers run over all. */
  const stretches = $derived.by(() => {
    const found: { name: string; steps: { step: StepForecast; at: number }[] }[] = [];
    steps.forEach((step, at) => {
      const name = components.length > 1 ? (components.find((c) => c.id === step.component)?.name ?? '') : '';
      const own = found.find((f) => f.name === name);
      if (own) own.steps.push({ step, at });
      else found.push({ name, steps: [{ step, at }] });
    });
    return found;
  });
  const from = (step: StepForecast) =>
    step.needs
      .map((id) => titles.get(id))
      .filter((n): n is number => n !== undefined && n !== (titles.get(step.id) ?? 0) - 1);
</script>

{#each stretches as stretch (stretch.steps[0]?.step.id)}
  {#if stretch.name}<h3 class="mt-4 mb-1 font-sans text-[16px] font-semibold text-quiet">{stretch.name}</h3>{/if}
  <ol class="grid gap-y-4" style="grid-template-columns: repeat(auto-fill, minmax({CELL}px, 1fr))">
    {#each stretch.steps as { step, at: i } (step.id)}
      <li class="relative">
        <button
          class="flex h-full w-full flex-col items-center px-1 pb-2 text-center {picked === step.id
            ? 'bg-surface'
            : ''}"
          aria-pressed={picked === step.id}
          onclick={() => onpick(step.id)}
        >
          <span class="flex h-24 w-full items-end justify-center">
            {#if step.section}
              <Section section={step.section} width={CELL - 22} height={TALL} annotated={false} {pxPerMm} />
            {:else}
              <svg width="60" height="70" viewBox="0 0 60 70" aria-hidden="true">
                <path
                  d="M30 62 C12 62 10 42 20 32 C20 40 26 40 26 34 C26 24 22 18 30 8 C32 22 48 28 48 44 C48 56 40 62 30 62z"
                  fill="none"
                  stroke="var(--copper)"
                  stroke-width="3"
                />
              </svg>
            {/if}
          </span>
          <span class="text-[15px] leading-tight"><span class="text-quiet">{i + 1}</span> {step.title}</span>
          <span class="text-[15px] font-bold">{figure(step)}</span>
          {#if marks?.has(step.id)}<span class="text-[13px] text-quiet italic">{marks.get(step.id)}</span>{/if}
          {#if from(step).length}<span class="text-[13px] text-quiet">with {from(step).join(', ')}</span>{/if}
        </button>
        {#if i < steps.length - 1 && steps[i + 1]?.needs.includes(step.id)}
          <svg class="absolute top-12 -right-2.5 z-10" width="20" height="14" aria-hidden="true"
            ><path d="M1 7h15m-5-5l5 5-5 5" fill="none" stroke="var(--quiet)" stroke-width="1.8" /></svg
          >
        {/if}
      </li>
    {/each}
  </ol>
{/each}
