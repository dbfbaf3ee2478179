<script lang="ts">
  import type { Kitchen } from '../../../lib/api/client';
  import Choice from '../../../lib/parts/Choice.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; kitchen: Kitchen };
  let { otherwise, kitchen }: Props = $props();

  const NONE = '';
  const names = $derived((kitchen.tins ?? []).map((t) => ({ value: t.id, label: t.name })));
  let tin = $state(NONE);
  let count = $state('1');
  let second = $state(NONE);

  $effect(() =>
    otherwise.change(
      tin
        ? {
            change: 'other_tins',
            tin,
            count: Math.min(99, Math.max(1, Math.round(Number(count)) || 1)),
            beside: second ? [{ tin: second, count: 1 }] : [],
          }
        : null,
    ),
  );
</script>

<div class="space-y-4">
  <Choice label="The batter goes into" value={tin} options={names} onvalue={(v) => (tin = v)} />
  <label class="block font-semibold"
    >How many of it<input class="field mt-1" inputmode="numeric" bind:value={count} /></label
  >
  <Choice
    label="And one beside"
    value={second}
    options={[{ value: NONE, label: 'none' }, ...names]}
    onvalue={(v) => (second = v)}
  />
</div>
