<script lang="ts">
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import { clock, nextMoment } from '../../../lib/time';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; readyAt: string };
  let { otherwise, readyAt }: Props = $props();

  const WAYS = ['as soon as it can be', 'at'] as const;
  let way = $state<(typeof WAYS)[number]>('as soon as it can be');
  // svelte-ignore state_referenced_locally
  let time = $state(clock(readyAt));
  const moment = $derived(nextMoment(time));

  $effect(() => {
    if (way === 'as soon as it can be') otherwise.change({ change: 'retimed' });
    else otherwise.change(moment ? { change: 'retimed', ready_at: moment } : null);
  });
</script>

<div class="space-y-4">
  <OneOf label="Ready" all={WAYS} now={way} onchoose={(one) => (way = one)} />
  {#if way === 'at'}
    <label class="block font-semibold"
      >Ready at<input class="field mt-1 text-2xl font-bold" inputmode="numeric" bind:value={time} /></label
    >
    {#if !moment}<p role="alert" class="font-semibold text-raspberry">Write a time of day, such as 15:40.</p>{/if}
  {/if}
</div>
