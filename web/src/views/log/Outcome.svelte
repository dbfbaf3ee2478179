<script lang="ts">
  import { RadioGroup } from 'bits-ui';
  import { api, ask, newKey, problemOf, type BakeState, type Problem, type Schemas } from '../../lib/api/client';
  import { faultsOf } from '../../lib/why';
  import FaultPicker from '../../lib/parts/FaultPicker.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import QuantityField from '../../lib/parts/QuantityField.svelte';

  type Props = { bake: BakeState; onsaved: (state: BakeState) => void };
  let { bake, onsaved }: Props = $props();

  /** What can go wrong with this class, each drawn. */
  let known_faults = $state<Schemas['FaultView'][]>([]);
  $effect(() => {
    void faultsOf(bake.technique).then(
      (found) => (known_faults = found),
      () => {},
    );
  });
  const WORTH = {
    '1': 'thrown away',
    '2': 'not for sale',
    '3': 'will do',
    '4': 'good',
    '5': 'as it should be',
  } as const;

  const known = $derived(bake.outcome);
  let editing = $state(false);
  let stars = $state('');
  let height = $state<number | null>(null);
  let crumb = $state('');
  let note = $state('');
  let faults = $state<string[]>([]);
  const named = (words: string) =>
    known_faults.find((k) => k.words === words || k.also.includes(words))?.words ?? words;
  let problem = $state<Problem | null>(null);
  let busy = $state(false);
  const allOver = $derived(bake.steps.every((s) => s.status === 'done' || s.status === 'skipped'));

  function edit(): void {
    stars = known ? String(known.stars) : '';
    height = known?.height_mm ?? null;
    crumb = known?.crumb ?? '';
    note = known?.note ?? '';
    faults = (known?.faults ?? []).map(named);
    editing = true;
  }

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    problem = null;
    const params = { params: { path: { bake_id: bake.id } } };
    try {
      let state = await ask(
        api.POST('/api/bakes/{bake_id}/events', {
          ...params,
          body: {
            kind: 'outcome_recorded',
            client_key: newKey(),
            stars: Number(stars),
            height_mm: height,
            crumb,
            faults,
            note,
          },
        }),
      );
      if (bake.status === 'running' && allOver)
        state = await ask(
          api.POST('/api/bakes/{bake_id}/events', { ...params, body: { kind: 'bake_finished', client_key: newKey() } }),
        );
      editing = false;
      onsaved(state);
    } catch (error) {
      problem = problemOf(error);
    }
    busy = false;
  }
</script>

<section aria-label="How it came out">
  <h2 class="mb-2 text-xl">How it came out</h2>
  {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
  {#if known && !editing}
    <p class="font-display text-3xl font-semibold">
      {known.stars} of 5, {WORTH[String(known.stars) as keyof typeof WORTH]}
    </p>
    <p class="text-lg">
      {[
        known.height_mm ? `${Math.round(known.height_mm)} mm high.` : '',
        known.crumb ? `Crumb: ${known.crumb}.` : '',
      ].join(' ')}
      {#if known.faults.length}<strong>{known.faults.join(', ')}.</strong>{/if}
    </p>
    {#if known.note}<p class="text-quiet">{known.note}</p>{/if}
    <button class="act act-small mt-3" onclick={edit}>Change it</button>
  {:else if editing || !known}
    <form class="max-w-xl space-y-4" onsubmit={keep}>
      <RadioGroup.Root bind:value={stars} class="grid grid-cols-5 gap-2" aria-label="How good, 1 to 5">
        {#each Object.entries(WORTH) as [value, words] (value)}
          <RadioGroup.Item
            {value}
            class="flex min-h-[68px] flex-col items-center justify-center rounded-md border-2 border-line px-1 leading-tight data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:text-ground"
          >
            <strong class="text-2xl">{value}</strong><span class="text-center text-[13px]">{words}</span>
          </RadioGroup.Item>
        {/each}
      </RadioGroup.Root>
      <QuantityField
        label="Height, cold"
        wanted="length"
        unit="mm"
        value={height}
        least={1}
        onvalue={(v) => (height = v)}
      />
      <label class="block font-semibold"
        >Crumb<input
          class="field mt-1 font-normal"
          maxlength="200"
          placeholder="fine, even, tight below …"
          bind:value={crumb}
        /></label
      >
      <FaultPicker legend="Faults" known={known_faults} bind:chosen={faults} />
      <label class="block font-semibold"
        >Anything else<textarea class="field mt-1 font-normal" rows="2" maxlength="1000" bind:value={note}
        ></textarea></label
      >
      <button class="act act-now w-full" disabled={!stars || busy}>Save</button>
      {#if bake.status === 'running' && !allOver}<p class="text-quiet">
          Some steps are still open, so the bake stays at the bench.
        </p>{/if}
    </form>
  {/if}
</section>
