<script lang="ts">
  import type { Schemas } from '../api/client';
  import Tray from '../draw/Tray.svelte';
  import { PAPERS, templateOf } from '../template';

  /** The tray of a piping, seen from above, and its template to be printed. */
  type Props = { step: Schemas['StepForecast']; width?: number; height?: number };
  let { step, width = 300, height = 210 }: Props = $props();
  const made = $derived(step.deposit!);
  const asked = $derived({
    piece: made.piece,
    tray: made.layout,
    margin_mm: made.layout.margin_mm,
    density_g_per_ml: step.material.density_g_per_ml.likely,
    name: step.title.slice(0, 60),
  });
</script>

<Tray
  layout={made.layout}
  piece={made.piece}
  piped={made.piped_diameter_mm}
  taken={Math.min(made.on_tray, made.layout.spots.length)}
  colour={step.material.colour}
  {width}
  {height}
/>
<p class="text-[16px] text-quiet">
  Its template, at true scale:
  {#each PAPERS as { words, format, paper } (words)}<a
      class="mr-2 inline-flex min-h-11 items-center underline"
      href={templateOf(asked, format, paper)}
      target="_blank"
      rel="noopener">{words}</a
    >{/each}
</p>
