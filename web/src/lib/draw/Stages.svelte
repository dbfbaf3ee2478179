<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { StepForecast } from '../api/client';
  import { origin } from '../figures.svelte';
  import { length } from '../time';

  /** What a foam passes on its way and when it has gone too far, on one line of time. */
  type Props = { step: StepForecast; elapsed?: number | null };
  let { step, elapsed = null }: Props = $props();

  let width = $state(560);
  const LOW = 26;
  const meant = $derived(Math.max(step.over_s ? step.over_s.likely * 1.12 : 0, step.duration_s.high));
  /** Long past it, the names would crowd: the mark of now stays at the end. */
  const end = $derived(Math.max(meant, Math.min(elapsed ?? 0, 1.3 * meant)));
  const x = $derived(scaleLinear([0, end], [2, width - 4]).clamp(true));
  /** Names in two rows, so that neighbours do not touch. */
  const names = $derived(step.passes.map((pass, i) => ({ ...pass, row: (step.passes.length - 1 - i) % 2 })));
  const over = $derived(step.over_s);
  /** Too narrow for the last words beside the names: they get a row of their own. */
  const narrow = $derived(width < 520);
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  <svg
    {width}
    height={narrow ? 92 : 74}
    role="img"
    aria-label="{step.passes.map((p) => `${p.name} at about ${length(p.at_s.likely)}`).join(', ')}{over
      ? `${step.passes.length ? '; ' : ''}over-whipped from about ${length(over.likely)}`
      : ''}"
  >
    <line x1="2" x2={width - 4} y1={LOW + 10} y2={LOW + 10} stroke="var(--metal)" stroke-width="4" />
    {#if over}
      <line
        x1={x(over.low)}
        x2={width - 4}
        y1={LOW + 10}
        y2={LOW + 10}
        stroke="var(--raspberry)"
        stroke-width="8"
        stroke-dasharray="5 4"
      />
      <text
        x={width - 4}
        y={LOW + (narrow ? 64 : 46)}
        text-anchor="end"
        class="text-[14px] font-semibold"
        fill="var(--raspberry)">over-whipped from about {length(over.likely)}</text
      >
    {/if}
    {#each names as pass (pass.name)}
      {@const passed = elapsed !== null && elapsed >= pass.at_s.likely}
      <circle
        cx={x(pass.at_s.likely)}
        cy={LOW + 10}
        r="6"
        fill={passed ? 'var(--ink)' : 'var(--surface)'}
        stroke="var(--ink)"
        stroke-width="2"
      />
      <text
        x={Math.min(x(pass.at_s.likely), width - 90)}
        y={pass.row === 0 ? LOW - 4 : LOW + 46}
        class="text-[14px] {passed ? 'font-semibold' : ''}"
        fill="var(--ink)">{pass.name} {length(pass.at_s.likely)}</text
      >
    {/each}
    {#if elapsed !== null}
      <path d="M {x(elapsed)} {LOW + 2} l -6 -9 h 12 z" fill="var(--ink)" />
      <line x1={x(elapsed)} x2={x(elapsed)} y1={LOW} y2={LOW + 20} stroke="var(--ink)" stroke-width="2.5" />
    {/if}
  </svg>
  <p class="text-[14px] text-quiet">
    Times: {origin(step.duration_s)}{over ? `; when it is over: ${origin(over)}` : ''}.
  </p>
</div>
