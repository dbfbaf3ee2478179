<script lang="ts">
  import Braid from '../../lib/draw/Braid.svelte';
  import { live } from '../../lib/live.svelte';
  import { now } from '../../lib/now.svelte';
  import Slipped from '../../lib/parts/Slipped.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock, countdown, day, length, until } from '../../lib/time';
  import { navigate, p } from '../../routes';
  import DayNow from './DayNow.svelte';
  import Planner from './Planner.svelte';
  import { Day } from './today.svelte';

  const today = new Day();

  $effect(() => {
    void today.load();
    return live.listen((change) => change && void today.load());
  });
</script>

{#if today.problem}<Notice problem={today.problem} onclose={() => (today.problem = null)} />{/if}

{#if today.running.length > 0}<Slipped />{/if}
{#if today.running.length > 1}<DayNow />{/if}

{#each today.running.length > 1 ? [] : today.running as bake, i (bake.id)}
  {@const detail = bake.current ? bake.details[bake.current] : null}
  {@const braid = today.braids[bake.id]}
  <section class="border-b border-line bg-surface px-4 pt-4 pb-2 sm:px-6" aria-label="{bake.title}, running">
    <div class="flex flex-wrap items-center justify-between gap-x-8 gap-y-2">
      <div>
        <p class="text-quiet">{bake.title}, {bake.batch}; ready {clock(bake.expected_ready_at)}</p>
        <h1 class="text-[2.1rem]">{detail ? detail.forecast.title : 'All done: how did it come out?'}</h1>
        {#if detail?.outlook}
          <p class="text-lg">
            {countdown(until(detail.outlook.likely_at, now.value))} to {detail.forecast.goal.toLowerCase()}
          </p>
        {/if}
        {#if bake.gate && !bake.gate.open}
          <div class="text-lg" role="group" aria-label="Make ready for {bake.title}">
            <strong>Make ready before “{bake.gate.step_title}”:</strong>
            {#each bake.gate.items.filter((i) => !i.there) as item (item.id)}
              {#if item.kind === 'thing'}<button
                  class="mr-1 min-h-14 px-2 underline"
                  title={item.detail}
                  onclick={() => void today.there(bake.id, item.id)}>{item.name}: there</button
                >{:else}<span class="mr-2 text-quiet">{item.name}</span>{/if}
            {/each}
          </div>
        {/if}
      </div>
      <button
        class="act {i === 0 ? 'act-now' : ''}"
        onclick={() => navigate('/bench/:bake', { params: { bake: bake.id } })}>To the bench</button
      >
    </div>
    {#if braid}
      <Braid
        braid={braid.actual}
        anchor={Date.parse(braid.origin)}
        now={now.value}
        current={bake.current}
        done={bake.steps.filter((s) => s.status === 'done').map((s) => s.id)}
        label="Braid of {bake.title}"
        onpick={() => navigate('/bench/:bake', { params: { bake: bake.id } })}
      />
    {/if}
  </section>
{/each}

{#if today.formulas.length > 0}
  <Planner {today} first={today.running.length === 0} />
{:else if today.loaded && !today.problem}
  <div class="p-6">
    <h1 class="text-3xl">Nothing in the Book yet.</h1>
    <p class="mt-2 text-lg text-quiet">Import a formula from a file, or look around with <code>./whisk demo</code>.</p>
    <a class="act act-now mt-6" href={p('/book')}>Open the Book</a>
  </div>
{/if}

{#if today.past.length > 0}
  <section class="px-4 py-5 sm:px-6" aria-label="Lately">
    <h2 class="mb-1 text-xl">Lately</h2>
    <ul class="flex flex-wrap gap-x-8">
      {#each today.past as bake (bake.id)}
        <li>
          <a class="flex min-h-12 items-center gap-2 text-[17px]" href={p('/log/:bake', { params: { bake: bake.id } })}>
            <strong>{bake.title}</strong><span class="text-quiet"
              >{day(bake.started_at)}{bake.summary?.stars ? `, ${bake.summary.stars} of 5` : ''}{bake.summary &&
              bake.summary.late_by_s > 300
                ? `, ${length(bake.summary.late_by_s)} late`
                : ''}</span
            >
          </a>
        </li>
      {/each}
    </ul>
  </section>
{/if}
