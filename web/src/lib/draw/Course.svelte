<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line, curveMonotoneX } from 'd3-shape';
  import type { Schemas } from '../api/client';
  import { degrees, unitName } from '../figures.svelte';
  import { countdown, length } from '../time';

  type Props = {
    column: Schemas['Column'];
    title: string;
    width?: number;
    height?: number;
    onprobe?: () => void;
  };
  let { column, title, width = 400, height = 300, onprobe }: Props = $props();

  /** The column stands at now: what was lies to its left, what is coming to its right. */
  const PAST_S = 240;
  const NAMES = 96;
  const GLASS = 20;
  const NEAR = 15;
  const at = $derived((width - NAMES) * 0.42);
  const ahead = $derived(column.ahead ?? []);
  const reach = $derived(Math.max(60, ...ahead.map((p) => p.s)));
  const past = $derived(scaleLinear([-PAST_S, 0], [36, at]).clamp(true));
  const future = $derived(scaleLinear([0, reach], [at, width - NAMES]));
  const trail = $derived((column.trail ?? []).filter((p) => p.s >= -PAST_S));
  const all = $derived([column.now_c, column.target_c, ...trail.map((p) => p.c), ...ahead.map((p) => p.c)]);
  const bottom = $derived(Math.min(...all, column.band_low_c) - 2);
  const top = $derived(Math.max(...all, column.band_high_c) + (column.rising ? 4 : 2));
  const y = $derived(scaleLinear([bottom, top], [height - 22, 12]));
  const path = $derived(
    line<Schemas['Point']>()
      .x(({ s }) => (s <= 0 ? past(s) : future(s)))
      .y(({ c }) => y(c))
      .curve(curveMonotoneX),
  );
  const names = $derived.by(() => {
    const taken = [y(column.target_c)];
    return (column.stages ?? [])
      .filter((s) => s.at_c > bottom && s.at_c < top)
      .filter((s) => {
        const here = y(s.at_c);
        if (taken.some((t) => Math.abs(t - here) < NEAR)) return false;
        taken.push(here);
        return true;
      });
  });
  const arrival = $derived(ahead.length > 0 ? ahead[ahead.length - 1]!.s : null);
  const nowY = $derived(Math.max(10, Math.min(height - 24, y(column.now_c))));
  const unit = $derived(unitName('C'));
</script>

<figure style="width: {width}px" class="max-w-full">
  <figcaption class="flex justify-between leading-tight">
    <span class="font-semibold">{title}</span>
    <button class="-my-4 min-h-14 px-2 text-[15px] text-quiet underline" onclick={onprobe}
      >{column.probe ? `by ${column.probe}` : 'typed'}</button
    >
  </figcaption>
  <svg
    viewBox="0 0 {width} {height}"
    class="block w-full"
    role="img"
    aria-label="{title}: {degrees(column.now_c)} of {degrees(column.target_c)} degrees{arrival === null
      ? ''
      : `, there in ${length(arrival)}`}"
  >
    <rect
      x="0"
      width={width - NAMES}
      y={y(column.band_high_c)}
      height={Math.max(6, y(column.band_low_c) - y(column.band_high_c))}
      fill="var(--leaf)"
      fill-opacity="0.28"
    />
    {#each y.ticks(5) as t (t)}
      <line x1="34" x2={width - NAMES} y1={y(t)} y2={y(t)} stroke="var(--line)" />
      <text x="28" y={y(t) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{degrees(t)}</text>
    {/each}
    <path d={path(trail) ?? ''} fill="none" stroke="var(--copper)" stroke-width="2" />
    <path
      d={path(ahead) ?? ''}
      fill="none"
      stroke="var(--copper)"
      stroke-width="2.5"
      stroke-dasharray="2 6"
      stroke-linecap="round"
    />
    <rect
      x={at - GLASS / 2}
      y="6"
      width={GLASS}
      height={height - 22}
      rx={GLASS / 2}
      fill="var(--surface)"
      stroke="var(--metal)"
      stroke-width="2"
    />
    <rect
      x={at - GLASS / 2 + 5}
      y={nowY}
      width={GLASS - 10}
      height={Math.max(4, height - 21 - nowY)}
      rx={(GLASS - 10) / 2}
      fill="var(--copper)"
    />
    {#each names as stage (stage.name)}
      {@const passed = column.rising ? column.now_c >= stage.at_c : column.now_c <= stage.at_c}
      <line x1={width - NAMES} x2={width - NAMES + 8} y1={y(stage.at_c)} y2={y(stage.at_c)} stroke="var(--quiet)" />
      <text
        x={width - NAMES + 12}
        y={y(stage.at_c) + 4.5}
        class="text-[14px] {passed ? 'font-semibold' : ''}"
        fill={passed ? 'var(--ink)' : 'var(--quiet)'}>{stage.name}</text
      >
    {/each}
    <text x={width - NAMES + 12} y={y(column.target_c) + 6} class="text-[19px] font-bold" fill="var(--leaf)"
      >{degrees(column.target_c)} {unit}</text
    >
    {#each column.marks ?? [] as mark (mark.name)}
      {@const x = future(mark.in_s)}
      <circle cx={x} cy={y(mark.at_c)} r="5" fill="var(--surface)" stroke="var(--copper)" stroke-width="2.5" />
      <text
        x={Math.min(x, width - NAMES - 4)}
        y={y(mark.at_c) + (mark.name === 'off the heat' ? 30 : 20)}
        text-anchor={x > width - NAMES - 70 ? 'end' : 'start'}
        class="text-[14px] font-semibold"
        fill="var(--copper)">{mark.name} {degrees(mark.at_c)}</text
      >
    {/each}
    {#if arrival !== null}
      <text x={width - NAMES} y={height - 5} text-anchor="end" class="text-[13px]" fill="var(--quiet)"
        >in {countdown(arrival)}</text
      >
    {/if}
    <text x="36" y={height - 5} class="text-[13px]" fill="var(--quiet)">{PAST_S / 60} min ago</text>
  </svg>
</figure>
