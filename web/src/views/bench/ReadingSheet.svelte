<script lang="ts">
  import { untrack } from 'svelte';
  import { api, ask, problemOf, type Schemas, type SectionData } from '../../lib/api/client';
  import Section from '../../lib/draw/Section.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import Sheet from '../../lib/parts/Sheet.svelte';
  import type { BenchState } from './bench.svelte';

  type Props = { bench: BenchState; open: boolean; onclose: () => void };
  let { bench, open, onclose }: Props = $props();
  type Quantity = Schemas['Quantity'];

  const WANTED: Record<Quantity, Schemas['Wanted']> = {
    density: 'number',
    'temperature in the vessel': 'temperature',
    'oven temperature': 'temperature',
    'core temperature': 'temperature',
    mass: 'mass',
    height: 'length',
    'humidity of the room': 'number',
    'mass of ten pieces': 'mass',
  };
  const UNIT: Record<Quantity, string> = {
    density: 'g/ml',
    'temperature in the vessel': 'C',
    'oven temperature': 'C',
    'core temperature': 'C',
    mass: 'g',
    height: 'mm',
    'humidity of the room': '%',
    'mass of ten pieces': 'g',
  };

  let thermometers = $state<Schemas['Thermometer'][]>([]);
  let thermometer = $state('');
  let cups = $state<Schemas['Cup'][]>([]);
  let cup = $state('');
  let quantity = $state<Quantity>('density');
  let where = $state('');
  let full = $state<number | null>(null);
  let value = $state<number | null>(null);
  let density = $state<number | null>(null);
  let section = $state<SectionData | null>(null);
  /** How a density is read. */
  type Way = 'cup' | '100 ml' | 'ribbon' | 'g/ml';
  const WAYS: { value: Way; label: string }[] = [
    { value: 'cup', label: 'a cup on the scale' },
    { value: '100 ml', label: 'grams in 100 ml' },
    { value: 'ribbon', label: 'how long a ribbon lies' },
    { value: 'g/ml', label: 'g/ml or specific gravity' },
  ];
  const FIELD: Record<Way, string> = {
    cup: '',
    '100 ml': 'Grams in 100 ml',
    ribbon: 'Seconds until the ribbon has sunk in',
    'g/ml': 'density',
  };
  let way = $state<Way>('cup');
  let trouble = $state('');
  /** How many eggs gave what was weighed. */
  let eggs = $state<number | null>(null);
  const EGGS = ['egg-white', 'egg-yolk', 'whole-egg'];
  const ofEggs = $derived.by(() => {
    const inputs = bench.bake?.details[where.split('|')[0] ?? '']?.forecast.inputs ?? [];
    return quantity === 'mass' && inputs.length === 1 && EGGS.includes(inputs[0]!.ingredient ?? '');
  });

  /** What may be read where: this step first, then what runs beside it. */
  const places = $derived.by(() => {
    const bake = bench.bake;
    if (!bake) return [];
    const ids = [...new Set([bench.shown, ...bake.running])].filter((id): id is string => id !== null);
    return ids.flatMap((id) => {
      const step = bake.details[id]?.forecast;
      if (!step) return [];
      const banded = step.checkpoints.flatMap((c) => (c.band ? [c.band.quantity] : []));
      const all: Quantity[] = [...banded, ...(id === bench.shown ? (['density', 'mass'] as const) : [])];
      return [...new Set(all)].map((q) => ({
        key: `${id}|${q}`,
        step: id,
        quantity: q,
        words: `${q}, ${step.title.toLowerCase()}`,
      }));
    });
  });
  const ANOTHER = 'another';
  let other = $state<{ empty_g: number | null; volume_ml: number | null }>({ empty_g: null, volume_ml: null });
  const chosen = $derived.by(() => {
    if (cup !== ANOTHER) return cups.find((c) => c.id === cup);
    const { empty_g, volume_ml } = other;
    return empty_g === null || volume_ml === null ? undefined : { empty_g, volume_ml };
  });

  $effect(() => {
    if (!open) return;
    trouble = '';
    full = value = density = section = eggs = null;
    way = 'cup';
    // As it is opened, and only then: a probe's reading that comes meanwhile must not take away what is being typed.
    const first = untrack(() => places[0]);
    if (first) [where, quantity] = [first.key, first.quantity];
    void ask(api.GET('/api/kitchen')).then(
      (view) => {
        thermometers = view.kitchen.thermometers ?? [];
        thermometer = (thermometers.find((t) => t.place === 'hand') ?? thermometers[0])?.id ?? '';
        cups = view.kitchen.cups ?? [];
        cup = cups[0]?.id ?? ANOTHER;
      },
      (error) => (trouble = problemOf(error).detail),
    );
  });

  $effect(() => {
    if (!chosen || full === null) return;
    const body = { full_g: full, empty_g: chosen.empty_g, volume_ml: chosen.volume_ml };
    void ask(api.POST('/api/craft/density', { body })).then(
      (answer) => {
        [density, section, trouble] = [answer.density_g_per_ml, answer.section, ''];
      },
      (error) => {
        const problem = problemOf(error);
        [density, section, trouble] = [null, null, `${problem.detail} ${problem.remedy}`];
      },
    );
  });

  const byCup = $derived(quantity === 'density' && way === 'cup');
  const foam = $derived(bench.bake?.details[where.split('|')[0] ?? '']?.forecast);
  const ways = $derived(WAYS.filter((w) => w.value !== 'ribbon' || foam?.ribbon));
  const warm = $derived(WANTED[quantity] === 'temperature');
  const ready = $derived(byCup ? density !== null : value !== null);

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const place = places.find((w) => w.key === where);
    if (!place || !ready) return;
    const problem = await bench.ask({
      kind: 'reading_added',
      step: place.step,
      quantity: place.quantity,
      ...(byCup && chosen
        ? { cup: { full_g: full!, empty_g: chosen.empty_g, volume_ml: chosen.volume_ml } }
        : quantity === 'density' && way === '100 ml'
          ? { per_100_ml: value! }
          : quantity === 'density' && way === 'ribbon'
            ? { ribbon_s: value! }
            : {
                value: value!,
                ...(warm && thermometer ? { thermometer } : {}),
                ...(eggs !== null && ofEggs ? { eggs: Math.round(eggs) } : {}),
              }),
    });
    if (problem) trouble = `${problem.detail} ${problem.remedy}`;
    else onclose();
  }
</script>

<Sheet bind:open={() => open, (v) => !v && onclose()} title="Reading">
  <form class="space-y-4" onsubmit={keep}>
    {#if places.length > 1}
      <Choice
        label="What"
        value={where}
        options={places.map((w) => ({ value: w.key, label: w.words }))}
        onvalue={(key) => {
          where = key;
          quantity = places.find((w) => w.key === key)?.quantity ?? quantity;
          value = full = density = null;
        }}
      />
    {:else if places[0]}<p class="text-lg">{places[0].words}</p>{/if}
    {#if quantity === 'density'}
      <Choice
        label="Read by"
        value={way}
        options={ways}
        onvalue={(v) => {
          way = v as Way;
          value = full = density = null;
        }}
      />
    {/if}
    {#if byCup}
      {#if cups.length > 0}
        <Choice
          label="Cup"
          value={cup}
          options={[
            ...cups.map((c) => ({ value: c.id, label: `${c.name}: ${c.empty_g} g empty, holds ${c.volume_ml} ml` })),
            { value: ANOTHER, label: 'another cup' },
          ]}
          onvalue={(v) => {
            cup = v;
            density = null;
          }}
        />
      {/if}
      {#if cup === ANOTHER}
        <div class="grid gap-x-4 sm:grid-cols-2">
          <QuantityField
            label="Empty cup"
            wanted="mass"
            unit="g"
            value={other.empty_g}
            onvalue={(v) => (other.empty_g = v)}
          />
          <QuantityField
            label="Water it holds, levelled"
            wanted="volume"
            unit="ml"
            least={6}
            value={other.volume_ml}
            onvalue={(v) => (other.volume_ml = v)}
          />
        </div>
      {/if}
      <QuantityField label="Full cup, levelled" wanted="mass" unit="g" value={full} onvalue={(v) => (full = v)} />
      <div class="flex items-end justify-between gap-4">
        <p class="text-4xl font-bold" aria-live="polite">
          {density === null ? '–' : density.toFixed(3)} <span class="text-lg font-normal">g/ml</span>
        </p>
        {#if section}<Section {section} width={110} height={96} annotated={false} />{/if}
      </div>
    {:else}
      <QuantityField
        label={quantity === 'density' ? FIELD[way] : quantity}
        wanted={WANTED[quantity]}
        unit={quantity === 'density' ? (way === 'ribbon' ? 's' : way === '100 ml' ? 'g' : 'g/ml') : UNIT[quantity]}
        step={quantity === 'density' && way === 'g/ml' ? 0.01 : 1}
        {value}
        onvalue={(v) => (value = v)}
      />
    {/if}
    {#if ofEggs}
      <QuantityField
        label="Out of so many eggs, where you counted them"
        wanted="number"
        unit="eggs"
        value={eggs}
        onvalue={(v) => (eggs = v)}
      />
      <p class="text-[16px] text-quiet">Teaches what an egg of yours gives: the next list says how many to crack.</p>
    {/if}
    {#if quantity === 'density' && way === 'ribbon'}
      <p class="text-[16px] text-quiet">
        Lift the whisk or spatula, let a ribbon fall, count until it has sunk in. Rough: within a seventh or so. A cup
        tells more.
      </p>
    {/if}
    {#if warm && thermometers.length > 0}
      <Choice
        label="Thermometer"
        value={thermometer}
        options={[
          ...thermometers.map((t) => ({
            value: t.id,
            label: t.check.ice_c == null && t.check.boiling_c == null ? `${t.name}, not checked` : t.name,
          })),
          { value: '', label: 'another one' },
        ]}
        onvalue={(v) => (thermometer = v)}
      />
    {/if}
    {#if trouble}<p role="alert" class="font-semibold text-raspberry">{trouble}</p>{/if}
    <button class="act act-now w-full" disabled={!ready}>Save</button>
  </form>
</Sheet>
