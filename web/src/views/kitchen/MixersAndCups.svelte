<script lang="ts">
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import CupWater from './CupWater.svelte';
  import { freeId, type KitchenState } from './kitchen.svelte';
  import NameField from './NameField.svelte';

  type Props = { page: KitchenState };
  let { page }: Props = $props();
</script>

<div class="space-y-8">
  <section>
    <h2 class="mb-1 text-2xl">Mixer</h2>
    {#each page.kitchen?.mixers ?? [] as mixer, i (mixer.id)}
      <NameField
        label="Name of the mixer"
        value={mixer.name}
        onvalue={(name) => page.change((k) => (k.mixers[i]!.name = name))}
      />
      <div class="mt-2">
        <QuantityField
          label="Bowl"
          wanted="volume"
          unit="ml"
          step={100}
          least={300}
          value={mixer.bowl_ml ?? 4800}
          onvalue={(v) => page.change((k) => (k.mixers[i]!.bowl_ml = v))}
        />
        <QuantityField
          label="The empty bowl weighs"
          wanted="mass"
          unit="g"
          step={50}
          least={100}
          value={mixer.bowl_g ?? 1000}
          onvalue={(v) => page.change((k) => (k.mixers[i]!.bowl_g = v))}
        />
      </div>
    {/each}
  </section>
  <section>
    <h2 class="mb-1 text-2xl">Hands</h2>
    <p class="mb-2 text-quiet">Who bakes here: a fold keeps as much air as the hands that do it.</p>
    {#each page.kitchen?.people ?? [] as person, i (person.id)}
      <div class="mb-3 flex items-end gap-3">
        <div class="grow">
          <NameField
            label="Name"
            value={person.name}
            onvalue={(name) => page.change((k) => (k.people![i]!.name = name))}
          />
        </div>
        <button class="act act-small" onclick={() => page.change((k) => k.people!.splice(i, 1))}>Remove</button>
      </div>
    {/each}
    <button
      class="act act-small"
      onclick={() =>
        page.change((k) =>
          (k.people ??= []).push({ id: freeId('hands', k.people!), name: 'New hands', hours: [], does: [] }),
        )}>Add somebody</button
    >
  </section>
</div>
<section>
  <h2 class="mb-1 text-2xl">Cups</h2>
  {#each page.kitchen?.cups ?? [] as cup, i (cup.id)}
    <div class="mb-6">
      <NameField
        label="Name of the cup"
        value={cup.name}
        onvalue={(name) => page.change((k) => (k.cups[i]!.name = name))}
      />
      <div class="mt-2">
        <QuantityField
          label="Empty"
          wanted="mass"
          unit="g"
          value={cup.empty_g}
          onvalue={(v) => page.change((k) => (k.cups[i]!.empty_g = v))}
        />
        <QuantityField
          label="Volume"
          wanted="volume"
          unit="ml"
          step={0.5}
          least={6}
          value={cup.volume_ml}
          onvalue={(v) => page.change((k) => (k.cups[i]!.volume_ml = v))}
        />
        <CupWater empty={cup.empty_g} onvolume={(ml) => page.change((k) => (k.cups[i]!.volume_ml = ml))} />
      </div>
      <button class="act act-small mt-2" onclick={() => page.change((k) => k.cups.splice(i, 1))}>Remove</button>
    </div>
  {/each}
  <button
    class="act act-small"
    onclick={() =>
      page.change((k) => k.cups.push({ id: freeId('cup', k.cups), name: 'New cup', empty_g: 40, volume_ml: 120 }))}
    >Add a cup</button
  >
</section>
