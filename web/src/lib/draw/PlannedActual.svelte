<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { day } from '../time';

  /** Bakes of the past, newest first: minutes as reckoned (a ring) and as they were (a dot). */
  type Props = { bakes: Schemas['PastBake'][]; href: (bake: string) => string; named?: boolean };
  let { bakes, href, named = true }: Props = $props();

  let width = $state(520);
  const narrow = $derived(width < 460);
  const NAMES = $derived(narrow ? 116 : named ? 210 : 110);
  const ROW = 34;
  const all = $derived(bakes.flatMap((b) => [b.modelled_min, b.observed_min]));
  const x = $derived(scaleLinear([Math.min(...all) * 0.94, Math.max(...all) * 1.04], [NAMES, width - 92]));
</script>

<div bind:clientWidth={width} class="w-full [contain:inline-size]">
  <ul>
    {#each bakes as bake (bake.bake + bake.at + bake.modelled_min)}
      {@const more = Math.round(bake.observed_min - bake.modelled_min)}
      <li>
        <a
          href={href(bake.bake)}
          class="block"
          aria-label="{bake.title}, {day(bake.at)}: predicted {Math.round(bake.modelled_min)} minutes, {bake.above
            ? 'more than '
            : ''}{Math.round(bake.observed_min)} as it was"
        >
          <svg {width} height={ROW} class={bake.left_out ? 'opacity-50' : ''} aria-hidden="true">
            <text x="0" y="21" class="text-[14px]" fill="var(--ink)">{named && !narrow ? bake.title : ''}</text>
            <text x={NAMES - 14} y="21" text-anchor="end" class="text-[13px]" fill="var(--quiet)">{day(bake.at)}</text>
            <line
              x1={x(bake.modelled_min)}
              x2={x(bake.observed_min)}
              y1="16"
              y2="16"
              stroke={more > 0 ? 'var(--ink)' : 'var(--metal)'}
              stroke-width="3"
            />
            <circle cx={x(bake.modelled_min)} cy="16" r="6" fill="var(--ground)" stroke="var(--ink)" stroke-width="2" />
            <circle cx={x(bake.observed_min)} cy="16" r="6.5" fill="var(--ink)" />
            <text x={width} y="21" text-anchor="end" class="text-[14px]" fill="var(--ink)"
              >{bake.above ? '> ' : ''}{Math.round(bake.observed_min)} min
              <tspan fill="var(--quiet)">{more === 0 ? '±0' : more > 0 ? `+${more}` : `−${-more}`}</tspan></text
            >
          </svg>
        </a>
      </li>
    {/each}
  </ul>
</div>
