<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Schemas } from '../api/client';
  import { celsius, degrees } from '../figures.svelte';
  import { length } from '../time';

  /** The way of a temperature through a step that is over, with the band that it had to reach. */
  type Props = { trace: Schemas['TraceView'] };
  let { trace }: Props = $props();

  let width = $state(520);
  const HEIGHT = 132;
  const last = $derived(Math.max(60, ...trace.points.map((p) => p.s)));
  const x = $derived(scaleLinear([0, last], [38, width - 8]));
  const all = $derived([trace.low_c, trace.high_c, ...trace.points.map((p) => p.c)]);
  const y = $derived(scaleLinear([Math.min(...all) - 3, Math.max(...all) + 4], [HEIGHT - 20, 8]));
  const path = $derived(
    line<Schemas['Point']>()
      .x((p) => x(p.s))
      .y((p) => y(p.c)),
  );
</script>

<figure bind:clientWidth={width} class="w-full [contain:inline-size]">
  <figcaption>
    <strong>{trace.title}</strong>
    <span class="text-quiet"
      >highest {celsius(trace.peak_c)}, meant {celsius(trace.target_c)}{trace.probe ? `, by ${trace.probe}` : ''}</span
    >
  </figcaption>
  <svg
    {width}
    height={HEIGHT}
    role="img"
    aria-label="{trace.title}: highest {degrees(trace.peak_c)}, meant {degrees(trace.target_c)} degrees, over {length(
      last,
    )}"
  >
    <rect
      x="38"
      width={width - 46}
      y={y(trace.high_c)}
      height={Math.max(4, y(trace.low_c) - y(trace.high_c))}
      fill="var(--leaf)"
      fill-opacity="0.28"
    />
    {#each y.ticks(4) as t (t)}
      <line x1="38" x2={width - 8} y1={y(t)} y2={y(t)} stroke="var(--line)" />
      <text x="32" y={y(t) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{degrees(t)}</text>
    {/each}
    <path d={path(trace.points) ?? ''} fill="none" stroke="var(--copper)" stroke-width="2.2" />
    <text x={width - 8} y={HEIGHT - 4} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{length(last)}</text>
  </svg>
</figure>
