<script lang="ts">
  import { prefersReducedMotion, Tween } from 'svelte/motion';
  import type { SectionData } from '../api/client';
  import { litres } from '../figures.svelte';
  import { bubbles, LOOK, outline } from './bubbles';
  import { pieces } from './pieces';

  type Props = {
    section: SectionData;
    width?: number;
    height?: number;
    /** Show levels, the rim and the expected rise in words. */
    annotated?: boolean;
    label?: string;
    /** Pixels a millimetre, when several vessels share one scale; else the vessel fills the picture. */
    pxPerMm?: number;
  };
  let { section, width = 260, height = 220, annotated = true, label, pxPerMm }: Props = $props();

  /** The level moves when a reading has moved it. */
  const moving = Tween.of(() => section.level_mm, { duration: () => (prefersReducedMotion.current ? 0 : 600) });
  const level = $derived(moving.current);
  const uid = $props.id();
  const GUTTER = 136;
  const TOP = 22;
  const side = $derived(annotated ? GUTTER : 6);
  const above = $derived(annotated ? TOP : 8);
  const outermost = $derived(Math.max(...section.wall.map((p) => p.outer_mm)));
  const tallest = $derived(Math.max(section.rim_mm, section.level_mm, section.rise_mm?.high ?? 0));
  const fitting = $derived(Math.min((width - 6 - side) / (2 * outermost), (height - 10 - above) / tallest));
  const scale = $derived(Math.min(fitting, pxPerMm ?? Infinity));
  const cx = $derived(annotated ? 4 + outermost * scale : width / 2);
  const floor = $derived(Math.min(height, Math.ceil(tallest * scale + 10 + above)) - 7);

  const y = (mm: number) => floor - mm * scale;
  const wallAt = (mm: number, part: 'outer_mm' | 'inner_mm') => {
    const points = section.wall;
    const last = points[points.length - 1]!;
    const next = points.findIndex((p) => p.height_mm >= mm);
    if (next < 0) return last[part];
    const b = points[next]!;
    const a = points[Math.max(0, next - 1)]!;
    const share = b.height_mm === a.height_mm ? 0 : (mm - a.height_mm) / (b.height_mm - a.height_mm);
    return a[part] + (b[part] - a[part]) * share;
  };
  const line = (points: [number, number][]) => points.map(([px, py]) => `${px.toFixed(1)},${py.toFixed(1)}`).join(' ');

  const hasTube = $derived(section.wall.some((p) => p.inner_mm > 0));
  const wall = $derived.by(() => {
    const left = section.wall.map((p): [number, number] => [cx - p.outer_mm * scale, y(p.height_mm)]);
    const right = section.wall.map((p): [number, number] => [cx + p.outer_mm * scale, y(p.height_mm)]);
    return line([...left.toReversed(), ...right]);
  });
  const tube = $derived(
    hasTube
      ? [-1, 1].map((way) =>
          line(section.wall.map((p): [number, number] => [cx + way * p.inner_mm * scale, y(p.height_mm)])),
        )
      : [],
  );
  const content = $derived.by(() => {
    const top = level;
    const heights = [...section.wall.map((p) => p.height_mm).filter((h) => h < top), top];
    const half = (way: number) => {
      const out = heights.map((h): [number, number] => [cx + way * wallAt(h, 'outer_mm') * scale, y(h)]);
      const back = heights.toReversed().map((h): [number, number] => [cx + way * wallAt(h, 'inner_mm') * scale, y(h)]);
      return line([...out, ...back]);
    };
    return [half(-1), half(1)];
  });
  const look = $derived(section.baked ? LOOK.crumb : LOOK.foam);
  const air = $derived(
    outline(
      bubbles(
        2 * outermost * scale,
        level * scale,
        section.air_fraction,
        look.size * (annotated ? 1 : 0.55),
        section.baked ? 2500 : 900,
      ),
      cx - outermost * scale,
      y(level),
    ),
  );
  const solid = $derived(pieces(section.pieces ?? [], 2 * outermost * scale, level * scale, scale));
  const spoken = $derived(
    label ??
      `${section.name}: ${litres(section.volume_ml.likely)}, ${section.density_g_per_ml.likely.toFixed(2)} g/ml, ` +
        `level ${Math.round(section.level_mm)} of ${Math.round(section.rim_mm)} mm` +
        (section.pieces?.length ? `, with ${section.pieces.map((s) => s.name).join(', ')}` : ''),
  );
  const edge = $derived(cx + outermost * scale + 10);
  const riseLabel = $derived(section.rise_mm ? y(section.rise_mm.likely) : 0);
  const levelLabel = $derived.by(() => {
    const own = y(section.level_mm);
    return section.rise_mm && own - riseLabel < 36 ? riseLabel + 36 : own;
  });
  const tall = $derived(Math.max(floor + 7, annotated && section.volume_ml.likely > 0 ? levelLabel + 24 : 0));
</script>

<svg {width} height={tall} viewBox="0 0 {width} {tall}" role="img" aria-label={spoken} class="block max-w-full">
  <clipPath id="{uid}-in">
    {#each content as half, i (i)}<polygon points={half} />{/each}
  </clipPath>
  <g transform={section.inverted ? `rotate(180 ${cx} ${floor - (section.rim_mm * scale) / 2})` : undefined}>
    <g clip-path="url(#{uid}-in)">
      {#each content as half, i (i)}<polygon points={half} fill={section.colour} />{/each}
      <path
        d={air}
        fill={look.fill}
        fill-opacity={look.fillOpacity}
        stroke="#5d7f88"
        stroke-opacity={look.strokeOpacity}
        stroke-width="0.8"
      />
      {#each solid as one, i (i)}
        <circle
          cx={cx - outermost * scale + one.x}
          cy={y(level) + one.y}
          r={one.r}
          fill={one.colour}
          stroke="#3b2a22"
          stroke-opacity="0.45"
          stroke-width="0.8"
        />
      {/each}
    </g>
    {#if level > 0.5}
      {#each [-1, 1] as way (way)}
        <line
          x1={cx + way * wallAt(level, 'inner_mm') * scale}
          x2={cx + way * wallAt(level, 'outer_mm') * scale}
          y1={y(level)}
          y2={y(level)}
          stroke="#5d7f88"
          stroke-opacity="0.6"
        />
      {/each}
    {/if}
    {#if section.free}
      <line x1="2" x2={2 * cx - 2} y1={floor} y2={floor} stroke="var(--metal)" stroke-width="3" />
    {:else}
      <polyline
        points={wall}
        fill="none"
        stroke="var(--metal)"
        stroke-width="3.5"
        stroke-linejoin="round"
        stroke-linecap="round"
      />
      {#each tube as points, i (i)}
        <polyline {points} fill="none" stroke="var(--metal)" stroke-width="2.5" />
      {/each}
    {/if}
  </g>
  {#if section.rise_mm && annotated}
    <rect
      x={cx - outermost * scale}
      width={2 * outermost * scale}
      y={y(section.rise_mm.high)}
      height={Math.max(2, (section.rise_mm.high - section.rise_mm.low) * scale)}
      fill="var(--copper)"
      fill-opacity="0.1"
    />
    <line
      x1={cx - outermost * scale}
      x2={edge - 4}
      y1={riseLabel}
      y2={riseLabel}
      stroke="var(--copper)"
      stroke-width="2"
      stroke-dasharray="6 4"
    />
    <text x={edge} y={riseLabel - 2} class="text-[15px] font-semibold" fill="var(--copper)">
      rises to {Math.round(section.rise_mm.likely)} mm
    </text>
    <text x={edge} y={riseLabel + 14} class="text-[13px]" fill="var(--copper)">
      {Math.round(section.rise_mm.low)} to {Math.round(section.rise_mm.high)}
    </text>
  {/if}
  {#if annotated && section.volume_ml.likely > 0}
    <line
      x1={cx + wallAt(section.level_mm, 'outer_mm') * scale}
      x2={edge - 4}
      y1={y(section.level_mm)}
      y2={levelLabel}
      stroke="var(--metal)"
      stroke-dasharray="2 3"
    />
    <text x={edge} y={levelLabel + 1} class="text-[17px] font-semibold" fill="var(--ink)">
      {litres(section.volume_ml.likely)}
    </text>
    <text x={edge} y={levelLabel + 18} class="text-[13px]" fill="var(--quiet)">
      {#if section.rise_mm}{Math.round(section.level_mm)} of {Math.round(section.rim_mm)} mm{:else}{section.density_g_per_ml.likely.toFixed(
          2,
        )}
        g/ml{/if}
    </text>
  {/if}
</svg>
