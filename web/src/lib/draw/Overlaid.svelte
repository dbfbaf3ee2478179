<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Schemas } from '../api/client';

  /** Two ways of one step's temperature, from the same beginning. */
  type Trace = Schemas['TraceView'];
  type Props = { one: Trace; other: Trace; names: [string, string] };
  let { one, other, names }: Props = $props();

  let width = $state(520);
  const HEIGHT = 170;
  const LEFT = 46;
  const all = $derived([...one.points, ...other.points]);
  /** Points count from the moment that they were asked for: the first is the beginning. */
  const from = (t: Trace) => Math.min(...t.points.map((p) => p.s));
  const last = $derived(Math.max(60, ...[one, other].map((t) => Math.max(...t.points.map((p) => p.s)) - from(t))));
  const x = $derived(scaleLinear([0, last / 60], [LEFT, width - 12]));
  const ends = $derived([Math.min(one.low_c, ...all.map((p) => p.c)), Math.max(one.high_c, ...all.map((p) => p.c))]);
  const y = $derived(scaleLinear([ends[0]! - 3, ends[1]! + 3], [HEIGHT - 22, 8]));
  const way = (t: Trace) =>
    line<Schemas['Point']>(
      (p) => x((p.s - from(t)) / 60),
      (p) => y(p.c),
    )(t.points) ?? '';
</script>

<figure>
  <figcaption class="font-semibold">{one.title}</figcaption>
  <div bind:clientWidth={width} class="w-full [contain:inline-size]">
    <svg
      {width}
      height={HEIGHT}
      role="img"
      aria-label="{one.title}: {names[0]} to {one.peak_c.toFixed(0)} °C, {names[1]} to {other.peak_c.toFixed(0)} °C"
    >
      <rect
        x={LEFT}
        width={width - LEFT}
        y={y(one.high_c)}
        height={Math.max(1, y(one.low_c) - y(one.high_c))}
        fill="var(--leaf-soft)"
      />
      {#each y.ticks(4) as t (t)}
        <line x1={LEFT} x2={width} y1={y(t)} y2={y(t)} stroke="var(--line)" stroke-width="0.8" />
        <text x={LEFT - 6} y={y(t) + 4} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{t}°</text>
      {/each}
      {#each x.ticks(5) as t (t)}<text
          x={x(t)}
          y={HEIGHT - 4}
          text-anchor="middle"
          class="text-[13px]"
          fill="var(--quiet)">{t} min</text
        >{/each}
      <path d={way(one)} fill="none" stroke="var(--ink)" stroke-width="2.6" />
      <path d={way(other)} fill="none" stroke="var(--quiet)" stroke-width="2.6" stroke-dasharray="9 4" />
    </svg>
  </div>
</figure>
