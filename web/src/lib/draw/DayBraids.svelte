<script lang="ts" module>
  import type { BraidData } from '../api/client';
  const EMPTY: BraidData = { strands: [], pieces: [], joins: [], occupied: [], start_s: 0, end_s: 3600 };
</script>

<script lang="ts">
  import type { Schemas } from '../api/client';
  import { clock, length } from '../time';
  import { LOOK } from './bubbles';
  import { lanes } from './lanes';
  import { airIn, stretch, thickness } from './strand';
  import { timescale } from './timescale';

  /** Several braids over one clock; below them who and what is taken when. A bake can be drawn to another time. */
  type Props = {
    plan: Schemas['DayAnswer'];
    now?: number | null;
    picked?: { bake: string; step: string } | null;
    onpick?: (bake: string, step: string) => void;
    /** A bake was drawn so many seconds to the right. */
    onmove?: (bake: string, seconds: number) => void;
    label: string;
  };
  let { plan, now = null, picked = null, onpick, onmove, label }: Props = $props();

  const MARGIN = 14;
  const SIDE = 86;
  const HEAD = 4;
  const TITLE = 19;
  const FOOT = 22;
  const ROW = 17;
  const SNAP_S = 60;
  const uid = $props.id();
  let outer = $state(900);
  let drawn = $state<{ bake: string; from: number; by: number } | null>(null);

  const anchor = $derived(Date.parse(plan.start_at));
  const shown = $derived(plan.bakes.filter((b) => b.braid.pieces.length > 0));
  const firstAt = $derived(Math.min(...shown.map((b) => Date.parse(b.start_at))));
  const side = $derived(outer < 640 ? 0 : SIDE);
  const width = $derived(Math.max(260, outer - 2 * MARGIN - side));
  const time = $derived(
    shown.length > 0
      ? timescale(
          shown.map((b) => b.braid),
          width,
          anchor,
        )
      : timescale([EMPTY], width, anchor),
  );
  const laneHeight = $derived(shown.length > 6 ? 9 : shown.length > 3 ? 12 : 17);
  const x = (s: number) => MARGIN + side + time.x(s);
  const at = (s: number) => clock(anchor + s * 1000);

  const rows = $derived.by(() => {
    let top = HEAD;
    return shown.map((bake, number) => {
      const layout = lanes(bake.braid);
      const height = TITLE + layout.count * laneHeight + 7;
      const most = Math.max(1, ...bake.braid.pieces.map((p) => Math.max(p.volume_start_ml, p.volume_end_ml)));
      const thick = (ml: number) => thickness(ml, most, laneHeight - 1.5, 2);
      const y = (vessel: string) => TITLE + ((layout.of.get(vessel) ?? 0) + 0.5) * laneHeight;
      const steps = new Map(bake.steps.map((s) => [s.step, s]));
      const pieces = bake.braid.pieces.map((p) => {
        const x0 = x(p.start_s);
        const x1 = Math.max(x0 + 1.5, x(p.end_s));
        const [t0, t1] = [thick(p.volume_start_ml), thick(p.volume_end_ml)];
        const air = (p.air_start + p.air_end) / 2;
        const look = { size: 3, most: 90 };
        return {
          ...p,
          x0,
          x1,
          shape: stretch(x0, x1, t0, t1),
          airPath: p.colour && Math.max(t0, t1) > 7 ? airIn(x0, x1, t0, t1, air, look) : '',
          y: y(p.vessel),
          own: steps.get(p.step),
          key: `${p.step}${p.waiting}`,
        };
      });
      const row = { bake, number: number + 1, top, height, pieces, left: Math.min(...pieces.map((p) => p.x0)) };
      top += height;
      return row;
    });
  });
  const strands = $derived(rows.reduce((sum, r) => sum + r.height, HEAD));

  type Taken = { bake: string; step: string; title: string; number: number; x0: number; x1: number; critical: boolean };
  const taken = $derived.by(() => {
    const found: { name: string; away: { start_s: number; end_s: number }[]; taken: Taken[] }[] = [];
    const named = (all: Schemas['Shared'][], kind: 'person' | 'mixer' | 'oven', bare: string) => {
      for (const one of all) {
        const own = rows.flatMap((r) =>
          r.bake.steps
            .filter((s) => s[kind] === one.id)
            .map((s) => ({
              bake: r.bake.id,
              step: s.step,
              title: `${s.title} (${r.bake.title})${s.oven_c && kind === 'oven' ? `, ${Math.round(s.oven_c)} °C` : ''}`,
              number: r.number,
              x0: x((Date.parse(s.start_at) - anchor) / 1000),
              x1: x((Date.parse(s.end_at) - anchor) / 1000),
              critical: s.critical,
            })),
        );
        found.push({ name: one.name || bare, away: one.away ?? [], taken: own });
      }
    };
    named(plan.people, 'person', 'Hands');
    named(plan.mixers, 'mixer', 'Mixer');
    named(plan.ovens, 'oven', 'Oven');
    return found.filter((f) => f.taken.length > 0);
  });
  const height = $derived(strands + FOOT + taken.length * ROW + 6);
  const nowX = $derived(
    now === null ? null : Math.max(MARGIN + side, Math.min(MARGIN + side + width, x((now - anchor) / 1000))),
  );

  function begin(event: PointerEvent, bake: string): void {
    if (!onmove) return;
    drawn = { bake, from: event.clientX, by: 0 };
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
  }

  function draw(event: PointerEvent): void {
    if (drawn) drawn = { ...drawn, by: event.clientX - drawn.from };
  }

  function drop(): void {
    if (!drawn) return;
    const { bake, by } = drawn;
    drawn = null;
    const row = rows.find((r) => r.bake.id === bake);
    if (!row || Math.abs(by) < 5) return;
    // The axis is not even: how many seconds that is depends on where the bake begins.
    const first = (Date.parse(row.bake.start_at) - anchor) / 1000;
    const seconds = Math.round((unx(time.x(first) + by) - first) / SNAP_S) * SNAP_S;
    if (seconds !== 0) onmove?.(bake, seconds);
  }

  /** The second at a place of the axis. */
  function unx(place: number): number {
    let [low, high] = [-86_400, time.end + 86_400];
    for (let n = 0; n < 40; n++) {
      const middle = (low + high) / 2;
      if (time.x(middle) < place) low = middle;
      else high = middle;
    }
    return low;
  }

  function key(event: KeyboardEvent, bake: string, step: string): void {
    if (event.key !== 'Enter' && event.key !== ' ') return;
    event.preventDefault();
    onpick?.(bake, step);
  }
</script>

<div bind:clientWidth={outer} class="w-full overflow-hidden">
  <svg width={outer} {height} role="group" aria-label={label} class="block touch-pan-y select-none">
    <defs>
      <pattern id="{uid}-away" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--line)" stroke-width="2.5" />
      </pattern>
    </defs>
    {#each time.ticks as t (t)}
      <line x1={x(t)} x2={x(t)} y1={HEAD} y2={height - 4} stroke="var(--line)" stroke-opacity="0.7" />
      <text
        x={x(t)}
        y={strands + 14}
        text-anchor={x(t) > outer - 22 ? 'end' : 'middle'}
        class="text-[13px]"
        fill="var(--quiet)">{at(t)}</text
      >
    {/each}
    {#each time.squeezed as q (q.from)}
      <path d="M {(x(q.from) + x(q.to)) / 2 - 5} {strands + 4} l 4 -7 m 3 7 l 4 -7" stroke="var(--quiet)" fill="none" />
    {/each}
    {#each rows as row (row.bake.id)}
      {@const own = drawn?.bake === row.bake.id ? drawn.by : 0}
      <g transform="translate({own} {row.top})">
        <!-- svelte-ignore a11y_no_static_element_interactions -->
        <g
          class={onmove && !row.bake.bake ? 'cursor-ew-resize' : ''}
          style="touch-action: none"
          onpointerdown={(e) => !row.bake.bake && begin(e, row.bake.id)}
          onpointermove={draw}
          onpointerup={drop}
          onlostpointercapture={() => (drawn = null)}
        >
          <rect x={MARGIN} y="0" width={outer - 2 * MARGIN} height={TITLE} fill="transparent" />
          <text x={MARGIN} y="14" class="text-[14.5px] font-bold" fill="var(--ink)">
            {row.number}
            {row.bake.title}{#if row.bake.batch && outer > 640}<tspan font-weight="400" fill="var(--quiet)"
                >, {row.bake.batch}</tspan
              >{/if}
            <tspan font-weight="600" fill={row.bake.late_by_s > 60 ? 'var(--raspberry)' : 'var(--leaf)'} dx="6"
              >{row.bake.late_by_s > 60
                ? `${length(row.bake.late_by_s)} late`
                : `ready ${clock(row.bake.ready_at)}`}</tspan
            >{#if row.bake.orders.length > 1}<tspan dx="6" fill="var(--quiet)"
                >{row.bake.orders.length} orders in one go</tspan
              >{/if}{#if row.bake.steps.some((s) => s.pinned)}<tspan dx="6" fill="var(--copper)">pinned</tspan>{/if}
          </text>
        </g>
        {#each row.pieces as p (p.key)}
          <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
          <g
            transform="translate(0 {p.y})"
            role={onpick && !p.waiting ? 'button' : undefined}
            tabindex={onpick && !p.waiting ? 0 : undefined}
            aria-label={onpick && !p.waiting
              ? `${row.bake.title}: ${p.label}, ${at(p.start_s)} to ${at(p.end_s)}`
              : undefined}
            class={onpick ? 'cursor-pointer' : ''}
            opacity={p.own?.over ? 0.55 : 1}
            onclick={() => onpick?.(row.bake.id, p.step)}
            onkeydown={(event) => key(event, row.bake.id, p.step)}
          >
            {#if p.colour}
              <path
                d={p.shape}
                fill={p.colour}
                stroke={picked?.bake === row.bake.id && picked.step === p.step && !p.waiting ? 'var(--ink)' : '#7b8d8f'}
                stroke-width={picked?.bake === row.bake.id && picked.step === p.step && !p.waiting ? 2.2 : 0.8}
              />
              <path
                d={p.airPath}
                fill={(p.baked ? LOOK.crumb : LOOK.foam).fill}
                fill-opacity={(p.baked ? LOOK.crumb : LOOK.foam).fillOpacity}
                stroke="#6d868b"
                stroke-opacity="0.4"
                stroke-width="0.5"
              />
            {:else}
              <rect x={p.x0} y="-1.5" width={p.x1 - p.x0} height="3" rx="1.5" fill="var(--copper)" />
            {/if}
            {#if p.own?.critical && !p.waiting}
              <path d="M {p.x0} {laneHeight / 2 - 0.5} H {p.x1}" stroke="var(--ink)" stroke-width="1.6" />
            {/if}
            <rect x={p.x0} y={-laneHeight / 2} width={p.x1 - p.x0} height={laneHeight} fill="transparent">
              <title
                >{p.label}, {at(p.start_s)} to {at(p.end_s)}{p.own && !p.waiting
                  ? p.own.critical
                    ? '; no slack'
                    : `; ${length(p.own.slack_s)} slack`
                  : ''}</title
              >
            </rect>
          </g>
        {/each}
        {#if row.bake.due_at}
          {@const due = x((Date.parse(row.bake.due_at) - anchor) / 1000)}
          {#if due <= MARGIN + side + width + 1 && own === 0}
            <path
              d="M {due} {TITLE - 2} V {row.height - 4}"
              stroke={row.bake.late_by_s > 60 ? 'var(--raspberry)' : 'var(--leaf)'}
              stroke-width="2"
              stroke-dasharray="4 3"
            />
          {/if}
        {/if}
      </g>
    {/each}
    {#each taken as row, i (i)}
      {@const top = strands + FOOT + i * ROW}
      {#if side > 0}<text x={MARGIN} y={top + 11} class="text-[12.5px]" fill="var(--quiet)"
          >{row.name.slice(0, 13)}</text
        >{/if}
      {#each row.away as a (a.start_s)}
        {@const from = Math.max(MARGIN + side, x(a.start_s))}
        {@const to = Math.min(MARGIN + side + width, x(a.end_s))}
        {#if to > from}<rect x={from} y={top} width={to - from} height="13" fill="url(#{uid}-away)"
            ><title>not here</title></rect
          >{/if}
      {/each}
      {#each row.taken as t (t.bake + t.step)}
        <rect
          x={t.x0}
          y={top}
          width={Math.max(1.5, t.x1 - t.x0)}
          height="13"
          rx="1.5"
          fill={t.critical ? 'var(--ink)' : 'var(--metal)'}
          fill-opacity={t.critical ? 0.85 : 0.6}
          stroke="var(--surface)"
          stroke-width="0.8"><title>{t.title}</title></rect
        >
        {#if t.x1 - t.x0 > 11}
          <text
            x={(t.x0 + t.x1) / 2}
            y={top + 10.5}
            text-anchor="middle"
            class="pointer-events-none text-[11px] font-bold"
            fill="var(--surface)">{t.number}</text
          >
        {/if}
      {/each}
    {/each}
    {#if nowX !== null && now !== null && now >= firstAt && (now - anchor) / 1000 <= time.end}
      <line x1={nowX} x2={nowX} y1={HEAD} y2={height} stroke="var(--ink)" stroke-width="1.6" />
    {/if}
  </svg>
</div>
