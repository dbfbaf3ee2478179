<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { degrees, units } from '../figures.svelte';
  import { clock, length, until } from '../time';
  import { now } from '../now.svelte';

  type Props = { column: Schemas['Column']; title: string; height?: number };
  let { column, title, height = 330 }: Props = $props();

  const y = $derived(scaleLinear([column.scale_low_c, column.scale_high_c], [height - 34, 14]));
  const target = $derived((column.band_low_c + column.band_high_c) / 2);
  const there = $derived(column.now_c >= column.band_low_c && column.now_c <= column.band_high_c);
  const ticks = $derived(y.ticks(5));
  const left = $derived(column.arrives_at ? until(column.arrives_at, now.value) : null);
  const nowY = $derived(y(column.now_c));
  const bandY = $derived(y(target));
  const labelY = $derived(Math.abs(nowY - bandY) < 26 && !there ? bandY + (nowY > bandY ? 28 : -24) : nowY);
</script>

<figure class="w-[166px]">
  <figcaption class="text-center leading-tight">
    <span class="font-semibold">{title}</span>
  </figcaption>
  <svg width="166" {height} role="img" aria-label="{title}: {degrees(column.now_c)} of {degrees(target)} degrees">
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
    {#if !there && column.arrives_at}
      <path
        d="M 112 {nowY} C 128 {nowY}, 128 {bandY}, 110 {bandY}"
        fill="none"
        stroke="var(--copper)"
        stroke-width="2"
        stroke-dasharray="3 4"
      />
      <path d="M 116 {bandY - 5} L 108 {bandY} L 116 {bandY + 5}" fill="none" stroke="var(--copper)" stroke-width="2" />
    {/if}
    <text x="132" y={bandY + 6} class="text-[18px] font-bold" fill="var(--leaf)">{degrees(target)}</text>
    <text x="60" y={labelY + 9} text-anchor="end" class="text-[27px] font-bold" fill="var(--ink)">
      {degrees(column.now_c)}
    </text>
    <text x="60" y={labelY + 25} text-anchor="end" class="text-[13px]" fill="var(--quiet)">
      {column.measured ? 'read' : 'expected'}
    </text>
  </svg>
  <p class="text-center text-[15px] leading-snug font-semibold">
    {#if there}on the band{:else if left !== null && left > 0}there in {length(left)}, {clock(
        column.arrives_at!,
      )}{:else if left !== null}due
      {length(left)} ago: read it{:else}to {degrees(target)} {units.system === 'us' ? 'F' : 'C'}{/if}
  </p>
</figure>
