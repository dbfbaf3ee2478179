<script lang="ts">
  import { newKey } from '../../lib/api/client';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import { length } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();

  let label = $state('');
  let seconds = $state<number | null>(300);

  function start(after: number): void {
    bench.tell({
      kind: 'timer_started',
      timer: newKey(),
      label: label.trim() || `${length(after)} timer`,
      seconds: after,
    });
    label = '';
    onclose();
  }
</script>

<Sheet
  bind:open={() => open, (v) => !v && onclose()}
  title="Timer"
  description="It rings at its moment, whatever happens to this page."
>
  <div class="mb-5 grid grid-cols-4 gap-2">
    {#each [60, 180, 300, 600] as s (s)}<button class="act px-1" onclick={() => start(s)}>{length(s)}</button>{/each}
  </div>
  <form
    class="space-y-4"
    onsubmit={(event) => {
      event.preventDefault();
      if (seconds) start(seconds);
    }}
  >
    <QuantityField
      label="After"
      wanted="time"
      unit="s"
      step={60}
      least={5}
      value={seconds}
      onvalue={(v) => (seconds = v)}
    />
    <label class="block font-semibold"
      >For what<input class="field mt-1 font-normal" maxlength="80" bind:value={label} /></label
    >
    <button class="act act-now w-full">Start it</button>
  </form>
</Sheet>
