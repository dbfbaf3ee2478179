<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { day } from '../time';

  /** A measure bake by bake: its own limits between changes, the band that it should lie in, and how each came out. */
  type Props = { trend: Schemas['Trend']; chosen: string | null; onchoose: (bake: string) => void };
  let { trend, chosen, onchoose }: Props = $props();

  let width = $state(800);
  const HEIGHT = 330;
  const LEFT = 58;
  const FOOT = 82;
  const points = $derived(trend.points);
  const x = $derived(scaleLinear([0, Math.max(1, points.length - 1)], [LEFT + 26, width - 34]));
  const ends = $derived.by((): [number, number] => {
    const all = [
      ...points.map((p) => p.value),
      ...trend.stretches.flatMap((s) => (s.low === null ? [] : [s.low, s.high!])),
      ...(trend.band ? [trend.band.low, trend.band.high] : []),
    ].toSorted((a, b) => a - b);
    // One slip of ten times must not press all the others together: it stands at the edge.
    const middle = all[Math.floor(all.length / 2)]!;
    const near = all.filter(
      (v) => Math.abs(v - middle) <= 6 * Math.abs((all.at(-2) ?? middle) - (all[1] ?? middle)) + 1e-9,
    );
    const [low, high] = [near[0]!, near.at(-1)!];
    const pad = (high - low) * 0.12 || Math.abs(high) * 0.1 || 1;
    return [low - pad, high + pad];
  });
  const y = $derived(scaleLinear(ends, [HEIGHT - FOOT, 14]).clamp(true));
  const firsts = $derived(trend.stretches.map((s) => s.first));
  const until = (i: number) => (firsts[i + 1] ?? points.length) - 1;
  const digits = $derived(Math.max(Math.abs(ends[0]), Math.abs(ends[1])) >= 20 ? 0 : ends[1] - ends[0] < 1 ? 2 : 1);
  /** Dates stand where there is room for them. */
  const every = $derived(Math.max(1, Math.ceil((points.length * 76) / Math.max(200, width - LEFT))));
  const figure = (v: number) => v.toFixed(digits);
  const words = (p: Schemas['TrendPoint'], beyond: boolean) =>
    `${day(p.at)}: ${figure(p.value)} ${trend.unit}${beyond ? ', beyond the limits' : ''}${p.stars ? `, ${p.stars} of 5` : ''}${
      p.faults.length ? `, ${p.faults.join(', ')}` : ''
    }`;
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  <svg {width} height={HEIGHT} role="group" aria-label="{trend.words}, bake by bake">
    {#if trend.band}
      <rect
        x={LEFT}
        width={width - LEFT}
        y={y(trend.band.high)}
        height={Math.max(1, y(trend.band.low) - y(trend.band.high))}
        fill="var(--leaf-soft)"
      />
    {/if}
    {#each y.ticks(5) as t (t)}
      <line x1={LEFT} x2={width} y1={y(t)} y2={y(t)} stroke="var(--line)" stroke-width="0.8" />
      <text x={LEFT - 8} y={y(t) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{figure(t)}</text>
    {/each}
    {#each trend.stretches as s, i (s.first)}
      {#if s.centre !== null}
        {@const from = x(s.first) - 16}
        {@const to = x(until(i)) + 16}
        <line x1={from} x2={to} y1={y(s.centre)} y2={y(s.centre)} stroke="var(--ink)" stroke-width="1.6" />
        {#each [s.low!, s.high!] as end, n (n)}
          <line
            x1={from}
            x2={to}
            y1={y(end)}
            y2={y(end)}
            stroke="var(--ink)"
            stroke-width="1.4"
            stroke-dasharray="7 4"
          />
        {/each}
      {/if}
    {/each}
    {#each trend.changes as c (c.begins)}
      {@const at = (x(c.begins) + x(c.begins - 1)) / 2}
      <line x1={at} x2={at} y1="8" y2={HEIGHT - FOOT} stroke="var(--ink)" stroke-width="2.5" />
      <text
        x={at + (at > width - 150 ? -6 : 6)}
        y="22"
        text-anchor={at > width - 150 ? 'end' : 'start'}
        class="text-[14px] font-bold"
        fill="var(--ink)">since {day(c.at)}</text
      >
    {/each}
    <polyline
      points={points.map((p, i) => `${x(i)},${y(p.value)}`).join(' ')}
      fill="none"
      stroke="var(--metal)"
      stroke-width="1.6"
    />
    {#each points as p, i (p.bake)}
      <g
        role="button"
        tabindex="0"
        aria-label={words(p, p.beyond)}
        aria-pressed={chosen === p.bake}
        class="cursor-pointer"
        onclick={() => onchoose(p.bake)}
        onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onchoose(p.bake))}
      >
        <rect x={x(i) - 20} y="0" width="40" height={HEIGHT} fill="transparent" />
        {#if chosen === p.bake}<line
            x1={x(i)}
            x2={x(i)}
            y1="8"
            y2={HEIGHT - FOOT}
            stroke="var(--ink)"
            stroke-dasharray="2 4"
          />{/if}
        {#if p.beyond}
          <path
            d="M{x(i)} {y(p.value) - 10}l10 10l-10 10l-10 -10Z"
            fill="var(--surface)"
            stroke="var(--ink)"
            stroke-width="3"
          />
        {:else}
          <circle cx={x(i)} cy={y(p.value)} r="6.5" fill="var(--ink)" />
        {/if}
        {#if p.stars}
          {#each [0, 1, 2, 3, 4] as n (n)}
            <rect
              x={x(i) - 5}
              y={HEIGHT - FOOT + 44 - 7 * n}
              width="10"
              height="5"
              fill={n < p.stars ? 'var(--ink)' : 'var(--line)'}
            />
          {/each}
        {/if}
        {#if p.faults.length}<path
            d="M{x(i) - 5} {HEIGHT - FOOT + 54}l10 8m0 -8l-10 8"
            stroke="var(--ink)"
            stroke-width="2.2"
          />{/if}
        {#if i % every === 0}<text x={x(i)} y={HEIGHT - 3} text-anchor="middle" class="text-[13px]" fill="var(--quiet)"
            >{day(p.at).replace(/^\w+ /, '')}</text
          >{/if}
      </g>
    {/each}
    <text x={LEFT - 8} y={HEIGHT - FOOT + 34} text-anchor="end" class="text-[13px]" fill="var(--quiet)">stars</text>
  </svg>
</div>
