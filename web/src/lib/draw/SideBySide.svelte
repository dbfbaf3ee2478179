<script lang="ts">
  import type { SectionData } from '../api/client';
  import { grams, litres } from '../figures.svelte';
  import Section from './Section.svelte';

  type Props = {
    before: SectionData[];
    after: SectionData | SectionData[] | null;
    width?: number;
    height?: number;
    /** What the last ones are called; their own names else. */
    then?: string;
  };
  let { before, after, width = 470, height = 150, then }: Props = $props();

  let room = $state(0);
  const wide = $derived(room > 0 ? Math.min(width, room) : width);
  const last = $derived(after === null ? [] : Array.isArray(after) ? after : [after]);
  const all = $derived([...before, ...last]);
  const ARROW = 26;
  const across = (s: SectionData) => 2 * Math.max(...s.wall.map((p) => p.outer_mm));
  const tall = (s: SectionData) => Math.max(s.rim_mm, s.level_mm);
  /** One scale for all of them, so that what grows looks as if it grew. */
  const scale = $derived(
    Math.min(
      (wide - ARROW - 16 * all.length) / all.reduce((sum, s) => sum + across(s), 0),
      (height - 18) / Math.max(...all.map(tall)),
    ),
  );
</script>

<div bind:clientWidth={room} class="flex w-full flex-wrap items-end justify-center gap-x-1 [contain:inline-size]">
  {#each before as section, i (i)}
    {@render vessel(section, section.name)}
  {/each}
  {#if last.length > 0}
    <svg width={ARROW} height={height * 0.5} aria-hidden="true" class="self-center"
      ><path d="M3 40h20m-7-7l7 7-7 7" fill="none" stroke="var(--quiet)" stroke-width="2.2" /></svg
    >
  {/if}
  {#each last as section, i (i)}
    {@render vessel(section, then ?? section.name)}
  {/each}
</div>

{#snippet vessel(section: SectionData, name: string)}
  <figure class="flex flex-col items-center text-center leading-tight">
    <Section {section} width={Math.ceil(across(section) * scale) + 12} {height} annotated={false} pxPerMm={scale} />
    <figcaption class="mt-1 text-[14px]">
      <span class="text-quiet">{section.count > 1 ? `one of ${section.count}` : name}</span><br />
      <strong class="text-[17px]">{section.density_g_per_ml.likely.toFixed(2)}</strong>
      <span class="text-quiet">g/ml</span><br />
      <span class="text-quiet"
        >{litres(section.volume_ml.likely)}, {grams(section.volume_ml.likely * section.density_g_per_ml.likely)}</span
      >
    </figcaption>
  </figure>
{/snippet}
