<script lang="ts">
  import Band from '../../lib/draw/Band.svelte';
  import Column from '../../lib/draw/Column.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import { clock } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  type Props = { bench: BenchState };
  let { bench }: Props = $props();

  const bake = $derived(bench.bake!);
  const detail = $derived(bench.detail!);
  const step = $derived(detail.forecast);
  const columnStep = $derived(detail.column ? bench.shown! : bake.running.find((id) => bake.details[id]?.column));
  const column = $derived(columnStep ? bake.details[columnStep]?.column : null);
  const columnTitle = $derived(
    column?.quantity === 'oven temperature'
      ? 'Oven'
      : column?.quantity === 'core temperature'
        ? 'Crumb, coldest point'
        : 'In the vessel',
  );
  const bands = $derived(
    step.checkpoints.flatMap((c) => {
      if (!c.band) return [];
      const reading = bake.readings.findLast((r) => r.step === step.id && r.quantity === c.band!.quantity);
      return [{ band: c.band, reading }];
    }),
  );
</script>

<section
  aria-label="What is in the vessels"
  class="flex min-w-0 flex-wrap content-start justify-center gap-x-3 gap-y-2 lg:border-l lg:border-line lg:pl-6"
>
  {#if detail.section}
    <figure class="min-w-0">
      <figcaption class="text-[16px] font-semibold text-quiet">
        {detail.section.name}
        {detail.section_is_now ? 'now' : 'after this step'}
      </figcaption>
      <Section section={detail.section} width={column ? 256 : 380} height={column ? 200 : 270} />
    </figure>
  {/if}
  {#if column}<Column {column} title={columnTitle} height={detail.section ? 210 : 320} />{/if}
  <div class="w-full max-w-md space-y-5">
    {#each bands as { band, reading } (band.quantity)}
      <Band {band} verdict={reading?.verdict} title={reading ? `${band.quantity}, ${clock(reading.at)}` : undefined} />
    {/each}
  </div>
</section>
