<script lang="ts">
  import Sheet from '../../lib/parts/Sheet.svelte';
  import Photos from '../log/Photos.svelte';
  import type { BenchState } from './bench.svelte';

  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();
  let text = $state('');

  function keep(event: SubmitEvent): void {
    event.preventDefault();
    if (!text.trim()) return;
    bench.tell({ kind: 'note_added', text: text.trim(), step: bench.shown });
    text = '';
    onclose();
  }
</script>

<Sheet
  bind:open={() => open, (v) => !v && onclose()}
  title="Note or photo"
  description="Kept with this step and this moment."
>
  <form class="space-y-4" onsubmit={keep}>
    <textarea class="field" rows="4" maxlength="1000" aria-label="Note" bind:value={text}></textarea>
    <button class="act act-now w-full" disabled={!text.trim()}>Save</button>
  </form>
  {#if bench.bake}<div class="mt-6 border-t border-line pt-4">
      <Photos bake={bench.bake} onsaved={(state) => (bench.bake = state)} />
    </div>{/if}
</Sheet>
