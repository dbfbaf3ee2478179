<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day, length } from '../../lib/time';
  import { p } from '../../routes';
  import { LogPages } from './log.svelte';
  import Sought from './Sought.svelte';

  const pages = new LogPages();
  void pages.begin();
  const bakes = $derived(pages.bakes);

  const W = 300;
  const densities = $derived((bakes ?? []).flatMap((b) => (b.summary?.cups ?? []).map((c) => c.density)));
  const x = $derived(scaleLinear([Math.min(0.1, ...densities), Math.max(0.6, ...densities)], [12, W - 12]));
  const stars = (n: number | null | undefined) => (n ? '●'.repeat(n) + '○'.repeat(5 - n) : '');
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-x-6">
    <h1 class="text-3xl">The Log</h1>
    <p class="flex flex-wrap gap-x-5">
      <a class="inline-flex min-h-11 items-center underline" href={p('/log/trends')}>Trends</a>
      <a class="inline-flex min-h-11 items-center underline" href={p('/log/questions')}>Open questions</a>
      <a class="inline-flex min-h-11 items-center underline" href={p('/log/files')}>Files</a>
    </p>
  </div>
  {#if bakes && (bakes.length > 0 || pages.seeks)}<Sought {pages} />{/if}
  {#if pages.problem}<Notice problem={pages.problem} />{/if}
  {#if !bakes && !pages.problem}<Loading what="the Log" />{/if}
  {#if bakes?.length === 0 && pages.seeks}
    <p class="mt-4 text-lg" role="status">No bake is like that.</p>
    <button class="act act-small mt-2" onclick={() => pages.all()}>Show all</button>
  {:else if bakes?.length === 0}
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
        <li class="flex items-center gap-x-2 border-t border-line">
          {#if bake.status !== 'abandoned'}<label
              class="flex min-h-14 min-w-11 cursor-pointer items-center justify-center"
              title="Put side by side"
            >
              <input
                type="checkbox"
                class="size-6 accent-(--ink)"
                aria-label="Put side by side: {bake.title}, {day(bake.started_at)}"
                checked={pages.pair.includes(bake.id)}
                onchange={() => pages.take(bake.id)}
              /></label
            >{:else}<span class="min-w-11"></span>{/if}
          <a
            href={bake.status === 'running'
              ? p('/bench/:bake', { params: { bake: bake.id } })
              : p('/log/:bake', { params: { bake: bake.id } })}
            class="grid min-h-16 grow items-center gap-x-5 py-2 md:grid-cols-[9rem_minmax(0,1fr)_300px]"
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
    {#if pages.more}
      <button class="act mt-4" onclick={() => void pages.load(bakes?.at(-1)?.id)}>Show more bakes</button>
    {/if}
    <p class="mt-2 hidden text-right text-[14px] text-quiet md:block">
      cups of each bake on their bands, g/ml: the foam, then the batter
    </p>
  {/if}
</div>
{#if pages.pair.length > 0}
  <div
    class="fades-above sticky bottom-0 z-20 flex flex-wrap items-center gap-x-5 border-t-2 border-ink bg-surface px-4 py-2 max-sm:bottom-14 sm:px-6"
    role="status"
  >
    {#if pages.pair.length === 2}
      <a
        class="act act-now"
        href={p('/log/:bake/beside/:other', { params: { bake: pages.pair[0]!, other: pages.pair[1]! } })}
        >Put the two side by side</a
      >
    {:else}<p class="flex min-h-14 items-center text-lg">Choose one more to put beside it.</p>{/if}
    <button class="min-h-14 px-2 underline" onclick={() => (pages.pair = [])}>Choose none</button>
  </div>
{/if}
