<script lang="ts">
  /** A fault as it looks: the cake, roll, meringue or shell with what is wrong about it. `drawn` comes with the fault. */
  type Props = { drawn: string; width?: number };
  let { drawn, width = 84 }: Props = $props();

  type Mark = { d: string; fill?: string; thin?: boolean };
  const CRUMB = '#eacb84';
  const DARK = '#a8742f';
  const PALE = '#f6efdd';
  const SLICE = 'M10 18Q42 8 74 18V52H10Z';
  const PEAK = 'M12 52Q14 34 30 34Q32 18 42 8Q52 18 54 34Q70 34 72 52Z';
  const SHELL = 'M12 36Q14 14 42 14Q70 14 72 36Z';
  const FEET = 'M10 36q4 -4 8 0t8 0t8 0t8 0t8 0t8 0t8 0t6 0v9H12Z';
  const BOWL = 'M8 16H76Q74 52 42 54Q10 52 8 16Z';
  const ROLL = 'M42 32m-24 0a24 24 0 1 1 48 0a24 24 0 1 1 -48 0';
  const SPIRAL = 'M42 32q6 -2 6 4t-10 6q-12 -2 -10 -14q4 -12 18 -10q14 4 13 18';

  const cake = (...marks: Mark[]): Mark[] => [{ d: SLICE, fill: CRUMB }, ...marks];
  const peak = (...marks: Mark[]): Mark[] => [{ d: PEAK, fill: PALE }, ...marks];
  const shell = (...marks: Mark[]): Mark[] => [{ d: SHELL, fill: PALE }, { d: FEET, fill: PALE, thin: true }, ...marks];
  const bowl = (...marks: Mark[]): Mark[] => [{ d: BOWL, fill: PALE }, ...marks];

  const PICTURES: Record<string, Mark[]> = {
    dense: cake({ d: 'M10 41Q42 37 74 41V52H10Z', fill: DARK }),
    sunk: [{ d: 'M10 18Q26 14 32 24Q42 38 52 24Q58 14 74 18V52H10Z', fill: CRUMB }],
    waist: [{ d: 'M8 16Q42 8 76 16Q60 34 74 52H10Q24 34 8 16Z', fill: CRUMB }],
    domed: [{ d: 'M10 26Q42 -8 74 26V52H10Z', fill: CRUMB }, { d: 'M40 6l4 7l-6 5l5 7l-3 6' }],
    holes: cake({
      d: 'M24 26a5 5 0 1 0 .1 0M48 22a7 6 0 1 0 .1 0M60 40a4 4 0 1 0 .1 0M36 40a6 5 0 1 0 .1 0',
      fill: '#f4f7f5',
    }),
    streaks: cake({ d: 'M18 26q8 6 16 0M40 36q10 7 22 0M22 44q6 4 12 0M54 24q6 4 12 0', fill: '#fff' }),
    low: [
      { d: 'M10 38Q42 34 74 38V52H10Z', fill: DARK },
      { d: 'M10 18Q42 8 74 18', thin: true },
    ],
    fatline: cake({ d: 'M10 46Q42 44 74 46V52H10Z', fill: '#f0a92a' }, { d: 'M10 46Q42 44 74 46' }),
    wetline: cake({ d: 'M10 45Q42 43 74 45V52H10Z', fill: '#8d6a3d' }, { d: 'M20 56v3M42 56v4M62 56v3' }),
    torn: [{ d: 'M10 18Q42 8 74 18V52H56l-4 -8l-5 8H34l-5 -6l-4 6H10Z', fill: CRUMB }, { d: 'M8 57H76' }],
    rollcrack: [{ d: ROLL, fill: CRUMB }, { d: SPIRAL, thin: true }, { d: 'M36 7l5 7l-5 5l6 6M58 15l-4 7l4 4' }],
    sticky: cake(
      { d: 'M10 18Q42 8 74 18l-3 5q-6 6 -10 0t-12 1t-12 -1t-12 1t-13 -1Z', fill: DARK },
      { d: 'M22 6v6M42 2v6M62 6v6', thin: true },
    ),
    weeps: peak({ d: 'M4 56Q42 50 80 56Q42 61 4 56Z', fill: '#9cc4d6' }),
    beads: peak({
      d: 'M28 38a3 3 0 1 0 .1 0M52 30a3 3 0 1 0 .1 0M42 44a3 3 0 1 0 .1 0M60 44a3 3 0 1 0 .1 0',
      fill: '#d99a3a',
    }),
    cracks: peak({ d: 'M42 14l-4 10l7 6l-6 9l4 8M26 40l6 5M58 38l-5 7' }),
    chewy: peak({ d: 'M20 52q6 -10 12 0M36 52q6 -12 12 0M52 52q6 -10 12 0', fill: DARK }),
    browned: [{ d: PEAK, fill: '#c48a45' }],
    fallen: [
      { d: 'M6 52Q12 44 42 43Q72 44 78 52Z', fill: PALE },
      { d: PEAK, thin: true },
    ],
    grainy: peak({ d: 'M26 42h1M34 36h1M42 28h1M50 38h1M58 44h1M40 44h1M44 18h1M32 48h1M52 48h1' }),
    threads: bowl({ d: 'M12 22q6 -3 8 3t8 2M58 20q6 5 12 0M14 30q4 4 8 1' }, { d: 'M40 6v30', thin: true }),
    soup: [
      { d: BOWL },
      { d: 'M14 42Q42 40 70 42Q60 53 42 54Q24 53 14 42Z', fill: PALE },
      { d: 'M22 44q6 3 12 0t14 0t12 0', thin: true },
    ],
    lumps: bowl({
      d: 'M26 30a4 3 0 1 0 .1 0M44 38a5 4 0 1 0 .1 0M58 28a4 3 0 1 0 .1 0M36 24a3 2 0 1 0 .1 0',
      fill: '#d9b45a',
    }),
    nofeet: [{ d: 'M12 46Q14 24 42 24Q70 24 72 46Z', fill: PALE }],
    shellcrack: shell({ d: 'M30 17l6 8l-5 5l8 6M50 15l-3 9l6 5' }),
    hollow: shell({ d: 'M20 35Q24 21 42 21Q60 21 64 35Z', fill: '#f4f7f5' }),
    lopsided: [
      { d: 'M10 42Q16 18 46 10Q72 10 74 30Z', fill: PALE },
      { d: 'M10 42q6 -5 12 -2t14 -5t14 -3t24 -4v12L14 48Z', fill: PALE, thin: true },
    ],
    flat: [
      { d: 'M4 46Q10 36 42 36Q74 36 80 46Z', fill: PALE },
      { d: 'M4 46q8 5 76 0', thin: true },
    ],
    points: shell({ d: 'M36 15Q41 13 42 4Q44 13 49 15Z', fill: PALE }),
    wrinkled: shell(
      { d: 'M24 24q4 4 8 0t8 0t8 0t8 0M28 31q4 3 8 0t8 0t8 0' },
      { d: 'M34 20a5 3 0 1 0 .1 0', fill: '#d9a94a' },
    ),
    shellbrown: [
      { d: SHELL, fill: '#c48a45' },
      { d: FEET, fill: '#d6a668', thin: true },
    ],
    stuck: shell({ d: 'M6 50H78' }, { d: 'M22 45v5M34 45l2 5M46 45l-2 5M60 45v5' }),
    burst: [
      { d: SHELL, fill: PALE },
      { d: 'M2 40q6 -7 12 -3t10 -1t10 1t10 -1t10 1t10 -1t16 4q-8 8 -16 5H16q-8 2 -14 -5Z', fill: PALE, thin: true },
    ],
    soft: shell({ d: 'M16 45h52v6H16Z', fill: '#c86d7a' }, { d: 'M24 53v4M42 53v5M60 53v4' }),
  };
  const marks = $derived(PICTURES[drawn] ?? cake());
</script>

<svg {width} height={(width * 62) / 84} viewBox="0 0 84 62" aria-hidden="true" class="shrink-0 rounded-sm bg-[#f4f7f5]">
  {#each marks as mark, i (i)}
    <path
      d={mark.d}
      fill={mark.fill ?? 'none'}
      stroke="#0d282c"
      stroke-width={mark.thin ? 1.2 : 1.9}
      stroke-dasharray={mark.thin && !mark.fill ? '3 3' : undefined}
      stroke-linejoin="round"
      stroke-linecap="round"
    />
  {/each}
</svg>
