<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { curveMonotoneX, line } from 'd3-shape';
  import type { Estimate, Schemas } from '../api/client';
  import { degrees, unitName } from '../figures.svelte';
  import { length } from '../time';

  /** A bake over time: oven, top, edge and middle as reckoned, what was read, and when to look, turn, cover, take out. */
  type Curve = Pick<
    Schemas['CoursePoint'],
    't_s' | 'core_c' | 'edge_c' | 'surface_c' | 'oven_c' | 'set' | 'risen' | 'lost' | 'crust_mm'
  >;
  type Props = {
    curve: Curve[];
    done: Estimate;
    doneC: number;
    look: number;
    turn?: number | null;
    cover?: number | null;
    /** Seconds since it went in; null before. */
    elapsed?: number | null;
    /** What the probe in the middle read, and where it is heading (s from now, C). */
    trail?: Schemas['Point'][];
    ahead?: Schemas['Point'][];
    oven?: Schemas['Point'][];
    /** No probe fits into it. */
    thin?: boolean;
    /** As wide as there is room, up to this. */
    most?: number;
    height?: number;
  };
  let {
    curve,
    done,
    doneC,
    look,
    turn = null,
    cover = null,
    elapsed = null,
    trail = [],
    ahead = [],
    oven = [],
    thin = false,
    most = 470,
    height = 250,
  }: Props = $props();

  let room = $state(0);
  const width = $derived(Math.max(280, Math.min(most, room || most)));
  const LEFT = 36;
  const RIGHT = 84;
  const TOP = 36;
  const FOOT = 24;
  const ROW = 15;
  const NEAR = 16;
  const STAGES = [
    [62, 'egg sets'],
    [75, 'starch swells'],
    [86, 'crumb holds'],
  ] as const;
  let pointed = $state<number | null>(null);

  const last = $derived(Math.max(done.high * 1.03, elapsed ?? 0, ...curve.map((p) => p.t_s)));
  const x = $derived(scaleLinear([0, last], [LEFT, width - RIGHT]));
  const hottest = $derived(Math.max(...curve.map((p) => p.oven_c), ...oven.map((p) => p.c)));
  const y = $derived(scaleLinear([10, hottest + 6], [height - FOOT, TOP]));
  type Key = 'core_c' | 'edge_c' | 'surface_c' | 'oven_c';
  const path = (key: Key) =>
    line<Curve>()
      .x((p) => x(p.t_s))
      .y((p) => y(p[key]))
      .curve(curveMonotoneX)(curve) ?? '';
  const read = (points: Schemas['Point'][]) =>
    line<Schemas['Point']>()
      .x((p) => x((elapsed ?? 0) + p.s))
      .y((p) => y(p.c))(points.filter((p) => (elapsed ?? 0) + p.s >= 0)) ?? '';
  const ends = $derived(curve.at(-1)!);
  /** Names of the lines at their ends, kept apart. */
  const names = $derived.by(() => {
    const all: { name: string; at: number; heat: boolean }[] = [
      { name: 'oven', at: y(ends.oven_c), heat: false },
      { name: 'top', at: y(ends.surface_c), heat: false },
      { name: thin ? 'inside' : 'middle', at: y(ends.core_c), heat: true },
    ];
    if (Math.abs(y(ends.edge_c) - y(ends.core_c)) > NEAR) all.push({ name: 'edge', at: y(ends.edge_c), heat: false });
    all.sort((a, b) => a.at - b.at);
    for (let i = 1; i < all.length; i++) all[i]!.at = Math.max(all[i]!.at, all[i - 1]!.at + ROW);
    return all;
  });
  /** Moments on the time axis, the later of two that are close a row higher. */
  const marks = $derived.by(() => {
    const all = [
      { at: turn, name: 'turn' },
      { at: cover, name: 'cover' },
      { at: look, name: 'look' },
    ].flatMap((m) => (m.at === null ? [] : [{ at: m.at, name: m.name, row: 0 }]));
    all.sort((a, b) => a.at - b.at);
    for (let i = 1; i < all.length; i++)
      if (x(all[i]!.at) - x(all[i - 1]!.at) < 44) all[i]!.row = (all[i - 1]!.row + 1) % 2;
    return all;
  });
  const ticks = $derived(
    scaleLinear([0, last / 60], [0, 1])
      .ticks(6)
      .filter((m) => x(m * 60) < width - RIGHT - 6),
  );
  const under = $derived.by(() => {
    if (pointed === null) return null;
    const seconds = Math.max(0, Math.min(last, x.invert(pointed)));
    const next = curve.findIndex((p) => p.t_s >= seconds);
    if (next <= 0) return curve[Math.max(0, next)] ?? null;
    const [a, b] = [curve[next - 1]!, curve[next]!];
    const share = (seconds - a.t_s) / (b.t_s - a.t_s || 1);
    const mix = (key: keyof Curve) => a[key] + (b[key] - a[key]) * share;
    return {
      t_s: seconds,
      core_c: mix('core_c'),
      edge_c: mix('edge_c'),
      surface_c: mix('surface_c'),
      set: mix('set'),
      lost: mix('lost'),
      risen: mix('risen'),
      crust_mm: mix('crust_mm'),
    };
  });
  const percent = (share: number) => `${Math.round(100 * share)} %`;
  function point(event: PointerEvent): void {
    const box = (event.currentTarget as SVGElement).getBoundingClientRect();
    pointed = ((event.clientX - box.left) / box.width) * width;
  }
</script>

<div bind:clientWidth={room} class="w-full [contain:inline-size]">
  <svg
    {width}
    {height}
    class="block touch-pan-y"
    role="img"
    aria-label="The bake over time: middle at {degrees(doneC)} degrees and done after about {length(
      done.likely,
    )}, {length(done.low)} to {length(done.high)}; first look {length(look)}{turn === null
      ? ''
      : `, turn ${length(turn)}`}{cover === null ? '' : `, cover ${length(cover)}`}"
    onpointermove={point}
    onpointerdown={point}
    onpointerleave={() => (pointed = null)}
  >
    <rect
      x={x(done.low)}
      width={x(done.high) - x(done.low)}
      y={TOP}
      height={height - FOOT - TOP}
      fill="var(--leaf)"
      fill-opacity="0.16"
    />
    {#each y.ticks(5) as t (t)}
      <line x1={LEFT} x2={width - RIGHT} y1={y(t)} y2={y(t)} stroke="var(--line)" />
      {#if thin || Math.abs(y(t) - y(doneC)) > 13}<text
          x={LEFT - 5}
          y={y(t) + 4.5}
          text-anchor="end"
          class="text-[12px]"
          fill="var(--quiet)">{degrees(t)}</text
        >{/if}
    {/each}
    {#if !thin}
      {#each STAGES as [at, name] (name)}
        <line x1={LEFT} x2={width - RIGHT} y1={y(at)} y2={y(at)} stroke="var(--quiet)" stroke-dasharray="1 5" />
        <text x={LEFT + 5} y={y(at) - 3} class="text-[12px]" fill="var(--quiet)">{name}</text>
      {/each}
      <line x1={LEFT} x2={width - RIGHT} y1={y(doneC)} y2={y(doneC)} stroke="var(--leaf)" stroke-width="1.5" />
    {/if}
    <path d={path('oven_c')} fill="none" stroke="var(--metal)" stroke-width="1.5" stroke-dasharray="6 4" />
    <path d={path('surface_c')} fill="none" stroke="var(--copper)" stroke-width="1.2" stroke-opacity="0.75" />
    <path d={path('edge_c')} fill="none" stroke="var(--copper)" stroke-width="1.2" stroke-dasharray="2 3" />
    <path
      d={path('core_c')}
      fill="none"
      stroke="var(--copper)"
      stroke-width={trail.length > 0 ? 1.6 : 3}
      stroke-opacity={trail.length > 0 ? 0.6 : 1}
    />
    {#if oven.length > 1}<path d={read(oven)} fill="none" stroke="var(--quiet)" stroke-width="1.8" />{/if}
    {#if trail.length > 0}
      <path d={read(trail)} fill="none" stroke="var(--ink)" stroke-width="3" stroke-linejoin="round" />
      <path
        d={read(ahead)}
        fill="none"
        stroke="var(--ink)"
        stroke-width="2.5"
        stroke-dasharray="1 6"
        stroke-linecap="round"
      />
    {/if}
    {#each names as { name, at, heat } (name)}
      <text
        x={width - RIGHT + 6}
        y={at + 4.5}
        class="text-[13px] {heat ? 'font-bold' : ''}"
        fill={name === 'oven' ? 'var(--quiet)' : 'var(--copper)'}>{name}</text
      >
    {/each}
    {#if !thin}
      <text x={LEFT - 5} y={y(doneC) + 5} text-anchor="end" class="text-[15px] font-bold" fill="var(--leaf)"
        >{degrees(doneC)}</text
      >
    {/if}
    {#each marks as mark (mark.name)}
      <line x1={x(mark.at)} x2={x(mark.at)} y1={TOP} y2={height - FOOT} stroke="var(--ink)" stroke-dasharray="3 4" />
      <text
        visibility={under ? 'hidden' : undefined}
        x={x(mark.at)}
        y={TOP - 5 - ROW * mark.row}
        text-anchor="middle"
        class="text-[13px] font-semibold"
        fill="var(--ink)">{mark.name}</text
      >
    {/each}
    <line x1={x(done.likely)} x2={x(done.likely)} y1={TOP} y2={height - FOOT} stroke="var(--leaf)" stroke-width="2" />
    {#if elapsed !== null && elapsed >= 0}
      <line x1={x(elapsed)} x2={x(elapsed)} y1={TOP - 4} y2={height - FOOT} stroke="var(--ink)" stroke-width="2.5" />
      <path d="M {x(elapsed)} {TOP + 3} l -6 -9 h 12 z" fill="var(--ink)" />
    {/if}
    {#each ticks as minute (minute)}
      <text x={x(minute * 60)} y={height - 7} text-anchor="middle" class="text-[12px]" fill="var(--quiet)"
        >{minute}</text
      >
    {/each}
    <text x={width - RIGHT + 6} y={height - 7} class="text-[12px]" fill="var(--quiet)">min</text>
    {#if under}
      <line x1={x(under.t_s)} x2={x(under.t_s)} y1={TOP} y2={height - FOOT} stroke="var(--quiet)" />
      <text x={LEFT + 2} y="13" class="text-[13px] font-semibold" fill="var(--ink)"
        >{length(under.t_s)}: middle {degrees(under.core_c)}, edge {degrees(under.edge_c)}, top {degrees(
          under.surface_c,
        )}
        {unitName('C')}</text
      >
      <text x={LEFT + 2} y="29" class="text-[13px]" fill="var(--ink)"
        >{percent(under.set)} set, {percent(under.risen)} of the rise, crust {under.crust_mm.toFixed(1)} mm, {percent(
          under.lost,
        )} lost</text
      >
    {/if}
  </svg>
</div>
