<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import { now } from '../../../lib/now.svelte';
  import Choice from '../../../lib/parts/Choice.svelte';
  import { when } from '../../../lib/time';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could']; shown: string | null };
  let { otherwise, could, shown }: Props = $props();

  // svelte-ignore state_referenced_locally
  let step = $state((could.before.find((s) => s.step === shown) ?? could.before[0])?.step ?? '');
  let hours = $state('12');
  const ago = $derived(Number(hours.replace(',', '.')));
  const right = $derived(ago >= 0 && ago <= 14 * 24);
  // The moment is told once an entry stands: it must not move with each second of the clock.
  const moment = $derived.by(() => (right ? new Date(otherwise.openedAt - ago * 3600_000).toISOString() : null));

  $effect(() => otherwise.consider(step && moment ? { kind: 'done_before', step, when: moment } : null));
</script>

<div class="space-y-4">
  <Choice
    label="What was done"
    value={step}
    options={could.before.map((s) => ({ value: s.step, label: s.says }))}
    onvalue={(v) => (step = v)}
  />
  <label class="block font-semibold">Hours ago<input class="field mt-1" inputmode="decimal" bind:value={hours} /></label
  >
  {#if moment}<p class="text-quiet">
      It stood ready {when(moment, now.value)}, with all that goes into it.
    </p>{:else}<p class="text-quiet">From now to two weeks ago, such as 12.</p>{/if}
</div>
