<script lang="ts">
  import { Switch } from 'bits-ui';
  import type { Schemas } from '../../lib/api/client';
  import Choice from '../../lib/parts/Choice.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { KitchenState } from './kitchen.svelte';
  import TinDrawing from './TinDrawing.svelte';

  const page = new KitchenState();
  void page.load();
  $effect(() => page.keepOnLeaving());

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
  const MEASURES: Record<string, string> = {
    diameter_mm: 'across the bottom',
    top_diameter_mm: 'across the top',
    depth_mm: 'deep',
    tube_diameter_mm: 'tube, bottom',
    tube_top_diameter_mm: 'tube, top',
    width_mm: 'wide',
    length_mm: 'long',
    bottom_width_mm: 'bottom, wide',
    bottom_length_mm: 'bottom, long',
    top_width_mm: 'top, wide',
    top_length_mm: 'top, long',
  };
  const SHAPES: Record<string, Schemas['KitchenTin']['tin']> = {
    round: { shape: 'round', dimensions: { diameter_mm: 180, depth_mm: 60 } },
    tube: {
      shape: 'tube',
      dimensions: {
        diameter_mm: 160,
        top_diameter_mm: 180,
        depth_mm: 90,
        tube_diameter_mm: 60,
        tube_top_diameter_mm: 50,
      },
    },
    square: { shape: 'square', dimensions: { width_mm: 180, length_mm: 180, depth_mm: 60 } },
    sheet: { shape: 'sheet', dimensions: { width_mm: 300, length_mm: 400, depth_mm: 25 } },
    rectangular: { shape: 'rectangular', dimensions: { width_mm: 200, length_mm: 300, depth_mm: 50 } },
    loaf: {
      shape: 'loaf',
      dimensions: { bottom_width_mm: 85, bottom_length_mm: 210, top_width_mm: 105, top_length_mm: 230, depth_mm: 65 },
    },
    'half-sphere': { shape: 'half-sphere', dimensions: { diameter_mm: 160 } },
  };
  let open = $state<string | null>(null);

  function addTin(shape: string): void {
    const template = SHAPES[shape];
    if (!template) return;
    page.change((k) => {
      const taken = new Set(k.tins.map((t) => t.id));
      let n = 1;
      while (taken.has(`${shape}-${n}`)) n++;
      k.tins.push({ id: `${shape}-${n}`, name: `new ${shape} tin`, tin: structuredClone(template), count: 1 });
      open = `${shape}-${n}`;
    });
  }
</script>

<div class="px-4 py-5 sm:px-6">
  <div class="flex flex-wrap items-baseline justify-between gap-4">
    <h1 class="text-3xl">{page.kitchen?.name ?? 'The kitchen'}</h1>
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
  {#if page.kitchen}
    {@const kitchen = page.kitchen}
    <section class="mt-4 grid gap-x-8 gap-y-2 sm:grid-cols-2 lg:grid-cols-4" aria-label="Air and eggs">
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
      <QuantityField
        label="Air in the kitchen"
        wanted="temperature"
        unit="C"
        value={kitchen.air_c}
        onvalue={(v) => page.change((k) => (k.air_c = v))}
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

    <h2 class="mt-8 mb-1 text-2xl">Tins</h2>
    <ul class="flex flex-wrap items-end gap-x-8 gap-y-6">
      {#each kitchen.tins as tin, i (tin.id)}
        <li class={open === tin.id ? 'w-full max-w-3xl bg-surface p-4' : 'w-40'}>
          <div class={open === tin.id ? 'flex flex-wrap gap-6' : ''}>
            <TinDrawing name={tin.name} tin={tin.tin} />
            {#if open === tin.id}
              <div class="grid min-w-64 grow gap-x-4 gap-y-1 sm:grid-cols-2">
                <label class="block font-semibold"
                  >Name<input
                    class="field mt-1 font-normal"
                    maxlength="60"
                    value={tin.name}
                    oninput={(e) => {
                      const name = e.currentTarget.value;
                      if (name.trim()) page.change((k) => (k.tins[i]!.name = name));
                    }}
                  /></label
                >
                <QuantityField
                  label="How many"
                  wanted="number"
                  unit=""
                  least={1}
                  value={tin.count}
                  onvalue={(v) => page.change((k) => (k.tins[i]!.count = Math.round(v)))}
                />
                {#each Object.entries(tin.tin.dimensions).filter(([, v]) => v !== null) as [key, value] (key)}
                  <QuantityField
                    label={MEASURES[key] ?? key}
                    wanted="length"
                    unit="mm"
                    least={1}
                    value={value as number}
                    onvalue={(v) =>
                      page.change((k) => ((k.tins[i]!.tin.dimensions as Record<string, number>)[key] = v))}
                  />
                {/each}
                <div class="flex gap-3 sm:col-span-2">
                  <button class="act act-small" onclick={() => (open = null)}>Close</button>
                  <button class="act act-small" onclick={() => page.change((k) => k.tins.splice(i, 1))}
                    >Take it off the shelf</button
                  >
                </div>
              </div>
            {:else}
              <button class="min-h-12 w-full text-center leading-tight underline" onclick={() => (open = tin.id)}
                >{tin.name}{tin.count > 1 ? `, ${tin.count}` : ''}</button
              >
            {/if}
          </div>
        </li>
      {/each}
      <li class="w-56">
        <Choice
          label="Add a tin"
          value=""
          options={Object.keys(SHAPES).map((s) => ({ value: s, label: s }))}
          onvalue={addTin}
        />
      </li>
    </ul>

    <div class="mt-8 grid gap-x-12 gap-y-8 lg:grid-cols-3">
      <section>
        <h2 class="mb-1 text-2xl">Oven</h2>
        {#each kitchen.ovens as oven, i (oven.id)}
          <p class="font-semibold">{oven.name}</p>
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
            label="Measured minus set"
            wanted="number"
            unit="K"
            least={-60}
            value={oven.offset_k ?? 0}
            onvalue={(v) => page.change((k) => (k.ovens[i]!.offset_k = v))}
          />
          <QuantityField
            label="Heats by, a minute"
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
        {/each}
        <p class="text-quiet">An oven thermometer tells its degrees; times alone can’t.</p>
      </section>
      <section>
        <h2 class="mb-1 text-2xl">Mixer</h2>
        {#each kitchen.mixers as mixer, i (mixer.id)}
          <p class="font-semibold">{mixer.name}</p>
          <QuantityField
            label="Bowl"
            wanted="volume"
            unit="ml"
            step={100}
            least={300}
            value={mixer.bowl_ml ?? 4800}
            onvalue={(v) => page.change((k) => (k.mixers[i]!.bowl_ml = v))}
          />
        {/each}
      </section>
      <section>
        <h2 class="mb-1 text-2xl">Cup</h2>
        {#each kitchen.cups as cup, i (cup.id)}
          <p class="font-semibold">{cup.name}</p>
          <QuantityField
            label="Empty"
            wanted="mass"
            unit="g"
            value={cup.empty_g}
            onvalue={(v) => page.change((k) => (k.cups[i]!.empty_g = v))}
          />
          <QuantityField
            label="Water it holds, levelled"
            wanted="volume"
            unit="ml"
            least={6}
            value={cup.volume_ml}
            onvalue={(v) => page.change((k) => (k.cups[i]!.volume_ml = v))}
          />
        {:else}
          <button
            class="act act-small"
            onclick={() => page.change((k) => k.cups.push({ id: 'cup', name: 'Cup', empty_g: 40, volume_ml: 120 }))}
            >Add a cup</button
          >
        {/each}
        <p class="text-quiet">Weigh it empty, then full of water: a gram is a millilitre.</p>
      </section>
    </div>
  {/if}
</div>
