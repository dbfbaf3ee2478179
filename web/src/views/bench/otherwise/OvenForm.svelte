<script lang="ts">
  import type { Kitchen, Schemas } from '../../../lib/api/client';
  import Choice from '../../../lib/parts/Choice.svelte';
  import QuantityField from '../../../lib/parts/QuantityField.svelte';
  import type { Otherwise } from './otherwise.svelte';

  type Props = { otherwise: Otherwise; could: Schemas['Could']; kitchen: Kitchen };
  let { otherwise, could, kitchen }: Props = $props();

  const SAME = '';
  let oven = $state(SAME);
  let hot = $state<number | null>(null);

  $effect(() => otherwise.change(oven || hot !== null ? { change: 'other_oven', oven, oven_c: hot } : null));
</script>

<div class="space-y-4">
  <Choice
    label="Oven"
    value={oven}
    options={[
      { value: SAME, label: 'the same' },
      ...(kitchen.ovens ?? []).map((o) => ({ value: o.id, label: o.name })),
    ]}
    onvalue={(v) => (oven = v)}
  />
  <QuantityField
    label="Its air"
    wanted="temperature"
    unit="C"
    step={5}
    least={60}
    value={hot ?? could.oven_c ?? null}
    onvalue={(v) => (hot = v)}
  />
</div>
