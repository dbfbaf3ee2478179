<script lang="ts">
  import { api, ask, problemOf, type BakeEntry, type Problem } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import { clock } from '../../lib/time';
  import { navigate, p } from '../../routes';

  let running = $state<BakeEntry[] | null>(null);
  let problem = $state<Problem | null>(null);

  ask(api.GET('/api/bakes', { params: { query: { status: 'running' } } })).then(
    (found) => {
      running = found;
      if (found.length === 1) void navigate('/bench/:bake', { params: { bake: found[0]!.id }, replace: true });
    },
    (error) => (problem = problemOf(error)),
  );
</script>

<div class="p-6">
  {#if problem}<Notice {problem} />{/if}
  {#if running?.length === 0}
    <h1 class="text-3xl">Nothing on the bench.</h1>
    <p class="mt-2 max-w-prose text-lg text-quiet">A bake appears here once it is planned and started.</p>
    <a class="act act-now mt-6" href={p('/')}>Plan one for today</a>
  {:else if running && running.length > 1}
    <h1 class="mb-4 text-3xl">Which bake?</h1>
    <ul>
      {#each running as bake (bake.id)}
        <li class="border-t border-line">
          <a
            class="flex min-h-16 items-center gap-4 text-xl font-semibold"
            href={p('/bench/:bake', { params: { bake: bake.id } })}
          >
            {bake.title}<span class="font-normal text-quiet">since {clock(bake.started_at)}</span>
          </a>
        </li>
      {/each}
    </ul>
  {/if}
</div>
