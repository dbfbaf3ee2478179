<script lang="ts">
  import { api, ask, type Schemas } from '../../lib/api/client';
  import { day } from '../../lib/time';

  /** What the pieces of a bake came out as, tray by tray, and how many were good in the bakes of this formula. */
  type Props = { bake: string; formula: string; step: string };
  let { bake, formula, step }: Props = $props();

  let counts = $state<Schemas['TrayCount'][]>([]);
  let rows = $state<Schemas['BakeEntry'][]>([]);
  $effect(() => {
    const path = { bake_id: bake };
    void Promise.all([
      ask(api.GET('/api/bakes/{bake_id}', { params: { path, query: { step } } })),
      ask(api.GET('/api/bakes', { params: { query: { formula } } })),
    ]).then(
      ([state, bakes]) => {
        counts = (state.details[step]?.counts ?? []).filter((c) => c.counted);
        rows = bakes.filter((b) => b.summary?.counted).slice(0, 12);
      },
      () => {},
    );
  });

  type Counted = Schemas['Counted'];
  const all = (c: Counted) => c.good + c.broken + c.cracked + c.hollow;
  const share = (c: Counted) => (all(c) ? c.good / all(c) : 1);
  const spoilt = (c: Counted) =>
    (['broken', 'cracked', 'hollow'] as const).flatMap((what) => (c[what] ? [`${c[what]} ${what}`] : [])).join(', ');
</script>

{#if counts.length > 0 || rows.length > 1}
  <section aria-label="Pieces">
    <h2 class="mb-2 text-xl">Pieces</h2>
    {#each counts as c (c.tray)}
      <p class="border-t border-line py-1">
        {c.tray ? `Tray ${c.tray}` : 'All'}: <strong>{c.counted!.good} good</strong> of {all(c.counted!)}{spoilt(
          c.counted!,
        )
          ? `: ${spoilt(c.counted!)}`
          : ''}
      </p>
    {/each}
    {#if rows.length > 1}
      <h3 class="mt-3 font-semibold">Good ones, bake by bake</h3>
      <ul>
        {#each rows as row (row.id)}
          {@const own = row.summary!.counted!}
          <li class="grid grid-cols-[6.5rem_minmax(0,1fr)_auto] items-center gap-3 py-0.5">
            <span class={row.id === bake ? 'font-semibold' : 'text-quiet'}>{day(row.started_at)}</span>
            <span class="h-3 bg-line"
              ><span class="block h-3 bg-leaf" style="width: {(100 * share(own)).toFixed(1)}%"></span></span
            >
            <span>{Math.round(100 * share(own))} % of {all(own)}</span>
          </li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
