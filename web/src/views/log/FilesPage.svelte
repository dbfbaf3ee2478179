<script lang="ts">
  import { api, ask, newKey, problemOf, type Problem, type Schemas } from '../../lib/api/client';
  import Notice from '../../lib/parts/Notice.svelte';
  import { p } from '../../routes';

  const EXAMPLE = [
    'started_at,title,stars,faults',
    '2025-03-02,Tea chiffon,4,',
    '2025-03-09,Tea chiffon,2,dense layer below',
  ].join('\n');
  let text = $state('');
  let problem = $state<Problem | null>(null);
  let taken = $state<Schemas['LogRead'] | null>(null);
  let key = newKey();

  async function chosen(event: Event): Promise<void> {
    const file = (event.currentTarget as HTMLInputElement).files?.[0];
    if (file) text = await file.text();
  }
  async function take(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    try {
      taken = await ask(api.POST('/api/log/csv', { body: { client_key: key, text } }));
      problem = null;
      text = '';
      key = newKey();
    } catch (error) {
      taken = null;
      problem = problemOf(error);
    }
  }
</script>

<div class="max-w-3xl px-4 py-5 sm:px-6">
  <h1 class="text-3xl">The Log as files</h1>
  <h2 class="mt-5 text-xl">Out</h2>
  <p class="flex flex-wrap gap-x-6">
    <a class="inline-flex min-h-11 items-center underline" href="/api/log.csv?rows=bakes" download
      >All bakes as CSV, one row a bake</a
    >
    <a class="inline-flex min-h-11 items-center underline" href="/api/log.csv?rows=readings" download
      >All readings as CSV, one row a reading</a
    >
  </p>
  <p class="text-quiet">A single bake’s record as PDF is on its own page.</p>
  <h2 class="mt-6 text-xl">In: bakes of before</h2>
  <p class="text-quiet">
    A table with the columns <strong>started_at</strong> and <strong>formula</strong> or <strong>title</strong>; what
    else it may have: stars, height_mm, faults (parted by |), note, oven, hands, foam_g_per_ml, batter_g_per_ml,
    baked_min, core_c. What is there already is not taken twice.
  </p>
  <form class="mt-3 space-y-3" onsubmit={take}>
    <label class="act act-small cursor-pointer has-focus-visible:outline-3"
      >Choose a file<input class="sr-only" type="file" accept=".csv,text/csv,text/plain" onchange={chosen} /></label
    >
    <label class="block font-semibold"
      >or paste it<textarea class="field mt-1 font-normal" rows="7" placeholder={EXAMPLE} bind:value={text}
      ></textarea></label
    >
    {#if problem}<Notice {problem} onclose={() => (problem = null)} />{/if}
    {#if taken}<p role="status" class="text-lg">
        <strong>{taken.taken} {taken.taken === 1 ? 'bake' : 'bakes'} taken</strong>{taken.known
          ? `; ${taken.known} were there already`
          : ''}.
        <a class="underline" href={p('/log')}>To the Log</a>
      </p>{/if}
    <button class="act act-now" disabled={!text.trim()}>Take them</button>
  </form>
</div>
