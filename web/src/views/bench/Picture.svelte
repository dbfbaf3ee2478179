<script lang="ts">
  import Band from '../../lib/draw/Band.svelte';
  import Column from '../../lib/draw/Column.svelte';
  import Course from '../../lib/draw/Course.svelte';
  import FoldLadder from '../../lib/draw/FoldLadder.svelte';
  import Pattern from '../../lib/draw/Pattern.svelte';
  import Section from '../../lib/draw/Section.svelte';
  import SideBySide from '../../lib/draw/SideBySide.svelte';
  import PipedTray from '../../lib/parts/PipedTray.svelte';
  import { clock } from '../../lib/time';
  import type { BenchState } from './bench.svelte';
  import OvenPicture from './OvenPicture.svelte';

  type Props = { bench: BenchState; onprobe: () => void };
  let { bench, onprobe }: Props = $props();

  const bake = $derived(bench.bake!);
  const detail = $derived(bench.detail!);
  const step = $derived(detail.forecast);
  const columnStep = $derived.by(() => {
    if (bench.meeting && bake.details[bench.meeting.boil]?.column) return bench.meeting.boil;
    // A fold's own picture comes before the oven's, which the foot tells of.
    return detail.column || detail.fold ? bench.shown! : bake.running.find((id) => bake.details[id]?.column);
  });
  /** The other vessel of a meeting: pot and bowl stand side by side. */
  const beside = $derived.by(() => {
    const meets = bench.meeting;
    if (!meets) return null;
    return bake.details[meets.boil === bench.shown ? meets.whisk : meets.boil]?.section ?? null;
  });
  const scale = $derived.by(() => {
    if (!beside || !detail.section) return undefined;
    const wide = [detail.section, beside].map((s) => 2 * Math.max(...s.wall.map((p) => p.outer_mm)));
    return 116 / Math.max(...wide);
  });
  const column = $derived(columnStep ? bake.details[columnStep]?.column : null);
  const course = $derived((column?.trail?.length ?? 0) > 1);
  const columnTitle = $derived(
    column?.quantity === 'oven temperature'
      ? 'Oven'
      : column?.quantity === 'core temperature'
        ? 'Crumb, coldest point'
        : bake.details[columnStep ?? '']?.watch?.pot
          ? 'Syrup'
          : 'In the vessel',
  );
  const measured = $derived(bake.readings.some((r) => r.step === step.id && r.quantity === 'density' && r.counts));
  const bands = $derived(
    step.checkpoints.flatMap((c) => {
      if (!c.band || (course && c.band.quantity === column?.quantity)) return [];
      const reading = bake.readings.findLast((r) => r.step === step.id && r.quantity === c.band!.quantity && r.counts);
      return [{ band: c.band, reading }];
    }),
  );
</script>

<section
  aria-label="What is in the vessels"
  class="flex min-w-0 flex-wrap content-start justify-center gap-x-3 gap-y-2 lg:border-l lg:border-line lg:pl-6"
>
  {#if detail.before.length > 0 && detail.section}
    <SideBySide
      before={detail.before}
      after={detail.section}
      then={detail.section_is_now ? `${detail.section.name} now` : measured ? 'as measured' : 'after this step'}
      width={460}
      height={detail.fold || step.pattern || step.deposit ? 92 : 170}
    />
  {:else if detail.section && !step.bake}
    <figure class="min-w-0">
      <figcaption class="text-[16px] font-semibold text-quiet">
        {detail.section.name}
        {detail.section_is_now ? 'now' : 'after this step'}
      </figcaption>
      <Section
        section={detail.section}
        width={beside ? 214 : column && !course ? 256 : 380}
        height={beside ? 150 : step.deposit ? 90 : column && !course ? 200 : course ? 156 : 270}
        pxPerMm={scale}
      />
    </figure>
  {/if}
  {#if step.deposit}
    <figure class="min-w-0">
      <figcaption class="text-[16px] font-semibold text-quiet">
        {step.tray ? `Tray ${step.tray.number} of ${step.tray.of_many}` : 'A tray'}, the back above
      </figcaption>
      <PipedTray {step} />
    </figure>
  {/if}
  {#if beside}
    <figure class="min-w-0">
      <figcaption class="text-[16px] font-semibold text-quiet">{beside.name}</figcaption>
      <Section section={beside} width={214} height={150} pxPerMm={scale} />
    </figure>
  {/if}
  {#if step.bake && detail.section}
    <OvenPicture {bench} {onprobe} />
  {:else if step.kind === 'preheat' && column}
    <OvenPicture {bench} {onprobe} />
  {/if}
  {#if step.bake || step.kind === 'preheat'}<!-- the oven tells it -->{:else if column && course}<Course
      {column}
      title={columnTitle}
      {onprobe}
      width={460}
      height={bands.length > 0 ? 226 : 330}
    />
  {:else if column}<Column {column} title={columnTitle} height={detail.section ? 210 : 320} />{/if}
  {#if step.pattern}<Pattern pattern={step.pattern} size={150} silent={step.kind === 'fill'} />{/if}
  {#if detail.fold}
    <FoldLadder
      base={detail.fold.base_g_per_ml}
      foam={detail.fold.foam_g_per_ml}
      additions={detail.fold.additions}
      done={[...bench.done]}
      current={step.id}
    />
  {/if}
  <div class="w-full max-w-md space-y-5">
    {#each bands as { band, reading } (band.quantity)}
      <Band
        {band}
        verdict={reading?.verdict}
        title={reading ? `${band.quantity}, ${clock(reading.at)}` : undefined}
        silent={band.quantity === 'density'}
      />
    {/each}
  </div>
</section>
