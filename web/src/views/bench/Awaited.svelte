<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import { celsius } from '../../lib/figures.svelte';
  import { now } from '../../lib/now.svelte';
  import { clock, countdown, until } from '../../lib/time';
  import type { BenchState } from './bench.svelte';

  /** The foam that has to be begun while something cools, so that both are right when they meet. */
  type Props = { bench: BenchState; called: Schemas['AwaitedView'] };
  let { bench, called }: Props = $props();
  const left = $derived(Math.max(0, until(called.start_at, now.value)));
  const due = $derived(left === 0);
</script>

<div
  class="flex flex-wrap items-center justify-between gap-x-4 gap-y-2 border-l-[6px] bg-surface py-2.5 pr-3 pl-4 sm:flex-nowrap {due
    ? 'border-yolk'
    : 'border-copper'}"
  role="status"
  aria-label="To be begun meanwhile"
>
  <p class="min-w-0 text-xl font-semibold">
    {called.whisk_title}{due
      ? ' now'
      : called.start_c != null
        ? ` when this is at ${celsius(called.start_c)}, in about ${countdown(left)}`
        : ` in about ${countdown(left)}, ${clock(called.start_at)}`}
    <span class="block text-[16px] font-normal text-quiet"
      >So that it is there when both are wanted ({called.read ? 'by the thermometer' : 'by the forecast'}).</span
    >
  </p>
  <button class="act {due ? 'act-now' : ''} min-h-14 shrink-0" onclick={() => bench.look(called.whisk)}>Go to it</button
  >
</div>
