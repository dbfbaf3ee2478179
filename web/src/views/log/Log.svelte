<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { api, ask, problemOf, type BakeEntry, type Problem } from '../../lib/api/client';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day, length } from '../../lib/time';
  import { p } from '../../routes';

  let bakes = $state<BakeEntry[] | null>(null);
  let problem = $state<Problem | null>(null);
  /** As many as come at once: after fewer there are no more. */
  const AT_ONCE = 200;
  let more = $state(false);

  async function load(before?: string): Promise<void> {
    try {
      const found = await ask(api.GET('/api/bakes', { params: { query: { before } } }));
      bakes = [...(bakes ?? []), ...found];
      more = found.length === AT_ONCE;
      problem = null;
    } catch (error) {
      problem = problemOf(error);
    }
  }
  void load();

  const W = 300;
  const densities = $derived((bakes ?? []).flatMap((b) => (b.summary?.cups ?? []).map((c) => c.density)));
  const x = $derived(scaleLinear([Math.min(0.1, ...densities), Math.max(0.6, ...densities)], [12, W - 12]));
  const stars = (n: number | null | undefined) => (n ? '●'.repeat(n) + '○'.repeat(5 - n) : '');
</script>

<div class="px-4 py-5 sm:px-6">
  <h1 class="text-3xl">The Log</h1>
  {#if problem}<Notice {problem} />{/if}
  {#if !bakes && !problem}<Loading what="the Log" />{/if}
  {#if bakes?.length === 0}
    <p class="mt-2 max-w-prose text-lg text-quiet">
      Every bake started at the bench is recorded here, with its readings and how it came out.
    </p>
    <a class="act act-now mt-5" href={p('/')}>Plan the first one</a>
  {/if}
  {#if bakes && bakes.length > 0}
    <div class="mt-2 hidden justify-end md:flex">
      <svg width={W} height="20" aria-hidden="true">
        {#each x.ticks(5) as t (t)}<text x={x(t)} y="15" text-anchor="middle" class="text-[13px]" fill="var(--quiet)"
            >{t.toFixed(1)}</text
          >{/each}
      </svg>
    </div>
    <ul>
      {#each bakes as bake (bake.id)}
        {@const cups = bake.summary?.cups ?? []}
        <li class="border-t border-line">
          <a
            href={bake.status === 'running'
              ? p('/bench/:bake', { params: { bake: bake.id } })
              : p('/log/:bake', { params: { bake: bake.id } })}
            class="grid min-h-16 items-center gap-x-5 py-2 md:grid-cols-[9rem_minmax(0,1fr)_300px]"
          >
            <span class="text-quiet">{day(bake.started_at)}, {clock(bake.started_at)}</span>
            <span class="grid items-center gap-x-5 lg:grid-cols-[13rem_1fr]">
              <strong class="text-lg">{bake.title}</strong>
              <span>
                {#if bake.status === 'running'}<strong>at the bench now</strong>
                {:else if bake.status === 'abandoned'}<span class="text-quiet">abandoned</span>
                {:else}
                  <span class="tracking-widest" aria-label="{bake.summary?.stars ?? 'no'} of 5"
                    >{stars(bake.summary?.stars)}</span
                  >
                  {#if bake.summary?.height_mm}<span class="ml-3">{Math.round(bake.summary.height_mm)} mm</span>{/if}
                  {#if bake.summary?.faults.length}<span class="ml-3 font-semibold"
                      >{bake.summary.faults.join(', ')}</span
                    >{/if}
                  {#if bake.summary && Math.abs(bake.summary.late_by_s) > 300}<span class="ml-3 text-quiet"
                      >{length(bake.summary.late_by_s)} {bake.summary.late_by_s > 0 ? 'late' : 'early'}</span
                    >{/if}
                {/if}
              </span>
            </span>
            <svg
              width={W}
              height="34"
              class="hidden md:block"
              role="img"
              aria-label="cups: {cups
                .map((c) => `${c.title} ${c.density.toFixed(2)}, band ${c.low.toFixed(2)} to ${c.high.toFixed(2)}`)
                .join('; ')}"
            >
              <line x1="8" x2={W - 8} y1="12" y2="12" stroke="var(--line)" stroke-width="2" />
              {#each cups as c (c.step)}
                {@const within = c.density >= c.low && c.density <= c.high}
                <rect x={x(c.low)} y="8" width={x(c.high) - x(c.low)} height="8" fill="var(--leaf)" />
                <path d="M{x(c.density) - 6} 1h12l-6 9z" fill="var(--ink)" />
                <text
                  x={x(c.density)}
                  y="31"
                  text-anchor="middle"
                  class="text-[13px] {within ? '' : 'font-bold'}"
                  fill={within ? 'var(--quiet)' : 'var(--ink)'}
                  >{c.density.toFixed(2)}{within ? '' : c.density < c.low ? ', light' : ', heavy'}</text
                >
              {/each}
            </svg>
          </a>
        </li>
      {/each}
    </ul>
    {#if more}
      <button class="act mt-4" onclick={() => void load(bakes?.at(-1)?.id)}>Show earlier bakes</button>
    {/if}
    <p class="mt-2 hidden text-right text-[14px] text-quiet md:block">
      cups of each bake on their bands, g/ml: the foam, then the batter
    </p>
  {/if}
</div>
