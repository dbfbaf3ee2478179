<script lang="ts">
  import { Switch } from 'bits-ui';
  import { now } from '../../lib/now.svelte';
  import Tick from '../../lib/parts/Tick.svelte';
  import { when } from '../../lib/time';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { p } from '../../routes';
  import { freeId, type KitchenState } from './kitchen.svelte';
  import NameField from './NameField.svelte';

  type Props = { page: KitchenState };
  let { page }: Props = $props();

  /** An oven that fails is out of plans of the day for twelve hours, or until it is said to be in use again. */
  const A_WHILE = () => new Date(now.value + 12 * 3600_000).toISOString();
</script>

<section>
  <h2 class="mb-1 text-2xl">Ovens</h2>
  {#each page.kitchen?.ovens ?? [] as oven, i (oven.id)}
    <div class="mb-6">
      <NameField
        label="Name of the oven"
        value={oven.name}
        onvalue={(name) => page.change((k) => (k.ovens[i]!.name = name))}
      />
      <label class="flex min-h-12 items-center gap-3">
        <Switch.Root
          class="h-8 w-14 rounded-full border-2 border-ink px-0.5 data-[state=checked]:bg-ink"
          checked={oven.mode === 'fan'}
          onCheckedChange={(fan) => page.change((k) => (k.ovens[i]!.mode = fan ? 'fan' : 'static'))}
        >
          <Switch.Thumb
            class="block size-6 rounded-full bg-metal transition-transform data-[state=checked]:translate-x-6 data-[state=checked]:bg-ground"
          />
        </Switch.Root>
        {oven.mode === 'fan' ? 'fan' : 'static'}
      </label>
      <QuantityField
        label="Offset (thermometer − dial)"
        wanted="number"
        unit="K"
        least={-60}
        value={oven.offset_k ?? 0}
        onvalue={(v) => page.change((k) => (k.ovens[i]!.offset_k = v))}
      />
      <QuantityField
        label="Heats up per minute"
        wanted="number"
        unit="K"
        step={0.5}
        least={1}
        value={oven.rise_k_per_min ?? 8}
        onvalue={(v) => page.change((k) => (k.ovens[i]!.rise_k_per_min = v))}
      />
      <QuantityField
        label="Tins at once"
        wanted="number"
        unit=""
        least={1}
        value={oven.tins_at_once ?? 2}
        onvalue={(v) => page.change((k) => (k.ovens[i]!.tins_at_once = Math.round(v)))}
      />
      <QuantityField
        label="Racks at once"
        wanted="number"
        unit=""
        least={1}
        value={oven.racks ?? 2}
        onvalue={(v) => page.change((k) => (k.ovens[i]!.racks = Math.min(6, Math.round(v))))}
      />
      <label class="flex min-h-12 items-center gap-3">
        <Tick
          checked={Boolean(oven.out_until)}
          label="{oven.name} is out of use"
          onchecked={(out) => page.change((k) => (k.ovens[i]!.out_until = out ? A_WHILE() : null))}
        />
        {oven.out_until ? `out of use until ${when(oven.out_until, now.value)}` : 'in use'}
      </label>
      <a class="act act-small my-2" href={p('/kitchen/ovens/:oven', { params: { oven: oven.id } })}
        >What is known about it</a
      >
      {#if (page.kitchen?.ovens.length ?? 0) > 1}
        <button class="act act-small" onclick={() => page.change((k) => k.ovens.splice(i, 1))}>Remove</button>
      {/if}
    </div>
  {/each}
  <p class="mb-2 text-quiet">
    Only an oven thermometer tells the true temperature; baking times can’t. Readings count before what is entered here.
    Plans use the first oven, or the one chosen.
  </p>
  <button
    class="act act-small"
    onclick={() =>
      page.change((k) =>
        k.ovens.push({
          id: freeId('oven', k.ovens),
          name: 'New oven',
          mode: 'static',
          offset_k: 0,
          rise_k_per_min: 8,
          fall_k_per_min: 4,
          tins_at_once: 2,
          racks: 2,
          out_until: null,
        }),
      )}>Add an oven</button
  >
</section>
