<script lang="ts">
  import type { Schemas } from '../api/client';
  import { length } from '../time';

  /** Trays over one clock: piped, drying, in the window in which the skin holds, and in the oven. */
  type Props = { loads: Schemas['Loads']; width?: number };
  let { loads, width = 560 }: Props = $props();

  const ROW = 26;
  const LEFT = 66;
  const RIGHT = 8;
  const trays = $derived(loads.loads.flatMap((load) => load.trays.map((tray) => ({ load, tray }))));
  const scale = $derived((width - LEFT - RIGHT) / Math.max(60, loads.ends_s));
  const x = (s: number) => LEFT + Math.min(s, loads.ends_s) * scale;
  const hours = $derived(Array.from({ length: Math.floor(loads.ends_s / 1800) + 1 }, (_, i) => i * 1800));
</script>

<svg
  viewBox="0 0 {width} {trays.length * ROW + 26}"
  class="block w-full"
  style="max-width: {width}px"
  role="img"
  aria-label="{trays.length} trays in {loads.loads.length} loads, over in {length(loads.ends_s)}"
>
  {#each hours as s (s)}
    <line x1={x(s)} x2={x(s)} y1="0" y2={trays.length * ROW + 4} stroke="var(--line)" />
    <text x={x(s)} y={trays.length * ROW + 19} text-anchor="middle" class="text-[12px]" fill="var(--quiet)"
      >{s === 0 ? 'start' : length(s)}</text
    >
  {/each}
  {#each trays as { load, tray }, i (tray.tray)}
    {@const y = i * ROW + 4}
    <text x="0" y={y + 14} class="text-[13px] font-semibold" fill="var(--ink)">tray {tray.tray}</text>
    <rect x={x(tray.piped_from_s)} {y} width={x(tray.piped_s) - x(tray.piped_from_s)} height="18" fill="var(--ink)" />
    <rect
      x={x(tray.piped_s)}
      y={y + 5}
      width={Math.max(0, x(Math.min(tray.dry_s, load.start_s)) - x(tray.piped_s))}
      height="8"
      fill="var(--metal)"
      fill-opacity="0.45"
    />
    <rect
      x={x(tray.dry_s)}
      y={y + 5}
      width={Math.max(0, x(Math.min(tray.too_long_s, load.start_s)) - x(tray.dry_s))}
      height="8"
      fill="var(--leaf)"
    />
    {#if tray.rested !== 'in its window'}
      <rect
        x={x(tray.too_long_s)}
        y={y + 5}
        width={Math.max(0, x(load.start_s) - x(tray.too_long_s))}
        height="8"
        fill="var(--raspberry)"
      />
    {/if}
    <rect
      x={x(load.start_s)}
      {y}
      width={x(load.end_s) - x(load.start_s)}
      height="18"
      rx="3"
      fill="#d9a75c"
      stroke="var(--copper)"
    />
    {#if (load.end_s - load.start_s) * scale > 44}<text
        x={(x(load.start_s) + x(load.end_s)) / 2}
        y={y + 14}
        text-anchor="middle"
        class="text-[12px] font-semibold"
        fill="#2a1706">load {load.load}</text
      >{/if}
  {/each}
</svg>
