<script lang="ts">
  import OneOf from '../../lib/parts/OneOf.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { clock } from '../../lib/time';
  import type { BenchState } from './bench.svelte';
  import WeighList from './WeighList.svelte';

  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();

  const LISTS = ['All steps', 'Weigh list'] as const;
  let shown = $state<(typeof LISTS)[number]>('All steps');
  const STATUS = { waiting: 'about', running: 'since', done: 'done', skipped: 'skipped', lost: 'lost' } as const;
  const moment = (s: { started_at?: string | null; ended_at?: string | null; expected_start_at: string }) =>
    Date.parse(s.started_at ?? s.expected_start_at);
  const inOrder = $derived((bench.bake?.steps ?? []).toSorted((a, b) => moment(a) - moment(b)));
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title={shown}>
  <div class="-mt-3 mb-3">
    <OneOf label="What is listed" all={LISTS} now={shown} onchoose={(one) => (shown = one)} />
  </div>
  {#if shown === 'Weigh list'}<WeighList bake={bench.id} sequence={bench.bake?.sequence ?? 0} />{:else}
    <ol>
      {#each inOrder as s (s.id)}
        <li class="border-t border-line">
          <button
            class="flex min-h-14 w-full items-center gap-4 text-left text-lg {s.id === bench.shown ? 'font-bold' : ''}"
            aria-current={s.id === bench.bake?.current ? 'step' : undefined}
            onclick={() => {
              bench.look(s.id);
              onclose();
            }}
          >
            <span class="w-32 shrink-0 text-quiet">{STATUS[s.status]} {clock(s.ended_at ?? moment(s))}</span>
            <span>{s.title}</span>
          </button>
        </li>
      {/each}
    </ol>
  {/if}
</Sheet>
