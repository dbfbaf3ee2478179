<script lang="ts">
  import Sheet from '../../lib/parts/Sheet.svelte';
  import type { BenchState } from './bench.svelte';

  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();
  let reason = $state('');
  let giveUp = $state(false);
  let trouble = $state('');

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (!reason.trim() || !bench.shown) return;
    const why = reason.trim();
    const problem = await bench.ask(
      giveUp ? { kind: 'bake_abandoned', reason: why } : { kind: 'step_skipped', step: bench.shown, reason: why },
    );
    if (problem) {
      trouble = `${problem.detail} ${problem.remedy}`;
      return;
    }
    reason = trouble = '';
    giveUp = false;
    onclose();
  }
</script>

<Sheet
  bind:open={() => open, (v) => !v && onclose()}
  title="Skip “{bench.line?.title ?? ''}”"
  description="The log keeps the reason; undo brings the step back."
>
  <form class="space-y-4" onsubmit={keep}>
    <label class="block font-semibold"
      >Why<input class="field mt-1 font-normal" maxlength="1000" bind:value={reason} /></label
    >
    <label class="flex min-h-12 items-center gap-3"
      ><input type="checkbox" class="size-6" bind:checked={giveUp} />Abandon the whole bake. This can't be undone.</label
    >
    {#if trouble}<p role="alert" class="font-semibold text-raspberry">{trouble}</p>{/if}
    <button class="act w-full" disabled={!reason.trim()}>{giveUp ? 'Abandon the bake' : 'Skip the step'}</button>
  </form>
</Sheet>
