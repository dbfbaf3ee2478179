<script lang="ts">
  import { api, ask, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import { celsius } from '../../lib/figures.svelte';
  import { live } from '../../lib/live.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';
  import { clock, day } from '../../lib/time';
  import CheckWords from './CheckWords.svelte';
  import { freeId, type KitchenState } from './kitchen.svelte';
  import NameField from './NameField.svelte';

  type Props = { page: KitchenState };
  let { page }: Props = $props();

  const PLACES: [Schemas['ProbePlace'], string][] = [
    ['pot', 'in the syrup pot'],
    ['bowl', "in the mixer's bowl"],
    ['oven', 'in the oven'],
    ['crumb', 'in the crumb'],
    ['hand', 'by hand'],
    ['room', 'in the room: a hygrometer, in percent'],
  ];
  let heard = $state<Schemas['ProbeView'][]>([]);
  let problem = $state<Problem | null>(null);
  let said = $state('');

  async function listen(): Promise<void> {
    heard = await ask(api.GET('/api/readings')).catch(() => heard);
  }
  void listen();
  $effect(() => {
    const stop = live.listen(() => {});
    const stopReading = live.read(({ probe, at, celsius: c }) => {
      const known = heard.find((h) => h.probe === probe);
      if (known) Object.assign(known, { last_at: at, celsius: c });
      else void listen();
    });
    return () => {
      stop();
      stopReading();
    };
  });

  const strangers = $derived(heard.filter((h) => !page.kitchen?.thermometers.some((t) => t.id === h.probe)));
  const table = (probe: string) => {
    const query = new URLSearchParams({
      probe,
      since: new Date(Date.now() - 7 * 86_400_000).toISOString(),
      until: new Date(Date.now() + 86_400_000).toISOString(),
    });
    return `/api/readings/csv?${query}`;
  };

  function checked(i: number, part: 'ice_c' | 'boiling_c', value: number | null): void {
    page.change((k) => {
      const own = k.thermometers[i]!;
      own.check = { ...own.check, [part]: value };
      if (part === 'boiling_c') own.check.pressure_kpa = k.measured_kpa;
      own.checked_on = new Date().toISOString().slice(0, 10);
    });
  }

  async function bring(event: Event): Promise<void> {
    const input = event.currentTarget as HTMLInputElement;
    const file = input.files?.[0];
    if (!file) return;
    try {
      const came = await ask(api.POST('/api/readings/csv', { body: { text: await file.text() } }));
      said = `${came.stored} readings are new, ${came.repeated} were there already.`;
      problem = null;
      await listen();
    } catch (error) {
      problem = problemOf(error);
    }
    input.value = '';
  }
</script>

<section class="mt-8" aria-label="Thermometers">
  <h2 class="mb-1 text-2xl">Thermometers</h2>
  <p class="max-w-prose text-quiet">
    Check each one in stirred crushed ice and in water at a rolling boil: its error is then corrected in every reading.
  </p>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  <div class="mt-3 grid gap-x-12 gap-y-6 lg:grid-cols-3">
    {#each page.kitchen?.thermometers ?? [] as own, i (own.id)}
      {@const last = heard.find((h) => h.probe === own.id)}
      <div>
        <NameField
          label="Name of the thermometer"
          value={own.name}
          onvalue={(name) => page.change((k) => (k.thermometers[i]!.name = name))}
        />
        <p class="min-h-6 text-[15px] text-quiet">
          device name <code>{own.id}</code>{last
            ? `: ${own.place === 'room' ? `${Math.round(last.celsius)} %` : celsius(last.celsius)} at ${clock(last.last_at)}, ${day(last.last_at)}`
            : ''}
          {#if last}<a class="underline" href={table(own.id)}>CSV</a>{/if}
        </p>
        <Choice
          label="Where"
          value={own.place}
          options={PLACES.map(([value, label]) => ({ value, label }))}
          onvalue={(v) => page.change((k) => (k.thermometers[i]!.place = v as Schemas['ProbePlace']))}
        />
        <div class="mt-2 {own.place === 'room' ? 'hidden' : ''}">
          <QuantityField
            label="In ice"
            wanted="temperature"
            unit="C"
            step={0.1}
            least={-20}
            value={own.check.ice_c ?? null}
            onvalue={(v) => checked(i, 'ice_c', v)}
          />
          <QuantityField
            label="In boiling water"
            wanted="temperature"
            unit="C"
            step={0.1}
            least={-20}
            value={own.check.boiling_c ?? null}
            onvalue={(v) => checked(i, 'boiling_c', v)}
          />
        </div>
        {#if own.place !== 'room'}<CheckWords {own} kitchen={page.kitchen!} />{/if}
        <div class="mt-2 flex flex-wrap gap-2">
          {#if own.check.ice_c != null || own.check.boiling_c != null}
            <button
              class="act act-small"
              onclick={() =>
                page.change((k) => (k.thermometers[i]!.check = { ice_c: null, boiling_c: null, pressure_kpa: null }))}
              >Clear the check</button
            >
          {/if}
          <button class="act act-small" onclick={() => page.change((k) => k.thermometers.splice(i, 1))}>Remove</button>
        </div>
      </div>
    {/each}
  </div>
  {#each strangers as stranger (stranger.probe)}
    <p class="mt-2">
      <code>{stranger.probe}</code> has sent {stranger.readings} readings, the last {celsius(stranger.celsius)}.
      <button
        class="act act-small ml-2"
        onclick={() =>
          page.change((k) =>
            k.thermometers.push({
              id: stranger.probe,
              name: stranger.probe,
              place: 'pot',
              check: { ice_c: null, boiling_c: null, pressure_kpa: null },
              checked_on: null,
            }),
          )}>Add it</button
      >
    </p>
  {/each}
  <div class="mt-4 flex flex-wrap items-center gap-3">
    <button
      class="act act-small"
      onclick={() =>
        page.change((k) =>
          k.thermometers.push({
            id: freeId('probe', k.thermometers),
            name: 'New thermometer',
            place: 'hand',
            check: { ice_c: null, boiling_c: null, pressure_kpa: null },
            checked_on: null,
          }),
        )}>Add a thermometer</button
    >
    <label class="act act-small cursor-pointer">
      Import readings (CSV)
      <input type="file" class="sr-only" accept=".csv,text/csv" onchange={(event) => void bring(event)} />
    </label>
    <span class="text-quiet" aria-live="polite">{said}</span>
  </div>
</section>
