<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { Asking } from '../../lib/asking.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { litres } from '../../lib/figures.svelte';

  type Props = { name: string; tin: Schemas['KitchenTin']['tin'] };
  let { name, tin }: Props = $props();
  /** All tins at one scale, in pixels a millimetre, so that a large one looks large. */
  const SCALE = 0.45;
  const drawing = new Asking<Schemas['TinDrawing']>();

  $effect(() => {
    const body = { name, tin: $state.snapshot(tin) };
    drawing.ask(() => ask(api.POST('/api/craft/tin-drawing', { body })));
  });
</script>

{#if drawing.value}
  <figure class="flex flex-col items-center">
    <Section
      section={drawing.value.section}
      width={150}
      height={96}
      annotated={false}
      pxPerMm={SCALE}
      label="{name}, empty"
    />
    <figcaption class="font-semibold">{litres(drawing.value.volume_ml)}</figcaption>
  </figure>
{/if}
{#if drawing.problem}<p class="text-sm font-semibold text-raspberry">{drawing.problem.detail}</p>{/if}
