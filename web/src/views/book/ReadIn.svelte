<script lang="ts">
  import RatioBand from '../../lib/draw/RatioBand.svelte';
  import { celsius, grams, sure } from '../../lib/figures.svelte';
  import Choice from '../../lib/parts/Choice.svelte';
  import Notice from '../../lib/parts/Notice.svelte';
  import { navigate, p } from '../../routes';
  import { CLASSES } from './classes';
  import Process from './Process.svelte';
  import { ReadingIn } from './reading.svelte';
  import StepCloseUp from './StepCloseUp.svelte';

  const reading = new ReadingIn();
  $effect(() => reading.consider());
  $effect(() => reading.forecast());

  const EXAMPLE = 'Lemon chiffon\n\nIngredients\n2 1/4 cups cake flour\n…\n\nMethod\nHeat the oven to 325 F …';
  let picked = $state<string | null>(null);
  let keeping = $state(false);
  const draft = $derived(reading.draft);
  const forecast = $derived(reading.checked.value?.forecast ?? null);
  const step = $derived(forecast?.steps.find((s) => s.id === picked) ?? null);
  const span = (low: number, high: number) => (high - low > 0.5 ? ` (${grams(low)} to ${grams(high)})` : '');
  const about = $derived.by(() => {
    const m = draft?.method;
    if (!m) return [];
    return [
      m.oven_c ? `oven ${celsius(m.oven_c.low)}${m.fan ? ', fan' : ''}` : '',
      m.bake_minutes
        ? `${m.bake_minutes.low}${m.bake_minutes.high > m.bake_minutes.low ? ` to ${m.bake_minutes.high}` : ''} min`
        : '',
      m.tin ? m.tin.name : '',
      m.syrup_c ? `syrup ${celsius(m.syrup_c)}` : '',
    ].filter(Boolean);
  });

  async function keep(): Promise<void> {
    keeping = true;
    const id = await reading.keep();
    keeping = false;
    if (id) await navigate('/book/:formula', { params: { formula: id } });
  }
</script>

<div class="px-4 py-5 sm:px-6">
  <h1 class="text-3xl">Read a recipe in</h1>
  <p class="max-w-prose text-lg text-quiet">
    Paste it as you found it, or open a file. Correct the text, and everything below is read again. Nothing goes into
    the Book until you add it.
  </p>
  {#if reading.problem}<Notice problem={reading.problem} onclose={() => (reading.problem = null)} />{/if}
  <div class="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]">
    <div>
      <label class="block font-semibold">
        The recipe
        <textarea
          class="field mt-1 min-h-56 text-[16px] leading-snug font-normal lg:min-h-96"
          spellcheck="false"
          placeholder={EXAMPLE}
          bind:value={reading.text}></textarea>
      </label>
      <div class="mt-2 flex flex-wrap gap-3">
        <label class="act act-small cursor-pointer focus-within:outline-3">
          Open a file
          <input
            type="file"
            accept=".jsonld,.json,.csv,.tsv,.txt,.md,application/ld+json,text/plain,text/csv"
            class="sr-only"
            onchange={(e) => {
              const file = e.currentTarget.files?.[0];
              if (file) void reading.open(file);
              // So that the same file, mended, can be chosen again.
              e.currentTarget.value = '';
            }}
          />
        </label>
        {#if reading.text}<button
            class="act act-small"
            onclick={() => {
              reading.text = '';
              reading.whole = null;
            }}>Clear</button
          >{/if}
      </div>
      {#if reading.read.problem && reading.text.trim()}<Notice problem={reading.read.problem} />{/if}
    </div>

    {#if draft}
      <div class="min-w-0 transition-opacity {reading.read.waiting ? 'opacity-60' : ''}">
        <div class="grid items-end gap-3 sm:grid-cols-[minmax(0,1fr)_18rem]">
          <div>
            <h2 class="text-2xl">{draft.title}</h2>
            <p class="text-quiet">{about.join(', ')}</p>
          </div>
          <Choice
            label="Class of bake"
            value={draft.technique}
            options={CLASSES.map((c) => ({ value: c, label: c }))}
            onvalue={(v) => (reading.technique = v)}
          />
        </div>

        <h3 class="mt-4 text-lg font-semibold">As written, with weights</h3>
        <ul>
          {#each draft.lines as line, i (i + line.text)}
            <li class="grid items-center gap-x-4 border-b border-line py-1 sm:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
              <input
                class="field min-h-11 border-transparent text-[16px] hover:border-metal"
                aria-label="Line {i + 1} as written"
                value={line.text}
                onchange={(e) => reading.mend(i, e.currentTarget.value)}
              />
              <p class="text-[16px] leading-snug">
                {#if line.ingredient}
                  {#if line.grams != null}<strong>{grams(line.grams)}</strong>{/if}
                  {line.name}<span class="text-quiet"
                    >{line.grams != null && line.low_g != null && line.high_g != null
                      ? span(line.low_g, line.high_g)
                      : ', no amount'}</span
                  >
                {:else if line.unknown}
                  {#if line.grams != null}<strong>{grams(line.grams)}</strong>{/if}
                  “{line.unknown}” <strong class="text-raspberry">not known here</strong>
                  <a
                    class="ml-1 inline-flex min-h-9 items-center underline"
                    href="{p('/kitchen/goods')}?name={encodeURIComponent(line.unknown)}">Say what it is</a
                  >
                {:else}<strong class="text-raspberry">not recognised</strong>{/if}
                <span class="ml-1 text-[14px] text-quiet">{sure(line.sure)}</span>
                {#if line.allergens.length}<span class="ml-1 text-[14px] text-raspberry"
                    >{line.allergens.join(', ').replaceAll('-', ' ')}</span
                  >{/if}
                {#if line.note}<span class="block text-[14px] text-quiet">{line.note}</span>{/if}
                {#if line.choices.length}
                  <span class="mt-1 flex flex-wrap gap-2">
                    {#each line.choices as choice (choice.says)}
                      <button
                        class="act act-small"
                        onclick={() => reading.mend(i, `${Math.round(choice.grams * 10) / 10} g ${line.name}`)}
                        >{choice.says}</button
                      >
                    {/each}
                  </span>
                {/if}
              </p>
            </li>
          {/each}
        </ul>

        {#if draft.questions.length}
          <h3 class="mt-5 text-lg font-semibold">Open questions</h3>
          <ul>
            {#each draft.questions as q, i (i)}
              <li class="border-l-[6px] border-copper py-1 pl-3">
                <strong>{q.text}</strong> <span class="text-quiet">Assumed: {q.assumed}.</span>
              </li>
            {/each}
          </ul>
        {/if}
        {#if draft.lint.length}
          <h3 class="mt-5 text-lg font-semibold">What is missing or looks wrong</h3>
          <ul class="space-y-2">
            {#each draft.lint as remark, i (i)}
              <li class="border-l-[6px] pl-3 {remark.level === 'wrong' ? 'border-raspberry' : 'border-copper'}">
                <strong>{remark.text}</strong>
                {remark.consequence}
                {#if remark.where}<span class="block text-[14px] text-quiet">“{remark.where}”</span>{/if}
              </li>
            {/each}
          </ul>
        {/if}
      </div>
    {/if}
  </div>

  {#if draft && reading.formula}
    <h2 class="mt-8 mb-2 text-2xl">Proposed process</h2>
    {#if reading.checked.problem}<Notice problem={reading.checked.problem} />{/if}
    {#if forecast}
      <div class="transition-opacity {reading.checked.waiting ? 'opacity-60' : ''}">
        <Process
          steps={forecast.steps}
          components={forecast.components}
          {picked}
          onpick={(id) => (picked = picked === id ? null : id)}
        />
        {#if step}<StepCloseUp {step} />{/if}
        <div class="mt-4 grid gap-x-10 md:grid-cols-2 xl:grid-cols-3">
          {#each forecast.balance as r (r.id + r.component + r.step)}<RatioBand ratio={r} />{/each}
        </div>
        {#each forecast.warnings as w, i (i)}
          <p class="mt-3 border-l-[6px] border-copper pl-4">
            <strong>{w.text}</strong> <span class="text-quiet">{w.remedy}</span>
          </p>
        {/each}
      </div>
      <button class="act act-now mt-6" disabled={keeping} onclick={() => void keep()}>Add to the Book</button>
      <p class="mt-1 text-quiet">Then change it as a process: steps, vessels, portions, end points.</p>
    {:else if reading.checked.value?.trouble}<p class="text-lg">{reading.checked.value.trouble}</p>{/if}
  {:else if draft && !reading.formula}
    <p class="mt-6 text-lg">No process can be proposed yet: see the open questions.</p>
  {/if}
</div>
