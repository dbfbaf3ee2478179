<script lang="ts">
  import type { Schemas } from '../api/client';

  /** A tray seen from above: each piece as wide as it is once it has spread, and within it the line to pipe to. */
  type Props = {
    layout: Schemas['Layout'];
    piece: Schemas['PipedPiece'];
    /** How wide it is piped (mm). */
    piped: number;
    /** How many of the places are taken, from the first row on. */
    taken?: number;
    colour?: string;
    width?: number;
    height?: number;
  };
  let { layout, piece, piped, taken, colour = '#f3e3c2', width = 300, height = 240 }: Props = $props();

  const scale = $derived(Math.min((width - 8) / layout.width_mm, (height - 8) / layout.length_mm));
  const pen = $derived(1.2 / scale);
  const long = $derived(layout.across_mm !== layout.along_mm);
  const share = $derived(piped / piece.width_mm);
  /** A ring's line, as wide as it ends. */
  const cord = $derived(piece.shape === 'ring' ? Math.min(piece.cord_mm ?? piece.width_mm / 3, piece.width_mm / 2) : 0);
  const many = $derived(taken ?? layout.spots.length);
</script>

<svg
  width={layout.width_mm * scale + 8}
  height={layout.length_mm * scale + 8}
  viewBox="{-4 / scale} {-4 / scale} {layout.width_mm + 8 / scale} {layout.length_mm + 8 / scale}"
  role="img"
  aria-label="Tray of {layout.width_mm} by {layout.length_mm} mm with {many} of {layout.spots
    .length} places taken, {layout.arrangement}"
  class="block max-w-full"
>
  <rect
    width={layout.width_mm}
    height={layout.length_mm}
    rx={5 / scale}
    fill="var(--surface)"
    stroke="var(--metal)"
    stroke-width={2.4 / scale}
  />
  {#each layout.spots as spot, i (i)}
    {@const y = layout.length_mm - spot.y_mm}
    {@const there = i < many}
    {#if long}
      {@const thin = Math.min(layout.across_mm, layout.along_mm)}
      <rect
        x={spot.x_mm - layout.across_mm / 2}
        y={y - layout.along_mm / 2}
        width={layout.across_mm}
        height={layout.along_mm}
        rx={thin / 2}
        fill={there ? colour : 'none'}
        stroke="var(--quiet)"
        stroke-width={pen}
        stroke-dasharray={there ? undefined : `${3 / scale} ${3 / scale}`}
      />
    {:else if cord}
      <circle
        cx={spot.x_mm}
        cy={y}
        r={(piece.width_mm - cord) / 2}
        fill="none"
        stroke={there ? colour : 'var(--line)'}
        stroke-width={cord}
      />
      {#each [piece.width_mm / 2, piece.width_mm / 2 - cord] as r (r)}<circle
          cx={spot.x_mm}
          cy={y}
          {r}
          fill="none"
          stroke="var(--quiet)"
          stroke-width={pen}
        />{/each}
    {:else}
      <circle
        cx={spot.x_mm}
        cy={y}
        r={piece.width_mm / 2}
        fill={there ? colour : 'none'}
        stroke="var(--quiet)"
        stroke-width={pen}
        stroke-dasharray={there ? undefined : `${3 / scale} ${3 / scale}`}
      />
      {#if there && share < 0.985}<circle
          cx={spot.x_mm}
          cy={y}
          r={(piece.width_mm * share) / 2}
          fill="none"
          stroke="#2a1706"
          stroke-opacity="0.55"
          stroke-width={pen}
          stroke-dasharray="{2.4 / scale} {2.4 / scale}"
        />{/if}
    {/if}
  {/each}
</svg>
