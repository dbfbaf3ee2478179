<script lang="ts">
  import type { SectionData, Schemas } from '../api/client';
  import { grams, litres } from '../figures.svelte';
  import { bubbles, LOOK, outline } from './bubbles';

  /** What is built, cut through: each part an area to scale, with its name, thickness and weight beside it. */
  type Props = {
    section: SectionData;
    width?: number;
    height?: number;
    annotated?: boolean;
    label?: string;
    pxPerMm?: number;
  };
  let { section, width = 300, height = 220, annotated = true, label, pxPerMm }: Props = $props();

  const uid = $props.id();
  const GUTTER = 138;
  const LINE = 30;
  const regions = $derived(section.regions ?? []);
  const half = $derived(Math.max(1, ...section.wall.map((p) => p.outer_mm)));
  const top = $derived(Math.max(1, section.rim_mm));
  const side = $derived(annotated ? GUTTER : 4);
  const fitting = $derived(Math.min((width - side - 8) / (2 * half), (height - 16) / top));
  const scale = $derived(Math.min(fitting, pxPerMm ?? Infinity));
  const cx = $derived(4 + half * scale);

  type Region = Schemas['Region'];
  /** Parts that are told once, from above: two walls are one wall, three layers are three times a layer. */
  type Told = { key: string; name: string; y: number; x: number; times: number; grams: number; thick: number | null };
  const middleY = (r: Region) => (Math.min(...r.y_mm) + Math.max(...r.y_mm)) / 2;
  const edgeX = (r: Region) => Math.max(...r.x_mm);
  const told = $derived.by(() => {
    const found = new Map<string, Told>();
    for (const r of regions) {
      const key = `${r.name} ${r.place}`;
      const known = found.get(key);
      const own = { y: middleY(r), x: edgeX(r) };
      if (!known) {
        found.set(key, { key, name: r.name, ...own, times: 1, grams: r.grams, thick: r.thickness_mm ?? null });
      } else {
        known.times += 1;
        if (r.place !== 'wall') known.grams += r.grams;
        if (own.y > known.y || (own.y === known.y && own.x > known.x)) Object.assign(known, own);
      }
    }
    return [...found.values()].toSorted((a, b) => b.y - a.y);
  });
  const floor = $derived(Math.max(top * scale + 8, annotated ? told.length * LINE + 4 : 0, 24));
  const y = (mm: number) => floor - mm * scale;
  /** Words side by side don't cover each other: pushed down where they would, then up from the floor. */
  const placed = $derived.by(() => {
    const at = told.map((t) => y(t.y) + 5);
    for (let i = 0; i < at.length; i++) at[i] = Math.max(at[i]!, i === 0 ? 13 : at[i - 1]! + LINE);
    const last = floor - LINE + 16;
    for (let i = at.length - 1; i >= 0; i--) at[i] = Math.min(at[i]!, i === at.length - 1 ? last : at[i + 1]! - LINE);
    return told.map((t, i) => ({ ...t, at: at[i]! }));
  });
  const area = (r: Region) =>
    r.x_mm.map((x, i) => `${(cx + x * scale).toFixed(1)},${y(r.y_mm[i]!).toFixed(1)}`).join(' ');
  const pores = (r: Region) => {
    const [xs, ys] = [r.x_mm, r.y_mm];
    const look = r.baked ? LOOK.crumb : LOOK.foam;
    const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const many = bubbles(
      (right - left) * scale,
      (high - low) * scale,
      r.air_fraction,
      look.size * 0.6,
      r.baked ? 700 : 260,
    );
    return outline(many, cx + left * scale, y(high));
  };
  const short = (name: string) => (name.length > 15 ? `${name.slice(0, 14)}…` : name);
  const mm = (thick: number) => `${thick < 3 ? thick.toFixed(1) : Math.round(thick)} mm`;
  const wide = $derived(`${Math.round(2 * half)} mm`);
  const spoken = $derived(
    label ??
      `${section.name}: ${told
        .map((t) => `${t.times > 1 ? `${t.times} times ` : ''}${t.name}${t.thick ? `, ${mm(t.thick)}` : ''}`)
        .join('; ')}; ${wide} across, ${Math.round(top)} mm high, ${litres(section.volume_ml.likely)}`,
  );
</script>

<svg
  {width}
  height={floor + 20}
  viewBox="0 0 {width} {floor + 20}"
  role="img"
  aria-label={spoken}
  class="block max-w-full"
>
  {#each regions as r, i (i)}
    <clipPath id="{uid}-{i}"><polygon points={area(r)} /></clipPath>
    <polygon
      points={area(r)}
      fill={r.colour}
      stroke="#3b2a22"
      stroke-opacity={r.baked ? 0.55 : 0.32}
      stroke-width={r.baked ? 1.4 : 1}
      stroke-linejoin="round"
    />
    <g clip-path="url(#{uid}-{i})">
      <path
        d={pores(r)}
        fill={r.baked ? LOOK.crumb.fill : LOOK.foam.fill}
        fill-opacity={r.baked ? LOOK.crumb.fillOpacity : 0.4}
      />
    </g>
  {/each}
  <line
    x1="2"
    x2={Math.min(width - 2, 2 * cx - 2)}
    y1={floor + 1.5}
    y2={floor + 1.5}
    stroke="var(--metal)"
    stroke-width="3"
  />
  {#if annotated}
    {#each placed as t (t.key)}
      <polyline
        points="{(cx + Math.min(t.x, half) * scale - 3).toFixed(1)},{y(t.y).toFixed(1)} {(
          cx +
          half * scale +
          6
        ).toFixed(1)},{(t.at - 5).toFixed(1)} {(cx + half * scale + 12).toFixed(1)},{(t.at - 5).toFixed(1)}"
        fill="none"
        stroke="var(--metal)"
        stroke-dasharray="2 3"
      />
      <text x={cx + half * scale + 15} y={t.at} class="text-[14px] font-semibold" fill="var(--ink)"
        >{t.times > 1 && t.thick ? `${t.times} × ` : ''}{short(t.name)}</text
      >
      <text x={cx + half * scale + 15} y={t.at + 14} class="text-[12.5px]" fill="var(--quiet)"
        >{[t.thick ? mm(t.thick) : '', grams(t.grams)].filter(Boolean).join(', ')}</text
      >
    {/each}
    <text x={cx} y={floor + 16} text-anchor="middle" class="text-[12.5px]" fill="var(--quiet)"
      >{wide} across, {Math.round(top)} high</text
    >
  {/if}
</svg>
