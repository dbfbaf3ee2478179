<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas, SectionData } from '../api/client';
  import { celsius, degrees } from '../figures.svelte';
  import Section from './Section.svelte';

  /** An oven cut in half, to scale: its racks, what stands on them, and how hot it is. */
  type Props = {
    mode: Schemas['OvenMode'];
    rack?: Schemas['Rack'];
    racks?: number;
    section?: SectionData | null;
    targetC: number;
    nowC?: number | null;
    measured?: boolean;
    width?: number;
    /** The door stands open. */
    open?: boolean;
  };
  let {
    mode,
    rack = 'middle',
    racks = 1,
    section = null,
    targetC,
    nowC = null,
    measured = false,
    width = 460,
    open = false,
  }: Props = $props();

  /** A household oven inside, mm. */
  const INSIDE = { across: 440, up: 330 };
  const WALL = 13;
  const COLUMN = 104;
  const scale = $derived((width - COLUMN - 2 * WALL - 6) / INSIDE.across);
  const inner = $derived({ w: INSIDE.across * scale, h: INSIDE.up * scale });
  const left = COLUMN + WALL;
  const top = WALL + 2;
  const height = $derived(inner.h + 2 * WALL + 8);
  const RACKS: Schemas['Rack'][] = ['top', 'middle', 'bottom'];
  const places = { top: 0.44, middle: 0.68, bottom: 0.9 } as const;
  const used = $derived<Schemas['Rack'][]>(racks > 1 ? ['top', 'bottom'] : [rack]);
  const shelf = (place: keyof typeof places) => top + inner.h * places[place];
  const tallest = $derived(section ? Math.max(section.rim_mm, section.level_mm, section.rise_mm?.high ?? 0) : 0);
  const across = $derived(section ? 2 * Math.max(...section.wall.map((p) => p.outer_mm)) : 0);
  const one = $derived({ w: Math.ceil(across * scale) + 12, h: Math.ceil(tallest * scale + 18) });
  const shown = $derived.by(() => {
    if (!section || one.w <= 0) return 0;
    return Math.max(1, Math.min(section.count, Math.floor((inner.w - 12) / one.w)));
  });
  const spread = $derived((inner.w - shown * one.w) / (shown + 1));

  const y = $derived(scaleLinear([20, Math.max(targetC + 30, (nowC ?? 0) + 8)], [height - 30, 14]).clamp(true));
  const heat = $derived(Math.max(0, Math.min(1, ((nowC ?? 20) - 20) / Math.max(targetC - 20, 1))));
  const BAND_K = 8;
  const there = $derived(nowC !== null && Math.abs(nowC - targetC) <= BAND_K);
  const element = (at: number) =>
    Array.from(
      { length: 12 },
      (_, i) => `${i === 0 ? 'M' : 'L'} ${left + 14 + (i * (inner.w - 28)) / 11} ${at + (i % 2 ? 3.5 : -3.5)}`,
    ).join(' ');
</script>

<svg
  viewBox="0 0 {width} {height}"
  class="block w-full"
  style="max-width: {width}px"
  role="img"
  aria-label="Oven{nowC === null
    ? ''
    : `, ${degrees(nowC)} degrees${measured ? ' measured' : ' expected'}`}, meant {degrees(targetC)}, {mode}, {racks > 1
    ? `${racks} racks`
    : `${rack} rack`}{open ? ', door open' : ''}"
>
  <rect
    x={COLUMN}
    y="2"
    width={inner.w + 2 * WALL}
    height={inner.h + 2 * WALL}
    rx="7"
    fill="var(--line)"
    stroke="var(--metal)"
    stroke-width="2"
  />
  <rect x={left} y={top} width={inner.w} height={inner.h} rx="3" fill="var(--surface)" />
  <rect
    x={left}
    y={top}
    width={inner.w}
    height={inner.h}
    rx="3"
    fill="var(--copper)"
    fill-opacity={0.04 + 0.1 * heat}
  />
  {#each [top + 11, top + inner.h - 9] as at (at)}
    <path d={element(at)} fill="none" stroke="var(--metal)" stroke-width="3" stroke-linejoin="round" />
    <path
      d={element(at)}
      fill="none"
      stroke="var(--copper)"
      stroke-width="3"
      stroke-linejoin="round"
      stroke-opacity={0.25 + 0.75 * heat}
    />
  {/each}
  {#if mode === 'fan'}
    <g transform="translate({left + inner.w / 2} {top + inner.h * 0.27})" opacity="0.75">
      <circle r="17" fill="none" stroke="var(--metal)" stroke-width="2" />
      {#each [0, 90, 180, 270] as turn (turn)}
        <path d="M0 0 C 4 -9, 11 -10, 12 -4 C 9 -1, 4 0, 0 0" transform="rotate({turn})" fill="var(--metal)" />
      {/each}
    </g>
  {/if}
  {#each RACKS as place (place)}
    {@const on = used.includes(place)}
    <line
      x1={left}
      x2={left + inner.w}
      y1={shelf(place)}
      y2={shelf(place)}
      stroke="var(--metal)"
      stroke-width={on ? 3 : 1}
      stroke-dasharray={on ? undefined : '2 5'}
    />
  {/each}
  {#if section}
    {#each used as place (place)}
      {#each { length: shown }, i (i)}
        <g
          transform="translate({left + spread + i * (one.w + spread)} {shelf(place) - one.h + 7 - 1.5})"
          aria-hidden="true"
        >
          <Section {section} width={one.w} height={one.h} annotated={false} pxPerMm={scale} />
        </g>
      {/each}
    {/each}
  {/if}
  {#if open}
    <text x={left + inner.w / 2} y={top + 40} text-anchor="middle" class="text-[15px] font-bold" fill="var(--copper)"
      >door open</text
    >
  {/if}

  <rect
    x="72"
    y="4"
    width="18"
    height={height - 12}
    rx="9"
    fill="var(--surface)"
    stroke="var(--metal)"
    stroke-width="2"
  />
  <rect
    x="66"
    y={y(targetC + BAND_K)}
    width="30"
    height={y(targetC - BAND_K) - y(targetC + BAND_K)}
    fill="var(--leaf)"
    fill-opacity="0.35"
  />
  <text x="60" y={y(targetC) - 10} text-anchor="end" class="text-[15px] font-bold" fill="var(--leaf)"
    >{celsius(targetC)}</text
  >
  {#if nowC !== null}
    {@const at = y(nowC)}
    {@const label = Math.abs(at - y(targetC)) < 34 ? y(targetC) + 22 : at + 8}
    <rect x="76" y={at} width="10" height={Math.max(4, height - 14 - at)} rx="5" fill="var(--copper)" />
    <text x="60" y={label} text-anchor="end" class="text-[26px] font-bold" fill="var(--ink)">{degrees(nowC)}</text>
    <text x="60" y={label + 17} text-anchor="end" class="text-[13px]" fill="var(--quiet)"
      >{measured ? (there ? 'holds' : 'read') : 'expected'}</text
    >
  {/if}
</svg>
