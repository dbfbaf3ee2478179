<script lang="ts">
  import { scaleLinear, scaleLog } from 'd3-scale';
  import { area, line, curveMonotoneX, symbol, symbolCircle, symbolSquare, symbolTriangle } from 'd3-shape';
  import Loading from '../../lib/parts/Loading.svelte';
  import type { Schemas } from '../../lib/api/client';
  import { type MapState, type Method } from './map.svelte';

  type Props = { map: MapState };
  let { map }: Props = $props();

  const uid = $props.id();
  let width = $state(760);
  const LEFT = $derived(width < 560 ? 92 : 118);
  const RIGHT = 12;
  const TOP = 26;
  const HEIGHT = $derived(width < 560 ? 250 : 300);
  const ROW = 28;
  const KEEPS = 66;
  const uses = $derived(map.spot.value?.uses ?? []);
  const tall = $derived(HEIGHT + 40 + KEEPS + 14 + ROW * 5 + 4);
  const x = $derived(scaleLinear([map.least, map.most], [LEFT, width - RIGHT]));
  /** Light foams stand above, as they do in a bowl. */
  const y = $derived(scaleLinear([0.1, 0.55], [TOP, HEIGHT]));
  /** Minutes that it keeps, each doubling as high as the last. */
  const keeps = $derived(scaleLog([3, 60], [HEIGHT + 34 + KEEPS, HEIGHT + 42]).clamp(true));
  type Row = { ratio: number; low: number; likely: number; high: number };
  const rows = (l: Schemas['Line']): Row[] =>
    l.ratios.map((ratio, i) => ({ ratio, ...(l.density[i] as { low: number; likely: number; high: number }) }));
  const band = $derived(
    area<Row>()
      .x((r) => x(r.ratio))
      .y0((r) => y(r.high))
      .y1((r) => y(r.low))
      .curve(curveMonotoneX),
  );
  const middle = $derived(
    line<Row>()
      .x((r) => x(r.ratio))
      .y((r) => y(r.likely))
      .curve(curveMonotoneX),
  );
  const holds = $derived(
    (points: [number, number][]) =>
      line<[number, number]>()
        .x(([ratio]) => x(ratio))
        .y(([, minutes]) => keeps(minutes))
        .curve(curveMonotoneX)(points) ?? '',
  );
  const SHAPES = { French: symbolCircle, Swiss: symbolSquare, Italian: symbolTriangle };
  const mark = (method: Method, size: number) => symbol(SHAPES[method], size)() ?? '';
  const own = $derived(map.spot.value);
  const DASH: Record<Method, string> = { French: '', Swiss: '7 5', Italian: '2 5' };
  /** Where each method's name stands on its line. */
  const NAMED: Record<Method, number> = { French: 1.22, Swiss: 1.42, Italian: 2.05 };

  let dragging = $state(false);
  function pick(event: PointerEvent): void {
    const box = (event.currentTarget as SVGElement).getBoundingClientRect();
    map.set(x.invert(((event.clientX - box.left) / box.width) * width));
  }
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  {#if map.lines.length === 0}
    <div style:height="{tall}px"><Loading what="the map" /></div>
  {:else}
    <svg {width} height={tall} role="group" aria-label="Sugar to white against density" class="block touch-pan-y">
      <defs>
        <clipPath id="{uid}-plot"
          ><rect x={LEFT} y={TOP - 8} width={width - LEFT - RIGHT} height={HEIGHT - TOP + 8} /></clipPath
        >
      </defs>
      {#each [0.1, 0.2, 0.3, 0.4, 0.5] as density (density)}
        <line x1={LEFT} x2={width - RIGHT} y1={y(density)} y2={y(density)} stroke="var(--line)" />
        <text x={LEFT - 7} y={y(density) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)"
          >{density.toFixed(1)}</text
        >
      {/each}
      <text x="0" y={13} class="text-[13px]" fill="var(--quiet)">g/ml: light above, dense below</text>
      <g clip-path="url(#{uid}-plot)">
        {#each map.lines as each (each.method)}
          {@const chosen = each.method === map.method}
          <path
            d={band(rows(each)) ?? ''}
            fill={chosen ? 'var(--leaf)' : 'var(--metal)'}
            fill-opacity={chosen ? 0.26 : 0.13}
          />
          <path
            d={middle(rows(each)) ?? ''}
            fill="none"
            stroke={chosen ? 'var(--ink)' : 'var(--quiet)'}
            stroke-width={chosen ? 3 : 1.8}
            stroke-dasharray={DASH[each.method]}
          />
        {/each}
      </g>
      <!-- svelte-ignore a11y_no_static_element_interactions -->
      <rect
        x="0"
        y="0"
        {width}
        height={tall}
        fill="transparent"
        class="cursor-ew-resize"
        onpointerdown={(event) => {
          dragging = true;
          (event.currentTarget as Element).setPointerCapture(event.pointerId);
          pick(event);
        }}
        onpointermove={(event) => dragging && pick(event)}
        onpointerup={() => (dragging = false)}
      />
      {#each [[TOP - 8, HEIGHT + 4], [HEIGHT + 26, tall - 6]] as [from, to] (from)}
        <line
          x1={x(map.ratio)}
          x2={x(map.ratio)}
          y1={from}
          y2={to}
          stroke="var(--ink)"
          stroke-width="2"
          pointer-events="none"
        />
      {/each}
      {#if own}
        <line
          x1={x(map.ratio)}
          x2={x(map.ratio)}
          y1={y(own.density_g_per_ml.low)}
          y2={y(own.density_g_per_ml.high)}
          stroke="var(--leaf)"
          stroke-width="9"
          stroke-linecap="round"
          pointer-events="none"
        />
        <circle
          cx={x(map.ratio)}
          cy={y(own.density_g_per_ml.likely)}
          r="8"
          fill="var(--surface)"
          stroke="var(--ink)"
          stroke-width="3"
          pointer-events="none"
        />
      {/if}
      {#each map.book as entry (entry.formula_id + entry.step)}
        {@const here = entry.method === map.method}
        <a
          href="#{entry.formula_id}"
          aria-label="{entry.title}: {entry.method}, {entry.sugar_to_white.toFixed(2)}"
          onclick={(event) => {
            event.preventDefault();
            map.go(entry);
          }}
        >
          <path
            d={mark(entry.method, here ? 110 : 70)}
            transform="translate({x(Math.min(map.most, Math.max(map.least, entry.sugar_to_white)))} {y(
              entry.density_g_per_ml.likely,
            )})"
            fill={here ? 'var(--copper)' : 'var(--surface)'}
            stroke="var(--copper)"
            stroke-width="2"><title>{entry.title}: {entry.sugar_to_white.toFixed(2)}</title></path
          >
        </a>
      {/each}
      {#each map.lines as each (each.method)}
        {@const at = rows(each).reduce((a, b) =>
          Math.abs(b.ratio - NAMED[each.method]) < Math.abs(a.ratio - NAMED[each.method]) ? b : a,
        )}
        <text
          x={x(at.ratio)}
          y={y(at.likely) + (each.method === 'Swiss' ? 22 : -10)}
          text-anchor="middle"
          class="text-[15px] {each.method === map.method ? 'font-bold' : ''}"
          fill={each.method === map.method ? 'var(--ink)' : 'var(--quiet)'}
          paint-order="stroke"
          stroke="var(--surface)"
          stroke-width="4"
          stroke-linejoin="round"
          pointer-events="none">{each.method}</text
        >
      {/each}
      {#each [0.5, 1, 1.5, 2] as tick (tick)}
        <line x1={x(tick)} x2={x(tick)} y1={HEIGHT} y2={HEIGHT + 6} stroke="var(--metal)" />
        <text x={x(tick)} y={HEIGHT + 21} text-anchor="middle" class="text-[14px]" fill="var(--quiet)"
          >{tick === 1 ? '1 : 1' : `${tick} : 1`}</text
        >
      {/each}
      <text x="0" y={HEIGHT + 21} class="text-[14px]" fill="var(--quiet)">sugar to white</text>
      <text x="0" y={HEIGHT + 50} class="text-[15px]" fill="var(--ink)" pointer-events="none">keeps</text>
      {#each [3, 10, 30] as minutes (minutes)}
        <line
          x1={LEFT}
          x2={width - RIGHT}
          y1={keeps(minutes)}
          y2={keeps(minutes)}
          stroke="var(--line)"
          pointer-events="none"
        />
        <text x={LEFT - 7} y={keeps(minutes) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)"
          >{minutes} min</text
        >
      {/each}
      {#each map.lines as each (each.method)}
        <path
          d={holds(each.ratios.map((ratio, i) => [ratio, each.hold_s[i]! / 60]))}
          fill="none"
          stroke={each.method === map.method ? 'var(--ink)' : 'var(--quiet)'}
          stroke-width={each.method === map.method ? 3 : 1.8}
          stroke-dasharray={DASH[each.method]}
          pointer-events="none"
        />
      {/each}
      {#if own}
        <line
          x1={x(map.ratio)}
          x2={x(map.ratio)}
          y1={keeps(own.hold_s.low / 60)}
          y2={keeps(own.hold_s.high / 60)}
          stroke="var(--leaf)"
          stroke-width="9"
          stroke-linecap="round"
          pointer-events="none"
        />
      {/if}
      {#each uses as use, i (use.use)}
        {@const top = HEIGHT + 46 + KEEPS + i * ROW}
        {@const good = use.fit === 'good'}
        <rect
          x={x(Math.max(map.least, use.low))}
          y={top}
          width={Math.max(2, x(Math.min(map.most, use.high)) - x(Math.max(map.least, use.low)))}
          height={ROW - 8}
          rx="4"
          fill={good ? 'var(--leaf)' : 'var(--metal)'}
          fill-opacity={good ? 0.4 : 0.22}
          pointer-events="none"
        />
        <text
          x="0"
          y={top + 15}
          class="text-[15px] {good ? 'font-bold' : ''}"
          fill={use.fit === 'not this' ? 'var(--quiet)' : 'var(--ink)'}
          pointer-events="none">{use.use}{good ? ' ✓' : use.fit === 'can be done' ? ' (nearly)' : ''}</text
        >
      {/each}
    </svg>
  {/if}
</div>
