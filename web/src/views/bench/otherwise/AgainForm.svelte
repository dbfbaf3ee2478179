<script lang="ts">
  import type { Schemas } from '../../../lib/api/client';
  import Choice from '../../../lib/parts/Choice.svelte';
  import OneOf from '../../../lib/parts/OneOf.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could']; shown: string | null };
  let { otherwise, could, shown }: Props = $props();

  const PARTS = ['all of it', 'three quarters', 'half', 'a quarter'] as const;
  const SHARES = { 'all of it': 1, 'three quarters': 0.75, half: 0.5, 'a quarter': 0.25 };
  // Once: what is shown when the sheet opens.
  // svelte-ignore state_referenced_locally
  let step = $state(could.again.find((a) => a.step === shown)?.step ?? could.again.at(-1)?.step ?? '');
  let part = $state<(typeof PARTS)[number]>('all of it');
  let reason = $state('');
  const here = $derived(could.again.find((a) => a.step === step));

  $effect(() => {
    const share = here?.parts ? SHARES[part] : 1;
    otherwise.consider(step ? { kind: 'begun_again', step, share, reason: reason.trim() } : null);
  });
</script>

<div class="space-y-4">
  <Choice
    label="What"
    value={step}
    options={could.again.map((a) => ({ value: a.step, label: a.title }))}
    onvalue={(v) => (step = v)}
  />
  {#if here}<p class="text-quiet">What it has made stands in: {here.where}.</p>{/if}
  {#if here?.parts}<OneOf label="How much of it" all={PARTS} now={part} onchoose={(one) => (part = one)} />{/if}
  <label class="block font-semibold"
    >Why (may stay empty)<input class="field mt-1 font-normal" maxlength="400" bind:value={reason} /></label
  >
</div>
