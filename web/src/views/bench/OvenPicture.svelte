<script lang="ts">
  import BakeCurve from '../../lib/draw/BakeCurve.svelte';
  import Course from '../../lib/draw/Course.svelte';
  import OvenSection from '../../lib/draw/OvenSection.svelte';
  import { origin } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { until } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  /** The oven at this step: cut in half with what stands in it, and the way of its temperatures. */
  type Props = { bench: BenchState; onprobe: () => void };
  let { bench, onprobe }: Props = $props();

  const detail = $derived(bench.detail!);
  const step = $derived(detail.forecast);
  const bake = $derived(step.bake);
  const column = $derived(detail.column);
  const watch = $derived(detail.watch);
  const elapsed = $derived(detail.outlook ? -until(detail.outlook.started_at, now.value) : null);
  const preheat = $derived(step.kind === 'preheat');
  const target = $derived(bake?.oven_c ?? column?.target_c ?? 0);
  const ovenNow = $derived(preheat ? (column?.now_c ?? null) : (watch?.beside_c ?? null));
  const expected = $derived.by(() => {
    if (!bake || elapsed === null) return null;
    return bake.curve.findLast((p) => p.t_s <= elapsed)?.oven_c ?? target;
  });
  /** The end as it is expected now, in seconds since it went in. */
  const done = $derived.by(() => {
    const outlook = detail.outlook;
    if (!bake || !outlook || outlook.basis !== 'measured') return bake?.done_s ?? null;
    const start = Date.parse(outlook.started_at);
    const since = (moment: string) => (Date.parse(moment) - start) / 1000;
    return {
      ...bake.done_s,
      low: since(outlook.low_at),
      likely: since(outlook.likely_at),
      high: since(outlook.high_at),
    };
  });
  const pace = $derived(detail.outlook?.pace ?? 1);
  const after = (seconds: number | null | undefined) => (seconds == null ? null : seconds * pace);
</script>

<figure class="w-full min-w-0 {bake ? 'max-w-[400px]' : 'max-w-[360px]'}">
  <figcaption class="flex flex-wrap justify-between leading-tight">
    <span class="font-semibold"
      >{bake ? `${bake.racks > 1 ? `${bake.racks} racks` : `${bake.rack} rack`}, ${bake.mode}` : 'Oven'}</span
    >
    <button class="-my-4 min-h-14 px-2 text-[15px] text-quiet underline" onclick={onprobe}
      >{column?.probe ? `by ${column.probe}` : 'no probe'}</button
    >
  </figcaption>
  <OvenSection
    width={bake ? 400 : 360}
    mode={bake?.mode ?? 'static'}
    rack={bake?.rack}
    racks={bake?.racks}
    section={bake ? detail.section : null}
    targetC={target}
    nowC={ovenNow ?? expected}
    measured={preheat ? (column?.measured ?? false) : watch?.beside_c != null}
  />
</figure>
{#if bake && done}
  <figure class="w-full max-w-[470px] min-w-0">
    <BakeCurve
      height={236}
      curve={bake.curve}
      {done}
      doneC={bake.done_c}
      look={after(bake.first_look_s)!}
      turn={after(bake.turn_s?.likely)}
      cover={after(bake.cover_s?.likely)}
      {elapsed}
      trail={watch?.trail}
      ahead={watch?.ahead}
      oven={watch?.beside_trail}
      thin={!column}
    />
    <figcaption class="text-[14px] text-quiet">
      Predicted: {origin(bake.done_s)}{bake.browned && Math.abs(bake.browned.likely - 1) > 0.15
        ? `; browns ${bake.browned.low.toFixed(1)} to ${bake.browned.high.toFixed(1)} times as much as the formula’s own bake`
        : ''}.
    </figcaption>
  </figure>
{:else if preheat && column && (column.trail?.length ?? 0) > 1}
  <Course {column} title="Oven" {onprobe} width={460} height={170} />
{/if}
