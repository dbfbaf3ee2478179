<script lang="ts">
  import type { Schemas } from '../api/client';

  /** A tray seen from above, the oven's back at the top: each place as brown as it was marked; the plane through all
   *  marks as a wash behind, hotter in copper. With `onshade` a touch goes one shade on. */
  type Props = {
    rows: (Schemas['Brown'] | null)[][];
    places?: number[][];
    names: readonly string[];
    onshade?: (row: number, column: number) => void;
  };
  let { rows, places = [], names, onshade }: Props = $props();

  /** The crust's own colours, from white to dark. */
  const SHADES = ['#f6ead2', '#ecd2a0', '#d9a75c', '#a96a2c', '#5e3413'];
  const CELL = 58;
  const columns = $derived(rows[0]?.length ?? 0);
  const W = $derived(columns * CELL + 20);
  const H = $derived(rows.length * CELL + 56);
  const hottest = $derived(Math.max(1, ...places.flat().map(Math.abs)));
</script>

<svg
  viewBox="0 0 {W} {H}"
  class="block w-full"
  style="max-width: {W}px"
  role="group"
  aria-label="Browning map, the oven's back at the top"
>
  <text x={W / 2} y="14" text-anchor="middle" class="text-[13px]" fill="var(--quiet)">back of the oven</text>
  <rect
    x="4"
    y="22"
    width={W - 8}
    height={H - 48}
    rx="6"
    fill="var(--surface)"
    stroke="var(--metal)"
    stroke-width="2.5"
  />
  {#each rows as row, i (i)}
    {#each row as grade, j (j)}
      {@const k = places[i]?.[j] ?? 0}
      {@const words = `row ${i + 1}, place ${j + 1}: ${grade === null ? 'nothing lay there' : names[grade]}`}
      <rect
        x={10 + j * CELL}
        y={26 + i * CELL}
        width={CELL}
        height={CELL}
        fill={k > 0 ? 'var(--copper)' : 'var(--metal)'}
        fill-opacity={0.42 * Math.min(1, Math.abs(k) / hottest) * (places.length ? 1 : 0)}
      />
      {#if onshade}
        <g
          role="button"
          tabindex="0"
          class="cursor-pointer"
          aria-label={words}
          onclick={() => onshade(i, j)}
          onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onshade(i, j))}
        >
          <rect x={10 + j * CELL} y={26 + i * CELL} width={CELL} height={CELL} fill="transparent" />
          {@render piece(i, j, grade)}
        </g>
      {:else}
        {@render piece(i, j, grade)}
      {/if}
    {/each}
  {/each}
  <text x={W / 2} y={H - 6} text-anchor="middle" class="text-[13px]" fill="var(--quiet)">door</text>
</svg>

{#snippet piece(i: number, j: number, grade: Schemas['Brown'] | null)}
  {@const cx = 10 + j * CELL + CELL / 2}
  {@const cy = 26 + i * CELL + CELL / 2}
  {#if grade === null}
    <circle {cx} {cy} r="20" fill="none" stroke="var(--metal)" stroke-width="1.5" stroke-dasharray="3 4" />
  {:else}
    <circle {cx} {cy} r="21" fill={SHADES[grade]} stroke="#5e3413" stroke-opacity="0.5" />
    <text x={cx} y={cy + 5} text-anchor="middle" class="text-[13px] font-semibold" fill={grade > 2 ? '#fff' : '#2a1706'}
      >{names[grade]}</text
    >
  {/if}
{/snippet}
