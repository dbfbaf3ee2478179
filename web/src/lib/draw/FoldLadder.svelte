<script lang="ts">
  import { scaleLog, scalePoint } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { Estimate, Schemas } from '../api/client';

  type Addition = Schemas['Addition'] & { step?: string };
  type Props = {
    base: number;
    foam: number;
    additions: Addition[];
    /** Steps that are over: their bowl was there, it is not forecast. */
    done?: string[];
    /** The step that is worked on. */
    current?: string | null;
  };
  let { base, foam, additions, done = [], current = null }: Props = $props();

  let width = $state(460);
  const TOP = 26;
  const BOTTOM = 146;
  const LEFT = 40;
  const RIGHT = 34;
  const heaviest = $derived(Math.max(base, ...additions.map((a) => Math.max(a.bowl_g_per_ml, a.added_g_per_ml))));
  const lightest = $derived(Math.min(foam, ...additions.map((a) => Math.min(a.bowl_g_per_ml, a.added_g_per_ml))));
  /** Light stands above, as in a bowl; each doubling is as high as the last. */
  const y = $derived(scaleLog([lightest * 0.86, heaviest * 1.16], [TOP, BOTTOM]));
  const columns = $derived(['before', ...additions.map((_, i) => String(i + 1))]);
  const x = $derived(scalePoint(columns, [LEFT + 14, width - RIGHT]));
  const at = (i: number) => x(columns[i]!) ?? 0;
  const before = $derived(additions[0]?.bowl_g_per_ml ?? base);
  /** From what stood in the bowl to what stands in it after: another bowl begins anew. */
  const path = $derived(
    additions
      .map(
        (a, i) =>
          line()([
            [at(i), y(a.bowl_g_per_ml)],
            [at(i + 1), y(a.density_g_per_ml.likely)],
          ]) ?? '',
      )
      .join(''),
  );
  const ticks = $derived(
    [0.1, 0.15, 0.2, 0.3, 0.5, 0.8, 1.2].filter((d) => d >= lightest * 0.86 && d <= heaviest * 1.16),
  );
  const over = (a: Addition) => a.step !== undefined && done.includes(a.step);
  /** How many times as dense the one is as the other. */
  const gap = (a: Addition) =>
    Math.max(a.bowl_g_per_ml, a.added_g_per_ml) / Math.min(a.bowl_g_per_ml, a.added_g_per_ml);
  const times = (n: number) => `${n < 9.95 ? n.toFixed(1) : Math.round(n)}×`;
  const spoken = $derived(
    `Densities drawn together: ${additions.map((a, i) => `${i + 1}, ${a.what} into ${a.into}, ${times(gap(a))} apart, then ${a.density_g_per_ml.likely.toFixed(2)} g/ml`).join('; ')}`,
  );
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  <svg {width} height={BOTTOM + 26} role="img" aria-label={spoken} class="block">
    {#each ticks as d (d)}
      <line x1={LEFT} x2={width - 4} y1={y(d)} y2={y(d)} stroke="var(--line)" />
      <text x={LEFT - 6} y={y(d) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{d}</text>
    {/each}
    <text x="0" y="13" class="text-[13px]" fill="var(--quiet)">g/ml: light above, dense below</text>
    <path d={path} fill="none" stroke="var(--ink)" stroke-width="3" />
    {#each additions as a, i (i)}
      {@const cx = at(i)}
      {@const here = current !== null && a.step === current}
      {#if a.mass_g > 0}<g opacity={current !== null && !here ? 0.55 : 1}>
          <line
            x1={cx}
            x2={cx}
            y1={y(a.bowl_g_per_ml)}
            y2={y(a.added_g_per_ml)}
            stroke="var(--ink)"
            stroke-width={here ? 2.5 : 1.5}
            stroke-dasharray="2 4"
          />
          <circle {cx} cy={y(a.added_g_per_ml)} r="7" fill="var(--surface)" stroke="var(--ink)" stroke-width="2.5" />
          <text
            x={cx + 8}
            y={(y(a.bowl_g_per_ml) + y(a.added_g_per_ml)) / 2 + 5}
            class="text-[15px] font-semibold"
            fill="var(--ink)">{times(gap(a))}</text
          >
        </g>{/if}
    {/each}
    {@render bowl(0, before, null, false)}
    {#each additions as a, i (i)}
      {@render bowl(i + 1, a.density_g_per_ml.likely, a.density_g_per_ml, over(a))}
    {/each}
    {#each columns as name, i (name)}
      <text
        x={at(i)}
        y={BOTTOM + 24}
        text-anchor={i === columns.length - 1 ? 'end' : 'middle'}
        class="text-[13px]"
        fill="var(--quiet)">{i === 0 ? 'before' : additions[i - 1]!.mass_g > 0 ? `after ${i}` : 'pressed'}</text
      >
    {/each}
  </svg>
</div>

{#snippet bowl(i: number, density: number, range: Estimate | null, there: boolean)}
  {#if range}<line
      x1={at(i)}
      x2={at(i)}
      y1={y(range.low)}
      y2={y(range.high)}
      stroke="var(--metal)"
      stroke-width="9"
      stroke-opacity="0.5"
    />{/if}
  <circle
    cx={at(i)}
    cy={y(density)}
    r={i === 0 || there ? 5.5 : 4}
    fill={range?.basis === 'measured' ? 'var(--leaf)' : 'var(--ink)'}
  />
  <text
    x={at(i)}
    y={y(density) + 20}
    text-anchor={i === additions.length ? 'end' : 'middle'}
    class="text-[15px] {i === additions.length ? 'font-bold' : ''}"
    fill="var(--ink)">{density.toFixed(2)}</text
  >
{/snippet}
