<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import type { KitchenState } from './kitchen.svelte';

  /** The kitchen's own limits for what is kept cold: each stands before the guidance, which is shown beside it. */
  type Props = { page: KitchenState };
  let { page }: Props = $props();
  const kitchen = $derived(page.kitchen!);
  const keeps = $derived(page.keeps);
  type KeptAs = Schemas['KeptAs'];

  function days(kept: KeptAs, value: number | null): void {
    page.change((k) => {
      const own = { ...(k.keeps_days ?? {}) };
      if (value === null) delete own[kept];
      else own[kept] = value;
      k.keeps_days = own;
    });
  }
</script>

<section class="mt-6 max-w-6xl" aria-labelledby="own-rules">
  <h2 id="own-rules" class="text-2xl">Own limits for what is kept</h2>
  <p class="text-quiet">
    Left empty, guidance stands on labels and at the bench. Local rules and trained staff decide.
  </p>
  <div class="mt-2 grid items-end gap-x-8 gap-y-1 sm:grid-cols-2 lg:grid-cols-3">
    <QuantityField
      label="Above 5 °C in all, at most (guidance: 2 h)"
      wanted="number"
      unit="h"
      step={0.5}
      value={kitchen.out_of_cold_h ?? null}
      onvalue={(v) => page.change((k) => (k.out_of_cold_h = v > 0 ? v : null))}
    />
    <QuantityField
      label="Cooked: to {Math.round(kitchen.cooling?.middle_c ?? 21)} °C within"
      wanted="number"
      unit="h"
      step={0.5}
      least={0.5}
      value={kitchen.cooling?.first_h ?? 2}
      onvalue={(v) => page.change((k) => (k.cooling = { ...k.cooling!, first_h: v }))}
    />
    <QuantityField
      label="and to {Math.round(kitchen.cooling?.to_c ?? 5)} °C within, more"
      wanted="number"
      unit="h"
      step={0.5}
      least={0.5}
      value={kitchen.cooling?.second_h ?? 4}
      onvalue={(v) => page.change((k) => (k.cooling = { ...k.cooling!, second_h: v }))}
    />
    {#each keeps as one (one.kept)}
      <QuantityField
        label="Days, {one.kept} (guidance: {one.days})"
        wanted="number"
        unit="days"
        least={0}
        value={kitchen.keeps_days?.[one.kept] ?? null}
        onvalue={(v) => days(one.kept, v > 0 ? v : null)}
      />
    {/each}
  </div>
</section>
