<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could'] };
  let { otherwise, could }: Props = $props();

  const ways = $derived([
    ...could.earlier.map((s) => ({ ...s, change: 'earlier' as const })),
    ...could.together.map((s) => ({ ...s, change: 'together' as const })),
  ]);
  let picked = $state('');
</script>

<ul aria-label="Orders">
  {#each ways as w (w.change + w.step)}
    <li class="border-t border-line">
      <button
        class="min-h-14 w-full py-1 text-left text-lg {picked === w.change + w.step ? 'font-bold' : ''}"
        aria-pressed={picked === w.change + w.step}
        onclick={() => {
          picked = w.change + w.step;
          otherwise.change({ change: w.change, step: w.step });
        }}>{w.says}</button
      >
    </li>
  {/each}
</ul>
