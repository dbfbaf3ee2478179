<script lang="ts">
  import type { BraidData } from '../api/client';
  import { clock, length } from '../time';
  import { LOOK } from './bubbles';
  import { lanes } from './lanes';
  import { airIn, stretch, thickness } from './strand';
  import { timescale } from './timescale';

  type Props = {
    braid: BraidData;
    /** Another braid that shares the time axis, so that the two compare. */
    beside?: BraidData | null;
    /** The moment of second 0, in ms. */
    anchor: number;
    /** Now, in ms; draws the line that marks it. */
    now?: number | null;
    current?: string | null;
    done?: string[];
    laneHeight?: number;
    resources?: boolean;
    /** Leave the room that another one's resources take, to line up with it. */
    room?: boolean;
    label: string;
    onpick?: (step: string) => void;
  };
  let {
    braid,
    beside = null,
    anchor,
    now = null,
    current = null,
    done = [],
    laneHeight = 30,
    resources = false,
    room = false,
    label,
    onpick,
  }: Props = $props();

  const uid = $props.id();
  const MARGIN = 14;
  const HEAD = 24;
  const FOOT = 20;
  const THIN = 2.5;
  const MOVE = 16;
  let outer = $state(900);
  const width = $derived(Math.max(280, outer - 2 * MARGIN - (resources || room ? 46 : 0)));
  const layout = $derived(lanes(braid));
  const time = $derived(timescale(beside ? [braid, beside] : [braid], width, anchor));
  const most = $derived(Math.max(1, ...braid.pieces.map((p) => Math.max(p.volume_start_ml, p.volume_end_ml))));
  const names = $derived(new Map(braid.strands.map((s) => [s.vessel, s.name])));
  const rows = $derived(resources ? [...new Set(braid.occupied.map((o) => o.resource))] : []);
  const strandsHeight = $derived(layout.count * laneHeight);
  const height = $derived(HEAD + strandsHeight + FOOT + (rows.length ? rows.length * 13 + 10 : 0));

  const x = (s: number) => MARGIN + time.x(s);
  const y = (vessel: string) => HEAD + ((layout.of.get(vessel) ?? 0) + 0.5) * laneHeight;
  const thick = (ml: number) => thickness(ml, most, laneHeight - 3, THIN);

  const pieces = $derived(
    braid.pieces.map((p) => {
      const x0 = x(p.start_s);
      const x1 = Math.max(x0 + 2, x(p.end_s));
      const [t0, t1] = [thick(p.volume_start_ml), thick(p.volume_end_ml)];
      const air = (p.air_start + p.air_end) / 2;
      const look = p.baked ? LOOK.crumb : LOOK.foam;
      const shape = stretch(x0, x1, t0, t1);
      const airPath = p.colour ? airIn(x0, x1, t0, t1, air, { size: look.size * 0.55, most: 420 }) : '';
      return { ...p, x0, x1, t0, t1, shape, look, airPath, key: `${p.step}${p.waiting ? '-waits' : ''}` };
    }),
  );
  const holds = $derived(pieces.filter((p) => p.hold_until_s !== null && p.hold_until_s !== undefined));
  /** A window in words, where it does not lie over another one's words of its lane: the first is told. */
  const held = $derived.by(() => {
    const told: { y: number; from: number; to: number }[] = [];
    return holds.map((p) => {
      const end = Math.min(x(p.hold_until_s!), MARGIN + width);
      const words = `holds ${length(p.hold_until_s! - p.start_s)}`;
      const wide = words.length * 6.6;
      const inside = end - p.x0 > wide;
      const from = inside ? end - 4 - wide : end + 5;
      const place = { y: y(p.vessel), from, to: from + wide };
      const clear = !told.some((t) => t.y === place.y && t.from < place.to && place.from < t.to);
      const spoken = end - p.x0 > 16 && clear;
      if (spoken) told.push(place);
      return { ...p, end, words, inside, spoken };
    });
  });
  const joins = $derived(
    braid.joins.map((j, i) => {
      const [ya, yb] = [y(j.from_vessel), y(j.to_vessel)];
      const xb = x(j.at_s);
      const xa = xb - MOVE;
      return {
        key: `${j.step}-${j.from_vessel}-${i}`,
        d: `M ${xa} ${ya} C ${xa + MOVE * 0.75} ${ya}, ${xb - MOVE * 0.25} ${yb}, ${xb + 4} ${yb}`,
        width: Math.min(thick(j.volume_ml), laneHeight * 0.5),
        colour: j.colour,
        same: ya === yb,
      };
    }),
  );
  const labels = $derived.by(() => {
    const first = new Map<string, { x: number; end: number; y: number; t: number }>();
    for (const p of pieces) {
      const known = first.get(p.vessel);
      if (!known) first.set(p.vessel, { x: p.x0, end: p.x1, y: y(p.vessel), t: Math.max(p.t0, p.t1) });
    }
    const ends = new Map<number, number>();
    return [...first]
      .map(([vessel, place]) => ({ vessel, name: names.get(vessel) ?? vessel, ...place }))
      .filter((l) => {
        const free = (ends.get(l.y) ?? -1) < l.x;
        if (free) ends.set(l.y, l.x + l.name.length * 7 + 6);
        return free;
      });
  });
  const nowX = $derived(now === null ? null : Math.min(MARGIN + width, Math.max(MARGIN, x((now - anchor) / 1000))));
  const at = (s: number) => clock(anchor + s * 1000);

  function key(event: KeyboardEvent, step: string): void {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onpick?.(step);
  }
</script>

<div bind:clientWidth={outer} class="w-full overflow-hidden">
  <svg width={outer} {height} role="group" aria-label={label} class="block">
    <defs>
      <linearGradient id="{uid}-fade" x1="0" x2="1" y1="0" y2="0">
        <stop offset="0" stop-color="#fff" /><stop offset="1" stop-color="#fff" stop-opacity="0.25" />
      </linearGradient>
      <mask id="{uid}-dying" maskContentUnits="objectBoundingBox">
        <rect width="1" height="1" fill="url(#{uid}-fade)" />
      </mask>
    </defs>
    {#each time.ticks as t (t)}
      <line x1={x(t)} x2={x(t)} y1={HEAD - 6} y2={HEAD + strandsHeight} stroke="var(--line)" />
      <text
        x={x(t)}
        y={HEAD + strandsHeight + 15}
        class="text-[13px]"
        text-anchor={x(t) > outer - 22 ? 'end' : x(t) < 20 ? 'start' : 'middle'}
        fill="var(--quiet)">{at(t)}</text
      >
    {/each}
    {#each time.squeezed as q (q.from)}
      <path
        d="M {(x(q.from) + x(q.to)) / 2 - 5} {HEAD + strandsHeight + 3} l 4 -7 m 3 7 l 4 -7"
        stroke="var(--quiet)"
        fill="none"
      />
    {/each}
    {#each joins as j (j.key)}
      {#if !j.same}
        <path d={j.d} fill="none" stroke={j.colour} stroke-opacity="0.6" stroke-width={j.width} />
        <path d={j.d} fill="none" stroke="var(--metal)" stroke-opacity="0.5" stroke-width="1" />
      {/if}
    {/each}
    {#each pieces as p (p.key)}
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <g
        transform="translate(0 {y(p.vessel)})"
        role={onpick && !p.waiting ? 'button' : undefined}
        tabindex={onpick && !p.waiting ? 0 : undefined}
        aria-label={onpick && !p.waiting ? `${p.label}, ${at(p.start_s)} to ${at(p.end_s)}` : undefined}
        class={onpick ? 'cursor-pointer outline-offset-2' : ''}
        opacity={done.includes(p.step) && now !== null ? 0.85 : 1}
        onclick={() => onpick?.(p.step)}
        onkeydown={(event) => key(event, p.step)}
      >
        {#if p.colour}
          <path
            d={p.shape}
            fill={p.colour}
            stroke={p.step === current && !p.waiting ? 'var(--ink)' : '#7b8d8f'}
            stroke-opacity={p.step === current && !p.waiting ? 1 : 0.55}
            stroke-width={p.step === current && !p.waiting ? 2 : 0.8}
            mask={p.hold_until_s ? `url(#${uid}-dying)` : undefined}
          />
          <path
            d={p.airPath}
            fill={p.look.fill}
            fill-opacity={p.look.fillOpacity}
            stroke="#6d868b"
            stroke-opacity={p.look.strokeOpacity}
            stroke-width="0.6"
          />
        {:else}
          <rect x={p.x0} y={-2} width={p.x1 - p.x0} height="4" rx="2" fill="var(--copper)" />
        {/if}
        <rect x={p.x0} y={-laneHeight / 2} width={p.x1 - p.x0} height={laneHeight} fill="transparent">
          <title>{p.label}, {at(p.start_s)} to {at(p.end_s)} ({length(p.end_s - p.start_s)})</title>
        </rect>
        {#if !p.waiting && p.x1 - p.x0 > p.label.length * 7.2 && Math.max(p.t0, p.t1) > 11}
          <text
            x={(p.x0 + p.x1) / 2}
            y="4.5"
            text-anchor="middle"
            class="pointer-events-none text-[13px] font-semibold"
            fill="#2a2008">{p.label}</text
          >
        {/if}
      </g>
    {/each}
    {#each held as p (p.key)}
      <rect
        x={p.x0}
        y={y(p.vessel) - laneHeight / 2 + 1.5}
        width={Math.max(1, p.end - p.x0)}
        height={laneHeight - 3}
        fill="none"
        stroke="var(--raspberry)"
        stroke-width="1.6"
        stroke-dasharray="3 3"
      />
      {#if p.spoken}
        <text
          x={p.inside ? p.end - 4 : p.end + 5}
          y={y(p.vessel) + 4.5}
          text-anchor={p.inside ? 'end' : 'start'}
          class="pointer-events-none text-[12.5px] font-semibold"
          fill="var(--raspberry)"
          paint-order="stroke"
          stroke="var(--surface)"
          stroke-width="3"
          stroke-linejoin="round">{p.words}</text
        >
      {/if}
    {/each}
    {#each labels as l (l.vessel)}
      <text
        x={Math.min(l.x, outer - 4)}
        text-anchor={l.x + l.name.length * 7 > outer ? 'end' : 'start'}
        y={l.y - Math.max(l.t / 2, 3) - 3}
        class="pointer-events-none text-[12.5px] font-semibold"
        fill="var(--quiet)"
        paint-order="stroke"
        stroke="var(--surface)"
        stroke-width="3"
        stroke-linejoin="round">{l.name}</text
      >
    {/each}
    {#each rows as resource, r (resource)}
      {@const top = HEAD + strandsHeight + FOOT + 8 + r * 13}
      <line x1={MARGIN} x2={MARGIN + width} y1={top + 4} y2={top + 4} stroke="var(--line)" />
      {#each braid.occupied.filter((o) => o.resource === resource) as o (o.step)}
        <rect
          x={x(o.start_s)}
          y={top}
          width={Math.max(1.5, x(o.end_s) - x(o.start_s) - 0.8)}
          height="8"
          rx="1.5"
          fill={resource === 'oven' || resource === 'hob' ? 'var(--copper)' : 'var(--metal)'}
        />
      {/each}
      <text
        x={MARGIN + width + 8}
        y={top + 8.5}
        class="text-[12px]"
        fill="var(--quiet)"
        paint-order="stroke"
        stroke="var(--surface)"
        stroke-width="4">{resource}</text
      >
    {/each}
    {#if nowX !== null}
      <line x1={nowX} x2={nowX} y1={HEAD - 10} y2={HEAD + strandsHeight + 2} stroke="var(--ink)" stroke-width="2.5" />
      <path d="M {nowX - 7} {HEAD - 18} h 14 l -7 10 z" fill="var(--ink)" />
    {/if}
  </svg>
</div>
