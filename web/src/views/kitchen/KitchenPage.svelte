<script lang="ts">
  import type { Schemas } from '../../lib/api/client';
  import Backup from './Backup.svelte';
  import OwnRules from './OwnRules.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import DayRoom from './DayRoom.svelte';
  import Loading from '../../lib/parts/Loading.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { p } from '../../routes';
  import { KitchenState } from './kitchen.svelte';
  import MixersAndCups from './MixersAndCups.svelte';
  import NameField from './NameField.svelte';
  import Ovens from './Ovens.svelte';
  import Thermometers from './Thermometers.svelte';
  import Tins from './Tins.svelte';

  const page = new KitchenState();
  void page.load();
  $effect(() => page.keepOnLeaving());
  let naming = $state(false);

  const EGGS: [Schemas['EggSize'], string][] = [
    ['eu-s', 'EU S'],
    ['eu-m', 'EU M'],
    ['eu-l', 'EU L'],
    ['eu-xl', 'EU XL'],
    ['us-medium', 'US medium'],
    ['us-large', 'US large'],
    ['us-extra-large', 'US extra large'],
    ['us-jumbo', 'US jumbo'],
  ];
  const LAWS = [
    { value: 'eu', label: 'the EU, 14' },
    { value: 'us', label: 'the US, 9' },
  ];
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-4">
    {#if naming && page.kitchen}
      <form
        class="flex gap-3"
        onsubmit={(event) => {
          event.preventDefault();
          naming = false;
        }}
      >
        <NameField
          label="Name of the kitchen"
          value={page.kitchen.name}
          onvalue={(name) => page.change((k) => (k.name = name))}
        />
        <button class="act act-small">Done</button>
      </form>
    {:else}
      <div class="flex items-baseline gap-3">
        <h1 class="text-3xl">{page.kitchen?.name ?? 'The kitchen'}</h1>
        <button class="min-h-11 text-quiet underline" onclick={() => (naming = true)}>rename</button>
      </div>
    {/if}
    <p class="text-quiet" aria-live="polite">
      {page.saved === 'yes' ? `saved, revision ${page.revision}` : page.saved === 'saving' ? 'saving …' : 'not saved'}
    </p>
  </div>
  {#if page.problem}
    <Notice problem={page.problem} />
    {#if page.problem.field === 'revision'}<button class="act act-small my-2" onclick={() => void page.load()}
        >Reload the kitchen</button
      >{/if}
  {/if}
  {#if !page.kitchen && !page.problem}<Loading what="the kitchen" />{/if}
  {#if page.kitchen}
    {@const kitchen = page.kitchen}
    <section class="mt-4 grid gap-x-8 gap-y-2 sm:grid-cols-2 lg:grid-cols-5" aria-label="Air and eggs">
      <Choice
        label="Eggs"
        value={kitchen.eggs}
        options={EGGS.map(([value, label]) => ({ value, label }))}
        onvalue={(v) => page.change((k) => (k.eggs = v as Schemas['EggSize']))}
      />
      <QuantityField
        label="Altitude"
        wanted="number"
        unit="m"
        step={50}
        value={kitchen.altitude_m}
        onvalue={(v) => page.change((k) => (k.altitude_m = v))}
      />
      <div>
        <QuantityField
          label="Air pressure, if measured"
          wanted="number"
          unit="kPa"
          step={0.1}
          least={50}
          value={kitchen.measured_kpa ?? null}
          onvalue={(v) => page.change((k) => (k.measured_kpa = Math.min(110, v)))}
        />
        {#if kitchen.measured_kpa != null}
          <button class="text-quiet underline" onclick={() => page.change((k) => (k.measured_kpa = null))}
            >by the altitude instead</button
          >
        {/if}
      </div>
      <QuantityField
        label="Air in the kitchen"
        wanted="temperature"
        unit="C"
        value={kitchen.air_c}
        onvalue={(v) => page.change((k) => (k.air_c = v))}
      />
      <QuantityField
        label="Its damp on a usual day, in %"
        wanted="number"
        unit=""
        least={5}
        value={kitchen.humidity_percent}
        onvalue={(v) => page.change((k) => (k.humidity_percent = Math.min(100, v)))}
      />
      <QuantityField
        label="Hob rings"
        wanted="number"
        unit=""
        least={1}
        value={kitchen.hob_rings}
        onvalue={(v) => page.change((k) => (k.hob_rings = Math.round(v)))}
      />
    </section>

    <section class="mt-4 flex flex-wrap items-end gap-x-8 gap-y-3" aria-label="Goods and allergens">
      <div class="w-full sm:w-80">
        <Choice
          label="Allergens by the list of"
          value={kitchen.allergen_law ?? 'eu'}
          options={LAWS}
          onvalue={(v) => page.change((k) => (k.allergen_law = v as Schemas['Law']))}
        />
      </div>
      <a class="act act-small" href={p('/kitchen/goods')}>Goods</a>
      <a class="act act-small" href={p('/kitchen/learned')}>What has been learned</a>
      <p class="max-w-prose text-quiet">What you buy, by its own label. Your authority’s list and the labels lead.</p>
      <label class="block w-full max-w-prose font-semibold"
        >Own rule for cream, milk and custard
        <input
          class="field mt-1 font-normal"
          maxlength="160"
          placeholder="as your food-safety plan has it; it stands first at each such step"
          value={kitchen.cold_rule ?? ''}
          oninput={(event) => {
            const rule = event.currentTarget.value;
            page.change((k) => (k.cold_rule = rule));
          }}
        /></label
      >
    </section>

    <DayRoom {page} />
    <OwnRules {page} />

    <Backup />

    <Tins {page} />
    <Thermometers {page} />

    <div class="mt-8 grid gap-x-12 gap-y-8 lg:grid-cols-3">
      <Ovens {page} />
      <MixersAndCups {page} />
    </div>
  {/if}
</div>
