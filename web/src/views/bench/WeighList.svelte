<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import { grams } from '../../lib/figures.svelte';
  import Notice from '../../lib/parts/Notice.svelte';

  /** What is weighed into which bowl, as the bake stands: what was lost is struck, what is weighed once more is told. */
  type Props = { bake: string; sequence: number };
  let { bake, sequence }: Props = $props();

  let list = $state<Schemas['WeighingNow'] | null>(null);
  let problem = $state<Problem | null>(null);

  $effect(() => {
    void sequence;
    const path = { bake_id: bake };
    ask(api.GET('/api/bakes/{bake_id}/weigh-list', { params: { path } })).then(
      (told) => (list = told),
      (error) => (problem = problemOf(error)),
    );
  });
  const WORDS = { waiting: '', running: 'in', done: 'in', skipped: 'skipped', lost: 'lost' } as const;
</script>

{#if problem}<Notice {problem} />{/if}
{#if list}
  {#if list.to_come.length > 0}
    <p class="mb-2">
      <strong>Still to weigh:</strong>
      {list.to_come.map((a) => `${grams(a.grams)} ${a.name}`).join(', ')}{list.eggs
        ? `; ${list.eggs.count} eggs ${list.eggs.size.toUpperCase()}`
        : ''}.
    </p>
  {/if}
  <ul aria-label="Bowls">
    {#each list.bowls as { bowl, status, again, lost } (bowl.step)}
      {@const gone = lost > 0.999}
      <li class="border-t border-line py-1.5 {status === 'waiting' ? '' : 'text-quiet'}">
        <p>
          <strong>{bowl.title}</strong>, {bowl.vessel}{#if lost > 0.001}:
            <span class="font-semibold text-raspberry">{gone ? 'lost' : `${Math.round(100 * lost)} % lost`}</span
            >{:else if status !== 'waiting'}: {WORDS[status]}{:else if again}:
            <span class="font-semibold text-copper">once more</span>{/if}
        </p>
        <p class={gone ? 'line-through' : ''}>{bowl.items.map((i) => `${grams(i.grams)} ${i.name}`).join(', ')}</p>
      </li>
    {/each}
  </ul>
{/if}
