<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Braid from '../../lib/draw/Braid.svelte';
  import Overlaid from '../../lib/draw/Overlaid.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, day } from '../../lib/time';
  import { p, route } from '../../routes';

  const [a, b] = [route.params.bake!, route.params.other!];
  let told = $state<Schemas['BakesCompared'] | null>(null);
  let braids = $state<(Schemas['BakeBraid'] | null)[]>([]);
  let traces = $state<Schemas['TraceView'][][]>([]);
  let photos = $state<Schemas['PhotoTaken'][][]>([]);
  let problem = $state<Problem | null>(null);
  let every = $state(false);

  const maybe = <T,>(call: Promise<T>, otherwise: T) => call.catch(() => otherwise);
  async function load(): Promise<void> {
    try {
      told = await ask(api.GET('/api/bakes/compare', { params: { query: { a, b } } }));
    } catch (error) {
      problem = problemOf(error);
      return;
    }
    const of = (bake_id: string) => ({ params: { path: { bake_id } } });
    // One that was read in from a file has none of these.
    [braids, traces, photos] = await Promise.all([
      Promise.all([a, b].map((i) => maybe(ask(api.GET('/api/bakes/{bake_id}/braid', of(i))), null))),
      Promise.all([a, b].map((i) => maybe(ask(api.GET('/api/bakes/{bake_id}/temperatures', of(i))), []))),
      Promise.all(
        [a, b].map((i) =>
          maybe(
            ask(api.GET('/api/bakes/{bake_id}', of(i))).then((s) => s.photos),
            [],
          ),
        ),
      ),
    ]);
  }
  void load();

  const FAR = 1;
  const causes = $derived((told?.differences ?? []).filter((d) => !d.result));
  const results = $derived((told?.differences ?? []).filter((d) => d.result));
  const shown = $derived(every ? causes : causes.filter((d) => d.out >= FAR));
  const both = $derived(
    (traces[0] ?? []).flatMap((one) => {
      const other = (traces[1] ?? []).find((t) => t.step === one.step);
      return other ? [{ one, other }] : [];
    }),
  );
  const MOST = 6;
</script>

{#if problem}<Notice {problem} />{/if}
{#if !told && !problem}<div class="px-6"><Loading what="both bakes" /></div>{/if}
{#if told}
  <div class="px-4 py-5 sm:px-6">
    <h1 class="text-3xl">Two bakes side by side</h1>
    <div class="mt-3 grid gap-x-8 gap-y-2 sm:grid-cols-2">
      {#each [told.a, told.b] as bake, i (bake.id)}
        <p class="border-t-4 pt-1 text-lg {i ? 'border-metal' : 'border-ink'}">
          <a
            class="inline-flex min-h-11 items-center font-bold underline"
            href={p('/log/:bake', { params: { bake: bake.id } })}>{bake.title}, {day(bake.at)} {clock(bake.at)}</a
          ><br />
          {bake.stars ? `${bake.stars} of 5` : 'no stars'}{bake.faults.length ? `, ${bake.faults.join(', ')}` : ''}
        </p>
      {/each}
    </div>
    <p class="mt-4 max-w-prose font-display text-2xl font-semibold">{told.says}</p>

    <h2 class="mt-5 text-xl">What differed</h2>
    <p class="text-quiet">
      Furthest out of the usual first. One mark is what two bakes {told.bakes > 1
        ? `of this formula usually differ by here (${told.bakes} bakes)`
        : 'usually differ by anywhere'}.
    </p>
    <ul class="mt-2">
      {#each shown as d (d.key)}{@render row(d)}{/each}
    </ul>
    {#if shown.length === 0}<p class="py-2 text-lg">Nothing beyond the usual.</p>{/if}
    {#if causes.length > causes.filter((d) => d.out >= FAR).length}
      <button class="min-h-11 underline" aria-expanded={every} onclick={() => (every = !every)}
        >{every
          ? 'Only what is out of the usual'
          : `${causes.filter((d) => d.out < FAR).length} smaller differences`}</button
      >
    {/if}
    {#if results.length > 0}
      <h2 class="mt-5 text-xl">How they came out</h2>
      <ul class="mt-2">
        {#each results as d (d.key)}{@render row(d)}{/each}
      </ul>
    {/if}

    {#if braids[0] && braids[1]}
      <h2 class="mt-6 text-xl">Both braids over one clock</h2>
      <p class="text-sm font-semibold">{told.a.title}, {day(told.a.at)}</p>
      <Braid
        braid={braids[0].actual}
        beside={braids[1].actual}
        anchor={Date.parse(braids[0].origin)}
        label="Braid of the first"
        laneHeight={16}
      />
      <p class="text-sm font-semibold text-quiet">{told.b.title}, {day(told.b.at)}</p>
      <Braid
        braid={braids[1].actual}
        beside={braids[0].actual}
        anchor={Date.parse(braids[1].origin)}
        label="Braid of the second"
        laneHeight={16}
      />
    {/if}
    {#if both.length > 0}
      <h2 class="mt-6 text-xl">Temperatures over one another</h2>
      <div class="mt-2 grid gap-x-8 gap-y-5 lg:grid-cols-2">
        {#each both as pair (pair.one.step)}<Overlaid
            one={pair.one}
            other={pair.other}
            names={[day(told.a.at), day(told.b.at)]}
          />{/each}
      </div>
    {/if}
    {#if photos.some((own) => own.length > 0)}
      <h2 class="mt-6 text-xl">Photos</h2>
      <div class="mt-2 grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {#each [a, b] as id, i (id)}
          <div class="flex flex-wrap gap-3 border-t-4 pt-2 {i ? 'border-metal' : 'border-ink'}">
            {#each photos[i] ?? [] as photo (photo.number)}
              <a href="/api/bakes/{id}/photos/{photo.number}" target="_blank" rel="noopener">
                <img
                  src="/api/bakes/{id}/photos/{photo.number}?small=true"
                  alt={photo.shows}
                  class="h-44 w-auto"
                  width={photo.width}
                  height={photo.height}
                />
                <span class="text-[15px]">{photo.shows}</span>
              </a>
            {:else}<p class="text-quiet">No photo.</p>{/each}
          </div>
        {/each}
      </div>
    {/if}
  </div>
{/if}

{#snippet row(d: Schemas['BakeDifference'])}
  <li
    class="grid items-center gap-x-5 max-sm:gap-x-3 border-t border-line py-1.5 max-sm:grid-cols-[5rem_5rem_minmax(0,1fr)] sm:grid-cols-[minmax(0,1fr)_7.5rem_7.5rem_9rem]"
  >
    <span class="max-sm:col-span-3 {d.out >= FAR ? 'font-bold' : ''}">{d.words}</span>
    <span class="tabular-nums"><span class="sr-only">first: </span>{d.said_a}</span>
    <span class="text-quiet tabular-nums"><span class="sr-only">second: </span>{d.said_b}</span>
    <svg width="140" height="18" role="img" aria-label="{d.out.toFixed(1)} times the usual difference">
      {#each [0, 1, 2, 3, 4, 5] as n (n)}<line
          x1={8 + 21 * (n + 1)}
          x2={8 + 21 * (n + 1)}
          y1="4"
          y2="14"
          stroke="var(--metal)"
        />{/each}
      <rect x="8" y="6" height="6" width={Math.min(MOST * 21, 21 * d.out)} fill="var(--ink)" />
      {#if d.out > MOST}<path d="M134 3l6 6l-6 6" fill="none" stroke="var(--ink)" stroke-width="2" />{/if}
    </svg>
  </li>
{/snippet}
