<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { celsius, degrees } from '../figures.svelte';
  import { clock, length, until } from '../time';
  import { now } from '../now.svelte';

  type Props = { column: Schemas['Column']; title: string; height?: number };
  let { column, title, height = 330 }: Props = $props();

  const WIDTH = 198;
  const NEAR = 14;
  const y = $derived(scaleLinear([column.scale_low_c, column.scale_high_c], [height - 34, 14]));
  const target = $derived(column.target_c);
  const there = $derived(column.now_c >= column.band_low_c && column.now_c <= column.band_high_c);
  const ticks = $derived(y.ticks(5));
  const left = $derived(column.arrives_at ? until(column.arrives_at, now.value) : null);
  const nowY = $derived(y(column.now_c));
  const bandY = $derived(y(target));
  const stages = $derived((column.stages ?? []).filter((s) => Math.abs(y(s.at_c) - bandY) > NEAR));
  /** Seconds to spare until the step that waits for it; less than none is too late. */
  const spare = $derived(
    column.arrives_at && column.needed_at
      ? (Date.parse(column.needed_at) - Date.parse(column.arrives_at)) / 1000
      : null,
  );
</script>

<figure style="width: {WIDTH}px">
  <figcaption class="text-center leading-tight font-semibold">{title}</figcaption>
  <svg width={WIDTH} {height} role="img" aria-label="{title}: {degrees(column.now_c)} of {degrees(target)} degrees">
    {#each ticks as t (t)}
      <line x1="92" x2="98" y1={y(t)} y2={y(t)} stroke="var(--metal)" />
    {/each}
    <rect
      x="74"
      y="4"
      width="22"
      height={height - 14}
      rx="11"
      fill="var(--surface)"
      stroke="var(--metal)"
      stroke-width="2"
    />
    <rect
      x="66"
      y={y(column.band_high_c)}
      width="38"
      height={Math.max(8, y(column.band_low_c) - y(column.band_high_c))}
      fill="var(--leaf)"
      fill-opacity="0.38"
    />
    <rect x="79" y={nowY} width="12" height={Math.max(4, height - 16 - nowY)} rx="6" fill="var(--copper)" />
    {#each stages as stage (stage.name)}
      {@const passed = column.rising ? column.now_c >= stage.at_c : column.now_c <= stage.at_c}
      <line x1="96" x2="105" y1={y(stage.at_c)} y2={y(stage.at_c)} stroke="var(--quiet)" stroke-width="1.5" />
      <text
        x="109"
        y={y(stage.at_c) + 4.5}
        class="text-[13px] {passed ? 'font-semibold' : ''}"
        fill={passed ? 'var(--ink)' : 'var(--quiet)'}>{stage.name}</text
      >
    {/each}
    {#if !there && column.arrives_at}
      <path
        d="M 186 {nowY} C 198 {nowY}, 198 {bandY}, 148 {bandY}"
        fill="none"
        stroke="var(--copper)"
        stroke-width="2"
        stroke-dasharray="3 4"
      />
      <path d="M 154 {bandY - 5} L 146 {bandY} L 154 {bandY + 5}" fill="none" stroke="var(--copper)" stroke-width="2" />
    {/if}
    <text x="109" y={bandY + 6} class="text-[18px] font-bold" fill="var(--leaf)">{degrees(target)}</text>
    <text x="60" y={nowY + 9} text-anchor="end" class="text-[27px] font-bold" fill="var(--ink)">
      {degrees(column.now_c)}
    </text>
    <text x="60" y={nowY + 25} text-anchor="end" class="text-[13px]" fill="var(--quiet)">
      {column.measured ? 'read' : 'expected'}
    </text>
  </svg>
  <p class="text-center text-[15px] leading-snug font-semibold">
    {#if there}on the band{:else if left !== null && left > 0}there in {length(left)}, {clock(
        column.arrives_at!,
      )}{:else if left !== null}due {length(left)} ago: read it{:else}to {celsius(target)}{/if}
    {#if !there && spare !== null && Math.abs(spare) >= 60}
      <br /><span class={spare < 0 ? 'text-raspberry' : 'font-normal text-quiet'}
        >{length(spare)} {spare < 0 ? 'too late for' : 'before'} “{column.needed_for}”</span
      >
    {/if}
  </p>
</figure>
