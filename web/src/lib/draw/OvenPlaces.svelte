<script lang="ts">
  import type { Schemas } from '../api/client';
  import { kelvins } from '../figures.svelte';

  /** An oven cut in half: how far each rack is from what the dial says, and how sure that is. */
  type Props = { places: Schemas['PlaceOffset'][]; mode: Schemas['OvenMode']; dial: (c: number) => string };
  let { places, mode, dial }: Props = $props();

  const W = 380;
  const H = 214;
  const Y = { top: 62, middle: 122, bottom: 182 } as const;
  const shown = $derived(places.filter((p) => p.mode === mode));
  /** Copper for hotter, steel for cooler. */
  const tint = (v: number) => (v > 0 ? 'var(--copper)' : 'var(--metal)');
</script>

<svg
  viewBox="0 0 {W} {H}"
  class="block w-full max-w-[380px]"
  role="img"
  aria-label="Offset (thermometer − dial) by rack: {shown
    .map((p) => `${p.rack} ${kelvins(p.offset_k.likely)}, ${kelvins(p.offset_k.low)} to ${kelvins(p.offset_k.high)}`)
    .join('; ')}"
>
  <rect x="2" y="2" width={W - 4} height={H - 4} rx="7" fill="var(--line)" stroke="var(--metal)" stroke-width="2" />
  <rect x="14" y="14" width={W - 28} height={H - 28} rx="3" fill="var(--surface)" />
  {#if mode === 'fan'}
    <circle cx={W - 40} cy="38" r="13" fill="none" stroke="var(--metal)" stroke-width="2" />
    <text x={W - 40} y="43" text-anchor="middle" class="text-[13.5px]" fill="var(--quiet)">fan</text>
  {/if}
  {#each shown as place (place.rack)}
    {@const at = Y[place.rack]}
    {@const wide = Math.min(120, Math.abs(place.offset_k.likely) * 5)}
    <line x1="14" x2={W - 14} y1={at} y2={at} stroke="var(--metal)" stroke-width="2.5" />
    <rect
      x={place.offset_k.likely > 0 ? W / 2 : W / 2 - wide}
      y={at - 15}
      width={wide}
      height="12"
      fill={tint(place.offset_k.likely)}
      fill-opacity={place.checks > 0 ? 0.85 : 0.35}
    />
    <line x1={W / 2} x2={W / 2} y1={at - 20} y2={at} stroke="var(--ink)" stroke-width="1.5" />
    <text x="24" y={at - 8} class="text-[15px] font-semibold" fill="var(--ink)">{place.rack}</text>
    <text x="24" y={at - 26} class="text-[13.5px]" fill="var(--quiet)"
      >{place.checks === 0 ? 'not measured' : `${place.checks} read`}</text
    >
    <text x={W - 24} y={at - 8} text-anchor="end" class="text-[20px] font-bold" fill="var(--ink)"
      >{kelvins(place.offset_k.likely)}</text
    >
    <text x={W - 24} y={at - 28} text-anchor="end" class="text-[13.5px]" fill="var(--quiet)"
      >{kelvins(place.offset_k.low)} to {kelvins(place.offset_k.high)}; for {dial(170)} set {dial(place.dial_c)}</text
    >
  {/each}
</svg>
