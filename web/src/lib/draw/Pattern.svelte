<script lang="ts">
  import { arc, pie } from 'd3-shape';
  import type { Schemas } from '../api/client';
  import { grams } from '../figures.svelte';

  /** `silent` leaves out what to do, where it is said elsewhere. */
  type Props = { pattern: Schemas['PatternView']; size?: number; silent?: boolean };
  let { pattern, size = 190, silent = false }: Props = $props();

  const rings = $derived(pattern.rings);
  const bag = $derived(pattern.bag);
  const R = $derived(size / 2 - 4);
  const perMm = $derived(rings ? R / rings.tin_radius_mm : 1);
  const ring = $derived((inner: number, outer: number) =>
    arc()({ innerRadius: inner * perMm, outerRadius: outer * perMm, startAngle: 0, endAngle: 2 * Math.PI }),
  );
  const wedges = $derived(
    bag
      ? pie<Schemas['Stripe']>()
          .sort(null)
          .value((s) => s.to_deg - s.from_deg)([...bag.stripes])
      : [],
  );
  const wedge = $derived(arc<(typeof wedges)[number]>().innerRadius(0).outerRadius(R));
  const counts = $derived(
    pattern.names.map((name, b) => {
      const own = (rings?.pours ?? bag?.stripes ?? []).filter((p) => p.batter === b);
      return {
        name,
        colour: pattern.colours[b]!,
        number: own.length,
        grams: own.reduce((sum, p) => sum + p.mass_g, 0),
      };
    }),
  );
  const left = $derived((pattern.left_g ?? []).map((g, b) => ({ g, name: pattern.names[b]! })).filter((l) => l.g > 2));
  const tall = $derived(rings ? Math.max(rings.rim_mm, rings.level_mm) * perMm + 10 : 0);
</script>

<figure>
  <div class="flex flex-wrap items-end gap-x-5 gap-y-2">
    {#if rings}
      <svg width={size} height={size} role="img" aria-label="From above: {pattern.says}">
        <g transform="translate({size / 2} {size / 2})">
          {#each rings.pours as pour, i (i)}
            <path
              d={ring(pour.inner_mm, pour.outer_mm) ?? ''}
              fill={pattern.colours[pour.batter]}
              stroke="#5d7f88"
              stroke-opacity="0.5"
              stroke-width="0.8"
            />
          {/each}
          <circle r={rings.tin_radius_mm * perMm + 1.5} fill="none" stroke="var(--metal)" stroke-width="3.5" />
          {#if rings.tube_radius_mm > 0}<circle
              r={rings.tube_radius_mm * perMm}
              fill="var(--ground)"
              stroke="var(--metal)"
              stroke-width="2.5"
            />{/if}
        </g>
      </svg>
      <svg width={size} height={tall} role="img" aria-label="In section">
        <g transform="translate({size / 2} {tall - 4})">
          {#each rings.pours as pour, i (i)}
            {#each [-1, 1] as way (way)}
              <rect
                x={way < 0 ? -pour.outer_mm * perMm : pour.inner_mm * perMm}
                y={-rings.level_mm * perMm}
                width={Math.max(0.3, (pour.outer_mm - pour.inner_mm) * perMm)}
                height={rings.level_mm * perMm}
                fill={pattern.colours[pour.batter]}
                stroke="#5d7f88"
                stroke-opacity="0.35"
                stroke-width="0.6"
              />
            {/each}
          {/each}
          <path
            d="M{-R - 1} {-rings.rim_mm * perMm}V0H{R + 1}V{-rings.rim_mm * perMm}"
            fill="none"
            stroke="var(--metal)"
            stroke-width="3.5"
          />
        </g>
      </svg>
    {:else if bag}
      <svg width={size} height={size} role="img" aria-label="The bag cut across: {pattern.says}">
        <g transform="translate({size / 2} {size / 2})">
          {#each wedges as w, i (i)}
            <path d={wedge(w) ?? ''} fill={pattern.colours[w.data.batter]} stroke="#5d7f88" stroke-opacity="0.5" />
          {/each}
          <circle r={R + 1.5} fill="none" stroke="var(--metal)" stroke-width="3" />
        </g>
      </svg>
    {/if}
    <ul class="text-[16px] leading-snug">
      {#each counts as c (c.name)}
        <li class="flex items-center gap-2">
          <span class="inline-block size-4 rounded-full border border-metal" style="background: {c.colour}"></span>
          <span
            ><strong>{c.number} × {c.name}</strong>
            <span class="text-quiet">{grams(c.grams)}{rings ? ' a tin' : ''}</span></span
          >
        </li>
      {/each}
      {#each left as l (l.name)}<li class="text-quiet">{grams(l.g)} of {l.name} left over</li>{/each}
    </ul>
  </div>
  {#if !silent}<figcaption class="mt-1 text-[16px]">{pattern.says}</figcaption>{/if}
</figure>
