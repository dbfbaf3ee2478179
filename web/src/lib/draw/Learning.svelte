<script lang="ts">
  import { scaleLinear, scaleLog } from 'd3-scale';

  /** What was observed, in order, and what was believed after each: the belief draws together as they come in. */
  type Step = {
    id: string;
    value: number;
    low: number | null;
    likely: number | null;
    high: number | null;
    /** 0 to 1. */
    trusted: number;
    leftOut: boolean;
    /** Only known to lie above. */
    above: boolean;
    words: string;
  };
  type Props = {
    steps: Step[];
    /** The value of no difference. */
    none: number;
    log?: boolean;
    say: (value: number) => string;
    chosen: string | null;
    onchoose: (id: string) => void;
    label: string;
    height?: number;
  };
  let { steps, none, log = false, say, chosen, onchoose, label, height = 190 }: Props = $props();

  let width = $state(560);
  const LEFT = 54;
  const x = $derived(scaleLinear([0, Math.max(1, steps.length - 1)], [LEFT + 24, width - 24]));
  const all = $derived([none, ...steps.flatMap((s) => [s.value, s.low ?? none, s.high ?? none])]);
  const ends = $derived.by((): [number, number] => {
    const [low, high] = [Math.min(...all), Math.max(...all)];
    const pad = log ? 1.06 : (high - low) * 0.12 + 1;
    return log ? [low / pad, high * pad] : [low - pad, high + pad];
  });
  const y = $derived((log ? scaleLog() : scaleLinear()).domain(ends).range([height - 16, 12]));
  const ticks = $derived(log ? scaleLinear(ends, [0, 1]).ticks(5) : y.ticks(5));
  const known = $derived(steps.flatMap((s, i) => (s.likely === null ? [] : [{ ...s, i }])));
  const band = $derived(
    known.length === 0
      ? ''
      : `M ${known.map((s) => `${x(s.i)} ${y(s.high!)}`).join(' L ')} L ${known
          .toReversed()
          .map((s) => `${x(s.i)} ${y(s.low!)}`)
          .join(' L ')} Z`,
  );
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  <svg {width} {height} role="group" aria-label={label}>
    {#each ticks as t (t)}
      <line x1={LEFT} x2={width} y1={y(t)} y2={y(t)} stroke="var(--line)" />
      <text x={LEFT - 6} y={y(t) + 4.5} text-anchor="end" class="text-[13px]" fill="var(--quiet)">{say(t)}</text>
    {/each}
    <line
      x1={LEFT}
      x2={width}
      y1={y(none)}
      y2={y(none)}
      stroke="var(--metal)"
      stroke-width="1.5"
      stroke-dasharray="6 4"
    />
    <path d={band} fill="var(--metal)" fill-opacity="0.28" />
    {#if known.length > 1}
      <polyline
        points={known.map((s) => `${x(s.i)},${y(s.likely!)}`).join(' ')}
        fill="none"
        stroke="var(--quiet)"
        stroke-width="2.5"
      />
    {/if}
    {#each steps as step, i (step.id)}
      <g
        role="button"
        tabindex="0"
        aria-label={step.words}
        aria-pressed={chosen === step.id}
        class="cursor-pointer"
        onclick={() => onchoose(step.id)}
        onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && (e.preventDefault(), onchoose(step.id))}
      >
        <rect x={x(i) - 22} y="0" width="44" {height} fill="transparent" />
        {#if chosen === step.id}<line
            x1={x(i)}
            x2={x(i)}
            y1="6"
            y2={height - 6}
            stroke="var(--ink)"
            stroke-dasharray="2 4"
          />{/if}
        {#if step.above}
          <path
            d="M {x(i)} {y(step.value) - 18} v 18 m -5 -13 l 5 -5 l 5 5 M {x(i) - 8} {y(step.value)} h 16"
            fill="none"
            stroke="var(--ink)"
            stroke-width="2.2"
          />
        {:else if step.leftOut}
          <path
            d="M {x(i) - 6} {y(step.value) - 6} l 12 12 m 0 -12 l -12 12"
            stroke="var(--quiet)"
            stroke-width="2.2"
            fill="none"
          />
        {:else}
          <circle
            cx={x(i)}
            cy={y(step.value)}
            r="7"
            fill={step.trusted < 0.5 ? 'var(--surface)' : 'var(--ink)'}
            stroke={step.trusted < 0.5 ? 'var(--raspberry)' : 'var(--ink)'}
            stroke-width="2.5"
          />
        {/if}
      </g>
    {/each}
  </svg>
</div>
